package mindspool.server.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import mindspool.server.support.DemoPages;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;

/**
 * A day is run from Today: each line is done through its button, then the other pages say the same;
 * all is taken back, and the day is as it was. It comes first, while the demo is as it begins.
 */
@Order(1)
class TodayTest extends DemoPages {

  private static final int LEAST_KINDS = 6;
  private static final int MOST_LOOKS = 30;
  private static final double LOOK_MS = 2000;

  /** Lines that follow from the plan, which is sought anew after each act. */
  private static final Pattern OF_THE_PLAN =
      Pattern.compile("^(Put|Take .* out of|.* prints from)");

  private Locator lines() {
    return page.getByTestId("sheet").locator("li");
  }

  private void today() {
    page.navigate("/today");
    assertThat(page.locator("h1")).hasText("Today");
    settle();
    assertThat(page.getByTestId("changing")).hasCount(0);
  }

  private List<String> titles() {
    today();
    return lines().locator(".what a").allTextContents();
  }

  /** The demo has just begun: its spools are computed, then its plan is made. */
  private List<String> onceItIsPlanned() {
    shelf();
    List<String> titles = titles();
    for (int looks = 0; looks < MOST_LOOKS && !titles.toString().contains("Start "); looks++) {
      page.waitForTimeout(LOOK_MS);
      titles = titles();
    }
    assertThat(titles.toString()).contains("Start ");
    return titles;
  }

  private static List<String> lasting(List<String> titles) {
    // Which spool serves a job is the plan's to choose, too.
    return titles.stream()
        .filter(title -> !OF_THE_PLAN.matcher(title).find())
        .map(title -> title.replaceFirst(" with \\w{4}:", ":"))
        .sorted()
        .toList();
  }

  @Test
  void allThatIsListedIsDoneThroughItsButtonsAndTakenBack() {
    List<String> before = onceItIsPlanned();
    long latest = latestAct();
    List<String> done = new ArrayList<>();
    for (String title : before) {
      today();
      Locator line = lines().filter(new Locator.FilterOptions().setHasText(title));
      if (line.count() > 0) {
        done.add(done(line.first(), title));
        today();
        assertThat(lines().locator(".what a").getByText(title, exact())).hasCount(0);
      }
    }
    assertThat(done.stream().distinct().count())
        .as(done.toString())
        .isGreaterThanOrEqualTo(LEAST_KINDS);

    // What was done from Today is what the other pages tell.
    page.navigate("/print");
    assertThat(page.locator("#main")).containsText("duct, urgent");
    page.navigate("/trouble");
    assertThat(page.locator("#main")).containsText("it was");
    int undone = 0;
    for (long act = latestAct(); act > latest; act = latestAct()) {
      page.getByTestId("act-" + act).getByText("undo").click();
      assertThat(page.getByTestId("act-" + act)).containsText("redo");
      undone++;
    }
    assertThat(undone).isGreaterThanOrEqualTo(done.size());
    assertThat(lasting(titles())).isEqualTo(lasting(before));
    assertThat(complaints).isEmpty();
  }

  private static Locator.GetByTextOptions exact() {
    return new Locator.GetByTextOptions().setExact(true);
  }

  /** Number of the latest act that holds. */
  private long latestAct() {
    page.navigate("/acts");
    assertThat(holding().first()).isVisible();
    settle();
    return Long.parseLong(holding().first().getAttribute("data-testid").replace("act-", ""));
  }

  private Locator holding() {
    return page.locator("ul.acts > li")
        .filter(
            new Locator.FilterOptions()
                .setHas(
                    page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^undo")))));
  }

  /** Does a line through what it offers; returns what that was. */
  private String done(Locator line, String title) {
    Locator first = line.locator(".acts").locator("button, a").first();
    // Its words for those who hear the page follow after a colon.
    String kind = first.innerText().split(":")[0].strip();
    first.click();
    if (kind.startsWith("say how it ended")) {
      page.getByText("Good", new Page.GetByTextOptions().setExact(true)).click();
      page.locator(".el-select:has(#run-ending)").click();
      page.getByRole(
              AriaRole.OPTION, new Page.GetByRoleOptions().setName(Pattern.compile("^It held")))
          .click();
      page.getByTestId("finish").click();
      assertThat(page.getByTestId("run-headline")).containsText(": good");
    } else if (kind.startsWith("look for it")) {
      assertThat(page.getByTestId("case-headline")).isVisible();
      page.getByTestId("close-case").click();
      assertThat(page.getByTestId("case-headline")).containsText("it was");
    } else if (kind.startsWith("do it")) {
      String task = title.substring(title.indexOf(": ") + 2);
      Locator row = page.locator("li").filter(new Locator.FilterOptions().setHasText(task)).first();
      row.locator("button.button").first().click();
      settle();
    } else if (kind.endsWith("…")) {
      Locator dialog = page.getByTestId("deed");
      assertThat(dialog).isVisible();
      settle();
      dialog.locator("button.primary").click();
      settle();
      if (page.getByTestId("held-back").count() > 0) {
        page.getByTestId("held-back").getByRole(AriaRole.LINK).click();
        Locator reasons = page.getByLabel("Start all the same, because");
        assertThat(page.getByTestId("start")).isVisible();
        for (int i = 0; i < reasons.count(); i++) {
          reasons.nth(i).fill("as planned");
        }
        page.getByTestId("start").click();
        assertThat(page.getByTestId("run-headline")).isVisible();
      } else {
        assertThat(dialog).hasCount(0);
      }
    } else {
      settle();
    }
    return kind;
  }
}
