package mindspool.simulators.hardship;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Pattern;
import mindspool.simulators.hardship.Http.Answer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Walks every operation of the published API document and sends what it allows, a little wrong or
 * quite wrong. An answer may refuse, but it must say which field is wrong, must not show the
 * program's inside, and must not echo what it was sent at length.
 */
public final class ContractFuzz {

  private static final int LONG = 5_000;
  private static final int SHOWN = 4_000;
  private static final int MOST_ECHO = 200;
  private static final Pattern INSIDE =
      Pattern.compile("\\bat (java|org|mindspool|tools)\\.|Exception|org\\.(hibernate|h2|spring)");
  private static final Set<Integer> NAMES_NO_FIELD = Set.of(403, 404, 405, 406, 409, 503, 507);
  private static final JsonNodeFactory JSON = JsonNodeFactory.instance;

  private final Http http;
  private final Random random;
  private final JsonNode document;
  private final List<Operation> operations = new ArrayList<>();
  private final List<String> faults = new ArrayList<>();
  private final Map<Integer, Integer> statuses = new TreeMap<>();

  private record Operation(String method, String path, JsonNode description) {}

  /**
   * Reads the document of a running program.
   *
   * @param seed tells one run from another; the same gives the same requests
   */
  public ContractFuzz(int port, long seed) throws IOException {
    this.http = new Http(port);
    this.random = new Random(seed);
    this.document = http.get("/api/openapi.json").json();
    for (Map.Entry<String, JsonNode> path : document.get("paths").properties()) {
      for (Map.Entry<String, JsonNode> method : path.getValue().properties()) {
        operations.add(
            new Operation(method.getKey().toUpperCase(), path.getKey(), method.getValue()));
      }
    }
  }

  /** Sends so many requests, each operation in its turn. */
  public void run(int requests) {
    for (int i = 0; i < requests; i++) {
      send(operations.get(i % operations.size()));
    }
  }

  /** What must not have happened, each with the request that did it. */
  public List<String> faults() {
    return List.copyOf(faults);
  }

  /** How often each status was answered. */
  public Map<Integer, Integer> statuses() {
    return Map.copyOf(statuses);
  }

  public int operations() {
    return operations.size();
  }

  private void send(Operation operation) {
    String path = path(operation);
    JsonNode content = operation.description.at("/requestBody/content");
    String type = content.isMissingNode() ? null : contentType(content);
    byte[] body = content.isMissingNode() ? null : body(content, type);
    String shown =
        "%s %s %s %s"
            .formatted(
                operation.method,
                shortened(path),
                type,
                body == null ? "" : shortened(new String(body, StandardCharsets.UTF_8)));
    try {
      Answer answer = http.send(operation.method, path, type, body);
      statuses.merge(answer.status(), 1, Integer::sum);
      judge(answer, shown);
    } catch (IOException | IllegalArgumentException e) {
      faults.add("no answer (" + e + ") to " + shown);
    }
  }

  private static String shortened(String text) {
    return text.length() > SHOWN ? text.substring(0, SHOWN) + "…" : text;
  }

  private void judge(Answer answer, String request) {
    int status = answer.status();
    if (status >= 500 && status != 503 && status != 507) {
      faults.add(status + " for " + request + "\n   " + shortened(answer.body()));
    }
    if (status < 400) {
      return;
    }
    if (INSIDE.matcher(answer.body()).find()) {
      faults.add("inside shown for " + request + "\n   " + shortened(answer.body()));
    }
    if (answer.body().contains("A".repeat(MOST_ECHO + 1))) {
      faults.add("long echo for " + request);
    }
    JsonNode errors = answer.json().path("errors");
    boolean names = !errors.isEmpty() && !errors.get(0).path("field").asString().isEmpty();
    if (!names && !NAMES_NO_FIELD.contains(status)) {
      faults.add(status + " names no field for " + request + "\n   " + shortened(answer.body()));
    }
  }

