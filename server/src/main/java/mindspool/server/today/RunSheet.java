package mindspool.server.today;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.LongSupplier;
import mindspool.server.http.Acts;
import mindspool.server.http.KeptValue;
import mindspool.server.today.AgendaSource.Line;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Service;

/**
 * The lines of all stations, computed once for all who look: kept until somebody acts, or for as
 * long as nobody notices what devices and the clock change.
 */
@Service
class RunSheet {

  private static final Logger LOG = LoggerFactory.getLogger(RunSheet.class);

  /** What no act changes is seen so much later, s. */
  private static final long KEPT_S = 15;

  /** Looks ahead of so many lengths are kept; people use three. */
  private static final int MOST_LENGTHS = 8;

  private final List<AgendaSource> sources;
  private final LongSupplier actsDone;
  private final KeptValue<Map<Long, Kept>> kept = new KeptValue<>();

  @Autowired
  RunSheet(List<AgendaSource> sources, Acts acts) {
    this(sources, acts::done);
  }

  RunSheet(List<AgendaSource> sources, LongSupplier actsDone) {
    this.sources = sources;
    this.actsDone = actsDone;
  }

  /** Lines of a moment; {@code act} the number of acts that were done by then. */
  private record Kept(long act, long atS, List<Line> lines) {

    boolean holds(long actNow, long nowS) {
      return act == actNow && nowS >= atS && nowS - atS < KEPT_S;
    }
  }

  /** Whether a station is just computing its lines anew. */
  boolean isChanging() {
    return sources.stream().anyMatch(AgendaSource::isChanging);
  }

  /** What is due up to so many seconds ahead, and what is overdue. */
  List<Line> lines(long nowS, long aheadS) {
    Map<Long, Kept> made = kept.get(ConcurrentHashMap::new);
    // Of two that were made at once only one is kept.
    Map<Long, Kept> byLength = kept.peek() == null ? made : kept.peek();
    if (byLength.size() >= MOST_LENGTHS && !byLength.containsKey(aheadS)) {
      return computed(nowS, nowS + aheadS);
    }
    // Whoever comes meanwhile waits for this one and computes nothing.
    return byLength.compute(
            aheadS,
            (length, before) -> {
              long act = actsDone.getAsLong();
              return before != null && before.holds(act, nowS) && !isChanging()
                  ? before
                  : new Kept(act, nowS, computed(nowS, nowS + aheadS));
            })
        .lines;
  }

  private List<Line> computed(long nowS, long untilS) {
    List<Line> lines = new ArrayList<>();
    for (AgendaSource source : sources) {
      try {
        lines.addAll(source.lines(nowS, untilS));
      } catch (RuntimeException e) {
        // One station's trouble must not hide what the others have to say.
        LOG.warn("{} has no lines", source.getClass().getSimpleName(), e);
      }
    }
    return List.copyOf(lines);
  }
}
