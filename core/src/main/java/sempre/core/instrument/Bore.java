package sempre.core.instrument;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import sempre.core.pitch.Pitch;

/**
 * The tone holes of a woodwind in order from the mouthpiece down, and what closes or opens each.
 * The first open hole says how long the sounding air column is, and so which note of the lowest
 * register sounds; a register key or an overblown octave lifts it by a fixed interval. These are
 * equivalent holes: what a mechanism does is told, not how.
 *
 * @param holes from the mouthpiece down
 * @param end the note when every hole is closed
 * @param registers the ranges in which the model holds
 * @param cross notes that the first open hole does not explain, by {@code NOTE FINGERING}, each
 *     with the reason
 */
public record Bore(
    List<Hole> holes, Pitch end, List<Register> registers, Map<String, String> cross) {
  /** Semitones of an octave. */
  public static final int OCTAVE = 12;

  /**
   * One tone hole.
   *
   * @param note what sounds when it is the first open one
   * @param opens controls that open it; empty when it stands open by itself
   * @param closes controls any of which closes it, whatever opens it
   */
  public record Hole(Pitch note, List<Hold> opens, List<Hold> closes) {
    public Hole {
      opens = List.copyOf(opens);
      closes = List.copyOf(closes);
    }

    /** Whether air gets out here. */
    public boolean open(List<Hold> held) {
      return (opens.isEmpty() || held.stream().anyMatch(opens::contains))
          && held.stream().noneMatch(closes::contains);
    }
  }

  /**
   * A range in which the same holes serve.
   *
   * @param from lowest written note
   * @param to highest written note
   * @param with what must be held for it
   * @param up semitones above the lowest register
   */
  public record Register(Pitch from, Pitch to, List<Hold> with, int up) {
    public Register {
      with = List.copyOf(with);
    }

    public boolean has(Pitch written) {
      return written.midi() >= from.midi() && written.midi() <= to.midi();
    }
  }

  public Bore {
    holes = List.copyOf(holes);
    registers = List.copyOf(registers);
    cross = Map.copyOf(cross);
  }

  /** Index of the first open hole; the number of holes when all are closed. */
  public int firstOpen(List<Hold> held) {
    for (int i = 0; i < holes.size(); i++) {
      if (holes.get(i).open(held)) {
        return i;
      }
    }
    return holes.size();
  }

  /** The note of the lowest register that this hold sounds, by the first open hole. */
  public Pitch lowNote(List<Hold> held) {
    int first = firstOpen(held);
    return first == holes.size() ? end : holes.get(first).note();
  }

  /** Whether a hole further down is closed by a finger, which flattens what the first one says. */
  public boolean forked(List<Hold> held) {
    int first = firstOpen(held);
    return holes.stream()
        .skip(first + 1L)
        .filter(h -> h.opens().isEmpty())
        .anyMatch(h -> !h.open(held));
  }

  /**
   * The note of a hold within one register.
   *
   * @return its MIDI number; empty when the register needs a control that is not held
   */
  public Optional<Integer> midi(List<Hold> held, Register register) {
    if (!held.containsAll(register.with())) {
      return Optional.empty();
    }
    return Optional.of(lowNote(held).midi() + register.up());
  }

  /** The register of a written note; empty where the model does not reach. */
  public Optional<Register> register(Pitch written) {
    return registers.stream().filter(r -> r.has(written)).findFirst();
  }
}
