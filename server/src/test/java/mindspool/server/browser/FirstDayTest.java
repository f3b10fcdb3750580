package mindspool.server.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.regex.Pattern;
import mindspool.server.support.Api;
import mindspool.server.support.BrowserPages;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.context.SpringBootTest.WebEnvironment;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import tools.jackson.databind.JsonNode;

/** An empty workshop, from its first place to a round with a scanner, in a real browser. */
@SpringBootTest(webEnvironment = WebEnvironment.RANDOM_PORT)
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
@Tag("browser")
class FirstDayTest extends BrowserPages {

  @DynamicPropertySource
  static void ownDatabase(DynamicPropertyRegistry registry) {
    registry.add(
        "mindspool.data-dir",
        () -> {
          try {
            return Files.createTempDirectory("mind-spool-first-day").toString();
          } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
          }
        });
    registry.add("mindspool.mqtt.port", () -> 0);
  }

  private Locator button(String name) {
    return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
  }

  private Locator next() {
    return page.getByTestId("first-steps").locator("li.next");
  }

  /** Every page of a workshop without anything says what is missing, and is accessible. */
  @Test
  @Order(1)
  void emptyPagesSayWhatToDoAndNothingElse() {
    for (String path :
        new String[] {
          "/shelf",
          "/today",
          "/list",
          "/rounds",
          "/boxes",
          "/dry",
          "/plan",
          "/alerts",
          "/acts",
          "/receive",
          "/lots",
          "/devices"
        }) {
      page.navigate(path);
      assertThat(page.locator("h1").first()).isVisible();
      settle();
      assertThat(page.locator("main").textContent()).as(path).doesNotContain("0 spools");
      assertAccessible(path);
    }
    assertThat(complaints).isEmpty();
  }

  @Test
  @Order(2)
  void eachStepLeadsToTheNext() {
    page.navigate("/shelf");
    assertThat(next()).containsText("Add a place");
    next().getByRole(AriaRole.BUTTON).click();
    page.locator("#place-name").fill("Workshop");
    button("Add this place").click();
    assertThat(page.locator("h1")).hasText("Workshop");

    page.navigate("/shelf");
    assertThat(next()).containsText("how warm and humid");
    next().getByRole(AriaRole.LINK).click();
    page.locator("#typed-t").fill("21");
    page.locator("#typed-h").fill("48");
    page.locator("#typed-h").blur();
    button("Record this climate").click();
    assertThat(page.getByTestId("place-air")).containsText("typed in");

    page.navigate("/shelf");
    assertThat(next()).containsText("Receive the first spool");
    next().getByRole(AriaRole.LINK).click();
    page.getByTestId("colour").fill("reed");
    page.getByTestId("receive").click();
    assertThat(page.getByTestId("received").locator("a.code")).hasCount(1);
    String code = page.getByTestId("received").locator("a.code").first().textContent();

    page.navigate("/shelf");
    assertThat(next()).containsText("Weigh it");
    next().getByRole(AriaRole.LINK).click();
    page.getByTestId("round-field").fill(code);
    page.keyboard().press("Enter");
    assertThat(page.getByTestId("round-current")).containsText(code);
    page.getByTestId("round-field").fill("1190");
    page.keyboard().press("Enter");
    assertThat(page.getByTestId("round-steps")).containsText("weighed, 1190 g gross");

    page.navigate("/shelf");
    assertThat(next()).containsText("Add a dryer");
    button("do not show these steps").click();
    assertThat(page.getByTestId("first-steps")).hasCount(0);
    assertThat(page.getByTestId("shelf-summary")).containsText("1 spool,");
  }

  /** Twelve spools, a scanner and a keyboard: no mouse, nothing lost, each in its place. */
  @Test
  @Order(3)
  void twelveSpoolsAreWeighedAndPutAwayByScanning() {
    Api api = new Api(port);
    long room = api.get("/api/places").body().get(0).get("id").asLong();
    long rack =
        api.post(
                "/api/places",
                "{\"name\": \"Rack\", \"kind\": \"OPEN_SHELF\", \"withinId\": %d}".formatted(room))
            .body()
            .get("id")
            .asLong();
    List<String> codes = new ArrayList<>();
    for (int i = 0; i < 12; i++) {
      codes.add(
          api.post(
                  "/api/spools",
                  ("{\"material\": \"PETG\", \"colourName\": \"c%d\", \"placeId\": %d,"
                          + " \"arrival\": \"OPEN\", \"reel\": \"cardboard\"}")
                      .formatted(i, room))
              .body()
              .get("code")
              .asString());
    }
    page.navigate("/rounds");
    assertThat(page.getByTestId("round-field")).isFocused();
    Locator done = page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(2));
    Locator current = page.getByTestId("round-current");
    for (int i = 0; i < 12; i++) {
      String code = codes.get(i);
      scan(
          "http://bench:8090/spool/" + code,
          () -> current.isVisible() && current.textContent().contains(code));
      String weighed = "%d done in this round".formatted(2 * i + 1);
      scan(Integer.toString(1100 + i), () -> done.textContent().equals(weighed));
      String moved = "%d done in this round".formatted(2 * i + 2);
      scan("http://bench:8090/place/" + rack, () -> done.textContent().equals(moved));
    }
    for (int i = 0; i < 12; i++) {
      JsonNode view = api.get("/api/spools/" + codes.get(i)).body();
      assertThat(view.at("/spool/placeId").asLong()).as(codes.get(i)).isEqualTo(rack);
      assertThat(view.get("facts").toString()).contains("weighed, %d g gross".formatted(1100 + i));
    }
    page.getByTestId("round-steps").locator("button").first().click();
    assertThat(done).hasText("23 done in this round");
    assertThat(api.get("/api/spools/" + codes.get(11)).body().at("/spool/placeId").asLong())
        .isEqualTo(room);
    assertAccessible("a round");
  }

  /**
   * A scan, or a number and Enter, until what it does is seen; one whose keys a busy computer let
   * through too slowly is made again, as at the bench.
   */
  private void scan(String keys, BooleanSupplier seen) {
    for (int tries = 0; tries < 5; tries++) {
      page.getByTestId("round-field").fill("");
      page.keyboard().type(keys + "\n");
      for (int waited = 0; waited < 40; waited++) {
        if (seen.getAsBoolean()) {
          return;
        }
        page.waitForTimeout(100);
      }
    }
    assertThat(seen.getAsBoolean()).as(keys).isTrue();
  }

  /** In the list: ticked together, moved together, undone together. */
  @Test
  @Order(4)
  void whatIsTickedIsMovedAtOnceAndTakenBackAtOnce() {
    Api api = new Api(port);
    page.navigate("/list");
    assertThat(page.getByTestId("list-count")).containsText("13 of 13");
    button("Filter columns").click();
    page.getByLabel("Filter Place").fill("Rack");
    assertThat(page.getByTestId("list-count")).containsText("11 of 13");
    page.getByLabel("Name of this view").fill("on the rack");
    button("Keep this view").click();
    page.getByLabel("Tick all that are shown").check();
    assertThat(page.getByTestId("bulk")).containsText("11 ticked");
    api.post("/api/places", "{\"name\": \"Drawer\", \"kind\": \"OPEN_SHELF\"}");
    page.reload();
    page.getByRole(
            AriaRole.BUTTON, new Page.GetByRoleOptions().setName("on the rack").setExact(true))
        .click();
    assertThat(page.getByTestId("list-count")).containsText("11 of 13");
    page.getByLabel("Tick all that are shown").check();
    page.getByTestId("bulk").getByText("Move").click();
    page.getByTestId("move-targets").getByText("Drawer").click();
    assertThat(page.getByTestId("list-count")).containsText("0 of 13");
    page.getByRole(
            AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^[Uu]ndo")))
        .first()
        .click();
    assertThat(page.getByTestId("list-count")).containsText("11 of 13");
  }
}
