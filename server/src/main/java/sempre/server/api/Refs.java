package sempre.server.api;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import sempre.core.instrument.Option;
import sempre.core.instrument.Stage;
import sempre.core.learning.Grade;
import sempre.core.learning.Readiness;
import sempre.core.pitch.Pitch;
import sempre.server.app.Players;
import sempre.server.store.People;
import sempre.server.store.Shelf;

/** What many screens are sent: students, pieces, notes and options by name. */
public final class Refs {
  private Refs() {}

  /** How a student stands to a piece; ODD: it can't be worked out, and the sentence says why. */
  public enum Ready {
    READY,
    SHAKY,
    HARD,
    FADED,
    LACKS,
    /** Rhythm and sticking, with no notes to have. */
    DRUMS,
    NONE,
    ODD;

    /** LACKS, SHAKY, FADED or READY. */
    public static Ready of(Readiness r) {
      return !r.beyond().isEmpty() || !r.lacking().isEmpty()
          ? LACKS
          : !r.shaky().isEmpty() ? SHAKY : !r.faded().isEmpty() ? FADED : READY;
    }
  }

  /** What was heard of something; OPEN: nothing yet. */
  public enum Heard {
    SECURE,
    SHAKY,
    NOT_YET,
    OPEN;

    public static Heard of(Grade g) {
      return valueOf(g.name());
    }
  }

  /** The first stage that has a note; BEYOND: none has it. */
  public enum Reached {
    FIRST_YEARS,
    SCHOOL,
    ADVANCED,
    BEYOND;

    public static Reached of(Optional<Stage> s) {
      return s.map(x -> valueOf(x.name())).orElse(BEYOND);
    }
  }

  /**
   * A student in a list.
   *
   * @param instrumentName as it stands at the start of a line
   * @param plays the instrument with the part, Clarinet 2, as it stands at the start of a line
   * @param playsInside the same as it stands in the middle of a sentence
   * @param drums whether the student reads rhythm and sticking, and no pitches
   */
  public record StudentRef(
      long id,
      String name,
      String instrument,
      String instrumentName,
      String plays,
      String playsInside,
      boolean drums) {
    public static StudentRef of(People.Student s) {
      String called = Speech.words().instrument(s.instrument()).orElse(s.instrument());
      String part = s.part() > 0 ? " " + s.part() : "";
      return new StudentRef(
          s.id(),
          s.name(),
          s.instrument(),
          called,
          called + part,
          Speech.words().instrumentInside(s.instrument()) + part,
          Players.drums(s));
    }
  }

  /** A piece in a list; {@code source} is book and number in words, or the file's name. */
  public record PieceRef(
      long id, String title, String book, String number, String page, String source) {
    public static PieceRef of(Shelf.Piece p) {
      String source =
          p.book().isEmpty()
              ? p.fileName()
              : p.book() + (p.number().isEmpty() ? "" : ", " + p.number());
      return new PieceRef(p.id(), p.title(), p.book(), p.number(), p.page(), source);
    }
  }

  /** A note's name as text to send back, and as a person reads it. */
  public record NoteName(String written, String shown) {
    public static NoteName of(Pitch p) {
      return new NoteName(p.toString(), Speech.words().note(p));
    }

    public static List<NoteName> of(Collection<Pitch> pitches) {
      return pitches.stream().map(NoteName::of).toList();
    }
  }

  public record OptionView(String name, String label, List<SchoolView> values, String standard) {
    public static OptionView of(Option o) {
      List<SchoolView> values = new ArrayList<>();
      for (int i = 0; i < o.values().size(); i++) {
        values.add(new SchoolView(o.values().get(i), Speech.words().value(o.words().get(i))));
      }
      return new OptionView(o.name(), Speech.words().option(o.label()), values, o.standard());
    }
  }

  public record SchoolView(String value, String label) {}

  public record Id(long id) {}

  /** What was done, in a sentence. */
  public record Done(String done) {}
}
