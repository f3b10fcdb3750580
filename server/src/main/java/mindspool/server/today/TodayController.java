package mindspool.server.today;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import mindspool.core.InvalidValueException;
import mindspool.core.Require;
import mindspool.core.Text;
import mindspool.core.climate.Horizon;
import mindspool.server.http.MayBeNull;
import mindspool.server.http.PublicAddress;
import mindspool.server.today.AgendaSource.Deed;
import mindspool.server.today.AgendaSource.Doer;
import mindspool.server.today.AgendaSource.Line;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
@Tag(name = "today")
class TodayController {

  private static final long EVENT_S = 15 * 60;

  private final RunSheet sheet;
  private final TodayAct.Store acts;
  private final PublicAddress address;
  private final Clock clock;

  TodayController(RunSheet sheet, TodayAct.Store acts, PublicAddress address, Clock clock) {
    this.sheet = sheet;
    this.acts = acts;
    this.address = address;
    this.clock = clock;
  }

  /**
   * A line; {@code said} what somebody said of it, null where nobody did.
   *
   * @param after what must be done before it can be, such as "once they are in"
   * @param actId the act of what was said, by which it can be undone
   * @param untilS when it comes again, where it was put off
   */
  record LineView(
      String key,
      long atS,
      boolean overdue,
      Doer doer,
      String what,
      String why,
      String ifSkipped,
      String link,
      @MayBeNull Deed deed,
      @MayBeNull String after,
      @MayBeNull TodayAct.Kind said,
      Long actId,
      @MayBeNull String person,
      Long untilS) {}

  /** The run sheet; {@code changing} while some of it is computed anew. */
  record TodayView(long nowS, boolean changing, List<LineView> lines, List<LineView> settled) {}

  /**
   * What somebody says of a line, {@code what} as it was shown; {@code until} when it is to come
   * again, for {@code SNOOZED}.
   */
  record SayRequest(String key, String what, TodayAct.Kind kind, Instant until) {}

  @GetMapping("/today")
  @Operation(summary = "What people, dryers and printers are to do, in order of time")
  TodayView today(@RequestParam(required = false) Double hours) {
    double ahead = Require.within("hours", hours == null ? 24 : hours, 1, Horizon.HOURS, "h");
    long now = clock.instant().getEpochSecond();
    List<LineView> open = new ArrayList<>();
    List<LineView> settled = new ArrayList<>();
    for (LineView line : lines(now, Math.round(3600 * ahead))) {
      (line.said == null ? open : settled).add(line);
    }
    return new TodayView(now, sheet.isChanging(), open, settled);
  }

  private List<LineView> lines(long now, long aheadS) {
    Map<String, TodayAct> said = new HashMap<>();
    acts.findByUndoneByIsNullOrderByAtSAscIdAsc().forEach(act -> said.put(act.lineKey, act));
    return sheet.lines(now, aheadS).stream()
        .map(line -> view(line, said.get(line.key()), now))
        .sorted(Comparator.comparingLong(LineView::atS).thenComparing(LineView::key))
        .toList();
  }

  private static LineView view(Line line, TodayAct act, long now) {
    boolean snoozed = act != null && act.kind == TodayAct.Kind.SNOOZED;
    boolean woken = snoozed && act.untilS <= now;
    TodayAct holds = woken ? null : act;
    return new LineView(
        line.key(),
        line.atS(),
        line.atS() < now - EVENT_S,
        line.doer(),
        line.what(),
        line.why(),
        line.ifSkipped(),
        line.link(),
        line.deed(),
        line.after(),
        holds == null ? null : holds.kind,
        holds == null ? null : holds.actId,
        holds == null ? null : holds.person,
        holds == null ? null : holds.untilS);
  }

  @PostMapping("/today/acts")
  @ResponseStatus(HttpStatus.CREATED)
  @Operation(summary = "Says of a line that it is done, comes later, or is not needed")
  void say(@RequestBody SayRequest request) {
    String key = Require.present("key", request.key, "the key of a line");
    if (key.isBlank() || key.length() > 120) {
      throw new InvalidValueException("key", key, "the key of a line", "Take it from the sheet.");
    }
    TodayAct.Kind kind =
        Require.present("kind", request.kind, Arrays.toString(TodayAct.Kind.values()));
    long now = clock.instant().getEpochSecond();
    Long until = null;
    if (kind == TodayAct.Kind.SNOOZED) {
      until = Require.present("until", request.until, "a time to come").getEpochSecond();
      if (until <= now) {
        throw new InvalidValueException(
            "until", request.until, "a time to come", "Say when it is to come again.");
      }
    }
    acts.save(new TodayAct(key, title(request.what, key), kind, now, until));
  }

  private static String title(String what, String key) {
    return what == null || what.isBlank()
        ? key
        : Text.line("what", what, 1, 400, "The line as it is shown.");
  }

  @GetMapping(value = "/today.ics", produces = "text/calendar")
  @Operation(summary = "The coming two weeks as a calendar to subscribe to (iCalendar, RFC 5545)")
  String calendar() {
    long now = clock.instant().getEpochSecond();
    Calendar calendar = new Calendar(now);
    lines(now, (long) Horizon.SECONDS).stream()
        .filter(line -> line.said == null)
        .forEach(
            line ->
                calendar.add(
                    new Calendar.Event(
                        line.key,
                        line.atS,
                        line.atS + EVENT_S,
                        line.what,
                        line.why + "\n" + line.ifSkipped,
                        address.base() + line.link,
                        line.doer == Doer.PERSON)));
    return calendar.text();
  }
}
