package mindspool.server.shelf;

import java.time.Instant;
import mindspool.core.moisture.StartMoisture;

/** What a person says about a spool. */
final class SpoolRequests {

  private SpoolRequests() {}

  /**
   * A spool as received. What is left out takes the usual value.
   *
   * @param grossMassG reel with filament on the scale; none where it was not weighed
   * @param emptyReelG own empty mass of the reel, where known
   * @param initialMoisturePercent known moisture on arrival, instead of what the arrival suggests
   */
  record ReceiveRequest(
      String material,
      String colourName,
      String colourHex,
      Double diameterMm,
      Double nominalNetG,
      Double grossMassG,
      String reel,
      Double emptyReelG,
      Double hubRadiusMm,
      Double rimRadiusMm,
      Double widthMm,
      StartMoisture.Arrival arrival,
      Instant arrivedAt,
      Instant openedAt,
      Long placeId,
      Double initialMoisturePercent) {}

  /** {@code until} for a visit that is over: the spool then went back to where it was. */
  record MoveRequest(Long placeId, Instant at, Instant until) {}

  record WeighRequest(Double grossMassG, Instant at) {}

  record OpenRequest(Instant at) {}
}
