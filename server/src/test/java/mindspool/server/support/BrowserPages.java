package mindspool.server.support;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.AfterTestExecutionCallback;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;

/** A page in a real browser, which complains of nothing and asks nobody else. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
public abstract class BrowserPages {

  private static final Logger LOG = LoggerFactory.getLogger(BrowserPages.class);

  /** Debian's, the one without a window of its own first: it takes less of the processor. */
  private static final Path CHROMIUM =
      Stream.of("/usr/bin/chromium-headless-shell", "/usr/bin/chromium")
          .map(Path::of)
          .filter(Files::isExecutable)
          .findFirst()
          .orElseThrow(
              () ->
                  new IllegalStateException(
                      "No Chromium: apt-get install chromium-headless-shell"));

  /** A failing check gives up after so long; no check here is about speed. */
  private static final double PATIENCE_MS = 30_000;

  /** So often nothing is waited for, looked at so far apart. */
  private static final int QUIET_LOOKS = 3;

  private static final double LOOK_MS = 30;

  /** All rules of axe for WCAG 2.2 at level AA, and those for landmarks, labels and tables. */
  private static final List<String> ACCESSIBLE =
      List.of("wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice");

  protected static final int WIDTH = 1280;
  protected static final int HEIGHT = 800;

  /** Below, at and between the widths at which the layout changes. */
  private static final int[] WIDTHS = {360, 390, 640, 800, 2560};

  /** What o'clock the page takes it to be: as the program does. */
  private static final String AHEAD =
      """
      {
        const Computers = Date
        globalThis.Date = class extends Computers {
          constructor(...time) {
            if (time.length > 0) super(...time)
            else super(Computers.now() + %1$d)
          }
          static now() {
            return Computers.now() + %1$d
          }
        }
      }
      """;

  @Value("${local.server.port}")
  protected int port;

  @Autowired private TestClock clock;

  /** One for all classes of tests; it ends with the process that runs them. */
  private static Browser browser;

  private BrowserContext context;
  protected Page page;
  protected final List<String> complaints = new ArrayList<>();
  private final Set<String> waitingFor = new LinkedHashSet<>();

  /** A page that is left gives up what it asked for. */
  private final Set<String> failed = new LinkedHashSet<>();

  /** A picture of the page says what is missing; this says what it waits for. */
  @RegisterExtension
  final AfterTestExecutionCallback whyFailed =
      test ->
          test.getExecutionException()
              .ifPresent(
                  failure ->
                      LOG.error(
                          "{}: the page complained of {}, waits for {} and gave up {}; it says {}",
                          test.getDisplayName(),
                          complaints,
                          waitingFor,
                          failed,
                          page.getByRole(AriaRole.ALERT).allInnerTexts()));

  private static synchronized Browser browser() {
    if (browser == null) {
      PlaywrightAssertions.setDefaultAssertionTimeout(PATIENCE_MS);
      browser =
          Playwright.create()
              .chromium()
              .launch(
                  new BrowserType.LaunchOptions()
                      .setExecutablePath(CHROMIUM)
                      .setArgs(
                          List.of(
                              "--no-sandbox",
                              "--disable-gpu",
                              "--disable-quic",
                              "--no-first-run",
                              "--disable-background-networking",
                              "--disable-component-update",
                              "--disable-sync")));
    }
    return browser;
  }

  /**
   * One page for the whole class, as one tab for a day; what it keeps is forgotten between tests.
   */
  @BeforeAll
  protected void launch() {
    context =
        browser()
            .newContext(
                new Browser.NewContextOptions()
                    .setBaseURL("http://127.0.0.1:" + port)
                    .setViewportSize(WIDTH, HEIGHT));
    context.addInitScript(AHEAD.formatted(clock.aheadMs()));
    page = context.newPage();
    page.onConsoleMessage(
        message -> {
          if (message.type().equals("error") || message.type().equals("warning")) {
            complaints.add(message.text());
          }
        });
    page.onPageError(complaints::add);
    page.onRequestFinished(request -> waitingFor.remove(request.url()));
    page.onRequestFailed(
        request -> {
          waitingFor.remove(request.url());
          failed.add(request.url() + " (" + request.failure() + ")");
        });
    page.onRequest(
        request -> {
          if (request.isNavigationRequest()) {
            // What the page before asked for goes with it; nobody says so of each.
            waitingFor.clear();
          }
          waitingFor.add(request.url());
          if (!request.url().startsWith("http://127.0.0.1:" + port)
              && !request.url().startsWith("data:")) {
            complaints.add("asked elsewhere: " + request.url());
          }
        });
  }

  /** What time it is, for the program and for the page. */
  protected Instant now() {
    return clock.instant();
  }

  /** Lets time pass; pages that are opened then know it. */
  protected void pass(Duration time) {
    clock.pass(time);
    context.addInitScript(AHEAD.formatted(time.toMillis()));
  }

  @AfterAll
  protected void quit() {
    context.close();
  }

  @BeforeEach
  protected void open() {
    page.navigate("about:blank");
    page.setViewportSize(WIDTH, HEIGHT);
    complaints.clear();
    waitingFor.clear();
    failed.clear();
  }

  /** Leaves nothing to the next test that a browser keeps of a page. */
  @AfterEach
  protected void close() {
    if (page.url().startsWith("http")) {
      page.evaluate("() => localStorage.clear()");
    }
  }

  /**
   * Whether nothing has to be scrolled sideways, from a phone to a wall. A chart may take a moment
   * to follow its window.
   */
  protected void assertFits(String what) {
    for (int width : WIDTHS) {
      page.setViewportSize(width, HEIGHT);
      try {
        page.waitForFunction(
            "() => document.documentElement.scrollWidth <= window.innerWidth",
            null,
            new Page.WaitForFunctionOptions().setTimeout(PATIENCE_MS));
      } catch (TimeoutError tooWide) {
        throw new AssertionError(what + " is wider than its window of " + width, tooWide);
      }
    }
  }

  /** Waits until all that the page asked for has come and what came asks for nothing more. */
  protected void settle() {
    int quiet = 0;
    for (int looks = 0; quiet < QUIET_LOOKS; looks++) {
      assertThat(looks * LOOK_MS).as("waits for " + waitingFor).isLessThan(PATIENCE_MS);
      page.waitForTimeout(LOOK_MS);
      quiet = waitingFor.isEmpty() ? quiet + 1 : 0;
    }
  }

  protected void assertAccessible(String what) {
    assertThat(violations(ACCESSIBLE)).as(what).isEmpty();
  }

  /** Whether all words stand out in the dark theme too; only colours are others there. */
  protected void assertReadableInTheDark(String what) {
    theme("dark");
    assertThat(violations(List.of("color-contrast"))).as(what + " in the dark").isEmpty();
    theme("light");
  }

  private void theme(String theme) {
    page.evaluate("theme => document.documentElement.dataset.theme = theme", theme);
  }

  /**
   * What axe finds against some of its rules, named by themselves or by tags, once nothing fades in
   * or out any more. In the page itself, which has no frames, and without its long report of what
   * is in order.
   */
  private List<?> violations(List<String> rules) {
    if (Boolean.TRUE.equals(page.evaluate("() => !window.axe"))) {
      page.evaluate(AxeBuilder.getAxeScript());
    }
    return (List<?>)
        page.evaluate(
            """
            async (rules) => {
              const frame = () => new Promise(requestAnimationFrame);
              const moving = () => document.getAnimations()
                  .filter(each => each.effect.getComputedTiming().iterations !== Infinity);
              do {
                await frame();
                await frame();
                await Promise.allSettled(moving().map(each => each.finished));
              } while (moving().some(each => each.playState === 'running'));
              const found = await axe.run({runOnly: rules, resultTypes: ['violations'],
                  rules: {'label-content-name-mismatch': {enabled: rules.length > 1}}});
              return found.violations.flatMap(each =>
                  // A list that a select hangs over the page belongs to no region of it.
                  each.nodes.filter(node =>
                          each.id !== 'region' || !node.html.includes('el-popper'))
                      .map(node => `${each.id} at ${node.target}: ${node.html}`));
            }
            """,
            rules);
  }

  /** As somebody at the bench does: a scan that a busy computer broke up is made again. */
  protected void scan(String code) {
    String before = page.url();
    for (int tries = 0; tries < 5 && page.url().equals(before); tries++) {
      page.keyboard().type(code + "\n");
      page.waitForTimeout(500);
    }
  }
}
