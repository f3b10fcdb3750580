package mindspool.server.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Locale;
import java.util.stream.Stream;
import mindspool.server.support.Api;
import mindspool.server.support.PrintingTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Value;
import tools.jackson.databind.JsonNode;

/** Files of parts over HTTP: measured, refused, kept with a job, held against its sheet. */
class PartApiTest extends PrintingTest {

  /** A box of 60 by 40 by 20 mm as binary STL, corners against the clock from outside. */
  private static byte[] box() {
    int[][] sides = {
      {0, 2, 1}, {0, 3, 2}, {4, 5, 6}, {4, 6, 7}, {0, 1, 5}, {0, 5, 4}, {1, 2, 6}, {1, 6, 5},
      {2, 3, 7}, {2, 7, 6}, {3, 0, 4}, {3, 4, 7}
    };
    float[][] corners = {
      {0, 0, 0},
      {60, 0, 0},
      {60, 40, 0},
      {0, 40, 0},
      {0, 0, 20},
      {60, 0, 20},
      {60, 40, 20},
      {0, 40, 20}
    };
    ByteBuffer file = ByteBuffer.allocate(84 + 50 * 12).order(ByteOrder.LITTLE_ENDIAN);
    file.position(80);
    file.putInt(12);
    for (int[] side : sides) {
      file.putFloat(0).putFloat(0).putFloat(0);
      for (int corner : side) {
        for (float number : corners[corner]) {
          file.putFloat(number);
        }
      }
      file.putShort((short) 0);
    }
    return file.array();
  }

  /** A square tube of 30 layers; its upper half flows far too fast. */
  private static byte[] printFile() {
    StringBuilder text = new StringBuilder("M140 S60\nM104 S205\nM106 S255\nM83\nM204 P20000\n");
    for (int layer = 0; layer < 30; layer++) {
      text.append(String.format(Locale.ROOT, "G1 Z%.1f F600\n", 0.2 * (layer + 1)));
      int feed = layer < 15 ? 1800 : 30_000;
      for (int line = 0; line < 40; line++) {
        text.append(
            String.format(
                Locale.ROOT, "G1 X%d Y%.2f E2.24 F%d\n", line % 2 == 0 ? 60 : 0, 0.5 * line, feed));
      }
    }
    return text.toString().getBytes(StandardCharsets.US_ASCII);
  }

  private Api.Answer calc(String name, byte[] file) {
    return api.upload("/api/calc/part", name, file, "UTC");
  }

  @Test
  void theCalculatorMeasuresAMesh() {
    Api.Answer answer = calc("box.stl", box());
    assertThat(answer.status()).as(answer.raw().body()).isEqualTo(200);
    JsonNode part = answer.body();
    assertThat(part.get("kind").asString()).isEqualTo("stl");
    assertThat(part.at("/boundsMm/x").asDouble()).isEqualTo(60);
    assertThat(part.at("/boundsMm/z").asDouble()).isEqualTo(20);
    assertThat(part.get("volumeCm3").asDouble()).isCloseTo(48, within(1e-9));
    assertThat(part.at("/footprint/areaMm2").asDouble()).isCloseTo(2400, within(1e-6));
    assertThat(part.at("/footprint/longestSpanMm").asDouble())
        .isCloseTo(Math.hypot(60, 40), within(1e-9));
    assertThat(part.at("/footprint/corners").size()).isEqualTo(4);
    assertThat(part.at("/footprint/outline/0/points").size()).isEqualTo(4);
    assertThat(part.get("thinBase").asBoolean()).isFalse();
    assertThat(part.get("slenderness").asDouble()).isCloseTo(0.5, within(0.01));
    // Walls of 1.35 mm on 88 cm², a fifth of the rest, at PLA's density of the table.
    double filled = 8800 * 1.35 + 0.2 * (48_000 - 8800 * 1.35);
    assertThat(part.at("/massG/PLA").asDouble()).isCloseTo(filled / 1000 * 1.24, within(0.01));
    assertThat(part.get("layers")).isEmpty();
    assertThat(part.get("warnings")).isEmpty();
  }

