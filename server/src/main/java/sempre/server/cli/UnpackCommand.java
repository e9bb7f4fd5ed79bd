package sempre.server.cli;

import java.nio.file.Path;
import java.time.Clock;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import sempre.core.Saying;
import sempre.server.file.OpenArchive;

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
    Optional<Path> kept = OpenArchive.unpack(file, data.folder, Clock.systemDefaultZone());
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
