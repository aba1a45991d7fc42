package org.diligentbough.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonArray;
import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.LoadState;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.diligentbough.server.TestServer;
import org.junit.jupiter.api.Test;

/** The tree's bench, by mouse and by keys alone: drawing and plan on one screen, what is picked here is picked there. */
class BenchJourney {
    /** Milliseconds a frame of the drawing took to paint: the middle of the last ones, for the machine has other work too. */
    private static final String FRAME_MS = """
            () => {
              const took = performance.getEntriesByName('tree drawn').slice(-30).map((one) => one.duration);
              return took.sort((one, other) => one - other)[took.length >> 1];
            }""";

    private static long walked(String name) {
        long site = TestServer.site(name);
        long tree = TestServer.tree(site, "B-1");
        TestServer.post("/api/trees/" + tree + "/surveys", TestServer.walkJson())
                .expect(201);
        return tree;
    }

    private static void open(Browser browser, long tree, String query) {
        long site = TestServer.get("/api/trees/" + tree).json().get("siteId").asLong();
        browser.open("/sites/" + site + "/trees/" + tree + query);
    }

    @Test
    void drawingAndPlanAreSeenAtOnceAndTheTreeTurnsUnderTheHand() {
        long tree = walked("Bench By Mouse");
        try (Browser browser = new Browser()) {
            browser.moving();
            open(browser, tree, "");
            browser.iAm("Wren Ashdown");
            Locator drawing = browser.page.locator(".tree-drawing").first();
            assertThat(drawing).isVisible();
            browser.page.waitForLoadState(LoadState.NETWORKIDLE);
            BoundingBox box = drawing.boundingBox();
            BoundingBox lane = browser.page.locator(".lane").first().boundingBox();
            assertThat(box.y + box.height).isLessThan(Browser.LAPTOP_HEIGHT);
            assertThat(lane.y + lane.height).isLessThan(Browser.LAPTOP_HEIGHT);

            browser.page.mouse().move(box.x + 80, box.y + 60);
            browser.page.mouse().down();
            for (int i = 1; i <= 20; i++) {
                browser.page.mouse().move(box.x + 80 + 10 * i, box.y + 60);
            }
            browser.page.mouse().up();
            assertThat(browser.page.getByLabel("Side it is seen from")).not().hasAttribute("aria-valuenow", "180");
            assertThat(((Number) browser.page.evaluate(FRAME_MS)).doubleValue()).isLessThan(12);

            browser.page
                    .getByRole(com.microsoft.playwright.options.AriaRole.TAB, tab("Limbs"))
                    .click();
            browser.page.locator(".limb-list button").first().click();
            String picked = browser.page.locator(".limb-list tr.picked button").innerText();
            assertThat(browser.page.locator(".tree-drawing .tag.picked")).hasText(picked);
            Locator tag = browser.page.locator(".tree-drawing .tag").last();
            String next = tag.textContent();
            tag.click();
            assertThat(browser.page.locator(".limb-list tr.picked button")).hasText(next);
            assertThat(browser.page.locator(".tree-drawing .tag.picked")).hasText(next);
        }
    }

    private static com.microsoft.playwright.Page.GetByRoleOptions tab(String name) {
        return new com.microsoft.playwright.Page.GetByRoleOptions()
                .setName(name)
                .setExact(true);
    }

