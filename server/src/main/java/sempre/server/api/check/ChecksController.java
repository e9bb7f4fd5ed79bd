package sempre.server.api.check;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.OptionalLong;
import java.util.Set;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.Refusal;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.learning.Check;
import sempre.core.learning.Grade;
import sempre.core.learning.Standing;
import sempre.core.pitch.Pitch;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.server.api.WhoMarks;
import sempre.server.app.NotThere;
import sempre.server.app.Players;
import sempre.server.app.PlaysAlready;
import sempre.server.store.Checks;
import sempre.server.store.Db;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** What was heard of a student: read, added to, taken back by a further entry. */
@RestController
@RequestMapping("/api/students/{studentId}/heard")
public class ChecksController {
  private final Db db;
  private final Checks checks;
  private final Players players;
  private final Shelf shelf;
  private final PlaysAlready plays;
  private final Clock clock;

  public ChecksController(
      Db db, Checks checks, Players players, Shelf shelf, PlaysAlready plays, Clock clock) {
    this.plays = plays;
    this.db = db;
    this.checks = checks;
    this.players = players;
    this.shelf = shelf;
    this.clock = clock;
  }

  /**
   * One grade for one note.
   *
   * @param mark names this press of the key; the same one sent again is not written down again
   */
  public record HeardBody(
      @NotBlank(message = "ask.note-heard") String written,
      @NotBlank(message = "ask.with-fingering") String fingering,
      @NotNull(message = "ask.grade") Grade grade,
      long pieceId,
      @Size(max = 40, message = "ask.bars-long") String bars,
      @Size(max = 300, message = "ask.remark-long") String remark,
      @Size(max = 40, message = "ask.press-long") String mark) {}

  /**
   * Notes the student plays already.
   *
   * @param from the lowest note; empty when notes are named one by one
   * @param to the highest note
   * @param scale tonic of the major scale, as it sounds, whose steps are meant; empty for every
   *     half step
   * @param notes written notes, one by one
   */
  public record RangeBody(String from, String to, String scale, List<String> notes) {}

  public record IdsBody(
      @NotEmpty(message = "ask.entries") List<@NotNull(message = "ask.entries") Long> ids) {}

  @GetMapping
  public CheckViews.RecordView heard(@PathVariable long studentId) {
    return db.inTransaction(
        tx -> {
          People.Student s = players.student(tx, studentId);
          List<Check> list = checks.of(tx, studentId);
          Instrument instrument = players.setup(tx, s).instrument();
          Set<Long> undone = new HashSet<>();
          list.forEach(c -> c.undoes().ifPresent(undone::add));
          LocalDate today = LocalDate.now(clock);
          List<CheckViews.HeardView> heard = new ArrayList<>();
          for (Check c : list) {
            if (c.undoes().isEmpty()) {
              heard.add(0, heard(tx, c, undone.contains(c.id()), today));
            }
          }
          return new CheckViews.RecordView(
              Refs.StudentRef.of(s),
              players.standing(tx, s, list).marks().stream()
                  .map(m -> mark(m, instrument, today))
                  .toList(),
              heard,
              Speech.words().teaching().fading(players.halfLife(tx, s)));
        });
  }

  @PostMapping
  public List<Long> add(@PathVariable long studentId, @RequestBody List<@Valid HeardBody> bodies) {
    return db.inTransaction(
        tx -> {
          Setup setup = players.setup(tx, players.student(tx, studentId));
          List<Long> ids = new ArrayList<>();
          for (HeardBody b : bodies) {
            String mark = b.mark() == null || b.mark().isBlank() ? null : b.mark();
            if (mark != null && !checks.press(tx, studentId, mark)) {
              ids.addAll(checks.ofPress(tx, studentId, mark));
              continue;
            }
            Pitch written = Pitch.parse(b.written());
            String fingering = setup.instrument().keywork().read(b.fingering()).text();
            Entry entry = entry(setup, written, fingering);
            OptionalLong piece =
                b.pieceId() > 0
                    ? OptionalLong.of(players.piece(tx, b.pieceId()).id())
                    : OptionalLong.empty();
            ids.add(
                checks.add(
                    tx,
                    studentId,
                    Check.heard(
                            clock.instant(), WhoMarks.by(), written, entry.fingering(), b.grade())
                        .in(piece, Objects.toString(b.bars(), ""))
                        .remarked(Objects.toString(b.remark(), "")),
                    null,
                    null,
                    mark));
          }
          return ids;
        });
  }

