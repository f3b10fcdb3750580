package mindspool.server.calc;

import static mindspool.server.calc.Inputs.number;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.ExampleObject;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mindspool.core.Require;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.material.Parameter;
import mindspool.core.print.BedSurfaces;
import mindspool.core.print.HoldDown;
import mindspool.core.print.HoldLevers;
import mindspool.core.print.PrintAir;
import mindspool.server.calc.PrintRequests.PadsRequest;
import mindspool.server.calc.PrintRequests.PartRequest;
import mindspool.server.calc.PrintRequests.PlateRequest;
import mindspool.server.http.Asks;
import mindspool.server.http.MayBeNull;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@Asks
@RestController
@Tag(name = "calculators")
class HoldDownCalculator {

  private static final double MM = 1e-3;

  /** What is usual where nothing is said; common practice. */
  private static final double USUAL_ROOM_C = 23;

  private final MaterialCatalogue catalogue;
  private final BedSurfaces surfaces = BedSurfaces.standard();

  HoldDownCalculator(MaterialCatalogue catalogue) {
    this.catalogue = catalogue;
  }

  record WarpRequest(
      String material,
      Map<String, Double> materialOverrides,
      PartRequest part,
      PlateRequest plate,
      Double bedTemperatureC,
      Double chamberTemperatureC,
      Double draft,
      Double fanPercent,
      Double squish,
      Double brimMm,
      PadsRequest pads,
      Double raftMarginMm) {}

  /**
   * A lever.
   *
   * @param effort from 1, a minute at the bench, to 8, something to be bought or drawn anew
   */
  record LeverView(
      String change, double adhesionRatio, double plateRatio, double tipRatio, double effort) {

    static LeverView of(HoldLevers.Lever lever) {
      HoldDown after = lever.after();
      return new LeverView(
          lever.change(),
          after.adhesionRatio(),
          after.plateRatio(),
          after.tipRatio(),
          lever.effort());
    }
  }

  /**
   * How a part holds.
   *
   * @param liftsAtHeightMm null where no corner comes loose
   * @param danger what the bond can do to the plate; null where nothing
   * @param cheapest the cheapest set of levers that brings all three under 0.7; null where it is
   *     there already, or where no four together do
   */
  record WarpAnswer(
      double adhesionRatio,
      double plateRatio,
      double tipRatio,
      String verdict,
      double unsurePercent,
      Double liftsAtHeightMm,
      double liftMm,
      @MayBeNull String danger,
      String release,
      String note,
      @MayBeNull LeverView cheapest,
      List<LeverView> levers,
      List<Double> heightMm,
      List<Double> adhesionByHeight,
      List<Double> plateByHeight) {}

  @PostMapping("/api/calc/warp")
  @Operation(
      summary = "Whether a part stays flat on its plate, and what would make it",
      description =
          "Ratios of load over hold: 1 lets go. An absolute ratio is good to about 35 %; the order"
              + " of the levers is surer. The danger of a surface goes before everything.",
      requestBody =
          @io.swagger.v3.oas.annotations.parameters.RequestBody(
              content =
                  @Content(
                      examples =
                          @ExampleObject(
                              """
                              {"material": "ABS", "part": {"lengthMm": 120, "widthMm": 50, "heightMm": 25},
                               "plate": {"kind": "spring_steel_05", "surface": "smooth_pei",
                                         "interfaceLayer": "none", "cleanliness": 0.9},
                               "bedTemperatureC": 90, "chamberTemperatureC": 32, "draft": 0.15}
                              """))))
  WarpAnswer warp(@RequestBody WarpRequest request) {
    HoldDown.Case now = toCase(request);
    HoldDown found = HoldDown.of(now, surfaces);
    BedSurfaces.Grip grip = surfaces.grip(now.plate(), now.material());
    HoldLevers levers = HoldLevers.of(now, surfaces);
    Optional<HoldLevers.Lever> cheapest = levers.cheapest();
    return new WarpAnswer(
        found.adhesionRatio(),
        found.plateRatio(),
        found.tipRatio(),
        found.verdict().words(),
        100 * HoldDown.UNSURE_SHARE,
        found.liftsAtM().isPresent() ? found.liftsAtM().getAsDouble() / MM : null,
        found.liftM() / MM,
        grip.danger() == BedSurfaces.Danger.DANGER ? grip.note() : null,
        grip.release(),
        grip.note(),
        cheapest.map(LeverView::of).orElse(null),
        levers.alone().stream().map(LeverView::of).toList(),
        list(found.heightsM(), MM),
        list(found.adhesionAt(), 1),
        list(found.plateAt(), 1));
  }

  private HoldDown.Case toCase(WarpRequest request) {
    Material material = Inputs.material(catalogue, request.material, request.materialOverrides);
    PartRequest part = Require.present("part", request.part, "lengthMm, widthMm and heightMm");
    PlateRequest plate = Require.present("plate", request.plate, "kind and surface");
    return new HoldDown.Case(
        material,
        part.toPart(),
        plate.toPlate(),
        new PrintAir(
            number("bedTemperatureC", request.bedTemperatureC, material.value(Parameter.BED)),
            number("chamberTemperatureC", request.chamberTemperatureC, USUAL_ROOM_C),
            number("draft", request.draft, 0),
            number("fanPercent", request.fanPercent, material.value(Parameter.FAN_MIN)) / 100),
        PrintRequests.aids(request.squish, request.brimMm, request.pads, request.raftMarginMm));
  }

  private static List<Double> list(double[] values, double unit) {
    return Arrays.stream(values).map(each -> each / unit).boxed().toList();
  }
}
