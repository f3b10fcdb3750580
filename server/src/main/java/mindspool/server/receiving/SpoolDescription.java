package mindspool.server.receiving;

import mindspool.core.moisture.StartMoisture;
import mindspool.server.http.MayBeNull;

/**
 * What is said of a spool, as against what happened to it.
 *
 * @param emptyReelG own empty mass of the reel, where known
 * @param initialMoisturePercent known moisture on arrival; left out to go by the arrival
 * @param maker of its lot; none where no lot is kept
 * @param version as it was read
 */
record SpoolDescription(
    String material,
    String colourName,
    String colourHex,
    Double diameterMm,
    Double nominalNetG,
    String reel,
    @MayBeNull Double emptyReelG,
    Double hubRadiusMm,
    Double rimRadiusMm,
    Double widthMm,
    StartMoisture.Arrival arrival,
    @MayBeNull Double initialMoisturePercent,
    @MayBeNull String maker,
    @MayBeNull String batch,
    Integer version) {}
