package sempre.server.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.util.OptionalInt;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import sempre.core.Refusal;
import sempre.core.Saying;
import sempre.server.file.DataFolder;
import sempre.server.file.School;

/** {@code pack}: everything a school has as an archive of open files. */
@Command(
    name = "pack",
    description = {
      "Writes everything a school has as an archive of open files, also while Sempre runs:",
      "tables as CSV, the pieces as they came, and a description of each column."
    },
    mixinStandardHelpOptions = true)
final class PackCommand implements Callable<Integer> {
  @Spec CommandSpec spec;

  @Parameters(paramLabel = "FILE", description = "the archive, such as school.zip")
  Path file;

  @Mixin DataOption data;

  @Mixin LanguageOption words;

  @Option(names = "--force", description = "replaces a file that is there already")
  boolean force;

  @Override
  public Integer call() throws IOException, InterruptedException {
    if (Files.exists(file) && !force) {
      throw new Refusal("cli.there", "file", file.toString());
    }
    if (!School.isIn(data.folder)) {
      throw new Refusal("cli.no-school", "folder", data.folder.toString());
    }
    RunningSempre.checkFolder(file);
    Files.move(packed(), file, StandardCopyOption.REPLACE_EXISTING);
    spec.commandLine()
        .getOut()
        .println(
            words
                .words()
                .say(
                    Saying.of(
                        "cli.packed", "file", file.toString(), "kb", Files.size(file) / 1024)));
    return 0;
  }

  private Path packed() throws IOException, InterruptedException {
    OptionalInt running = DataFolder.runningOn(data.folder);
    if (running.isPresent()) {
      return RunningSempre.fetch(running.getAsInt(), "/api/school.zip", file);
    }
    Clock clock = Clock.systemDefaultZone();
    try (School school = School.open(data.folder, clock)) {
      return school.archive(clock);
    }
  }
}
