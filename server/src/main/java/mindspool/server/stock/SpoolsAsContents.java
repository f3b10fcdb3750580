package mindspool.server.stock;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import mindspool.core.stock.Winding;
import mindspool.core.storage.Isotherm;
import mindspool.core.storage.StorageReplay.MassFrom;
import mindspool.core.storage.UptakeTime;
import mindspool.server.air.Climates;
import mindspool.server.storage.PlaceContents;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Service;
import org.springframework.transaction.event.TransactionalEventListener;

/** Tells the containers what lies in them. */
@Service
class SpoolsAsContents implements PlaceContents {

  /** Lags are computed for masses rounded down to this, g; they change little with it. */
  private static final double MASS_STEP_G = 100;

  /** Spools that follow the air alike. */
  private record Kind(String material, Winding winding) {}

  private final KnownSpools records;
  private final ObjectProvider<Climates> climates;
  private final Map<Kind, Double> lags = new ConcurrentHashMap<>();
  private final Map<String, Isotherm> isotherms = new ConcurrentHashMap<>();

  SpoolsAsContents(KnownSpools records, ObjectProvider<Climates> climates) {
    this.records = records;
    this.climates = climates;
  }

  @Override
  public List<Occupant> occupants() {
    return records.all().stream().map(this::occupant).toList();
  }

  private Occupant occupant(SpoolRecord spool) {
    double arrivedG = spool.arrivedNetG();
    return new Occupant(
        spool.spool().id,
        isotherms.computeIfAbsent(
            spool.material().name(), name -> Isotherm.of(spool.material().sorption())),
        arrivedG,
        lagH(spool, arrivedG),
        spool.massesLeft().stream()
            .map(left -> new MassFrom(left.fromS(), left.netG(), lagH(spool, left.netG())))
            .toList(),
        spool.spool().reelKind.isCardboard() ? spool.spool().emptyReelG().typical() : 0,
        spool.spool().startHumidityPercent / 100,
        spool.stays().stream()
            .map(stay -> new OccupantStay(stay.fromS(), stay.placeId(), stay.sealed()))
            .toList());
  }

  private double lagH(SpoolRecord spool, double massG) {
    double estimatedG =
        massG < MASS_STEP_G ? MASS_STEP_G : MASS_STEP_G * Math.floor(massG / MASS_STEP_G);
    Winding winding = spool.winding(estimatedG);
    return lags.computeIfAbsent(
        new Kind(spool.material().name(), winding),
        kind -> UptakeTime.hours(spool.material(), winding));
  }

  @TransactionalEventListener(fallbackExecution = true)
  void spoolChanged(SpoolChanged event) {
    climates.getObject().contentsChanged();
  }
}
