package sempre.server.api;

import java.util.ArrayList;
import java.util.List;
import sempre.core.learning.GroupSounds;

/** How a group stands to a sound, in words that are the same on every page. */
final class Sounds {
  private Sounds() {}

  /** {@code new for 4, in another octave for 5, again for 2}. */
  static String why(GroupSounds.Sound s) {
    List<String> parts = new ArrayList<>();
    add(parts, "new for ", s.newFor().size());
    add(parts, "in another octave for ", s.otherOctave().size());
    add(parts, "again for ", s.again().size());
    return String.join(", ", parts);
  }

  private static void add(List<String> parts, String lead, int n) {
    if (n > 0) {
      parts.add(lead + n);
    }
  }
}
