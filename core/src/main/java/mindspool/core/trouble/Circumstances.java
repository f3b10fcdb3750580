package mindspool.core.trouble;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import mindspool.core.Require;
import mindspool.core.material.Material;
import mindspool.core.material.Parameter;
import mindspool.core.print.NozzleCare.NozzleMaterial;
import mindspool.core.print.Printer;

/**
 * Which facts of the table hold, by what is recorded of material, spool, machine, plate and room,
 * each with what it rests on. Where nothing is recorded, nothing holds.
 */
public final class Circumstances {

  /** Water at 50 % and 23 °C beyond which a material takes up much; judgement, %. */
  private static final double TAKES_MUCH_PERCENT = 0.5;

  private static final double TAKES_NOTHING_PERCENT = 0.05;
  private static final double HALF_DAMP = 0.5;
  private static final double ROOM_C = 23;

  /** Bends under load below this: softens early; above the other: late. Judgement, °C. */
  private static final double SOFTENS_EARLY_C = 70;

  private static final double SOFTENS_LATE_C = 95;

  /** Wants such air around the part: shrinks much, or little; judgement, °C. */
  private static final double SHRINKS_MUCH_C = 45;

  private static final double SHRINKS_LITTLE_C = 35;

  private static final double ROOM_DAMP_PERCENT = 55;
  private static final double ROOM_COLD_C = 18;
  private static final double CHAMBER_WARM_C = 45;
  private static final double FINE_BORE_MM = 0.25;
  private static final double WIDE_BORE_MM = 0.6;
  private static final double MUCH_ABRASIVE_G = 500;
  private static final double OPEN_DAYS = 7;
  private static final double OLD_MONTHS = 24;
  private static final double YOUNG_MONTHS = 6;
  private static final double NEARLY_EMPTY_G = 80;
  private static final double HEAVY_REEL_G = 2000;
  private static final int MANY_PRINTS = 10;
  private static final double WORN_HOURS = 500;

  private final List<Held> held = new ArrayList<>();

  /** A fact that holds, and why. */
  public record Held(String fact, String because) {}

  /** What holds so far. */
  public List<Held> held() {
    return List.copyOf(held);
  }

  private Circumstances when(boolean holds, String fact, String because, Object... values) {
    if (holds && held.stream().noneMatch(each -> each.fact.equals(fact))) {
      held.add(new Held(fact, String.format(Locale.ROOT, because, values)));
    }
    return this;
  }

  /** Somebody said so. */
  public Circumstances said(String fact) {
    return when(true, fact, "somebody said so");
  }

  public Circumstances material(Material material) {
    double damp = 100 * material.sorption().moistureFraction(HALF_DAMP);
    double softens = material.value(Parameter.HEAT_DEFLECTION);
    double air = material.value(Parameter.CHAMBER);
    String name = material.name();
    boolean warps = material.needsEnclosure() || air >= SHRINKS_MUCH_C;
    return when(damp > TAKES_MUCH_PERCENT, "hygroscopic", "%s holds %.2f %% at 50 %%", name, damp)
        .when(damp < TAKES_NOTHING_PERCENT, "hydrophobic", "%s holds %.2f %% at 50 %%", name, damp)
        .when(
            softens < SOFTENS_EARLY_C,
            "low_tg_material",
            "%s bends under light load at %.0f °C",
            name,
            softens)
        .when(
            softens > SOFTENS_LATE_C,
            "high_tg_material",
            "%s bends under light load at %.0f °C only",
            name,
            softens)
        .when(warps, "warpy_material", "%s wants air of %.0f °C around the part", name, air)
        .when(!warps && air <= SHRINKS_LITTLE_C, "low_warp_material", "%s shrinks little", name)
        .when(material.isAbrasive(), "filled", "%s wears nozzles", name)
        .when(!material.isAbrasive(), "unfilled", "%s has no hard filler", name)
        .when(material.isFlexible(), "soft_filament", "%s bends like rubber", name)
        .when(material.isBrittle(), "brittle_material", "%s breaks early", name);
  }

