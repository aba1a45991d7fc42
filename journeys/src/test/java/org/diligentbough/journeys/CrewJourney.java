package org.diligentbough.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import org.assertj.core.api.Assertions;
import org.diligentbough.server.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * A day from its filling to its hours: proposed, compared, taken over, laid out anew by hand, people invited and answering on a
 * phone without an account, somebody dropping out, mended, told, printed, run from two phones without signal.
 */
class CrewJourney {
    private static final String SHED = """
            {"ladder": 2, "saw": 3, "loppers": 3, "pole-pruner": 2, "pole-saw": 1, "rope": 2, "helmet": 6, "spreader": 9}""";
    private static final String[] COMING = {"Tamsin Oke", "Joss Pell", "Mabyn Crook", "Wilf Sedge", "Ines Ward"};

    private String site;
    private long day;

    private void aDayOn(String date) {
        JsonNode added = TestServer.post("/api" + site + "/days", """
                        {"on": "%s", "starts": "09:30", "ends": "13:30", "shed": %s}
                        """.formatted(date, SHED))
                .expect(201);
        day = added.get("id").longValue();
        List<Long> coming = new ArrayList<>();
        for (String name : COMING) {
            coming.add(TestServer.personNamed(name));
        }
        TestServer.put("/api/days/" + day + "/people", "{\"version\": 1, \"people\": " + coming + "}")
                .expect(200);
    }

    private JsonNode day() {
        return TestServer.get("/api/days/" + day).expect(200);
    }

    private static Locator piece(Browser browser, String kind, Object id) {
        return browser.page.locator("[data-piece=\"" + kind + "-" + id + "\"]");
    }

    private static void propose(Browser browser, String button) {
        browser.press(button);
        Locator fill = browser.part("Fill the day");
        assertThat(fill.getByRole(AriaRole.ARTICLE).first()).containsText("leads");
        if (browser.button("Good enough").isVisible()) {
            browser.press("Good enough");
        }
        assertThat(browser.button("Propose anew")).isVisible();
    }

    @Test
    void aDayIsFilledLaidOutInvitedMendedToldAndPrinted() {
        site = DemoJourney.demo("kilnfield.json", "Kilnfield to fill");
        TestServer.judged();
        aDayOn("2027-03-09");
        long ines = TestServer.personNamed("Ines Ward");
        try (Browser browser = new Browser()) {
            browser.open(site + "/days/" + day);
            browser.iAm("Tamsin Oke");
            browser.press("Propose crews and trees");
            Locator fill = browser.part("Fill the day");
            assertThat(fill.getByRole(AriaRole.ARTICLE).first()).containsText("leads");
            // A page loaded anew finds it as it was.
            browser.page.reload();
            assertThat(fill.getByRole(AriaRole.ARTICLE).first()).containsText("leads");
            if (browser.button("Good enough").isVisible()) {
                browser.press("Good enough");
            }
            assertThat(browser.button("Propose anew")).isVisible();
            Assertions.assertThat(day().get("visits"))
                    .as("nothing is changed before it is taken over")
                    .isEmpty();
            browser.press("Take it over");
            Locator crew = browser.page.getByRole(
                    AriaRole.GROUP,
                    new Page.GetByRoleOptions().setName("Crew 1").setExact(true));
            assertThat(crew).containsText("09:35");
            byHand(browser, crew);
            invited(browser, ines);
            // Somebody dropped out: the clock follows at once, and it is mended around what stands.
            assertThat(browser.part("Who comes").getByText("Ines Ward", new Locator.GetByTextOptions().setExact(true)))
                    .hasCount(0);
            propose(browser, "Mend it, and fill what is free");
            browser.press("Take it over");
            browser.press("Tell crews and trees (" + day().get("people").size() + ")");
            assertThat(browser.page.getByText("letters written.")).isVisible();
            browser.follow("Sheet to print");
            browser.follow("Crew 1 alone");
            assertThat(browser.heading("Crew 1, Kilnfield to fill")).isVisible();
            assertThat(browser.page.getByText("where you come from").first()).isVisible();
            browser.open(site + "/letters");
            assertThat(browser.page.locator(".letter").first()).containsText("Your crew and trees");
            Assertions.assertThat(browser.errors()).isEmpty();
        }
    }

