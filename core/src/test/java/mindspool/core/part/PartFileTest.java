package mindspool.core.part;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import mindspool.core.InvalidValueException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Files of the three kinds: what is read of them, and what is refused in which words. */
class PartFileTest {

  private static final GcodeReader.Machine MACHINE = new GcodeReader.Machine(1.75, 2000);

  @TempDir private Path folder;

  private PartFile read(byte[] bytes) throws IOException {
    Path file = folder.resolve("a-file");
    Files.write(file, bytes);
    return PartFile.read(file, MACHINE, Placement.HERE);
  }

  private void refused(byte[] bytes, String word) {
    assertThatThrownBy(() -> read(bytes))
        .isInstanceOf(InvalidValueException.class)
        .hasMessageStartingWith("file is ")
        .hasMessageContaining(word);
  }

  private static Meshes box() {
    return Meshes.box(0, 0, 0, 60, 40, 20);
  }

  @ParameterizedTest
  @ValueSource(strings = {"part", "solid part", "solid facet vertex"})
  void binaryStlIsKnownByItsSizeWhateverItsHead(String head) throws IOException {
    PartFile file = read(box().binary(head));
    assertThat(file.kind()).isEqualTo(PartFile.Kind.STL_BINARY);
    assertThat(file.shape().orElseThrow().volumeMm3()).isCloseTo(48_000, within(1e-6));
  }

  @Test
  void asciiStlIsReadWithAnyLineEndAndExponents() throws IOException {
    PartFile file = read(box().ascii());
    assertThat(file.kind()).isEqualTo(PartFile.Kind.STL_ASCII);
    assertThat(file.shape().orElseThrow().triangles()).isEqualTo(12);
    assertThat(file.shape().orElseThrow().volumeMm3()).isCloseTo(48_000, within(1e-6));
    PartShape ball = PartShape.of(Meshes.ball(10, 60, 10).mesh());
    PartFile many = read(Meshes.ball(10, 60, 10).ascii());
    assertThat(many.shape().orElseThrow().volumeMm3()).isCloseTo(ball.volumeMm3(), within(0.01));
    assertThat(many.notes()).as("every corner read as it was written").isEmpty();
  }

  @Test
  void cutAndLyingStlIsRefused() {
    byte[] whole = box().binary("part");
    refused(Arrays.copyOf(whole, whole.length - 100), "says 12 triangles and holds 10");
    byte[] none = ByteBuffer.allocate(84).array();
    refused(none, "no triangles");
    byte[] lying = whole.clone();
    ByteBuffer.wrap(lying).order(ByteOrder.LITTLE_ENDIAN).putInt(80, 20);
    refused(lying, "says 20 triangles and holds 12");
    String text = new String(box().ascii(), StandardCharsets.US_ASCII);
    refused(text.substring(0, text.length() / 2).getBytes(StandardCharsets.US_ASCII), "STL");
    refused(
        text.replaceFirst("vertex 0", "vertex zero").getBytes(StandardCharsets.US_ASCII), "line 4");
  }

  @Test
  void bytesAfterTheLastTriangleAreSaid() throws IOException {
    byte[] whole = box().binary("part");
    PartFile file = read(Arrays.copyOf(whole, whole.length + 7));
    assertThat(file.notes()).extracting(PartShape.Note::id).containsExactly("surplus");
  }

