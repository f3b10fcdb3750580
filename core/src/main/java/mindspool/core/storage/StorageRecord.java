package mindspool.core.storage;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.storage.StorageReplay.Content;
import mindspool.core.storage.StorageReplay.DesiccantChange;
import mindspool.core.storage.StorageReplay.MassFrom;
import mindspool.core.storage.StorageReplay.MeasuredAir;
import mindspool.core.storage.StorageReplay.Opening;
import mindspool.core.storage.StorageReplay.Surroundings;
import mindspool.core.storage.StorageReplay.Vessel;
import mindspool.core.storage.StorageReplay.Whereabouts;

/**
 * All that is recorded of closed containers and of spools, from which their air follows.
 *
 * @param vessels each after the one that it stands in
 */
public record StorageRecord(
    List<Vessel> vessels,
    List<Content> contents,
    List<Opening> openings,
    List<DesiccantChange> changes) {

  /** Nothing at all. */
  static final StorageRecord NONE = new StorageRecord(List.of(), List.of(), List.of(), List.of());

  /**
   * From when on containers and spools are no longer as another record has them; those that are the
   * same in both are left out.
   *
   * @param vessels by the number of the container
   * @param contents by the number of the spool
   * @param byFacts containers for which it is not only the air around that is another
   */
  record Difference(
      Map<Long, Double> vessels, Map<Long, Double> contents, Map<Long, Boolean> byFacts) {

    private void vessel(Long id, double fromS, boolean fact) {
      if (id != null && fromS < Double.POSITIVE_INFINITY) {
        vessels.merge(id, fromS, Math::min);
        byFacts.merge(id, fact, Boolean::logicalOr);
      }
    }
  }

  /** What is different from an earlier record. */
  Difference since(StorageRecord before) {
    Difference found = new Difference(new HashMap<>(), new HashMap<>(), new HashMap<>());
    Map<Long, Vessel> earlierVessels = byId(before.vessels, Vessel::id);
    for (Vessel vessel : vessels) {
      Vessel earlier = earlierVessels.remove(vessel.id());
      boolean same = earlier != null && sameBody(earlier, vessel);
      found.vessel(vessel.id(), same ? differ(earlier, vessel) : Double.NEGATIVE_INFINITY, !same);
    }
    earlierVessels.keySet().forEach(id -> found.vessel(id, Double.NEGATIVE_INFINITY, true));
    happenings(found, openings, before.openings, Opening::vesselId, Opening::atS);
    happenings(found, changes, before.changes, DesiccantChange::vesselId, DesiccantChange::atS);
    Map<Long, Content> earlierContents = byId(before.contents, Content::id);
    for (Content content : contents) {
      Content earlier = earlierContents.remove(content.id());
      note(found, earlier, content);
    }
    earlierContents.values().forEach(gone -> note(found, gone, null));
    return found;
  }

  private static <T> Map<Long, T> byId(List<T> all, Function<T, Long> id) {
    return all.stream().collect(Collectors.toMap(id, each -> each, (a, b) -> b, HashMap::new));
  }

  private static boolean sameBody(Vessel a, Vessel b) {
    return a.container().equals(b.container())
        && Double.compare(a.measuredGPerDay(), b.measuredGPerDay()) == 0
        && Objects.equals(a.outside().vesselId(), b.outside().vesselId())
        && (a.record() == null) == (b.record() == null)
        && (a.record() == null || a.record().fromS() == b.record().fromS());
  }

  private static double differ(Vessel a, Vessel b) {
    MeasuredAir own = a.record();
    double record =
        own == null ? Double.POSITIVE_INFINITY : own.air().differsFrom(b.record().air());
    return Math.min(record, differ(a.outside().air(), b.outside().air()));
  }

  private static double differ(ClimateSeries a, ClimateSeries b) {
    return a == null || b == null
        ? (a == b ? Double.POSITIVE_INFINITY : Double.NEGATIVE_INFINITY)
        : a.differsFrom(b);
  }

  private static <T> void happenings(
      Difference found,
      List<T> now,
      List<T> before,
      Function<T, Long> vessel,
      ToDoubleFunction<T> atS) {
    Map<T, Integer> left = new HashMap<>();
    before.forEach(each -> left.merge(each, 1, Integer::sum));
    for (T each : now) {
      if (left.merge(each, -1, Integer::sum) < 0) {
        found.vessel(vessel.apply(each), atS.applyAsDouble(each), true);
        left.remove(each);
      }
    }
    left.forEach(
        (each, times) -> {
          if (times > 0) {
            found.vessel(vessel.apply(each), atS.applyAsDouble(each), true);
          }
        });
  }

  /** A spool that is another, in every container where it lies or lay from then on. */
  private static void note(Difference found, Content before, Content now) {
    double byFact = factsDiffer(before, now);
    double byAir = before == null || now == null ? byFact : airDiffers(before, now);
    double from = Math.min(byFact, byAir);
    if (from == Double.POSITIVE_INFINITY) {
      return;
    }
    found.contents.put((now == null ? before : now).id(), from);
    for (Content each : both(before, now)) {
      List<Whereabouts> stays = each.whereabouts();
      for (int i = 0; i < stays.size(); i++) {
        double end = i + 1 < stays.size() ? stays.get(i + 1).fromS() : Double.POSITIVE_INFINITY;
        if (end > from) {
          found.vessel(
              stays.get(i).in().vesselId(),
              Math.max(from, stays.get(i).fromS()),
              byFact < Double.POSITIVE_INFINITY);
        }
      }
    }
  }

  private static List<Content> both(Content before, Content now) {
    List<Content> both = new ArrayList<>();
    if (before != null) {
      both.add(before);
    }
    if (now != null) {
      both.add(now);
    }
    return both;
  }

  private static double factsDiffer(Content a, Content b) {
    if (a == null || b == null) {
      return (a == null ? b : a).whereabouts().get(0).fromS();
    }
    boolean sameBody =
        a.isotherm().equals(b.isotherm())
            && a.dryMassG() == b.dryMassG()
            && a.lagH() == b.lagH()
            && a.cardboardG() == b.cardboardG()
            && a.startHumidity() == b.startHumidity();
    if (!sameBody) {
      return Math.min(a.whereabouts().get(0).fromS(), b.whereabouts().get(0).fromS());
    }
    return Math.min(
        firstDifference(a.later(), b.later(), Object::equals, MassFrom::fromS),
        firstDifference(
            a.whereabouts(), b.whereabouts(), StorageRecord::sameStay, Whereabouts::fromS));
  }

  private static boolean sameStay(Object first, Object second) {
    Whereabouts a = (Whereabouts) first;
    Whereabouts b = (Whereabouts) second;
    return a.fromS() == b.fromS()
        && a.sealed() == b.sealed()
        && Objects.equals(a.in().vesselId(), b.in().vesselId());
  }

  private static <T> double firstDifference(
      List<T> a,
      List<T> b,
      java.util.function.BiPredicate<Object, Object> same,
      ToDoubleFunction<T> fromS) {
    for (int i = 0; i < Math.max(a.size(), b.size()); i++) {
      if (i >= a.size()) {
        return fromS.applyAsDouble(b.get(i));
      }
      if (i >= b.size()) {
        return fromS.applyAsDouble(a.get(i));
      }
      if (!same.test(a.get(i), b.get(i))) {
        return Math.min(fromS.applyAsDouble(a.get(i)), fromS.applyAsDouble(b.get(i)));
      }
    }
    return Double.POSITIVE_INFINITY;
  }

  /** From when on the air of one of a spool's stays is another, within that stay. */
  private static double airDiffers(Content a, Content b) {
    double from = Double.POSITIVE_INFINITY;
    int stays = Math.min(a.whereabouts().size(), b.whereabouts().size());
    for (int i = 0; i < stays; i++) {
      Whereabouts stay = b.whereabouts().get(i);
      Surroundings earlier = a.whereabouts().get(i).in();
      double end =
          i + 1 < b.whereabouts().size()
              ? b.whereabouts().get(i + 1).fromS()
              : Double.POSITIVE_INFINITY;
      double differ = differ(earlier.air(), stay.in().air());
      if (differ < end && !stay.sealed()) {
        from = Math.min(from, Math.max(stay.fromS(), differ));
      }
    }
    return from;
  }
}
