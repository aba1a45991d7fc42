package org.diligentbough.journeys;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.LoadState;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.diligentbough.server.TestServer;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Takes the pictures of docs/screenshots anew, from the demo on 20 February 2027. */
@Tag("screenshots")
class ScreenshotsJourney {
    private static final Path FOLDER = TestServer.project().resolve("docs/screenshots");

    @Test
    void theMainViews() {
        String kilnfield = DemoJourney.demo("kilnfield.json", "Kilnfield Orchard");
        DemoJourney.demo("saltmarsh-row.json", "Saltmarsh Row");
        long treeId = TestServer.get("/api" + kilnfield + "/trees?q=K-01")
                .expect(200)
                .at("/trees/0/id")
                .longValue();
        try (Browser browser = new Browser()) {
            browser.open(kilnfield);
            browser.iAm("Tamsin Oke");
            browser.open(kilnfield + "?tree=" + treeId);
            take(browser, "orchard");
            browser.open(kilnfield + "?layer=light");
            browser.part("Light and room").waitFor();
            browser.page.locator(".site-plan").scrollIntoViewIfNeeded();
            take(browser, "orchard-light");
            browser.open(kilnfield + "/figures");
            browser.heading("Numbers the rules go by").waitFor();
            take(browser, "numbers");
            browser.open(kilnfield + "/trees/" + treeId + "?limb=B&pane=limbs&leaf=yes");
            browser.part("Limb B").waitFor();
            take(browser, "tree");
            browser.open(kilnfield + "/trees/" + treeId + "?pane=plan&limb=B");
            browser.page.locator(".year-strip button").nth(1).waitFor();
            take(browser, "plan");
            browser.open(kilnfield + "/trees/" + treeId + "?pane=years&year=5&view=230");
            browser.part("Ten years").waitFor();
            take(browser, "tree-years");
            browser.open(kilnfield + "/settings");
            take(browser, "site");
            browser.open(kilnfield + "/plan");
            browser.fill("while dormant", "3");
            browser.press("Lay it out");
            browser.part("Put off").waitFor();
            browser.press("Close");
            take(browser, "programme");
            browser.open(kilnfield + "/season");
            browser.part("Weather").locator("tbody tr").first().waitFor();
            take(browser, "year");
            browser.open(kilnfield + "/answer");
            browser.page.locator(".answer-picture").nth(9).waitFor();
            take(browser, "answer");
            browser.open(kilnfield + "/trees/" + treeId + "?pane=wood");
            browser.part("Wounds").waitFor();
            take(browser, "wood");
            rolesAsInTheDemo(kilnfield.replaceFirst(".*/", ""));
            browser.open(kilnfield + "/people");
            take(browser, "people");
            browser.open(kilnfield + "/days");
            take(browser, "days");
            browser.page.locator(".day-row").first().click();
            browser.part("Could be put on").locator(".candidate").first().waitFor();
            browser.press("Propose crews and trees");
            browser.button("Propose anew").waitFor();
            browser.press("Take it over");
            browser.button("Mend it, and fill what is free").waitFor();
            assertThat(browser.part("Crews").getByText("is not done before").count())
                    .as("a proposal taken over is the day it said it was")
                    .isZero();
            browser.press("Close");
            browser.part("Crews").scrollIntoViewIfNeeded();
            take(browser, "day");
            browser.follow("Sheet to print");
            browser.page.locator(".sheet-tree").first().waitFor();
            take(browser, "sheet");
            browser.phone();
            browser.open(kilnfield + "/trees/" + treeId + "/walk");
            browser.step("Limbs");
            take(browser, "walk-limbs");
            browser.page.locator(".limb-row").first().click();
            take(browser, "walk-limb");
            browser.open(kilnfield + "/days");
            browser.page.locator(".day-row").first().click();
            browser.page.locator("main a[href$='/log']").first().click();
            browser.page.locator(".limb-row").first().waitFor();
            browser.page
                    .locator(".limb-row")
                    .filter(new Locator.FilterOptions().setHasText("K-02"))
                    .click();
            browser.page.locator(".log-cut").first().waitFor();
            take(browser, "log");
            entered(browser);
            browser.open(kilnfield + "/waiting");
            browser.part("Log K-02").waitFor();
            take(browser, "waiting");
        }
    }

    /** A log and a photo entered without signal. */
    private static void entered(Browser browser) {
        browser.page.getByText(Pattern.compile("planned [0-9]+")).first().waitFor();
        browser.offline(true);
        browser.page.locator(".log-cut .outcomes button:first-child").all().forEach(Locator::click);
        browser.page.locator("#log-minutes").fill("25");
        browser.page.getByLabel("Picture cut of A").setInputFiles(FOLDER.resolve("tree.png"));
        browser.page
                .getByText("kept", new Page.GetByTextOptions().setExact(true))
                .waitFor();
        browser.page.locator("button:has-text('Send the log')").click();
        browser.page.getByText("logged here, waits").waitFor();
    }

    /** The tests make everybody a coordinator everywhere; a picture shows what a site is like. */
    private static void rolesAsInTheDemo(String site) {
        TestServer.sql("""
                delete from membership where site_id = %1$s
                    and person_id in (select id from person where name in ('Tess Ferrier', 'Aroha Sands', 'Mere Tolhurst'));
                update membership m set role = case p.name when 'Tamsin Oke' then 'coordinator'
                    when 'Joss Pell' then 'leader' else 'volunteer' end
                from person p where p.id = m.person_id and m.site_id = %1$s
                """.formatted(site));
    }

    private static void take(Browser browser, String name) {
        browser.page.waitForLoadState(LoadState.NETWORKIDLE);
        browser.page.waitForTimeout(300);
        browser.page.screenshot(new Page.ScreenshotOptions().setPath(FOLDER.resolve(name + ".png")));
    }
}
