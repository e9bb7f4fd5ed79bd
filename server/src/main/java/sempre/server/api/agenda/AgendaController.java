package sempre.server.api.agenda;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.agenda.Days;
import sempre.formats.ical.CalendarFile;
import sempre.server.api.Speech;
import sempre.server.app.Agendas;

/** A student's plan of practice, from today to the days on which pieces are due. */
@RestController
class AgendaController {
  private static final int NAME = 60;

  private final Agendas agendas;
  private final Clock clock;

  AgendaController(Agendas agendas, Clock clock) {
    this.agendas = agendas;
    this.clock = clock;
  }

  /** When a student practises; without lessons nobody hears it on a day of its own. */
  record DaysBody(int minutes, Set<DayOfWeek> practice, Set<DayOfWeek> lessons) {}

  /**
   * Days without practice.
   *
   * @param everyone whether they are the whole school's
   */
  record OffBody(
      @NotNull(message = "ask.day") LocalDate first,
      LocalDate last,
      @Size(max = NAME) String name,
      boolean everyone) {
    Days.Off off() {
      return new Days.Off(first, last == null ? first : last, name == null ? "" : name.strip());
    }
  }

  @GetMapping("/api/students/{studentId}/agenda")
  AgendaViews.AgendaView agenda(@PathVariable long studentId) {
    return AgendaWords.view(agendas.of(studentId));
  }

  /** What everyone with a plan practises today. */
  @GetMapping("/api/agendas")
  List<AgendaViews.PracticeToday> today() {
    return agendas.all().stream().map(AgendaWords::today).toList();
  }

  @PutMapping("/api/students/{studentId}/agenda")
  AgendaViews.AgendaView say(@PathVariable long studentId, @RequestBody DaysBody body) {
    agendas.say(studentId, body.minutes(), orNone(body.practice()), orNone(body.lessons()));
    return agenda(studentId);
  }

  private static Set<DayOfWeek> orNone(Set<DayOfWeek> days) {
    Set<DayOfWeek> all = EnumSet.noneOf(DayOfWeek.class);
    if (days != null) {
      days.stream().filter(Objects::nonNull).forEach(all::add);
    }
    return all;
  }

  /** The usual days hold again, and nobody is told of days that were missed. */
  @DeleteMapping("/api/students/{studentId}/agenda")
  AgendaViews.AgendaView forget(@PathVariable long studentId) {
    agendas.forget(studentId);
    return agenda(studentId);
  }

  @PostMapping("/api/students/{studentId}/off")
  AgendaViews.AgendaView addOff(@PathVariable long studentId, @Valid @RequestBody OffBody body) {
    agendas.addOff(studentId, body.everyone(), body.off());
    return agenda(studentId);
  }

  @DeleteMapping("/api/students/{studentId}/off/{offId}")
  AgendaViews.AgendaView removeOff(@PathVariable long studentId, @PathVariable long offId) {
    agendas.removeOff(studentId, offId);
    return agenda(studentId);
  }

  /**
   * The plan for any calendar; a file that is taken in again changes what stands there.
   *
   * @param named whether the student's name is in the file and its name: a calendar may belong to
   *     others
   */
  @GetMapping(value = "/api/students/{studentId}/agenda.ics", produces = "text/calendar")
  ResponseEntity<byte[]> calendar(
      @PathVariable long studentId, @RequestParam(defaultValue = "false") boolean named) {
    Agendas.OfStudent of = agendas.of(studentId);
    AgendaViews.AgendaView view = AgendaWords.view(of);
    List<CalendarFile.Entry> entries = new ArrayList<>();
    for (AgendaViews.DayView d : view.days()) {
      if (!d.tasks().isEmpty()) {
        entries.add(practice(studentId, view, d));
      }
    }
    for (Agendas.Due d : of.dues()) {
      entries.add(
          new CalendarFile.Entry(
              d.given().due(),
              "due-%d-%d@sempre".formatted(studentId, d.given().id()),
              Speech.say("agenda.due-event", "piece", d.piece().title()),
              ""));
    }
    String name =
        named
            ? Speech.say("agenda.calendar", "student", of.student().name())
            : Speech.say("agenda.calendar-plain");
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(name.replace(":", "") + ".ics", StandardCharsets.UTF_8)
                .build()
                .toString())
        .body(
            CalendarFile.of(
                    name,
                    entries,
                    // the same plan is the same file all day
                    LocalDate.now(clock).atStartOfDay().toInstant(ZoneOffset.UTC))
                .getBytes(StandardCharsets.UTF_8));
  }

  private static CalendarFile.Entry practice(
      long studentId, AgendaViews.AgendaView view, AgendaViews.DayView d) {
    List<String> pieces =
        d.tasks().stream()
            .map(t -> t.piece().isEmpty() ? Speech.say("agenda.event-sight") : t.piece())
            .distinct()
            .toList();
    List<String> lines = new ArrayList<>();
    d.tasks().forEach(t -> lines.add(AgendaWords.line(t)));
    if (!d.hear().isEmpty()) {
      lines.add(d.hear());
    }
    return new CalendarFile.Entry(
        LocalDate.parse(d.day()),
        "practice-%d-%s@sempre".formatted(studentId, d.day()),
        Speech.say("agenda.event", "minutes", view.minutes(), "pieces", Speech.words().and(pieces)),
        String.join("\n", lines));
  }
}
