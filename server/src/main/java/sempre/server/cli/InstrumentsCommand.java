package sempre.server.cli;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import sempre.core.Saying;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Compass;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Stage;

/** {@code instruments}: what the catalogue knows. */
@Command(
    name = "instruments",
    description = "The instruments of the catalogue.",
    mixinStandardHelpOptions = true)
final class InstrumentsCommand implements Callable<Integer> {
  @Spec CommandSpec spec;

  @Option(names = "--json", description = "for a machine")
  boolean json;

  @Mixin WordsOptions words;

  @Override
  public Integer call() {
    List<Instrument> all = Catalogue.standard().instruments();
    if (json) {
      Output.json(spec.commandLine().getOut(), all.stream().map(this::map).toList());
    } else {
      Output.table(
          spec.commandLine().getOut(),
          Output.head(
              words.words(), "id", "name", "family", "transposition", "clef", "range", "options"),
          all.stream()
              .map(
                  i ->
                      List.of(
                          i.id(),
                          words.words().instrument(i),
                          words.words().say("family." + i.family()),
                          words.words().transposition(i.transposition()),
                          words.words().say("clef." + i.clef()),
                          words
                              .words()
                              .say(Saying.of("range", "from", i.lowest(), "to", i.highest())),
                          i.options().stream()
                              .map(o -> o.name() + "=" + String.join("|", o.values()))
                              .collect(Collectors.joining(" "))))
              .toList());
    }
    return 0;
  }

  private Map<String, Object> map(Instrument i) {
    Map<String, Object> m = new LinkedHashMap<>();
    m.put("id", i.id());
    m.put("name", words.words().instrument(i));
    m.put("family", i.family());
    m.put(
        "transposition",
        Map.of("letters", i.transposition().letters(), "semitones", i.transposition().semitones()));
    m.put("clef", i.clef());
    m.put("range", range(i.compass(i.usualOptions()).of(Stage.ADVANCED)));
    Map<String, Object> stages = new LinkedHashMap<>();
    i.compass(i.usualOptions()).stages().forEach((s, r) -> stages.put(s.word(), range(r)));
    m.put("stages", stages);
    m.put(
        "options",
        i.options().stream()
            .map(
                o -> {
                  Map<String, Object> om = new LinkedHashMap<>();
                  om.put("name", o.name());
                  om.put("label", words.words().option(o.label()));
                  om.put("values", o.values());
                  om.put("default", o.standard());
                  return om;
                })
            .toList());
    m.put(
        "styles",
        i.styles().stream()
            .map(
                s -> {
                  Map<String, Object> sm = new LinkedHashMap<>();
                  sm.put("name", s.name());
                  sm.put("label", words.words().option(s.label()));
                  sm.put("values", s.values());
                  sm.put("default", s.standard());
                  return sm;
                })
            .toList());
    return m;
  }

  private static Map<String, Object> range(Compass.Range r) {
    return Map.of("from", r.from().toString(), "to", r.to().toString());
  }
}
