package sempre.core.audition;

import java.util.OptionalInt;
import sempre.core.instrument.Compass;
import sempre.core.making.Figure;
import sempre.core.making.Mode;
import sempre.core.making.SightReading;
import sempre.core.pitch.Pitch;

/** One thing that is asked of those who play an instrument. */
public interface Requirement {
  /** Id of the instrument. */
  String instrument();

  /**
   * Some bars of a piece.
   *
   * @param title as it stands on the shelf
   * @param bars such as {@code 9-16}; empty for all
   * @param tempo in quarters a minute; empty as marked
   */
  record Etude(String instrument, String title, String bars, OptionalInt tempo)
      implements Requirement {}

  /**
   * A scale or a broken chord in eighths, from its lowest tonic in the range up, down to the lowest
   * note and back; chromatic from the lowest note up and back.
   *
   * @param tonic as written; its octave says nothing
   * @param range as written
   * @param tempo in quarters a minute
   */
  record Scale(
      String instrument, Pitch tonic, Mode mode, Compass.Range range, int tempo, Figure figure)
      implements Requirement {}

  /** Something to be read at sight. */
  record Sight(String instrument, SightReading.Level level) implements Requirement {}
}
