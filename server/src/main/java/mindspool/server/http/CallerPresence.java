package mindspool.server.http;

import jakarta.servlet.ServletException;
import java.io.IOException;
import java.util.function.BooleanSupplier;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.core.StandardHost;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;

/**
 * Lets a long computation find out whether whoever asked has closed the connection. The servlet API
 * tells only on writing; the web server below it can look whether there is anything to read, which
 * there is when the connection has ended.
 */
@Component
class CallerPresence implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {

  @Override
  public void customize(TomcatServletWebServerFactory factory) {
    factory.addEngineValves(new Looking());
    factory.addContextCustomizers(
        context ->
            ((StandardHost) context.getParent())
                .setErrorReportValveClass(UnreadableRequest.class.getName()));
  }

  private static final class Looking extends ValveBase {

    Looking() {
      super(true);
    }

    @Override
    public void invoke(Request request, Response response) throws IOException, ServletException {
      BooleanSupplier gone = () -> isGone(request.getCoyoteRequest());
      request.setAttribute(HeavyWork.Callers.GONE, gone);
      getNext().invoke(request, response);
    }

    /** Asked once the body was read; who sends more before the answer does not wait for it. */
    private static boolean isGone(org.apache.coyote.Request request) {
      request.action(ActionCode.AVAILABLE, Boolean.TRUE);
      return request.getAvailable() > 0;
    }
  }
}
