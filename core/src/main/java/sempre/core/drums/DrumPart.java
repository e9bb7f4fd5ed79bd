package sempre.core.drums;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import sempre.core.instrument.Catalogue;
import sempre.core.pitch.Pitch;
import sempre.core.score.Line;
import sempre.core.score.Note;
import sempre.core.score.Part;

/**
 * A part without pitches. The pitch of its notes is the place on the staff where they stand, and
 * says no more than which drum is meant.
 *
 * @param part its bars and strokes
 * @param together ids of strokes at which another drum of the same voice sounds too
 * @param rolls ids of strokes that are rolled
 */
public record DrumPart(Part part, Set<String> together, Set<String> rolls) {
  public DrumPart {
    together = Set.copyOf(together);
    rolls = Set.copyOf(rolls);
  }

  /** For whom sticking is chosen. */
  public enum Kind {
    /** Two sticks on one drum or several: snare, tenors, toms. */
    STICKS,
    /** One mallet, or both hands at once: bass drum, cymbals, triangle, tambourine. */
    ONE,
    /** Hands and feet on several drums: which limb strikes is another question than R and L. */
    SET
  }

  /** What is struck with one mallet or both hands (common practice, no source). */
  private static final Pattern ONE =
      Pattern.compile(
          "\\b(bass drum|grosse trommel|grosse caisse|gran cassa|bombo|bumbo|cymbals?|becken"
              + "|cymbales|piatti|platillos|pratos|triangle|triangulo|triangel|tambourine"
              + "|pandereta|tam tam|gong)\\b");

  /** What has two sticks. */
  private static final Pattern STICKS =
      Pattern.compile(
          "\\b(snare|caja|redoblante|tambor|kleine trommel|caisse claire|rullante|tamburo|caixa"
              + "|tenor drums?|toms?|side drum|field drum)\\b");

  private static final Pattern SET =
      Pattern.compile("\\b(drum ?set|drum ?kit|trap ?set|set|kit|bateria|batterie|batteria)\\b");

  /** Below this place a bass drum stands, which another player or a foot strikes. */
  private static final int LOW = Pitch.parse("A4").staffStep();

  /** Which it is, by its name and by what sounds together. */
  public Kind kind() {
    String name = Catalogue.plain(part.name()).toLowerCase(Locale.ROOT);
    if (SET.matcher(name).find() || !together.isEmpty()) {
      return Kind.SET;
    }
    return ONE.matcher(name).find() && !STICKS.matcher(name).find() ? Kind.ONE : Kind.STICKS;
  }

  /** The voice that has sticks, the top one; empty where sticking isn't asked. */
  public Optional<Line> sticks() {
    return kind() == Kind.STICKS ? part.topLine() : Optional.empty();
  }

  /** The strokes to which a hand belongs: not the bass drum's that stand in the same voice. */
  public List<Note> struck() {
    List<Note> all = sticks().map(Line::notes).orElse(List.of());
    List<Note> high = all.stream().filter(n -> n.pitch().staffStep() >= LOW).toList();
    return high.isEmpty() ? all : high;
  }
}
