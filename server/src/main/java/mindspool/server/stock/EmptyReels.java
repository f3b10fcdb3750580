package mindspool.server.stock;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Own emptied reels: weighed empty at their end, they tell the mass of their siblings, which are
 * those of the same maker, kind and size.
 */
public final class EmptyReels {

  private final Map<String, Double> meanG;
  private final Map<Long, String> makers;

  EmptyReels(Map<String, Double> meanG, Map<Long, String> makers) {
    this.meanG = meanG;
    this.makers = makers;
  }

  static EmptyReels of(List<Spool> emptied, Map<Long, Double> masses, Map<Long, String> makers) {
    Map<String, List<Double>> byKind = new HashMap<>();
    for (Spool spool : emptied) {
      byKind
          .computeIfAbsent(key(spool, makers), kind -> new ArrayList<>())
          .add(masses.get(spool.id));
    }
    Map<String, Double> means = new HashMap<>();
    byKind.forEach(
        (kind, all) ->
            means.put(kind, all.stream().mapToDouble(Double::doubleValue).average().orElseThrow()));
    return new EmptyReels(means, makers);
  }

  private static String key(Spool spool, Map<Long, String> makers) {
    String maker = spool.lotId == null ? "" : makers.getOrDefault(spool.lotId, "");
    return maker + '|' + spool.reelKind + '|' + spool.nominalNetG;
  }

  /** Tells a spool what its siblings weighed. */
  public Spool tell(Spool spool) {
    // Reels of unknown makers are no siblings of one another.
    spool.siblingEmptyReelG = spool.lotId == null ? null : meanG.get(key(spool, makers));
    return spool;
  }
}
