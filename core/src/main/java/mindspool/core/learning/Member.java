package mindspool.core.learning;

/**
 * One of the states that the weighings allow, with its share of the belief.
 *
 * @param logDiffusion natural logarithm of the factor on the table's diffusivity
 * @param logSorption natural logarithm of the factor on the table's uptake
 * @param startShift start humidity in standard deviations from the one assumed
 * @param weight share, all members together 1
 */
public record Member(double logDiffusion, double logSorption, double startShift, double weight) {

  public double diffusionFactor() {
    return Math.exp(logDiffusion);
  }

  public double sorptionFactor() {
    return Math.exp(logSorption);
  }
}
