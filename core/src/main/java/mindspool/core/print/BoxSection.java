package mindspool.core.print;

import mindspool.core.Require;

/**
 * A printed beam: solid walls around infill whose modulus falls with its share (Gibson and Ashby).
 *
 * @param widthM across the load, m
 * @param heightM along the load, m
 * @param infillShare 0 to 1
 * @param exponent how its modulus falls with the share: 1 for lines along the beam, 1.5 in general
 */
public record BoxSection(
    double widthM,
    double heightM,
    int walls,
    double lineWidthM,
    double infillShare,
    double exponent) {

  public BoxSection {
    Require.within("widthMm", 1000 * widthM, 0.5, 2000, "mm");
    Require.within("heightMm", 1000 * heightM, 0.5, 2000, "mm");
    Require.within("walls", walls, 1, 1000, "");
    Require.within("lineWidthMm", 1000 * lineWidthM, 0.05, 5, "mm");
    Require.within("infillPercent", 100 * infillShare, 0, 100, "%");
  }

  private double wall() {
    return Math.min(walls * lineWidthM, Math.min(widthM, heightM) / 2);
  }

  private double innerWidth() {
    return widthM - 2 * wall();
  }

  private double innerHeight() {
    return heightM - 2 * wall();
  }

  /** Second moment of area that bends as solid, m⁴. */
  public double bending() {
    double outer = widthM * Math.pow(heightM, 3) / 12;
    double inner = innerWidth() * Math.pow(innerHeight(), 3) / 12;
    return outer - inner + Math.pow(infillShare, exponent) * inner;
  }

  /** Area that weighs as solid, m². */
  public double mass() {
    double inner = innerWidth() * innerHeight();
    return widthM * heightM - inner + infillShare * inner;
  }

  /** How the modulus of infill falls with its share in general (Gibson and Ashby). */
  public static final double GENERAL_INFILL = 1.5;

  /** The same for infill whose lines run along the beam. */
  public static final double ALIGNED_INFILL = 1;

  private static final double MORE_INFILL = 0.2;

  /** What a change gains and costs, as shares of what was. */
  public record Gain(double stiffer, double heavier) {

    /** Stiffness gained for the mass that it costs; 0 where nothing changes. */
    double worth() {
      return heavier <= 0 ? 0 : stiffer / heavier;
    }
  }

  /** What one wall more gains. */
  public Gain wallGain() {
    return gain(withWalls(1));
  }

  /** What 20 % more infill gains. */
  public Gain infillGain() {
    return gain(withInfill(MORE_INFILL));
  }

  /** Whether a wall more gains at least as much stiffness for its mass as infill does. */
  public boolean isWallBetter() {
    return wallGain().worth() >= infillGain().worth();
  }

  private Gain gain(BoxSection after) {
    return new Gain(after.bending() / bending() - 1, after.mass() / mass() - 1);
  }

  /** The same with more loops of wall. */
  public BoxSection withWalls(int more) {
    return new BoxSection(widthM, heightM, walls + more, lineWidthM, infillShare, exponent);
  }

  /** The same with more infill, at most full. */
  public BoxSection withInfill(double more) {
    return new BoxSection(
        widthM, heightM, walls, lineWidthM, Math.min(1, infillShare + more), exponent);
  }
}
