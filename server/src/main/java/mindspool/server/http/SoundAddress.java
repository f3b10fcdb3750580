package mindspool.server.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Refuses addresses with escapes that stand for no character, before anything decodes them: each
 * part of the web server and of the framework would fail over them in its own way.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class SoundAddress extends OncePerRequestFilter {

  private static final int HEX = 16;

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    String query = request.getQueryString();
    if (isSound(request.getRequestURI()) && (query == null || isSound(query))) {
      chain.doFilter(request, response);
    } else {
      UnreadableRequest.refuseAddress(response);
    }
  }

  /** Whether each escape is two hexadecimal digits and all of them together are UTF-8. */
  static boolean isSound(String address) {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    for (int i = 0; i < address.length(); i++) {
      char each = address.charAt(i);
      if (each != '%') {
        bytes.write(each < 128 ? each : '?');
        continue;
      }
      boolean whole = i + 2 < address.length();
      int high = whole ? Character.digit(address.charAt(i + 1), HEX) : -1;
      int low = whole ? Character.digit(address.charAt(i + 2), HEX) : -1;
      if (high < 0 || low < 0) {
        return false;
      }
      bytes.write(HEX * high + low);
      i += 2;
    }
    try {
      StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes.toByteArray()));
      return true;
    } catch (CharacterCodingException e) {
      return false;
    }
  }
}
