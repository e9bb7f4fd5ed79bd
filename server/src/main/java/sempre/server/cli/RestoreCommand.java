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
    Backup.Restored restored = Backup.restore(file, data.folder, Clock.systemDefaultZone());
    spec.commandLine().getOut().println(words.words().sentence(said(restored, file, data.folder)));
    return 0;
  }

  /** What is said of data that were put in place. */
  static Saying said(Backup.Restored restored, Path file, Path folder) {
    Backup.Holds holds = restored.holds();
    return Saying.of(
        restored.kept().isPresent() ? "cli.restored-kept" : "cli.restored",
        "file",
        file.toString(),
        "folder",
        folder.toString(),
        "holds",
        Saying.of(
            "cli.holds",
            "students",
            holds.students(),
            "grades",
            holds.grades(),
            "pieces",
            holds.pieces()),
        "kept",
        restored.kept().map(Path::toString).orElse(""));
  }
}
