package mindspool.core.stock;

/**
 * Usual sizes of reels: hub and rim radius and width, mm, by the nominal mass they carry. Common
 * practice; they are defaults that a person may correct.
 */
public enum ReelSize {
  QUARTER(250, 25, 65, 45),
  HALF(500, 35, 90, 45),
  THREE_QUARTER(750, 40, 98, 50),
  ONE(1000, 40, 100, 60),
  LARGE(2500, 52, 150, 100),
  HUGE(5000, 80, 175, 150);

  private final double nominalNetG;
  private final double hubRadiusMm;
  private final double rimRadiusMm;
  private final double widthMm;

  ReelSize(double nominalNetG, double hubRadiusMm, double rimRadiusMm, double widthMm) {
    this.nominalNetG = nominalNetG;
    this.hubRadiusMm = hubRadiusMm;
    this.rimRadiusMm = rimRadiusMm;
    this.widthMm = widthMm;
  }

  /** The size whose nominal mass is nearest in proportion. */
  public static ReelSize nearest(double netG) {
    ReelSize best = ONE;
    for (ReelSize size : values()) {
      if (Math.abs(Math.log(netG / size.nominalNetG))
          < Math.abs(Math.log(netG / best.nominalNetG))) {
        best = size;
      }
    }
    return best;
  }

  public double nominalNetG() {
    return nominalNetG;
  }

  public double hubRadiusMm() {
    return hubRadiusMm;
  }

  public double rimRadiusMm() {
    return rimRadiusMm;
  }

  public double widthMm() {
    return widthMm;
  }
}
