package sempre.server.cli;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
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
import sempre.core.instrument.Setup;
import sempre.core.instrument.TrillFingering;
import sempre.core.pitch.Pitch;
import sempre.core.planning.Player;
import sempre.core.planning.Trill;
import sempre.core.planning.Trills;
import sempre.server.json.PlanJson;
import sempre.words.Words;

/** {@code trill INSTRUMENT LOWER UPPER}: the fingerings of a trill, the better first. */
@Command(
    name = "trill",
    description = {
      "The fingerings of a trill, the better first: what moves, and how well it goes.",
      "Exit status 1 where there is no good one; it says what to do instead."
    },
    mixinStandardHelpOptions = true)
final class TrillCommand implements Callable<Integer> {
  /** The widest trill, in half steps. */
  private static final int WHOLE_STEP = 2;

  @Spec CommandSpec spec;

  @Parameters(index = "0", paramLabel = "INSTRUMENT", description = "id, as 'instruments' lists it")
  String instrument;

  @Parameters(index = "1", paramLabel = "LOWER", description = "written note below: A4")
  String lower;

  @Parameters(index = "2", paramLabel = "UPPER", description = "written note above: Bb4")
  String upper;

  @Option(names = "--json", description = "for a machine")
  boolean json;

  @Mixin InstrumentOptions options;

  @Mixin WordsOptions words;

  @Mixin InstrumentOptions.PlayerOptions playerOptions;

  @Override
  public Integer call() {
    Setup setup = options.setup(instrument);
    Pitch low = note(setup, lower);
    Pitch high = note(setup, upper);
    int width = high.midi() - low.midi();
    if (width < 1 || width > WHOLE_STEP) {
      throw new Refusal("cli.trill-width", "lower", low, "upper", high, "n", width);
    }
    Player player = playerOptions.player(setup);
    List<Trill> trills = new ArrayList<>(Trills.of(player, low, high));
    if (options.set.isEmpty()) {
      trills.addAll(withOtherKeys(setup, low, high, trills));
    }
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      Output.json(out, trills.stream().map(t -> map(t)).toList());
    } else if (trills.isEmpty()) {
      out.println(words.words().plan().noTrill(low, high, setup.ways(low).get(0)));
    } else {
      print(out, trills);
    }
    return trills.isEmpty() ? 1 : 0;
  }

  private static Pitch note(Setup setup, String text) {
    Pitch note = Pitch.parse(text);
    if (setup.ways(note).isEmpty()) {
      throw new Refusal(
          "error.note-outside",
          "instrument",
          setup.instrument(),
          "note",
          note,
          "from",
          setup.lowest(),
          "to",
          setup.highest());
    }
    return note;
  }

  /** Those for which another make of the instrument has a key that this one lacks. */
  private List<Trill> withOtherKeys(Setup setup, Pitch low, Pitch high, List<Trill> there) {
    Set<String> known = there.stream().map(TrillCommand::key).collect(Collectors.toSet());
    List<Trill> more = new ArrayList<>();
    for (TrillFingering t : setup.instrument().trills()) {
      boolean other =
          !t.fits(setup.options())
              && t.lower().midi() == low.midi()
              && t.upper().midi() == high.midi();
      if (other) {
        Map<String, String> set = new TreeMap<>(setup.options());
        set.putAll(t.requires());
        Player player =
            playerOptions.player(Catalogue.standard().setup(setup.instrument().id(), set));
        Trills.of(player, low, high).stream().filter(x -> known.add(key(x))).forEach(more::add);
      }
    }
    return more;
  }

  private static String key(Trill t) {
    return t.lower().fingering().text() + " > " + t.upper().fingering().text();
  }

  private static Map<String, Object> map(Trill t) {
    Map<String, Object> m = new LinkedHashMap<>();
    m.put("lower", t.lower().fingering().text());
    m.put("upper", t.upper().fingering().text());
    m.put("moves", t.moving().stream().map(PlanJson::sided).toList());
    m.put("quality", t.quality().name().toLowerCase(Locale.ROOT));
    m.put("requires", t.requires());
    m.put("source", t.source());
    return m;
  }

  private void print(PrintWriter out, List<Trill> trills) {
    Words w = words.words();
    Output.table(
        out,
        List.of(
            w.note(Pitch.parse(lower)),
            w.note(Pitch.parse(upper)),
            w.say("trill.quality"),
            w.say("head.moving"),
            w.say("head.requires"),
            w.say("head.source")),
        trills.stream().map(t -> row(t, w)).toList());
  }

  private static List<String> row(Trill t, Words w) {
    return List.of(
        t.lower().fingering().text(),
        t.upper().fingering().text(),
        w.plan().quality(t.quality()),
        w.plan().moving(t),
        t.requires().entrySet().stream()
            .map(r -> r.getKey() + "=" + r.getValue())
            .collect(Collectors.joining(" ")),
        w.source(t.source()));
  }
}
