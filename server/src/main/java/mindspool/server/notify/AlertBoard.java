package mindspool.server.notify;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import mindspool.server.alerts.AlertSource;
import mindspool.server.alerts.AlertSource.Alert;
import mindspool.server.http.MayBeNull;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;

/** All that needs a hand now, with what was muted. */
@Service
class AlertBoard {

  private static final Logger LOG = LoggerFactory.getLogger(AlertBoard.class);

  /** An answer is given again for so long, ns. */
  private static final long KEPT_NS = 1_000_000_000L;

  private final List<AlertSource> sources;
  private final AlertMute.Store mutes;
  private final Clock clock;
  private List<Alert> found;
  private long foundNs;

  AlertBoard(List<AlertSource> sources, AlertMute.Store mutes, Clock clock) {
    this.sources = sources;
    this.mutes = mutes;
    this.clock = clock;
  }

  /**
   * An alert as it stands.
   *
   * @param mutedUntilS until when nobody wants to hear of it; null where it is not muted
   */
  record AlertView(
      String key, String text, String link, boolean urgent, @MayBeNull Long mutedUntilS) {}

  /** All of them, urgent ones first. */
  List<AlertView> all() {
    Map<String, Long> muted = mutedUntil();
    return standing().stream()
        .map(
            each ->
                new AlertView(
                    each.key(), each.text(), each.link(), each.urgent(), muted.get(each.key())))
        .toList();
  }

  /** Every browser asks every few seconds; the answer is the same for all of them. */
  private synchronized List<Alert> standing() {
    long now = System.nanoTime();
    if (found == null || now - foundNs > KEPT_NS) {
      found = look();
      foundNs = now;
    }
    return found;
  }

  /** One part in trouble hides no other. */
  private List<Alert> look() {
    List<Alert> all = new ArrayList<>();
    for (AlertSource source : sources) {
      try {
        all.addAll(source.alerts());
      } catch (RuntimeException e) {
        LOG.warn("{} could not say whether all is well", source.getClass().getSimpleName(), e);
      }
    }
    all.sort(Comparator.comparing(alert -> !alert.urgent()));
    return List.copyOf(all);
  }

  private Map<String, Long> mutedUntil() {
    long now = clock.instant().getEpochSecond();
    Map<String, Long> muted = new HashMap<>();
    for (AlertMute mute : mutes.findAll()) {
      if (mute.untilS > now) {
        muted.put(mute.alertKey, mute.untilS);
      }
    }
    return muted;
  }
}
