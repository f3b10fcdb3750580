package mindspool.server.devices;

import java.util.List;
import java.util.Locale;
import mindspool.server.acts.FactBook;
import mindspool.server.http.Acts;
import org.springframework.stereotype.Component;

/** Checks of hygrometers, in words, and what follows when one is undone. */
@Component
class HygrometerCheckBook extends FactBook<HygrometerCheck> {

  private final DeviceStore.Devices devices;
  private final DeviceSeries series;

  HygrometerCheckBook(DeviceStore.Checks store, DeviceStore.Devices devices, DeviceSeries series) {
    super(store);
    this.devices = devices;
    this.series = series;
  }

  @Override
  protected Line line(HygrometerCheck fact) {
    return new Line(
        devices.findById(fact.deviceId).map(device -> device.name).orElse("a hygrometer"),
        "/devices",
        "checked over salt: " + fact.verdict.name().toLowerCase(Locale.ROOT).replace('_', ' '));
  }

  @Override
  protected Runnable change(List<HygrometerCheck> facts, boolean undo) {
    return () -> facts.forEach(fact -> Acts.nowAndAfterwards(() -> series.changed(fact.deviceId)));
  }
}
