package mindspool.server.devices;

import java.util.Optional;
import mindspool.core.InvalidValueException;
import mindspool.server.acts.Editable;
import mindspool.server.http.Acts;
import org.springframework.stereotype.Component;

/** Devices as things that people add, rename and remove. */
@Component
class EditableDevice implements Editable<Device> {

  private final DeviceStore.Devices devices;
  private final MessageIntake intake;

  EditableDevice(DeviceStore.Devices devices, MessageIntake intake) {
    this.devices = devices;
    this.intake = intake;
  }

  @Override
  public String word() {
    return "device";
  }

  @Override
  public Class<Device> type() {
    return Device.class;
  }

  @Override
  public Optional<Device> find(long id) {
    return devices.findById(id);
  }

  @Override
  public String title(Device device) {
    return device.name;
  }

  @Override
  public String link(Device device) {
    return "/devices";
  }

  @Override
  public void restore(Device device) {
    if (device.isPresent()) {
      devices
          .findByNameIgnoreCaseAndRemovedSIsNull(device.name)
          .filter(other -> !other.id.equals(device.id))
          .ifPresent(
              other -> {
                throw new InvalidValueException(
                    "name",
                    "\"" + device.name + "\"",
                    "a name that no other device has",
                    "Rename the other one first.");
              });
    }
    devices.saveAndFlush(device);
    Acts.nowAndAfterwards(intake::channelsChanged);
  }
}
