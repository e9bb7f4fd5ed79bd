package sempre.server.api.people;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.instrument.Catalogue;
import sempre.core.pitch.Pitch;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.app.EverythingOf;
import sempre.server.store.KeptOf;
import sempre.server.store.People;

/** Everything that is kept of one student as a text that anybody can read. */
@RestController
class EverythingController {
  private final EverythingOf everything;
  private final Clock clock;

  EverythingController(EverythingOf everything, Clock clock) {
    this.everything = everything;
    this.clock = clock;
  }

  /** The file has no name in its own name: it may be left on a computer that others use. */
  @GetMapping(value = "/api/students/{studentId}/everything.txt", produces = "text/plain")
  ResponseEntity<byte[]> everything(@PathVariable long studentId) {
    EverythingOf.Everything all = everything.of(studentId);
    return ResponseEntity.ok()
        .contentType(new MediaType(MediaType.TEXT_PLAIN, StandardCharsets.UTF_8))
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(Speech.say("everything.file") + ".txt", StandardCharsets.UTF_8)
                .build()
                .toString())
        .body(text(all).getBytes(StandardCharsets.UTF_8));
  }

  private String text(EverythingOf.Everything all) {
    List<String> lines = new ArrayList<>();
    lines.add(
        Speech.say(
            "everything.title",
            "student",
            all.student().name(),
            "day",
            LocalDate.now(clock).toString()));
    section(
        lines,
        "student",
        Stream.of(
            all.student().name(),
            Speech.words().instrument(all.student().instrument()).orElse(""),
            all.student().part() == 0
                ? ""
                : Speech.say("everything.plays-part", "n", all.student().part()),
            all.student().seat(),
            options(all.student())));
    for (String kind :
        List.of(
            "group",
            "assignment",
            "part",
            "lock",
            "simpler",
            "chosen",
            "absent",
            "audition",
            "mock")) {
      section(
          lines,
          kind,
          all.others().stream()
              .filter(o -> o.kind().equals(kind))
              .map(
                  o ->
                      together(
                          o.at().map(this::day).orElse(""),
                          o.name(),
                          o.n() == 1 ? "" : String.valueOf(o.n()))));
    }
    section(lines, "heard", all.heard().stream().map(this::heard));
    section(
        lines,
        "rudiment",
        all.rudiments().stream()
            .map(
                r ->
                    together(
                        day(r.at()),
                        Speech.say("rudiment." + r.rudiment()),
                        "\u2669 = " + r.tempo(),
                        Speech.say("everything.grade", "grade", r.grade()),
                        r.by().isEmpty() ? "" : Speech.say("everything.by", "teacher", r.by()),
                        r.takenBack() ? Speech.say("everything.undone") : "")));
    section(
        lines,
        "run",
        all.runs().stream()
            .map(
                r ->
                    together(
                        day(r.at()),
                        r.piece(),
                        "\u2669 = " + r.tempo(),
                        Speech.say(r.clean() ? "everything.clean" : "everything.not-clean"),
                        r.takenBack() ? Speech.say("everything.undone") : "")));
    section(
        lines,
        "days",
        all.week().stream()
            .flatMap(
                w ->
                    Stream.of(
                        days("everything.practices", w.practice(), w.minutes()),
                        days("everything.lessons", w.lessons(), w.minutes()))));
    section(
        lines,
        "off",
        all.off().stream().map(o -> together(o.first() + " – " + o.last(), o.name())));
    section(
        lines,
        "sheet",
        all.sheets().stream()
            .map(s -> together(day(s.at()), s.audition(), s.judge(), points(s), s.remark())));
    lines.add("");
    lines.add(Speech.say("everything.not"));
    return String.join("\r\n", lines) + "\r\n";
  }

  /** What the instrument of a student has. */
  private static String options(People.Student student) {
    return Catalogue.standard().instrument(student.instrument()).options().stream()
        .map(Refs.OptionView::of)
        .filter(o -> student.options().containsKey(o.name()))
        .map(
            o ->
                o.label()
                    + ": "
                    + o.values().stream()
                        .filter(v -> v.value().equals(student.options().get(o.name())))
                        .map(Refs.SchoolView::label)
                        .findFirst()
                        .orElse(""))
        .collect(Collectors.joining(", "));
  }

  private static String days(String key, Set<DayOfWeek> days, int minutes) {
    return days.isEmpty()
        ? ""
        : Speech.say(
            key,
            "days",
            days.stream().map(Speech.words()::weekday).collect(Collectors.joining(", ")),
            "minutes",
            minutes);
  }

  private static String points(KeptOf.Sheet sheet) {
    return new TreeMap<>(sheet.points())
        .entrySet().stream()
            .map(p -> Speech.say("everything.point", "of", p.getKey().name(), "n", p.getValue()))
            .collect(Collectors.joining(", "));
  }

  private String heard(KeptOf.Heard h) {
    return together(
        day(h.at()),
        Speech.words().note(Pitch.parse(h.written())),
        h.fingering(),
        Speech.say("everything.grade", "grade", h.grade()),
        h.piece(),
        h.bars().isEmpty() ? "" : Speech.say("everything.measures", "bars", h.bars()),
        h.remark(),
        h.by().isEmpty() ? "" : Speech.say("everything.by", "teacher", h.by()),
        h.takenBack() ? Speech.say("everything.undone") : "");
  }

  private static void section(List<String> lines, String kind, Stream<String> entries) {
    List<String> there = entries.filter(Objects::nonNull).filter(e -> !e.isBlank()).toList();
    if (there.isEmpty()) {
      return;
    }
    lines.add("");
    lines.add(Speech.say("everything." + kind) + ":");
    there.forEach(e -> lines.add("  " + e));
  }

  private static String together(String... parts) {
    return Stream.of(parts).filter(p -> !p.isBlank()).collect(Collectors.joining(", "));
  }

  private String day(Instant at) {
    return at.atZone(clock.getZone()).toLocalDate().toString();
  }
}
