package mindspool.core.upkeep;

/**
 * One use of a machine or plate: a print.
 *
 * @param endS when it ended, epoch seconds
 * @param hours that it took
 * @param filamentKg printed
 * @param abrasiveKg most abrasive filament that wears as much
 * @param boreGrowth by which the nozzle's bore grew, as a share of what it was
 * @param residue what it left in the nozzle for the next print, in changes of material: see {@link
 *     mindspool.core.print.Changeover#residue}; 0 for a plate
 */
public record Use(
    long endS,
    double hours,
    double filamentKg,
    double abrasiveKg,
    double boreGrowth,
    double residue) {}
