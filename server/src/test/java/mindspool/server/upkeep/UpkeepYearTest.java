package mindspool.server.upkeep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import mindspool.server.support.Api;
import mindspool.server.support.PrintingTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;

/**
 * A year of a printer in any order: prints, corrections, prints taken back, upkeep done, done late,
 * and taken back. What the program says is due is held against a plain count of our own.
 */
class UpkeepYearTest extends PrintingTest {

  private static final long DAY_S = 86_400;
  private static final long YEAR_S = 365 * DAY_S;

  /** Hours and days after which a task is due, by the table. */
  private static final Map<String, double[]> EVERY =
      Map.of(
          "z_screw", new double[] {400, 180},
          "rods", new double[] {250, 90},
          "belts", new double[] {300, 90},
          "fans", new double[] {200, Double.POSITIVE_INFINITY},
          "z_offset", new double[] {50, Double.POSITIVE_INFINITY},
          "cold_pull", new double[] {100, Double.POSITIVE_INFINITY});

  private static final List<String> MATERIALS = List.of("PLA", "PETG", "PA6");

  /**
   * What a change from one to another leaves. By the field notes' nozzle temperatures PLA (190 to
   * 230) and PA6 (245 to 285) have none in common, and PETG (225 to 265) has with both.
   */
  private static final double[][] RESIDUE = {{0, 0, 5}, {1, 0, 0}, {5, 1, 0}};

  private static final double CHANGES_FOR_A_PULL = 5;

  @Autowired private JdbcTemplate jdbc;

  private final Random random = new Random(2026);
  private final Map<Long, double[]> prints = new HashMap<>();
  private final Map<String, List<Long>> done = new HashMap<>();
  private final List<Act> acts = new ArrayList<>();

  /** An act of upkeep that may be taken back. */
  private record Act(long number, String task, long atS) {}

  private long aPrint(long endS, double hours, String material) {
    long template = jdbc.queryForObject("select max(id) from print_run", Long.class);
    // A copy of a print that went through the program, at another time.
    List<String> columns =
        jdbc.queryForList(
            "select column_name from information_schema.columns where table_name = 'PRINT_RUN'"
                + " and column_name <> 'ID'",
            String.class);
    String all = String.join(", ", columns);
    jdbc.update(
        "insert into print_run (" + all + ") select " + all + " from print_run where id = ?",
        template);
    long id = jdbc.queryForObject("select max(id) from print_run", Long.class);
    jdbc.update(
        "update print_run set started_s = ?, ended_s = ?, printer_id = ?, material = ?,"
            + " removed_s = null where id = ?",
        endS - Math.round(3600 * hours),
        endS,
        printer,
        material,
        id);
    return id;
  }

  @Test
  void whatIsDueIsWhatAPlainCountSays() {
    long job = job(spool("PLA"));
    setUp(job, "");
    long first = started(job).get("id").asLong();
    api.post("/api/prints/" + first + "/finish", "{\"outcome\": \"GOOD\"}");
    long nowS = Instant.now().getEpochSecond();
    for (int i = 0; i < 250; i++) {
      double hours = 0.5 + 8 * random.nextDouble();
      long endS = nowS - 3600 - Math.round((YEAR_S - DAY_S) * random.nextDouble());
      int material = random.nextInt(MATERIALS.size());
      prints.put(
          aPrint(endS, hours, MATERIALS.get(material)),
          new double[] {endS, Math.round(3600 * hours) / 3600.0, material});
    }
    jdbc.update("update print_run set removed_s = 1 where id = ?", first);
    check(nowS);
    for (int round = 0; round < 12; round++) {
      for (int i = 0; i < 10; i++) {
        something(nowS);
      }
      check(nowS);
    }
  }

  private void something(long nowS) {
    switch (random.nextInt(4)) {
      case 0 -> doneAtSomeTime(nowS);
      case 1 -> takeBack();
      case 2 -> correct();
      default -> removeOrBringBack();
    }
  }

  private void doneAtSomeTime(long nowS) {
    List<String> tasks = EVERY.keySet().stream().sorted().toList();
    String task = tasks.get(random.nextInt(tasks.size()));
    long atS = nowS - 60 - Math.round(YEAR_S * Math.pow(random.nextDouble(), 2));
    Api.Answer answer =
        api.post(
            "/api/upkeep/done",
            ("{\"task\": \"%s\", \"subject\": \"PRINTER\", \"subjectId\": %d, \"at\": \"%s\"}")
                .formatted(task, printer, Instant.ofEpochSecond(atS)));
    assertThat(answer.status()).as(answer.raw().body()).isEqualTo(201);
    acts.add(new Act(answer.act(), task, atS));
    done.computeIfAbsent(task, key -> new ArrayList<>()).add(atS);
  }

