package mindspool.server.upkeep;

import java.util.List;
import mindspool.core.upkeep.UpkeepTask.Subject;
import org.springframework.stereotype.Service;

/** Upkeep of the demonstration. */
@Service
public class DemoUpkeep {

  private static final long DAY_S = 86_400;

  private final Upkeep upkeep;
  private final Supplies supplies;

  DemoUpkeep(Upkeep upkeep, Supplies supplies) {
    this.upkeep = upkeep;
    this.supplies = supplies;
  }

  /**
   * Two printers that were kept up, one better than the other; and tasks and supplies of the
   * workshop.
   */
  public void fill(long enclosedPrinter, long openPrinter) {
    supplies();
    done("z_screw", enclosedPrinter, 168, "grey grease wiped off");
    done("rods", enclosedPrinter, 40, null);
    done("belts", enclosedPrinter, 33, "both 9 N");
    done("fasteners", enclosedPrinter, 61, null);
    done("filters", enclosedPrinter, 93, null);
    done("cables", enclosedPrinter, 61, null);
    done("protection", enclosedPrinter, 200, "stopped as the maker says");
    done("fans", enclosedPrinter, 13, "hair in the hot end's fan");
    done("z_offset", enclosedPrinter, 6, null);
    done("z_screw", openPrinter, 150, null);
    done("rods", openPrinter, 77, null);
    done("belts", openPrinter, 77, "wheel at the left set anew");
    done("fasteners", openPrinter, 20, null);
    done("cables", openPrinter, 20, null);
    done("protection", openPrinter, 371, null);
    upkeep.done(
        new Upkeep.Said(
            "scale", Subject.WORKSHOP, null, upkeep.nowS() - 26 * DAY_S, null, 500.2, "g"));
    upkeep.add(
        new Upkeep.OwnSaid(
            "Empty the scrap bin",
            Subject.WORKSHOP,
            null,
            null,
            null,
            null,
            null,
            14.0,
            5.0,
            List.of("By kind: only clean scraps of one material can be ground")));
  }

  private void supplies() {
    supply("Silica gel, loose", "g", 850, 120.0, 500.0, 0.012);
    supply("Adhesive for plates", "ml", 12, 9.0, 20.0, 0.9);
    supply("Nozzle 0.4 mm, hardened", "pieces", 2, 0.2, 1.0, 14.0);
    supply("Isopropyl alcohol", "ml", 700, 150.0, 300.0, 0.011);
  }

  private void supply(
      String name, String unit, double amount, Double perMonth, Double least, Double price) {
    supplies.add(new Supplies.Said(name, unit, amount, perMonth, least, price, "EUR"));
  }

  private void done(String task, long printer, int daysAgo, String note) {
    upkeep.done(
        new Upkeep.Said(
            task, Subject.PRINTER, printer, upkeep.nowS() - daysAgo * DAY_S, note, null, null));
  }
}
