package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;
import static org.diligentbough.server.TestServer.send;
import static org.diligentbough.server.TestServer.sendAs;

import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Two people who differ about a limb are both kept; the coordinator decides; numbers are changed and put back. */
class OpinionApiTest {
    private static long walked(String name) {
        long tree = TestServer.tree(TestServer.site(name), "O-1");
        TestServer.post("/api/trees/" + tree + "/surveys", TestServer.walkJson())
                .expect(201);
        return tree;
    }

    private static JsonNode limb(long tree, String id) {
        for (JsonNode one : get("/api/trees/" + tree + "/judgement").expect(200).at("/evaluation/limbs")) {
            if (one.get("id").stringValue().equals(id)) {
                return one;
            }
        }
        throw new AssertionError("no limb " + id);
    }

    @Test
    void bothAreKeptAndTheDecisionStands() {
        long tree = walked("Two Minds");
        long joss = TestServer.person("Joss of Two Minds", null);
        String opinion = "/api/trees/" + tree + "/limbs/C/opinion";
        put(opinion, "{\"verdict\": \"keep\", \"note\": \"the only one there\"}")
                .expect(200);
        sendAs(joss, "PUT", opinion, "{\"verdict\": \"shorten\"}").expect(200);
        sendAs(joss, "PUT", opinion, "{\"verdict\": \"remove\"}").expect(200);
        JsonNode both = get("/api/trees/" + tree + "/opinions").expect(200).get("opinions");
        assertThat(both).hasSize(2);
        assertThat(both.get(0).get("verdict").stringValue()).isEqualTo("keep");
        assertThat(both.get(1).get("verdict").stringValue()).isEqualTo("remove");
        // What people think does not move the plan.
        assertThat(limb(tree, "C").get("verdict").stringValue()).isEqualTo("remove");

        put("/api/trees/" + tree + "/limbs/C/decision", "{\"version\": 0, \"verdict\": \"keep\"}")
                .expect(200);
        JsonNode kept = limb(tree, "C");
        assertThat(kept.get("verdict").stringValue()).isEqualTo("keep");
        assertThat(kept.at("/reasons/0/text").stringValue()).isEqualTo("Tess Ferrier decided so on 20 February 2027.");
        assertThat(kept.at("/reasons/1/text").stringValue()).contains("centre");
        // Somebody who has not seen that it is decided decides nothing over it.
        put("/api/trees/" + tree + "/limbs/C/decision", "{\"version\": 0, \"verdict\": \"remove\"}")
                .expect(409);
        long version = get("/api/trees/" + tree + "/opinions")
                .json()
                .at("/decisions/0/version")
                .longValue();
        send("DELETE", "/api/trees/" + tree + "/limbs/C/decision?version=0", null)
                .expect(409);
        send("DELETE", "/api/trees/" + tree + "/limbs/C/decision?version=" + version, null)
                .expect(200);
        assertThat(limb(tree, "C").get("verdict").stringValue()).isEqualTo("remove");
        send("DELETE", opinion, null).expect(200);
        assertThat(get("/api/trees/" + tree + "/opinions").json().get("opinions"))
                .hasSize(1);
        assertThat(get("/api/trees/" + tree + "/history").text())
                .contains("decision")
                .contains("opinion");
    }

    @Test
    void whatMakesNoSenseIsRefused() {
        long tree = walked("One Mind");
        assertThat(put("/api/trees/" + tree + "/limbs/Z/opinion", "{\"verdict\": \"keep\"}")
                        .status())
                .isEqualTo(404);
        JsonNode refused = put("/api/trees/" + tree + "/limbs/C/decision", "{\"version\": 0, \"verdict\": \"burn\"}")
                .expect(422);
        assertThat(refused.at("/errors/0/pointer").stringValue()).isEqualTo("/verdict");
        assertThat(sendAs(
                                0,
                                "PUT",
                                "/api/trees/" + tree + "/limbs/C/decision",
                                "{\"version\": 0, \"verdict\": \"keep\"}")
                        .status())
                .isEqualTo(401);
    }

    @Test
    void aSiteGoesByItsOwnNumberUntilItIsPutBack() {
        long site = TestServer.site("Own Numbers");
        long tree = TestServer.tree(site, "N-1");
        TestServer.post("/api/trees/" + tree + "/surveys", TestServer.walkJson())
                .expect(201);
        JsonNode figures = get("/api/sites/" + site + "/figures").expect(200);
        JsonNode big = one(figures, "big-cut-cm");
        assertThat(big.get("shipped").doubleValue()).isEqualTo(5);
        assertThat(big.get("source").stringValue()).isEqualTo("common practice");
        assertThat(big.get("changed").isNull()).isTrue();
        assertThat(limb(tree, "C").at("/cut/big").booleanValue()).isTrue();

        String figure = "/api/sites/" + site + "/figures/big-cut-cm";
        put(figure, "{\"version\": 0, \"value\": 9, \"note\": \"our trees close well\"}")
                .expect(200);
        // The quarter of the trunk, 7.2 cm, is the less now.
        assertThat(limb(tree, "C").at("/cut/big").booleanValue()).isFalse();
        JsonNode changed =
                one(get("/api/sites/" + site + "/figures").json(), "big-cut-cm").get("changed");
        assertThat(changed.get("by").stringValue()).isEqualTo("Tess Ferrier");
        assertThat(changed.get("value").doubleValue()).isEqualTo(9);

        JsonNode refused = put(figure, "{\"version\": 0, \"value\": 900}").expect(422);
        assertThat(refused.at("/errors/0/detail").stringValue()).contains("1.0 to 20.0 cm");
        put(figure, "{\"version\": 0, \"value\": 8}").expect(409);
        send("DELETE", figure + "?version=" + changed.get("version").longValue(), null)
                .expect(200);
        assertThat(limb(tree, "C").at("/cut/big").booleanValue()).isTrue();
        assertThat(put("/api/sites/" + site + "/figures/no-such", "{\"version\": 0, \"value\": 1}")
                        .status())
                .isEqualTo(404);
    }

    private static JsonNode one(JsonNode figures, String name) {
        for (JsonNode figure : figures) {
            if (figure.get("figure").stringValue().equals(name)) {
                return figure;
            }
        }
        throw new AssertionError("no figure " + name);
    }

    /** Decided by itself and with the plan: whichever was said last stands, alone, and the history has both. */
    @Test
    void aLimbIsDecidedAboutInOnePlace() {
        long treeId = TestServer.tree(TestServer.site("One place"), "O-1");
        post("/api/trees/" + treeId + "/surveys", TestServer.walkJson()).expect(201);
        put("/api/trees/" + treeId + "/limbs/C/decision", "{\"version\": 0, \"verdict\": \"keep\"}")
                .expect(200);
        put(
                        "/api/trees/" + treeId + "/plan",
                        "{\"version\": 0, \"edits\": {\"decided\": [{\"limb\": \"C\", \"verdict\": \"bend\"}]}}")
                .expect(200);
        assertThat(get("/api/trees/" + treeId + "/opinions").json().get("decisions"))
                .isEmpty();
        put("/api/trees/" + treeId + "/limbs/C/decision", "{\"version\": 0, \"verdict\": \"keep\"}")
                .expect(200);
        JsonNode judgement = get("/api/trees/" + treeId + "/judgement").expect(200);
        assertThat(judgement.at("/edits/decided")).isEmpty();
        assertThat(judgement.get("planVersion").intValue()).isEqualTo(2);
        assertThat(get("/api/trees/" + treeId + "/opinions")
                        .json()
                        .at("/decisions/0/verdict")
                        .stringValue())
                .isEqualTo("keep");
    }
}
