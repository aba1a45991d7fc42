package org.diligentbough.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.diligentbough.server.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Walking an orchard on a phone, without signal and with it. */
class FieldJourney {
    private static final int MOST_TOUCHES = 4;
    private static final double SETTLES_MS = 300;
    private static final int MOST_TAPS_FOR_TEN_LIMBS = 90;

    private int taps;

    private void tap(Locator place) {
        taps++;
        place.click();
    }

    private void tap(Locator place, double x, double y) {
        taps++;
        place.click(new Locator.ClickOptions().setPosition(x, y));
    }

    /** Opens the trees once and waits until the phone says that it has everything. */
    private static void takeAlong(Browser browser, String path) {
        browser.open(path);
        assertThat(browser.page.getByText("This phone has everything")).isVisible();
    }

    @Test
    void tenLimbsAreSurveyedWithoutSignalAndSentOnceThereIsSome() throws IOException {
        long site = TestServer.site("Far Field");
        long tree = TestServer.tree(site, "F-1");
        try (Browser browser = new Browser()) {
            browser.phone();
            browser.open("/sites/" + site + "/walk");
            browser.iAm("Wren Ashdown");
            // The first visit is enough.
            assertThat(browser.page.getByText("This phone has everything")).isVisible();
            browser.offline(true);
            browser.page.reload();
            browser.page.locator(".limb-row").first().click();
            photo(browser);
            browser.step("Tree");
            browser.number("Height", "16 ft 5 in");
            browser.number("Width of the crown", "5");
            browser.number("Girth of the trunk", "37 in");
            browser.step("Limbs");
            tenLimbs(browser);
            assertThat(browser.page.locator(".limb-row")).hasCount(10);
            assertThat(browser.page.getByText("kept on this phone", new Page.GetByTextOptions().setExact(true)))
                    .isVisible();
            // Put down and taken up again, still without signal: it opens where it was left.
            browser.page.reload();
            assertThat(browser.page.getByRole(
                            AriaRole.TAB,
                            new Page.GetByRoleOptions().setName("Limbs").setSelected(true)))
                    .isVisible();
            browser.step("Judge");
            assertThat(browser.page.getByText(Pattern.compile("^10 limbs, 1 of them")))
                    .isVisible();
            browser.press("Save and judge");
            assertThat(browser.page.locator(".limb-row")).containsText("walked, waits on this phone");
            assertThat(browser.page.getByText("2 things wait on this phone")).isVisible();
            assertThat(surveys(tree)).isZero();

            // It goes by itself.
            browser.offline(false);
            assertThat(browser.page.locator(".limb-row")).containsText("walked 20 Feb 2027");
            assertThat(browser.page.getByText("on this phone", new Page.GetByTextOptions().setExact(false)))
                    .hasCount(0);
            assertThat(surveys(tree)).isEqualTo(1);
            assertThat(TestServer.get("/api/trees/" + tree + "/photos").json()).hasSize(1);
            // 16 ft 5 in and 37 in, as they were written.
            JsonNode sent = TestServer.get("/api/trees/" + tree).json().get("survey");
            assertThat(sent.get("heightM").doubleValue()).isEqualTo(5.004);
            assertThat(sent.get("trunkGirthCm").doubleValue()).isEqualTo(93.98);
            browser.open("/sites/" + site + "/trees/" + tree);
            browser.pane("Limbs");
            assertThat(browser.page.locator(".limb-list tbody tr")).hasCount(10);
            assertThat(browser.part("Judgement")).isVisible();
            browser.pane("Story");
            assertThat(browser.page.locator(".photo-strip img")).hasCount(1);
            assertThat(browser.errors()).isEmpty();
        }
    }

