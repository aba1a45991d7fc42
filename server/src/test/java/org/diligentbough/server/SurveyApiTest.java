package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.JSON;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;
import static org.diligentbough.server.TestServer.send;
import static org.diligentbough.server.TestServer.site;
import static org.diligentbough.server.TestServer.tree;
import static org.diligentbough.server.TestServer.walkJson;

import java.sql.Connection;
import java.util.stream.StreamSupport;
import org.diligentbough.server.judgement.JudgementService;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Surveys of registered trees: kept, judged, corrected, drafted, passed on as files. */
class SurveyApiTest {

    @Test
    void aWalkIsKeptAndJudgedByWhatTheRegisterKnows() {
        long treeId = tree(site("Walks"), "W-1");
        JsonNode kept = post("/api/trees/" + treeId + "/surveys", walkJson()).expect(201);
        assertThat(kept.get("triage").stringValue()).isEqualTo("renovate");
        JsonNode judgement = get("/api/trees/" + treeId + "/judgement").expect(200);
        assertThat(verdict(judgement, "C").get("verdict").stringValue()).isEqualTo("remove");
        assertThat(verdict(judgement, "D").get("urgent").booleanValue()).isTrue();
        assertThat(judgement.at("/drawing/limbs/0/tip/northM").doubleValue()).isGreaterThan(2);
        assertThat(judgement.at("/drawing/targetHeightM").doubleValue()).isEqualTo(4.2);
        JsonNode tree = get("/api/trees/" + treeId).json();
        assertThat(tree.at("/survey/urgentLimbs").intValue()).isEqualTo(1);
        assertThat(tree.at("/survey/heightM").doubleValue()).isEqualTo(5);
    }

    @Test
    void aSavedWalkIsJudgedOnceAndKeepsWhatItWasJudgedToBe() throws Exception {
        long treeId = tree(site("Judged once"), "W-1");
        long asked = TestServer.part(JudgementService.class).asked();
        post("/api/trees/" + treeId + "/surveys", walkJson()).expect(201);
        assertThat(TestServer.part(JudgementService.class).asked() - asked).isEqualTo(1);
        // As if rules of that day had said otherwise: what the tree is judged to be since leaves that.
        try (Connection database = TestServer.database()) {
            database.createStatement().execute("update survey set judged_as = 'rest' where tree_id = " + treeId);
        }
        TestServer.part(JudgementService.class).judgeAnew(treeId);
        assertThat(get("/api/trees/" + treeId + "/timeline")
                        .json()
                        .at("/0/state")
                        .stringValue())
                .isEqualTo("rest");
        assertThat(get("/api/trees/" + treeId).json().at("/survey/triage").stringValue())
                .isEqualTo("renovate");
    }

    @Test
    void aWalkEnteredAfterANewerOneIsJudgedByItself() {
        long treeId = tree(site("Entered late"), "W-1");
        post("/api/trees/" + treeId + "/surveys", walkJson()).expect(201);
        ObjectNode older = (ObjectNode) JSON.readTree(walkJson());
        older.put("surveyedOn", "2026-06-01");
        assertThat(post("/api/trees/" + treeId + "/surveys", older.toString())
                        .expect(201)
                        .get("triage")
                        .stringValue())
                .isEqualTo("renovate");
    }

