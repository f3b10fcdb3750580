package mindspool.server.devices;

import java.util.ArrayList;
import java.util.List;
import mindspool.core.hygrometer.HygrometerCorrection;

/**
 * A hygrometer's corrections through time: each check holds until the next, the first also before.
 */
final class Corrections {

  private record Since(double fromS, HygrometerCorrection correction) {}

  private final List<Since> all = new ArrayList<>();

  /**
   * Corrections from checks.
   *
   * @param checks in order of time; undone ones and rejected sensors do not count
   */
  Corrections(List<HygrometerCheck> checks) {
    for (HygrometerCheck check : checks) {
      if (check.holds() && check.verdict != HygrometerCorrection.Verdict.REJECT) {
        all.add(
            new Since(
                all.isEmpty() ? Double.NEGATIVE_INFINITY : check.atS,
                new HygrometerCorrection(
                    check.gain, check.offsetPercent, SaltPoints.parse(check.points))));
      }
    }
  }

  HygrometerCorrection at(double timeS) {
    HygrometerCorrection holds = HygrometerCorrection.NONE;
    for (Since since : all) {
      if (since.fromS <= timeS) {
        holds = since.correction;
      }
    }
    return holds;
  }

  HygrometerCorrection latest() {
    return at(Double.POSITIVE_INFINITY);
  }
}
