package mindspool.server.calc;

import static mindspool.server.calc.Inputs.number;
import static mindspool.server.calc.Inputs.optional;

import java.util.List;
import java.util.OptionalDouble;
import mindspool.core.Require;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.print.BuildPlate;
import mindspool.core.print.HoldAids;
import mindspool.core.print.HoldLevers.HoldPractice;
import mindspool.core.print.MountedPlate;
import mindspool.core.print.NozzleCare.NozzleMaterial;
import mindspool.core.print.PartLoad;
import mindspool.core.print.PlateKind;
import mindspool.core.print.PrintedPart;
import mindspool.core.print.Printer;
import mindspool.core.print.SheetCase;

/** What is asked of a print: part, plate, machine, room and what somebody chose. */
public final class PrintRequests {

  private static final double MM = 1e-3;

  /** What is usual where nothing is said; common practice. */
  private static final double USUAL_LINE_MM = 0.45;

  private static final int USUAL_WALLS = 3;
  private static final double USUAL_INFILL = 20;
  private static final double USUAL_LAYER_MM = 0.2;
  private static final double USUAL_ROOM_C = 23;

  /** A usual desktop printer; from memory. */
  private static final double USUAL_HOT_END_C = 280;

  private static final double USUAL_LINED_C = 250;
  private static final double USUAL_ZONE_MM = 12;
  private static final double USUAL_BORE_MM = 0.4;
  private static final double USUAL_BED_C = 110;
  private static final double USUAL_BED_MM = 220;
  private static final double USUAL_HEIGHT_MM = 220;
  private static final double USUAL_CHAMBER_C = 60;
  private static final double USUAL_HEATER_W = 250;
  private static final double USUAL_CARRIER_J_PER_K = 300;
  private static final double USUAL_ACCELERATION = 2000;
  private static final double USUAL_POWER_W = 150;

  private PrintRequests() {}

  /** A part; what is left out is usual: 3 walls of 0.45 mm, 20 % infill, sharp right angles. */
  public record PartRequest(
      Double lengthMm,
      Double widthMm,
      Double heightMm,
      Integer walls,
      Double lineWidthMm,
      Double infillPercent,
      Double layerHeightMm,
      Double cornerAngleDeg,
      Double cornerRadiusMm,
      Double baseWidthMm) {

    /** As core knows it. */
    public PrintedPart toPart() {
      double width = number("part.widthMm", widthMm);
      return new PrintedPart(
          MM * number("part.lengthMm", lengthMm),
          MM * width,
          MM * number("part.heightMm", heightMm),
          walls == null ? USUAL_WALLS : walls,
          MM * number("part.lineWidthMm", lineWidthMm, USUAL_LINE_MM),
          number("part.infillPercent", infillPercent, USUAL_INFILL) / 100,
          number("part.cornerAngleDeg", cornerAngleDeg, 90),
          MM * number("part.cornerRadiusMm", cornerRadiusMm, 0),
          MM * number("part.baseWidthMm", baseWidthMm, width));
    }
  }

  /** A plate; what is left out is clean, bare and held as its kind usually is. */
  public record PlateRequest(
      String kind,
      String surface,
      String interfaceLayer,
      Double cleanliness,
      Double holdPressureKPa) {

    /** As core knows it. */
    public BuildPlate toPlate() {
      PlateKind known = PlateKind.ofId(kind);
      return new BuildPlate(
          known,
          surface,
          interfaceLayer == null ? "none" : interfaceLayer,
          number("plate.cleanliness", cleanliness, 1),
          1000 * number("plate.holdPressureKPa", holdPressureKPa, known.usualHoldPa() / 1000));
    }
  }

  /** Round pads under the corners. */
  public record PadsRequest(Double diameterMm, Integer layers) {}

  /** A machine; what is left out is usual for a desktop printer. */
  public record MachineRequest(
      Printer.HotEndKind hotEnd,
      Double hotEndMaxC,
      Double meltZoneMm,
      Double nozzleDiameterMm,
      NozzleMaterial nozzleMaterial,
      Double abrasiveG,
      Double bedMaxC,
      Double bedLengthMm,
      Double bedWidthMm,
      Double heightMm,
      Double bedHeaterW,
      Double carrierHeatJPerK,
      Printer.ChamberKind chamber,
      Double chamberMaxC,
      Double movingMassKg,
      Double tunedPlateMassKg,
      Double accelerationMmPerS2,
      Boolean directFeed,
      Double supplyWh,
      Double meanPowerW,
      Boolean ventilated) {

    /** Nothing said: all is usual. */
    public static final MachineRequest USUAL =
        new MachineRequest(
            null, null, null, null, null, null, null, null, null, null, null, null, null, null,
            null, null, null, null, null, null, null);

    /** As core knows it. */
    public Printer toPrinter() {
      Printer.HotEndKind kind = hotEnd == null ? Printer.HotEndKind.ALL_METAL : hotEnd;
      double length = number("printer.bedLengthMm", bedLengthMm, USUAL_BED_MM);
      return new Printer(
          kind,
          number(
              "printer.hotEndMaxC",
              hotEndMaxC,
              kind == Printer.HotEndKind.LINED ? USUAL_LINED_C : USUAL_HOT_END_C),
          MM * number("printer.meltZoneMm", meltZoneMm, USUAL_ZONE_MM),
          MM * number("printer.nozzleDiameterMm", nozzleDiameterMm, USUAL_BORE_MM),
          nozzleMaterial == null ? NozzleMaterial.BRASS : nozzleMaterial,
          number("printer.abrasiveG", abrasiveG, 0) / 1000,
          number("printer.bedMaxC", bedMaxC, USUAL_BED_C),
          MM * length,
          MM * number("printer.bedWidthMm", bedWidthMm, length),
          MM * number("printer.heightMm", heightMm, USUAL_HEIGHT_MM),
          number("printer.bedHeaterW", bedHeaterW, USUAL_HEATER_W),
          number("printer.carrierHeatJPerK", carrierHeatJPerK, USUAL_CARRIER_J_PER_K),
          chamber == null ? Printer.ChamberKind.OPEN : chamber,
          number("printer.chamberMaxC", chamberMaxC, USUAL_CHAMBER_C),
          number("printer.movingMassKg", movingMassKg, 0),
          number("printer.tunedPlateMassKg", tunedPlateMassKg, MountedPlate.USUAL_KG),
          MM * number("printer.accelerationMmPerS2", accelerationMmPerS2, USUAL_ACCELERATION),
          !Boolean.FALSE.equals(directFeed),
          number("printer.supplyWh", supplyWh, 0),
          number("printer.meanPowerW", meanPowerW, USUAL_POWER_W),
          Boolean.TRUE.equals(ventilated));
    }
  }

