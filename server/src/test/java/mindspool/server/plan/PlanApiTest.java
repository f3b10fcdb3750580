package mindspool.server.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import mindspool.server.support.Api.Answer;
import mindspool.server.support.ServerTest;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Jobs, the plan for them, and the run sheet, with the real database. */
class PlanApiTest extends ServerTest {

  private static final Instant NOW = Instant.now().truncatedTo(ChronoUnit.SECONDS);
  private static int counter;

  private long shelf;
  private long dryer;

  @BeforeEach
  void workshop() {
    counter++;
    long room = addRoom("plan room " + counter, 22, 55);
    shelf = addPlaceIn(room, "plan shelf " + counter, "OPEN_SHELF", "");
    dryer = addPlaceIn(room, "plan dryer " + counter, "DRYER", ", \"ratedMaxC\": 80");
    api.change(
        "/api/dryers/" + dryer, "{\"kind\": \"LABORATORY_OVEN\", \"ratedMaxC\": 80, \"slots\": 2}");
    api.change("/api/attendance", "{\"windows\": []}");
  }

  /** So that a test that failed does not make others fail. */
  @AfterEach
  void noJobs() {
    for (JsonNode job : api.get("/api/jobs").body()) {
      api.delete("/api/jobs/" + job.get("id").asLong());
    }
  }

  private String wetSpool() {
    return posted(
            "/api/spools",
            ("{\"material\": \"PETG\", \"colourName\": \"wet\", \"placeId\": %d, \"arrival\":"
                    + " \"OPEN\", \"reel\": \"metal\", \"arrivedAt\": \"%s\"}")
                .formatted(shelf, NOW.minus(30, ChronoUnit.DAYS)))
        .get("code")
        .asString();
  }

  private JsonNode job(String name, String of, double inHours) {
    return posted(
        "/api/jobs",
        "{\"name\": \"%s\", %s, \"grams\": 120, \"hours\": 3, \"startAt\": \"%s\"}"
            .formatted(name, of, NOW.plusSeconds(Math.round(3600 * inHours))));
  }

  private JsonNode planned() {
    posted("/api/plan/runs", "{\"seconds\": 2}");
    await(() -> !plan().get("seeking").asBoolean());
    JsonNode plan = plan();
    assertThat(plan.get("problem").isNull()).as(plan.toString()).isTrue();
    return plan;
  }

  private JsonNode plan() {
    return api.get("/api/plan").body();
  }

  private static JsonNode of(JsonNode plan, long jobId) {
    for (JsonNode job : plan.at("/plan/jobs")) {
      if (job.get("jobId").asLong() == jobId) {
        return job;
      }
    }
    throw new AssertionError("no job " + jobId + " in " + plan);
  }

