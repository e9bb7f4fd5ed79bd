package sempre.server.api;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Set;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import sempre.core.Refusal;
import sempre.server.app.TheSchool;

/**
 * Every answer says which school's data it is from, and a page says it with every change. Where the
 * data were replaced meanwhile, numbers mean other students; so nothing is changed then.
 */
@Component
class OneSchool implements HandlerInterceptor, WebMvcConfigurer {
  /** The id of the school, in questions and answers. */
  static final String HEADER = "Sempre-School";

  private static final Set<String> READING = Set.of("GET", "HEAD", "OPTIONS");

  private final TheSchool school;

  OneSchool(TheSchool school) {
    this.school = school;
  }

  /** The change was meant for another school. */
  static final class Other extends Refusal {
    private static final long serialVersionUID = 1L;

    Other() {
      super("wrong.school");
    }
  }

  @Override
  public void addInterceptors(InterceptorRegistry registry) {
    registry.addInterceptor(this).addPathPatterns("/api/**");
  }

  @Override
  public boolean preHandle(
      HttpServletRequest request, HttpServletResponse response, Object handler) {
    String own;
    try {
      own = school.id();
    } catch (RuntimeException e) {
      // what is wrong with the data is told by what was asked for
      return true;
    }
    response.setHeader(HEADER, own);
    String meant = request.getHeader(HEADER);
    if (meant != null && !meant.equals(own) && !READING.contains(request.getMethod())) {
      throw new Other();
    }
    return true;
  }
}
