package sempre.core.teaching;

import java.util.List;
import java.util.Optional;
import sempre.core.instrument.Bore;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Instrument;

/**
 * Air and lips for a note, by its register, and the usual cautions (common practice, no source).
 */
public final class Blowing {
  /** From this partial on the lips have to be firm. */
  private static final int HIGH_PARTIAL = 6;

  private static final int LOW_PARTIAL = 3;

  private static final List<String> FLUTE =
      List.of(
          "a wide, gentle stream of air, aimed down into the hole",
          "a faster, narrower stream; the lips come forward a little, the jaw stays loose",
          "a fast and thin stream, aimed across; the lips make a small opening, no pressing");

  private static final List<String> RECORDER =
      List.of(
          "breathe out gently, as if to mist a window; all holes well covered",
          "a little more air and the thumb half open; never blow hard");

  private static final List<String> REED =
      List.of(
          "warm, slow air and an open throat; the lips round the reed without biting",
          "faster air with the same lips; let the air do it, not the jaw",
          "fast air and firm corners; think the note before it sounds, and do not bite");

  private static final List<String> BRASS =
      List.of(
          "loose lips and slow, wide air, as for a sigh",
          "easy lips that hum the note first, steady air",
          "firm corners and faster air; no more pressure of the mouthpiece than before");

  private Blowing() {}

  /** How to blow a note, as a clause. */
  public static String words(Instrument instrument, Entry entry) {
    if (entry.partial().isPresent()) {
      int partial = entry.partial().getAsInt();
      return BRASS.get(partial >= HIGH_PARTIAL ? 2 : partial <= LOW_PARTIAL ? 0 : 1);
    }
    List<String> words =
        instrument.id().startsWith("recorder")
            ? RECORDER
            : instrument.id().contains("flute") || instrument.id().equals("piccolo") ? FLUTE : REED;
    return words.get(Math.min(register(instrument, entry), words.size() - 1));
  }

  /** The register of a note, from 0 up: where the bore's model ends, the one above its last. */
  private static int register(Instrument instrument, Entry entry) {
    Optional<Bore> bore = instrument.bore();
    if (bore.isEmpty()) {
      return 0;
    }
    int above = 0;
    for (Bore.Register r : bore.get().registers()) {
      above += entry.written().midi() > r.to().midi() ? 1 : 0;
    }
    return above;
  }

  /** The caution before a note higher than anything that was heard so far. */
  public static String higher(Instrument instrument) {
    return instrument.family().equals("brass")
        ? "Higher than anything heard so far: step by step, lips firm but not forced, with rests."
            + " Stop if it hurts; pain or a cut lip is for a doctor."
        : "Higher than anything heard so far: step by step, without biting or pressing. Stop if it"
            + " hurts or if you feel dizzy; pain that stays is for a doctor.";
  }
}
