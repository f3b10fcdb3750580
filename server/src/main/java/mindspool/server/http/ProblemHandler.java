package mindspool.server.http;

import java.io.UncheckedIOException;
import java.net.URI;
import java.nio.file.FileSystemException;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import mindspool.core.InvalidValueException;
import mindspool.server.keep.NoRoomException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.InvalidMediaTypeException;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.transaction.TransactionException;
import org.springframework.transaction.UnexpectedRollbackException;
import org.springframework.util.InvalidMimeTypeException;
import org.springframework.web.HttpMediaTypeNotSupportedException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.multipart.support.MissingServletRequestPartException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import tools.jackson.core.JacksonException;
import tools.jackson.core.exc.StreamConstraintsException;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.exc.InvalidFormatException;
import tools.jackson.databind.exc.InvalidNullException;
import tools.jackson.databind.exc.UnrecognizedPropertyException;

/** Turns what goes wrong into {@code application/problem+json} that says what to do. */
@RestControllerAdvice
class ProblemHandler extends ResponseEntityExceptionHandler {

  private static final int MOST_ADDRESS = 150;

  private static final Logger LOG = LoggerFactory.getLogger(ProblemHandler.class);

  @ExceptionHandler
  ProblemDetail invalid(InvalidValueException e) {
    return problem(HttpStatus.UNPROCESSABLE_CONTENT, "A value cannot be used", FieldProblem.of(e));
  }

  @ExceptionHandler
  ProblemDetail missing(NotFoundException e) {
    return plain(HttpStatus.NOT_FOUND, "Not found", e.getMessage());
  }

  @ExceptionHandler
  ProblemDetail mistyped(MethodArgumentTypeMismatchException e) {
    String type = e.getRequiredType() == null ? "value" : e.getRequiredType().getSimpleName();
    return problem(
        HttpStatus.BAD_REQUEST,
        "A value cannot be read",
        new FieldProblem(e.getName(), String.valueOf(e.getValue()), "a " + type, ""));
  }

  /** One of many values in an address, such as the marks of a picture. */
  @Override
  protected ResponseEntity<Object> handleMethodArgumentNotValid(
      MethodArgumentNotValidException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    return e.getBindingResult().getFieldErrors().stream()
        .findFirst()
        .map(
            error ->
                respond(
                    problem(
                        HttpStatus.BAD_REQUEST,
                        "A value cannot be read",
                        new FieldProblem(
                            error.getField(),
                            String.valueOf(error.getRejectedValue()),
                            "a number",
                            "Give it once."))))
        .orElseGet(() -> super.handleMethodArgumentNotValid(e, headers, status, request));
  }

  /** Two acts at the same moment want what only one can have; the database keeps the rule. */
  @ExceptionHandler({
    DataIntegrityViolationException.class,
    ConcurrencyFailureException.class,
    UnexpectedRollbackException.class
  })
  ProblemDetail conflict(RuntimeException e) {
    LOG.info("Conflicting acts: {}", e.getMessage());
    return plain(
        HttpStatus.CONFLICT,
        "In conflict with what is there",
        "Something else was stored at the same moment and this does not go with it; nothing was"
            + " changed. Look at how it is now, then do it again if it is still wanted.");
  }

  @ExceptionHandler
  ProblemDetail stale(StaleEditException e) {
    ProblemDetail problem =
        plain(
            HttpStatus.CONFLICT,
            "Changed meanwhile",
            e.getMessage() + " Yours is not stored. Choose which of the two is kept.");
    problem.setProperty("current", e.current());
    return problem;
  }

  @ExceptionHandler
  ProblemDetail noRoom(NoRoomException e) {
    return plain(HttpStatus.INSUFFICIENT_STORAGE, "No room", e.getMessage());
  }

  @ExceptionHandler
  ProblemDetail busy(Acts.BusyException e) {
    return plain(
        HttpStatus.SERVICE_UNAVAILABLE,
        "Busy",
        "Other acts are still being stored; nothing was changed. Do it again in a moment.");
  }

  @ExceptionHandler
  ProblemDetail tooLong(HeavyWork.TooLongException e) {
    return plain(HttpStatus.SERVICE_UNAVAILABLE, "Too long", e.getMessage());
  }

  @ExceptionHandler
  ProblemDetail tooMuch(HeavyWork.TooMuchException e) {
    return plain(HttpStatus.SERVICE_UNAVAILABLE, "Too much at once", e.getMessage());
  }

