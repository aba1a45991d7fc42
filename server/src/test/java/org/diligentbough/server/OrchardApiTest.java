package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.diligentbough.server.TestServer.JSON;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;
import static org.diligentbough.server.TestServer.sendAs;
import static org.diligentbough.server.TestServer.site;
import static org.diligentbough.server.TestServer.siteJson;
import static org.diligentbough.server.TestServer.tree;
import static org.diligentbough.server.TestServer.treeJson;

import java.sql.SQLException;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Sites, trees, people and the history of their changes. */
class OrchardApiTest {

    private static String change(int version, JsonNode data) {
        return JSON.writeValueAsString(
                JSON.createObjectNode().put("version", version).set("data", data));
    }

    @Test
    void aSiteIsAddedReadAndChanged() {
        long id = site("Brickfield");
        JsonNode added = get("/api/sites/" + id).expect(200);
        assertThat(added.get("today").stringValue()).isEqualTo(TestServer.TODAY);
        ObjectNode data = (ObjectNode) added.get("data");
        data.put("name", "Brickfield East");
        put("/api/sites/" + id, change(added.get("version").intValue(), data)).expect(200);
        assertThat(get("/api/sites/" + id).expect(200).at("/data/name").stringValue())
                .isEqualTo("Brickfield East");
        assertThat(get("/api/sites/" + id).json().at("/data/monthlyMeanC/6").doubleValue())
                .isEqualTo(17);
    }

    @Test
    void theSecondOfTwoWhoEditIsToldAndNothingIsLost() {
        long treeId = tree(site("Two editors"), "T-1");
        JsonNode read = get("/api/trees/" + treeId).expect(200);
        ObjectNode first = ((ObjectNode) read.get("data").deepCopy()).put("note", "first");
        ObjectNode second = ((ObjectNode) read.get("data").deepCopy()).put("note", "second");
        int version = read.get("version").intValue();
        put("/api/trees/" + treeId, change(version, first)).expect(200);
        assertThat(put("/api/trees/" + treeId, change(version, second))
                        .expect(409)
                        .get("detail")
                        .stringValue())
                .contains("somebody else");
        assertThat(get("/api/trees/" + treeId).json().at("/data/note").stringValue())
                .isEqualTo("first");
    }

    @Test
    void wrongFieldsAreNamedWithWhatToDo() {
        JsonNode problem = post(
                        "/api/sites", siteJson("Bad").replace("52.1", "152").replace("[4,4", "[4,null"))
                .expect(422);
        assertThat(problem.get("errors"))
                .extracting(error -> error.get("pointer").stringValue())
                .containsExactlyInAnyOrder("/latitude", "/monthlyMeanC/1");
        long siteId = site("Wrong trees");
        JsonNode tree = post(
                        "/api/sites/" + siteId + "/trees",
                        treeJson(" ").replace("apple", "oak").replace("4.2", "-1"))
                .expect(422);
        assertThat(tree.get("errors"))
                .extracting(error -> error.get("pointer").stringValue())
                .containsExactlyInAnyOrder("/tag", "/species", "/targetHeightM");
        assertThat(post("/api/sites/" + siteId + "/trees", treeJson("Q").replace("1.5", "\"far\""))
                        .expect(422)
                        .at("/errors/0/pointer")
                        .stringValue())
                .isEqualTo("/eastM");
        assertThat(post("/api/sites", "{").expect(400).get("detail").stringValue())
                .isNotBlank();
    }

    @Test
    void oneTagHangsOnOneTreeOfASite() {
        long siteId = site("Tags");
        tree(siteId, "K-1");
        post("/api/sites/" + siteId + "/trees", treeJson("K-1")).expect(409);
        tree(site("Other tags"), "K-1");
    }

    @Test
    void treesAreFoundSortedAndPaged() {
        long siteId = site("Finding");
        tree(siteId, "F-10");
        tree(siteId, "F-2");
        post("/api/sites/" + siteId + "/trees", treeJson("P-1").replace("apple", "sweet-cherry"))
                .expect(201);
        String trees = "/api/sites/" + siteId + "/trees";
        assertThat(get(trees).json().at("/trees/0/data/tag").stringValue()).isEqualTo("F-2");
        assertThat(get(trees + "?q=sweet%20ch").json().get("total").intValue()).isEqualTo(1);
        assertThat(get(trees + "?species=apple&size=1&page=1")
                        .json()
                        .at("/trees/0/data/tag")
                        .stringValue())
                .isEqualTo("F-10");
        assertThat(get(trees + "?triage=unsurveyed").json().get("total").intValue())
                .isEqualTo(3);
        get(trees + "?sort=tag;drop").expect(422);
    }

