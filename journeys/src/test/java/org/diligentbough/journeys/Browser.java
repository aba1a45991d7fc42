package org.diligentbough.journeys;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
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

    private final Playwright playwright;
    private final com.microsoft.playwright.Browser chromium;
    private final BrowserContext context;
    private final List<String> errors = new ArrayList<>();
    final Page page;

    Browser() {
        playwright = Playwright.create();
        chromium = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(Path.of("/usr/bin/chromium"))
                        .setArgs(List.of(
                                "--no-sandbox",
                                "--disable-gpu",
                                "--disable-dev-shm-usage",
                                "--disable-quic",
                                "--no-first-run",
                                "--disable-background-networking",
                                "--disable-component-update",
                                "--disable-sync")));
        context = chromium.newContext(
                new com.microsoft.playwright.Browser.NewContextOptions().setViewportSize(LAPTOP_WIDTH, LAPTOP_HEIGHT));
        page = context.newPage();
        page.onPageError(errors::add);
    }

    void laptop() {
        page.setViewportSize(LAPTOP_WIDTH, LAPTOP_HEIGHT);
    }

    void phone() {
        page.setViewportSize(PHONE_WIDTH, PHONE_HEIGHT);
    }

    /** Cuts the network, or mends it. */
    void offline(boolean cut) {
        context.setOffline(cut);
    }

    void open(String path) {
        page.navigate(TestServer.url() + path);
    }

    /** Says who is at work, as the first visit asks. */
    void iAm(String name) {
        page.getByLabel("Somebody else").fill(name);
        press("That’s me");
        page.getByRole(AriaRole.DIALOG).waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.DETACHED));
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

    /** Errors the page's scripts threw. */
    List<String> errors() {
        return errors;
    }

    @Override
    public void close() {
        context.close();
        chromium.close();
        playwright.close();
    }
}
