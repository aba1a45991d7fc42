package org.diligentbough.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.Cookie;
import com.microsoft.playwright.options.ReducedMotion;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.diligentbough.server.TestServer;

/** A real browser at the real application. */
final class Browser implements AutoCloseable {
    static final int LAPTOP_WIDTH = 1280;
    static final int LAPTOP_HEIGHT = 800;
    static final int PHONE_WIDTH = 390;
    static final int PHONE_HEIGHT = 844;

    private static final List<String> ARGUMENTS = List.of(
            "--no-sandbox",
            "--disable-gpu",
            "--disable-dev-shm-usage",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync");
    private static final Path CHROMIUM = Path.of("/usr/bin/chromium");
    /** What is looked for may take this long on a machine that does other things beside. */
    private static final int SEEN_WITHIN_MS = 20_000;

    private static final long SIGNED_IN_FOR_SECONDS = 86_400;

    static {
        PlaywrightAssertions.setDefaultAssertionTimeout(SEEN_WITHIN_MS);
    }

    /** One browser for all journeys; each has a profile of its own in it. It ends with the tests. */
    private static com.microsoft.playwright.Browser shared;

    /** Of a phone that is killed; null in the shared browser. */
    private Playwright playwright;

    private BrowserContext context;
    private final String server;
    private final Path profile;
    private final List<String> errors = new ArrayList<>();
    private long signedIn;
    Page page;

    Browser() {
        server = TestServer.url();
        profile = null;
        context = shared().newContext(new com.microsoft.playwright.Browser.NewContextOptions()
                .setViewportSize(LAPTOP_WIDTH, LAPTOP_HEIGHT)
                .setReducedMotion(ReducedMotion.REDUCE));
        another();
    }

    private static com.microsoft.playwright.Browser shared() {
        if (shared == null || !shared.isConnected()) {
            shared = Playwright.create()
                    .chromium()
                    .launch(new BrowserType.LaunchOptions()
                            .setExecutablePath(CHROMIUM)
                            .setArgs(ARGUMENTS));
        }
        return shared;
    }

    /** A phone that keeps what it holds in a folder, so that it can be shut, killed and opened again. */
    Browser(Path profile, String server) {
        this.server = server;
        this.profile = profile;
        switchOn();
    }

    private void switchOn() {
        playwright = Playwright.create();
        context = playwright
                .chromium()
                .launchPersistentContext(
                        profile,
                        new BrowserType.LaunchPersistentContextOptions()
                                .setExecutablePath(CHROMIUM)
                                .setArgs(ARGUMENTS)
                                .setViewportSize(PHONE_WIDTH, PHONE_HEIGHT)
                                .setReducedMotion(ReducedMotion.REDUCE));
        another();
    }

    /** Turns to another tab. */
    void another() {
        page = context.newPage();
        page.onPageError(errors::add);
    }

    /** The battery is out: the browser's processes end in the middle of whatever they do. Then it is switched on again. */
    void killAndReopen() {
        try {
            new ProcessBuilder("pkill", "-9", "-f", "user-data-dir=" + profile)
                    .start()
                    .waitFor();
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
        playwright.close();
        switchOn();
        // The browser writes its cookies down within half a minute: who signed in this morning is still signed in.
        if (signedIn != 0) {
            signIn(signedIn);
        }
    }

    void laptop() {
        page.setViewportSize(LAPTOP_WIDTH, LAPTOP_HEIGHT);
    }

    void phone() {
        page.setViewportSize(PHONE_WIDTH, PHONE_HEIGHT);
    }

    /**
     * What moves by itself is shown moving. Elsewhere whoever looks asked for less of it, since a page on its way to a place
     * is waited for at every tap.
     */
    void moving() {
        page.emulateMedia(new Page.EmulateMediaOptions().setReducedMotion(ReducedMotion.NO_PREFERENCE));
    }

    /** Cuts the network, or mends it. */
    void offline(boolean cut) {
        context.setOffline(cut);
    }

    /** The browser's clock stands still at a moment. */
    void clockShows(String moment) {
        context.clock().setFixedTime(moment);
    }

    void open(String path) {
        page.navigate(server + path);
    }

    /** Signs in as somebody of that name, who comes to be if nobody bears it, and loads the page anew. */
    void iAm(String name) {
        signIn(TestServer.personNamed(name));
        page.reload();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(name).setExact(true))
                .waitFor();
    }

    /** Lays the session of somebody into this browser, as if they had signed in here before. */
    void signIn(long personId) {
        signedIn = personId;
        String[] session = TestServer.session(personId).split("=", 2);
        context.addCookies(List.of(new Cookie(session[0], session[1])
                .setUrl(server)
                .setHttpOnly(true)
                .setExpires(System.currentTimeMillis() / 1000.0 + SIGNED_IN_FOR_SECONDS)));
    }

    /** Brings the checks of axe onto the page, the way a debugger does: its own policy lets no script of others in. */
    void axe() {
        // A colour on its way to another is none that anybody reads.
        page.evaluate("Promise.race([Promise.allSettled(document.getAnimations().map((one) => one.finished)),"
                + " new Promise((late) => setTimeout(late, 1000))])");
        page.evaluate(TestServer.file("web/node_modules/axe-core/axe.min.js"));
    }

    void press(String button) {
        button(button).click();
    }

    Locator button(String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    void follow(String link) {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(link).setExact(true))
                .first()
                .click();
    }

    /** Turns to a pane of a tree's bench. */
    void pane(String name) {
        Locator tab = page.getByRole(
                AriaRole.TAB, new Page.GetByRoleOptions().setName(name).setExact(true));
        tab.click();
        assertThat(tab).hasAttribute("aria-selected", "true");
    }

    /** Answers what is asked before the first cut of a day. */
    void answerFirstList() {
        heading("Before the first cut").waitFor();
        for (Locator question : page.getByRole(AriaRole.CHECKBOX).all()) {
            question.click();
        }
        fill("Nearest road and gate, for whoever is called", "Kiln Lane");
        fill("Emergency number here", "112");
        press("It is so: work may begin");
        assertThat(page.getByText("Answered before the first cut")).isVisible();
    }

    /** Goes to the trees of the work day that is today, by the list before the first cut. */
    void runTheDay() {
        follow("Run this day");
        answerFirstList();
    }

    Locator heading(String text) {
        return page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(text));
    }

    Locator part(String name) {
        return page.getByRole(
                AriaRole.REGION, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    void fill(String label, Object value) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true)).fill(String.valueOf(value));
    }

    /** A number of the walk, by the beginning of its name. */
    void number(String name, String value) {
        page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name + "(,|$)")))
                .fill(value);
    }

    /** A step of the walk. */
    void step(String name) {
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(name)).click();
    }

    /** Sends the walk that is open, and waits until it is on the server. */
    void judge() {
        press("Save and judge");
        page.waitForURL(Pattern.compile("/trees/[0-9]+([?].*)?$"));
    }

    /** Errors the page's scripts threw. */
    List<String> errors() {
        return errors;
    }

    @Override
    public void close() {
        context.close();
        if (playwright != null) {
            playwright.close();
        }
    }
}
