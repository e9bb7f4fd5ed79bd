package sempre.core.material;

import java.util.List;
import sempre.core.instrument.Entry;
import sempre.core.making.Figure;
import sempre.core.making.Mode;
import sempre.core.pitch.Pitch;
import sempre.core.score.Bars;

/** What an exercise is that was made from a piece. */
public sealed interface About {
  /** A scale or a broken chord of one of its keys, over its range. */
  record Scale(Pitch tonic, Mode mode, Figure figure) implements About {}

  /**
   * A scale with another fingering of one of its notes.
   *
   * @param usual how the player has it else
   */
  record Alternate(Pitch tonic, Mode mode, Pitch note, Entry entry, Entry usual) implements About {}

  /**
   * The chromatic scale with the notes on the beats lengthened.
   *
   * @param beats these notes within an octave, an augmented triad
   */
  record Chromatic(List<Pitch> beats) implements About {
    public Chromatic {
      beats = List.copyOf(beats);
    }
  }

  /** A chord that the piece spells out, from each of its notes. */
  record Chord(Spelled spelled) implements About {}

  /**
   * A passage played otherwise.
   *
   * @param bit place of the bit, from 0
   */
  record Passage(int bit, Bars bars, Change change) implements About {}

  /**
   * Long notes by half steps.
   *
   * @param seconds how long each is
   */
  record LongNotes(boolean up, int seconds) implements About {}

  /**
   * Slurs from a register to the one that is blown over it.
   *
   * @param semitones from the lower note to the upper: 12, 19
   */
  record Registers(int semitones) implements About {}

  /** Slurs from partial to partial, with the same valves or in the same position. */
  record Partials() implements About {}
}
