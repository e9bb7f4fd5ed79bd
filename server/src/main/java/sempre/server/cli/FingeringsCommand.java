package sempre.server.cli;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import sempre.core.Refusal;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Entry;
import sempre.core.instrument.Hold;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Keywork;
import sempre.core.instrument.Purpose;
import sempre.core.pitch.Pitch;

/** {@code fingerings INSTRUMENT [NOTE]}: every fingering, or those of one written note. */
@Command(
    name = "fingerings",
    description = "Every fingering of an instrument, or those of one written note.",
    mixinStandardHelpOptions = true)
final class FingeringsCommand implements Callable<Integer> {
  @Spec CommandSpec spec;

  @Parameters(index = "0", paramLabel = "INSTRUMENT", description = "id, as 'instruments' lists it")
  String instrument;

  @Parameters(index = "1", arity = "0..1", paramLabel = "NOTE", description = "written note: Bb4")
  String note;

  @Option(names = "--json", description = "for a machine")
  boolean json;

  @Mixin InstrumentOptions options;

  @Mixin WordsOptions words;

  @Override
  public Integer call() {
    Instrument i = Catalogue.standard().instrument(instrument);
    Map<String, String> set = i.optionsWith(options.set);
    // valve instruments come in makes that share no table, so one make is shown at a time
    boolean asSetUp =
        !options.set.isEmpty()
            || i.keywork().kind() == Keywork.Kind.VALVES && !i.options().isEmpty();
    List<List<Entry>> notes = new ArrayList<>();
    if (note == null) {
      i.byNote().values().forEach(notes::add);
    } else {
      notes.add(i.entriesOf(Pitch.parse(note)));
    }
    List<List<Entry>> found =
        notes.stream()
            .map(list -> list.stream().filter(e -> !asSetUp || e.fits(set)).toList())
            .filter(list -> !list.isEmpty())
            .toList();
    PrintWriter out = spec.commandLine().getOut();
    if (found.isEmpty()) {
      throw new Refusal(
          asSetUp ? "cli.note-options" : "error.note-outside",
          "instrument",
          i,
          "note",
          note,
          "from",
          i.lowest(),
          "to",
          i.highest());
    }
    if (json) {
      Output.json(out, found.stream().map(list -> map(i, list)).toList());
    } else {
      Output.table(
          out,
          Output.head(
              words.words(),
              "note",
              "fingering",
              "role",
              "label",
              "good-for",
              "cents",
              "requires",
              "source"),
          found.stream().flatMap(List::stream).map(this::row).toList());
    }
    return 0;
  }

  private List<String> row(Entry e) {
    return List.of(
        e.written().toString(),
        e.pattern().text(),
        words.words().say("role." + e.role().word()),
        words.words().label(e),
        e.purposes().stream().map(words.words()::purpose).collect(Collectors.joining(", ")),
        e.cents().isPresent()
            ? String.format(java.util.Locale.ROOT, "%+.0f", e.cents().getAsDouble())
            : "",
        e.requires().entrySet().stream()
            .map(r -> r.getKey() + "=" + r.getValue())
            .collect(Collectors.joining(" ")),
        words.words().source(e));
  }

  private Map<String, Object> map(Instrument i, List<Entry> entries) {
    Pitch written = entries.get(0).written();
    Map<String, Object> m = new LinkedHashMap<>();
    m.put("written", written.toString());
    m.put("sounding", i.transposition().sounding(written).toString());
    m.put("fingerings", entries.stream().map(this::map).toList());
    return m;
  }

  private Map<String, Object> map(Entry e) {
    Map<String, Object> m = new LinkedHashMap<>();
    m.put("fingering", withoutFree(e));
    m.put("free", e.pattern().free().stream().map(Hold::token).toList());
    m.put("role", e.role().word());
    m.put("label", words.words().label(e));
    m.put("purposes", e.purposes().stream().map(Purpose::word).toList());
    m.put("cents", e.cents().isPresent() ? e.cents().getAsDouble() : null);
    m.put("requires", e.requires());
    m.put("source", words.words().source(e));
    m.put("note", words.words().remark(e));
    return m;
  }

  /** Canonical text with its choices, without the free controls, which stand in their own field. */
  private static String withoutFree(Entry e) {
    String text = e.pattern().text().replaceAll(" ?\\([^)]*\\)", "").strip();
    return text.isEmpty() ? "|" : text;
  }
}
