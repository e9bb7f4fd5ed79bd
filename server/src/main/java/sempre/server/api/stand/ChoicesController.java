package sempre.server.api.stand;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import sempre.core.Refusal;
import sempre.core.planning.Figures;
import sempre.core.planning.Plan;
import sempre.core.score.Note;
import sempre.server.api.Speech;
import sempre.server.app.NotThere;
import sempre.server.app.Players;
import sempre.server.app.Stands;
import sempre.server.store.Choices;
import sempre.server.store.Choices.Change;
import sempre.server.store.Choices.What;
import sempre.server.store.Db;
import sempre.server.store.People;

/** What a teacher chooses on the stand: fingerings that are kept, styles; and back again. */
@RestController
@RequestMapping("/api/stand/{studentId}/{pieceId}/choices")
public class ChoicesController {
  private final Db db;
  private final Choices choices;
  private final People people;
  private final Stands stands;

  public ChoicesController(Db db, Choices choices, People people, Stands stands) {
    this.db = db;
    this.choices = choices;
    this.people = people;
    this.stands = stands;
  }

  /** For which notes of the part a choice counts. */
  public enum Where {
    NOTE,
    PITCH,
    FIGURE
  }

  /**
   * A fingering that is kept.
   *
   * @param fingering empty lets it go
   * @param section whether it is kept for all who read this page on this instrument
   */
  public record KeepBody(
      @NotBlank(message = "ask.note") String noteId,
      @NotNull(message = "ask.fingering-or-none") String fingering,
      @NotNull(message = "ask.where") Where where,
      boolean section) {}

  /** A fingering for a note, among several. */
  public record OneBody(
      @NotBlank(message = "ask.note") String noteId,
      @NotBlank(message = "ask.fingering") String fingering) {}

  public record ManyBody(@NotEmpty(message = "ask.fingerings") List<@Valid OneBody> all) {}

  /**
   * A school for a style.
   *
   * @param house whether it is the house style of the instrument, for all who play it
   */
  public record SchoolBody(
      @NotBlank(message = "ask.style") String name,
      @NotBlank(message = "ask.school") String school,
      boolean house) {}

  /** Keeps a fingering, or lets it go. */
  @PostMapping
  public StandViews.ChosenView keep(
      @PathVariable long studentId, @PathVariable long pieceId, @Valid @RequestBody KeepBody b) {
    return db.inTransaction(
        tx -> {
          Stands.Loaded l = stands.load(tx, studentId, pieceId);
          Note note = note(l, b.noteId());
          List<Note> notes =
              switch (b.where()) {
                case NOTE -> List.of(note);
                case PITCH ->
                    l.page().line().notes().stream()
                        .filter(n -> n.pitch().equals(note.pitch()))
                        .toList();
                case FIGURE -> Figures.of(l.page().line()).getOrDefault(note.id(), List.of(note));
              };
          String fingering = fingering(l, note, b.fingering());
          List<Change> changes = new ArrayList<>(changes(l, notes, fingering));
          List<String> with = new ArrayList<>();
          List<String> without = new ArrayList<>();
          if (b.section()) {
            for (Stands.Loaded other : stands.section(tx, l)) {
              if (fingering.isEmpty() || has(other, note, fingering)) {
                changes.addAll(changes(other, notes, fingering));
                with.add(other.student().name());
              } else {
                without.add(other.student().name());
              }
            }
          }
          return chosen(tx, l, changes, said(notes, fingering, with, without));
        });
  }

  /** Keeps several fingerings in one step, such as another whole way through. */
  @PostMapping("/all")
  public StandViews.ChosenView keepAll(
      @PathVariable long studentId, @PathVariable long pieceId, @Valid @RequestBody ManyBody b) {
    return db.inTransaction(
        tx -> {
          Stands.Loaded l = stands.load(tx, studentId, pieceId);
          List<Change> changes = new ArrayList<>();
          for (OneBody one : b.all()) {
            Note note = note(l, one.noteId());
            changes.addAll(changes(l, List.of(note), fingering(l, note, one.fingering())));
          }
          int n = changes.size();
          return chosen(tx, l, changes, Speech.say("choice.kept", "n", n));
        });
  }

