package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;

import java.util.UUID;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What a site's own records answer: fruit, regrowth, learning, crop load. */
class AnswerTest {
    private final CutTree cut = CutTree.planted();
    private final long who = cut.who();
    private final long site = cut.site();
    private final long tree = cut.tree();

    @Test
    void regrowthIsLearnedAcceptedAndStandsInNumbers() {
        JsonNode before = get("/api/sites/" + site + "/answer").expect(200);
        assertThat(before.at("/answers/learned").valueStream().map(one -> one.get("what")
                        .stringValue()))
                .doesNotContain("regrowth");
        cut.grewBack(20);
        JsonNode after = get("/api/sites/" + site + "/answer").expect(200);
        JsonNode regrowth = after.at("/answers/learned")
                .valueStream()
                .filter(one -> one.get("what").stringValue().equals("regrowth"))
                .findFirst()
                .orElseThrow();
        assertThat(regrowth.get("cut").stringValue()).isEqualTo("heading");
        assertThat(regrowth.get("value").doubleValue()).isGreaterThan(6);
        JsonNode proposal = after.get("proposals")
                .valueStream()
                .filter(one -> one.get("figure").stringValue().equals("outlook-shoots"))
                .findFirst()
                .orElseThrow();
        assertThat(proposal.get("now").doubleValue()).isEqualTo(6);
        JsonNode aheadBefore = get("/api/trees/" + tree + "/outlook").expect(200);
        JsonNode accepted = post("/api/sites/" + site + "/learned", "{\"figure\": \"outlook-shoots\"}")
                .expect(200);
        JsonNode again = accepted.get("proposals")
                .valueStream()
                .filter(one -> one.get("figure").stringValue().equals("outlook-shoots"))
                .findFirst()
                .orElseThrow();
        assertThat(again.get("now").doubleValue())
                .isEqualTo(proposal.get("value").doubleValue());
        assertThat(again.get("value").doubleValue())
                .as("what was learned is not learned again")
                .isEqualTo(proposal.get("value").doubleValue());
        assertThat(get("/api/sites/" + site + "/figures").text()).contains("learned from 1 of the orchard");
        TestServer.judged();
        JsonNode ahead = get("/api/trees/" + tree + "/outlook").expect(200);
        assertThat(ahead).as("the years ahead go by what was learned").isNotEqualTo(aheadBefore);
        post("/api/sites/" + site + "/learned", "{\"figure\": \"green-density\"}")
                .expect(422);
    }

    @Test
    void aNumberMayHoldForOneKindAloneAndIsUndone() {
        String at = "/api/sites/" + site + "/figures/outlook-shoots";
        TestServer.put(at, "{\"version\": 0, \"value\": 7}").expect(200);
        var changed = TestServer.put(at + "?kind=plum", "{\"version\": 0, \"value\": 9, \"note\": \"plums shoot\"}");
        assertThat(changed.expect(200).at("/kinds/0/changed/value").doubleValue())
                .isEqualTo(9);
        assertThat(cut.figure("outlook-shoots").at("/changed/value").doubleValue())
                .isEqualTo(7);
        assertThat(TestServer.put(at + "?kind=oak", "{\"version\": 0, \"value\": 9}")
                        .expect(422)
                        .at("/errors/0/pointer")
                        .stringValue())
                .isEqualTo("/kind");
        UndoApiTest.undo(UndoApiTest.newest("figure"));
        assertThat(cut.figure("outlook-shoots").get("kinds")).isEmpty();
        assertThat(cut.figure("outlook-shoots").at("/changed/value").doubleValue())
                .isEqualTo(7);
        long version = TestServer.put(at + "?kind=plum", "{\"version\": 0, \"value\": 5}")
                .expect(200)
                .at("/kinds/0/changed/version")
                .longValue();
        TestServer.send("DELETE", at + "?kind=plum&version=" + version, null).expect(200);
        assertThat(cut.figure("outlook-shoots").get("kinds")).isEmpty();
    }

    /** Two low limbs, and over each another. */
    private static final String TWO_STOREYS = """
            [{"id": "S", "diameterCm": 10, "originHeightM": 1.2, "azimuthDeg": 180, "angleDeg": 5, "lengthM": 3, "fruiting": 1},
             {"id": "N", "diameterCm": 10, "originHeightM": 1.2, "azimuthDeg": 0, "angleDeg": 5, "lengthM": 3, "fruiting": 1},
             {"id": "A", "diameterCm": 12, "originHeightM": 2.4, "azimuthDeg": 180, "angleDeg": 15, "lengthM": 3, "fruiting": 2},
             {"id": "C", "diameterCm": 12, "originHeightM": 2.4, "azimuthDeg": 0, "angleDeg": 15, "lengthM": 3, "fruiting": 2}]
            """;

