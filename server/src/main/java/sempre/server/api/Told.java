package sempre.server.api;

import java.util.ArrayList;
import java.util.List;
import sempre.core.learning.Readiness;

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
    if (!r.beyond().isEmpty()) {
      parts.add("beyond the instrument or the hand: " + Names.list(r.beyond()));
    }
    if (!r.lacking().isEmpty()) {
      parts.add("not yet: " + Names.list(r.lacking()));
    }
    if (!r.shaky().isEmpty()) {
      parts.add("shaky: " + Names.list(r.shaky()));
    }
    if (!r.faded().isEmpty()) {
      parts.add("not heard for long: " + Names.list(r.faded()));
    }
    return parts.isEmpty() ? "has all the notes" : String.join("; ", parts);
  }
}
