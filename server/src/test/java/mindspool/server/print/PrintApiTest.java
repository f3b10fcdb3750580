package mindspool.server.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.hivemq.client.mqtt.datatypes.MqttQos;
import com.hivemq.client.mqtt.mqtt3.Mqtt3BlockingClient;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import mindspool.server.support.Api;
import mindspool.server.support.PrintingTest;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;

/** Print over HTTP: machines, sheets, prints from start to finish, and what they teach. */
class PrintApiTest extends PrintingTest {

  @Autowired private JdbcTemplate jdbc;

  @Test
  void aJobIsSetUpStartedAndFinished() {
    String code = spool("PLA");
    long job = job(code);
    JsonNode before = api.get("/api/jobs/" + job + "/sheet").body();
    assertThat(before.get("sheet").isNull()).isTrue();
    JsonNode view = setUp(job, "");
    assertThat(view.at("/sheet/hold/verdict").asString()).isEqualTo("low");
    assertThat(view.get("waterVerdict").asString()).startsWith("Go");
    assertThat(view.get("metres").size()).isGreaterThan(3);
    assertThat(view.at("/job/grams").asDouble())
        .isCloseTo(view.at("/sheet/grams").asDouble(), within(0.1));

    JsonNode run = started(job);
    long id = run.get("id").asLong();
    assertThat(run.get("printer").asString()).isEqualTo("Press " + made);
    JsonNode loaded = api.get("/api/spools/" + code).body().get("spool");
    assertThat(loaded.get("placeId").asLong()).isEqualTo(printer);
    assertThat(loaded.get("sealed").asBoolean()).as("a bag is opened to print").isFalse();
    assertThat(loaded.get("end").asString()).isEqualTo("LOADED");
    assertThat(api.get("/api/jobs/" + job + "/sheet").body().get("runId").asLong()).isEqualTo(id);

    double left = api.get("/api/spools/" + code).body().at("/spool/remainingG/typical").asDouble();
    Api.Answer finished =
        api.post(
            "/api/prints/" + id + "/finish",
            "{\"outcome\": \"GOOD\", \"ending\": \"HELD\", \"signs\": []}");
    assertThat(finished.status()).as(finished.raw().body()).isEqualTo(200);
    double used = finished.body().get("usedG").asDouble();
    assertThat(used).isPositive();
    assertThat(api.get("/api/spools/" + code).body().at("/spool/remainingG/typical").asDouble())
        .isCloseTo(left - used, within(0.01));
    assertThat(finished.body().get("ending").asString()).isEqualTo("HELD");
    JsonNode printed = api.get("/api/printers/" + printer).body();
    assertThat(printed.get("lastMaterial").asString()).isEqualTo("PLA");
    assertThat(printed.get("plateId").asLong()).isEqualTo(plate);
    assertThat(plate().get("printsSinceWash").asInt()).isEqualTo(1);

    long act = finished.act();
    assertThat(api.undo(act).status()).isEqualTo(200);
    assertThat(api.get("/api/prints/" + id).body().get("endedS").isNull()).isTrue();
    assertThat(api.get("/api/spools/" + code).body().at("/spool/remainingG/typical").asDouble())
        .isCloseTo(left, within(0.01));
    assertThat(plate().get("printsSinceWash").asInt()).isZero();
  }

  private JsonNode plate() {
    for (JsonNode each : api.get("/api/plates").body()) {
      if (each.get("id").asLong() == plate) {
        return each;
      }
    }
    throw new AssertionError("no plate " + plate);
  }

  /** A spool, a plate and a printer are in one print at a time, whoever asks. */
  @Test
  void nothingPrintsTwiceAtATime() {
    String code = spool("PLA");
    long first = job(code);
    setUp(first, "");
    started(first);

    long free = place("Second press " + made, "PRINTER_HOLDER", room);
    long other = job(code);
    setUp(other, "");
    Api.Answer busy = api.post("/api/prints", "{\"jobId\": %d}".formatted(other));
    assertThat(busy.status()).isEqualTo(422);
    assertThat(busy.field()).isEqualTo("printerId");

    api.change(
        "/api/jobs/" + other + "/sheet",
        "{\"printerId\": %d, \"plateId\": %d, \"code\": \"%s\"}".formatted(free, plate, code));
    Api.Answer spoolBusy = api.post("/api/prints", "{\"jobId\": %d}".formatted(other));
    assertThat(spoolBusy.field()).isEqualTo("code");
    assertThat(spoolBusy.detail()).contains(code).contains("Say first how that print ended");

    String second = spool("PLA");
    api.change(
        "/api/jobs/" + other + "/sheet",
        "{\"printerId\": %d, \"plateId\": %d, \"code\": \"%s\"}".formatted(free, plate, second));
    assertThat(api.post("/api/prints", "{\"jobId\": %d}".formatted(other)).field())
        .isEqualTo("plateId");
  }

  /** What nobody said of the plate teaches it nothing. */
  @Test
  void aGoodEndWithoutALookAtThePlateTeachesNothing() {
    long job = job(spool("PLA"));
    setUp(job, "");
    long id = started(job).get("id").asLong();
    Api.Answer ended = api.post("/api/prints/" + id + "/finish", "{\"outcome\": \"GOOD\"}");
    assertThat(ended.status()).as(ended.raw().body()).isEqualTo(200);
    assertThat(ended.body().get("ending").isNull()).isTrue();
  }

