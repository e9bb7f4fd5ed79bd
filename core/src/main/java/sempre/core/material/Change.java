package sempre.core.material;

import java.util.Optional;
import sempre.core.making.Articulation;
import sempre.core.making.Rhythm;

/** How a passage is played otherwise (common practice, no source). */
public enum Change {
  LONG_SHORT(Rhythm.LONG_SHORT),
  SHORT_LONG(Rhythm.SHORT_LONG),
  EIGHTH_TWO_SIXTEENTHS(Rhythm.EIGHTH_TWO_SIXTEENTHS),
  TWO_SIXTEENTHS_EIGHTH(Rhythm.TWO_SIXTEENTHS_EIGHTH),
  TRIPLETS(Rhythm.TRIPLETS),
  TONGUED(Articulation.TONGUED),
  STACCATO(Articulation.STACCATO),
  SLURRED(Articulation.SLURRED),
  SLUR_TWO(Articulation.SLUR_TWO),
  SLUR_TWO_TONGUE_TWO(Articulation.SLUR_TWO_TONGUE_TWO),
  TONGUE_ONE_SLUR_THREE(Articulation.TONGUE_ONE_SLUR_THREE),
  /** From its last note to its first. */
  BACKWARDS,
  HALF_STEP_LOWER;

  private final Optional<Rhythm> rhythm;
  private final Optional<Articulation> articulation;

  Change() {
    this.rhythm = Optional.empty();
    this.articulation = Optional.empty();
  }

  Change(Rhythm rhythm) {
    this.rhythm = Optional.of(rhythm);
    this.articulation = Optional.empty();
  }

  Change(Articulation articulation) {
    this.rhythm = Optional.empty();
    this.articulation = Optional.of(articulation);
  }

  /** The rhythm it gets; empty where it keeps its own. */
  public Optional<Rhythm> rhythm() {
    return rhythm;
  }

  /** How its notes are begun; empty where that stays. */
  public Optional<Articulation> articulation() {
    return articulation;
  }
}
