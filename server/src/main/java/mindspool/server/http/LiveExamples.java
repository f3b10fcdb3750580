package mindspool.server.http;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/**
 * Things that are truly there, by the names under which the examples of the API document ask for
 * them, so that an example can be sent to the server that gave it. Where there is nothing of a
 * kind, and so on an empty server for all of them, a fixed value stands for it.
 */
@Component
class LiveExamples {

  private static final String OPEN_CYCLE_SPOOLS =
      "select code from cycle_fact where undone_by is null and kind = 'ADDED' and cycle_id in"
          + " (select id from drying_cycle where open_place_id is not null)";
  private static final String IN_STOCK =
      "select code from spool s where not exists (select 1 from spool_fact f where f.spool_id = s.id"
          + " and f.kind = 'EMPTIED' and f.undone_by is null) and code not in ("
          + OPEN_CYCLE_SPOOLS
          + ")";
  private static final String LONGEST_HERE = " order by arrived_s, id limit 1";

  private final JdbcTemplate database;
  private final Clock clock;

  LiveExamples(JdbcTemplate database, Clock clock) {
    this.database = database;
    this.clock = clock;
  }

  /** Values by name. */
  Map<String, Object> values() {
    Map<String, Object> values = new LinkedHashMap<>();
    places(values);
    spools(values);
    devices(values);
    drying(values);
    versions(values);
    times(values);
    return values;
  }

  private void places(Map<String, Object> values) {
    id(values, "room", "select min(id) from place where kind = 'ROOM'");
    id(values, "shelf", "select min(id) from place where kind = 'OPEN_SHELF' and capacity is null");
    id(
        values,
        "newestPlace",
        "select max(id) from place where kind = 'OPEN_SHELF' and removed_s is null");
    id(
        values,
        "container",
        "select coalesce((select min(place_id) from container_fact where undone_by is null),"
            + " (select min(id) from place where kind = 'GASKET_BOX'))");
    id(values, "file", "select max(id) from climate_file");
    id(values, "filePlace", "select place_id from climate_file order by id desc limit 1");
    values.put("upload", "from the answer to the upload");
  }

  private void spools(Map<String, Object> values) {
    code(values, "spool", IN_STOCK + LONGEST_HERE);
    code(values, "otherSpool", IN_STOCK + " order by arrived_s desc, id desc limit 1");
    code(values, "plaSpool", IN_STOCK + " and material = 'PLA'" + LONGEST_HERE);
    code(
        values,
        "sealedSpool",
        IN_STOCK
            + " and arrival = 'SEALED_TIGHT' and not exists (select 1 from spool_fact f"
            + " where f.spool_id = s.id and f.kind = 'OPENED' and f.undone_by is null)"
            + LONGEST_HERE);
    values.put(
        "spoolMaterial",
        first("select material from spool where code = '" + values.get("spool") + "'", String.class)
            .orElse("PETG"));
    id(values, "lot", "select max(id) from lot");
    newest(values, "limit", "own_limit", "removed_s is null");
    id(
        values,
        "heldAct",
        "select max(f.act_id) from spool_fact f where f.kind = 'WEIGHED' and f.undone_by is null");
    id(
        values,
        "undoneAct",
        "select max(f.act_id) from spool_fact f where f.kind = 'WEIGHED'"
            + " and f.undone_by is not null");
  }

  private void devices(Map<String, Object> values) {
    newest(values, "hygrometer", "device", "kind = 'HYGROMETER' and removed_s is null");
    newest(values, "anyHygrometer", "device", "kind = 'HYGROMETER'");
    newest(values, "scale", "device", "kind = 'SCALE'");
  }

  private void drying(Map<String, Object> values) {
    id(
        values,
        "dryer",
        "select coalesce((select max(id) from place p where kind = 'DRYER' and not exists (select 1"
            + " from drying_cycle c where c.open_place_id = p.id)),"
            + " (select max(id) from place where kind = 'DRYER'))");
    id(
        values,
        "cycle",
        "select coalesce((select max(id) from drying_cycle where open_place_id is not null),"
            + " (select max(id) from drying_cycle))");
    code(
        values,
        "cycleSpool",
        "select code from cycle_fact where undone_by is null and code is not null and cycle_id ="
            + " (select max(id) from drying_cycle where open_place_id is not null)"
            + " order by id limit 1");
    newest(values, "job", "print_job", "removed_s is null and done_s is null");
    newest(values, "anyJob", "print_job", "");
    newest(values, "route", "alert_route", "removed_s is null");
    printing(values);
  }

