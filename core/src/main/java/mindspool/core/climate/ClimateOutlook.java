package mindspool.core.climate;

/**
 * What to expect of a place's air: the daily cycle of its recent past, repeated.
 *
 * <p>Common practice for a heated workshop over a week or two; it knows nothing of coming weather.
 */
public final class ClimateOutlook {

  /** How far back the daily cycle is averaged. */
  public static final double LOOK_BACK_S = 7 * 86_400.0;

  private static final double HOUR_S = 3600;
  private static final int HOURS_PER_DAY = 24;

  private ClimateOutlook() {}

  /**
   * Outlook from a measured climate.
   *
   * @param past the climate up to {@code nowS}
   * @param nowS start of the outlook
   * @param untilS end of the outlook
   * @return hourly points from {@code nowS} to {@code untilS}: the mean of each hour of the day
   *     over the last seven days, or over as much of them as there is
   */
  public static ClimateSeries dailyCycle(ClimateSeries past, double nowS, double untilS) {
    if (past.isConstant()) {
      return past;
    }
    double end = Math.min(nowS, past.lastTimeS());
    double start = Math.max(past.firstTimeS(), end - LOOK_BACK_S);
    int days = (int) Math.floor((end - start) / (HOURS_PER_DAY * HOUR_S));
    if (days < 1) {
      return ClimateSeries.constant(past.mean(start, end));
    }
    ClimateSeries.Builder outlook = ClimateSeries.builder();
    for (double time = nowS; time <= untilS + HOUR_S; time += HOUR_S) {
      double temperature = 0;
      double pressure = 0;
      double daysBack = Math.ceil((time - end) / (HOURS_PER_DAY * HOUR_S));
      for (int day = 0; day < days; day++) {
        double centre = time - (Math.max(daysBack, 0) + day) * HOURS_PER_DAY * HOUR_S;
        MoistAir air = past.mean(centre - HOUR_S / 2, centre + HOUR_S / 2);
        temperature += air.temperatureC() / days;
        pressure += air.vapourPressurePa() / days;
      }
      outlook.point(time, temperature, pressure);
    }
    return outlook.build();
  }

  /** An outlook with other air for a while, such as a workshop closed with its heating off. */
  public static ClimateSeries interrupted(
      ClimateSeries outlook, double fromS, double untilS, MoistAir air) {
    ClimateSeries meanwhile = ClimateSeries.constant(air);
    return ClimateSeries.joined(ClimateSeries.joined(outlook, fromS, meanwhile), untilS, outlook);
  }
}
