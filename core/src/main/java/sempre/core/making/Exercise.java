package sempre.core.making;

import java.util.List;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;

/**
 * Notes that follow one another, as one player reads them.
 *
 * @param tonic from which it is made, as written
 * @param bar how long a bar is, in ticks of {@link Rhythm}
 * @param upbeat how long the upbeat is before the first bar, in ticks; 0 for none
 */
public record Exercise(Pitch tonic, KeySignature key, int bar, int upbeat, List<Tone> tones) {
  /**
   * One note.
   *
   * @param ticks its length
   * @param slurs whether a slur leads to the next
   * @param sign an articulation by its name in MusicXML, or empty
   * @param rest how long it is silent behind it, in ticks
   */
  public record Tone(Pitch pitch, int ticks, boolean slurs, String sign, int rest) {
    /** A note that the next one follows at once. */
    public Tone(Pitch pitch, int ticks, boolean slurs, String sign) {
      this(pitch, ticks, slurs, sign, 0);
    }
  }

  /** Notes that begin with a bar. */
  public Exercise(Pitch tonic, KeySignature key, int bar, List<Tone> tones) {
    this(tonic, key, bar, 0, tones);
  }

  public Exercise {
    tones = List.copyOf(tones);
  }

  public Pitch lowest() {
    return tones.stream().map(Tone::pitch).min(Pitch::compareTo).orElseThrow();
  }

  public Pitch highest() {
    return tones.stream().map(Tone::pitch).max(Pitch::compareTo).orElseThrow();
  }
}
