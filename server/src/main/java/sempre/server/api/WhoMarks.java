package sempre.server.api;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Objects;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/**
 * Who marks, and when the key was pressed. There are no accounts (decision 4), so each teacher's
 * page says a name, or none.
 */
public final class WhoMarks {
  /** The header in which a page says who marks, percent-encoded. */
  public static final String HEADER = "Sempre-By";

  /** The header in which a page says how many milliseconds ago the key was pressed. */
  static final String AGE = "Sempre-Age";

  /** What waited longer than this in a browser is dated when it arrives. */
  private static final Duration LONGEST_WAIT = Duration.ofDays(14);

  public static final String TEACHER = "teacher";

  private static final int LONGEST = 60;

  private WhoMarks() {}

  /** Who sent the request that is being answered. */
  public static String by() {
    if (RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request) {
      String header = request.getRequest().getHeader(HEADER);
      if (header != null && !header.isBlank()) {
        try {
          String name = URLDecoder.decode(header, StandardCharsets.UTF_8).strip();
          return name.isEmpty() ? TEACHER : name.substring(0, Math.min(LONGEST, name.length()));
        } catch (IllegalArgumentException e) {
          return TEACHER;
        }
      }
    }
    return TEACHER;
  }

  /**
   * When what is being answered was pressed. A page says how long ago, not when: so clocks of two
   * devices that differ put nothing out of order.
   */
  public static Instant at(Clock clock) {
    Instant now = clock.instant();
    if (RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request) {
      String age = Objects.toString(request.getRequest().getHeader(AGE), "");
      if (age.matches("\\d{1,12}") && Long.parseLong(age) <= LONGEST_WAIT.toMillis()) {
        return now.minusMillis(Long.parseLong(age));
      }
    }
    return now;
  }
}
