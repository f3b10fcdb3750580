package mindspool.core.drying;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.DryerLoad.LoadedSpool;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.stock.ReelKind;
import mindspool.core.stock.Winding;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PrintReadyTest {

  private static final MoistAir ROOM = new MoistAir(23, 50);

  private static LoadedSpool loaded(String name, double percent, double waterSpread) {
    Material of = MaterialCatalogue.standard().named(name);
    Winding winding = new Winding(0.04, 0.06, 1, 0.30, 0.00175, of.densityKgPerM3());
    return new LoadedSpool(
        name,
        of,
        new SpoolMoistureModel(of).uniform(winding, percent, 23),
        ReelKind.METAL,
        of.dryTargetPercent(),
        Belief.anyLot(waterSpread));
  }

  private static Dryer dryer(OptionalDouble airChanges) {
    return new Dryer(110, 0, 0, airChanges, 12);
  }

  private static PrintReady ready(LoadedSpool loaded, double share, double setpointC) {
    return PrintReady.of(
            new DryerLoad(List.of(loaded)),
            List.of(share),
            dryer(OptionalDouble.empty()),
            ROOM,
            setpointC,
            setpointC)
        .get(0);
  }

  /**
   * Common practice: hours at the data sheet's temperature after which it prints, from a spool that
   * lay open for weeks (the trade's tables: PETG 4 to 8, ABS 2 to 6, TPU 4 to 8, PA6 8 to 16).
   */
  @ParameterizedTest
  @CsvSource({
    "PETG, 0.24, 65, 1, 6",
    "ABS, 0.34, 80, 0, 3",
    "TPU95A, 0.43, 55, 2, 8",
    "PA6, 2.6, 80, 8, 16"
  })
  void likelyPrintsInTheTradesTime(
      String material, double percent, double setpointC, double least, double most) {
    PrintReady ready = ready(loaded(material, percent, 0.2), 1, setpointC);
    assertThat(ready.likelyHours().orElseThrow()).isBetween(least, most);
    assertThat(ready.sureHours().orElseThrow())
        .isGreaterThanOrEqualTo(ready.likelyHours().getAsDouble());
  }

  /** A job of some metres takes outer wraps, which are dry first; and printing comes before dry. */
  @Test
  void fewMetresPrintSoonerThanTheWholeSpoolAndThatSoonerThanDry() {
    LoadedSpool nylon = loaded("PA6", 2.6, 0.1);
    double some = ready(nylon, 0.1, 80).sureHours().orElseThrow();
    double all = ready(nylon, 1, 80).sureHours().orElseThrow();
    assertThat(some).isLessThan(0.8 * all);
    double dry =
        LoadForecast.of(
                new DryerLoad(List.of(nylon)),
                dryer(OptionalDouble.empty()),
                ROOM,
                OptionalDouble.of(80))
            .sureLastHours()
            .orElse(Double.POSITIVE_INFINITY);
    assertThat(all).isLessThan(0.8 * dry);
  }

  /**
   * As dry as it need be already; never in air that is too damp; a little unsure, a little later.
   */
  @Test
  void zeroNeverAndTheSpreadAreTold() {
    assertThat(ready(loaded("PETG", 0.1, 0.1), 1, 65).sureHours()).hasValue(0);
    LoadedSpool pc = loaded("PC", 0.3, 0.1);
    PrintReady damp =
        PrintReady.of(
                new DryerLoad(List.of(pc)),
                List.of(1.0),
                dryer(OptionalDouble.empty()),
                new MoistAir(32, 90),
                45,
                45)
            .get(0);
    assertThat(damp.likelyHours()).isEmpty();
    assertThat(damp.sureHours()).isEmpty();
    double unsure = ready(loaded("TPU95A", 0.43, 0.3), 1, 55).sureHours().orElseThrow();
    double known = ready(loaded("TPU95A", 0.43, 0.02), 1, 55).sureHours().orElseThrow();
    assertThat(unsure).isGreaterThanOrEqualTo(known);
  }

  /** In a tight dryer each waits for the other's water too. */
  @Test
  void sharedAirDelaysBoth() {
    LoadedSpool nylon = loaded("PA6", 2.6, 0.1);
    LoadedSpool tpu = loaded("TPU95A", 0.43, 0.1);
    Dryer tight = dryer(OptionalDouble.of(2));
    PrintReady alone =
        PrintReady.of(new DryerLoad(List.of(tpu)), List.of(1.0), tight, ROOM, 55, 55).get(0);
    PrintReady beside =
        PrintReady.of(new DryerLoad(List.of(nylon, tpu)), List.of(1.0, 1.0), tight, ROOM, 55, 55)
            .get(1);
    assertThat(beside.likelyHours().orElse(Double.POSITIVE_INFINITY))
        .isGreaterThan(1.2 * alone.likelyHours().orElseThrow());
  }

  /** Each further hour buys metres, from outside in; the last step is the whole spool's hour. */
  @Test
  void eachStepBuysMoreOfTheSpool() {
    LoadedSpool nylon = loaded("PA6", 2.6, 0.1);
    Dryer vented = dryer(OptionalDouble.empty());
    List<PrintReady.Step> steps = PrintReady.steps(nylon, vented, ROOM, 80, 80);
    assertThat(steps.size()).isGreaterThan(4);
    for (int i = 1; i < steps.size(); i++) {
      assertThat(steps.get(i).hour()).isGreaterThan(steps.get(i - 1).hour());
      assertThat(steps.get(i).share()).isGreaterThan(steps.get(i - 1).share());
    }
    PrintReady.Step last = steps.get(steps.size() - 1);
    assertThat(last.share()).isEqualTo(1);
    double all = ready(nylon, 1, 80).likelyHours().orElseThrow();
    assertThat(last.hour()).isCloseTo(all, within(0.02 * all));
    // Dry enough already: one step at hour 0. Never: none.
    assertThat(PrintReady.steps(loaded("PETG", 0.1, 0.1), vented, ROOM, 65, 65))
        .containsExactly(new PrintReady.Step(0, 1));
    assertThat(PrintReady.steps(loaded("PC", 0.3, 0.1), vented, new MoistAir(32, 90), 45, 45))
        .isEmpty();
  }
}
