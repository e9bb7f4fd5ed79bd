package sempre.core.score;

import java.util.List;
import java.util.Optional;
import sempre.core.Saying;

/**
 * A part that has a player's own notes in another octave: what the player hears beside the own
 * sound.
 *
 * @param part its name in the file
 * @param octaves how many octaves the player sounds over it (under it: negative); never 0
 */
public record Beside(String part, int octaves) {
  /** Fewer notes are the same by chance. */
  private static final int LEAST = 4;

  /** Two notes nearer than this begin together, in quarters. */
  private static final double TOGETHER = 0.01;

  /**
   * The first part of the score that has the same notes at the same time, where all of them are the
   * same number of octaves away; who plays that part itself is the one to go by.
   *
   * @param reading what the player reads
   * @param line the voice of it that the player plays
   * @param pages how the pages of the file are meant
   * @param bars where they are compared
   */
  public static Optional<Beside> of(
      Score score, PartChoice.Reading reading, Line line, PartChoice.Pages pages, Bars bars) {
    int sounds = reading.part().transposition().semitones();
    PartChoice.Pages meant = PagePitch.of(score, pages);
    List<Note> mine = bars.of(line).notes();
    return mine.size() < LEAST
        ? Optional.empty()
        : score.parts().stream()
            .filter(p -> p.topLine().isPresent())
            .flatMap(
                p ->
                    octaves(
                        mine,
                        sounds,
                        bars.of(p.topLine().orElseThrow()).notes(),
                        PartChoice.sounds(p, meant).semitones())
                        .map(o -> new Beside(p.name(), o))
                        .stream())
            .findFirst()
            .filter(b -> b.octaves() != 0);
  }

  private static Optional<Integer> octaves(
      List<Note> mine, int sounds, List<Note> others, int otherSounds) {
    if (mine.size() != others.size()) {
      return Optional.empty();
    }
    int apart = apart(mine.get(0), sounds, others.get(0), otherSounds);
    for (int i = 0; i < mine.size(); i++) {
      if (Math.abs(mine.get(i).onset() - others.get(i).onset()) > TOGETHER
          || apart(mine.get(i), sounds, others.get(i), otherSounds) != apart) {
        return Optional.empty();
      }
    }
    return apart % 12 == 0 ? Optional.of(apart / 12) : Optional.empty();
  }

  private static int apart(Note mine, int sounds, Note other, int otherSounds) {
    return mine.pitch().midi() + sounds - other.pitch().midi() - otherSounds;
  }

  /** What a player is told. */
  public Saying saying() {
    return Saying.of(
        "read.beside", "part", part, "octaves", Math.abs(octaves), "lower", octaves < 0 ? 1 : 0);
  }
}
