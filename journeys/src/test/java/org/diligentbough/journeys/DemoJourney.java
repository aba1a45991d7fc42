package org.diligentbough.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Download;
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
import tools.jackson.databind.node.ObjectNode;

/** On the demo: finding, looking, editing at the same time as somebody else, files out and in. */
class DemoJourney {

    /** A demo site under a name of its own; its address. */
    static String demo(String file, String name) {
        ObjectNode archive = (ObjectNode) TestServer.JSON.readTree(TestServer.file("demo/" + file));
        ((ObjectNode) archive.get("site")).put("name", name);
        return "/sites/"
                + TestServer.post("/api/archives", TestServer.JSON.writeValueAsString(archive))
                        .expect(201)
                        .get("siteId")
                        .longValue();
    }

    private static JsonNode treeOf(String site, String tag) {
        return TestServer.get("/api" + site + "/trees?q=" + tag).expect(200).at("/trees/0");
    }

    @Test
    void aKindIsFoundBySeasonAndATreeByItsTag() {
        String site = demo("kilnfield.json", "Kilnfield to find in");
        try (Browser browser = new Browser()) {
            browser.open(site);
            browser.iAm("Tamsin Oke");
            Locator season = browser.page.getByText("Season: best cut now");
            assertThat(season).containsText("apple");
            // On a laptop its picture is folded, so that the plan is seen first.
            season.click();
            browser.page
                    .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Plum, best"))
                    .first()
                    .click();
            assertThat(browser.page.locator(".register tbody tr")).hasCount(6);
            browser.press("Show all");
            browser.page.locator(".site-plan .tree[aria-label^='K-09']").click();
            assertThat(browser.page.locator(".register tr.picked")).containsText("K-09");
            browser.page.goBack();
            browser.page.goForward();
            assertThat(browser.page.locator(".register tr.picked")).containsText("K-09");
            Assertions.assertThat(browser.errors()).isEmpty();
        }
    }

    @Test
    void theTreeIsWalkedRoundAndSteppedThroughItsYearsByKeys() {
        String site = demo("kilnfield.json", "Kilnfield to look at");
        try (Browser browser = new Browser()) {
            browser.open(site + "/trees/" + treeOf(site, "K-01").get("id").longValue());
            browser.iAm("Tamsin Oke");
            Locator drawing =
                    browser.page.getByRole(AriaRole.APPLICATION, new Page.GetByRoleOptions().setName("Drawing"));
            drawing.focus();
            assertThat(browser.page.getByText("from the south.")).isVisible();
            for (int step = 0; step < 3; step++) {
                browser.page.keyboard().press("ArrowLeft");
            }
            assertThat(browser.page.getByText("from the south-west.")).isVisible();
            int limbs = browser.page.locator(".tree-drawing .limb").count();
            browser.page.keyboard().press("ArrowUp");
            assertThat(browser.page.getByText("Early 2028").first()).isVisible();
            Assertions.assertThat(browser.page.locator(".tree-drawing .limb").count())
                    .isLessThan(limbs);
            browser.page.keyboard().press("ArrowDown");
            assertThat(browser.page.locator(".tree-drawing .limb")).hasCount(limbs);
            assertThat(browser.part("Take care")).containsText("one holds the ladder");
            browser.press("Why?");
            browser.page.getByLabel("On another day?").fill("2027-05-20");
            assertThat(browser.page.getByText("Next: 1 Feb – 30 Mar 2028.")).isVisible();
        }
    }

    @Test
    void twoWhoEditOneTreeAreToldAndLoseNothing() {
        String site = demo("saltmarsh-row.json", "Saltmarsh for two");
        JsonNode tree = treeOf(site, "S-1");
        try (Browser browser = new Browser()) {
            browser.open(site + "/trees/" + tree.get("id").longValue() + "/edit");
            browser.iAm("Mere Tolhurst");
            browser.fill("Note", "mine");
            ObjectNode data =
                    ((ObjectNode) tree.get("data")).put("note", "theirs").put("targetHeightM", 2.2);
            TestServer.put(
                            "/api/trees/" + tree.get("id").longValue(),
                            TestServer.JSON.writeValueAsString(TestServer.JSON
                                    .createObjectNode()
                                    .put("version", 1)
                                    .set("data", data)))
                    .expect(200);
            browser.press("Save");
            assertThat(browser.page.getByRole(AriaRole.ALERT)).containsText("changed by somebody else");
            assertThat(browser.page.getByLabel("Note")).hasValue("mine");
            Assertions.assertThat(treeOf(site, "S-1").at("/data/note").stringValue())
                    .isEqualTo("theirs");
            // Both stand side by side; what is kept then is chosen.
            assertThat(browser.part("Saved meanwhile")).containsText("yours mine; theirs theirs");
            browser.fill("Note", "theirs, and mine");
            browser.press("Save");
            assertThat(browser.page.getByText("theirs, and mine")).isVisible();
            // What they changed and this one did not touch was not put back.
            Assertions.assertThat(treeOf(site, "S-1").at("/data/targetHeightM").doubleValue())
                    .isEqualTo(2.2);
        }
    }

