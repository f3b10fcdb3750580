package mindspool.server.shelf;

import java.time.Instant;
import java.util.List;
import mindspool.core.material.Material;
import mindspool.core.moisture.SpoolState;
import mindspool.core.moisture.StartMoisture;
import mindspool.core.stock.ReelKind;
import mindspool.server.shelf.SpoolRequests.MoveRequest;
import mindspool.server.shelf.SpoolRequests.ReceiveRequest;
import mindspool.server.shelf.SpoolRequests.WeighRequest;
import org.springframework.stereotype.Service;

/** The stock, for other stations. */
@Service
public class Spools {

  private final SpoolRecords records;
  private final SpoolEstimates estimates;
  private final Receiving receiving;
  private final SpoolActs acts;

  Spools(SpoolRecords records, SpoolEstimates estimates, Receiving receiving, SpoolActs acts) {
    this.records = records;
    this.estimates = estimates;
    this.receiving = receiving;
    this.acts = acts;
  }

  /**
   * A spool as it is now.
   *
   * @param state water by depth; a copy that may be changed
   */
  public record CurrentSpool(
      String code, Material material, ReelKind reelKind, boolean sealed, SpoolState state) {}

  /** The spool with a code. */
  public CurrentSpool current(String code) {
    SpoolRecord spool = records.byCode(code);
    SpoolEstimate estimate = estimates.of(spool);
    return new CurrentSpool(
        spool.spool().code,
        spool.material(),
        spool.spool().reelKind,
        spool.sealedAt(estimate.nowS()),
        estimate.state().copy());
  }

  /** Whether there is no spool yet. */
  public boolean isEmpty() {
    return records.all().isEmpty();
  }

  /** A spool of the demonstration with what happened to it. */
  public record DemoSpool(
      String material,
      String colourName,
      String colourHex,
      double nominalNetG,
      String reel,
      Double emptyReelG,
      double grossMassG,
      StartMoisture.Arrival arrival,
      Instant arrivedAt,
      Instant openedAt,
      long placeId,
      List<DemoMove> moves,
      List<DemoWeighing> weighings,
      String maker,
      String batch) {}

  /** A move of the demonstration. */
  public record DemoMove(long placeId, Instant at, Instant until) {}

  /** A weighing of the demonstration. */
  public record DemoWeighing(double grossMassG, Instant at) {}

  /** Adds a spool of the demonstration by the same acts as a person would. */
  public void addDemo(DemoSpool spool) {
    String code =
        receiving.receive(
            new ReceiveRequest(
                spool.material,
                spool.colourName,
                spool.colourHex,
                1.75,
                spool.nominalNetG,
                spool.grossMassG,
                spool.reel,
                spool.emptyReelG,
                null,
                null,
                null,
                spool.arrival,
                spool.arrivedAt,
                spool.openedAt,
                spool.placeId,
                null,
                new SpoolRequests.LotRequest(
                    spool.maker, spool.batch, null, null, null, null, null, null, null, null, null),
                null),
            SpoolFact.Origin.DEMO);
    for (DemoMove move : spool.moves) {
      acts.move(code, new MoveRequest(move.placeId, move.at, move.until), SpoolFact.Origin.DEMO);
    }
    for (DemoWeighing weighing : spool.weighings) {
      acts.weigh(
          code, new WeighRequest(weighing.grossMassG, weighing.at, null), SpoolFact.Origin.DEMO);
    }
  }
}
