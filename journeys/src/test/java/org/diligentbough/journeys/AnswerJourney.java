package org.diligentbough.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.regex.Pattern;
import org.diligentbough.server.CutTree;
import org.diligentbough.server.TestServer;
import org.junit.jupiter.api.Test;

/** What comes back: a harvest day, shoots after a hard cut, what is learned from them, and the answer as it is printed. */
class AnswerJourney {
    private static final String WEIGH = "Weigh a basket of S-4";

    @Test
    void aHarvestDayWithoutSignalIsTheYearsFruit() {
        // South of the equator plums are ripe in February.
        String site = DemoJourney.demo("saltmarsh-row.json", "Saltmarsh by the basket");
        long tree = tree(site, "S-4");
        try (Browser browser = new Browser()) {
            browser.phone();
            browser.open(site + "/walk");
            browser.iAm("Wren Ashdown");
            assertThat(browser.page.getByText("This phone has everything")).isVisible();
            browser.open(site + "/harvest");
            browser.offline(true);
            browser.page.reload();
            basket(browser, "12.5");
            basket(browser, "7");
            Locator row = browser.page
                    .locator(".harvest-row")
                    .filter(new Locator.FilterOptions().setHas(browser.page.getByLabel(WEIGH)));
            assertThat(row).containsText("19.5 kg today");
            assertThat(row).containsText("2 wait on this phone");
            browser.axe();
            browser.offline(false);
            assertThat(browser.page.getByText("wait on this phone")).hasCount(0);
            TestServer.eventually(() -> TestServer.get("/api/trees/" + tree + "/fruit")
                            .json()
                            .at("/pickings")
                            .size()
                    == 2);
            browser.open(site + "/trees/" + tree + "?pane=fruit");
            assertThat(browser.part("Fruit")).containsText("19.5");
            assertThat(browser.errors()).isEmpty();
        }
    }

    private static long tree(String site, String tag) {
        return TestServer.get("/api" + site + "/trees?q=" + tag)
                .expect(200)
                .at("/trees/0/id")
                .longValue();
    }

    private static void basket(Browser browser, String kilos) {
        browser.page.getByLabel(WEIGH).click();
        browser.number("On the scales", kilos);
        browser.press("Add the basket");
        assertThat(browser.page.getByLabel(WEIGH)).isVisible();
    }

    @Test
    void shootsAfterAHardCutChangeNextYearsPlanAndTeachTheNumbers() {
        CutTree cut = CutTree.planted();
        long site = cut.site();
        long tree = cut.tree();
        try (Browser browser = new Browser()) {
            browser.phone();
            browser.open("/sites/" + site + "/looks");
            browser.iAm("Tamsin Oke");
            browser.page.getByLabel("Look at A of A-1").click();
            Locator form = browser.page.getByLabel("Look at A", new Page.GetByLabelOptions().setExact(true));
            form.getByText("closing", new Locator.GetByTextOptions().setExact(true))
                    .click();
            browser.number("Open, the long way", "74");
            browser.number("The short way", "70");
            form.getByText("more", new Locator.GetByTextOptions().setExact(true))
                    .click();
            browser.number("How many, about", "60");
            browser.number("The longest", "170");
            browser.press("Save the look");
            assertThat(browser.part("Later")).containsText("74 by 70 mm, closing");
            TestServer.judged();
            browser.laptop();
            browser.open("/sites/" + site + "/trees/" + tree);
            assertThat(browser.page.locator("main")).containsText("may lose 15 % of its crown");
            browser.open("/sites/" + site + "/answer");
            assertThat(browser.part("Shoots that answer cuts")).containsText("Cut too hard: A-1 in 2026");
            Locator learned = browser.part("Learned from your own records");
            Locator shoots = learned.locator("tr").filter(new Locator.FilterOptions().setHasText("Upright shoots"));
            shoots.getByText("Go by yours").click();
            assertThat(shoots.getByText("Go by yours")).hasCount(0);
            browser.axe();
            browser.open("/sites/" + site + "/figures");
            assertThat(browser.page.getByText("learned from 1 of the orchard").first())
                    .isVisible();
            assertThat(browser.errors()).isEmpty();
        }
    }

    @Test
    void fruitsAreCountedAtTheTreeAndToldHowManyToLeave() {
        String site = DemoJourney.demo("kilnfield.json", "Kilnfield that is thinned");
        long tree = tree(site, "K-05");
        try (Browser browser = new Browser()) {
            browser.phone();
            browser.open(site);
            browser.iAm("Tamsin Oke");
            browser.open(site + "/trees/" + tree + "?pane=fruit");
            browser.number("Counted on the tree", "600");
            Locator box = browser.part("Crop load");
            assertThat(box).containsText(Pattern.compile("Take off \\d+ to \\d+"));
            browser.press("Keep the count");
            assertThat(box).containsText(Pattern.compile("600 fruits counted, .* reckoned, nothing picked yet"));
            browser.open(site + "/thinning");
            Locator row = browser.part("Apple").locator("tr").filter(new Locator.FilterOptions().setHasText("K-05"));
            assertThat(row).containsText("600");
            assertThat(browser.page.pdf().length).isGreaterThan(10_000);
            browser.open(site + "/trees/" + tree + "?pane=fruit");
            browser.page.getByLabel("Let go of the count").click();
            assertThat(box).not().containsText("600 fruits counted");
            browser.axe();
            assertThat(browser.errors()).isEmpty();
        }
    }

    @Test
    void theAnswerOfTheDemoIsReadAndPrinted() {
        String site = DemoJourney.demo("kilnfield.json", "Kilnfield that answers");
        try (Browser browser = new Browser()) {
            browser.open(site);
            browser.iAm("Tamsin Oke");
            browser.open(site + "/answer");
            assertThat(browser.page.locator(".answer-picture")).hasCount(10);
            assertThat(browser.part("What cutting did for the fruit"))
                    .containsText(Pattern.compile("bore \\d+ % more"));
            assertThat(browser.part("What cutting did for the fruit")).containsText("They bear more.");
            byte[] paper = browser.page.pdf();
            assertThat(paper.length).isGreaterThan(20_000);
            browser.axe();
            browser.page.getByLabel("Of which trees").selectOption("kind:plum");
            assertThat(browser.page.getByText("plum alone")).isVisible();
            assertThat(browser.part("What cutting did for the fruit")).containsText("Too little to tell");
            browser.page.getByLabel("Always go by what your records teach").check();
            Locator shoots = browser.part("Learned from your own records")
                    .locator("tr")
                    .filter(new Locator.FilterOptions().setHasText("Upright shoots"));
            assertThat(shoots.getByText("Go by yours")).hasCount(0);
            browser.open(site + "/figures");
            assertThat(browser.page.getByText(Pattern.compile("^apple ")).first())
                    .isVisible();
            assertThat(browser.errors()).isEmpty();
        }
    }
}
