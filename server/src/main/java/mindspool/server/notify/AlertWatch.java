package mindspool.server.notify;

import java.time.Clock;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.Collectors;
import mindspool.server.http.PublicAddress;
import mindspool.server.notify.AlertBoard.AlertView;
import mindspool.server.notify.AlertSender.Message;
import mindspool.server.notify.AlertSender.NotSentException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/**
 * Sends every alert once on every way: one that was not taken is tried again, later each time; one
 * that is over and comes back is sent anew.
 */
@Service
class AlertWatch implements DisposableBean {

  private static final Logger LOG = LoggerFactory.getLogger(AlertWatch.class);
  private static final long FIRST_WAIT_S = 30;
  private static final long LONGEST_WAIT_S = 3600;

  private final AlertBoard board;
  private final AlertRoute.Store routes;
  private final Map<AlertRoute.Kind, AlertSender> senders = new EnumMap<>(AlertRoute.Kind.class);
  private final JdbcTemplate database;
  private final PublicAddress address;
  private final Clock clock;

  /** By way: how the last message went. */
  private final Map<Long, Outcome> outcomes = new ConcurrentHashMap<>();

  private final AtomicBoolean looking = new AtomicBoolean();

  /** A slow mail server holds up nothing else. */
  private final ExecutorService background =
      Executors.newSingleThreadExecutor(
          task -> {
            Thread thread = new Thread(task, "alerts");
            thread.setDaemon(true);
            return thread;
          });

  AlertWatch(
      AlertBoard board,
      AlertRoute.Store routes,
      List<AlertSender> senders,
      JdbcTemplate database,
      PublicAddress address,
      Clock clock) {
    this.board = board;
    this.routes = routes;
    this.database = database;
    this.address = address;
    this.clock = clock;
    senders.forEach(sender -> this.senders.put(sender.kind(), sender));
  }

  /**
   * How the last message on a way went.
   *
   * @param problem null where it was taken
   * @param waitS after a failure, until the next try
   */
  record Outcome(long atS, String problem, long waitS) {}

  AlertSender sender(AlertRoute.Kind kind) {
    return senders.get(kind);
  }

  Optional<Outcome> outcome(long routeId) {
    return Optional.ofNullable(outcomes.get(routeId));
  }

  @Override
  public void destroy() {
    background.shutdownNow();
  }

  @Scheduled(initialDelay = 5_000, fixedDelayString = "${mindspool.alerts.watch-ms:10000}")
  void look() {
    if (looking.compareAndSet(false, true)) {
      background.execute(
          () -> {
            try {
              sendNew();
            } catch (RuntimeException e) {
              LOG.warn("Alerts could not be sent", e);
            } finally {
              looking.set(false);
            }
          });
    }
  }

  private void sendNew() {
    List<AlertRoute> all = routes.findByRemovedSIsNullOrderById();
    Map<Long, Set<String>> sent = sent();
    if (all.isEmpty() && sent.isEmpty()) {
      return;
    }
    List<AlertView> alerts = board.all();
    forgetEnded(alerts, sent);
    for (AlertRoute route : all) {
      for (AlertView alert : alerts) {
        boolean known = sent.getOrDefault(route.id, Set.of()).contains(alert.key());
        if (!known && alert.mutedUntilS() == null && mayTry(route.id) && deliver(route, alert)) {
          database.update(
              "insert into alert_sent (alert_key, route_id, at_s) values (?, ?, ?)",
              alert.key(),
              route.id,
              now());
        }
      }
    }
  }

  private Map<Long, Set<String>> sent() {
    Map<Long, Set<String>> sent = new HashMap<>();
    database.query(
        "select route_id, alert_key from alert_sent",
        row -> {
          sent.computeIfAbsent(row.getLong(1), id -> new HashSet<>()).add(row.getString(2));
        });
    return sent;
  }

  private void forgetEnded(List<AlertView> alerts, Map<Long, Set<String>> sent) {
    Set<String> standing = alerts.stream().map(AlertView::key).collect(Collectors.toSet());
    sent.values().stream()
        .flatMap(Set::stream)
        .distinct()
        .filter(key -> !standing.contains(key))
        .forEach(key -> database.update("delete from alert_sent where alert_key = ?", key));
  }

  private boolean mayTry(long routeId) {
    Outcome last = outcomes.get(routeId);
    return last == null || last.problem == null || now() >= last.atS + last.waitS;
  }

  private boolean deliver(AlertRoute route, AlertView alert) {
    String link = alert.link().isEmpty() ? "/today" : alert.link();
    return send(
                route,
                new Message(
                    alert.key(),
                    alert.text(),
                    address.baseWithoutCaller() + link,
                    alert.urgent(),
                    now()))
            .problem
        == null;
  }

  /** Sends a message now and keeps how it went. */
  Outcome send(AlertRoute route, Message message) {
    Outcome before = outcomes.get(route.id);
    Outcome outcome;
    try {
      sender(route.kind).send(route, message);
      outcome = new Outcome(now(), null, 0);
    } catch (NotSentException e) {
      LOG.warn("Not sent {} to {}: {}", route.kind.title, route.target, e.getMessage());
      long wait =
          before == null || before.problem == null
              ? FIRST_WAIT_S
              : Math.min(LONGEST_WAIT_S, 2 * Math.max(FIRST_WAIT_S, before.waitS));
      outcome = new Outcome(now(), e.getMessage(), wait);
    }
    outcomes.put(route.id, outcome);
    return outcome;
  }

  private long now() {
    return clock.instant().getEpochSecond();
  }
}
