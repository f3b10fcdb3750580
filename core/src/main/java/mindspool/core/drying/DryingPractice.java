package mindspool.core.drying;

import static mindspool.core.PhysicalConstants.kelvin;

import java.util.List;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import mindspool.core.Require;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.drying.DryerLoad.LoadedSpool;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.moisture.AirContact;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.moisture.SpoolState;
import mindspool.core.stock.ReelKind;
import mindspool.core.stock.ReelSize;
import mindspool.core.stock.Winding;

/**
 * A made-up spool to practise drying on: it was dried, then lay open; how moist is it, and how hot
 * and how long is it to be dried? The same seed gives the same spool.
 */
public final class DryingPractice {

  private static final List<String> MATERIALS = List.of("PLA", "PETG", "ABS", "TPU95A", "PA6");
  private static final List<Double> RATED_MAX_C = List.of(60.0, 70.0, 90.0);
  private static final int LONGEST_OPEN_DAYS = 60;
  private static final double DAY_S = 86_400;

  /** A guess within this share of the swing between dry and balanced counts as right; judgement. */
  private static final double NEAR = 0.25;

  /** Longer than so many times what was needed is time and energy for nothing; judgement. */
  private static final double TOO_LONG = 1.5;

  private static final double GRAMS = 1000;

  private final Material material;
  private final MoistAir room;
  private final int openDays;
  private final double netG;
  private final ReelKind reel;
  private final Dryer dryer;
  private final SpoolState state;
  private final double balancePercent;

  private DryingPractice(MaterialCatalogue catalogue, long seed) {
    SplittableRandom random = new SplittableRandom(seed);
    material = catalogue.named(MATERIALS.get(random.nextInt(MATERIALS.size())));
    room = new MoistAir(18 + random.nextInt(10), 30 + 5 * random.nextInt(9));
    // Short and long stays as often as one another on a scale of ratios.
    openDays = (int) Math.round(Math.pow(LONGEST_OPEN_DAYS, random.nextDouble()));
    netG = 250 * (1 + random.nextInt(4));
    reel = random.nextInt(4) == 0 ? ReelKind.CARDBOARD : ReelKind.PLASTIC;
    dryer =
        new Dryer(
            RATED_MAX_C.get(random.nextInt(RATED_MAX_C.size())),
            -random.nextInt(7),
            3,
            OptionalDouble.of(6),
            Dryer.USUAL_VOLUME_L);
    Winding winding =
        Winding.withinRim(
            ReelSize.nearest(netG).hubRadiusMm() / 1000,
            ReelSize.nearest(netG).rimRadiusMm() / 1000,
            ReelSize.nearest(netG).widthMm() / 1000,
            netG / GRAMS,
            1.75 / 1000,
            material.densityKgPerM3());
    SpoolMoistureModel model = new SpoolMoistureModel(material);
    state = model.uniform(winding, material.dryTargetPercent(), room.temperatureC());
    model.advance(state, ClimateSeries.constant(room), AirContact.STILL, 0, DAY_S * openDays, null);
    balancePercent =
        100
            * material
                .sorption()
                .moistureFractionAt(
                    room.relativeHumidityPercent() / 100, kelvin(room.temperatureC()));
  }

  /** The spool of a seed. */
  public static DryingPractice of(MaterialCatalogue catalogue, long seed) {
    return new DryingPractice(catalogue, seed);
  }

  public Material material() {
    return material;
  }

  /** The air that it lay in, and that the dryer takes in. */
  public MoistAir room() {
    return room;
  }

  /** Days since it came out of the dryer. */
  public int openDays() {
    return openDays;
  }

  /** Filament on it, g. */
  public double netG() {
    return netG;
  }

  public ReelKind reel() {
    return reel;
  }

  public Dryer dryer() {
    return dryer;
  }

  /** Moisture that it would come to if it lay there for good, %. */
  public double balancePercent() {
    return balancePercent;
  }

