package mindspool.server.devices;

import java.util.List;
import java.util.Optional;
import mindspool.server.acts.FactStore;
import org.springframework.data.jpa.repository.JpaRepository;

/** Repositories of this station. */
final class DeviceStore {

  private DeviceStore() {}

  interface Devices extends JpaRepository<Device, Long> {
    List<Device> findByRemovedSIsNullOrderByName();

    Optional<Device> findByNameIgnoreCaseAndRemovedSIsNull(String name);
  }

  interface Stays extends JpaRepository<DeviceStay, Long> {
    List<DeviceStay> findAllByOrderByFromSAscIdAsc();

    List<DeviceStay> findByDeviceIdAndRemovedSIsNullOrderByFromSAscIdAsc(long deviceId);
  }

  interface Channels extends JpaRepository<Channel, Long> {
    List<Channel> findByDeviceId(long deviceId);
  }

  interface Checks extends FactStore<HygrometerCheck> {
    List<HygrometerCheck> findByDeviceIdOrderByAtSAscIdAsc(long deviceId);
  }
}
