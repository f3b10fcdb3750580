package mindspool.server.air;

import jakarta.annotation.PostConstruct;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import mindspool.core.climate.ClimateOutlook;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.server.air.DryerRuns.DryerRun;
import mindspool.server.air.LiveReadings.LiveReading;
import mindspool.server.air.PlaceClimate.Gap;
import mindspool.server.air.PlaceClimate.Source;
import mindspool.server.air.ReadingSamples.AirSample;
import mindspool.server.http.Acts;
import mindspool.server.http.KeptValue;
import mindspool.server.places.PlaceChanged;
import mindspool.server.places.PlaceInfo;
import mindspool.server.places.PlaceKind;
import mindspool.server.places.Places;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/** The air of places, past and expected. */
@Service
public class Climates {

  private static final Set<PlaceKind> OPEN_AIR = Set.of(PlaceKind.ROOM, PlaceKind.OPEN_SHELF);

  /** Assumed where nothing is known: the standard atmosphere of ISO 291. */
  public static final MoistAir ASSUMED = new MoistAir(23, 50);

  private static final Logger LOG = LoggerFactory.getLogger(Climates.class);

  /** Readings further apart leave a gap. */
  private static final double GAP_S = 6 * 3600;

  private final Places places;
  private final ClimateStore.Typed typed;
  private final ReadingSamples readings;
  private final Clock clock;
  private final ApplicationEventPublisher events;
  private final ClosedAir computed;
  private final ObjectProvider<LiveReadings> live;
  private final ClimateStore.Planned planned;
  private final ObjectProvider<DryerRuns> dryerRuns;
  private final Map<Long, PlaceClimate> cache = new ConcurrentHashMap<>();
  private final Map<Long, List<AirSample>> imported = new ConcurrentHashMap<>();
  private final Map<Long, Long> versions = new ConcurrentHashMap<>();
  private final Map<Long, Double> arrivedS = new ConcurrentHashMap<>();
  private final Map<Long, Began> began = new ConcurrentHashMap<>();
  private final KeptValue<List<PlannedClimate>> plans = new KeptValue<>();

  /** A place's own record with what came before it, kept while both are the same. */
  private record Began(ClimateSeries before, PlaceClimate own, PlaceClimate whole) {}

  Climates(
      Places places,
      ClimateStore.Typed typed,
      ReadingSamples readings,
      Clock clock,
      ApplicationEventPublisher events,
      ClosedAir computed,
      ObjectProvider<LiveReadings> live,
      ClimateStore.Planned planned,
      ObjectProvider<DryerRuns> dryerRuns) {
    this.dryerRuns = dryerRuns;
    this.places = places;
    this.typed = typed;
    this.readings = readings;
    this.clock = clock;
    this.events = events;
    this.computed = computed;
    this.live = live;
    this.planned = planned;
  }

  /** Reads the records while the rest of the program still starts. */
  @PostConstruct
  void preload() {
    Thread reading = new Thread(this::readAll, "climate-preload");
    reading.setDaemon(true);
    reading.start();
  }

  private void readAll() {
    try {
      places().forEach(place -> ownClimate(place));
    } catch (RuntimeException e) {
      // Whoever asks for it first reads it then, and sees what is wrong.
      LOG.debug("Climate was not read ahead", e);
    }
  }

  /** All places in the order of the room. */
  public List<PlaceInfo> places() {
    return places.all();
  }

  /** Whether the air in all closed places was followed since the start. */
  public boolean isSettled() {
    return computed.isSettled();
  }

  /** All places, also those that were removed. */
  public List<PlaceInfo> placesEver() {
    return places.ever();
  }

  /** A place that must exist. */
  public PlaceInfo place(long id) {
    return places.place(id);
  }

  /** A place that is there and was not removed. */
  public PlaceInfo presentPlace(long id) {
    return places.present(id);
  }

  /** What stands where, or how large it is, is another, and with it the air. */
  @EventListener
  void placeChanged(PlaceChanged event) {
    changed(event.placeId());
    contentsChanged();
  }