  private void takeBack() {
    if (!acts.isEmpty()) {
      Act act = acts.remove(random.nextInt(acts.size()));
      assertThat(api.undo(act.number).status()).isLessThan(300);
      done.get(act.task).remove(Long.valueOf(act.atS));
    }
  }

  private void correct() {
    long id = any();
    double[] print = prints.get(id);
    print[1] = Math.round(3600 * (0.5 + 8 * random.nextDouble())) / 3600.0;
    jdbc.update(
        "update print_run set started_s = ended_s - ? where id = ?",
        Math.round(3600 * print[1]),
        id);
  }

  private void removeOrBringBack() {
    long id = any();
    boolean there =
        jdbc.queryForObject(
                "select count(*) from print_run where id = ? and removed_s is null",
                Integer.class,
                id)
            == 1;
    jdbc.update("update print_run set removed_s = ? where id = ?", there ? 1L : null, id);
  }

  private long any() {
    List<Long> ids = prints.keySet().stream().sorted().toList();
    return ids.get(random.nextInt(ids.size()));
  }

  /** Where nobody said when it was last done, counting begins before the first print. */
  private long beforeTheFirst(List<Long> there) {
    return there.stream()
            .filter(prints::containsKey)
            .mapToLong(id -> (long) prints.get(id)[0])
            .min()
            .orElseThrow()
        - 1;
  }

  /** Changes between prints that follow one another, each counted at the end of the first. */
  private double residue(List<Long> there, long lastS) {
    List<double[]> inOrder =
        there.stream()
            .map(prints::get)
            .filter(print -> print != null)
            .sorted(Comparator.comparingDouble(print -> print[0] - Math.round(3600 * print[1])))
            .toList();
    double sum = 0;
    for (int i = 1; i < inOrder.size(); i++) {
      double[] before = inOrder.get(i - 1);
      if (before[0] > lastS) {
        sum += RESIDUE[(int) before[2]][(int) inOrder.get(i)[2]];
      }
    }
    return sum;
  }

  private void check(long nowS) {
    Map<String, JsonNode> said = new HashMap<>();
    for (JsonNode item : api.get("/api/upkeep").body().get("items")) {
      if (item.get("subject").asString().equals("PRINTER")
          && item.get("subjectId").asLong() == printer) {
        said.put(item.get("task").asString(), item);
      }
    }
    List<Long> there =
        jdbc.queryForList(
            "select id from print_run where printer_id = ? and removed_s is null",
            Long.class,
            printer);
    EVERY.forEach(
        (task, every) -> {
          long lastS =
              done.getOrDefault(task, List.of()).stream()
                  .mapToLong(at -> at)
                  .max()
                  .orElseGet(() -> beforeTheFirst(there));
          double hours = 0;
          for (long id : there) {
            double[] print = prints.get(id);
            if (print != null && print[0] > lastS) {
              hours += print[1];
            }
          }
          double changes = residue(there, lastS);
          JsonNode item = said.get(task);
          for (JsonNode count : item.get("counts")) {
            double expected =
                switch (count.get("counter").asString()) {
                  case "HOURS" -> hours;
                  case "RESIDUE" -> changes;
                  default -> (nowS - lastS) / (double) DAY_S;
                };
            boolean ofDays = count.get("counter").asString().equals("DAYS");
            assertThat(count.get("used").asDouble())
                .as(task + " " + count.get("counter"))
                .isEqualTo(expected, within(ofDays ? 0.05 : 1e-6));
          }
          double share = Math.max(hours / every[0], (nowS - lastS) / (double) DAY_S / every[1]);
          if (task.equals("cold_pull")) {
            share = Math.max(share, changes / CHANGES_FOR_A_PULL);
          }
          // Where it turns within the seconds that the test takes, either is right.
          if (Math.abs(share - 1) > 1e-3 && Math.abs(share - 0.8) > 1e-3) {
            assertThat(item.get("state").asString())
                .as(task + " at " + share)
                .isEqualTo(share >= 1 ? "DUE" : share >= 0.8 ? "SOON" : "LATER");
          }
        });
  }
}
