package sempre.formats.abc;

import java.util.ArrayList;
import java.util.List;
import org.apache.commons.lang3.math.Fraction;
import sempre.core.pitch.Pitch;

/** A note, chord or rest, with what stands at it; it is changed while its text is read. */
final class Sound {
  /** No pitch: a rest. */
  final List<Pitch> pitches = new ArrayList<>();

  final List<String> signs = new ArrayList<>();
  final int column;

  /** In quarters, as written; in a tuplet it is shorter. */
  Fraction written = Fraction.ONE;

  /** Of a tuplet, how many of its notes take the time of how many. */
  int actual = 1;

  int normal = 1;
  boolean tupletStarts;
  boolean tupletStops;
  boolean grace;
  boolean slashed;
  boolean hidden;
  boolean ties;
  boolean tied;
  int slursStart;
  int slursStop;

  /** Whether the next note stands apart, so that no beam leads there. */
  boolean apart;

  Sound(int column) {
    this.column = column;
  }

  boolean isRest() {
    return pitches.isEmpty();
  }

  /** In quarters, as long as it sounds. */
  Fraction lasts() {
    return grace ? Fraction.ZERO : written.multiplyBy(Fraction.getFraction(normal, actual));
  }

  /** The same, shorter, for a part of a note that is tied over a bar line. */
  Sound part(Fraction length) {
    Sound s = new Sound(column);
    s.pitches.addAll(pitches);
    s.written = length;
    s.actual = actual;
    s.normal = normal;
    return s;
  }
}
