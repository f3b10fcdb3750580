package mindspool.server.dry;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mindspool.server.air.DryerRuns.VapourChange;

/**
 * What the spools and the desiccant inside make of the air of a dryer, as computed when something
 * was put in or taken out: without it every spool would dry as if it were alone.
 */
@Entity
@Table(name = "cycle_vapour")
class CycleVapour {

  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  Long id;

  long cycleId;
  long fromS;

  /** Pairs of seconds after {@code fromS} and Pa above the room's vapour, "s:Pa s:Pa ...". */
  String course;

  /** For Hibernate. */
  protected CycleVapour() {}

  CycleVapour(long cycleId, long fromS, List<VapourChange> changes) {
    this.cycleId = cycleId;
    this.fromS = fromS;
    this.course =
        changes.stream()
            .map(
                each ->
                    String.format(Locale.ROOT, "%.0f:%.1f", each.fromS() - fromS, each.morePa()))
            .collect(Collectors.joining(" "));
  }

  List<VapourChange> changes() {
    return Stream.of(course.split(" "))
        .map(pair -> pair.split(":"))
        .map(
            pair ->
                new VapourChange(fromS + Double.parseDouble(pair[0]), Double.parseDouble(pair[1])))
        .toList();
  }
}
