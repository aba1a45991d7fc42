package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;

import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Wounds out of logs, looks at them, disease over a site, grades by year, the register of what came off. */
class WoodApiTest {
    private final long who = TestServer.person("Wanda Wood", 1970);
    private long site;
    private long tree;

    @BeforeEach
    void aTreeThatWasCut() {
        site = TestServer.site("Wood " + UUID.randomUUID());
        tree = TestServer.tree(site, "W-1");
        post("/api/trees/" + tree + "/surveys", TestServer.walkJson()).expect(201);
        TestServer.judged();
    }

    /** Logs that a limb was taken; its face as given. */
    private void logged(String limb, String wood, String more) {
        long visit = post("/api/trees/" + tree + "/visits", "{}")
                .expect(201)
                .get("visitId")
                .longValue();
        post("/api/visits/" + visit + "/log", """
                        {"key": "%s", "on": "2027-02-15", "minutes": 20, "people": [%d], "prunings": "chipped", "shoots": 0, "note": null,
                         "cuts": [{"limb": "%s", "outcome": "other", "kind": "shorten", "alongM": 1.0, "diameterCm": 8.0, "wood": "%s"%s}]}
                        """.formatted(UUID.randomUUID(), who, limb, wood, more))
                .expect(201);
    }

    private JsonNode wood() {
        return get("/api/trees/" + tree + "/wood").expect(200);
    }

    @Test
    void aHollowFaceIsAWoundAndChangesTheJudgement() {
        String limb = "A";
        logged(limb, "hollow", ", \"hollowCm\": 6.0");
        TestServer.judged();
        JsonNode found = wood();
        assertThat(found.at("/wounds/0/name").stringValue()).isEqualTo(limb);
        assertThat(found.at("/wounds/0/onLimb").stringValue()).isEqualTo(limb);
        assertThat(found.at("/wounds/0/dueOn").stringValue()).isEqualTo("2028-02-15");
        assertThat(found.get("grade").stringValue()).isGreaterThanOrEqualTo("D");
        JsonNode judgement = get("/api/trees/" + tree + "/judgement").expect(200);
        assertThat(judgement.at("/evaluation/tree/triage").stringValue()).isEqualTo("refer");
        assertThat(judgement.toString()).contains("refer-hollow-limb").contains("caution-decay-screened");
        assertThat(get("/api/sites/" + site + "/wood")
                        .expect(200)
                        .at("/0/grade")
                        .stringValue())
                .isGreaterThanOrEqualTo("D");
        JsonNode off = get("/api/sites/" + site + "/came-off").expect(200);
        assertThat(off).as("as many as the log says came off").hasSize(1);
        assertThat(off.at("/0/limb").stringValue()).isEqualTo(limb);
        assertThat(off.at("/0/permission").isNull()).isTrue();
        assertThat(get("/api/sites/" + site + "/came-off.csv").text())
                .contains("W-1")
                .contains("hollow");
    }

