package sempre.core.score;

import java.util.Set;

/**
 * A chord that stands written over the music.
 *
 * @param onset quarters from the start, in page order; it holds until the next
 * @param classes pitch classes that sound in it, 0 (C) to 11 (B); empty where none is meant
 */
public record Chord(double onset, Set<Integer> classes) {
  public Chord {
    classes = Set.copyOf(classes);
  }
}
