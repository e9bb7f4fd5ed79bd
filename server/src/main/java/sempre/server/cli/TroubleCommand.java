package sempre.server.cli;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import sempre.core.Refusal;
import sempre.core.instrument.Instrument;
import sempre.core.instrument.Setup;
import sempre.core.pitch.Pitch;
import sempre.core.teaching.Cause;
import sempre.core.teaching.Fault;
import sempre.core.teaching.Trouble;
import sempre.words.TeachingWords;

/** {@code trouble INSTRUMENT EXPECTED HEARD}: one note was fingered and another sounds. */
@Command(
    name = "trouble",
    description = "One note was fingered and another sounds: likely causes, and what to try.",
    mixinStandardHelpOptions = true,
    footer = "Exit status 1: nothing simple explains it.")
final class TroubleCommand implements Callable<Integer> {
  @Spec CommandSpec spec;

  @Parameters(index = "0", paramLabel = "INSTRUMENT", description = "id, as 'instruments' lists it")
  String instrument;

  @Parameters(index = "1", paramLabel = "EXPECTED", description = "written note that was meant")
  String expected;

  @Parameters(
      index = "2",
      paramLabel = "HEARD",
      arity = "0..1",
      description = "written note that sounded; without it, what can be wrong with the sound")
  String heard;

  @Option(names = "--json", description = "for a machine")
  boolean json;

  @Mixin InstrumentOptions options;

  @Mixin WordsOptions words;

  @Override
  public Integer call() {
    Setup setup = options.setup(instrument);
    Pitch meant = Pitch.parse(expected);
    if (setup.ways(meant).isEmpty()) {
      throw new Refusal("error.other", "text", words.words().plan().notThere(setup, meant));
    }
    List<Cause> causes =
        heard == null
            ? Trouble.symptoms(setup.instrument()).stream()
                .map(s -> cause(setup, meant, s))
                .toList()
            : Trouble.causes(setup, meant, Pitch.parse(heard));
    TeachingWords say = words.words().teaching();
    Instrument i = setup.instrument();
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      List<Map<String, Object>> list = new ArrayList<>();
      for (Cause c : causes) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("kind", say.kind(c.fault().kind()));
        m.put("text", say.cause(i, c));
        m.put("try", say.remedy(i, c.entry().written(), c.fault()));
        m.put("held", c.held());
        list.add(m);
      }
      Output.json(out, list);
    } else if (causes.isEmpty()) {
      out.println(
          words.words().say("trouble.nothing", Map.of("heard", heard, "expected", expected)));
    } else {
      int n = 1;
      for (Cause c : causes) {
        out.println(n++ + ". " + say.cause(i, c) + (c.held().isEmpty() ? "" : "   " + c.held()));
        out.println(
            "   "
                + words
                    .words()
                    .say("try", Map.of("remedy", say.remedy(i, c.entry().written(), c.fault()))));
      }
    }
    out.flush();
    return causes.isEmpty() ? 1 : 0;
  }

  private static Cause cause(Setup setup, Pitch meant, Fault.Symptom s) {
    return new Cause(s, setup.ways(meant).get(0).entry(), true, 0, "");
  }
}
