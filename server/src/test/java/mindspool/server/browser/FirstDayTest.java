package mindspool.server.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Keyboard;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.time.Duration;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.regex.Pattern;
import mindspool.server.support.BrowserPages;
import mindspool.server.support.DemoApplication;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.context.SpringBootTest.WebEnvironment;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** An empty workshop, from its first place to a round with a scanner, in a real browser. */
@SpringBootTest(webEnvironment = WebEnvironment.RANDOM_PORT, properties = DemoApplication.BEGINS)
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
@Tag("browser")
class FirstDayTest extends BrowserPages {

  /** Nothing on a page is farther away than so many presses. */
  private static final int MOST_TABS = 150;

  private static final int FINGER_MS = 150;

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
          "/space",
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
    assertThat(next()).containsText("Add a printer");
    next().getByRole(AriaRole.LINK).click();
    page.getByLabel("Name, as written on it").fill("Window printer");
    button("Add this printer").click();
    assertThat(page.getByLabel("Bore, mm")).hasValue("0.4");
    button("Save").click();
    assertThat(page.locator("#main")).containsText("nozzle 0.4 mm");
    assertThat(page.locator("h1")).containsText("One printer");

    page.navigate("/shelf");
    assertThat(next()).containsText("Add its build plate");
    next().getByRole(AriaRole.LINK).click();
    page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Steel sheet");
    assertThat(page.getByLabel("Mass, kg")).hasValue("0.28");
    button("Add this plate").click();
    assertThat(page.locator("h1")).containsText("one plate");

