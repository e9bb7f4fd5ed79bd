package sempre.server.cli;

import java.util.Arrays;
import picocli.CommandLine.Option;
import sempre.core.Refusal;
import sempre.core.pitch.PitchNaming;
import sempre.words.Language;
import sempre.words.Words;

/** In which language a command answers. */
final class LanguageOption {
  @Option(
      names = "--lang",
      paramLabel = "LANGUAGE",
      description = "en or es; ${DEFAULT-VALUE} when not given",
      defaultValue = "en")
  String language;

  /**
   * The language.
   *
   * @throws Refusal naming what there is instead
   */
  Language language() {
    return Language.of(language)
        .orElseThrow(
            () ->
                new Refusal(
                    "cli.no-language",
                    "typed",
                    language,
                    "there",
                    Arrays.stream(Language.values()).map(Language::code).toList()));
  }

  /** The words, with notes named by letters. */
  Words words() {
    return Words.of(language(), PitchNaming.LETTERS);
  }
}
