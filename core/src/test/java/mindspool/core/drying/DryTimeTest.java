package mindspool.core.drying;

import static org.assertj.core.api.Assertions.assertThat;

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

class DryTimeTest {

  private static final MoistAir ROOM = new MoistAir(22, 40);

  private static LoadedSpool loaded(String name, double percent, double spread) {
    Material material = MaterialCatalogue.standard().named(name);
    Winding winding = new Winding(0.04, 0.06, 1, 0.30, 0.00175, material.densityKgPerM3());
    return new LoadedSpool(
        name,
        material,
        new SpoolMoistureModel(material).uniform(winding, percent, 22),
        ReelKind.METAL,
        material.dryTargetPercent(),
        Belief.anyLot(spread));
  }

  private static Dryer dryer(double airChanges) {
    return new Dryer(
        110, 0, 0, airChanges > 0 ? OptionalDouble.of(airChanges) : OptionalDouble.empty(), 12);
  }

  /** One run in a usual direction instead of nine around the spool's own: near enough to plan. */
  @ParameterizedTest
  @CsvSource({
    "PETG, 0.24, 65, 0",
    "ABS, 0.3, 80, 0",
    "PLA, 0.3, 50, 0",
    "PA12, 0.6, 80, 0",
    "PETG, 0.24, 65, 4",
    "ASA, 0.35, 80, 4"
  })
  void agreesWithTheFullForecastWellEnoughForAPlan(
      String material, double percent, double setpointC, double airChanges) {
    LoadedSpool loaded = loaded(material, percent, 0.2);
    double quick = DryTime.sureHours(loaded, dryer(airChanges), ROOM, setpointC).orElseThrow();
    double full =
        LoadForecast.of(
                new DryerLoad(List.of(loaded)),
                dryer(airChanges),
                ROOM,
                OptionalDouble.of(setpointC))
            .sureLastHours()
            .orElseThrow();
    assertThat(quick / full).isBetween(0.8, 1.3);
  }

  @Test
  void aDampRoomNeverDriesAndADrySpoolNeedsNoTime() {
    assertThat(DryTime.sureHours(loaded("PLA", 0.3, 0.2), dryer(0), new MoistAir(28, 90), 40))
        .isEmpty();
    assertThat(DryTime.sureHours(loaded("PETG", 0.01, 0.1), dryer(0), ROOM, 65).orElseThrow())
        .isZero();
  }

  @Test
  void theLessIsKnownTheLongerItTakesToBeSure() {
    double known = DryTime.sureHours(loaded("ABS", 0.3, 0.05), dryer(0), ROOM, 80).orElseThrow();
    double unknown = DryTime.sureHours(loaded("ABS", 0.3, 0.5), dryer(0), ROOM, 80).orElseThrow();
    assertThat(unknown).isGreaterThan(known);
  }

  /** The outer wraps are dry first, the core last. */
  @Test
  void theLessIsTakenTheSoonerItIsDry() {
    LoadedSpool loaded = loaded("PETG", 0.3, 0.2);
    double before = 0;
    for (double share : new double[] {0.05, 0.2, 0.4, 0.8}) {
      double hours = DryTime.sureHours(loaded, dryer(0), ROOM, 65, share).orElseThrow();
      assertThat(hours).isGreaterThan(before);
      before = hours;
    }
    double core = DryTime.sureHours(loaded, dryer(0), ROOM, 65).orElseThrow();
    assertThat(before).isLessThanOrEqualTo(core);
  }
}
