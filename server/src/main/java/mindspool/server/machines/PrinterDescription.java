package mindspool.server.machines;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import mindspool.core.print.NozzleCare.NozzleMaterial;
import mindspool.core.print.Printer;

/** What is known of a printer beyond its being a place; usual figures until somebody says. */
@Entity
@Table(name = "printer")
class PrinterDescription {

  @Id long placeId;

  @Enumerated(EnumType.STRING)
  Printer.HotEndKind hotEnd = Printer.HotEndKind.ALL_METAL;

  double hotEndMaxC = 280;
  double meltZoneMm = 12;
  double nozzleDiameterMm = 0.4;

  @Enumerated(EnumType.STRING)
  NozzleMaterial nozzleMaterial = NozzleMaterial.BRASS;

  /** Most abrasive filament that this nozzle has seen, g; less abrasive ones count in part. */
  double abrasiveG;

  String lastMaterial;
  double bedMaxC = 110;
  double bedLengthMm = 220;
  double bedWidthMm = 220;
  double heightMm = 220;
  double bedHeaterW = 250;
  double carrierHeatJPerK = 300;

  @Enumerated(EnumType.STRING)
  Printer.ChamberKind chamber = Printer.ChamberKind.OPEN;

  double chamberMaxC = 60;
  double movingMassKg;
  double tunedPlateMassKg = 0.28;
  double accelerationMmPerS2 = 2000;
  boolean directFeed = true;
  double supplyWh;
  double meanPowerW = 150;
  boolean ventilated;
  double printedHours;
  double printedMetres;

  /** The plate that lies on it; null where nobody said. */
  Long plateId;

  @Version int version;

  protected PrinterDescription() {}

  /** A printer of which nobody said anything yet. */
  PrinterDescription(long placeId) {
    this.placeId = placeId;
  }

  Printer toPrinter() {
    return new Printer(
        hotEnd,
        hotEndMaxC,
        meltZoneMm / 1000,
        nozzleDiameterMm / 1000,
        nozzleMaterial,
        abrasiveG / 1000,
        bedMaxC,
        bedLengthMm / 1000,
        bedWidthMm / 1000,
        heightMm / 1000,
        bedHeaterW,
        carrierHeatJPerK,
        chamber,
        chamberMaxC,
        movingMassKg,
        tunedPlateMassKg,
        accelerationMmPerS2 / 1000,
        directFeed,
        supplyWh,
        meanPowerW,
        ventilated);
  }
}