  @Test
  void whatIsNoneOfTheThreeIsRefused() {
    refused(new byte[0], "empty");
    refused(
        "hello, this is a letter\nabout a part\nthat is nice\n".getBytes(), "none of the three");
    byte[] picture = new byte[5000];
    new Random(1).nextBytes(picture);
    System.arraycopy(
        new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10, 0, 0, 0}, 0, picture, 0, 11);
    refused(picture, "none of the three");
  }

  private static final String BOX_VERTICES =
      "<vertex x=\"0\" y=\"0\" z=\"0\"/><vertex x=\"60\" y=\"0\" z=\"0\"/>"
          + "<vertex x=\"60\" y=\"40\" z=\"0\"/><vertex x=\"0\" y=\"40\" z=\"0\"/>"
          + "<vertex x=\"0\" y=\"0\" z=\"20\"/><vertex x=\"60\" y=\"0\" z=\"20\"/>"
          + "<vertex x=\"60\" y=\"40\" z=\"20\"/><vertex x=\"0\" y=\"40\" z=\"20\"/>";

  private static String triangles() {
    int[][] sides = {
      {0, 2, 1}, {0, 3, 2}, {4, 5, 6}, {4, 6, 7}, {0, 1, 5}, {0, 5, 4}, {1, 2, 6}, {1, 6, 5},
      {2, 3, 7}, {2, 7, 6}, {3, 0, 4}, {3, 4, 7}
    };
    StringBuilder words = new StringBuilder();
    for (int[] side : sides) {
      words.append(
          "<triangle v1=\"%d\" v2=\"%d\" v3=\"%d\"/>".formatted(side[0], side[1], side[2]));
    }
    return words.toString();
  }

  private static String mesh(int id) {
    return "<object id=\""
        + id
        + "\" type=\"model\"><mesh><vertices>"
        + BOX_VERTICES
        + "</vertices><triangles>"
        + triangles()
        + "</triangles></mesh></object>";
  }

  private static String model(String unit, String resources, String build) {
    return "<?xml version=\"1.0\" encoding=\"UTF-8\"?><model unit=\""
        + unit
        + "\" xmlns=\"http://schemas.microsoft.com/3dmanufacturing/core/2015/02\"><resources>"
        + resources
        + "</resources><build>"
        + build
        + "</build></model>";
  }

  private static byte[] zip(String name, String content) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
      zip.putNextEntry(new ZipEntry("[Content_Types].xml"));
      zip.closeEntry();
      zip.putNextEntry(new ZipEntry(name));
      zip.write(content.getBytes(StandardCharsets.UTF_8));
      zip.closeEntry();
    }
    return bytes.toByteArray();
  }

  private static byte[] threeMf(String model) throws IOException {
    return zip("3D/3dmodel.model", model);
  }

  /** Units of the 3MF core specification 1.3, section 3.4. */
  @ParameterizedTest
  @CsvSource({
    "micron, 0.001",
    "millimeter, 1",
    "centimeter, 10",
    "inch, 25.4",
    "foot, 304.8",
    "meter, 1000"
  })
  void threeMfHasUnits(String unit, double mm) throws IOException {
    PartFile file = read(threeMf(model(unit, mesh(1), "<item objectid=\"1\"/>")));
    assertThat(file.kind()).isEqualTo(PartFile.Kind.THREE_MF);
    assertThat(file.shape().orElseThrow().sizeMm()[0] / (60 * mm)).isCloseTo(1, within(1e-6));
  }

  /**
   * Transforms of the 3MF core specification 1.3, section 3.3: a row times a matrix of four rows; a
   * component's first, then its item's. A quarter turn, then moved; and a mirror.
   */
  @Test
  void threeMfPutsComponentsWhereItSays() throws IOException {
    String parts =
        mesh(1)
            + "<object id=\"2\" type=\"model\"><components>"
            + "<component objectid=\"1\" transform=\"0 1 0 -1 0 0 0 0 1 0 0 0\"/>"
            + "<component objectid=\"1\" transform=\"-1 0 0 0 1 0 0 0 1 200 0 0\"/>"
            + "</components></object>";
    PartFile file =
        read(
            threeMf(
                model(
                    "millimeter",
                    parts,
                    "<item objectid=\"2\" transform=\"1 0 0 0 1 0 0 0 1 100 0 5\"/>")));
    PartShape shape = file.shape().orElseThrow();
    // Turned: x from -40 to 0, y from 0 to 60; mirrored: x from 140 to 200; both moved by 100.
    assertThat(shape.lowMm()).containsExactly(new double[] {60, 0, 5}, within(1e-4));
    assertThat(shape.sizeMm()).containsExactly(new double[] {240, 60, 20}, within(1e-4));
    assertThat(shape.volumeMm3()).isCloseTo(96_000, within(0.1));
    assertThat(shape.parts()).isEqualTo(2);
    assertThat(file.notes()).extracting(PartShape.Note::id).containsExactly("several");
  }

  @Test
  void threeMfIsRefusedWhereItIsNoPart() throws IOException {
    String item = "<item objectid=\"1\"/>";
    refused(zip("letter.txt", "hello"), "without a 3MF model");
    refused(threeMf(model("furlong", mesh(1), item)), "furlong");
    refused(threeMf(model("millimeter", mesh(1), "")), "nothing to build");
    refused(threeMf(model("millimeter", mesh(1), "<item objectid=\"7\"/>")), "object 7");
    refused(threeMf(model("millimeter", mesh(1) + mesh(1), item)), "two objects");
    refused(
        threeMf(
            model(
                "millimeter",
                mesh(1),
                "<item objectid=\"1\" p:path=\"/3D/other.model\" xmlns:p=\"p\"/>")),
        "other files");
    refused(
        threeMf(model("millimeter", mesh(1).replace("v3=\"6\"", "v3=\"66\""), item)), "corner 66");
    refused(threeMf(model("millimeter", mesh(1).replace("x=\"60\"", "x=\"NaN\""), item)), "NaN");
    refused(threeMf(model("millimeter", mesh(1), item).substring(0, 900)), "ends or breaks");
    String itself =
        "<object id=\"1\"><components><component objectid=\"1\"/><component objectid=\"1\"/>"
            + "</components></object>";
    refused(threeMf(model("millimeter", itself, item)), "contain one another");
    String entities =
        "<?xml version=\"1.0\"?><!DOCTYPE m [<!ENTITY a \"b\">]><model unit=\"&a;\"></model>";
    refused(threeMf(entities), "3MF");
    refused(threeMf(model("millimeter", mesh(1) + " ".repeat(60_000_000), item)), "far more");
    byte[] whole = threeMf(model("millimeter", mesh(1), item));
    refused(Arrays.copyOf(whole, whole.length / 2), "unpacked");
  }

  /** Many readers, mutated bytes: each is read or refused in words; nothing else comes out. */
  @Test
  void mutatedFilesAreReadOrRefused() throws IOException {
    byte[][] files = {
      Meshes.ball(10, 8, 10).binary("part"),
      Meshes.ball(10, 5, 10).ascii(),
      threeMf(model("millimeter", mesh(1), "<item objectid=\"1\"/>")),
      GcodeReaderTest.square().getBytes(StandardCharsets.US_ASCII)
    };
    Random random = new Random(20_260_101);
    for (byte[] file : files) {
      for (int i = 0; i < 250; i++) {
        byte[] mutated = FileMutation.of(file, random);
        try {
          PartFile read = read(mutated);
          assertThat(read.shape().isPresent() || read.profile().isPresent()).isTrue();
        } catch (InvalidValueException e) {
          assertThat(e.field()).isEqualTo("file");
          assertThat(e.advice()).isNotEmpty();
        }
      }
    }
  }
}
