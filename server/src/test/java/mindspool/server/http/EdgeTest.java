package mindspool.server.http;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import java.util.zip.GZIPOutputStream;
import mindspool.server.support.Api.Answer;
import mindspool.server.support.ServerTest;
import org.junit.jupiter.api.Test;

/** What guards the edge: headers, other sites, page addresses, size of the first load. */
class EdgeTest extends ServerTest {

  private static final int MOST_SCRIPT_BYTES = 250_000;

  @Test
  void answersCarryAPolicyWithoutInlineScripts() {
    var headers = api.get("/shelf").raw().headers();
    String policy = headers.firstValue("Content-Security-Policy").orElseThrow();
    assertThat(policy).contains("script-src 'self';").doesNotContain("unsafe-eval");
    assertThat(policy.replace("style-src-attr 'unsafe-inline'", "")).doesNotContain("unsafe");
    assertThat(headers.firstValue("X-Content-Type-Options")).contains("nosniff");
    assertThat(headers.firstValue("X-Frame-Options")).contains("DENY");
    assertThat(headers.firstValue("Referrer-Policy")).contains("no-referrer");
  }

  @Test
  void otherSitesCannotChangeAnything() {
    Answer foreign =
        api.send(
            HttpRequest.newBuilder(URI.create(api.address("/api/places")))
                .header("Content-Type", "application/json")
                .header("Origin", "https://elsewhere.example")
                .POST(
                    HttpRequest.BodyPublishers.ofString(
                        "{\"name\": \"planted\", \"kind\": \"GASKET_BOX\"}")));
    assertThat(foreign.status()).isEqualTo(403);
    assertThat(api.get("/api/places").raw().body()).doesNotContain("planted");
  }

  /** The same name and port by another scheme is another origin (RFC 6454, section 4). */
  @Test
  void anotherSchemeIsAnotherOrigin() {
    URI places = URI.create(api.address("/api/places"));
    for (String scheme : new String[] {"http", "https"}) {
      Answer answer =
          api.send(
              HttpRequest.newBuilder(places)
                  .header("Content-Type", "application/json")
                  .header("Origin", scheme + "://" + places.getAuthority())
                  .POST(
                      HttpRequest.BodyPublishers.ofString(
                          "{\"name\": \"by %s\", \"kind\": \"ROOM\"}".formatted(scheme))));
      assertThat(answer.status()).as(scheme).isEqualTo(scheme.equals("http") ? 201 : 403);
    }
  }

  /** A name of another site that was made to point at this machine. */
  @Test
  void reboundNamesAreRefused() throws IOException {
    URI address = URI.create(api.address("/api/places"));
    try (Socket socket = new Socket(address.getHost(), address.getPort())) {
      socket
          .getOutputStream()
          .write(
              "GET /api/places HTTP/1.1\r\nHost: evil.example\r\nConnection: close\r\n\r\n"
                  .getBytes(StandardCharsets.US_ASCII));
      String answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
      assertThat(answer).startsWith("HTTP/1.1 403").contains("by the address that it printed");
    }
  }

  @Test
  void reelsAndTheirSizesAreKnown() {
    var reels = api.get("/api/reels").body();
    assertThat(reels.get("kinds").valueStream().map(kind -> kind.get("id").asString()))
        .contains(
            "cardboard",
            "plastic",
            "polystyrene",
            "ABS",
            "PC",
            "metal",
            "printed PLA",
            "printed PETG",
            "refill");
    for (var kind : reels.get("kinds")) {
      assertThat(kind.get("emptyMassG").size()).isEqualTo(reels.get("sizes").size());
    }
  }

  @Test
  void addressesOfTheFrontEndOpenIt() {
    for (String path :
        new String[] {"/", "/shelf", "/spool/K7F4", "/dry/K7F4", "/place/1", "/list"}) {
      Answer page = api.get(path);
      assertThat(page.status()).as(path).isEqualTo(200);
      assertThat(page.raw().body()).contains("<div id=\"app\">");
    }
    assertThat(api.get("/api/nothing").status()).isEqualTo(404);
    assertThat(api.get("/assets/nothing.js").status()).isEqualTo(404);
  }

  @Test
  void theFirstLoadIsSmallAndWithoutCharts() throws IOException {
    String page = api.get("/shelf").raw().body();
    assertThat(page).doesNotContainPattern("<script(?![^>]*src=)");
    var references = Pattern.compile("(?:src|href)=\"(/assets/[^\"]+\\.js)\"").matcher(page);
    int bytes = 0;
    int files = 0;
    while (references.find()) {
      String script = api.get(references.group(1)).raw().body();
      assertThat(script).as(references.group(1)).doesNotContain("zrender");
      bytes += gzipped(script);
      files++;
    }
    assertThat(files).isPositive();
    assertThat(bytes).isLessThan(MOST_SCRIPT_BYTES);
  }

  private static int gzipped(String text) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (GZIPOutputStream gzip = new GZIPOutputStream(bytes)) {
      gzip.write(text.getBytes(StandardCharsets.UTF_8));
    }
    return bytes.size();
  }

  /** Whatever cannot be read is the sender's fault and is answered in words, not by a fault. */
  @Test
  void whatCannotBeReadIsSaidInWords() throws IOException {
    for (String address : new String[] {"/api/acts?person=%ff", "/api/acts?%zz=1", "/api;x=%zz"}) {
      assertThat(raw("GET " + address + " HTTP/1.1")).as(address).startsWith("HTTP/1.1 400 ");
    }
    Answer form =
        api.send(
            HttpRequest.newBuilder(URI.create(api.address("/api/own-limits")))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .PUT(HttpRequest.BodyPublishers.ofString("a=%zz")));
    assertThat(form.status()).isEqualTo(415);
    Answer deep = api.post("/api/jobs", "[".repeat(100_000));
    assertThat(deep.status()).isEqualTo(400);
    Answer digits = api.post("/api/jobs", "{\"grams\": " + "9".repeat(100_000) + "}");
    assertThat(digits.status()).isEqualTo(400);
    assertThat(digits.raw().body()).contains("longer numbers");
  }

  /** What a client of the language itself would not send. */
  private String raw(String requestLine) throws IOException {
    try (Socket socket = new Socket("127.0.0.1", port)) {
      socket
          .getOutputStream()
          .write(
              (requestLine + "\r\nHost: 127.0.0.1:" + port + "\r\nConnection: close\r\n\r\n")
                  .getBytes(StandardCharsets.ISO_8859_1));
      return new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    }
  }
}
