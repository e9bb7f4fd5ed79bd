package sempre.server.api.check;

import java.util.ArrayList;
import java.util.List;
import sempre.core.learning.GroupSounds;
import sempre.server.api.Speech;

/** How a group stands to a sound, in words that are the same on every page. */
public final class Sounds {
  private Sounds() {}

  /** {@code new for 4, in another octave for 5, again for 2}. */
  public static String why(GroupSounds.Sound s) {
    List<String> parts = new ArrayList<>();
    add(parts, "sound.new", s.newFor().size());
    add(parts, "sound.octave", s.otherOctave().size());
    add(parts, "sound.again", s.again().size());
    return String.join(", ", parts);
  }

  private static void add(List<String> parts, String key, int n) {
    if (n > 0) {
      parts.add(Speech.say(key, "n", n));
    }
  }
}
