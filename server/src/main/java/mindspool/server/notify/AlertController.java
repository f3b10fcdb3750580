package mindspool.server.notify;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.Text;
import mindspool.server.acts.Edits;
import mindspool.server.http.Asks;
import mindspool.server.http.MayBeNull;
import mindspool.server.http.NotFoundException;
import mindspool.server.http.PersonAtWork;
import mindspool.server.http.PublicAddress;
import mindspool.server.http.StaleEditException;
import mindspool.server.notify.AlertBoard.AlertView;
import mindspool.server.notify.AlertSender.Message;
import mindspool.server.notify.AlertWatch.Outcome;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
@Tag(name = "alerts")
class AlertController {

  private static final int LONGEST_KEY = 120;
  private static final long LONGEST_MUTE_S = 366L * 86_400;

  private final AlertBoard board;
  private final AlertMute.Store mutes;
  private final AlertRoute.Store routes;
  private final AlertWatch watch;
  private final EditableRoute editable;
  private final Edits edits;
  private final PublicAddress address;
  private final Clock clock;

  AlertController(
      AlertBoard board,
      AlertMute.Store mutes,
      AlertRoute.Store routes,
      AlertWatch watch,
      EditableRoute editable,
      Edits edits,
      PublicAddress address,
      Clock clock) {
    this.board = board;
    this.mutes = mutes;
    this.routes = routes;
    this.watch = watch;
    this.editable = editable;
    this.edits = edits;
    this.address = address;
    this.clock = clock;
  }

  /** {@code until} in time to come. */
  record MuteRequest(String key, Instant until) {}

  record MuteView(String key, long untilS) {}

  /**
   * A way of alerts. The password is never given out.
   *
   * @param hasPassword whether one is kept
   * @param lastS when something was sent on it last; null where nothing was since the start
   * @param problem why that was not taken; null where it was
   */
  record RouteView(
      long id,
      AlertRoute.Kind kind,
      String name,
      String target,
      @MayBeNull String smtpHost,
      @MayBeNull Integer smtpPort,
      @MayBeNull String smtpUser,
      boolean hasPassword,
      @MayBeNull AlertRoute.Security smtpSecurity,
      @MayBeNull String sender,
      @MayBeNull Long lastS,
      @MayBeNull String problem,
      int version) {}

  /** As {@link RouteView}; a password that is left out stays as it is. */
  record RouteRequest(
      AlertRoute.Kind kind,
      String name,
      String target,
      @MayBeNull String smtpHost,
      @MayBeNull Integer smtpPort,
      @MayBeNull String smtpUser,
      @MayBeNull String smtpPassword,
      @MayBeNull AlertRoute.Security smtpSecurity,
      @MayBeNull String sender,
      Integer version) {}

  /** {@code problem} null where the test message was taken. */
  record TestView(@MayBeNull String problem) {}

  @GetMapping("/alerts")
  @Operation(summary = "What needs a hand, urgent first; empty while nothing does")
  List<AlertView> alerts() {
    return board.all();
  }

  @PostMapping("/alerts/mutes")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Wants to hear nothing of an alert until some time")
  MuteView mute(@RequestBody MuteRequest request) {
    String key = Text.line("key", request.key, 1, LONGEST_KEY, "Take it from the alert.");
    Instant until = Require.present("until", request.until, "a time to come");
    long now = clock.instant().getEpochSecond();
    if (until.getEpochSecond() <= now || until.getEpochSecond() > now + LONGEST_MUTE_S) {
      throw new InvalidValueException(
          "until", until, "a time to come, at most a year from now", "Choose another one.");
    }
    mutes.save(new AlertMute(key, until.getEpochSecond(), PersonAtWork.name().orElse(null)));
    return new MuteView(key, until.getEpochSecond());
  }

  @DeleteMapping("/alerts/mutes")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Wants to hear of an alert again")
  void unmute(@RequestParam String key) {
    mutes.findById(key).ifPresent(mutes::delete);
  }

  @GetMapping("/alert-routes")
  @Operation(summary = "Ways on which alerts are sent")
  List<RouteView> routes() {
    return routes.findByRemovedSIsNullOrderById().stream().map(this::view).toList();
  }

