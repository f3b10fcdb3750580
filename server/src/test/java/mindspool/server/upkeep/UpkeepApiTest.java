package mindspool.server.upkeep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.hivemq.client.mqtt.datatypes.MqttQos;
import com.hivemq.client.mqtt.mqtt3.Mqtt3BlockingClient;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import mindspool.server.support.Api;
import mindspool.server.support.PrintingTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;

/** Upkeep over HTTP: counted from prints, done, undone, with tasks of one's own. */
class UpkeepApiTest extends PrintingTest {

  @Autowired private JdbcTemplate jdbc;

  private JsonNode task(String task, String subject, long id) {
    for (JsonNode item : api.get("/api/upkeep").body().get("items")) {
      if (item.get("task").asString().equals(task)
          && item.get("subject").asString().equals(subject)
          && item.get("subjectId").asLong() == id) {
        return item;
      }
    }
    return null;
  }

  private double used(String task) {
    return used(task, "HOURS");
  }

  private double used(String task, String counter) {
    for (JsonNode count : task(task, "PRINTER", printer).get("counts")) {
      if (count.get("counter").asString().equals(counter)) {
        return count.get("used").asDouble();
      }
    }
    throw new AssertionError(task + " has no " + counter);
  }

  private Api.Answer done(String task, String more) {
    return api.post(
        "/api/upkeep/done",
        "{\"task\": \"%s\", \"subject\": \"PRINTER\", \"subjectId\": %d%s}"
            .formatted(task, printer, more));
  }

  /** A print that took so many hours and ended an hour ago. */
  private long printed(double hours) {
    long job = job(spool("PLA"));
    setUp(job, "");
    long run = started(job).get("id").asLong();
    api.post("/api/prints/" + run + "/finish", "{\"outcome\": \"GOOD\"}");
    long endS = Instant.now().getEpochSecond() - 3600;
    jdbc.update(
        "update print_run set started_s = ?, ended_s = ? where id = ?",
        endS - Math.round(3600 * hours),
        endS,
        run);
    return run;
  }

  @Test
  void printsCountAndOneThatIsTakenBackOrCorrectedCountsAsItIsNow() {
    double before = used("fans");
    printed(30);
    long second = printed(170);
    assertThat(used("fans")).isEqualTo(before + 200, within(0.01));
    assertThat(task("fans", "PRINTER", printer).get("state").asString()).isEqualTo("DUE");
    jdbc.update("update print_run set removed_s = 1 where id = ?", second);
    assertThat(used("fans")).isEqualTo(before + 30, within(0.01));
    assertThat(task("fans", "PRINTER", printer).get("state").asString()).isEqualTo("LATER");
    jdbc.update("update print_run set removed_s = null where id = ?", second);
    assertThat(used("fans")).isEqualTo(before + 200, within(0.01));
  }

  /** Probes that were read in on the dryer's page are its check; taken back they are none. */
  @Test
  void aDryerThatWasMeasuredIsChecked() {
    long dryer =
        addPlaceIn(addRoom("heat room", 21, 45), "checked dryer", "DRYER", ", \"ratedMaxC\": 70");
    assertThat(task("dryer_check", "DRYER", dryer).get("lastS").isNull()).isTrue();
    String log =
        IntStream.rangeClosed(0, 90)
            .mapToObj(minute -> "%d,%d,60,61".formatted(minute, Math.min(60, 22 + 2 * minute)))
            .collect(Collectors.joining("\\n"));
    Api.Answer measured =
        api.post(
            "/api/dryers/" + dryer + "/measurements",
            "{\"setpointC\": 60, \"keep\": true, \"log\": \"%s\"}".formatted(log));
    assertThat(measured.status()).as(measured.raw().body()).isEqualTo(200);
    assertThat(task("dryer_check", "DRYER", dryer).get("lastS").asLong())
        .isCloseTo(Instant.now().getEpochSecond(), within(60L));
    assertThat(api.undo(measured.act()).status()).isLessThan(300);
    assertThat(task("dryer_check", "DRYER", dryer).get("lastS").isNull()).isTrue();
  }

