package org.diligentbough.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import org.assertj.core.api.Assertions;
import org.diligentbough.server.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A day is filled by a press of a button, looked at, taken over, and mended by hand. */
class FillJourney {
    private static final String SHED = """
            {"ladder": 2, "saw": 3, "loppers": 3, "pole-pruner": 2, "pole-saw": 1, "rope": 2, "helmet": 6, "spreader": 9}""";

    @Test
    void aCoordinatorFillsADayComparesTakesOverAndChangesByHand() {
        String site = DemoJourney.demo("kilnfield.json", "Kilnfield to fill");
        TestServer.judged();
        JsonNode added =
                TestServer.post("/api" + site + "/days", """
                        {"on": "2027-03-09", "starts": "09:30", "ends": "13:30", "shed": %s}
                        """.formatted(SHED)).expect(201);
        long day = added.get("id").longValue();
        StringBuilder coming = new StringBuilder();
        for (String name : new String[] {"Tamsin Oke", "Joss Pell", "Mabyn Crook", "Wilf Sedge", "Ines Ward"}) {
            coming.append(coming.isEmpty() ? "" : ",").append(TestServer.personNamed(name));
        }
        TestServer.put("/api/days/" + day + "/people", "{\"version\": 1, \"people\": [" + coming + "]}")
                .expect(200);
        try (Browser browser = new Browser()) {
            browser.open(site + "/days/" + day);
            browser.iAm("Tamsin Oke");
            browser.press("Propose crews and trees");
            Locator fill = browser.part("Fill the day");
            assertThat(fill.getByText("Looking for better…")).isVisible();
            assertThat(fill.getByRole(AriaRole.ARTICLE).first()).containsText("leads");
            // A page loaded anew finds it as it was.
            browser.page.reload();
            assertThat(fill.getByRole(AriaRole.ARTICLE).first()).containsText("leads");
            if (browser.button("Good enough").isVisible()) {
                browser.press("Good enough");
            }
            assertThat(browser.button("Propose anew")).isVisible();
            Assertions.assertThat(TestServer.get("/api/days/" + day).json().get("visits"))
                    .as("nothing is changed before it is taken over")
                    .isEmpty();
            browser.press("Take it over");
            Locator trees = browser.part("Trees of the day");
            assertThat(trees.getByRole(AriaRole.ARTICLE).first()).containsText("09:35");
            assertThat(trees.getByRole(AriaRole.ARTICLE).first()).containsText("crew 1");
            browser.phone();
            Assertions.assertThat(browser.page.evaluate(
                            "document.documentElement.scrollWidth <= document.documentElement.clientWidth"))
                    .as("nothing runs over the edge of a phone")
                    .isEqualTo(true);
            browser.laptop();
            // By hand: a tree is taken off, and the clock, which no longer holds, goes.
            trees.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Not on this day"))
                    .first()
                    .click();
            assertThat(trees.getByRole(AriaRole.ARTICLE).first()).not().containsText("crew 1");
            Assertions.assertThat(browser.errors()).isEmpty();
        }
    }
}
