package mindspool.core.part;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import mindspool.core.InvalidValueException;
import org.junit.jupiter.api.Test;

/** Print files against closed forms of their moves. */
class GcodeReaderTest {

  private static final double AREA = Math.PI * 1.75 * 1.75 / 4;

  private static GcodeProfile read(String text) throws IOException {
    return GcodeReader.of(
        new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8)),
        new GcodeReader.Machine(1.75, 1000));
  }

  /**
   * Three layers of a square of 40 mm at 60 mm/s, 0.2 mm high, 0.05 mm of filament a millimetre.
   */
  static String square() {
    StringBuilder text =
        new StringBuilder("; made up\nM140 S60\nM104 S215\nG28\nG90\nM82\nG92 E0\n");
    double e = 0;
    for (int layer = 0; layer < 3; layer++) {
      text.append(
          String.format(Locale.ROOT, "G1 Z%.1f F600\nG0 X10 Y10 F6000\n", 0.2 * (layer + 1)));
      text.append("M106 S").append(layer * 127).append('\n');
      int[][] corners = {{50, 10}, {50, 50}, {10, 50}, {10, 10}};
      for (int[] corner : corners) {
        e += 40 * 0.05;
        text.append(
            String.format(Locale.ROOT, "G1 X%d Y%d E%.3f F3600\n", corner[0], corner[1], e));
      }
    }
    return text.append("M104 S0\nM140 S0\n").toString();
  }

  @Test
  void aSquareHasItsLayersFilamentFlowAndBounds() throws IOException {
    GcodeProfile profile = read(square());
    assertThat(profile.layers()).hasSize(3);
    assertThat(profile.filamentMm()).containsOnlyKeys(0);
    assertThat(profile.filamentMm().get(0)).isCloseTo(3 * 160 * 0.05, within(1e-9));
    assertThat(profile.volumeMm3()).isCloseTo(24 * AREA, within(1e-9));
    assertThat(profile.sizeMm()).containsExactly(new double[] {40, 40, 0.6}, within(1e-9));
    GcodeLayer second = profile.layers().get(1);
    assertThat(second.zMm()).isCloseTo(0.4, within(1e-9));
    assertThat(second.heightMm()).isCloseTo(0.2, within(1e-9));
    assertThat(second.nozzleC()).isEqualTo(215);
    assertThat(second.bedC()).isEqualTo(60);
    assertThat(second.fanPercent()).isCloseTo(127 / 2.55, within(1e-9));
    assertThat(second.lengthMm()).isCloseTo(160, within(1e-9));
    assertThat(second.maxFlowMm3PerS()).isCloseTo(60 * 0.05 * AREA, within(1e-9));
    // Area of a line over its height, and the rounding of its two sides.
    assertThat(second.widthMm())
        .isCloseTo(0.05 * AREA / 0.2 + 0.2 * (1 - Math.PI / 4), within(1e-9));
    assertThat(profile.maxFanPercent()).isCloseTo(254 / 2.55, within(1e-9));
    assertThat(profile.notes()).isEmpty();
  }

  /** One move from rest to rest: s/v + v/a where it gets to its speed, 2 √(s/a) where not. */
  @Test
  void aMoveTakesAsLongAsItsTrapezoid() throws IOException {
    double v = 60;
    double a = 1000;
    GcodeProfile far = read("G1 Z0.2 F100000\nG4 P0\nG1 X100 E5 F3600\n");
    double up = 2 * Math.sqrt(0.2 / a);
    assertThat(far.layers().get(0).timeS()).isCloseTo(100 / v + v / a, within(1e-9));
    assertThat(far.timeS()).isCloseTo(up + 100 / v + v / a, within(1e-9));
    GcodeProfile near = read("G1 Z0.2 F100000\nG4 P0\nG1 X1 E0.05 F3600\n");
    assertThat(near.layers().get(0).timeS()).isCloseTo(2 * Math.sqrt(1 / a), within(1e-9));
    assertThat(near.layers().get(0).maxSpeedMmPerS()).isCloseTo(Math.sqrt(a), within(1e-9));
  }

  /** Ten pieces of a straight line take as long as the line. */
  @Test
  void aLineInPiecesTakesNoLonger() throws IOException {
    StringBuilder pieces = new StringBuilder("G1 Z0.2 F100000\nM83\nG4 P0\n");
    for (int i = 1; i <= 200; i++) {
      pieces.append(String.format(Locale.ROOT, "G1 X%.1f E0.025 F3600\n", 0.5 * i));
    }
    GcodeProfile profile = read(pieces.toString());
    assertThat(profile.layers().get(0).timeS()).isCloseTo(100 / 60.0 + 60 / 1000.0, within(1e-6));
    assertThat(profile.layers().get(0).maxFlowMm3PerS()).isCloseTo(3 * AREA, within(1e-6));
  }

  /** A half circle of 20 mm radius by I and J, by R, either way round; length π r. */
  @Test
  void arcsHaveTheirLengthAndReach() throws IOException {
    for (String arc :
        new String[] {
          "G3 X-20 Y0 I-20 J0 E3", "G3 X-20 Y0 R20 E3", "G2 X-20 Y0 I-20 J0 E3", "G2 X-20 Y0 R20 E3"
        }) {
      GcodeProfile profile = read("G92 X20 Y0\nG1 Z0.2 F6000\n" + arc + " F1800\n");
      assertThat(profile.layers().get(0).lengthMm()).as(arc).isCloseTo(Math.PI * 20, within(1e-9));
      assertThat(profile.sizeMm()[0]).as(arc).isCloseTo(40, within(1e-9));
      assertThat(profile.sizeMm()[1]).as(arc).isCloseTo(20, within(1e-9));
      assertThat(profile.lowMm()[1])
          .as(arc)
          .isCloseTo(arc.startsWith("G2") ? -20 : 0, within(1e-9));
    }
    GcodeProfile full = read("G92 X20 Y0\nG1 Z0.2 F6000\nG2 X20 Y0 I-20 J0 E3 F1800\n");
    assertThat(full.layers().get(0).lengthMm()).isCloseTo(2 * Math.PI * 20, within(1e-9));
    assertThat(full.sizeMm()[1]).isCloseTo(40, within(1e-9));
    // The long way round by a negative radius: three quarters of a circle.
    GcodeProfile longer = read("G92 X20 Y0\nG1 Z0.2 F6000\nG3 X0 Y-20 R-20 E3 F1800\n");
    assertThat(longer.layers().get(0).lengthMm()).isCloseTo(1.5 * Math.PI * 20, within(1e-9));
  }

  @Test
  void relativeInchesAndResetsAreFollowed() throws IOException {
    GcodeProfile profile =
        read(
            "G20\nG91\nM83\nG1 Z0.01 F100\nG1 X1 E0.1 F60\nG1 Y1 E0.1\nG90\nM82\nG92 E0\nG1 X0 E0.1\n"
                + "g21\nM83\nG1 X25.4 E2.54\r\n");
    assertThat(profile.sizeMm()[0]).isCloseTo(25.4, within(1e-9));
    assertThat(profile.sizeMm()[1]).isCloseTo(25.4, within(1e-9));
    assertThat(profile.filamentMm().get(0)).isCloseTo(4 * 2.54, within(1e-9));
    assertThat(profile.layers()).hasSize(1);
  }

  @Test
  void toolsRetractsPausesAndKindsAreCounted() throws IOException {
    GcodeProfile profile =
        read(
            "M104 T0 S210\nM104 T1 S240\nT0\nM83\nG1 Z0.2 F600\n;TYPE:Skirt\nG1 X200 E10 F3000\n"
                + ";TYPE:Outer wall\nG1 X0 E10\nG1 E-1 F1800\nG1 X20\nG1 E1\nT1\nG1 Z0.4\n"
                + "G1 X40 E2\nM600\nG4 S30\nG1 X20 E1\n");
    assertThat(profile.filamentMm().get(0)).isCloseTo(20, within(1e-9));
    assertThat(profile.filamentMm().get(1)).isCloseTo(3, within(1e-9));
    assertThat(profile.layers().get(1).nozzleC()).isEqualTo(240);
    assertThat(profile.layers().get(1).tools()).isEqualTo(2);
    assertThat(profile.layers().get(1).timeS()).isGreaterThan(30);
    assertThat(profile.pauses()).hasSize(1);
    assertThat(profile.timeByKindS()).containsOnlyKeys("skirt", "outer wall");
  }

  /** Without words layers begin where it extrudes higher; a hop of the nozzle is none. */
  @Test
  void layersAreFoundByHeightAndByWords() throws IOException {
    String hop = "M83\nG1 Z0.2 F600\nG1 X10 E1\nG1 Z0.8\nG0 X20\nG1 Z0.2\nG1 X30 E1\n";
    assertThat(read(hop).layers()).hasSize(1);
    StringBuilder spiral = new StringBuilder("M83\n");
    for (int i = 0; i < 200; i++) {
      spiral.append(i % 50 == 0 ? ";LAYER:" + i / 50 + "\n" : "");
      spiral.append(
          String.format(
              Locale.ROOT, "G1 X%d Y%d Z%.4f E1\n", i % 2 * 10, i / 2 % 2 * 10, 0.2 + i * 0.004));
    }
    assertThat(read(spiral.toString()).layers()).hasSize(4);
    // Settings and counts are no layers: this file's are found by height.
    String settings = "; layer_height = 0.2\n;LAYER_COUNT:3\n; layers: 3\n" + square();
    assertThat(read(settings).layers()).hasSize(3);
    assertThat(read(square().replace("G1 Z", "; LAYER_CHANGE\nG1 Z")).layers()).hasSize(3);
    assertThat(read(square().replace("G1 Z", "; layer 4, z = 1\nG1 Z")).layers()).hasSize(3);
  }

  @Test
  void whatItCannotDoIsRefusedWithAReason() {
    assertRefused("M200 D1.75\nG1 X10 E1\n", "volume");
    assertRefused("G28\nG1 X10\n;nothing\n", "extrudes nothing");
    assertRefused("G1 Z0.2\nG2 X10 E1\n", "neither I, J nor R");
    assertRefused("G1 Z0.2\nG2 X100 R5 E1\n", "arc of R 5");
  }

  private static void assertRefused(String text, String word) {
    assertThatThrownBy(() -> read(text))
        .isInstanceOf(InvalidValueException.class)
        .hasMessageContaining(word);
  }

  @Test
  void strangeLinesArePassedOverAndSaid() throws IOException {
    String text =
        "\r\n\t\nN10 G1 Z0.2 F600*71\n(words) \nG5.1 X1\nG425\n%\nM83\nG1X10Y0E1 ; more\nG1 X E Y\n;"
            + "x".repeat(3_000_000)
            + "\nG1 X20 E1";
    GcodeProfile profile = read(text);
    assertThat(profile.filamentMm().get(0)).isCloseTo(2, within(1e-9));
    assertThat(profile.notes())
        .extracting(PartShape.Note::id)
        .containsExactlyInAnyOrder("unknown", "long", "cold");
  }

  /** Dialects differ on G90 after M83; most, and most files, leave the count relative. */
  @Test
  void positionsAndFilamentAreCountedEachAsTold() throws IOException {
    GcodeProfile doubtful = read("M83\nG90\nG1 Z0.2 F600\nG1 X10 E18\nG1 X20 E18\n");
    assertThat(doubtful.filamentMm().get(0)).isCloseTo(36, within(1e-9));
    assertThat(doubtful.notes()).extracting(PartShape.Note::id).contains("counting");
    GcodeProfile usual = read("G90\nM83\nG1 Z0.2 F600\nG1 X10 E18\nG1 X20 E18\n");
    assertThat(usual.filamentMm().get(0)).isCloseTo(36, within(1e-9));
    assertThat(usual.notes()).extracting(PartShape.Note::id).doesNotContain("counting");
    // An end that draws back by 3 mm and goes up.
    GcodeProfile end = read("M82\nG1 Z0.2\nG1 X10 E18\nG1 X20 E36\nG91\nG1 E-3\nG1 Z5\nG90\n");
    assertThat(end.filamentMm().get(0)).isCloseTo(33, within(1e-9));
  }

  /** Shares of flow and speed, and limits of the axes, as they are commonly told. */
  @Test
  void flowSpeedAndLimitsOfAxesAreFollowed() throws IOException {
    String way = "M83\nM204 P100000\nG1 Z0.2 F6000\nG1 X1000 E10 F6000\n";
    double asTold = read(way).timeS();
    assertThat(read("M221 S80\n" + way).filamentMm().get(0)).isCloseTo(8, within(1e-9));
    assertThat(read("M220 S50\n" + way).timeS()).isCloseTo(2 * asTold, within(0.1));
    assertThat(read("M203 X20 Y500\n" + way).timeS()).isCloseTo(50, within(0.2));
    assertThat(read("M203 E0.1\n" + way).timeS()).as("100 s for 10 mm").isCloseTo(100, within(0.2));
    // Half of the way at 10 mm/s² up to 100 mm/s: v = sqrt(a s), two halves.
    assertThat(read("M201 X10\n" + way).timeS()).isCloseTo(2 * Math.sqrt(1000 / 10.0), within(0.2));
  }

  @Test
  void aSpiralHasALayerForEachTurn() throws IOException {
    StringBuilder vase =
        new StringBuilder("M83\nG1 Z0.2 F600\nG1 X20 E1\nG1 Y20 E1\nG1 X0 E1\nG1 Y0 E1\n");
    int turns = 10;
    for (int i = 1; i <= 4 * turns; i++) {
      vase.append(
          String.format(
              Locale.ROOT,
              "G1 X%d Y%d Z%.3f E1\n",
              i % 4 == 1 || i % 4 == 2 ? 20 : 0,
              i % 4 == 2 || i % 4 == 3 ? 20 : 0,
              0.2 + i * 0.05));
    }
    assertThat(read(vase.toString()).layers()).hasSize(1 + turns);
  }

  @Test
  void whatStaysHotOrBreaksOffIsSaid() throws IOException {
    String begin = "M140 S60\nM104 S215\nM83\nG1 Z0.2 F600\nG1 X10 E1\nG1 X20 E1\n";
    assertThat(read(begin).notes())
        .filteredOn(note -> note.id().equals("stays-hot"))
        .singleElement()
        .satisfies(
            note -> assertThat(note.words()).contains("the nozzle at 215 °C", "the bed at 60 °C"));
    assertThat(read(begin + "G1 X3").notes()).extracting(PartShape.Note::id).contains("cut-short");
    assertThat(read(begin + "M104 S0\nM140 S0\nM84").notes()).isEmpty();
  }

  @Test
  void theFirstLayerIsKeptAsItIsLaid() throws IOException {
    GcodeProfile profile =
        read(
            "M83\nG1 Z0.2 F600\nG1 X10 E1\nG1 Y10 E1\nG0 X40 Y40\nG2 X50 Y50 I10 J0 E1\nG1 Z0.4\nG1 X0 E1\n");
    assertThat(profile.firstLayer()).hasSize(2);
    assertThat(profile.firstLayer().get(0)).containsExactly(0, 0, 10, 0, 10, 10);
    double[] arc = profile.firstLayer().get(1);
    assertThat(arc[arc.length - 2]).isCloseTo(50, within(1e-9));
    for (int i = 0; i < arc.length; i += 2) {
      assertThat(Math.hypot(arc[i] - 50, arc[i + 1] - 40)).isCloseTo(10, within(1e-9));
    }
  }
}
