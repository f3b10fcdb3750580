package mindspool.server.support;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.assertions.LocatorAssertions.ContainsTextOptions;
import java.util.regex.Pattern;

/** The demo in a real browser; all classes of tests share one running demo. */
@DemoApplication
public abstract class DemoPages extends BrowserPages {

  private static final double COMPUTED_WITHIN_MS = 120_000;

  protected Locator spool(String words) {
    return page.locator("[data-spool]").filter(new Locator.FilterOptions().setHasText(words));
  }

  /** The shelf, with all its spools computed. */
  protected void shelf() {
    page.navigate("/shelf");
    assertThat(page.getByTestId("shelf-summary")).containsText(Pattern.compile("2[4-9] spools"));
    assertThat(page.getByTestId("shelf-summary"))
        .not()
        .containsText("computing", new ContainsTextOptions().setTimeout(COMPUTED_WITHIN_MS));
  }

  /** The code of a spool, as the shelf shows it. */
  protected String code(String words) {
    shelf();
    return spool(words).getAttribute("data-spool");
  }
}