    private static JsonNode verdict(JsonNode judgement, String limb) {
        return StreamSupport.stream(judgement.at("/evaluation/limbs").spliterator(), false)
                .filter(one -> one.get("id").stringValue().equals(limb))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aBadSurveyIsRefusedAndNothingIsKept() {
        long treeId = tree(site("Bad walks"), "W-1");
        String bad = walkJson()
                .replace("\"diameterCm\": 12", "\"diameterCm\": 1200")
                .replace("\"heightM\": 5.0", "\"heightM\": 0");
        JsonNode problem = post("/api/trees/" + treeId + "/surveys", bad).expect(422);
        assertThat(problem.get("errors"))
                .extracting(error -> error.get("pointer").stringValue())
                .containsExactly("/limbs/0/diameterCm", "/tree/heightM");
        assertThat(get("/api/trees/" + treeId + "/surveys").json()).isEmpty();
        get("/api/trees/" + treeId + "/judgement").expect(404);
        String otherKind = walkJson().replace("\"heightM\"", "\"species\": \"plum\", \"heightM\"");
        assertThat(post("/api/trees/" + treeId + "/surveys", otherKind)
                        .expect(422)
                        .at("/errors/0/pointer")
                        .stringValue())
                .isEqualTo("/tree/species");
    }

    @Test
    void aKeptSurveyComesBackAsACompleteFileThatCanBeJudgedAnywhere() {
        long treeId = tree(site("Files"), "W-1");
        long surveyId = post("/api/trees/" + treeId + "/surveys", walkJson())
                .expect(201)
                .get("id")
                .longValue();
        JsonNode file = get("/api/surveys/" + surveyId + "/file").expect(200);
        assertThat(file.at("/tree/label").stringValue()).isEqualTo("W-1");
        assertThat(file.at("/surveyedOn").stringValue()).isEqualTo("2027-02-10");
        JsonNode anywhere = post("/api/evaluate", JSON.writeValueAsString(file)).expect(200);
        // What is sent is told ten years ahead at once; a registered tree's have an address of their own.
        JsonNode registered = get("/api/trees/" + treeId + "/judgement").json().get("evaluation");
        assertThat(((ObjectNode) anywhere).putNull("outlook")).isEqualTo(registered);
        // And it can be taken in again as it is.
        post("/api/trees/" + treeId + "/surveys", JSON.writeValueAsString(file)).expect(201);
    }

    @Test
    void whatTheRegisterSaysOfATreeHoldsWhateverAFileSays() {
        long treeId = tree(site("Registers"), "W-1");
        // Grown for wildlife, the height would not matter; the register says picking, up to 4.2 m.
        String file = walkJson()
                .replace("\"heightM\": 5.0", "\"heightM\": 9.0, \"purpose\": \"wildlife\", \"label\": \"Q\"")
                .replace("\"yearsSinceCut\": 8", "\"yearsSinceCut\": 1");
        JsonNode kept = post("/api/trees/" + treeId + "/surveys", file).expect(201);
        assertThat(kept.get("triage").stringValue()).isEqualTo("renovate");
        assertThat(get("/api/trees/" + treeId + "/judgement").json().at("/evaluation/tree/triage"))
                .isEqualTo(kept.get("triage"));
        post("/api/trees/" + treeId + "/surveys", file.replace("wildlife", "glory"))
                .expect(422);
    }

    @Test
    void aSurveyIsCorrectedByItsVersion() {
        long treeId = tree(site("Corrections"), "W-1");
        long surveyId = post("/api/trees/" + treeId + "/surveys", walkJson())
                .expect(201)
                .get("id")
                .longValue();
        String corrected = walkJson().replace("\"heightM\": 5.0", "\"heightM\": 4.6");
        long asked = TestServer.part(JudgementService.class).asked();
        put("/api/surveys/" + surveyId + "?version=1", corrected).expect(200);
        assertThat(TestServer.part(JudgementService.class).asked() - asked).isEqualTo(1);
        JsonNode told = get("/api/trees/" + treeId + "/history").json().get(0);
        assertThat(told.toString()).doesNotContain("\"judgedAs\":null");
        put("/api/surveys/" + surveyId + "?version=1", walkJson()).expect(409);
        assertThat(get("/api/trees/" + treeId).json().at("/survey/heightM").doubleValue())
                .isEqualTo(4.6);
        assertThat(get("/api/trees/" + treeId + "/surveys").json()).hasSize(1);
        assertThat(get("/api/trees/" + treeId + "/history")
                        .json()
                        .get(0)
                        .get("action")
                        .stringValue())
                .isEqualTo("changed");
    }

    @Test
    void aDraftIsKeptUncheckedUntilTheSurveyIs() {
        long treeId = tree(site("Drafts"), "W-1");
        String draft = "/api/trees/" + treeId + "/draft";
        assertThat(get(draft).expect(200).get("version").intValue()).isZero();
        assertThat(put(draft + "?version=0", "{\"limbs\": [{\"id\": \"A\"}]}")
                        .expect(200)
                        .get("version")
                        .intValue())
                .isEqualTo(1);
        put(draft + "?version=1", "{\"limbs\": [{\"id\": \"B\"}]}").expect(200);
        put(draft + "?version=1", "{\"limbs\": []}").expect(409);
        assertThat(get(draft).json().at("/document/limbs/0/id").stringValue()).isEqualTo("B");
        post("/api/trees/" + treeId + "/surveys", walkJson()).expect(201);
        assertThat(get(draft).json().get("version").intValue()).isZero();
        put(draft + "?version=0", "{}").expect(200);
        send("DELETE", draft, null).expect(204);
        assertThat(get(draft).json().get("version").intValue()).isZero();
    }

    @Test
    void whatTheSiteChoosesChangesTheJudgementOfItsTrees() {
        long siteId = site("Choices");
        long treeId = tree(siteId, "W-1");
        post("/api/trees/" + treeId + "/surveys", walkJson()).expect(201);
        ObjectNode data = (ObjectNode) get("/api/sites/" + siteId).json().get("data");
        ((ObjectNode) data.get("policy")).put("pome", "late-summer");
        put(
                        "/api/sites/" + siteId,
                        JSON.writeValueAsString(
                                JSON.createObjectNode().put("version", 1).set("data", data)))
                .expect(200);
        JsonNode plan = get("/api/trees/" + treeId + "/judgement").json().at("/evaluation/plan");
        assertThat(plan)
                .extracting(lane -> lane.get("season").stringValue())
                .contains("after-picking")
                .doesNotContain("dormant");
    }

    @Test
    void aSurveyedTreeKeepsItsKind() {
        long treeId = tree(site("Kinds"), "W-1");
        post("/api/trees/" + treeId + "/surveys", walkJson()).expect(201);
        ObjectNode data = ((ObjectNode) get("/api/trees/" + treeId).json().get("data")).put("species", "plum");
        put(
                        "/api/trees/" + treeId,
                        JSON.writeValueAsString(
                                JSON.createObjectNode().put("version", 1).set("data", data)))
                .expect(422);
    }
}
