package mindspool.server.receiving;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.awt.image.BufferedImage;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.List;
import mindspool.server.support.Api.Answer;
import mindspool.server.support.ServerTest;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class ReceiveApiTest extends ServerTest {

  private static int count;
  private long place;

  @BeforeEach
  void addShelf() {
    place = addPlace("shelf of receipts " + count++, "OPEN_SHELF");
  }

  private String common(String maker, String more) {
    return """
    {"material": "PETG", "colourName": "sky", "colourHex": "#3366aa", "placeId": %d,
     "lot": {"maker": "%s", "batch": "K7", "price": 24.5, "currency": "eur"} %s}
    """
        .formatted(place, maker, more);
  }

  private List<String> deliver(String maker, String reels) {
    Answer answer =
        api.post(
            "/api/deliveries",
            "{\"common\": %s, \"reels\": [%s]}".formatted(common(maker, ""), reels));
    assertThat(answer.status()).as(answer.raw().body()).isEqualTo(201);
    return answer.body().get("codes").valueStream().map(JsonNode::asString).toList();
  }

  private JsonNode page(String code) {
    return api.get("/api/spools/" + code).body();
  }

  private JsonNode lot(String maker) {
    return api.get("/api/lots")
        .body()
        .valueStream()
        .filter(lot -> lot.get("maker").asString().equals(maker))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void aDeliveryIsOneLotOfSeveralReels() {
    List<String> codes =
        deliver("Marsh", "{\"grossMassG\": 1210}, {\"grossMassG\": 1220, \"endSecured\": false}");
    assertThat(codes).hasSize(2).doesNotHaveDuplicates();
    assertThat(page(codes.get(0)).at("/spool/end").asString()).isEqualTo("SECURED");
    assertThat(page(codes.get(1)).at("/spool/end").asString()).isEqualTo("SUSPECT");
    JsonNode lot = lot("Marsh");
    assertThat(lot.get("spools")).hasSize(2);
    assertThat(lot.get("pricePerKg").asDouble()).isEqualTo(24.5);
    assertThat(lot.get("currency").asString()).isEqualTo("EUR");
    assertThat(lot.get("failures").isNull()).as("no station counts them yet").isTrue();
    assertThat(deliver("Marsh", "{}")).hasSize(1);
    assertThat(lot("Marsh").get("spools")).hasSize(3);
  }

  @Test
  void aDeliveryIsTakenWholeOrNotAtAll() {
    int before = api.get("/api/shelf").body().get("spools").size();
    Answer bad =
        api.post(
            "/api/deliveries",
            "{\"common\": %s, \"reels\": [{\"grossMassG\": 1210}, {\"grossMassG\": 20}]}"
                .formatted(common("Fen", "")));
    assertThat(bad.status()).isEqualTo(422);
    assertThat(bad.field()).isEqualTo("reels[1].grossMassG");
    assertThat(api.get("/api/shelf").body().get("spools").size()).isEqualTo(before);
  }

  @Test
  void answersHaveConsequencesAtOnce() {
    JsonNode preview =
        api.post(
                "/api/spools/preview",
                common(
                    "Moor",
                    ", \"check\": {\"desiccantPresent\": false, \"endSecured\": false,"
                        + " \"diameterPointsMm\": [1.79, 1.80, 1.81], \"heatSuspected\": true}"))
            .body();
    assertThat(preview.get("consequences")).hasSize(4);
    assertThat(preview.get("consequences").toString()).contains("94.5 %").contains("two turns");
    Answer wrong =
        api.post(
            "/api/spools/preview",
            common("Moor", ", \"check\": {\"diameterPointsMm\": [1.75, 17.5]}"));
    assertThat(wrong.field()).isEqualTo("diameterPointsMm");
  }

  @Test
  void anEmptiedReelTellsItsSiblings() {
    List<String> codes = deliver("Dyke", "{\"grossMassG\": 1200}, {\"grossMassG\": 1150}");
    JsonNode before = page(codes.get(1)).at("/spool/remainingG");
    assertThat(before.get("high").asDouble() - before.get("low").asDouble()).isGreaterThan(100);
    Answer emptied =
        api.post("/api/spools/" + codes.get(0) + "/emptyings", "{\"emptyReelG\": 192}");
    assertThat(emptied.status()).isEqualTo(201);
    JsonNode after = page(codes.get(1)).at("/spool/remainingG");
    assertThat(after.get("typical").asDouble()).isCloseTo(1150 - 192, within(0.01));
    assertThat(after.get("high").asDouble() - after.get("low").asDouble()).isLessThan(10);
    assertThat(api.get("/api/shelf").body().toString()).doesNotContain(codes.get(0));
    assertThat(page(codes.get(0)).at("/spool/empty").asBoolean()).isTrue();
    assertThat(
            api.post("/api/spools/preview", common("Dyke", ", \"grossMassG\": 1192"))
                .body()
                .get("siblingEmptyReelG")
                .asDouble())
        .isEqualTo(192);
    api.undo(emptied.act());
    assertThat(page(codes.get(1)).at("/spool/remainingG")).isEqualTo(before);
  }

  @Test
  void theLooseEndAllowsOnlyWhatIsPossible() {
    String code = deliver("Lock", "{\"grossMassG\": 1215}").get(0);
    String end = "/api/spools/" + code + "/end";
    assertThat(api.post(end, "{\"act\": \"LOAD\"}").status()).isEqualTo(201);
    long elsewhere = addPlace("store for " + code, "OPEN_SHELF");
    Answer store = api.post("/api/spools/" + code + "/moves", "{\"placeId\": " + elsewhere + "}");
    assertThat(store.status()).isEqualTo(422);
    assertThat(store.detail()).contains("Unload it");
    assertThat(api.post(end, "{\"act\": \"SECURE\"}").status()).isEqualTo(422);
    api.post(end, "{\"act\": \"UNLOAD\"}");
    api.post(end, "{\"act\": \"DROP\"}");
    JsonNode page = page(code);
    assertThat(page.at("/spool/end").asString()).isEqualTo("SUSPECT");
    assertThat(page.get("endActs").toString()).contains("PULL_TEST_PASSED");
    api.post(end, "{\"act\": \"PULL_TEST_PASSED\"}");
    api.post(end, "{\"act\": \"SECURE\"}");
    assertThat(
            api.post("/api/spools/" + code + "/moves", "{\"placeId\": " + elsewhere + "}").status())
        .isEqualTo(201);
  }

  @Test
  void dustQuarantinesUntilItIsWiped() {
    String code = deliver("Weir", "{\"grossMassG\": 1215}").get(0);
    api.post("/api/spools/" + code + "/quarantine", "{}");
    assertThat(page(code).at("/spool/smallestNozzleMm").asDouble()).isEqualTo(0.6);
    JsonNode choice =
        api.get("/api/shelf/choice?material=PETG&grams=180")
            .body()
            .valueStream()
            .filter(each -> each.get("code").asString().equals(code))
            .findFirst()
            .orElseThrow();
    assertThat(choice.get("enough").asBoolean()).isTrue();
    assertThat(choice.get("ready").asBoolean()).isFalse();
    assertThat(choice.get("why").asString()).contains("0.6 mm nozzle");
    api.post("/api/spools/" + code + "/cleanings", "{}");
    assertThat(page(code).at("/spool/smallestNozzleMm").asDouble()).isZero();
    assertThat(
            api.post("/api/spools/" + code + "/quarantine", "{\"smallestNozzleMm\": 60}").field())
        .isEqualTo("smallestNozzleMm");
  }

  private HttpResponse<byte[]> labels(String query) throws Exception {
    return HttpClient.newHttpClient()
        .send(
            HttpRequest.newBuilder(URI.create(api.address("/api/labels.pdf?" + query))).build(),
            HttpResponse.BodyHandlers.ofByteArray());
  }

  /** Reads the code on a label of 70 by 37 mm in a picture of 200 dots per inch. */
  private static String read(BufferedImage page, double xMm, double yMm) throws Exception {
    double dotsPerMm = 200 / 25.4;
    int width = (int) (70 * dotsPerMm);
    int height = (int) (37 * dotsPerMm);
    int[] pixels =
        page.getRGB(
            (int) (xMm * dotsPerMm), (int) (yMm * dotsPerMm), width, height, null, 0, width);
    return new QRCodeReader()
        .decode(
            new BinaryBitmap(new HybridBinarizer(new RGBLuminanceSource(width, height, pixels))))
        .getText();
  }

  /** The codes are read back by a reader as a phone has it, and lead to the page. */
  @Test
  void labelsCarryCodesThatOpenTheirPages() throws Exception {
    List<String> codes = deliver("Mill", "{\"grossMassG\": 1215}, {\"grossMassG\": 1216}");
    HttpResponse<byte[]> response =
        labels("codes=" + String.join(",", codes) + "&sheet=A4_3X8&skip=2");
    assertThat(response.statusCode()).isEqualTo(200);
    try (PDDocument document = Loader.loadPDF(response.body())) {
      assertThat(document.getNumberOfPages()).isEqualTo(1);
      assertThat(document.getPage(0).getMediaBox().getWidth()).isCloseTo(595.3f, within(0.5f));
      String text = new PDFTextStripper().getText(document);
      assertThat(text).contains(codes).contains("PETG", "sky", "received");
      BufferedImage image = new PDFRenderer(document).renderImageWithDPI(0, 200);
      assertThat(read(image, 140, 0.5)).isEqualTo(api.address("/spool/" + codes.get(0)));
      assertThat(read(image, 0, 37.5)).isEqualTo(api.address("/spool/" + codes.get(1)));
    }
    try (PDDocument single =
        Loader.loadPDF(labels("codes=" + codes.get(0) + "&sheet=SINGLE_62X29").body())) {
      assertThat(single.getPage(0).getMediaBox().getHeight()).isCloseTo(82.2f, within(0.5f));
    }
  }

  @Test
  void labelsForNobodyAreRefused() throws Exception {
    String code = deliver("Sluice", "{\"grossMassG\": 1215}").get(0);
    long receipt = page(code).at("/facts/0/actId").asLong();
    api.undo(receipt);
    HttpResponse<byte[]> gone = labels("codes=" + code);
    assertThat(gone.statusCode()).isEqualTo(422);
    assertThat(new String(gone.body())).contains(code).contains("taken out of stock");
    assertThat(new String(labels("codes=" + code + "&sheet=A0").body())).contains("A4_3X8");
  }
}
