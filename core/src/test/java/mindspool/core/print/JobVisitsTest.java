package mindspool.core.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.print.JobVisits.Visit;
import mindspool.core.print.JobVisits.Why;
import mindspool.core.print.NozzleCare.NozzleMaterial;
import org.junit.jupiter.api.Test;

class JobVisitsTest {

  private static SetupSheet sheet(double heightMm, SheetCase.SpoolForJob spool) {
    return SetupSheet.of(
        new SheetCase(
            MaterialCatalogue.standard().named("PETG"),
            new PrintedPart(0.12, 0.08, heightMm / 1000, 3, 0.45e-3, 0.2, 90, 0, 0.08),
            new Printer(
                Printer.HotEndKind.ALL_METAL,
                300,
                12e-3,
                0.4e-3,
                NozzleMaterial.BRASS,
                0,
                110,
                0.22,
                0.22,
                0.22,
                250,
                300,
                Printer.ChamberKind.OPEN,
                60,
                0,
                0.28,
                2,
                true,
                0,
                150,
                true),
            new MountedPlate(
                new BuildPlate(PlateKind.SPRING_STEEL_05, "textured_pei", "none", 1, 5000),
                0.28,
                OptionalDouble.empty()),
            new SheetCase.Surroundings(22, OptionalDouble.empty()),
            SheetCase.Wishes.none(0.2e-3),
            SheetCase.Label.NONE,
            Optional.ofNullable(spool),
            1.75e-3,
            Optional.empty(),
            new PartAmount.OfBox(),
            List.of()),
        BedSurfaces.standard());
  }

  private static List<Why> reasons(SetupSheet sheet) {
    return JobVisits.of(sheet).stream().map(Visit::why).toList();
  }

  @Test
  void aTallPartIsLookedAtTwiceAndTakenOffAtItsEnd() {
    SetupSheet sheet = sheet(40, null);
    assertThat(reasons(sheet)).containsExactly(Why.START, Why.LOOK, Why.LOOK, Why.END);
    Visit end = JobVisits.of(sheet).get(3);
    assertThat(end.fromH()).isCloseTo(sheet.hours(), within(1e-9));
    assertThat(JobVisits.of(sheet).get(0).fromH()).isZero();
  }

  @Test
  void aPartOfOneLayerIsOnlyStartedAndTakenOff() {
    assertThat(reasons(sheet(0.2, null))).containsExactly(Why.START, Why.END);
  }

  /** Half of the filament is there, so the runout comes half way through the job. */
  @Test
  void halfASpoolRunsOutHalfWay() {
    double grams = sheet(40, null).grams();
    SetupSheet sheet = sheet(40, new SheetCase.SpoolForJob(0.1, 0.1, grams / 2, 10, false, 0));
    Visit runout =
        JobVisits.of(sheet).stream().filter(it -> it.why() == Why.RUNOUT).findFirst().orElseThrow();
    double middle = sheet.hours() / 2;
    double slack = sheet.hours() * 10 / grams;
    assertThat(runout.fromH()).isCloseTo(middle - slack, within(1e-6));
    assertThat(runout.toH()).isCloseTo(middle + slack, within(1e-6));
    assertThat(runout.words()).contains("20 mm");
  }

  @Test
  void enoughFilamentNeedsNobodyAndAnEmptySpoolAtOnce() {
    double grams = sheet(40, null).grams();
    assertThat(reasons(sheet(40, new SheetCase.SpoolForJob(0.1, 0.1, grams + 11, 10, false, 0))))
        .doesNotContain(Why.RUNOUT);
    SetupSheet empty = sheet(40, new SheetCase.SpoolForJob(0.1, 0.1, 0, 0, false, 0));
    Visit runout =
        JobVisits.of(empty).stream().filter(it -> it.why() == Why.RUNOUT).findFirst().orElseThrow();
    assertThat(runout.fromH()).isZero();
    assertThat(runout.toH()).isZero();
  }
}
