package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.person;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;
import static org.diligentbough.server.TestServer.send;
import static org.diligentbough.server.TestServer.sendWithKey;

import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import tools.jackson.databind.JsonNode;

/** Work besides cuts: asked for, entered, put on days, ticked off. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class TaskTest {
    private final long site = TestServer.site("Tasks " + UUID.randomUUID());
    private long tree;

    @BeforeAll
    void aTreeThatWasWorkedOn() {
        tree = TestServer.tree(site, "T-1");
        post("/api/trees/" + tree + "/surveys", TestServer.walkJson()).expect(201);
        TestServer.judged();
        long visit = post("/api/trees/" + tree + "/visits", "{}")
                .expect(201)
                .get("visitId")
                .longValue();
        post("/api/visits/" + visit + "/log", """
                        {"key": "%s", "on": "2027-02-18", "minutes": 60, "people": [%d], "prunings": "chipped", "shoots": 0,
                         "cuts": [{"limb": "C", "outcome": "done"},
                                  {"limb": "A", "outcome": "other", "kind": "bend"}]}
                        """.formatted(UUID.randomUUID(), TestServer.whoId()))
                .expect(201);
        TestServer.judged();
    }

    private JsonNode tasks() {
        return get("/api/sites/" + site + "/tasks").expect(200);
    }

    private JsonNode one(String title) {
        return tasks().valueStream()
                .filter(task -> task.at("/data/title").stringValue().startsWith(title))
                .findFirst()
                .orElseThrow(() -> new AssertionError(title + " in " + tasks()));
    }

    private JsonNode add(String more) {
        return post("/api/sites/" + site + "/tasks", """
                        {"kind": "hedges", "title": "Cut the east hedge", "opens": "2027-02-01", "closes": "2027-03-01", "minutes": 90,
                         "people": 2, "kit": ["loppers"]%s}
                        """.formatted(more)).expect(201);
    }

    private TestServer.Answer done(JsonNode task, String on) {
        return post("/api/tasks/" + task.get("id") + "/done", "{\"on\": \"" + on + "\"}");
    }

    @Test
    void whatWasDoneAsksForWhatFollows() {
        assertThat(one("Shoots around the cuts of C").at("/data/opens").stringValue())
                .isEqualTo("2027-06-01");
        assertThat(one("Shoots around the cuts of C").get("tag").stringValue()).isEqualTo("T-1");
        // Ties of a limb bent in 2027 come off in 2029: beyond the year that is looked ahead.
        assertThat(tasks().toString()).doesNotContain("Take the ties off A");
        TestServer.sql(
                "update visit_log set on_date = '2025-03-10' where tree_visit_id in (select id from tree_visit where tree_id = "
                        + tree + ")");
        assertThat(one("Take the ties off A").get("state").stringValue()).isEqualTo("due");
        TestServer.sql(
                "update visit_log set on_date = '2027-02-18' where tree_visit_id in (select id from tree_visit where tree_id = "
                        + tree + ")");
    }

    @Test
    void theYearsCareIsAskedForOnceAndTickedInBothLists() {
        JsonNode asked = one("Spread young branches");
        assertThat(asked.get("id").isNull()).isTrue();
        String key = asked.get("key").stringValue();
        JsonNode taken = post("/api/sites/" + site + "/tasks/taken-up", "{\"key\": \"" + key + "\"}")
                .expect(200);
        post("/api/sites/" + site + "/tasks/taken-up", "{\"key\": \"" + key + "\"}")
                .expect(200);
        assertThat(tasks().valueStream()
                        .filter(task -> key.equals(task.get("key").stringValue(null))))
                .hasSize(1);
        done(taken, "2027-02-19").expect(200);
        assertThat(get("/api/sites/" + site + "/care").text()).contains("2027-02-19");
        send("DELETE", "/api/tasks/" + taken.get("id") + "/done", null).expect(200);
        assertThat(get("/api/sites/" + site + "/care").text()).doesNotContain("2027-02-19");
        post("/api/sites/" + site + "/tasks/taken-up", "{\"key\": \"care:nothing:all:2027\"}")
                .expect(422);
    }

    @Test
    void aMissedWindowIsSaidAndWhatRepeatsComesAgain() {
        JsonNode missed = add(", \"repeatsMonths\": 12").get("id");
        TestServer.sql("update task set opens = '2027-01-01', closes = '2027-01-31' where id = " + missed);
        assertThat(get("/api/sites/" + site + "/today").expect(200).get("tasks").toString())
                .contains("missed");
        UUID key = UUID.randomUUID();
        for (int i = 0; i < 2; i++) {
            sendWithKey(key, "POST", "/api/tasks/" + missed + "/done", "{\"on\": \"2027-02-19\", \"note\": \"late\"}")
                    .expect(200);
        }
        List<JsonNode> again = tasks().valueStream()
                .filter(task -> task.at("/data/title").stringValue().equals("Cut the east hedge")
                        && task.get("state").stringValue().equals("coming"))
                .toList();
        assertThat(again).as("once, however often it is sent").hasSize(1);
        assertThat(again.get(0).at("/data/opens").stringValue()).isEqualTo("2028-02-19");
        TestServer.sql("delete from task where site_id = " + site);
    }

    @Test
    void aTreatmentKeepsItsLabelAndRemindsInItsInterval() {
        String treatment = ", \"treatment\": {\"substance\": \"soft soap\", \"labelRate\": \"2 %%\","
                + " \"intervalDays\": 10, \"harvestDays\": 3}";
        JsonNode added = post("/api/sites/" + site + "/tasks", """
                        {"kind": "treatment", "title": "Against aphids", "treeId": %d, "opens": "2027-02-10", "closes": "2027-02-20",
                         "minutes": 20%s}
                        """.formatted(tree, treatment.replace("%%", "%")))
                .expect(201);
        JsonNode now = done(added, "2027-02-18").expect(200);
        assertThat(now.get("harvestFrom").stringValue()).isEqualTo("2027-02-21");
        assertThat(tasks().valueStream()
                        .filter(task -> task.at("/data/title").stringValue().equals("Against aphids"))
                        .map(task -> task.at("/data/opens").stringValue()))
                .contains("2027-02-28");
        post("/api/sites/" + site + "/tasks", """
                        {"kind": "treatment", "title": "With nothing", "opens": "2027-02-10", "closes": "2027-02-20", "minutes": 20}
                        """).expect(422);
        assertThat(done(added, "2027-03-18").status()).as("not come yet").isEqualTo(422);
    }

    @Test
    void aTaskStandsOnADayBesideCutsIsRosteredAndGoesOffWithIt() throws InterruptedException {
        long dayId = TestServer.day(site, "2027-03-18");
        long lena = person("Lena Task", 1970, "lead", "first-aid", "ladder");
        long abel = person("Abel Task", 1980);
        put("/api/days/" + dayId + "/people", "{\"version\": 1, \"people\": " + List.of(lena, abel) + "}")
                .expect(200);
        long task = add("").get("id").longValue();
        JsonNode day = put("/api/days/" + dayId + "/tasks", "{\"version\": 2, \"tasks\": [" + task + "]}")
                .expect(200);
        assertThat(day.at("/tasks/0/title").stringValue()).isEqualTo("Cut the east hedge");
        assertThat(one("Cut the east hedge").get("dayId").longValue()).isEqualTo(dayId);
        JsonNode roster = null;
        post("/api/days/" + dayId + "/roster", "").expect(202);
        for (int i = 0; i < 200 && roster == null; i++) {
            JsonNode now = get("/api/days/" + dayId + "/roster").expect(200);
            roster = now.get("looking").booleanValue() ? null : now.get("roster");
            if (roster == null && !now.get("roster").isNull()) {
                post("/api/days/" + dayId + "/roster/stop", "").expect(200);
            }
            Thread.sleep(50);
        }
        assertThat(roster.toString()).contains("\"taskId\":" + task);
        JsonNode taken = post("/api/days/" + dayId + "/roster/taken", "{\"version\": 3, \"crews\": [1]}")
                .expect(200);
        assertThat(taken.at("/tasks/0/starts").stringValue()).isNotEmpty();
        assertThat(taken.at("/people/0/crew").intValue()).isEqualTo(1);
        JsonNode board = put(
                        "/api/days/" + dayId + "/crews",
                        "{\"version\": " + taken.get("version") + ", \"crews\": [{\"people\": " + List.of(lena, abel)
                                + ", \"turns\": [\"task-" + task + "\"]}]}")
                .expect(200);
        assertThat(board.at("/crews/0/turns/0/starts").stringValue()).isEqualTo("09:35");
        assertThat(board.at("/crews/0/turns/0/ends").stringValue()).isEqualTo("10:20");
        post("/api/days/" + dayId + "/called-off", "{\"version\": " + board.get("version") + "}")
                .expect(200);
        assertThat(one("Cut the east hedge").get("dayId").isNull()).isTrue();
    }

    @Test
    void anotherSitesTreeIsRefusedAndAStaleChangeToo() {
        long other = TestServer.tree(TestServer.site("Elsewhere " + UUID.randomUUID()), "E-1");
        post("/api/sites/" + site + "/tasks", """
                        {"kind": "other", "title": "x", "treeId": %d, "opens": "2027-02-01", "closes": "2027-03-01", "minutes": 9}
                        """.formatted(other)).expect(422);
        JsonNode task = add("");
        String data = task.get("data").toString().replace("east", "west");
        put("/api/tasks/" + task.get("id"), "{\"version\": 1, \"data\": " + data + "}")
                .expect(200);
        put("/api/tasks/" + task.get("id"), "{\"version\": 1, \"data\": " + data + "}")
                .expect(409);
        send("DELETE", "/api/tasks/" + task.get("id"), null).expect(204);
        assertThat(send("DELETE", "/api/tasks/" + task.get("id"), null).status())
                .isEqualTo(404);
    }
}
