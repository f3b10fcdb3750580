package mindspool.server.stock;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Transient;
import jakarta.persistence.Version;
import mindspool.core.moisture.StartMoisture;
import mindspool.core.stock.Band;
import mindspool.core.stock.ReelKind;

/** A spool as it is stored: what does not change about it. */
@Entity
@Table(name = "spool")
public class Spool {

  /** Reels of one kind from one maker differ by about this much, g (judgement, grade D). */
  private static final double SIBLING_SPREAD_G = 4;

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  public Long id;

  public String code;
  public String material;
  public String colourName;
  public String colourHex;
  public double diameterMm;
  public double nominalNetG;

  @Enumerated(EnumType.STRING)
  public ReelKind reelKind;

  public Double ownEmptyReelG;
  public double hubRadiusMm;
  public double rimRadiusMm;
  public double widthMm;

  @Enumerated(EnumType.STRING)
  public StartMoisture.Arrival arrival;

  public long arrivedS;
  public double startHumidityPercent;
  public double startUncertaintyPercent;

  public Long lotId;

  @Version public int version;

  /** Mean mass of emptied reels of the same kind from the same maker; none while there is none. */
  @Transient public Double siblingEmptyReelG;

  protected Spool() {}

  /** A spool without anything filled in yet. */
  public static Spool blank() {
    return new Spool();
  }

  public Band emptyReelG() {
    if (ownEmptyReelG != null) {
      return Band.exactly(ownEmptyReelG);
    }
    return siblingEmptyReelG == null
        ? reelKind.emptyMassG(nominalNetG)
        : new Band(
            siblingEmptyReelG - SIBLING_SPREAD_G,
            siblingEmptyReelG,
            siblingEmptyReelG + SIBLING_SPREAD_G);
  }
}
