package mindspool.server.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Optional;
import mindspool.core.InvalidValueException;
import mindspool.server.http.RememberedActs.Remembered;
import mindspool.server.keep.DiskSpace;
import mindspool.server.keep.Durability;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerExceptionResolver;
import org.springframework.web.servlet.HandlerExecutionChain;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.springframework.web.util.ContentCachingResponseWrapper;
import org.springframework.web.util.ServletRequestPathUtils;

/**
 * The way of every act: in its turn, in one transaction, answered only once it is on the disk. An
 * act with an {@code Idempotency-Key} that was done already is answered as it was then, not done
 * again.
 */
@Component
@Order(Ordered.LOWEST_PRECEDENCE)
class ActGate extends OncePerRequestFilter {

  private static final String KEY = "Idempotency-Key";

  /** Header of an answer: the number of the act, by which it can be undone. */
  static final String ACT = "Act";

  private final Acts acts;
  private final RememberedActs remembered;
  private final ActNumber number;
  private final TransactionTemplate transactions;
  private final DiskSpace disk;
  private final Durability durability;
  private final HandlerExceptionResolver problems;
  private final RequestMappingHandlerMapping handlers;

  ActGate(
      Acts acts,
      RememberedActs remembered,
      ActNumber number,
      TransactionTemplate transactions,
      DiskSpace disk,
      Durability durability,
      @Qualifier("handlerExceptionResolver") HandlerExceptionResolver problems,
      @Qualifier("requestMappingHandlerMapping") RequestMappingHandlerMapping handlers) {
    this.acts = acts;
    this.remembered = remembered;
    this.number = number;
    this.transactions = transactions;
    this.disk = disk;
    this.durability = durability;
    this.problems = problems;
    this.handlers = handlers;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    boolean acting;
    try {
      acting = isAct(request);
    } catch (Exception e) {
      // No operation takes it; the dispatcher says why.
      acting = false;
    }
    if (!acting) {
      chain.doFilter(request, response);
      return;
    }
    try {
      disk.refuseWhenLow();
      Optional<String> key = key(request);
      BufferedRequest buffered = new BufferedRequest(request);
      if (!acts.takeTurn()) {
        throw new Acts.BusyException();
      }
      ContentCachingResponseWrapper answer = new ContentCachingResponseWrapper(response);
      try {
        perform(key, buffered, answer, chain);
      } finally {
        acts.endTurn();
      }
      durability.awaitDisk();
      answer.copyBodyToResponse();
    } catch (RuntimeException e) {
      response.resetBuffer();
      if (problems.resolveException(request, response, null, e) == null) {
        throw e;
      }
    }
  }

  private boolean isAct(HttpServletRequest request) throws Exception {
    return switch (request.getMethod()) {
      case "POST", "PUT", "DELETE", "PATCH" -> {
        ServletRequestPathUtils.parseAndCache(request);
        HandlerExecutionChain chain = handlers.getHandler(request);
        request.removeAttribute(HandlerMapping.BEST_MATCHING_HANDLER_ATTRIBUTE);
        yield chain != null
            && chain.getHandler() instanceof HandlerMethod method
            && !method.hasMethodAnnotation(Asks.class)
            && !method.getBeanType().isAnnotationPresent(Asks.class);
      }
      default -> false;
    };
  }

  private static Optional<String> key(HttpServletRequest request) {
    String key = request.getHeader(KEY);
    if (key == null) {
      return Optional.empty();
    }
    if (!key.matches("[A-Za-z0-9_-]{8,64}")) {
      throw new InvalidValueException(
          KEY,
          "\"" + key + "\"",
          "8 to 64 letters, digits, - and _",
          "A new random one for every act; the same when an act is sent again.");
    }
    return Optional.of(key);
  }

  private void perform(
      Optional<String> key,
      BufferedRequest request,
      ContentCachingResponseWrapper answer,
      FilterChain chain)
      throws IOException {
    Optional<Remembered> before = key.flatMap(remembered::find);
    if (before.isPresent()) {
      before.get().replay(request.digest(), answer);
      return;
    }
    transactions.executeWithoutResult(
        status -> {
          pass(request, answer, chain);
          if (answer.getStatus() >= HttpServletResponse.SC_BAD_REQUEST) {
            status.setRollbackOnly();
          } else {
            number.ifBegun().ifPresent(it -> answer.setHeader(ACT, String.valueOf(it)));
            key.ifPresent(it -> remembered.keep(it, Remembered.of(request.digest(), answer)));
          }
        });
  }

  private static void pass(
      BufferedRequest request, ContentCachingResponseWrapper answer, FilterChain chain) {
    try {
      chain.doFilter(request, answer);
    } catch (IOException e) {
      throw new UnpassedException(e);
    } catch (ServletException e) {
      throw e.getCause() instanceof RuntimeException cause ? cause : new UnpassedException(e);
    }
  }

  /** What the servlet container complained of, carried through the transaction. */
  private static final class UnpassedException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    UnpassedException(Exception cause) {
      super(cause);
    }
  }
}
