package sempre.server.file;

import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import sempre.core.Refusal;
import sempre.core.drums.Rudiment;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Role;
import sempre.core.instrument.Stage;
import sempre.core.learning.Grade;
import sempre.core.pitch.Pitch;
import sempre.core.score.PartChoice;
import sempre.core.score.PartNumbers;

/** Which texts a column may have, where they are names that only Sempre knows. */
final class KnownNames {
  /** In place of an instrument: all of them, or none. */
  private static final List<String> ANY = List.of("all", "");

  private static final Pattern DAYS =
      Pattern.compile("((MON|TUE|WED|THU|FRI|SAT|SUN)( (MON|TUE|WED|THU|FRI|SAT|SUN))*)?");

  private static final Predicate<String> INSTRUMENT =
      t -> ANY.contains(t) || Catalogue.standard().has(t);
  private static final Predicate<String> NOTE = t -> accepted(() -> Pitch.parse(t));
  private static final Predicate<String> WEEKDAYS = t -> DAYS.matcher(t).matches();

  private static final Map<String, Predicate<String>> COLUMNS =
      Map.ofEntries(
          Map.entry("student.instrument", Catalogue.standard()::has),
          Map.entry("student.part", t -> t.matches("[0-" + PartNumbers.MOST + "]")),
          Map.entry("house_style.instrument", INSTRUMENT),
          Map.entry("own_fingering.instrument", INSTRUMENT),
          Map.entry("fingering_choice.instrument", INSTRUMENT),
          Map.entry("assignment.section", KnownNames::section),
          Map.entry("band.stage", t -> accepted(() -> Stage.of(t))),
          Map.entry("band.days", WEEKDAYS),
          Map.entry("practice_days.practice", WEEKDAYS),
          Map.entry("practice_days.lessons", WEEKDAYS),
          Map.entry("heard.written", NOTE),
          Map.entry("rudiment_heard.rudiment", t -> Rudiment.of(t).isPresent()),
          Map.entry("rudiment_heard.grade", in(names(Grade.values()))),
          Map.entry("own_fingering.written", NOTE),
          Map.entry("class_asked.written", NOTE),
          Map.entry("own_fingering.role", in(names(Role.values()))),
          Map.entry("piece.pages", in(names(PartChoice.Pages.values()))),
          Map.entry("fingering_choice.kind", in(List.of("HIDDEN", "STANDARD", "WORDS"))),
          Map.entry("choice_change.what", in(List.of("LOCK", "STYLE", "HOUSE"))),
          Map.entry("class_item.kind", in(List.of("SOUND", "SCALE", "FINGERING", "BARS"))),
          Map.entry("batch.kind", in(List.of("PLAYS", "ROSTER", "SIMPLER"))));

  private KnownNames() {}

  private static boolean section(String written) {
    return INSTRUMENT.test(written.replaceFirst(" [1-" + PartNumbers.MOST + "]$", ""));
  }

  /** The first column of a row that names what is not there. */
  static Optional<String> unknown(String table, Map<String, String> row) {
    Stream<String> columns =
        row.keySet().stream()
            .sorted()
            .filter(k -> !COLUMNS.getOrDefault(table + "." + k, t -> true).test(row.get(k)));
    Stream<String> options =
        table.equals("student") && Catalogue.standard().has(row.get("instrument"))
            ? Stream.of("options")
                .filter(
                    k ->
                        !accepted(
                            () ->
                                Catalogue.standard()
                                    .setup(row.get("instrument"), pairs(row.get(k)))))
            : Stream.empty();
    return Stream.concat(columns, options).findFirst();
  }

  private static boolean accepted(Runnable reading) {
    try {
      reading.run();
      return true;
    } catch (Refusal | IllegalArgumentException e) {
      return false;
    }
  }

  private static Map<String, String> pairs(String text) {
    Map<String, String> pairs = new LinkedHashMap<>();
    Stream.of(text.strip().split("\\s+"))
        .map(p -> p.split("=", 2))
        .filter(p -> p.length == 2)
        .forEach(p -> pairs.put(p[0], p[1]));
    return pairs;
  }

  private static Collection<String> names(Enum<?>[] all) {
    return Arrays.stream(all).map(Enum::name).toList();
  }

  private static Predicate<String> in(Collection<String> names) {
    return names::contains;
  }
}
