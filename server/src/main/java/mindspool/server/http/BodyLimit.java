package mindspool.server.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import java.util.concurrent.Semaphore;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.InvalidMediaTypeException;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.servlet.HandlerExceptionResolver;

/**
 * Refuses bodies that are no JSON or larger than anybody needs, before anything of them is read
 * into memory. Files have a limit of their own, see {@code spring.servlet.multipart}.
 */
@Component
@Order(Ordered.LOWEST_PRECEDENCE - 10)
class BodyLimit extends OncePerRequestFilter {

  private static final int MB = 1 << 20;
  private static final int MOST = 2 * MB;

  /** Ten years of hourly air, each interval about a hundred characters. */
  private static final int MOST_CLIMATE = 24 * MB;

  private static final int LARGE_AT_ONCE = 2;

  /** Ends of paths that take a file, with what it may have, MB. */
  private static final Map<String, Integer> FILES =
      Map.of(
          "/climate-files",
          20,
          "/photo-files",
          20,
          "/part-files",
          512,
          "/calc/part",
          512,
          "/calc/lines",
          40);

  private static final Set<String> LONG_LISTS = Set.of("/api/calc/moisture");

  private final HandlerExceptionResolver problems;
  private final Semaphore largeOnes = new Semaphore(LARGE_AT_ONCE, true);

  BodyLimit(@Qualifier("handlerExceptionResolver") HandlerExceptionResolver problems) {
    this.problems = problems;
  }

  /** A body is larger than allowed. */
  static final class TooLargeException extends RuntimeException {
    private static final long serialVersionUID = 1L;
    private final int mostBytes;

    TooLargeException(int mostBytes) {
      this.mostBytes = mostBytes;
    }

    String most() {
      return mostBytes / MB + " MB";
    }
  }

  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    return !request.getRequestURI().startsWith("/api/") || "GET".equals(request.getMethod());
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    try {
      String type = request.getContentType();
      OptionalInt fileMb = mostOfFile(request.getRequestURI());
      boolean file = fileMb.isPresent();
      if (type != null && !file && !isJson(type)) {
        answer(request, response, type);
        return;
      }
      boolean large = file || LONG_LISTS.contains(request.getRequestURI());
      int most = large ? MOST_CLIMATE : MOST;
      long announced = request.getContentLengthLong();
      boolean small = announced >= 0 && announced <= MOST;
      if (file && announced > (fileMb.getAsInt() + 1L) * MB) {
        throw new MaxUploadSizeExceededException((long) fileMb.getAsInt() * MB);
      }
      if (!file && announced > most) {
        throw new TooLargeException(most);
      }
      HttpServletRequest counted = file ? request : new Counted(request, most);
      if (large && !small) {
        passOneOfFew(counted, response, chain);
      } else {
        chain.doFilter(counted, response);
      }
    } catch (TooLargeException | MaxUploadSizeExceededException | HeavyWork.TooMuchException e) {
      problems.resolveException(request, response, null, e);
    }
  }

  /** What a file sent to a path may have, MB; none where none is sent. */
  static OptionalInt mostOfFile(String path) {
    return FILES.entrySet().stream()
        .filter(file -> path.endsWith(file.getKey()))
        .mapToInt(Map.Entry::getValue)
        .findFirst();
  }

  /** Large bodies are held in memory, so only some at a time. */
  private void passOneOfFew(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    HeavyWork.enter(largeOnes);
    try {
      chain.doFilter(request, response);
    } finally {
      largeOnes.release();
    }
  }

  private static boolean isJson(String type) {
    try {
      MediaType media = MediaType.parseMediaType(type);
      return media.isConcrete()
          && "application".equals(media.getType())
          && "json".equals(media.getSubtype());
    } catch (IllegalArgumentException e) {
      return false;
    }
  }

  private void answer(HttpServletRequest request, HttpServletResponse response, String type) {
    problems.resolveException(
        request, response, null, new InvalidMediaTypeException(type, "is not JSON"));
  }

  /** A request whose body is counted as it is read. */
  private static final class Counted extends HttpServletRequestWrapper {
    private final int most;

    Counted(HttpServletRequest request, int most) {
      super(request);
      this.most = most;
    }

    @Override
    public ServletInputStream getInputStream() throws IOException {
      ServletInputStream body = super.getInputStream();
      return new ServletInputStream() {
        private long read;

        private int counted(int bytes) {
          read += Math.max(0, bytes);
          if (read > most) {
            throw new TooLargeException(most);
          }
          return bytes;
        }

        @Override
        public int read() throws IOException {
          int next = body.read();
          counted(next < 0 ? 0 : 1);
          return next;
        }

        @Override
        public int read(byte[] into, int from, int length) throws IOException {
          return counted(body.read(into, from, length));
        }

        @Override
        public boolean isFinished() {
          return body.isFinished();
        }

        @Override
        public boolean isReady() {
          return body.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
          body.setReadListener(listener);
        }
      };
    }
  }
}
