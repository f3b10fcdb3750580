package mindspool.bench;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.TimeUnit;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.print.BedSurfaces;
import mindspool.core.print.BuildPlate;
import mindspool.core.print.Gate;
import mindspool.core.print.HoldDown;
import mindspool.core.print.HoldLevers;
import mindspool.core.print.LeverCurve;
import mindspool.core.print.MountedPlate;
import mindspool.core.print.NozzleCare.NozzleMaterial;
import mindspool.core.print.PartAmount;
import mindspool.core.print.PlateKind;
import mindspool.core.print.PrintedPart;
import mindspool.core.print.Printer;
import mindspool.core.print.SetupSheet;
import mindspool.core.print.SheetCase;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * What a moved lever costs: one hold-down, the whole sheet with its checks, the curves of all
 * levers, the search for the cheapest set. A lid of ABS on a bed that is too cool.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 2)
@Measurement(iterations = 3)
public class LeverBenchmark {

  private final BedSurfaces surfaces = BedSurfaces.standard();
  private final SheetCase job =
      new SheetCase(
          MaterialCatalogue.standard().named("ABS"),
          new PrintedPart(0.12, 0.08, 0.025, 3, 0.45e-3, 0.2, 90, 0, 0.08),
          new Printer(
              Printer.HotEndKind.ALL_METAL,
              300,
              12e-3,
              0.4e-3,
              NozzleMaterial.BRASS,
              0,
              80,
              0.22,
              0.22,
              0.22,
              250,
              300,
              Printer.ChamberKind.DRAUGHTY,
              60,
              0,
              0.28,
              2,
              true,
              0,
              150,
              true),
          new MountedPlate(
              new BuildPlate(PlateKind.SPRING_STEEL_05, "smooth_pei", "none", 0.9, 5000),
              0.28,
              OptionalDouble.empty()),
          new SheetCase.Surroundings(22, OptionalDouble.empty()),
          SheetCase.Wishes.none(0.2e-3),
          SheetCase.Label.NONE,
          Optional.empty(),
          1.75e-3,
          Optional.empty(),
          new PartAmount.OfBox(),
          List.of());
  private final HoldDown.Case held = SetupSheet.of(job, surfaces).holdCase();

  @Benchmark
  public HoldDown holdDown() {
    return HoldDown.of(held, surfaces);
  }

  @Benchmark
  public List<Gate> sheetWithChecks() {
    return SetupSheet.of(job, surfaces).gates();
  }

  @Benchmark
  public List<LeverCurve> allCurves() {
    return SetupSheet.of(job, surfaces).curves();
  }

  @Benchmark
  public Optional<HoldLevers.Lever> cheapestSet() {
    return HoldLevers.of(held, surfaces).cheapest();
  }
}
