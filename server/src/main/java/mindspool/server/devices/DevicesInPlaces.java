package mindspool.server.devices;

import java.util.List;
import java.util.Optional;
import mindspool.server.places.PlaceInUse;
import org.springframework.stereotype.Component;

/** A place that a device measures is needed. */
@Component
class DevicesInPlaces implements PlaceInUse {

  private final DeviceStore.Devices devices;
  private final DeviceStore.Stays stays;

  DevicesInPlaces(DeviceStore.Devices devices, DeviceStore.Stays stays) {
    this.devices = devices;
    this.stays = stays;
  }

  @Override
  public Optional<String> useOf(long placeId) {
    for (Device device : devices.findByRemovedSIsNullOrderByName()) {
      List<DeviceStay> its = stays.findByDeviceIdAndRemovedSIsNullOrderByFromSAscIdAsc(device.id);
      if (!its.isEmpty() && its.get(its.size() - 1).placeId == placeId) {
        return Optional.of(device.name + " measures it");
      }
    }
    return Optional.empty();
  }
}
