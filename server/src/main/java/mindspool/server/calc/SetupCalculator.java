package mindspool.server.calc;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.ExampleObject;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.Map;
import java.util.Optional;
import mindspool.core.Require;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.print.BedSurfaces;
import mindspool.core.print.PartAmount;
import mindspool.core.print.SetupSheet;
import mindspool.core.print.SheetCase;
import mindspool.core.stock.Filament;
import mindspool.server.calc.PrintRequests.ChoicesRequest;
import mindspool.server.calc.PrintRequests.MachineRequest;
import mindspool.server.calc.PrintRequests.MountedPlateRequest;
import mindspool.server.calc.PrintRequests.PartRequest;
import mindspool.server.calc.PrintRequests.PrintRoomRequest;
import mindspool.server.calc.PrintRequests.SpoolForJobRequest;
import mindspool.server.http.Asks;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** The whole sheet of a print. */
@Asks
@RestController
@Tag(name = "calculators")
class SetupCalculator {

  private final MaterialCatalogue catalogue;
  private final BedSurfaces surfaces = BedSurfaces.standard();

  SetupCalculator(MaterialCatalogue catalogue) {
    this.catalogue = catalogue;
  }

  /** A print; what stands from {@code choices} on may be left out, the room too. */
  record SetupRequest(
      String material,
      Map<String, Double> materialOverrides,
      MachineRequest machine,
      MountedPlateRequest plate,
      PartRequest part,
      PrintRoomRequest room,
      ChoicesRequest choices,
      SpoolForJobRequest spool,
      Double filamentDiameterMm,
      String materialBefore) {}

  @PostMapping("/api/calc/setup")
  @Operation(
      summary =
          "How to set a print up: every setting with its reason, whether it holds, and checks",
      description =
          "What the machine and the choices leave out is usual for a desktop printer. Ratios of load"
              + " over hold: 1 lets go; good to about 35 %.",
      requestBody =
          @io.swagger.v3.oas.annotations.parameters.RequestBody(
              content =
                  @Content(
                      examples =
                          @ExampleObject(
                              """
                              {"material": "ABS",
                               "machine": {"hotEnd": "ALL_METAL", "bedMaxC": 100, "chamber": "ENCLOSED"},
                               "plate": {"kind": "spring_steel_05", "surface": "smooth_pei", "cleanliness": 0.9},
                               "part": {"lengthMm": 120, "widthMm": 80, "heightMm": 12, "walls": 3},
                               "room": {"temperatureC": 22},
                               "choices": {"brimMm": 3, "together": ["HIPS"]},
                               "spool": {"moistureStartPercent": 0.1, "leftG": 600},
                               "materialBefore": "PLA"}
                              """))))
  SheetAnswer setup(@RequestBody SetupRequest request) {
    PartRequest part = PrintRequests.present(request.part);
    MountedPlateRequest plate = Require.present("plate", request.plate, "kind and surface");
    MachineRequest machine =
        Require.present("machine", request.machine, "an object; {} for a usual printer");
    ChoicesRequest choices = request.choices == null ? ChoicesRequest.NONE : request.choices;
    PrintRoomRequest room = request.room == null ? new PrintRoomRequest(null, null) : request.room;
    return SheetAnswer.of(
        SetupSheet.of(
            new SheetCase(
                Inputs.material(catalogue, request.material, request.materialOverrides),
                part.toPart(),
                machine.toPrinter(),
                plate.toPlate(),
                room.toRoom(),
                choices.toWishes(part),
                SheetCase.Label.NONE,
                Optional.ofNullable(request.spool).map(SpoolForJobRequest::toSpool),
                Inputs.number(
                        "filamentDiameterMm",
                        request.filamentDiameterMm,
                        Filament.USUAL_DIAMETERS_MM.get(0))
                    / 1000,
                Optional.ofNullable(request.materialBefore).map(catalogue::named),
                new PartAmount.OfBox(),
                choices.togetherFrom(catalogue)),
            surfaces));
  }
}
