package org.diligentbough.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/**
 * From nothing to a staffed work day for ten trees with its sheet to print, by one who has a list of their trees and knows
 * nothing of this. A person's time is reckoned by the keystroke-level model (Card, Moran and Newell 1980, from memory):
 * 1.1 s to point at something and press, 0.28 s a key, 1.35 s to make up one's mind before each field and each press.
 * Walking from tree to tree and looking at them is not in it.
 */
class FirstDayJourney {
    private static final int TREES = 10;
    private static final double POINT_S = 1.1;
    private static final double KEY_S = 0.28;
    private static final double MIND_S = 1.35;
    private static final double MOST_MINUTES = 20;

    private int taps;
    private int keys;

    private void tap(Locator what) {
        taps++;
        what.click();
    }

    private void press(Browser browser, String name) {
        tap(browser.button(name));
    }

    private void type(Locator field, String text) {
        taps++;
        keys += text.length();
        field.fill(text);
    }

    private void type(Browser browser, String label, String text) {
        type(browser.page.getByLabel(label, new Page.GetByLabelOptions().setExact(true)), text);
    }

    private void number(Browser browser, String name, String value) {
        type(
                browser.page.getByRole(
                        AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name + "(,|$)"))),
                value);
    }

    private void step(Browser browser, String name) {
        tap(browser.page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(name)));
    }

    private void follow(Browser browser, String link) {
        tap(browser.page
                .getByRole(
                        AriaRole.LINK, new Page.GetByRoleOptions().setName(link).setExact(true))
                .first());
    }

    @Test
    void aNewcomerGetsTenTreesIntoAStaffedDay() {
        long began = System.nanoTime();
        try (Browser browser = new Browser()) {
            browser.open("/sites/new?then=bulk");
            browser.iAm("Newcomer Alder");
            site(browser);
            trees(browser);
            String site =
                    browser.page.url().replaceFirst("(/sites/[0-9]+).*", "$1").replaceFirst("^https?://[^/]*", "");
            helpers(browser, site);
            browser.open(site + "/walk");
            for (int i = 0; i < TREES; i++) {
                walk(browser, i);
                if (i < TREES - 1) {
                    // The next one not walked is one press away.
                    tap(browser.page.getByRole(
                            AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Walk the next: "))));
                }
            }
            day(browser, site);
            follow(browser, "Sheet to print");
            assertThat(browser.page.locator(".sheet-tree")).hasCount(TREES);
            assertThat(browser.page.getByText("nobody yet")).hasCount(0);
            assertThat(browser.button("Print")).isVisible();
            taps++;
            Assertions.assertThat(browser.errors()).isEmpty();
        }
        double minutes = (taps * (POINT_S + MIND_S) + keys * KEY_S) / 60;
        System.out.printf(
                "first day: %d taps, %d keys, about %.0f minutes of a person's time; %.0f s by machine%n",
                taps, keys, minutes, (System.nanoTime() - began) / 1e9);
        Assertions.assertThat(minutes).isLessThan(MOST_MINUTES);
    }

    private void site(Browser browser) {
        type(browser, "Name", "First Day Field");
        type(browser, "Latitude, degrees north", "52.1");
        type(browser, "Longitude, degrees east", "-2.4");
        assertThat(browser.page.getByLabel("Weather like")).hasValue("England, west midlands");
        press(browser, "Save");
    }

    /** The list such a group has: a spreadsheet with its own words for things. */
    private void trees(Browser browser) {
        String table = "Number,Kind,Variety,Planted,East,North\n"
                + IntStream.rangeClosed(1, TREES)
                        .mapToObj(i -> "F-%02d,apple,Kiln Rose,1990,%d,%d".formatted(i, i % 5 * 7, i / 5 * 8))
                        .collect(Collectors.joining("\n"));
        // Two more to choose a file where the device keeps it.
        taps += 3;
        browser.page
                .getByLabel("In: a table (CSV)")
                .setInputFiles(new FilePayload("trees.csv", "text/csv", table.getBytes(StandardCharsets.UTF_8)));
        press(browser, "Register " + TREES + " trees");
        assertThat(browser.page.getByText(TREES + " trees are registered.")).isVisible();
    }

    private void helpers(Browser browser, String site) {
        browser.open(site + "/people");
        taps++;
        for (String name : new String[] {"Newcomer Alder", "Rowan Dayhelp"}) {
            if (!name.startsWith("Newcomer")) {
                type(browser, "Name of somebody new", name);
                // Who is added is asked about at once.
                press(browser, "Add");
            } else {
                press(browser, "Change " + name);
            }
            Locator person = browser.page.getByRole(AriaRole.ARTICLE, new Page.GetByRoleOptions().setName(name));
            type(person.getByLabel("Birth year"), "1980");
            for (String ticket : new String[] {"crew leader", "first aid", "ladder"}) {
                type(person.getByLabel(ticket, new Locator.GetByLabelOptions().setExact(true)), "1 Jun 2029");
            }
            tap(person.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Save")));
            assertThat(person).containsText("ladder until 1 Jun 2029");
        }
    }

    /** Measures, vigour, and the three limbs that matter most: a dead one, an upright in the middle, one that stays. */
    private void walk(Browser browser, int i) {
        if (i == 0) {
            tap(browser.page.locator(".limb-row").first());
        }
        step(browser, "Tree");
        number(browser, "Height", "4.8");
        number(browser, "Width of the crown", "5");
        number(browser, "Girth of the trunk", "90");
        step(browser, "Limbs");
        press(browser, "Add a limb");
        double[][] turns = {{90, 40}, {135, 90}, {90, 140}};
        for (int limb = 0; limb < 3; limb++) {
            Locator sheet = browser.page.locator(".sketch svg");
            taps++;
            sheet.click(new Locator.ClickOptions()
                    .setPosition(sheet.boundingBox().width / 2, sheet.boundingBox().height * 0.72));
            tap(browser.page.getByLabel(limb == 0 ? "width 8 cm" : "width 12 cm"));
            taps += 2;
            browser.page
                    .locator(".dial")
                    .first()
                    .click(new Locator.ClickOptions().setPosition(turns[limb][0], turns[limb][1]));
            browser.page.locator(".dial").nth(1).click(new Locator.ClickOptions().setPosition(120, 60));
            tap(browser.page.getByLabel("length 3 m"));
            if (limb == 0) {
                press(browser, "dead");
            }
            press(browser, limb < 2 ? "Next limb" : "Done");
        }
        step(browser, "Judge");
        taps++;
        browser.judge();
    }

    private void day(Browser browser, String site) {
        browser.open(site + "/days");
        taps++;
        press(browser, "Plan a work day");
        type(browser, "Day", "27 Feb 2027");
        press(browser, "Plan it");
        for (int i = 1; i <= TREES; i++) {
            press(browser, "Put F-%02d on the day".formatted(i));
        }
        for (String name : new String[] {"Newcomer Alder", "Rowan Dayhelp"}) {
            taps += 2;
            Locator list = browser.page.getByLabel("Add somebody who comes");
            String label = list.locator("option")
                    .filter(new Locator.FilterOptions().setHasText(name))
                    .first()
                    .innerText();
            list.selectOption(new com.microsoft.playwright.options.SelectOption().setLabel(label));
        }
        Locator trees = browser.part("Trees of the day");
        for (int i = 0; i < TREES; i++) {
            Locator chips = trees.getByRole(AriaRole.ARTICLE).nth(i).locator(".people-chips button");
            for (int one = 0; one < 2; one++) {
                tap(chips.nth(one));
                assertThat(chips.nth(one)).hasAttribute("aria-pressed", "true");
            }
        }
        press(browser, "Confirm");
        assertThat(browser.page.getByText("confirmed", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
    }
}