  @Test
  void aWetSpoolIsPlannedDryAndTheRunSheetSaysSo() {
    String code = wetSpool();
    long id = job("lamp", "\"code\": \"%s\"".formatted(code), 60).get("id").asLong();
    JsonNode placed = of(planned(), id);
    assertThat(placed.get("served").asBoolean()).as(placed.toString()).isTrue();
    assertThat(placed.get("dryerId").isNull()).isFalse();
    assertThat(placed.get("why").asString()).contains("nine times in ten");
    JsonNode sheet = api.get("/api/today?hours=72").body();
    JsonNode load = line(sheet.get("lines"), "load-");
    assertThat(load.get("what").asString()).contains("Put " + code + " into");
    assertThat(load.get("ifSkipped").asString()).isNotBlank();
    assertThat(load.get("after").isNull()).isTrue();
    JsonNode unload = line(sheet.get("lines"), "unload-");
    assertThat(unload.get("after").asString()).isEqualTo("once they are in");
    assertThat(unload.get("why").asString())
        .containsPattern("came from plan shelf \\d+: open there it prints for|prints there for");
    assertThat(line(sheet.get("lines"), "job-" + id).get("doer").asString()).isEqualTo("PRINTER");

    String key = load.get("key").asString();
    Answer done =
        api.post(
            "/api/today/acts",
            "{\"key\": \"%s\", \"kind\": \"DONE\", \"what\": \"the line\"}".formatted(key));
    assertThat(done.status()).isEqualTo(201);
    assertThat(line(api.get("/api/today?hours=72").body().get("settled"), key)).isNotNull();
    assertThat(api.undo(done.act()).body().at("/lines/0/subject").asString()).isEqualTo("the line");
    assertThat(line(api.get("/api/today?hours=72").body().get("lines"), key)).isNotNull();
    assertThat(
            api.post("/api/today/acts", "{\"key\": \"%s\", \"kind\": \"SNOOZED\"}".formatted(key))
                .field())
        .isEqualTo("until");

    String calendar = api.get("/api/today.ics").raw().body();
    assertThat(calendar)
        .startsWith("BEGIN:VCALENDAR\r\n")
        .endsWith("END:VCALENDAR\r\n")
        .contains("SUMMARY:Put " + code);
    assertThat(line(sheet.get("lines"), "unload-").get("what").asString())
        .contains("Take " + code + " out of");
    // RFC 5545, 3.1: no line longer than 75 octets.
    assertThat(calendar.split("\r\n"))
        .allMatch(each -> each.getBytes(java.nio.charset.StandardCharsets.UTF_8).length <= 75);
    // What was put in needs not be put in again; the cycle says when it comes out.
    long cycle =
        posted(
                "/api/cycles",
                "{\"dryerId\": %d, \"codes\": [\"%s\"], \"hours\": 24}"
                    .formatted(placed.get("dryerId").asLong(), code))
            .get("id")
            .asLong();
    String lines = api.get("/api/today?hours=72").body().get("lines").toString();
    assertThat(lines)
        .doesNotContain("Put " + code)
        .contains("cycle-" + cycle + "-end")
        .contains("cycle-" + cycle + "-prints-" + code);
    api.undo(api.get("/api/cycles/" + cycle).body().at("/summary/actId").asLong());
    assertThat(api.get("/api/today?hours=72").body().get("lines").toString())
        .contains("Put " + code);
    api.delete("/api/jobs/" + id);
  }

  /** What stood before a job came, or before its spool was dried, is not what stands. */
  @Test
  void aChangeIsPlannedAgainByItself() {
    String code = wetSpool();
    long lamp = job("lamp", "\"code\": \"%s\"".formatted(code), 60).get("id").asLong();
    assertThat(of(planned(), lamp).get("dryerId").isNull()).isFalse();
    long bracket = job("bracket", "\"code\": \"%s\"".formatted(code), 80).get("id").asLong();
    JsonNode changed = plan();
    assertThat(changed.get("outdatedBy").asString("")).contains("a job is another");
    awaitPlanned();
    of(plan(), bracket);
    JsonNode sheet = api.get("/api/jobs/" + bracket + "/sheet").body().get("planned");
    assertThat(sheet.get("code").asString()).isEqualTo(code);
    // With the last job the plan goes too.
    api.delete("/api/jobs/" + bracket);
    api.delete("/api/jobs/" + lamp);
    awaitPlanned();
    assertThat(plan().get("plan").isNull()).isTrue();
    assertThat(api.get("/api/jobs/" + lamp + "/sheet").body().get("planned").isNull()).isTrue();
  }

  private void awaitPlanned() {
    await(() -> plan().get("outdatedBy").isNull() && !plan().get("seeking").asBoolean());
  }

  private static JsonNode line(JsonNode lines, String key) {
    for (JsonNode line : lines) {
      if (line.get("key").asString().startsWith(key)) {
        return line;
      }
    }
    throw new AssertionError("no line " + key + " in " + lines);
  }