  /**
   * The printer, as it was while it printed.
   *
   * @param chamberC mean air around the part; none where nothing measured it
   */
  public Circumstances printer(Printer printer, OptionalDouble chamberC) {
    double bore = 1000 * printer.boreM();
    double abrasive = 1000 * printer.abrasiveKg();
    boolean soft =
        printer.nozzle() == NozzleMaterial.BRASS || printer.nozzle() == NozzleMaterial.PLATED;
    return chamber(printer.chamber().isClosed(), printer.chamber().title())
        .chamberTemperature(chamberC)
        .bore(bore)
        .when(
            soft && abrasive > MUCH_ABRASIVE_G,
            "abrasive_kg>0.5_brass",
            "%.0f g of abrasive filament went through %s",
            abrasive,
            printer.nozzle().title())
        .when(printer.nozzle().standsFibres(), "hardened", "it is %s", printer.nozzle().title())
        .when(printer.hotEnd() == Printer.HotEndKind.ALL_METAL, "all_metal", "as described")
        .when(!printer.directFeed(), "long_tube", "the drive sits away from the head");
  }

  public Circumstances chamber(boolean closed, String title) {
    return when(closed, "closed_chamber", "%s", title).when(!closed, "open_frame", "%s", title);
  }

  public Circumstances chamberTemperature(OptionalDouble chamberC) {
    chamberC.ifPresent(c -> Require.within("chamberTemperatureC", c, -20, 180, "°C"));
    double c = chamberC.orElse(0);
    return when(chamberC.isPresent() && c > CHAMBER_WARM_C, "chamber>45", "%.0f °C on average", c);
  }

  public Circumstances bore(double boreMm) {
    Require.within("nozzleDiameterMm", boreMm, 0.1, 2, "mm");
    return when(boreMm <= FINE_BORE_MM, "nozzle<=0.25", "%.2f mm", boreMm)
        .when(boreMm >= WIDE_BORE_MM, "nozzle>=0.6", "%.2f mm", boreMm);
  }

  public Circumstances nozzleHours(double hours) {
    Require.within("nozzleHours", hours, 0, 1e6, "h");
    return when(hours > WORN_HOURS, "nozzle_h>500", "%.0f hours", hours);
  }

  /**
   * The plate.
   *
   * @param stiff whether it does not bend
   * @param prints since it was washed, before this one
   */
  public Circumstances plate(boolean stiff, int prints) {
    Require.within("printsSinceWash", prints, 0, 1e6, "");
    return when(stiff, "rigid_plate", "as described")
        .when(prints > MANY_PRINTS, "plate_not_washed>10", "%d prints since it was washed", prints)
        .when(prints == 0, "washed_today", "no print since it was washed");
  }

  /** The room: means while it printed. */
  public Circumstances room(OptionalDouble humidityPercent, OptionalDouble celsius) {
    humidityPercent.ifPresent(h -> Require.within("roomRelativeHumidityPercent", h, 0, 100, "%"));
    celsius.ifPresent(c -> Require.within("roomTemperatureC", c, -40, 80, "°C"));
    double humidity = humidityPercent.orElse(0);
    return when(humidity > ROOM_DAMP_PERCENT, "room_rh>55", "%.0f %% on average", humidity)
        .when(
            celsius.orElse(ROOM_C) < ROOM_COLD_C,
            "cold_room",
            "%.0f °C on average",
            celsius.orElse(ROOM_C));
  }

  public Circumstances openDays(double days) {
    Require.within("daysOpen", days, 0, 1e5, "d");
    return when(days > OPEN_DAYS, "days_open>7", "%.0f days", days);
  }

  /** How long ago the spool came or was made. */
  public Circumstances ageMonths(double months) {
    Require.within("ageMonths", months, 0, 1200, "");
    return when(months > OLD_MONTHS, "age>24mo", "%.0f months", months)
        .when(months < YOUNG_MONTHS, "age<6mo", "%.0f months", months);
  }

  /** What is left on the reel, and the reel with it. */
  public Circumstances filament(double leftG, double grossG, boolean cardboard) {
    return when(leftG < NEARLY_EMPTY_G, "nearly_empty", "%.0f g are left", leftG)
        .when(grossG > HEAVY_REEL_G, "reel>2kg", "%.0f g with its reel", grossG)
        .when(cardboard, "cardboard_rim", "as described");
  }

  /** Something that was recorded, in the words of its record. */
  public Circumstances recorded(boolean holds, String fact, String because) {
    return when(holds, fact, "%s", because);
  }
}
