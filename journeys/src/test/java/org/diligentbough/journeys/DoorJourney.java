package org.diligentbough.journeys;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.UUID;
import org.assertj.core.api.Assertions;
import org.diligentbough.server.TestServer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Coming in by an invitation, seeing one's own and nothing else, and losing nothing when a session ends. */
class DoorJourney {
    @TempDir
    Path phone;

    /** Somebody of that role at a site and nothing anywhere else. */
    private static long only(String name, long site, String role, boolean maySurvey) {
        long who = TestServer.personNamed(name);
        TestServer.session(who);
        TestServer.sql("delete from membership where person_id = " + who + "; insert into membership values (" + who
                + ", " + site + ", '" + role + "', " + maySurvey + ")");
        return who;
    }

    @Test
    void aCoordinatorInvitesAVolunteerWhoComesInOnAPhoneAndSeesTheirOwn() {
        long site = TestServer.site("Invited Field");
        TestServer.tree(site, "I-1");
        String address;
        try (Browser laptop = new Browser()) {
            laptop.open("/sites/" + site + "/people");
            laptop.iAm("Tamsin Oke");
            laptop.fill("Name of somebody new", "Pip Marlow");
            laptop.press("Add");
            var row = laptop.page.getByRole(AriaRole.ARTICLE, new Page.GetByRoleOptions().setName("Pip Marlow"));
            assertThat(row).containsText("Does not sign in yet.");
            laptop.press("Invite");
            assertThat(row.getByLabel("The same address as a code")).isVisible();
            address = row.getByLabel("Address to come in by").inputValue();
            Assertions.assertThat(laptop.errors()).isEmpty();
        }
        // The trigger of these tests makes everybody a coordinator everywhere; here it is the site's word that counts.
        TestServer.sql("update membership set role = 'volunteer' where site_id = " + site
                + " and person_id = (select id from person where name = 'Pip Marlow');"
                + " delete from membership where site_id <> " + site
                + " and person_id = (select id from person where name = 'Pip Marlow')");
        try (Browser browser = new Browser()) {
            browser.phone();
            browser.open("/");
            assertThat(browser.page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Sign in")))
                    .isVisible();
            browser.open(address.replaceFirst("^https?://[^/]*", ""));
            assertThat(browser.page.getByText("You are invited to Invited Field as volunteer."))
                    .isVisible();
            browser.press("Come in");
            assertThat(browser.page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Pip Marlow")))
                    .isVisible();
            assertThat(browser.part("My days")).containsText("You are on no day yet.");
            browser.page.getByLabel("A day on which I can come").fill("2027-03-06");
            browser.press("I can come");
            assertThat(browser.part("When I can come")).containsText("6 Mar 2027");
            browser.press("More");
            assertThat(browser.page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("People")))
                    .hasCount(0);
            browser.open("/sites/" + site + "/people");
            assertThat(browser.page.getByRole(AriaRole.ALERT)).containsText("You may not do this here.");
            // The address is used up, and the way out leads to the door.
            browser.open("/sites/" + site + "/mine");
            browser.press("Pip Marlow");
            browser.press("Sign out");
            assertThat(browser.page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Sign in")))
                    .isVisible();
            browser.open(address.replaceFirst("^https?://[^/]*", ""));
            assertThat(browser.page.getByRole(AriaRole.ALERT)).containsText("was used already");
        }
    }

    @Test
    void anOwnerSeesTheirTreesAndNoOthersAndConsents() {
        long site = TestServer.site("Owned Field");
        long tree = TestServer.tree(site, "O-1");
        long other = TestServer.tree(site, "O-2");
        TestServer.post("/api/trees/" + tree + "/surveys", TestServer.walkJson())
                .expect(201);
        long owner = only("Hester Owned", site, "owner", false);
        TestServer.sql("insert into tree_owner values (" + tree + ", " + owner + ")");
        TestServer.post("/api/trees/" + tree + "/consents", "{\"limits\": \"not below the first fork\"}")
                .expect(201);
        try (Browser browser = new Browser()) {
            browser.phone();
            browser.open("/");
            browser.iAm("Hester Owned");
            assertThat(browser.part("My trees")).containsText("O-1");
            assertThat(browser.part("My trees")).not().containsText("O-2");
            browser.page
                    .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("O-1, apple Kiln Rose"))
                    .click();
            assertThat(browser.page.getByText("What is planned for this tree")).isVisible();
            browser.press("Yes");
            assertThat(browser.part("What you say to it"))
                    .containsText("Consented to the work, within: not below the first fork (Hester Owned)");
            browser.open("/sites/" + site + "/trees/" + other);
            assertThat(browser.page.getByRole(AriaRole.ALERT)).containsText("You may not do this here.");
            Assertions.assertThat(browser.errors()).isEmpty();
        }
    }

    @Test
    void aCoordinatorForgetsSomebodyWhoseWorkStays() {
        long site = TestServer.site("Forgetting Field");
        long tree = TestServer.tree(site, "F-1");
        long who = TestServer.personNamed("Merle Gonesoon");
        TestServer.sendAs(who, "POST", "/api/trees/" + tree + "/surveys", TestServer.walkJson())
                .expect(201);
        TestServer.sql("delete from membership where person_id = " + who + "; insert into membership values (" + who
                + ", " + site + ", 'volunteer', true)");
        try (Browser browser = new Browser()) {
            browser.open("/sites/" + site + "/people");
            browser.iAm("Tamsin Oke");
            browser.press("Change Merle Gonesoon");
            browser.part("What is known of Merle Gonesoon")
                    .getByRole(AriaRole.LINK)
                    .click();
            browser.press("Forget them");
            assertThat(browser.page.getByText("It cannot be undone. If it is so, press again."))
                    .isVisible();
            browser.press("Forget them");
            assertThat(browser.page.getByText("Merle Gonesoon")).hasCount(0);
            browser.open("/sites/" + site + "/history");
            assertThat(browser.page.getByText("somebody " + who).first()).isVisible();
            assertThat(browser.page.getByText("Merle Gonesoon")).hasCount(0);
            Assertions.assertThat(browser.errors()).isEmpty();
        }
    }

    @Test
    void aSessionThatEndsOutdoorsLosesNothing() {
        long site = TestServer.site("Ended Field " + UUID.randomUUID());
        long tree = TestServer.tree(site, "E-1");
        long who = TestServer.personNamed("Wren Outside");
        try (Browser browser = new Browser(phone, TestServer.url())) {
            browser.open("/sites/" + site + "/walk");
            browser.iAm("Wren Outside");
            assertThat(browser.page.getByText("This phone has everything")).isVisible();
            browser.open("/sites/" + site + "/trees/" + tree);
            assertThat(browser.button("Report")).isVisible();
            browser.offline(true);
            browser.press("Report");
            browser.press("broken limb");
            browser.press("yes: keep people away");
            browser.page.getByLabel("What exactly, and where").fill("Over the gate");
            browser.press("Report it");
            assertThat(browser.page.getByLabel("What exactly, and where")).hasCount(0);
            TestServer.signOut(who);
            browser.offline(false);
            browser.open("/sites/" + site + "/waiting");
            assertThat(browser.page.getByText("You are signed out.")).isVisible();
            assertThat(browser.page.getByText("Report E-1")).isVisible();
            Assertions.assertThat(
                            TestServer.get("/api/trees/" + tree + "/reports").json())
                    .isEmpty();
            browser.iAm("Wren Outside");
            assertThat(browser.page.getByText("Nothing waits")).isVisible();
            Assertions.assertThat(
                            TestServer.get("/api/trees/" + tree + "/reports").text())
                    .contains("Over the gate");
        }
    }
}