  @Test
  void theCalculatorLaysAMeshAsAsked() {
    JsonNode stood = api.upload("/api/calc/part?downX=-2", "box.stl", box(), "UTC").body();
    assertThat(stood.at("/boundsMm/z").asDouble()).isCloseTo(60, within(1e-4));
    assertThat(stood.at("/footprint/areaMm2").asDouble()).isCloseTo(800, within(0.01));
    assertThat(stood.get("volumeCm3").asDouble()).isCloseTo(48, within(1e-4));
    assertThat(api.upload("/api/calc/part?downX=0", "box.stl", box(), "UTC").field())
        .isEqualTo("downZ");
  }

  @Test
  void theCalculatorFollowsAPrintFile() {
    JsonNode part = calc("tube.gcode", printFile()).body();
    assertThat(part.get("kind").asString()).isEqualTo("gcode");
    assertThat(part.get("layers").size()).isEqualTo(30);
    assertThat(part.get("filamentMm").asDouble()).isCloseTo(30 * 40 * 2.24, within(1e-6));
    assertThat(part.at("/temperatures/nozzleC").asDouble()).isEqualTo(205);
    assertThat(part.at("/fan/maxPercent").asDouble()).isCloseTo(100, within(0.01));
    assertThat(part.get("printTimeS").asDouble()).isGreaterThan(15 * 40 * 60 / 30.0);
    assertThat(part.get("maxFlowMm3PerS").asDouble())
        .isCloseTo(2.24 / 60 * Math.PI * 1.75 * 1.75 / 4 * 500, within(2.0));
  }

  @Test
  void aPartIsLaidOnAnotherSideAndBack() {
    long job = job(spool("PLA"));
    String upload =
        api.upload("/api/part-files", "box.stl", box(), "UTC").body().get("uploadId").asString();
    String path = "/api/jobs/" + job + "/part-file";
    api.post(path, "{\"uploadId\": \"%s\"}".formatted(upload));
    JsonNode sides = api.get(path + "/sides").body();
    assertThat(sides.size()).isEqualTo(6);
    assertThat(sides.at("/0/areaMm2").asDouble()).isCloseTo(2400, within(1e-6));
    assertThat(sides.at("/5/heightMm").asDouble()).isCloseTo(60, within(1e-6));
    assertThat(present(sides)).isEqualTo("0.0 0.0 -1.0");

    Api.Answer laid = api.put(path + "/laying", "{\"x\": 5, \"y\": 0, \"z\": 0}");
    assertThat(laid.status()).as(laid.raw().body()).isEqualTo(200);
    assertThat(laid.body().at("/part/boundsMm/z").asDouble()).isCloseTo(60, within(1e-4));
    assertThat(laid.body().at("/part/footprint/areaMm2").asDouble()).isCloseTo(800, within(0.01));
    assertThat(present(api.get(path + "/sides").body())).isEqualTo("1.0 0.0 0.0");
    assertThat(api.undo(laid.act()).status()).isEqualTo(200);
    assertThat(api.get(path).body().at("/part/boundsMm/z").asDouble()).isEqualTo(20);
    assertThat(present(api.get(path + "/sides").body())).isEqualTo("0.0 0.0 -1.0");

    assertThat(api.put(path + "/laying", "{\"x\": 0, \"y\": 0, \"z\": 0}").field()).isEqualTo("z");
    assertThat(api.put(path + "/laying", "{\"x\": 0, \"y\": 0}").field()).isEqualTo("z");
    assertThat(api.put(path + "/laying", "{\"x\": 1e9, \"y\": 0, \"z\": 1}").field())
        .isEqualTo("x");
    String tube =
        api.upload("/api/part-files", "tube.gcode", printFile(), "UTC")
            .body()
            .get("uploadId")
            .asString();
    api.post(path, "{\"uploadId\": \"%s\"}".formatted(tube));
    assertThat(api.get(path + "/sides").body()).isEmpty();
    assertThat(api.put(path + "/laying", "{\"x\": 1, \"y\": 0, \"z\": 0}").status()).isEqualTo(422);
  }

  private static String present(JsonNode sides) {
    for (JsonNode side : sides) {
      if (side.get("present").asBoolean()) {
        JsonNode down = side.get("down");
        return "%s %s %s"
            .formatted(
                Math.rint(down.get("x").asDouble()) + 0.0,
                Math.rint(down.get("y").asDouble()) + 0.0,
                Math.rint(down.get("z").asDouble()) + 0.0);
      }
    }
    return "none";
  }