  /** Plays a style another way; what is kept stays. */
  @PostMapping("/style")
  public StandViews.ChosenView style(
      @PathVariable long studentId, @PathVariable long pieceId, @Valid @RequestBody SchoolBody b) {
    return db.inTransaction(
        tx -> {
          Stands.Loaded l = stands.load(tx, studentId, pieceId);
          l.player().setup().instrument().stylesWith(Map.of(b.name(), b.school()));
          String own = l.student().style().getOrDefault(b.name(), "");
          String house = people.houseStyle(tx, l.student().instrument()).getOrDefault(b.name(), "");
          List<Change> changes = new ArrayList<>();
          if (b.house()) {
            changes.add(new Change(What.HOUSE, studentId, b.name(), house, b.school()));
          }
          String becomes = b.house() ? "" : b.school();
          if (!own.equals(becomes)) {
            changes.add(new Change(What.STYLE, studentId, b.name(), own, becomes));
          }
          String said =
              b.house()
                  ? Speech.say("choice.house", "instrument", l.player().setup().instrument())
                  : Speech.say("choice.student", "student", l.student().name());
          return chosen(tx, l, changes, said);
        });
  }

  @PostMapping("/undo")
  public StandViews.ChosenView undo(@PathVariable long studentId, @PathVariable long pieceId) {
    return turn(studentId, pieceId, false);
  }

  @PostMapping("/redo")
  public StandViews.ChosenView redo(@PathVariable long studentId, @PathVariable long pieceId) {
    return turn(studentId, pieceId, true);
  }

  private StandViews.ChosenView turn(long studentId, long pieceId, boolean again) {
    return db.inTransaction(
        tx -> {
          Stands.Loaded l = stands.load(tx, studentId, pieceId);
          List<Change> changes =
              again ? choices.again(tx, studentId, pieceId) : choices.back(tx, studentId, pieceId);
          String said =
              changes.isEmpty()
                  ? again ? "choice.nothing-again" : "choice.nothing-back"
                  : again ? "choice.again" : "choice.back";
          return view(tx, l, Speech.say(said));
        });
  }

  private StandViews.ChosenView chosen(
      Db.Tx tx, Stands.Loaded before, List<Change> changes, String said) {
    List<Change> real = changes.stream().filter(c -> !c.was().equals(c.becomes())).toList();
    if (!real.isEmpty()) {
      choices.take(tx, before.student().id(), before.piece().id(), real);
    }
    return view(tx, before, said);
  }

  /** The plan as it is now, with what differs from before. */
  private StandViews.ChosenView view(Db.Tx tx, Stands.Loaded before, String said) {
    Stands.Loaded now = stands.load(tx, before.student().id(), before.piece().id());
    Plan plan = now.plan();
    return new StandViews.ChosenView(
        PlanViews.of(now, stands.beside(tx, now)),
        said,
        Advice.changes(plan.since(before.plan()), now));
  }

  private static Note note(Stands.Loaded l, String id) {
    return l.page().line().notes().stream()
        .filter(n -> n.id().equals(id))
        .findFirst()
        .orElseThrow(() -> new NotThere("gone.note"));
  }

  /** The fingering as it is kept; empty when none is. */
  private static String fingering(Stands.Loaded l, Note note, String text) {
    if (text.isBlank()) {
      return "";
    }
    String plain = l.player().setup().instrument().keywork().read(text).text();
    if (!has(l, note, plain)) {
      throw new Refusal("error.no-fingering", "note", note.pitch(), "fingering", plain);
    }
    return plain;
  }

  private static boolean has(Stands.Loaded l, Note note, String fingering) {
    return !Players.standing(Map.of(note.id(), fingering), l.page().line(), l.player().setup())
        .isEmpty();
  }

  private static List<Change> changes(Stands.Loaded l, List<Note> notes, String fingering) {
    return notes.stream()
        .map(
            n ->
                new Change(
                    What.LOCK,
                    l.student().id(),
                    n.id(),
                    l.locks().getOrDefault(n.id(), ""),
                    fingering))
        .toList();
  }

  private static String said(
      List<Note> notes, String fingering, List<String> with, List<String> without) {
    return Speech.say(
        fingering.isEmpty() ? "choice.let-go" : "choice.keep",
        "n",
        notes.size(),
        "with",
        with.size(),
        "who",
        with,
        "without",
        without.size(),
        "others",
        without);
  }
}
