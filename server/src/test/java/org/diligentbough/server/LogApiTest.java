package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.diligentbough.server.TestServer.day;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.person;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;
import static org.diligentbough.server.TestServer.send;
import static org.diligentbough.server.TestServer.site;
import static org.diligentbough.server.TestServer.tree;
import static org.diligentbough.server.TestServer.walkJson;

import java.util.List;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What was done and found: it changes the tree, the plan and the records, once, and can be corrected. */
class LogApiTest {
    private final long who = person("Lou Logs", 1970);
    private final long siteId = site("Logs " + UUID.randomUUID());
    private final long treeId = tree(siteId, "L-1");

    private long visit() {
        post("/api/trees/" + treeId + "/surveys", walkJson()).expect(201);
        return post("/api/trees/" + treeId + "/visits", "{}")
                .expect(201)
                .get("visitId")
                .longValue();
    }

    private String log(UUID key, String cuts) {
        return """
                {"key": "%s", "on": "2027-02-20", "minutes": 35, "people": [%d], "prunings": "stacked", "shoots": 0,
                 "cuts": [%s]}
                """.formatted(key, who, cuts);
    }

    private static final String DONE = "{\"limb\": \"C\", \"outcome\": \"done\", \"wood\": \"sound\"}";
    private static final String LEFT = "{\"limb\": \"C\", \"outcome\": \"not-done\", \"note\": \"wasps\"}";
    private static final String DEAD =
            "{\"limb\": \"D\", \"outcome\": \"done\", \"wood\": \"hollow\", \"hollowCm\": 2}";

    private JsonNode judgement() {
        return get("/api/trees/" + treeId + "/judgement").expect(200);
    }

    @Test
    void whatIsCutIsGoneFromTheDrawingAndStandsInTheHistory() {
        long visitId = visit();
        double share = 0;
        for (JsonNode limb : judgement().at("/evaluation/limbs")) {
            share = limb.get("id").stringValue().equals("C")
                    ? limb.get("crownShare").doubleValue()
                    : share;
        }
        post("/api/visits/" + visitId + "/log", log(UUID.randomUUID(), DONE + "," + DEAD))
                .expect(201);
        JsonNode after = judgement();
        assertThat(after.at("/drawing/limbs"))
                .extracting(limb -> limb.get("id").stringValue())
                .containsExactly("A", "B");
        assertThat(after.at("/evaluation/tree/allowance/reasons"))
                .anySatisfy(
                        reason -> assertThat(reason.get("code").stringValue()).isEqualTo("allowance-taken"));
        double allowed = after.at("/evaluation/plan").isEmpty()
                ? 0.25 - share
                : after.at("/evaluation/plan/0/allowance").doubleValue();
        assertThat(allowed).isCloseTo(0.25 - share, within(0.01));
        JsonNode moment = get("/api/trees/" + treeId + "/timeline").expect(200).get(0);
        assertThat(moment.get("what").stringValue()).isEqualTo("log");
        assertThat(moment.at("/log/cuts/1/hollowCm").doubleValue()).isEqualTo(2);
        assertThat(get("/api/trees/" + treeId).json().at("/survey/urgentLimbs").intValue())
                .isZero();
    }

    @Test
    void whatIsNotDoneGoesBackToThePlan() {
        post("/api/visits/" + visit() + "/log", log(UUID.randomUUID(), LEFT + "," + DEAD))
                .expect(201);
        assertThat(judgement().at("/evaluation/plan")).anySatisfy(lane -> assertThat(lane.get("cuts"))
                .anySatisfy(cut -> assertThat(cut.get("limb").stringValue()).isEqualTo("C")));
    }

    @Test
    void whatIsDoneOtherwiseIsTakenAsItWasDone() {
        String other =
                "{\"limb\": \"C\", \"outcome\": \"other\", \"kind\": \"shorten\", \"alongM\": 1.0, \"wood\": \"stained\"}";
        String unplanned = "{\"limb\": \"B\", \"outcome\": \"other\", \"kind\": \"remove\"}";
        post("/api/visits/" + visit() + "/log", log(UUID.randomUUID(), other + "," + DEAD + "," + unplanned))
                .expect(201);
        JsonNode limbs = judgement().at("/drawing/limbs");
        assertThat(limbs).extracting(limb -> limb.get("id").stringValue()).containsExactly("A", "C");
        assertThat(limbs.at("/1/lengthM").doubleValue()).isEqualTo(1);
        // A quarter and more is off: nothing but dead, diseased and dangerous wood this year.
        assertThat(judgement().at("/evaluation/tree/triage").stringValue()).isEqualTo("rest");
    }