  /** Put off it is not asked for, however far one looks ahead; and it says when it comes again. */
  @Test
  void whatIsPutOffStaysSoForTheDayAndForTheWeek() {
    printed(600);
    String key = lineOfPrinter(24, "lines").get("key").asString();
    assertThat(lineOfPrinter(168, "lines").get("key").asString()).isEqualTo(key);
    Instant until = Instant.now().plus(2, ChronoUnit.DAYS).truncatedTo(ChronoUnit.SECONDS);
    Api.Answer off =
        api.post(
            "/api/today/acts",
            "{\"key\": \"%s\", \"what\": \"Upkeep\", \"kind\": \"SNOOZED\", \"until\": \"%s\"}"
                .formatted(key, until));
    assertThat(off.status()).isEqualTo(201);
    for (int hours : new int[] {24, 168}) {
      JsonNode settled = lineOfPrinter(hours, "settled");
      assertThat(settled.get("key").asString()).isEqualTo(key);
      assertThat(settled.get("untilS").asLong()).isEqualTo(until.getEpochSecond());
    }
    api.undo(off.act());
    assertThat(lineOfPrinter(24, "lines").get("key").asString()).isEqualTo(key);
  }

  /** Field notes: PLA at 240 °C begins to char after 10 minutes. */
  @Test
  void aNozzleThatStandsHotIsToCoolAndThenToBeCleanedUntilItIsPulled() {
    printed(1);
    String topic = "idle/" + printer;
    assertThat(
            api.post(
                    "/api/devices",
                    ("{\"name\": \"nozzle of %d\", \"kind\": \"PRINTER\", \"placeId\": %d,"
                            + " \"channels\": [{\"topicFilter\": \"%3$s\", \"pointer\": \"/n\","
                            + " \"unit\": \"NOZZLE_CELSIUS\", \"timePointer\": \"/t\"},"
                            + " {\"topicFilter\": \"%3$s\", \"pointer\": \"/p\","
                            + " \"unit\": \"PERCENT_DONE\", \"timePointer\": \"/t\"}]}")
                        .formatted(printer, printer, topic))
                .status())
        .isEqualTo(201);
    Mqtt3BlockingClient device = brokerClient();
    long nowMs = System.currentTimeMillis();
    for (int minute = 6; minute >= 0; minute--) {
      hot(device, topic, nowMs - 60_000L * minute);
    }
    await(() -> idleLine("cool") != null);
    assertThat(idleLine("cool").get("why").asString()).contains("PLA in it chars in");
    assertThat(idleLine("clean")).isNull();
    for (int minute = 20; minute > 6; minute--) {
      hot(device, topic, nowMs - 60_000L * minute);
    }
    await(() -> idleLine("clean") != null);
    assertThat(idleLine("cool")).isNull();
    for (String cleans : new String[] {"cold_pull", "nozzle"}) {
      Api.Answer done = done(cleans, "");
      assertThat(done.status()).as(done.raw().body()).isEqualTo(201);
      assertThat(idleLine("clean")).as(cleans).isNull();
      api.undo(done.act());
      assertThat(idleLine("clean")).as(cleans + " undone").isNotNull();
    }
    // It printed what nobody put on record: its progress tells so.
    publish(device, topic, "{\"p\": 97, \"t\": %d}".formatted(nowMs - 120_000));
    publish(device, topic, "{\"p\": 98, \"t\": %d}".formatted(nowMs - 60_000));
    await(() -> idleLine("clean") == null);
    device.disconnect();
  }

  private static void hot(Mqtt3BlockingClient device, String topic, long timeMs) {
    publish(device, topic, "{\"n\": 240, \"t\": %d}".formatted(timeMs));
  }

  private static void publish(Mqtt3BlockingClient device, String topic, String payload) {
    device
        .publishWith()
        .topic(topic)
        .payload(payload.getBytes(StandardCharsets.UTF_8))
        .qos(MqttQos.AT_LEAST_ONCE)
        .send();
  }