  /**
   * What comes of a guess and a plan.
   *
   * @param outerPercent moisture of the outer wraps as computed
   * @param meanPercent of the whole
   * @param guessIsNear whether the guess of the mean was
   * @param ceilingC highest setpoint that harms nothing
   * @param spoils whether the plan is hotter than that
   * @param leftPercent wettest that the plan leaves
   * @param limitPercent with which the material prints well
   * @param neededHours at the planned setpoint; none where that never dries it
   * @param bestC setpoint of the program
   * @param bestHours hours at that; none where it never dries here
   * @param kWh that the plan takes
   * @param wastedHours beyond half again of what was needed
   * @param lostG filament that is spoilt or would be printed wet
   */
  public record Review(
      double outerPercent,
      double meanPercent,
      boolean guessIsNear,
      double ceilingC,
      boolean spoils,
      double leftPercent,
      double limitPercent,
      OptionalDouble neededHours,
      double bestC,
      OptionalDouble bestHours,
      double kWh,
      double wastedHours,
      double lostG) {

    /** Whether the plan leaves the spool fit to print, unharmed. */
    public boolean isGood() {
      return !spoils && leftPercent <= limitPercent;
    }

    /** In words. */
    public String words() {
      if (spoils) {
        return "Too hot: something softens before it is dry.";
      }
      if (leftPercent > limitPercent) {
        return neededHours.isEmpty()
            ? "At that temperature it never gets dry in this air: hotter, or another dryer."
            : "Too short: its core is still wet.";
      }
      return wastedHours > 0 ? "Dry, but much longer than it needed." : "Dry and unharmed.";
    }
  }

  /**
   * Looks at a guess and a plan.
   *
   * @param guessPercent of the mean moisture, 0 to 20 %
   * @param setpointC of the dryer, 30 °C to what it is rated for
   * @param hours of drying, 0 to 240; 0 to print it as it is
   */
  public Review review(double guessPercent, double setpointC, double hours) {
    Require.within("guessPercent", guessPercent, 0, 20, "%");
    Require.within(
        "setpointC", setpointC, 30, dryer.ratedMaxC(), "°C", "The dryer goes no hotter.");
    Require.within("hours", hours, 0, DryingForecast.LONGEST_HOURS, "h");
    double dry = material.dryTargetPercent();
    double limit = material.printLimitPercent();
    DryingCeiling ceiling = DryingCeiling.of(material, reel, dryer, state.profile().meanPercent());
    double best = ceiling.recommendedSetpointC(material, dryer);
    double mean = state.profile().meanPercent();
    double left =
        hours == 0
            ? state.profile().outerPercent()
            : runs().of(setpointC, hours).cycle(0).at(hours).wettestPercent();
    boolean spoils = hours > 0 && setpointC > ceiling.temperatureC() + 1e-9;
    OptionalDouble needed = hoursTo(limit, setpointC);
    double waste =
        needed.isPresent() && left <= limit
            ? Math.max(0, hours - TOO_LONG * needed.getAsDouble() - 1)
            : 0;
    return new Review(
        state.profile().outerPercent(),
        mean,
        Math.abs(guessPercent - mean) <= NEAR * Math.abs(balancePercent - dry),
        ceiling.temperatureC(),
        spoils,
        left,
        limit,
        needed,
        best,
        hoursTo(limit, best),
        DryerEnergy.kWh(
            dryer,
            room,
            setpointC + dryer.biasC(),
            hours,
            DryingForecast.REEL_CAPACITY_J_PER_K,
            netG / GRAMS * Math.max(0, mean - left) / 100),
        waste,
        spoils || left > limit ? netG : 0);
  }

  private OptionalDouble hoursTo(double targetPercent, double setpointC) {
    if (state.profile().outerPercent() <= targetPercent
        && state.profile().meanPercent() <= targetPercent
        && state.profile().corePercent() <= targetPercent) {
      return OptionalDouble.of(0);
    }
    return new DryingForecast.Runs(loaded(targetPercent), dryer, room, Double.POSITIVE_INFINITY)
        .untilDry(setpointC)
        .cycle(0)
        .hours()
        .all();
  }

  private DryingForecast.Runs runs() {
    return new DryingForecast.Runs(
        loaded(material.printLimitPercent()), dryer, room, Double.POSITIVE_INFINITY);
  }

  private LoadedSpool loaded(double targetPercent) {
    return new LoadedSpool("", material, state, reel, targetPercent, Belief.anyLot(0));
  }
}