  private RouteView view(AlertRoute route) {
    Outcome last = watch.outcome(route.id).orElse(null);
    return new RouteView(
        route.id,
        route.kind,
        route.name,
        route.target,
        route.smtpHost,
        route.smtpPort,
        route.smtpUser,
        route.smtpPassword != null,
        route.smtpSecurity,
        route.sender,
        last == null ? null : Long.valueOf(last.atS()),
        last == null ? null : last.problem(),
        route.version);
  }

  @PostMapping("/alert-routes")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Adds a way on which alerts are sent")
  RouteView add(@RequestBody RouteRequest request) {
    AlertRoute route =
        new AlertRoute(
            Require.present("kind", request.kind, Arrays.toString(AlertRoute.Kind.values())));
    describe(route, request);
    AlertRoute saved = routes.saveAndFlush(route);
    edits.added(editable, saved.id, saved);
    return view(saved);
  }

  @PutMapping("/alert-routes/{id}")
  @Operation(summary = "Changes a way on which alerts are sent")
  RouteView change(@PathVariable long id, @RequestBody RouteRequest request) {
    AlertRoute route = route(id);
    StaleEditException.refuse(
        "The way " + route.name,
        Require.present("version", request.version, "the version that was read"),
        route.version,
        view(route));
    Edits.Before before = edits.before(editable, route);
    describe(route, request);
    AlertRoute saved = routes.saveAndFlush(route);
    edits.changed(editable, id, before, saved);
    return view(saved);
  }

  private AlertRoute route(long id) {
    return routes
        .findById(id)
        .filter(route -> route.removedS == null)
        .orElseThrow(() -> new NotFoundException("way of alerts with number " + id));
  }

  private void describe(AlertRoute route, RouteRequest request) {
    boolean mail = route.kind == AlertRoute.Kind.MAIL;
    List<Object> server = server(route);
    route.name = Text.line("name", request.name, 1, 80, "Such as: my phone.");
    route.target = Text.line("target", request.target, 1, 300, "Where it is sent to.");
    route.smtpHost = mail ? orNull(request.smtpHost) : null;
    route.smtpPort = mail ? request.smtpPort : null;
    route.smtpUser = mail ? orNull(request.smtpUser) : null;
    route.sender = mail ? orNull(request.sender) : null;
    route.smtpSecurity = mail ? security(request) : null;
    if (!mail || route.smtpUser == null) {
      route.smtpPassword = null;
    } else if (request.smtpPassword != null && !request.smtpPassword.isEmpty()) {
      route.smtpPassword = request.smtpPassword;
    } else if (route.smtpPassword != null && !server.equals(server(route))) {
      throw new InvalidValueException(
          "smtpPassword",
          "kept for another server, port, user or security",
          "the password for %s:%d".formatted(route.smtpHost, route.smtpPort),
          "Enter it again, so that it goes nowhere that you did not mean.");
    }
    watch.sender(route.kind).check(route);
  }

  /** Whom a kept password is meant for. */
  private static List<Object> server(AlertRoute route) {
    return Arrays.asList(route.smtpHost, route.smtpPort, route.smtpUser, route.smtpSecurity);
  }

  private static AlertRoute.Security security(RouteRequest request) {
    return request.smtpSecurity == null ? AlertRoute.Security.STARTTLS : request.smtpSecurity;
  }

  private static String orNull(String text) {
    return text == null || text.isBlank() ? null : text.strip();
  }

  @DeleteMapping("/alert-routes/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Sends nothing more on a way")
  void remove(@PathVariable long id) {
    AlertRoute route = route(id);
    Edits.Before before = edits.before(editable, route);
    route.removedS = clock.instant().getEpochSecond();
    edits.changed(editable, id, before, routes.saveAndFlush(route));
  }

  /** Waits for another's server, so it holds up no act. */
  @Asks
  @PostMapping("/alert-routes/{id}/test")
  @Operation(summary = "Sends a test message now and says whether it was taken")
  TestView test(@PathVariable long id) {
    Outcome outcome =
        watch.send(
            route(id),
            new Message(
                "",
                "This is a test. Alerts of Mind Spool will arrive here.",
                address.base() + "/alerts",
                false,
                clock.instant().getEpochSecond()));
    return new TestView(outcome.problem());
  }
}
