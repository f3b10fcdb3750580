package mindspool.server.shelf;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Transient;
import mindspool.core.moisture.StartMoisture;
import mindspool.core.stock.Band;
import mindspool.core.stock.ReelKind;

/** A spool as it is stored: what does not change about it. */
@Entity
@Table(name = "spool")
class Spool {

  /** Reels of one kind from one maker differ by about this much, g (judgement, grade D). */
  private static final double SIBLING_SPREAD_G = 4;

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  String code;
  String material;
  String colourName;
  String colourHex;
  double diameterMm;
  double nominalNetG;

  @Enumerated(EnumType.STRING)
  ReelKind reelKind;

  Double ownEmptyReelG;
  double hubRadiusMm;
  double rimRadiusMm;
  double widthMm;

  @Enumerated(EnumType.STRING)
  StartMoisture.Arrival arrival;

  long arrivedS;
  double startHumidityPercent;
  double startUncertaintyPercent;

  Long lotId;

  /** Mean mass of emptied reels of the same kind from the same maker; none while there is none. */
  @Transient Double siblingEmptyReelG;

  protected Spool() {}

  /** A spool without anything filled in yet. */
  static Spool blank() {
    return new Spool();
  }

  Band emptyReelG() {
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
