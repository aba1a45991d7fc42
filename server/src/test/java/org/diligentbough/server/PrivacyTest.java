package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;
import static org.diligentbough.server.TestServer.sendAs;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What is known of people: told to themselves, kept from others, and forgotten on request. */
class PrivacyTest {
    private static void only(long person, long site, String role) {
        TestServer.sql("delete from membership where person_id = " + person + "; insert into membership values ("
                + person + ", " + site + ", '" + role + "', false)");
    }

    /** Every text of the whole database that holds a word, by its table. */
    private static List<String> whereItStands(String word) throws SQLException {
        List<String> found = new ArrayList<>();
        try (Connection database = TestServer.database();
                ResultSet tables = database.createStatement()
                        .executeQuery("select table_name from information_schema.tables where table_schema = 'public'"
                                + " and table_type = 'BASE TABLE' and table_name not like 'spring_%'")) {
            while (tables.next()) {
                String table = tables.getString(1);
                try (ResultSet rows = database.createStatement()
                        .executeQuery(
                                "select r::text from " + table + " r where strpos(r::text, '" + word + "') > 0")) {
                    while (rows.next()) {
                        found.add(table + ": " + rows.getString(1));
                    }
                }
            }
        }
        return found;
    }

    @Test
    void whoIsForgottenStandsNowhereAndWhatTheyDidStays() throws SQLException {
        String name = "Forget Menot " + UUID.randomUUID();
        long site = TestServer.site("Forgetful " + UUID.randomUUID());
        long tree = TestServer.tree(site, "P-1");
        long who = TestServer.person(name, 1980, "lead", "ladder");
        TestServer.session(who);
        only(who, site, "coordinator");
        sendAs(who, "POST", "/api/trees/" + tree + "/surveys", TestServer.walkJson())
                .expect(201);
        TestServer.judged();
        sendAs(who, "PUT", "/api/trees/" + tree + "/plan", """
                {"version": 0, "edits": {"pins": [], "decided": [{"limb": "C", "verdict": "keep"}],
                 "insisted": [], "split": [], "allowance": {"share": 0.2, "why": "weak"}}}
                """).expect(200);
        TestServer.judged();
        assertThat(get("/api/trees/" + tree + "/judgement").text()).contains(name);
        assertThat(whereItStands(name)).isNotEmpty();
        sendAs(who, "PUT", "/api/people/" + who + "/contact", "{\"emergency\": \"call the friend of " + name + "\"}")
                .expect(200);

        JsonNode known =
                sendAs(who, "GET", "/api/people/" + who + "/known", null).expect(200);
        assertThat(known.at("/person/birthYear").intValue()).isEqualTo(1980);
        assertThat(known.get("surveys")).hasSize(1);
        assertThat(known.get("tickets")).hasSize(2);
        assertThat(known.at("/sites/0/role").stringValue()).isEqualTo("coordinator");

        post("/api/people/" + who + "/forgotten", "{}").expect(204);
        assertThat(whereItStands(name)).isEmpty();
        assertThat(get("/api/trees/" + tree + "/surveys").json()).hasSize(1);
        assertThat(get("/api/trees/" + tree + "/history").text()).contains("somebody " + who);
        assertThat(sendAs(who, "GET", "/api/sites", null).status()).isEqualTo(401);
        assertThat(get("/api/sites/" + site + "/history").text()).contains("forgotten");
        assertThat(post("/api/people/" + who + "/forgotten", "{}").status()).isEqualTo(404);
    }

    @Test
    void whomToCallIsToldToWhoeverLeadsFromAWeekBeforeUntilTheDayAfter() {
        long site = TestServer.site("Whom to call " + UUID.randomUUID());
        long leader = TestServer.person("Lead Er " + UUID.randomUUID(), 1980, "lead");
        long helper = TestServer.person("Help Er " + UUID.randomUUID(), 1990);
        only(leader, site, "leader");
        only(helper, site, "volunteer");
        String contact = "/api/people/" + helper + "/contact";
        sendAs(helper, "PUT", contact, "{\"contact\": \" 0100 1 \", \"emergency\": \"Mother, 0100 2\"}")
                .expect(200);
        sendAs(leader, "GET", contact, null).expect(403);
        long soon = day(site, "2027-02-22", leader, helper);
        long far = day(site, "2027-03-22", leader, helper);
        long past = day(site, "2027-02-15", leader, helper);
        JsonNode told = sendAs(leader, "GET", "/api/days/" + soon + "/contacts", null)
                .expect(200)
                .get("people");
        assertThat(told).hasSize(2);
        assertThat(told.get(0).get("contact").stringValue()).isEqualTo("0100 1");
        assertThat(told.get(0).get("emergency").stringValue()).isEqualTo("Mother, 0100 2");
        assertThat(told.get(1).get("contact").isNull()).isTrue();
        for (long other : List.of(far, past)) {
            assertThat(sendAs(leader, "GET", "/api/days/" + other + "/contacts", null)
                            .expect(200)
                            .get("people"))
                    .isEmpty();
        }
        sendAs(helper, "GET", "/api/days/" + soon + "/contacts", null).expect(403);
        sendAs(helper, "PUT", contact, "{\"contact\": \" \"}").expect(200);
        assertThat(sendAs(helper, "GET", contact, null)
                        .expect(200)
                        .get("emergency")
                        .isNull())
                .isTrue();
    }

