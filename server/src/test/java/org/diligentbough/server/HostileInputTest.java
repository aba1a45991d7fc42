package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.JSON;
import static org.diligentbough.server.TestServer.file;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;
import static org.diligentbough.server.TestServer.sendAs;
import static org.diligentbough.server.TestServer.site;
import static org.diligentbough.server.TestServer.tree;
import static org.diligentbough.server.TestServer.treeJson;
import static org.diligentbough.server.TestServer.walkJson;

import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import org.diligentbough.server.TestServer.Answer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What people and programs send that should not have been: refused with a sentence, never half stored, never a crash. */
class HostileInputTest {

    @Test
    void numbersThatAreNoneAreRefusedByName() {
        String example = file("docs/formats/survey.example.json");
        for (String number : List.of("1e400", "-1e400", "\"12\"", "true", "[]", "{}")) {
            Answer answer = sendAs(
                    0, "POST", "/api/evaluate", example.replaceFirst("\"heightM\": 6.4", "\"heightM\": " + number));
            assertThat(answer.expect(422).at("/errors/0/pointer").stringValue()).isEqualTo("/tree/heightM");
        }
        sendAs(0, "POST", "/api/evaluate", example.replaceFirst("\"heightM\": 6.4", "\"heightM\": NaN"))
                .expect(400);
    }

    @Test
    void aDeepNestIsRefused() {
        sendAs(0, "POST", "/api/evaluate", "[".repeat(100_000)).expect(400);
    }

    @Test
    void textIsKeptAsTextWhateverItSays() {
        String name = "<script>alert(1)</script> '; drop table tree; -- =1+1";
        long siteId = site("Odd names");
        ObjectNode odd = (ObjectNode) JSON.readTree(treeJson("O-1"));
        odd.put("cultivar", name);
        JsonNode kept = post("/api/sites/" + siteId + "/trees", JSON.writeValueAsString(odd))
                .expect(201);
        assertThat(get("/api/trees/" + kept.get("id").longValue())
                        .json()
                        .at("/data/cultivar")
                        .stringValue())
                .isEqualTo(name);
        assertThat(get("/api/sites/" + siteId + "/trees?q=%27%3B%20drop%20table")
                        .json()
                        .get("total")
                        .intValue())
                .isEqualTo(1);
    }

    @Test
    void aFileNameNeverLeavesItsFolder() {
        long siteId = site("Paths");
        ObjectNode odd = (ObjectNode) JSON.readTree(treeJson("O-1"));
        odd.put("tag", "../../etc/passwd");
        long treeId = post("/api/sites/" + siteId + "/trees", JSON.writeValueAsString(odd))
                .expect(201)
                .get("id")
                .longValue();
        long surveyId = post("/api/trees/" + treeId + "/surveys", walkJson())
                .expect(201)
                .get("id")
                .longValue();
        assertThat(TestServer.header("/api/surveys/" + surveyId + "/file", "Content-Disposition"))
                .contains("survey-______etc_passwd-2027-02-10.json");
    }

    @Test
    void ofManyWhoSaveAtOnceOneWinsAndTheOthersAreTold() throws Exception {
        long treeId = tree(site("Many"), "M-1");
        JsonNode data = get("/api/trees/" + treeId).json().get("data");
        ExecutorService people = Executors.newFixedThreadPool(8);
        try {
            List<Future<Integer>> answers = IntStream.range(0, 8)
                    .mapToObj(i -> people.submit(() -> {
                        ObjectNode mine = ((ObjectNode) data.deepCopy()).put("note", "by " + i);
                        return put(
                                        "/api/trees/" + treeId,
                                        JSON.writeValueAsString(JSON.createObjectNode()
                                                .put("version", 1)
                                                .set("data", mine)))
                                .status();
                    }))
                    .toList();
            int won = 0;
            for (Future<Integer> answer : answers) {
                assertThat(answer.get()).isIn(200, 409);
                won += answer.get() == 200 ? 1 : 0;
            }
            assertThat(won).isEqualTo(1);
        } finally {
            people.shutdown();
        }
        assertThat(get("/api/trees/" + treeId + "/history").json()).hasSize(2);
    }

    @Test
    void whoeverDoesNotSayWhoTheyAreChangesNothing() {
        long siteId = site("Nobody");
        long treeId = tree(siteId, "N-1");
        post("/api/trees/" + treeId + "/surveys", walkJson()).expect(201);
        String day = "{\"on\": \"2027-03-06\", \"starts\": \"09:30\", \"ends\": \"13:30\", \"shed\": {}}";
        long dayId = post("/api/sites/" + siteId + "/days", day)
                .expect(201)
                .get("id")
                .longValue();
        String version = "{\"version\": 1, ";
        sendAs(0, "PUT", "/api/trees/" + treeId + "/plan", "{\"version\": 0, \"edits\": {\"pins\": []}}")
                .expect(401);
        sendAs(0, "POST", "/api/sites/" + siteId + "/days", day).expect(401);
        sendAs(0, "PUT", "/api/days/" + dayId, version + "\"data\": " + day + "}")
                .expect(401);
        sendAs(0, "PUT", "/api/days/" + dayId + "/people", version + "\"people\": []}")
                .expect(401);
        sendAs(0, "POST", "/api/days/" + dayId + "/visits", version + "\"treeId\": " + treeId + "}")
                .expect(401);
        sendAs(0, "POST", "/api/days/" + dayId + "/confirm", "{\"version\": 1}").expect(401);
        sendAs(0, "POST", "/api/days/" + dayId + "/rained-off", version + "\"to\": \"2027-03-13\"}")
                .expect(401);
        sendAs(0, "POST", "/api/trees/" + treeId + "/visits", "{}").expect(401);
        sendAs(
                        0,
                        "POST",
                        "/api/trees/" + treeId + "/reports",
                        "{\"on\": \"2027-02-20\", \"kind\": \"split\", \"dangerous\": true}")
                .expect(401);
        sendAs(0, "PUT", "/api/trees/" + treeId + "/fruit/2026", "{\"version\": 0, \"data\": {\"kilos\": 3}}")
                .expect(401);
        sendAs(
                        0,
                        "PUT",
                        "/api/trees/" + treeId + "/removal",
                        "{\"version\": 0, \"data\": {\"on\": \"2027-02-01\", \"grounds\": \"fell\", \"permission\": \"x\","
                                + " \"removedBy\": \"x\"}}")
                .expect(401);
        assertThat(get("/api/days/" + dayId).json().get("version").intValue()).isEqualTo(1);
        assertThat(get("/api/trees/" + treeId + "/timeline").json()).hasSize(1);
    }

    @Test
    void theWrongKindOfRequestIsRefusedWithProblemDetails() {
        assertThat(TestServer.send("DELETE", "/api/sites", null)
                        .expect(405)
                        .get("detail")
                        .stringValue())
                .isNotBlank();
        assertThat(get("/api/trees/first").status()).isEqualTo(400);
    }

    @Test
    void theInterfaceAnswersAtEveryOfItsAddresses() {
        for (String address :
                List.of("/", "/sites/1", "/sites/1/trees/2/walk", "/sites/1/days/3/sheet", "/sites/1/visits/4/log")) {
            assertThat(get(address).text()).contains("<div id=\"root\">");
        }
    }
}
