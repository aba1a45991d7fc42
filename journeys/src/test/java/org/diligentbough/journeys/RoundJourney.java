package org.diligentbough.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.LoadState;
import com.microsoft.playwright.options.SelectOption;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.diligentbough.server.TestServer;
import org.junit.jupiter.api.Test;

/** The whole round on a new tree: register, walk, judge, plan, move a cut, day, people, log, fruit; and the plan that follows. */
class RoundJourney {

    @Test
    void onceRoundTheYear() {
        try (Browser browser = new Browser()) {
            browser.open("/sites/new");
            browser.iAm("Marl Keeper");
            FirstTreeJourney.addSite(browser, "Round Field");
            FirstTreeJourney.registerTree(browser, "R-1");
            browser.phone();
            browser.follow("Open");
            browser.follow("Walk this tree");
            FirstTreeJourney.walk(browser);
            browser.laptop();
            moveACut(browser);
            String tree = browser.page.url().replaceFirst("\\?.*", "").replaceFirst("^https?://[^/]*", "");
            String site = tree.replaceFirst("/trees/.*", "");
            String planBefore = lane(browser, "2028 while dormant").innerText();
            people(browser, site);
            day(browser, site);
            log(browser, site);
            browser.laptop();
            browser.open(tree);
            afterwards(browser, planBefore);
            fruit(browser);
            Assertions.assertThat(browser.errors()).isEmpty();
        }
    }

    private static Locator lane(Browser browser, String name) {
        return browser.part("Plan")
                .getByRole(
                        AriaRole.GROUP,
                        new Locator.GetByRoleOptions().setName(name).setExact(true));
    }

    private static Locator disc(Browser browser, String lane, String limb) {
        return lane(browser, lane).locator(".disc", new Locator.LocatorOptions().setHasText(limb));
    }

    private void moveACut(Browser browser) {
        // By keys a year on, undone, then dragged there; outside its windows it says what breaks.
        assertThat(disc(browser, "2027 while dormant", "D")).isVisible();
        disc(browser, "2027 while dormant", "D").press("ArrowDown");
        assertThat(disc(browser, "2028 while dormant", "D")).isVisible();
        browser.press("Undo the last change");
        assertThat(disc(browser, "2027 while dormant", "D")).isVisible();
        disc(browser, "2027 while dormant", "D").click();
        browser.page.getByLabel("Move: remove D").selectOption("2027|any|");
        assertThat(browser.part("Plan")).containsText("Live wood of this kind is not cut outside its windows.");
        browser.press("Undo the last change");
        assertThat(browser.part("Plan")).not().containsText("not cut outside its windows");
        disc(browser, "2027 while dormant", "A2").press("ArrowDown");
        assertThat(disc(browser, "2028 while dormant", "A2")).isVisible();
        drag(browser, disc(browser, "2027 while dormant", "B1"), "2028 while dormant");
        assertThat(disc(browser, "2028 while dormant", "B1")).hasAttribute("class", Pattern.compile("by-hand"));
    }

    /** As people do: the rows one can drop on appear once a disc is held, and one goes where the row is then. */
    private static void drag(Browser browser, Locator disc, String to) {
        browser.page.waitForLoadState(LoadState.NETWORKIDLE);
        disc.hover();
        browser.page.mouse().down();
        var held = disc.boundingBox();
        browser.page.mouse().move(held.x + held.width / 2 + 6, held.y + held.height / 2 + 6);
        assertThat(browser.part("Plan").locator(".lane.empty").first()).isVisible();
        lane(browser, to).hover();
        lane(browser, to).hover();
        browser.page.mouse().up();
    }

    private void people(Browser browser, String site) {
        browser.open(site + "/days");
        browser.follow("Who can come, and with which tickets");
        ticket(browser, "Marl Keeper", "1974", "crew leader", "first aid", "ladder");
        browser.fill("Name of somebody new", "Sedge Barrow");
        browser.press("Add");
        assertThat(browser.page.getByRole(AriaRole.ARTICLE, new Page.GetByRoleOptions().setName("Sedge Barrow")))
                .isVisible();
    }

    private void ticket(Browser browser, String name, String born, String... tickets) {
        browser.press("Change " + name);
        Locator person = browser.page.getByRole(AriaRole.ARTICLE, new Page.GetByRoleOptions().setName(name));
        person.getByLabel("Birth year").fill(born);
        for (String ticket : tickets) {
            person.getByLabel(ticket, new Locator.GetByLabelOptions().setExact(true))
                    .fill("2029-06-30");
        }
        person.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Save"))
                .click();
        assertThat(person).containsText("crew leader until 30 Jun 2029");
    }