  /** The air of a place up to now: recorded, computed, or taken from what is around it. */
  public PlaceClimate climate(long placeId) {
    PlaceInfo place = place(placeId);
    if (follows(place)) {
      PlaceClimate around = climate(place.withinId());
      return isComputed(place)
          ? new PlaceClimate(placeId, computed.air(this, placeId), Source.COMPUTED, around.gaps())
          : new PlaceClimate(placeId, around.series(), Source.SURROUNDINGS, around.gaps());
    }
    PlaceClimate own = ownClimate(place);
    return hasSurroundings(place) ? beganWithin(place, own) : own;
  }

  /** A place measured or typed from some time on had the air of what it stands in before. */
  private PlaceClimate beganWithin(PlaceInfo place, PlaceClimate own) {
    PlaceClimate around = climate(place.withinId());
    ClimateSeries before = isComputed(place) ? computed.air(this, place.id()) : around.series();
    Began known = began.get(place.id());
    if (known == null || known.before != before || known.own != own) {
      known = new Began(before, own, joined(place.id(), around, before, own));
      began.put(place.id(), known);
    }
    return known.whole;
  }

  private static PlaceClimate joined(
      long placeId, PlaceClimate around, ClimateSeries before, PlaceClimate own) {
    double from = own.series().firstTimeS();
    List<Gap> gaps = new ArrayList<>();
    around.gaps().stream()
        .filter(gap -> gap.fromS() < from)
        .forEach(gap -> gaps.add(new Gap(gap.fromS(), Math.min(from, gap.toS()))));
    own.gaps().stream().filter(gap -> gap.toS() > from).forEach(gaps::add);
    return new PlaceClimate(
        placeId, ClimateSeries.joined(before, from, own.series()), own.source(), gaps);
  }

  /** From when on a place's air was measured or typed. */
  public double recordedFromS(long placeId) {
    return ownClimate(place(placeId)).series().firstTimeS();
  }

  /** The air of a place as the containers in it, or it as a container, are computed from. */
  public ClimateSeries seriesForContainers(long placeId) {
    PlaceInfo place = place(placeId);
    return isComputed(place) || standsInContainer(place)
        ? ownClimate(place).series()
        : climate(placeId).series();
  }

  private boolean standsInContainer(PlaceInfo place) {
    return places.around(place).stream().anyMatch(Climates::isComputed);
  }

  private PlaceClimate ownClimate(PlaceInfo place) {
    PlaceClimate known = cache.get(place.id());
    if (known == null) {
      long version = versions.getOrDefault(place.id(), 0L);
      known = assemble(place);
      // What arrived while it was put together would be missing for all who come later.
      if (versions.getOrDefault(place.id(), 0L) == version) {
        cache.put(place.id(), known);
      }
    }
    return known;
  }

  private void forget(long placeId) {
    versions.merge(placeId, 1L, Long::sum);
    cache.remove(placeId);
    imported.remove(placeId);
  }

  /** Puts a climate together anew while the one before is still shown. */
  private void renew(PlaceInfo place) {
    long version = versions.merge(place.id(), 1L, Long::sum);
    PlaceClimate fresh = assemble(place);
    if (versions.get(place.id()) == version) {
      cache.put(place.id(), fresh);
    }
  }

  /** Whether a place's air follows from that around it, because nobody measured or typed it. */
  private boolean follows(PlaceInfo place) {
    return hasSurroundings(place) && !hasOwnRecord(place.id());
  }

  private static boolean hasSurroundings(PlaceInfo place) {
    return place.withinId() != null && place.kind() != PlaceKind.DRYER;
  }

  private static boolean isComputed(PlaceInfo place) {
    return place.kind().isClosed();
  }

  /** Whether somebody measured or typed the air of a place. */
  public boolean hasOwnRecord(long placeId) {
    return ownClimate(place(placeId)).source() != Source.ASSUMED;
  }

