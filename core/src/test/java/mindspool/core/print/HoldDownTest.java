package mindspool.core.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import mindspool.core.material.MaterialCatalogue;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What must hold of every part, and plates that hold in practice. */
class HoldDownTest {

  private static final MaterialCatalogue CATALOGUE = MaterialCatalogue.standard();
  private static final BedSurfaces SURFACES = BedSurfaces.standard();
  private static final String[] MATERIALS = {"PLA", "PETG", "ABS", "PA6", "PC", "PP"};

  private static PrintedPart part(double length, double width, double height, double angle) {
    return new PrintedPart(
        length / 1000, width / 1000, height / 1000, 3, 0.45e-3, 0.2, angle, 0, width / 1000);
  }

  private static HoldDown hold(
      String material, PrintedPart part, double bedC, double airC, HoldAids aids) {
    return HoldDown.of(
        new HoldDown.Case(
            CATALOGUE.named(material),
            part,
            new BuildPlate(
                PlateKind.SPRING_STEEL_05,
                "smooth_pei",
                "none",
                1,
                PlateKind.SPRING_STEEL_05.usualHoldPa()),
            new PrintAir(bedC, airC, 0, 0),
            aids),
        SURFACES);
  }

  /** Geometry: turned by a quarter it is the same part, its foot too. */
  @Test
  void aTurnedPartHoldsAsBefore() {
    Random random = new Random(7);
    for (int i = 0; i < 300; i++) {
      double length = 1 + 200 * random.nextDouble();
      double width = 1 + 200 * random.nextDouble();
      double height = 2 + 100 * random.nextDouble();
      double foot = (1 + random.nextDouble()) / 2 * Math.min(length, width);
      String material = MATERIALS[i % MATERIALS.length];
      HoldAids aids = i % 2 == 0 ? HoldAids.NONE : new HoldAids(1, 5e-3, 0, 0, 0);
      HoldDown one = hold(material, turned(length, width, height, foot), 80, 35, aids);
      HoldDown other = hold(material, turned(width, length, height, foot), 80, 35, aids);
      assertThat(other.adhesionRatio()).isEqualTo(one.adhesionRatio());
      assertThat(other.plateRatio()).isEqualTo(one.plateRatio());
      assertThat(other.tipRatio()).isEqualTo(one.tipRatio());
      assertThat(other.liftM()).isEqualTo(one.liftM());
    }
  }

  private static PrintedPart turned(double length, double width, double height, double foot) {
    return new PrintedPart(
        length / 1000, width / 1000, height / 1000, 3, 0.45e-3, 0.2, 90, 0, foot / 1000);
  }

  /** Common practice: a sharper corner never pulls less, whatever is around it. */
  @ParameterizedTest
  @CsvSource({"0, 0, 0", "2, 0, 0", "5, 0, 0", "10, 0, 0", "0, 14, 0", "3, 10, 0", "0, 0, 6"})
  void aSharperCornerNeverPullsLess(double brim, double pads, double raft) {
    HoldAids aids = new HoldAids(1, brim / 1000, pads / 1000, pads > 0 ? 2 : 0, raft / 1000);
    for (String material : MATERIALS) {
      double blunter = 0;
      for (int angle = 180; angle >= 10; angle -= 5) {
        double ratio = hold(material, part(120, 70, 25, angle), 80, 35, aids).adhesionRatio();
        assertThat(ratio).as(material + " at " + angle + "°").isGreaterThanOrEqualTo(blunter);
        blunter = ratio;
      }
    }
  }

  /** Nothing of the lift jumps where a part is a thousandth higher. */
  @Test
  void theLiftOfACornerDoesNotJump() {
    double before = Double.NaN;
    for (double height = 20; height < 30; height *= 1.001) {
      double lift = hold("PA6", part(150, 60, height, 90), 80, 28, HoldAids.NONE).liftM();
      if (!Double.isNaN(before)) {
        assertThat(lift / before).as("at " + height + " mm").isCloseTo(1, within(0.02));
      }
      before = lift;
    }
    assertThat(before).isPositive();
  }

  /** Source: handbook, corrections to printing, plate leaving its magnets. */
  @ParameterizedTest
  @CsvSource({
    "PLA, 150, 150, 50, 60, 25, 0, false",
    "PLA, 200, 200, 50, 60, 25, 0, false",
    "ABS, 200, 150, 60, 100, 50, 8, false",
    "PA6, 150, 60, 20, 80, 28, 0, true"
  })
  void platesStayOnTheirMagnetsAsInPractice(
      String material,
      double length,
      double width,
      double height,
      double bedC,
      double airC,
      double brimMm,
      boolean lifts) {
    double ratio =
        hold(
                material,
                part(length, width, height, 90),
                bedC,
                airC,
                new HoldAids(1, brimMm / 1000, 0, 0, 0))
            .plateRatio();
    assertThat(ratio >= 1).as(material + " " + ratio).isEqualTo(lifts);
  }

  /** Source: handbook, corrections to printing, melt ceilings; a zone of 12 mm, a bore of 0.4. */
  @ParameterizedTest
  @CsvSource({"TPU95A, 225, 2, 6", "PC, 285, 7, 14", "PLA, 210, 9, 12"})
  void asMuchMeltsAsInPractice(String material, double nozzleC, double least, double most) {
    MeltFlow flow =
        MeltFlow.of(
            CATALOGUE.named(material), new MeltFlow.HotEnd(nozzleC, 1e-9, 0.4e-3, 12e-3, 1.75e-3));
    assertThat(1e9 * flow.mostFlowM3PerS()).isBetween(least, most);
    assertThat(flow.mostFlowM3PerS()).isLessThanOrEqualTo(flow.mostWarmFlowM3PerS());
    MeltFlow at =
        MeltFlow.of(
            CATALOGUE.named(material),
            new MeltFlow.HotEnd(nozzleC, 0.99 * flow.mostFlowM3PerS(), 0.4e-3, 12e-3, 1.75e-3));
    assertThat(at.isPushed() && at.isWarmEnough()).isTrue();
  }
}
