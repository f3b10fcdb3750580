package mindspool.simulators;

import static mindspool.core.PhysicalConstants.GAS_CONSTANT;
import static mindspool.core.PhysicalConstants.STANDARD_PRESSURE_PA;
import static mindspool.core.PhysicalConstants.WATER_MOLAR_MASS;
import static mindspool.core.PhysicalConstants.kelvin;

import java.util.Arrays;
import mindspool.core.climate.SaturationPressure;
import mindspool.core.moisture.AirContact;
import mindspool.core.moisture.MoistureProfile;
import mindspool.core.stock.Winding;

/**
 * The true water and heat in a winding, by finite volumes in two dimensions (across the wraps and
 * along them to flanges that are not quite tight), each volume's filament cut into shells between
 * which water moves the faster the wetter they are, with a loop between wetting and drying at their
 * surface. Backward Euler in time, Newton's method for the vapour of all volumes together.
 *
 * <p>Written apart from the program's own model, which sees one dimension, an even filament, a
 * tight hub and flanges and no loop, so that what it says can be held against something else. Half
 * the width is followed; the other half is its mirror image.
 */
final class WoundFilament {

  private static final int RINGS = 14;
  private static final int COLUMNS = 4;
  private static final int CELLS = RINGS * COLUMNS;

  /** Edges of the shells, as shares of the filament's radius; thin where water enters. */
  private static final double[] SHELL_EDGES = {0, 0.45, 0.70, 0.86, 0.95, 1};

  private static final int SHELLS = SHELL_EDGES.length - 1;
  private static final double[] SHELL_SHARE = new double[SHELLS];

  /** Logarithm of the ratio of the radii between which water crosses from shell to shell. */
  private static final double[] SHELL_WAY = new double[SHELLS];

  static {
    for (int shell = 0; shell < SHELLS; shell++) {
      SHELL_SHARE[shell] =
          SHELL_EDGES[shell + 1] * SHELL_EDGES[shell + 1] - SHELL_EDGES[shell] * SHELL_EDGES[shell];
      double here = 0.5 * (SHELL_EDGES[shell] + SHELL_EDGES[shell + 1]);
      double next =
          shell == SHELLS - 1 ? 1 : 0.5 * (SHELL_EDGES[shell + 1] + SHELL_EDGES[shell + 2]);
      SHELL_WAY[shell] = Math.log(next / here);
    }
  }

  private static final double VAPOUR_DIFFUSIVITY_298 = 2.5e-5;
  private static final double CONDUCTIVITY = 0.15;
  private static final double FLANGE_RESISTANCE = 0.0025 / 0.2;
  private static final double LATENT_HEAT = 2.45e6;
  private static final int MOST_TRIALS = 60;
  private static final double MOST_VAPOUR = 0.9;

  private final TruePolymer polymer;
  private final Winding winding;
  private final double openness;

  private final double[][] shells = new double[CELLS][SHELLS];
  private final double[] pressurePa = new double[CELLS];
  private final double[] temperatureK = new double[CELLS];
  private final double[] side = new double[CELLS];
  private final double[] uptakePerS = new double[CELLS];

  private final double[] ringEdgeM = new double[RINGS + 1];
  private final double[] radialFaceM = new double[RINGS];
  private final double[] ringFaceM2 = new double[RINGS];
  private final double columnM;
  private final double cellM3;
  private final double solidKgPerM3;
  private final double voids;

  private WoundFilament(TruePolymer polymer, Winding winding, double openness) {
    this.polymer = polymer;
    this.winding = winding;
    this.openness = openness;
    this.columnM = winding.widthM() / 2 / COLUMNS;
    this.voids = winding.voidFraction();
    this.solidKgPerM3 = (1 - voids) * winding.densityKgPerM3();
    double hub2 = winding.hubRadiusM() * winding.hubRadiusM();
    double rim2 = winding.outerRadiusM() * winding.outerRadiusM();
    for (int ring = 0; ring <= RINGS; ring++) {
      ringEdgeM[ring] = Math.sqrt(hub2 + (rim2 - hub2) * ring / RINGS);
    }
    for (int ring = 0; ring < RINGS; ring++) {
      double inner = 0.5 * (ringEdgeM[ring] + ringEdgeM[ring + 1]);
      double outer =
          ring < RINGS - 1 ? 0.5 * (ringEdgeM[ring + 1] + ringEdgeM[ring + 2]) : ringEdgeM[RINGS];
      radialFaceM[ring] = 2 * Math.PI * columnM / Math.log(outer / inner);
      ringFaceM2[ring] =
          Math.PI * (ringEdgeM[ring + 1] * ringEdgeM[ring + 1] - ringEdgeM[ring] * ringEdgeM[ring]);
    }
    this.cellM3 = Math.PI * columnM * (rim2 - hub2) / RINGS;
  }

