package mindspool.server.receiving;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import mindspool.core.moisture.SpoolHistory;
import mindspool.core.moisture.SpoolMoistureModel;
import mindspool.core.moisture.SpoolReplay;
import mindspool.core.moisture.SpoolState;
import mindspool.core.moisture.StartMoisture;
import mindspool.server.acts.Origin;
import mindspool.server.air.Climates;
import mindspool.server.stock.SpoolActs;
import mindspool.server.stock.SpoolRecord;
import mindspool.server.stock.SpoolRecords;
import mindspool.server.stock.SpoolRequests;
import mindspool.server.stock.SpoolRequests.MoveRequest;
import mindspool.server.stock.SpoolRequests.ReceiveRequest;
import mindspool.server.stock.SpoolRequests.WeighRequest;
import org.springframework.stereotype.Service;

/** Fills the stock of the demonstration, by the same acts as a person would. */
@Service
public class DemoStock {

  /** Invented, EUR. */
  private static final Map<String, Double> PRICE_PER_KG =
      Map.of("PLA", 21.0, "PETG", 23.0, "ABS", 24.0, "ASA", 29.0, "PA6", 58.0, "PC", 46.0);

  private final SpoolRecords records;
  private final Receiving receiving;
  private final SpoolActs acts;
  private final Climates climates;
  private final Clock clock;

  DemoStock(
      SpoolRecords records, Receiving receiving, SpoolActs acts, Climates climates, Clock clock) {
    this.records = records;
    this.receiving = receiving;
    this.acts = acts;
    this.climates = climates;
    this.clock = clock;
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

  /** A polymer that is not quite the table's, of which only a scale of 0.1 g tells. */
  public record DemoLot(double diffusionFactor, double sorptionFactor) {}

  /** Adds a spool. */
  public String add(DemoSpool spool) {
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
                    spool.maker,
                    spool.batch,
                    PRICE_PER_KG.getOrDefault(spool.material, 30.0) * spool.nominalNetG / 1000,
                    "EUR",
                    null,
                    null,
                    null,
                    null,
                    null,
                    null,
                    null,
                    null),
                null),
            Origin.DEMO);
    for (DemoMove move : spool.moves) {
      acts.move(code, new MoveRequest(move.placeId, move.at, move.until), Origin.DEMO);
    }
    for (DemoWeighing weighing : spool.weighings) {
      weighDemo(code, weighing.grossMassG, weighing.at, null, false);
    }
    return code;
  }

  private void weighDemo(String code, double massG, Instant at, Double stepG, boolean nothingUsed) {
    acts.weigh(code, new WeighRequest(massG, at, null, stepG, nothingUsed), Origin.DEMO);
  }

  /** Weighs a spool of the demonstration as often, nothing used between, as its true lot would. */
  public void weighAsTrulyIs(String code, DemoLot lot, List<Instant> times) {
    SpoolRecord spool = records.byCode(code);
    long now = clock.instant().getEpochSecond();
    SpoolHistory history = spool.history(climates, now, now + 1.0);
    SpoolReplay truth =
        new SpoolReplay(
            spool.material().ofLot(lot.diffusionFactor, lot.sorptionFactor),
            history,
            0,
            SpoolMoistureModel.Options.STANDARD);
    SpoolState state = truth.start();
    double time = history.startS();
    boolean first = true;
    for (Instant at : times) {
      state = truth.advance(state, time, at.getEpochSecond(), null);
      time = at.getEpochSecond();
      double gross =
          spool.spool().emptyReelG().typical()
              + 1000 * (state.winding().dryMassKg() + state.waterKg());
      weighDemo(code, Math.rint(10 * gross) / 10, at, 0.1, !first);
      first = false;
    }
  }
}
