package org.diligentbough.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.diligentbough.server.TestServer;
import org.junit.jupiter.api.Test;

/** What a reader of screens, and whoever cannot use a mouse, would stumble over: axe finds nothing serious. */
class AccessJourney {
    private static final String SERIOUS = """
            () => axe.run().then(found => found.violations
                .filter(one => one.impact === 'serious' || one.impact === 'critical')
                .map(one => one.id + ': ' + one.nodes.slice(0, 3).map(node => node.html.slice(0, 160)).join(' | ')))
            """;

    private static void nothingSerious(Browser browser, String where) {
        browser.axe();
        assertThat((List<?>) browser.page.evaluate(SERIOUS)).as(where).isEmpty();
    }

    @Test
    void axeFindsNothingSeriousOnOrchardWalkAndTree() {
        long site = TestServer.site("Open To All");
        long tree = TestServer.tree(site, "O-1");
        TestServer.post("/api/trees/" + tree + "/surveys", TestServer.walkJson())
                .expect(201);
        try (Browser browser = new Browser()) {
            browser.open("/sites/" + site);
            browser.iAm("Wren Ashdown");
            browser.open("/sites/" + site + "?layer=light");
            assertThat(browser.part("Light and room")).isVisible();
            nothingSerious(browser, "Orchard");
            browser.open("/sites/" + site + "/trees/" + tree + "?limb=C");
            assertThat(browser.part("Limb C")).isVisible();
            nothingSerious(browser, "Tree");
            browser.phone();
            browser.open("/sites/" + site + "/trees/" + tree + "/walk");
            for (String step : List.of("Sides", "Tree", "Trunk", "3 Ds", "Limbs", "Vigour", "Around", "Judge")) {
                browser.step(step);
                nothingSerious(browser, "Walk, " + step);
            }
            browser.step("Limbs");
            browser.press("Add a limb");
            nothingSerious(browser, "Walk, a limb");
            browser.open("/sites/" + site + "/figures");
            assertThat(browser.heading("Numbers the rules go by")).isVisible();
            nothingSerious(browser, "Numbers");
            browser.open("/sites/" + site + "/season");
            assertThat(browser.part("Weather")).containsText("Simulated");
            nothingSerious(browser, "The year");
            browser.open("/sites/" + site + "/season/apple");
            assertThat(browser.part("Schools")).isVisible();
            nothingSerious(browser, "A kind");
        }
    }
}
