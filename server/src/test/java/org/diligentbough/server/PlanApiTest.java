package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;
import static org.diligentbough.server.TestServer.sendAs;
import static org.diligentbough.server.TestServer.site;
import static org.diligentbough.server.TestServer.tree;
import static org.diligentbough.server.TestServer.walkJson;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
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

    private static TestServer.Answer edit(long treeId, int version, String edits) {
        return put("/api/trees/" + treeId + "/plan", "{\"version\": " + version + ", \"edits\": {" + edits + "}}");
    }

    @Test
    void whatIsForbiddenIsNotPlannedAndSaysWhoDecidedSo() {
        long treeId = surveyed("Forbids");
        String limb = firstCut(treeId);
        JsonNode judged = edit(treeId, 0, "\"decided\": [{\"limb\": \"" + limb + "\", \"verdict\": \"keep\"}]")
                .expect(200);
        assertThat(limbs(judged)).doesNotContain(limb);
        assertThat(judged.at("/edits/decided/0/by").stringValue()).isNotBlank();
        edit(treeId, 1, "\"decided\": [{\"limb\": \"" + limb + "\", \"verdict\": \"fell\"}]")
                .expect(422);
        edit(treeId, 1, "\"decided\": [{\"limb\": \"none\", \"verdict\": \"keep\"}]")
                .expect(422);
    }

    @Test
    void aTreesOwnAllowanceWantsAReasonAndIsSaid() {
        long treeId = surveyed("Allowances");
        assertThat(edit(treeId, 0, "\"allowance\": {\"share\": 0.1, \"why\": \"\"}")
                        .expect(422)
                        .at("/errors/0/pointer")
                        .stringValue())
                .isEqualTo("/edits/allowance/why");
        edit(treeId, 0, "\"allowance\": {\"share\": 0.9, \"why\": \"strong\"}").expect(422);
        JsonNode judged = edit(treeId, 0, "\"allowance\": {\"share\": 0.1, \"why\": \"weak after the drought\"}")
                .expect(200);
        assertThat(judged.at("/evaluation/tree/allowance/reasons/0/text").stringValue())
                .contains("10 %")
                .contains("weak after the drought");
        judged.at("/evaluation/plan").forEach(lane -> {
            if (lane.get("overrun").isNull()
                    && !lane.get("season").stringValue().equals("any")) {
                assertThat(lane.get("share").doubleValue()).isLessThanOrEqualTo(0.1 + 1e-9);
            }
        });
    }

    @Test
    void anyNumberOfYearsCanBeAskedFor() {
        long treeId = surveyed("Years");
        assertThat(edit(treeId, 0, "\"years\": 7")
                        .expect(200)
                        .at("/evaluation/years")
                        .intValue())
                .isEqualTo(7);
        edit(treeId, 1, "\"years\": 11").expect(422);
        JsonNode back = edit(treeId, 1, "").expect(200);
        assertThat(back.at("/evaluation/yearsWhy/text").stringValue()).isNotBlank();
    }

    @Test
    void aPlanThatIsKeptIsChangedByNobodyButPeople() {
        long treeId = surveyed("Keeps");
        JsonNode kept =
                post("/api/trees/" + treeId + "/plan/kept", "{\"version\": 0}").expect(200);
        int first = kept.at("/kept/number").intValue();
        assertThat(kept.get("proposal")).isEmpty();
        List<String> before = limbs(kept);
        String gone = before.get(before.size() - 1);
        // A new walk finds one of the limbs sound and another broken: the plan stands, and the change is proposed.
        post("/api/trees/" + treeId + "/surveys", walkJson().replace("\"crossing-centre\"", "\"broken\""))
                .expect(201);
        JsonNode after = get("/api/trees/" + treeId + "/judgement").expect(200);
        assertThat(after.at("/kept/number").intValue()).isEqualTo(first);
        assertThat(before).containsAll(limbs(after));
        JsonNode taken =
                post("/api/trees/" + treeId + "/plan/kept", "{\"version\": 0}").expect(200);
        assertThat(taken.at("/kept/number").intValue()).isEqualTo(first + 1);
        assertThat(taken.at("/kept/cause").stringValue()).isEqualTo("proposal");
        assertThat(taken.get("proposal")).isEmpty();
        JsonNode versions = get("/api/trees/" + treeId + "/plans").expect(200);
        assertThat(versions).hasSize(first + 1);
        assertThat(versions.at("/1/cuts").size()).isEqualTo(before.size());
        assertThat(gone).isNotBlank();
        post("/api/trees/" + treeId + "/plan/kept", "{\"version\": 9}").expect(409);
        sendAs(0, "POST", "/api/trees/" + treeId + "/plan/kept", "{\"version\": 0}")
                .expect(401);
    }

    @Test
    void aPlanThatWasMovedByHandIsNotKeptAsTheRulesMadeIt() {
        long treeId = surveyed("Moved, then kept");
        edit(treeId, 0, "\"insisted\": [\"" + firstCut(treeId) + "\"]").expect(200);
        JsonNode kept =
                post("/api/trees/" + treeId + "/plan/kept", "{\"version\": 1}").expect(200);
        assertThat(kept.at("/kept/cause").stringValue()).isEqualTo("by-hand");
    }

    @Test
    void movingACutOfAKeptPlanKeepsAFurtherVersion() {
        long treeId = surveyed("Moves kept");
        String limb = firstCut(treeId);
        post("/api/trees/" + treeId + "/plan/kept", "{\"version\": 0}").expect(200);
        JsonNode moved = edit(treeId, 0, "\"insisted\": [\"" + limb + "\"]").expect(200);
        assertThat(moved.at("/kept/number").intValue()).isEqualTo(3);
        assertThat(moved.at("/kept/cause").stringValue()).isEqualTo("by-hand");
        assertThat(moved.get("proposal")).isEmpty();
    }

    @Test
    void aPlanNobodyKeepsSaysWhatChangedIt() {
        long treeId = surveyed("Follows");
        assertThat(get("/api/trees/" + treeId + "/judgement")
                        .json()
                        .get("followed")
                        .isNull())
                .isTrue();
        // Moving a cut is a change by hand, no change that came of itself.
        JsonNode moved =
                move(treeId, 0, pin("C", "remove", 2028, "dormant", "best")).expect(200);
        assertThat(moved.get("followed").isNull()).isTrue();
        move(treeId, 1).expect(200);
        post(
                        "/api/trees/" + treeId + "/surveys",
                        walkJson()
                                .replace(", \"overTarget\": \"path\"", "")
                                .replace("\"lengthM\": 2.5,", "\"lengthM\": 2.5, \"woodYears\": 9,")
                                .replace("\"crossing-centre\"", "\"overlong\""))
                .expect(201);
        JsonNode followed = get("/api/trees/" + treeId + "/judgement").json().get("followed");
        assertThat(followed.get("on").stringValue()).isEqualTo("2027-02-20");
        JsonNode changes = followed.get("changes");
        assertThat(changes).anySatisfy(change -> {
            assertThat(change.get("limb").stringValue()).isEqualTo("C");
            assertThat(change.get("kind").stringValue()).isEqualTo("shorten");
            assertThat(change.get("from").isNull()).isTrue();
            assertThat(change.get("why")).isNotEmpty();
        });
        assertThat(changes).anySatisfy(change -> {
            assertThat(change.get("kind").stringValue()).isEqualTo("remove");
            assertThat(change.get("to").isNull()).isTrue();
        });
        JsonNode versions = get("/api/trees/" + treeId + "/plans").expect(200);
        assertThat(versions).hasSize(2).allMatch(version -> version.get("by").isNull());
        JsonNode kept =
                post("/api/trees/" + treeId + "/plan/kept", "{\"version\": 2}").expect(200);
        assertThat(kept.get("followed").isNull()).isTrue();
        assertThat(kept.at("/kept/number").intValue()).isEqualTo(3);
    }

    @Test
    void aTreeThatManyChangeAtOnceIsJudgedOneAfterTheOther() throws Exception {
        long treeId = surveyed("At once");
        ExecutorService many = Executors.newFixedThreadPool(6);
        try {
            List<Future<?>> sent = new ArrayList<>();
            for (int i = 0; i < 12; i++) {
                String body = walkJson().replace("\"diameterCm\": 11", "\"diameterCm\": " + (8 + i));
                sent.add(many.submit(
                        () -> post("/api/trees/" + treeId + "/surveys", body).expect(201)));
                sent.add(many.submit(() -> put("/api/trees/" + treeId + "/limbs/B/opinion", "{\"verdict\": \"keep\"}")
                        .expect(200)));
            }
            for (Future<?> one : sent) {
                one.get();
            }
        } finally {
            many.shutdown();
        }
        JsonNode versions = get("/api/trees/" + treeId + "/plans").expect(200);
        assertThat(versions).isNotEmpty();
    }

    @Test
    void tenYearsAreToldThreeWaysWithHowFarTheyMayBeOff() {
        long treeId = surveyed("Looks ahead");
        JsonNode ten = get("/api/trees/" + treeId + "/outlook").expect(200);
        for (String way : List.of("leftAlone", "plan", "allAtOnce")) {
            JsonNode years = ten.at("/" + way + "/years");
            assertThat(years).hasSize(11);
            assertThat(years.at("/0/is/year").intValue()).isEqualTo(2027);
            JsonNode last = years.get(10);
            assertThat(last.at("/band/heightM/least").doubleValue())
                    .isLessThanOrEqualTo(last.at("/is/heightM").doubleValue());
            assertThat(last.at("/band/heightM/most").doubleValue())
                    .isGreaterThanOrEqualTo(last.at("/is/heightM").doubleValue());
            assertThat(last.get("limbs")).isNotEmpty();
        }
        get("/api/trees/" + tree(site("Nobody walked"), "P-1") + "/outlook").expect(404);
    }

    private static String firstCut(long treeId) {
        return limbs(get("/api/trees/" + treeId + "/judgement").expect(200)).get(0);
    }

    private static List<String> limbs(JsonNode judged) {
        List<String> limbs = new ArrayList<>();
        judged.at("/evaluation/plan").forEach(lane -> lane.get("cuts")
                .forEach(cut -> limbs.add(cut.get("limb").stringValue())));
        return limbs;
    }
}
