package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.day;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.person;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;
import static org.diligentbough.server.TestServer.send;
import static org.diligentbough.server.TestServer.site;
import static org.diligentbough.server.TestServer.tree;
import static org.diligentbough.server.TestServer.walkJson;

import java.util.Arrays;
import java.util.UUID;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Work days: what may be put on them, who may do it, when they may be confirmed, what rain does. */
class DayApiTest {
    /** A cut at 3 m from a ladder. */
    private static final String HIGH = walkJson()
            .replace(
                    "\"id\": \"C\", \"diameterCm\": 7, \"originHeightM\": 1.5",
                    "\"id\": \"C\", \"diameterCm\": 7, \"originHeightM\": 3");

    private static final String KEPT = """
            {"surveyedOn": "2027-02-10",
             "tree": {"heightM": 4.0, "spreadM": 4.0, "trunkGirthCm": 60, "yearsSinceCut": 1},
             "limbs": [
               {"id": "A", "diameterCm": 8, "originHeightM": 1, "azimuthDeg": 0, "angleDeg": 45, "lengthM": 2, "fruiting": 2},
               {"id": "B", "diameterCm": 8, "originHeightM": 1, "azimuthDeg": 120, "angleDeg": 45, "lengthM": 2, "fruiting": 2},
               {"id": "C", "diameterCm": 8, "originHeightM": 1, "azimuthDeg": 240, "angleDeg": 45, "lengthM": 2, "fruiting": 2}]}
            """;

    private final long leader = person("Lena Leads", 1970, "lead", "first-aid", "ladder");
    private final long adult = person("Abel Adult", 1980);
    private final long young = person("Yara Young", 2011);

    private static long surveyed(long siteId, String tag, String walk) {
        long treeId = tree(siteId, tag);
        post("/api/trees/" + treeId + "/surveys", walk).expect(201);
        return treeId;
    }

    private static int version(long dayId) {
        return get("/api/days/" + dayId).expect(200).get("version").intValue();
    }

    private static TestServer.Answer putOn(long dayId, long treeId) {
        return post(
                "/api/days/" + dayId + "/visits", "{\"version\": " + version(dayId) + ", \"treeId\": " + treeId + "}");
    }

    private static TestServer.Answer give(long dayId, long visitId, long... people) {
        return put(
                "/api/visits/" + visitId + "/people",
                "{\"version\": " + version(dayId) + ", \"people\": "
                        + Arrays.stream(people).mapToObj(String::valueOf).collect(Collectors.joining(",", "[", "]"))
                        + "}");
    }

    private static TestServer.Answer confirm(long dayId) {
        return post("/api/days/" + dayId + "/confirm", "{\"version\": " + version(dayId) + "}");
    }

    private static String refusal(TestServer.Answer answer) {
        return answer.expect(422).at("/errors/0/detail").stringValue();
    }

    @Test
    void aTreeIsPutOnADayWithWhatItsPlanHasOpen() {
        long siteId = site("Work days");
        long treeId = surveyed(siteId, "D-1", walkJson());
        long dayId = day(siteId, "2027-03-06");
        JsonNode candidates = get("/api/days/" + dayId + "/candidates").expect(200);
        assertThat(candidates).hasSize(1);
        assertThat(candidates.at("/0/urgent").booleanValue()).isTrue();
        JsonNode visit = putOn(dayId, treeId).expect(201).at("/visits/0");
        assertThat(visit.get("cuts"))
                .extracting(cut -> cut.get("limb").stringValue())
                .contains("C", "D");
        assertThat(visit.get("minutes").intValue()).isPositive();
        assertThat(visit.get("kit")).extracting(JsonNode::stringValue).contains("saw");
        assertThat(get("/api/days/" + dayId + "/candidates").json()).isEmpty();
        assertThat(refusal(putOn(day(siteId, "2027-03-07"), treeId))).contains("on a work day already");
        long visitId = visit.get("id").longValue();
        send("DELETE", "/api/visits/" + visitId + "?version=" + version(dayId), null)
                .expect(200);
        assertThat(get("/api/days/" + dayId + "/candidates").json()).hasSize(1);
    }

