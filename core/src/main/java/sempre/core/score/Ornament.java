package sempre.core.score;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Letter;
import sempre.core.pitch.Pitch;

/**
 * What is played around a note without being written out.
 *
 * @param kind which
 * @param upper the note above that takes part, as written; empty where none does
 * @param lower the note below
 */
public record Ornament(Kind kind, Optional<Pitch> upper, Optional<Pitch> lower) {
  /** A note with nothing around it. */
  public static final Ornament NONE = new Ornament(Kind.NONE, Optional.empty(), Optional.empty());

  /** The kinds, with the order in which the note and its neighbours are played. */
  public enum Kind {
    NONE(""),
    TRILL("MUMUMU"),
    MORDENT("MLM"),
    UPPER_MORDENT("MUM"),
    TURN("UMLM"),
    INVERTED_TURN("LMUM"),
    /** In quick turn with the note behind it, which is written. */
    TREMOLO("");

    private final String order;

    Kind(String order) {
      this.order = order;
    }

    private boolean takes(char part) {
      return order.indexOf(part) >= 0;
    }
  }

  /**
   * The ornament of a note in a key: its neighbours on the scale, unless an accidental stands by.
   *
   * @param above the alteration that stands over the sign in half steps, if one does
   * @param below the one under it
   */
  public static Ornament of(
      Kind kind, Pitch note, KeySignature key, Optional<Integer> above, Optional<Integer> below) {
    return new Ornament(
        kind,
        kind.takes('U') ? Optional.of(neighbour(note, 1, key, above)) : Optional.empty(),
        kind.takes('L') ? Optional.of(neighbour(note, -1, key, below)) : Optional.empty());
  }

  private static Pitch neighbour(Pitch note, int step, KeySignature key, Optional<Integer> alter) {
    int place = note.staffStep() + step;
    Letter letter = Letter.values()[Math.floorMod(place, Letter.values().length)];
    int octave = Math.floorDiv(place, Letter.values().length);
    return new Pitch(letter, alter.orElseGet(() -> key.alterOf(letter)), octave);
  }

  /** Whether the note is in quick turn with another. */
  public boolean alternates() {
    return kind == Kind.TRILL || kind == Kind.TREMOLO;
  }

  /** The pitches in the order in which they are played; empty when nothing is unwritten. */
  public List<Pitch> played(Pitch main) {
    List<Pitch> all = new ArrayList<>();
    for (char part : kind.order.toCharArray()) {
      all.add(part == 'M' ? main : part == 'U' ? upper.orElseThrow() : lower.orElseThrow());
    }
    return all;
  }

  /** The same ornament of the note on another page. */
  Ornament moved(Pitch from, Pitch to) {
    int letters = to.staffStep() - from.staffStep();
    int semitones = to.midi() - from.midi();
    return kind == Kind.NONE || letters == 0 && semitones == 0
        ? this
        : new Ornament(
            kind,
            upper.map(p -> p.plus(letters, semitones)),
            lower.map(p -> p.plus(letters, semitones)));
  }
}