    @Test
    void aPlanThatWasKeptSaysWhatWasDoneInstead() {
        long visitId = visit();
        post("/api/trees/" + treeId + "/plan/kept", "{\"version\": 0}").expect(200);
        String other = "{\"limb\": \"C\", \"outcome\": \"other\", \"kind\": \"shorten\", \"alongM\": 1.5}";
        post("/api/visits/" + visitId + "/log", log(UUID.randomUUID(), other + "," + DEAD))
                .expect(201);
        JsonNode cuts = get("/api/trees/" + treeId + "/plans").expect(200).at("/0/cuts");
        assertThat(cuts).anySatisfy(cut -> {
            assertThat(cut.at("/cut/limb").stringValue()).isEqualTo("C");
            assertThat(cut.get("became").stringValue()).isEqualTo("other");
            assertThat(cut.get("instead").stringValue()).isEqualTo("shorten");
            assertThat(cut.get("insteadAtM").doubleValue()).isEqualTo(1.5);
        });
        assertThat(cuts).anySatisfy(cut -> {
            assertThat(cut.at("/cut/limb").stringValue()).isEqualTo("D");
            assertThat(cut.get("became").stringValue()).isEqualTo("done");
            assertThat(cut.get("instead").isNull()).isTrue();
        });
    }

    @Test
    void whatWasDoneLeavesThePlanThatWasKept() {
        String walk = walkJson()
                .replace(
                        "\"azimuthDeg\": 150, \"angleDeg\": 45, \"lengthM\": 3, \"fruiting\": 2}",
                        "\"azimuthDeg\": 150, \"angleDeg\": 45, \"lengthM\": 3, \"woodYears\": 9, \"faults\": [{\"kind\": \"overlong\"}]}");
        post("/api/trees/" + treeId + "/surveys", walk).expect(201);
        put("/api/trees/" + treeId + "/plan", "{\"version\": 0, \"edits\": {\"insisted\": [\"B\"]}}")
                .expect(200);
        post("/api/trees/" + treeId + "/plan/kept", "{\"version\": 1}").expect(200);
        long visitId = post("/api/trees/" + treeId + "/visits", "{}")
                .expect(201)
                .get("visitId")
                .longValue();
        String done = "{\"limb\": \"B\", \"outcome\": \"done\", \"wood\": \"sound\"}";
        post("/api/visits/" + visitId + "/log", log(UUID.randomUUID(), done + "," + LEFT + "," + DEAD))
                .expect(201);
        // Found to want taking off by now: that is proposed beside the plan that is kept.
        put("/api/trees/" + treeId + "/limbs/B/decision", "{\"version\": 0, \"verdict\": \"remove\"}")
                .expect(200);
        JsonNode after = judgement();
        assertThat(after.at("/evaluation/plan")).noneSatisfy(lane -> assertThat(lane.get("cuts"))
                .anySatisfy(cut -> assertThat(cut.get("limb").stringValue()).isEqualTo("B")));
        assertThat(after.get("proposal"))
                .filteredOn(change -> change.get("limb").stringValue().equals("B"))
                .extracting(change -> change.get("kind").stringValue())
                .contains("remove");
    }

    @Test
    void aMoveOfALimbThatIsGoneDoesNotStandInTheWayOfTheNextMove() {
        long visitId = visit();
        put("/api/trees/" + treeId + "/plan", """
                        {"version": 0, "edits": {"pins": [{"limb": "C", "kind": "remove", "year": 2028, "season": "dormant", "quality": "best"}]}}
                        """).expect(200);
        post("/api/visits/" + visitId + "/log", log(UUID.randomUUID(), DONE)).expect(201);
        JsonNode judgement = judgement();
        assertThat(judgement.at("/edits/pins")).isEmpty();
        put(
                        "/api/trees/" + treeId + "/plan",
                        "{\"version\": " + judgement.get("planVersion").intValue() + ", \"edits\": {\"pins\": []}}")
                .expect(200);
    }

    @Test
    void ofTwoPhonesThatLogTheSameVisitOneIsKept() throws Exception {
        long visitId = visit();
        ExecutorService phones = Executors.newFixedThreadPool(4);
        try {
            List<Future<Integer>> answers = IntStream.range(0, 4)
                    .mapToObj(i -> phones.submit(
                            () -> post("/api/visits/" + visitId + "/log", log(UUID.randomUUID(), DONE + "," + DEAD))
                                    .status()))
                    .toList();
            int kept = 0;
            for (Future<Integer> answer : answers) {
                assertThat(answer.get()).isIn(201, 409, 422);
                kept += answer.get() == 201 ? 1 : 0;
            }
            assertThat(kept).isEqualTo(1);
        } finally {
            phones.shutdown();
        }
        assertThat(get("/api/trees/" + treeId + "/logs").json()).hasSize(1);
    }

