package org.diligentbough.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.assertj.core.api.Assertions;
import org.diligentbough.server.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** When a tree may be cut here, this year: by what was seen, by the weather, and what else is due. */
class SeasonJourney {

    private static long treeId(String site, String tag) {
        return TestServer.get("/api" + site + "/trees?q=" + tag)
                .expect(200)
                .at("/trees/0/id")
                .longValue();
    }

    @Test
    void aStageSeenInTwoTapsMovesTheWindowsAndThePlans() {
        String site = DemoJourney.demo("kilnfield.json", "Kilnfield in an early spring");
        long tree = treeId(site, "K-04");
        try (Browser browser = new Browser()) {
            browser.open(site);
            browser.iAm("Tamsin Oke");
            browser.follow("The year, weather and care");
            browser.page
                    .locator(".year-calendar a", new Page.LocatorOptions().setHasText("Apple"))
                    .first()
                    .click();
            assertThat(browser.part("Today")).containsText("may be cut today");
            assertThat(browser.part("Schools")).containsText("(chosen here)");
            browser.phone();
            browser.press("buds swell");
            browser.press("Note it");
            assertThat(browser.part("Seen")).containsText("buds swell");
            assertThat(browser.part("Today")).containsText("not to be cut today");
            assertThat(browser.part("Today")).containsText("Next: 1 Feb");
            browser.laptop();
            browser.open(site + "/trees/" + tree);
            assertThat(browser.part("Judgement")).containsText("not to be cut today");
            assertThat(browser.part("Plan")).containsText("2028 while dormant");
            browser.open(site + "/season/apple");
            browser.part("Seen")
                    .locator("li", new Locator.LocatorOptions().setHasText("buds swell"))
                    .getByText("Take back")
                    .click();
            assertThat(browser.part("Today")).containsText("may be cut today");
            Assertions.assertThat(browser.errors()).isEmpty();
        }
    }

    @Test
    void aWetForecastHoldsAPlumDay() throws IOException {
        String site = DemoJourney.demo("saltmarsh-row.json", "Saltmarsh in the rain");
        long siteId = Long.parseLong(site.replaceAll("\\D", ""));
        long dayId = TestServer.day(siteId, "2027-02-23");
        Path file = Files.createTempFile("weather", ".csv");
        try (Browser browser = new Browser()) {
            browser.open(site + "/season");
            browser.iAm("Mere Tolhurst");
            assertThat(browser.part("Weather")).containsText("Simulated");
            Files.writeString(file, """
                    date,minC,maxC,rainMm,windKmh
                    2027-02-20,14,23,5,10
                    2027-02-23,14,23,0,12
                    2027-02-24,13,21,7,rain
                    """);
            Locator upload = browser.page.getByLabel("Daily weather from a file");
            upload.setInputFiles(file);
            assertThat(browser.page.getByText("Line 4, windKmh:")).isVisible();
            Files.writeString(file, Files.readString(file).replace("7,rain", "7,14"));
            upload.setInputFiles(file);
            assertThat(browser.page.getByText("3 days are kept.")).isVisible();
            assertThat(browser.part("Weather")).containsText("file");

            browser.open(site);
            assertThat(browser.page.getByRole(
                            AriaRole.GROUP, new Page.GetByRoleOptions().setName("Held by the weather")))
                    .containsText("plum held today");
            JsonNode day = TestServer.get("/api/days/" + dayId).expect(200);
            TestServer.post(
                            "/api/days/" + dayId + "/visits",
                            "{\"version\": " + day.get("version").intValue() + ", \"treeId\": " + treeId(site, "S-4")
                                    + "}")
                    .expect(201);
            browser.open(site + "/days/" + dayId);
            assertThat(browser.page
                            .getByText("S-4, by the weather of that day: 7 mm of rain on 24 February 2027")
                            .first())
                    .isVisible();

            Files.writeString(file, "date,minC,maxC,rainMm,windKmh\n2027-02-24,13,21,0,14\n2027-02-25,13,21,0,9\n");
            browser.open(site + "/season");
            browser.page.getByLabel("Daily weather from a file").setInputFiles(file);
            assertThat(browser.page.getByText("2 days are kept.")).isVisible();
            browser.open(site + "/days/" + dayId);
            assertThat(browser.heading("Work day")
                            .or(browser.page.getByText("S-4"))
                            .first())
                    .isVisible();
            assertThat(browser.page.getByText("by the weather of that day")).hasCount(0);
        } finally {
            Files.delete(file);
        }
    }

    @Test
    void careIsTickedOffWithANoteAndTakenBack() {
        String site = DemoJourney.demo("kilnfield.json", "Kilnfield cared for");
        try (Browser browser = new Browser()) {
            browser.open(site + "/season");
            browser.iAm("Tamsin Oke");
            browser.press("Done: Spread young branches, apple");
            browser.page.getByLabel("Note to Spread young branches").fill("Twelve sticks on K-27");
            browser.press("Note it as done");
            assertThat(browser.part("Work besides cutting")).containsText("by Tamsin Oke: Twelve sticks on K-27");
            browser.page
                    .locator(".care-list li", new Page.LocatorOptions().setHasText("Twelve sticks"))
                    .getByText("Take back")
                    .click();
            assertThat(browser.button("Done: Spread young branches, apple")).isVisible();
        }
    }

    @Test
    void aSortOfCutOnAnotherDayHasItsAnswerOnTheTree() {
        String site = DemoJourney.demo("kilnfield.json", "Kilnfield on other days");
        try (Browser browser = new Browser()) {
            browser.open(site + "/trees/" + treeId(site, "K-04"));
            browser.iAm("Tamsin Oke");
            browser.press("Why?");
            browser.page.getByLabel("On another day?").fill("2027-04-08");
            assertThat(browser.part("Judgement")).containsText("If the trees are not so far, note what you see");
            browser.page.getByLabel("What is to be cut").selectOption("dead");
            assertThat(browser.part("Judgement")).containsText("cut within the dead wood");
        }
    }
}
