package mindspool.core.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * The field notes' check cases for printing ({@code checks/printing.json}): closed forms,
 * directions of levers that were not used to fit anything, and facts of the trade with their
 * bounds.
 */
class PrintingChecksTest {

  private static final MaterialCatalogue MATERIALS = MaterialCatalogue.standard();
  private static final BedSurfaces SURFACES = BedSurfaces.standard();

  /** Cases of helpers that this program has no use for; their physics is held by others here. */
  private static final Set<String> NOT_HERE =
      Set.of(
          "wang_kappa", "bilayer_kappa", "wang_curl", "bellehumeur_m", "ups_minutes", "dryer_kwh");

  /** The field notes count water of PA6 against this limit, %. */
  private static final double FIELD_NOTES_PA6_LIMIT = 0.1;

  private static final Map<String, PlateKind> PLATES =
      Map.of(
          "spring",
          PlateKind.SPRING_STEEL_05,
          "laminate4",
          PlateKind.LAMINATE_4,
          "sandwich",
          PlateKind.STEEL_SANDWICH_58);

  private static List<JsonNode> cases() {
    JsonNode all =
        JsonMapper.shared()
            .readTree(PrintingChecksTest.class.getResourceAsStream("/checks/printing.json"))
            .get("checks");
    return StreamSupport.stream(all.spliterator(), false).toList();
  }

  static Stream<Arguments> usable() {
    return cases().stream()
        .filter(each -> !NOT_HERE.contains(each.get("fn").asString()))
        .map(each -> Arguments.of(each.get("id").asString(), each));
  }