    private static long day(long site, String on, long... people) {
        long id = post("/api/sites/" + site + "/days", """
                        {"on": "%s", "starts": "09:30", "ends": "12:30", "shed": {}}
                        """.formatted(on))
                .expect(201)
                .get("id")
                .longValue();
        for (long one : people) {
            TestServer.sql("insert into work_day_person (work_day_id, person_id) values (" + id + ", " + one + ")");
        }
        return id;
    }

    @Test
    void nobodyForgetsThemselvesOrWhomTheyDoNotCoordinate() {
        long here = TestServer.site("Here " + UUID.randomUUID());
        long there = TestServer.site("There " + UUID.randomUUID());
        long who = TestServer.personNamed("Both Sites " + UUID.randomUUID());
        only(who, here, "volunteer");
        TestServer.sql("insert into membership values (" + who + ", " + there + ", 'volunteer', false);"
                + " delete from membership where site_id = " + there + " and person_id = " + TestServer.whoId());
        post("/api/people/" + who + "/forgotten", "{}").expect(422);
        post("/api/people/" + TestServer.whoId() + "/forgotten", "{}").expect(422);
    }

    @Test
    void ofOthersLeadersSeeTicketsAndVolunteersNames() {
        long site = TestServer.site("Seen by " + UUID.randomUUID());
        long seen = TestServer.person("Well Known " + UUID.randomUUID(), 1971, "first-aid");
        long leader = TestServer.personNamed("Leads " + UUID.randomUUID());
        long volunteer = TestServer.personNamed("Helps " + UUID.randomUUID());
        TestServer.session(leader);
        TestServer.session(volunteer);
        only(seen, site, "volunteer");
        only(leader, site, "leader");
        only(volunteer, site, "volunteer");
        JsonNode byLeader = one(sendAs(leader, "GET", "/api/people", null).expect(200), seen);
        assertThat(byLeader.get("tickets")).hasSize(1);
        assertThat(byLeader.hasNonNull("birthYear")).isFalse();
        JsonNode byVolunteer = one(sendAs(volunteer, "GET", "/api/people", null).expect(200), seen);
        assertThat(byVolunteer.get("tickets")).isEmpty();
        assertThat(byVolunteer.hasNonNull("birthYear")).isFalse();
        assertThat(one(get("/api/people").expect(200), seen).get("birthYear").intValue())
                .isEqualTo(1971);
    }

    private static JsonNode one(JsonNode people, long id) {
        return people.valueStream()
                .filter(one -> one.get("id").longValue() == id)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void whoHelpsSaysWhenTheyCanComeAndNothingElse() {
        long site = TestServer.site("Coming " + UUID.randomUUID());
        long who = TestServer.person("Comes Along " + UUID.randomUUID(), 1990, "ladder");
        TestServer.session(who);
        only(who, site, "volunteer");
        JsonNode self = one(sendAs(who, "GET", "/api/people", null).expect(200), who);
        String name = self.get("name").stringValue();
        String data =
                "{\"version\": %d, \"data\": {\"name\": \"%s\", \"birthYear\": 1990, \"tickets\": %s, \"canCome\": %s}}";
        JsonNode after = sendAs(
                        who,
                        "PUT",
                        "/api/people/" + who,
                        data.formatted(self.get("version").intValue(), name, self.get("tickets"), "[\"2027-03-06\"]"))
                .expect(200);
        assertThat(after.get("canCome")).hasSize(1);
        sendAs(
                        who,
                        "PUT",
                        "/api/people/" + who,
                        data.formatted(
                                after.get("version").intValue(),
                                name,
                                "[{\"ticket\": \"arborist\", \"until\": \"2030-01-01\"}]",
                                "[]"))
                .expect(403);
    }

    @Test
    void whatOthersChangedAboutSomebodyIsNotTheirsToUndo() {
        long site = TestServer.site("Changed by others " + UUID.randomUUID());
        long who = TestServer.person("Has A Ticket " + UUID.randomUUID(), 1990, "ladder");
        TestServer.session(who);
        only(who, site, "volunteer");
        JsonNode now = one(get("/api/people").expect(200), who);
        put("/api/people/" + who, """
                {"version": %d, "data": {"name": "%s", "birthYear": 1990, "tickets": [], "canCome": []}}
                """.formatted(
                                now.get("version").intValue(), now.get("name").stringValue()))
                .expect(200);
        long change = newest("person", who);
        assertThat(sendAs(who, "POST", "/api/changes/" + change + "/undo", null).status())
                .isEqualTo(403);
        post("/api/changes/" + change + "/undo", "{}").expect(204);
    }

    private static long newest(String entity, long id) {
        try (Connection database = TestServer.database();
                ResultSet found = database.createStatement()
                        .executeQuery(
                                "select max(id) from history where entity = '" + entity + "' and entity_id = " + id)) {
            found.next();
            return found.getLong(1);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void whoSignedAPlanComesFromTheSessionAlone() {
        long site = TestServer.site("Signed " + UUID.randomUUID());
        long tree = TestServer.tree(site, "S-1");
        post("/api/trees/" + tree + "/surveys", TestServer.walkJson()).expect(201);
        String plan = put("/api/trees/" + tree + "/plan", """
                {"version": 0, "edits": {"pins": [], "insisted": [], "split": [],
                 "decided": [{"limb": "C", "verdict": "keep", "by": "Some Body", "on": "1999-01-01"}],
                 "allowance": {"share": 0.2, "why": "weak", "by": "Some Body"}}}
                """).text();
        assertThat(plan)
                .doesNotContain("Some Body")
                .doesNotContain("1999-01-01")
                .contains("Tess Ferrier");
    }
}
