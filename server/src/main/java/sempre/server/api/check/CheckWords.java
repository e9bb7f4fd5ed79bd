package sempre.server.api.check;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import sempre.core.learning.ClassItem;
import sempre.server.api.Speech;
import sempre.server.app.PlayingChecks;

/** Playing checks by what is asked in them, for lists. */
public final class CheckWords {
  private CheckWords() {}

  /** A check in a list. */
  public static CheckViews.ClassCheckRef ref(PlayingChecks.Listed c, Clock clock) {
    return new CheckViews.ClassCheckRef(
        c.check().id(),
        c.group().id(),
        c.group().name(),
        when(c, clock),
        c.check().finished(),
        asked(c.asked()));
  }

  static String when(PlayingChecks.Listed c, Clock clock) {
    return Speech.words()
        .ago(c.check().made().atZone(clock.getZone()).toLocalDate(), LocalDate.now(clock));
  }

  /** What is asked, for the heads of columns. */
  static List<CheckViews.AskedView> asked(List<PlayingChecks.Head> heads) {
    return heads.stream().map(CheckWords::asked).toList();
  }

  private static CheckViews.AskedView asked(PlayingChecks.Head h) {
    if (h.bars().isPresent()) {
      String piece = h.piece().orElseGet(() -> Speech.say("piece.gone"));
      String key = h.bars().get().contains("-") ? "bars" : "bar";
      String bars = Speech.say(key, "bars", h.bars().get());
      return new CheckViews.AskedView("", Speech.say("piece.bars", "piece", piece, "bars", bars));
    }
    ClassItem item = h.item().orElseThrow();
    return new CheckViews.AskedView(
        Speech.words().askedNote(item), Speech.words().askedWords(item));
  }
}
