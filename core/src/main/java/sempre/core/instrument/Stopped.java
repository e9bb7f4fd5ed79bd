package sempre.core.instrument;

import java.util.Set;

/**
 * How a note is fingered when the bell is stopped with the hand, which makes the tube shorter.
 *
 * @param down how many semitones lower it is fingered
 * @param without tokens of controls that are not held: the horn is stopped on its F side
 */
public record Stopped(int down, Set<String> without) {
  public Stopped {
    without = Set.copyOf(without);
  }
}
