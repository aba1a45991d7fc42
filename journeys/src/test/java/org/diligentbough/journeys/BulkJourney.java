package org.diligentbough.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** A table of trees from elsewhere taken in, and their light worked out while one looks on. */
class BulkJourney {
    private static final String TABLE = """
            Number;What it is;Name;East;North
            Z-1;apple;Dunmow Pippin;1;70
            Z-2;cabbage;;8;70
            Z-3;pear;;15;seventy
            """;

    @Test
    void aTableIsMatchedMendedAndTakenInWhole() throws IOException {
        String site = DemoJourney.demo("saltmarsh-row.json", "Saltmarsh by the table");
        Path file = Files.createTempFile("trees", ".csv");
        try (Browser browser = new Browser()) {
            browser.open(site + "/bulk");
            browser.iAm("Mere Tolhurst");
            Files.writeString(file, TABLE);
            browser.page.getByLabel("In: a table (CSV)").setInputFiles(file);
            assertThat(browser.page.getByText("Match a column to")).containsText("kind");
            match(browser, "Number", "tag");
            match(browser, "What it is", "species");
            match(browser, "Name", "cultivar");
            match(browser, "East", "eastM");
            match(browser, "North", "northM");
            browser.press("Register 3 trees");
            assertThat(browser.page.getByText("Nothing was registered yet.")).isVisible();
            // Mended here: nothing is typed or matched again.
            browser.page.getByLabel("Kind “cabbage” means").selectOption("quince");
            browser.page
                    .getByRole(AriaRole.LISTITEM)
                    .filter(new Locator.FilterOptions().setHasText("Line 3: Kind"))
                    .getByText("Mend", new Locator.GetByTextOptions().setExact(true))
                    .click();
            browser.page.getByLabel("Metres north “seventy” means").fill("70");
            browser.press("Mend");
            assertThat(browser.page.getByText("Nothing was registered yet.")).hasCount(0);
            browser.press("Register 3 trees");
            assertThat(browser.page.getByText("3 trees are registered.")).isVisible();
            Download out = browser.page.waitForDownload(() -> browser.follow("as a map (GeoJSON)"));
            out.saveAs(file);
            Assertions.assertThat(Files.readString(file)).contains("Z-1").contains("Z-3");
            browser.follow("See the orchard");
            assertThat(browser.page.locator(".register tbody tr")).hasCount(15);
            Assertions.assertThat(browser.errors()).isEmpty();
        } finally {
            Files.delete(file);
        }
    }

    @Test
    void everyTreeIsJudgedInTodaysLightWhileOneLooksOn() {
        String site = DemoJourney.demo("kilnfield.json", "Kilnfield in the light");
        try (Browser browser = new Browser()) {
            browser.open(site + "?layer=light");
            browser.iAm("Tamsin Oke");
            assertThat(browser.part("Light and room")).containsText("Who takes most");
            browser.press("Judge every tree in today’s light");
            // Sixty trees on a machine that does other things too.
            assertThat(browser.page.getByText("trees are judged in this light."))
                    .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(30_000));
        }
    }

    private static void match(Browser browser, String column, String field) {
        browser.page.getByLabel("Field of column " + column).selectOption(field);
    }
}
