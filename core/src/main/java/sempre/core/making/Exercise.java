package sempre.core.making;

import java.util.List;
import sempre.core.pitch.KeySignature;
import sempre.core.pitch.Pitch;

/**
 * Notes that follow one another, as one player reads them.
 *
 * @param tonic from which it is made, as written
 * @param bar how long a bar is, in ticks of {@link Rhythm}
 */
public record Exercise(Pitch tonic, KeySignature key, int bar, List<Tone> tones) {
  /**
   * One note.
   *
   * @param ticks its length
   * @param slurs whether a slur leads to the next
   * @param sign an articulation by its name in MusicXML, or empty
   */
  public record Tone(Pitch pitch, int ticks, boolean slurs, String sign) {}

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
