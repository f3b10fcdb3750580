package mindspool.server.acts;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.IntFunction;
import mindspool.server.support.Api.Answer;
import mindspool.server.support.ServerTest;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Eight people press a button at the same moment. */
class SimultaneousTest extends ServerTest {

  private static final int PEOPLE = 8;

  /** Has all do their act at once; returns the answers. */
  private List<Answer> atOnce(IntFunction<Answer> act) throws Exception {
    ExecutorService people = Executors.newFixedThreadPool(PEOPLE);
    CyclicBarrier ready = new CyclicBarrier(PEOPLE);
    try {
      List<Future<Answer>> done = new ArrayList<>();
      for (int i = 0; i < PEOPLE; i++) {
        int person = i;
        done.add(
            people.submit(
                () -> {
                  ready.await();
                  return act.apply(person);
                }));
      }
      List<Answer> answers = new ArrayList<>();
      for (Future<Answer> each : done) {
        answers.add(each.get(60, TimeUnit.SECONDS));
      }
      return answers;
    } finally {
      people.shutdownNow();
    }
  }

  private static long done(List<Answer> answers) {
    return answers.stream().filter(answer -> answer.status() < 300).count();
  }

  private String receive(long place, String colour) {
    return posted(
            "/api/spools",
            "{\"material\": \"PETG\", \"colourName\": \"%s\", \"arrival\": \"OPEN\", \"placeId\": %d}"
                .formatted(colour, place))
        .get("code")
        .asString();
  }

  private long inPlace(long place) {
    return api.get("/api/shelf")
        .body()
        .get("spools")
        .valueStream()
        .filter(spool -> spool.get("placeId").asLong() == place)
        .count();
  }

  @Test
  void aSlotOfOneHoldsOne() throws Exception {
    long room = addRoom("slot room", 21, 45);
    long slot = addPlaceIn(room, "racing slot", "SLOT", ", \"capacity\": 1");
    List<String> codes = new ArrayList<>();
    for (int i = 0; i < PEOPLE; i++) {
      codes.add(receive(room, "slot " + i));
    }
    String toSlot = "{\"placeId\": %d}".formatted(slot);
    List<Answer> moves = atOnce(i -> api.post("/api/spools/" + codes.get(i) + "/moves", toSlot));
    assertThat(done(moves)).isEqualTo(1);
    assertThat(moves.stream().filter(answer -> answer.status() == 422)).hasSize(PEOPLE - 1);
    assertThat(inPlace(slot)).isEqualTo(1);
    // Nor by receiving into it, nor by saying again that an undone move holds.
    List<Answer> receipts =
        atOnce(
            i ->
                api.post(
                    "/api/spools",
                    "{\"material\": \"PLA\", \"colourName\": \"late %d\", \"placeId\": %d}"
                        .formatted(i, slot)));
    assertThat(done(receipts)).isZero();
    long move =
        moves.stream().filter(answer -> answer.status() < 300).findFirst().orElseThrow().act();
    assertThat(api.undo(move).status()).isEqualTo(200);
    String other =
        codes.stream()
            .filter(code -> !(moves.get(codes.indexOf(code)).status() < 300))
            .findFirst()
            .orElseThrow();
    posted("/api/spools/" + other + "/moves", toSlot);
    Answer again = api.redo(move);
    assertThat(again.status()).isEqualTo(422);
    assertThat(again.field()).isEqualTo("placeId");
    assertThat(inPlace(slot)).isEqualTo(1);
  }

  @Test
  void aDryerRunsOneCycleAndASpoolInOne() throws Exception {
    long room = addRoom("cycle room", 21, 45);
    List<Long> dryers = new ArrayList<>();
    for (int i = 0; i < 3; i++) {
      dryers.add(addPlaceIn(room, "racing dryer " + i, "DRYER", ", \"ratedMaxC\": 70"));
    }
    for (long dryer : dryers) {
      assertThat(
              api.change(
                      "/api/dryers/" + dryer,
                      "{\"kind\": \"LABORATORY_OVEN\", \"slots\": 4, \"ratedMaxC\": 70}")
                  .status())
          .isEqualTo(200);
    }
    String code = receive(room, "raced");
    List<Answer> starts =
        atOnce(
            i ->
                api.post(
                    "/api/cycles",
                    "{\"dryerId\": %d, \"codes\": [\"%s\"], \"hours\": 4}"
                        .formatted(dryers.get(i % dryers.size()), code)));
    assertThat(done(starts)).as(starts.toString()).isEqualTo(1);
    long open =
        api.get("/api/cycles")
            .body()
            .valueStream()
            .filter(cycle -> dryers.contains(cycle.get("dryerId").asLong()))
            .filter(cycle -> !cycle.get("stage").asString().equals("STOPPED"))
            .count();
    assertThat(open).isEqualTo(1);
  }

  @Test
  void oneLotForEightReceipts() throws Exception {
    long room = addRoom("lot room", 21, 45);
    List<Answer> receipts =
        atOnce(
            i ->
                api.post(
                    "/api/spools",
                    "{\"material\": \"ABS\", \"colourName\": \"grey\", \"placeId\": %d, \"lot\": {\"maker\": \"Weir 8\", \"batch\": \"7\"}}"
                        .formatted(room)));
    assertThat(done(receipts)).isEqualTo(PEOPLE);
    List<JsonNode> lots =
        api.get("/api/lots")
            .body()
            .valueStream()
            .filter(lot -> lot.get("maker").asString().equals("Weir 8"))
            .toList();
    assertThat(lots).hasSize(1);
    assertThat(lots.get(0).get("spools")).hasSize(PEOPLE);
  }

