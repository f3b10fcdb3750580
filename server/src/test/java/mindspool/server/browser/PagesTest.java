package mindspool.server.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import java.util.List;
import mindspool.server.support.DemoPages;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Every page of the demo, visited once: it complains of nothing, is accessible by axe's rules,
 * stands out from its ground in both themes, and fits every window.
 */
class PagesTest extends DemoPages {

  private String code;

  /** All spools are computed first, so that no page changes under the check. */
  @BeforeAll
  void everythingIsComputed() {
    code = code("PETG slate");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "/shelf",
        "/list",
        "/spool/CODE",
        "/receive",
        "/dry",
        "/dry/CODE",
        "/materials",
        "/place/1",
        "/place/3",
        "/devices",
        "/lots",
        "/today",
        "/wall",
        "/plan",
        "/cycle/1",
        "/dryer/6",
        "/rounds",
        "/boxes",
        "/alerts",
        "/acts",
        "/space",
        "/print",
        "/print/machines",
        "/print/choose",
        "/print/compare",
        "/print/jobs/15",
        "/print/runs/9",
        "/trouble",
        "/trouble/1",
        "/trouble/practise?case=7",
        "/trouble/lines",
        "/trouble/practise/drying?case=7",
        "/trouble/steps",
        "/trouble/steps/feed_check",
        "/upkeep",
        "/upkeep/printer/5",
        "/upkeep/supplies",
        "/materials-compared",
        "/calibrations",
        "/how/moisture"
      })
  void isAccessibleQuietAndFits(String route) {
    String path = route.replace("CODE", code);
    page.navigate(path);
    assertThat(page.locator("h1").first()).isVisible();
    settle();
    assertAccessible(path);
    assertReadableInTheDark(path);
    assertFits(path);
    assertInFahrenheit(path);
    assertThat(complaints).isEmpty();
  }

  /** Whether every temperature follows the unit that a person chose, in sentences too. */
  private void assertInFahrenheit(String path) {
    page.setViewportSize(WIDTH, HEIGHT);
    Locator other = page.getByText("show °F");
    // A wall has no such button; the texts of models are written in SI units.
    if (other.count() == 0 || path.startsWith("/how")) {
      return;
    }
    other.click();
    Object left =
        page.evaluate(
            """
            () => {
              document.querySelectorAll('details').forEach(each => (each.open = true))
              return document.body.innerText.split('\\n')
                .filter(line => /°C|\\d K\\b/.test(line) && line.trim() !== 'show °C')
            }
            """);
    assertThat((List<?>) left).as(path + " in °F").isEmpty();
    page.getByText("show °C").click();
  }
}
