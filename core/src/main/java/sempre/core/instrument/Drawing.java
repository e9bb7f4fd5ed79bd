package sempre.core.instrument;

import java.util.List;
import java.util.Optional;

/**
 * What an instrument looks like to its player, for pictures of fingerings: its body and where each
 * key lies. All lengths are in units of the drawing, about a millimetre of a clarinet; x runs to
 * the player's right, y from the mouthpiece down, from the middle of the tube.
 *
 * @param frame what is to be seen
 * @param slide where a slide moves; empty where there is none
 */
public record Drawing(
    Box frame, List<Body> body, List<Box> behind, List<Place> places, Optional<Track> slide) {
  /** A rectangle; those {@code behind} the tube show what the thumbs work. */
  public record Box(double x, double y, double w, double h) {
    /** Whether a point lies in it. */
    public boolean has(double px, double py) {
      return px >= x && px <= x + w && py >= y && py <= y + h;
    }
  }

  /**
   * A part of the body that no finger touches.
   *
   * @param form how it is drawn
   * @param path an SVG path, its letters and numbers alone
   */
  public record Body(Form form, String path) {
    /** A filled shape, or a line. */
    public enum Form {
      SHAPE,
      LINE
    }
  }

  /** How a control looks. */
  public enum Form {
    /** A hole in the tube. */
    HOLE,
    /** Two small holes under one finger. */
    TWIN,
    /** A hole with a ring round it. */
    RING,
    /** A round plate. */
    PLATE,
    /** A touch with straight sides. */
    BAR,
    /** A touch that is pointed above. */
    DROP,
    /** A roller. */
    ROLLER,
    /** A valve with its cap, seen from the side. */
    PISTON
  }

  /**
   * Where a control lies.
   *
   * @param token its token in the notation
   * @param left whether it stands before the bar of the notation
   * @param x its middle, as y
   * @param turn degrees, clockwise
   */
  public record Place(
      String token, boolean left, Form form, double x, double y, double w, double h, double turn) {}

  /**
   * A slide: where its end is when it is drawn in, and when it is drawn out as far as the last
   * position.
   */
  public record Track(double y, double first, double last) {}

  public Drawing {
    body = List.copyOf(body);
    behind = List.copyOf(behind);
    places = List.copyOf(places);
  }

  /** Where a control lies; empty where the drawing does not have it. */
  public Optional<Place> of(Control c) {
    return places.stream()
        .filter(p -> p.token().equals(c.token()) && p.left() == c.left())
        .findFirst();
  }
}
