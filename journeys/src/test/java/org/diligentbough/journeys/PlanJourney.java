package org.diligentbough.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.LoadState;
import com.microsoft.playwright.options.Media;
import java.nio.file.Files;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.diligentbough.server.TestServer;
import org.junit.jupiter.api.Test;

/** Planning one tree and the whole orchard: moved, broken, mended, undone, looked ahead, laid out by the hours. */
class PlanJourney {

    private static long tree(String site, String tag) {
        return TestServer.get("/api" + site + "/trees?q=" + tag)
                .expect(200)
                .at("/trees/0/id")
                .longValue();
    }

    /** Whoever works by keys goes on with the same cut, and a move asks the server for no more than it changes. */
    @Test
    void aCutMovedByKeysKeepsItsFocusAndAsksForLittle() {
        String site = DemoJourney.demo("kilnfield.json", "Kilnfield by keys");
        try (Browser browser = new Browser()) {
            browser.open(site + "/trees/" + tree(site, "K-04"));
            browser.iAm("Tamsin Oke");
            browser.page.waitForLoadState(LoadState.NETWORKIDLE);
            Locator disc = browser.part("Plan").locator(".lane .disc").first();
            String cut = disc.getAttribute("data-cut");
            disc.focus();
            List<String> asked = new CopyOnWriteArrayList<>();
            browser.page.onRequest(request -> {
                if (request.url().contains("/api/")) {
                    asked.add(request.method() + " " + request.url());
                }
            });
            for (int move = 1; move <= 2; move++) {
                int moves = move;
                browser.page.waitForResponse(
                        answer -> answer.request().method().equals("PUT"),
                        () -> browser.page.keyboard().press("ArrowDown"));
                browser.page.waitForFunction(
                        "cut => document.activeElement?.dataset.cut === cut && document.querySelector('.disc.by-hand')",
                        cut);
                Assertions.assertThat(asked.stream().filter(one -> one.startsWith("PUT")))
                        .hasSize(moves);
            }
            browser.page.waitForLoadState(LoadState.NETWORKIDLE);
            // The moves themselves, the years ahead after each, what-ifs beside them, and at most a look how far
            // judging is.
            Assertions.assertThat(asked).as(String.join("\n", asked)).hasSizeLessThanOrEqualTo(7);
        }
    }

    @Test
    void aPlanIsMovedBrokenMendedUndoneAndKept() {
        String site = DemoJourney.demo("kilnfield.json", "Kilnfield to plan in");
        long treeId = tree(site, "K-01");
        try (Browser browser = new Browser()) {
            browser.open(site + "/trees/" + treeId + "?limb=B");
            browser.iAm("Tamsin Oke");
            Locator plan = browser.part("Plan");
            assertThat(plan).containsText("Not kept yet");
            assertThat(plan.locator(".lane .disc.remove[aria-label^='remove E']"))
                    .hasCount(1);
            // All of it into the summer: it breaks what a summer may take and says so where it does.
            String first = "2027|summer|with-care";
            for (String limb : new String[] {"A", "A2", "B"}) {
                browser.page
                        .locator(".tree-drawing .tag")
                        .filter(new Locator.FilterOptions().setHasText(Pattern.compile("^" + limb + "$")))
                        .first()
                        .click();
                Locator move = browser.page.locator("#move-" + limb + "shorten");
                move.selectOption(first);
                assertThat(move).hasValue(first);
            }
            assertThat(plan.locator(".breaks").first()).containsText("Its summer would take");
            // Mended: one of them is left to the rules again; then that is undone, and all is given back.
            browser.part("Limb B")
                    .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Leave it to the rules"))
                    .click();
            assertThat(plan.locator(".disc.by-hand")).hasCount(2);
            browser.press("Undo the last change");
            assertThat(plan.locator(".disc.by-hand")).hasCount(3);
            browser.press("Leave all to the rules");
            assertThat(plan.locator(".disc.by-hand")).hasCount(0);
            assertThat(plan.locator(".breaks")).hasCount(0);
            // Forbidden, and taken back.
            browser.press("Do not cut B");
            assertThat(plan.locator(".disc[aria-label*=' B,']")).hasCount(0);
            browser.press("Undo: do not cut B");
            assertThat(plan.locator(".disc[aria-label*=' B,']")).hasCount(1);
            browser.press("Keep this plan");
            assertThat(plan).containsText("kept as the rules made it by Tamsin Oke");
            // As it was proposed: nothing of it breaks a rule, and no other cut stands beside it.
            assertThat(plan.locator(".breaks")).hasCount(0);
            assertThat(plan.locator(".state.urgent")).hasCount(0);
            // What people decide since is proposed beside it, and changes nothing until it is taken over.
            TestServer.put(
                            "/api/trees/" + treeId + "/limbs/B/decision",
                            "{\"version\": 0, \"verdict\": \"keep\", \"note\": \"It carries the swing.\"}")
                    .expect(200);
            browser.page.reload();
            Locator proposed = browser.part("Proposed since");
            assertThat(proposed).containsText("shorten B");
            browser.press("Take all of it over");
            assertThat(plan).containsText("taken over from what was proposed");
            assertThat(proposed).hasCount(0);
            browser.press("What was planned, and what became of it");
            assertThat(browser.part("Plan 1")).containsText("as the judgement had it");
            assertThat(browser.part("Plan 2")).containsText("shorten B");
            Assertions.assertThat(browser.errors()).isEmpty();
        }
    }

