package sempre.server.cli;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import picocli.CommandLine.Option;
import sempre.core.Refusal;
import sempre.core.Saying;
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
        description =
            "what the hand can't reach: a control, such as fAb, with its side where both hands have"
                + " one of that name, such as F@L or 1@R (bare, it means both); half of a hole, such"
                + " as hT@L; a position, such as p7 (repeatable)")
    Set<String> avoid = new LinkedHashSet<>();

    @Option(
        names = "--knows",
        paramLabel = "FILE",
        description = "what the player has learned: CSV with the columns note,fingering")
    Path knows;

    /** What a name without a side means, where both hands have one of that name. */
    List<Saying> meaning(Setup setup) {
      return avoid.stream()
          .map(a -> Map.entry(a, setup.instrument().keywork().places(a, setup.options())))
          .filter(e -> e.getValue().size() > 1)
          .map(
              e ->
                  Saying.of(
                      "cli.both-hands", "typed", e.getKey(), "there", List.copyOf(e.getValue())))
          .toList();
    }

    Player player(Setup setup) {
      return Player.of(setup, style, avoid, known(setup));
    }

    private Optional<Player.Known> known(Setup setup) {
      if (knows == null) {
        return Optional.empty();
      }
      if (!Files.isRegularFile(knows)) {
        throw new Refusal("cli.knows", "file", knows.toString());
      }
      try {
        return Optional.of(KnownCsv.read(Files.readString(knows), setup));
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
  }

  Setup setup(String instrument) {
    return Catalogue.standard().setup(instrument, set);
  }
}
