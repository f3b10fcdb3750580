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

  /** Worked examples of the handbook's section on ceilings. */
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

  @Test
  void tooCoolACycleIsNotOfferedAndTheWayOutIsNamed() {
    DryingCeiling onPla = DryingCeiling.of(material("PETG"), ReelKind.PRINTED_PLA, MEASURED);
    assertThat(onPla.refusal()).hasValueSatisfying(why -> assertThat(why).contains("Rewind it"));
    assertThat(DryingCeiling.of(material("PLA"), ReelKind.CARDBOARD, MEASURED).refusal()).isEmpty();
    assertThat(forecast("PETG", ReelKind.PRINTED_PLA, MEASURED, 0.3).hours().core()).isEmpty();
  }

  /** Water lowers the glass temperature of nylon and PVA: they begin 10 K lower (handbook 3.4). */
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
  }

  @ParameterizedTest
  @CsvSource({"PURPOSE_MADE", "DEHYDRATOR", "LABORATORY_OVEN", "KITCHEN_OVEN", "VACUUM"})
  void measuringAGoodDryerRaisesItsCeiling(DryerKind kind) {
    Dryer unknown = unmeasured(kind);
    Dryer known = unknown.behaving(new DryerBehaviour(0, 2, 0.3, 30, true));
    DryingCeiling before = DryingCeiling.of(material("PLA"), ReelKind.METAL, unknown);
    assertThat(DryingCeiling.of(material("PLA"), ReelKind.METAL, known).temperatureC())
        .isGreaterThan(before.temperatureC());
    assertThat(before.raisedBy()).anyMatch(way -> way.startsWith("Measure this dryer"));
  }

  /** A closed dryer is the limit, not heat; gel takes the water instead (handbook 3.3). */
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
    ChargeForecast forecast =
        ChargeForecast.of(
            new Charge(
                java.util.List.of(
                    new Charge.Load(
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
