package mindspool.server.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.InetAddress;
import java.net.NetworkInterface;
import java.net.SocketException;
import java.net.URI;
import java.net.UnknownHostException;
import java.util.Set;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Refuses requests that a page of another site makes in the user's browser: by their origin, and by
 * a host name that is not this machine's (a rebound DNS name): loopback, and in a network the name
 * that it was started with and the addresses that it has there.
 */
@Component
class SameOriginFilter extends OncePerRequestFilter {

  private static final Set<String> READING = Set.of("GET", "HEAD", "OPTIONS");
  private static final Set<String> LOOPBACK = Set.of("localhost", "127.0.0.1", "[::1]", "::1");

  private final boolean loopbackOnly;
  private final String ownName;

  SameOriginFilter(
      @Value("${server.address:127.0.0.1}") String address,
      @Value("${mindspool.public-url:}") String publicUrl) {
    this.loopbackOnly = LOOPBACK.contains(address);
    this.ownName = publicUrl.isBlank() ? null : URI.create(publicUrl.strip()).getHost();
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    boolean foreignHost = !isOwn(request.getServerName());
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

  private boolean isOwn(String host) {
    return LOOPBACK.contains(host)
        || !loopbackOnly && (host.equalsIgnoreCase(ownName) || isAddressOfThisMachine(host));
  }

  /** Addresses may come and go while the program runs. A name is none, and is not looked up. */
  private static boolean isAddressOfThisMachine(String host) {
    String plain = host.replaceAll("^\\[|]$", "");
    if (!plain.matches("[0-9.]+|[0-9a-fA-F.]*:[0-9a-fA-F:.]+")) {
      return false;
    }
    try {
      return NetworkInterface.getByInetAddress(InetAddress.getByName(plain)) != null;
    } catch (UnknownHostException | SocketException e) {
      return false;
    }
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
