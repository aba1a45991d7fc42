package org.diligentbough.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;
import org.diligentbough.server.TestServer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** A phone dropped, reloaded, shut, out of signal, and two of them at once: what was entered is there, once. */
class NothingLostJourney {
    private static final int LOGS = 50;
    private static final int SENDING_MS = 90_000;
    private static final String PERSON = "Wren Ashdown";
    private static final Pattern LOGGED = Pattern.compile("^logged( here, (waits|sent))?$");

    @TempDir
    Path phone;

    private Browser on(String server) {
        return new Browser(phone, server);
    }

    private static FilePayload picture() throws IOException {
        ByteArrayOutputStream picture = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(320, 200, BufferedImage.TYPE_INT_RGB), "png", picture);
        return new FilePayload("cut.png", "image/png", picture.toByteArray());
    }

    /** Opens a page for the first time, says who it is, and waits until the phone has everything. */
    private static void takeAlong(Browser browser, String path) {
        browser.open(path);
        browser.iAm(PERSON);
        assertThat(browser.page.getByText("This phone has everything")).isVisible();
    }

    private static Locator selected(Browser browser, String step) {
        return browser.page.getByRole(
                AriaRole.TAB, new Page.GetByRoleOptions().setName(step).setSelected(true));
    }

    private static Locator exact(Browser browser, String text) {
        return browser.page.getByText(text, new Page.GetByTextOptions().setExact(true));
    }

    @Test
    void aWalkBegunWithSignalGoesOnWithoutAndALimbIsNotLostInTheMiddle() {
        long site = TestServer.site("Begun online");
        long tree = TestServer.tree(site, "B-1");
        try (Browser browser = on(TestServer.url())) {
            takeAlong(browser, "/sites/" + site + "/walk");
            browser.page.locator(".limb-row").first().click();
            browser.step("Tree");
            browser.number("Height", "5.4");
            browser.number("Width of the crown", "5");
            browser.number("Girth of the trunk", "90");
            browser.step("Limbs");
            browser.press("Add a limb");
            browser.page.getByLabel("width 12 cm").click();
            assertThat(exact(browser, "draft kept")).isVisible();

            // Reloaded without signal: the limb stands as it was entered.
            browser.offline(true);
            browser.page.reload();
            assertThat(browser.page.locator("#walk-width")).hasValue("12");
            browser.page.getByLabel("length 3 m").click();
            // The phone's Back goes to the list of limbs, where the limb waits to be finished.
            browser.page.goBack();
            assertThat(selected(browser, "Limbs")).isVisible();
            assertThat(browser.page.locator(".limb-row.begun")).containsText("being entered");
            // One stray tap on the menu loses nothing.
            browser.follow("Log");
            assertThat(exact(browser, "Which tree is done?")).isVisible();
            browser.page.goBack();
            browser.page.locator(".limb-row.begun").click();
            assertThat(browser.page.locator("#walk-length")).hasValue("3");
            browser.page.locator(".dial").first().click(new Locator.ClickOptions().setPosition(90, 40));
            assertThat(exact(browser, "kept on this phone")).isVisible();

            // The battery goes in the middle of it. Opened again, it opens at the limb.
            browser.killAndReopen();
            browser.offline(true);
            browser.open("/sites/" + site + "/walk");
            assertThat(browser.page.locator(".limb-row")).containsText("begun on this phone");
            browser.page.locator(".limb-row").first().click();
            assertThat(browser.page.locator("#walk-width")).hasValue("12");
            assertThat(browser.page.locator("#walk-length")).hasValue("3");
            assertThat(browser.page.locator(".dial").first())
                    .hasAttribute("aria-valuetext", Pattern.compile("degrees"));
            browser.page.locator(".dial").nth(1).click(new Locator.ClickOptions().setPosition(120, 60));
            Locator sheet = browser.page.locator(".sketch svg");
            sheet.click(new Locator.ClickOptions()
                    .setPosition(sheet.boundingBox().width / 2, sheet.boundingBox().height * 0.72));
            browser.press("Done");
            browser.step("Judge");
            assertThat(browser.page.getByText("1 limb,")).isVisible();
            browser.press("Save and judge");
            // A phone that was just switched on may find signal before it is cut, and send.
            assertThat(browser.page.locator(".limb-row"))
                    .containsText(Pattern.compile("walked(, waits on this phone| 20 Feb 2027)"));
            browser.offline(false);
            assertThat(browser.page.locator(".limb-row")).containsText("walked 20 Feb 2027");
            JsonNode surveys = TestServer.get("/api/trees/" + tree + "/surveys").json();
            assertThat(surveys).hasSize(1);
            JsonNode file = TestServer.get("/api/surveys/" + surveys.at("/0/id").longValue() + "/file")
                    .json();
            assertThat(file.at("/limbs/0/diameterCm").doubleValue()).isEqualTo(12);
            assertThat(file.at("/limbs/0/lengthM").doubleValue()).isEqualTo(3);
            // Nothing of the interface's own went along.
            assertThat(file.toString()).doesNotContain("x-open").doesNotContain("x-at");
            assertThat(browser.errors()).isEmpty();
        }
    }

    @Test
    void fiftyLogsWithPhotosKilledFiveTimesAndSentByTwoTabsAreKeptOnceAndInOrder() throws IOException {
        long site = TestServer.site("Fifty logs");
        long day = TestServer.day(site, TestServer.TODAY);
        List<Long> trees = IntStream.range(0, LOGS)
                .mapToObj(i -> TestServer.tree(site, "L-%02d".formatted(i + 1)))
                .toList();
        long version = TestServer.get("/api/days/" + day).json().get("version").longValue();
        for (long tree : trees) {
            TestServer.post("/api/trees/" + tree + "/surveys", TestServer.walkJson())
                    .expect(201);
            version = TestServer.post(
                            "/api/days/" + day + "/visits",
                            "{\"version\": " + version + ", \"treeId\": " + tree
                                    + ", \"cuts\": [{\"limb\": \"D\", \"kind\": \"remove\"}], \"shoots\": 0}")
                    .expect(201)
                    .get("version")
                    .longValue();
        }
        TestServer.post("/api/days/" + day + "/first-list", """
                        {"nests": true, "roosts": true, "orders": true, "burning": true, "firstAidKit": true, "weather": true,
                         "crews": true, "road": "Kiln Lane", "emergencyNumber": "112"}
                        """).expect(200);
        List<Long> visits = new ArrayList<>();
        TestServer.get("/api/days/" + day)
                .json()
                .get("visits")
                .forEach(visit -> visits.add(visit.get("id").longValue()));
        try (Browser browser = on(TestServer.url())) {
            takeAlong(browser, "/sites/" + site + "/log");
            browser.offline(true);
            browser.open("/sites/" + site + "/days/" + day + "/log");
            for (int i = 0; i < LOGS; i++) {
                browser.page.locator("a.limb-row").nth(i).click();
                done(browser);
                browser.page.getByLabel("Picture cut of D").setInputFiles(picture());
                assertThat(exact(browser, "kept")).isVisible();
                if (i % 10 == 4) {
                    browser.killAndReopen();
                    browser.offline(true);
                    browser.open("/sites/" + site + "/visits/" + visits.get(i) + "/log");
                    // What was said before the battery went still stands.
                    assertThat(browser.page.locator("#log-minutes")).hasValue("12");
                }
                browser.press("Send the log of 20 Feb 2027");
                // A phone that was just switched on may find signal before it is cut, and send, and be told so.
                browser.page.getByText(LOGGED).nth(i).waitFor();
                assertThat(browser.page.getByText(LOGGED)).hasCount(i + 1);
            }
            browser.another();
            browser.open("/sites/" + site + "/waiting");
            assertThat(browser.page.locator(".waiting-item, details li")).hasCount(2 * LOGS);
            browser.offline(false);
            assertThat(browser.page.getByText("Nothing waits"))
                    .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(SENDING_MS));
            assertThat(browser.errors()).isEmpty();
        }
        List<Long> logs = new ArrayList<>();
        for (long tree : trees) {
            JsonNode ofTree = TestServer.get("/api/trees/" + tree + "/logs").json();
            assertThat(ofTree).hasSize(1);
            assertThat(ofTree.at("/0/minutes").intValue()).isEqualTo(12);
            logs.add(ofTree.at("/0/id").longValue());
            assertThat(TestServer.get("/api/trees/" + tree + "/photos").json()).hasSize(1);
        }
        assertThat(logs).as("in the order in which they were entered").isSorted();
    }

    private static void done(Browser browser) {
        browser.part("Limb D")
                .getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName("Done").setExact(true))
                .click();
        browser.page
                .getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(PERSON).setPressed(true))
                .waitFor();
        browser.page.locator("#log-minutes").fill("12");
    }

    @Test
    void twoPhonesThatLogOneVisitAreBothKeptAndTheSecondIsToldCutByCut() {
        long site = TestServer.site("Two phones");
        long tree = TestServer.tree(site, "T-1");
        TestServer.post("/api/trees/" + tree + "/surveys", TestServer.walkJson())
                .expect(201);
        long day = TestServer.day(site, TestServer.TODAY);
        TestServer.post(
                        "/api/days/" + day + "/visits",
                        "{\"version\": 1, \"treeId\": " + tree
                                + ", \"cuts\": [{\"limb\": \"D\", \"kind\": \"remove\"}], \"shoots\": 0}")
                .expect(201);
        JsonNode visit = TestServer.get("/api/days/" + day).json().at("/visits/0");
        long visitId = visit.get("id").longValue();
        try (Browser browser = on(TestServer.url())) {
            takeAlong(browser, "/sites/" + site + "/log");
            browser.offline(true);
            browser.open("/sites/" + site + "/visits/" + visitId + "/log");
            done(browser);
            browser.press("Send the log of 20 Feb 2027");
            assertThat(browser.page.getByText("logged here, waits")).isVisible();
            long other = TestServer.person("Quicker Hand", null);
            TestServer.sendAs(other, "POST", "/api/visits/" + visitId + "/log", """
                            {"key": "%s", "on": "2027-02-20", "minutes": 5, "people": [%d], "prunings": "stacked", "shoots": 0,
                             "cuts": [{"limb": "D", "outcome": "not-done", "note": "wasps"}]}
                            """.formatted(UUID.randomUUID(), other))
                    .expect(201);
            browser.offline(false);
            browser.follow("1 thing was not taken: look at it");
            browser.follow("Look");
            assertThat(browser.page.getByText("Quicker Hand logged this visit too"))
                    .isVisible();
            Locator limb = browser.page.locator(".clash tr", new Page.LocatorOptions().setHasText("Limb D"));
            assertThat(limb).containsText("Done, sound");
            assertThat(limb).containsText("Not done, wasps");
            browser.press("Keep both, mine as the newer");
            browser.page.waitForURL("**/trees/" + tree);
            JsonNode logs = TestServer.get("/api/trees/" + tree + "/logs").json();
            assertThat(logs).hasSize(2);
            assertThat(logs.at("/0/corrected").booleanValue()).isTrue();
            assertThat(logs.at("/1/minutes").intValue()).isEqualTo(12);
            assertThat(browser.errors()).isEmpty();
        }
    }

    @Test
    void aPhotoTheServerRefusesStaysWithItsReasonUntilItIsSavedElsewhere() throws IOException {
        long site = TestServer.site("Refused photo");
        long tree = TestServer.tree(site, "R-1");
        try (Browser browser = on(TestServer.url())) {
            takeAlong(browser, "/sites/" + site + "/walk");
            browser.open("/sites/" + site + "/trees/" + tree + "/walk");
            browser.step("Tree");
            browser.page.locator("#walk-day").fill("1890-02-20");
            browser.step("Sides");
            browser.page.getByLabel("Picture from the south").setInputFiles(picture());
            assertThat(browser.page.locator(".photo-strip")).containsText("not taken");
            browser.open("/sites/" + site + "/waiting");
            Locator item = browser.part("Photo R-1 from the south");
            assertThat(item).containsText("not taken");
            assertThat(item.locator("img")).hasCount(1);
            browser.page.reload();
            assertThat(item).containsText("not taken");
            item.getByText("Look").click();
            assertThat(browser.page.getByText("is no day from 1900 to 2200")).isVisible();
            // It goes only once it is saved elsewhere.
            assertThat(browser.button("Let go of it here")).hasCount(0);
            browser.page.waitForDownload(() -> browser.press("Download it"));
            browser.press("Let go of it here");
            assertThat(browser.page.getByText("This is no longer held here")).isVisible();
            assertThat(TestServer.get("/api/trees/" + tree + "/photos").json()).isEmpty();
        }
    }

    @Test
    void aServerThatIsStoppedIsWaitedForAndPagesThatFailedComeByThemselves() throws IOException {
        long site = TestServer.site("Stopped server");
        long tree = TestServer.tree(site, "S-1");
        int port;
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        AutoCloseable server = TestServer.another(port);
        try (Browser browser = on("http://127.0.0.1:" + port)) {
            takeAlong(browser, "/sites/" + site + "/walk");
            browser.open("/sites/" + site + "/trees/" + tree + "/walk");
            browser.step("Tree");
            browser.number("Height", "5");
            browser.number("Width of the crown", "4");
            browser.number("Girth of the trunk", "80");
            TestServer.close(server);
            browser.step("Judge");
            browser.press("Save and judge");
            assertThat(browser.page.locator(".limb-row")).containsText("walked, waits on this phone");
            // A page that was never open here says what is the matter, and offers to try again.
            browser.page.navigate("http://127.0.0.1:" + port + "/sites/" + site + "/season");
            assertThat(browser.button("Try again").first()).isVisible();

            server = TestServer.another(port);
            assertThat(browser.button("Try again"))
                    .hasCount(0, new LocatorAssertions.HasCountOptions().setTimeout(SENDING_MS));
            browser.open("/sites/" + site + "/walk");
            assertThat(browser.page.locator(".limb-row"))
                    .containsText(
                            "walked 20 Feb 2027", new LocatorAssertions.ContainsTextOptions().setTimeout(SENDING_MS));
            assertThat(TestServer.get("/api/trees/" + tree + "/surveys").json()).hasSize(1);
        } finally {
            TestServer.close(server);
        }
    }

    @Test
    void aPhoneUpdatedInTheFieldBringsAlongWhatItHeldBefore() throws IOException {
        long site = TestServer.site("Updated phone");
        long tree = TestServer.tree(site, "U-1");
        String old = Files.readString(Path.of("src/test/resources/old-phone.js"));
        try (Browser browser = on(TestServer.url())) {
            // A page of the same origin that is not the application.
            browser.open("/mark.svg");
            browser.page.evaluate(
                    old, Map.of("site", (int) site, "tree", (int) tree, "person", (int) TestServer.whoId()));
            browser.open("/sites/" + site + "/walk");
            browser.iAm("Tess Ferrier");
            assertThat(browser.page.locator(".limb-row")).containsText(Pattern.compile("walked (10|20) Feb 2027"));
            assertThat(TestServer.get("/api/trees/" + tree + "/surveys").json()).hasSize(1);
            assertThat(TestServer.get("/api/trees/" + tree + "/photos").json()).hasSize(1);
        }
    }
}
