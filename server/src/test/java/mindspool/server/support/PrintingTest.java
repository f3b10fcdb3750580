package mindspool.server.support;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import tools.jackson.databind.JsonNode;

/** A printer with a plate in a hall of its own, and jobs for it. */
public abstract class PrintingTest extends ServerTest {

  private static final String PART =
      ", \"part\": {\"lengthMm\": 60, \"widthMm\": 40, \"heightMm\": 12}";

  protected static int made;

  protected long room;
  protected long printer;
  protected long plate;

  @BeforeEach
  protected void aPrinterAndAPlate() {
    made++;
    room = place("Print hall " + made, "ROOM", null);
    api.post(
        "/api/places/" + room + "/typed-climates",
        "{\"temperatureC\": 22, \"relativeHumidityPercent\": 40}");
    printer = place("Press " + made, "PRINTER_HOLDER", room);
    plate =
        created(
            "/api/plates",
            "{\"name\": \"plate %d\", \"kind\": \"spring_steel_05\", \"surface\": \"smooth_pei\"}"
                .formatted(made));
  }

  protected long place(String name, String kind, Long within) {
    return created(
        "/api/places",
        "{\"name\": \"%s\", \"kind\": \"%s\"%s}"
            .formatted(name, kind, within == null ? "" : ", \"withinId\": " + within));
  }

  protected long created(String path, String body) {
    Api.Answer reply = api.post(path, body);
    assertThat(reply.status()).as(reply.raw().body()).isEqualTo(201);
    return reply.body().get("id").asLong();
  }

  protected String spool(String material) {
    return spool(material, 1000);
  }

  protected String spool(String material, int netG) {
    Api.Answer reply =
        api.post(
            "/api/spools",
            ("{\"material\": \"%s\", \"colourName\": \"reed\", \"placeId\": %d, \"nominalNetG\": 1000,"
                    + " \"reel\": \"plastic\", \"emptyReelG\": 218, \"grossMassG\": %d,"
                    + " \"arrival\": \"SEALED_TIGHT\"}")
                .formatted(material, room, 218 + netG));
    assertThat(reply.status()).as(reply.raw().body()).isEqualTo(201);
    return reply.body().get("code").asString();
  }

  protected long job(String code) {
    return created(
        "/api/jobs",
        "{\"name\": \"job %d\", \"code\": \"%s\", \"grams\": 50, \"hours\": 3}"
            .formatted(made, code));
  }

  protected JsonNode setUp(long job, String more) {
    return setUp(job, more, 0);
  }

  protected JsonNode setUp(long job, String more, int version) {
    Api.Answer reply =
        api.put(
            "/api/jobs/" + job + "/sheet",
            "{\"printerId\": %d, \"plateId\": %d, \"version\": %d%s%s}"
                .formatted(printer, plate, version, more.contains("\"part\"") ? "" : PART, more));
    assertThat(reply.status()).as(reply.raw().body()).isEqualTo(200);
    return reply.body();
  }

  /** Started with a reason against each check that must hold and does not. */
  protected JsonNode startedAllTheSame(long job) {
    List<String> reasons = new ArrayList<>();
    for (JsonNode gate : api.get("/api/jobs/" + job + "/sheet").body().at("/sheet/gates")) {
      if (gate.get("hard").asBoolean() && !gate.get("met").asBoolean()) {
        reasons.add("{\"gate\": %s, \"reason\": \"a trial\"}".formatted(gate.get("id")));
      }
    }
    Api.Answer reply =
        api.post(
            "/api/prints",
            "{\"jobId\": %d, \"overrides\": [%s]}".formatted(job, String.join(", ", reasons)));
    assertThat(reply.status()).as(reply.raw().body()).isEqualTo(201);
    return reply.body();
  }

  protected JsonNode started(long job) {
    Api.Answer reply = api.post("/api/prints", "{\"jobId\": %d}".formatted(job));
    assertThat(reply.status()).as(reply.raw().body()).isEqualTo(201);
    return reply.body();
  }

  protected static JsonNode gate(JsonNode view, String id) {
    for (JsonNode gate : view.at("/sheet/gates")) {
      if (gate.get("id").asString().equals(id)) {
        return gate;
      }
    }
    throw new AssertionError("no gate " + id);
  }
}
