package sempre.server.api;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
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
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.servlet.NoHandlerFoundException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import org.springframework.web.servlet.resource.NoResourceFoundException;
import org.springframework.web.util.DisconnectedClientHelper;
import sempre.core.instrument.CatalogueException;
import sempre.formats.UnreadableException;
import sempre.formats.musicxml.MusicXmlFile;
import sempre.server.store.StoreException;

/** Every error as problem+json whose detail is a sentence that says what to change. */
@RestControllerAdvice
class Errors extends ResponseEntityExceptionHandler {
  private static final Logger LOG = LoggerFactory.getLogger(Errors.class);

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
            HttpStatus.CONTENT_TOO_LARGE,
            "The file is larger than "
                + MusicXmlFile.MAX_BYTES / 1024 / 1024
                + " MB; export only the parts and bars that are needed.");
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
  ProblemDetail catalogue(CatalogueException e) {
    return ProblemDetail.forStatusAndDetail(HttpStatus.UNPROCESSABLE_CONTENT, sentence(e));
  }

  @ExceptionHandler
  ProblemDetail bad(IllegalArgumentException e) {
    return ProblemDetail.forStatusAndDetail(HttpStatus.BAD_REQUEST, sentence(e));
  }

  @ExceptionHandler
  ProblemDetail store(StoreException e) {
    if (e.duplicate()) {
      return ProblemDetail.forStatusAndDetail(
          HttpStatus.CONFLICT, "This name is taken already; choose another.");
    }
    LOG.error("the database failed", e);
    return ProblemDetail.forStatusAndDetail(
        HttpStatus.SERVICE_UNAVAILABLE,
        "The data could not be read or written; nothing was changed. Try again.");
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
    String text = String.valueOf(e.getMessage());
    return Character.toUpperCase(text.charAt(0))
        + text.substring(1)
        + (text.endsWith(".") ? "" : ".");
  }
}
