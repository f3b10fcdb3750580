package mindspool.server.devices;

import mindspool.core.InvalidValueException;
import mindspool.server.acts.StoredEditable;
import mindspool.server.http.Acts;
import org.springframework.stereotype.Component;

/** Devices as things that people add, rename and remove. */
@Component
class EditableDevice extends StoredEditable<Device> {

  private final DeviceStore.Devices devices;
  private final MessageIntake intake;

  EditableDevice(DeviceStore.Devices devices, MessageIntake intake) {
    super("device", Device.class, devices);
    this.devices = devices;
    this.intake = intake;
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
  protected void check(Device device) {
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
  }

  @Override
  protected void follow(Device device) {
    Acts.nowAndAfterwards(intake::channelsChanged);
  }
}
