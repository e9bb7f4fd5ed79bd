package sempre.server.cli;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import picocli.CommandLine.Option;
import sempre.core.instrument.Catalogue;
import sempre.core.instrument.Setup;
import sempre.core.planning.Player;
import sempre.formats.csv.KnownCsv;

/** The options that say which instrument and which player is meant. */
final class InstrumentOptions {
  @Option(
      names = "--set",
      paramLabel = "NAME=VALUE",
      description = "an option of the instrument, such as highFsharp=true (repeatable)")
  Map<String, String> set = new LinkedHashMap<>();

  /** The rest of the player; only commands that plan take it. */
  static final class PlayerOptions {
    @Option(
        names = "--style",
        paramLabel = "NAME=VALUE",
        description = "the teacher's way, such as bFlat=side (repeatable)")
    Map<String, String> style = new LinkedHashMap<>();

    @Option(
        names = "--avoid",
        paramLabel = "CONTROL",
        description = "a control or position the hand can't reach, such as p7 (repeatable)")
    Set<String> avoid = new LinkedHashSet<>();

    @Option(
        names = "--knows",
        paramLabel = "FILE",
        description = "what the player has learned: CSV with the columns note,fingering")
    Path knows;

    Player player(Setup setup) {
      return Player.of(setup, style, avoid, known(setup));
    }

    private Optional<Player.Known> known(Setup setup) {
      if (knows == null) {
        return Optional.empty();
      }
      if (!Files.isRegularFile(knows)) {
        throw new IllegalArgumentException(
            "there is no file " + knows + "; --knows takes a CSV file with note,fingering");
      }
      try {
        return Optional.of(KnownCsv.read(Files.readString(knows), setup));
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
  }

  Setup setup(String instrument) {
    return Setup.of(Catalogue.standard().instrument(instrument), set);
  }
}
