package sempre.server.app;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.BiFunction;
import org.springframework.stereotype.Component;
import sempre.core.Refusal;
import sempre.core.planning.Figures;
import sempre.core.score.Note;
import sempre.server.store.Choices;
import sempre.server.store.Choices.Change;
import sempre.server.store.Choices.What;
import sempre.server.store.Db;
import sempre.server.store.People;

/** What a teacher chooses on the stand; each choice is one step that can be taken back. */
@Component
public class Choosing {
  private final Db db;
  private final People people;
  private final Choices choices;
  private final Stands stands;

  Choosing(Db db, People people, Choices choices, Stands stands) {
    this.db = db;
    this.people = people;
    this.choices = choices;
    this.stands = stands;
  }

  /** For which notes of the part a choice counts. */
  public enum Where {
    NOTE,
    PITCH,
    FIGURE
  }

  /** What a choice is about, before anything is changed. */
  private record Decision<T>(List<Change> changes, T what) {}

  /**
   * A choice that was made.
   *
   * @param what of which notes, or how
   */
  public record Made<T>(Stands.Loaded before, Stands.Loaded now, T what) {}

  /**
   * How a fingering was kept.
   *
   * @param notes for how many notes of the part
   * @param let whether it was let go
   * @param with others of the section for whom it counts as well
   * @param without those whose instrument does not have it
   */
  public record Kept(
      int notes, boolean let, List<People.Student> with, List<People.Student> without) {}

  /**
   * Keeps a fingering, or lets it go.
   *
   * @param text the fingering; empty lets it go
   * @param section whether it is kept for all who read this page on this instrument
   */
  public Made<Kept> keep(
      long studentId, long pieceId, String noteId, String text, Where where, boolean section) {
    return choose(
        studentId,
        pieceId,
        (tx, l) -> {
          Note note = note(l, noteId);
          List<Note> notes = notes(l, note, where);
          String fingering = fingering(l, note, text);
          List<Change> changes = new ArrayList<>(changes(l, notes, fingering));
          List<People.Student> with = new ArrayList<>();
          List<People.Student> without = new ArrayList<>();
          for (Stands.Loaded other : section ? stands.section(tx, l) : List.<Stands.Loaded>of()) {
            boolean has = fingering.isEmpty() || has(other, note, fingering);
            if (has) {
              changes.addAll(changes(other, notes, fingering));
            }
            (has ? with : without).add(other.student());
          }
          return new Decision<>(
              changes, new Kept(notes.size(), fingering.isEmpty(), with, without));
        });
  }

  /**
   * Keeps several fingerings in one step, such as another whole way through.
   *
   * @param fingerings by note
   */
  public Made<Integer> keepAll(long studentId, long pieceId, Map<String, String> fingerings) {
    return choose(
        studentId,
        pieceId,
        (tx, l) -> {
          List<Change> changes = new ArrayList<>();
          fingerings.forEach(
              (id, text) -> {
                Note note = note(l, id);
                changes.addAll(changes(l, List.of(note), fingering(l, note, text)));
              });
          return new Decision<>(changes, changes.size());
        });
  }

  /**
   * Plays a style another way; what is kept stays.
   *
   * @param house whether it is the house style of the instrument, for all who play it
   */
  public Made<Boolean> style(
      long studentId, long pieceId, String name, String school, boolean house) {
    return choose(
        studentId,
        pieceId,
        (tx, l) -> {
          l.player().setup().instrument().stylesWith(Map.of(name, school));
          String own = l.student().style().getOrDefault(name, "");
          String ofHouse = people.houseStyle(tx, l.student().instrument()).getOrDefault(name, "");
          List<Change> changes = new ArrayList<>();
          if (house) {
            changes.add(new Change(What.HOUSE, studentId, name, ofHouse, school));
          }
          String becomes = house ? "" : school;
          if (!own.equals(becomes)) {
            changes.add(new Change(What.STYLE, studentId, name, own, becomes));
          }
          return new Decision<>(changes, house);
        });
  }

  /** Takes the last choice back, or makes it again; says whether there was one. */
  public Made<Boolean> turn(long studentId, long pieceId, boolean again) {
    Stands.Loaded before = planned(studentId, pieceId);
    boolean done =
        db.inTransaction(
            tx ->
                !(again
                        ? choices.again(tx, studentId, pieceId)
                        : choices.back(tx, studentId, pieceId))
                    .isEmpty());
    return new Made<>(before, planned(studentId, pieceId), done);
  }

  private <T> Made<T> choose(
      long studentId, long pieceId, BiFunction<Db.Tx, Stands.Loaded, Decision<T>> decide) {
    Stands.Loaded before = planned(studentId, pieceId);
    T what =
        db.inTransaction(
            tx -> {
              Decision<T> d = decide.apply(tx, stands.load(tx, studentId, pieceId));
              List<Change> real =
                  d.changes().stream().filter(c -> !c.was().equals(c.becomes())).toList();
              if (!real.isEmpty()) {
                choices.take(tx, studentId, pieceId, real);
              }
              return d.what();
            });
    return new Made<>(before, planned(studentId, pieceId), what);
  }

  /** The part as it is now, planned while nobody waits for it. */
  private Stands.Loaded planned(long studentId, long pieceId) {
    Stands.Loaded l = db.inTransaction(tx -> stands.load(tx, studentId, pieceId));
    l.plan();
    return l;
  }

  private static List<Note> notes(Stands.Loaded l, Note note, Where where) {
    return switch (where) {
      case NOTE -> List.of(note);
      case PITCH ->
          l.page().line().notes().stream().filter(n -> n.pitch().equals(note.pitch())).toList();
      case FIGURE -> Figures.of(l.page().line()).getOrDefault(note.id(), List.of(note));
    };
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
}
