package sempre.server.cli;

import picocli.CommandLine.Option;
import sempre.core.pitch.PitchNaming;
import sempre.words.Language;
import sempre.words.Words;

/** In which language a command answers, and how it names notes. */
final class WordsOptions {
  @Option(
      names = "--lang",
      paramLabel = "LANGUAGE",
      description = "en or es; ${DEFAULT-VALUE} when not given",
      defaultValue = "en")
  String language;

  @Option(
      names = "--names",
      paramLabel = "NAMES",
      description = "letters, german or syllables; ${DEFAULT-VALUE} when not given",
      defaultValue = "letters")
  String names;

  /**
   * The words.
   *
   * @throws IllegalArgumentException naming what there is instead
   */
  Words words() {
    Language l =
        Language.of(language)
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "there is no language '" + language + "'; there is: en, es"));
    PitchNaming n =
        PitchNaming.of(names)
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "notes are not named by '"
                            + names
                            + "'; there is: letters, german, syllables"));
    return Words.of(l, n);
  }
}
