package sempre.server.cli;

import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** {@code serve}: the application on the school's own data. */
@Command(
    name = "serve",
    description = "Starts the application on the school's own data.",
    mixinStandardHelpOptions = true)
final class ServeCommand implements Callable<Integer> {
  @Spec CommandSpec spec;

  @Mixin DataOption data;

  @Option(names = "--port", description = "port on this machine (default 8484)")
  int port = 8484;

  @Mixin LanguageOption words;

  @Override
  public Integer call() {
    Launch.start(data.folder, port, false, spec.commandLine().getOut(), words.words());
    return Cli.STAYS;
  }
}