  /**
   * Equally moist and warm throughout.
   *
   * @param openness share of the flanges through which air reaches the wraps
   */
  static WoundFilament uniform(
      TruePolymer polymer,
      Winding winding,
      double openness,
      double humidityPercent,
      double temperatureC) {
    WoundFilament wound = new WoundFilament(polymer, winding, openness);
    double activity = humidityPercent / 100;
    double content = polymer.moistureFraction(activity, 0);
    double warm = kelvin(temperatureC);
    for (double[] shell : wound.shells) {
      Arrays.fill(shell, content);
    }
    Arrays.fill(wound.temperatureK, warm);
    Arrays.fill(wound.pressurePa, activity * wound.fullPressure(warm));
    return wound;
  }

  WoundFilament copy() {
    WoundFilament copy = new WoundFilament(polymer, winding, openness);
    for (int cell = 0; cell < CELLS; cell++) {
      System.arraycopy(shells[cell], 0, copy.shells[cell], 0, SHELLS);
    }
    System.arraycopy(pressurePa, 0, copy.pressurePa, 0, CELLS);
    System.arraycopy(temperatureK, 0, copy.temperatureK, 0, CELLS);
    System.arraycopy(side, 0, copy.side, 0, CELLS);
    System.arraycopy(uptakePerS, 0, copy.uptakePerS, 0, CELLS);
    return copy;
  }

  /** The rest after the outermost wraps were used. */
  WoundFilament withDryMass(double dryMassKg) {
    WoundFilament rest = new WoundFilament(polymer, winding.withDryMass(dryMassKg), openness);
    double perRing = dryMassKg / winding.dryMassKg();
    for (int ring = 0; ring < RINGS; ring++) {
      double from = ring * perRing;
      double to = (ring + 1) * perRing;
      for (int column = 0; column < COLUMNS; column++) {
        int cell = ring * COLUMNS + column;
        for (int old = (int) from; old < Math.min(RINGS, Math.ceil(to)); old++) {
          double part = (Math.min(to, old + 1.0) - Math.max(from, old)) / perRing;
          int was = old * COLUMNS + column;
          for (int shell = 0; shell < SHELLS; shell++) {
            rest.shells[cell][shell] += part * shells[was][shell];
          }
          rest.pressurePa[cell] += part * pressurePa[was];
          rest.temperatureK[cell] += part * temperatureK[was];
          rest.side[cell] += part * side[was];
        }
      }
    }
    return rest;
  }

  double dryMassKg() {
    return winding.dryMassKg();
  }

  double waterKg() {
    double sum = 0;
    for (int cell = 0; cell < CELLS; cell++) {
      sum += 2 * cellM3 * stored(cell);
    }
    return sum;
  }

  /** Moisture by depth, the mean over the width. */
  MoistureProfile profile() {
    double[] percent = new double[RINGS];
    for (int cell = 0; cell < CELLS; cell++) {
      percent[cell / COLUMNS] += 100 * content(shells[cell]) / COLUMNS;
    }
    return new MoistureProfile(percent);
  }

  private static double content(double[] ofShells) {
    double sum = 0;
    for (int shell = 0; shell < SHELLS; shell++) {
      sum += SHELL_SHARE[shell] * ofShells[shell];
    }
    return sum;
  }

  private double gasKgPerM3Pa(int cell) {
    return voids * WATER_MOLAR_MASS / (GAS_CONSTANT * temperatureK[cell]);
  }

  private double stored(int cell) {
    return solidKgPerM3 * content(shells[cell]) + gasKgPerM3Pa(cell) * pressurePa[cell];
  }

  private double fullPressure(double kelvin) {
    return SaturationPressure.atKelvin(kelvin) * polymer.humidityFactor(kelvin);
  }

  /** One step in air that stays the same. */
  void step(double airC, double airPa, AirContact contact, double seconds) {
    double[] before = new double[CELLS];
    double[] activityBefore = new double[CELLS];
    for (int cell = 0; cell < CELLS; cell++) {
      before[cell] = stored(cell);
      activityBefore[cell] = pressurePa[cell] / fullPressure(temperatureK[cell]);
    }
    warm(kelvin(airC), contact, seconds);
    Response[] response = new Response[CELLS];
    for (int cell = 0; cell < CELLS; cell++) {
      response[cell] = respond(shells[cell], temperatureK[cell], seconds);
    }
    balance(before, response, kelvin(airC), airPa, contact, seconds);
    for (int cell = 0; cell < CELLS; cell++) {
      double activity = pressurePa[cell] / fullPressure(temperatureK[cell]);
      double surface = polymer.moistureFraction(activity, side[cell]);
      double was = content(shells[cell]);
      for (int shell = 0; shell < SHELLS; shell++) {
        shells[cell][shell] =
            response[cell].known[shell] + response[cell].perSurface[shell] * surface;
      }
      uptakePerS[cell] = (content(shells[cell]) - was) / seconds;
      double moved = 2 * (activity - activityBefore[cell]) / TruePolymer.SCAN;
      side[cell] = Math.max(-1, Math.min(1, side[cell] - moved));
    }
  }

