package sempre.server.api;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/** Who marks: there are no accounts (decision 4), so each teacher's page says a name, or none. */
public final class WhoMarks {
  /** The header in which a page says who marks, percent-encoded. */
  public static final String HEADER = "Sempre-By";

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
}
