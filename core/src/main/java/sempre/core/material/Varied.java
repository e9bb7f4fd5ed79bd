package sempre.core.material;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import sempre.core.making.Articulation;
import sempre.core.making.Exercise;
import sempre.core.making.Rhythm;
import sempre.core.making.Setting;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;
import sempre.core.score.Bar;
import sempre.core.score.Note;

/** One passage, played otherwise. Grace notes stay away. */
final class Varied {
  private static final double NEAR = 1e-6;
  private static final int LEAST = 3;
  private static final int MOST_SIGNS = 7;

  private final List<Note> notes;
  private final int bar;
  private final int upbeat;

  /** As it is written; empty where a length or a place has no whole number of ticks. */
  private final Optional<List<Exercise.Tone>> own;

  /**
   * A passage.
   *
   * @param notes that follow one another
   * @param bars of their part
   */
  Varied(List<Note> notes, List<Bar> bars) {
    this.notes = notes.stream().filter(n -> !n.grace()).toList();
    Bar first = bars.get(notes.get(0).bar());
    Optional<Integer> length = ticks(first.beats() * 4.0 / first.beatType());
    bar = length.orElse(4 * Rhythm.QUARTER);
    Optional<Integer> left =
        this.notes.isEmpty()
            ? Optional.empty()
            : ticks(first.start() + first.quarters() - this.notes.get(0).onset());
    upbeat = left.map(l -> l % bar).orElse(0);
    own = left.isEmpty() ? Optional.empty() : own();
  }

  private static Optional<Integer> ticks(double quarters) {
    double ticks = quarters * Rhythm.QUARTER;
    return Math.abs(ticks - Math.rint(ticks)) < NEAR && ticks > NEAR
        ? Optional.of((int) Math.rint(ticks))
        : Optional.empty();
  }

  private Optional<List<Exercise.Tone>> own() {
    List<Exercise.Tone> tones = new ArrayList<>();
    for (int i = 0; i < notes.size(); i++) {
      Note n = notes.get(i);
      double behind = i == notes.size() - 1 ? 0 : notes.get(i + 1).onset() - n.end();
      Optional<Integer> length = ticks(n.quarters());
      Optional<Integer> rest = behind < NEAR ? Optional.of(0) : ticks(behind);
      if (length.isEmpty() || rest.isEmpty()) {
        return Optional.empty();
      }
      tones.add(new Exercise.Tone(n.pitch(), length.get(), n.slurToNext(), "", rest.get()));
    }
    // what ends under a slur that leads out of the passage is let go
    int last = tones.size() - 1;
    Exercise.Tone end = tones.get(last);
    tones.set(last, new Exercise.Tone(end.pitch(), end.ticks(), false, ""));
    return Optional.of(tones);
  }

  /** The passage in another way; empty where that is no other one, or can't be written. */
  Optional<Exercise> as(Change change) {
    if (notes.size() < LEAST) {
      return Optional.empty();
    }
    if (change.rhythm().isPresent()) {
      return rhythm(change.rhythm().get());
    }
    if (change.articulation().isPresent()) {
      return articulated(change.articulation().get());
    }
    return change == Change.BACKWARDS ? backwards() : lower();
  }

  private KeySignature key() {
    return notes.get(0).key();
  }

  private Exercise exercise(int before, List<Exercise.Tone> tones) {
    return new Exercise(notes.get(0).pitch(), key(), bar, before, tones);
  }

  /** Its notes and slurs in another rhythm, from the beginning of a bar. */
  private Optional<Exercise> rhythm(Rhythm rhythm) {
    List<Exercise.Tone> in =
        Setting.tones(notes.stream().map(Note::pitch).toList(), rhythm, Articulation.TONGUED, bar);
    List<Exercise.Tone> tones = new ArrayList<>();
    for (int i = 0; i < in.size(); i++) {
      Exercise.Tone t = in.get(i);
      boolean slurred = i < in.size() - 1 && notes.get(i).slurToNext();
      tones.add(new Exercise.Tone(t.pitch(), t.ticks(), slurred, ""));
    }
    boolean same =
        own.isPresent()
            && own.get().subList(0, notes.size() - 1).stream()
                .map(Exercise.Tone::ticks)
                .toList()
                .equals(
                    tones.subList(0, notes.size() - 1).stream().map(Exercise.Tone::ticks).toList());
    return same ? Optional.empty() : Optional.of(exercise(0, tones));
  }

  private Optional<Exercise> articulated(Articulation articulation) {
    return own.map(tones -> Setting.begun(tones, articulation, bar, upbeat))
        .filter(tones -> !articulation.sign().isEmpty() || !tones.equals(own.get()))
        .map(tones -> exercise(upbeat, tones));
  }

  /** In eighths, so that the hand meets every change from behind. */
  private Optional<Exercise> backwards() {
    List<Pitch> pitches = new ArrayList<>(notes.stream().map(Note::pitch).toList());
    List<Pitch> forwards = List.copyOf(pitches);
    Collections.reverse(pitches);
    return pitches.equals(forwards)
        ? Optional.empty()
        : Optional.of(
            exercise(0, Setting.tones(pitches, Rhythm.EIGHTHS, Articulation.TONGUED, bar)));
  }

  /** In the key with fewer signs of the two that lie a half step lower. */
  private Optional<Exercise> lower() {
    int byLetter = key().fifths() + 5;
    int byAccidental = key().fifths() - MOST_SIGNS;
    boolean letter = Math.abs(byLetter) < Math.abs(byAccidental);
    int letters = letter ? -1 : 0;
    KeySignature to = new KeySignature(letter ? byLetter : byAccidental);
    return own.map(
        tones ->
            new Exercise(
                notes.get(0).pitch().plus(letters, -1),
                to,
                bar,
                upbeat,
                tones.stream()
                    .map(
                        t ->
                            new Exercise.Tone(
                                t.pitch().plus(letters, -1), t.ticks(), t.slurs(), "", t.rest()))
                    .toList()));
  }
}
