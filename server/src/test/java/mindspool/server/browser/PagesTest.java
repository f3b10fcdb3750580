package mindspool.server.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

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
    assertThat(complaints).isEmpty();
  }
}
