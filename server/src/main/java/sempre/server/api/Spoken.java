package sempre.server.api;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import sempre.core.pitch.PitchNaming;
import sempre.words.Language;
import sempre.words.Words;

/**
 * In which words a request wants its answer: as the page that asks is written, or else as the
 * teacher has chosen in this browser, or as the browser speaks.
 *
 * @param naming how notes are named on this one sheet, or by this teacher; empty as the house, or
 *     the student, names them
 * @param sheet whether a student's sheet is asked for, in the language that the student reads
 */
public record Spoken(Language language, Optional<PitchNaming> naming, boolean sheet) {
  /** The page's language, sent with every question. */
  public static final String LANGUAGE = "Sempre-Language";

  /** How notes are named on one sheet. */
  public static final String NAMES = "Sempre-Names";

  /** Said where a student's sheet is asked for. */
  public static final String SHEET = "Sempre-Sheet";

  /** What a teacher has chosen in this browser. */
  private static final String LANGUAGE_KEPT = "sempre-language";

  private static final String NAMES_KEPT = "sempre-names";

  /** What a request wants. */
  public static Spoken of(HttpServletRequest request) {
    Language language =
        named(request.getHeader(LANGUAGE))
            .or(() -> cookie(request, LANGUAGE_KEPT).flatMap(Spoken::named))
            .or(() -> browser(request.getHeader(HttpHeaders.ACCEPT_LANGUAGE)))
            .orElse(Language.EN);
    boolean sheet = request.getHeader(SHEET) != null;
    Optional<String> names =
        Optional.ofNullable(request.getHeader(NAMES))
            .or(() -> sheet ? Optional.empty() : cookie(request, NAMES_KEPT));
    return new Spoken(language, names.flatMap(PitchNaming::of), sheet);
  }

  /** The words, where nobody's way of naming notes is known. */
  public Words words() {
    return Words.of(language, naming.orElse(PitchNaming.LETTERS));
  }

  private static Optional<Language> named(String code) {
    return Language.of(Objects.toString(code, "").toLowerCase(Locale.ROOT));
  }

  private static Optional<String> cookie(HttpServletRequest request, String name) {
    return request.getCookies() == null
        ? Optional.empty()
        : Arrays.stream(request.getCookies())
            .filter(c -> c.getName().equals(name))
            .map(Cookie::getValue)
            .findFirst();
  }

  /** The first of the browser's languages that Sempre speaks. */
  private static Optional<Language> browser(String accepted) {
    if (accepted == null) {
      return Optional.empty();
    }
    try {
      List<Locale.LanguageRange> ranges = Locale.LanguageRange.parse(accepted);
      return ranges.stream()
          .map(r -> named(r.getRange().split("-")[0]))
          .flatMap(Optional::stream)
          .findFirst();
    } catch (IllegalArgumentException e) {
      // a browser that says it in another way is answered in English
      return Optional.empty();
    }
  }
}
