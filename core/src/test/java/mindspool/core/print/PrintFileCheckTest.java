package mindspool.core.print;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.part.GcodeProfile;
import mindspool.core.part.GcodeReader;
import mindspool.core.print.NozzleCare.NozzleMaterial;
import mindspool.core.print.PrintFileCheck.Finding;
import org.junit.jupiter.api.Test;

/** Print files against the sheet: what common practice would find in them. */
class PrintFileCheckTest {

  private static SetupSheet sheet(String material, double hotEndMaxC, Printer.HotEndKind kind) {
    return SetupSheet.of(
        new SheetCase(
            MaterialCatalogue.standard().named(material),
            new PrintedPart(0.04, 0.04, 0.02, 3, 0.45e-3, 0.2, 90, 0, 0.04),
            new Printer(
                kind,
                hotEndMaxC,
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
                Printer.ChamberKind.ENCLOSED,
                60,
                0,
                0.28,
                2,
                true,
                0,
                150,
                true),
            new MountedPlate(
                new BuildPlate(PlateKind.SPRING_STEEL_05, "smooth_pei", "none", 1, 5000),
                0.28,
                OptionalDouble.empty()),
            new SheetCase.Surroundings(22, OptionalDouble.empty()),
            SheetCase.Wishes.none(0.2e-3),
            SheetCase.Label.NONE,
            Optional.empty(),
            1.75e-3,
            Optional.empty(),
            new PartAmount.OfBox(),
            List.of()),
        BedSurfaces.standard());
  }

  /** A square tower of lines 0.45 by 0.2 mm, slow for the first layers and fast above. */
  private static GcodeProfile tower(double nozzleC, double bedC, double slow, double fast, int fan)
      throws IOException {
    StringBuilder text = new StringBuilder("M83\n");
    text.append(
        String.format(Locale.ROOT, "M140 S%.0f\nM104 S%.0f\nM106 S%d\n", bedC, nozzleC, fan));
    double perMm = 0.45 * 0.2 / (Math.PI * 1.75 * 1.75 / 4);
    for (int layer = 0; layer < 50; layer++) {
      text.append(String.format(Locale.ROOT, "G1 Z%.2f F600\n", 0.2 * (layer + 1)));
      double speed = layer < 11 ? slow : fast;
      for (int line = 0; line < 60; line++) {
        text.append(
            String.format(
                Locale.ROOT,
                "G1 X%d Y%.2f E%.5f F%.0f\n",
                line % 2 == 0 ? 80 : 0,
                0.45 * line,
                80 * perMm,
                60 * speed));
      }
    }
    return GcodeReader.of(
        new ByteArrayInputStream(text.toString().getBytes(StandardCharsets.US_ASCII)),
        new GcodeReader.Machine(1.75, 10_000));
  }

  private static Finding finding(PrintFileCheck check, String id) {
    return check.findings().stream().filter(it -> it.id().equals(id)).findFirst().orElse(null);
  }

  @Test
  void aFileThatIsSlowEnoughPasses() throws IOException {
    SetupSheet sheet = sheet("PLA", 300, Printer.HotEndKind.ALL_METAL);
    PrintFileCheck check = PrintFileCheck.of(tower(210, 60, 25, 60, 255), sheet);
    assertThat(check.findings()).isEmpty();
    assertThat(check.layers()).hasSize(50);
  }

  @Test
  void tooFastForTheMeltSaysFromWhereAndBothWaysOut() throws IOException {
    SetupSheet sheet = sheet("PETG", 300, Printer.HotEndKind.ALL_METAL);
    PrintFileCheck check = PrintFileCheck.of(tower(240, 75, 25, 250, 100), sheet);
    Finding melt = finding(check, "melt");
    assertThat(melt).isNotNull();
    assertThat(melt.fromLayer()).isEqualTo(12);
    assertThat(melt.words()).contains("240 °C").contains("from layer 12");
    double most =
        MeltFlow.of(sheet.job().material(), new MeltFlow.HotEnd(240, 1e-9, 0.4e-3, 12e-3, 1.75e-3))
            .mostFlowM3PerS();
    assertThat(check.layers().get(0).flowShare()).isLessThan(1);
    // The speed that is advised is one that melts.
    double advised = Double.parseDouble(melt.remedy().replaceAll(".*?(\\d+) mm/s.*", "$1"));
    assertThat(advised * 0.45e-6 * 0.2e-3).isLessThanOrEqualTo(most * 1.0001);
    assertThat(advised * 0.45e-6 * 0.2e-3).isGreaterThan(0.97 * most);
  }

  @Test
  void tooHotForTheLinerAndTheWrongMaterialAreSaid() throws IOException {
    SetupSheet sheet = sheet("PLA", 240, Printer.HotEndKind.LINED);
    PrintFileCheck check = PrintFileCheck.of(tower(255, 60, 25, 60, 255), sheet);
    assertThat(finding(check, "hotEnd").remedy()).contains("fumes");
    assertThat(finding(check, "nozzle").words()).contains("PLA is printed at");
  }

  @Test
  void coldLayersAndAColdChamberAreSaid() throws IOException {
    SetupSheet sheet = sheet("ABS", 300, Printer.HotEndKind.ALL_METAL);
    PrintFileCheck check = PrintFileCheck.of(tower(230, 100, 25, 60, 255), sheet);
    assertThat(finding(check, "bond").remedy()).contains("Less fan");
    assertThat(finding(check, "chamber").remedy()).contains("door closed");
    PrintFileCheck hot = PrintFileCheck.of(tower(250, 140, 25, 60, 0), sheet);
    assertThat(finding(hot, "bed").words()).contains("110 °C");
  }
}
