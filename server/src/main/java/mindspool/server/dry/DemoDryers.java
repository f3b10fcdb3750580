package mindspool.server.dry;

import java.time.Instant;
import java.util.List;
import mindspool.core.drying.DryerKind;
import mindspool.server.dry.CycleActs.StartRequest;
import mindspool.server.dry.DryerController.DescribeDryerRequest;
import mindspool.server.dry.DryerController.MeasureRequest;
import org.springframework.stereotype.Service;

/** Describes dryers and starts cycles of the demonstration, by the same acts as a person would. */
@Service
public class DemoDryers {

  private static final double PROBE_UNCERTAINTY_K = 0.5;

  private final DryerController dryers;
  private final CycleActs cycles;

  DemoDryers(DryerController dryers, CycleActs cycles) {
    this.dryers = dryers;
    this.cycles = cycles;
  }

  /** Describes a dryer. */
  public void describe(
      long placeId, DryerKind kind, double ratedMaxC, int slots, double clearMm, double powerW) {
    dryers.describe(
        placeId,
        new DescribeDryerRequest(
            kind, ratedMaxC, null, null, null, null, null, null, slots, clearMm, 75.0, powerW,
            false, true, false, null, null, null, null, null, false, 0));
  }

  /** Measures a dryer with probes; the log is minutes and temperatures. */
  public void measured(long placeId, double setpointC, String log) {
    dryers.measure(
        placeId, new MeasureRequest(setpointC, PROBE_UNCERTAINTY_K, log, null, null, true));
  }

  /** Starts a cycle. */
  public void started(
      long placeId, List<String> codes, double setpointC, double hours, Instant at) {
    cycles.start(new StartRequest(placeId, codes, setpointC, hours, at));
  }
}
