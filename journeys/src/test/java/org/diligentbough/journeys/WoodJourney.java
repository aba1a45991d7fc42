package org.diligentbough.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.UUID;
import java.util.regex.Pattern;
import org.diligentbough.server.TestServer;
import org.junit.jupiter.api.Test;

/** Wounds, disease and removals: from the log that finds a hollow to the tree that takes a sick one's place. */
class WoodJourney {

    /** Logs that limb A was shortened, hollow six of eight centimetres. */
    private static void hollowLogged(long tree) {
        long who = TestServer.person("Corin Ashby", 1979);
        long visit = TestServer.post("/api/trees/" + tree + "/visits", "{}")
                .expect(201)
                .get("visitId")
                .longValue();
        TestServer.post("/api/visits/" + visit + "/log", """
                        {"key": "%s", "on": "2026-02-15", "minutes": 20, "people": [%d], "prunings": "chipped", "shoots": 0,
                         "cuts": [{"limb": "A", "outcome": "other", "kind": "shorten", "alongM": 1.0, "diameterCm": 8.0,
                                   "wood": "hollow", "hollowCm": 6.0}]}
                        """.formatted(UUID.randomUUID(), who))
                .expect(201);
    }

    @Test
    void aHollowFaceIsReferredAndItsWoundIsLookedAtWithoutSignal() {
        long site = TestServer.site("Hollow Field");
        long tree = TestServer.tree(site, "H-1");
        TestServer.post(
                        "/api/trees/" + tree + "/surveys",
                        TestServer.walkJson()
                                .replaceFirst("\"surveyedOn\": \"[^\"]*\"", "\"surveyedOn\": \"2026-01-15\""))
                .expect(201);
        hollowLogged(tree);
        try (Browser browser = new Browser()) {
            browser.phone();
            browser.open("/sites/" + site + "/walk");
            browser.iAm("Wren Ashdown");
            assertThat(browser.page.getByText("This phone has everything")).isVisible();
            browser.open("/sites/" + site + "/trees/" + tree + "?pane=wood");
            assertThat(browser.page.getByText("ask an arborist").first()).isVisible();
            assertThat(browser.part("Wound A")).containsText("hollow over 6.0 cm");
            assertThat(browser.part("Wound A")).containsText("To be looked at since 15 Feb 2027");
            browser.pane("Limbs");
            assertThat(browser.page.getByText(Pattern.compile("keeps a wall of 0.25")))
                    .isVisible();

            browser.open("/sites/" + site + "/looks");
            assertThat(browser.part("Due")).containsText("H-1");
            browser.offline(true);
            browser.page.reload();
            browser.page.getByLabel("Look at A of H-1").click();
            Locator form = browser.page.getByLabel("Look at A", new Page.GetByLabelOptions().setExact(true));
            form.getByText("soft", new Locator.GetByTextOptions().setExact(true))
                    .click();
            browser.number("Open, the long way", "78");
            browser.number("The short way", "74");
            browser.press("Save the look");
            assertThat(browser.page.getByText("looked at here, waits for signal"))
                    .isVisible();
            assertThat(TestServer.get("/api/trees/" + tree + "/wood").json().at("/wounds/0/looks"))
                    .isEmpty();
            browser.axe();
            browser.offline(false);
            assertThat(browser.part("Later")).containsText("78 by 74 mm, soft");
            assertThat(TestServer.get("/api/trees/" + tree + "/wood")
                            .json()
                            .at("/wounds/0/state")
                            .stringValue())
                    .isEqualTo("not-closing");
            assertThat(browser.errors()).isEmpty();
        }
    }

    @Test
    void diseaseOverTheOrchardByYearAndANewTreeForOneTakenOut() {
        String site = DemoJourney.demo("kilnfield.json", "Kilnfield of wood");
        try (Browser browser = new Browser()) {
            browser.open(site);
            browser.iAm("Tamsin Oke");
            browser.open(site + "?layer=disease");
            Locator panel = browser.part("Disease over the orchard");
            assertThat(panel).containsText("Canker");
            assertThat(panel).containsText("Look at these next");
            assertThat(browser.page.getByLabel(Pattern.compile("K-13.*sick")).first())
                    .isVisible();
            panel.locator("input[type=range]").fill("2023");
            assertThat(panel).containsText(Pattern.compile("K-15"));
            assertThat(panel.getByText("K-03")).hasCount(0);
            panel.locator("input[type=range]").fill("2027");
            browser.press("Make tasks of them");
            assertThat(browser.page.getByText("They stand among the tasks")).isVisible();
            browser.open(site + "?layer=grade");
            assertThat(browser.part("Wood of the orchard")).containsText("failing");
            browser.axe();

            browser.open(site + "/removals");
            assertThat(browser.part("Register of removals")).containsText("K-24");
            browser.page.getByLabel("Find").fill("K-13");
            assertThat(browser.page.locator("tbody tr").first()).containsText("K-13");
            browser.axe();

            browser.part("Register of removals")
                    .getByText("K-24", new Locator.GetByTextOptions().setExact(true))
                    .click();
            browser.follow("Register a new tree in its place");
            browser.fill("Tag", "K-63");
            browser.page
                    .getByLabel("Kind", new Page.GetByLabelOptions().setExact(true))
                    .selectOption("plum");
            browser.press("Save");
            assertThat(browser.heading("K-63 takes the place of K-24")).isVisible();
            assertThat(browser.page.getByText("The same kind stood here")).isVisible();
            assertThat(browser.errors()).isEmpty();
        }
    }
}
