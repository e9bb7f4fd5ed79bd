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
import sempre.core.instrument.Setup;
import sempre.core.pitch.Pitch;
import sempre.core.teaching.Cause;
import sempre.core.teaching.Trouble;

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

  @Parameters(index = "2", paramLabel = "HEARD", description = "written note that sounded")
  String heard;

  @Option(names = "--json", description = "for a machine")
  boolean json;

  @Mixin InstrumentOptions options;

  @Override
  public Integer call() {
    Setup setup = options.setup(instrument);
    List<Cause> causes = Trouble.causes(setup, Pitch.parse(expected), Pitch.parse(heard));
    PrintWriter out = spec.commandLine().getOut();
    if (json) {
      List<Map<String, Object>> list = new ArrayList<>();
      for (Cause c : causes) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("kind", c.kind().words());
        m.put("text", c.text());
        m.put("try", c.remedy());
        m.put("held", c.held());
        list.add(m);
      }
      Output.json(out, list);
    } else if (causes.isEmpty()) {
      out.println(
          "Nothing simple explains "
              + heard
              + " for "
              + expected
              + ": check the instrument itself (pads, reed, slides) and hear it again.");
    } else {
      int n = 1;
      for (Cause c : causes) {
        out.println(n++ + ". " + c.text() + (c.held().isEmpty() ? "" : "   " + c.held()));
        out.println("   Try: " + c.remedy());
      }
    }
    out.flush();
    return causes.isEmpty() ? 1 : 0;
  }
}
