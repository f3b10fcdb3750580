package mindspool.server.receiving;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import mindspool.server.support.Api.Answer;
import mindspool.server.support.ServerTest;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What was entered wrongly is put right, and what was put right can be taken back. */
class CorrectionApiTest extends ServerTest {

  private static int counter;

  private long room;
  private long shelf;

  @BeforeEach
  void workshop() {
    counter++;
    room = addRoom("corrected room " + counter, 22, 50);
    shelf = addPlaceIn(room, "corrected shelf " + counter, "OPEN_SHELF", "");
  }

  private String spool(String material, String colour, String more) {
    return posted(
            "/api/spools",
            ("{\"material\": \"%s\", \"colourName\": \"%s\", \"placeId\": %d, \"arrival\": \"OPEN\","
                    + " \"arrivedAt\": \"%s\"%s}")
                .formatted(material, colour, shelf, Instant.now().minus(30, ChronoUnit.DAYS), more))
        .get("code")
        .asString();
  }

  @Test
  void aPlaceIsTakenAwayOnlyWhenNothingNeedsItAndComesBack() {
    String code = spool("PLA", "x", "");
    Answer needed = api.delete("/api/places/" + shelf);
    assertThat(needed.status()).isEqualTo(422);
    assertThat(needed.body().toString()).contains(code + " lies in it");
    assertThat(api.delete("/api/places/" + room).body().toString())
        .contains("corrected shelf " + counter + " stands in it");

    long other = addPlaceIn(room, "corrected rack " + counter, "OPEN_SHELF", "");
    posted("/api/spools/" + code + "/moves", "{\"placeId\": %d}".formatted(other));
    Answer removed = api.delete("/api/places/" + shelf);
    assertThat(removed.status()).isEqualTo(204);
    assertThat(names())
        .doesNotContain("corrected shelf " + counter + "\"")
        .contains("corrected rack " + counter);
    assertThat(api.post("/api/spools/" + code + "/moves", "{\"placeId\": %d}".formatted(shelf)))
        .returns(404, Answer::status);
    assertThat(api.get("/api/spools/" + code).status()).as("its days there stay").isEqualTo(200);
    addPlaceIn(room, "corrected shelf " + counter, "OPEN_SHELF", "");
    assertThat(api.undo(removed.act()).status()).as("its name is another's by now").isEqualTo(409);
    assertThat(api.delete("/api/places/" + shelf).status()).as("twice").isEqualTo(404);
  }

  @Test
  void aRemovedPlaceComesBackWithWhatItWas() {
    long box = addPlaceIn(room, "corrected box " + counter, "GASKET_BOX", ", \"volumeL\": 12");
    Answer removed = api.delete("/api/places/" + box);
    assertThat(api.get("/api/places/" + box).status()).isEqualTo(404);
    assertThat(api.undo(removed.act()).status()).isEqualTo(200);
    assertThat(api.get("/api/places/" + box).body().at("/place/volumeL").asDouble()).isEqualTo(12);
  }

  @Test
  void aPlaceThatADeviceMeasuresStays() {
    posted(
        "/api/devices",
        ("{\"name\": \"probe %d\", \"kind\": \"HYGROMETER\", \"placeId\": %d, \"channels\":"
                + " [{\"topicFilter\": \"a/b\", \"pointer\": \"/h\", \"unit\": \"PERCENT\"}]}")
            .formatted(counter, shelf));
    assertThat(api.delete("/api/places/" + shelf).body().toString())
        .contains("probe " + counter + " measures it");
  }

  @Test
  void aDryerWithARunningCycleStays() {
    long dryer = addPlaceIn(room, "corrected dryer " + counter, "DRYER", "");
    String code = spool("PETG", "x", "");
    posted(
        "/api/cycles",
        "{\"dryerId\": %d, \"codes\": [\"%s\"], \"setpointC\": 50, \"hours\": 6}"
            .formatted(dryer, code));
    assertThat(api.delete("/api/places/" + dryer).status()).isEqualTo(422);
  }

  private String names() {
    return api.get("/api/places").body().toString();
  }

  /** Taken for PLA on receiving; it is PA6, which takes up far more. */
  @Test
  void aSpoolOfTheWrongMaterialIsPutRightAndItsHistoryIsComputedAnew() {
    String code = spool("PLA", "x", "");
    double asPla = moisture(code);
    Answer corrected =
        api.change(
            "/api/spools/" + code + "/description",
            described(code, "\"material\":\"PLA\"", "\"material\":\"PA6\""));
    assertThat(corrected.status()).as(corrected.raw().body()).isEqualTo(200);
    assertThat(moisture(code)).isGreaterThan(4 * asPla);
    assertThat(api.get("/api/acts/" + corrected.act()).body().toString())
        .contains("PLA")
        .contains("PA6");
    api.undo(corrected.act());
    assertThat(moisture(code)).isEqualTo(asPla);
  }