  /** Writes down at set-up what a student plays already, with the standard fingerings. */
  @PostMapping("/range")
  public List<Long> range(@PathVariable long studentId, @Valid @RequestBody RangeBody body) {
    return db.inTransaction(
        tx -> {
          People.Student s = players.student(tx, studentId);
          if (body.notes() != null && !body.notes().isEmpty()) {
            return plays.notes(tx, s, body.notes(), WhoMarks.by());
          }
          if (body.from() == null || body.to() == null) {
            throw new Refusal("ask.range");
          }
          Pitch from = Pitch.parse(body.from());
          Pitch to = Pitch.parse(body.to());
          if (to.midi() < from.midi()) {
            throw new Refusal("ask.range-backwards");
          }
          return plays.range(tx, s, new Compass.Range(from, to), body.scale(), WhoMarks.by());
        });
  }

  /** Takes entries back, each by a further one. */
  @PostMapping("/undo")
  public List<Long> undo(@PathVariable long studentId, @Valid @RequestBody IdsBody body) {
    return db.inTransaction(
        tx -> {
          List<Long> ids = new ArrayList<>();
          for (long id : body.ids()) {
            Check c =
                checks
                    .one(tx, studentId, id)
                    .filter(x -> x.undoes().isEmpty())
                    .orElseThrow(() -> new NotThere("gone.entry"));
            if (!checks.undone(tx, id)) {
              ids.add(checks.add(tx, studentId, c.takenBack(clock.instant(), WhoMarks.by())));
            }
          }
          return ids;
        });
  }

  /** The catalogue's entry for a fingering as played, free controls held or not. */
  private static Entry entry(Setup setup, Pitch written, String fingering) {
    return setup.ways(written).stream()
        .filter(w -> w.fingering().text().equals(fingering))
        .map(Setup.Way::entry)
        .findFirst()
        .orElseThrow(
            () -> new Refusal("error.no-fingering", "note", written, "fingering", fingering));
  }

  private CheckViews.HeardView heard(Db.Tx tx, Check c, boolean undone, LocalDate today) {
    String piece = "";
    if (c.piece().isPresent()) {
      piece = shelf.title(tx, c.piece().getAsLong()).orElse("");
    }
    return new CheckViews.HeardView(
        c.id(),
        c.written().toString(),
        Speech.words().date(c.at().atZone(clock.getZone()).toLocalDate()),
        Speech.words().ago(c.at().atZone(clock.getZone()).toLocalDate(), today),
        c.by(),
        Speech.words().note(c.written()),
        c.fingering(),
        c.grade(),
        piece,
        c.bars(),
        PlaysAlready.atSetUp(c) ? Speech.say("heard.set-up") : c.remark(),
        undone);
  }

  private CheckViews.MarkView mark(Standing.Mark m, Instrument instrument, LocalDate today) {
    return new CheckViews.MarkView(
        m.written().toString(),
        Speech.words().note(m.written()),
        m.fingering(),
        instrument.entriesOf(m.written()).stream()
            .filter(e -> e.fingering().equals(m.fingering()))
            .map(Speech.words()::label)
            .findFirst()
            .orElse(m.fingering()),
        m.grade(),
        m.faded(),
        Speech.words().ago(m.at().atZone(clock.getZone()).toLocalDate(), today));
  }
}
