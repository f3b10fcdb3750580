package mindspool.server.http;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import mindspool.core.InvalidValueException;
import mindspool.core.Text;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * Who works at the browser that asked. The name is given, not proven: everybody in the workshop
 * shares one stock.
 */
public final class PersonAtWork {

  /** Request header with the name, percent-encoded UTF-8. */
  private static final String HEADER = "X-Person";

  private static final int MOST_CHARACTERS = 60;

  private PersonAtWork() {}

  /** The name of who works at the browser that asks; none where nobody gave one. */
  public static Optional<String> name() {
    RequestAttributes asked = RequestContextHolder.getRequestAttributes();
    return asked != null
            && asked.getAttribute(HEADER, RequestAttributes.SCOPE_REQUEST) instanceof String name
        ? Optional.of(name)
        : Optional.empty();
  }

  /** Reads the name before anything is done, so that a bad one stops the request. */
  @Configuration
  static class Reading implements WebMvcConfigurer, HandlerInterceptor {

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
      registry.addInterceptor(this);
    }

    @Override
    public boolean preHandle(
        HttpServletRequest request, HttpServletResponse response, Object handler) {
      String header = request.getHeader(HEADER);
      if (header != null && !header.isBlank()) {
        request.setAttribute(HEADER, decoded(header));
      }
      return true;
    }
  }

  private static String decoded(String header) {
    String name;
    try {
      name = URLDecoder.decode(header.replace("+", "%2B"), StandardCharsets.UTF_8).strip();
    } catch (IllegalArgumentException e) {
      throw new InvalidValueException(
          HEADER,
          header,
          "a name, percent-encoded",
          "Leave it out, or encode it as in an address.");
    }
    return Text.line(HEADER, name, 0, MOST_CHARACTERS, "Give a shorter name.");
  }
}
