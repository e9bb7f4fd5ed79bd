package sempre.server.api;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
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
import sempre.core.Refusal;
import sempre.core.Saying;
import sempre.core.instrument.CatalogueException;
import sempre.formats.UnreadableException;
import sempre.server.app.NotThere;
import sempre.server.app.OddPiece;
import sempre.server.file.Trouble;
import sempre.server.store.StoreException;
import tools.jackson.databind.exc.InvalidFormatException;

/** Every error as problem+json whose detail is a sentence that says what to change. */
@RestControllerAdvice
public class Errors extends ResponseEntityExceptionHandler {
  private static final Logger LOG = LoggerFactory.getLogger(Errors.class);

  private static final int LONGEST = 600;

  @Override
  protected ResponseEntity<Object> handleMethodArgumentNotValid(
      MethodArgumentNotValidException ex, HttpHeaders h, HttpStatusCode st, WebRequest req) {
    List<Map<String, String>> fields =
        ex.getFieldErrors().stream()
            .map(f -> Map.of("field", f.getField(), "message", asked(f.getDefaultMessage())))
            .toList();
    ex.getBody().setProperty("errors", fields);
    ex.getBody()
        .setDetail(together(fields.stream().map(f -> f.get("message")).distinct().toList()));
    return handleExceptionInternal(ex, ex.getBody(), h, st, req);
  }

  @Override
  protected ResponseEntity<Object> handleMaxUploadSizeExceededException(
      MaxUploadSizeExceededException ex, HttpHeaders h, HttpStatusCode st, WebRequest req) {
    ProblemDetail p =
        ProblemDetail.forStatusAndDetail(
            HttpStatus.CONTENT_TOO_LARGE, Speech.words().sentence(Limit.FILE_MEGABYTES.saying()));
    return handleExceptionInternal(ex, p, h, HttpStatus.CONTENT_TOO_LARGE, req);
  }

  @Override
  protected ResponseEntity<Object> handleHttpMessageNotReadable(
      HttpMessageNotReadableException ex, HttpHeaders h, HttpStatusCode st, WebRequest req) {
    ProblemDetail p = ProblemDetail.forStatusAndDetail(HttpStatus.BAD_REQUEST, unreadable(ex));
    return handleExceptionInternal(ex, p, h, HttpStatus.BAD_REQUEST, req);
  }

  /** A word that is none of those there are is named with them. */
  private static String unreadable(HttpMessageNotReadableException ex) {
    for (Throwable t = ex; t != null; t = t.getCause()) {
      if (t instanceof InvalidFormatException f && f.getTargetType().isEnum()) {
        return Speech.say(
            "wrong.choice",
            "typed",
            String.valueOf(f.getValue()),
            "there",
            Arrays.stream(f.getTargetType().getEnumConstants()).map(String::valueOf).toList());
      }
    }
    return Speech.words().say("wrong.json");
  }

  @Override
  protected ResponseEntity<Object> handleTypeMismatch(
      TypeMismatchException ex, HttpHeaders h, HttpStatusCode st, WebRequest req) {
    Class<?> type = ex.getRequiredType();
    String what =
        type == LocalDate.class
            ? "wrong.day"
            : type != null && type.isEnum() ? "wrong.word" : "wrong.number";
    // the same thing said twice comes as an array
    String said =
        ex.getValue() instanceof Object[] all
            ? Arrays.stream(all).map(String::valueOf).collect(Collectors.joining(", "))
            : String.valueOf(ex.getValue());
    ProblemDetail p =
        ProblemDetail.forStatusAndDetail(HttpStatus.BAD_REQUEST, Speech.say(what, "typed", said));
    return handleExceptionInternal(ex, p, h, HttpStatus.BAD_REQUEST, req);
  }

  /** A check of single values or of list elements. */
  @Override
  protected ResponseEntity<Object> handleHandlerMethodValidationException(
      HandlerMethodValidationException ex, HttpHeaders h, HttpStatusCode st, WebRequest req) {
    ProblemDetail p =
        ProblemDetail.forStatusAndDetail(
            HttpStatus.BAD_REQUEST,
            together(
                ex.getAllErrors().stream()
                    .map(e -> asked(e.getDefaultMessage()))
                    .distinct()
                    .toList()));
    return handleExceptionInternal(ex, p, h, HttpStatus.BAD_REQUEST, req);
  }

  @ExceptionHandler
  public ProblemDetail address(InvalidParameterException e) {
    return ProblemDetail.forStatusAndDetail(
        HttpStatus.BAD_REQUEST, Speech.words().say("wrong.query"));
  }