    /** A kept tree in which nothing is wrong: its ordinary yearly cutting is work all the same, once a year. */
    @Test
    void theYearlyCuttingOfAKeptTreeIsPutOnADayOnceAndDoneOnce() {
        long siteId = site("Kept trees");
        long treeId = surveyed(siteId, "D-1", KEPT);
        long dayId = day(siteId, "2027-02-20");
        JsonNode candidate =
                get("/api/days/" + dayId + "/candidates").expect(200).get(0);
        int minutes = candidate.get("upkeepMinutes").intValue();
        // 4 m by 4 m at 2.5 minutes a square metre.
        assertThat(minutes).isEqualTo(40).isEqualTo(candidate.get("minutes").intValue());
        JsonNode visit = putOn(dayId, treeId).expect(201).at("/visits/0");
        assertThat(visit.get("upkeepMinutes").intValue()).isEqualTo(minutes);
        assertThat(get("/api/days/" + dayId + "/candidates").json()).isEmpty();
        assertThat(refusal(putOn(day(siteId, "2027-03-07"), treeId))).contains("on a work day already");
        JsonNode two = give(dayId, visit.get("id").longValue(), leader, adult).expect(200);
        // Two people at it: half as long by the clock.
        assertThat(two.get("people"))
                .extracting(person -> person.get("minutes").intValue())
                .containsExactly(20, 20);
        post("/api/visits/" + visit.get("id").longValue() + "/log", """
                        {"key": "%s", "on": "2027-02-20", "minutes": 40, "people": [%d, %d], "prunings": "stacked", "shoots": 0,
                         "cuts": []}
                        """.formatted(UUID.randomUUID(), leader, adult))
                .expect(201);
        assertThat(get("/api/trees/" + treeId + "/judgement").json().at("/evaluation/plan"))
                .isEmpty();
        assertThat(get("/api/days/" + day(siteId, "2027-03-08") + "/candidates").json())
                .isEmpty();
    }

    @Test
    void outsideItsWindowATreeIsRefusedWithTheReasonAndTheDates() {
        long siteId = site("Closed windows");
        long treeId = surveyed(siteId, "D-1", walkJson());
        long dayId = day(siteId, "2027-05-08");
        String cuts = "\"cuts\": [{\"limb\": \"C\", \"kind\": \"remove\"}]}";
        assertThat(refusal(
                        post("/api/days/" + dayId + "/visits", "{\"version\": 1, \"treeId\": " + treeId + ", " + cuts)))
                .contains("D-1 may not be cut that day")
                .contains("1 February 2028");
        assertThat(get("/api/days/" + dayId).json().get("visits")).isEmpty();
        // What is dead and dangerous may.
        post(
                        "/api/days/" + dayId + "/visits",
                        "{\"version\": 1, \"treeId\": " + treeId
                                + ", \"cuts\": [{\"limb\": \"D\", \"kind\": \"remove\"}]}")
                .expect(201);
    }

    @Test
    void ladderWorkWantsATicketAndNobodyUnder18() {
        long siteId = site("Ladders");
        long treeId = surveyed(siteId, "D-1", HIGH);
        long dayId = day(siteId, "2027-03-06");
        long visitId = putOn(dayId, treeId).expect(201).at("/visits/0/id").longValue();
        assertThat(refusal(give(dayId, visitId, adult))).contains("current ladder ticket");
        give(dayId, visitId, leader).expect(200);
        give(dayId, visitId, leader, adult).expect(200);
        assertThat(refusal(give(dayId, visitId, leader, young))).contains("Yara Young may still be under 18");
        assertThat(refusal(give(dayId, visitId, adult))).contains("ladder ticket");
        assertThat(get("/api/days/" + dayId).json().at("/visits/0/people")).hasSize(2);
    }

