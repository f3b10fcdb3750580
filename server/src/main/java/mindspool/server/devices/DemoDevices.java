package mindspool.server.devices;

import java.util.List;
import mindspool.core.device.ReadingUnit;
import mindspool.server.devices.DeviceRequests.ChannelRequest;
import mindspool.server.devices.DeviceRequests.DeviceRequest;
import mindspool.simulators.WeirLane;
import org.springframework.stereotype.Service;

/** Maps the demonstration's devices, by the same acts as a person would. */
@Service
public class DemoDevices {

  private static final double HUMIDITY_STEP = 0.1;

  private final DeviceEditing editing;

  DemoDevices(DeviceEditing editing) {
    this.editing = editing;
  }

  /** Maps a hygrometer in a place. */
  public void hygrometer(String name, long placeId, String topic) {
    editing.add(
        new DeviceRequest(
            name,
            Device.Kind.HYGROMETER,
            placeId,
            HUMIDITY_STEP,
            null,
            List.of(
                new ChannelRequest(topic, "/temperature", ReadingUnit.CELSIUS, "/time"),
                new ChannelRequest(topic, "/humidity", ReadingUnit.PERCENT, "/time")),
            null));
  }

  /** Maps a printer that publishes what it does. */
  public void printer(String name, long placeId, String topic) {
    editing.add(
        new DeviceRequest(
            name,
            Device.Kind.PRINTER,
            placeId,
            null,
            null,
            List.of(
                new ChannelRequest(topic, "/progress", ReadingUnit.PERCENT_DONE, "/time"),
                new ChannelRequest(topic, "/chamber", ReadingUnit.CHAMBER_CELSIUS, "/time"),
                new ChannelRequest(topic, "/bed", ReadingUnit.BED_CELSIUS, "/time"),
                new ChannelRequest(topic, "/nozzle", ReadingUnit.NOZZLE_CELSIUS, "/time"),
                new ChannelRequest(topic, "/filament", ReadingUnit.FILAMENT_THERE, "/time")),
            null));
  }

  /** Maps a scale in a place that publishes plain numbers. */
  public void scale(String name, long placeId, String topic) {
    editing.add(
        new DeviceRequest(
            name,
            Device.Kind.SCALE,
            placeId,
            WeirLane.SCALE_STEP_G,
            null,
            List.of(new ChannelRequest(topic, "", ReadingUnit.GRAM, null)),
            null));
  }
}
