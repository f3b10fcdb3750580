package mindspool.core.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.moisture.AirContact;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.moisture.SpoolState;
import mindspool.core.stock.Winding;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Water of the very metres of a job. */
class JobMetresTest {

  private static final Material NYLON = MaterialCatalogue.standard().named("PA6");
  private static final ClimateSeries ROOM = ClimateSeries.constant(new MoistAir(23, 50));
  private static final ClimateSeries DRY = ClimateSeries.constant(new MoistAir(23, 1));

  private static SpoolState spool(double kilograms, double percent) {
    Winding winding =
        Winding.withinRim(0.04, 0.1, 0.06, kilograms, 1.75e-3, NYLON.densityKgPerM3());
    return new SpoolMoistureModel(NYLON).uniform(winding, percent, 23);
  }

  private static List<JobMetres.Point> job(
      SpoolState state, ClimateSeries air, double hours, double grams) {
    return JobMetres.of(NYLON, state, air, AirContact.STILL, 0, hours, grams);
  }

  @Test
  void aDrySpoolInARoomGetsWetterAndOneInDryAirDoesNot() {
    SpoolState dry = spool(0.8, 0.1);
    List<JobMetres.Point> inRoom = job(dry, ROOM, 8, 60);
    assertThat(inRoom.get(0).percent()).isCloseTo(0.1, within(1e-6));
    assertThat(last(inRoom)).isGreaterThan(inRoom.get(0).percent() + 0.05);
    List<JobMetres.Point> inDryAir = job(dry, DRY, 8, 60);
    assertThat(last(inDryAir)).isLessThanOrEqualTo(0.1 + 1e-9);
  }

  private static double last(List<JobMetres.Point> points) {
    return points.get(points.size() - 1).percent();
  }

  /**
   * What is used up quickly had no time to take up water: a slow job of the same grams is wetter.
   */
  @Test
  void aFasterJobUsesDrierMetres() {
    SpoolState dry = spool(0.8, 0.1);
    assertThat(last(job(dry, ROOM, 2, 60))).isLessThan(last(job(dry, ROOM, 20, 60)));
  }

  /** Much filament an hour takes the wet wraps off before they are wet. */
  @Test
  void moreGramsAnHourReachDrierWraps() {
    SpoolState dry = spool(0.8, 0.1);
    assertThat(last(job(dry, ROOM, 8, 400))).isLessThan(last(job(dry, ROOM, 8, 5)));
  }

  @Test
  void theSpoolItselfIsNotTouched() {
    SpoolState state = spool(0.5, 0.3);
    double before = state.profile().meanPercent();
    job(state, ROOM, 10, 100);
    assertThat(state.profile().meanPercent()).isEqualTo(before);
    assertThat(state.winding().dryMassKg()).isCloseTo(0.5, within(1e-9));
  }

  @ParameterizedTest
  @ValueSource(doubles = {0.05, 0.3, 5, 48, 1000})
  void pointsRunFromStartToEnd(double hours) {
    List<JobMetres.Point> points = job(spool(0.9, 0.2), ROOM, hours, 10);
    assertThat(points.get(0).hour()).isZero();
    assertThat(points.get(points.size() - 1).hour()).isCloseTo(hours, within(1e-6));
    assertThat(points).hasSizeBetween(5, 97);
    assertThat(points).allMatch(point -> point.percent() >= 0);
  }

  @Test
  void aSpoolThatRunsOutEndsThere() {
    List<JobMetres.Point> points = job(spool(0.03, 0.2), ROOM, 10, 100);
    assertThat(points.get(points.size() - 1).hour()).isLessThan(10);
    assertThat(points).isNotEmpty();
  }

  @Test
  void whatCannotBeIsRefused() {
    assertThatThrownBy(() -> job(spool(0.5, 0.2), ROOM, 0, 10)).hasMessageContaining("hours");
    assertThatThrownBy(() -> job(spool(0.5, 0.2), ROOM, 2, 0)).hasMessageContaining("grams");
    assertThatThrownBy(() -> job(spool(0.5, 0.2), ROOM, Double.NaN, 10))
        .hasMessageContaining("hours");
  }
}
