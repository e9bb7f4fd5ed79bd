package sempre.server.cli;

import java.nio.file.Path;
import java.time.Clock;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import sempre.core.Saying;
import sempre.server.file.Backup;

/** {@code restore}: puts a backup in the place of a school's data. */
@Command(
    name = "restore",
    description = {
      "Puts a backup in the place of the school's data, while Sempre does not run.",
      "The backup is opened and checked first; the data that were there are kept."
    },
    mixinStandardHelpOptions = true)
final class RestoreCommand implements Callable<Integer> {
  @Spec CommandSpec spec;

  @Parameters(paramLabel = "FILE", description = "the backup")
  Path file;

  @Mixin DataOption data;

  @Mixin LanguageOption words;

  @Override
  public Integer call() {
    var kept = Backup.restore(file, data.folder, Clock.systemDefaultZone());
    spec.commandLine()
        .getOut()
        .println(
            words
                .words()
                .sentence(
                    Saying.of(
                        kept.isPresent() ? "cli.restored-kept" : "cli.restored",
                        "file",
                        file.toString(),
                        "folder",
                        data.folder.toString(),
                        "kept",
                        kept.map(Path::toString).orElse(""))));
    return 0;
  }
}