  @Test
  void nearlyAllCasesAreUsed() {
    assertThat(usable().count()).isGreaterThanOrEqualTo(92);
    assertThat(cases()).hasSize(105);
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("usable")
  void holds(String id, JsonNode check) {
    double found =
        value(check.get("fn").asString(), check.get("args"), check.path("key").asString(""));
    JsonNode expect = check.get("expect");
    if (expect != null && expect.isBoolean()) {
      assertThat(found == 1).isEqualTo(expect.asBoolean());
    } else if (expect != null && !expect.isNull()) {
      double wanted = expect.asDouble();
      double off =
          Math.abs(wanted) * check.path("tol_rel").asDouble() + check.path("tol_abs").asDouble();
      assertThat(found).isCloseTo(wanted, within(Math.max(off, 1e-12 * Math.abs(wanted))));
    }
    if (check.has("min")) {
      assertThat(found).isGreaterThanOrEqualTo(check.get("min").asDouble());
    }
    if (check.has("max")) {
      assertThat(found).isLessThanOrEqualTo(check.get("max").asDouble());
    }
  }

  private static double value(String function, JsonNode args, String key) {
    return switch (function) {
      case "shrink_strain" ->
          HoldDown.strain(material(args.get("m").asString()), args.get("T_env").asDouble());
      case "warp" -> of(holdDown(args, null), key);
      case "warp_ratio" -> {
        String which = args.get("key").asString();
        yield of(holdDown(args.get("base"), args.get("change")), which)
            / of(holdDown(args.get("base"), null), which);
      }
      case "curl_after_lift" ->
          HoldDown.lift(
              number(args, "eps"), number(args, "Hd"), number(args, "H"), number(args, "L"));
      case "t_int" -> {
        Material material = material(args.get("mat").asString());
        double cooling =
            MeltHeat.capacity(material) * (number(args, "w_wall") / 2) / number(args, "h");
        yield LayerBond.interfaceC(
            material,
            number(args, "T_ext"),
            number(args, "Ts"),
            number(args, "T_env"),
            number(args, "t"),
            number(args, "dh"),
            cooling,
            LayerBond.CONTACT_SHARE);
      }
      case "bond" -> key.equals("ZXY") ? bond(args).zToXy() : bond(args).layerBelowC();
      case "min_layer_time" -> bond(args).shortestLayerS();
      case "graetz_mean" -> MeltFlow.coldShare(number(args, "Fo"));
      case "graetz_core" -> MeltFlow.coldCoreShare(number(args, "Fo"));
      case "capillary_dp" ->
          MeltFlow.capillaryPa(
              number(args, "K"),
              number(args, "n"),
              number(args, "land"),
              number(args, "R"),
              number(args, "Q"));
      case "q_max_mm3" ->
          1e9
              * MeltFlow.of(
                      material(args.get("mat").asString()),
                      new MeltFlow.HotEnd(
                          number(args, "T_set"),
                          1e-9,
                          0.4e-3,
                          args.path("Lm").asDouble(0.012),
                          1.75e-3))
                  .mostWarmFlowM3PerS();
      case "flow_verdict" -> {
        MeltFlow flow = flow(args);
        yield switch (key) {
          case "heatOK" -> flow.isWarmEnough() ? 1 : 0;
          case "gripOK" -> flow.isPushed() ? 1 : 0;
          case "floorOK" -> flow.isFloorMet() ? 1 : 0;
          default -> 1e9 * flow.flowM3PerS();
        };
      }
      case "heat_creep" ->
          HeatCreep.of(
                  material(args.get("mat").asString()),
                  number(args, "T_noz"),
                  number(args, "T_ch"),
                  args.path("fan").asDouble(1))
              .risk();
      case "idle_dose" ->
          NozzleCare.idleDose(
              material(args.get("mat").asString()), number(args, "T"), number(args, "minutes"));
      case "idle_minutes" ->
          NozzleCare.idleMinutes(material(args.get("mat").asString()), number(args, "T"));
      case "p_clog_only" ->
          NozzleCare.blockingChance(
              NozzleCare.Dirt.valueOf(args.get("source").asString().toUpperCase()),
              number(args, "metres"),
              number(args, "d_noz"));
      case "wear_mm" ->
          1000
              * NozzleCare.boreGrowthM(
                  material(args.get("mat").asString()),
                  NozzleCare.NozzleMaterial.HARDENED,
                  number(args, "kg"),
                  0.4e-3);
      case "changeover" ->
          Changeover.of(material(args.get("old").asString()), material(args.get("new").asString()))
                  .purgeC()
                  .isPresent()
              ? 1
              : 0;
      case "heat_time" ->
          PlateWarming.warmS(
              number(args, "C"),
              number(args, "hA"),
              number(args, "P"),
              number(args, "T0"),
              number(args, "T1"),
              number(args, "Ta"));
      case "cool_time" ->
          PlateWarming.coolS(
              number(args, "C"),
              number(args, "hA"),
              number(args, "T0"),
              number(args, "T1"),
              number(args, "Ta"));
      case "accel_scaled" ->
          PlateWarming.acceleration(
              number(args, "a_ref"),
              number(args, "m_ref"),
              number(args, "m_new"),
              number(args, "m_other"));
      case "box_ei" ->
          new BoxSection(
                  number(args, "B"),
                  number(args, "Hh"),
                  args.get("N").asInt(),
                  number(args, "b"),
                  number(args, "phi"),
                  1.5)
              .bending();
      default -> throw new AssertionError("no function " + function);
    };
  }

  private static double number(JsonNode args, String name) {
    return args.get(name).asDouble();
  }

  private static Material material(String name) {
    return MATERIALS.named(name);
  }

  private static double of(HoldDown found, String key) {
    return switch (key) {
      case "R" -> found.ratio();
      case "R_adh" -> found.adhesionRatio();
      case "R_plate" -> found.plateRatio();
      case "curl" -> found.liftM();
      default -> throw new AssertionError("no value " + key);
    };
  }

  /**
   * A case as the field notes have it: what it does not say is 3 walls of 0.45 mm and 20 % infill.
   */
  private static HoldDown holdDown(JsonNode base, JsonNode change) {
    Lookup given = name -> change != null && change.has(name) ? change.get(name) : base.path(name);
    Material material = material(given.of("mat").asString());
    double width = given.of("w").asDouble(0.05);
    PrintedPart part =
        new PrintedPart(
            given.of("L").asDouble(),
            width,
            given.of("H").asDouble(0.02),
            given.of("N").asInt(3),
            given.of("b").asDouble(0.45e-3),
            given.of("phi").asDouble(0.2),
            given.of("angle").asDouble(90),
            given.of("radius").asDouble(0),
            width);
    PlateKind plate = PLATES.get(given.of("plate").asString("spring"));
    BuildPlate used =
        new BuildPlate(
            plate,
            given.of("surface").asString("smooth_pei"),
            given.of("interface").asString("none"),
            given.of("clean").asDouble(1),
            given.of("p_hold").asDouble(plate.usualHoldPa()));
    PrintAir air =
        new PrintAir(
            given.of("T_bed").asDouble(),
            given.of("T_ch").asDouble(),
            given.of("draft").asDouble(0),
            given.of("fan").asDouble(0));
    HoldAids aids =
        new HoldAids(
            1,
            given.of("brim").asDouble(0),
            given.of("pad_d").asDouble(0),
            given.of("pad_layers").asInt(2),
            given.of("raft").asDouble(0));
    return HoldDown.of(new HoldDown.Case(material, part, used, air, aids), SURFACES);
  }

  private interface Lookup {
    JsonNode of(String name);
  }

  private static MeltFlow flow(JsonNode args) {
    return MeltFlow.of(
        material(args.get("mat").asString()),
        new MeltFlow.HotEnd(
            number(args, "T_set"),
            number(args, "speed") * number(args, "dh") * number(args, "lw"),
            0.4e-3,
            0.012,
            1.75e-3));
  }

  /** As the field notes lay it where it does not say: 60 mm/s, 0.2 by 0.45 mm, 2 walls, 15 s. */
  private static LayerBond bond(JsonNode args) {
    Material material = material(args.get("mat").asString());
    MeltFlow flow =
        MeltFlow.of(
            material,
            new MeltFlow.HotEnd(
                number(args, "T_noz"), 0.06 * 0.2e-3 * 0.45e-3, 0.4e-3, 0.012, 1.75e-3));
    return LayerBond.of(
        material,
        new LayerBond.Laying(
            flow.meltC(),
            number(args, "T_env"),
            args.path("fan").asDouble(0),
            0,
            args.path("t_layer").asDouble(15),
            0.2e-3,
            0.45e-3,
            args.path("n_walls").asInt(2),
            args.path("moist").asDouble(0) / FIELD_NOTES_PA6_LIMIT));
  }
}
