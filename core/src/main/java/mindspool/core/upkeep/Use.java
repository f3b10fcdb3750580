package mindspool.core.upkeep;

/**
 * One use of a machine or plate: a print.
 *
 * @param endS when it ended, epoch seconds
 * @param hours that it took
 * @param filamentKg printed
 * @param abrasiveKg most abrasive filament that wears as much
 * @param boreGrowth by which the nozzle's bore grew, as a share of what it was
 */
public record Use(
    long endS, double hours, double filamentKg, double abrasiveKg, double boreGrowth) {}
