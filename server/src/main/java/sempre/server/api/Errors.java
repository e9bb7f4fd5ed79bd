package sempre.server.api;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.apache.tomcat.util.http.InvalidParameterException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.TypeMismatchException;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.method.annotation.HandlerMethodValidationException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.servlet.NoHandlerFoundException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import org.springframework.web.servlet.resource.NoResourceFoundException;
import org.springframework.web.util.DisconnectedClientHelper;
import sempre.core.Limit;
import sempre.core.instrument.CatalogueException;
import sempre.formats.UnreadableException;
import sempre.server.store.StoreException;

/** Every error as problem+json whose detail is a sentence that says what to change. */
@RestControllerAdvice
class Errors extends ResponseEntityExceptionHandler {
  private static final Logger LOG = LoggerFactory.getLogger(Errors.class);

  private static final int LONGEST = 600;

  /** Something that is asked for is not there. */
  static class NotThere extends RuntimeException {
    private static final long serialVersionUID = 1L;

    NotThere(String sentence) {
      super(sentence);
    }
  }

  @Override
  protected ResponseEntity<Object> handleMethodArgumentNotValid(
      MethodArgumentNotValidException ex, HttpHeaders h, HttpStatusCode st, WebRequest req) {
    List<Map<String, String>> fields =
        ex.getFieldErrors().stream()
            .map(
                f ->
                    Map.of(
                        "field", f.getField(), "message", Objects.toString(f.getDefaultMessage())))
            .toList();
    ex.getBody().setProperty("errors", fields);
    ex.getBody()
        .setDetail(
            String.join("; ", fields.stream().map(f -> f.get("message")).distinct().toList()));
    return handleExceptionInternal(ex, ex.getBody(), h, st, req);
  }

  @Override
  protected ResponseEntity<Object> handleMaxUploadSizeExceededException(
      MaxUploadSizeExceededException ex, HttpHeaders h, HttpStatusCode st, WebRequest req) {
    ProblemDetail p =
        ProblemDetail.forStatusAndDetail(
            HttpStatus.CONTENT_TOO_LARGE, sentence(Limit.FILE_MEGABYTES.sentence()));
    return handleExceptionInternal(ex, p, h, HttpStatus.CONTENT_TOO_LARGE, req);
  }

  @Override
  protected ResponseEntity<Object> handleHttpMessageNotReadable(
      HttpMessageNotReadableException ex, HttpHeaders h, HttpStatusCode st, WebRequest req) {
    ProblemDetail p =
        ProblemDetail.forStatusAndDetail(
            HttpStatus.BAD_REQUEST,
            "What was sent is not the JSON that is expected here; nothing was changed.");
    return handleExceptionInternal(ex, p, h, HttpStatus.BAD_REQUEST, req);
  }

  @Override
  protected ResponseEntity<Object> handleTypeMismatch(
      TypeMismatchException ex, HttpHeaders h, HttpStatusCode st, WebRequest req) {
    Class<?> type = ex.getRequiredType();
    String what =
        type == LocalDate.class
            ? "a day, such as 2026-11-26"
            : type != null && type.isEnum() ? "one of the words that there are" : "a number";
    ProblemDetail p =
        ProblemDetail.forStatusAndDetail(
            HttpStatus.BAD_REQUEST,
            sentence(
                "in the address stands '" + ex.getValue() + "' where there should be " + what));
    return handleExceptionInternal(ex, p, h, HttpStatus.BAD_REQUEST, req);
  }

  /** A check of single values or of list elements. */
  @Override
  protected ResponseEntity<Object> handleHandlerMethodValidationException(
      HandlerMethodValidationException ex, HttpHeaders h, HttpStatusCode st, WebRequest req) {
    ProblemDetail p =
        ProblemDetail.forStatusAndDetail(
            HttpStatus.BAD_REQUEST,
            String.join(
                "; ",
                ex.getAllErrors().stream()
                    .map(e -> Objects.toString(e.getDefaultMessage()))
                    .distinct()
                    .toList()));
    return handleExceptionInternal(ex, p, h, HttpStatus.BAD_REQUEST, req);
  }

  @ExceptionHandler
  ProblemDetail address(InvalidParameterException e) {
    return ProblemDetail.forStatusAndDetail(
        HttpStatus.BAD_REQUEST,
        "The address is not well written after its ?; check the signs with %.");
  }

  @ExceptionHandler
  ProblemDetail upload(MultipartException e) {
    return ProblemDetail.forStatusAndDetail(
        HttpStatus.BAD_REQUEST, "The file did not arrive whole; choose it again.");
  }

  /**
   * An address that leads nowhere: under the API a problem, elsewhere the page of the application,
   * which says so itself.
   */
  @Override
  protected ResponseEntity<Object> handleNoResourceFoundException(
      NoResourceFoundException ex, HttpHeaders h, HttpStatusCode st, WebRequest req) {
    return nowhere(ex, "/" + ex.getResourcePath(), ex.getHttpMethod() == HttpMethod.GET, h, req);
  }

