package org.diligentbough.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.SelectOption;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.diligentbough.server.TestServer;
import org.junit.jupiter.api.Test;

/** A peach and a gooseberry with the phone: each is asked what its kind needs, planned by its own work, and worked on. */
class KindsJourney {
    private static String tree(long siteId, String tag, String species, String form) {
        long id = TestServer.post(
                        "/api/sites/" + siteId + "/trees",
                        TestServer.treeJson(tag)
                                .replace("\"apple\"", "\"" + species + "\"")
                                .replace("\"open-centre\"", "\"" + form + "\""))
                .expect(201)
                .get("id")
                .longValue();
        return "/sites/" + siteId + "/trees/" + id;
    }

    private static void limb(Browser browser, String parent, String width, String at, String length, String years) {
        browser.press("Add a limb");
        if (parent != null) {
            browser.page.getByLabel("Grows from").selectOption(parent);
        }
        browser.page.getByText("By number, and more about it").click();
        browser.number("Width", width);
        browser.number(parent == null ? "Leaves the trunk" : "Leaves its limb", at);
        browser.number("Length", length);
        browser.press("NE");
        browser.number("Angle", "40");
        browser.number("Age of its wood", years);
    }

    private static Locator chip(Browser browser, String legend, String name) {
        return browser.page
                .getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName(legend))
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name));
    }

    private static void measured(Browser browser, String heightM, String widthM) {
        browser.step("Tree");
        browser.number("Height", heightM);
        browser.number("Width of the crown", widthM);
    }

    @Test
    void aPeachIsAskedForItsShootsAndBudsAndPlannedByThem() {
        long siteId = TestServer.site("Warm bank");
        String peach = tree(siteId, "P-1", "peach", "open-centre");
        try (Browser browser = new Browser()) {
            browser.open(peach);
            browser.iAm("Wren Ashdown");
            browser.phone();
            browser.open(peach + "/walk");
            measured(browser, "2.6", "3");
            browser.number("Girth of the trunk", "40");
            browser.step("Vigour");
            browser.number("Shoots of last year", "60");
            browser.step("Limbs");
            limb(browser, null, "6", "0.6", "2", "8");
            browser.press("Done");
            limb(browser, "A", "2", "1", "0.9", "2");
            chip(browser, "Fruiting wood", "good").click();
            browser.press("Done");
            limb(browser, "A1", "0.8", "0.1", "0.5", "1");
            chip(browser, "Buds of this shoot", "triple buds").click();
            browser.press("Done");
            browser.step("Judge");
            browser.judge();
            browser.laptop();
            browser.open(peach + "?limb=A1");
            assertThat(browser.part("Limb A1")).containsText("It has fruited: it goes out to A11");
            Locator lane = browser.part("Plan")
                    .getByRole(AriaRole.GROUP, new Locator.GetByRoleOptions().setName("2027 at bud swell"));
            assertThat(lane).containsText("Keep 16 of the 60 shoots of last year");
            assertThat(lane.locator(".disc")).hasText("A1");
            // Its window opens in March: it goes on a day then, with what is no limb's.
            browser.open("/sites/" + siteId + "/days");
            browser.press("Plan a work day");
            browser.fill("Day", "2027-03-20");
            browser.press("Plan it");
            browser.press("Put P-1 on the day");
            assertThat(browser.part("Trees of the day")).containsText("Shorten A1; keep 16 of the 60 shoots");
            // A plum's long shoots are July's work.
            String plum = tree(siteId, "P-2", "plum", "open-centre");
            TestServer.post(
                            "/api" + plum.replaceFirst("/sites/[0-9]+", "") + "/surveys",
                            TestServer.walkJson().replace("\"spreadM\"", "\"youngShoots\": 30, \"spreadM\""))
                    .expect(201);
            browser.open("/sites/" + siteId + "/days");
            browser.press("Plan a work day");
            browser.fill("Day", "2027-07-17");
            browser.press("Plan it");
            browser.press("Put P-2 on the day");
            assertThat(browser.part("Trees of the day")).containsText("the 30 long shoots counted");
            Assertions.assertThat(browser.errors()).isEmpty();
        }
    }

    @Test
    void aGooseberryIsHalvedAsPlannedCutsPutOnADayAndLogged() {
        long siteId = TestServer.site("Bush corner");
        String bush = tree(siteId, "G-1", "gooseberry", "bush");
        TestServer.person("Gorse Leader", 1970, "lead", "first-aid");
        try (Browser browser = new Browser()) {
            browser.open(bush);
            browser.iAm("Wren Ashdown");
            browser.phone();
            browser.open(bush + "/walk");
            measured(browser, "1.2", "1.3");
            browser.step("Vigour");
            // A bush grows from many shoots: upright ones and suckers are not asked for.
            assertThat(browser.page.getByText("Upright shoots")).hasCount(0);
            browser.number("End shoots this year", "30");
            browser.step("Limbs");
            for (int i = 0; i < 3; i++) {
                limb(browser, null, "1.6", "0.1", "1", String.valueOf(2 + i));
                browser.press("Done");
            }
            browser.step("Judge");
            browser.judge();
            browser.laptop();
            browser.open(bush);
            Locator lane = browser.part("Plan")
                    .getByRole(AriaRole.GROUP, new Locator.GetByRoleOptions().setName("2027 while dormant"));
            assertThat(lane.locator(".disc")).hasText(new String[] {"A", "B", "C"});
            assertThat(lane).containsText("Side shoots of the 3 branches that stay go back to a few centimetres.");
            onTheDayOfToday(browser, siteId, "G-1", "Gorse Leader");
            assertThat(browser.part("Trees of the day")).containsText("Shorten A, B, C");
            logAll(browser, siteId, "Side shoots of the 3 branches");
            // What was done this winter is not asked for again.
            browser.open(bush);
            assertThat(browser.part("Plan")).not().containsText("Side shoots of the 3 branches");
            Assertions.assertThat(browser.errors()).isEmpty();
        }
    }

    /** In the south it is summer today. */
    @Test
    void aPlumIsWorkedOnInItsSummerWindowAndLogged() {
        String south = TestServer.siteJson("Long Summer")
                .replace("52.1", "-41.2")
                .replace("-2.4", "146")
                .replace("Europe/London", "Australia/Hobart")
                .replace("4,4,6,9,12,15,17,17,14,11,7,5", "17,17,14,11,7,5,4,4,6,9,12,15");
        long siteId = TestServer.post("/api/sites", south).expect(201).get("id").longValue();
        String plum = tree(siteId, "Y-1", "plum", "open-centre");
        TestServer.person("Linnet Leader", 1975, "lead", "first-aid");
        try (Browser browser = new Browser()) {
            browser.open(plum);
            browser.iAm("Wren Ashdown");
            browser.phone();
            browser.open(plum + "/walk");
            measured(browser, "3.4", "3.2");
            browser.number("Girth of the trunk", "45");
            browser.step("Vigour");
            browser.number("Long shoots", "24");
            browser.step("Limbs");
            limb(browser, null, "6", "0.8", "2", "8");
            browser.press("Done");
            limb(browser, "A", "0.8", "1", "0.9", "1");
            browser.press("Done");
            browser.step("Judge");
            browser.judge();
            browser.laptop();
            browser.open(plum);
            Locator lane = browser.part("Plan")
                    .getByRole(AriaRole.GROUP, new Locator.GetByRoleOptions().setName("2026/27 in summer"));
            assertThat(lane.locator(".disc")).hasText("A1");
            assertThat(lane).containsText("The 24 long shoots counted");
            onTheDayOfToday(browser, siteId, "Y-1", "Linnet Leader");
            assertThat(browser.part("Trees of the day")).containsText("Shorten A1; the 24 long shoots counted");
            logAll(browser, siteId, "24 long shoots counted");
            browser.open(plum);
            assertThat(browser.part("Plan")).not().containsText("24 long shoots");
            Assertions.assertThat(browser.errors()).isEmpty();
        }
    }

    /** What shades a tree is work as a cut is: planned with what it gains, put on a day, logged, and gone. */
    @Test
    void aHedgeThatShadesIsLoweredOnADayAndLoggedAndShadesNoLonger() {
        long siteId = TestServer.site("Hedge side");
        String tree = tree(siteId, "H-1", "apple", "open-centre");
        TestServer.person("Hazel Leader", 1972, "lead", "first-aid");
        TestServer.post(
                        "/api" + tree.replaceFirst("/sites/[0-9]+", "") + "/surveys",
                        TestServer.walkJson()
                                .replace(
                                        "\"limbs\": [",
                                        "\"surroundings\": [{\"kind\": \"hedge\", \"bearingDeg\": 180,"
                                                + " \"distanceM\": 2.5, \"heightM\": 5, \"lengthM\": 14}], \"limbs\": ["))
                .expect(201);
        try (Browser browser = new Browser()) {
            browser.open(tree);
            browser.iAm("Wren Ashdown");
            assertThat(browser.part("Plan"))
                    .containsText(
                            Pattern.compile(
                                    "Lower the hedge to the south, 5.0 m high, to 1.8 m: [1-9][0-9]? % of the open sky’s light more"));
            int before = inLight(browser);
            onTheDayOfToday(browser, siteId, "H-1", "Hazel Leader");
            assertThat(browser.part("Trees of the day")).containsText("lower the hedge");
            logAll(browser, siteId, "Lower the hedge to the south");
            browser.laptop();
            browser.open(tree);
            assertThat(browser.part("Plan")).not().containsText("Lower the hedge");
            Assertions.assertThat(inLight(browser)).isGreaterThan(before);
            Assertions.assertThat(browser.errors()).isEmpty();
        }
    }

    /** Per cent of the fruiting wood that the tree's page says has light enough now. */
    private static int inLight(Browser browser) {
        browser.pane("Limbs");
        Locator told = browser.page.getByText(Pattern.compile("of its fruiting wood has light enough"));
        Matcher said = Pattern.compile("(\\d+) % of its fruiting wood")
                .matcher(told.first().innerText());
        Assertions.assertThat(said.find()).isTrue();
        return Integer.parseInt(said.group(1));
    }

    private static void onTheDayOfToday(Browser browser, long siteId, String tag, String leader) {
        browser.open("/sites/" + siteId + "/days");
        browser.press("Plan a work day");
        browser.fill("Day", TestServer.TODAY);
        browser.press("Plan it");
        browser.press("Put " + tag + " on the day");
        browser.page
                .getByLabel("Add somebody who comes")
                .selectOption(new SelectOption().setLabel(leader + " (first aid, crew leader)"));
        browser.part("Trees of the day")
                .locator(".people-chips")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(leader))
                .click();
    }

    private static void logAll(Browser browser, long siteId, String task) {
        browser.phone();
        browser.open("/sites/" + siteId + "/log");
        browser.runTheDay();
        browser.page.locator(".limb-row").first().click();
        assertThat(browser.page.locator("button:has-text('Send the log')")).isVisible();
        assertThat(browser.page.getByText(task)).isVisible();
        browser.page.locator(".log-cut .outcomes button:first-child").all().forEach(Locator::click);
        browser.page.locator("#log-minutes").fill("12");
        browser.page.locator("button:has-text('Send the log')").click();
        assertThat(browser.page.locator(".limb-row")).containsText("logged");
    }
}
