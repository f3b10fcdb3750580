package mindspool.core.plan;

import mindspool.core.drying.DryerLoad.LoadedSpool;

/**
 * A spool that a plan may dry.
 *
 * @param code by which it is known
 * @param load what is in it and on what it is wound
 * @param netG filament left
 */
public record PlanSpool(
    String code, LoadedSpool loaded, double netG, double reelDiameterMm, double reelWidthMm) {

  @Override
  public boolean equals(Object other) {
    return other instanceof PlanSpool that && that.code.equals(code);
  }

  @Override
  public int hashCode() {
    return code.hashCode();
  }
}
