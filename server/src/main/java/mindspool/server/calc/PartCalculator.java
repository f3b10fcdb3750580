package mindspool.server.calc;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import mindspool.core.InvalidValueException;
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

  private static final double LEAST_DIRECTION = 1e-6;

  private final MaterialCatalogue catalogue;

  PartCalculator(MaterialCatalogue catalogue) {
    this.catalogue = catalogue;
  }

  @PostMapping(value = "/api/calc/part", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @Operation(
      summary = "Measures a part's file: STL (binary or ASCII), 3MF or G-code, up to 512 MB",
      description =
          "The file is known by what is in it, not by its name. Sizes in mm as it lies in the file;"
              + " or with a direction of its own down (downX, downY, downZ);"
              + " mass with walls of 1.35 mm and 20 % infill unless said. A print file's time is"
              + " with accelerations, as it sets them or as given. Nothing is stored.")
  PartAnswer part(
      @RequestParam("file") MultipartFile file,
      @RequestParam(value = "shellMm", required = false) Double shellMm,
      @RequestParam(value = "infillPercent", required = false) Double infillPercent,
      @RequestParam(value = "filamentDiameterMm", required = false) Double filamentDiameterMm,
      @RequestParam(value = "accelerationMmPerS2", required = false) Double acceleration,
      @RequestParam(value = "downX", required = false) Double downX,
      @RequestParam(value = "downY", required = false) Double downY,
      @RequestParam(value = "downZ", required = false) Double downZ)
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
          PartFile.read(copy, machine, laid(downX, downY, downZ)), catalogue, shell, infill / 100);
    } finally {
      Files.deleteIfExists(copy);
    }
  }

  private static Placement laid(Double downX, Double downY, Double downZ) {
    if (downX == null && downY == null && downZ == null) {
      return Placement.HERE;
    }
    double x = Require.within("downX", Inputs.number("downX", downX, 0), -1e6, 1e6, "");
    double y = Require.within("downY", Inputs.number("downY", downY, 0), -1e6, 1e6, "");
    double z = Require.within("downZ", Inputs.number("downZ", downZ, 0), -1e6, 1e6, "");
    double length = Math.hypot(Math.hypot(x, y), z);
    if (length < LEAST_DIRECTION) {
      throw new InvalidValueException(
          "downZ",
          "0, as are the others",
          "a direction",
          "Say what points down, such as 0, 0, -1.");
    }
    return Placement.withDown(x / length, y / length, z / length);
  }
}
