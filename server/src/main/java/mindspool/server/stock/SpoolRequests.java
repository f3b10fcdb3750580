package mindspool.server.stock;

import java.time.Instant;
import java.util.List;
import mindspool.core.moisture.StartMoisture;
import mindspool.core.stock.LooseEnd;
import mindspool.core.stock.ReceivingCheck;

/** What a person says about a spool. */
public final class SpoolRequests {

  private SpoolRequests() {}

  /**
   * A spool as received. What is left out takes the usual value.
   *
   * @param grossMassG reel with filament on the scale; none where it was not weighed
   * @param emptyReelG own empty mass of the reel, where known
   * @param initialMoisturePercent known moisture on arrival, instead of what the arrival suggests
   */
  public record ReceiveRequest(
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
      Double initialMoisturePercent,
      LotRequest lot,
      ArrivalCheckRequest check) {}

  /**
   * Maker as typed, batch, and what its label says; own values once they were found.
   *
   * @param version as it was read, for a change; left out on receiving
   */
  public record LotRequest(
      String maker,
      String batch,
      Double price,
      String currency,
      Double nozzleLowC,
      Double nozzleHighC,
      Double bedLowC,
      Double bedHighC,
      Double ownNozzleC,
      Double ownFlowPercent,
      Double ownDiameterMm,
      Integer version) {

    /** One of which no more is known than whose it is. */
    public static LotRequest named(String maker, String batch) {
      return new LotRequest(
          maker, batch, null, null, null, null, null, null, null, null, null, null);
    }
  }

  /** What was seen on receiving; what nobody looked at is left out. */
  public record ArrivalCheckRequest(
      Boolean desiccantPresent,
      Double cardHumidPercent,
      Boolean labelMatches,
      Boolean endSecured,
      Boolean windingEven,
      List<Double> diameterPointsMm,
      ReceivingCheck.Bend bend,
      Boolean heatSuspected) {

    public ReceivingCheck toCheck() {
      return new ReceivingCheck(
          desiccantPresent,
          cardHumidPercent,
          labelMatches,
          endSecured,
          windingEven,
          diameterPointsMm,
          bend,
          heatSuspected);
    }
  }

  /** One reel of a delivery, where it differs from the others. */
  public record ReelRequest(
      Double grossMassG, StartMoisture.Arrival arrival, Boolean endSecured, Long placeId) {}

  /** Several reels of one lot. */
  public record DeliveryRequest(ReceiveRequest common, List<ReelRequest> reels) {}

  public record EndRequest(LooseEnd.Act act, Instant at) {}

  /** {@code temperatureC} where it is known. */
  public record HeatRequest(Double temperatureC, Instant at) {}

  public record DustRequest(Double smallestNozzleMm, Instant at) {}

  public record CleanRequest(Instant at) {}

  /** {@code emptyReelG} on the scale with nothing left on it. */
  public record EmptyRequest(Double emptyReelG, Instant at) {}

  /** {@code until} for a visit that is over: the spool then went back to where it was. */
  public record MoveRequest(Long placeId, Instant at, Instant until, DryerDoor.Entry entry) {

    public MoveRequest(Long placeId, Instant at, Instant until) {
      this(placeId, at, until, null);
    }
  }

  /**
   * A weighing.
   *
   * @param fromScale whether a connected scale gave the mass, not a person
   * @param scaleStepG smallest step of the scale; by the digits of the mass where left out
   * @param nothingUsed whether nothing was printed or cut off since the weighing before: then what
   *     changed is water
   */
  public record WeighRequest(
      Double grossMassG, Instant at, Boolean fromScale, Double scaleStepG, Boolean nothingUsed) {}

  public record OpenRequest(Instant at) {}
}