  @ExceptionHandler({DataAccessException.class, TransactionException.class})
  ProblemDetail storage(RuntimeException e) {
    LOG.error("Storing or reading failed", e);
    return plain(
        HttpStatus.SERVICE_UNAVAILABLE,
        "Not stored",
        "The database could not do this; nothing was changed. Check that the disk has room and"
            + " works, then do it again.");
  }

  @ExceptionHandler
  ProblemDetail tooLarge(BodyLimit.TooLargeException e) {
    return problem(
        HttpStatus.CONTENT_TOO_LARGE,
        "The request is too large",
        new FieldProblem("body", "more than " + e.most(), "up to " + e.most(), "Send less."));
  }

  @ExceptionHandler({InvalidMediaTypeException.class, InvalidMimeTypeException.class})
  ProblemDetail mediaType(IllegalArgumentException e) {
    return wrongMediaType(e.getMessage());
  }

  static ProblemDetail wrongMediaType(String sent) {
    return problem(
        HttpStatus.UNSUPPORTED_MEDIA_TYPE,
        "The request cannot be read",
        new FieldProblem(
            "Content-Type", sent, "application/json", "Say what the body is, and send JSON."));
  }

  @ExceptionHandler
  ProblemDetail multipart(MultipartException e) {
    return NoRoomException.isCauseOf(e) ? full() : brokenOff();
  }

  /** Files that could not be read or written. */
  @ExceptionHandler
  ProblemDetail files(FileSystemException e) {
    return NoRoomException.isCauseOf(e) ? full() : fault(new UncheckedIOException(e));
  }

  private static ProblemDetail full() {
    return plain(
        HttpStatus.INSUFFICIENT_STORAGE,
        "No room",
        "The disk is full; nothing of this was kept. Free some space, then do it again; everything"
            + " can still be read.");
  }

  private static ProblemDetail brokenOff() {
    return problem(
        HttpStatus.BAD_REQUEST,
        "The request cannot be read",
        new FieldProblem(
            "file", "an upload that is not whole", "a form with one file", "Choose it again."));
  }

  /** A fault of the program; the log has the details, the answer has none of them. */
  @ExceptionHandler
  ProblemDetail fault(RuntimeException e) {
    if (NoRoomException.isCauseOf(e)) {
      return full();
    }
    LOG.error("A request failed in a way that nobody thought of", e);
    return plain(
        HttpStatus.INTERNAL_SERVER_ERROR,
        "A fault of the program",
        "This went wrong in a way that nobody thought of; nothing was changed. The log says more.");
  }