  @Test
  void tooSoonIsSaidWithTheWayOutAndAPinIsKept() {
    String code = wetSpool();
    long soon = job("at once", "\"code\": \"%s\"".formatted(code), 1).get("id").asLong();
    String other = wetSpool();
    long later = job("later", "\"code\": \"%s\"".formatted(other), 80).get("id").asLong();
    Instant at = NOW.plus(30, ChronoUnit.HOURS).truncatedTo(ChronoUnit.HOURS);
    api.change(
        "/api/attendance",
        "{\"windows\": [%s]}"
            .formatted(
                java.util.stream.IntStream.rangeClosed(1, 7)
                    .mapToObj(
                        d -> "{\"weekday\": %d, \"fromMin\": 0, \"toMin\": 1440}".formatted(d))
                    .collect(java.util.stream.Collectors.joining(","))));
    assertThat(
            api.put(
                    "/api/plan/pins",
                    "{\"pins\": [{\"jobId\": %d, \"code\": \"%s\"}], \"dryerId\": %d, \"startAt\": \"%s\"}"
                        .formatted(later, other, dryer, at))
                .status())
        .isEqualTo(204);
    JsonNode plan = planned();
    JsonNode missed = of(plan, soon);
    assertThat(missed.get("served").asBoolean()).isFalse();
    assertThat(missed.get("why").asString()).contains("Drying takes");
    assertThat(missed.get("waysOut").toString()).contains("later");
    await(() -> api.get("/api/alerts").raw().body().contains("\"job-" + soon + "\""));
    assertThat(api.get("/api/alerts").raw().body())
        .contains("at once will not find its filament dry", "Drying takes")
        .doesNotContain("\"job-" + later + "\"");
    JsonNode kept = of(plan, later);
    assertThat(kept.get("pinned").asBoolean()).isTrue();
    assertThat(kept.get("dryerId").asLong()).isEqualTo(dryer);
    double hour = kept.get("chargeStartHour").asDouble();
    assertThat(plan.get("startS").asLong() + Math.round(3600 * hour))
        .isEqualTo(at.getEpochSecond());
    api.delete("/api/jobs/" + soon);
    api.delete("/api/jobs/" + later);
  }

  @Test
  void badJobsHandsAndPlansAreNamed() {
    String past = NOW.minus(1, ChronoUnit.HOURS).toString();
    assertThat(
            api.post(
                    "/api/jobs",
                    ("{\"name\": \"x\", \"material\": \"PETG\", \"grams\": 10, \"hours\": 1,"
                            + " \"startAt\": \"%s\"}")
                        .formatted(past))
                .field())
        .isEqualTo("startAt");
    assertThat(api.post("/api/jobs", "{\"name\": \"x\"}").field()).isEqualTo("material");
    assertThat(
            api.change(
                    "/api/attendance",
                    "{\"windows\": [{\"weekday\": 8, \"fromMin\": 0, \"toMin\": 9}]}")
                .field())
        .isEqualTo("windows[0].weekday");
    assertThat(
            api.change(
                    "/api/attendance",
                    "{\"windows\": [{\"weekday\": 1, \"fromMin\": 99, \"toMin\": 9}]}")
                .field())
        .isEqualTo("windows[0].toMin");
    assertThat(api.post("/api/plan/runs", "{\"seconds\": 0}").field()).isEqualTo("seconds");
    String request =
        """
        {"seconds": 1, "room": {"temperatureC": 22, "relativeHumidityPercent": 50},
         "dryers": [{"id": 1, "name": "bench", "slots": %d,
                     "dryer": {"ratedMaxC": 75, "airChangesPerHour": 12}}],
         "spools": [{"code": "A", "material": "PETG", "reel": "metal",
                     "winding": {"hubRadiusMm": 40, "outerRadiusMm": 100, "widthMm": 60,
                                 "netMassG": 1000},
                     "initialMoisturePercent": 0.25}],
         "jobs": [{"id": 1, "name": "brackets", "material": "PETG", "grams": 120,
                   "startHour": %d, "hours": 2}]}""";
    Answer plan = api.post("/api/calc/drying-plan", request.formatted(2, 40));
    assertThat(plan.status()).as(plan.raw().body()).isEqualTo(200);
    assertThat(plan.body().at("/jobs/0/served").asBoolean()).isTrue();
    assertThat(plan.body().at("/charges/0/codes/0").asString()).isEqualTo("A");
    assertThat(api.post("/api/calc/drying-plan", request.formatted(0, 40)).field())
        .isEqualTo("dryers[0].slots");
    assertThat(api.post("/api/calc/drying-plan", request.formatted(2, -3)).field())
        .isEqualTo("jobs[0].startHour");
  }

