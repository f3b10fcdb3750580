package mindspool.core.part;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import mindspool.core.InvalidValueException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;

/** Measures of solids of known geometry: closed forms, and JTS for outlines. */
class PartShapeTest {

  private static List<String> ids(PartShape shape) {
    return shape.notes().stream().map(PartShape.Note::id).toList();
  }

  @Test
  void aBoxHasItsVolumeAreaCentreAndFourCorners() {
    PartShape shape = PartShape.of(Meshes.box(10, 20, 5, 60, 40, 20).mesh());
    assertThat(shape.volumeMm3()).isCloseTo(48_000, within(1e-6));
    assertThat(shape.areaMm2()).isCloseTo(2 * (2400 + 1200 + 800), within(1e-6));
    assertThat(shape.centreMm()).containsExactly(new double[] {40, 40, 15}, within(1e-9));
    assertThat(shape.sizeMm()).containsExactly(60, 40, 20);
    assertThat(shape.lowMm()).containsExactly(10, 20, 5);
    Footprint base = shape.footprint();
    assertThat(base.areaMm2()).isCloseTo(2400, within(1e-6));
    assertThat(base.longestSpanMm()).isCloseTo(Math.hypot(60, 40), within(1e-9));
    assertThat(base.narrowestMm()).isCloseTo(40, within(0.6));
    assertThat(base.islands().get(0).corners())
        .hasSize(4)
        .allSatisfy(
            corner -> {
              assertThat(corner.angleDeg()).isCloseTo(90, within(1e-6));
              assertThat(corner.radiusMm()).isZero();
            });
    assertThat(shape.parts()).isEqualTo(1);
    assertThat(shape.tipMm()).isCloseTo(20, within(1e-6));
    assertThat(shape.steepShare()).isZero();
    for (double area : shape.cutAreaMm2()) {
      assertThat(area).isCloseTo(2400, within(1e-6));
    }
    assertThat(shape.notes()).isEmpty();
  }

  /** Volume and area of a ball, 4/3 π r³ and 4 π r², approached from inside. */
  @Test
  void aBallComesNearToItsClosedForms() {
    PartShape shape = PartShape.of(Meshes.ball(10, 180, 0).mesh());
    assertThat(shape.volumeMm3() / (4.0 / 3 * Math.PI * 1000)).isBetween(0.9995, 1.0);
    assertThat(shape.areaMm2() / (4 * Math.PI * 100)).isBetween(0.9995, 1.0);
    assertThat(shape.centreMm()[2]).isCloseTo(0, within(1e-4));
    // Steeper than 45° down: the cap below, 2 π r² (1 - cos 45°).
    assertThat(shape.steepShare()).isCloseTo((1 - Math.sqrt(0.5)) / 2, within(0.003));
    // The cut through the middle.
    assertThat(Arrays.stream(shape.cutAreaMm2()).max().orElse(0))
        .isCloseTo(Math.PI * 100, within(0.3));
  }

  @Test
  void aPlateWithAHoleKeepsItAndIsMeasuredAsJtsDoes() {
    double[][] outer = Meshes.regular(50, 50, 30, 48);
    double[][] inner = Meshes.regular(50, 50, 12, 48);
    PartShape shape = PartShape.of(new Meshes().tube(outer, inner, 0, 4).mesh());
    GeometryFactory jts = new GeometryFactory();
    Polygon expected =
        jts.createPolygon(
            jts.createLinearRing(ring(outer)),
            new org.locationtech.jts.geom.LinearRing[] {jts.createLinearRing(ring(inner))});
    Footprint base = shape.footprint();
    assertThat(base.islands()).hasSize(1);
    assertThat(base.islands().get(0).holes()).hasSize(1);
    assertThat(base.areaMm2()).isCloseTo(expected.getArea(), within(0.05));
    assertThat(shape.volumeMm3()).isCloseTo(4 * expected.getArea(), within(0.05));
    assertThat(shape.centreMm()[0]).isCloseTo(expected.getCentroid().getX(), within(1e-4));
    assertThat(base.longestSpanMm()).isCloseTo(60, within(0.01));
    assertThat(base.narrowestMm()).isCloseTo(18, within(0.5));
    assertThat(base.standsOnMm()).as("the hole does not let it tip").isCloseTo(60, within(0.2));
    assertThat(base.islands().get(0).corners()).as("a round has none").isEmpty();
  }

  private static Coordinate[] ring(double[][] points) {
    Coordinate[] ring = new Coordinate[points.length + 1];
    for (int i = 0; i <= points.length; i++) {
      double[] at = points[i % points.length];
      ring[i] = new Coordinate(at[0], at[1]);
    }
    return ring;
  }

  @ParameterizedTest
  @CsvSource({"5, 8", "1, 4", "10, 16", "3, 3"})
  void roundedCornersHaveTheirRadius(double radius, int chords) {
    PartShape shape =
        PartShape.of(new Meshes().prism(Meshes.rounded(80, 50, radius, chords), 0, 10).mesh());
    assertThat(shape.footprint().islands().get(0).corners())
        .hasSize(4)
        .allSatisfy(
            corner -> {
              assertThat(corner.angleDeg()).isCloseTo(90, within(0.5));
              assertThat(corner.radiusMm()).isCloseTo(radius, within(0.04 * radius));
            });
  }

  @ParameterizedTest
  @ValueSource(ints = {3, 5, 6, 8})
  void aRegularPolygonHasItsAngles(int sides) {
    PartShape shape =
        PartShape.of(new Meshes().prism(Meshes.regular(0, 0, 40, sides), 0, 10).mesh());
    assertThat(shape.footprint().islands().get(0).corners())
        .hasSize(sides)
        .allSatisfy(
            corner -> assertThat(corner.angleDeg()).isCloseTo(180 - 360.0 / sides, within(1e-3)));
  }

