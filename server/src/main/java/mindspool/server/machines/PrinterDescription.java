package mindspool.server.machines;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import mindspool.core.print.NozzleCare.NozzleMaterial;
import mindspool.core.print.Printer;
import mindspool.server.calc.PrintRequests.MachineRequest;

/** What is known of a printer beyond its being a place; a usual one until somebody says. */
@Entity
@Table(name = "printer")
class PrinterDescription {

  @Id long placeId;

  @Enumerated(EnumType.STRING)
  Printer.HotEndKind hotEnd;

  double hotEndMaxC;
  double meltZoneMm;
  double nozzleDiameterMm;

  @Enumerated(EnumType.STRING)
  NozzleMaterial nozzleMaterial;

  /** Most abrasive filament that this nozzle has seen, g; less abrasive ones count in part. */
  double abrasiveG;

  String lastMaterial;
  double bedMaxC;
  double bedLengthMm;
  double bedWidthMm;
  double heightMm;
  double bedHeaterW;
  double carrierHeatJPerK;

  @Enumerated(EnumType.STRING)
  Printer.ChamberKind chamber;

  double chamberMaxC;
  double movingMassKg;
  double tunedPlateMassKg;
  double accelerationMmPerS2;
  boolean directFeed;
  double supplyWh;
  double meanPowerW;
  boolean ventilated;
  double printedHours;
  double printedMetres;

  /** The plate that lies on it; null where nobody said. */
  Long plateId;

  @Version int version;

  protected PrinterDescription() {}

  /** A printer of which nobody said anything yet: a usual one. */
  PrinterDescription(long placeId) {
    this.placeId = placeId;
    describe(MachineRequest.USUAL.toPrinter());
  }

  /** Takes over what is said of it. */
  void describe(Printer printer) {
    hotEnd = printer.hotEnd();
    hotEndMaxC = printer.hotEndMaxC();
    meltZoneMm = plain(1000 * printer.meltZoneM());
    nozzleDiameterMm = plain(1000 * printer.boreM());
    nozzleMaterial = printer.nozzle();
    abrasiveG = plain(1000 * printer.abrasiveKg());
    bedMaxC = printer.bedMaxC();
    bedLengthMm = plain(1000 * printer.bedLengthM());
    bedWidthMm = plain(1000 * printer.bedWidthM());
    heightMm = plain(1000 * printer.heightM());
    bedHeaterW = printer.bedHeaterW();
    carrierHeatJPerK = printer.carrierHeatJPerK();
    chamber = printer.chamber();
    chamberMaxC = printer.chamberMaxC();
    movingMassKg = printer.movingKg();
    tunedPlateMassKg = printer.tunedPlateKg();
    accelerationMmPerS2 = plain(1000 * printer.accelerationMPerS2());
    directFeed = printer.directFeed();
    supplyWh = printer.supplyWh();
    meanPowerW = printer.meanPowerW();
    ventilated = printer.ventilated();
  }

  /** Without the dust of a change of units. */
  private static double plain(double value) {
    return Math.round(value * 1e6) / 1e6;
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
