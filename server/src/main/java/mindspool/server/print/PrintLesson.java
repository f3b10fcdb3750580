package mindspool.server.print;

import mindspool.core.print.GripLearning.Ending;

/**
 * What a print teaches of its plate.
 *
 * @param adhesionRatio as the table foretold it, as is {@code plateRatio}
 */
record PrintLesson(
    long runId,
    int version,
    String name,
    long startedS,
    double adhesionRatio,
    double plateRatio,
    Ending ending) {}
