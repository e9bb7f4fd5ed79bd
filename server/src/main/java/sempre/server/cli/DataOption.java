package sempre.server.cli;

import java.nio.file.Path;
import picocli.CommandLine.Option;

/** Where a school's data lie. */
final class DataOption {
  @Option(
      names = "--data",
      paramLabel = "DIR",
      description = "folder that holds the data (default: ~/.sempre)")
  Path folder = Path.of(System.getProperty("user.home"), ".sempre");
}
