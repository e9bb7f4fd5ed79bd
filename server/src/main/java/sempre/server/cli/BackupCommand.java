package sempre.server.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
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
import sempre.server.file.Backup;
import sempre.server.file.DataFolder;
import sempre.server.file.School;

/** {@code backup}: a copy of the school's data, also while Sempre runs. */
@Command(
    name = "backup",
    description = {
      "Writes a backup of the school's data, also while Sempre runs.",
      "It is opened and checked before this says that it is written."
    },
    mixinStandardHelpOptions = true)
final class BackupCommand implements Callable<Integer> {
  @Spec CommandSpec spec;

  @Parameters(paramLabel = "FILE", description = "the backup, such as school.zip")
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
    OptionalInt running = DataFolder.runningOn(data.folder);
    if (running.isPresent()) {
      Path part = RunningSempre.fetch(running.getAsInt(), "/api/backup", file);
      try {
        Backup.take(part, file);
      } finally {
        Files.deleteIfExists(part);
      }
    } else {
      Backup.make(data.folder, file, Clock.systemDefaultZone());
    }
    spec.commandLine()
        .getOut()
        .println(
            words
                .words()
                .say(
                    Saying.of(
                        "cli.backup", "file", file.toString(), "kb", Files.size(file) / 1024)));
    return 0;
  }
}
