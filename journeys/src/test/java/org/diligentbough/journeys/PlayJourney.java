package org.diligentbough.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** Trying things out: what was done last is undone, and a made-up orchard is planted and thrown away. */
class PlayJourney {
    @Test
    void aSampleIsPlantedAChangeUndoneAndTheSampleThrownAway() {
        try (Browser browser = new Browser()) {
            browser.open("/sites/new");
            browser.iAm("Wren Ashdown");
            browser.press("Plant a sample orchard");
            assertThat(browser.heading("Sample orchard")).isVisible();
            assertThat(browser.part("Register of trees").locator("tbody tr").first())
                    .isVisible();
            String site = browser.page.url();

            browser.part("Register of trees")
                    .getByRole(
                            AriaRole.LINK,
                            new Locator.GetByRoleOptions().setName("K-04").setExact(true))
                    .click();
            browser.follow("Edit");
            browser.fill("Cultivar", "Brickmaker");
            browser.press("Save");
            Locator last = browser.page.getByRole(
                    AriaRole.COMPLEMENTARY,
                    new com.microsoft.playwright.Page.GetByRoleOptions().setName("Last change"));
            assertThat(last).containsText("Saved: tree.");
            browser.press("Before and after");
            assertThat(last).containsText("Brickmaker");
            browser.press("Undo");
            assertThat(last).containsText("Undone.");
            assertThat(browser.page.locator("h1")).not().containsText("Brickmaker");

            browser.page.navigate(site);
            browser.press("Throw it away");
            assertThat(browser.page.getByText("The sample goes, with its people"))
                    .isVisible();
            browser.press("Throw it away");
            browser.page.waitForURL(address -> !address.equals(site));
            assertThat(browser.page
                            .getByLabel("Site")
                            .locator("option", new Locator.LocatorOptions().setHasText("Sample orchard")))
                    .hasCount(0);
            Assertions.assertThat(browser.errors()).isEmpty();
        }
    }
}