    @Test
    void theRegisterHoldsLimbsAndTreesWithLeaveAndPilesBesideWhatWasReckoned() {
        TestServer.sql("insert into consent (tree_id, state, answered_at, good_until) values "
                + "(%1$d, 'refused', '2026-11-01', null), (%1$d, 'given', '2026-11-02', '2027-03-31')".formatted(tree));
        JsonNode visit = post("/api/trees/" + tree + "/visits", "{}").expect(201);
        JsonNode cuts = get("/api/visits/" + visit.get("visitId").longValue() + "/sheet")
                .expect(200)
                .get("cuts");
        double reckonedKg = 0;
        StringBuilder done = new StringBuilder();
        for (JsonNode cut : cuts) {
            reckonedKg += cut.get("weightKg").doubleValue();
            done.append(done.isEmpty() ? "" : ", ")
                    .append("{\"limb\": \"%s\", \"outcome\": \"done\", \"wood\": \"sound\"}"
                            .formatted(cut.get("limb").stringValue()));
        }
        post("/api/visits/" + visit.get("visitId").longValue() + "/log", """
                        {"key": "%s", "on": "%s", "minutes": 20, "people": [%d], "prunings": "chipped", "pileKilos": %s, "shoots": 0,
                         "cuts": [%s]}
                        """.formatted(
                                UUID.randomUUID(), TestServer.TODAY, who, 2 * reckonedKg, done))
                .expect(201);
        TestServer.send("PUT", "/api/trees/" + tree + "/removal", """
                        {"version": 0, "data": {"on": "%s", "grounds": "fell", "permission": "The council's letter of 3 May",
                         "removedBy": "Storm crew"}}
                        """.formatted(TestServer.TODAY))
                .expect(200);
        JsonNode off = get("/api/sites/" + site + "/came-off").expect(200);
        assertThat(off).hasSize(cuts.size() + 1);
        assertThat(off.at("/0/limb").isNull()).isTrue();
        assertThat(off.at("/0/kind").stringValue()).isEqualTo("taken-out");
        assertThat(off.at("/0/reason").stringValue()).isEqualTo("fell");
        assertThat(off.at("/0/permission").stringValue()).isEqualTo("The council's letter of 3 May");
        double inRegisterKg = 0;
        for (JsonNode one : off) {
            if (!one.get("limb").isNull()) {
                inRegisterKg += one.get("kilos").doubleValue();
                assertThat(one.get("permission").stringValue()).isEqualTo("owner’s consent of 2 November 2026");
            }
        }
        assertThat(inRegisterKg)
                .as("the register sums to what the log says was done")
                .isCloseTo(reckonedKg, within(1e-9));
        assertThat(get("/api/sites/" + site + "/came-off.csv").text()).contains("The council's letter of 3 May");
        JsonNode piles = get("/api/sites/" + site + "/piles").expect(200);
        assertThat(piles).hasSize(1);
        assertThat(piles.at("/0/weighedKg").doubleValue()).isCloseTo(2 * reckonedKg, within(1e-6));
        assertThat(piles.at("/0/reckonedKg").doubleValue()).isCloseTo(reckonedKg, within(1e-6));
        assertThat(piles.at("/0/asPlanned").booleanValue()).isTrue();
        assertThat(piles.at("/0/tooMuch").booleanValue()).isTrue();
    }

    @Test
    void anOldWoundIsLookedAtOnceADay() {
        post("/api/trees/" + tree + "/wounds", """
                        {"name": "old 1", "foundOn": "2026-02-01", "diameterCm": 9.0, "face": "sound"}
                        """).expect(200);
        String look = """
                {"wound": "old 1", "on": "2027-02-01", "longMm": 80, "shortMm": 76, "state": "fungus", "note": "brackets"}
                """;
        UUID key = UUID.randomUUID();
        TestServer.sendWithKey(key, "POST", "/api/trees/" + tree + "/looks", look)
                .expect(200);
        JsonNode again = TestServer.sendWithKey(key, "POST", "/api/trees/" + tree + "/looks", look)
                .expect(200);
        assertThat(again.at("/wounds/0/looks")).hasSize(1);
        assertThat(again.at("/wounds/0/state").stringValue()).isEqualTo("not-closing");
        TestServer.judged();
        assertThat(get("/api/trees/" + tree + "/judgement").text()).contains("caution-wound-rots");
        assertThat(TestServer.send("DELETE", "/api/trees/" + tree + "/looks?wound=old%201&on=2027-02-01", null)
                        .expect(200)
                        .at("/wounds/0/looks"))
                .isEmpty();
        assertThat(TestServer.send("DELETE", "/api/trees/" + tree + "/wounds/old%201", null)
                        .expect(200)
                        .get("wounds"))
                .isEmpty();
    }

    @Test
    void whatCannotBeIsRefusedWithItsField() {
        refused(
                "/looks",
                "{\"wound\": \"none\", \"on\": \"2027-02-01\", \"longMm\": 1, \"shortMm\": 1, \"state\": \"dry\"}",
                "/wound");
        refused("/wounds", "{\"name\": \"o\", \"foundOn\": \"2036-01-01\", \"diameterCm\": 4}", "/foundOn");
        refused(
                "/wounds",
                "{\"name\": \"o\", \"foundOn\": \"2026-01-01\", \"diameterCm\": 4, \"hollowCm\": 5}",
                "/hollowCm");
        refused("/disease", "{\"disease\": \"leaf-curl\", \"on\": \"2027-01-01\", \"state\": \"active\"}", "/disease");
    }

