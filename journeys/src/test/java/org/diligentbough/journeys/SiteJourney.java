package org.diligentbough.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.diligentbough.server.TestServer;
import org.junit.jupiter.api.Test;

/** What a site chooses, and the whole of it as a file. */
class SiteJourney {

    @Test
    void aChoiceMovesTheWindowsAndThePlansOfTheTrees() {
        String site = DemoJourney.demo("kilnfield.json", "Kilnfield of late summer");
        long treeId = TestServer.get("/api" + site + "/trees?q=K-04")
                .expect(200)
                .at("/trees/0/id")
                .longValue();
        try (Browser browser = new Browser()) {
            browser.open(site + "/trees/" + treeId);
            browser.iAm("Tamsin Oke");
            assertThat(browser.part("Plan")).containsText("2027 while dormant");
            assertThat(browser.part("Judgement")).containsText("may be cut today");
            browser.follow("Settings");
            browser.page.getByLabel("Apples, pears and their like").selectOption("late-summer");
            browser.page.getByLabel("Big cuts a tree a year").selectOption("2");
            browser.press("Save");
            assertThat(browser.page.getByText("Season: best cut now")).not().containsText("apple");
            browser.open(site + "/trees/" + treeId);
            assertThat(browser.part("Plan")).containsText("2027 after picking");
            assertThat(browser.part("Judgement")).containsText("may be cut today with care");
        }
    }

    /** Nobody waits for a site: it says what is being judged, and lists follow by themselves. */
    @Test
    void aSchoolChangedShowsWhatIsBeingJudgedAndThenTheNewPlans() {
        String site = DemoJourney.demo("kilnfield.json", "Kilnfield in the queue");
        try (Browser browser = new Browser()) {
            browser.open(site);
            browser.iAm("Tamsin Oke");
            Locator open = browser.page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Open now"));
            assertThat(open).containsText("apple until 31 Mar");
            browser.follow("Settings");
            browser.page.evaluate("window.notReloaded = true");
            browser.page.getByLabel("Apples, pears and their like").selectOption("late-summer");
            browser.press("Save");
            assertThat(browser.page.getByText(Pattern.compile("Being judged: [0-9]+ of [0-9]+ trees")))
                    .isVisible();
            browser.follow("Orchard");
            assertThat(open).not().containsText("apple until 31 Mar");
            assertThat(browser.page.getByText("Being judged:")).hasCount(0);
            Assertions.assertThat(browser.page.evaluate("window.notReloaded")).isEqualTo(true);
            Assertions.assertThat(browser.errors()).isEmpty();
        }
    }

    /** The plan is drawn by what is in view: closer there are fewer trees, moved over there are others. */
    @Test
    void thePlanIsComeCloserToAndMovedOver() {
        String site = DemoJourney.demo("kilnfield.json", "Kilnfield from above");
        try (Browser browser = new Browser()) {
            browser.open(site);
            browser.iAm("Tamsin Oke");
            Locator drawn = browser.page.locator(".site-plan .tree");
            assertThat(browser.page.locator(".register tbody tr")).hasCount(59);
            int all = drawn.count();
            browser.press("Closer");
            browser.press("Closer");
            browser.press("Closer");
            int near = drawn.count();
            Assertions.assertThat(near).isBetween(1, all - 20);
            String before = String.join(" ", drawn.allInnerTexts());
            drawn.first().focus();
            browser.page.keyboard().press("ArrowLeft");
            browser.page.keyboard().press("ArrowUp");
            assertThat(drawn.first()).isVisible();
            Assertions.assertThat(String.join(" ", drawn.allInnerTexts())).isNotEqualTo(before);
            var box = browser.page.locator(".site-plan").boundingBox();
            browser.page.mouse().move(box.x + box.width / 2, box.y + box.height / 2);
            browser.page.mouse().down();
            browser.page.mouse().move(box.x + box.width / 4, box.y + box.height / 2);
            browser.page.mouse().up();
            Assertions.assertThat(browser.page.url()).doesNotContain("tree=");
            browser.press("Whole");
            assertThat(drawn).hasCount(all);
        }
    }

    @Test
    void aWrongFigureIsToldAtItsFieldAndNothingIsSaved() {
        String site = DemoJourney.demo("saltmarsh-row.json", "Saltmarsh figures");
        try (Browser browser = new Browser()) {
            browser.open(site + "/settings");
            browser.iAm("Mere Tolhurst");
            browser.page.getByLabel("Latitude").fill("-138");
            browser.page.getByText("I have better numbers").click();
            browser.fill("Jul mean, degrees C", "cold");
            browser.press("Save");
            assertThat(browser.page.getByText("Give degrees from -90 to 90.")).isVisible();
            assertThat(browser.page.getByText("Give all twelve months")).isVisible();
            browser.page.reload();
            assertThat(browser.page.getByLabel("Latitude")).hasValue("-38.2");
        }
    }

    @Test
    void theArchiveGoesOutAndComesInUnderAnotherName() throws IOException {
        String site = DemoJourney.demo("saltmarsh-row.json", "Saltmarsh to move");
        Path file = Files.createTempFile("archive", ".json");
        try (Browser browser = new Browser()) {
            browser.open(site + "/settings");
            browser.iAm("Mere Tolhurst");
            Download download = browser.page.waitForDownload(() -> browser.follow("without its photos (JSON)"));
            download.saveAs(file);
            browser.open("/sites/new");
            browser.page.getByLabel("Archive file").setInputFiles(file);
            assertThat(browser.page.getByRole(AriaRole.ALERT)).containsText("is the name of a site here already");
            Files.writeString(file, Files.readString(file).replace("Saltmarsh to move", "Saltmarsh moved"));
            browser.page.getByLabel("Archive file").setInputFiles(file);
            assertThat(browser.heading("Saltmarsh moved")).isVisible();
            assertThat(browser.page.locator(".register tbody tr")).hasCount(12);
        } finally {
            Files.delete(file);
        }
    }

    @Test
    void onAPhoneTheTreeIsFoundAndItsJudgementRead() {
        String site = DemoJourney.demo("kilnfield.json", "Kilnfield by phone");
        try (Browser browser = new Browser()) {
            browser.phone();
            browser.open(site + "/walk");
            browser.iAm("Tamsin Oke");
            browser.page.getByLabel("Find a tree").fill("K-09");
            assertThat(browser.page.locator(".limb-row")).hasCount(1);
            browser.page.locator(".limb-row").click();
            browser.page
                    .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Leave"))
                    .click();
            Locator judgement = browser.part("Judgement");
            assertThat(judgement).containsText("not to be cut today");
            assertThat(judgement).containsText("Next: 1 Jul – 31 Aug 2027");
            // Nothing is wider than the screen.
            int width = (int) browser.page.evaluate("document.documentElement.scrollWidth");
            Assertions.assertThat(width).isLessThanOrEqualTo(Browser.PHONE_WIDTH);
        }
    }
}
