package sempre.server.store;

import java.time.DayOfWeek;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Days of the week as they are stored: {@code MON THU}. */
final class Weekdays {
  private static final int SHORT = 3;

  private Weekdays() {}

  static String written(Set<DayOfWeek> days) {
    return days.stream()
        .sorted()
        .map(d -> d.name().substring(0, SHORT))
        .collect(Collectors.joining(" "));
  }

  /** Reads them, in the order of the week. */
  static Set<DayOfWeek> read(String text) {
    return Pairs.words(text).stream()
        .map(w -> Stream.of(DayOfWeek.values()).filter(d -> d.name().startsWith(w)).findFirst())
        .flatMap(Optional::stream)
        .collect(Collectors.toCollection(TreeSet::new));
  }
}
