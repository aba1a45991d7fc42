package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;
import static org.diligentbough.server.TestServer.sendAs;

import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** An owner is asked, answers, and without their yes nothing is confirmed. */
class ConsentTest {
    private long site;
    private long tree;
    private long day;
    private long owner;

    @BeforeEach
    void aTreeOfSomebodysOnADay() {
        site = TestServer.site("Consent " + UUID.randomUUID());
        tree = TestServer.tree(site, "C-1");
        post("/api/trees/" + tree + "/surveys", TestServer.walkJson()).expect(201);
        day = TestServer.day(site, "2027-03-06");
        owner = TestServer.personNamed("Owner " + UUID.randomUUID());
        TestServer.session(owner);
        TestServer.sql("delete from membership where person_id = " + owner + "; insert into membership values (" + owner
                + ", " + site + ", 'owner', false); insert into tree_owner values (" + tree + ", " + owner + ")");
        post("/api/days/" + day + "/visits", "{\"version\": 1, \"treeId\": " + tree + "}")
                .expect(201);
    }

    private String confirming() {
        int version = get("/api/days/" + day).expect(200).get("version").intValue();
        return post("/api/days/" + day + "/confirm", "{\"version\": " + version + "}")
                .text();
    }

    private JsonNode ask() {
        return post("/api/trees/" + tree + "/consents", "{\"limits\": \"not below the first fork\"}")
                .expect(201);
    }

    private JsonNode answer(String json) {
        long id = get("/api/trees/" + tree + "/owning")
                .json()
                .at("/consents/0/id")
                .longValue();
        return sendAs(owner, "PUT", "/api/trees/" + tree + "/consents/" + id, json)
                .expect(200);
    }

    @Test
    void nothingIsConfirmedBeforeTheOwnerSaysYes() {
        assertThat(confirming()).doesNotContain("owner");
        assertThat(ask().get("missing").stringValue()).contains("has not answered yet");
        assertThat(confirming()).contains("C-1: its owner was asked and has not answered yet.");
        JsonNode refused = answer("{\"given\": false, \"said\": \"it flowers for my mother\"}");
        assertThat(refused.at("/consents/0/said").stringValue()).isEqualTo("it flowers for my mother");
        assertThat(confirming()).contains("its owner has refused the work.");
        ask();
        answer("{\"given\": true, \"goodUntil\": \"2027-12-31\"}");
        assertThat(confirming()).doesNotContain("owner");
        assertThat(get("/api/trees/" + tree).json().at("/data/consent").stringValue())
                .isEqualTo("given");
    }

    @Test
    void whatRanOutOrWasForAnotherPlanIsAskedAgain() {
        ask();
        answer("{\"given\": true, \"goodUntil\": \"2027-03-05\"}");
        assertThat(confirming()).contains("ran out");
        post("/api/trees/" + tree + "/plan/kept", "{\"version\": 0}");
        TestServer.judged();
        ask();
        answer("{\"given\": true}");
        assertThat(confirming()).doesNotContain("owner");
        int version = get("/api/trees/" + tree + "/judgement")
                .json()
                .get("planVersion")
                .intValue();
        put("/api/trees/" + tree + "/plan", """
                {"version": %d, "edits": {"pins": [], "insisted": [], "split": [],
                 "decided": [{"limb": "C", "verdict": "keep"}]}}
                """.formatted(version)).expect(200);
        TestServer.judged();
        assertThat(confirming()).contains("the plan was changed since its owner consented");
    }

    @Test
    void whatIsAnsweredIsTheLastThatWasAskedAndOnce() {
        long first = ask().at("/consents/0/id").longValue();
        ask();
        sendAs(owner, "PUT", "/api/trees/" + tree + "/consents/" + first, "{\"given\": true}")
                .expect(409);
        long second = get("/api/trees/" + tree + "/owning")
                .json()
                .at("/consents/0/id")
                .longValue();
        answer("{\"given\": true}");
        sendAs(owner, "PUT", "/api/trees/" + tree + "/consents/" + second, "{\"given\": false}")
                .expect(409);
        assertThat(get("/api/sites/" + site + "/history?entity=consent").json()).hasSize(3);
    }

    @Test
    void anOwnerSaysWhatTheyWishAndHowContentTheyWere() {
        sendAs(owner, "PUT", "/api/trees/" + tree + "/wishes", "{\"wishes\": \"keep the swing limb\"}")
                .expect(200);
        JsonNode after = sendAs(
                        owner,
                        "PUT",
                        "/api/trees/" + tree + "/contentment",
                        "{\"year\": 2026, \"grade\": 4, \"said\": \"tidy\"}")
                .expect(200);
        assertThat(after.get("wishes").stringValue()).isEqualTo("keep the swing limb");
        assertThat(after.at("/contentment/0/grade").intValue()).isEqualTo(4);
        sendAs(owner, "PUT", "/api/trees/" + tree + "/contentment", "{\"year\": 2026, \"grade\": 6}")
                .expect(422);
        assertThat(get("/api/trees/" + tree).json().at("/data/ownerWishes").stringValue())
                .isEqualTo("keep the swing limb");
    }
}
