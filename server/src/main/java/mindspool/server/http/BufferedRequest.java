package mindspool.server.http;

import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.zip.CRC32C;

/** A request whose body was read whole before its turn, so that a slow sender holds up nobody. */
final class BufferedRequest extends HttpServletRequestWrapper {

  private final byte[] body;

  BufferedRequest(HttpServletRequest request) throws IOException {
    super(request);
    this.body = request.getInputStream().readAllBytes();
  }

  /** Tells this request from another with the same key. */
  long digest() {
    CRC32C sum = new CRC32C();
    sum.update((getMethod() + " " + getRequestURI() + "\n").getBytes(StandardCharsets.UTF_8));
    sum.update(body);
    return sum.getValue();
  }

  @Override
  public ServletInputStream getInputStream() {
    ByteArrayInputStream bytes = new ByteArrayInputStream(body);
    return new ServletInputStream() {
      @Override
      public int read() {
        return bytes.read();
      }

      @Override
      public int read(byte[] into, int from, int length) {
        return bytes.read(into, from, length);
      }

      @Override
      public boolean isFinished() {
        return bytes.available() == 0;
      }

      @Override
      public boolean isReady() {
        return true;
      }

      @Override
      public void setReadListener(ReadListener listener) {
        throw new IllegalStateException("the body is there already");
      }
    };
  }

  @Override
  public BufferedReader getReader() {
    return new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
  }
}