    @Test
    void keysAloneTurnStepThroughYearsChangePanesAndFindThings() {
        long tree = walked("Bench By Keys");
        try (Browser browser = new Browser()) {
            browser.moving();
            open(browser, tree, "");
            browser.iAm("Wren Ashdown");
            assertThat(browser.page.locator(".year-strip button").nth(3)).isVisible();
            browser.page
                    .getByRole(com.microsoft.playwright.options.AriaRole.APPLICATION)
                    .focus();
            browser.page.keyboard().press("ArrowLeft");
            assertThat(browser.page.getByLabel("Side it is seen from")).hasAttribute("aria-valuenow", "195");
            browser.page.keyboard().press("ArrowUp");
            assertThat(browser.page.locator(".year-strip button").nth(1)).hasAttribute("aria-pressed", "true");

            browser.page
                    .getByRole(com.microsoft.playwright.options.AriaRole.TAB, tab("Plan"))
                    .focus();
            browser.page.keyboard().press("ArrowRight");
            assertThat(browser.page.getByRole(com.microsoft.playwright.options.AriaRole.TAB, tab("Years")))
                    .isFocused();
            assertThat(browser.heading("Ten years on")).isVisible();

            browser.page.keyboard().press("/");
            browser.page.keyboard().type("b-1");
            assertThat(browser.page.locator("#found li").first()).containsText("B-1");
            browser.page.keyboard().press("Escape");
            assertThat(browser.page.getByRole(com.microsoft.playwright.options.AriaRole.TAB, tab("Years")))
                    .isFocused();
            browser.page.keyboard().press("?");
            assertThat(browser.page.getByRole(com.microsoft.playwright.options.AriaRole.DIALOG))
                    .containsText("walk round the tree");
            browser.page.keyboard().press("Escape");
        }
    }

    @Test
    void aCutThatIsDraggedShowsWhereItWasPutBeforeTheServerAnswers() {
        long tree = walked("Bench Dragged");
        try (Browser browser = new Browser()) {
            browser.moving();
            open(browser, tree, "");
            browser.iAm("Wren Ashdown");
            Locator disc = browser.page.locator(".lane .disc").first();
            assertThat(disc).isVisible();
            String cut = disc.getAttribute("data-cut");
            // Held back on its way, so that what is seen can only be what was shown at once.
            browser.page.route("**/api/trees/*/plan", route -> {
                browser.page.waitForTimeout(1500);
                route.resume();
            });
            BoundingBox from = disc.boundingBox();
            browser.page.mouse().move(from.x + from.width / 2, from.y + from.height / 2);
            browser.page.mouse().down();
            browser.page.mouse().move(from.x + from.width / 2, from.y + from.height / 2 + 20);
            Locator empty = browser.page.locator(".lane.empty").first();
            assertThat(empty).isVisible();
            empty.scrollIntoViewIfNeeded();
            BoundingBox to = empty.boundingBox();
            String key = empty.getAttribute("data-lane");
            browser.page.mouse().move(to.x + to.width / 2, to.y + to.height / 2);
            browser.page.mouse().up();
            assertThat(browser.page.locator("[data-lane='" + key + "'] [data-cut='" + cut + "']"))
                    .isVisible(new com.microsoft.playwright.assertions.LocatorAssertions.IsVisibleOptions()
                            .setTimeout(1000));
        }
    }

    @Test
    void aFingerDragsACutToAnotherTime() {
        long tree = walked("Bench By Touch");
        try (Browser browser = new Browser()) {
            browser.moving();
            browser.phone();
            open(browser, tree, "");
            browser.iAm("Wren Ashdown");
            browser.page.waitForLoadState(LoadState.NETWORKIDLE);
            Locator disc = browser.page.locator(".lane .disc").first();
            disc.scrollIntoViewIfNeeded();
            String cut = disc.getAttribute("data-cut");
            CDPSession finger = browser.page.context().newCDPSession(browser.page);
            BoundingBox from = disc.boundingBox();
            touch(finger, "touchStart", from.x + from.width / 2, from.y + from.height / 2);
            touch(finger, "touchMove", from.x + from.width / 2, from.y + from.height / 2 + 20);
            Locator empty = browser.page.locator(".lane.empty").first();
            assertThat(empty).isVisible();
            BoundingBox to = empty.boundingBox();
            String key = empty.getAttribute("data-lane");
            touch(finger, "touchMove", to.x + 60, to.y + to.height / 2 - 5);
            touch(finger, "touchMove", to.x + 60, to.y + to.height / 2);
            finger.send("Input.dispatchTouchEvent", event("touchEnd", new JsonArray()));
            assertThat(browser.page.locator("[data-lane='" + key + "'] [data-cut='" + cut + "']"))
                    .isVisible();
            org.assertj.core.api.Assertions.assertThat(browser.errors()).isEmpty();
        }
    }

