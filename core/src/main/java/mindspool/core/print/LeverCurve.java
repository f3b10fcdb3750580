package mindspool.core.print;

import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleFunction;
import mindspool.core.material.Material;
import mindspool.core.material.Parameter;
import mindspool.core.print.HoldDown.Case;

/**
 * How the hold-down of a part moves along one lever, everything else as it is.
 *
 * @param present where the lever stands
 * @param values places along it
 * @param adhesion, {@code plate} and {@code tip} the ratios there
 */
public record LeverCurve(
    String id,
    String title,
    String unit,
    double present,
    List<Double> values,
    List<Double> adhesion,
    List<Double> plate,
    List<Double> tip) {

  private static final int POINTS = 13;
  private static final double MM = 1e-3;
  private static final double MOST_BRIM_MM = 12;
  private static final double MOST_PAD_MM = 30;
  private static final double MOST_RADIUS_MM = 20;
  private static final int MOST_WALLS = 8;
  private static final double LEAST_CLEAN = 0.4;

  /** The curves of a case; bed and chamber as far as a machine goes. */
  public static List<LeverCurve> of(Case now, BedSurfaces surfaces, double roomC, double mostBedC) {
    Material material = now.material();
    PrintAir air = now.air();
    HoldAids aids = now.aids();
    PrintedPart part = now.part();
    Drawing draw = new Drawing(surfaces);
    double bedTop = Math.max(air.bedC(), Math.min(mostBedC, material.value(Parameter.BED_MAX)));
    draw.along(
        "bed",
        "Bed",
        "°C",
        air.bedC(),
        Math.min(air.bedC(), Math.min(material.value(Parameter.BED_MIN), bedTop)),
        bedTop,
        it -> now.with(air.withBed(it)));
    draw.along(
        "chamber",
        "Air around the part",
        "°C",
        air.chamberC(),
        Math.min(roomC, air.chamberC()),
        Math.max(air.chamberC(), material.value(Parameter.CHAMBER_MAX)),
        it -> now.with(air.withChamber(it)));
    draw.along(
        "draught",
        "Draught",
        "%",
        100 * air.draught(),
        0,
        100,
        it -> now.with(air.withDraught(it / 100)));
    draw.along(
        "fan",
        "Part fan",
        "%",
        100 * air.fanShare(),
        0,
        100,
        it -> now.with(air.withFan(it / 100)));
    draw.along(
        "brim",
        "Brim",
        "mm",
        aids.brimM() / MM,
        0,
        Math.max(MOST_BRIM_MM, aids.brimM() / MM),
        it -> now.with(aids.withBrim(it * MM)));
    draw.along(
        "pads",
        "Pads, two layers",
        "mm",
        aids.padDiameterM() / MM,
        0,
        Math.max(MOST_PAD_MM, aids.padDiameterM() / MM),
        it -> now.with(aids.withPads(it * MM, it == 0 ? 0 : Math.max(2, aids.padLayers()))));
    draw.along(
        "clean",
        "Cleanliness of the plate",
        "%",
        100 * now.plate().cleanliness(),
        100 * Math.min(LEAST_CLEAN, now.plate().cleanliness()),
        100,
        it -> now.with(now.plate().withCleanliness(it / 100)));
    draw.along(
        "radius",
        "Roundness of corners",
        "mm",
        part.cornerRadiusM() / MM,
        0,
        Math.max(MOST_RADIUS_MM, part.cornerRadiusM() / MM),
        it -> now.with(part.withCornerRadius(it * MM)));
    draw.along(
        "infill",
        "Infill",
        "%",
        100 * part.infillShare(),
        0,
        100,
        it -> now.with(part.withInside(part.walls(), it / 100)));
    draw.along(
        "walls",
        "Walls",
        "",
        part.walls(),
        1,
        Math.max(MOST_WALLS, part.walls()),
        it -> now.with(part.withInside((int) Math.round(it), part.infillShare())));
    return draw.curves;
  }

  private static final class Drawing {
    private final BedSurfaces surfaces;
    private final List<LeverCurve> curves = new ArrayList<>();

    Drawing(BedSurfaces surfaces) {
      this.surfaces = surfaces;
    }

    void along(
        String id,
        String title,
        String unit,
        double present,
        double from,
        double to,
        DoubleFunction<Case> at) {
      List<Double> values = new ArrayList<>();
      List<Double> adhesion = new ArrayList<>();
      List<Double> plate = new ArrayList<>();
      List<Double> tip = new ArrayList<>();
      int points = id.equals("walls") ? (int) Math.round(to - from) + 1 : POINTS;
      for (int i = 0; i < points; i++) {
        double value = points == 1 ? from : from + (to - from) * i / (points - 1);
        HoldDown hold = HoldDown.of(at.apply(value), surfaces);
        values.add(value);
        adhesion.add(hold.adhesionRatio());
        plate.add(hold.plateRatio());
        tip.add(hold.tipRatio());
      }
      curves.add(new LeverCurve(id, title, unit, present, values, adhesion, plate, tip));
    }
  }
}