    @Test
    void theSecondOfTwoWhoMoveCutsSeesTheOtherPlanAndMovesInIt() {
        String site = demo("kilnfield.json", "Kilnfield for two");
        long treeId = treeOf(site, "K-04").get("id").longValue();
        try (Browser browser = new Browser()) {
            browser.open(site + "/trees/" + treeId);
            browser.iAm("Tamsin Oke");
            Locator plan = browser.part("Plan");
            Locator first =
                    plan.locator(".lane:has-text('2027 while dormant') .disc").first();
            String limb = first.innerText().trim();
            // Somebody else gives the plan another version while this page is open.
            TestServer.put("/api/trees/" + treeId + "/plan", "{\"version\": 0, \"edits\": {}}")
                    .expect(200);
            first.press("ArrowDown");
            assertThat(browser.page.getByRole(AriaRole.ALERT)).containsText("changed by somebody else");
            browser.press("Move " + limb + " to 2028 in it all the same");
            assertThat(plan.locator(".lane:has-text('2028 while dormant') .disc.by-hand"))
                    .hasText(limb);
        }
    }

    @Test
    void theCoordinatorFillsTheComingDayAndLogsAStorm() {
        String site = demo("kilnfield.json", "Kilnfield through the year");
        try (Browser browser = new Browser()) {
            browser.open(site);
            browser.iAm("Tamsin Oke");
            Locator today = browser.part("Today");
            assertThat(today).containsText("Dangerous, not dealt with");
            assertThat(today).containsText("limb hanging loose");
            assertThat(today).containsText("on no work day");
            today.locator(".day-row").first().click();
            Locator trees = browser.part("Trees of the day");
            assertThat(trees).containsText("Nobody is on K-04 yet.");
            Locator tree = trees.getByRole(AriaRole.ARTICLE, new Locator.GetByRoleOptions().setName("K-04"));
            // Without the ladder ticket it is refused with the reason; with it, it goes.
            Locator mabyn = person(tree, "Mabyn Crook");
            mabyn.click();
            assertThat(browser.page.getByRole(AriaRole.ALERT)).containsText("current ladder ticket");
            assertThat(mabyn).hasAttribute("aria-pressed", "false");
            person(tree, "Joss Pell").click();
            assertThat(person(tree, "Joss Pell")).hasAttribute("aria-pressed", "true");
            mabyn.click();
            assertThat(mabyn).hasAttribute("aria-pressed", "true");
            person(tree, "Fenn Tally").click();
            assertThat(browser.page.getByRole(AriaRole.ALERT)).containsText("may still be under 18");
            browser.press("Confirm");
            assertThat(browser.page.getByRole(AriaRole.ALERT)).containsText("Nobody is on K-09 yet.");
            Locator other = trees.getByRole(AriaRole.ARTICLE, new Locator.GetByRoleOptions().setName("K-09"));
            other.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Not on this day"))
                    .click();
            assertThat(other).hasCount(0);
            browser.press("Confirm");
            assertThat(browser.page.locator("h1 ~ .state").first()).hasText("confirmed");
            browser.follow("Sheet to print");
            assertThat(browser.part("K-04")).containsText("shorten C");
            assertThat(browser.part("K-02").locator("svg")).hasCount(2);
            browser.phone();
            browser.open(site + "/trees/" + treeOf(site, "K-21").get("id").longValue());
            browser.press("Report");
            browser.press("leaning tree");
            browser.press("yes: keep people away");
            browser.page.getByLabel("What exactly, and where").fill("Off its prop");
            browser.press("Report it");
            assertThat(browser.part("Reported")).containsText("danger: leaning tree");
            browser.open(site);
            assertThat(browser.part("Today")).containsText("Off its prop");
            Assertions.assertThat(browser.errors()).isEmpty();
        }
    }

