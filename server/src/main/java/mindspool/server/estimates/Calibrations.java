package mindspool.server.estimates;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.BooleanSupplier;
import mindspool.core.learning.Calibration;
import mindspool.core.learning.LotPrior;
import mindspool.core.learning.Member;
import mindspool.core.learning.Weighed;
import mindspool.core.learning.WeighingFit;
import mindspool.core.moisture.SpoolHistory;
import mindspool.server.stock.SpoolRecord;
import org.springframework.stereotype.Service;

/**
 * What each spool's weighings taught, kept while its facts and the air before its last weighing are
 * the same. A spool begins with what was learned from its lot.
 */
@Service
class Calibrations {

  private final Map<Long, Learned> known = new ConcurrentHashMap<>();

  /**
   * What was learned.
   *
   * @param fromLot whether a sibling's weighings were the starting point
   */
  public record Learned(
      Long lotId, long digest, double lastWeighedS, boolean fromLot, Calibration calibration) {}

  /**
   * What the weighings say; none where nothing can be compared.
   *
   * @param holds whether the history is still the spool's: what was learned from one that is not is
   *     answered and not kept
   */
  Optional<Learned> of(SpoolRecord spool, SpoolHistory history, BooleanSupplier holds) {
    long id = spool.spool().id;
    long digest = spool.digest(Double.POSITIVE_INFINITY);
    Learned before = known.get(id);
    if (before != null && before.digest == digest) {
      return Optional.of(before);
    }
    Optional<LotPrior> lot = lotPrior(spool);
    WeighingFit fit =
        new WeighingFit(
            spool.material(),
            history,
            spool.weighings(),
            lot.orElse(LotPrior.ANY_LOT),
            ExpectedMass.reel(spool));
    if (!fit.isInformative()) {
      known.remove(id);
      return Optional.empty();
    }
    List<Weighed> weighings = spool.weighings();
    double last = weighings.get(weighings.size() - 1).atS();
    Learned learned = new Learned(spool.spool().lotId, digest, last, lot.isPresent(), fit.run());
    known.put(id, learned);
    // Asked only now: what changed before was seen by nobody, what changes later takes it away.
    if (!holds.getAsBoolean()) {
      known.remove(id, learned);
    }
    return Optional.of(learned);
  }

  /** The air where a spool lay is another from a time on. */
  void airChanged(long spoolId, double fromS) {
    known.computeIfPresent(spoolId, (id, learned) -> fromS < learned.lastWeighedS ? null : learned);
  }

  /** From the sibling of which most is known; siblings do not pass on what came from siblings. */
  Optional<LotPrior> lotPrior(SpoolRecord spool) {
    Long lot = spool.spool().lotId;
    return known.entrySet().stream()
        .filter(entry -> lot != null && !entry.getKey().equals(spool.spool().id))
        .map(Map.Entry::getValue)
        .filter(learned -> Objects.equals(learned.lotId, lot) && !learned.fromLot)
        .map(Learned::calibration)
        .filter(calibration -> !calibration.isDoubtful())
        .min(Comparator.comparingDouble(calibration -> calibration.sd(Member::logDiffusion)))
        .map(LotPrior::fromSibling);
  }
}
