package mindspool.core.print;

import mindspool.core.Require;

/**
 * What a part takes of filament and time. A box of the part's size is an upper guess; its file, or
 * whoever prints it, knows better.
 */
public sealed interface PartAmount {

  /** Filament of a part, g. */
  double grams(SetupSheet sheet);

  /** How long it prints, h. */
  double hours(SetupSheet sheet);

  /** As a box of its size, with its walls and infill, takes it. */
  record OfBox() implements PartAmount {

    @Override
    public double grams(SetupSheet sheet) {
      return gramsOf(sheet.path().volumeM3(), sheet);
    }

    @Override
    public double hours(SetupSheet sheet) {
      return sheet.path().buildS(sheet.speedMPerS(), leastLayerS(sheet)) / 3600;
    }
  }

  /**
   * As a mesh takes it: its surface as thick as the walls, what is inside filled as the box is.
   *
   * @param solidM3 that it encloses
   * @param surfaceM2 all of it, within holes as well
   */
  record OfMesh(double solidM3, double surfaceM2) implements PartAmount {

    @Override
    public double grams(SetupSheet sheet) {
      return gramsOf(meltM3(sheet.job().part()), sheet);
    }

    @Override
    public double hours(SetupSheet sheet) {
      return sheet.path().buildS(meltM3(sheet.job().part()), sheet.speedMPerS(), leastLayerS(sheet))
          / 3600;
    }

    private double meltM3(PrintedPart part) {
      double shell = Math.min(solidM3, surfaceM2 * part.walls() * part.lineWidthM());
      return shell + part.infillShare() * (solidM3 - shell);
    }
  }

  /** As somebody knows it, or a print file says. */
  record Known(double grams, double hours) implements PartAmount {

    public Known {
      Require.within("grams", grams, 0, 100_000, "g");
      Require.within("hours", hours, 0, 10_000, "h");
    }

    @Override
    public double grams(SetupSheet sheet) {
      return grams;
    }

    @Override
    public double hours(SetupSheet sheet) {
      return hours;
    }
  }

  private static double gramsOf(double meltM3, SetupSheet sheet) {
    return 1000 * meltM3 * sheet.job().material().densityKgPerM3();
  }

  private static double leastLayerS(SetupSheet sheet) {
    return sheet.job().wishes().layerTimeS().orElse(sheet.shortestLayerS());
  }
}
