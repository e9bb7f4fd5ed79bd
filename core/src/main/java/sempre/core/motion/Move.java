package sempre.core.motion;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import sempre.core.instrument.Finger;
import sempre.core.instrument.SlideRule;
import sempre.core.pitch.Pitch;

/**
 * What the hands do from one fingering to the next.
 *
 * @param down fingers that press something, having held nothing
 * @param up fingers that let go and hold nothing
 * @param contrary whether some go down while others come up
 * @param slides fingers that stay down but change what they hold
 * @param slips notes that sound for a moment when one finger is late or early
 * @param handShift whether a hand goes to palm or side keys, or comes back from them
 * @param travel how far the slide goes, on a trombone
 * @param partials how many partials the lips cross on the way, on brass; 0 elsewhere
 * @param registers how many registers lie between the notes, on a woodwind; 0 on brass
 * @param leap semitones between the notes, 0 or more
 * @param same whether nothing at all is moved
 */
public record Move(
    Set<Finger> down,
    Set<Finger> up,
    boolean contrary,
    List<FingerSlide> slides,
    List<Slip> slips,
    boolean handShift,
    Optional<Travel> travel,
    int partials,
    int registers,
    int leap,
    boolean same) {
  public Move {
    slides = List.copyOf(slides);
    slips = List.copyOf(slips);
  }

  /**
   * One finger that goes from key to key.
   *
   * @param finger which
   * @param from tokens it held
   * @param to tokens it holds then
   * @param way how well that goes
   */
  public record FingerSlide(Finger finger, String from, String to, SlideRule.Way way) {}

  /**
   * A note that slips out between.
   *
   * @param note what is heard
   * @param late fingers that have not moved yet
   * @param early fingers that have moved already
   */
  public record Slip(Pitch note, List<Finger> late, List<Finger> early) {
    /** Which finger causes it, in words: {@code right first finger late}. */
    public String cause() {
      return who() + (isLate() ? " late" : " early");
    }

    /** The same as a clause: {@code the right first finger moves too late}. */
    public String clause() {
      boolean one = (isLate() ? late : early).size() == 1;
      return "the " + who() + (one ? " moves too " : " move too ") + (isLate() ? "late" : "early");
    }

    private boolean isLate() {
      return late.size() <= early.size();
    }

    private String who() {
      return String.join(" and ", (isLate() ? late : early).stream().map(Finger::words).toList());
    }
  }

  /**
   * The way of the slide.
   *
   * @param from position it leaves
   * @param to position it reaches
   * @param cm distance in centimetres, 0 or more
   * @param outward 1 away from the player, -1 towards, 0 when it stays
   */
  public record Travel(String from, String to, double cm, int outward) {}

  /** Whether two notes have the same hands, so that the air alone makes the difference. */
  public boolean airAlone() {
    return same && leap > 0;
  }

  /** Fingers that move at all. */
  public int fingers() {
    return down.size() + up.size() + slides.size();
  }
}