    @Test
    void aPlanNobodyKeepsSaysWhatANewWalkChanged() {
        String site = DemoJourney.demo("kilnfield.json", "Kilnfield that is walked again");
        long treeId = tree(site, "K-01");
        try (Browser browser = new Browser()) {
            browser.open(site + "/trees/" + treeId);
            browser.iAm("Tamsin Oke");
            Locator plan = browser.part("Plan");
            assertThat(plan).containsText("Not kept yet");
            assertThat(plan).not().containsText("It last changed on");
            TestServer.put(
                            "/api/trees/" + treeId + "/limbs/B/decision",
                            "{\"version\": 0, \"verdict\": \"keep\", \"note\": \"It carries the swing.\"}")
                    .expect(200);
            browser.page.reload();
            assertThat(plan).containsText("It last changed on 20 Feb 2027");
            browser.press("What changed");
            assertThat(browser.part("What changed")).containsText("shorten B");
            assertThat(browser.part("What changed")).containsText("no longer, it was planned for");
            Assertions.assertThat(browser.errors()).isEmpty();
        }
    }

    @Test
    void tenYearsAreSteppedThroughInEachWay() {
        String site = DemoJourney.demo("kilnfield.json", "Kilnfield to look ahead in");
        try (Browser browser = new Browser()) {
            browser.open(site + "/trees/" + tree(site, "K-01"));
            browser.iAm("Tamsin Oke");
            browser.pane("Years");
            Locator plots = browser.part("Ten years");
            assertThat(plots).containsText("Upright shoots about 45");
            Locator drawing =
                    browser.page.getByRole(AriaRole.APPLICATION, new Page.GetByRoleOptions().setName("Drawing"));
            drawing.focus();
            assertThat(browser.page.locator(".year-strip button").nth(10)).isEnabled();
            for (int year = 0; year < 12; year++) {
                browser.page.keyboard().press("ArrowUp");
            }
            assertThat(browser.page.getByText("Early 2037").first()).isVisible();
            browser.press("left alone");
            assertThat(browser.page).hasURL(Pattern.compile("(?=.*year=10)(?=.*way=leftAlone)"));
            int dead = browser.page
                    .locator(".tree-drawing .limb[aria-label$=', dead']")
                    .count();
            Assertions.assertThat(dead).isPositive();
            browser.press("all at once");
            assertThat(browser.page.getByText("shoots answered the cuts")).isVisible();
            browser.page.getByLabel("side by side").check();
            assertThat(browser.page.locator(".tree-drawing")).hasCount(3);
            // What is looked at first is what can be picked, and the plan says what it buys.
            assertThat(plots.locator(".large-plot")).containsText("left alone");
            assertThat(browser.page
                            .getByText("as good fruit within reach in ten years")
                            .first())
                    .isVisible();
            browser.page.getByLabel("What is plotted").selectOption("Height");
            assertThat(plots.locator(".large-plot svg"))
                    .hasAttribute("aria-label", Pattern.compile("^Height over ten years: left alone from 6\\.4 m"));
            // Another height is laid beside the plan and taken away again.
            browser.page.getByLabel("Height wanted, m").fill("3.2");
            browser.press("Compare");
            Locator wish = browser.part("What if");
            assertThat(wish).containsText("3.2 m high");
            assertThat(browser.page.locator(".tree-drawing")).hasCount(4);
            wish.getByText("take away").click();
            assertThat(browser.page.locator(".tree-drawing")).hasCount(3);
            Assertions.assertThat(browser.errors()).isEmpty();
        }
    }