  @Test
  void aHardCheckTakesAReasonWhichIsKept() {
    String code = spool("ABS");
    long job = job(code);
    JsonNode view = setUp(job, "");
    assertThat(gate(view, "fumes").get("met").asBoolean()).isFalse();
    Api.Answer refused = api.post("/api/prints", "{\"jobId\": %d}".formatted(job));
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.raw().body()).contains("styrene").contains("reason");
    assertThat(api.get("/api/jobs/" + job + "/sheet").body().get("runId").isNull()).isTrue();
    assertThat(api.get("/api/spools/" + code).body().at("/spool/placeId").asLong()).isEqualTo(room);
    Api.Answer short3 =
        api.post(
            "/api/prints",
            "{\"jobId\": %d, \"overrides\": [{\"gate\": \"fumes\", \"reason\": \" \"}]}"
                .formatted(job));
    assertThat(short3.status()).isEqualTo(422);
    Api.Answer begun =
        api.post(
            "/api/prints",
            "{\"jobId\": %d, \"overrides\": [{\"gate\": \"fumes\", \"reason\": \"window open\"}]}"
                .formatted(job));
    assertThat(begun.status()).as(begun.raw().body()).isEqualTo(201);
    assertThat(begun.body().at("/overrides/0/reason").asString()).isEqualTo("window open");

