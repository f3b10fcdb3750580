package mindspool.server.devices;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import mindspool.core.climate.ClimateSeries;
import mindspool.core.climate.MoistAir;
import mindspool.core.device.ReadingUnit;
import mindspool.core.material.Material;
import mindspool.core.material.MaterialCatalogue;
import mindspool.core.moisture.AirContact;
import mindspool.core.moisture.SpoolHistory;
import mindspool.core.moisture.SpoolReplay;
import mindspool.core.moisture.StartMoisture;
import mindspool.core.stock.Winding;
import mindspool.server.air.LiveReadings.LiveReading;
import mindspool.server.devices.DeviceRequests.ChannelRequest;
import mindspool.server.devices.DeviceRequests.DeviceRequest;
import mindspool.server.devices.ReadingStore.Reading;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** Old readings are thinned without the spools noticing. */
@SpringBootTest
@Tag("http")
class RetentionTest {

  private static final int DAYS = 40;

  /** Readings come every other minute. */
  private static final long APART_MS = 120_000;

  @DynamicPropertySource
  static void ownDatabase(DynamicPropertyRegistry registry) {
    registry.add(
        "mindspool.data-dir",
        () -> {
          try {
            return Files.createTempDirectory("mind-spool-retention").toString();
          } catch (IOException e) {
            throw new UncheckedIOException(e);
          }
        });
    registry.add("mindspool.mqtt.port", () -> 0);
  }

  @Autowired private DeviceEditing editing;
  @Autowired private DeviceStore.Channels channels;
  @Autowired private DeviceStore.Stays stays;
  @Autowired private ReadingStore store;
  @Autowired private ReadingRetention retention;
  @Autowired private DeviceSeries series;
  @Autowired private MessageIntake intake;
  @Autowired private MessageCounts counts;
  @Autowired private JdbcTemplate jdbc;

  private long place() {
    jdbc.update(
        "insert into place (name, kind, position_in_room, created_s) values ('r', 'ROOM', 0, 0)");
    return jdbc.queryForObject("select max(id) from place", Long.class);
  }

  private Device hygrometer(String name) {
    return editing.add(
        new DeviceRequest(
            name,
            Device.Kind.HYGROMETER,
            null,
            null,
            null,
            List.of(
                new ChannelRequest(name, "/t", ReadingUnit.CELSIUS, "/at"),
                new ChannelRequest(name, "/h", ReadingUnit.PERCENT, "/at")),
            null));
  }

  @Test
  void exposureStaysAndNoReadingIsForgotten() {
    long place = place();
    Device device = hygrometer("minutely");
    stays.save(new DeviceStay(device.id, place, 0));
    List<Channel> its = channels.findByDeviceId(device.id);
    Random random = new Random(4);
    long start = System.currentTimeMillis() - DAYS * 86_400_000L;
    int count = DAYS * 24 * 30;
    List<Reading> readings = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      double day = 2 * Math.PI * i / 720;
      long time = start + i * APART_MS;
      readings.add(new Reading(its.get(0).id, time, 21 + 2 * Math.sin(day)));
      readings.add(
          new Reading(its.get(1).id, time, 50 + 8 * Math.sin(day / 6) + 2 * random.nextGaussian()));
    }
    store.store(readings, List.of());
    double[] before = replay(series.readings(place));

    retention.thin();
    series.changed(device.id);
    double[] after = replay(series.readings(place));

