package mindspool.server.acts;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import mindspool.server.support.Api.Answer;
import mindspool.server.support.ServerTest;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** One press of a button is one act: said in words, undone and done again as a whole. */
class ActApiTest extends ServerTest {

  private long room;
  private long shelf;
  private long dryer;

  @org.junit.jupiter.api.BeforeEach
  void aWorkshop() {
    room = place("ROOM", "");
    shelf = place("OPEN_SHELF", ", \"withinId\": " + room);
    dryer = place("DRYER", ", \"withinId\": " + room);
    assertThat(
            api.put(
                    "/api/dryers/" + dryer,
                    "{\"kind\": \"PURPOSE_MADE_VENTED\", \"slots\": 2, \"version\": 0}")
                .status())
        .isEqualTo(200);
  }

  private long place(String kind, String more) {
    String name = kind + " " + System.nanoTime();
    return done("/api/places", "{\"name\": \"%s\", \"kind\": \"%s\"%s}".formatted(name, kind, more))
        .body()
        .get("id")
        .asLong();
  }

  private Answer done(String path, String json) {
    Answer answer = api.post(path, json);
    assertThat(answer.status()).as(answer.raw().body()).isBetween(200, 204);
    return answer;
  }

  private String spool() {
    return done(
            "/api/spools",
            "{\"material\": \"PETG\", \"colourName\": \"x\", \"arrival\": \"OPEN\", \"placeId\": %d}"
                .formatted(shelf))
        .body()
        .get("code")
        .asString();
  }

  private long placeOf(String code) {
    return api.get("/api/spools/" + code).body().at("/spool/placeId").asLong();
  }

  private static List<String> words(JsonNode act) {
    List<String> words = new ArrayList<>();
    act.get("lines")
        .forEach(
            line -> words.add(line.get("subject").asString() + ": " + line.get("what").asString()));
    return words;
  }

  @Test
  void stoppingACycleWithAllThatComesOutIsOneAct() {
    String first = spool();
    String second = spool();
    Answer started =
        done(
            "/api/cycles",
            "{\"dryerId\": %d, \"codes\": [\"%s\", \"%s\"], \"setpointC\": 50, \"hours\": 8}"
                .formatted(dryer, first, second));
    long cycle = started.body().get("id").asLong();
    assertThat(words(api.get("/api/acts/" + started.act()).body()))
        .hasSize(3)
        .anyMatch(line -> line.startsWith(first + ": moved to DRYER"))
        .anyMatch(line -> line.endsWith("cycle started: 50 °C for 8 h"));
    Answer stopped =
        done(
            "/api/cycles/" + cycle + "/acts",
            "{\"act\": \"STOP\", \"placeId\": %d}".formatted(shelf));
    assertThat(words(api.get("/api/acts/" + stopped.act()).body())).hasSize(3);
    assertThat(placeOf(second)).isEqualTo(shelf);

    assertThat(api.undo(stopped.act()).body().get("undoneS").isNull()).isFalse();
    assertThat(stage(cycle)).isEqualTo("RUNNING");
    assertThat(placeOf(first)).isEqualTo(dryer);
    assertThat(placeOf(second)).isEqualTo(dryer);
    api.redo(stopped.act());
    assertThat(stage(cycle)).isEqualTo("STOPPED");
    assertThat(placeOf(second)).isEqualTo(shelf);

    // The start takes with it what came after, and brings it back as it was.
    api.undo(started.act());
    assertThat(api.get("/api/cycles/" + cycle).status()).isEqualTo(404);
    assertThat(api.get("/api/acts/" + stopped.act()).body().get("undoneS").isNull()).isFalse();
    assertThat(api.redo(started.act()).status()).isEqualTo(200);
    assertThat(stage(cycle)).isEqualTo("STOPPED");
    assertThat(placeOf(first)).isEqualTo(shelf);
  }

  private String stage(long cycle) {
    return api.get("/api/cycles/" + cycle).body().at("/summary/stage").asString();
  }

