package sempre.server.cli;

import java.nio.file.Path;
import java.time.Clock;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import sempre.server.file.Backup;
import sempre.server.file.Unpacking;

/** {@code unpack}: makes a school of an archive of open files. */
@Command(
    name = "unpack",
    description = {
      "Makes a school of an archive that pack has written, while Sempre does not run.",
      "It takes the place of the school's data; those that were there are kept."
    },
    mixinStandardHelpOptions = true)
final class UnpackCommand implements Callable<Integer> {
  @Spec CommandSpec spec;

  @Parameters(paramLabel = "FILE", description = "the archive")
  Path file;

  @Mixin DataOption data;

  @Mixin LanguageOption words;

  @Override
  public Integer call() {
    Backup.Restored restored = Unpacking.unpack(file, data.folder, Clock.systemDefaultZone());
    spec.commandLine()
        .getOut()
        .println(words.words().sentence(RestoreCommand.said(restored, file, data.folder)));
    return 0;
  }
}