    /** A tree is taken out by keys and dragged back by the mouse; taken out again, and that undone. */
    private void byHand(Browser browser, Locator crew) {
        Locator first = crew.locator("[data-turn] button").first();
        String turn = first.getAttribute("data-piece").substring("turn-".length());
        first.focus();
        browser.page.keyboard().press("ArrowLeft");
        Locator bench = browser.page.getByRole(
                AriaRole.GROUP,
                new Page.GetByRoleOptions().setName("In no crew").setExact(true));
        assertThat(bench.locator("[data-turn]")).hasCount(1);
        assertThat(piece(browser, "turn", turn)).isFocused();
        BoundingBox from = piece(browser, "turn", turn).boundingBox();
        BoundingBox to = crew.locator(".crew-people").boundingBox();
        browser.page.mouse().move(from.x + from.width / 3, from.y + from.height / 2);
        browser.page.mouse().down();
        browser.page.mouse().move(from.x, from.y - 20);
        browser.page.mouse().move(to.x + to.width / 2, to.y + to.height / 2);
        browser.page.mouse().up();
        assertThat(bench.locator("[data-turn]")).hasCount(0);
        assertThat(crew.locator("[data-turn] button").first()).hasAttribute("data-piece", "turn-" + turn);
        assertThat(crew).containsText("09:35");
        // What breaks is said where it breaks: all but one are taken out, and put back.
        Locator members = crew.locator("[data-piece^=person-]");
        List<String> taken = new ArrayList<>();
        for (int left = members.count(); left > 1; left--) {
            taken.add(members.last().getAttribute("data-piece"));
            members.last().focus();
            browser.page.keyboard().press("ArrowLeft");
            assertThat(members).hasCount(left - 1);
        }
        assertThat(crew.getByText("Too few: nobody works alone.")).isVisible();
        for (String one : taken) {
            browser.page.locator("[data-piece=\"" + one + "\"]").focus();
            browser.page.keyboard().press("ArrowRight");
        }
        assertThat(members).hasCount(taken.size() + 1);
        assertThat(crew.getByText("Too few: nobody works alone.")).hasCount(0);
        // What was just done is undone: the tree has its crew and its clock again.
        crew.locator("[data-turn] button").first().focus();
        browser.page.keyboard().press("ArrowLeft");
        assertThat(bench.locator("[data-turn]")).hasCount(1);
        browser.press("Undo");
        assertThat(bench.locator("[data-turn]")).hasCount(0);
        assertThat(crew.locator("[data-turn] button").first()).hasAttribute("data-piece", "turn-" + turn);
    }

