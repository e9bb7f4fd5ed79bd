package sempre.server.web;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ErrorReportValve;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.RequestMapping;
import sempre.core.Saying;
import sempre.server.api.Spoken;

/** Refusals that come from before or beside the controllers, as problem+json too. */
public final class Problems {
  private static final int LEAST = 400;
  private static final int INTERNAL = 500;

  private Problems() {}

  /**
   * Answers with a problem.
   *
   * @param saying what is told, in the words of the request
   */
  static void write(
      HttpServletRequest request, HttpServletResponse response, int status, Saying saying)
      throws IOException {
    String sentence = Spoken.of(request).words().sentence(saying);
    Guard.headers(response, true);
    response.setStatus(status);
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    response.setCharacterEncoding("UTF-8");
    response
        .getWriter()
        .write(
            "{\"status\":"
                + status
                + ",\"detail\":\""
                + sentence.replace("\"", "'")
                + "\",\"title\":\"\"}");
  }

  private static String key(int status) {
    if (status == HttpServletResponse.SC_NOT_FOUND) {
      return "wrong.address";
    }
    return status < INTERNAL || status == HttpServletResponse.SC_NOT_IMPLEMENTED
        ? "wrong.request"
        : "wrong.inside";
  }

  /** The page of errors; who calls it straight finds nothing there. */
  @Controller
  static class ErrorPage implements ErrorController {
    @RequestMapping("/error")
    void error(HttpServletRequest request, HttpServletResponse response) throws IOException {
      Object status = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
      int code = status instanceof Integer i && i >= LEAST ? i : HttpServletResponse.SC_NOT_FOUND;
      write(request, response, code, Saying.of(key(code)));
    }
  }

  /** What the web server itself refuses: a line that is no HTTP, a sign that no address has. */
  public static final class Refusals extends ErrorReportValve {
    @Override
    protected void report(Request request, Response response, Throwable cause) {
      int status = response.getStatus();
      if (status < LEAST || response.getContentWritten() > 0 || !response.setErrorReported()) {
        return;
      }
      try {
        write(request, response.getResponse(), status, Saying.of(key(status)));
        response.finishResponse();
      } catch (IOException | IllegalStateException e) {
        container.getLogger().debug("the line is gone", e);
      }
    }
  }
}
