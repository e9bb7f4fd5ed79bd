package sempre.server.api.check;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.learning.Growth;
import sempre.core.learning.Progress;
import sempre.core.pitch.Pitch;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.app.StudentRecord;
import sempre.server.app.WorthTeaching;

/** What a student has learned since a day and what comes next, in words: for home, or a file. */
@RestController
class ReportController {
  private final StudentRecord record;
  private final WorthTeaching worth;
  private final Clock clock;

  ReportController(StudentRecord record, WorthTeaching worth, Clock clock) {
    this.record = record;
    this.worth = worth;
    this.clock = clock;
  }

  /** How many notes were secure and shaky at the end of each week. */
  @GetMapping("/api/students/{studentId}/growth")
  List<Growth> growth(@PathVariable long studentId) {
    return record.growth(studentId);
  }

  /**
   * The same of a group, all added up.
   *
   * @param instrument one section of it; empty for all
   */
  @GetMapping("/api/groups/{id}/growth")
  StudentRecord.Together together(
      @PathVariable long id, @RequestParam(defaultValue = "") String instrument) {
    return record.growth(id, instrument);
  }

  /**
   * A report.
   *
   * @param since the first day of it; not in the future
   */
  @GetMapping("/api/students/{studentId}/report")
  CheckViews.ReportView report(@PathVariable long studentId, @RequestParam LocalDate since) {
    StudentRecord.Since r = record.since(studentId, since);
    Progress p = r.progress();
    return new CheckViews.ReportView(
        Refs.StudentRef.of(r.student()),
        LocalDate.now(clock),
        List.of(
            Speech.say(
                "report.learned",
                "student",
                r.student().givenName(),
                "n",
                p.learned().size(),
                "notes",
                p.learned(),
                "before",
                p.before()),
            said("report.shaky", p.shaky()),
            said("report.begun", p.begun())),
        worth.notes(studentId).stream()
            .map(
                n ->
                    Speech.say(
                        "report.next",
                        "note",
                        n.written(),
                        "n",
                        n.pieces().size(),
                        "pieces",
                        Speech.words().and(n.pieces().stream().map(x -> x.title()).toList())))
            .toList());
  }

  private static String said(String key, List<Pitch> notes) {
    return notes.isEmpty() ? "" : Speech.say(key, "n", notes.size(), "notes", notes);
  }
}
