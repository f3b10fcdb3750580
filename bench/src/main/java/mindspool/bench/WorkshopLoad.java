package mindspool.bench;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mindspool.simulators.DevicePublisher;

/**
 * Load on a running program: {@code fill HTTP_PORT [SPOOLS]} makes a makerspace of 400 spools and
 * 400 bags and boxes with a year of climate and moves, and times acts on it; {@code stream
 * HTTP_PORT MQTT_PORT PER_SECOND SECONDS} publishes readings, looks at the pages meanwhile, and
 * counts what was stored.
 */
public final class WorkshopLoad {

  private static final int SPOOLS = 400;
  private static final int ROOMS = 6;
  private static final int BAGS = 400;
  private static final int DAYS = 365;
  private static final int STREAM_DEVICES = 25;
  private static final Pattern NUMBER = Pattern.compile("\"readings\":(\\d+)");

  private final HttpClient http = HttpClient.newHttpClient();
  private final String base;
  private final List<String> bagged = new ArrayList<>();

  private WorkshopLoad(int httpPort) {
    this.base = "http://127.0.0.1:" + httpPort;
  }

  static void run(String[] arguments) throws Exception {
    WorkshopLoad load = new WorkshopLoad(Integer.parseInt(arguments[1]));
    if (arguments[0].equals("fill")) {
      load.fill(arguments.length > 2 ? Integer.parseInt(arguments[2]) : SPOOLS);
    } else {
      load.stream(
          Integer.parseInt(arguments[2]),
          Integer.parseInt(arguments[3]),
          Integer.parseInt(arguments[4]));
    }
  }

  private String send(HttpRequest.Builder request) throws IOException, InterruptedException {
    var response = http.send(request.build(), BodyHandlers.ofString());
    if (response.statusCode() >= 300) {
      throw new IOException(response.statusCode() + " " + response.body());
    }
    return response.body();
  }

  private String post(String path, String json) throws IOException, InterruptedException {
    return send(
        HttpRequest.newBuilder(URI.create(base + path))
            .header("Content-Type", "application/json")
            .POST(BodyPublishers.ofString(json)));
  }

  private static String field(String json, String name) {
    Matcher matcher = Pattern.compile("\"" + name + "\":\"?([^\",}]+)").matcher(json);
    if (!matcher.find()) {
      throw new IllegalStateException(name + " is missing in " + json);
    }
    return matcher.group(1);
  }

  private void fill(int spools) throws Exception {
    Random random = new Random(1);
    List<String> rooms = new ArrayList<>();
    for (int i = 0; i < ROOMS; i++) {
      String room =
          field(
              post("/api/places", "{\"name\": \"room %d\", \"kind\": \"ROOM\"}".formatted(i)),
              "id");
      rooms.add(room);
      upload(room, log(random));
      System.out.println("room " + i + " has a year of climate");
    }
    String[] materials = {"PLA", "PETG", "ABS", "ASA", "PA6", "PA12", "TPU95A", "PC"};
    for (int i = 0; i < spools; i++) {
      int age = 30 + random.nextInt(DAYS - 40);
      String code =
          field(
              post(
                  "/api/spools",
                  "{\"material\": \"%s\", \"colourName\": \"no %d\", \"colourHex\": \"#667788\", \"arrival\": \"OPEN\", \"grossMassG\": 1215, \"emptyReelG\": 215, \"placeId\": %s, \"arrivedAt\": \"%s\"}"
                      .formatted(
                          materials[i % materials.length], i, rooms.get(i % ROOMS), ago(age))),
              "code");
      for (int move = 1; move <= 3; move++) {
        post(
            "/api/spools/" + code + "/moves",
            "{\"placeId\": %s, \"at\": \"%s\"}"
                .formatted(rooms.get((i + move) % ROOMS), ago(age - move * age / 4)));
      }
      post(
          "/api/spools/" + code + "/weighings",
          "{\"grossMassG\": 900, \"at\": \"%s\"}".formatted(ago(age / 2)));
    }
    System.out.println(spools + " spools stored");
    long start = System.nanoTime();
    fillBags(random, rooms, materials);
    awaitAll(start);
    timeActs(rooms);
  }

