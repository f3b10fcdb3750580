package mindspool.core.drying;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.OptionalDouble;
import mindspool.core.InvalidValueException;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.DryingCeiling.Setter;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.moisture.SpoolState;
import mindspool.core.stock.ReelKind;
import mindspool.core.stock.Winding;
import mindspool.core.storage.Desiccant;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class DryingCeilingTest {

  private static final MoistAir ROOM = new MoistAir(23, 50);

  /** Hottest spot 5 K above the dial, probes good to 1 K, rated 70 °C. */
  private static final Dryer MEASURED =
      new Dryer(
          DryerKind.PURPOSE_MADE,
          70,
          new DryerBehaviour(0, 5, 1, 30, true),
          OptionalDouble.empty(),
          12,
          Optional.empty());

  private static Material material(String name) {
    return MaterialCatalogue.standard().named(name);
  }

  private static Dryer unmeasured(DryerKind kind) {
    return new Dryer(
        kind, kind.usualRatedMaxC(), kind.usual(), OptionalDouble.empty(), 12, Optional.empty());
  }

  /** Worked examples of the field notes' section on ceilings. */
  @ParameterizedTest
  @CsvSource({
    "PLA, cardboard, 44, FILAMENT",
    "PA6, polystyrene, 64, REEL",
    "PC, PC, 70, DRYER",
    "PETG, printed PLA, 39, REEL"
  })
  void agreesWithTheWorkedExamples(String material, String reel, double setpointC, Setter setBy) {
    DryingCeiling ceiling = DryingCeiling.of(material(material), ReelKind.ofId(reel), MEASURED);
    assertThat(ceiling.temperatureC()).isCloseTo(setpointC, within(0.01));
    assertThat(ceiling.setBy()).isEqualTo(setBy);
  }

  /** Glue lets go before the board gives way: common practice. */
  @Test
  void hotMeltSetsTheCeilingOfGluedCardboard() {
    DryingCeiling ceiling =
        DryingCeiling.of(material("ABS"), ReelKind.CARDBOARD_HOT_MELT, MEASURED);
    assertThat(ceiling.setBy()).isEqualTo(Setter.ADHESIVE);
    assertThat(ceiling.temperatureC()).isCloseTo(59, within(0.01));
    assertThat(ceiling.raisedBy()).anyMatch(way -> way.contains("up to 70 °C"));
  }

  /** Harmless, but of no use: it is said, with the way out, and not forbidden. */
  @Test
  void farBelowTheUsualTemperatureTheWayOutIsNamed() {
    DryingCeiling onPla = DryingCeiling.of(material("PETG"), ReelKind.PRINTED_PLA, MEASURED);
    assertThat(onPla.slow()).hasValueSatisfying(why -> assertThat(why).contains("Rewind it"));
    assertThat(onPla.refusal()).isEmpty();
    assertThat(DryingCeiling.of(material("PLA"), ReelKind.CARDBOARD, MEASURED).slow()).isEmpty();
    DryingForecast forecast = forecast("PETG", ReelKind.PRINTED_PLA, MEASURED, 0.3);
    assertThat(forecast.hours().core()).isEmpty();
    assertThat(forecast.advice()).anyMatch(line -> line.contains("Rewind it"));
  }

  /**
   * What a newcomer has: a dryer as bought, a plastic reel, an ordinary room. Practice dries every
   * usual filament so, at the data sheet's temperature or the dryer's highest.
   */
  @ParameterizedTest
  @CsvSource({
    "PLA, 0.3, 50",
    "PETG, 0.24, 65",
    "TPU95A, 0.43, 60",
    "ABS, 0.34, 70",
    "ASA, 0.37, 70",
    "PA6, 2.0, 70",
    "PC, 0.15, 70",
    "PVA, 2.5, 55"
  })
  void anUnmeasuredDryerDriesWhatPracticeDries(String material, double percent, double mostC) {
    Dryer bought = unmeasured(DryerKind.PURPOSE_MADE);
    DryingCeiling ceiling = forecast(material, ReelKind.PLASTIC, bought, percent).ceiling();
    assertThat(ceiling.refusal()).isEmpty();
    assertThat(ceiling.temperatureC()).isBetween(mostC - 5.1, mostC);
    Material of = material(material);
    DryingForecast atTheCeiling =
        DryingForecast.of(
            of,
            state(of, percent),
            ReelKind.PLASTIC,
            bought,
            ROOM,
            OptionalDouble.of(ceiling.temperatureC()),
            OptionalDouble.of(of.printLimitPercent()));
    assertThat(atTheCeiling.hours().all()).isPresent();
    assertThat(ceiling.risk().orElseThrow())
        .contains("never measured")
        .contains("A thermometer beside the reel");
    assertThat(atTheCeiling.advice()).contains(ceiling.risk().get());
  }

  /** Whoever asks for nothing gets what harms nothing, also in one of the hottest of its kind. */
  @ParameterizedTest
  @EnumSource(DryerKind.class)
  void unaskedAnUnmeasuredDryerIsSetToWhatIsSafe(DryerKind kind) {
    Dryer bought = unmeasured(kind);
    for (Material material : MaterialCatalogue.standard().all()) {
      for (ReelKind reel : ReelKind.values()) {
        DryingCeiling ceiling = DryingCeiling.of(material, reel, bought);
        double hottestC =
            ceiling.recommendedSetpointC(material, bought) + bought.behaviour().marginK();
        assertThat(hottestC)
            .as("%s on %s in %s", material.name(), reel, kind)
            .isLessThanOrEqualTo(
                DryingCeiling.harmful(material, reel).get(0).temperatureC() + 1e-9);
      }
    }
    DryingForecast pla = forecast("PLA", ReelKind.PLASTIC, bought, 0.3);
    assertThat(pla.advice()).anyMatch(line -> line.contains("never measured"));
    assertThat(pla.recipes())
        .allMatch(recipe -> recipe.setpointC() <= Math.max(20, pla.ceiling().cautiousC()) + 1e-9);
  }

  /** 50 °C on the dial is 56 °C at the hottest place of most: PLA softens from 58 °C on. */
  @Test
  void theHottestPlaceOfMostDryersStaysBelowSoftening() {
    for (DryerKind kind : DryerKind.values()) {
      Dryer bought = unmeasured(kind);
      DryingCeiling ceiling = DryingCeiling.of(material("PLA"), ReelKind.METAL, bought);
      assertThat(ceiling.temperatureC() + bought.hottestAboveSetC())
          .as(kind.id())
          .isLessThanOrEqualTo(58);
    }
  }

  /**
   * Water lowers the glass temperature of nylon and PVA: they begin 10 K lower (field notes 3.4).
   */
  @Test
  void dampNylonStartsCoolerAndDryNylonDoesNot() {
    Dryer hotter = new Dryer(90, 0, 6, OptionalDouble.empty(), 12);
    DryingCeiling damp = DryingCeiling.of(material("PA6"), ReelKind.METAL, hotter, 2.6);
    assertThat(damp.startC()).isCloseTo(90 - 10 - 6, within(0.01));
    assertThat(damp.temperatureC()).isCloseTo(90 - 6, within(0.01));
    assertThat(DryingCeiling.of(material("PA6"), ReelKind.METAL, MEASURED, 0.05).startsCooler())
        .isFalse();
    assertThat(DryingCeiling.of(material("PETG"), ReelKind.METAL, MEASURED, 0.4).startsCooler())
        .isFalse();
  }

  /** Ten kelvin less for two hours cost less than two hours in all. */
  @Test
  void aCoolerStartCostsALittleTime() {
    Dryer hot = new Dryer(110, 0, 0, OptionalDouble.empty(), 12);
    double damp = forecast("PVA", ReelKind.METAL, hot, 4).hours().core().orElseThrow();
    Material never = material("PVA").with(java.util.Map.of("printLimitPercent", 40.0));
    SpoolState start = state(never, 4);
    double straight =
        DryingForecast.of(
                never,
                start,
                ReelKind.METAL,
                hot,
                ROOM,
                OptionalDouble.empty(),
                OptionalDouble.empty())
            .hours()
            .core()
            .orElseThrow();
    assertThat(damp).isGreaterThan(straight).isLessThan(straight + 2);
  }

  /** Ovens overshoot by tens of degrees; soft filaments are refused until one was measured. */
  @Test
  void anUnmeasuredKitchenOvenRefusesSoftFilament() {
    Dryer oven = unmeasured(DryerKind.KITCHEN_OVEN);
    assertThat(DryingCeiling.of(material("TPU95A"), ReelKind.METAL, oven).refusal())
        .hasValueSatisfying(why -> assertThat(why).contains("until this oven was measured"));
    assertThat(oven.kind().refuses(material("PC"), false)).isEmpty();
    Dryer known = oven.behaving(new DryerBehaviour(0, 3, 0.5, 20, true));
    assertThat(DryingCeiling.of(material("TPU95A"), ReelKind.METAL, known).refusal()).isEmpty();
    DryingForecast refused = forecast("TPU95A", ReelKind.METAL, oven, 0.4);
    assertThat(refused.hours().all()).isEmpty();
    assertThat(refused.recipes()).as("refused, so no recipe is offered").isEmpty();
  }

  @ParameterizedTest
  @CsvSource({"PURPOSE_MADE", "DEHYDRATOR", "LABORATORY_OVEN", "KITCHEN_OVEN", "VACUUM"})
  void measuringAGoodDryerRaisesItsCeiling(DryerKind kind) {
    Dryer unknown = unmeasured(kind);
    Dryer known = unknown.behaving(new DryerBehaviour(0, 2, 0.3, 30, true));
    DryingCeiling before = DryingCeiling.of(material("PLA"), ReelKind.METAL, unknown);
    DryingCeiling after = DryingCeiling.of(material("PLA"), ReelKind.METAL, known);
    assertThat(after.cautiousC()).isGreaterThan(before.cautiousC());
    assertThat(after.risk()).isEmpty();
    assertThat(before.raisedBy()).anyMatch(way -> way.startsWith("Measure this dryer"));
  }

  /** A closed dryer is the limit, not heat; gel takes the water instead (field notes 3.3). */
  @Test
  void desiccantHelpsAClosedDryer() {
    Dryer closed = closed(Optional.empty());
    Dryer withGel = closed(Optional.of(new Dryer.DesiccantInside(Desiccant.SILICA_GEL, 400, 8)));
    double without = meanAfterHours("PA6", closed);
    double with = meanAfterHours("PA6", withGel);
    assertThat(with).isLessThan(0.85 * without);
    Dryer spent = closed(Optional.of(new Dryer.DesiccantInside(Desiccant.SILICA_GEL, 400, 110)));
    assertThat(meanAfterHours("PA6", spent)).isGreaterThan(0.95 * without);
  }

  /**
   * In a vacuum heat comes by radiation only and the core lags; vapour then leaves faster than
   * under the fan of an oven (diffusivity goes with the inverse of the pressure).
   */
  @Test
  void aVacuumWarmsSlowlyAndThenDriesFaster() {
    Dryer vacuum = hot(DryerKind.VACUUM);
    Dryer oven = hot(DryerKind.LABORATORY_OVEN);
    Material pa6 = material("PA6");
    assertThat(forecastAt(pa6, oven).at(24).meanPercent())
        .isGreaterThan(1.3 * forecastAt(pa6, vacuum).at(24).meanPercent());
    assertThat(coreAfterAnHourC(vacuum)).isLessThan(coreAfterAnHourC(oven) - 3);
  }

  private static Dryer hot(DryerKind kind) {
    return new Dryer(
        kind,
        90,
        new DryerBehaviour(0, 0, 0, 0, true),
        OptionalDouble.empty(),
        30,
        Optional.empty());
  }

  private static CycleRun run(Material material, Dryer dryer, double hours) {
    CycleRun run =
        new CycleRun(
            java.util.List.of(
                new DryerLoad.LoadedSpool(
                    "x", material, state(material, 2.6), ReelKind.METAL, 0.2, Belief.anyLot(0))),
            dryer,
            ROOM,
            80,
            80,
            Lots.ALIKE,
            SpoolMoistureModel.Options.STANDARD,
            CycleRun.Steps.FINE);
    run.follow(hours);
    return run;
  }

  private static DryingForecast.Cycle forecastAt(Material material, Dryer dryer) {
    return run(material, dryer, 24).cycle(0);
  }

  private static double coreAfterAnHourC(Dryer dryer) {
    return run(material("PA6"), dryer, 1).state(0).coreTemperatureC();
  }

  /** The pump takes the vapour: the floor falls to a hundredth or so of the room's. */
  @Test
  void aVacuumLowersTheFloor() {
    Dryer vacuum = unmeasured(DryerKind.VACUUM);
    Dryer oven = unmeasured(DryerKind.LABORATORY_OVEN);
    assertThat(forecast("PETG", ReelKind.METAL, vacuum, 0.3).floorPercent())
        .isLessThan(0.05 * forecast("PETG", ReelKind.METAL, oven, 0.3).floorPercent());
  }

  @Test
  void slotsAndSizesAreHeldAgainstTheReel() {
    ReelFit fit = new ReelFit(2, Optional.of(210.0), Optional.of(66.0));
    assertThat(fit.objection(200, 60)).isEmpty();
    assertThat(fit.objection(201, 60)).hasValueSatisfying(why -> assertThat(why).contains("211"));
    assertThat(fit.objection(200, 62)).hasValueSatisfying(why -> assertThat(why).contains("67"));
    assertThat(new ReelFit(1, Optional.empty(), Optional.empty()).objection(500, 400)).isEmpty();
    assertThatThrownBy(() -> new ReelFit(0, Optional.empty(), Optional.empty()))
        .isInstanceOf(InvalidValueException.class)
        .hasMessageContaining("slots");
  }

  private static Dryer closed(Optional<Dryer.DesiccantInside> desiccant) {
    return new Dryer(
        DryerKind.PURPOSE_MADE,
        90,
        new DryerBehaviour(0, 0, 0, 30, true),
        OptionalDouble.of(0.5),
        12,
        desiccant);
  }

  private static double meanAfterHours(String material, Dryer dryer) {
    LoadForecast forecast =
        LoadForecast.of(
            new DryerLoad(
                java.util.List.of(
                    new DryerLoad.LoadedSpool(
                        "x",
                        material(material),
                        state(material(material), 2.6),
                        ReelKind.METAL,
                        material(material).dryTargetPercent(),
                        Belief.anyLot(0.2)))),
            dryer,
            ROOM,
            OptionalDouble.of(80));
    return forecast.spools().get(0).curve().stream()
        .filter(point -> point.hour() >= 12)
        .findFirst()
        .orElseThrow()
        .meanPercent();
  }

  private static SpoolState state(Material material, double percent) {
    Winding winding = new Winding(0.04, 0.06, 1, 0.30, 0.00175, material.densityKgPerM3());
    return new SpoolMoistureModel(material).uniform(winding, percent, 23);
  }

  private static DryingForecast forecast(
      String material, ReelKind reel, Dryer dryer, double percent) {
    return DryingForecast.of(
        material(material),
        state(material(material), percent),
        reel,
        dryer,
        ROOM,
        OptionalDouble.empty(),
        OptionalDouble.empty());
  }
}
