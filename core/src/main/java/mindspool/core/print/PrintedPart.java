package mindspool.core.print;

import java.util.Arrays;
import mindspool.core.Require;

/**
 * A part as far as its hold-down depends on it, as it stands on the plate.
 *
 * @param lengthM longest side of its sole, m
 * @param widthM the other side, m
 * @param walls loops of the outline
 * @param infillShare 0 to 1
 * @param cornerAngleDeg angle of its sharpest corner, 180 for none
 * @param cornerRadiusM how round that is, m
 * @param baseWidthM width of a thin foot, m; as the part where there is none
 */
public record PrintedPart(
    double lengthM,
    double widthM,
    double heightM,
    int walls,
    double lineWidthM,
    double infillShare,
    double cornerAngleDeg,
    double cornerRadiusM,
    double baseWidthM) {

  private static final double MM = 1e-3;

  /** Higher than its sole is wide by so many times, a part is a tower; judgement. */
  private static final double TOWER = 2;

  /** A sharper corner is a needle, °. */
  static final double SHARPEST_DEG = 10;

  public PrintedPart {
    Require.within("part.lengthMm", lengthM / MM, 1, 2000, "mm");
    Require.within("part.widthMm", widthM / MM, 0.2, 2000, "mm");
    Require.within("part.heightMm", heightM / MM, 0.1, 2000, "mm");
    Require.within("part.walls", walls, 1, 1000, "");
    Require.within("part.lineWidthMm", lineWidthM / MM, 0.05, 5, "mm");
    Require.within("part.infillPercent", 100 * infillShare, 0, 100, "%");
    Require.within("part.cornerAngleDeg", cornerAngleDeg, SHARPEST_DEG, 180, "°");
    Require.within("part.cornerRadiusMm", cornerRadiusM / MM, 0, 1000, "mm");
    Require.within("part.baseWidthMm", baseWidthM / MM, 0.2, 2000, "mm");
    // How it is turned on the plate changes nothing: its length is the longer one.
    double longer = Math.max(lengthM, widthM);
    widthM = Math.min(lengthM, widthM);
    lengthM = longer;
    baseWidthM = Math.min(baseWidthM, widthM);
  }

  /** Share of its cross-section that is solid; skins at top and bottom left out. */
  double solidShare() {
    double walled = Math.min(1, 2 * walls * lineWidthM / widthM);
    return walled + (1 - walled) * 0.5 * infillShare;
  }

  PrintedPart withCornerRadius(double radiusM) {
    return withCorner(cornerAngleDeg, radiusM);
  }

  PrintedPart withCorner(double angleDeg, double radiusM) {
    return new PrintedPart(
        lengthM, widthM, heightM, walls, lineWidthM, infillShare, angleDeg, radiusM, baseWidthM);
  }

  /** Whether it stands on a narrow side. */
  boolean isTower() {
    return heightM > TOWER * Math.min(lengthM, widthM);
  }

  /** The same on its largest side, without the foot that it stood on. */
  PrintedPart laidDown() {
    double[] sides = {lengthM, widthM, heightM};
    Arrays.sort(sides);
    return new PrintedPart(
        sides[2],
        sides[1],
        sides[0],
        walls,
        lineWidthM,
        infillShare,
        cornerAngleDeg,
        cornerRadiusM,
        sides[1]);
  }

  PrintedPart withInside(int loops, double infill) {
    return new PrintedPart(
        lengthM,
        widthM,
        heightM,
        loops,
        lineWidthM,
        infill,
        cornerAngleDeg,
        cornerRadiusM,
        baseWidthM);
  }
}