    @Test
    void withoutLeaderAndFirstAiderADayIsWarnedOfAndNotConfirmed() {
        long siteId = site("Leaders");
        long treeId = surveyed(siteId, "D-1", walkJson());
        long dayId = day(siteId, "2027-03-06");
        long visitId = putOn(dayId, treeId).expect(201).at("/visits/0/id").longValue();
        JsonNode day = give(dayId, visitId, adult, young).expect(200);
        assertThat(day.get("findings"))
                .filteredOn(finding -> finding.get("weight").stringValue().equals("wanted"))
                .extracting(finding -> finding.at("/reason/code").stringValue())
                .containsExactlyInAnyOrder("day-no-leader", "day-no-first-aider");
        assertThat(confirm(dayId).expect(422).get("errors")).hasSize(2);
        give(dayId, visitId, adult, leader).expect(200);
        assertThat(confirm(dayId).expect(200).get("state").stringValue()).isEqualTo("confirmed");
        // From now on what was a warning is a refusal.
        assertThat(refusal(give(dayId, visitId, adult))).isNotBlank();
        // Save that whoever does not come does not come: what that breaks is told.
        assertThat(put(
                                "/api/days/" + dayId + "/people",
                                "{\"version\": " + version(dayId) + ", \"people\": [" + adult + "]}")
                        .expect(200)
                        .get("findings"))
                .anyMatch(finding -> finding.get("weight").stringValue().equals("refused"));
        post("/api/days/" + dayId + "/reopen", "{\"version\": " + version(dayId) + "}")
                .expect(200);
        put("/api/days/" + dayId + "/people", "{\"version\": " + version(dayId) + ", \"people\": [" + adult + "]}")
                .expect(200);
    }

    @Test
    void aDayWithoutATreeIsNotConfirmed() {
        assertThat(refusal(confirm(day(site("Empty day"), "2027-03-06")))).contains("no tree");
    }

    @Test
    void sickTreesComeLastHoweverTheyAreMoved() {
        long siteId = site("Sick");
        String sick =
                walkJson().replace("\"kind\": \"crossing-centre\"", "\"kind\": \"diseased\", \"disease\": \"canker\"");
        long dayId = day(siteId, "2027-03-06");
        putOn(dayId, surveyed(siteId, "D-sick", sick)).expect(201);
        putOn(dayId, surveyed(siteId, "D-2", walkJson())).expect(201);
        JsonNode day = putOn(dayId, surveyed(siteId, "D-3", walkJson())).expect(201);
        assertThat(day.get("visits"))
                .extracting(visit -> visit.get("tag").stringValue())
                .containsExactly("D-2", "D-3", "D-sick");
        JsonNode moved = put(
                        "/api/visits/" + day.at("/visits/2/id").longValue() + "/place",
                        "{\"version\": " + version(dayId) + ", \"by\": -1}")
                .expect(200);
        assertThat(moved.at("/visits/2/tag").stringValue()).isEqualTo("D-sick");
        JsonNode turned = put(
                        "/api/visits/" + day.at("/visits/1/id").longValue() + "/place",
                        "{\"version\": " + version(dayId) + ", \"by\": -1}")
                .expect(200);
        assertThat(turned.get("visits"))
                .extracting(visit -> visit.get("tag").stringValue())
                .containsExactly("D-3", "D-2", "D-sick");
    }

    @Test
    void theSecondOfTwoWhoChangeADayIsTold() {
        long siteId = site("Two planners");
        long dayId = day(siteId, "2027-03-06");
        String people = "{\"version\": 1, \"people\": [" + adult + "]}";
        put("/api/days/" + dayId + "/people", people).expect(200);
        put("/api/days/" + dayId + "/people", people).expect(409);
    }

