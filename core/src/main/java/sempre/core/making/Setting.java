package sempre.core.making;

import java.util.ArrayList;
import java.util.List;
import sempre.core.pitch.Pitch;

/** Gives notes their lengths, and says how each is begun. */
public final class Setting {
  private Setting() {}

  /**
   * Notes in a rhythm; the last one fills its bar.
   *
   * @param bar how long a bar is, in ticks of {@link Rhythm}
   */
  public static List<Exercise.Tone> tones(
      List<Pitch> line, Rhythm rhythm, Articulation articulation, int bar) {
    List<Exercise.Tone> tones = new ArrayList<>();
    int at = 0;
    for (int i = 0; i < line.size(); i++) {
      boolean last = i == line.size() - 1;
      int ticks = last ? bar - Math.floorMod(at, bar) : rhythm.of(i);
      tones.add(new Exercise.Tone(line.get(i), ticks, false, ""));
      at += ticks;
    }
    return begun(tones, articulation, bar, 0);
  }

  /**
   * The same notes, begun in another way; over a rest and on to the same note no slur leads.
   *
   * @param bar how long a bar is, in ticks
   * @param upbeat how long the upbeat is before the first
   */
  public static List<Exercise.Tone> begun(
      List<Exercise.Tone> tones, Articulation articulation, int bar, int upbeat) {
    boolean[] slurs = slurs(tones, articulation, bar, upbeat);
    List<Exercise.Tone> begun = new ArrayList<>();
    for (int i = 0; i < tones.size(); i++) {
      Exercise.Tone t = tones.get(i);
      boolean last = i == tones.size() - 1;
      boolean slurred =
          slurs[i] && t.rest() == 0 && !last && !tones.get(i + 1).pitch().soundsAs(t.pitch());
      begun.add(
          new Exercise.Tone(
              t.pitch(), t.ticks(), slurred, last ? "" : articulation.sign(), t.rest()));
    }
    return begun;
  }

  /** Whether a slur leads from each note to the next. */
  private static boolean[] slurs(
      List<Exercise.Tone> tones, Articulation articulation, int bar, int upbeat) {
    boolean[] slurs = new boolean[tones.size()];
    if (articulation.byBar()) {
      int at = (bar - upbeat) % bar;
      for (int i = 0; i < slurs.length - 1; i++) {
        int next = at + tones.get(i).ticks() + tones.get(i).rest();
        slurs[i] = at / bar == next / bar;
        at = next;
      }
      return slurs;
    }
    int at = 0;
    for (int g = 0; at < slurs.length; g++) {
      int size = articulation.group(g);
      for (int i = at; i < Math.min(at + size - 1, slurs.length - 1); i++) {
        slurs[i] = true;
      }
      at += size;
    }
    return slurs;
  }
}
