package mindspool.core.storage;

import java.util.ArrayList;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.storage.StorageReplay.Loading;
import mindspool.core.storage.StorageReplay.Vessel;

/** A container as it is followed: the air in it, what takes water from that air, what was found. */
final class FollowedVessel {

  /** After every spool's, so that the order of the sums is always the same. */
  private static final long DESICCANT_KEY = Long.MAX_VALUE;

  final Vessel vessel;
  final ContainerAir air;

  /** In an order that does not hang on which came first, so that sums are exactly the same. */
  final SortedMap<Long, WaterStore> stores = new TreeMap<>();

  final ClimateSeries.Builder series = ClimateSeries.builder();
  final List<Loading> loading = new ArrayList<>();
  List<WaterStore> listed = List.of();
  WaterStore desiccant;
  double temperatureC;
  double openG;
  boolean measured;
  boolean changed = true;

  FollowedVessel(Vessel vessel, double relativeHumidity) {
    this.vessel = vessel;
    this.air = new ContainerAir(vessel.container(), relativeHumidity);
  }

  void put(long key, WaterStore store) {
    if (stores.isEmpty()) {
      changed = true;
    }
    stores.put(key, store);
    listed = List.copyOf(stores.values());
  }

  void take(long key) {
    stores.remove(key);
    changed |= stores.isEmpty();
    listed = List.copyOf(stores.values());
  }

  void setDesiccant(WaterStore present) {
    desiccant = present;
    if (present == null) {
      take(DESICCANT_KEY);
    } else {
      put(DESICCANT_KEY, present);
    }
  }

  /** Its air from start to end: followed until it was measured. */
  ClimateSeries found(ClimateSeries followed) {
    if (vessel.record() == null) {
      return followed;
    }
    return followed == null
        ? vessel.record().air()
        : ClimateSeries.joined(followed, vessel.record().fromS(), vessel.record().air());
  }
}
