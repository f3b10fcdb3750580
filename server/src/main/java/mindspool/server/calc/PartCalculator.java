package mindspool.server.calc;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import mindspool.core.Require;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.part.GcodeReader;
import mindspool.core.part.PartFile;
import mindspool.core.part.Placement;
import mindspool.core.stock.Filament;
import mindspool.server.http.Asks;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** What a part's file holds. */
@Asks
@RestController
@Tag(name = "calculators")
class PartCalculator {

  private final MaterialCatalogue catalogue;

  PartCalculator(MaterialCatalogue catalogue) {
    this.catalogue = catalogue;
  }

  @PostMapping(value = "/api/calc/part", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @Operation(
      summary = "Measures a part's file: STL (binary or ASCII), 3MF or G-code, up to 512 MB",
      description =
          "The file is known by what is in it, not by its name. Sizes in mm as it lies in the file;"
              + " mass with walls of 1.35 mm and 20 % infill unless said. A print file's time is"
              + " with accelerations, as it sets them or as given. Nothing is stored.")
  PartAnswer part(
      @RequestParam("file") MultipartFile file,
      @RequestParam(value = "shellMm", required = false) Double shellMm,
      @RequestParam(value = "infillPercent", required = false) Double infillPercent,
      @RequestParam(value = "filamentDiameterMm", required = false) Double filamentDiameterMm,
      @RequestParam(value = "accelerationMmPerS2", required = false) Double acceleration)
      throws IOException {
    double shell =
        Require.within(
            "shellMm", Inputs.number("shellMm", shellMm, PartAnswer.USUAL_SHELL_MM), 0, 100, "mm");
    double infill =
        Require.within(
            "infillPercent",
            Inputs.number("infillPercent", infillPercent, PartAnswer.USUAL_INFILL_PERCENT),
            0,
            100,
            "%");
    GcodeReader.Machine machine =
        new GcodeReader.Machine(
            Require.within(
                "filamentDiameterMm",
                Inputs.number(
                    "filamentDiameterMm", filamentDiameterMm, Filament.USUAL_DIAMETERS_MM.get(0)),
                1,
                5,
                "mm"),
            Require.within(
                "accelerationMmPerS2",
                Inputs.number("accelerationMmPerS2", acceleration, PartAnswer.USUAL_ACCELERATION),
                10,
                1_000_000,
                "mm/s²"));
    Path copy = Files.createTempFile("part", ".file");
    try {
      file.transferTo(copy);
      return PartAnswer.of(
          PartFile.read(copy, machine, Placement.HERE), catalogue, shell, infill / 100);
    } finally {
      Files.deleteIfExists(copy);
    }
  }
}