  /** Contents of the shells after a step: a part known already, and a part led by the surface. */
  private record Response(double[] known, double[] perSurface) {}

  private Response respond(double[] was, double kelvin, double seconds) {
    double radius = winding.filamentDiameterM() / 2;
    double dry = polymer.dryDiffusivity(kelvin);
    double[] outward = new double[SHELLS];
    for (int shell = 0; shell < SHELLS; shell++) {
      boolean last = shell == SHELLS - 1;
      double wet = last ? was[shell] : 0.5 * (was[shell] + was[shell + 1]);
      // Per length and per pi R²: 2 pi D / ln(...) over pi R².
      outward[shell] =
          seconds * 2 * dry * polymer.wetFactor(wet) / (radius * radius * SHELL_WAY[shell]);
    }
    double[] known = new double[SHELLS];
    double[] led = new double[SHELLS];
    double[] ratio = new double[SHELLS];
    for (int shell = 0; shell < SHELLS; shell++) {
      double inward = shell == 0 ? 0 : outward[shell - 1];
      double pivot =
          SHELL_SHARE[shell]
              + inward
              + outward[shell]
              - (shell == 0 ? 0 : inward * ratio[shell - 1]);
      ratio[shell] = outward[shell] / pivot;
      known[shell] =
          (SHELL_SHARE[shell] * was[shell] + (shell == 0 ? 0 : inward * known[shell - 1])) / pivot;
      led[shell] =
          ((shell == SHELLS - 1 ? outward[shell] : 0) + (shell == 0 ? 0 : inward * led[shell - 1]))
              / pivot;
    }
    for (int shell = SHELLS - 2; shell >= 0; shell--) {
      known[shell] += ratio[shell] * known[shell + 1];
      led[shell] += ratio[shell] * led[shell + 1];
    }
    return new Response(known, led);
  }

  private double rimM2() {
    return 2 * Math.PI * ringEdgeM[RINGS] * columnM;
  }

  private void warm(double airK, AirContact contact, double seconds) {
    Banded system = new Banded(CELLS, COLUMNS);
    double film = contact.heatTransferWPerM2K();
    double capacity = cellM3 * solidKgPerM3 * polymer.material().heatCapacityJPerKgK() / seconds;
    for (int cell = 0; cell < CELLS; cell++) {
      int ring = cell / COLUMNS;
      int column = cell % COLUMNS;
      system.addTo(cell, capacity);
      system.right[cell] =
          capacity * temperatureK[cell]
              + cellM3
                  * solidKgPerM3
                  * (LATENT_HEAT + polymer.bindingJPerMol() / WATER_MOLAR_MASS)
                  * uptakePerS[cell];
      if (ring < RINGS - 1) {
        system.couple(cell, cell + COLUMNS, CONDUCTIVITY * radialFaceM[ring]);
      } else {
        double through = 1 / (1 / (CONDUCTIVITY * radialFaceM[ring]) + 1 / (film * rimM2()));
        system.addTo(cell, through);
        system.right[cell] += through * airK;
      }
      if (column < COLUMNS - 1) {
        system.couple(cell, cell + 1, CONDUCTIVITY * ringFaceM2[ring] / columnM);
      } else {
        double through =
            ringFaceM2[ring] / (columnM / 2 / CONDUCTIVITY + FLANGE_RESISTANCE + 1 / film);
        system.addTo(cell, through);
        system.right[cell] += through * airK;
      }
    }
    System.arraycopy(system.solve(), 0, temperatureK, 0, CELLS);
  }

  /** Kilograms of vapour per second and pascal that pass between the wraps, per metre. */
  private double pore(double kelvin) {
    return VAPOUR_DIFFUSIVITY_298
        * Math.pow(kelvin / 298, 1.75)
        * Math.pow(voids, 4.0 / 3)
        * WATER_MOLAR_MASS
        / (GAS_CONSTANT * kelvin);
  }

  private static double drift(double a, double b) {
    return STANDARD_PRESSURE_PA
        / (STANDARD_PRESSURE_PA - Math.min(0.5 * (a + b), MOST_VAPOUR * STANDARD_PRESSURE_PA));
  }

