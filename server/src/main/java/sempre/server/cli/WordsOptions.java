package sempre.server.cli;

import java.util.Arrays;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import sempre.core.Refusal;
import sempre.core.pitch.PitchNaming;
import sempre.words.Words;

/** In which language a command answers, and how it names notes. */
final class WordsOptions {
  @Mixin LanguageOption language;

  @Option(
      names = "--names",
      paramLabel = "NAMES",
      description = "letters, german or syllables; ${DEFAULT-VALUE} when not given",
      defaultValue = "letters")
  String names;

  /**
   * The words.
   *
   * @throws Refusal naming what there is instead
   */
  Words words() {
    PitchNaming n =
        PitchNaming.of(names)
            .orElseThrow(
                () ->
                    new Refusal(
                        "cli.no-naming",
                        "typed",
                        names,
                        "there",
                        Arrays.stream(PitchNaming.values()).map(PitchNaming::word).toList()));
    return Words.of(language.language(), n);
  }
}
