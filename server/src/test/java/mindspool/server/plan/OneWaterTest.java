package mindspool.server.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import mindspool.server.support.Api.Answer;
import mindspool.server.support.PrintingTest;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Plan and setup sheet give one answer for the water of one job. */
class OneWaterTest extends PrintingTest {

  private static final Instant NOW = Instant.now().truncatedTo(ChronoUnit.SECONDS);

  private long box;
  private String code;

  private long jobOf(double grams, double hours, double inDays) {
    String start =
        inDays < 0
            ? ""
            : ", \"startAt\": \"%s\"".formatted(NOW.plusSeconds(Math.round(86_400 * inDays)));
    return created(
        "/api/jobs",
        "{\"name\": \"%.0f g for %.0f h in %.1f d\", \"code\": \"%s\", \"grams\": %s, \"hours\": %s%s}"
            .formatted(grams, hours, inDays, code, grams, hours, start));
  }

  /** A job with a spool of its own that lies in the dry box until then. */
  private long setUpFrom(Long feed, double hours, double inDays) {
    code = spool("PETG");
    api.post("/api/spools/" + code + "/moves", "{\"placeId\": %d}".formatted(box));
    long job = jobOf(30, hours, inDays);
    setUp(job, ", \"feedId\": %s, \"grams\": 30, \"hours\": %s".formatted(feed, hours));
    return job;
  }

  private JsonNode planned() {
    posted("/api/plan/runs", "{\"seconds\": 2}");
    await(() -> !api.get("/api/plan").body().get("seeking").asBoolean());
    JsonNode plan = api.get("/api/plan").body();
    assertThat(plan.get("problem").isNull()).as(plan.toString()).isTrue();
    return plan.at("/plan/jobs");
  }

  /** PETG fresh from its bag: soon too wet in the open at the printer, never out of a dry box. */
  @Test
  void planAndSheetAgreeWhetherASpoolPrintsAsItIs() {
    box = place("Reed box", "DRY_BOX", room);
    api.change("/api/places/" + box + "/container", "{\"kind\": \"DRY_BOX\"}");
    api.post(
        "/api/places/" + room + "/typed-climates",
        "{\"temperatureC\": 28, \"relativeHumidityPercent\": 75}");
    List<Long> jobs = new ArrayList<>();
    for (double inDays : new double[] {-1, 4}) {
      for (double hours : new double[] {2, 90}) {
        jobs.add(setUpFrom(null, hours, inDays));
        jobs.add(setUpFrom(box, hours, inDays));
      }
    }
    int ready = 0;
    int tooWet = 0;
    for (JsonNode placed : planned()) {
      if (!jobs.contains(placed.get("jobId").asLong())) {
        continue;
      }
      JsonNode sheet = api.get("/api/jobs/" + placed.get("jobId").asLong() + "/sheet").body();
      boolean dry = gate(sheet, "moisture").get("met").asBoolean();
      boolean asItIs = placed.get("dryerId").isNull() && placed.get("served").asBoolean();
      assertThat(asItIs).as(placed + " against " + gate(sheet, "moisture")).isEqualTo(dry);
      ready += dry ? 1 : 0;
      tooWet += dry ? 0 : 1;
    }
    assertThat(ready).as("ready").isPositive();
    assertThat(tooWet).as("too wet").isPositive();
    assertThat(ready + tooWet).isEqualTo(jobs.size());
  }

  @Test
  void whatASheetDecidesThePlanShowsAndDoesNotForget() {
    box = place("Rush box", "DRY_BOX", room);
    code = spool("PETG");
    long job = jobOf(60, 3, 1);
    JsonNode before = jobIn(job);
    assertThat(before.get("hangsIn").isNull()).isTrue();
    assertThat(before.get("inDryBox").asBoolean()).isFalse();

    setUp(job, ", \"feedId\": %d, \"grams\": 60, \"hours\": 3".formatted(box));
    JsonNode after = jobIn(job);
    assertThat(after.get("hangsIn").asString()).isEqualTo("Rush box");
    assertThat(after.get("inDryBox").asBoolean()).isTrue();
    assertThat(after.get("byFile").asBoolean()).isFalse();
  }