    assertThat(rows(its.get(1).id)).isLessThan(count * 9L / 10);
    assertThat(store.count(its.get(1).id)).isEqualTo(count);
    Double least =
        jdbc.queryForObject(
            "select min(least) from device_reading where channel_id = ?",
            Double.class,
            its.get(1).id);
    assertThat(least).isLessThan(38);
    double swing = before[before.length - 1];
    for (int ring = 0; ring < before.length; ring++) {
      assertThat(after[ring]).isCloseTo(before[ring], within(0.005 * swing));
    }
    retention.thin();
    assertThat(store.count(its.get(1).id)).as("thinning again").isEqualTo(count);
  }

  private long rows(long channel) {
    return jdbc.queryForObject(
        "select count(*) from device_reading where channel_id = ?", Long.class, channel);
  }

  /** Moisture by ring of a spool that lay in this air, %. */
  private static double[] replay(List<LiveReading> readings) {
    ClimateSeries.Builder climate = ClimateSeries.builder();
    for (LiveReading reading : readings) {
      climate.reading(
          reading.timeS(), new MoistAir(reading.temperatureC(), reading.relativeHumidityPercent()));
    }
    ClimateSeries series = climate.build();
    Material petg = MaterialCatalogue.standard().named("PETG");
    SpoolHistory history =
        new SpoolHistory(
            series.firstTimeS(),
            new StartMoisture(5, 1),
            new Winding(0.04, 0.06, 1, 0.3, 0.00175, petg.densityKgPerM3()),
            List.of(new SpoolHistory.Stay(series.firstTimeS(), series, AirContact.STILL)),
            List.of());
    SpoolReplay replay = new SpoolReplay(petg, history);
    return replay
        .advance(replay.start(), series.firstTimeS(), series.lastTimeS(), null)
        .profile()
        .percentByRing();
  }

  /** A retained message without a time may be of any age: it is no reading. */
  @Test
  void keptMessagesOfUnknownAgeAreCountedOnly() {
    Device device =
        editing.add(
            new DeviceRequest(
                "kept",
                Device.Kind.HYGROMETER,
                null,
                null,
                null,
                List.of(new ChannelRequest("kept", "", ReadingUnit.CELSIUS, null)),
                null));
    long channel = channels.findByDeviceId(device.id).get(0).id;
    intake.take(List.of(new MessageIntake.Message("kept", "21".getBytes(), true)));
    assertThat(store.count(channel)).isZero();
    assertThat(counts.counts().get("OLD_RETAINED")).isEqualTo(1);
    intake.take(List.of(new MessageIntake.Message("kept", "22".getBytes(), false)));
    assertThat(store.count(channel)).isEqualTo(1);
  }

  /** A device set to Fahrenheit but mapped as Celsius is found by its twin and left out. */
  @Test
  void fahrenheitTakenForCelsiusIsSuspectedFromATwin() {
    long place = jdbcPlace("twins");
    Device right = hygrometer("right");
    Device wrong = hygrometer("wrong");
    stays.save(new DeviceStay(right.id, place, 0));
    stays.save(new DeviceStay(wrong.id, place, 0));
    long start = System.currentTimeMillis() - 3 * 3_600_000;
    List<Reading> readings = new ArrayList<>();
    for (int i = 0; i < 18; i++) {
      long time = start + i * 600_000L;
      readings.add(new Reading(channels.findByDeviceId(right.id).get(0).id, time, 21));
      readings.add(new Reading(channels.findByDeviceId(right.id).get(1).id, time, 45));
      readings.add(new Reading(channels.findByDeviceId(wrong.id).get(0).id, time, 69.8));
      readings.add(new Reading(channels.findByDeviceId(wrong.id).get(1).id, time, 45));
    }
    store.store(readings, List.of());
    assertThat(series.twinFlags(wrong, place))
        .anySatisfy(flag -> assertThat(flag.kind().name()).isEqualTo("PERHAPS_FAHRENHEIT"));
    assertThat(series.readings(place))
        .isNotEmpty()
        .allSatisfy(reading -> assertThat(reading.temperatureC()).isEqualTo(21));
  }

  private long jdbcPlace(String name) {
    jdbc.update(
        "insert into place (name, kind, position_in_room, created_s) values (?, 'ROOM', 0, 0)",
        name);
    return jdbc.queryForObject("select max(id) from place", Long.class);
  }
}
