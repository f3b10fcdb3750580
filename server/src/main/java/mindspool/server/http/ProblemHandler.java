package mindspool.server.http;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import mindspool.core.InvalidValueException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.support.MissingServletRequestPartException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.exc.InvalidFormatException;
import tools.jackson.databind.exc.UnrecognizedPropertyException;

/** Turns what goes wrong into {@code application/problem+json} that says what to do. */
@RestControllerAdvice
class ProblemHandler extends ResponseEntityExceptionHandler {

  private static final Logger LOG = LoggerFactory.getLogger(ProblemHandler.class);

  @ExceptionHandler
  ProblemDetail invalid(InvalidValueException e) {
    return problem(HttpStatus.UNPROCESSABLE_CONTENT, "A value cannot be used", FieldProblem.of(e));
  }

  @ExceptionHandler
  ProblemDetail missing(NotFoundException e) {
    ProblemDetail problem = ProblemDetail.forStatusAndDetail(HttpStatus.NOT_FOUND, e.getMessage());
    problem.setTitle("Not found");
    return problem;
  }

  @ExceptionHandler
  ProblemDetail mistyped(MethodArgumentTypeMismatchException e) {
    String type = e.getRequiredType() == null ? "value" : e.getRequiredType().getSimpleName();
    return problem(
        HttpStatus.BAD_REQUEST,
        "A value cannot be read",
        new FieldProblem(e.getName(), String.valueOf(e.getValue()), "a " + type, ""));
  }

  @ExceptionHandler
  ProblemDetail storage(DataAccessException e) {
    LOG.error("Storing or reading failed", e);
    ProblemDetail problem =
        ProblemDetail.forStatusAndDetail(
            HttpStatus.SERVICE_UNAVAILABLE,
            "The database could not do this; nothing was changed. Check that the disk is not full,"
                + " then try again.");
    problem.setTitle("Not stored");
    return problem;
  }

  @Override
  protected ResponseEntity<Object> handleHttpMessageNotReadable(
      HttpMessageNotReadableException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    return respond(
        problem(HttpStatus.BAD_REQUEST, "The request cannot be read", unreadable(e.getCause())));
  }

  @Override
  protected ResponseEntity<Object> handleMaxUploadSizeExceededException(
      MaxUploadSizeExceededException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    return respond(
        problem(
            HttpStatus.CONTENT_TOO_LARGE,
            "The file is too large",
            new FieldProblem(
                "file",
                "more than 20 MB",
                "up to 20 MB",
                "Split it by months, or let the logger write every ten minutes; nothing was"
                    + " stored.")));
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
    if (cause instanceof DatabindException e) {
      return new FieldProblem(path(e), "of another kind", "as the API document shows", "");
    }
    if (cause instanceof JacksonException e) {
      return new FieldProblem(
          "body",
          e.getOriginalMessage(),
          "JSON; NaN and infinities are not numbers in it",
          "Line %d, column %d."
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
    ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, detail);
    problem.setTitle(title);
    problem.setProperty("errors", List.of(error));
    return problem;
  }

  private static ResponseEntity<Object> respond(ProblemDetail problem) {
    return ResponseEntity.status(problem.getStatus())
        .contentType(MediaType.APPLICATION_PROBLEM_JSON)
        .body(problem);
  }
}