    @Test
    void aLogSentTwiceIsKeptOnce() {
        long visitId = visit();
        UUID key = UUID.randomUUID();
        long first = post("/api/visits/" + visitId + "/log", log(key, DONE + "," + DEAD))
                .expect(201)
                .get("id")
                .longValue();
        long again = post("/api/visits/" + visitId + "/log", log(key, DONE + "," + DEAD))
                .expect(201)
                .get("id")
                .longValue();
        assertThat(again).isEqualTo(first);
        assertThat(get("/api/trees/" + treeId + "/logs").json()).hasSize(1);
        JsonNode other = post("/api/visits/" + visitId + "/log", log(UUID.randomUUID(), LEFT))
                .expect(409);
        assertThat(other.get("conflict").stringValue()).isEqualTo("logged");
        assertThat(other.get("detail").stringValue()).startsWith("Tess Ferrier logged this visit");
        // The same key with something else under it is a mistake of the sender's.
        assertThat(post("/api/visits/" + visitId + "/log", log(key, LEFT))
                        .expect(409)
                        .get("conflict")
                        .stringValue())
                .isEqualTo("key-used");
    }

    @Test
    void aWrongLogIsCorrectedAndTheFirstStaysVisible() {
        long visitId = visit();
        long first = post("/api/visits/" + visitId + "/log", log(UUID.randomUUID(), DONE + "," + DEAD))
                .expect(201)
                .get("id")
                .longValue();
        assertThat(judgement().at("/drawing/limbs")).hasSize(2);
        long second = post("/api/logs/" + first + "/correction", log(UUID.randomUUID(), LEFT + "," + DEAD))
                .expect(201)
                .get("id")
                .longValue();
        assertThat(judgement().at("/drawing/limbs")).hasSize(3);
        JsonNode logs = get("/api/trees/" + treeId + "/logs").json();
        assertThat(logs).hasSize(2);
        assertThat(logs.at("/0/corrected").booleanValue()).isTrue();
        assertThat(logs.at("/1/corrects").longValue()).isEqualTo(first);
        // Two who correct the same log: the second is told.
        post("/api/logs/" + first + "/correction", log(UUID.randomUUID(), DONE)).expect(409);
        post("/api/logs/" + second + "/correction", log(UUID.randomUUID(), DONE + "," + DEAD))
                .expect(201);
        assertThat(judgement().at("/drawing/limbs")).hasSize(2);
    }

    @Test
    void wrongFieldsOfALogAreNamedAndNothingIsKept() {
        long visitId = visit();
        String bad = log(
                        UUID.randomUUID(),
                        "{\"limb\": \"C\", \"outcome\": \"other\"}, {\"limb\": \"Z\", \"outcome\": \"done\"},"
                                + "{\"limb\": \"B\", \"outcome\": \"other\", \"kind\": \"shorten\", \"alongM\": 9}")
                .replace("2027-02-20", "2027-02-21")
                .replace("[" + who + "]", "[999999]");
        assertThat(post("/api/visits/" + visitId + "/log", bad).expect(422).get("errors"))
                .extracting(error -> error.get("pointer").stringValue())
                .containsExactlyInAnyOrder("/on", "/people", "/cuts/0/kind", "/cuts/1/limb", "/cuts/2/alongM");
        assertThat(post("/api/visits/" + visitId + "/log", log(UUID.randomUUID(), DONE.replace("sound", "spongy")))
                        .expect(422)
                        .at("/errors/0/pointer")
                        .stringValue())
                .isEqualTo("/cuts/0/wood");
        assertThat(get("/api/trees/" + treeId + "/logs").json()).isEmpty();
        assertThat(judgement().at("/drawing/limbs")).hasSize(4);
    }

