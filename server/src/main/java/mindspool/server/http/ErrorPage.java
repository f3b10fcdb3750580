package mindspool.server.http;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What is answered when a request fails before any operation has it; never with details. */
@Hidden
@RestController
class ErrorPage implements ErrorController {

  @RequestMapping("/error")
  ResponseEntity<ProblemDetail> error(HttpServletRequest request) {
    Object code = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
    HttpStatus status =
        code instanceof Integer number ? HttpStatus.resolve(number) : HttpStatus.NOT_FOUND;
    ProblemDetail problem =
        ProblemDetail.forStatus(status == null ? HttpStatus.BAD_REQUEST : status);
    problem.setDetail(
        problem.getStatus() == HttpStatus.NOT_FOUND.value()
            ? "There is nothing at this address."
            : "The request could not be answered; nothing was changed.");
    return ResponseEntity.status(problem.getStatus())
        .contentType(MediaType.APPLICATION_PROBLEM_JSON)
        .body(problem);
  }
}