  private String path(Operation operation) {
    String path = operation.path;
    StringBuilder query = new StringBuilder();
    for (JsonNode parameter : operation.description.path("parameters")) {
      String name = parameter.get("name").asString();
      String value = scalar(parameter.path("schema"));
      if (parameter.get("in").asString().equals("path")) {
        path = path.replace("{" + name + "}", encoded(value.isEmpty() ? "0" : value));
      } else if (parameter.get("in").asString().equals("query")
          && (parameter.path("required").asBoolean() || random.nextBoolean())) {
        query.append(query.isEmpty() ? "?" : "&").append(name).append('=').append(encoded(value));
      }
    }
    return path + query;
  }

  private static String encoded(String text) {
    return java.net.URLEncoder.encode(text, StandardCharsets.UTF_8).replace("+", "%20");
  }

  private String scalar(JsonNode schema) {
    return switch (random.nextInt(8)) {
      case 0 -> "NaN";
      case 1 -> "-1";
      case 2 -> "A".repeat(LONG);
      case 3 -> "1e400";
      case 4 -> "\u0000\ud83d\ude00";
      default -> types(schema).contains("string") ? "K7F4" : String.valueOf(1 + random.nextInt(9));
    };
  }

  private String contentType(JsonNode content) {
    String first = content.propertyNames().iterator().next();
    return switch (random.nextInt(14)) {
      case 0 -> "application/*+json";
      case 1 -> "multipart/form-data; boundary=x";
      case 2 -> "text/plain";
      case 3 -> "application/problem+json";
      case 4 -> "*/*";
      case 5 -> "nonsense";
      default -> first.startsWith("multipart") ? "multipart/form-data; boundary=x" : first;
    };
  }

  private byte[] body(JsonNode content, String type) {
    JsonNode media = content.iterator().next();
    if (type.startsWith("multipart")) {
      return multipart();
    }
    if (random.nextInt(12) == 0) {
      String[] broken = {"", "null", "[]", "{", "[null]", "\"x\"", "{\"a\":NaN}", "[[[[[[[["};
      return broken[random.nextInt(broken.length)].getBytes(StandardCharsets.UTF_8);
    }
    JsonNode example = example(media);
    JsonNode value =
        example != null && random.nextInt(3) > 0
            ? mutated(example.deepCopy())
            : made(media.path("schema"), 0);
    return JsonMapper.shared().writeValueAsBytes(bounded(value));
  }

  private byte[] multipart() {
    String name = random.nextBoolean() ? "log.csv" : "a\u0000b" + "A".repeat(random.nextInt(300));
    String text =
        "--x\r\nContent-Disposition: form-data; name=\"file\"; filename=\""
            + name
            + "\"\r\n\r\ntime,t,h\n2026-01-01 00:00,20,50\n"
            + (random.nextBoolean() ? "\r\n--x--\r\n" : "");
    return text.getBytes(StandardCharsets.UTF_8);
  }

  private static JsonNode example(JsonNode media) {
    JsonNode examples = media.path("examples");
    JsonNode value =
        examples.isEmpty() ? media.path("example") : examples.iterator().next().path("value");
    if (value.isString()) {
      try {
        return JsonMapper.shared().readTree(value.asString());
      } catch (RuntimeException notJson) {
        return null;
      }
    }
    return value.isMissingNode() || value.isNull() ? null : value;
  }

  /** A long search would take its time; what is sought here is not speed. */
  private static JsonNode bounded(JsonNode value) {
    if (value instanceof ObjectNode object
        && object.path("seconds").isNumber()
        && object.get("seconds").asDouble() > 0.2) {
      object.put("seconds", 0.2);
    }
    return value;
  }

