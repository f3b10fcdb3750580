package mindspool.core.moisture;

/** The drift of air that evaporating water drives before it. */
public final class StefanFlow {

  /** Share of the pressure above which the correction is held: beyond it water boils. */
  private static final double CAP = 0.9;

  private StefanFlow() {}

  /**
   * How much more vapour passes than by diffusion alone, or leaves with an exchange of air: {@code
   * P/(P - p)}. Reference: Bird, Stewart and Lightfoot, Transport Phenomena, section 18.2.
   *
   * @param vapourPa pressure of the vapour
   * @param totalPa of air and vapour; the vapour counts as 0.9 of it at most
   */
  public static double factor(double vapourPa, double totalPa) {
    return totalPa / (totalPa - Math.min(vapourPa, CAP * totalPa));
  }
}
