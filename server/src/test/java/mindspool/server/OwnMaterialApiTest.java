package mindspool.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A workshop's own materials, in every station. */
class OwnMaterialApiTest extends PrintingTest {

  private static int named;

  private static String name() {
    return "OWN-" + ++named;
  }

  private static String body(String name, String figures) {
    return ("{\"name\": \"%s\", \"title\": \"ours\", \"base\": \"PETG\", \"figures\": {%s},"
            + " \"reason\": \"measured here\", \"version\": 0}")
        .formatted(name, figures);
  }

  private JsonNode material(String name) {
    for (JsonNode each : api.get("/api/materials").body()) {
      if (each.get("name").asString().equals(name)) {
        return each;
      }
    }
    return null;
  }

  private double moisture(String code) {
    long until = System.nanoTime() + 60_000_000_000L;
    while (System.nanoTime() < until) {
      JsonNode mean = api.get("/api/spools/" + code).body().at("/past/mean");
      if (!mean.isEmpty()) {
        return mean.get(mean.size() - 1).asDouble();
      }
      try {
        Thread.sleep(200);
      } catch (InterruptedException e) {
        throw new IllegalStateException(e);
      }
    }
    throw new AssertionError("no estimate of " + code);
  }

  @Test
  void itIsUsedForMoistureDryingAndPrintingAtOnce() {
    String name = name();
    long id = created("/api/own-materials", body(name, "\"nozzleC\": 247"));
    JsonNode shown = material(name);
    assertThat(shown.get("kind").asString()).isEqualTo("PETG");
    assertThat(shown.at("/parameters/nozzleC/value").asDouble()).isEqualTo(247);
    assertThat(shown.at("/parameters/nozzleC/source").asString()).isEqualTo("measured here");
    assertThat(shown.at("/parameters/bedC/value").asDouble())
        .isEqualTo(material("PETG").at("/parameters/bedC/value").asDouble());

    // Print: the sheet counts on its nozzle, and its plate grips as the base's does.
    String code = spool(name);
    JsonNode sheet = setUp(job(code), "");
    assertThat(sheet.at("/sheet/settings").toString()).contains("247");
    JsonNode like = setUp(job(spool("PETG")), "");
    assertThat(sheet.findValue("adhesionRatio").asDouble())
        .isEqualTo(like.findValue("adhesionRatio").asDouble(), within(1e-9));

    // Moisture: what holds twice as much has another estimate at once.
    double before = moisture(code);
    Api.Answer changed =
        api.put(
            "/api/own-materials/" + id,
            body(
                name,
                "\"nozzleC\": 247, \"sorptionHenryFraction\": %s, \"sorptionSaturationFraction\": %s"
                    .formatted(
                        2 * figure("PETG", "sorptionHenryFraction"),
                        2 * figure("PETG", "sorptionSaturationFraction"))));
    assertThat(changed.status()).as(changed.raw().body()).isEqualTo(200);
    assertThat(moisture(code)).isEqualTo(2 * before, within(0.1 * before));
    api.undo(changed.act());
    assertThat(moisture(code)).isEqualTo(before, within(1e-6));

    // Calculators.
    Api.Answer drying =
        api.post(
            "/api/calc/drying",
            ("{\"material\": \"%s\", \"winding\": {\"hubRadiusMm\": 40, \"outerRadiusMm\": 100,"
                    + " \"widthMm\": 60, \"netMassG\": 1000}, \"initialMoisturePercent\": 0.3,"
                    + " \"room\": {\"temperatureC\": 23, \"relativeHumidityPercent\": 50},"
                    + " \"dryer\": {\"setpointC\": 60, \"ratedMaxC\": 70}}")
                .formatted(name));
    assertThat(drying.status()).as(drying.raw().body()).isEqualTo(200);

    // It stays as long as something is made of it.
    assertThat(api.delete("/api/own-materials/" + id).detail()).contains(code);
  }

  private double figure(String material, String key) {
    return material(material).at("/parameters/" + key + "/value").asDouble();
  }

  @Test
  void whatCannotBeIsRefusedByField() {
    String path = "/api/own-materials";
    assertThat(api.post(path, body("PLA", "")).field()).isEqualTo("name");
    assertThat(api.post(path, body("x", "")).field()).isEqualTo("name");
    assertThat(api.post(path, body("bad/name", "")).field()).isEqualTo("name");
    assertThat(api.post(path, body(name(), "\"nozzleC\": 9")).field()).isEqualTo("figures.nozzleC");
    assertThat(api.post(path, body(name(), "\"cheese\": 9")).field()).isEqualTo("figures.cheese");
    assertThat(api.post(path, "{\"name\": \"OWN-Q\", \"base\": \"cheese\"}").field())
        .isEqualTo("material");
    assertThat(api.post(path, "{\"name\": \"OWN-Q\", \"base\": \"PLA\", \"figures\": {}}").field())
        .isEqualTo("reason");
    String name = name();
    long id = created(path, body(name, ""));
    assertThat(api.put(path + "/" + id, body(name, "").replace("PETG", "PLA")).field())
        .isEqualTo("base");
    assertThat(api.put(path + "/" + id, body(name, "").replace(": 0}", ": 7}")).status())
        .isEqualTo(409);
    assertThat(api.delete(path + "/" + id).status()).isEqualTo(204);
    assertThat(material(name)).isNull();
    assertThat(api.delete(path + "/" + id).status()).isEqualTo(404);
  }

  @Test
  void anImportAddsAndChangesAllOrNone() {
    String first = name();
    String second = name();
    String path = "/api/own-materials/import";
    Api.Answer bad =
        api.post(
            path,
            "{\"materials\": [%s, %s]}"
                .formatted(body(first, ""), body(second, "\"nozzleC\": 9999")));
    assertThat(bad.field()).isEqualTo("materials[1].figures.nozzleC");
    assertThat(material(first)).as("all or none").isNull();
    api.post(path, "{\"materials\": [%s]}".formatted(body(first, "")));
    Api.Answer good =
        api.post(
            path,
            "{\"materials\": [%s, %s]}"
                .formatted(body(first, "\"nozzleC\": 251"), body(second, "")));
    assertThat(good.status()).as(good.raw().body()).isEqualTo(200);
    assertThat(figure(first, "nozzleC")).isEqualTo(251);
    assertThat(material(second)).isNotNull();
    // What is exported can be imported again.
    String exported = api.get("/api/own-materials").raw().body();
    assertThat(api.post(path, "{\"materials\": " + exported + "}").status()).isEqualTo(200);
    api.undo(good.act());
    assertThat(material(second)).isNull();
    assertThat(api.post(path, "{\"materials\": []}").field()).isEqualTo("materials");
  }

  @Test
  void profilesCompareThemWithTheTables() {
    String name = name();
    created("/api/own-materials", body(name, "\"heatDeflectionC\": 88"));
    double bends = 0;
    for (JsonNode each : api.get("/api/materials/profiles").body()) {
      if (each.get("name").asString().equals(name)) {
        bends = each.get("bendsC").asDouble();
      }
    }
    assertThat(bends).isEqualTo(88);
  }
}