  private JsonNode idleLine(String what) {
    return api.get("/api/today")
        .body()
        .get("lines")
        .valueStream()
        .filter(line -> line.get("key").asString().startsWith("idle-" + what + "-" + printer + "-"))
        .findFirst()
        .orElse(null);
  }

  /** What Today says of the upkeep that is due on the printer now. */
  private JsonNode lineOfPrinter(int hours, String which) {
    JsonNode today = api.get("/api/today?hours=" + hours).body();
    return today
        .get(which)
        .valueStream()
        .filter(line -> line.get("key").asString().startsWith("upkeep-PRINTER-" + printer + "-"))
        .filter(line -> line.get("atS").asLong() <= today.get("nowS").asLong())
        .findFirst()
        .orElseThrow();
  }

  /** Through the program, not past it: a print that is finished, and whose end is taken back. */
  @Test
  void aPrintWhoseEndIsUndoneCountsNoMore() {
    long job = job(spool("PLA"));
    setUp(job, "");
    long run = started(job).get("id").asLong();
    jdbc.update("update print_run set started_s = started_s - 36000 where id = ?", run);
    assertThat(used("fans")).as("while it prints").isZero();
    Api.Answer finished = api.post("/api/prints/" + run + "/finish", "{\"outcome\": \"GOOD\"}");
    assertThat(used("fans")).isEqualTo(10, within(0.05));
    assertThat(api.undo(finished.act()).status()).isLessThan(300);
    assertThat(used("fans")).isZero();
    api.redo(finished.act());
    assertThat(used("fans")).isEqualTo(10, within(0.05));
  }

  @Test
  void doneBeginsTheCountAnewAndUndoBringsItBack() {
    printed(260);
    assertThat(task("rods", "PRINTER", printer).get("state").asString()).isEqualTo("DUE");
    Api.Answer done = done("rods", ", \"note\": \"dry as dust\", \"measured\": 3.5");
    assertThat(done.status()).isEqualTo(201);
    assertThat(used("rods")).isZero();
    JsonNode history = api.get("/api/upkeep/history/PRINTER/" + printer).body();
    assertThat(history.at("/0/note").asString()).isEqualTo("dry as dust");
    assertThat(history.at("/0/measured").asDouble()).isEqualTo(3.5);
    api.undo(done.act());
    assertThat(used("rods")).isGreaterThanOrEqualTo(260);
    api.redo(done.act());
    assertThat(used("rods")).isZero();
    api.delete("/api/upkeep/done/" + history.at("/0/id").asLong());
    assertThat(used("rods")).isGreaterThanOrEqualTo(260);
  }

  @Test
  void doneInThePastCountsWhatCameAfterIt() {
    printed(40);
    String past = Instant.now().minus(30, ChronoUnit.MINUTES).toString();
    done("cold_pull", ", \"at\": \"" + past + "\"");
    assertThat(used("cold_pull")).isZero();
    String older = Instant.now().minus(40, ChronoUnit.DAYS).toString();
    Api.Answer belts = done("belts", ", \"at\": \"" + older + "\"");
    assertThat(belts.status()).isEqualTo(201);
    assertThat(used("belts")).isGreaterThanOrEqualTo(40);
    assertThat(used("belts", "DAYS")).isEqualTo(40, within(0.1));
  }

  @Test
  void whatCannotBeIsRefusedByField() {
    assertThat(done("dance", "").field()).isEqualTo("task");
    assertThat(done("fans", ", \"at\": \"2999-01-01T00:00:00Z\"").field()).isEqualTo("at");
    assertThat(done("fans", ", \"measured\": 1e9").field()).isEqualTo("measured");
    assertThat(done("plate_wash", "").field()).isEqualTo("task");
    assertThat(api.post("/api/upkeep/done", "{}").field()).isEqualTo("subject");
    assertThat(api.delete("/api/upkeep/done/987654").status()).isEqualTo(404);
    assertThat(api.get("/api/upkeep/timeline/" + printer + "?days=0").field()).isEqualTo("days");
    assertThat(api.get("/api/upkeep/history/CAT/1").status()).isEqualTo(400);
  }

