package mindspool.simulators;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import mindspool.core.print.GripLearning;
import mindspool.core.print.GripLearning.Outcome;
import org.junit.jupiter.api.Test;

/** A simulated printer: what it shows, and what its hidden truth lets be learned. */
class SimulatedPrinterTest {

  @Test
  void warmsPrintsAndCools() {
    SimulatedPrinter printer = new SimulatedPrinter("p/state", 0.35, new Random(1));
    SimulatedPrinter.State cold = printer.at(0, 21);
    assertThat(cold.bedC()).isCloseTo(21, within(0.5));
    assertThat(cold.progressPercent()).isZero();
    printer.start(0, 100, 250, 2);
    assertThat(printer.at(60, 21).nozzleC()).isGreaterThan(150);
    SimulatedPrinter.State half = printer.at(3600, 21);
    assertThat(half.progressPercent()).isCloseTo(50, within(0.1));
    assertThat(half.bedC()).isCloseTo(100, within(1.0));
    assertThat(half.chamberC()).isBetween(35.0, 49.0);
    SimulatedPrinter.State done = printer.at(9000, 21);
    assertThat(done.progressPercent()).isEqualTo(100);
    printer.stop();
    assertThat(printer.isPrinting()).isFalse();
    SimulatedPrinter.State later = printer.at(9000 + 4 * 3600, 21);
    assertThat(later.bedC()).isCloseTo(21, within(1.0));
    assertThat(later.progressPercent()).isZero();
    assertThat(later.filament()).isTrue();
  }

  @Test
  void anOpenPrinterKeepsNoWarmth() {
    SimulatedPrinter open = new SimulatedPrinter("o/state", 0, new Random(2));
    open.at(0, 20);
    open.start(0, 100, 250, 5);
    assertThat(open.at(7200, 20).chamberC()).isCloseTo(20, within(0.1));
    assertThat(open.topic()).isEqualTo("o/state");
  }

  /** Each printer's own truth: after 30 prints the band holds it in about eight of ten. */
  @Test
  void itsTruthIsLearnedFromItsPrints() {
    int covered = 0;
    int closer = 0;
    int printers = 200;
    for (int i = 0; i < printers; i++) {
      Random random = new Random(1000 + i);
      SimulatedPrinter printer = new SimulatedPrinter("p/" + i, 0.2, random);
      List<Outcome> outcomes = new ArrayList<>();
      for (int j = 0; j < 30; j++) {
        double adhesion = Math.exp(-0.3 + 0.6 * random.nextGaussian());
        double plate = Math.exp(-0.9 + 0.6 * random.nextGaussian());
        outcomes.add(new Outcome(adhesion, plate, printer.ending(adhesion, plate)));
      }
      GripLearning learned = GripLearning.from(outcomes);
      double truth = printer.gripFactor();
      covered += learned.grip().low() <= truth && truth <= learned.grip().high() ? 1 : 0;
      closer +=
          Math.abs(Math.log(learned.grip().median() / truth)) < Math.abs(Math.log(truth)) ? 1 : 0;
      assertThat(printer.holdFactor()).isPositive();
    }
    assertThat(covered / (double) printers).isBetween(0.75, 0.85);
    assertThat(closer).isGreaterThan(printers * 7 / 10);
  }
}