  private void balance(
      double[] before,
      Response[] response,
      double airK,
      double airPa,
      AirContact contact,
      double seconds) {
    double[] known = new double[CELLS];
    double[] led = new double[CELLS];
    double[] full = new double[CELLS];
    double[] pore = new double[CELLS];
    for (int cell = 0; cell < CELLS; cell++) {
      pore[cell] = pore(temperatureK[cell]);
      known[cell] = content(response[cell].known);
      led[cell] = content(response[cell].perSurface);
      full[cell] = fullPressure(temperatureK[cell]);
    }
    double film = contact.vapourTransferMPerS() * WATER_MOLAR_MASS / (GAS_CONSTANT * airK);
    for (int trial = 0; trial < MOST_TRIALS; trial++) {
      Banded system = new Banded(CELLS, COLUMNS);
      for (int cell = 0; cell < CELLS; cell++) {
        int ring = cell / COLUMNS;
        int column = cell % COLUMNS;
        double activity = pressurePa[cell] / full[cell];
        double surface = polymer.moistureFraction(activity, side[cell]);
        double ahead = activity + 1e-5;
        double slope = (polymer.moistureFraction(ahead, side[cell]) - surface) / 1e-5 / full[cell];
        double gas = gasKgPerM3Pa(cell);
        system.addTo(cell, cellM3 * (solidKgPerM3 * led[cell] * slope + gas));
        system.right[cell] -=
            cellM3
                * (solidKgPerM3 * (known[cell] + led[cell] * surface)
                    + gas * pressurePa[cell]
                    - before[cell]);
        double across = polymer.acrossPack() * pore[cell] * radialFaceM[ring];
        if (ring < RINGS - 1) {
          pass(system, cell, cell + COLUMNS, seconds * across);
        } else {
          leave(system, cell, seconds * inSeries(across, film * rimM2()), airPa);
        }
        double along = polymer.alongPack() * pore[cell] * ringFaceM2[ring] / columnM;
        if (column < COLUMNS - 1) {
          pass(system, cell, cell + 1, seconds * along);
        } else {
          double gap = openness * film * ringFaceM2[ring];
          leave(system, cell, seconds * inSeries(2 * along, gap), airPa);
        }
      }
      double[] change = system.solve();
      double largest = 0;
      for (int cell = 0; cell < CELLS; cell++) {
        double next = Math.max(0, pressurePa[cell] + change[cell]);
        largest = Math.max(largest, Math.abs(next - pressurePa[cell]) / full[cell]);
        pressurePa[cell] = next;
      }
      if (largest < 1e-7) {
        return;
      }
    }
    throw new IllegalStateException("the true vapour found no balance");
  }

  private static double inSeries(double a, double b) {
    return b == 0 ? 0 : 1 / (1 / a + 1 / b);
  }

  private void pass(Banded system, int from, int to, double conductance) {
    double k = conductance * drift(pressurePa[from], pressurePa[to]);
    double flow = k * (pressurePa[to] - pressurePa[from]);
    system.couple(from, to, k);
    system.right[from] += flow;
    system.right[to] -= flow;
  }

  private void leave(Banded system, int cell, double conductance, double airPa) {
    double k = conductance * drift(pressurePa[cell], airPa);
    system.addTo(cell, k);
    system.right[cell] += k * (airPa - pressurePa[cell]);
  }

  /** A symmetric, diagonally dominant system whose entries lie near the diagonal. */
  private static final class Banded {
    private final int size;
    private final int band;
    private final double[][] lower;
    private final double[] right;

    Banded(int size, int band) {
      this.size = size;
      this.band = band;
      this.lower = new double[size][band + 1];
      this.right = new double[size];
    }

    void addTo(int i, double value) {
      lower[i][0] += value;
    }

    /** What flows from one to another. */
    void couple(int i, int j, double conductance) {
      lower[i][0] += conductance;
      lower[j][0] += conductance;
      lower[j][j - i] -= conductance;
    }

    /** Cholesky's method without roots. */
    double[] solve() {
      double[] x = right.clone();
      for (int i = 0; i < size; i++) {
        for (int back = Math.min(band, i); back >= 1; back--) {
          int j = i - back;
          double sum = lower[i][back];
          for (int further = Math.min(band, i); further > back; further--) {
            int k = i - further;
            if (j - k <= band) {
              sum -= lower[i][further] * lower[k][0] * lower[j][j - k];
            }
          }
          lower[i][back] = sum / lower[j][0];
        }
        for (int back = Math.min(band, i); back >= 1; back--) {
          lower[i][0] -= lower[i][back] * lower[i][back] * lower[i - back][0];
          x[i] -= lower[i][back] * x[i - back];
        }
      }
      for (int i = size - 1; i >= 0; i--) {
        x[i] /= lower[i][0];
        for (int ahead = 1; ahead <= band && i + ahead < size; ahead++) {
          x[i] -= lower[i + ahead][ahead] * x[i + ahead];
        }
      }
      return x;
    }
  }
}
