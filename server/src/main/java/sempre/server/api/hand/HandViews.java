package sempre.server.api.hand;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import sempre.core.instrument.Finger;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.TrillFingering.Quality;
import sempre.core.motion.Move;
import sempre.server.api.Refs;
import sempre.server.api.Speech;
import sempre.words.PlanWords;

/** What the screen is sent: plain values, every field always there. */
public final class HandViews {
  private HandViews() {}

  /**
   * A control as it lies under the hands, for the picture of a fingering; its face stands on it.
   */
  public record KeyView(
      String token, boolean left, String finger, String name, String face, boolean hole) {
    /** The controls of an instrument with these options. */
    public static List<KeyView> all(Instrument i, Map<String, String> options) {
      return i.keywork().controls().stream()
          .filter(c -> options.entrySet().containsAll(c.requires().entrySet()))
          .map(
              c ->
                  new KeyView(
                      c.token(),
                      c.left(),
                      c.finger().name(),
                      Speech.words().key(c),
                      Speech.words().face(i.keywork(), c),
                      c.home()))
          .toList();
    }
  }

  /** A control that is held: {@code half} for a half-covered hole. */
  public record HeldView(String token, boolean left, boolean half, boolean free) {
    public static HeldView of(Hold h, boolean free) {
      return new HeldView(h.control().token(), h.control().left(), h.way() == Hold.Way.HALF, free);
    }
  }

  /** A row of the lanes: one finger, or one valve. */
  public record Lane(String finger, String label, boolean gapAbove) {}

  public record FingerSlideView(String finger, String from, String to) {}

  public record SlipView(String shown, String cause, String audibly) {
    public static SlipView of(Move.Slip s, double seconds) {
      PlanWords words = Speech.words().plan();
      return new SlipView(Speech.words().note(s.note()), words.cause(s), words.audibly(s, seconds));
    }
  }

  /** How the fingers move between two fingerings. */
  public record MotionView(
      List<String> up,
      List<String> down,
      boolean contrary,
      List<FingerSlideView> slides,
      List<SlipView> slips,
      double slideCm) {
    /**
     * @param seconds how long the change may take
     * @param finger how a finger is called
     */
    public static MotionView of(
        Move move, List<Move.Slip> slips, double seconds, Function<Finger, String> finger) {
      return new MotionView(
          move.up().stream().map(finger).toList(),
          move.down().stream().map(finger).toList(),
          move.contrary(),
          move.slides().stream()
              .map(s -> new FingerSlideView(finger.apply(s.finger()), s.from(), s.to()))
              .toList(),
          slips.stream().map(s -> SlipView.of(s, seconds)).toList(),
          move.travel().map(Move.Travel::cm).orElse(0.0));
    }
  }

  /**
   * A control that moves in a trill.
   *
   * @param finger the lane it belongs to
   * @param key how it is named there
   * @param lower whether it is held on the lower note
   * @param upper whether it is held on the upper note
   */
  public record TrillKeyView(
      String finger, String key, String name, boolean lower, boolean upper) {}

  /** Both fingerings of a trill. */
  public record StatesView(
      String from, String to, List<HeldView> lowerHeld, List<HeldView> upperHeld) {}

  /**
   * A trill with both of its states; of quality none where there is no good one: then {@code words}
   * says what to do instead.
   */
  public record TrillView(
      Refs.NoteName lower,
      Refs.NoteName upper,
      @JsonUnwrapped StatesView states,
      List<TrillKeyView> moving,
      Quality quality,
      String words,
      String because,
      String requires) {}
}
