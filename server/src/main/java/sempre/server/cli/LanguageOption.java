package sempre.server.cli;

import java.util.List;
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
            () -> new Refusal("cli.no-language", "typed", language, "there", List.of("en", "es")));
  }

  /** The words, with notes named by letters. */
  Words words() {
    return Words.of(language(), PitchNaming.LETTERS);
  }
}