  @Test
  void whatIsNoPartIsRefusedByField() {
    byte[] whole = box();
    assertThat(calc("box.stl", Arrays.copyOf(whole, 500)).field()).isEqualTo("file");
    assertThat(calc("x.3mf", new byte[] {80, 75, 3, 4, 0, 0, 1}).field()).isEqualTo("file");
    assertThat(calc("letter.gcode", "hello\n".getBytes(StandardCharsets.UTF_8)).status())
        .isEqualTo(422);
    assertThat(calc("empty.stl", new byte[0]).field()).isEqualTo("file");
    assertThat(api.post("/api/calc/part", "{}").status()).isBetween(400, 422);
  }

  @Test
  void aFileIsKeptWithItsJobHeldAgainstItsSheetAndFoundAgain() {
    String code = spool("PLA");
    long first = job(code);
    setUp(first, "");
    long second = job(code);
    Api.Answer read = api.upload("/api/part-files", "tube.gcode", printFile(), "UTC");
    assertThat(read.status()).as(read.raw().body()).isEqualTo(200);
    String body = "{\"uploadId\": \"%s\"}".formatted(read.body().get("uploadId").asString());
    assertThat(api.get("/api/jobs/" + first + "/part-file").status()).isEqualTo(404);
    Api.Answer kept = api.post("/api/jobs/" + first + "/part-file", body);
    assertThat(kept.status()).as(kept.raw().body()).isEqualTo(201);
    JsonNode view = kept.body();
    assertThat(view.get("layerChecks").size()).isEqualTo(30);
    assertThat(view.at("/layerChecks/20/flowShare").asDouble()).isGreaterThan(1);
    assertThat(view.at("/layerChecks/3/flowShare").asDouble()).isLessThan(1);
    assertThat(view.at("/layerChecks/3/moisturePercent").asDouble()).isPositive();
    assertThat(view.at("/findings").toString()).contains("melt too cold from layer 16");
    assertThat(api.get("/api/jobs/" + first + "/sheet").body().get("partFileId").isNull())
        .isFalse();

    JsonNode again = api.post("/api/jobs/" + second + "/part-file", body).body();
    assertThat(again.at("/sameFile/0/jobId").asLong()).isEqualTo(first);
    assertThat(again.at("/sameFile/0/outcome").isNull()).isTrue();
    assertThat(again.get("layerChecks").size()).as("by the size that it has itself").isEqualTo(30);

    Api.Answer box = api.upload("/api/part-files", "box.stl", box(), "UTC");
    JsonNode meshed =
        api.post(
                "/api/jobs/" + first + "/part-file",
                "{\"uploadId\": \"%s\"}".formatted(box.body().get("uploadId").asString()))
            .body();
    double kept0 =
        api.get("/api/jobs/" + first + "/sheet").body().at("/sheet/hold/adhesionRatio").asDouble();
    assertThat(meshed.get("cornerRatios").size()).isEqualTo(4);
    assertThat(meshed.at("/cornerRatios/0").asDouble())
        .as("a sharp right angle, as the sheet has")
        .isCloseTo(kept0, within(1e-6));
    api.post("/api/jobs/" + first + "/part-file", body);

    Api.Answer content = api.get("/api/jobs/" + first + "/part-file/content");
    assertThat(content.raw().body()).isEqualTo(new String(printFile(), StandardCharsets.UTF_8));
    assertThat(content.raw().headers().firstValue("Content-Disposition").orElse(""))
        .contains("tube.gcode");

    Api.Answer removed = api.delete("/api/jobs/" + first + "/part-file");
    assertThat(removed.status()).isEqualTo(204);
    assertThat(api.get("/api/jobs/" + first + "/part-file").status()).isEqualTo(404);
    assertThat(api.undo(removed.act()).status()).isEqualTo(200);
    assertThat(api.get("/api/jobs/" + first + "/part-file").status()).isEqualTo(200);
    assertThat(api.post("/api/jobs/" + first + "/part-file", "{\"uploadId\": \"gone\"}").status())
        .isEqualTo(404);
  }