  @Test
  void washingAPlateHereIsWashingItThere() {
    printed(1);
    assertThat(task("plate_wash", "PLATE", plate).at("/counts/0/used").asInt()).isPositive();
    Api.Answer washed =
        api.post(
            "/api/upkeep/done",
            "{\"task\": \"plate_wash\", \"subject\": \"PLATE\", \"subjectId\": %d}"
                .formatted(plate));
    assertThat(task("plate_wash", "PLATE", plate).at("/counts/0/used").asInt()).isZero();
    for (JsonNode each : api.get("/api/plates").body()) {
      if (each.get("id").asLong() == plate) {
        assertThat(each.get("printsSinceWash").asInt()).isZero();
      }
    }
    api.undo(washed.act());
    assertThat(task("plate_wash", "PLATE", plate).at("/counts/0/used").asInt()).isPositive();
  }

  @Test
  void ownTasksAndIntervalsAreKeptChangedAndRemoved() {
    Api.Answer none =
        api.post("/api/upkeep/tasks", "{\"title\": \"sweep\", \"subject\": \"PRINTER\"}");
    assertThat(none.field()).isEqualTo("everyDays");
    long own =
        created(
            "/api/upkeep/tasks",
            ("{\"title\": \"sweep\", \"subject\": \"PRINTER\", \"subjectId\": %d,"
                    + " \"everyDays\": 7}")
                .formatted(printer));
    assertThat(task("own-" + own, "PRINTER", printer).get("title").asString()).isEqualTo("sweep");
    assertThat(done("own-" + own, "").status()).isEqualTo(201);
    long interval =
        created(
            "/api/upkeep/tasks",
            "{\"replaces\": \"z_screw\", \"subjectId\": %d, \"everyHours\": 100}"
                .formatted(printer));
    JsonNode screw = task("z_screw", "PRINTER", printer);
    assertThat(screw.get("ownId").asLong()).isEqualTo(interval);
    assertThat(screw.at("/counts/0/every").asDouble()).isEqualTo(100);
    assertThat(screw.get("procedure").asString()).isEqualTo("screw_grease");
    Api.Answer stale =
        api.put(
            "/api/upkeep/tasks/" + interval,
            "{\"version\": 99, \"replaces\": \"z_screw\", \"everyHours\": 120}");
    assertThat(stale.status()).isEqualTo(409);
    Api.Answer left =
        api.put("/api/upkeep/tasks/" + interval, "{\"version\": 0, \"replaces\": \"z_screw\"}");
    assertThat(left.status()).as(left.raw().body()).isEqualTo(200);
    // With no amount it is left out, for all printers now.
    assertThat(task("z_screw", "PRINTER", printer)).isNull();
    api.delete("/api/upkeep/tasks/" + interval);
    assertThat(task("z_screw", "PRINTER", printer)).isNotNull();
    api.delete("/api/upkeep/tasks/" + own);
    assertThat(task("own-" + own, "PRINTER", printer)).isNull();
    // An own number of hours leaves the wear and residue that the table counts besides.
    long pull =
        created(
            "/api/upkeep/tasks",
            "{\"replaces\": \"cold_pull\", \"subjectId\": %d, \"everyHours\": 60}"
                .formatted(printer));
    assertThat(task("cold_pull", "PRINTER", printer).get("counts").toString())
        .contains("of 60 hours")
        .contains("RESIDUE");
    api.delete("/api/upkeep/tasks/" + pull);
    assertThat(api.post("/api/upkeep/tasks", "{\"replaces\": \"dance\"}").field())
        .isEqualTo("replaces");
  }

  /** One line for all that is due on a printer; another one once something was done. */
  @Test
  void todaySaysWhatIsDueOnAPrinterInOneLine() {
    printed(330);
    JsonNode line = onToday();
    assertThat(line.get("what").asString()).contains("Upkeep of");
    assertThat(line.at("/deed/kind").asString()).isEqualTo("UPKEEP");
    assertThat(line.get("link").asString()).isEqualTo("/upkeep?of=PRINTER-" + printer);
    String key = line.get("key").asString();
    done("belts", "");
    assertThat(onToday().get("key").asString()).isNotEqualTo(key);
  }

