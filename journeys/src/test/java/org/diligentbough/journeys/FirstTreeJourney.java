package org.diligentbough.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.Map;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** From an empty database to a judged and planned tree: site, tree, a walk of eight limbs with a phone. */
class FirstTreeJourney {

    /** Tag, what it grows from, width, origin, length, direction, angle, what is wrong, with which limb. */
    private record Limb(
            String parent,
            String width,
            String origin,
            String length,
            String direction,
            String angle,
            Map<String, String> faults) {}

    private static final List<Limb> LIMBS = List.of(
            new Limb(null, "13", "1.2", "3.6", "N", "45", Map.of()),
            new Limb(null, "12", "1.4", "3.5", "SE", "45", Map.of()),
            new Limb(null, "10", "1.3", "3.2", "SW", "45", Map.of()),
            new Limb(null, "7", "1.5", "2.6", "W", "60", Map.of("crosses the centre", "")),
            new Limb(null, "5", "1.6", "2.0", "E", "30", Map.of("dead", "")),
            new Limb("A", "4", "1.5", "1.4", "NE", "30", Map.of()),
            new Limb("A", "2.5", "1.9", "1.2", "NW", "30", Map.of("rubbing", "A1")),
            new Limb("B", "2", "1.2", "1.6", "SE", "90", Map.of("upright shoot, 1–2 years", "")));

    @Test
    void aCoordinatorRegistersWalksJudgesAndPlansATree() {
        try (Browser browser = new Browser()) {
            browser.open("/sites/new");
            browser.iAm("Wren Ashdown");
            addSite(browser, "Journey Field");
            registerTree(browser, "J-1");
            browser.phone();
            browser.follow("Open");
            browser.follow("Walk this tree");
            walk(browser);
            judged(browser);
            Assertions.assertThat(browser.errors()).isEmpty();
        }
    }

    /** A site by its form, once with something missing. */
    static void addSite(Browser browser, String name) {
        browser.fill("Name", name);
        browser.press("Save");
        assertThat(browser.page.getByText("Give degrees from -90 to 90.")).isVisible();
        browser.page.getByLabel("Latitude").fill("52.1");
        browser.page.getByLabel("Longitude").fill("-2,4");
        browser.page.getByLabel("Time zone").selectOption("Europe/London");
        // An average year is proposed by the place; better numbers take its place.
        assertThat(browser.page.getByLabel("Weather like")).hasValue("England, west midlands");
        browser.page.getByText("I have better numbers").click();
        String[] months = {"Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"};
        int[] means = {4, 4, 6, 9, 12, 15, 17, 17, 14, 11, 7, 5};
        for (int i = 0; i < 12; i++) {
            browser.fill(months[i] + " mean, degrees C", means[i]);
            browser.fill(months[i] + " rain, mm", 60);
        }
        browser.press("Save");
        assertThat(browser.heading(name)).isVisible();
        assertThat(browser.page.getByText("No tree is registered here yet.")).isVisible();
    }

    /** A tree by its form, placed on the plan. */
    static void registerTree(Browser browser, String tag) {
        browser.follow("Add a tree");
        browser.fill("Tag", tag);
        browser.page
                .getByLabel("Kind", new Page.GetByLabelOptions().setExact(true))
                .selectOption("apple");
        browser.page.getByText("More of it: rootstock").click();
        browser.page.getByLabel("Form wanted").selectOption("open-centre");
        browser.page.getByLabel("Height wanted").fill("4.2");
        // Where it stands is clicked on the plan.
        browser.page.locator(".site-plan").click(new Locator.ClickOptions().setPosition(120, 90));
        assertThat(browser.page.getByLabel("East")).not().hasValue("");
        browser.press("Save");
        assertThat(browser.heading(tag)).isVisible();
        assertThat(browser.part("Register of trees").getByText("not surveyed")).isVisible();
        browser.page.getByLabel("Find").fill("nothing like it");
        assertThat(browser.page.getByText("Nothing here matches.")).isVisible();
        browser.press("Show all");
        browser.part("Register of trees").getByText("Apple").click();
        assertThat(browser.page.locator(".site-plan [aria-pressed=true]")).hasCount(1);
    }