    page.navigate("/shelf");
    assertThat(next()).containsText("Add a job");
    next().getByRole(AriaRole.LINK).click();
    page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Hook");
    page.locator("#new-of").click();
    page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(code)).click();
    assertThat(page.getByLabel("Filament about, g")).hasValue("100");
    assertThat(page.getByLabel("Hours about")).hasValue("4");
    button("Add and set up").click();
    assertThat(page.getByTestId("print-headline")).hasText("Hook");
    page.getByTestId("part-done").click();
    assertThat(page.getByTestId("print-headline")).containsText("Hook:");
    keepSheet();
    startBecause("a first try");
    assertThat(page.getByTestId("run-headline")).containsText("Hook: 0 % done");

    // How it ended is asked, never set beforehand.
    page.getByTestId("finish").click();
    assertThat(page.locator("#main")).containsText("Say how it came out");
    endsWell();
    assertThat(page.getByTestId("run-headline")).hasText("Hook: good");

    page.navigate("/shelf");
    assertThat(next()).containsText("Add a dryer");
    button("do not show these steps").click();
    assertThat(page.getByTestId("first-steps")).hasCount(0);
    assertThat(page.getByTestId("shelf-summary")).containsText("1 spool,");
    assertThat(complaints).isEmpty();
  }

  /** Twelve spools, a scanner and a keyboard: no mouse, nothing lost, each in its place. */
  @Test
  @Order(3)
  void twelveSpoolsAreWeighedAndPutAwayByScanning() {
    long rack = addedShelf("Rack");
    page.navigate("/receive");
    page.locator(".el-select:has(#material)").click();
    option("PETG").click();
    page.getByTestId("colour").fill("heron");
    page.getByText("no bag, or opened before").click();
    Locator reels = page.locator("[id^='gross']");
    for (int i = 0; i < 12; i++) {
      reels.nth(i).fill(Integer.toString(1180 + i));
      if (i < 11) {
        reels.nth(i).press("Enter");
      }
    }
    page.getByTestId("receive").click();
    Locator received = page.getByTestId("received").locator("a.code");
    assertThat(received).hasCount(12);
    List<String> codes = received.allTextContents();
    page.navigate("/rounds");
    assertThat(page.getByTestId("round-field")).isFocused();
    Locator done = page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(2));
    Locator current = page.getByTestId("round-current");
    // Full addresses back to back, by a quick scanner and by a slow one; the focus was left.
    page.locator("h1").click();
    for (int i = 0; i < 12; i++) {
      double everyMs = i % 2 == 0 ? 4 : 60;
      scan("http://bench:8090/spool/" + codes.get(i), everyMs);
      scan(Integer.toString(1100 + i), everyMs);
      scan("http://bench:8090/place/" + rack, everyMs);
    }
    assertThat(done).hasText("24 done in this round");
    // What is left in the field is said, and can be mended.
    page.keyboard().type("http://127.");
    scan("http://bench:8090/spool/" + codes.get(0), 4);
    assertThat(current).containsText(codes.get(0));
    Locator steps = page.getByTestId("round-steps");
    assertThat(steps).containsText("http://127.: no spool, place or mass");
    steps.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("mend")).click();
    assertThat(page.getByTestId("round-field")).hasValue("http://127.");
    page.getByTestId("round-field").fill("");
    Locator undo = page.getByTestId("round-steps").locator("button").first();
    undo.click();
    assertThat(done).hasText("23 done in this round");
    assertAccessible("a round");
    // A quick and a slow scan, the first and the last.
    for (int i : new int[] {0, 5, 6, 11}) {
      page.navigate("/spool/" + codes.get(i));
      assertThat(page.locator("#main")).containsText("weighed, %d g gross".formatted(1100 + i));
    }
    page.navigate("/place/" + rack);
    assertThat(page.locator("#main")).containsText(codes.get(0));
    assertThat(page.locator("#main")).not().containsText(codes.get(11));
  }

  /** A scanner that types, quickly or slowly; nothing is cleared before and nothing made again. */
  private void scan(String keys, double everyMs) {
    page.keyboard().type(keys, new Keyboard.TypeOptions().setDelay(everyMs));
    page.keyboard().press("Enter");
  }

  /** In the list: ticked together, moved together, undone together. */
  @Test
  @Order(4)
  void whatIsTickedIsMovedAtOnceAndTakenBackAtOnce() {
    page.navigate("/list");
    assertThat(page.getByTestId("list-count")).containsText("13 of 13");
    button("Filter columns").click();
    page.getByLabel("Filter Place").fill("Rack");
    assertThat(page.getByTestId("list-count")).containsText("11 of 13");
    page.getByLabel("Name of this view").fill("on the rack");
    button("Keep this view").click();
    page.getByLabel("Tick all that are shown").check();
    assertThat(page.getByTestId("bulk")).containsText("11 ticked");
    addedShelf("Drawer");
    page.navigate("/list");
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

  /**
   * A wet spool is said to be wet, dried by the plan and printed: nobody types a date, and the same
   * sheet says no more of its water.
   */
  @Test
  @Order(5)
  void aWetSpoolIsDriedByThePlanUntilItsSheetSaysGo() {
    passUntilMorning();
    page.navigate("/receive");
    page.locator(".el-select:has(#material)").click();
    option("PA6").click();
    page.getByTestId("colour").fill("smoke");
    page.locator(".el-select:has(#reel)").click();
    option("Metal").click();
    page.getByText("no bag, or opened before").click();
    page.getByTestId("receive").click();
    String code = page.getByTestId("received").locator("a.code").first().textContent();

    addJob("Gear", code);
    assertThat(page.getByTestId("gate-moisture")).containsText("Dry it first");
    keepSheet();

    page.getByText("Plan its drying").click();
    page.getByTestId("no-dryer").getByRole(AriaRole.BUTTON).click();
    page.locator("#place-name").fill("Bench oven");
    page.locator(".el-dialog").getByLabel("rated maximum, °C").fill("95");
    button("Add this place").click();
    assertThat(page.getByTestId("plan-headline")).hasText("The job will have dry filament");
    assertThat(page.getByTestId("jobs")).containsText("nine times in ten");

    onceDue("put in").click();
    button("They are in, it heats").click();
    assertThat(page.getByTestId("act-done")).containsText("Bench oven");
    // The core takes days; left inside for long after that, it would get wet again.
    page.navigate("/dry");
    Locator dryers = page.getByTestId("dryers");
    assertThat(dryers).containsText("to go");
    for (int looks = 0; looks < 60 && dryers.innerText().contains("to go"); looks++) {
      pass(Duration.ofHours(3));
      page.reload();
      assertThat(dryers).containsText(code);
    }
    onceDue("take out").click();
    button("They are out").click();
    assertThat(page.getByTestId("act-done")).containsText("moved to");

    page.navigate("/print");
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Gear").setExact(true))
        .click();
    assertThat(page.getByTestId("start")).isVisible();
    assertThat(page.getByTestId("gate-moisture")).hasCount(0);
    assertThat(page.locator("#main")).not().containsText("past the print limit");
    assertThat(complaints).isEmpty();
  }

  /**
   * The dried gear fails all the same: its cause is found, what was done about it is noted, and the
   * printer's history tells all of it. What is taken back is told no more.
   */
  @Test
  @Order(6)
  void aFailedPrintIsFollowedToItsCauseAndStandsInThePrintersHistory() {
    page.navigate("/print");
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Gear").setExact(true))
        .click();
    assertThat(page.getByTestId("start")).isVisible();
    startBecause("the brim will do");
    assertThat(page.getByTestId("run-headline")).containsText("Gear: 0 % done");
    pass(Duration.ofMinutes(20));
    page.reload();
    button("It goes wrong: find the cause").click();
    assertThat(page.getByTestId("case-headline")).containsText("Gear");
    page.getByTestId("find-sign").fill("corner rises early");
    page.getByTestId("signs-found")
        .getByTestId("sign-lift_early")
        .getByText("yes", new Locator.GetByTextOptions().setExact(true))
        .click();
    assertThat(page.getByTestId("signs-asked").first()).isVisible();
    assertThat(page.getByTestId("signs-asked")).not().containsText("with the part in the hand");
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Gear").setExact(true))
        .click();
    page.getByText("Failed", new Page.GetByTextOptions().setExact(true)).click();
    page.getByText("a corner came up").click();
    page.getByLabel("Failed at a height of, mm").fill("3");
    page.getByTestId("finish").click();
    Locator headline = page.getByTestId("run-headline");
    assertThat(headline).hasText("Gear: failed");

    button("Find the cause").click();
    Locator found = page.getByTestId("case-headline");
    assertThat(found).containsText("Gear");
    page.getByTestId("find-sign").fill("corners lift");
    page.getByTestId("signs-found")
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("yes").setExact(true))
        .first()
        .click();
    page.getByTestId("find-sign").fill("");
    Locator test = page.getByTestId("next-test");
    assertThat(test).isVisible();
    test.locator(".outcomes button").first().click();
    assertThat(page.getByTestId("tests-done")).isVisible();
    page.getByTestId("close-case").click();
    assertThat(found).containsText("Gear: it was");
    String cause = found.innerText().replace("Gear: it was ", "");

    page.navigate("/upkeep/printer/2");
    Locator history = page.getByTestId("timeline-list");
    assertThat(history).containsText("Gear");
    assertThat(history).containsText(cause);
    page.navigate("/acts");
    Locator latest = page.locator("ul.acts li").first();
    latest.getByText("undo").click();
    assertThat(latest).containsText("undone");
    page.navigate("/upkeep/printer/2");
    assertThat(history).containsText("Gear");
    assertThat(history).not().containsText(cause);
    assertThat(complaints).isEmpty();
  }

  /** In one hand, on a phone: found, weighed, moved, dried, printed, ended. */
  @Test
  @Order(7)
  void aPhoneIsEnoughForADay() {
    page.setViewportSize(390, 844);
    page.navigate("/shelf");
    page.locator("[data-spool]")
        .filter(new Locator.FilterOptions().setHasText("heron"))
        .first()
        .click();
    assertThat(page.getByTestId("printable")).isVisible();
    String code = page.url().substring(page.url().lastIndexOf('/') + 1);
    page.getByTestId("weigh").click();
    page.getByTestId("gross-mass").fill("1098");
    page.getByTestId("save-mass").click();
    assertThat(page.getByTestId("act-done")).containsText("1098 g");
    page.getByTestId("move").click();
    page.getByTestId("move-targets").getByText("Drawer").click();
    assertThat(page.getByTestId("act-done")).containsText("moved to Drawer");

    page.navigate("/dry/" + code);
    page.getByTestId("start-cycle").click();
    assertThat(page.getByTestId("cycle-headline")).containsText("Bench oven:");
    pass(Duration.ofHours(8));
    page.reload();
    page.getByText("take out", new Page.GetByTextOptions().setExact(true)).click();
    page.getByLabel("here: put " + code + " into Rack").click();
    assertThat(page.getByTestId("act-done")).containsText(code + ": moved to Rack");
    page.getByTestId("stop-cycle").click();
    assertThat(page.getByTestId("cycle-headline")).containsText("stopped");

    addJob("Tag", code);
    keepSheet();
    startBecause("a tag only");
    assertThat(page.getByTestId("run-headline")).containsText("Tag: 0 % done");
    endsWell();
    assertThat(page.getByTestId("run-headline")).hasText("Tag: good");
    assertFits("a print that ended");
    assertThat(complaints).isEmpty();
  }

  /** The keyboard alone: found, weighed, moved, taken back, printed. */
  @Test
  @Order(8)
  void theKeyboardAloneIsEnough() {
    page.navigate("/shelf");
    settle();
    type("/", "heron");
    page.keyboard().press("ArrowDown");
    page.keyboard().press("Enter");
    assertThat(page.getByTestId("printable")).isVisible();
    String code = page.url().substring(page.url().lastIndexOf('/') + 1);
    page.keyboard().press("w");
    assertThat(page.getByTestId("gross-mass")).isFocused();
    page.keyboard().type("990");
    page.keyboard().press("Enter");
    assertThat(page.getByTestId("act-done")).containsText("990 g");
    page.keyboard().press("m");
    Locator targets = page.getByTestId("move-targets");
    assertThat(targets).isVisible();
    assertThat(targets).isFocused();
    Locator drawer = targets.getByText("Drawer");
    for (int i = 0; !"true".equals(drawer.getAttribute("aria-selected")) && i < 9; i++) {
      page.keyboard().press("ArrowDown");
      // The page shows the next one a moment later.
      page.waitForTimeout(FINGER_MS);
    }
    page.keyboard().press("Enter");
    Locator told = page.getByTestId("act-done");
    assertThat(told).containsText("moved to Drawer");
    tabTo(told.getByRole(AriaRole.BUTTON).first());
    page.keyboard().press("Enter");
    assertThat(told.filter(new Locator.FilterOptions().setHasText("moved to Drawer"))).hasCount(0);

    type("g", "k");
    assertThat(page).hasURL(Pattern.compile("/print$"));
    settle();
    tabTo(page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)));
    page.keyboard().type("Peg");
    page.keyboard().press("Tab");
    page.keyboard().type(code);
    assertThat(option(code)).isVisible();
    page.keyboard().press("ArrowDown");
    page.keyboard().press("Enter");
    tabTo(button("Add and set up"));
    page.keyboard().press("Enter");
    assertThat(page.getByTestId("print-headline")).hasText("Peg");
    tabTo(page.getByTestId("part-done"));
    page.keyboard().press("Enter");
    assertThat(page.getByTestId("print-headline")).containsText("Peg:");
    tabTo(page.getByTestId("keep"));
    page.keyboard().press("Enter");
    assertThat(page.getByTestId("keep")).hasCount(0);
    Locator reasons = page.getByLabel("Start all the same, because");
    for (int i = 0; i < reasons.count(); i++) {
      tabTo(reasons.nth(i));
      page.keyboard().type("a peg only");
    }
    tabTo(page.getByTestId("start"));
    page.keyboard().press("Enter");
    assertThat(page.getByTestId("run-headline")).containsText("Peg: 0 % done");
    Locator good = page.locator("input[value='GOOD']");
    tabTo(good);
    page.keyboard().press("Space");
    assertThat(good).isChecked();
    tabTo(page.locator("#run-ending"));
    page.keyboard().press("ArrowDown");
    assertThat(option("It held")).isVisible();
    page.keyboard().press("ArrowDown");
    page.keyboard().press("Enter");
    assertThat(page.locator(".el-select:has(#run-ending)")).containsText("It held");
    tabTo(page.getByTestId("finish"));
    page.keyboard().press("Enter");
    assertThat(page.getByTestId("run-headline")).hasText("Peg: good");
    assertThat(complaints).isEmpty();
  }

  /** As fingers do: what comes quicker is a scanner's. */
  private void type(String... keys) {
    for (String key : keys) {
      page.keyboard().type(key, new Keyboard.TypeOptions().setDelay(FINGER_MS));
      page.waitForTimeout(FINGER_MS);
    }
  }

  /** Goes on with Tab until it is reached, as somebody without a mouse must. */
  private void tabTo(Locator wanted) {
    assertThat(wanted).hasCount(1);
    for (int steps = 0; steps < MOST_TABS; steps++) {
      if (Boolean.TRUE.equals(wanted.evaluate("it => it.contains(document.activeElement)"))) {
        return;
      }
      page.keyboard().press("Tab");
    }
    throw new AssertionError("Tab does not lead to " + wanted);
  }

  /** Adds a shelf by hand; returns the number in its address. */
  private long addedShelf(String name) {
    page.navigate("/shelf");
    button("Add a place").click();
    page.locator("#place-name").fill(name);
    button("Add this place").click();
    assertThat(page.locator("h1")).hasText(name);
    return Long.parseLong(page.url().substring(page.url().lastIndexOf('/') + 1));
  }

  /** Starts it with a reason for each check that asks for one. */
  private void startBecause(String reason) {
    Locator reasons = page.getByLabel("Start all the same, because");
    for (int i = 0; i < reasons.count(); i++) {
      reasons.nth(i).fill(reason);
    }
    page.getByTestId("start").click();
  }

  /** Adds a job from a spool with the page's own defaults, and opens its sheet. */
  private void addJob(String name, String code) {
    page.navigate("/print");
    page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill(name);
    page.locator("#new-of").click();
    option(code).click();
    button("Add and set up").click();
    page.getByTestId("part-done").click();
  }

  /** Keeps what the sheet proposes. */
  private void keepSheet() {
    page.getByTestId("keep").click();
    assertThat(page.getByTestId("keep")).hasCount(0);
  }

  /** Says that a print is good and held. */
  private void endsWell() {
    page.getByText("Good", new Page.GetByTextOptions().setExact(true)).click();
    page.locator(".el-select:has(#run-ending)").click();
    option("It held").click();
    page.getByTestId("finish").click();
  }

  /** Goes on to an hour at which somebody is there, today or tomorrow. */
  private void passUntilMorning() {
    ZonedDateTime now = now().atZone(ZoneId.systemDefault());
    ZonedDateTime ten = now.toLocalDate().atTime(10, 0).atZone(now.getZone());
    pass(Duration.between(now, ten.isAfter(now) ? ten : ten.plusDays(1)));
  }

  private Locator option(String name) {
    return page.getByRole(
        AriaRole.OPTION, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name)));
  }

  /** Looks at Today morning after morning, until it has a line that does something. */
  private Locator onceDue(String does) {
    Locator lines =
        page.getByTestId("sheet")
            .getByRole(
                AriaRole.BUTTON,
                new Locator.GetByRoleOptions().setName(Pattern.compile("^" + does)));
    for (int mornings = 0; mornings < 10; mornings++) {
      page.navigate("/today");
      assertThat(page.locator("h1")).containsText("Today");
      settle();
      assertThat(page.getByTestId("changing")).hasCount(0);
      if (lines.count() > 0) {
        break;
      }
      passUntilMorning();
    }
    return lines.first();
  }
}
