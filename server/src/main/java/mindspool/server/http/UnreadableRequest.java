package mindspool.server.http;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.Writer;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ErrorReportValve;
import org.apache.coyote.AbstractProtocol;

/**
 * What the web server itself answers to a request that it cannot even hand on, such as one with a
 * NUL in its address, or one on a connection that was kept open when the program is told to stop:
 * in the same form as all other problems, and without telling what it runs on. Made by the web
 * server by its class name, hence public.
 */
public class UnreadableRequest extends ErrorReportValve {

  /** A problem for an address that no page has. */
  private static final String ADDRESS =
      "{\"title\":\"The request cannot be read\",\"status\":%d,\"detail\":\"The address or a header"
          + " holds what none may hold.\",\"errors\":[{\"field\":\"address\",\"value\":\"unusable\","
          + "\"allowed\":\"an address as in the API document\",\"advice\":\"Check how it is put"
          + " together.\"}]}";

  private static final String STOPPING =
      "{\"title\":\"Mind Spool is being stopped\",\"status\":503,\"detail\":\"Mind Spool is being"
          + " stopped; nothing of this request was done. Ask again once it runs.\",\"errors\":[]}";

  /** Answers that an address cannot be read, where there is no page yet that could. */
  static void refuseAddress(HttpServletResponse response) throws IOException {
    response.setStatus(HttpServletResponse.SC_BAD_REQUEST);
    response.setContentType("application/problem+json");
    response.setCharacterEncoding("UTF-8");
    response.getWriter().write(ADDRESS.formatted(HttpServletResponse.SC_BAD_REQUEST));
  }

  @Override
  protected void report(Request request, Response response, Throwable thrown) {
    // The web server would say that the request is faulty: once it stops it reads no headers.
    boolean stopping =
        request.getConnector().getProtocolHandler() instanceof AbstractProtocol<?> protocol
            && protocol.isPaused()
            && request.getCoyoteRequest().getMimeHeaders().size() == 0;
    if (stopping) {
      response.setStatus(HttpServletResponse.SC_SERVICE_UNAVAILABLE);
    }
    int status = response.getStatus();
    if (status < 400 || response.getContentWritten() > 0 || !response.setErrorReported()) {
      return;
    }
    try {
      response.setContentType("application/problem+json");
      response.setCharacterEncoding("UTF-8");
      Writer writer = response.getReporter();
      if (writer != null) {
        writer.write(stopping ? STOPPING : ADDRESS.formatted(status));
        response.finishResponse();
      }
    } catch (IOException | IllegalStateException e) {
      // The connection is gone; there is nobody to tell.
    }
  }
}