  private static ProblemDetail plain(HttpStatus status, String title, String detail) {
    ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, detail);
    problem.setTitle(title);
    problem.setInstance(asked());
    return problem;
  }

  /** What was asked for, up to a length that can be read. */
  private static URI asked() {
    String address =
        RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request
            ? request.getRequest().getRequestURI()
            : "";
    return address.length() <= MOST_ADDRESS && address.matches("[A-Za-z0-9/._%-]+")
        ? URI.create(address.replace("%", "%25"))
        : URI.create("/api");
  }

  @Override
  protected ResponseEntity<Object> handleExceptionInternal(
      Exception e, Object body, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
    ResponseEntity<Object> answer =
        super.handleExceptionInternal(e, body, headers, status, request);
    if (answer != null && answer.getBody() instanceof ProblemDetail problem) {
      problem.setInstance(asked());
      if (problem.getDetail() != null) {
        problem.setDetail(FieldProblem.shown(problem.getDetail()));
      }
    }
    return answer;
  }

  @Override
  protected ResponseEntity<Object> handleHttpMediaTypeNotSupported(
      HttpMediaTypeNotSupportedException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    return respond(wrongMediaType(String.valueOf(e.getContentType())));
  }

  @Override
  protected ResponseEntity<Object> handleHttpMessageNotReadable(
      HttpMessageNotReadableException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    // JSON that is sound, with a number in it that cannot be meant.
    if (e.getCause() instanceof InvalidFormatException odd && odd.getValue() instanceof Double) {
      return respond(
          problem(
              HttpStatus.UNPROCESSABLE_CONTENT,
              "A value cannot be used",
              new FieldProblem(
                  path(odd),
                  String.valueOf(odd.getValue()),
                  "a finite number of a size that can be meant",
                  "Leave it out where there is none.")));
    }
    return respond(
        problem(HttpStatus.BAD_REQUEST, "The request cannot be read", unreadable(e.getCause())));
  }

  @Override
  protected ResponseEntity<Object> handleMaxUploadSizeExceededException(
      MaxUploadSizeExceededException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    long most =
        e.getMaxUploadSize() > 0
            ? e.getMaxUploadSize() >> 20
            : BodyLimit.mostOfFile(asked().getPath()).orElse(1);
    return respond(
        problem(
            HttpStatus.CONTENT_TOO_LARGE,
            "The file is too large",
            new FieldProblem(
                "file",
                e.getMaxUploadSize() > 0
                    ? "more than " + most + " MB"
                    : "too long, in its content or its name",
                "up to " + most + " MB, with a name of up to 200 characters",
                request.getDescription(false).endsWith("climate-files")
                    ? "Split it by months, or let the logger write every ten minutes; nothing was"
                        + " stored."
                    : "Export or scale it smaller; nothing was stored.")));
  }

  @Override
  protected ResponseEntity<Object> handleMissingServletRequestPart(
      MissingServletRequestPartException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    return respond(missingField(e.getRequestPartName()));
  }

  @Override
  protected ResponseEntity<Object> handleMissingServletRequestParameter(
      MissingServletRequestParameterException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    return respond(missingField(e.getParameterName()));
  }

  private static ProblemDetail missingField(String name) {
    return problem(
        HttpStatus.BAD_REQUEST,
        "A value is missing",
        new FieldProblem(name, "missing", "a value", "Give a value."));
  }

  private static FieldProblem unreadable(Throwable cause) {
    if (cause instanceof UnrecognizedPropertyException e) {
      String known =
          e.getKnownPropertyIds().stream()
              .map(String::valueOf)
              .sorted()
              .collect(Collectors.joining(", "));
      return new FieldProblem(path(e), "unknown field", known, "Check the spelling.");
    }
    if (cause instanceof InvalidFormatException e) {
      Class<?> type = e.getTargetType();
      String allowed =
          type != null && type.isEnum()
              ? Arrays.stream(type.getEnumConstants())
                  .map(String::valueOf)
                  .collect(Collectors.joining(", "))
              : "a " + (type == null ? "value" : readable(type));
      return new FieldProblem(path(e), String.valueOf(e.getValue()), allowed, "");
    }
    if (cause instanceof InvalidNullException e) {
      return new FieldProblem(path(e), "null", "a value", "Leave it out, or give a value.");
    }
    if (cause instanceof DatabindException e
        && e.getCause() instanceof InvalidValueException invalid) {
      return new FieldProblem(path(e), invalid.value(), invalid.allowed(), invalid.advice());
    }
    if (cause instanceof StreamConstraintsException) {
      return new FieldProblem(
          "body",
          "deeper or with longer numbers or names than anything here has",
          "JSON as in the API document",
          "Send one thing as it is described there.");
    }
    if (cause instanceof DatabindException e
        && e.getCause() instanceof StreamConstraintsException) {
      return unreadable(e.getCause());
    }
    if (cause instanceof DatabindException e) {
      return new FieldProblem(path(e), "of another kind", "as the API document shows", "");
    }
    if (cause instanceof JacksonException e) {
      return new FieldProblem(
          "body",
          e.getOriginalMessage(),
          "JSON; NaN and infinities are not numbers in it",
          e.getLocation() == null
              ? ""
              : "Line %d, column %d."
                  .formatted(e.getLocation().getLineNr(), e.getLocation().getColumnNr()));
    }
    return new FieldProblem("body", "missing", "a JSON object", "");
  }

  private static String readable(Class<?> type) {
    return Number.class.isAssignableFrom(type) ? "number" : type.getSimpleName();
  }

  private static String path(DatabindException e) {
    StringBuilder path = new StringBuilder();
    for (JacksonException.Reference step : e.getPath()) {
      if (step.getPropertyName() == null) {
        path.append('[').append(step.getIndex()).append(']');
      } else {
        path.append(path.isEmpty() ? "" : ".").append(step.getPropertyName());
      }
    }
    return path.isEmpty() ? "body" : path.toString();
  }

  private static ProblemDetail problem(HttpStatus status, String title, FieldProblem error) {
    String detail =
        "%s is %s; allowed: %s. %s"
            .formatted(error.field(), error.value(), error.allowed(), error.advice())
            .strip();
    ProblemDetail problem = plain(status, title, detail);
    problem.setProperty("errors", List.of(error));
    return problem;
  }

  private static ResponseEntity<Object> respond(ProblemDetail problem) {
    return ResponseEntity.status(problem.getStatus())
        .contentType(MediaType.APPLICATION_PROBLEM_JSON)
        .body(problem);
  }
}
