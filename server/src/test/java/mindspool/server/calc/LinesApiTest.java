package mindspool.server.calc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;
import mindspool.server.support.Api;
import mindspool.server.support.ServerTest;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Photographs and profiles of walls over HTTP. */
class LinesApiTest extends ServerTest {

  private static final String MARKS =
      "?bottomX=150&bottomY=780&topX=150&topY=20&heightMm=38&secondBottomX=150&secondBottomY=780"
          + "&secondTopX=150&secondTopY=20&secondHeightMm=38&layerHeightMm=0.2&screwLeadMm=8"
          + "&screwPitchMm=2";

  /** A wall of 0.05 mm a pixel with lines at a spacing, and irregular ones. */
  private static byte[] photograph(double spacingMm, long lines, long noise, int light)
      throws IOException {
    Random where = new Random(lines);
    double[] deep = new double[800];
    for (int i = 0; i < 25; i++) {
      int at = 30 + where.nextInt(740);
      for (int k = 0; k < 4; k++) {
        deep[at + k] = 15 + 20 * where.nextDouble();
      }
    }
    Random random = new Random(noise);
    BufferedImage image = new BufferedImage(300, 800, BufferedImage.TYPE_INT_RGB);
    for (int y = 0; y < 800; y++) {
      double wave = 12 * Math.sin(2 * Math.PI * 0.05 * (780 - y) / spacingMm);
      for (int x = 0; x < 300; x++) {
        double value = light + wave - deep[y] + 4 * random.nextGaussian() + x / 10.0;
        int grey = (int) Math.max(0, Math.min(255, value));
        image.setRGB(x, y, new Color(grey, grey, grey).getRGB());
      }
    }
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    ImageIO.write(image, "png", bytes);
    return bytes.toByteArray();
  }

  private Api.Answer two(String query, byte[] first, byte[] second) {
    return api.uploadTwo("/api/calc/lines" + query, first, second);
  }

  @Test
  void twoWallsOfTheSameLinesAreTheSameAndTheirSpacingIsTheScrews() throws IOException {
    Api.Answer answer = two(MARKS, photograph(2, 7, 1, 120), photograph(2, 7, 2, 120));
    assertThat(answer.status()).as(answer.raw().body()).isEqualTo(200);
    JsonNode lines = answer.body();
    assertThat(lines.at("/comparison/verdict").asString()).isEqualTo("SAME");
    assertThat(lines.at("/first/spacings/0/mm").asDouble()).isCloseTo(2, within(0.06));
    assertThat(lines.at("/first/spacings/0/match").asString()).isEqualTo("thread of the screw");
    assertThat(lines.at("/first/caution").isNull()).isTrue();
    assertThat(lines.at("/first/brightness").size()).isBetween(300, 600);
  }

  @Test
  void wallsOfOtherLinesAreNotTheSameAndPaleOnesAreWarnedOf() throws IOException {
    JsonNode lines = two(MARKS, photograph(2, 7, 1, 225), photograph(3.3, 9, 2, 120)).body();
    assertThat(lines.at("/comparison/verdict").asString()).isNotEqualTo("SAME");
    assertThat(lines.at("/first/caution").asString()).contains("pale");
    assertThat(lines.at("/second/spacings/0/mm").asDouble()).isCloseTo(3.3, within(0.1));
  }

  @Test
  void aProfileAloneIsEnough() {
    String profile =
        IntStream.range(0, 500)
            .mapToObj(i -> String.valueOf(100 + 5 * Math.sin(i / 5.0) + i % 7))
            .collect(Collectors.joining("\n"));
    Api.Answer answer =
        api.upload(
            "/api/calc/lines?heightMm=50",
            "wall.txt",
            profile.getBytes(StandardCharsets.UTF_8),
            "UTC");
    assertThat(answer.status()).as(answer.raw().body()).isEqualTo(200);
    assertThat(answer.body().get("comparison").isNull()).isTrue();
    assertThat(answer.body().at("/first/spacings").toString()).isNotEqualTo("[]");
  }

  @Test
  void whatIsNoWallIsRefusedByName() throws IOException {
    byte[] wall = photograph(2, 1, 1, 120);
    assertThat(two("?heightMm=0&bottomX=1&bottomY=700&topX=1&topY=1", wall, wall).field())
        .isEqualTo("heightMm");
    assertThat(two("?heightMm=40", wall, wall).field()).isEqualTo("bottomX");
    assertThat(two("?heightMm=40&bottomX=1&bottomY=7000&topX=1&topY=1", wall, wall).field())
        .isEqualTo("bottomY");
    assertThat(two(MARKS.replace("screwLeadMm=8", "screwLeadMm=-3"), wall, wall).field())
        .isEqualTo("screwLeadMm");
    Api.Answer worded = two("?heightMm=tall", wall, wall);
    assertThat(worded.status()).isEqualTo(400);
    assertThat(worded.field()).isEqualTo("heightMm");
    byte[] letter = "dear friend".getBytes(StandardCharsets.UTF_8);
    assertThat(two(MARKS, letter, wall).field()).isEqualTo("file");
    byte[] broken = "1\n2\nthree".getBytes(StandardCharsets.UTF_8);
    assertThat(two(MARKS, broken, wall).raw().body()).contains("line 3");
    assertThat(two(MARKS, new byte[0], wall).status()).isBetween(400, 422);
    byte[] animated = "GIF89a and so on".getBytes(StandardCharsets.UTF_8);
    assertThat(two(MARKS, animated, wall).field()).isEqualTo("file");
  }
}
