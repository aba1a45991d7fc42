package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;
import static org.diligentbough.server.TestServer.send;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

class UndoApiTest {
    /** The newest change about a kind of thing. */
    static long newest(String entity) {
        return newestWhere("entity = '" + entity + "'");
    }

    private static long newestWhere(String holds) {
        try (var sql = TestServer.database()) {
            ResultSet found = sql.createStatement().executeQuery("select max(id) from history where " + holds);
            found.next();
            return found.getLong(1);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    static void undo(long id) {
        post("/api/changes/" + id + "/undo", "").expect(204);
    }

    private static JsonNode changed(String path, String field, String value) {
        JsonNode before = get(path).json();
        ObjectNode data = ((ObjectNode) before.get("data")).put(field, value);
        return put(path, "{\"version\": " + before.get("version") + ", \"data\": " + data + "}")
                .expect(200);
    }

    @Test
    void aChangedTreeIsLookedAtBeforeAndAfterAndUndoneAndDoneAgain() {
        long site = TestServer.site("To undo");
        String tree = "/api/trees/" + TestServer.tree(site, "U-1");
        changed(tree, "note", "by the gate");
        long change = newest("tree");
        JsonNode seen = get("/api/changes/" + change).json();
        assertThat(seen.get("undoable").booleanValue()).isTrue();
        assertThat(seen.get("changes")).hasSize(1);
        assertThat(seen.at("/changes/0/field").stringValue()).isEqualTo("note");
        assertThat(seen.at("/changes/0/before").stringValue()).isEmpty();
        assertThat(seen.at("/changes/0/after").stringValue()).isEqualTo("by the gate");

        undo(change);
        assertThat(get(tree).json().at("/data/note").isNull()).isTrue();
        // Undoing is a change as any other: it is kept, and can be undone.
        undo(newest("tree"));
        assertThat(get(tree).json().at("/data/note").stringValue()).isEqualTo("by the gate");
    }

    @Test
    void whatWasChangedSinceIsNotUndoneOverIt() {
        long site = TestServer.site("Changed since");
        String tree = "/api/trees/" + TestServer.tree(site, "U-2");
        changed(tree, "note", "first");
        long first = newest("tree");
        changed(tree, "note", "second");
        post("/api/changes/" + first + "/undo", "").expect(409);
        assertThat(get("/api/changes/" + first).json().get("undoable").booleanValue())
                .isFalse();
        assertThat(get(tree).json().at("/data/note").stringValue()).isEqualTo("second");
        post("/api/changes/999999999/undo", "").expect(404);
    }

    @Test
    void whatWasAddedCannotBeUndoneWhereNothingIsEverLost() {
        TestServer.tree(TestServer.site("Added"), "U-3");
        post("/api/changes/" + newest("tree") + "/undo", "").expect(422);
    }

    @Test
    void aTreeThatIsGoneByMistakeStandsAgain() {
        long tree = TestServer.tree(TestServer.site("Gone"), "U-4");
        put("/api/trees/" + tree + "/removal", """
                {"version": 0, "data": {"on": "2027-02-01", "grounds": "beyond-saving", "permission": "the owner, by letter",
                 "removedBy": "the group"}}""").expect(200);
        assertThat(get("/api/trees/" + tree).json().get("removedOn").isNull()).isFalse();
        undo(newest("removal"));
        assertThat(get("/api/trees/" + tree).json().get("removedOn").isNull()).isTrue();
    }

    @Test
    void somebodyTakenOffTheListComesBackAndIsChangedBack() {
        long who = TestServer.person("Bracken Undone", 1980, "ladder");
        JsonNode known = get("/api/people")
                .json()
                .valueStream()
                .filter(one -> one.get("id").longValue() == who)
                .findFirst()
                .orElseThrow();
        send("DELETE", "/api/people/" + who + "?version=" + known.get("version"), null)
                .expect(204);
        assertThat(get("/api/people").text()).doesNotContain("Bracken Undone");
        undo(newest("person"));
        assertThat(get("/api/people").text()).contains("Bracken Undone");
    }

    @Test
    void fruitANumberAndASiteGoBackToWhatTheyWere() {
        long site = TestServer.site("Back to before");
        long tree = TestServer.tree(site, "U-5");
        String fruit = "/api/trees/" + tree + "/fruit";
        put(fruit + "/2026", "{\"version\": 0, \"data\": {\"kilos\": 12}}").expect(200);
        put(fruit + "/2026", "{\"version\": 1, \"data\": {\"kilos\": 30}}").expect(200);
        undo(newest("fruit"));
        assertThat(get(fruit).json().at("/years/0/data/kilos").doubleValue()).isEqualTo(12);

        put("/api/sites/" + site + "/figures/big-cut-cm", "{\"version\": 0, \"value\": 6}")
                .expect(200);
        undo(newest("figure"));
        JsonNode figure = get("/api/sites/" + site + "/figures")
                .json()
                .valueStream()
                .filter(one -> one.get("figure").stringValue().equals("big-cut-cm"))
                .findFirst()
                .orElseThrow();
        assertThat(figure.get("changed").isNull()).isTrue();

        changed("/api/sites/" + site, "policyNote", "as the committee wishes");
        undo(newest("site"));
        assertThat(get("/api/sites/" + site).json().at("/data/policyNote").isNull())
                .isTrue();
    }

    private static JsonNode day(long id) {
        return get("/api/days/" + id).json();
    }

    private static String version(long id) {
        return "{\"version\": " + day(id).get("version");
    }

    /** A day with two people in a crew that has two trees. */
    private static long crewedDay(long site, long lead, long other) {
        TestServer.judged();
        long day = TestServer.day(site, TestServer.TODAY);
        put("/api/days/" + day + "/people", version(day) + ", \"people\": [" + lead + "," + other + "]}")
                .expect(200);
        List<String> turns = new ArrayList<>();
        for (String tag : List.of("D-1", "D-2")) {
            long tree = TestServer.tree(site, tag);
            post("/api/trees/" + tree + "/surveys", TestServer.walkJson()).expect(201);
            post("/api/days/" + day + "/visits", version(day) + ", \"treeId\": " + tree + "}")
                    .expect(201);
        }
        day(day).get("visits")
                .forEach(visit -> turns.add("\"visit-" + visit.get("id").longValue() + "\""));
        put(
                        "/api/days/" + day + "/crews",
                        version(day) + ", \"crews\": [{\"people\": [" + lead + "," + other + "], \"turns\": " + turns
                                + "}]}")
                .expect(200);
        return day;
    }

    /** What people see of a day; numbers of rows, and of the version, are another matter. */
    private static String seen(long day) {
        ObjectNode seen = (ObjectNode) day(day);
        seen.remove("version");
        seen.get("visits").forEach(visit -> ((ObjectNode) visit).remove("id"));
        seen.get("findings").forEach(finding -> ((ObjectNode) finding).remove("visitId"));
        return seen.toString();
    }

    @Test
    void aDayHasItsTreesCrewsPeopleAndHoursAgain() {
        long site = TestServer.site("Day undone");
        long lead = TestServer.person("Lena Undone", 1970, "lead", "first-aid", "ladder");
        long other = TestServer.person("Odo Undone", 1980);
        long day = crewedDay(site, lead, other);
        String before = seen(day);

        String visit = "/api/visits/" + day(day).at("/visits/0/id") + "?version=" + day(day).get("version");
        assertThat(send("DELETE", visit, null).expect(200).get("visits")).hasSize(1);
        JsonNode told = get("/api/changes/" + newest("day")).json();
        assertThat(told.get("undoable").booleanValue()).isTrue();
        assertThat(told.get("changes").valueStream())
                .anySatisfy(one -> {
                    assertThat(one.get("field").stringValue()).isEqualTo("visits");
                    assertThat(one.get("before").stringValue()).isEqualTo("D-1");
                    assertThat(one.get("after").stringValue()).isEmpty();
                })
                .anySatisfy(one -> {
                    assertThat(one.get("of").stringValue()).isEqualTo("D-2");
                    assertThat(one.get("field").stringValue()).isEqualTo("visits.starts");
                })
                .noneMatch(one ->
                        one.get("of").isString() && one.get("of").stringValue().equals("D-1"));
        undo(newest("day"));
        assertThat(seen(day)).isEqualTo(before);

        put("/api/days/" + day + "/people", version(day) + ", \"people\": []}").expect(200);
        assertThat(day(day).at("/visits/0/people")).isEmpty();
        undo(newest("day"));
        assertThat(seen(day)).isEqualTo(before);

        put(
                        "/api/days/" + day,
                        version(day) + ", \"data\": {\"on\": \"2027-02-27\", \"starts\": \"13:00\", \"ends\":"
                                + " \"16:00\", \"shed\": {}}}")
                .expect(200);
        undo(newest("day"));
        assertThat(seen(day)).isEqualTo(before);

        // Undoing is undone like any other change.
        undo(newest("day"));
        assertThat(day(day).at("/data/on").stringValue()).isEqualTo("2027-02-27");
    }

    @Test
    void whatWasLoggedSinceStaysAndADayThatWasCalledOffIsNotCalledOn() {
        long site = TestServer.site("Day logged since");
        long lead = TestServer.person("Lorne Undone", 1970, "lead", "first-aid", "ladder");
        long other = TestServer.person("Orla Undone", 1980);
        long day = crewedDay(site, lead, other);
        put("/api/days/" + day + "/people", version(day) + ", \"people\": [" + lead + "]}")
                .expect(200);
        TestServer.sql("update tree_visit set logged = true where id = " + day(day).at("/visits/0/id"));
        undo(newest("day"));
        assertThat(day(day).get("people")).hasSize(2);
        assertThat(day(day).at("/visits/0/logged").booleanValue()).isTrue();
        assertThat(day(day).at("/visits/1/people")).hasSize(2);

        post("/api/days/" + day + "/called-off", version(day) + "}").expect(200);
        assertThat(get("/api/changes/" + newest("day")).json().get("undoable").booleanValue())
                .isFalse();
        post("/api/changes/" + newest("day") + "/undo", "").expect(422);
    }

    @Test
    void tasksComeBackToADayUnlessTheyAreDoneAndAConfirmedDayIsLookedAtAgain() {
        long site = TestServer.site("Day of tasks undone");
        long lead = TestServer.person("Lucan Undone", 1970, "lead", "first-aid", "ladder");
        long day = crewedDay(site, lead, TestServer.person("Oonagh Undone", 1980));
        long task =
                post("/api/sites/" + site + "/tasks", """
                        {"kind": "weeds", "title": "Weed the row", "opens": "2027-02-01", "closes": "2027-03-01", "minutes": 60}""").expect(201).get("id").longValue();
        put("/api/days/" + day + "/tasks", version(day) + ", \"tasks\": [" + task + "]}")
                .expect(200);
        put("/api/days/" + day + "/tasks", version(day) + ", \"tasks\": []}").expect(200);
        undo(newest("day"));
        assertThat(day(day).at("/tasks/0/id").longValue()).isEqualTo(task);

        post("/api/days/" + day + "/confirm", version(day) + "}").expect(200);
        post("/api/days/" + day + "/reopen", version(day) + "}").expect(200);
        undo(newest("day"));
        assertThat(day(day).get("state").stringValue()).isEqualTo("confirmed");

        put("/api/days/" + day + "/tasks", version(day) + ", \"tasks\": []}").expect(200);
        post("/api/tasks/" + task + "/done", "{\"on\": \"2027-02-20\"}").expect(200);
        undo(newest("day"));
        assertThat(day(day).get("tasks")).isEmpty();
    }

    private static JsonNode task(long site, String title) {
        List<JsonNode> found = get("/api/sites/" + site + "/tasks")
                .json()
                .valueStream()
                .filter(one -> one.at("/data/title").stringValue().equals(title)
                        && one.at("/done").isNull())
                .toList();
        assertThat(found).hasSize(1);
        return found.get(0);
    }

    @Test
    void aTaskThatRepeatsIsTickedUntickedAndDueOnce() {
        long site = TestServer.site("Tasks undone");
        String data = "{\"kind\": \"hedges\", \"title\": \"Cut the hedge\", \"opens\": \"2027-02-01\", \"closes\":"
                + " \"2027-03-01\", \"minutes\": 60, \"repeatsMonths\": 12}";
        long id = post("/api/sites/" + site + "/tasks", data)
                .expect(201)
                .get("id")
                .longValue();
        post("/api/tasks/" + id + "/done", "{\"on\": \"2027-02-20\"}").expect(200);
        // Ticked, it is due again in a year.
        assertThat(task(site, "Cut the hedge").at("/data/opens").stringValue()).isEqualTo("2028-02-20");
        undoOf("task", id);
        assertThat(task(site, "Cut the hedge").get("id").longValue()).isEqualTo(id);
        undoOf("task", id);
        assertThat(task(site, "Cut the hedge").at("/data/opens").stringValue()).isEqualTo("2028-02-20");

        long next = task(site, "Cut the hedge").get("id").longValue();
        put("/api/tasks/" + next, "{\"version\": 1, \"data\": " + data.replace("Cut the hedge", "Cut it low") + "}")
                .expect(200);
        undoOf("task", next);
        assertThat(task(site, "Cut the hedge").get("id").longValue()).isEqualTo(next);
        send("DELETE", "/api/tasks/" + next, null).expect(204);
        undoOf("task", next);
        assertThat(task(site, "Cut the hedge").at("/data/minutes").intValue()).isEqualTo(60);
    }

    /** Undoes the newest change of one thing. */
    private static void undoOf(String entity, long id) {
        undo(newestWhere("entity = '" + entity + "' and entity_id = " + id));
    }

    @Test
    void hoursBeginsCountsAndWhatIsLearnedGoBack() {
        long site = TestServer.site("Small things undone");
        String hours = "/api/sites/" + site + "/programme/hours";
        put(hours, "{\"hours\": [{\"year\": 2027, \"season\": \"dormant\", \"hours\": 12}]}")
                .expect(200);
        put(hours, "{\"hours\": []}").expect(200);
        undo(newest("hours"));
        assertThat(get("/api/sites/" + site + "/programme").text()).contains("\"hours\":12");

        long tree = TestServer.tree(site, "S-1");
        post("/api/trees/" + tree + "/surveys", TestServer.walkJson()).expect(201);
        put("/api/trees/" + tree + "/programme", "{\"version\": 0, \"year\": 2029}")
                .expect(200);
        undo(newest("programme"));
        undo(newest("programme"));
        assertThat(get("/api/sites/" + site + "/programme").text()).contains("2029");

        put("/api/trees/" + tree + "/crop", "{\"counted\": 300}").expect(200);
        put("/api/trees/" + tree + "/crop", "{\"counted\": 120}").expect(200);
        undo(newest("crop"));
        assertThat(get("/api/trees/" + tree + "/crop").text()).contains("300");

        put("/api/sites/" + site + "/learned", "{\"always\": true}").expect(200);
        undo(newest("learning"));
        assertThat(get("/api/sites/" + site + "/answer").json().get("always").booleanValue())
                .isFalse();
    }
}