  /** With its colour its lot is another; both come back. */
  @Test
  void aCorrectionThatMovesASpoolToAnotherLotIsTakenBackWithIt() {
    String code = spool("PLA", "reed", ", \"lot\": {\"maker\": \"Lockkeeper\", \"batch\": \"C1\"}");
    long lot = api.get("/api/spools/" + code).body().at("/spool/lotId").asLong();
    Answer corrected =
        api.change(
            "/api/spools/" + code + "/description",
            described(code, "\"colourName\":\"reed\"", "\"colourName\":\"sedge\""));
    assertThat(corrected.status()).as(corrected.raw().body()).isEqualTo(200);
    assertThat(api.get("/api/spools/" + code).body().at("/spool/lotId").asLong()).isNotEqualTo(lot);
    Answer undone = api.undo(corrected.act());
    assertThat(undone.status()).as(undone.raw().body()).isEqualTo(200);
    JsonNode back = api.get("/api/spools/" + code).body().get("spool");
    assertThat(back.get("colourName").asString()).isEqualTo("reed");
    assertThat(back.get("lotId").asLong()).isEqualTo(lot);
    assertThat(api.redo(corrected.act()).status()).isEqualTo(200);
  }

  @Test
  void aPlaceThatWasPutElsewhereIsPutBack() {
    long other = addRoom("corrected other room " + counter, 20, 40);
    String name = "corrected shelf " + counter;
    Answer moved =
        api.change(
            "/api/places/" + shelf, "{\"name\": \"%s\", \"withinId\": %d}".formatted(name, other));
    assertThat(moved.status()).as(moved.raw().body()).isEqualTo(200);
    Answer undone = api.undo(moved.act());
    assertThat(undone.status()).as(undone.raw().body()).isEqualTo(200);
    assertThat(api.get("/api/places/" + shelf).body().at("/place/withinId").asLong())
        .isEqualTo(room);
  }

  private double moisture(String code) {
    return api.get("/api/spools/" + code).body().at("/spool/frames/mean/0").asDouble();
  }

  private String described(String code, String from, String to) {
    String json = api.get("/api/spools/" + code + "/description").raw().body();
    assertThat(json).contains(from);
    return json.replaceAll(",?\"version\":\\d+", "").replace(from, to);
  }

  @Test
  void aCorrectionThatItsWeighingsRuleOutIsRefusedAndChangesNothing() {
    String code = spool("PLA", "x", ", \"grossMassG\": 1180, \"reel\": \"cardboard\"");
    String path = "/api/spools/" + code + "/description";
    String before = api.get(path).raw().body();
    Answer refused =
        api.change(path, described(code, "\"rimRadiusMm\":100.0", "\"rimRadiusMm\":60.0"));
    assertThat(refused.status()).as(refused.raw().body()).isEqualTo(422);
    assertThat(api.get(path).raw().body()).isEqualTo(before);
    assertThat(
            api.put(path, before.replaceAll("\"version\":\\d+", "\"version\": 77"))
                .raw()
                .statusCode())
        .as("changed by somebody else meanwhile")
        .isEqualTo(409);
  }

  /** A workshop whose PETG strings from 0.1 % on; another lot is better. */
  @Test
  void ownLimitsMoveWhatPrintsAndAreTakenBack() {
    String code = spool("PETG", "x", ", \"lot\": {\"maker\": \"Lockkeeper\", \"batch\": \"P1\"}");
    long lot = api.get("/api/lots").body().get(0).get("id").asLong();
    double table = limit(code);
    Answer own = limits("\"printLimitPercent\": 0.11, \"dryTargetPercent\": 0.05", "null");
    assertThat(own.status()).as(own.raw().body()).isEqualTo(200);
    assertThat(limit(code)).isEqualTo(0.11);
    assertThat(api.get("/api/spools/" + code).body().at("/spool/ownLimitReason").asString())
        .isEqualTo("strings in the gaps");
    for (JsonNode each : api.get("/api/lots").body()) {
      if (each.get("batch").asString("").equals("P1")) {
        lot = each.get("id").asLong();
      }
    }
    Answer ofLot = limits("\"printLimitPercent\": 0.3", Long.toString(lot));
    assertThat(ofLot.status()).as(ofLot.raw().body()).isEqualTo(200);
    assertThat(limit(code)).as("the lot's goes before the material's").isEqualTo(0.3);
    api.undo(ofLot.act());
    assertThat(limit(code)).isEqualTo(0.11);
    Answer removed = api.delete("/api/own-limits/" + own.body().get("id").asLong());
    assertThat(removed.status()).isEqualTo(204);
    assertThat(limit(code)).isEqualTo(table);
    assertThat(api.get("/api/own-limits").body()).isEmpty();
  }

  private Answer limits(String values, String lot) {
    return api.put(
        "/api/own-limits",
        "{\"material\": \"PETG\", \"lotId\": %s, %s, \"reason\": \"strings in the gaps\"}"
            .formatted(lot, values));
  }