  /** Closed bags and boxes, a quarter of them with a spool in it for most of a year. */
  private void fillBags(Random random, List<String> rooms, String[] materials) throws Exception {
    List<String> bags = new ArrayList<>();
    for (int i = 0; i < BAGS; i++) {
      String kind = i % 10 == 0 ? "GASKET_BOX" : "ZIP_BAG";
      bags.add(
          field(
              post(
                  "/api/places",
                  "{\"name\": \"bag %d\", \"kind\": \"%s\", \"withinId\": %s}"
                      .formatted(i, kind, rooms.get(i % ROOMS))),
              "id"));
    }
    for (int i = 0; i < BAGS; i += 4) {
      int age = 200 + random.nextInt(DAYS - 210);
      String code =
          field(
              post(
                  "/api/spools",
                  "{\"material\": \"%s\", \"colourName\": \"bagged %d\", \"arrival\": \"OPEN\", \"placeId\": %s, \"arrivedAt\": \"%s\"}"
                      .formatted(
                          materials[i % materials.length],
                          i,
                          i % 8 == 0 ? bags.get(i) : rooms.get(i % ROOMS),
                          ago(age))),
              "code");
      if (i % 8 != 0) {
        post(
            "/api/spools/" + code + "/moves",
            "{\"placeId\": %s, \"at\": \"%s\"}".formatted(bags.get(i), ago(age / 2)));
      }
      bagged.add(code);
    }
    post(
        "/api/places/" + bags.get(1) + "/openings",
        "{\"minutes\": 5, \"at\": \"2000-01-02T00:00:00Z\"}");
    System.out.println(BAGS + " bags and boxes stored, a quarter with a spool; computing");
  }

  private void awaitAll(long start) throws Exception {
    while (!field(get("/api/shelf"), "pending").equals("0")) {
      Thread.sleep(250);
    }
    System.out.printf("all computed after %.1f s%n", (System.nanoTime() - start) / 1e9);
  }

  /** How long acts take with all that in stock, ms. */
  private void timeActs(List<String> rooms) throws Exception {
    List<Double> weighings = new ArrayList<>();
    for (int i = 0; i < 20; i++) {
      String path = "/api/spools/" + bagged.get(i % bagged.size()) + "/weighings";
      weighings.add(timed(() -> post(path, "{\"grossMassG\": 905}")));
    }
    String one =
        "{\"material\": \"PLA\", \"colourName\": \"timed\", \"placeId\": %s}"
            .formatted(rooms.get(0));
    List<Double> receipts = new ArrayList<>();
    for (int i = 0; i < 10; i++) {
      receipts.add(timed(() -> post("/api/spools", one)));
    }
    String hundred = "{\"common\": %s, \"reels\": [%s{}]}".formatted(one, "{},".repeat(99));
    double delivery = timed(() -> post("/api/deliveries", hundred));
    System.out.printf(
        "weighing: median %.0f ms, worst %.0f; receiving: median %.0f ms, worst %.0f; a delivery of 100: %.0f ms%n",
        median(weighings),
        weighings.stream().mapToDouble(d -> d).max().orElse(0),
        median(receipts),
        receipts.stream().mapToDouble(d -> d).max().orElse(0),
        delivery);
    long start = System.nanoTime();
    awaitAll(start);
  }

  private static double median(List<Double> values) {
    return values.stream().sorted().toList().get(values.size() / 2);
  }

  private interface Sending {
    String send() throws Exception;
  }

  private static double timed(Sending act) throws Exception {
    long start = System.nanoTime();
    act.send();
    return (System.nanoTime() - start) / 1e6;
  }

  private static Instant ago(int days) {
    return Instant.now().minus(days, ChronoUnit.DAYS);
  }

  private static String log(Random random) {
    StringBuilder log = new StringBuilder("time,temperature C,humidity %\n");
    Instant time = Instant.now().minus(DAYS, ChronoUnit.DAYS).truncatedTo(ChronoUnit.MINUTES);
    double drift = 0;
    for (int i = 0; i < DAYS * 144; i++) {
      drift += -drift / 300 + 0.4 * random.nextGaussian();
      double day = 2 * Math.PI * (i % 144) / 144;
      log.append(time.plus(10L * i, ChronoUnit.MINUTES))
          .append(
              String.format(
                  Locale.ROOT,
                  ",%.1f,%.1f%n",
                  20 + 2 * Math.sin(day) + 0.1 * random.nextGaussian(),
                  Math.max(15, Math.min(90, 48 + 4 * Math.cos(day) + drift))));
    }
    return log.toString();
  }

  private void upload(String place, String log) throws Exception {
    String boundary = UUID.randomUUID().toString();
    String body =
        "--%s\r\nContent-Disposition: form-data; name=\"zone\"\r\n\r\nUTC\r\n--%s\r\nContent-Disposition: form-data; name=\"file\"; filename=\"year.csv\"\r\n\r\n%s\r\n--%s--\r\n"
            .formatted(boundary, boundary, log, boundary);
    String path = "/api/places/" + place + "/climate-files";
    String preview =
        send(
            HttpRequest.newBuilder(URI.create(base + path))
                .header("Content-Type", "multipart/form-data; boundary=" + boundary)
                .POST(BodyPublishers.ofString(body)));
    post(path + "/" + field(preview, "uploadId") + "/import", "{}");
  }

