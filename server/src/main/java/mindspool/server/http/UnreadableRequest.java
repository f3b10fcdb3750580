package mindspool.server.http;

import java.io.IOException;
import java.io.Writer;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ErrorReportValve;

/**
 * What the web server itself answers to a request that it cannot even hand on, such as one with a
 * NUL in its address: in the same form as all other problems, and without telling what it runs on.
 * Made by the web server by its class name, hence public.
 */
public class UnreadableRequest extends ErrorReportValve {

  /** A problem for an address that no page has. */
  static final String ADDRESS =
      "{\"title\":\"The request cannot be read\",\"status\":%d,\"detail\":\"The address or a header"
          + " holds what none may hold.\",\"errors\":[{\"field\":\"address\",\"value\":\"unusable\","
          + "\"allowed\":\"an address as in the API document\",\"advice\":\"Check how it is put"
          + " together.\"}]}";

  @Override
  protected void report(Request request, Response response, Throwable thrown) {
    int status = response.getStatus();
    if (status < 400 || response.getContentWritten() > 0 || !response.setErrorReported()) {
      return;
    }
    try {
      response.setContentType("application/problem+json");
      response.setCharacterEncoding("UTF-8");
      Writer writer = response.getReporter();
      if (writer != null) {
        writer.write(ADDRESS.formatted(status));
        response.finishResponse();
      }
    } catch (IOException | IllegalStateException e) {
      // The connection is gone; there is nobody to tell.
    }
  }
}