    @Test
    void shortHoursPutTreesOffAndTheProgrammeGoesOnPaper() throws Exception {
        String site = DemoJourney.demo("kilnfield.json", "Kilnfield to lay out");
        try (Browser browser = new Browser()) {
            browser.open(site + "/plan");
            browser.iAm("Tamsin Oke");
            assertThat(browser.part("Picture of the years")).containsText("K-01");
            browser.page.getByText("The same as tables").click();
            assertThat(browser.page.locator("table.programme tbody tr").first()).containsText("2027");
            assertThat(browser.part("Put off")).hasCount(0);
            browser.fill("while dormant", "3");
            browser.press("Lay it out");
            Locator off = browser.part("Put off");
            assertThat(off).containsText("of work");
            String tag = off.locator("a").first().innerText();
            browser.page.getByLabel("Year in which " + tag + " begins").selectOption("2027");
            assertThat(browser.part("Trees").locator("tr").filter(new Locator.FilterOptions().setHasText(tag)))
                    .containsText("2027, set by hand");
            // One year has more hours of its own, and the last twelve months' hours can be taken for all.
            Locator own = browser.page.getByLabel("Hours 2028 while dormant");
            own.fill("40");
            own.press("Enter");
            assertThat(browser.page.locator("table.programme")).containsText("of 40 h");
            browser.press("Take these");
            browser.press("Lay it out");
            assertThat(browser.page.getByLabel("while dormant", new Page.GetByLabelOptions().setExact(true)))
                    .not()
                    .hasValue("3");
            browser.press("Plan all anew");
            assertThat(browser.page.getByText("trees are judged again")).isVisible();
            browser.press("Plan all anew");
            assertThat(browser.page.getByText("Planned anew:")).isVisible();
            var table = browser.page.waitForDownload(() -> browser.follow("Table (CSV)"));
            Assertions.assertThat(Files.readString(table.path())).startsWith("tree,species,group");
            browser.page.emulateMedia(new Page.EmulateMediaOptions().setMedia(Media.PRINT));
            assertThat(browser.page.getByLabel("Hours", new Page.GetByLabelOptions().setExact(true)))
                    .isHidden();
            assertThat(browser.page.locator("table.programme")).isVisible();
            browser.page.emulateMedia(new Page.EmulateMediaOptions().setMedia(Media.SCREEN));
            browser.open(site + "/trees/" + tree(site, "K-01"));
            browser.follow("For the owner");
            assertThat(browser.heading("What is done when")).isVisible();
            assertThat(browser.page.locator(".owners-page .tree-drawing")).hasCount(2);
            assertThat(browser.page.getByText("comes off whole").first()).isVisible();
            Assertions.assertThat(browser.errors()).isEmpty();
        }
    }
}
