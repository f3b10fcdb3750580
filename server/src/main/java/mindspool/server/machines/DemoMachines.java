package mindspool.server.machines;

import mindspool.core.print.NozzleCare.NozzleMaterial;
import mindspool.core.print.Printer.ChamberKind;
import mindspool.core.print.Printer.HotEndKind;
import mindspool.server.calc.PrintRequests.MachineRequest;
import mindspool.server.machines.MachineController.DescribePlateRequest;
import mindspool.server.machines.MachineController.DescribePrinterRequest;
import org.springframework.stereotype.Service;

/** Printers and plates of the demonstration, described by the same acts as a person would. */
@Service
public class DemoMachines {

  private final MachineController machines;

  DemoMachines(MachineController machines) {
    this.machines = machines;
  }

  /** Adds a plate and returns its number. */
  public long plate(
      String name, String kind, String surface, String layer, double massKg, int prints) {
    return machines
        .add(
            new DescribePlateRequest(
                name,
                kind,
                surface,
                layer,
                massKg,
                kind.startsWith("spring") ? 110.0 : null,
                null,
                prints,
                null))
        .id();
  }

  /** A closed printer with a hot end of metal. */
  public void enclosed(long placeId, long plateId) {
    describe(
        placeId,
        plateId,
        new MachineRequest(
            HotEndKind.ALL_METAL,
            300.0,
            12.0,
            0.4,
            NozzleMaterial.HARDENED,
            120.0,
            110.0,
            250.0,
            210.0,
            210.0,
            250.0,
            300.0,
            ChamberKind.ENCLOSED,
            60.0,
            0.6,
            0.284,
            3000.0,
            true,
            600.0,
            160.0,
            true),
        "PLA");
  }

  /** A small open one with a lined hot end whose bed ends at 80 °C. */
  public void open(long placeId, long plateId) {
    describe(
        placeId,
        plateId,
        new MachineRequest(
            HotEndKind.LINED,
            250.0,
            12.0,
            0.4,
            NozzleMaterial.BRASS,
            60.0,
            80.0,
            180.0,
            180.0,
            180.0,
            150.0,
            200.0,
            ChamberKind.DRAUGHTY,
            60.0,
            0.45,
            0.2,
            2500.0,
            false,
            0.0,
            90.0,
            false),
        "PETG");
  }

  /** A large shielded one with a long melt zone and a wide nozzle. */
  public void tall(long placeId, long plateId) {
    describe(
        placeId,
        plateId,
        new MachineRequest(
            HotEndKind.ALL_METAL,
            290.0,
            21.0,
            0.6,
            NozzleMaterial.PLATED,
            0.0,
            100.0,
            300.0,
            300.0,
            400.0,
            500.0,
            600.0,
            ChamberKind.SHIELDED,
            60.0,
            0.0,
            0.5,
            5000.0,
            true,
            0.0,
            220.0,
            false),
        "PETG");
  }

  private void describe(long placeId, long plateId, MachineRequest machine, String last) {
    machines.describe(placeId, new DescribePrinterRequest(machine, last, plateId, false, 0));
  }
}
