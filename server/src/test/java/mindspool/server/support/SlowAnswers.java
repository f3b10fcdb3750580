package mindspool.server.support;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Random;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Answers of the API that take a while, each another one, as on a slow network: pages must hold
 * whatever answer comes first. Only where {@code -Dmindspool.test.slowest-ms} asks for it.
 */
@Component
@ConditionalOnProperty("mindspool.test.slowest-ms")
class SlowAnswers extends OncePerRequestFilter {

  private final Random random = new Random(1);
  private final int slowestMs;

  SlowAnswers(@Value("${mindspool.test.slowest-ms}") int slowestMs) {
    this.slowestMs = slowestMs;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    if (request.getRequestURI().startsWith("/api/")) {
      try {
        Thread.sleep(random.nextInt(slowestMs));
        chain.doFilter(request, response);
        Thread.sleep(random.nextInt(slowestMs));
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
      }
    } else {
      chain.doFilter(request, response);
    }
  }
}