  private String get(String path) throws IOException, InterruptedException {
    return send(HttpRequest.newBuilder(URI.create(base + path)));
  }

  private void stream(int mqttPort, int perSecond, int seconds) throws Exception {
    String run = Long.toString(System.currentTimeMillis(), 36);
    long before = stored();
    List<String> rooms = rooms();
    for (int i = 0; i < STREAM_DEVICES; i++) {
      // A few of them measure rooms full of spools, so that their readings have consequences.
      String place = i < ROOMS && i < rooms.size() ? rooms.get(i) : "null";
      post(
          "/api/devices",
          """
          {"name": "stream %s %d", "kind": "HYGROMETER", "placeId": %s, "channels": [
           {"topicFilter": "%s/%d", "pointer": "/t", "unit": "CELSIUS", "timePointer": "/at"},
           {"topicFilter": "%s/%d", "pointer": "/h", "unit": "PERCENT", "timePointer": "/at"}]}
          """
              .formatted(run, i, place, run, i, run, i));
    }
    Thread asking = new Thread(this::look, "looking");
    asking.setDaemon(true);
    long sent = 0;
    long start = System.nanoTime();
    try (DevicePublisher publisher = new DevicePublisher("127.0.0.1", mqttPort).connect(10_000)) {
      asking.start();
      while (System.nanoTime() - start < seconds * 1_000_000_000L) {
        long due = (System.nanoTime() - start) * perSecond / 1_000_000_000L;
        for (; sent < due; sent++) {
          publisher.publish(
              run + "/" + sent % STREAM_DEVICES,
              "{\"t\": %d, \"h\": %d, \"at\": %d}"
                  .formatted(
                      18 + sent / 5000 % 5,
                      40 + sent / 3000 % 20,
                      System.currentTimeMillis() - 600_000 + sent / STREAM_DEVICES));
        }
        Thread.sleep(2);
      }
    }
    asking.interrupt();
    double took = (System.nanoTime() - start) / 1e9;
    long stored = 0;
    for (int i = 0; i < 120 && stored < 2 * sent; i++) {
      Thread.sleep(500);
      stored = stored() - before;
    }
    System.out.printf(
        Locale.ROOT,
        "%d messages acknowledged in %.0f s (%.0f/s), each of two readings; stored %d of %d readings%n",
        sent,
        took,
        sent / took,
        stored,
        2 * sent);
    printLatencies();
  }

  private List<String> rooms() throws IOException, InterruptedException {
    Matcher matcher = Pattern.compile("\"id\":(\\d+),\"name\":\"room").matcher(get("/api/places"));
    List<String> rooms = new ArrayList<>();
    while (matcher.find()) {
      rooms.add(matcher.group(1));
    }
    return rooms;
  }

  private long stored() throws IOException, InterruptedException {
    Matcher matcher = NUMBER.matcher(get("/api/devices"));
    long sum = 0;
    while (matcher.find()) {
      sum += Long.parseLong(matcher.group(1));
    }
    return sum;
  }

  /** How long the pages' answers took, ms, by page. */
  private final Map<String, List<Long>> latenciesMs = new LinkedHashMap<>();

  /** Asks for what a person looks at, one page after the other, a few times a second. */
  private void look() {
    try {
      String code = field(get("/api/shelf"), "code");
      Map<String, String> pages =
          Map.of(
              "shelf", "/api/shelf",
              "spool", "/api/spools/" + code,
              "place", "/api/places/1",
              "devices", "/api/devices");
      while (!Thread.currentThread().isInterrupted()) {
        for (Map.Entry<String, String> page : pages.entrySet()) {
          long start = System.nanoTime();
          get(page.getValue());
          long took = (System.nanoTime() - start) / 1_000_000;
          synchronized (latenciesMs) {
            latenciesMs.computeIfAbsent(page.getKey(), key -> new ArrayList<>()).add(took);
          }
          Thread.sleep(250);
        }
      }
    } catch (IOException | InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private void printLatencies() {
    synchronized (latenciesMs) {
      if (latenciesMs.isEmpty()) {
        System.out.println("no page answered");
      }
      latenciesMs.forEach(
          (page, taken) -> {
            long[] sorted = taken.stream().mapToLong(Long::longValue).sorted().toArray();
            System.out.printf(
                "%s meanwhile: %d times, median %d ms, 95 %% within %d ms, worst %d ms; %d over 300 ms%n",
                page,
                sorted.length,
                sorted[sorted.length / 2],
                sorted[(int) (0.95 * (sorted.length - 1))],
                sorted[sorted.length - 1],
                Arrays.stream(sorted).filter(ms -> ms > 300).count());
          });
    }
  }
}