  /** The air to expect of a place from now on. */
  public ClimateSeries outlook(long placeId, double nowS, double untilS) {
    PlaceInfo place = place(placeId);
    if (isHeated(place)) {
      Long room = roomOf(place);
      ClimateSeries around =
          room == null ? ClimateSeries.constant(ASSUMED) : outlook(room, nowS, untilS);
      return DryerAir.heated(around, runs(placeId), place.setpointC());
    }
    if (follows(place)) {
      return isComputed(place)
          ? computed.air(this, placeId)
          : outlook(place.withinId(), nowS, untilS);
    }
    PlaceClimate climate = ownClimate(place);
    ClimateSeries expected =
        climate.source() == Source.MEASURED
            ? ClimateOutlook.dailyCycle(climate.series(), nowS, untilS)
            : ClimateSeries.constant(climate.series().at(nowS));
    for (PlannedClimate plan : plans()) {
      if (plan.placeId == placeId && plan.untilS > nowS) {
        expected =
            ClimateOutlook.interrupted(
                expected, Math.max(nowS, plan.fromS()), plan.untilS, plan.air());
      }
    }
    return expected;
  }

  /** What people expect of places, that holds. */
  List<PlannedClimate> plans() {
    return plans.get(planned::findByUndoneByIsNullOrderByAtSAscIdAsc);
  }

  void plansChanged(long placeId) {
    Acts.nowAndAfterwards(plans::forget);
    Acts.nowAndAfterwards(computed::invalidate);
    tellAround(placeId, clock.instant().getEpochSecond());
  }

  /** In words, what the outlook of a place assumes. */
  public String assumption(long placeId) {
    PlaceInfo place = place(placeId);
    Long around = isHeated(place) ? roomOf(place) : follows(place) ? place.withinId() : null;
    if (around != null) {
      return assumption(around);
    }
    StringBuilder words =
        new StringBuilder(
            ownClimate(place).source() == Source.MEASURED
                ? "the mean day of the last seven in " + place.name() + ", repeated"
                : "the air of " + place.name() + " as it is now");
    long now = clock.instant().getEpochSecond();
    for (PlannedClimate plan : plans()) {
      if (plan.placeId == placeId && plan.untilS > now) {
        words.append(
            String.format(
                Locale.ROOT,
                "; %s: %.0f °C, %.0f %%",
                plan.name,
                plan.temperatureC,
                plan.relativeHumidityPercent));
      }
    }
    return words.toString();
  }

  private List<DryerRun> runs(long placeId) {
    DryerRuns known = dryerRuns.getIfAvailable();
    return known == null ? List.of() : known.of(placeId);
  }

  /** Whether its air is made from a room's: a dryer's is, unless its own is all that is known. */
  private boolean isHeated(PlaceInfo place) {
    return place.kind() == PlaceKind.DRYER
        && place.setpointC() != null
        && (place.withinId() != null
            || (samples(place.id()).isEmpty() && typedOf(place.id()).isEmpty()));
  }

  /**
   * Room whose air a dryer takes in. Where nobody said in which it stands, it is taken for the
   * first whose air somebody measured or typed, else for the first; null where there is none.
   */
  public Long roomOf(PlaceInfo dryer) {
    if (dryer.withinId() != null) {
      return dryer.withinId();
    }
    return places().stream()
        .filter(place -> OPEN_AIR.contains(place.kind()))
        .map(PlaceInfo::id)
        .min(Comparator.comparing((Long id) -> !hasOwnRecord(id)))
        .orElse(null);
  }

  private List<TypedClimate> typedOf(long placeId) {
    return typed.findByPlaceIdAndUndoneByIsNullOrderByAtSAscIdAsc(placeId);
  }

  /** A place's own air changed, and with it that of everything standing in it. */
  public void changed(long placeId) {
    changed(placeId, Double.NEGATIVE_INFINITY);
  }