    private static void touch(CDPSession finger, String type, double x, double y) {
        JsonObject point = new JsonObject();
        point.addProperty("x", x);
        point.addProperty("y", y);
        JsonArray points = new JsonArray();
        points.add(point);
        finger.send("Input.dispatchTouchEvent", event(type, points));
    }

    private static JsonObject event(String type, JsonArray points) {
        JsonObject event = new JsonObject();
        event.addProperty("type", type);
        event.add("touchPoints", points);
        return event;
    }

    /** Sixty limbs, eight of them on the trunk. */
    private static String sixtyLimbs() {
        return IntStream.range(0, 60)
                .mapToObj(i -> i < 8
                        ? "{\"id\": \"L%d\", \"diameterCm\": %d, \"originHeightM\": 1.%d, \"azimuthDeg\": %d, \"angleDeg\": 45, \"lengthM\": 3, \"fruiting\": 2}"
                                .formatted(i, 16 - i, i + 1, i * 45)
                        : "{\"id\": \"L%d\", \"parent\": \"L%d\", \"diameterCm\": 3, \"originAlongM\": 0.%d, \"azimuthDeg\": %d, \"angleDeg\": %d, \"lengthM\": 1, \"fruiting\": 2}"
                                .formatted(i, i % 8, 3 + i / 8, i * 37 % 360, i * 11 % 80))
                .collect(Collectors.joining(", "));
    }

    /** A laptop's frame under 12 ms, a phone's slowed four times under 33: the middle one of thirty. */
    @Test
    void sixtyLimbsTurnSmoothlyOnALaptopAndOnASlowPhone() {
        long site = TestServer.site("Bench Sixty");
        long tree = TestServer.tree(site, "B-60");
        String walk = TestServer.walkJson().replaceFirst("(?s)\"limbs\": \\[.*", "\"limbs\": [" + sixtyLimbs() + "]}");
        TestServer.post("/api/trees/" + tree + "/surveys", walk).expect(201);
        try (Browser browser = new Browser()) {
            browser.moving();
            open(browser, tree, "?leaf=yes");
            browser.iAm("Wren Ashdown");
            double laptop = turned(browser);
            browser.phone();
            JsonObject slow = new JsonObject();
            slow.addProperty("rate", 4);
            browser.page.context().newCDPSession(browser.page).send("Emulation.setCPUThrottlingRate", slow);
            double phone = turned(browser);
            System.out.printf(
                    "sixty limbs in leaf: %.1f ms a frame, %.1f on a phone slowed four times%n", laptop, phone);
            org.assertj.core.api.Assertions.assertThat(laptop).isLessThan(12);
            org.assertj.core.api.Assertions.assertThat(phone).isLessThan(33);
        }
    }

    /** Milliseconds of the middle frame while the tree is turned. */
    private static double turned(Browser browser) {
        browser.page.waitForLoadState(LoadState.NETWORKIDLE);
        Locator drawing = browser.page.locator(".tree-drawing").first();
        drawing.scrollIntoViewIfNeeded();
        BoundingBox box = drawing.boundingBox();
        browser.page.evaluate("() => performance.clearMeasures('tree drawn')");
        browser.page.mouse().move(box.x + 60, box.y + 60);
        browser.page.mouse().down();
        for (int i = 1; i <= 40; i++) {
            browser.page.mouse().move(box.x + 60 + 4 * i, box.y + 60);
        }
        browser.page.mouse().up();
        return ((Number) browser.page.evaluate(FRAME_MS)).doubleValue();
    }
}