    /** Everybody is asked; one says no on a phone, without an account. */
    private void invited(Browser browser, long ines) {
        browser.page
                .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("people who can come"))
                .click();
        assertThat(browser.part("Invitations")).containsText("Ines Ward");
        JsonNode letter = TestServer.get("/api" + site + "/letters")
                .expect(200)
                .valueStream()
                .filter(one -> one.get("personId").longValue() == ines)
                .findFirst()
                .orElseThrow();
        try (Browser phone = new Browser()) {
            phone.phone();
            phone.open(letter.get("link").stringValue().replaceFirst("^https?://[^/]*", ""));
            assertThat(phone.heading("Ines Ward, do you come?")).isVisible();
            assertThat(phone.page.getByText("Tue 9 Mar 2027")).isVisible();
            phone.press("Perhaps");
            assertThat(phone.page.getByText("You may come.")).isVisible();
            phone.press("No");
            assertThat(phone.page.getByText("You do not come.")).isVisible();
            Assertions.assertThat(phone.errors()).isEmpty();
        }
        browser.page.reload();
        assertThat(browser.part("Invitations")).containsText("does not come");
    }

    @Test
    void aDayIsRunFromTwoPhonesWithoutSignalAndItsHoursCount() {
        long here = TestServer.site("Run Field");
        site = "/sites/" + here;
        long tree = TestServer.tree(here, "R-1");
        TestServer.post("/api/trees/" + tree + "/surveys", TestServer.walkJson())
                .expect(201);
        TestServer.judged();
        aDayOn(TestServer.TODAY);
        TestServer.post("/api/days/" + day + "/visits", "{\"version\": 2, \"treeId\": " + tree + "}")
                .expect(201);
        JsonNode task = TestServer.post("/api" + site + "/tasks", """
                        {"kind": "hedges", "title": "Cut the hedge", "opens": "2027-02-01", "closes": "2027-03-01", "minutes": 60}
                        """).expect(201);
        TestServer.put("/api/days/" + day + "/tasks", "{\"version\": 3, \"tasks\": [" + task.get("id") + "]}")
                .expect(200);
        try (Browser leader = new Browser();
                Browser helper = new Browser()) {
            for (Browser phone : List.of(leader, helper)) {
                phone.phone();
                phone.clockShows(TestServer.TODAY + "T10:00:00Z");
                phone.open(site + "/log");
                phone.iAm(phone == leader ? "Tamsin Oke" : "Joss Pell");
                assertThat(phone.page.getByText("This phone has everything")).isVisible();
                phone.follow("Run this day");
                assertThat(phone.heading("Before the first cut")).isVisible();
                phone.offline(true);
            }
            leader.answerFirstList();
            assertThat(leader.page.locator(".limb-row").first()).containsText("R-1");
            for (Browser phone : List.of(leader, helper)) {
                phone.press("Mabyn Crook is here");
                assertThat(phone.button("Mabyn Crook goes")).isVisible();
            }
            leader.press("Cut the hedge: done");
            leader.press("Something went wrong, or nearly");
            leader.fill("What happened", "A ladder slid");
            leader.press("Keep it");
            assertThat(leader.page.getByText("Kept for the register.")).isVisible();
            Assertions.assertThat(
                            TestServer.get("/api/days/" + day + "/attendance").json())
                    .as("nothing is sent yet")
                    .isEmpty();
            for (Browser phone : List.of(leader, helper)) {
                phone.offline(false);
            }
            TestServer.eventually(
                    () -> TestServer.get("/api" + site + "/incidents").json().size() == 1
                            && day().at("/tasks/0/done").booleanValue());
            helper.page.reload();
            assertThat(helper.page.getByText("Answered before the first cut")).isVisible();
            TestServer.eventually(() ->
                    TestServer.get("/api/days/" + day + "/attendance").json().size() == 1);
            long visit = day().at("/visits/0/id").longValue();
            StringBuilder cuts = new StringBuilder();
            for (JsonNode cut :
                    TestServer.get("/api/visits/" + visit + "/sheet").json().get("cuts")) {
                cuts.append(cuts.isEmpty() ? "" : ", ")
                        .append("{\"limb\": \"%s\", \"outcome\": \"%s\"%s}"
                                .formatted(
                                        cut.get("limb").stringValue(),
                                        cuts.isEmpty() ? "done" : "not-done",
                                        cuts.isEmpty() ? ", \"wood\": \"sound\"" : ""));
            }
            TestServer.post("/api/visits/" + visit + "/log", """
                            {"key": "%s", "on": "%s", "minutes": 20, "people": [%s], "prunings": "chipped", "shoots": 0, "cuts": [%s]}
                            """.formatted(
                                    UUID.randomUUID(), TestServer.TODAY, day().at("/people/0/id"), cuts))
                    .expect(201);
            leader.page.reload();
            leader.press("Look again: what remains of R-1?");
            assertThat(leader.page.locator(".limb-row")).hasCount(2);
            assertThat(leader.page.locator(".limb-row").last()).not().containsText("logged");
            leader.press("Mabyn Crook goes");
            TestServer.eventually(() -> !TestServer.get("/api/days/" + day + "/attendance")
                    .json()
                    .at("/0/wentAt")
                    .isNull());
            leader.open(site + "/hours");
            assertThat(leader.page.getByText("Mabyn Crook")).isVisible();
            leader.open(site + "/incidents");
            assertThat(leader.page.getByText("A ladder slid")).isVisible();
            Assertions.assertThat(leader.errors().stream().collect(Collectors.joining()))
                    .isEmpty();
        }
    }
}
