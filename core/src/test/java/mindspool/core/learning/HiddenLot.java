package mindspool.core.learning;

import java.util.Random;
import mindspool.core.material.Material;
import mindspool.core.moisture.SpoolHistory;
import mindspool.core.moisture.SpoolMoistureModel.Options;
import mindspool.core.moisture.SpoolReplay;
import mindspool.core.moisture.SpoolState;

/** The truth of a spool that the program does not know: drawn from what any lot may be. */
public final class HiddenLot {

  private final SpoolReplay truth;

  /** A lot for a spool's history, from a source of chance. */
  public HiddenLot(Material material, SpoolHistory history, Random random) {
    truth =
        new SpoolReplay(
            material.ofLot(
                Math.exp(LotPrior.ANY_LOT.logDiffusionSd() * random.nextGaussian()),
                Math.exp(LotPrior.ANY_LOT.logSorptionSd() * random.nextGaussian())),
            history,
            random.nextGaussian(),
            Options.STANDARD);
  }

  /** What is truly in it so many seconds after the start of its history. */
  public SpoolState after(double seconds) {
    return truth.advance(truth.start(), 0, seconds, null);
  }
}
