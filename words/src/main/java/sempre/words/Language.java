package sempre.words;

import java.util.Locale;
import java.util.Optional;

/** The languages that all of Sempre is told in. */
public enum Language {
  EN("en", "English"),
  ES("es", "español");

  private final String code;
  private final String ownName;

  Language(String code, String ownName) {
    this.code = code;
    this.ownName = ownName;
  }

  /** ISO 639 code. */
  public String code() {
    return code;
  }

  /** What those call it who speak it. */
  public String ownName() {
    return ownName;
  }

  public Locale locale() {
    return Locale.forLanguageTag(code);
  }

  /** As lists are written in it: English without a comma before the last. */
  Locale lists() {
    return this == EN ? Locale.UK : locale();
  }

  /** The language of a code; empty when Sempre does not speak it. */
  public static Optional<Language> of(String code) {
    for (Language l : values()) {
      if (l.code.equals(code)) {
        return Optional.of(l);
      }
    }
    return Optional.empty();
  }
}
