package sempre.formats;

import java.util.List;
import sempre.core.Refusal;
import sempre.core.Saying;
import sempre.words.Words;

/** What a teacher reads of what the readers say, in English. */
public final class Said {
  private Said() {}

  public static String of(RuntimeException e) {
    return of(Refusal.of(e));
  }

  public static String of(Saying s) {
    return Words.ENGLISH.say(s);
  }

  public static List<String> of(List<Saying> all) {
    return all.stream().map(Said::of).toList();
  }
}
