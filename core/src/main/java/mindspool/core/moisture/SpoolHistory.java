package mindspool.core.moisture;

import java.util.Comparator;
import java.util.List;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.stock.Winding;

/**
 * All that happened to a spool as far as its water is concerned.
 *
 * @param startS when the record begins
 * @param start water assumed at that time
 * @param winding filament at that time
 * @param stays where it lay, each until the next begins; the first begins at {@code startS}
 * @param masses filament found to be left, as it was used
 */
public record SpoolHistory(
    double startS, StartMoisture start, Winding winding, List<Stay> stays, List<MassLeft> masses) {

  /** From a time on, the spool lies in some air. */
  public record Stay(double fromS, ClimateSeries climate, AirContact contact) {}

  /** At a time, so much dry polymer is left. */
  public record MassLeft(double atS, double dryMassKg) {}

  public SpoolHistory {
    if (stays.isEmpty() || stays.get(0).fromS() > startS) {
      throw new IllegalArgumentException("a spool is always somewhere");
    }
    stays = stays.stream().sorted(Comparator.comparingDouble(Stay::fromS)).toList();
    masses = masses.stream().sorted(Comparator.comparingDouble(MassLeft::atS)).toList();
  }

  /** Where it lay at a time. */
  public Stay stayAt(double timeS) {
    Stay current = stays.get(0);
    for (Stay stay : stays) {
      if (stay.fromS() <= timeS) {
        current = stay;
      }
    }
    return current;
  }

  /** When it was next put elsewhere; infinite where it was not. */
  public double nextStayAfter(double timeS) {
    return stays.stream()
        .mapToDouble(Stay::fromS)
        .filter(from -> from > timeS)
        .min()
        .orElse(Double.POSITIVE_INFINITY);
  }
}
