package sempre.server.api;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import sempre.core.learning.Readiness;
import sempre.core.pitch.Pitch;

/** How a student stands to a piece, in a word and in a sentence. */
final class Told {
  private Told() {}

  /** LACKS, SHAKY, FADED or READY. */
  static Views.Ready state(Readiness r) {
    return !r.beyond().isEmpty() || !r.lacking().isEmpty()
        ? Views.Ready.LACKS
        : !r.shaky().isEmpty()
            ? Views.Ready.SHAKY
            : !r.faded().isEmpty() ? Views.Ready.FADED : Views.Ready.READY;
  }

  static String sentence(Readiness r) {
    List<String> parts = new ArrayList<>();
    add(parts, "told.beyond", r.beyond());
    add(parts, "told.lacking", r.lacking());
    add(parts, "told.shaky", r.shaky());
    add(parts, "told.faded", r.faded());
    return parts.isEmpty() ? Speech.say("told.all") : String.join("; ", parts);
  }

  private static void add(List<String> parts, String key, Collection<Pitch> notes) {
    if (!notes.isEmpty()) {
      parts.add(Speech.say(key, "notes", List.copyOf(notes)));
    }
  }
}
