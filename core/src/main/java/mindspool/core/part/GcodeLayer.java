package mindspool.core.part;

/**
 * A layer of a print file.
 *
 * @param zMm height of its nozzle over the plate
 * @param heightMm over the layer below
 * @param startS when it begins
 * @param timeS that it takes, travel and dwelling too
 * @param lengthMm of its lines
 * @param volumeMm3 of filament
 * @param maxFlowMm3PerS fastest flow that lasts for a tenth of a second
 * @param meanFlowMm3PerS while it extrudes
 * @param maxSpeedMmPerS of its lines
 * @param widthMm mean width of a line of this height and volume
 * @param nozzleC as set when it begins; NaN while nothing was set
 * @param tools those that it uses, one bit each
 */
public record GcodeLayer(
    double zMm,
    double heightMm,
    double startS,
    double timeS,
    double lengthMm,
    double volumeMm3,
    double maxFlowMm3PerS,
    double meanFlowMm3PerS,
    double maxSpeedMmPerS,
    double widthMm,
    double nozzleC,
    double bedC,
    double chamberC,
    double fanPercent,
    int tools) {}
