package sempre.server.cli;

import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.util.ResourceBundle;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.OptionSpec;
import sempre.core.Refusal;
import sempre.core.Saying;
import sempre.core.pitch.PitchNaming;
import sempre.words.Language;
import sempre.words.Words;

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
      PrintCommand.class,
      NewNoteCommand.class,
      TroubleCommand.class,
      TrillCommand.class,
      JudgeCommand.class,
      ServeCommand.class,
      DemoCommand.class,
      BackupCommand.class,
      RestoreCommand.class,
      PackCommand.class,
      UnpackCommand.class
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
    Words words = Words.of(language(args), PitchNaming.LETTERS);
    if (words.language() != Language.EN) {
      line.setResourceBundle(
          ResourceBundle.getBundle("sempre.words.usage", words.language().locale()));
    }
    line.setParameterExceptionHandler(
        (e, a) -> {
          String command = e.getCommandLine().getCommandSpec().qualifiedName();
          String why =
              e instanceof CommandLine.MissingParameterException m
                  ? words.say(
                      Saying.of(
                          "cli.missing",
                          "what",
                          m.getMissing().stream()
                              .map(
                                  x ->
                                      x instanceof OptionSpec o
                                          ? o.longestName() + "=" + o.paramLabel()
                                          : x.paramLabel())
                              .toList()))
                  : e instanceof CommandLine.UnmatchedArgumentException u
                      ? words.say(Saying.of("cli.unknown", "what", u.getUnmatched()))
                      : e.getMessage();
          err.println(
              "sempre: "
                  + words.say(Saying.of("cli.help", "why", oneLine(why), "command", command)));
          return 2;
        });
    line.setExecutionExceptionHandler(
        (e, c, r) -> {
          String why =
              e instanceof RuntimeException x && e.getMessage() != null
                  ? words.say(Refusal.of(x))
                  : e.getMessage() == null ? e.toString() : e.getMessage();
          err.println("sempre: " + oneLine(why));
          return e instanceof Refusal ? 2 : 1;
        });
    if (args.length == 0) {
      line.usage(out);
      return 0;
    }
    return line.execute(args);
  }

  /** The language that the arguments name, before they are understood; English where none. */
  private static Language language(String[] args) {
    for (int i = 0; i < args.length; i++) {
      String code =
          args[i].equals("--lang") && i + 1 < args.length
              ? args[i + 1]
              : args[i].startsWith("--lang=") ? args[i].substring("--lang=".length()) : "";
      if (Language.of(code).isPresent()) {
        return Language.of(code).get();
      }
    }
    return Language.EN;
  }

  private static String oneLine(String text) {
    return String.valueOf(text).replaceAll("\\s*\\R\\s*", " ");
  }
}