    // A plate that is taken away while it is printed on does not hold the print up.
    assertThat(api.delete("/api/plates/" + plate).status()).isEqualTo(204);
    Api.Answer ended =
        api.post(
            "/api/prints/" + begun.body().get("id").asLong() + "/finish",
            "{\"outcome\": \"GOOD\", \"signs\": [\"strings\", \"strings\", \"blobs\"]}");
    assertThat(ended.status()).as(ended.raw().body()).isEqualTo(200);
    assertThat(ended.body().get("signs").size()).isEqualTo(2);
    assertThat(api.get("/api/printers/" + printer).body().get("plateId").isNull()).isTrue();
  }

  @Test
  void aBusyPrinterAndASpoolInADryerAreRefused() {
    String first = spool("PLA");
    long one = job(first);
    setUp(one, "");
    started(one);
    String second = spool("PLA");
    long two = job(second);
    setUp(two, "");
    Api.Answer busy = api.post("/api/prints", "{\"jobId\": %d}".formatted(two));
    assertThat(busy.status()).isEqualTo(422);
    assertThat(busy.raw().body()).contains("printerId").contains("printing");
    Api.Answer twice = api.post("/api/prints", "{\"jobId\": %d}".formatted(one));
    assertThat(twice.status()).isEqualTo(422);
    assertThat(twice.raw().body()).contains("It is printing");

    api.post("/api/spools/" + second + "/openings", "{}");
    long dryer = place("Oven " + made, "DRYER", room);
    long other = place("Second press " + made, "PRINTER_HOLDER", room);
    Api.Answer cycle =
        api.post(
            "/api/cycles",
            "{\"dryerId\": %d, \"codes\": [\"%s\"], \"setpointC\": 45, \"hours\": 4}"
                .formatted(dryer, second));
    assertThat(cycle.status()).as(cycle.raw().body()).isEqualTo(201);
    JsonNode sheet = api.get("/api/jobs/" + two + "/sheet").body();
    api.put(
        "/api/jobs/" + two + "/sheet",
        "{\"printerId\": %d, \"version\": %d}".formatted(other, sheet.get("version").asInt()));
    Api.Answer drying = api.post("/api/prints", "{\"jobId\": %d}".formatted(two));
    assertThat(drying.status()).isEqualTo(422);
    assertThat(drying.raw().body()).contains("Oven").contains("out of the dryer");
  }

  @Test
  void progressNeverGoesBack() {
    String code = spool("PLA");
    long job = job(code);
    setUp(job, "");
    long id = started(job).get("id").asLong();
    assertThat(api.post("/api/prints/" + id + "/progress", "{\"percent\": 40}").status())
        .isEqualTo(200);
    Api.Answer back = api.post("/api/prints/" + id + "/progress", "{\"percent\": 20}");
    assertThat(back.status()).isEqualTo(422);
    assertThat(back.raw().body()).contains("percent").contains("40");
    for (String bad : List.of("-1", "101", "null")) {
      assertThat(
              api.post("/api/prints/" + id + "/progress", "{\"percent\": %s}".formatted(bad))
                  .status())
          .as(bad)
          .isEqualTo(422);
    }
    Api.Answer failed =
        api.post(
            "/api/prints/" + id + "/finish",
            "{\"outcome\": \"FAILED\", \"failedAtMm\": 3, \"signs\": [\"corner-up\"]}");
    assertThat(failed.status()).as(failed.raw().body()).isEqualTo(200);
    assertThat(failed.body().get("ending").asString()).isEqualTo("CORNER_LIFTED");
    assertThat(failed.body().get("usedG").asDouble())
        .isCloseTo(failed.body().get("grams").asDouble() * 3 / 12, within(0.2));
    JsonNode again = api.get("/api/jobs/" + job + "/sheet").body();
    assertThat(again.at("/job/startedS").isNull()).isTrue();
    assertThat(started(job).get("id").asLong()).isNotEqualTo(id);
  }

  private Api.Answer mapped(String name, long placeId, String topic) {
    return api.post(
        "/api/devices",
        ("{\"name\": \"%s\", \"kind\": \"PRINTER\", \"placeId\": %d, \"channels\": ["
                + "{\"topicFilter\": \"%3$s\", \"pointer\": \"/progress\", \"unit\": \"PERCENT_DONE\"},"
                + "{\"topicFilter\": \"%3$s\", \"pointer\": \"/chamber\", \"unit\": \"CHAMBER_CELSIUS\"},"
                + "{\"topicFilter\": \"%3$s\", \"pointer\": \"/bed\", \"unit\": \"BED_CELSIUS\"},"
                + "{\"topicFilter\": \"%3$s\", \"pointer\": \"/filament\", \"unit\": \"FILAMENT_THERE\"}]}")
            .formatted(name, placeId, topic));
  }

  /** A real client of the real broker in the place of a printer. */
  @Test
  void aPrinterTellsItsProgressItself() {
    String topic = "hall/" + made + "/press";
    Api.Answer first = mapped("press device " + made, printer, topic);
    assertThat(first.status()).as(first.raw().body()).isEqualTo(201);
    long other = place("Rival press " + made, "PRINTER_HOLDER", room);
    Api.Answer claimed = mapped("rival device " + made, other, topic);
    assertThat(claimed.status()).isEqualTo(422);
    assertThat(claimed.raw().body()).contains("topicFilter").contains("press device " + made);

    String code = spool("PLA");
    long job = job(code);
    setUp(job, "");
    long id = started(job).get("id").asLong();
    Mqtt3BlockingClient device = brokerClient();
    publish(device, topic, "{\"progress\": 42.5, \"chamber\": 41, \"bed\": 99.5, \"filament\": 1}");
    await(() -> progress(id) == 42.5);
    JsonNode run = api.get("/api/prints/" + id).body();
    assertThat(run.get("chamberC").asDouble()).isEqualTo(41);
    assertThat(run.get("bedC").asDouble()).isEqualTo(99.5);
    assertThat(run.get("runOut").asBoolean()).isFalse();
    assertThat(api.post("/api/prints/" + id + "/progress", "{\"percent\": 20}").status())
        .isEqualTo(422);
    // Its bed is not the air that the spool hangs in.
    assertThat(shelfTemperatureOf(printer)).isLessThan(40);

    publish(device, topic, "{\"progress\": 60, \"chamber\": 43, \"bed\": 100, \"filament\": 0}");
    await(() -> api.get("/api/prints/" + id).body().get("runOut").asBoolean());
    publish(device, topic, "{\"progress\": 460, \"chamber\": \"warm\"}");
    assertThat(api.delete("/api/places/" + printer).status()).isEqualTo(422);
    JsonNode ended =
        api.post("/api/prints/" + id + "/finish", "{\"outcome\": \"CANCELLED\"}").body();
    assertThat(ended.get("chamberMeanC").asDouble()).isBetween(41.0, 43.0);
    assertThat(ended.get("usedG").asDouble())
        .isCloseTo(0.6 * ended.get("grams").asDouble(), within(0.2));
    device.disconnect();

    assertThat(airAroundTheNextPart())
        .as("seconds warm no chamber")
        .doesNotContain("earlier print");
    jdbc.update("update print_run set started_s = ended_s - 7200 where id = ?", id);
    assertThat(airAroundTheNextPart()).contains("in 1 earlier print (");
  }

  private String airAroundTheNextPart() {
    JsonNode view = setUp(job(spool("PLA")), "");
    for (JsonNode line : view.at("/sheet/settings")) {
      if (line.get("id").asString().equals("chamber")) {
        return line.get("reason").asString();
      }
    }
    throw new AssertionError("no air around the part");
  }

  private double progress(long run) {
    return api.get("/api/prints/" + run).body().get("progressPercent").asDouble();
  }

  private double shelfTemperatureOf(long placeId) {
    for (JsonNode each : api.get("/api/shelf").body().get("places")) {
      if (each.at("/place/id").asLong() == placeId) {
        return each.get("temperatureC").asDouble();
      }
    }
    throw new AssertionError("no place " + placeId);
  }

  private static void publish(Mqtt3BlockingClient device, String topic, String message) {
    device
        .publishWith()
        .topic(topic)
        .payload(message.getBytes(StandardCharsets.UTF_8))
        .qos(MqttQos.AT_LEAST_ONCE)
        .send();
  }

  /** From what a part must do, by what the workshop has; nothing is left out. */
  @Test
  void aMaterialIsChosenByItsPurpose() {
    spool("ASA");
    JsonNode sun = api.get("/api/material-choice?needs=SUN,FOOD").body();
    assertThat(sun.get("caution").asString()).contains("germs");
    assertThat(sun.get("ranked").size()).isEqualTo(api.get("/api/materials").body().size());
    List<String> order = new ArrayList<>();
    JsonNode fibre = null;
    for (JsonNode each : sun.get("ranked")) {
      order.add(each.get("material").asString());
      fibre = each.get("material").asString().equals("PA-CF") ? each : fibre;
    }
    assertThat(order.indexOf("ASA")).isLessThan(order.indexOf("PLA"));
    assertThat(fibre).isNotNull();
    assertThat(fibre.get("needed").toString())
        .contains("a hardened nozzle")
        .contains("A spool of it");
    assertThat(api.get("/api/material-choice?needs=FLYING").status()).isBetween(400, 422);
  }

  /** What a form lets through is answered by a sheet that says what is wrong, never by an error. */
  @Test
  void aColdNozzleAndAFastPrintAreSaidOnTheSheet() {
    String code = spool("PLA");
    long job = job(code);
    setUp(job, "");
    for (String choice :
        List.of(
            "\"nozzleTemperatureC\": 100",
            "\"nozzleTemperatureC\": 150",
            "\"speedMmPerS\": 2000",
            "\"layerTimeS\": 36000",
            "\"chamberTemperatureC\": 180")) {
      Api.Answer answer =
          api.post("/api/jobs/" + job + "/sheet/preview", "{\"choices\": {%s}}".formatted(choice));
      assertThat(answer.status()).as(choice + answer.raw().body()).isEqualTo(200);
      assertThat(answer.raw().body()).as(choice).doesNotContain("NaN").doesNotContain("Infinity");
      assertThat(answer.body().at("/sheet/hours").asDouble()).as(choice).isPositive();
    }
  }

  /** Each material beside it is held against machine, bed and the main one (common practice). */
  @Test
  void otherMaterialsOfThePartAreHeldAgainstIt() {
    String code = spool("PLA");
    long job = job(code);
    JsonNode view = setUp(job, ", \"choices\": {\"together\": [\"PETG\", \"PA-CF\"]}");
    assertThat(view.at("/choices/together").size()).isEqualTo(2);
    assertThat(gate(view, "joint-PETG").get("met").asBoolean()).isFalse();
    assertThat(gate(view, "joint-PETG").get("hard").asBoolean()).isFalse();
    assertThat(gate(view, "bed-PETG").get("remedy").asString()).contains("suits both");
    assertThat(gate(view, "hardened-PA-CF").get("met").asBoolean()).isFalse();
    assertThat(gate(view, "fumes-PA-CF").get("met").asBoolean()).isFalse();
    assertThat(view.at("/sheet/benchSteps").toString()).contains("At each change from PLA to PETG");
    assertThat(api.get("/api/jobs/" + job + "/sheet").body().at("/choices/together").size())
        .isEqualTo(2);

    Api.Answer unknown =
        api.post(
            "/api/jobs/" + job + "/sheet/preview", "{\"choices\": {\"together\": [\"cheese\"]}}");
    assertThat(unknown.status()).isEqualTo(422);
    Api.Answer many =
        api.post(
            "/api/jobs/" + job + "/sheet/preview",
            "{\"choices\": {\"together\": [\"ABS\", \"ASA\", \"HIPS\", \"PC\", \"PP\", \"PVA\","
                + " \"PETG\", \"PA6\"]}}");
    assertThat(many.status()).isEqualTo(422);
    assertThat(many.field()).isEqualTo("together");
  }

  /**
   * A spool with too little: when it runs out, which one goes on, and that the plan keeps to it.
   */
  @Test
  void aSpoolThatRunsOutNamesTheNextAndThePlanKeepsToTheSheet() {
    String little = spool("ASA", 30);
    String other = spool("ASA", 900);
    long job =
        created(
            "/api/jobs", "{\"name\": \"box\", \"material\": \"ASA\", \"grams\": 50, \"hours\": 3}");
    JsonNode view =
        setUp(
            job,
            ", \"code\": \"%s\", \"part\": {\"lengthMm\": 100, \"widthMm\": 60, \"heightMm\": 40}"
                .formatted(little));
    assertThat(view.at("/next/code").asString()).isEqualTo(other);
    assertThat(view.at("/next/sameColour").asBoolean()).isTrue();
    JsonNode runout = null;
    for (JsonNode visit : view.get("visits")) {
      runout = visit.get("why").asString().equals("RUNOUT") ? visit : runout;
    }
    assertThat(runout).isNotNull();
    long start = view.at("/visits/0/fromS").asLong();
    double share =
        (runout.get("fromS").asLong() - start) / (3600 * view.at("/sheet/hours").asDouble());
    assertThat(share).isBetween(0.0, 30 / view.at("/sheet/grams").asDouble() + 0.001);
    assertThat(view.at("/job/code").asString()).as("what the plan keeps to").isEqualTo(little);
    assertThat(view.at("/job/material").isNull()).isTrue();

    JsonNode enough =
        setUp(job, ", \"code\": \"%s\"".formatted(other), view.get("version").asInt());
    assertThat(enough.get("next").isNull()).isTrue();
    assertThat(enough.get("visits").toString()).doesNotContain("RUNOUT");
  }

  /** Nobody in the workshop on any day: every visit says so. */
  @Test
  void visitsSayWhetherSomebodyIsThere() {
    long job = job(spool("PLA"));
    JsonNode week = api.get("/api/attendance").body();
    try {
      String nights =
          "{\"version\": %d, \"windows\": [{\"weekday\": %d, \"fromMin\": 0, \"toMin\": 1}]}";
      int elsewhere = java.time.LocalDate.now().plusDays(3).getDayOfWeek().getValue();
      api.put("/api/attendance", nights.formatted(week.get("version").asInt(), elsewhere));
      for (JsonNode visit : setUp(job, "").get("visits")) {
        assertThat(visit.get("present").asBoolean()).isFalse();
      }
    } finally {
      int version = api.get("/api/attendance").body().get("version").asInt();
      api.put(
          "/api/attendance",
          "{\"version\": %d, \"windows\": %s}".formatted(version, week.get("windows")));
    }
  }

  /** What lies on today's sheet of a running print, and that it is not merely ticked off. */
  @Test
  void todayAsksHowAPrintEnded() {
    String code = spool("PLA");
    long job = job(code);
    setUp(job, "");
    long id = started(job).get("id").asLong();
    JsonNode line = null;
    for (JsonNode each : api.get("/api/today?hours=48").body().get("lines")) {
      line = each.get("key").asString().equals("print-end-" + id) ? each : line;
    }
    assertThat(line).isNotNull();
    assertThat(line.at("/deed/kind").asString()).isEqualTo("FINISH_PRINT");
    assertThat(line.get("link").asString()).isEqualTo("/print/runs/" + id);
  }

  /** A weighing after the print goes before what was computed. */
  @Test
  void aWeighedSpoolIsBelieved() {
    String code = spool("PLA");
    long job = job(code);
    setUp(job, "");
    long id = started(job).get("id").asLong();
    Api.Answer heavy =
        api.post("/api/prints/" + id + "/finish", "{\"outcome\": \"GOOD\", \"grossMassG\": 100}");
    assertThat(heavy.status()).as("less than the empty reel").isEqualTo(422);
    assertThat(api.get("/api/prints/" + id).body().get("endedS").isNull())
        .as("nothing is half stored")
        .isTrue();
    Api.Answer weighed =
        api.post("/api/prints/" + id + "/finish", "{\"outcome\": \"GOOD\", \"grossMassG\": 1150}");
    assertThat(weighed.status()).as(weighed.raw().body()).isEqualTo(200);
    assertThat(weighed.body().get("usedBy").asString()).isEqualTo("WEIGHED");
    assertThat(api.get("/api/spools/" + code).body().at("/spool/remainingG/typical").asDouble())
        .isCloseTo(932, within(1e-6));
  }

  @Test
  void printsTeachThePlateAndCanBeForgotten() {
    List<Long> runs = new ArrayList<>();
    for (int i = 0; i < 3; i++) {
      String code = spool("PETG");
      long job = job(code);
      setUp(job, "");
      Api.Answer begun =
          api.post(
              "/api/prints",
              ("{\"jobId\": %d, \"overrides\": [{\"gate\": \"danger\", \"reason\": \"old plate\"}]}")
                  .formatted(job));
      assertThat(begun.status()).as(begun.raw().body()).isEqualTo(201);
      long id = begun.body().get("id").asLong();
      runs.add(id);
      api.post(
          "/api/prints/" + id + "/finish", "{\"outcome\": \"FLAWED\", \"signs\": [\"corner-up\"]}");
    }
    JsonNode learned = api.get("/api/plates/" + plate + "/learning").body();
    assertThat(learned.at("/after/prints").asInt()).isEqualTo(3);
    assertThat(learned.at("/after/grip/median").asDouble()).isLessThan(0.6);
    assertThat(learned.at("/before/grip/median").asDouble()).isCloseTo(1, within(1e-6));
    api.put(
        "/api/prints/" + runs.get(0) + "/outcome", "{\"outcome\": \"GOOD\", \"ending\": \"HELD\"}");
    assertThat(
            api.get("/api/plates/" + plate + "/learning")
                .body()
                .at("/after/grip/median")
                .asDouble())
        .isGreaterThan(learned.at("/after/grip/median").asDouble());
    api.post("/api/plates/" + plate + "/learning/reset", "");
    assertThat(api.get("/api/plates/" + plate + "/learning").body().at("/after/prints").asInt())
        .isZero();
  }

  @Test
  void whatIsLearnedChangesTheVerdictButNotTheRecord() {
    String code = spool("ABS");
    long job = job(code);
    JsonNode untaught = setUp(job, "");
    String start =
        "{\"jobId\": %d, \"overrides\": [{\"gate\": \"fumes\", \"reason\": \"window open\"}]}"
            .formatted(job);
    long id = api.post("/api/prints", start).body().get("id").asLong();
    api.post(
        "/api/prints/" + id + "/finish",
        "{\"outcome\": \"FAILED\", \"ending\": \"CORNER_LIFTED\"}");
    JsonNode taught = api.get("/api/jobs/" + job + "/sheet").body();
    assertThat(taught.at("/sheet/hold/adhesionRatio").asDouble())
        .isGreaterThan(1.2 * untaught.at("/sheet/hold/adhesionRatio").asDouble());
    long second = api.post("/api/prints", start).body().get("id").asLong();
    // The print tells what its sheet told; the plate learns from what the table alone foretold.
    JsonNode hold = taught.at("/sheet/hold");
    assertThat(api.get("/api/prints/" + second).body().get("adhesionRatio").asDouble())
        .isCloseTo(
            Math.max(hold.get("adhesionRatio").asDouble(), hold.get("tipRatio").asDouble()),
            within(1e-9));
    api.post("/api/prints/" + second + "/finish", "{\"outcome\": \"GOOD\", \"ending\": \"HELD\"}");
    JsonNode lessons = api.get("/api/plates/" + plate + "/learning").body().get("prints");
    assertThat(lessons.size()).isEqualTo(2);
    assertThat(lessons.get(1).get("plateRatio").asDouble())
        .isCloseTo(lessons.get(0).get("plateRatio").asDouble(), within(1e-9));
  }

  @Test
  void aJobWithoutASheetPrintsAndIsAskedHowItEnded() {
    String code = spool("PLA");
    long job = job(code);
    // The spool lies in the hall with two printers: nobody can tell on which it prints.
    place("Other press " + made, "PRINTER_HOLDER", room);
    Api.Answer nowhere =
        api.post("/api/jobs/" + job + "/start", "{\"code\": \"%s\"}".formatted(code));
    assertThat(nowhere.status()).isEqualTo(422);
    assertThat(nowhere.detail()).contains("Press " + made).contains("on which printer");
    assertThat(runningOf(job)).isEmpty();
    Api.Answer begun =
        api.post(
            "/api/jobs/" + job + "/start",
            "{\"code\": \"%s\", \"placeId\": %d}".formatted(code, printer));
    assertThat(begun.status()).as(begun.raw().body()).isBetween(200, 299);
    // What was done, as people would tell it: no field of a table, no time in seconds.
    assertThat(api.get("/api/acts/" + begun.act()).raw().body())
        .contains("\"started\"")
        .doesNotContain("none", "→", "T00", "Z\"");
    JsonNode run = runningOf(job).orElseThrow();
    assertThat(run.get("adhesionRatio").isNull()).isTrue();
    assertThat(api.get("/api/today").status()).isEqualTo(200);
    long id = run.get("id").asLong();
    double before = leftG(code);
    posted(
        "/api/prints/" + id + "/finish",
        "{\"outcome\": \"GOOD\", \"ending\": \"CORNER_LIFTED\", \"usedG\": 47}");
    assertThat(before - leftG(code)).isCloseTo(47, within(0.01));
    assertThat(api.get("/api/plates/" + plate + "/learning").body().get("prints").size()).isZero();
    // It is no pattern for other sheets either.
    JsonNode other = setUp(job(spool("PLA")), "");
    assertThat(other.at("/lastGood/runId").asLong(-1)).isNotEqualTo(id);
  }

  private Optional<JsonNode> runningOf(long job) {
    for (JsonNode run : api.get("/api/prints").body().get("running")) {
      if (run.get("jobId").asLong() == job) {
        return Optional.of(run);
      }
    }
    return Optional.empty();
  }

  private double leftG(String code) {
    return api.get("/api/spools/" + code).body().at("/spool/remainingG/typical").asDouble();
  }

  @Test
  void aJobStartedElsewherePrintsToo() {
    String code = spool("PLA");
    long job = job(code);
    setUp(job, "");
    Api.Answer begun =
        api.post(
            "/api/jobs/" + job + "/start",
            "{\"code\": \"%s\", \"placeId\": %d}".formatted(code, printer));
    assertThat(begun.status()).as(begun.raw().body()).isEqualTo(200);
    assertThat(runningOf(job)).isPresent();
    api.post("/api/jobs/" + job + "/done", "");
    JsonNode sheet = api.get("/api/jobs/" + job + "/sheet").body();
    assertThat(sheet.get("runId").isNull()).isTrue();
  }

  @Test
  void previewStoresNothingAndLeversAnswer() {
    String code = spool("PLA");
    long job = job(code);
    JsonNode stored = setUp(job, "");
    JsonNode preview =
        api.post("/api/jobs/" + job + "/sheet/preview", "{\"choices\": {\"bedTemperatureC\": 30}}")
            .body();
    assertThat(preview.at("/sheet/hold/adhesionRatio").asDouble())
        .isGreaterThan(stored.at("/sheet/hold/adhesionRatio").asDouble());
    assertThat(preview.at("/sheet/hold/remedies").size()).isPositive();
    assertThat(api.get("/api/jobs/" + job + "/sheet").body().get("sheet"))
        .isEqualTo(stored.get("sheet"));
    Api.Answer bad =
        api.post("/api/jobs/" + job + "/sheet/preview", "{\"choices\": {\"brimMm\": -1}}");
    assertThat(bad.status()).isEqualTo(422);
    assertThat(bad.raw().body()).contains("brimMm");
  }

  /** What a remedy promises is what its settings give, chamber, fan and all. */
  @Test
  void aTakenRemedyGivesWhatItPromised() {
    int taken = 0;
    for (String material : List.of("ABS", "PETG", "PLA")) {
      long job = job(spool(material));
      setUp(job, "");
      for (String part :
          List.of(
              "\"lengthMm\": 190, \"widthMm\": 70, \"heightMm\": 30",
              "\"lengthMm\": 12, \"widthMm\": 8, \"heightMm\": 120")) {
        String path = "/api/jobs/" + job + "/sheet/preview";
        String box =
            "{\"part\": {%s, \"walls\": 3, \"lineWidthMm\": 0.45, \"infillPercent\": 20, %s}, %s}";
        String now = "\"layerHeightMm\": 0.2, \"cornerAngleDeg\": 90";
        JsonNode hold =
            api.post(path, box.formatted(part, now, "\"choices\": {}")).body().at("/sheet/hold");
        for (JsonNode remedy : hold.get("remedies")) {
          JsonNode change = remedy.get("change");
          if (change.get("washed").asBoolean()
              || !change.get("interfaceLayer").isNull()
              || !change.get("plateKind").isNull()) {
            continue;
          }
          List<String> choices = new ArrayList<>();
          for (String choice :
              List.of(
                  "bedTemperatureC",
                  "chamberTemperatureC",
                  "draft",
                  "fanPercent",
                  "squish",
                  "brimMm",
                  "raftMarginMm")) {
            if (!change.get(choice).isNull()) {
              choices.add("\"%s\": %s".formatted(choice, change.get(choice)));
            }
          }
          if (!change.get("padDiameterMm").isNull()) {
            choices.add(
                "\"pads\": {\"diameterMm\": %s, \"layers\": %s}"
                    .formatted(change.get("padDiameterMm"), change.get("padLayers")));
          }
          String laid =
              change.get("heightMm").isNull()
                  ? part
                  : "\"lengthMm\": %s, \"widthMm\": %s, \"heightMm\": %s"
                      .formatted(
                          change.get("lengthMm"), change.get("widthMm"), change.get("heightMm"));
          String round =
              change.get("cornerRadiusMm").isNull()
                  ? now
                  : now + ", \"cornerRadiusMm\": " + change.get("cornerRadiusMm");
          JsonNode then =
              api.post(
                      path,
                      box.formatted(
                          laid, round, "\"choices\": {%s}".formatted(String.join(", ", choices))))
                  .body()
                  .at("/sheet/hold");
          for (String ratio : List.of("adhesionRatio", "plateRatio", "tipRatio")) {
            assertThat(then.get(ratio).asDouble())
                .as("%s of %s: %s", ratio, material, remedy.get("words"))
                .isCloseTo(remedy.get(ratio).asDouble(), within(1e-3));
          }
          taken++;
        }
      }
    }
    assertThat(taken).isGreaterThan(30);
  }

  @Test
  void theCardSaysWhatIsSet() throws Exception {
    String code = spool("PLA");
    long job = job(code);
    setUp(job, ", \"choices\": {\"brimMm\": 4}");
    byte[] card = api.bytes("/api/jobs/" + job + "/card.pdf");
    try (PDDocument document = Loader.loadPDF(card)) {
      String text = new PDFTextStripper().getText(document);
      assertThat(text).contains("job " + made).contains(code).contains("Brim").contains("4 mm");
      // ISO 216: A5 is 148 by 210 mm.
      assertThat(document.getPage(0).getMediaBox().getWidth() / 72 * 25.4f)
          .isCloseTo(148, within(0.5f));
    }
    String csv = new String(api.bytes("/api/jobs/" + job + "/card.csv"), StandardCharsets.UTF_8);
    assertThat(csv).startsWith("setting,value").contains("Nozzle,210 °C");
  }

  @Test
  void platesAndPrintersAreDescribedAndCorrected() {
    Api.Answer measured =
        api.post(
            "/api/plates/" + plate + "/hold-measurements", "{\"pullN\": 20, \"areaMm2\": 4000}");
    assertThat(measured.body().get("holdPressureKPa").asDouble()).isCloseTo(5, within(1e-6));
    assertThat(measured.body().get("usualHold").asBoolean()).isFalse();
    Api.Answer zero =
        api.post(
            "/api/plates/" + plate + "/hold-measurements", "{\"pullN\": 0, \"areaMm2\": 4000}");
    assertThat(zero.status()).isEqualTo(422);
    assertThat(zero.raw().body()).contains("pullN");
    Api.Answer nothing =
        api.post(
            "/api/plates",
            "{\"name\": \"air\", \"kind\": \"glass_4\", \"surface\": \"glass\", \"massKg\": 0}");
    assertThat(nothing.status()).isEqualTo(422);
    assertThat(nothing.raw().body()).contains("massKg");
    Api.Answer unknown =
        api.post("/api/plates", "{\"name\": \"x\", \"kind\": \"paper\", \"surface\": \"glass\"}");
    assertThat(unknown.raw().body()).contains("plate.kind").contains("spring_steel_05");

    Api.Answer hot =
        api.put(
            "/api/printers/" + printer,
            "{\"version\": 0, \"machine\": {\"bedMaxC\": 500}, \"lastMaterial\": \"PLA\"}");
    assertThat(hot.status()).isEqualTo(422);
    assertThat(hot.raw().body()).contains("bedMaxC");
    Api.Answer described =
        api.put(
            "/api/printers/" + printer,
            "{\"version\": 0, \"machine\": {\"hotEnd\": \"LINED\", \"chamber\": \"ENCLOSED\"}}");
    assertThat(described.status()).as(described.raw().body()).isEqualTo(200);
    assertThat(described.body().get("nozzleMaxC").asDouble()).isEqualTo(245);
    Api.Answer stale =
        api.put(
            "/api/printers/" + printer,
            "{\"version\": 7, \"machine\": {\"hotEnd\": \"ALL_METAL\"}}");
    assertThat(stale.status()).isEqualTo(409);
    assertThat(api.get("/api/printers/" + room).status()).isEqualTo(422);
  }

  @Test
  void anInterfaceLayerIsSpreadAndWorn() {
    Api.Answer spread =
        api.post("/api/plates/" + plate + "/coats", "{\"interfaceLayer\": \"eng_water\"}");
    assertThat(spread.body().get("coatPrintsLeft").asInt()).isBetween(30, 50);
    String code = spool("PLA");
    long job = job(code);
    setUp(job, "");
    long id = started(job).get("id").asLong();
    api.post("/api/prints/" + id + "/finish", "{\"outcome\": \"GOOD\"}");
    assertThat(plate().get("coatPrintsLeft").asInt())
        .isEqualTo(spread.body().get("coatPrintsLeft").asInt() - 1);
    assertThat(
            api.post("/api/plates/" + plate + "/coats", "{\"interfaceLayer\": \"jam\"}").status())
        .isEqualTo(422);
  }

  private boolean isFree(JsonNode way) {
    for (JsonNode run : api.get("/api/prints").body().get("running")) {
      if (run.get("printerId").asLong() == way.get("printerId").asLong()) {
        return false;
      }
    }
    return true;
  }

  /** A plate that was removed is chosen anew; the sheet does not end in an error. */
  @Test
  void whatWasRemovedIsChosenAnew() {
    String code = spool("PLA");
    long job = job(code);
    setUp(job, "");
    assertThat(api.delete("/api/plates/" + plate).status()).isEqualTo(204);
    JsonNode sheet = api.get("/api/jobs/" + job + "/sheet").body();
    assertThat(sheet.get("plateId").isNull()).isTrue();
    assertThat(sheet.get("sheet").isNull()).isTrue();
    assertThat(sheet.at("/part/lengthMm").asDouble()).isEqualTo(60);
    Api.Answer start = api.post("/api/prints", "{\"jobId\": %d}".formatted(job));
    assertThat(start.status()).isEqualTo(422);
    assertThat(start.raw().body()).contains("plateId");
    assertThat(api.get("/api/plates/" + plate + "/learning").status()).isEqualTo(404);
  }

  @Test
  void waysAreRankedWithReasons() {
    String code = spool("PLA");
    long job = job(code);
    setUp(job, "");
    JsonNode ways = api.get("/api/jobs/" + job + "/ways").body();
    assertThat(ways.size()).isGreaterThanOrEqualTo(2);
    int before = 0;
    for (JsonNode way : ways) {
      assertThat(way.get("hardUnmet").asInt()).isGreaterThanOrEqualTo(before);
      before = way.get("hardUnmet").asInt();
      assertThat(way.get("why").asString()).isNotBlank();
    }
    started(job);
    for (JsonNode way : api.get("/api/jobs/" + job + "/ways").body()) {
      assertThat(way.get("free").asBoolean())
          .isEqualTo(way.get("printerId").asLong() != printer && isFree(way));
    }
  }

  @Test
  void aJobWithoutMaterialDataOrPlaceIsRefusedPlainly() {
    assertThat(api.get("/api/jobs/999999/sheet").status()).isEqualTo(404);
    String code = spool("PLA");
    long job = job(code);
    Api.Answer unset = api.post("/api/prints", "{\"jobId\": %d}".formatted(job));
    assertThat(unset.status()).isEqualTo(422);
    assertThat(unset.raw().body()).contains("setup sheet");
    Api.Answer card = api.get("/api/jobs/" + job + "/card.csv");
    assertThat(card.status()).isEqualTo(422);
    Api.Answer sign =
        api.post("/api/prints/999999/finish", "{\"outcome\": \"GOOD\", \"signs\": [\"ghosts\"]}");
    assertThat(sign.status()).isEqualTo(404);
  }

  private long placeOf(String code) {
    return api.get("/api/spools/" + code).body().at("/spool/placeId").asLong();
  }

  /** A runout by hand: each spool gives what it gave, one print, one count of the machine. */
  @Test
  void aPrintGoesOnWithASecondSpoolAndEachGivesItsPart() {
    // A holder that has room for one, as most do.
    int version = api.get("/api/places/" + printer).body().at("/place/version").asInt();
    Api.Answer one =
        api.put(
            "/api/places/" + printer,
            "{\"name\": \"Press %d\", \"kind\": \"PRINTER_HOLDER\", \"withinId\": %d, \"capacity\": 1, \"version\": %d}"
                .formatted(made, room, version));
    assertThat(one.status()).as(one.raw().body()).isEqualTo(200);
    String first = spool("PLA", 20);
    String second = spool("PLA", 1000);
    long job = job(first);
    setUp(job, ", \"grams\": 50, \"hours\": 3");
    long id = startedAllTheSame(job).get("id").asLong();
    String path = "/api/prints/" + id + "/next-spool";
    assertThat(api.post(path, "{\"code\": \"%s\", \"usedUp\": true}".formatted(first)).field())
        .isEqualTo("code");
    assertThat(
            api.post(path, "{\"code\": \"%s\", \"usedUp\": true}".formatted(spool("PETG")))
                .detail())
        .contains("another spool of PLA");
    assertThat(api.post(path, "{\"code\": \"%s\"}".formatted(second)).field()).isEqualTo("usedUp");
    double before = leftG(second);
    Api.Answer on = api.post(path, "{\"code\": \"%s\", \"usedUp\": true}".formatted(second));
    assertThat(on.status()).as(on.raw().body()).isEqualTo(200);
    assertThat(on.body().get("code").asString()).isEqualTo(second);
    assertThat(on.body().at("/earlierCodes/0").asString()).isEqualTo(first);
    assertThat(placeOf(second)).isEqualTo(printer);
    assertThat(placeOf(first)).isEqualTo(room);
    assertThat(leftG(first)).as("it has run out").isCloseTo(0, within(0.11));
    assertThat(api.get("/api/acts/" + on.act()).raw().body()).contains("goes on with " + second);
    // The first is free for another print, the second is not.
    assertThat(api.undo(on.act()).status()).isEqualTo(200);
    assertThat(leftG(first)).isCloseTo(20, within(0.11));
    on = api.post(path, "{\"code\": \"%s\", \"usedUp\": true}".formatted(second));
    assertThat(on.status()).as(on.raw().body()).isEqualTo(200);
    JsonNode ended =
        posted("/api/prints/" + id + "/finish", "{\"outcome\": \"GOOD\", \"ending\": \"HELD\"}");
    assertThat(ended.get("usedG").asDouble()).isCloseTo(50, within(0.1));
    assertThat(before - leftG(second)).as("what the first did not give").isCloseTo(30, within(0.2));
  }

  /** A reel that was changed with some left is hooked in, put back and good for another print. */
  @Test
  void aReelThatWasChangedKeepsWhatIsLeft() {
    String first = spool("PLA", 500);
    String second = spool("PLA", 1000);
    long job = job(first);
    setUp(job, ", \"grams\": 50, \"hours\": 3");
    long id = startedAllTheSame(job).get("id").asLong();
    double before = leftG(first);
    posted(
        "/api/prints/" + id + "/next-spool",
        "{\"code\": \"%s\", \"usedUp\": false, \"percent\": 40}".formatted(second));
    assertThat(before - leftG(first)).as("40 %% of 50 g").isCloseTo(20, within(0.11));
    assertThat(placeOf(second)).isEqualTo(printer);
    double whole = leftG(second);
    posted("/api/prints/" + id + "/finish", "{\"outcome\": \"GOOD\", \"ending\": \"HELD\"}");
    assertThat(whole - leftG(second)).isCloseTo(30, within(0.11));
    long again = job(first);
    setUp(again, ", \"grams\": 10, \"hours\": 1");
    assertThat(startedAllTheSame(again).get("code").asString()).isEqualTo(first);
  }

  /**
   * A reel may run out before its record says so: nothing is left, and the print tells its part.
   */
  @Test
  void aReelThatRunsOutEarlierThanItsRecordIsEmptyAllTheSame() {
    String first = spool("PLA", 500);
    String second = spool("PLA", 1000);
    long job = job(first);
    setUp(job, ", \"grams\": 50, \"hours\": 3");
    long id = startedAllTheSame(job).get("id").asLong();
    posted(
        "/api/prints/" + id + "/next-spool",
        "{\"code\": \"%s\", \"usedUp\": true, \"percent\": 40}".formatted(second));
    assertThat(leftG(first)).isCloseTo(0, within(0.11));
    double whole = leftG(second);
    JsonNode ended =
        posted("/api/prints/" + id + "/finish", "{\"outcome\": \"GOOD\", \"ending\": \"HELD\"}");
    assertThat(whole - leftG(second)).isCloseTo(30, within(0.11));
    assertThat(ended.get("usedG").asDouble()).isCloseTo(50, within(0.11));
  }
}
