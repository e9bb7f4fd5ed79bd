package sempre.server.api.check;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalLong;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.Refusal;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Instrument;
import sempre.core.learning.Check;
import sempre.core.learning.Grade;
import sempre.core.learning.Standing;
import sempre.core.pitch.Pitch;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.api.WhoMarks;
import sempre.server.app.PlaysAlready;
import sempre.server.app.StudentRecord;
import sempre.words.Words;

/** What was heard of a student: read, added to, taken back by a further entry. */
@RestController
@RequestMapping("/api/students/{studentId}/heard")
class ChecksController {
  private final StudentRecord record;
  private final Clock clock;

  ChecksController(StudentRecord record, Clock clock) {
    this.record = record;
    this.clock = clock;
  }

  /**
   * One grade for one note.
   *
   * @param mark names this press of the key; the same one sent again is not written down again
   */
  record HeardBody(
      @NotBlank(message = "ask.note-heard") String written,
      @NotBlank(message = "ask.with-fingering") String fingering,
      @NotNull(message = "ask.grade") Grade grade,
      long pieceId,
      @Size(max = 40, message = "ask.bars-long") String bars,
      @Size(max = 300, message = "ask.remark-long") String remark,
      @Size(max = 40, message = "ask.press-long") String mark) {
    private StudentRecord.Press press() {
      return new StudentRecord.Press(
          Pitch.parse(written),
          fingering,
          grade,
          pieceId > 0 ? OptionalLong.of(pieceId) : OptionalLong.empty(),
          Objects.toString(bars, ""),
          Objects.toString(remark, ""),
          Optional.ofNullable(mark).filter(m -> !m.isBlank()));
    }
  }

  /**
   * Notes the student plays already.
   *
   * @param from the lowest note; empty when notes are named one by one
   * @param to the highest note
   * @param scale tonic of the major scale, as it sounds, whose steps are meant; empty for every
   *     half step
   * @param notes written notes, one by one
   */
  record RangeBody(String from, String to, String scale, List<String> notes) {
    private Compass.Range range() {
      if (from == null || to == null) {
        throw new Refusal("ask.range");
      }
      Pitch low = Pitch.parse(from);
      Pitch high = Pitch.parse(to);
      if (high.midi() < low.midi()) {
        throw new Refusal("ask.range-backwards");
      }
      return new Compass.Range(low, high);
    }
  }

  record IdsBody(
      @NotEmpty(message = "ask.entries") List<@NotNull(message = "ask.entries") Long> ids) {}

  @GetMapping
  CheckViews.RecordView heard(@PathVariable long studentId) {
    StudentRecord.Sheet s = record.sheet(studentId);
    return new CheckViews.RecordView(
        Refs.StudentRef.of(s.student()),
        s.standing().marks().stream().map(m -> mark(m, s.instrument())).toList(),
        s.heard().stream().map(this::heard).toList(),
        Speech.words().teaching().fading(s.halfLife()));
  }

  @PostMapping
  List<Long> add(@PathVariable long studentId, @RequestBody List<@Valid HeardBody> bodies) {
    return record.hear(
        studentId,
        bodies.stream().map(HeardBody::press).toList(),
        WhoMarks.by(),
        WhoMarks.at(clock));
  }

  /** Writes down at set-up what a student plays already, with the standard fingerings. */
  @PostMapping("/range")
  List<Long> range(@PathVariable long studentId, @Valid @RequestBody RangeBody b) {
    return b.notes() == null || b.notes().isEmpty()
        ? record.plays(studentId, b.range(), Objects.toString(b.scale(), ""), WhoMarks.by())
        : record.plays(studentId, b.notes(), WhoMarks.by());
  }

  /** Takes entries back, each by a further one. */
  @PostMapping("/undo")
  List<Long> undo(@PathVariable long studentId, @Valid @RequestBody IdsBody body) {
    return record.undo(studentId, body.ids(), WhoMarks.by());
  }

  private LocalDate day(Instant at) {
    return at.atZone(clock.getZone()).toLocalDate();
  }

  private String ago(Instant at) {
    return Speech.words().ago(day(at), LocalDate.now(clock));
  }

  private CheckViews.HeardView heard(StudentRecord.Heard h) {
    Check c = h.check();
    return new CheckViews.HeardView(
        c.id(),
        new CheckViews.NoteHeard(
            c.written().toString(),
            Speech.words().note(c.written()),
            c.fingering(),
            h.piece().orElse(""),
            c.bars()),
        Speech.words().date(day(c.at())),
        ago(c.at()),
        c.by(),
        c.grade(),
        PlaysAlready.atSetUp(c) ? Speech.say("heard.set-up") : c.remark(),
        h.undone());
  }

  private CheckViews.MarkView mark(Standing.Mark m, Instrument instrument) {
    Words words = Speech.words();
    return new CheckViews.MarkView(
        m.written().toString(),
        words.note(m.written()),
        m.fingering(),
        instrument.entriesOf(m.written()).stream()
            .filter(e -> e.fingering().equals(m.fingering()))
            .map(words::label)
            .findFirst()
            .orElse(m.fingering()),
        m.grade(),
        m.faded(),
        ago(m.at()));
  }
}
