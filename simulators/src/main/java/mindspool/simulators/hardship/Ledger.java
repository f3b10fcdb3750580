package mindspool.simulators.hardship;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import mindspool.simulators.hardship.Http.Answer;
import tools.jackson.databind.JsonNode;

/**
 * People at work who note every act that the program acknowledged, of every kind there is, and look
 * afterwards whether each is still there.
 */
public final class Ledger {

  private final Http http;
  private final List<Entry> entries = Collections.synchronizedList(new ArrayList<>());
  private long room;
  private long box;
  private final List<String> codes = Collections.synchronizedList(new ArrayList<>());
  private int names;

  /**
   * One acknowledged act.
   *
   * @param kind what was done
   * @param list address of what shows it
   * @param pointer JSON pointer to the list of all of its kind
   * @param key field of a list's element that tells it, or several joined by +
   * @param value of that field
   */
  private record Entry(String kind, String list, String pointer, String key, String value) {}

  /** Something that a person does, with its kind. */
  private interface Act {
    void does(Random random) throws IOException;
  }

  private final Map<String, Act> acts = new LinkedHashMap<>();

  /** People at a program's port. */
  public Ledger(int port) {
    this.http = new Http(port);
    acts.put("place", this::addPlace);
    acts.put("receive", this::receive);
    acts.put("move", random -> fact(random, "moves", this::moveTo, "move"));
    acts.put("weigh", random -> fact(random, "weighings", this::mass, "weigh"));
    acts.put("loose end", random -> fact(random, "end", r -> "{\"act\": \"DROP\"}", "loose end"));
    acts.put("heat", random -> fact(random, "heat-events", r -> "{\"temperatureC\": 55}", "heat"));
    acts.put("dust", random -> fact(random, "quarantine", r -> "{}", "dust"));
    acts.put("cleaning", random -> fact(random, "cleanings", r -> "{}", "cleaning"));
    acts.put("box opened", random -> container("openings", "{\"minutes\": 2}"));
    acts.put(
        "desiccant",
        random -> container("desiccant", "{\"kind\": \"silica_gel\", \"massG\": 100}"));
    acts.put("typed climate", this::typeClimate);
    acts.put("outlook", this::expect);
    acts.put("device", this::addDevice);
    acts.put("job", this::addJob);
    acts.put("rename", this::rename);
    acts.put("undo", this::undo);
  }

  /** Makes a room, a box in it and some spools, so that there is something to work with. */
  public void prepare() throws IOException {
    room = added("/api/places", "{\"name\": \"ledger room\", \"kind\": \"ROOM\"}", "id");
    box =
        added(
            "/api/places",
            "{\"name\": \"ledger box\", \"kind\": \"GASKET_BOX\", \"withinId\": %d}"
                .formatted(room),
            "id");
    Random random = new Random(1);
    for (int i = 0; i < 5; i++) {
      receive(random);
    }
  }

  private long added(String path, String json, String field) throws IOException {
    Answer answer = http.post(path, json);
    if (!answer.isDone()) {
      throw new IllegalStateException(path + ": " + answer.body());
    }
    return answer.json().get(field).asLong();
  }

  /** Works until the program is gone; what it acknowledged until then stands in the ledger. */
  public void work(long seed) {
    Random random = new Random(seed);
    List<Act> all = new ArrayList<>(acts.values());
    try {
      while (!Thread.currentThread().isInterrupted()) {
        all.get(random.nextInt(all.size())).does(random);
      }
    } catch (IOException gone) {
      // Killed: what was not acknowledged may or may not be there.
    }
  }

  /** Does so many acts. */
  public void work(long seed, int count) throws IOException {
    Random random = new Random(seed);
    List<Act> all = new ArrayList<>(acts.values());
    for (int i = 0; i < count; i++) {
      all.get(random.nextInt(all.size())).does(random);
    }
  }

  /** How many acts of each kind were acknowledged. */
  public Map<String, Integer> acknowledged() {
    Map<String, Integer> counts = new TreeMap<>();
    synchronized (entries) {
      entries.forEach(entry -> counts.merge(entry.kind, 1, Integer::sum));
    }
    return counts;
  }

  public int size() {
    return entries.size();
  }

  /** All kinds of acts that people do here. */
  public Set<String> kinds() {
    return acts.keySet();
  }

  /** What was acknowledged and is no longer there. */
  public List<String> lost() throws IOException {
    Map<String, Set<String>> shown = new HashMap<>();
    List<String> lost = new ArrayList<>();
    for (Entry entry : List.copyOf(entries)) {
      String where = entry.list + " " + entry.pointer + " " + entry.key;
      if (!shown.containsKey(where)) {
        Set<String> values = new HashSet<>();
        for (JsonNode each : http.get(entry.list).json().at(entry.pointer)) {
          values.add(
              Arrays.stream(entry.key.split("\\+"))
                  .map(field -> each.path(field).asString())
                  .collect(Collectors.joining(":")));
        }
        shown.put(where, values);
      }
      if (!shown.get(where).contains(entry.value)) {
        lost.add(entry.toString());
      }
    }
    return lost;
  }