  @ExceptionHandler
  public ProblemDetail upload(MultipartException e) {
    return ProblemDetail.forStatusAndDetail(
        HttpStatus.BAD_REQUEST, Speech.words().say("wrong.upload"));
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
    ProblemDetail p = ProblemDetail.forStatusAndDetail(st, Speech.words().say("wrong.address"));
    return handleExceptionInternal(ex, p, h, st, req);
  }

  @ExceptionHandler
  public ProblemDetail notThere(NotThere e) {
    return ProblemDetail.forStatusAndDetail(HttpStatus.NOT_FOUND, sentence(e));
  }

  @ExceptionHandler
  public ProblemDetail unreadable(UnreadableException e) {
    return ProblemDetail.forStatusAndDetail(HttpStatus.UNPROCESSABLE_CONTENT, sentence(e));
  }

  @ExceptionHandler
  public ProblemDetail odd(OddPiece e) {
    return ProblemDetail.forStatusAndDetail(HttpStatus.UNPROCESSABLE_CONTENT, sentence(e));
  }

  @ExceptionHandler
  public ProblemDetail tooMuch(Limit.Exceeded e) {
    boolean body = e.limit() == Limit.BODY_KILOBYTES;
    return ProblemDetail.forStatusAndDetail(
        body ? HttpStatus.CONTENT_TOO_LARGE : HttpStatus.UNPROCESSABLE_CONTENT, sentence(e));
  }

  @ExceptionHandler
  public ProblemDetail catalogue(CatalogueException e) {
    return ProblemDetail.forStatusAndDetail(HttpStatus.UNPROCESSABLE_CONTENT, sentence(e));
  }

  @ExceptionHandler
  ProblemDetail otherSchool(OneSchool.Other e) {
    return ProblemDetail.forStatusAndDetail(HttpStatus.CONFLICT, sentence(e));
  }

  @ExceptionHandler
  public ProblemDetail refused(Refusal e) {
    return ProblemDetail.forStatusAndDetail(HttpStatus.BAD_REQUEST, sentence(e));
  }

  @ExceptionHandler
  public ResponseEntity<ProblemDetail> store(StoreException e) {
    ResponseEntity.BodyBuilder answer;
    String detail;
    if (e.duplicate()) {
      answer = ResponseEntity.status(HttpStatus.CONFLICT);
      detail = "wrong.taken";
    } else if (e.noSuchRow()) {
      answer = ResponseEntity.status(HttpStatus.NOT_FOUND);
      detail = "wrong.row";
    } else if (e.tooLong()) {
      answer = ResponseEntity.badRequest();
      detail = "wrong.long";
    } else if (e.busy()) {
      answer =
          ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE)
              .header(HttpHeaders.RETRY_AFTER, "1");
      detail = "wrong.busy";
    } else {
      if (e.noRoom()) {
        LOG.error("the disk of the data is full");
      } else {
        LOG.error("the database failed", e);
      }
      answer = ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE);
      detail = e.noRoom() ? "wrong.disk" : e.readOnly() ? "wrong.read-only" : "wrong.database";
    }
    HttpStatusCode status = answer.build().getStatusCode();
    return answer.body(ProblemDetail.forStatusAndDetail(status, Speech.words().say(detail)));
  }

  @ExceptionHandler
  public ProblemDetail any(Exception e) {
    if (Trouble.noRoom(e)) {
      LOG.error("the disk of the data is full");
      return ProblemDetail.forStatusAndDetail(
          HttpStatus.SERVICE_UNAVAILABLE, Speech.words().say("wrong.disk"));
    }
    if (DisconnectedClientHelper.isClientDisconnectedException(e)) {
      // the page was left while it was answered: there is nobody to tell, and nothing is wrong
      return null;
    }
    LOG.error("unexpected", e);
    return ProblemDetail.forStatusAndDetail(
        HttpStatus.INTERNAL_SERVER_ERROR, Speech.words().say("wrong.inside"));
  }

  /** All that is asked for in one sentence. */
  private static String together(List<String> asked) {
    return Speech.words().sentence(Saying.of("error.other", "text", String.join("; ", asked)));
  }

  /** What a validation asks for, by the key that it names. */
  private static String asked(String key) {
    String k = Objects.toString(key, "");
    return Speech.words().has(k) ? Speech.words().say(k) : k;
  }

  /** What an error says, as a sentence; what was sent and comes back in it is cut. */
  public static String sentence(Refusal e) {
    String shown = Speech.words().sentence(e.saying());
    return shown.length() > LONGEST ? shown.substring(0, LONGEST) + " …" : shown;
  }
}