  /** What Today offers can be done as it is offered: a spool on a shelf is put on its printer. */
  @Test
  void todaysStartSaysOnWhichPrinterASpoolFromTheShelfPrints() {
    box = place("Fen box", "DRY_BOX", room);
    code = spool("PLA");
    long boxed = jobOf(20, 1, 0.2);
    setUp(boxed, ", \"feedId\": %d, \"grams\": 20, \"hours\": 1".formatted(box));
    planned();
    assertThat(startOf(boxed).get("placeId").isNull()).as("it prints out of its box").isTrue();

    code = spool("PLA");
    long job = jobOf(20, 1, 0.2);
    setUp(job, ", \"grams\": 20, \"hours\": 1");
    planned();
    JsonNode deed = startOf(job);
    assertThat(deed.get("placeId").asLong()).isEqualTo(printer);
    Answer started =
        api.post(
            "/api/jobs/" + job + "/start",
            "{\"code\": %s, \"placeId\": %s}".formatted(deed.at("/codes/0"), deed.get("placeId")));
    assertThat(started.status()).as(started.raw().body()).isEqualTo(200);
  }

  /** Neither a job for some time nor one at its hour can start where another print is on. */
  @Test
  void todayOffersNoStartOnAPrinterThatPrints() {
    code = spool("PLA");
    long some =
        created(
            "/api/jobs",
            "{\"name\": \"waits\", \"code\": \"%s\", \"grams\": 20, \"hours\": 1}".formatted(code));
    setUp(some, ", \"grams\": 20, \"hours\": 1");
    code = spool("PLA");
    long fixed = jobOf(20, 1, 0.4);
    setUp(fixed, ", \"grams\": 20, \"hours\": 1");
    code = spool("PLA");
    long goes = jobOf(20, 1, 0.2);
    setUp(goes, ", \"grams\": 20, \"hours\": 1");
    planned();
    for (long job : List.of(some, fixed, goes)) {
      assertThat(startOf(job).isNull()).as("job %d on a free printer", job).isFalse();
      assertThat(line(job).get("after").isNull()).isTrue();
    }
    long run = started(goes).get("id").asLong();
    planned();
    for (long job : List.of(some, fixed)) {
      assertThat(startOf(job).isNull()).as("job %d while another prints", job).isTrue();
      assertThat(line(job).get("after").asString()).isEqualTo("once its printer is free");
    }
    api.post("/api/prints/" + run + "/finish", "{\"outcome\": \"GOOD\"}");
    planned();
    assertThat(startOf(fixed).get("placeId").asLong()).isEqualTo(printer);
  }

  private JsonNode startOf(long job) {
    return line(job).get("deed");
  }

  private JsonNode line(long job) {
    for (JsonNode line : api.get("/api/today").body().get("lines")) {
      if (line.get("key").asString().equals("job-" + job + "-start")) {
        return line;
      }
    }
    throw new AssertionError("no start of job " + job);
  }

  @Test
  void aJobOutOfADryBoxIsSetUpSoByDefault() {
    box = place("Sedge box", "DRY_BOX", room);
    code = spool("PETG");
    long job =
        created(
            "/api/jobs",
            "{\"name\": \"boxed\", \"code\": \"%s\", \"grams\": 50, \"hours\": 3, \"inDryBox\": true}"
                .formatted(code));
    JsonNode sheet = api.get("/api/jobs/" + job + "/sheet").body();
    assertThat(sheet.get("hangsIn").asString()).endsWith("box");
  }

  @Test
  void whatAPrintWasStartedWithIsNotChangedOnItsSheet() {
    code = spool("PLA");
    long job = jobOf(50, 3, -1);
    JsonNode sheet = setUp(job, ", \"grams\": 50, \"hours\": 3");
    started(job);
    Answer refused =
        api.put(
            "/api/jobs/" + job + "/sheet",
            "{\"grams\": 80, \"version\": %s}".formatted(sheet.get("version")));
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.raw().body()).contains("grams", "as it was started with", "when it ends");
  }

  private JsonNode jobIn(long id) {
    for (JsonNode job : api.get("/api/jobs").body()) {
      if (job.get("id").asLong() == id) {
        return job;
      }
    }
    throw new AssertionError("no job " + id);
  }
}