  private JsonNode mutated(JsonNode node) {
    if (node instanceof ObjectNode object && !object.isEmpty()) {
      List<String> names = new ArrayList<>(object.propertyNames());
      String name = names.get(random.nextInt(names.size()));
      JsonNode field = object.get(name);
      boolean deeper = field.isContainer() && random.nextInt(4) > 0;
      switch (deeper ? 0 : random.nextInt(6)) {
        case 0 -> object.set(name, field.isContainer() ? mutated(field) : odd(field));
        case 1 -> object.remove(name);
        case 2 -> object.put("A".repeat(random.nextInt(300) + 1), 1);
        default -> object.set(name, odd(field));
      }
    } else if (node instanceof ArrayNode array && !array.isEmpty()) {
      int at = random.nextInt(array.size());
      if (random.nextInt(4) == 0) {
        array.set(at, JSON.nullNode());
      } else {
        array.set(at, array.get(at).isContainer() ? mutated(array.get(at)) : odd(array.get(at)));
      }
    }
    return node;
  }

  private JsonNode odd(JsonNode instead) {
    double number = instead.isNumber() ? instead.asDouble() : 1;
    List<JsonNode> all =
        Arrays.asList(
            JSON.nullNode(),
            JSON.numberNode(-number),
            JSON.numberNode(0),
            JSON.numberNode(4.9e-324),
            JSON.numberNode(1e-12),
            JSON.numberNode(1e308),
            JSON.numberNode(Long.MAX_VALUE),
            JSON.numberNode(number * 1.5),
            JSON.numberNode(number / 50),
            JSON.numberNode(2),
            JSON.stringNode("NaN"),
            JSON.stringNode(""),
            JSON.stringNode("A".repeat(LONG)),
            JSON.stringNode("half \ud800 of one"),
            JSON.stringNode("\u0000"),
            JSON.stringNode("<script>alert(1)</script>"),
            JSON.booleanNode(true),
            JSON.arrayNode().addNull(),
            JSON.objectNode());
    return all.get(random.nextInt(all.size()));
  }

  private List<String> types(JsonNode schema) {
    JsonNode type = schema.path("type");
    List<String> all = new ArrayList<>();
    if (type.isArray()) {
      type.forEach(each -> all.add(each.asString()));
    } else {
      all.add(type.asString());
    }
    return all;
  }

  private JsonNode resolved(JsonNode schema) {
    JsonNode reference = schema.path("$ref");
    return reference.isMissingNode() ? schema : document.at(reference.asString().substring(1));
  }

  /** A value of a schema, with something odd in it now and then. */
  private JsonNode made(JsonNode given, int depth) {
    JsonNode schema = resolved(given);
    if (random.nextInt(15) == 0 || depth > 5) {
      return odd(JSON.numberNode(1));
    }
    if (schema.has("enum")) {
      JsonNode values = schema.get("enum");
      return random.nextInt(10) == 0
          ? JSON.numberNode(0)
          : values.get(random.nextInt(values.size()));
    }
    List<String> types = types(schema);
    if (schema.has("properties")) {
      ObjectNode object = JSON.objectNode();
      for (Map.Entry<String, JsonNode> property : schema.get("properties").properties()) {
        if (random.nextInt(4) > 0) {
          object.set(property.getKey(), made(property.getValue(), depth + 1));
        }
      }
      return object;
    }
    if (types.contains("array")) {
      ArrayNode array = JSON.arrayNode();
      for (int i = random.nextInt(3); i >= 0; i--) {
        array.add(made(schema.path("items"), depth + 1));
      }
      return array;
    }
    if (types.contains("boolean")) {
      return JSON.booleanNode(random.nextBoolean());
    }
    if (types.contains("integer")) {
      return JSON.numberNode(random.nextInt(12));
    }
    if (types.contains("number")) {
      return JSON.numberNode(Math.round(1000 * random.nextDouble() * 100) / 1000.0);
    }
    if (schema.path("format").asString().equals("date-time")) {
      String[] times = {"2026-01-01T00:00:00Z", "+1000000000-01-01T00:00:00Z", "yesterday"};
      return JSON.stringNode(times[random.nextInt(times.length)]);
    }
    return JSON.stringNode(new String[] {"PETG", "x", "K7F4", "plastic"}[random.nextInt(4)]);
  }
}
