package mindspool.server.acts;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.LongStream;
import mindspool.server.support.Api.Answer;
import mindspool.server.support.PrintingTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;

/**
 * People start, end, move, dry, undo and do again in any order: no printer, plate, spool or dryer
 * is ever in two works at once, no print is without its job, and what is undone leaves nothing.
 */
class OneWorkAtATimeTest extends PrintingTest {

  private static final int ACTS = 40;

  private final List<Long> acts = new ArrayList<>();
  private final List<Long> printers = new ArrayList<>();
  private final List<Long> plates = new ArrayList<>();
  private final List<String> codes = new ArrayList<>();
  private final List<Long> jobs = new ArrayList<>();
  private final List<Long> places = new ArrayList<>();
  private final List<Long> dryers = new ArrayList<>();

  /** Two printers, two plates, two dryers and three spools; each job has a sheet of its own. */
  private void aWorkshop(Random random) {
    printers.addAll(List.of(printer, place("Second press " + made, "PRINTER_HOLDER", room)));
    plates.addAll(
        List.of(
            plate,
            created(
                "/api/plates",
                "{\"name\": \"other %d\", \"kind\": \"glass_4\", \"surface\": \"glass\"}"
                    .formatted(made))));
    places.addAll(List.of(place("Shelf " + made, "OPEN_SHELF", room), printers.get(0)));
    for (int i = 0; i < 2; i++) {
      dryers.add(addPlaceIn(room, "Dryer " + made + i, "DRYER", ", \"capacity\": 2"));
    }
    for (int i = 0; i < 3; i++) {
      codes.add(spool("PLA"));
    }
    for (int i = 0; i < 5; i++) {
      long job = job(codes.get(i % codes.size()));
      printer = printers.get(random.nextInt(2));
      plate = plates.get(random.nextInt(2));
      setUp(job, "");
      jobs.add(job);
    }
  }

  private <T> T any(List<T> of, Random random) {
    return of.get(random.nextInt(of.size()));
  }

  private List<JsonNode> running() {
    List<JsonNode> running = new ArrayList<>();
    for (JsonNode run : api.get("/api/prints").body().get("running")) {
      if (printers.contains(run.get("printerId").asLong())) {
        running.add(run);
      }
    }
    return running;
  }

  private List<JsonNode> cycles() {
    List<JsonNode> open = new ArrayList<>();
    for (JsonNode cycle : api.get("/api/cycles").body()) {
      if (dryers.contains(cycle.get("dryerId").asLong())
          && !cycle.get("stage").asString().equals("STOPPED")) {
        open.add(cycle);
      }
    }
    return open;
  }

  /** Something that somebody does; it may be refused. */
  private Answer act(Random random) {
    String code = any(codes, random);
    long job = any(jobs, random);
    List<JsonNode> prints = running();
    List<JsonNode> cycles = cycles();
    return switch (random.nextInt(10)) {
      case 0 -> api.post("/api/prints", "{\"jobId\": %d, \"overrides\": []}".formatted(job));
      case 1 ->
          api.post(
              "/api/jobs/" + job + "/start",
              "{\"code\": \"%s\", \"placeId\": %d}".formatted(code, any(printers, random)));
      case 2 ->
          prints.isEmpty()
              ? api.post("/api/jobs/" + job + "/done", "")
              : api.post(
                  "/api/prints/" + any(prints, random).get("id").asLong() + "/finish",
                  random.nextBoolean()
                      ? "{\"outcome\": \"GOOD\", \"ending\": \"HELD\"}"
                      : "{\"outcome\": \"CANCELLED\"}");
      case 3 ->
          api.post(
              "/api/cycles",
              "{\"dryerId\": %d, \"codes\": [\"%s\"], \"setpointC\": 45, \"hours\": 6}"
                  .formatted(any(dryers, random), code));
      case 4 ->
          cycles.isEmpty()
              ? api.post(
                  "/api/spools/" + code + "/moves",
                  "{\"placeId\": %d}".formatted(any(dryers, random)))
              : api.post(
                  "/api/cycles/" + any(cycles, random).get("id").asLong() + "/acts",
                  switch (random.nextInt(3)) {
                    case 0 -> "{\"act\": \"ADD\", \"code\": \"%s\"}".formatted(code);
                    case 1 ->
                        "{\"act\": \"REMOVE\", \"code\": \"%s\", \"placeId\": %d}"
                            .formatted(code, places.get(0));
                    default -> "{\"act\": \"STOP\", \"placeId\": %d}".formatted(places.get(0));
                  });
      case 5 ->
          api.post(
              "/api/spools/" + code + "/moves", "{\"placeId\": %d}".formatted(any(places, random)));
      case 6, 7 -> acts.isEmpty() ? api.get("/api/jobs") : api.redo(any(acts, random));
      default -> acts.isEmpty() ? api.get("/api/jobs") : api.undo(any(acts, random));
    };
  }

