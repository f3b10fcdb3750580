package mindspool.server.calc;

import java.util.Optional;
import java.util.OptionalDouble;
import mindspool.core.Require;
import mindspool.core.drying.Dryer;
import mindspool.core.drying.DryerBehaviour;
import mindspool.core.drying.DryerKind;
import mindspool.core.storage.Desiccant;

/**
 * A dryer as described in a request.
 *
 * @param setpointC none for the recommended one
 * @param airChangesPerHour none for a dryer that is vented freely
 * @param kind id of a kind; with it, what is left out of bias, hottest spot and uncertainty is that
 *     of one of its kind that nobody measured
 * @param desiccant what lies in it to take the water; none in most
 */
public record DryerRequest(
    Double setpointC,
    Double ratedMaxC,
    Double biasC,
    Double hottestAboveSetC,
    Double airChangesPerHour,
    Double volumeL,
    String kind,
    Double uncertaintyK,
    Double heatUpMin,
    DesiccantRequest desiccant) {

  /** Desiccant in it; {@code waterG} what regeneration leaves unless given. */
  public record DesiccantRequest(String kind, Double dryMassG, Double waterG) {

    private Dryer.DesiccantInside inside() {
      Desiccant of = Desiccant.ofId(kind);
      double dry = Require.present("dryer.desiccant.dryMassG", dryMassG, "a mass in g");
      return new Dryer.DesiccantInside(
          of, dry, waterG == null ? of.residualFraction() * dry : waterG);
    }
  }

  /** The dryer in core's terms, checked. */
  public Dryer toDryer() {
    return new Dryer(
        kind == null ? DryerKind.PURPOSE_MADE : DryerKind.ofId(kind),
        Require.present("dryer.ratedMaxC", ratedMaxC, "a temperature in °C"),
        behaviour(),
        airChangesPerHour == null ? OptionalDouble.empty() : OptionalDouble.of(airChangesPerHour),
        volumeL == null ? Dryer.USUAL_VOLUME_L : volumeL,
        Optional.ofNullable(desiccant).map(DesiccantRequest::inside));
  }

  /** As given; without a kind, what is left out is no error at all. */
  private DryerBehaviour behaviour() {
    DryerBehaviour usual =
        kind == null ? new DryerBehaviour(0, 0, 0, 0, true) : DryerKind.ofId(kind).usual();
    return new DryerBehaviour(
        orElse(biasC, usual.biasC()),
        orElse(hottestAboveSetC, usual.hottestAboveSetC()),
        orElse(uncertaintyK, usual.uncertaintyK()),
        orElse(heatUpMin, usual.heatUpMin()),
        kind == null || hottestAboveSetC != null);
  }

  private static double orElse(Double value, double otherwise) {
    return value == null ? otherwise : value;
  }
}