  @Override
  protected ResponseEntity<Object> handleNoHandlerFoundException(
      NoHandlerFoundException ex, HttpHeaders h, HttpStatusCode st, WebRequest req) {
    return nowhere(ex, ex.getRequestURL(), ex.getHttpMethod().equals("GET"), h, req);
  }

  private ResponseEntity<Object> nowhere(
      Exception ex, String path, boolean get, HttpHeaders h, WebRequest req) {
    HttpStatus st = HttpStatus.NOT_FOUND;
    boolean page = get && !path.startsWith("/api/");
    ClassPathResource index = new ClassPathResource("static/index.html");
    String accept = Objects.toString(req.getHeader(HttpHeaders.ACCEPT), "");
    if (page && accept.contains(MediaType.TEXT_HTML_VALUE) && index.exists()) {
      return ResponseEntity.status(st)
          .contentType(MediaType.TEXT_HTML)
          .cacheControl(CacheControl.noCache())
          .body(index);
    }
    ProblemDetail p =
        ProblemDetail.forStatusAndDetail(
            st, "There is nothing at this address; check how it is written.");
    return handleExceptionInternal(ex, p, h, st, req);
  }

  @ExceptionHandler
  ProblemDetail notThere(NotThere e) {
    return ProblemDetail.forStatusAndDetail(HttpStatus.NOT_FOUND, e.getMessage());
  }

  @ExceptionHandler
  ProblemDetail unreadable(UnreadableException e) {
    return ProblemDetail.forStatusAndDetail(HttpStatus.UNPROCESSABLE_CONTENT, sentence(e));
  }

  @ExceptionHandler
  ProblemDetail odd(Odd e) {
    return ProblemDetail.forStatusAndDetail(HttpStatus.UNPROCESSABLE_CONTENT, sentence(e));
  }

  @ExceptionHandler
  ProblemDetail tooMuch(Limit.Exceeded e) {
    boolean body = e.limit() == Limit.BODY_KILOBYTES;
    return ProblemDetail.forStatusAndDetail(
        body ? HttpStatus.CONTENT_TOO_LARGE : HttpStatus.UNPROCESSABLE_CONTENT, sentence(e));
  }

  @ExceptionHandler
  ProblemDetail catalogue(CatalogueException e) {
    return ProblemDetail.forStatusAndDetail(HttpStatus.UNPROCESSABLE_CONTENT, sentence(e));
  }

  @ExceptionHandler
  ProblemDetail bad(IllegalArgumentException e) {
    return ProblemDetail.forStatusAndDetail(HttpStatus.BAD_REQUEST, sentence(e));
  }

  @ExceptionHandler
  ResponseEntity<ProblemDetail> store(StoreException e) {
    ResponseEntity.BodyBuilder answer;
    String detail;
    if (e.duplicate()) {
      answer = ResponseEntity.status(HttpStatus.CONFLICT);
      detail = "This name is taken already; choose another.";
    } else if (e.noSuchRow()) {
      answer = ResponseEntity.status(HttpStatus.NOT_FOUND);
      detail =
          "A student, a group or a piece that was named is not here any more; load the page anew.";
    } else if (e.tooLong()) {
      answer = ResponseEntity.badRequest();
      detail = "A text is longer than there is room for; shorten it.";
    } else if (e.busy()) {
      answer =
          ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE)
              .header(HttpHeaders.RETRY_AFTER, "1");
      detail = "Too much is asked at once; nothing was changed. Try again.";
    } else {
      if (e.noRoom()) {
        LOG.error("the disk of the data is full");
      } else {
        LOG.error("the database failed", e);
      }
      answer = ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE);
      detail =
          e.noRoom()
              ? "The disk is full, so nothing was kept. Make room on it; Sempre goes on by itself."
              : e.readOnly()
                  ? "The folder of the data can't be written any more, so nothing was kept. Make it"
                      + " writable; Sempre goes on by itself."
                  : "The data could not be read or written; nothing was changed. Try again.";
    }
    HttpStatusCode status = answer.build().getStatusCode();
    return answer.body(ProblemDetail.forStatusAndDetail(status, detail));
  }

  @ExceptionHandler
  ProblemDetail any(Exception e) {
    if (DisconnectedClientHelper.isClientDisconnectedException(e)) {
      // the page was left while it was answered: there is nobody to tell, and nothing is wrong
      return null;
    }
    LOG.error("unexpected", e);
    return ProblemDetail.forStatusAndDetail(
        HttpStatus.INTERNAL_SERVER_ERROR,
        "Something went wrong inside Sempre; nothing was changed. Try again.");
  }

  private static String sentence(Exception e) {
    return sentence(String.valueOf(e.getMessage()));
  }

  /** As a sentence; what was sent and comes back in it is cut to a few lines. */
  static String sentence(String text) {
    String shown = text.length() > LONGEST ? text.substring(0, LONGEST) + " …" : text;
    return Character.toUpperCase(shown.charAt(0))
        + shown.substring(1)
        + (shown.endsWith(".") ? "" : ".");
  }
}
