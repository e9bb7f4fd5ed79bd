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

/** Refusals that come from before or beside the controllers, as problem+json too. */
public final class Problems {
  private static final int LEAST = 400;
  private static final int INTERNAL = 500;

  private Problems() {}

  /**
   * Answers with a problem.
   *
   * @param sentence of Sempre's own, without quotation marks
   */
  static void write(HttpServletResponse response, int status, String sentence) throws IOException {
    response.setStatus(status);
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    response.setCharacterEncoding("UTF-8");
    response
        .getWriter()
        .write("{\"status\":" + status + ",\"detail\":\"" + sentence + "\",\"title\":\"\"}");
  }

  private static String sentence(int status) {
    if (status == HttpServletResponse.SC_NOT_FOUND) {
      return "There is nothing at this address; check how it is written.";
    }
    return status < INTERNAL
        ? "The request is not one that a browser sends; nothing was changed."
        : "Something went wrong inside Sempre; nothing was changed. Try again.";
  }

  /** The page of errors; who calls it straight finds nothing there. */
  @Controller
  static class ErrorPage implements ErrorController {
    @RequestMapping("/error")
    void error(HttpServletRequest request, HttpServletResponse response) throws IOException {
      Object status = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
      int code = status instanceof Integer i && i >= LEAST ? i : HttpServletResponse.SC_NOT_FOUND;
      write(response, code, sentence(code));
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
        response.setHeader("X-Content-Type-Options", "nosniff");
        write(response.getResponse(), status, sentence(status));
        response.finishResponse();
      } catch (IOException | IllegalStateException e) {
        container.getLogger().debug("the line is gone", e);
      }
    }
  }
}