    private void refused(String to, String body, String pointer) {
        assertThat(post("/api/trees/" + tree + to, body).expect(422).get("errors"))
                .extracting(one -> one.get("pointer").stringValue())
                .contains(pointer);
    }

    @Test
    void diseaseIsToldByYearAndSaysWhereToLookNext() {
        long near = TestServer.tree(site, "W-2");
        assertThat(near).isPositive();
        post("/api/trees/" + tree + "/disease", """
                        {"disease": "canker", "on": "2026-05-01", "state": "active", "limb": "A"}
                        """).expect(200);
        JsonNode now = get("/api/sites/" + site + "/disease").expect(200);
        assertThat(now.at("/diseases/0/disease").stringValue()).isEqualTo("canker");
        assertThat(now.at("/diseases/0/sick/0/tag").stringValue()).isEqualTo("W-1");
        assertThat(now.at("/diseases/0/lookNext/0/tag").stringValue()).isEqualTo("W-2");
        assertThat(now.get("firstYear").intValue()).isEqualTo(2026);
        assertThat(get("/api/sites/" + site + "/disease?year=2025").expect(200).get("diseases"))
                .isEmpty();
        post("/api/trees/" + tree + "/disease", """
                        {"disease": "canker", "on": "2027-01-05", "state": "gone"}
                        """).expect(200);
        assertThat(get("/api/sites/" + site + "/disease").expect(200).at("/diseases/0/sick"))
                .isEmpty();
        assertThat(get("/api/sites/" + site + "/disease?year=2026").expect(200).at("/diseases/0/sick"))
                .hasSize(1);
    }

    @Test
    void anotherTakesThePlaceOfATreeThatWasTakenOut() {
        String next = """
                {"tag": "W-9", "species": "apple", "bearing": "spur", "purpose": "picking", "rootstock": "M26", "eastM": 400, "northM": 400,
                 "inContainer": false}
                """;
        refused("/replacement", next, "");
        TestServer.put("/api/trees/" + tree + "/removal", """
                        {"version": 0, "data": {"on": "2027-02-01", "grounds": "spreading-disease", "permission": "committee",
                         "removedBy": "the crew"}}
                        """).expect(200);
        JsonNode made = post("/api/trees/" + tree + "/replacement", next).expect(201);
        assertThat(made.get("says").toString())
                .contains("same kind")
                .contains("wants about")
                .contains("disease");
        JsonNode stands = get("/api/trees/" + made.get("treeId")).expect(200);
        assertThat(stands.at("/data/eastM").doubleValue())
                .isEqualTo(
                        get("/api/trees/" + tree).expect(200).at("/data/eastM").doubleValue());
        assertThat(get("/api/trees/" + tree + "/removal")
                        .expect(200)
                        .at("/data/replacement")
                        .stringValue())
                .isEqualTo("W-9");
    }

    @Test
    void aTreeSeenSickIsDoneLast() {
        long day =
                post("/api/sites/" + site + "/days", """
                        {"on": "2027-03-11", "starts": "09:30", "ends": "13:30", "shed": {"saw": 3}}
                        """).expect(201).get("id").longValue();
        assertThat(candidate(day).get("sick").booleanValue()).isFalse();
        post("/api/trees/" + tree + "/disease", """
                        {"disease": "canker", "on": "2027-02-01", "state": "suspected"}
                        """).expect(200);
        assertThat(candidate(day).get("sick").booleanValue()).isTrue();
        JsonNode placed = post("/api/days/" + day + "/visits", "{\"version\": 1, \"treeId\": " + tree + "}")
                .expect(201);
        assertThat(placed.at("/visits/0/sick").booleanValue()).isTrue();
    }

    private JsonNode candidate(long day) {
        return get("/api/days/" + day + "/candidates").expect(200).get(0);
    }
}
