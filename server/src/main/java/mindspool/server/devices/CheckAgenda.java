package mindspool.server.devices;

import java.util.ArrayList;
import java.util.List;
import mindspool.server.today.AgendaSource;
import org.springframework.stereotype.Service;

/** Checks of hygrometers that are due. */
@Service
class CheckAgenda implements AgendaSource {

  private static final long DAY_S = 86_400;

  private final DeviceController devices;

  CheckAgenda(DeviceController devices) {
    this.devices = devices;
  }

  @Override
  public List<Line> lines(long nowS, long untilS) {
    List<Line> lines = new ArrayList<>();
    for (var device : devices.all()) {
      Long due = device.checkDueS();
      // One that was never checked is no news: it is shown as unsure where its readings are used.
      if (due != null && due <= untilS && !device.checks().isEmpty()) {
        lines.add(
            new Line(
                "check-%d-%d".formatted(device.id(), due / DAY_S),
                due,
                Doer.PERSON,
                "Check " + device.name() + " over a salt",
                "Hygrometers drift; its last check is " + device.checkEveryDays() + " days old.",
                "What is computed from its readings gets less sure.",
                "/devices"));
      }
    }
    return lines;
  }
}