    /** Walks of a tree before and after a year, its upper limbs kept or gone then. */
    private void walked(long other, boolean thinned) {
        for (int year = 2020; year <= 2026; year++) {
            if (year == 2023) {
                continue;
            }
            ObjectNode walk = (ObjectNode) TestServer.JSON.readTree(TestServer.walkJson());
            walk.put("surveyedOn", year + "-01-10");
            ArrayNode limbs = (ArrayNode) TestServer.JSON.readTree(TWO_STOREYS);
            if (thinned && year > 2023) {
                limbs.remove(3);
                limbs.remove(2);
            }
            walk.set("limbs", limbs);
            post("/api/trees/" + other + "/surveys", walk.toString()).expect(201);
        }
    }

    @Test
    void oneKindOrGroupMayBeAskedForAlone() {
        TestServer.put(
                        "/api/trees/" + tree + "/fruit/2025",
                        "{\"version\": 0, \"data\": {\"bloom\": 4, \"kilos\": 31}}")
                .expect(200);
        String at = "/api/sites/" + site + "/answer";
        JsonNode all = get(at).expect(200);
        assertThat(all.get("kinds").get(0).stringValue()).isEqualTo("apple");
        JsonNode apples = get(at + "?kind=apple").expect(200);
        assertThat(apples.get("years")).isEqualTo(all.get("years"));
        assertThat(apples.get("light")).isEqualTo(all.get("light"));
        JsonNode pears = get(at + "?kind=pear").expect(200);
        assertThat(pears.get("years")).isEmpty();
        assertThat(pears.at("/answers/wounds")).isEmpty();
        assertThat(pears.get("lookAt")).isEmpty();
        assertThat(pears.get("kinds")).isEqualTo(all.get("kinds"));
        assertThat(get(at + "?group=nowhere").expect(200).get("years")).isEmpty();
        assertThat(get("/api/sites/" + site + "/answer.csv?table=years&kind=pear")
                        .text())
                .doesNotContain("2025")
                .contains("year");
    }

    @Test
    void theLightThatWalksFoundIsAnsweredToo() {
        long thinned = TestServer.tree(site, "L-1");
        walked(thinned, true);
        for (int i = 2; i <= 5; i++) {
            walked(TestServer.tree(site, "L-" + i), false);
        }
        long visit = post("/api/trees/" + thinned + "/visits", "{}")
                .expect(201)
                .get("visitId")
                .longValue();
        post("/api/visits/" + visit + "/log", """
                        {"key": "%s", "on": "2023-02-15", "minutes": 90, "people": [%d], "prunings": "chipped", "shoots": 0,
                         "cuts": [{"limb": "A", "outcome": "other", "kind": "remove", "diameterCm": 12.0, "wood": "sound"},
                                  {"limb": "C", "outcome": "other", "kind": "remove", "diameterCm": 12.0, "wood": "sound"}]}
                        """.formatted(UUID.randomUUID(), who))
                .expect(201);
        TestServer.judged();
        JsonNode light = get("/api/sites/" + site + "/answer").expect(200).at("/answers/light/all");
        assertThat(light.get("n").intValue()).isEqualTo(1);
        assertThat(light.get("effect").doubleValue()).isGreaterThan(0.1);
    }

    @Test
    void aCutAnsweredTooHardLessensTheNextAllowance() {
        JsonNode before = get("/api/trees/" + tree + "/judgement").expect(200);
        double usual = before.at("/evaluation/tree/allowance/year").doubleValue();
        cut.grewBack(60);
        JsonNode after = get("/api/trees/" + tree + "/judgement").expect(200);
        assertThat(after.toString()).contains("allowance-answered-hard");
        assertThat(after.at("/evaluation/tree/allowance/year").doubleValue()).isLessThan(usual);
        assertThat(get("/api/sites/" + site + "/answer")
                        .expect(200)
                        .at("/answers/tooHard/0/label")
                        .stringValue())
                .isEqualTo("A-1");
    }

    @Test
    void severalPickingsMakeAYear() {
        String at = "/api/trees/" + tree + "/fruit/pickings";
        post(at, "{\"on\": \"2026-09-10\", \"kilos\": 12.5}").expect(200);
        JsonNode found = post(at, "{\"on\": \"2026-09-24\", \"kilos\": 7.5, \"number\": 60}")
                .expect(200);
        assertThat(found.at("/years/0/data/kilos").doubleValue()).isEqualTo(20);
        assertThat(found.at("/years/0/data/number").intValue()).isEqualTo(60);
        long first = found.at("/pickings/0/id").longValue();
        assertThat(TestServer.send("DELETE", at + "/" + first, null)
                        .expect(200)
                        .at("/years/0/data/kilos")
                        .doubleValue())
                .isEqualTo(7.5);
        assertThat(post(at, "{\"on\": \"2036-09-10\", \"kilos\": 2}")
                        .expect(422)
                        .at("/errors/0/pointer")
                        .stringValue())
                .isEqualTo("/on");
    }