  @Test
  void theWeekIsAWholeAndAStaleOneIsRefused() throws Exception {
    int version = api.get("/api/attendance").body().get("version").asInt();
    List<Answer> weeks =
        atOnce(
            i ->
                api.put(
                    "/api/attendance",
                    "{\"version\": %d, \"windows\": [{\"weekday\": %d, \"fromMin\": 480, \"toMin\": 720}]}"
                        .formatted(version, 1 + i % 7)));
    assertThat(done(weeks)).isEqualTo(1);
    Answer stale =
        weeks.stream().filter(answer -> answer.status() == 409).findFirst().orElseThrow();
    assertThat(stale.body().at("/current/version").asInt()).isEqualTo(version + 1);
    assertThat(stale.body().at("/current/windows")).hasSize(1);
    assertThat(api.get("/api/attendance").body().get("windows")).hasSize(1);
    api.change("/api/attendance", "{\"windows\": []}");
  }

  @Test
  void aStaleChangeOfAPlaceShowsBothAndUndoesNothing() {
    long place = addPlace("racing rack", "OPEN_SHELF");
    assertThat(
            api.put(
                    "/api/places/" + place,
                    "{\"name\": \"racing rack of Ada\", \"capacity\": 9, \"version\": 0}")
                .status())
        .isEqualTo(200);
    Answer stale =
        api.put("/api/places/" + place, "{\"name\": \"racing rack of Ben\", \"version\": 0}");
    assertThat(stale.status()).isEqualTo(409);
    assertThat(stale.body().at("/current/name").asString()).isEqualTo("racing rack of Ada");
    assertThat(stale.body().at("/current/capacity").asInt()).isEqualTo(9);
    Answer unversioned = api.put("/api/places/" + place, "{\"name\": \"racing rack\"}");
    assertThat(unversioned.field()).isEqualTo("version");
    assertThat(api.get("/api/places/" + place).body().at("/place/name").asString())
        .isEqualTo("racing rack of Ada");
  }

  @Test
  void placesCannotStandInEachOther() throws Exception {
    long a = addPlace("left", "OPEN_SHELF");
    long b = addPlace("right", "OPEN_SHELF");
    List<Answer> moves =
        atOnce(
            i ->
                i % 2 == 0
                    ? api.put(
                        "/api/places/" + a,
                        "{\"name\": \"left\", \"withinId\": %d, \"version\": 0}".formatted(b))
                    : api.put(
                        "/api/places/" + b,
                        "{\"name\": \"right\", \"withinId\": %d, \"version\": 0}".formatted(a)));
    assertThat(done(moves)).isEqualTo(1);
    assertThat(api.get("/api/shelf").status()).isEqualTo(200);
    assertThat(api.get("/api/places/" + a).status()).isEqualTo(200);
  }

  private Answer withKey(String key, String path, String json) {
    return api.send(
        HttpRequest.newBuilder(URI.create(api.address(path)))
            .header("Content-Type", "application/json")
            .header("Idempotency-Key", key)
            .POST(BodyPublishers.ofString(json)));
  }

  @Test
  void theSameActSentTwiceIsStoredOnce() throws Exception {
    long room = addRoom("key room", 21, 45);
    String code = receive(room, "keyed");
    String key = UUID.randomUUID().toString();
    String path = "/api/spools/" + code + "/weighings";
    List<Answer> sent = atOnce(i -> withKey(key, path, "{\"grossMassG\": 1100}"));
    assertThat(done(sent)).isEqualTo(PEOPLE);
    assertThat(sent.stream().map(answer -> answer.raw().body()).distinct()).hasSize(1);
    long weighings =
        api.get("/api/spools/" + code)
            .body()
            .get("facts")
            .valueStream()
            .filter(fact -> fact.get("kind").asString().equals("WEIGHED"))
            .count();
    assertThat(weighings).isEqualTo(1);
    Answer other = withKey(key, path, "{\"grossMassG\": 1000}");
    assertThat(other.status()).isEqualTo(422);
    assertThat(other.field()).isEqualTo("Idempotency-Key");
    assertThat(withKey("short", path, "{\"grossMassG\": 1000}").field())
        .isEqualTo("Idempotency-Key");
  }

  /** Writers and a reader of the shelf do not wait for one another's connections. */
  @Test
  void tenWritersAndAReaderGoOn() throws Exception {
    long room = addRoom("busy room", 21, 45);
    addPlaceIn(room, "busy box", "GASKET_BOX", "");
    List<String> codes = new ArrayList<>();
    for (int i = 0; i < 10; i++) {
      codes.add(receive(room, "busy " + i));
    }
    ExecutorService all = Executors.newFixedThreadPool(11);
    AtomicBoolean over = new AtomicBoolean();
    List<Integer> bad = java.util.Collections.synchronizedList(new ArrayList<>());
    List<Future<Integer>> writers = new ArrayList<>();
    for (String code : codes) {
      writers.add(
          all.submit(
              () -> {
                for (int i = 0; i < 30; i++) {
                  int status =
                      api.post(
                              "/api/spools/" + code + "/weighings",
                              "{\"grossMassG\": %d}".formatted(1000 - i))
                          .status();
                  if (status != 201) {
                    bad.add(status);
                  }
                }
                return 0;
              }));
    }
    Future<Integer> reader =
        all.submit(
            () -> {
              int looks = 0;
              while (!over.get()) {
                int status = api.get("/api/shelf").status();
                looks++;
                if (status != 200) {
                  bad.add(status);
                }
              }
              return looks;
            });
    for (Future<Integer> writer : writers) {
      // Frozen, it took thirty seconds until the first of them was refused.
      writer.get(25, TimeUnit.SECONDS);
    }
    over.set(true);
    assertThat(reader.get(25, TimeUnit.SECONDS)).isPositive();
    assertThat(bad).isEmpty();
    all.shutdownNow();
  }
}
