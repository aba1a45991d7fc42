package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;
import static org.diligentbough.server.TestServer.site;
import static org.diligentbough.server.TestServer.tree;
import static org.diligentbough.server.TestServer.walkJson;

import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Cuts moved by hand: kept with the tree, planned round, said when they break a rule, undone. */
class PlanApiTest {

    private static long surveyed(String site) {
        long treeId = tree(site(site), "P-1");
        post("/api/trees/" + treeId + "/surveys", walkJson()).expect(201);
        return treeId;
    }

    private static TestServer.Answer move(long treeId, int version, String... pins) {
        return put(
                "/api/trees/" + treeId + "/plan",
                "{\"version\": " + version + ", \"edits\": {\"pins\": [" + String.join(",", pins) + "]}}");
    }

    private static String pin(String limb, String kind, int year, String season, String quality) {
        return "{\"limb\": \"%s\", \"kind\": \"%s\", \"year\": %d, \"season\": \"%s\"%s}"
                .formatted(limb, kind, year, season, quality == null ? "" : ", \"quality\": \"" + quality + "\"");
    }

    private static JsonNode cut(JsonNode judgement, String limb) {
        for (JsonNode lane : judgement.at("/evaluation/plan")) {
            for (JsonNode cut : lane.get("cuts")) {
                if (cut.get("limb").stringValue().equals(limb)) {
                    return ((tools.jackson.databind.node.ObjectNode) cut.deepCopy())
                            .put("year", lane.get("year").intValue())
                            .put("season", lane.get("season").stringValue());
                }
            }
        }
        throw new AssertionError("limb " + limb + " is not in the plan");
    }

    @Test
    void aMovedCutStaysWhereItWasPutUntilItIsGivenBack() {
        long treeId = surveyed("Moves");
        assertThat(cut(get("/api/trees/" + treeId + "/judgement").json(), "C")
                        .get("year")
                        .intValue())
                .isEqualTo(2027);
        JsonNode moved =
                move(treeId, 0, pin("C", "remove", 2028, "dormant", "best")).expect(200);
        assertThat(cut(moved, "C").get("year").intValue()).isEqualTo(2028);
        assertThat(cut(moved, "C").get("byHand").booleanValue()).isTrue();
        assertThat(cut(moved, "C").get("breaks")).isEmpty();
        assertThat(get("/api/trees/" + treeId + "/judgement").json()).isEqualTo(moved);
        JsonNode undone = move(treeId, moved.get("planVersion").intValue()).expect(200);
        assertThat(cut(undone, "C").get("year").intValue()).isEqualTo(2027);
        assertThat(get("/api/trees/" + treeId + "/history")
                        .json()
                        .get(0)
                        .get("entity")
                        .stringValue())
                .isEqualTo("plan");
    }

    @Test
    void whatAMoveBreaksIsSaidInWords() {
        long treeId = surveyed("Breaks");
        JsonNode moved = move(
                        treeId, 0, pin("D", "remove", 2029, "dormant", "best"), pin("C", "remove", 2027, "any", null))
                .expect(200);
        assertThat(cut(moved, "D").at("/breaks/0/text").stringValue()).contains("urgent");
        assertThat(cut(moved, "C").at("/breaks/0/text").stringValue()).contains("outside its windows");
    }

    @Test
    void theSecondOfTwoWhoMoveIsToldAndTheFirstStands() {
        long treeId = surveyed("Two movers");
        move(treeId, 0, pin("C", "remove", 2028, "dormant", "best")).expect(200);
        assertThat(move(treeId, 0, pin("C", "remove", 2029, "dormant", "best"))
                        .expect(409)
                        .get("detail")
                        .stringValue())
                .contains("somebody else");
        JsonNode plan = get("/api/trees/" + treeId + "/judgement").json();
        assertThat(cut(plan, "C").get("year").intValue()).isEqualTo(2028);
        move(treeId, 7, pin("C", "remove", 2029, "dormant", "best")).expect(409);
    }

    @Test
    void aMoveThatMakesNoSenseIsRefusedByItsField() {
        long treeId = surveyed("Bad moves");
        assertThat(move(treeId, 0, pin("Z", "remove", 2028, "dormant", "best"))
                        .expect(422)
                        .at("/errors/0/pointer")
                        .stringValue())
                .isEqualTo("/edits/pins/0/limb");
        assertThat(move(treeId, 0, pin("C", "remove", 2028, "dormant", null))
                        .expect(422)
                        .at("/errors/0/pointer")
                        .stringValue())
                .isEqualTo("/edits/pins/0/quality");
        assertThat(move(treeId, 0, pin("C", "fell", 2028, "dormant", "best"))
                        .expect(422)
                        .at("/errors/0/pointer")
                        .stringValue())
                .isEqualTo("/edits/pins/0/kind");
        move(tree(site("Not walked"), "P-1"), 0).expect(404);
    }

    @Test
    void whatASitePlansIsSummedUpByYearAndSeason() {
        long siteId = site("Sums");
        long treeId = tree(siteId, "P-1");
        assertThat(get("/api/sites/" + siteId + "/plan").expect(200)).isEmpty();
        post("/api/trees/" + treeId + "/surveys", walkJson()).expect(201);
        JsonNode plan = get("/api/sites/" + siteId + "/plan").json();
        int cuts = 0;
        for (JsonNode lane : get("/api/trees/" + treeId + "/judgement").json().at("/evaluation/plan")) {
            cuts += lane.get("cuts").size();
        }
        int summed = 0;
        for (JsonNode row : plan) {
            summed += row.get("cuts").intValue();
        }
        assertThat(summed).isEqualTo(cuts).isPositive();
    }
}