  /** A stop whose dryer runs something else by now, or whose spool does, stays a stop. */
  @Test
  void whatCannotBeUndoneAnyMoreSaysWhyAndChangesNothing() {
    String code = spool();
    String start =
        "{\"dryerId\": %d, \"codes\": [\"%s\"], \"setpointC\": 50, \"hours\": 8}"
            .formatted(dryer, code);
    long first = done("/api/cycles", start).body().get("id").asLong();
    Answer stopped =
        done(
            "/api/cycles/" + first + "/acts",
            "{\"act\": \"STOP\", \"placeId\": %d}".formatted(shelf));
    done("/api/cycles", start);
    Answer refused = api.undo(stopped.act());
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.detail()).contains("a cycle that nobody stopped");
    assertThat(stage(first)).isEqualTo("STOPPED");
    assertThat(api.get("/api/acts/" + stopped.act()).body().get("undoneS").isNull()).isTrue();
  }

  /** Its receipt cannot be undone under a running dryer, or under a job that names it. */
  @Test
  void aSpoolThatIsNeededStaysInStock() {
    String code = spool();
    long receipt = api.get("/api/spools/" + code).body().at("/facts/0/actId").asLong();
    Answer started =
        done(
            "/api/cycles",
            "{\"dryerId\": %d, \"codes\": [\"%s\"], \"setpointC\": 50, \"hours\": 8}"
                .formatted(dryer, code));
    Answer refused = api.undo(receipt);
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.detail()).contains("in the cycle of DRYER");
    assertThat(stage(started.body().get("id").asLong())).isEqualTo("RUNNING");
    api.undo(started.act());
    Instant at = Instant.now().plus(2, ChronoUnit.DAYS);
    Answer job =
        done(
            "/api/jobs",
            "{\"name\": \"lamp\", \"code\": \"%s\", \"grams\": 100, \"hours\": 3, \"startAt\": \"%s\"}"
                .formatted(code, at));
    assertThat(api.undo(receipt).detail()).contains("named by the job lamp");
    api.undo(job.act());
    assertThat(api.undo(receipt).status()).isEqualTo(200);
    assertThat(api.get("/api/spools/" + code).status()).isEqualTo(404);
    api.redo(receipt);
    assertThat(placeOf(code)).isEqualTo(shelf);
  }

  @Test
  void anEditIsUndoneFieldByFieldAndInOrder() {
    String job =
        "{\"name\": \"lamp\", \"material\": \"PETG\", \"grams\": %d, \"hours\": 3, \"startAt\": \"%s\"%s}";
    Instant at = Instant.now().plus(2, ChronoUnit.DAYS).truncatedTo(ChronoUnit.SECONDS);
    Answer added = done("/api/jobs", job.formatted(100, at, ""));
    long id = added.body().get("id").asLong();
    Answer more = api.put("/api/jobs/" + id, job.formatted(120, at, ", \"version\": 0"));
    Answer most = api.put("/api/jobs/" + id, job.formatted(140, at, ", \"version\": 1"));
    assertThat(words(api.get("/api/acts/" + most.act()).body()))
        .containsExactly("job lamp: takes 140 g, not 120 g");
    Answer early = api.undo(more.act());
    assertThat(early.status()).isEqualTo(422);
    assertThat(early.field()).isEqualTo("grams");
    assertThat(early.detail()).contains("changed since");
    assertThat(api.undo(most.act()).status()).isEqualTo(200);
    assertThat(api.undo(more.act()).status()).isEqualTo(200);
    assertThat(grams(id)).isEqualTo(100);
    // Undone and done again as often as one likes.
    api.redo(more.act());
    assertThat(grams(id)).isEqualTo(120);
    api.undo(added.act());
    assertThat(grams(id)).isNaN();
    api.redo(added.act());
    assertThat(grams(id)).isEqualTo(120);
    Answer removed = api.delete("/api/jobs/" + id);
    assertThat(words(api.get("/api/acts/" + removed.act()).body()))
        .containsExactly("job lamp: removed");
    api.undo(removed.act());
    assertThat(grams(id)).isEqualTo(120);
  }

  @Test
  void aPlaceAndALotAreDescribedAnewAndAsBefore() {
    Answer renamed =
        api.put(
            "/api/places/" + shelf,
            "{\"name\": \"Rack %d\", \"kind\": \"OPEN_SHELF\", \"withinId\": %d, \"version\": 0}"
                .formatted(shelf, room));
    assertThat(renamed.status()).as(renamed.raw().body()).isEqualTo(200);
    assertThat(words(api.get("/api/acts/" + renamed.act()).body()).get(0))
        .startsWith("place Rack " + shelf + ": name OPEN_SHELF")
        .endsWith("→ Rack " + shelf);
    // Another takes the old name meanwhile: it cannot come back.
    String before = "OPEN_SHELF";
    api.undo(renamed.act());
    assertThat(api.get("/api/places/" + shelf).body().at("/place/name").asString())
        .startsWith(before);
    api.redo(renamed.act());
    assertThat(api.get("/api/places/" + shelf).body().at("/place/name").asString())
        .isEqualTo("Rack " + shelf);
    // Changed to what it is already: nothing to undo.
    Answer same =
        api.put(
            "/api/places/" + shelf,
            "{\"name\": \"Rack %d\", \"kind\": \"OPEN_SHELF\", \"withinId\": %d, \"version\": %d}"
                .formatted(
                    shelf,
                    room,
                    api.get("/api/places/" + shelf).body().at("/place/version").asInt()));
    assertThat(same.raw().headers().firstValue("Act")).isEmpty();
  }

  private double grams(long job) {
    for (JsonNode each : api.get("/api/jobs").body()) {
      if (each.get("id").asLong() == job) {
        return each.get("grams").asDouble();
      }
    }
    return Double.NaN;
  }

  @Test
  void theListSaysWhoDidAndWhoUndid() {
    String code = spool();
    Answer weighed =
        api.postAs("Ines", "/api/spools/" + code + "/weighings", "{\"grossMassG\": 812.5}");
    api.postAs("Bo", "/api/acts/" + weighed.act() + "/undo", "");
    JsonNode latest = api.get("/api/acts?most=1").body().get(0);
    assertThat(latest.get("id").asLong()).isEqualTo(weighed.act());
    assertThat(latest.get("person").asString()).isEqualTo("Ines");
    assertThat(latest.get("undonePerson").asString()).isEqualTo("Bo");
    assertThat(words(latest)).containsExactly(code + ": weighed, 812.5 g gross");
    JsonNode before = api.get("/api/acts?most=5&before=" + weighed.act()).body();
    assertThat(words(before.get(0)).get(0)).startsWith(code + ": received into");
  }

  @Test
  void whatIsNoActIsNotFoundAndNothingIsUndoneTwice() {
    assertThat(api.undo(987_654_321).status()).isEqualTo(404);
    String code = spool();
    Answer weighed = done("/api/spools/" + code + "/weighings", "{\"grossMassG\": 800}");
    assertThat(api.redo(weighed.act()).field()).isEqualTo("id");
    Answer undone = api.undo(weighed.act());
    assertThat(api.undo(weighed.act()).detail()).contains("undone already");
    // An undoing is redone by the act that it undid.
    assertThat(api.undo(undone.act()).status()).isEqualTo(404);
    assertThat(api.get("/api/acts?most=0").field()).isEqualTo("most");
    assertThat(api.get("/api/acts?before=1").body().size()).isZero();
  }
}
