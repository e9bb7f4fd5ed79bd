package sempre.core.score;

import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import sempre.core.Saying;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.Transposition;

/**
 * One part of a score: what the planner needs to know of the music, no more.
 *
 * @param id as in the file
 * @param name as in the file
 * @param transposition from its page to what sounds
 * @param bars in page order
 * @param lines voices, the top one first
 * @param remarks what the reader has left out or chosen, one sentence each
 */
public record Part(
    String id,
    String name,
    Transposition transposition,
    List<Bar> bars,
    List<Line> lines,
    List<Saying> remarks) {
  public Part {
    bars = List.copyOf(bars);
    lines = List.copyOf(lines);
    remarks = List.copyOf(remarks);
  }

  /** The line a player reads unless another is chosen: the top one that has notes. */
  public Optional<Line> topLine() {
    return lines.stream().filter(l -> !l.notes().isEmpty()).findFirst();
  }

  public Optional<Pitch> lowest() {
    return lines.stream().flatMap(l -> l.notes().stream()).map(Note::pitch).min(Pitch::compareTo);
  }

  public Optional<Pitch> highest() {
    return lines.stream().flatMap(l -> l.notes().stream()).map(Note::pitch).max(Pitch::compareTo);
  }

  /** The order in which its bars are played; the same for all of its lines. */
  public Played played() {
    return lines.isEmpty() ? Played.AS_PRINTED : lines.get(0).played();
  }

  /** The key signature at the start. */
  public KeySignature key() {
    return bars.isEmpty() ? KeySignature.NATURAL : bars.get(0).key();
  }

  /**
   * This part as it stands on another instrument's page, so that both sound the same.
   *
   * @param to the other instrument's transposition
   */
  public Part readBy(Transposition to) {
    Transposition move = transposition.onto(to);
    if (move.equals(Transposition.CONCERT)) {
      return this;
    }
    return new Part(
        id,
        name,
        to,
        bars.stream()
            .map(
                b ->
                    new Bar(
                        b.index(),
                        b.number(),
                        b.start(),
                        b.quarters(),
                        b.key().plus(move.fifths()),
                        b.beats(),
                        b.beatType()))
            .toList(),
        eachNote(n -> n.at(moved(n.pitch(), n.key(), move), n.key().plus(move.fifths()))),
        remarks);
  }

  private List<Line> eachNote(UnaryOperator<Note> change) {
    return lines.stream().map(l -> l.with(l.notes().stream().map(change).toList())).toList();
  }

  /** The same part some octaves higher (lower: negative). */
  public Part inOctave(int octaves) {
    if (octaves == 0) {
      return this;
    }
    return new Part(
        id,
        name,
        transposition,
        bars,
        eachNote(n -> n.at(n.pitch().plus(7 * octaves, 12 * octaves), n.key())),
        remarks);
  }

  /** The same page, taken as written in concert pitch; octaves from it are as they are said. */
  public Part asConcert() {
    return transposition.fifths() == 0
        ? this
        : new Part(id, name, Transposition.CONCERT, bars, lines, remarks);
  }

  /**
   * A note moved with its key: where the new key signature is folded to its enharmonic, so is the
   * note, and it stays readable.
   */
  public static Pitch moved(Pitch pitch, KeySignature key, Transposition move) {
    Pitch moved = pitch.plus(move.letters(), move.semitones());
    int straight = key.fifths() + move.fifths();
    int folded = key.plus(move.fifths()).fifths();
    if (straight != folded) {
      // twelve fifths are seven letters and twelve semitones apart by one letter: B sharp for C
      int shift = (straight - folded) / 12;
      return moved.plus(shift, 0);
    }
    return moved;
  }
}
