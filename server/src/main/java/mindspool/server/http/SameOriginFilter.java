package mindspool.server.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.util.Set;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Refuses requests that a page of another site makes in the user's browser: by their origin, and
 * while bound to loopback also by a host name that is not this machine (a rebound DNS name).
 */
@Component
class SameOriginFilter extends OncePerRequestFilter {

  private static final Set<String> READING = Set.of("GET", "HEAD", "OPTIONS");
  private static final Set<String> LOOPBACK = Set.of("localhost", "127.0.0.1", "[::1]", "::1");

  private final boolean loopbackOnly;

  SameOriginFilter(@Value("${server.address:127.0.0.1}") String address) {
    this.loopbackOnly = LOOPBACK.contains(address);
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    boolean foreignHost = loopbackOnly && !LOOPBACK.contains(request.getServerName());
    boolean foreignOrigin = !READING.contains(request.getMethod()) && !fromHere(request);
    if (foreignHost || foreignOrigin) {
      response.setStatus(HttpServletResponse.SC_FORBIDDEN);
      response.setContentType("application/problem+json");
      response
          .getWriter()
          .write(
              "{\"title\":\"Refused\",\"status\":403,\"detail\":\"This request comes from another"
                  + " site. Open Mind Spool by the address that it printed when it started.\"}");
      return;
    }
    chain.doFilter(request, response);
  }

  private static boolean fromHere(HttpServletRequest request) {
    String origin = request.getHeader("Origin");
    if (origin == null) {
      return !"cross-site".equals(request.getHeader("Sec-Fetch-Site"));
    }
    try {
      URI from = URI.create(origin);
      return request.getHeader("Host") != null
          && request.getHeader("Host").equals(from.getAuthority())
          && request.getScheme().equals(from.getScheme());
    } catch (IllegalArgumentException e) {
      return false;
    }
  }
}
