package org.diligentbough.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.LoadState;
import org.assertj.core.api.Assertions;
import org.diligentbough.server.TestServer;
import org.junit.jupiter.api.Test;

/** Trying things out: what was done last is undone, and a made-up orchard is planted and thrown away. */
class PlayJourney {
    private static final int PLANTING_MS = 30_000;

    private static double eastM(String tree) {
        return TestServer.get("/api/trees/" + tree).json().at("/data/eastM").doubleValue();
    }

    @Test
    void aSampleIsPlantedAChangeUndoneAndTheSampleThrownAway() {
        try (Browser browser = new Browser()) {
            browser.open("/sites/new");
            browser.iAm("Wren Ashdown");
            browser.press("Plant a sample orchard");
            // Sixty trees with their walks and days on a machine that does other things too.
            assertThat(browser.heading("Sample orchard"))
                    .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(PLANTING_MS));
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
            Locator last =
                    browser.page.getByRole(AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("Last change"));
            assertThat(last).containsText("Saved: tree.");
            browser.press("Before and after");
            assertThat(last).containsText("Brickmaker");
            browser.press("Undo");
            assertThat(last).containsText("Undone.");
            assertThat(browser.page.locator("h1")).not().containsText("Brickmaker");

            // Dragged over the plan to where it stands, and back by undoing that.
            String k04 = browser.page.url().replaceFirst(".*/trees/", "");
            browser.page.navigate(site + "?tree=" + k04);
            Locator mark = browser.page.locator(".site-plan .to-move");
            assertThat(browser.page.locator(".picked-tree")).isVisible();
            // What stands above the plan comes in and moves it: nobody drags before it rests.
            browser.page.waitForLoadState(LoadState.NETWORKIDLE);
            mark.scrollIntoViewIfNeeded();
            double before = eastM(k04);
            var box = mark.locator("circle").first().boundingBox();
            browser.page.mouse().move(box.x + box.width / 2, box.y + box.height / 2);
            browser.page.mouse().down();
            browser.page.mouse().move(box.x + box.width / 2 + 30, box.y + box.height / 2 + 10);
            browser.page.mouse().move(box.x + box.width / 2 + 60, box.y + box.height / 2 + 20);
            browser.page.mouse().up();
            assertThat(last).containsText("Saved: tree.");
            Assertions.assertThat(eastM(k04)).isGreaterThan(before + 0.5);
            browser.press("Undo");
            assertThat(last).containsText("Undone.");
            Assertions.assertThat(eastM(k04)).isEqualTo(before);

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