  private double limit(String code) {
    return api.get("/api/spools/" + code).body().at("/spool/printLimitPercent").asDouble();
  }

  @Test
  void limitsThatCannotBeAreRefusedByTheirField() {
    assertThat(limits("\"printLimitPercent\": 0", "null").field()).isEqualTo("printLimitPercent");
    assertThat(limits("\"printLimitPercent\": 50", "null").field()).isEqualTo("printLimitPercent");
    assertThat(limits("\"dryTargetPercent\": 0.3", "null").field())
        .as("a target above the limit is never printable")
        .isEqualTo("dryTargetPercent");
    assertThat(limits("\"dryTargetPercent\": null", "null").status()).isEqualTo(422);
    assertThat(limits("\"printLimitPercent\": 0.1", "4711").status()).isIn(404, 422);
    assertThat(
            api.put(
                    "/api/own-limits",
                    "{\"material\": \"PETG\", \"printLimitPercent\": 0.1, \"reason\": \" \"}")
                .field())
        .isEqualTo("reason");
  }

  @Test
  void stockIsCountedByMaterialAndColourAndSaysWhatToOrder() {
    String colour = "reed " + counter;
    spool("PLA", colour, ", \"nominalNetG\": 1000");
    spool("PLA", colour.toUpperCase(java.util.Locale.ROOT), ", \"nominalNetG\": 500");
    JsonNode group = group(colour);
    assertThat(group.get("spools").asInt()).as("one colour however it is spelt").isEqualTo(2);
    assertThat(group.get("grams").asDouble()).isBetween(1490.0, 1510.0);
    // Common practice: a kilogram of PLA of 1.75 mm is about 335 m.
    assertThat(group.get("metres").asDouble()).isBetween(495.0, 510.0);
    assertThat(group.get("toOrderG").asDouble()).isZero();

    Answer set =
        api.put(
            "/api/stock/minimums",
            "{\"material\": \"PLA\", \"colourName\": \"%s\", \"minimumG\": 2000}"
                .formatted(colour));
    assertThat(set.status()).as(set.raw().body()).isEqualTo(200);
    assertThat(group(colour).get("toOrderG").asDouble()).isBetween(490.0, 510.0);
    api.undo(set.act());
    assertThat(group(colour).get("minimumG").isNull()).isTrue();
    api.redo(set.act());
    api.put(
        "/api/stock/minimums",
        "{\"material\": \"PLA\", \"colourName\": \"%s\", \"minimumG\": null}".formatted(colour));
    assertThat(group(colour).get("toOrderG").asDouble()).isZero();
    assertThat(
            api.put(
                    "/api/stock/minimums",
                    "{\"material\": \"PLA\", \"colourName\": \"none\", \"minimumG\": -1}")
                .field())
        .isEqualTo("minimumG");
  }

  private JsonNode group(String colour) {
    for (JsonNode group : api.get("/api/stock/groups").body()) {
      if (group.get("colourName").asString().equalsIgnoreCase(colour)) {
        return group;
      }
    }
    throw new AssertionError("no group " + colour);
  }

  @Test
  void howAMakersReelWasDescribedLastFillsTheNext() {
    spool(
        "ASA",
        "x",
        ", \"lot\": {\"maker\": \"Weirhouse\"}, \"reel\": \"cardboard\", \"nominalNetG\": 750,"
            + " \"emptyReelG\": 171, \"widthMm\": 66");
    JsonNode template = null;
    for (JsonNode each : api.get("/api/stock/templates").body()) {
      template = each.get("maker").asString().equals("Weirhouse") ? each : template;
    }
    assertThat(template).isNotNull();
    assertThat(template.get("reel").asString()).isEqualTo("cardboard");
    assertThat(template.get("nominalNetG").asDouble()).isEqualTo(750);
    assertThat(template.get("emptyReelG").asDouble()).isEqualTo(171);
    assertThat(template.get("widthMm").asDouble()).isEqualTo(66);
  }

  @Test
  void aJobMayBeWantedSomeTimeThisWeek() {
    JsonNode job =
        posted(
            "/api/jobs",
            "{\"name\": \"hooks\", \"material\": \"PLA\", \"grams\": 40, \"hours\": 2}");
    assertThat(job.get("someTime").asBoolean()).isTrue();
    long week = Instant.now().plus(7, ChronoUnit.DAYS).getEpochSecond();
    assertThat(job.get("startS").asLong()).isBetween(week - 60, week + 60);
    JsonNode dated =
        api.change(
                "/api/jobs/" + job.get("id").asLong(),
                ("{\"version\": 0, \"name\": \"hooks\", \"material\": \"PLA\", \"grams\": 40,"
                        + " \"hours\": 2, \"startAt\": \"%s\"}")
                    .formatted(Instant.now().plus(3, ChronoUnit.HOURS)))
            .body();
    assertThat(dated.get("someTime").asBoolean()).as(dated.toString()).isFalse();
  }
}
