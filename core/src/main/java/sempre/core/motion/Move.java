package sempre.core.motion;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import sempre.core.Judgement.Slips;
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
 * @param slips wrong notes that may be heard on the way, the easiest to hear first
 * @param handShift whether a hand leaves its place for palm, side, table or foot keys, or comes
 *     back
 * @param travel how far the slide goes, on a trombone
 * @param partials how many partials the lips cross on the way, on brass; 0 elsewhere
 * @param registers how many registers lie between the notes, on a woodwind; 0 on brass
 * @param leap semitones between the notes, 0 or more
 * @param same whether nothing at all is moved
 * @param sideChange whether the thumb goes over to the other side of a double horn
 * @param swaps keys that one hand lets go while the other opens the same hole by its own: E flat
 *     left, then right
 * @param smear whether the slide moves on one partial, so that the way is heard under a slur
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
    boolean same,
    boolean sideChange,
    int swaps,
    boolean smear) {
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
  public record FingerSlide(Finger finger, String from, String to, SlideRule.Way way) {
    /** Whether it stays on its hole and opens half of it. */
    public boolean opensHalf() {
      return to.equals("h" + from);
    }

    /** Whether it stays on its hole and covers the whole of it again. */
    public boolean coversWhole() {
      return from.equals("h" + to);
    }
  }

  /** Where nothing is fingered. */
  static final Move NONE =
      new Move(
          Set.of(),
          Set.of(),
          false,
          List.of(),
          List.of(),
          false,
          Optional.empty(),
          0,
          0,
          0,
          true,
          false,
          0,
          false);

  /**
   * A note that slips out between. With no finger named it is a neighbouring partial on the same
   * valves or position: the lips are at fault.
   *
   * @param note what is heard
   * @param late fingers that have not moved yet
   * @param early fingers that have moved already
   * @param distance semitones to the nearer of the two notes, 1 or more
   * @param lips how the lips err, where they do
   */
  public record Slip(Pitch note, List<Finger> late, List<Finger> early, int distance, Lips lips) {
    /** What the lips do when no finger is at fault. */
    public enum Lips {
      FINE,
      SLACK,
      TIGHT
    }

    /** Whether a neighbouring partial is meant. */
    public boolean byLips() {
      return lips != Lips.FINE;
    }

    /** How much it is noticed, in three steps. */
    public enum Audibly {
      STANDS_OUT,
      IS_HEARD,
      HARDLY
    }

    /** The step of {@link #audible(double)}. */
    public Audibly audibly(double seconds) {
      double much = audible(seconds);
      return much >= Slips.STANDS_OUT
          ? Audibly.STANDS_OUT
          : much >= Slips.IS_HEARD ? Audibly.IS_HEARD : Audibly.HARDLY;
    }

    /**
     * How long it is heard, in seconds: a quarter of the time for the change, 0.015 to 0.06; a
     * wrong partial lasts until it is mended, half the note at most (common practice, no source).
     *
     * @param seconds the time from note to note
     */
    public double lasts(double seconds) {
      return byLips()
          ? seconds / 2
          : Math.max(
              Slips.LEAST_LATE_SECONDS,
              Math.min(Slips.MOST_LATE_SECONDS, seconds * Slips.LATE_SHARE));
    }

    /**
     * How much it is noticed, 0 to 1: the longer it lasts and the further it lies from both notes,
     * the more (common practice, no source).
     *
     * @param seconds the time from note to note
     */
    public double audible(double seconds) {
      double lasting = lasts(seconds);
      double share = lasting / (lasting + Slips.HEARD_SECONDS);
      double far = Math.min(1, distance / (double) Slips.FAR);
      boolean one = byLips() || Math.min(late.size(), early.size()) == 1;
      return share * far * (one ? 1 : Slips.TOGETHER);
    }

    /** Whether whoever is to blame is late; else early. */
    public boolean isLate() {
      return late.size() <= early.size();
    }

    /** The fingers that are to blame: the fewer of those that are late and those that are early. */
    public List<Finger> blamed() {
      return isLate() ? late : early;
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

  /** Slips for which fingers are to blame, not the lips. */
  public int fingerSlips() {
    return (int) slips.stream().filter(s -> !s.byLips()).count();
  }

  /** Fingers that move at all. */
  public int fingers() {
    return down.size() + up.size() + slides.size();
  }
}
