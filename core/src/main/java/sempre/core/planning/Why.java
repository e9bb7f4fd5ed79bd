package sempre.core.planning;

import java.util.List;
import sempre.core.instrument.Finger;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Rule;
import sempre.core.pitch.Pitch;

/** What makes one fingering cost more than another: a fact, without words. */
public sealed interface Why {
  /**
   * A finger has to go from key to key.
   *
   * @param finger which
   * @param from what it holds on the first note
   * @param to what it holds on the second
   * @param needed whether the neighbour is fingered so in the plan as well, and so needs the finger
   */
  record Slide(Finger finger, List<Hold> from, List<Hold> to, boolean needed) implements Why {
    public Slide {
      from = List.copyOf(from);
      to = List.copyOf(to);
    }
  }

  /** Some fingers go down while others come up. */
  record Contrary() implements Why {}

  /**
   * Another note slips out between.
   *
   * @param heard which
   * @param fingers that cause it
   * @param late whether they are late; else early
   */
  record Slip(Pitch heard, List<Finger> fingers, boolean late) implements Why {
    public Slip {
      fingers = List.copyOf(fingers);
    }
  }

  /**
   * More fingers move.
   *
   * @param moving how many
   * @param instead how many with the fingering that is compared
   */
  record Fingers(int moving, int instead) implements Why {}

  /** Weaker fingers move, no more of them. */
  record WeakFingers() implements Why {}

  /** From it the slide can't glide to the next note on one partial. */
  record NoGlissando() implements Why {}

  /** A hole that one hand keeps open goes over to the other hand. */
  record Swap() implements Why {}

  /** A hand leaves its place. */
  record HandShift() implements Why {}

  /**
   * The slide goes further.
   *
   * @param cm the way in centimetres, in and out together
   * @param insteadCm with the fingering that is compared
   */
  record Travel(double cm, double insteadCm) implements Why {}

  /** The slide has to turn back. */
  record Reversal() implements Why {}

  /** The lips have further to go: more partials, a register or a leap. */
  record Lips() implements Why {}

  /** Nothing moves, and only the air can make the second note speak under the slur. */
  record AirAlone() implements Why {}

  /** The horn changes its side under the slur. */
  record HornSide() implements Why {}

  /** The slide moves on one partial, and under the slur its way is heard. */
  record Smear() implements Why {}

  /** The figure comes back and is fingered otherwise there. */
  record Figure() implements Why {}

  /**
   * It is out of tune.
   *
   * @param cents positive is sharp
   * @param longNote whether it sounds for a second or more
   */
  record Cents(double cents, boolean longNote) implements Why {}

  /** The teacher's style names another. */
  record NotTheHouse() implements Why {}

  /** A rule of the catalogue speaks against it here. */
  record Ruled(Rule rule) implements Why {}

  /** A rule of the catalogue makes the other for this place. */
  record PassedOver(Rule rule) implements Why {}

  /** It is not learned yet. */
  record Unlearned() implements Why {}

  /** The trill goes worse from it. */
  record WorseTrill() implements Why {}

  /** It is the less usual one, and nothing asks for it. */
  record LessUsual() implements Why {}
}