  private void printing(Map<String, Object> values) {
    id(
        values,
        "printer",
        "select coalesce((select min(id) from place p where kind = 'PRINTER_HOLDER' and removed_s is"
            + " null and not exists (select 1 from print_run r where r.printer_id = p.id and"
            + " r.ended_s is null and r.removed_s is null)),"
            + " (select min(id) from place where kind = 'PRINTER_HOLDER'))");
    newest(values, "plate", "build_plate", "removed_s is null");
    id(
        values,
        "setJob",
        "select min(s.job_id) from job_sheet s join print_job j on j.id = s.job_id"
            + " where j.started_s is null and j.done_s is null and j.removed_s is null");
    id(values, "partJob", "select coalesce(max(job_id), 0) from part_file where removed_s is null");
    id(
        values,
        "meshJob",
        "select coalesce(max(job_id), 0) from part_file where removed_s is null"
            + " and analysis like '{\"kind\":\"stl\"%'");
    id(values, "photo", "select coalesce(max(id), 0) from photo where removed_s is null");
    newest(values, "run", "print_run", "removed_s is null and ended_s is null");
    code(
        values,
        "nextCode",
        "select s.code from spool s, print_run r where r.id = "
            + values.get("run")
            + " and s.material = r.material and s.code not in (r.code, '"
            + values.get("spool")
            + "', '"
            + values.get("otherSpool")
            + "', '"
            + values.get("plaSpool")
            + "') and not exists (select 1 from print_run o where o.open_code = s.code)"
            + " and not exists (select 1 from cycle_fact c join drying_cycle d on d.id = c.cycle_id"
            + " where c.code = s.code and d.open_place_id is not null)"
            + " order by s.id limit 1");
    newest(values, "trouble", "trouble", "removed_s is null and closed_s is null");
    newest(values, "closedTrouble", "trouble", "removed_s is null and closed_s is not null");
    newest(values, "upkeepDone", "upkeep_done", "removed_s is null");
    newest(values, "ownMaterial", "own_material", "removed_s is null");
    version(values, "ownMaterial", "own_material where id = " + values.get("ownMaterial"));
    newest(values, "calibration", "calibration", "removed_s is null");
    newest(values, "supply", "supply", "removed_s is null");
    version(values, "supply", "supply where id = " + values.get("supply"));
    newest(values, "upkeepTask", "upkeep_task", "removed_s is null");
    version(values, "upkeepTask", "upkeep_task where id = " + values.get("upkeepTask"));
    newest(values, "endedRun", "print_run", "removed_s is null and ended_s is not null");
    version(values, "printer", "printer where place_id = " + values.get("printer"));
    version(values, "plate", "build_plate where id = " + values.get("plate"));
    version(values, "trouble", "trouble where id = " + values.get("trouble"));
    version(values, "sheet", "job_sheet where job_id = " + values.get("setJob"));
  }

  /** Of what a PUT changes. */
  private void versions(Map<String, Object> values) {
    Map.of(
            "newestPlace", "place",
            "hygrometer", "device",
            "lot", "lot",
            "route", "alert_route",
            "job", "print_job")
        .forEach((name, table) -> version(values, name, table + " where id = " + values.get(name)));
    version(values, "dryer", "dryer where place_id = " + values.get("dryer"));
    version(values, "week", "attendance_week");
    version(values, "spool", "spool where code = '" + values.get("spool") + "'");
  }

  private void version(Map<String, Object> values, String name, String where) {
    values.put(name + "Version", first("select version from " + where, Integer.class).orElse(0));
  }

  /** On an empty server the document is the same whenever it is asked for. */
  private void times(Map<String, Object> values) {
    boolean empty = first("select count(*) from place", Long.class).orElse(0L) == 0;
    Instant now = empty ? Instant.parse("2030-03-04T10:00:00Z") : clock.instant();
    Instant exact = now.truncatedTo(ChronoUnit.SECONDS);
    Map.of("yesterday", -24, "anHourAgo", -1, "inTwoHours", 2)
        .forEach((name, hours) -> values.put(name, exact.plus(hours, ChronoUnit.HOURS)));
    values.put("tomorrow", exact.plus(24, ChronoUnit.HOURS));
    values.put("dayAfterTomorrow", exact.plus(48, ChronoUnit.HOURS));
  }

  private void newest(Map<String, Object> values, String name, String table, String which) {
    id(values, name, "select max(id) from " + table + (which.isEmpty() ? "" : " where " + which));
  }

  private void newestOf(Map<String, Object> values, String name, String column, String table) {
    id(values, name, "select " + column + " from " + table + " order by id desc limit 1");
  }

  private void id(Map<String, Object> values, String name, String query) {
    values.put(name, first(query, Long.class).orElse(1L));
  }

  private void code(Map<String, Object> values, String name, String query) {
    values.put(name, first(query, String.class).orElse("K7F4"));
  }

  private <T> Optional<T> first(String query, Class<T> type) {
    List<T> found = database.queryForList(query, type);
    return found.isEmpty() ? Optional.empty() : Optional.ofNullable(found.get(0));
  }
}