  /**
   * A plate as it lies on a machine.
   *
   * @param magnetsMaxC what its magnets stand; left out for one without
   */
  public record MountedPlateRequest(
      String kind,
      String surface,
      String interfaceLayer,
      Double cleanliness,
      Double holdPressureKPa,
      Double massKg,
      Double magnetsMaxC) {

    /** As core knows it. */
    public MountedPlate toPlate() {
      return new MountedPlate(
          new PlateRequest(kind, surface, interfaceLayer, cleanliness, holdPressureKPa).toPlate(),
          number("plate.massKg", massKg, MountedPlate.USUAL_KG),
          optional(magnetsMaxC));
    }
  }

  /** The room; {@code chamberTemperatureC} where it is measured. */
  public record PrintRoomRequest(Double temperatureC, Double chamberTemperatureC) {

    SheetCase.Surroundings toRoom() {
      return new SheetCase.Surroundings(
          number("room.temperatureC", temperatureC, USUAL_ROOM_C), optional(chamberTemperatureC));
    }
  }

  /**
   * What somebody chose; what is left out follows from material, machine and part.
   *
   * @param together ids of other materials of the same part, such as a support
   * @param load what the part must bear; being handled where nobody says
   */
  public record ChoicesRequest(
      Double nozzleTemperatureC,
      Double bedTemperatureC,
      Double chamberTemperatureC,
      Double draft,
      Double fanPercent,
      Double speedMmPerS,
      Double layerTimeS,
      Double squish,
      Double brimMm,
      PadsRequest pads,
      Double raftMarginMm,
      HoldPractice practice,
      List<String> together,
      PartLoad load) {

    /** Nothing chosen. */
    public static final ChoicesRequest NONE =
        new ChoicesRequest(
            null, null, null, null, null, null, null, null, null, null, null, null, null, null);

    /** The other materials, as the catalogue has them. */
    public List<Material> togetherFrom(MaterialCatalogue catalogue) {
      return together == null ? List.of() : together.stream().map(catalogue::named).toList();
    }

    /** As core knows them. */
    public SheetCase.Wishes toWishes(PartRequest part) {
      return new SheetCase.Wishes(
          optional(nozzleTemperatureC),
          optional(bedTemperatureC),
          optional(chamberTemperatureC),
          optional(draft),
          share(fanPercent),
          speedMmPerS == null ? OptionalDouble.empty() : OptionalDouble.of(MM * speedMmPerS),
          optional(layerTimeS),
          MM * number("part.layerHeightMm", part.layerHeightMm(), USUAL_LAYER_MM),
          aids(squish, brimMm, pads, raftMarginMm),
          practice == null ? HoldPractice.CAUSE_FIRST : practice,
          load == null ? PartLoad.HANDLED : load);
    }

    private static OptionalDouble share(Double percent) {
      return percent == null ? OptionalDouble.empty() : OptionalDouble.of(percent / 100);
    }
  }

  /** The spool as the job's own metres will be. */
  public record SpoolForJobRequest(
      Double moistureStartPercent,
      Double moistureEndPercent,
      Double leftG,
      Double unsureG,
      Boolean endLoose,
      Double leastNozzleMm) {

    SheetCase.SpoolForJob toSpool() {
      double start = number("spool.moistureStartPercent", moistureStartPercent);
      return new SheetCase.SpoolForJob(
          start,
          number("spool.moistureEndPercent", moistureEndPercent, start),
          number("spool.leftG", leftG),
          number("spool.unsureG", unsureG, 0),
          Boolean.TRUE.equals(endLoose),
          MM * number("spool.leastNozzleMm", leastNozzleMm, 0));
    }
  }

  static HoldAids aids(Double squish, Double brimMm, PadsRequest pads, Double raftMm) {
    PadsRequest under = pads == null ? new PadsRequest(0.0, 0) : pads;
    return new HoldAids(
        number("squish", squish, 1),
        MM * number("brimMm", brimMm, 0),
        MM * number("pads.diameterMm", under.diameterMm, 0),
        under.layers == null ? 0 : under.layers,
        MM * number("raftMarginMm", raftMm, 0));
  }

  static PartRequest present(PartRequest part) {
    return Require.present("part", part, "lengthMm, widthMm and heightMm");
  }
}