  /** As after a backup was restored on another computer: it has no files of parts. */
  @Test
  void aFileThatIsNotHereIsSaidAndItsReadingStays(@Value("${mindspool.data-dir}") Path data)
      throws IOException {
    long job = job(spool("PLA"));
    setUp(job, "");
    Api.Answer read = api.upload("/api/part-files", "lost box.stl", box(), "UTC");
    String upload = read.body().get("uploadId").asString();
    String path = "/api/jobs/" + job + "/part-file";
    JsonNode kept = api.post(path, "{\"uploadId\": \"%s\"}".formatted(upload)).body();
    assertThat(kept.get("here").asBoolean()).isTrue();
    try (Stream<Path> files = Files.list(data.resolve("parts"))) {
      for (Path file : files.toList()) {
        Files.delete(file);
      }
    }
    JsonNode view = api.get(path).body();
    assertThat(view.get("here").asBoolean()).isFalse();
    assertThat(view.get("part")).isEqualTo(kept.get("part"));
    assertThat(api.get(path + "/content").detail()).contains("lost box.stl", "send the file again");
    Api.Answer again = api.upload("/api/part-files", "lost box.stl", box(), "UTC");
    api.post(path, "{\"uploadId\": \"%s\"}".formatted(again.body().get("uploadId").asString()));
    assertThat(api.get(path).body().get("here").asBoolean()).isTrue();
  }

  /** One amount on sheet, plan and run, whatever it comes from; undone, the one before. */
  @Test
  void sheetJobAndRunTakeWhatTheFileTells() {
    String code = spool("PLA");
    long job = job(code);
    String sheet = "/api/jobs/" + job + "/sheet";
    JsonNode said =
        setUp(
            job,
            ", \"part\": {\"lengthMm\": 60, \"widthMm\": 40, \"heightMm\": 20, \"walls\": 3,"
                + " \"lineWidthMm\": 0.45, \"infillPercent\": 20},"
                + " \"grams\": 20, \"hours\": 1.5");
    assertThat(said.at("/amount/from").asString()).isEqualTo("PERSON");
    assertThat(said.at("/sheet/grams").asDouble()).isEqualTo(20);
    assertThat(said.at("/job/hours").asDouble()).isEqualTo(1.5);

    Api.Answer kept = keepFile(job, "box.stl", box());
    JsonNode meshed = api.get(sheet).body();
    assertThat(meshed.at("/amount/from").asString()).isEqualTo("MESH");
    double filled = 8800 * 1.35 + 0.2 * (48_000 - 8800 * 1.35);
    assertThat(meshed.at("/sheet/grams").asDouble()).isCloseTo(filled / 1000 * 1.24, within(0.01));
    assertThat(meshed.at("/job/grams").asDouble())
        .isCloseTo(meshed.at("/sheet/grams").asDouble(), within(0.06));
    api.undo(kept.act());
    assertThat(api.get(sheet).body().at("/job/grams").asDouble()).isEqualTo(20);

    keepFile(job, "tube.gcode", printFile());
    JsonNode file = api.get("/api/jobs/" + job + "/part-file").body();
    JsonNode printed = api.get(sheet).body();
    assertThat(printed.at("/amount/from").asString()).isEqualTo("PRINT_FILE");
    assertThat(printed.at("/sheet/grams").asDouble())
        .isCloseTo(file.at("/part/massG/PLA").asDouble(), within(1e-6));
    assertThat(printed.at("/sheet/hours").asDouble())
        .isCloseTo(file.at("/part/printTimeS").asDouble() / 3600, within(1e-6));
    JsonNode run = startedAllTheSame(job);
    assertThat(run.get("grams").asDouble())
        .isCloseTo(printed.at("/sheet/grams").asDouble(), within(0.06));
    assertThat(api.put(sheet, "{\"grams\": 0, \"version\": 9}").field()).isEqualTo("grams");
  }

  private Api.Answer keepFile(long job, String name, byte[] content) {
    String upload =
        api.upload("/api/part-files", name, content, "UTC").body().get("uploadId").asString();
    return api.post("/api/jobs/" + job + "/part-file", "{\"uploadId\": \"%s\"}".formatted(upload));
  }
}
