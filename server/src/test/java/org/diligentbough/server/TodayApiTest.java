package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.JSON;
import static org.diligentbough.server.TestServer.day;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;
import static org.diligentbough.server.TestServer.site;
import static org.diligentbough.server.TestServer.tree;
import static org.diligentbough.server.TestServer.treeJson;
import static org.diligentbough.server.TestServer.walkJson;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.UUID;
import org.diligentbough.server.judgement.JudgingQueue;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What a site asks for today, and the line of time of one tree. */
class TodayApiTest {
    private final long siteId = site("Today " + UUID.randomUUID());

    private JsonNode board() {
        return get("/api/sites/" + siteId + "/today").expect(200);
    }

    private long surveyed(String tag, String walk) {
        long treeId = tree(siteId, tag);
        post("/api/trees/" + treeId + "/surveys", walk).expect(201);
        return treeId;
    }

    private long plum() {
        ObjectNode plum = (ObjectNode) JSON.readTree(treeJson("T-plum"));
        plum.put("species", "plum");
        long treeId = post("/api/sites/" + siteId + "/trees", JSON.writeValueAsString(plum))
                .expect(201)
                .get("id")
                .longValue();
        post("/api/trees/" + treeId + "/surveys", walkJson().replace(", \"overTarget\": \"path\"", ""))
                .expect(201);
        return treeId;
    }

    @Test
    void anEmptySiteAsksForNothing() {
        JsonNode board = board();
        for (String part : new String[] {"reports", "dangers", "open", "held", "days"}) {
            assertThat(board.get(part)).as(part).isEmpty();
        }
        get("/api/sites/99999999/today").expect(404);
    }

    @Test
    void whatMayBeCutNowIsOpenAndWhatMustWaitIsNot() {
        surveyed("T-1", walkJson());
        plum();
        JsonNode open = board().get("open");
        assertThat(open).hasSize(1);
        assertThat(open.at("/0/species").stringValue()).isEqualTo("apple");
        assertThat(open.at("/0/closes").stringValue()).isEqualTo("2027-03-31");
        assertThat(open.at("/0/minutes").intValue()).isPositive();
        assertThat(open.at("/0/treesClosingFirst/0/tag").stringValue()).isEqualTo("T-1");
    }

    @Test
    void whatIsDangerousIsNamedUntilItIsOnADayAndGoneOnceItIsCut() {
        long treeId = surveyed("T-1", walkJson());
        assertThat(board().at("/dangers/0/tag").stringValue()).isEqualTo("T-1");
        assertThat(board().at("/dangers/0/onDay").isNull()).isTrue();
        long dayId = day(siteId, "2027-03-06");
        post("/api/days/" + dayId + "/visits", "{\"version\": 1, \"treeId\": " + treeId + "}")
                .expect(201);
        assertThat(board().at("/dangers/0/onDay").stringValue()).isEqualTo("2027-03-06");
        assertThat(board().at("/days/0/findings")).isNotEmpty();
        long visitId = post("/api/trees/" + treeId + "/visits", "{\"cuts\": [{\"limb\": \"D\", \"kind\": \"remove\"}]}")
                .expect(201)
                .get("visitId")
                .longValue();
        long who = post("/api/people", TestServer.newPerson("Dan Ger"))
                .expect(201)
                .get("id")
                .longValue();
        post("/api/visits/" + visitId + "/log", """
                        {"key": "%s", "on": "2027-02-20", "minutes": 9, "people": [%d], "prunings": "left", "shoots": 0,
                         "cuts": [{"limb": "D", "outcome": "done"}]}
                        """.formatted(UUID.randomUUID(), who))
                .expect(201);
        assertThat(board().get("dangers")).isEmpty();
    }

    @Test
    void aTreeThatRestsIsHeldWithTheReason() {
        surveyed("T-1", walkJson().replace("\"yearsSinceCut\": 8", "\"yearsSinceCut\": 8, \"shootExtensionCm\": 9"));
        assertThat(board().at("/held/0/why/text").stringValue()).contains("weak growth");
        assertThat(board().get("open")).isEmpty();
    }

    @Test
    void whatIsKeptForListsIsJudgedAnewOnceItNoLongerHolds() throws SQLException {
        long treeId = surveyed("T-1", walkJson());
        JsonNode before = board().get("open");
        // As if it had been judged long ago: nothing planned is kept, and that is past its day.
        try (Connection database = TestServer.database();
                var statement = database.createStatement()) {
            statement.executeUpdate("delete from plan_lane where tree_id = " + treeId);
            statement.executeUpdate("update tree_judgement set good_until = '2026-10-31' where tree_id = " + treeId);
        }
        assertThat(board().get("open")).isEmpty();
        TestServer.part(JudgingQueue.class).markLapsed();
        TestServer.judged();
        assertThat(board().get("open")).isEqualTo(before).isNotEmpty();
    }

    @Test
    void theLineOfTimeTellsAllTheNewestFirst() {
        long treeId = surveyed("T-1", walkJson());
        put("/api/trees/" + treeId + "/fruit/2025", "{\"version\": 0, \"data\": {\"kilos\": 20, \"note\": \"small\"}}")
                .expect(200);
        post("/api/trees/" + treeId + "/reports", "{\"on\": \"2027-02-18\", \"kind\": \"split\", \"dangerous\": false}")
                .expect(201);
        long dayId = day(siteId, "2027-03-06");
        post("/api/days/" + dayId + "/visits", "{\"version\": 1, \"treeId\": " + treeId + "}")
                .expect(201);
        JsonNode line = get("/api/trees/" + treeId + "/timeline").expect(200);
        assertThat(line)
                .extracting(moment -> moment.get("what").stringValue())
                .containsExactly("visit", "report", "survey", "fruit");
        assertThat(line.at("/0/dayId").longValue()).isEqualTo(dayId);
        assertThat(line.at("/2/state").stringValue()).isEqualTo("renovate");
        assertThat(line.at("/3/fruit/beforeOpening").booleanValue()).isTrue();
    }

    @Test
    void aSiteInTheSouthCountsItsYearsFromMay() {
        ObjectNode south = (ObjectNode) JSON.readTree(TestServer.siteJson("South " + UUID.randomUUID()));
        south.put("latitude", -37.5).put("timeZone", "Australia/Melbourne");
        ArrayNode mean = (ArrayNode) south.get("monthlyMeanC");
        List<JsonNode> northern = mean.valueStream().toList();
        mean.removeAll();
        for (int month = 0; month < 12; month++) {
            mean.add(northern.get((month + 6) % 12));
        }
        long southId = post("/api/sites", JSON.writeValueAsString(south))
                .expect(201)
                .get("id")
                .longValue();
        long treeId = tree(southId, "S-1");
        post("/api/trees/" + treeId + "/surveys", walkJson()).expect(201);
        assertThat(get("/api/sites/" + southId + "/today").json().get("open")).isEmpty();
        JsonNode judgement = get("/api/trees/" + treeId + "/judgement").json();
        assertThat(judgement.at("/times/0/yearLabel").stringValue()).isEqualTo("2026/27");
        assertThat(judgement.get("times")).anySatisfy(time -> {
            assertThat(time.get("season").stringValue()).isEqualTo("dormant");
            assertThat(time.get("opens").stringValue()).isEqualTo("2027-08-01");
        });
    }
}
