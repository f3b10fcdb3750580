package mindspool.simulators;

import java.net.URI;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import mindspool.core.climate.MoistAir;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.material.Parameter;

/**
 * Runs the devices of the demonstration workshop: {@code [--host H] [--port N] [--server URL]
 * [--seed S] [--days-back D] [--speed X]}. The scale shows the spool that, as the server says, lies
 * on the weighing bench; without a server it stays empty. With days back, their clock starts so
 * long ago and runs at the speed given until it has caught up; then it is the real one.
 */
public final class WeirLaneDevices {

  private static final long AIR_EVERY_S = 60;
  private static final long SCALE_EVERY_MS = 1_000;
  private static final long PATIENCE_MS = 120_000;

  /** Readings between two looks at what lies on the bench. */
  private static final int SCALE_LOOK = 3;

  /** The cycle that the demonstration begins with has run for so long. */
  private static final double HEATED_BEFORE_S = 3_600;

  private WeirLaneDevices() {}

  public static void main(String[] arguments) throws InterruptedException {
    String host = option(arguments, "--host", "127.0.0.1");
    int port = Integer.parseInt(option(arguments, "--port", "1883"));
    long seed = Long.parseLong(option(arguments, "--seed", String.valueOf(WeirLane.SEED)));
    Random random = new Random(seed);
    WorkshopWeather weather = WeirLane.weather(System.currentTimeMillis() / 1000);
    SimulatedHygrometer workshop = new SimulatedHygrometer(WeirLane.WORKSHOP_AIR, random);
    SimulatedHygrometer backRoom = new SimulatedHygrometer(WeirLane.BACK_ROOM_AIR, random);
    SimulatedHygrometer printer = new SimulatedHygrometer(WeirLane.PRINTER_AIR, random);
    SimulatedDryer dryer = new SimulatedDryer(random);
    double heatedS = System.currentTimeMillis() / 1000.0 - HEATED_BEFORE_S;
    dryer.start(heatedS, 60);
    boolean toldOfBefore = false;
    List<SimulatedPrinter> printers =
        WeirLane.PRINTERS.stream()
            .map(each -> new SimulatedPrinter(each.topic(), each.keeps(), random))
            .toList();
    double clock =
        System.currentTimeMillis() / 1000.0
            - 86_400 * Double.parseDouble(option(arguments, "--days-back", "0"));
    double speed = Double.parseDouble(option(arguments, "--speed", "1"));
    String server = option(arguments, "--server", "");
    ScaleOnABench bench =
        new ScaleOnABench(
            new SimulatedScale(WeirLane.SCALE_STEP_G, random),
            server.isEmpty() ? null : new WeighingBench(URI.create(server)));
    RunningPrints running = server.isEmpty() ? null : new RunningPrints(URI.create(server));
    try (DevicePublisher publisher = new DevicePublisher(host, port).connect(PATIENCE_MS)) {
      while (true) {
        publish(publisher, workshop, clock, weather.room(clock, 0));
        publish(publisher, backRoom, clock, weather.room(clock, WeirLane.BACK_ROOM_K));
        publish(publisher, printer, clock, weather.printer(clock));
        publish(publisher, dryer, weather.room(clock, 0), clock);
        publish(publisher, printers, running, weather.room(clock, 0), clock);
        double behind = System.currentTimeMillis() / 1000.0 - clock;
        if (behind > AIR_EVERY_S && speed > 1) {
          clock += WorkshopWeather.STEP_S;
          Thread.sleep(Math.round(1000 * WorkshopWeather.STEP_S / speed));
        } else {
          bench.publishUntil(System.currentTimeMillis() + 1000 * AIR_EVERY_S, publisher);
          clock = System.currentTimeMillis() / 1000.0;
          // By now the program knows the probe, and can be given what it showed since the start.
          for (double past = heatedS; !toldOfBefore && past < clock; past += AIR_EVERY_S) {
            publish(publisher, dryer, weather.room(past, 0), past);
          }
          toldOfBefore = true;
        }
      }
    }
  }

  /** The scale, and what lies on it. */
  private static final class ScaleOnABench {
    private final SimulatedScale scale;
    private final WeighingBench bench;
    private OptionalDouble before = OptionalDouble.empty();

    ScaleOnABench(SimulatedScale scale, WeighingBench bench) {
      this.scale = scale;
      this.bench = bench;
    }

    void publishUntil(long endMs, DevicePublisher publisher) throws InterruptedException {
      while (System.currentTimeMillis() < endMs) {
        OptionalDouble mass = bench == null ? OptionalDouble.empty() : bench.massG();
        if (mass.isPresent() && before.isEmpty()) {
          for (double shown : scale.putOn(mass.getAsDouble())) {
            show(shown, publisher);
          }
        }
        before = mass;
        double rest = scale.read(mass.orElse(0));
        for (int i = 0; i < SCALE_LOOK; i++) {
          show(rest, publisher);
        }
      }
    }

    private static void show(double massG, DevicePublisher publisher) throws InterruptedException {
      publisher.number(WeirLane.SCALE, massG, 1);
      Thread.sleep(SCALE_EVERY_MS);
    }
  }

  private static void publish(
      DevicePublisher publisher,
      List<SimulatedPrinter> printers,
      RunningPrints running,
      MoistAir room,
      double timeS)
      throws InterruptedException {
    Map<String, RunningPrints.Running> now = running == null ? Map.of() : running.look();
    MaterialCatalogue catalogue = MaterialCatalogue.standard();
    for (int i = 0; i < printers.size(); i++) {
      SimulatedPrinter printer = printers.get(i);
      RunningPrints.Running print = now.get(WeirLane.PRINTERS.get(i).name());
      if (print == null) {
        printer.stop();
      } else if (!printer.isPrinting()) {
        Material material = catalogue.named(print.material());
        printer.start(
            print.startedS(),
            material.value(Parameter.BED),
            material.value(Parameter.NOZZLE),
            print.hours());
      }
      publisher.printer(printer.topic(), printer.at(timeS, room.temperatureC()));
    }
  }

  private static void publish(
      DevicePublisher publisher, SimulatedDryer dryer, MoistAir room, double timeS) {
    double hot = dryer.temperatureC(timeS, room.temperatureC());
    publisher.air(
        WeirLane.DRYER_AIR,
        new SimulatedHygrometer.Reading(
            Math.rint(10 * hot) / 10, Math.rint(10 * room.relativeHumidityPercentAt(hot)) / 10),
        timeS);
  }

  private static void publish(
      DevicePublisher publisher, SimulatedHygrometer hygrometer, double timeS, MoistAir air) {
    hygrometer
        .read(timeS, air)
        .ifPresent(reading -> publisher.air(hygrometer.topic(), reading, timeS));
  }

  private static String option(String[] arguments, String name, String otherwise) {
    for (int i = 0; i + 1 < arguments.length; i++) {
      if (arguments[i].equals(name)) {
        return arguments[i + 1];
      }
    }
    return otherwise;
  }
}