  @Test
  void bodiesApartAreCounted() {
    Meshes two = Meshes.box(0, 0, 0, 20, 20, 10).with(Meshes.box(30, 0, 0, 20, 10, 30));
    PartShape shape = PartShape.of(two.mesh());
    assertThat(shape.parts()).isEqualTo(2);
    assertThat(shape.footprint().islands()).hasSize(2);
    assertThat(ids(shape)).containsExactly("several");
  }

  @Test
  void whatIsWrongIsSaidAndTheRestStillComputed() {
    PartShape open = PartShape.of(Meshes.box(0, 0, 0, 60, 40, 20).without(2).mesh());
    assertThat(ids(open)).containsExactly("open");
    assertThat(open.notes().get(0).words()).contains("3 edges");
    assertThat(open.sizeMm()).containsExactly(60, 40, 20);

    PartShape flipped = PartShape.of(Meshes.box(0, 0, 0, 60, 40, 20).flipped(1).mesh());
    assertThat(ids(flipped)).contains("flipped");

    PartShape inverted = PartShape.of(Meshes.box(0, 0, 0, 60, 40, 20).insideOut().mesh());
    assertThat(ids(inverted)).containsExactly("inverted");
    assertThat(inverted.volumeMm3()).isCloseTo(48_000, within(1e-6));
    assertThat(inverted.footprint().areaMm2()).isCloseTo(2400, within(1e-6));

    PartShape crossing =
        PartShape.of(
            Meshes.box(0, 0, 0, 60, 40, 20).with(Meshes.box(30, 20, 0, 60, 40, 20)).mesh());
    assertThat(ids(crossing)).containsExactly("crossing");
    assertThat(crossing.footprint().areaMm2()).isCloseTo(2400 + 2400 - 600, within(1e-6));

    PartShape inches = PartShape.of(Meshes.box(0, 0, 0, 3, 2, 1).mesh());
    assertThat(ids(inches)).containsExactly("small");
    assertThat(inches.notes().get(0).words()).contains("76 mm");

    PartShape ball = PartShape.of(Meshes.ball(10, 20, 0).mesh());
    assertThat(ids(ball)).doesNotContain("open");
  }

  /** An L whose arm reaches far out tips over; by hand, its centre is past the foot. */
  @Test
  void anArmThatReachesOutTips() {
    Meshes arm = Meshes.box(0, 0, 0, 10, 10, 30).with(Meshes.box(10.001, 0, 20, 60, 10, 10));
    PartShape shape = PartShape.of(arm.mesh());
    double centre = (3000 * 5 + 6000 * 40.0) / 9000;
    assertThat(shape.centreMm()[0]).isCloseTo(centre, within(0.01));
    assertThat(shape.tipMm()).isCloseTo(10 - centre, within(0.01));
    assertThat(ids(shape)).contains("tips");
    assertThat(shape.slenderness()).isCloseTo(3, within(0.1));
  }

  @Test
  void aFinIsThin() {
    PartShape fin = PartShape.of(Meshes.box(0, 0, 0, 100, 3, 60).mesh());
    assertThat(fin.hasThinBase()).isTrue();
    assertThat(fin.slenderness()).isCloseTo(20, within(0.5));
    assertThat(PartShape.of(Meshes.box(0, 0, 0, 100, 30, 60).mesh()).hasThinBase()).isFalse();
  }

  /** Far from the origin floats are coarse; what is measured about the part itself stays right. */
  @Test
  void farFromTheOriginTheVolumeStays() {
    PartShape shape = PartShape.of(Meshes.box(100_000, -50_000, 0, 60, 40, 20).mesh());
    assertThat(shape.volumeMm3()).isCloseTo(48_000, within(1.0));
  }

  @Test
  void cornersThatAreNoNumbersAreNamed() {
    Meshes broken = Meshes.box(0, 0, 0, 60, 40, 20);
    broken.add(0, 0, 0, 1, Double.NaN, 0, 0, 1, 0);
    assertThatThrownBy(() -> PartShape.of(broken.mesh()))
        .isInstanceOf(InvalidValueException.class)
        .hasMessageContaining("triangle 13")
        .hasMessageContaining("NaN");
    Meshes flat = new Meshes().add(0, 0, 0, 10, 0, 0, 0, 10, 0);
    assertThatThrownBy(() -> PartShape.of(flat.mesh()))
        .isInstanceOf(InvalidValueException.class)
        .hasMessageContaining("10.00 × 10.00 × 0.00");
  }

  @Test
  void wallsAndInfillFillWhatTheyFill() {
    PartShape shape = PartShape.of(Meshes.box(0, 0, 0, 60, 40, 20).mesh());
    assertThat(shape.filledMm3(0, 1)).isCloseTo(48_000, within(1e-6));
    assertThat(shape.filledMm3(100, 0)).isCloseTo(48_000, within(1e-6));
    double shell = 1.2 * 8800;
    assertThat(shape.filledMm3(1.2, 0.2)).isCloseTo(shell + 0.2 * (48_000 - shell), within(1e-6));
  }

  /** A base that is level but for rounding lies on the plate: nothing hangs over nothing. */
  @Test
  void aBaseThatIsTiltedByAMillionthIsNoOverhang() {
    Meshes box = Meshes.box(0, 0, 0, 60, 40, 20);
    assertThat(PartShape.of(box.mesh()).steepShare()).isZero();
    assertThat(PartShape.of(box.leaning(1e-6).mesh()).steepShare()).isCloseTo(0, within(1e-9));
    assertThat(PartShape.of(box.leaning(0.05).mesh()).steepShare()).isGreaterThan(0.2);
  }
}
