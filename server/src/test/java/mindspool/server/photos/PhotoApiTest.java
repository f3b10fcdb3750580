package mindspool.server.photos;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.zip.CRC32;
import java.util.zip.DeflaterOutputStream;
import javax.imageio.ImageIO;
import mindspool.server.support.Api;
import mindspool.server.support.PrintingTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;

/** Photographs of prints: what is kept of a file, and what is refused. */
class PhotoApiTest extends PrintingTest {

  private static final String PLACE_IN_FILE = "52,31.2N,13,24.6E";

  @Value("${local.server.port}")
  private int port;

  @Autowired private PhotoTrash trash;
  @Autowired private JdbcTemplate jdbc;

  private Api.Answer send(String name, byte[] file) {
    return api.upload("/api/photo-files", name, file, "UTC");
  }

  private long aPrint() {
    long job = job(spool("PLA"));
    setUp(job, "");
    return started(job).get("id").asLong();
  }

  private byte[] fetched(String path) throws IOException, InterruptedException {
    HttpResponse<byte[]> answer =
        HttpClient.newHttpClient()
            .send(
                HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path)).build(),
                BodyHandlers.ofByteArray());
    assertThat(answer.statusCode()).isEqualTo(200);
    assertThat(answer.headers().firstValue("Content-Type")).contains("image/jpeg");
    return answer.body();
  }

  /** Lying on its side: its left half is red, its right half blue. */
  private static BufferedImage redAndBlue(int width, int height) {
    BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    Graphics2D drawing = image.createGraphics();
    drawing.setColor(Color.RED);
    drawing.fillRect(0, 0, width / 2, height);
    drawing.setColor(Color.BLUE);
    drawing.fillRect(width / 2, 0, width - width / 2, height);
    drawing.dispose();
    return image;
  }

  private static byte[] written(BufferedImage image, String format) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    ImageIO.write(image, format, bytes);
    return bytes.toByteArray();
  }

  /** A JPEG as a phone writes it: turned by 90° by a word in its file, with a place beside. */
  private static byte[] fromPhone(BufferedImage image) throws IOException {
    byte[] words = PLACE_IN_FILE.getBytes(StandardCharsets.US_ASCII);
    ByteBuffer exif = ByteBuffer.allocate(6 + 8 + 2 + 2 * 12 + 4 + words.length);
    exif.put("Exif\0\0".getBytes(StandardCharsets.US_ASCII)).order(ByteOrder.LITTLE_ENDIAN);
    exif.put((byte) 'I').put((byte) 'I').putShort((short) 42).putInt(8).putShort((short) 2);
    exif.putShort((short) 0x112).putShort((short) 3).putInt(1).putInt(6);
    exif.putShort((short) 0x10e).putShort((short) 2).putInt(words.length).putInt(38);
    exif.putInt(0).put(words);
    byte[] plain = written(image, "jpg");
    ByteBuffer file = ByteBuffer.allocate(plain.length + 4 + exif.capacity());
    file.put(plain, 0, 2).put((byte) 0xff).put((byte) 0xe1);
    file.putShort((short) (exif.capacity() + 2)).put(exif.array());
    file.put(plain, 2, plain.length - 2);
    return file.array();
  }

  @Test
  void isTurnedUprightScaledAndWithoutWhatTheCameraWrote() throws Exception {
    long run = aPrint();
    Api.Answer read = send("shelf.jpg", fromPhone(redAndBlue(2400, 1800)));
    assertThat(read.status()).as(read.raw().body()).isEqualTo(200);
    assertThat(read.body().get("widthPx").asInt()).isEqualTo(1200);
    assertThat(read.body().get("heightPx").asInt()).isEqualTo(1600);
    Api.Answer kept =
        api.post(
            "/api/prints/" + run + "/photos",
            "{\"uploadId\": \"%s\"}".formatted(read.body().get("uploadId").asString()));
    assertThat(kept.status()).as(kept.raw().body()).isEqualTo(201);
    long photo = kept.body().at("/photos/0/id").asLong();

    byte[] large = fetched("/api/photos/" + photo);
    assertThat(new String(large, StandardCharsets.ISO_8859_1))
        .doesNotContain(PLACE_IN_FILE)
        .doesNotContain("Exif");
    BufferedImage upright = ImageIO.read(new ByteArrayInputStream(large));
    assertThat(new Color(upright.getRGB(600, 200)).getRed()).isGreaterThan(200);
    assertThat(new Color(upright.getRGB(600, 1400)).getBlue()).isGreaterThan(200);
    BufferedImage small =
        ImageIO.read(new ByteArrayInputStream(fetched("/api/photos/" + photo + "/small")));
    assertThat(small.getHeight()).isEqualTo(240);

    Api.Answer removed = api.delete("/api/photos/" + photo);
    assertThat(removed.status()).isEqualTo(204);
    assertThat(api.get("/api/photos/" + photo + "/small").status()).isEqualTo(404);
    assertThat(api.get("/api/prints/" + run).body().get("photos")).isEmpty();
    assertThat(api.undo(removed.act()).status()).isEqualTo(200);
    assertThat(api.get("/api/prints/" + run).body().get("photos")).hasSize(1);
  }

  /** For a month an undo brings it back; then its pixels are gone, and the undo says so. */
  @Test
  void whatWasTakenAwayALongTimeAgoIsDeleted() throws Exception {
    long run = aPrint();
    String upload =
        send("shelf.jpg", fromPhone(redAndBlue(40, 30))).body().get("uploadId").asString();
    Api.Answer kept =
        api.post("/api/prints/" + run + "/photos", "{\"uploadId\": \"%s\"}".formatted(upload));
    long photo = kept.body().at("/photos/0/id").asLong();
    long before = photographs();
    Api.Answer removed = api.delete("/api/photos/" + photo);
    trash.empty();
    assertThat(photographs()).as("it can still be brought back").isEqualTo(before);
    long monthAgoS = Instant.now().minus(31, ChronoUnit.DAYS).getEpochSecond();
    jdbc.update("update photo set removed_s = ? where id = ?", monthAgoS, photo);
    trash.empty();
    assertThat(photographs()).isEqualTo(before - 1);
    Api.Answer undone = api.undo(removed.act());
    assertThat(undone.status()).isEqualTo(422);
    assertThat(undone.raw().body()).contains("deleted since", "30 days");
  }

  private long photographs() {
    for (JsonNode use : api.get("/api/space").body().get("uses")) {
      if (use.get("id").asString().equals("photographs")) {
        return use.get("count").asLong();
      }
    }
    throw new AssertionError("photographs take no space");
  }

  @Test
  void refusesWhatIsNoPhotographByNameWithAdvice() throws Exception {
    byte[] whole = written(redAndBlue(400, 300), "jpg");
    refused("notes.jpg", "not a picture at all".getBytes(StandardCharsets.UTF_8), "notes.jpg");
    refused("empty.jpg", new byte[0], "empty.jpg");
    refused("moving.gif", written(redAndBlue(40, 30), "gif"), "moving.gif");
    refused("header.jpg", Arrays.copyOf(whole, 40), "header.jpg");
    refused("huge.png", pngOf(20_000, 20_000), "20000 × 20000");
    Api.Answer unknown =
        api.post("/api/prints/" + aPrint() + "/photos", "{\"uploadId\": \"gone\"}");
    assertThat(unknown.status()).isEqualTo(404);
  }

  private void refused(String name, byte[] file, String said) throws Exception {
    Api.Answer answer = send(name, file);
    assertThat(answer.status()).as(name + answer.raw().body()).isEqualTo(422);
    assertThat(answer.field()).isEqualTo("file");
    assertThat(answer.body().at("/errors/0/value").asString()).contains(said);
    assertThat(answer.body().at("/errors/0/allowed").asString()).contains("JPEG");
  }

  /** Only the header of a PNG, which says how large it is (ISO/IEC 15948). */
  private static byte[] pngOf(int width, int height) {
    ByteBuffer head = ByteBuffer.allocate(17);
    head.put("IHDR".getBytes(StandardCharsets.US_ASCII)).putInt(width).putInt(height);
    head.put(new byte[] {8, 2, 0, 0, 0});
    CRC32 sum = new CRC32();
    sum.update(head.array());
    ByteBuffer file = ByteBuffer.allocate(8 + 4 + 17 + 4);
    file.put(new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10}).putInt(13);
    return file.put(head.array()).putInt((int) sum.getValue()).array();
  }

  /** A text that unpacks to 2 GB, more than there is memory (PNG 1.2, zTXt in section 4.2.3). */
  @Test
  void aTextInAPngIsNotUnpacked() throws IOException {
    ByteArrayOutputStream png = new ByteArrayOutputStream();
    ImageIO.write(redAndBlue(40, 20), "png", png);
    byte[] plain = png.toByteArray();
    int afterHeader = 8 + 25;
    ByteArrayOutputStream packed = new ByteArrayOutputStream();
    packed.write("Comment\0\0".getBytes(StandardCharsets.ISO_8859_1));
    try (DeflaterOutputStream deflated = new DeflaterOutputStream(packed)) {
      byte[] block = new byte[1 << 20];
      for (int i = 0; i < 2048; i++) {
        deflated.write(block);
      }
    }
    ByteArrayOutputStream bomb = new ByteArrayOutputStream();
    bomb.write(plain, 0, afterHeader);
    bomb.write(chunk("zTXt", packed.toByteArray()));
    bomb.write(plain, afterHeader, plain.length - afterHeader);
    Api.Answer read = send("texts.png", bomb.toByteArray());
    assertThat(read.status()).as(read.raw().body()).isEqualTo(200);
  }

  private static byte[] chunk(String type, byte[] content) {
    byte[] name = type.getBytes(StandardCharsets.ISO_8859_1);
    CRC32 sum = new CRC32();
    sum.update(name);
    sum.update(content);
    return ByteBuffer.allocate(12 + content.length)
        .putInt(content.length)
        .put(name)
        .put(content)
        .putInt((int) sum.getValue())
        .array();
  }
}