  private void assertPossible(String after) {
    Set<Object> taken = new HashSet<>();
    Set<String> printing = new HashSet<>();
    Set<Long> printed = new TreeSet<>();
    for (JsonNode run : running()) {
      String said = after + " " + run;
      assertThat(taken.add("printer " + run.get("printerId"))).as(said).isTrue();
      assertThat(taken.add("code " + run.get("code"))).as(said).isTrue();
      assertThat(run.get("plateId").isNull() || taken.add("plate " + run.get("plateId")))
          .as(said)
          .isTrue();
      printing.add(run.get("code").asString());
      assertThat(printed.add(run.get("jobId").asLong())).as(said).isTrue();
    }
    for (JsonNode cycle : cycles()) {
      assertThat(taken.add("dryer " + cycle.get("dryerId"))).as(after + " " + cycle).isTrue();
      for (JsonNode code : cycle.get("codes")) {
        assertThat(taken.add("dried " + code)).as(after + " " + cycle).isTrue();
        assertThat(printing).as(after + " " + cycle).doesNotContain(code.asString());
      }
    }
    Set<Long> started = new TreeSet<>();
    for (JsonNode job : api.get("/api/jobs").body()) {
      if (jobs.contains(job.get("id").asLong()) && !job.get("startedS").isNull()) {
        started.add(job.get("id").asLong());
      }
    }
    assertThat(printed).as(after).isEqualTo(started);
  }

  private String asItIs() {
    StringBuilder all = new StringBuilder();
    for (String code : codes) {
      JsonNode spool = api.get("/api/spools/" + code).body().get("spool");
      all.append(code).append(spool.get("placeId")).append(spool.get("remainingG")).append('\n');
    }
    for (JsonNode job : api.get("/api/jobs").body()) {
      if (jobs.contains(job.get("id").asLong())) {
        all.append(job.get("name")).append(job.get("startedS")).append('\n');
      }
    }
    return all.append(running()).append(cycles()).toString();
  }

  static LongStream seeds() {
    return LongStream.rangeClosed(1, Boolean.getBoolean("mindspool.test.long") ? 60 : 3);
  }

  @ParameterizedTest
  @MethodSource("seeds")
  void whateverIsDoneAndUndoneNothingIsInTwoWorks(long seed) {
    Random random = new Random(seed);
    aWorkshop(random);
    String before = asItIs();
    int taken = 0;
    for (int i = 0; i < ACTS; i++) {
      Answer answer = act(random);
      String said =
          answer.raw().request().uri() + " " + answer.status() + " " + answer.raw().body();
      assertThat(answer.status()).as(said).isLessThan(500);
      if (answer.status() < 300) {
        taken++;
        answer.raw().headers().firstValue("Act").map(Long::valueOf).ifPresent(acts::add);
      }
      assertPossible(said);
    }
    assertThat(taken).isGreaterThan(ACTS / 8);
    // All of it taken back, the last first, as often as it takes for what was refused.
    for (int round = 0; round < 3; round++) {
      for (int i = acts.size() - 1; i >= 0; i--) {
        assertThat(api.undo(acts.get(i)).status()).isLessThan(500);
        assertPossible("undoing all");
      }
    }
    assertThat(asItIs()).isEqualTo(before);
  }

  @Test
  void anEndIsNotTakenBackUnderThePrintThatCameAfter() {
    aWorkshop(new Random(7));
    printer = printers.get(0);
    plate = plates.get(0);
    long first = job(codes.get(0));
    setUp(first, "");
    long second = job(codes.get(1));
    setUp(second, "");
    Answer begun = api.post("/api/prints", "{\"jobId\": %d}".formatted(first));
    assertThat(begun.status()).as(begun.raw().body()).isEqualTo(201);
    long run = begun.body().get("id").asLong();
    Answer ended = api.post("/api/prints/" + run + "/finish", "{\"outcome\": \"GOOD\"}");
    assertThat(ended.status()).isEqualTo(200);
    // Its start would take what came of it along.
    Answer start = api.undo(begun.act());
    assertThat(start.status()).isEqualTo(422);
    assertThat(start.detail()).contains("(ended, good)", "Undo first how it ended");
    Answer next = api.post("/api/prints", "{\"jobId\": %d}".formatted(second));
    assertThat(next.status()).isEqualTo(201);
    Answer end = api.undo(ended.act());
    assertThat(end.status()).isEqualTo(422);
    assertThat(end.detail()).contains("prints with that printer now");
    assertThat(api.undo(next.act()).status()).isEqualTo(200);
    assertThat(api.undo(ended.act()).status()).isEqualTo(200);
    assertThat(api.undo(begun.act()).status()).isEqualTo(200);
    assertThat(api.redo(begun.act()).status()).isEqualTo(200);
  }
}