  private void changed(long placeId, double fromS) {
    Acts.nowAndAfterwards(() -> forget(placeId));
    Acts.nowAndAfterwards(computed::invalidate);
    tellAround(placeId, fromS);
  }

  /** Tells whoever follows the air of a place, or of what stands in it. */
  private void tellAround(long placeId, double fromS) {
    Map<Long, Double> changed = new HashMap<>();
    changed.put(placeId, fromS);
    for (PlaceInfo place : places()) {
      boolean dryer = place.kind() == PlaceKind.DRYER;
      boolean takesIn = dryer && place.withinId() == null;
      if (place.id() != placeId && (takesIn || places.standsIn(place, placeId))) {
        if (dryer) {
          Acts.nowAndAfterwards(() -> forget(place.id()));
        }
        changed.put(place.id(), fromS);
      }
    }
    tell(changed);
  }

  /** A dryer was switched at some time, or will be. */
  public void dryerSwitched(long placeId, double fromS) {
    Acts.nowAndAfterwards(() -> forget(placeId));
    Acts.nowAndAfterwards(computed::invalidate);
    tell(Map.of(placeId, fromS));
  }

  /** A device of a place, or what corrects it, changed. */
  public void liveChanged(long placeId) {
    changed(placeId);
  }

  /**
   * Readings of a place arrived. What is shown of its air follows at once; what hangs on it follows
   * when the next replay is due, unless they are old.
   */
  public void liveArrived(long placeId, double fromS) {
    renew(place(placeId));
    arrivedS.merge(placeId, fromS, Math::min);
    if (fromS < clock.instant().getEpochSecond() - GAP_S) {
      replayArrived();
    }
  }

  /** Has everything that hangs on places with new readings computed anew. */
  @Scheduled(fixedDelayString = "${mindspool.live.replay-ms:600000}")
  void replayArrived() {
    if (arrivedS.isEmpty()) {
      return;
    }
    computed.invalidate();
    for (Long placeId : List.copyOf(arrivedS.keySet())) {
      Double fromS = arrivedS.remove(placeId);
      if (fromS != null) {
        tellAround(placeId, fromS);
      }
    }
    computed.settleSoon(this);
  }

  /** What lies where changed, or what was done to a container. */
  public void contentsChanged() {
    Acts.nowAndAfterwards(computed::invalidate);
    Acts.onceStored(() -> computed.settleSoon(this));
  }

  /**
   * Follows the closed containers up to the latest change, and tells of those whose air is another.
   * Takes milliseconds where little changed.
   */
  public void settle() {
    computed.settle(this, this::tell);
  }

  /** Follows the containers after a start, and goes on as time passes. */
  @Scheduled(initialDelay = 500, fixedDelay = 600_000)
  void settleRegularly() {
    computed.settleSoon(this);
  }

  /** As {@link #settle}, but leaves the first time after a start to the background. */
  public void settleWhatChanged() {
    if (computed.isSettled()) {
      settle();
    }
  }

  /**
   * The air of a place to be shown with all others: that of a container as it was last found, and
   * the air around it while that was never computed, as just after a start.
   */
  public PlaceClimate shown(long placeId) {
    PlaceInfo place = place(placeId);
    if (!isComputed(place) || !hasSurroundings(place)) {
      return climate(placeId);
    }
    Optional<ClimateSeries> last = computed.lastAir(placeId);
    if (last.isEmpty()) {
      PlaceClimate around = shown(place.withinId());
      return new PlaceClimate(placeId, around.series(), Source.COMPUTING, around.gaps());
    }
    return follows(place)
        ? new PlaceClimate(placeId, last.get(), Source.COMPUTED, List.of())
        : climate(placeId);
  }

  private void tell(Map<Long, Double> fromS) {
    events.publishEvent(new ClimateChanged(fromS));
  }