    @Test
    void aDayRainedOffMovesAndAWrongLogIsCorrected() {
        String site = demo("kilnfield.json", "Kilnfield in the rain");
        try (Browser browser = new Browser()) {
            browser.open(site + "/days");
            browser.iAm("Tamsin Oke");
            browser.part("To come").locator(".day-row").first().click();
            browser.press("Rained off");
            browser.page
                    .getByLabel("What is not logged moves, with its people, to")
                    .fill("2027-03-20");
            browser.press("Move");
            assertThat(browser.page.getByText("Moved to 20 Mar 2027")).isVisible();
            browser.follow("20 Mar 2027");
            assertThat(browser.part("Trees of the day")).containsText("K-04");
            assertThat(browser.part("Who comes")).containsText("Joss Pell has not said they can come that day.");
            browser.open(site + "/days");
            assertThat(browser.part("Past")).containsText("rained off");
            // K-13's removal of H turns out to have been logged by mistake.
            browser.open(site + "/trees/" + treeOf(site, "K-13").get("id").longValue());
            browser.pane("Story");
            Locator time = browser.part("Line of time");
            assertThat(time).containsText("emoved H (hollow 3 cm");
            browser.phone();
            time.locator(".log")
                    .first()
                    .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("correct it"))
                    .click();
            browser.part("Limb H")
                    .getByRole(
                            AriaRole.BUTTON,
                            new Locator.GetByRoleOptions().setName("Not done").setExact(true))
                    .click();
            browser.page
                    .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Send the correction"))
                    .click();
            browser.pane("Story");
            assertThat(time).containsText("Correction: ");
            assertThat(time).containsText("Not done H");
            assertThat(time.locator(".corrected")).containsText("emoved H (hollow 3 cm");
            Assertions.assertThat(browser.errors()).isEmpty();
        }
    }

    private static Locator person(Locator tree, String name) {
        return tree.locator(".people-chips").getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name));
    }

    @Test
    void aTreeIsTakenOutAndStaysInTheRegister() {
        String site = demo("kilnfield.json", "Kilnfield with one fewer");
        try (Browser browser = new Browser()) {
            browser.open(site + "/trees/" + treeOf(site, "K-08").get("id").longValue() + "?do=remove");
            browser.iAm("Tamsin Oke");
            browser.page.getByLabel("Grounds").selectOption("far too close to others");
            browser.fill("Permission", "Committee, 3 February");
            browser.fill("Taken out by", "Kiln crew");
            browser.fill("What replaces it", "Nothing: K-07 and K-19 get its room");
            browser.press("Enter the removal");
            assertThat(browser.page.getByText("This tree was taken out.")).isVisible();
            browser.open(site);
            assertThat(browser.part("Register of removals")).containsText("K-08");
            assertThat(browser.part("Register of trees").getByText("K-08")).hasCount(0);
        }
    }

    @Test
    void aSurveyFileGoesOutAndFillsTheNextWalk() throws IOException {
        String site = demo("saltmarsh-row.json", "Saltmarsh files");
        String tree = site + "/trees/" + treeOf(site, "S-2").get("id").longValue();
        Path file = Files.createTempFile("survey", ".json");
        try (Browser browser = new Browser()) {
            browser.open(tree);
            browser.iAm("Mere Tolhurst");
            browser.pane("Story");
            Download download = browser.page.waitForDownload(() -> browser.follow("survey file"));
            download.saveAs(file);
            browser.phone();
            browser.open(tree + "/walk");
            browser.step("Judge");
            browser.page.getByLabel("Survey file").setInputFiles(file);
            assertThat(browser.page.getByText("7 limbs, 2 of them with something wrong."))
                    .isVisible();
            browser.press("Save and judge");
            browser.pane("Story");
            assertThat(browser.page.locator(".timeline .survey")).hasCount(2);
        } finally {
            Files.delete(file);
        }
    }

    @Test
    void aRefusedSurveyNamesTheFieldAndKeepsTheDraft() {
        String site = demo("saltmarsh-row.json", "Saltmarsh refused");
        String tree = site + "/trees/" + treeOf(site, "S-3").get("id").longValue();
        try (Browser browser = new Browser()) {
            browser.open(tree + "/walk");
            browser.iAm("Mere Tolhurst");
            browser.step("Tree");
            browser.number("Height", "");
            assertThat(browser.page.getByText("draft kept")).isVisible();
            browser.step("Judge");
            assertThat(browser.page.getByText("Still wanted: height.")).isVisible();
            browser.press("Save and judge");
            assertThat(browser.page.getByRole(AriaRole.ALERT)).containsText("Height is missing");
            assertThat(browser.page.getByText("10 limbs")).isVisible();
        }
    }
}
