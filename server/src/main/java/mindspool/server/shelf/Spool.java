package mindspool.server.shelf;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import mindspool.core.moisture.StartMoisture;
import mindspool.core.stock.Band;
import mindspool.core.stock.ReelKind;

/** A spool as it is stored: what does not change about it. */
@Entity
@Table(name = "spool")
class Spool {

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

  protected Spool() {}

  /** A spool without anything filled in yet. */
  static Spool blank() {
    return new Spool();
  }

  Band emptyReelG() {
    return ownEmptyReelG != null ? Band.exactly(ownEmptyReelG) : reelKind.emptyMassG(nominalNetG);
  }
}