    @Test
    void fruitComesAndGoesAsATable() {
        TestServer.put("/api/trees/" + tree + "/fruit/2025", """
                        {"version": 0, "data": {"bloom": 4, "fruitSet": 3, "kilos": 31.5, "meanFruitG": 110, "colour": 4, "spoiltShare": 0.1,
                         "keptKilos": 20, "pressedKilos": 11.5, "note": "good year"}}
                        """).expect(200);
        String table = get("/api/sites/" + site + "/fruit.csv").text();
        assertThat(table).contains("A-1,2025,4,3,,,31.5,110.0,4,0.1");
        TestServer.sendAny(
                        "POST", "/api/sites/" + site + "/fruit.csv", "text/csv", table.replace("31.5,110", "33.5,110"))
                .expect(200);
        assertThat(get("/api/trees/" + tree + "/fruit")
                        .expect(200)
                        .at("/years/0/data/kilos")
                        .doubleValue())
                .isEqualTo(33.5);
        JsonNode refused = TestServer.sendAny(
                        "POST",
                        "/api/sites/" + site + "/fruit.csv",
                        "text/csv",
                        "tree,year,kg\nA-1,2024,20\nNope,2024,x\n")
                .expect(422);
        assertThat(refused.get("errors"))
                .extracting(one -> one.get("pointer").stringValue())
                .contains("/rows/2/tree", "/rows/2/kg");
        assertThat(get("/api/trees/" + tree + "/fruit").expect(200).get("years"))
                .hasSize(1);
    }

    @Test
    void cropLoadAndWhyThereWasNone() {
        TestServer.put(
                        "/api/trees/" + tree + "/fruit/2025",
                        "{\"version\": 0, \"data\": {\"bloom\": 5, \"kilos\": 60, \"number\": 500}}")
                .expect(200);
        TestServer.put("/api/trees/" + tree + "/fruit/2024", "{\"version\": 0, \"data\": {\"kilos\": 20}}")
                .expect(200);
        TestServer.put("/api/trees/" + tree + "/fruit/2026", "{\"version\": 0, \"data\": {\"bloom\": 1, \"kilos\": 2}}")
                .expect(200);
        JsonNode crop = get("/api/trees/" + tree + "/crop?counted=100000").expect(200);
        assertThat(crop.get("grounds")).hasSize(2);
        assertThat(crop.get("least").intValue())
                .isLessThanOrEqualTo(crop.get("most").intValue());
        assertThat(crop.get("thinLeast").intValue())
                .isEqualTo(100_000 - crop.get("most").intValue());
        assertThat(crop.at("/why/0/cause").stringValue()).isEqualTo("off-year");
        assertThat(crop.at("/why/0/speaksFor")).isNotEmpty();
        get("/api/trees/" + tree + "/crop?counted=-1").expect(422);
    }

    @Test
    void tablesOfTheAnswer() {
        for (String table : new String[] {"years", "cutting", "efficiency", "wounds", "grades", "learned"}) {
            assertThat(get("/api/sites/" + site + "/answer.csv?table=" + table).text())
                    .contains(",");
        }
        get("/api/sites/" + site + "/answer.csv?table=none").expect(404);
    }

    @Test
    void aPileFarLargerThanReckonedIsSaidAndTeachesKilos() {
        JsonNode visit = post("/api/trees/" + tree + "/visits", "{}").expect(201);
        JsonNode sheet = get("/api/visits/" + visit.get("visitId") + "/sheet").expect(200);
        StringBuilder cuts = new StringBuilder();
        for (JsonNode cut : sheet.get("cuts")) {
            cuts.append(cuts.isEmpty() ? "" : ",")
                    .append("{\"limb\": \"")
                    .append(cut.get("limb").stringValue())
                    .append("\", \"outcome\": \"done\", \"wood\": \"sound\"}");
        }
        assertThat(sheet.get("cuts")).isNotEmpty();
        JsonNode log = post("/api/visits/" + visit.get("visitId") + "/log", """
                        {"key": "%s", "on": "2027-02-10", "minutes": 60, "people": [%d], "prunings": "chipped", "pileKilos": 900,
                         "shoots": 0, "cuts": [%s]}
                        """.formatted(UUID.randomUUID(), who, cuts))
                .expect(201);
        assertThat(log.get("pileKilos").doubleValue()).isEqualTo(900);
        JsonNode answer = get("/api/sites/" + site + "/answer").expect(200);
        assertThat(answer.get("lookAt").toString()).contains("too much came off");
        assertThat(answer.at("/answers/learned").valueStream().map(one -> one.get("what")
                        .stringValue()))
                .contains("kilos", "minutes");
    }
}