    @Test
    void nobodyChangesAnythingWithoutSayingWho() {
        sendAs(0, "POST", "/api/sites", siteJson("Nobody")).expect(401);
    }

    @Test
    void everyChangeStandsInTheHistoryAndTheHistoryStands() throws SQLException {
        long treeId = tree(site("Remembered"), "R-1");
        JsonNode read = get("/api/trees/" + treeId).json();
        put("/api/trees/" + treeId, change(1, ((ObjectNode) read.get("data")).put("note", "by the gate")))
                .expect(200);
        JsonNode history = get("/api/trees/" + treeId + "/history").expect(200);
        assertThat(history)
                .extracting(entry -> entry.get("action").stringValue())
                .containsExactly("changed", "added");
        assertThat(history.get(0).get("who").stringValue()).isEqualTo("Tess Ferrier");
        try (var connection = TestServer.database();
                var statement = connection.createStatement()) {
            assertThatThrownBy(() -> statement.execute("delete from history")).hasMessageContaining("only added to");
            var row = statement.executeQuery("select after_json ->> 'note' from history where tree_id = " + treeId
                    + " order by id desc limit 1");
            row.next();
            assertThat(row.getString(1)).isEqualTo("by the gate");
        }
    }

    @Test
    void theSeasonOfASiteHasALineForEachKind() {
        long siteId = site("Seasons");
        tree(siteId, "A");
        post("/api/sites/" + siteId + "/trees", treeJson("P").replace("apple", "plum"))
                .expect(201);
        JsonNode season = get("/api/sites/" + siteId + "/season").expect(200);
        assertThat(season.get("from").stringValue()).isEqualTo("2027-01-01");
        assertThat(season.get("lines")).hasSize(2);
        for (JsonNode line : season.get("lines")) {
            String expected = line.get("species").stringValue().equals("apple") ? "yes" : "no";
            assertThat(line.at("/today/mayCut").stringValue()).isEqualTo(expected);
        }
    }

    @Test
    void aTreeMayBeCutOnADayByItsKindItsFormAndWhatWasSeen() {
        long siteId = site("Days");
        long treeId = tree(siteId, "D-1");
        String season = "/api/trees/" + treeId + "/season?on=";
        assertThat(get(season + "2027-02-20").expect(200).get("mayCut").stringValue())
                .isEqualTo("yes");
        JsonNode may = get(season + "2027-05-20").expect(200);
        assertThat(may.get("mayCut").stringValue()).isEqualTo("no");
        assertThat(may.get("nextOpens").stringValue()).isEqualTo("2028-02-01");
        assertThat(may.at("/reasons/0/text").stringValue()).contains("bud swell");
        String budsSwell = TestServer.walkJson()
                .replace("\"surveyedOn\"", "\"observedStage\": {\"bbch\": 1, \"on\": \"2027-02-10\"}, \"surveyedOn\"");
        post("/api/trees/" + treeId + "/surveys", budsSwell).expect(201);
        assertThat(get(season + "2027-02-20").json().get("mayCut").stringValue())
                .isEqualTo("no");
        long espalier = post("/api/sites/" + siteId + "/trees", treeJson("E").replace("open-centre", "espalier"))
                .expect(201)
                .get("id")
                .longValue();
        assertThat(get("/api/trees/" + espalier + "/season?on=2027-08-01")
                        .json()
                        .get("mayCut")
                        .stringValue())
                .isEqualTo("yes");
        get(season + "tomorrow").expect(400);
        get("/api/trees/" + treeId + "/season").expect(400);
    }

    @Test
    void whatIsNotThereIsSaidSo() {
        assertThat(get("/api/sites/999999").expect(404).get("detail").stringValue())
                .contains("no such site");
        get("/api/trees/999999").expect(404);
        get("/api/trees/999999/judgement").expect(404);
        get("/api/nothing").expect(404);
    }
}