  private void note(String kind, Answer answer, String field, String list, String pointer) {
    note(kind, answer, field, list, pointer, "id");
  }

  private void note(
      String kind, Answer answer, String field, String list, String pointer, String key) {
    if (answer.isDone()) {
      entries.add(new Entry(kind, list, pointer, key, answer.json().get(field).asString()));
    }
  }

  /** Notes an act that must be found again among the facts of a page. */
  private void noteAct(String kind, Answer answer, String page) {
    if (answer.isDone()) {
      entries.add(new Entry(kind, page, "/facts", "actId", answer.act()));
    }
  }

  private synchronized String name(String what) {
    return what + " " + ++names;
  }

  private String spool(Random random) {
    return codes.get(random.nextInt(codes.size()));
  }

  private void addPlace(Random random) throws IOException {
    String json =
        "{\"name\": \"%s\", \"kind\": \"OPEN_SHELF\", \"withinId\": %d}"
            .formatted(name("shelf"), room);
    note("place", http.post("/api/places", json), "id", "/api/places", "");
  }

  private void receive(Random random) throws IOException {
    String json =
        "{\"material\": \"PETG\", \"colourName\": \"%s\", \"arrival\": \"OPEN\", \"placeId\": %d}"
            .formatted(name("colour"), room);
    Answer answer = http.post("/api/spools", json);
    note("receive", answer, "code", "/api/shelf", "/spools", "code");
    if (answer.isDone()) {
      codes.add(answer.json().get("code").asString());
    }
  }

  private interface Body {
    String of(Random random);
  }

  private void fact(Random random, String path, Body body, String kind) throws IOException {
    String code = spool(random);
    Answer answer = http.post("/api/spools/" + code + "/" + path, body.of(random));
    noteAct(kind, answer, "/api/spools/" + code);
  }

  private String moveTo(Random random) {
    return "{\"placeId\": %d}".formatted(random.nextBoolean() ? room : box);
  }

  private String mass(Random random) {
    return "{\"grossMassG\": %d}".formatted(500 + random.nextInt(700));
  }

  private void container(String path, String json) throws IOException {
    noteAct(
        path,
        http.post("/api/places/" + box + "/" + path, json),
        "/api/places/" + box + "/storage");
  }

  private void typeClimate(Random random) throws IOException {
    String json = "{\"temperatureC\": 21, \"relativeHumidityPercent\": %d}";
    note(
        "typed climate",
        http.post(
            "/api/places/" + room + "/typed-climates", json.formatted(30 + random.nextInt(40))),
        "id",
        "/api/places/" + room,
        "/typed");
  }

  private void expect(Random random) throws IOException {
    String json =
        "{\"name\": \"away\", \"temperatureC\": 15, \"relativeHumidityPercent\": 60, \"until\": \"%s\"}"
            .formatted(Instant.now().plusSeconds(86_400));
    note(
        "outlook",
        http.post("/api/places/" + room + "/outlooks", json),
        "id",
        "/api/places/" + room,
        "/planned");
  }

  private void addDevice(Random random) throws IOException {
    String json =
        "{\"name\": \"%s\", \"kind\": \"SCALE\", \"channels\": [{\"topicFilter\": \"a/b\", \"pointer\": \"\", \"unit\": \"GRAM\"}]}"
            .formatted(name("scale"));
    note("device", http.post("/api/devices", json), "id", "/api/devices", "");
  }

  private void addJob(Random random) throws IOException {
    String json =
        "{\"name\": \"%s\", \"material\": \"PETG\", \"grams\": 20, \"hours\": 2, \"startAt\": \"%s\"}"
            .formatted(name("job"), Instant.now().plusSeconds(90_000));
    note("job", http.post("/api/jobs", json), "id", "/api/jobs", "");
  }

  private void rename(Random random) throws IOException {
    Answer added =
        http.post(
            "/api/places", "{\"name\": \"%s\", \"kind\": \"OPEN_SHELF\"}".formatted(name("rack")));
    if (added.isDone()) {
      long id = added.json().get("id").asLong();
      String json =
          "{\"name\": \"%s\", \"version\": %d}"
              .formatted(name("renamed"), added.json().get("version").asInt());
      Answer renamed = http.put("/api/places/" + id, json);
      note("rename", renamed, "name", "/api/places", "", "name");
    }
  }

  private void undo(Random random) throws IOException {
    String code = spool(random);
    Answer weighed = http.post("/api/spools/" + code + "/weighings", mass(random));
    if (weighed.isDone()) {
      String act = weighed.act();
      Answer undone = http.post("/api/acts/" + act + "/undo", "");
      if (undone.isDone()) {
        entries.add(
            new Entry("undo", "/api/spools/" + code, "/facts", "actId+undone", act + ":true"));
      }
    }
  }
}
