package sempre.server.cli;

import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/**
 * The command line. No class of the web application is loaded before a command asks for it. Exit
 * status: 0; 1 for a "no" that a command is meant to say; 2 for bad input, with one line.
 */
@Command(
    name = "sempre",
    description = "Fingerings and slide positions for a school band: which, why, and who has them.",
    subcommands = {
      InstrumentsCommand.class,
      FingeringsCommand.class,
      MoveCommand.class,
      AssignCommand.class,
      ConvertCommand.class,
      NewNoteCommand.class,
      TroubleCommand.class,
      ServeCommand.class,
      DemoCommand.class,
      BackupCommand.class,
      RestoreCommand.class
    },
    mixinStandardHelpOptions = true,
    version = "Sempre 0.1")
public final class Cli {
  /** Status of a command that has started the application, which runs on. */
  public static final int STAYS = -1;

  private Cli() {}

  /** Runs one command. */
  public static int run(String[] args) {
    return run(
        args,
        new PrintWriter(System.out, true, StandardCharsets.UTF_8),
        new PrintWriter(System.err, true, StandardCharsets.UTF_8));
  }

  /** Runs one command, printing to these. */
  public static int run(String[] args, PrintWriter out, PrintWriter err) {
    CommandLine line = new CommandLine(new Cli());
    line.setOut(out);
    line.setErr(err);
    line.setParameterExceptionHandler(
        (e, a) -> {
          String command = e.getCommandLine().getCommandSpec().qualifiedName();
          err.println("sempre: " + oneLine(e.getMessage()) + "; see '" + command + " --help'");
          return 2;
        });
    line.setExecutionExceptionHandler(
        (e, c, r) -> {
          err.println("sempre: " + oneLine(e.getMessage() == null ? e.toString() : e.getMessage()));
          return e instanceof IllegalArgumentException ? 2 : 1;
        });
    if (args.length == 0) {
      line.usage(out);
      return 0;
    }
    return line.execute(args);
  }

  private static String oneLine(String text) {
    return String.valueOf(text).replaceAll("\\s*\\R\\s*", " ");
  }
}
