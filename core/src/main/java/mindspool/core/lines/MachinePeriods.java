package mindspool.core.lines;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import mindspool.core.Require;

/**
 * What repeats in a machine, as a distance along the height of the part.
 *
 * @param layerHeightMm of the part
 * @param screwLeadMm height for a turn of the upright screw
 * @param screwPitchMm from thread to thread; the same as the lead for a single thread
 * @param beltPitchMm from tooth to tooth, where a belt lifts
 * @param pulleyTeeth of its pulley
 * @param feedMmPerTurn filament for a turn of the extruder
 * @param sectionMm2 melt for a millimetre of height, so that a turn of the extruder is a height
 * @param filamentMm2 cross-section of the filament
 * @param layerTimeS of a layer
 * @param heaterPeriodS from peak to peak of the nozzle's temperature
 */
public record MachinePeriods(
    OptionalDouble layerHeightMm,
    OptionalDouble screwLeadMm,
    OptionalDouble screwPitchMm,
    OptionalDouble beltPitchMm,
    OptionalDouble pulleyTeeth,
    OptionalDouble feedMmPerTurn,
    OptionalDouble sectionMm2,
    double filamentMm2,
    OptionalDouble layerTimeS,
    OptionalDouble heaterPeriodS) {

  /** A spacing is one of the machine's within this share. */
  private static final double NEAR = 0.03;

  public MachinePeriods {
    check("layerHeightMm", layerHeightMm, 0.02, 3, "mm");
    check("screwLeadMm", screwLeadMm, 0.2, 50, "mm");
    check("screwPitchMm", screwPitchMm, 0.2, 50, "mm");
    check("beltPitchMm", beltPitchMm, 0.5, 20, "mm");
    check("pulleyTeeth", pulleyTeeth, 4, 200, "");
    check("feedMmPerTurn", feedMmPerTurn, 1, 200, "mm");
    check("sectionMm2", sectionMm2, 0.1, 1e6, "mm²");
    check("layerTimeS", layerTimeS, 0.1, 36_000, "s");
    check("heaterPeriodS", heaterPeriodS, 0.1, 3600, "s");
  }

  private static void check(
      String field, OptionalDouble value, double least, double most, String unit) {
    value.ifPresent(it -> Require.within(field, it, least, most, unit));
  }

  /** A spacing that is one of the machine's: which, and how far off it is. */
  public record Match(LineSpectrum.Spacing spacing, String what, double knownMm) {

    /** Found over known, less 1. */
    public double offShare() {
      return spacing.mm() / knownMm - 1;
    }
  }

  /** All that can be computed, by what it is, mm. */
  public Map<String, Double> knownMm() {
    Map<String, Double> known = new LinkedHashMap<>();
    layerHeightMm.ifPresent(mm -> known.put("layer height", mm));
    screwLeadMm.ifPresent(mm -> known.put("turn of the screw", mm));
    screwPitchMm.ifPresent(mm -> known.put("thread of the screw", mm));
    beltPitchMm.ifPresent(mm -> known.put("tooth of the belt", mm));
    if (beltPitchMm.isPresent() && pulleyTeeth.isPresent()) {
      known.put("turn of the pulley", beltPitchMm.getAsDouble() * pulleyTeeth.getAsDouble());
    }
    if (feedMmPerTurn.isPresent() && sectionMm2.isPresent()) {
      known.put(
          "turn of the extruder",
          feedMmPerTurn.getAsDouble() * filamentMm2 / sectionMm2.getAsDouble());
    }
    if (layerHeightMm.isPresent() && layerTimeS.isPresent() && heaterPeriodS.isPresent()) {
      known.put(
          "cycle of the heater",
          heaterPeriodS.getAsDouble() / layerTimeS.getAsDouble() * layerHeightMm.getAsDouble());
    }
    return known;
  }

  /**
   * What of the machine repeats at a distance measured by hand, the nearest first.
   *
   * @param unsureMm how far the measure may be off
   */
  public List<String> at(double spacingMm, double unsureMm) {
    Require.within("spacingMm", spacingMm, 0.05, 500, "mm");
    return knownMm().entrySet().stream()
        .filter(each -> Math.abs(spacingMm / each.getValue() - 1) <= NEAR + unsureMm / spacingMm)
        .sorted(Comparator.comparingDouble(each -> Math.abs(spacingMm / each.getValue() - 1)))
        .map(Map.Entry::getKey)
        .toList();
  }

  /** Spacings that are one of the machine's, in the order of the spectrum. */
  public List<Match> matches(LineSpectrum spectrum) {
    List<Match> matches = new ArrayList<>();
    Map<String, Double> known = knownMm();
    for (LineSpectrum.Spacing spacing : spectrum.spacings()) {
      known.forEach(
          (what, mm) -> {
            if (Math.abs(spacing.mm() / mm - 1) <= NEAR + spacing.unsureMm() / spacing.mm()) {
              matches.add(new Match(spacing, what, mm));
            }
          });
    }
    return matches;
  }
}