    private static void photo(Browser browser) throws IOException {
        ByteArrayOutputStream picture = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(2400, 1200, BufferedImage.TYPE_INT_RGB), "png", picture);
        browser.page
                .getByLabel("Picture from the south")
                .setInputFiles(new FilePayload("tree.png", "image/png", picture.toByteArray()));
        assertThat(browser.page.getByText("kept", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
    }

    /** Four limbs on the trunk and six on them, by taps alone. */
    private void tenLimbs(Browser browser) {
        taps = 0;
        List<double[]> turns =
                List.of(new double[] {90, 40}, new double[] {135, 90}, new double[] {90, 140}, new double[] {45, 90});
        tap(browser.button("Add a limb"));
        for (int i = 0; i < 10; i++) {
            Locator sheet = browser.page.locator(".sketch svg");
            Locator dials = browser.page.locator(".dial");
            boolean onTrunk = i < 4;
            if (onTrunk) {
                double wide = sheet.boundingBox().width;
                tap(sheet, wide / 2, sheet.boundingBox().height * 0.72);
            } else {
                tapOnLimb(browser, i % 2 == 0 ? "B" : "D");
            }
            tap(browser.page.getByLabel(onTrunk ? "width 12 cm" : "width 3 cm"));
            double[] turn = turns.get(i % 4);
            tap(dials.first(), turn[0], turn[1]);
            tap(dials.nth(1), 120, 60);
            tap(browser.page.getByLabel(onTrunk ? "length 3 m" : "length 1 m"));
            if (i == 9) {
                tap(browser.button("dead"));
            }
            tap(browser.button(i < 9 ? "Next limb" : "Done"));
        }
        System.out.println("taps for ten limbs: " + taps);
        assertThat(taps).isLessThanOrEqualTo(MOST_TAPS_FOR_TEN_LIMBS);
    }

    /** Touches a limb in the drawing half way along. */
    private void tapOnLimb(Browser browser, String id) {
        taps++;
        // What grows there already lies on top; the drawing knows by itself what was meant. Where the page still moved
        // under
        // the finger it is touched again.
        Locator said = browser.page.getByText(Pattern.compile("m along [A-J]"));
        for (int tries = 0; tries < MOST_TOUCHES && !said.isVisible(); tries++) {
            browser.page
                    .locator(".sketch g", new Page.LocatorOptions().setHasText(Pattern.compile("^" + id + "$")))
                    .locator("line")
                    .click(new Locator.ClickOptions().setForce(true));
            browser.page.waitForTimeout(SETTLES_MS);
        }
        assertThat(said).isVisible();
    }

    private static int surveys(long tree) {
        return TestServer.get("/api/trees/" + tree + "/surveys").json().size();
    }

    @Test
    void aWalkThatSomebodyElseWasQuickerWithIsShownBesideTheirs() {
        long site = TestServer.site("Two Walkers");
        long tree = TestServer.tree(site, "T-1");
        try (Browser browser = new Browser()) {
            browser.phone();
            browser.open("/sites/" + site + "/walk");
            browser.iAm("Wren Ashdown");
            takeAlong(browser, "/sites/" + site + "/walk");
            browser.offline(true);
            browser.page.locator(".limb-row").first().click();
            browser.step("Tree");
            browser.number("Height", "5.6");
            browser.number("Width of the crown", "5");
            browser.number("Girth of the trunk", "90");
            browser.step("Judge");
            browser.press("Save and judge");
            assertThat(browser.page.getByText("1 thing waits on this phone")).isVisible();

            TestServer.post("/api/trees/" + tree + "/surveys", TestServer.walkJson())
                    .expect(201);
            browser.offline(false);
            browser.follow("1 thing was not taken: look at it");
            browser.follow("Look");
            Locator both = browser.page.locator(".clash");
            assertThat(both.locator("tr", new Locator.LocatorOptions().setHasText("Height")))
                    .containsText("5.65");
            assertThat(both).containsText("Limb A");
            assertThat(both).containsText("not there");
            browser.press("Keep both, mine as the newer");
            browser.page.waitForURL("**/trees/" + tree);
            assertThat(surveys(tree)).isEqualTo(2);
            assertThat(browser.page.getByText("5.6 m high")).isVisible();
            assertThat(browser.errors()).isEmpty();
        }
    }

    @Test
    void aTreeIsMeasuredWithAStickAndByHandSpans() {
        long site = TestServer.site("Stick Field");
        long tree = TestServer.tree(site, "S-1");
        try (Browser browser = new Browser()) {
            browser.phone();
            browser.open("/sites/" + site + "/trees/" + tree + "/walk");
            browser.iAm("Wren Ashdown");
            browser.step("Tree");
            browser.page.getByText("Help me measure the height").click();
            browser.press("a stick");
            browser.number("Paces off", "10");
            browser.number("Stick", "36");
            browser.number("Eye to stick", "60");
            browser.press("Take 6 m");
            assertThat(browser.page.locator("#walk-height")).hasValue("6");
            browser.page.getByText("Help me measure the girth").click();
            browser.press("hand-spans");
            browser.number("Spans round it", "4.5");
            browser.number("Hand-span", "20");
            browser.press("Take 90 cm");
            assertThat(browser.page.locator("#walk-girth-of-the-trunk")).hasValue("90");
            // Whoever measures in feet sees the same in feet.
            browser.press("feet and inches");
            assertThat(browser.page.locator("#walk-height")).hasValue("19' 8\"");
            browser.number("Height", "tall");
            assertThat(browser.page.getByText("such as 35 cm, 14 in or 5 ft 6 in"))
                    .isVisible();
        }
    }
}