    /** A walk of eight limbs, put down once and taken up again. */
    static void walk(Browser browser) {
        browser.press("Next: Tree");
        browser.number("Height", "5.2");
        browser.number("Width of the crown", "5,5");
        browser.number("Girth of the trunk", "95");
        assertThat(browser.page.getByText("draft kept")).isVisible();
        browser.press("Next: Trunk");
        browser.press("Next: 3 Ds");
        browser.step("Vigour");
        browser.number("Years since it was cut", "9");
        browser.step("Limbs");
        for (int i = 0; i < LIMBS.size(); i++) {
            browser.press("Add a limb");
            enter(browser, LIMBS.get(i));
            browser.press("Done");
        }
        assertThat(browser.page.locator(".limb-row .tag"))
                .hasText(new String[] {"A", "B", "C", "D", "E", "A1", "A2", "B1"});
        assertThat(browser.page.getByText("draft kept")).isVisible();
        // Put down and taken up again: the draft is still there.
        browser.page.reload();
        browser.step("Limbs");
        assertThat(browser.page.locator(".limb-row")).hasCount(8);
        browser.step("Judge");
        assertThat(browser.page.getByText("8 limbs, 4 of them with something wrong."))
                .isVisible();
        browser.judge();
    }

    private static void enter(Browser browser, Limb limb) {
        if (limb.parent() != null) {
            browser.page.getByLabel("Grows from").selectOption(limb.parent());
        }
        browser.page.getByText("By number, and more about it").click();
        browser.number("Width", limb.width());
        browser.number(limb.parent() == null ? "Leaves the trunk" : "Leaves its limb", limb.origin());
        browser.number("Length", limb.length());
        browser.press(limb.direction());
        browser.number("Angle", limb.angle());
        limb.faults().forEach((fault, with) -> {
            browser.press(fault);
            if (!with.isEmpty()) {
                browser.page.getByLabel(fault + " with").selectOption(with);
            }
        });
    }

    private void judged(Browser browser) {
        assertThat(browser.part("Judgement").getByText("renovate", new Locator.GetByTextOptions().setExact(true)))
                .isVisible();
        browser.pane("Limbs");
        Locator rows = browser.page.locator(".limb-list tbody tr");
        assertThat(rows).hasCount(8);
        assertThat(rows.filter(new Locator.FilterOptions().setHasText("D7.0 cm")))
                .containsText("remove");
        assertThat(rows.filter(new Locator.FilterOptions().setHasText("A22.5 cm")))
                .containsText("remove");
        assertThat(rows.filter(new Locator.FilterOptions().setHasText("B12.0 cm")))
                .containsText("remove");
        browser.page
                .locator(".limb-list")
                .getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName("D").setExact(true))
                .click();
        assertThat(browser.part("Limb D")).containsText("It grows into the centre");
        assertThat(browser.part("Limb D")).containsText("common practice");
        assertThat(browser.page.locator(".tree-drawing .limb[aria-pressed=true]"))
                .hasAttribute("aria-label", "Limb D, 7.0 cm, remove");
        browser.laptop();
        browser.pane("Plan");
        Locator plan = browser.part("Plan");
        assertThat(plan).containsText("2027 while dormant");
        assertThat(plan.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("remove D")))
                .isVisible();
        // After the plan's first year the limb is gone from the drawing.
        browser.page.locator(".year-strip button").nth(1).click();
        assertThat(browser.page.locator(".tree-drawing .limb[aria-label^='Limb D,']"))
                .hasCount(0);
        browser.press("from above");
        assertThat(browser.page.getByText(", from above.")).isVisible();
        browser.pane("Story");
        browser.page.getByText("Who changed what").click();
        assertThat(browser.part("History")).containsText("survey added by Wren Ashdown");
    }
}
