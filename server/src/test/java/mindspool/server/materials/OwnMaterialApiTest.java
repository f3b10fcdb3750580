package mindspool.server.materials;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import mindspool.server.support.Api;
import mindspool.server.support.PrintingTest;
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
    String exported = api.get("/api/own-materials/export").raw().body();
    Api.Answer again = api.post(path, exported);
    assertThat(again.status()).as(again.raw().body()).isEqualTo(200);
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

  private JsonNode lotOf(String code) {
    long lot = api.get("/api/spools/" + code).body().at("/spool/lotId").asLong();
    for (JsonNode each : api.get("/api/lots").body()) {
      if (each.get("id").asLong() == lot) {
        return each;
      }
    }
    throw new AssertionError("no lot of " + code);
  }

  private String spoolOfALot() {
    Api.Answer reply =
        api.post(
            "/api/spools",
            ("{\"material\": \"PLA\", \"colourName\": \"reed\", \"placeId\": %d,"
                    + " \"nominalNetG\": 1000, \"reel\": \"plastic\", \"emptyReelG\": 218,"
                    + " \"grossMassG\": 1218, \"arrival\": \"SEALED_TIGHT\","
                    + " \"lot\": {\"maker\": \"Alder\", \"batch\": \"C%d\"}}")
                .formatted(room, made));
    assertThat(reply.status()).as(reply.raw().body()).isEqualTo(201);
    return reply.body().get("code").asString();
  }

  @Test
  void aWorksheetThatIsKeptChangesTheSheetAndIsUndoneWhole() {
    String code = spoolOfALot();
    long lot = lotOf(code).get("id").asLong();
    String flow =
        "{\"kind\": \"FLOW\", \"measured\": [0.44, 0.43, 0.45, 0.44], \"wanted\": 0.4, \"now\": 100}";
    JsonNode computed = api.post("/api/worksheets", flow).body();
    assertThat(computed.get("value").asDouble()).isEqualTo(90.9, within(0.1));
    assertThat(lotOf(code).get("ownFlowPercent").isNull()).as("only computed").isTrue();
    Api.Answer kept =
        api.post("/api/calibrations", "{\"worksheet\": %s, \"lotId\": %d}".formatted(flow, lot));
    assertThat(kept.status()).as(kept.raw().body()).isEqualTo(201);
    assertThat(lotOf(code).get("ownFlowPercent").asDouble()).isEqualTo(90.9, within(0.051));
    assertThat(setUp(job(code), "").at("/sheet/settings").toString())
        .contains("Walls come out as thick as they are set");
    JsonNode next = api.get("/api/calibrations/next?lotId=" + lot).body();
    assertThat(next.toString()).contains("DIAMETER").doesNotContain("\"FLOW\"");
    assertThat(api.get("/api/calibrations/next?lotId=987654").status()).isEqualTo(404);
    api.undo(kept.act());
    assertThat(lotOf(code).get("ownFlowPercent").isNull()).isTrue();
    for (JsonNode each : api.get("/api/calibrations").body()) {
      assertThat(each.get("lotId").asLong()).isNotEqualTo(lot);
    }
    api.redo(kept.act());
    long id = 0;
    for (JsonNode each : api.get("/api/calibrations").body()) {
      id = each.get("lotId").asLong() == lot ? each.get("id").asLong() : id;
    }
    assertThat(api.delete("/api/calibrations/" + id).status()).isEqualTo(204);
    assertThat(lotOf(code).get("ownFlowPercent").isNull()).as("the value stays").isFalse();
  }

  @Test
  void aWorksheetOfASpoolOfNoLotGivesItOneAndIsUndoneWhole() {
    String code = spool("PETG");
    String flow =
        "{\"kind\": \"FLOW\", \"measured\": [0.44, 0.43, 0.45, 0.44], \"wanted\": 0.4, \"now\": 100}";
    assertThat(api.post("/api/calibrations", "{\"worksheet\": %s}".formatted(flow)).field())
        .isEqualTo("lotId");
    Api.Answer kept =
        api.post(
            "/api/calibrations", "{\"worksheet\": %s, \"code\": \"%s\"}".formatted(flow, code));
    assertThat(kept.status()).as(kept.raw().body()).isEqualTo(201);
    assertThat(lotOf(code).get("ownFlowPercent").asDouble()).isEqualTo(90.9, within(0.051));
    assertThat(lotOf(code).get("spools").size()).isEqualTo(1);
    assertThat(api.get("/api/acts/" + kept.act()).raw().body())
        .contains("of the lot Maker of %s not known".formatted(code), "flow measured, 90.9 %")
        .doesNotContain("→");
    assertThat(settings(job(code))).contains("Walls come out as thick as they are set");
    api.undo(kept.act());
    assertThat(settings(job(code))).doesNotContain("Walls come out as thick as they are set");
    for (JsonNode lot : api.get("/api/lots").body()) {
      assertThat(lot.get("spools").toString()).doesNotContain(code);
    }
    int lots = api.get("/api/lots").body().size();
    api.post("/api/calibrations", "{\"worksheet\": %s, \"code\": \"%s\"}".formatted(flow, code));
    assertThat(api.get("/api/lots").body().size()).as("the same lot again").isEqualTo(lots);
  }

  /**
   * Melt follows up to 6 mm³/s by these weighings, and lengths come out at 98 % of what is drawn.
   */
  @Test
  void howFastALotMeltsAndHowItShrinksAreOnItsSheetUntilTheyAreUndone() {
    String code = spoolOfALot();
    long lot = lotOf(code).get("id").asLong();
    long job = job(code);
    assertThat(settings(job)).doesNotContain("\"scale\"").doesNotContain("was measured");
    Api.Answer shrinkage =
        api.post(
            "/api/calibrations",
            ("{\"worksheet\": {\"kind\": \"SHRINKAGE\", \"asked\": [20, 50, 100],"
                    + " \"measured\": [19.6, 49, 98]}, \"lotId\": %d}")
                .formatted(lot));
    assertThat(shrinkage.status()).as(shrinkage.raw().body()).isEqualTo(201);
    assertThat(settings(job)).contains("\"scale\"").contains("102.04 %");
    String melt =
        "{\"worksheet\": {\"kind\": \"MELT_CEILING\", \"wanted\": 1, \"asked\": [2, 4, 6, 8, 10],"
            + " \"measured\": [1, 1, 0.95, 0.8, 0.65]}, \"lotId\": %d%s}";
    assertThat(api.post("/api/calibrations", melt.formatted(lot, "")).field())
        .isEqualTo("printerId");
    Api.Answer kept =
        api.post("/api/calibrations", melt.formatted(lot, ", \"printerId\": " + printer));
    assertThat(kept.status()).as(kept.raw().body()).isEqualTo(201);
    assertThat(settings(job)).contains("this lot was measured to follow up to 6.0 mm³/s");
    api.undo(kept.act());
    api.undo(shrinkage.act());
    assertThat(settings(job)).doesNotContain("\"scale\"").doesNotContain("was measured");
  }

  private String settings(long job) {
    return setUp(job, "").at("/sheet/settings").toString();
  }

  @Test
  void eachWorksheetIsComputedAndNamesWhatIsWrong() {
    assertThat(api.get("/api/worksheets").body().size()).isEqualTo(6);
    String ladder =
        "{\"kind\": \"TEMPERATURE_LADDER\", \"steps\": ["
            + "{\"nozzleC\": 200, \"bond\": 1, \"strings\": 0, \"gloss\": 1},"
            + "{\"nozzleC\": 210, \"bond\": 4, \"strings\": 0, \"gloss\": 3},"
            + "{\"nozzleC\": 220, \"bond\": 5, \"strings\": 1, \"gloss\": 4},"
            + "{\"nozzleC\": 230, \"bond\": 5, \"strings\": 4, \"gloss\": 5},"
            + "{\"nozzleC\": 240, \"bond\": 5, \"strings\": 5, \"gloss\": 5}]}";
    assertThat(api.post("/api/worksheets", ladder).body().get("value").asDouble())
        .isBetween(212.0, 232.0);
    String extruder =
        "{\"kind\": \"EXTRUDER\", \"asked\": [50, 100, 200], \"measured\": [48, 96, 192],"
            + " \"now\": 400}";
    assertThat(api.post("/api/worksheets", extruder).body().get("unit").asString())
        .isEqualTo("steps/mm");
    assertThat(api.post("/api/calibrations", "{\"worksheet\": %s}".formatted(extruder)).field())
        .isEqualTo("printerId");
    assertThat(
            api.post(
                    "/api/calibrations",
                    "{\"worksheet\": %s, \"printerId\": %d}".formatted(extruder, printer))
                .status())
        .isEqualTo(201);
    assertThat(api.post("/api/worksheets", "{}").field()).isEqualTo("kind");
    assertThat(api.post("/api/worksheets", "{\"kind\": \"FLOW\"}").field()).isEqualTo("measured");
    assertThat(
            api.post(
                    "/api/calibrations",
                    "{\"worksheet\": {\"kind\": \"FLOW\", \"measured\": [0.4], \"wanted\": 0.4,"
                        + " \"now\": 100}, \"lotId\": 1}")
                .field())
        .isEqualTo("worksheet.measured");
  }
}
