package mindspool.server.devices;

import mindspool.server.acts.StoredEditable;
import mindspool.server.air.Climates;
import org.springframework.stereotype.Component;

/** Where a device measures, as something that people say and take back. */
@Component
class EditableStay extends StoredEditable<DeviceStay> {

  private final DeviceStore.Devices devices;
  private final DeviceSeries series;
  private final Climates climates;

  EditableStay(
      DeviceStore.Stays stays,
      DeviceStore.Devices devices,
      DeviceSeries series,
      Climates climates) {
    super("measuring place", DeviceStay.class, stays);
    this.devices = devices;
    this.series = series;
    this.climates = climates;
  }

  @Override
  public String title(DeviceStay stay) {
    String device = devices.findById(stay.deviceId).map(each -> each.name).orElse("a device");
    return climates.place(stay.placeId).name() + " of " + device;
  }

  @Override
  public String link(DeviceStay stay) {
    return "/place/" + stay.placeId;
  }

  @Override
  protected void follow(DeviceStay stay) {
    series.changed(stay.deviceId);
  }
}
