package mindspool.core.storage;

import java.util.Map;

/**
 * Where a {@link StorageReplay} was at a time: enough to go on from there.
 *
 * @param timeS a full hour; everything before it has happened
 * @param vessels by the number of the container
 * @param contents by the number of the spool; only those that were there already
 */
record StorageState(
    double timeS, Map<Long, VesselState> vessels, Map<Long, ContentState> contents) {

  /** Air in a container, humidity 0..1, and its desiccant; null where there is none. */
  record VesselState(double relativeHumidity, WaterStore desiccant) {}

  /** Water in a spool and in the paper board of its reel; null without board. */
  record ContentState(WaterStore filament, WaterStore board) {}

  /** A time from which everything begins. */
  static StorageState at(double timeS) {
    return new StorageState(timeS, Map.of(), Map.of());
  }
}
