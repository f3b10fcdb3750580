package mindspool.core.storage;

import mindspool.core.Require;
import mindspool.core.climate.MoistAir;
import mindspool.core.stock.Band;

/**
 * A closed container as water sees it: an air volume that leaks, and a wall that lets vapour
 * through.
 *
 * @param volumeL 0.1..2000 L
 * @param airChangesPerDay share of its air that is replaced in a day; 0..10000
 * @param film wall; null when only the leak counts
 * @param thicknessUm of the wall, 5..10000 µm
 * @param areaM2 of the wall, 0..50 m²
 */
public record Container(
    double volumeL, Band airChangesPerDay, Film film, double thicknessUm, double areaM2) {

  /** Share of a container's air that is replaced when it is opened once (grade D). */
  private static final double SWAPPED_PER_OPENING = 0.8;

  private static final double DAYS_PER_WEEK = 7;

  /** Per day; more is an open place. */
  private static final double MOST_AIR_CHANGES = 10_000;

  public Container {
    Require.within("container.volumeL", volumeL, 0.1, 2000, "L");
    airChanges(airChangesPerDay.low());
    airChanges(airChangesPerDay.typical());
    airChanges(airChangesPerDay.high());
    if (film != null) {
      Require.within("container.film.thicknessUm", thicknessUm, 5, 10_000, "µm");
      Require.within("container.film.areaM2", areaM2, 0, 50, "m²");
    }
  }

  private static void airChanges(double perDay) {
    Require.within(
        "container.airChangesPerDay",
        perDay,
        0,
        MOST_AIR_CHANGES,
        "per day",
        "Containers are counted per day, dryers per hour.");
  }

  /** Vapour that its air would hold at saturation, g. */
  public double saturatedAirG(double temperatureC) {
    return volumeL / 1000 * new MoistAir(temperatureC, 100).vapourDensityGPerM3();
  }

  /**
   * Water that gets in per day and unit of humidity difference (fraction), g: {@code G = V c_s
   * (changes + 0.8 openings/7) + film + seam}.
   */
  public Band conductanceGPerDay(double temperatureC, double openingsPerWeek) {
    double air = saturatedAirG(temperatureC);
    double opened = air * SWAPPED_PER_OPENING * openingsPerWeek / DAYS_PER_WEEK;
    Band leak = airChangesPerDay.times(air).plus(Band.exactly(opened));
    return film == null
        ? leak
        : leak.plus(film.permeance(thicknessUm, temperatureC).times(areaM2))
            .plus(Band.exactly(film.closureGPerDay()));
  }

  /** Vapour exchanged by opening it once, g per unit of humidity difference. */
  public double openingG(double temperatureC) {
    return SWAPPED_PER_OPENING * saturatedAirG(temperatureC);
  }
}
