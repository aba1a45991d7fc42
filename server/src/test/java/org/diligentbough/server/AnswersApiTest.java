package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.JSON;
import static org.diligentbough.server.TestServer.file;
import static org.diligentbough.server.TestServer.post;

import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The open record file: its example, what is answered, and what is refused. */
class AnswersApiTest {

    private static ObjectNode example() {
        return (ObjectNode) JSON.readTree(file("docs/formats/records.example.json"));
    }

    @Test
    void theExampleIsAnswered() {
        JsonNode found = post("/api/answers", example().toString()).expect(200);
        assertThat(found.at("/response/trees")).hasSize(3);
        assertThat(found.at("/response/trees/0/says").stringValue()).isEqualTo("more");
        assertThat(found.at("/response/all/n").intValue()).isEqualTo(3);
        assertThat(found.at("/wounds/0/state").stringValue()).isEqualTo("closing");
        assertThat(found.at("/wounds/0/closedYear").intValue()).isBetween(2036, 2039);
        assertThat(found.at("/grades/0/grade").stringValue()).isEqualTo("D");
        assertThat(found.at("/disease/0/sick").intValue()).isEqualTo(2);
        assertThat(found.at("/disease/0/atRisk")).hasSize(6);
        assertThat(found.get("learned"))
                .extracting(one -> one.get("what").stringValue())
                .contains("regrowth", "length", "minutes", "closing", "fruit");
        assertThat(found.get("biennial")).hasSize(8);
    }

    @Test
    void aFileOfNothingButTreesIsAnsweredToo() {
        JsonNode found = post("/api/answers", """
                        {"format": "diligent-bough/records", "version": 1, "latitude": -41, "today": "2031-12-01",
                         "trees": [{"label": "S1", "species": "plum"}]}
                        """).expect(200);
        assertThat(found.at("/grades/0/grade").stringValue()).isEqualTo("not-known");
        assertThat(found.get("learned")).isEmpty();
        assertThat(found.at("/response/trees")).isEmpty();
    }

    @Test
    void everyWrongFieldIsNamed() {
        ObjectNode file = example();
        ObjectNode tree = (ObjectNode) file.at("/trees/0");
        tree.put("label", "T2");
        tree.put("deadShare", 1.4);
        refused(file, "/trees/0/deadShare");
        tree.put("deadShare", 0.1);
        refused(file, "/trees/1/label");
        tree.put("label", "T1");
        ((ObjectNode) tree.at("/wounds/0/looks/0")).put("on", "2026-01-01");
        refused(file, "/trees/0/wounds/0/looks/0/on");
        ((ObjectNode) tree.at("/wounds/0/looks/0")).put("on", "2041-01-01");
        refused(file, "/trees/0/wounds/0/looks/0/on");
    }

    private static void refused(JsonNode file, String pointer) {
        assertThat(post("/api/answers", file.toString()).expect(422).at("/errors"))
                .extracting(one -> one.get("pointer").stringValue())
                .contains(pointer);
    }

    @Test
    void theSameFileAndSeedGiveTheSameAnswer() {
        String once = post("/api/answers", example().toString()).text();
        assertThat(post("/api/answers", example().toString()).text()).isEqualTo(once);
    }
}