    @Test
    void aReportGoesToTheTopUntilSomebodyDealtWithIt() {
        post("/api/trees/" + treeId + "/surveys", walkJson()).expect(201);
        long calm = tree(siteId, "L-0");
        JsonNode report = post(
                        "/api/trees/" + treeId + "/reports",
                        "{\"on\": \"2027-02-19\", \"kind\": \"leaning\", \"dangerous\": true, \"note\": \"over the path\"}")
                .expect(201);
        assertThat(get("/api/sites/" + siteId + "/today")
                        .json()
                        .at("/reports/0/tag")
                        .stringValue())
                .isEqualTo("L-1");
        JsonNode list =
                get("/api/sites/" + siteId + "/trees?sort=triage").json().get("trees");
        assertThat(list.at("/0/id").longValue()).isEqualTo(treeId);
        assertThat(list.at("/0/openReports").intValue()).isEqualTo(1);
        assertThat(list.at("/1/id").longValue()).isEqualTo(calm);
        String dealt = "{\"version\": 1, \"how\": \"propped and roped\"}";
        put("/api/reports/" + report.get("id").longValue() + "/dealt", dealt).expect(200);
        put("/api/reports/" + report.get("id").longValue() + "/dealt", dealt).expect(409);
        assertThat(get("/api/sites/" + siteId + "/today").json().get("reports")).isEmpty();
        assertThat(get("/api/trees/" + treeId + "/timeline").json())
                .anySatisfy(moment -> assertThat(moment.at("/report/dealtHow").stringValue(""))
                        .isEqualTo("propped and roped"));
        post(
                        "/api/trees/" + treeId + "/reports",
                        "{\"on\": \"2027-03-19\", \"kind\": \"leaning\", \"dangerous\": true}")
                .expect(422);
    }

    @Test
    void fruitIsKeptByYearAndReckoned() {
        post("/api/trees/" + treeId + "/surveys", walkJson()).expect(201);
        int[] kilos = {60, 20, 50, 10};
        for (int i = 0; i < kilos.length; i++) {
            put(
                            "/api/trees/" + treeId + "/fruit/" + (2023 + i),
                            "{\"version\": 0, \"data\": {\"kilos\": " + kilos[i] + ", \"number\": 100}}")
                    .expect(200);
        }
        JsonNode fruit = get("/api/trees/" + treeId + "/fruit").expect(200);
        assertThat(fruit.at("/biennial/index").doubleValue()).isCloseTo(0.531746, within(1e-6));
        // 90 cm round: 644.58 cm2.
        assertThat(fruit.at("/years/0/kilosPerCm2").doubleValue()).isCloseTo(60 / 644.578, within(1e-6));
        String change = "{\"version\": 1, \"data\": {\"kilos\": 12}}";
        put("/api/trees/" + treeId + "/fruit/2026", change).expect(200);
        put("/api/trees/" + treeId + "/fruit/2026", change).expect(409);
        put("/api/trees/" + treeId + "/fruit/2031", "{\"version\": 0, \"data\": {\"kilos\": 12}}")
                .expect(422);
        put("/api/trees/" + treeId + "/fruit/2022", "{\"version\": 0, \"data\": {}}")
                .expect(422);
        put("/api/trees/" + treeId + "/fruit/2022", "{\"version\": 0, \"data\": {\"bloom\": 6}}")
                .expect(422);
    }

    @Test
    void aTreeTakenOutLeavesThePlanAndTheDaysAndStaysInTheRegister() {
        post("/api/trees/" + treeId + "/surveys", walkJson()).expect(201);
        long dayId = day(siteId, "2027-03-06");
        post("/api/days/" + dayId + "/visits", "{\"version\": 1, \"treeId\": " + treeId + "}")
                .expect(201);
        String removal = """
                {"version": 0, "data": {"on": "2027-02-15", "grounds": "too-close", "permission": "committee, 1 February",
                 "removedBy": "Hollow Lane Trees", "replacement": "a young quince"}}
                """;
        put("/api/trees/" + treeId + "/removal", removal.replace("2027-02-15", "2027-02-25"))
                .expect(422);
        put("/api/trees/" + treeId + "/removal", removal.replace("committee, 1 February", " "))
                .expect(422);
        put("/api/trees/" + treeId + "/removal", removal).expect(200);
        put("/api/trees/" + treeId + "/removal", removal).expect(409);
        assertThat(get("/api/sites/" + siteId + "/trees").json().get("total").intValue())
                .isZero();
        assertThat(get("/api/sites/" + siteId + "/programme").json().get("slots"))
                .isEmpty();
        assertThat(get("/api/days/" + dayId).json().get("visits")).isEmpty();
        assertThat(get("/api/sites/" + siteId + "/removals").json().at("/0/tag").stringValue())
                .isEqualTo("L-1");
        assertThat(get("/api/trees/" + treeId).json().get("removedOn").stringValue())
                .isEqualTo("2027-02-15");
        post("/api/trees/" + treeId + "/visits", "{}").expect(422);
        send("DELETE", "/api/trees/" + treeId + "/removal?version=1", null).expect(204);
        assertThat(get("/api/sites/" + siteId + "/trees").json().get("total").intValue())
                .isEqualTo(1);
        assertThat(get("/api/sites/" + siteId + "/programme").json().get("slots"))
                .isNotEmpty();
    }
}