    @Test
    void aDayRainedOffMovesItsTreesWithTheirPeopleAndWhatMayNotBeCutThenGoesBack() {
        long siteId = site("Rain");
        long dayId = day(siteId, "2027-03-27");
        long visitId = putOn(dayId, surveyed(siteId, "D-1", walkJson()))
                .expect(201)
                .at("/visits/0/id")
                .longValue();
        give(dayId, visitId, leader, adult).expect(200);
        assertThat(refusal(post(
                        "/api/days/" + dayId + "/rained-off",
                        "{\"version\": " + version(dayId) + ", \"to\": \"2027-03-20\"}")))
                .contains("later");
        JsonNode moved = post(
                        "/api/days/" + dayId + "/rained-off",
                        "{\"version\": " + version(dayId) + ", \"to\": \"2027-03-30\"}")
                .expect(200);
        assertThat(moved.at("/day/state").stringValue()).isEqualTo("rained-off");
        assertThat(moved.at("/day/visits")).isEmpty();
        assertThat(moved.at("/movedTo/visits/0/people")).hasSize(2);
        long next = moved.at("/movedTo/id").longValue();
        JsonNode tooLate = post(
                        "/api/days/" + next + "/rained-off",
                        "{\"version\": " + version(next) + ", \"to\": \"2027-05-01\"}")
                .expect(200);
        assertThat(tooLate.get("backToThePlan"))
                .extracting(JsonNode::stringValue)
                .containsExactly("D-1");
        assertThat(get("/api/sites/" + siteId + "/days").json()).hasSize(3);
    }

    @Test
    void theSheetSaysWhatToBringAndDrawsEachTreeWithItsCuts() {
        long siteId = site("Sheets");
        long dayId = day(siteId, "2027-03-06");
        putOn(dayId, surveyed(siteId, "D-1", walkJson())).expect(201);
        JsonNode sheet = get("/api/days/" + dayId + "/sheet").expect(200);
        assertThat(sheet.at("/bring/saw").intValue()).isEqualTo(1);
        assertThat(sheet.at("/trees/0/drawing/limbs")).hasSize(4);
        assertThat(sheet.at("/trees/0/cuts/0/reasons/0/text").stringValue()).isNotBlank();
        assertThat(sheet.at("/trees/0/cautions")).isNotEmpty();
    }

    @Test
    void aTreeJudgedAnewSinceItWasPutOnIsPointedOut() {
        long siteId = site("Outdated");
        long treeId = surveyed(siteId, "D-1", walkJson());
        long dayId = day(siteId, "2027-03-06");
        putOn(dayId, treeId).expect(201);
        post(
                        "/api/trees/" + treeId + "/surveys",
                        walkJson()
                                .replace("crossing-centre", "upright-shoot")
                                .replace("\"id\": \"C\"", "\"id\": \"C9\""))
                .expect(201);
        assertThat(get("/api/days/" + dayId).json().get("findings"))
                .extracting(finding -> finding.at("/reason/code").stringValue())
                .contains("day-outdated");
    }

    @Test
    void wrongFieldsOfADayAreNamed() {
        long siteId = site("Bad days");
        JsonNode problem = post(
                        "/api/sites/" + siteId + "/days",
                        "{\"on\": \"2027-03-06\", \"starts\": \"14:00\", \"ends\": \"9\", \"shed\": {\"crane\": 1}}")
                .expect(422);
        assertThat(problem.get("errors"))
                .extracting(error -> error.get("pointer").stringValue())
                .contains("/ends", "/shedKnown");
        post("/api/sites/" + siteId + "/days", "{\"on\": \"2027-02-31\"}").expect(422);
        assertThat(put(
                                "/api/people/" + adult,
                                "{\"version\": 99, \"data\": {\"name\": \"Abel Adult\", \"tickets\": [], \"canCome\": []}}")
                        .status())
                .isEqualTo(409);
    }
}
