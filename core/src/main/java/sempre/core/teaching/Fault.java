package sempre.core.teaching;

import java.util.List;
import sempre.core.instrument.Control;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Finger;
import sempre.core.instrument.Freedom;
import sempre.core.instrument.Hold;
import sempre.core.pitch.Pitch;

/**
 * One thing that goes wrong when a note is played: a fact, without words. What is done about it
 * follows from the fault alone, so that a remedy never stands under another one's name.
 */
public sealed interface Fault {
  /** What sort of thing goes wrong. */
  enum Kind {
    FINGER,
    LEAK,
    BRUSHED,
    WRONG_KEY,
    VALVE,
    SLIDE,
    REGISTER,
    PARTIAL,
    OCTAVE,
    TRANSPOSITION,
    READING,
    SOUND
  }

  Kind kind();

  /** Something is not held yet, or was let go. */
  record Late(Hold hold) implements Fault {
    @Override
    public Kind kind() {
      return Kind.FINGER;
    }
  }

  /** The fingers below an open hole are forgotten: the lower part of a fork. */
  record ForkForgotten(List<Hold> holds) implements Fault {
    public ForkForgotten {
      holds = List.copyOf(holds);
    }

    @Override
    public Kind kind() {
      return Kind.FINGER;
    }
  }

  /** The mallet falls on a neighbour of the bar that is meant. */
  record BarBeside() implements Fault {
    @Override
    public Kind kind() {
      return Kind.WRONG_KEY;
    }
  }

  /** Palm or side keys are not pressed, so that only what is held besides sounds. */
  record KeysMissed(List<Hold> holds) implements Fault {
    public KeysMissed {
      holds = List.copyOf(holds);
    }

    @Override
    public Kind kind() {
      return Kind.WRONG_KEY;
    }
  }

  /** A finger is down where it rests, and should be up. */
  record StillDown(Hold hold) implements Fault {
    @Override
    public Kind kind() {
      return Kind.FINGER;
    }
  }

  /** Something is held that the catalogue says must not be held over this note. */
  record MustBeUp(Hold hold, Freedom rule) implements Fault {
    @Override
    public Kind kind() {
      return Kind.FINGER;
    }
  }

  /** A key is touched that does not belong to the fingering. */
  record Brushed(Hold hold) implements Fault {
    @Override
    public Kind kind() {
      return Kind.BRUSHED;
    }
  }

  /** Some palm or side key is touched: a hole far above opens and spoils the note. */
  record BrushedAbove(Finger place) implements Fault {
    @Override
    public Kind kind() {
      return Kind.BRUSHED;
    }
  }

  /** A finger is on another of its keys. */
  record WrongKey(Hold on, Hold meant) implements Fault {
    @Override
    public Kind kind() {
      return Kind.WRONG_KEY;
    }
  }

  /** A neighbouring finger is down in place of the one that is meant. */
  record Swapped(Hold down, Hold meant) implements Fault {
    @Override
    public Kind kind() {
      return Kind.FINGER;
    }
  }

  /** All of a hole is covered instead of half. */
  record Covered(Hold half) implements Fault {
    @Override
    public Kind kind() {
      return Kind.FINGER;
    }
  }

  /** Only half of a double hole is covered. */
  record HalfOpen(Hold hold) implements Fault {
    @Override
    public Kind kind() {
      return Kind.FINGER;
    }
  }

  /**
   * One of some holes or keys is not quite closed, and the note comes out between.
   *
   * @param byHoles whether the fingers themselves close holes there
   */
  record Leak(List<Hold> holds, boolean byHoles) implements Fault {
    public Leak {
      holds = List.copyOf(holds);
    }

    @Override
    public Kind kind() {
      return Kind.LEAK;
    }
  }

  /** A small leak near the top works like a register key. */
  record LeakAbove() implements Fault {
    @Override
    public Kind kind() {
      return Kind.LEAK;
    }
  }

  /** A register or octave key is not pressed. */
  record RegisterKeyUp(Hold key) implements Fault {
    @Override
    public Kind kind() {
      return Kind.REGISTER;
    }
  }

  /** A register or octave key is pressed by mistake. */
  record RegisterKeyDown(Hold key) implements Fault {
    @Override
    public Kind kind() {
      return Kind.REGISTER;
    }
  }

