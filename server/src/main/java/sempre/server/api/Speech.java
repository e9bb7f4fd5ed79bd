package sempre.server.api;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import sempre.core.Saying;
import sempre.core.pitch.Pitch;
import sempre.core.pitch.PitchNaming;
import sempre.core.teaching.Ways;
import sempre.server.app.HouseWays;
import sempre.words.Language;
import sempre.words.Words;

/**
 * The words in which a request is answered: in the language of the page that asks, with notes named
 * as the teacher does, or the student whom the address names.
 */
@Component
public class Speech implements HandlerInterceptor, WebMvcConfigurer {
  private static final String KEY = Speech.class.getName();
  private static final String ALONE = KEY + ".alone";

  private final HouseWays house;

  public Speech(HouseWays house) {
    this.house = house;
  }

  /** The words for the request that is being answered; outside one the browser's, or English. */
  public static Words words() {
    RequestAttributes request = RequestContextHolder.getRequestAttributes();
    Object words =
        request == null ? null : request.getAttribute(KEY, RequestAttributes.SCOPE_REQUEST);
    if (words instanceof Words w) {
      return w;
    }
    return request instanceof ServletRequestAttributes r
        ? Spoken.of(r.getRequest()).words()
        : Words.ENGLISH;
  }

  /**
   * A message for the request that is being answered.
   *
   * @param with what it takes, names and values in turn
   */
  public static String say(String key, Object... with) {
    return words().say(Saying.of(key, with));
  }

  /**
   * A note that stands in no piece, on the page or as it sounds, spelled as the school spells such
   * notes: maps, new notes, scales and tests all name it so.
   */
  public static Pitch alone(Pitch note) {
    RequestAttributes request = RequestContextHolder.getRequestAttributes();
    Object way =
        request == null ? null : request.getAttribute(ALONE, RequestAttributes.SCOPE_REQUEST);
    return Ways.spelled(Pitch.usual(note.midi()), Objects.toString(way, Ways.USUAL));
  }

  private static Words of(Spoken spoken, Map<String, String> ways) {
    Optional<Language> sheet =
        spoken.sheet() ? Language.of(ways.getOrDefault(Ways.SHEET, "")) : Optional.empty();
    return Words.of(
        sheet.orElse(spoken.language()),
        spoken
            .naming()
            .or(() -> PitchNaming.of(ways.getOrDefault(Ways.NAMES, "")))
            .orElse(PitchNaming.LETTERS));
  }

  @Override
  public void addInterceptors(InterceptorRegistry registry) {
    registry.addInterceptor(this).addPathPatterns("/api/**");
  }

  @Override
  public boolean preHandle(
      HttpServletRequest request, HttpServletResponse response, Object handler) {
    Map<String, String> ways = ways(student(request));
    request.setAttribute(KEY, of(Spoken.of(request), ways));
    request.setAttribute(ALONE, ways.getOrDefault(Ways.CHROMATIC, Ways.USUAL));
    return true;
  }

  private Map<String, String> ways(Optional<Long> student) {
    try {
      return house.of(student);
    } catch (RuntimeException e) {
      // what is wrong with the data is told by what was asked for
      return Map.of();
    }
  }

  private static Optional<Long> student(HttpServletRequest request) {
    Object found = request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE);
    Object id = found instanceof Map<?, ?> m ? m.get("studentId") : null;
    return id != null && String.valueOf(id).matches("\\d{1,18}")
        ? Optional.of(Long.parseLong(String.valueOf(id)))
        : Optional.empty();
  }
}
