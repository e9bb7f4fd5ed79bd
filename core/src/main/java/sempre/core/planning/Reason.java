package sempre.core.planning;

import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import sempre.core.instrument.Control;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Purpose;
import sempre.core.instrument.Rule;
import sempre.core.instrument.Tuning;
import sempre.core.pitch.Pitch;

/**
 * Why a fingering was chosen: a fact, which {@code words} puts into a sentence.
 *
 * @param purpose what it serves
 * @param because whether the note before, the one behind, both, or the note itself decides
 * @param fact what decided
 */
public record Reason(Purpose purpose, Where.Side because, Fact fact) {
  /** What can decide. */
  public sealed interface Fact {}

  /**
   * Another would have been the usual one, and costs more on the whole way.
   *
   * @param other which
   * @param why what weighs most of what it costs more
   * @param where that lies
   */
  public record Instead(Entry other, Why why, Where where) implements Fact {}

  /** A rule of the catalogue makes it welcome here. */
  public record Welcome(Rule rule) implements Fact {}

  /**
   * The hand does not reach another.
   *
   * @param other which
   * @param hold what is not reached
   */
  public record OutOfReach(Entry other, Hold hold) implements Fact {}

  /**
   * This instrument lacks what another would need, and which would be made for this place.
   *
   * @param other which
   * @param control what is lacking
   */
  public record Lacking(Entry other, Control control) implements Fact {}

  /** The teacher has fixed it. */
  public record Locked() implements Fact {}

  /** It is the teacher's way, and not the usual one. */
  public record HouseWay() implements Fact {}

  /** Another would be easier here, had it been learned. */
  public record OnceLearned(Entry other) implements Fact {}

  /**
   * It is out of tune and long or exposed, and can be brought into tune.
   *
   * @param cents as it is by itself; positive is sharp
   * @param by what mends it; an empty name when only the lips can
   * @param cm how far a valve slide is drawn, in centimetres (computed); empty for what is not
   *     drawn
   */
  public record Tuned(double cents, String by, OptionalDouble cm) implements Fact {
    /**
     * What brings a fingering that is sharp by itself into tune; empty where nothing is known.
     *
     * @param options of the instrument: without a slide that can be drawn there are the lips
     */
    public static Optional<Tuned> of(Entry e, Map<String, String> options) {
      return e.tuning()
          .filter(t -> e.cents().orElse(0) > 0)
          .map(
              t -> {
                boolean lacking = "false".equals(options.get(t.by()));
                return new Tuned(
                    e.cents().getAsDouble(),
                    lacking ? Tuning.LIPS : t.by(),
                    lacking || t.cm() == 0 ? OptionalDouble.empty() : OptionalDouble.of(t.cm()));
              });
    }
  }

  /**
   * The bell is stopped with the hand.
   *
   * @param fingered the note as which it is fingered
   */
  public record Stopped(Pitch fingered) implements Fact {}

  /** The mute is in; the fingering stays. */
  public record Muted() implements Fact {}

  /**
   * It glides to the next note with the slide.
   *
   * @param to the next note
   * @param onePartial whether the slide alone makes it, the whole way on one partial
   * @param cm how far the slide goes
   */
  public record Glissando(Pitch to, boolean onePartial, double cm) implements Fact {}

  /** What is said of the note alone. */
  static Reason of(Purpose purpose, Fact fact) {
    return new Reason(purpose, Where.Side.NOTE, fact);
  }
}