  /** The thumb hole is closed where it should be half open. */
  record ThumbClosed(Hold thumb) implements Fault {
    @Override
    public Kind kind() {
      return Kind.REGISTER;
    }
  }

  /** The thumb hole is not quite closed. */
  record ThumbOpen(Hold thumb) implements Fault {
    @Override
    public Kind kind() {
      return Kind.REGISTER;
    }
  }

  /** The fingers are right, and the note drops to its lower register. */
  record Dropped() implements Fault {
    @Override
    public Kind kind() {
      return Kind.REGISTER;
    }
  }

  /** The fingers are right, and the note is blown to a higher register. */
  record Overblown() implements Fault {
    @Override
    public Kind kind() {
      return Kind.REGISTER;
    }
  }

  /** It is fingered as the note an octave lower, which has a fingering of its own. */
  record FingeredAs(Entry lower) implements Fault {
    @Override
    public Kind kind() {
      return Kind.FINGER;
    }
  }

  /** A valve is not down. */
  record ValveUp(Control valve) implements Fault {
    @Override
    public Kind kind() {
      return Kind.VALVE;
    }
  }

  /** A valve is down that should be up. */
  record ValveDown(Control valve) implements Fault {
    @Override
    public Kind kind() {
      return Kind.VALVE;
    }
  }

  /** One valve is down in place of another. */
  record ValveInstead(Control down, Control meant) implements Fault {
    @Override
    public Kind kind() {
      return Kind.VALVE;
    }
  }

  /**
   * The same valves or position, another partial.
   *
   * @param steps partials too high, or negative
   */
  record Partial(int steps) implements Fault {
    @Override
    public Kind kind() {
      return Kind.PARTIAL;
    }
  }

  /**
   * The slide stands elsewhere on the same partial.
   *
   * @param position where
   * @param cm how far from where it should be, in centimetres
   * @param out whether it is too far out
   */
  record SlideAt(Hold position, double cm, boolean out) implements Fault {
    @Override
    public Kind kind() {
      return Kind.SLIDE;
    }
  }

  /**
   * On the way from a note that the player has, some fingers move too late or too early.
   *
   * @param from the note it is come from
   */
  record Slipped(Pitch from, List<Finger> fingers, boolean late) implements Fault {
    public Slipped {
      fingers = List.copyOf(fingers);
    }

    @Override
    public Kind kind() {
      return Kind.FINGER;
    }
  }

  /** The right note in the wrong octave. */
  record Octave() implements Fault {
    @Override
    public Kind kind() {
      return Kind.OCTAVE;
    }
  }

  /** The sharp or flat of the note is forgotten: 1 for a sharp, -1 for a flat. */
  record AccidentalForgotten(int alter) implements Fault {
    @Override
    public Kind kind() {
      return Kind.READING;
    }
  }

  /** A sharp (1) or flat (-1) is played that does not stand there. */
  record AccidentalAdded(int alter) implements Fault {
    @Override
    public Kind kind() {
      return Kind.READING;
    }
  }

  /**
   * A place on the staff is misread.
   *
   * @param places lines and spaces too high, or negative: 1 is the next, 2 the next line or space
   *     of its kind
   */
  record Misread(int places) implements Fault {
    @Override
    public Kind kind() {
      return Kind.READING;
    }
  }

  /** The note is read in the other clef. */
  record OtherClef() implements Fault {
    @Override
    public Kind kind() {
      return Kind.READING;
    }
  }

  /** The name of the sound was taken for the name on the page. */
  record ConcertName() implements Fault {
    @Override
    public Kind kind() {
      return Kind.TRANSPOSITION;
    }
  }

  /** The note was transposed a second time: its own name was taken for the sound. */
  record TransposedTwice() implements Fault {
    @Override
    public Kind kind() {
      return Kind.TRANSPOSITION;
    }
  }

  /** What is heard is no other note. */
  record Symptom(Sound sound) implements Fault {
    @Override
    public Kind kind() {
      return Kind.SOUND;
    }
  }

  /** What can be wrong with a sound, whatever its pitch. */
  enum Sound {
    NONE,
    AIRY,
    SQUEAK,
    CRACK,
    SHARP_THIN,
    FLAT_LOOSE,
    STUCK_VALVE,
    WATER
  }
}