  private JsonNode onToday() {
    JsonNode found = null;
    for (JsonNode line : api.get("/api/today?hours=24").body().get("lines")) {
      if (line.get("key").asString().startsWith("upkeep-PRINTER-" + printer + "-")) {
        assertThat(found).as("one line").isNull();
        found = line;
      }
    }
    return found;
  }

  @Test
  void theTimelineSaysWhatWasPrintedDoneAndChanged() {
    printed(2);
    done("fans", ", \"note\": \"hair in it\"");
    JsonNode was = api.get("/api/printers/" + printer).body();
    JsonNode line = api.get("/api/upkeep/timeline/" + printer + "?days=30").body();
    assertThat(line.get("name").asString()).isEqualTo(was.get("name").asString());
    assertThat(line.get("prints").size()).isPositive();
    assertThat(line.get("marks").toString())
        .contains("UPKEEP")
        .contains("hair in it")
        .doesNotContain("printed hours");
    assertThat(api.get("/api/upkeep/timeline/987654").status()).isEqualTo(404);
  }

  private JsonNode filament(String material, String colour) {
    for (JsonNode each : api.get("/api/supplies").body().get("filaments")) {
      if (each.get("material").asString().equals(material)
          && each.get("colourName").asString().equals(colour)) {
        return each;
      }
    }
    return null;
  }

  @Test
  void filamentIsHeldAgainstJobsAndUsualUse() {
    String code = spool("PP");
    long before = job(spool("PP"));
    JsonNode unused = filament("PP", "reed");
    assertThat(unused.get("days").isNull()).isTrue();
    assertThat(unused.get("spools").asInt()).isGreaterThanOrEqualTo(2);
    assertThat(unused.get("promisedG").asDouble()).isGreaterThanOrEqualTo(50);
    long job = job(code);
    setUp(job, "");
    long run = startedAllTheSame(job).get("id").asLong();
    api.post("/api/prints/" + run + "/finish", "{\"outcome\": \"GOOD\"}");
    JsonNode used = filament("PP", "reed");
    assertThat(used.get("prints").asInt()).isEqualTo(1);
    assertThat(used.get("days").asDouble()).isGreaterThan(used.get("lowDays").asDouble());
    assertThat(used.get("highDays").isNull()).as("one print tells no upper end").isTrue();
    boolean asked = false;
    for (JsonNode cost : api.get("/api/supplies").body().get("jobs")) {
      asked |= cost.get("jobId").asLong() == before;
    }
    assertThat(asked).isTrue();
  }

  /** A price in one money says nothing of one in another: they are not averaged. */
  @Test
  void pricesInTwoKindsOfMoneyAreNotMixed() {
    List<String> currencies = new ArrayList<>();
    for (String price : new String[] {"20, \"currency\": \"EUR\"", "4000, \"currency\": \"JPY\""}) {
      Api.Answer reply =
          api.post(
              "/api/spools",
              ("{\"material\": \"HIPS\", \"colourName\": \"plum %1$d\", \"placeId\": %2$d,"
                      + " \"nominalNetG\": 1000, \"reel\": \"plastic\", \"emptyReelG\": 218,"
                      + " \"grossMassG\": 1218, \"arrival\": \"SEALED_TIGHT\","
                      + " \"lot\": {\"maker\": \"Alder\", \"batch\": \"P%1$d-%3$s\","
                      + " \"price\": %4$s}}")
                  .formatted(made, room, price.substring(0, 2), price));
      assertThat(reply.status()).as(reply.raw().body()).isEqualTo(201);
    }
    // Each job costs what its own spool did.
    for (JsonNode spool : api.get("/api/shelf").body().get("spools")) {
      if (!spool.get("colourName").asString().equals("plum " + made)) {
        continue;
      }
      long job = job(spool.get("code").asString());
      JsonNode cost =
          api.get("/api/supplies")
              .body()
              .get("jobs")
              .valueStream()
              .filter(it -> it.get("jobId").asLong() == job)
              .findFirst()
              .orElseThrow();
      boolean euro = cost.get("currency").asString().equals("EUR");
      assertThat(1000 * cost.get("price").asDouble() / cost.get("grams").asDouble())
          .isEqualTo(euro ? 20 : 4000, within(1e-6));
      currencies.add(cost.get("currency").asString());
    }
    assertThat(currencies).containsExactlyInAnyOrder("EUR", "JPY");
    JsonNode plum = filament("HIPS", "plum " + made);
    double perKg = plum.get("pricePerKg").asDouble();
    assertThat(perKg).isEqualTo(plum.get("currency").asString().equals("EUR") ? 20 : 4000);
  }

