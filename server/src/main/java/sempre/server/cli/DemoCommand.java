package sempre.server.cli;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** {@code demo}: the application with a made-up school. */
@Command(
    name = "demo",
    description =
        "Starts the application with the demo data of Kestrel Quay School, a made-up school.",
    mixinStandardHelpOptions = true)
final class DemoCommand implements Callable<Integer> {
  @Spec CommandSpec spec;

  @Option(names = "--port", description = "port on this machine (default 8484)")
  int port = 8484;

  @Option(
      names = "--data",
      paramLabel = "DIR",
      description = "folder for the demo's data (default: .sempre/demo below this folder)")
  Path data = Path.of(".sempre", "demo");

  @Mixin LanguageOption words;

  @Override
  public Integer call() {
    Launch.start(data, port, true, spec.commandLine().getOut(), words.words());
    return Cli.STAYS;
  }
}
