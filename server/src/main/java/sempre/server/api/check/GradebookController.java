package sempre.server.api.check;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.learning.Points;
import sempre.formats.csv.Spreadsheet;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.app.Gradebook;

/** The gradebook of a group over a term, on the screen and for a spreadsheet. */
@RestController
class GradebookController {
  private static final int HUNDRED = 100;

  private final Gradebook gradebook;
  private final Clock clock;

  GradebookController(Gradebook gradebook, Clock clock) {
    this.gradebook = gradebook;
    this.clock = clock;
  }

  /**
   * What grades are worth.
   *
   * @param absent -1 where absence doesn't count
   */
  record PointsView(
      @Min(value = 0, message = "ask.points-number")
          @Max(value = 100, message = "ask.points-number")
          int secure,
      @Min(value = 0, message = "ask.points-number")
          @Max(value = 100, message = "ask.points-number")
          int shaky,
      @Min(value = 0, message = "ask.points-number")
          @Max(value = 100, message = "ask.points-number")
          int notYet,
      @Min(value = -1, message = "ask.points-number")
          @Max(value = 100, message = "ask.points-number")
          int absent) {
    static PointsView of(Points p) {
      return new PointsView(p.secure(), p.shaky(), p.notYet(), p.absent().orElse(-1));
    }

    Points points() {
      return new Points(
          secure, shaky, notYet, absent < 0 ? OptionalInt.empty() : OptionalInt.of(absent));
    }
  }

  /** A day with what was asked on it, in words; {@code checks} are the checks of that day. */
  record GradebookDay(LocalDate day, String shown, List<String> asked, List<Long> checks) {}

  /** What one has on a day; {@code heard} is false where there is nothing. */
  record PointsCell(boolean heard, boolean absent, int points, int of) {}

  /** One student; percent is -1 where nothing counts. */
  record GradebookRow(
      Refs.StudentRef student, List<PointsCell> cells, int points, int of, int percent) {}

  record GradebookView(
      long groupId,
      String group,
      LocalDate from,
      LocalDate to,
      PointsView worth,
      List<GradebookDay> days,
      List<GradebookRow> rows) {}

  @GetMapping("/api/groups/{groupId}/gradebook")
  GradebookView book(
      @PathVariable long groupId,
      @RequestParam(required = false) @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate from,
      @RequestParam(required = false) @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate to) {
    LocalDate last = Optional.ofNullable(to).orElseGet(() -> LocalDate.now(clock));
    LocalDate first = Optional.ofNullable(from).orElseGet(() -> term(last));
    Gradebook.Book b = gradebook.of(groupId, first, last);
    return new GradebookView(
        groupId,
        b.group().name(),
        first,
        last,
        PointsView.of(b.points()),
        b.days().stream().map(GradebookController::day).toList(),
        b.rows().stream().map(GradebookController::row).toList());
  }

  /** A term began in August or in January: the later of the two before a day. */
  private static LocalDate term(LocalDate day) {
    return LocalDate.of(day.getYear(), day.getMonthValue() >= 8 ? 8 : 1, 1);
  }

  private static GradebookDay day(Gradebook.Day d) {
    return new GradebookDay(
        d.day(),
        Speech.words().shortDay(d.day()),
        d.asked().stream()
            .flatMap(c -> CheckWords.asked(c.asked()).stream())
            .map(a -> (a.shown() + " " + a.words()).strip())
            .toList(),
        d.asked().stream().map(c -> c.check().id()).toList());
  }

  private static GradebookRow row(Gradebook.Row r) {
    return new GradebookRow(
        Refs.StudentRef.of(r.student()),
        r.cells().stream()
            .map(
                c ->
                    new PointsCell(
                        c.isPresent(),
                        c.map(Gradebook.Cell::absent).orElse(false),
                        c.map(Gradebook.Cell::points).orElse(0),
                        c.map(Gradebook.Cell::of).orElse(0)))
            .toList(),
        r.points(),
        r.of(),
        r.of() == 0 ? -1 : Math.round((float) HUNDRED * r.points() / r.of()));
  }

  /** What grades are worth from now on, for all that was heard. */
  @PutMapping("/api/points")
  PointsView worth(@Valid @RequestBody PointsView points) {
    gradebook.set(points.points());
    return PointsView.of(gradebook.points());
  }

  /** The same for a spreadsheet: one number a student and day, and the sum. */
  @GetMapping(value = "/api/groups/{groupId}/gradebook.csv", produces = "text/csv")
  ResponseEntity<String> csv(
      @PathVariable long groupId,
      @RequestParam(required = false) @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate from,
      @RequestParam(required = false) @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate to) {
    GradebookView b = book(groupId, from, to);
    List<List<String>> rows = new ArrayList<>();
    List<String> head =
        new ArrayList<>(List.of(Speech.say("grid.student"), Speech.say("grid.section")));
    b.days().forEach(d -> head.add(d.day().toString()));
    head.add(Speech.say("book.sum"));
    head.add(Speech.say("book.of"));
    head.add(Speech.say("book.percent"));
    rows.add(head);
    for (GradebookRow r : b.rows()) {
      List<String> row = new ArrayList<>(List.of(r.student().name(), r.student().plays()));
      r.cells().forEach(c -> row.add(number(c)));
      row.add(String.valueOf(r.points()));
      row.add(String.valueOf(r.of()));
      row.add(r.percent() < 0 ? "" : String.valueOf(r.percent()));
      rows.add(row);
    }
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(
                    Speech.say(
                            "book.file",
                            "group",
                            b.group(),
                            "from",
                            b.from().toString(),
                            "to",
                            b.to().toString())
                        + ".csv",
                    StandardCharsets.UTF_8)
                .build()
                .toString())
        .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
        .body(Spreadsheet.table(rows));
  }

  private static String number(PointsCell c) {
    return !c.heard()
        ? ""
        : c.absent() && c.of() == 0 ? Speech.say("book.absent") : String.valueOf(c.points());
  }
}