  @Test
  void otherSuppliesAreCountedGoDownAndAreRemoved() {
    String gel =
        "{\"name\": \"gel %d\", \"unit\": \"g\", \"amount\": %d, \"perMonth\": 100,"
            + " \"least\": 300, \"version\": %d}";
    long id = created("/api/supplies", gel.formatted(made, 500, 0));
    jdbc.update("update supply set counted_s = counted_s - ? where id = ?", 76 * 86_400, id);
    JsonNode after = supply(id);
    // 2.5 months of 100 g.
    assertThat(after.get("left").asDouble()).isEqualTo(250, within(0.5));
    assertThat(after.get("low").asBoolean()).isTrue();
    Api.Answer counted = api.put("/api/supplies/" + id, gel.formatted(made, 400, 0));
    assertThat(counted.body().get("left").asDouble()).isEqualTo(400, within(0.1));
    assertThat(api.put("/api/supplies/" + id, gel.formatted(made, 1, 0)).status()).isEqualTo(409);
    api.undo(counted.act());
    assertThat(supply(id).get("left").asDouble()).isEqualTo(250, within(0.5));
    assertThat(api.post("/api/supplies", gel.formatted(made, -1, 0)).field()).isEqualTo("amount");
    assertThat(api.post("/api/supplies", "{\"unit\": \"g\"}").field()).isEqualTo("name");
    api.delete("/api/supplies/" + id);
    assertThat(supply(id)).isNull();
  }

  private JsonNode supply(long id) {
    for (JsonNode each : api.get("/api/supplies").body().get("others")) {
      if (each.get("id").asLong() == id) {
        return each;
      }
    }
    return null;
  }

  @Test
  void aPlatesHeightsSayTwistAndBow() {
    String path = "/api/upkeep/flatness";
    JsonNode flat =
        api.post(path, "{\"heights\": [[0.1, 0, -0.1], [0, 0, 0], [-0.1, 0, 0.1]]}").body();
    assertThat(flat.get("twistMm").asDouble()).isEqualTo(0.2, within(1e-9));
    assertThat(flat.get("words").asString()).contains("evens that out");
    assertThat(api.post(path, "{\"heights\": [[0.1]]}").field()).isEqualTo("heights");
    assertThat(api.post(path, "{}").field()).isEqualTo("heights");
  }

  @Test
  void aCoatIsDueByItsPrintsAndRenewedHere() {
    long coated =
        created(
            "/api/plates",
            ("{\"name\": \"coated %d\", \"kind\": \"glass_4\", \"surface\": \"glass\","
                    + " \"interfaceLayer\": \"eng_water\"}")
                .formatted(made));
    assertThat(task("plate_coat", "PLATE", plate)).as("nothing is spread on it").isNull();
    api.post("/api/plates/" + coated + "/coats", "{\"interfaceLayer\": \"eng_water\"}");
    jdbc.update("update build_plate set coat_prints_left = 2 where id = ?", coated);
    JsonNode coat = task("plate_coat", "PLATE", coated);
    assertThat(coat.at("/counts/0/used").asDouble()).isEqualTo(38);
    assertThat(coat.get("state").asString()).isEqualTo("SOON");
    api.post(
        "/api/upkeep/done",
        "{\"task\": \"plate_coat\", \"subject\": \"PLATE\", \"subjectId\": %d}".formatted(coated));
    assertThat(task("plate_coat", "PLATE", coated).at("/counts/0/used").asDouble()).isZero();
  }
}