  private PlaceClimate assemble(PlaceInfo place) {
    if (isHeated(place)) {
      Long around = roomOf(place);
      PlaceClimate room =
          around == null ? merged(place.id(), List.of(), List.of()) : climate(around);
      ClimateSeries heated = DryerAir.heated(room.series(), runs(place.id()), place.setpointC());
      List<AirSample> inside = new ArrayList<>(samples(place.id()));
      LiveReadings arriving = live.getIfAvailable();
      if (arriving != null) {
        arriving
            .temperatures(place.id())
            .forEach(shown -> inside.add(DryerAir.sample(heated, shown)));
        inside.sort(Comparator.comparingLong(AirSample::timeS));
      }
      return new PlaceClimate(
          place.id(), DryerAir.measured(heated, inside), Source.HEATED_ROOM, room.gaps());
    }
    return merged(place.id(), samples(place.id()), typedOf(place.id()));
  }

  private List<AirSample> imported(long placeId) {
    List<AirSample> known = imported.get(placeId);
    if (known == null) {
      long version = versions.getOrDefault(placeId, 0L);
      known = readings.of(placeId);
      if (versions.getOrDefault(placeId, 0L) == version) {
        imported.put(placeId, known);
      }
    }
    return known;
  }

  private List<AirSample> samples(long placeId) {
    List<AirSample> all = new ArrayList<>(imported(placeId));
    LiveReadings arriving = live.getIfAvailable();
    List<LiveReading> arrived = arriving == null ? List.of() : arriving.readings(placeId);
    if (!arrived.isEmpty()) {
      for (LiveReading reading : arrived) {
        all.add(
            new AirSample(
                reading.timeS(), reading.temperatureC(), reading.relativeHumidityPercent()));
      }
      all.sort(Comparator.comparingLong(AirSample::timeS));
    }
    return all;
  }

  /** Readings and typed climates in one: a typed one holds until the next reading, or for ever. */
  private PlaceClimate merged(long placeId, List<AirSample> samples, List<TypedClimate> spans) {
    if (samples.isEmpty() && spans.isEmpty()) {
      return new PlaceClimate(
          placeId,
          ClimateSeries.constant(ASSUMED),
          Source.ASSUMED,
          List.of(new Gap(Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY)));
    }
    ClimateSeries.Builder series = ClimateSeries.builder();
    List<Gap> gaps = new ArrayList<>();
    double last = Double.NaN;
    MoistAir held = null;
    int next = 0;
    for (AirSample sample : samples) {
      while (next < spans.size() && spans.get(next).sinceS() < sample.timeS()) {
        held = hold(series, held, spans.get(next));
        last = spans.get(next).sinceS();
        next++;
      }
      if (held != null) {
        series.reading(sample.timeS(), held);
        held = null;
      } else {
        double before = Double.isNaN(last) ? Double.NEGATIVE_INFINITY : last;
        if (sample.timeS() - before > GAP_S) {
          gaps.add(new Gap(before, sample.timeS()));
        }
      }
      series.reading(
          sample.timeS(), new MoistAir(sample.temperatureC(), sample.relativeHumidityPercent()));
      last = sample.timeS();
    }
    for (; next < spans.size(); next++) {
      held = hold(series, held, spans.get(next));
    }
    boolean typedNow = held != null;
    if (!typedNow && clock.instant().getEpochSecond() - last > GAP_S) {
      gaps.add(new Gap(last, Double.POSITIVE_INFINITY));
    }
    if (samples.isEmpty() && !spans.isEmpty()) {
      gaps.add(new Gap(Double.NEGATIVE_INFINITY, spans.get(0).sinceS()));
    }
    return new PlaceClimate(
        placeId, series.build(), typedNow ? Source.TYPED : Source.MEASURED, gaps);
  }

  private static MoistAir hold(ClimateSeries.Builder series, MoistAir held, TypedClimate span) {
    if (held != null) {
      series.reading(span.sinceS(), held);
    }
    MoistAir air = new MoistAir(span.temperatureC, span.relativeHumidityPercent);
    series.reading(span.sinceS(), air);
    return air;
  }
}