  /** Where the core would be dry too late, the job's own metres may do; then nothing is bagged. */
  @Test
  void whatIsTakenOutWithItsCoreWetIsPrintedAtOnce() {
    StringBuilder always = new StringBuilder();
    for (int day = 1; day <= 7; day++) {
      always
          .append(day > 1 ? ", " : "")
          .append("{\"weekday\": %d, \"fromMin\": 0, \"toMin\": 1440}".formatted(day));
    }
    api.change("/api/attendance", "{\"windows\": [" + always + "]}");
    String code = wetSpool();
    JsonNode forecast =
        posted(
            "/api/spools/" + code + "/drying-forecast",
            "{\"dryerId\": %d, \"roomPlaceId\": %d, \"jobG\": 60}".formatted(dryer, shelf));
    double prints = forecast.at("/printReady/sureHours").asDouble();
    double dry = forecast.get("sureHours").asDouble();
    assertThat(prints).isLessThan(0.7 * dry);
    Instant start = Instant.now().plusSeconds(Math.round(3600 * (1 + 0.5 * (prints + dry))));
    long id =
        posted(
                "/api/jobs",
                "{\"name\": \"hook\", \"code\": \"%s\", \"grams\": 60, \"hours\": 0.3, \"startAt\": \"%s\"}"
                    .formatted(code, start))
            .get("id")
            .asLong();
    JsonNode placed = of(planned(), id);
    assertThat(placed.get("served").asBoolean()).as(placed.toString()).isTrue();
    assertThat(placed.get("why").asString()).startsWith("Out after").contains("60 g print");
    JsonNode lines = api.get("/api/today?hours=72").body().get("lines");
    JsonNode unload = line(lines, "unload-");
    assertThat(unload.get("what").asString()).contains("print from it at once");
    assertThat(unload.get("why").asString()).contains("core is still wet");
    assertThat(line(lines, "job-" + id).get("why").asString()).startsWith("Its metres print then");
  }

  /** A job that is too long for an open holder prints out of a dryer that feeds out. */
  @Test
  void theCalculatorKnowsDryersThatFeedOut() {
    String request =
        """
        {"room": {"temperatureC": 22, "relativeHumidityPercent": 60}, "seconds": 1,
         "dryers": [{"id": 1, "name": "bench", "feedsOut": %s,
                     "dryer": {"ratedMaxC": 90, "airChangesPerHour": 12}}],
         "spools": [{"code": "A", "material": "PA6", "reel": "metal",
                     "winding": {"hubRadiusMm": 40, "outerRadiusMm": 100, "widthMm": 60,
                                 "netMassG": 800},
                     "initialMoisturePercent": 2.5}],
         "jobs": [{"id": 1, "name": "gear", "codes": ["A"], "grams": 300, "startHour": 90,
                   "hours": 40}]}
        """;
    JsonNode shut = posted("/api/calc/drying-plan", request.formatted("false"));
    assertThat(shut.at("/unserved").asInt()).isEqualTo(1);
    assertThat(shut.at("/jobs/0/why").asString()).contains("too wet again");
    JsonNode feeding = posted("/api/calc/drying-plan", request.formatted("true"));
    assertThat(feeding.at("/unserved").asInt()).as(feeding.toString()).isZero();
    assertThat(feeding.at("/jobs/0/why").asString()).contains("prints out of the dryer");
    assertThat(feeding.at("/jobs/0/leavesHour").asDouble()).isEqualTo(130);
    assertThat(feeding.at("/charges/0/outHour").asDouble()).isLessThanOrEqualTo(90);
  }

  @Test
  void theCourseOfASpoolGoesThroughThePlan() {
    String code = wetSpool();
    long id = job("vase", "\"code\": \"%s\"".formatted(code), 70).get("id").asLong();
    JsonNode placed = of(planned(), id);
    JsonNode course = api.get("/api/plan/courses/" + code).body();
    double dried = placed.get("leavesHour").asDouble();
    double target = 0;
    double before = course.get(0).get("meanPercent").asDouble();
    for (JsonNode point : course) {
      if (point.get("hour").asDouble() <= dried + 1e-6) {
        target = point.get("meanPercent").asDouble();
      }
    }
    assertThat(target).isLessThan(0.6 * before);
    assertThat(course.get(course.size() - 1).get("hour").asDouble()).isGreaterThan(72);
    assertThat(api.get("/api/plan/courses/ZZZZ").status()).isEqualTo(422);
    // While a plan is sought anew, what stood is what a course follows.
    for (int again = 0; again < 10; again++) {
      posted("/api/plan/runs", "{\"seconds\": 1}");
      assertThat(api.get("/api/plan/courses/" + code).status()).isEqualTo(200);
    }
    planned();
    api.delete("/api/jobs/" + id);
  }
}