    private void day(Browser browser, String site) {
        browser.open(site + "/days");
        browser.press("Plan a work day");
        browser.fill("Day", TestServer.TODAY);
        browser.press("Plan it");
        assertThat(browser.page.getByText("Nothing is on this day yet.")).isVisible();
        browser.press("Confirm");
        assertThat(browser.page.getByRole(AriaRole.ALERT)).containsText("has no tree on it yet");
        browser.press("Put R-1 on the day");
        Locator trees = browser.part("Trees of the day");
        assertThat(trees).containsText("R-1");
        browser.page.getByLabel("Add somebody who comes").selectOption(new SelectOption().setLabel("Sedge Barrow"));
        assertThat(browser.page.getByText("Nobody who comes holds a current crew leader ticket."))
                .isVisible();
        browser.press("Confirm");
        assertThat(browser.page.getByRole(AriaRole.ALERT)).containsText("Every day has a leader.");
        browser.page
                .getByLabel("Add somebody who comes")
                .selectOption(new SelectOption().setLabel("Marl Keeper (first aid, ladder, crew leader)"));
        for (String name : new String[] {"Marl Keeper", "Sedge Barrow"}) {
            Locator chip = trees.locator(".people-chips")
                    .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name));
            chip.click();
            assertThat(chip).hasAttribute("aria-pressed", "true");
        }
        browser.press("Confirm");
        assertThat(browser.page.getByText("confirmed", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
    }

    private void log(Browser browser, String site) {
        browser.phone();
        browser.open(site + "/log");
        browser.runTheDay();
        browser.page.locator(".limb-row").first().click();
        assertThat(browser.page.locator(".log-cut")).not().hasCount(0);
        assertThat(browser.button("Send the log of 20 Feb 2027")).isDisabled();
        for (Locator cut : browser.page.locator(".log-cut").all()) {
            boolean left = "Limb D".equals(cut.getAttribute("aria-label"));
            cut.getByRole(
                            AriaRole.BUTTON,
                            new Locator.GetByRoleOptions()
                                    .setName(left ? "Not done" : "Done")
                                    .setExact(true))
                    .click();
            if (left) {
                cut.getByLabel("Why, D").fill("The saw was blunt");
            }
        }
        // Put down and taken up again: what was said is still there.
        browser.page.reload();
        assertThat(browser.page.getByLabel("Why, D")).hasValue("The saw was blunt");
        browser.page.getByLabel("Another limb was cut").selectOption("C");
        Locator unplanned = browser.part("Limb C");
        unplanned
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("shortened"))
                .click();
        unplanned.getByLabel("How far from its base, m").fill("1,6");
        browser.page.getByLabel("Minutes, clearing up included").fill("50");
        browser.press("Send the log of 20 Feb 2027");
        assertThat(browser.page.locator(".limb-row")).containsText("logged");
    }

    /** The dead limb is gone, what was not done is planned again, and next year's plan is another than before. */
    private void afterwards(Browser browser, String planBefore) {
        assertThat(browser.page.locator(".tree-drawing .limb[aria-label^='Limb E,']"))
                .hasCount(0);
        browser.pane("Story");
        Locator time = browser.part("Line of time");
        assertThat(time).containsText("Removed E");
        assertThat(time).containsText("shortened C (not planned)");
        assertThat(time).containsText("not done D (The saw was blunt)");
        browser.press("Why?");
        assertThat(browser.part("Judgement")).containsText("has come off already this pruning year");
        browser.pane("Plan");
        assertThat(browser.part("Plan").locator(".disc", new Locator.LocatorOptions().setHasText("D")))
                .isVisible();
        Assertions.assertThat(lane(browser, "2028 while dormant").innerText()).isNotEqualTo(planBefore);
    }

    private void fruit(Browser browser) {
        browser.pane("Fruit");
        browser.page.getByLabel("Picked, kg").fill("31,5");
        browser.page.getByLabel("Fruits picked").fill("260");
        browser.press("Save");
        Locator fruit = browser.part("Fruit");
        assertThat(fruit).containsText("too little to tell");
        // 95 cm round makes 718 cm2; 31.5 kg on it 0.044 a cm2.
        assertThat(fruit.locator("tbody tr").first()).containsText("0.044");
    }
}
