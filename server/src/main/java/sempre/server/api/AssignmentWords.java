package sempre.server.api;

import java.util.OptionalInt;
import sempre.core.instrument.Catalogue;
import sempre.server.app.Assignments;
import sempre.server.store.Shelf;

/** What is given to whom, in words. */
public final class AssignmentWords {
  private AssignmentWords() {}

  /** To whom something is given: {@code Quay Concert Band, trumpet 2}. */
  public static String to(Assignments.Whom whom) {
    return whom.name() + whom.section().map(s -> ", " + instrument(s)).orElse("");
  }

  private static String instrument(String section) {
    String[] words = section.split(" ", 2);
    String name = named(words[0]);
    return words.length > 1 ? name + " " + words[1] : name;
  }

  private static String named(String id) {
    return Catalogue.standard().find(id).map(Speech.words()::instrumentInside).orElse(id);
  }

  /** Bars, such as {@code bars 9–16}; empty for all. */
  public static String bars(Shelf.Assignment a) {
    return a.bars().isEmpty()
        ? ""
        : Speech.say(
            a.bars().matches("\\w+") ? "bar" : "bars",
            "bars",
            a.bars().replaceAll("\\s*-\\s*", "–"));
  }

  /** Bars and tempo, such as {@code bars 9–16, at 84}; empty for all as written. */
  public static String what(Shelf.Assignment a) {
    String bars = bars(a);
    OptionalInt tempo = a.tempo();
    if (tempo.isEmpty()) {
      return bars;
    }
    return bars.isEmpty()
        ? Speech.say("tempo", "tempo", tempo.getAsInt())
        : Speech.say("bars.tempo", "bars", bars, "tempo", tempo.getAsInt());
  }
}
