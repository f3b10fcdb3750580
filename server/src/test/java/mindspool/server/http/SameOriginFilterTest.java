package mindspool.server.http;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.servlet.ServletException;
import java.io.IOException;
import java.net.NetworkInterface;
import java.net.SocketException;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockFilterChain;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;

class SameOriginFilterTest {

  private static int asked(SameOriginFilter filter, String host)
      throws ServletException, IOException {
    MockHttpServletRequest request = new MockHttpServletRequest("GET", "/api/acts");
    request.setServerName(host);
    MockHttpServletResponse answer = new MockHttpServletResponse();
    filter.doFilter(request, answer, new MockFilterChain());
    return answer.getStatus();
  }

  private static List<String> addresses() throws SocketException {
    return NetworkInterface.networkInterfaces()
        .flatMap(NetworkInterface::inetAddresses)
        .map(address -> address.getHostAddress().replaceAll("%.*", ""))
        .toList();
  }

  @Test
  void inANetworkOnlyTheNameAndTheMachinesAddressesAreAnswered()
      throws ServletException, IOException {
    SameOriginFilter filter = new SameOriginFilter("0.0.0.0", "http://bench.local:8080");
    assertThat(asked(filter, "bench.local")).isEqualTo(200);
    assertThat(asked(filter, "Bench.Local")).isEqualTo(200);
    assertThat(asked(filter, "127.0.0.1")).isEqualTo(200);
    assertThat(addresses()).isNotEmpty();
    for (String address : addresses()) {
      assertThat(asked(filter, address)).as(address).isEqualTo(200);
    }
    // Documentation addresses of RFC 5737 and 3849 belong to no machine.
    for (String other : List.of("rebound.example", "192.0.2.7", "2001:db8::7", "bench.local.x")) {
      assertThat(asked(filter, other)).as(other).isEqualTo(403);
    }
  }

  @Test
  void onLoopbackNoNameButItsOwnIsAnswered() throws ServletException, IOException {
    SameOriginFilter filter = new SameOriginFilter("127.0.0.1", "");
    assertThat(asked(filter, "localhost")).isEqualTo(200);
    assertThat(asked(filter, "bench.local")).isEqualTo(403);
  }
}
