package sempre.server.cli;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import sempre.core.Saying;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Stage;
import sempre.core.pitch.Pitch;
import sempre.core.teaching.NewNote;

/** {@code newnote CONCERT_PITCH}: one concert pitch across the band. */
@Command(
    name = "newnote",
    description =
        "One concert pitch across the band: written note, fingering, what comes out wrong.",
    mixinStandardHelpOptions = true)
final class NewNoteCommand implements Callable<Integer> {
  @Spec CommandSpec spec;

  @Parameters(index = "0", paramLabel = "CONCERT_PITCH", description = "as it sounds: Ab4")
  String pitch;

  @Option(
      names = "--stage",
      paramLabel = "STAGE",
      description = "firstYears, school or advanced; ${DEFAULT-VALUE} when not given",
      defaultValue = "school")
  String stage;

  @Option(
      names = "--instrument",
      paramLabel = "ID",
      description = "only this instrument (repeatable)")
  List<String> only = new ArrayList<>();

  @Option(names = "--json", description = "for a machine")
  boolean json;

  @Mixin WordsOptions words;

  @Override
  public Integer call() {
    Pitch concert = Pitch.parse(pitch);
    Stage at = Stage.of(stage);
    List<NewNote> band = new ArrayList<>();
    for (String id : only.isEmpty() ? Catalogue.standard().ids() : only) {
      Optional<NewNote> n = NewNote.of(concert, Catalogue.standard().setup(id, Map.of()), at);
      n.ifPresent(band::add);
    }
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      Output.json(out, band.stream().map(this::map).toList());
    } else {
      Output.table(
          out,
          Output.head(
              words.words(),
              "instrument",
              "written",
              "fingering",
              "in-words",
              "other-ways",
              "comes-out"),
          band.stream().map(this::row).toList());
    }
    return 0;
  }

  private List<String> row(NewNote n) {
    return List.of(
        n.setup().instrument().id(),
        n.written() + octave("cli.octaves", n.octaves()),
        n.standard().fingering(),
        words.words().label(n.standard()),
        n.others().stream().map(e -> e.fingering()).collect(Collectors.joining(", ")),
        n.wrongNotes().stream().map(w -> w.written().toString()).collect(Collectors.joining(", ")));
  }

  /** An octave that is not that of the pitch that was asked for. */
  private String octave(String key, int octaves) {
    return octaves == 0
        ? ""
        : words.words().say(Saying.of(key, "n", Math.abs(octaves), "up", octaves > 0 ? 1 : 0));
  }

  private Map<String, Object> map(NewNote n) {
    Map<String, Object> m = new LinkedHashMap<>();
    m.put("instrument", n.setup().instrument().id());
    m.put("written", n.written().toString());
    m.put("octave", octave("cli.octaves-fit", n.octaves()));
    m.put("fingering", n.standard().fingering());
    m.put("label", words.words().label(n.standard()));
    m.put(
        "others",
        n.others().stream()
            .map(
                e -> {
                  Map<String, Object> o = new LinkedHashMap<>();
                  o.put("fingering", e.fingering());
                  o.put("label", words.words().label(e));
                  return o;
                })
            .toList());
    m.put(
        "wrongNotes",
        n.wrongNotes().stream()
            .map(
                w -> {
                  Map<String, Object> o = new LinkedHashMap<>();
                  o.put("written", w.written().toString());
                  o.put(
                      "why",
                      words
                          .words()
                          .teaching()
                          .fault(n.setup().instrument(), n.written(), w.fault()));
                  return o;
                })
            .toList());
    return m;
  }
}
