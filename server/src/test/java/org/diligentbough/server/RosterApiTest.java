package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.JSON;

import java.util.function.Consumer;
import org.diligentbough.server.TestServer.Answer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The open computation of rosters. */
class RosterApiTest {
    private static ObjectNode example() {
        ObjectNode file = (ObjectNode) JSON.readTree(TestServer.file("docs/formats/roster.example.json"));
        file.remove("seconds");
        return file.put("steps", 500);
    }

    /** Asked by nobody, with no token. */
    private static Answer ask(JsonNode file) {
        return TestServer.sendAs(0, "POST", "/api/roster", JSON.writeValueAsString(file));
    }

    private static void refused(Consumer<ObjectNode> spoil, String pointer) {
        ObjectNode file = example();
        spoil.accept(file);
        assertThat(ask(file).expect(422).get("errors"))
                .extracting(error -> error.get("pointer").stringValue())
                .as(pointer)
                .contains(pointer);
    }

    @Test
    void theExampleIsAnsweredAsTheFormatSays() {
        JsonNode roster = ask(example()).expect(200);
        JsonNode crew = roster.at("/crews/0");
        assertThat(crew.get("day").stringValue()).isEqualTo("d1");
        assertThat(crew.get("leader").stringValue()).isEqualTo("tam");
        assertThat(crew.get("people")).hasSize(2);
        assertThat(crew.at("/visits/0/starts").stringValue()).isEqualTo("09:35");
        assertThat(crew.at("/visits/0/ends").stringValue()).isEqualTo("10:15");
        assertThat(roster.at("/notPlaced/0/visit").stringValue()).isEqualTo("v9");
        assertThat(roster.at("/notPlaced/0/reasons/0/code").stringValue()).isEqualTo("no-ticket");
        assertThat(roster.at("/notPlaced/0/reasons/0/text").stringValue())
                .isEqualTo("Nobody who comes on an open day holds a current powered saw ticket.");
        assertThat(roster.at("/score/broken").intValue()).isZero();
        assertThat(roster.at("/score/urgentLeft").intValue()).isZero();
        assertThat(roster.get("parts"))
                .extracting(part -> part.get("constraint").stringValue())
                .startsWith("soonest closing first", "what gains most", "nearby trees together");
        assertThat(roster.at("/days/0/missing")).isEmpty();
    }

    @Test
    void theSameFileSeedAndStepsGiveTheSameRoster() {
        ObjectNode once = (ObjectNode) ask(example()).expect(200);
        ObjectNode again = (ObjectNode) ask(example()).expect(200);
        assertThat(again.without("spentSeconds").equals(once.without("spentSeconds")))
                .isTrue();
    }

    @Test
    void nobodyWorksAloneWhateverIsAsked() {
        ObjectNode file = example();
        ((ObjectNode) file.get("crew")).put("least", 1);
        ((ArrayNode) file.get("people")).remove(1);
        file.remove("fixed");
        JsonNode roster = ask(file).expect(200);
        assertThat(roster.get("crews")).isEmpty();
        assertThat(roster.at("/notPlaced/0/reasons/0/code").stringValue()).isEqualTo("alone");
    }

    @Test
    void whatMayBeAbsentIsTakenAsUsual() {
        JsonNode roster = ask(JSON.readTree("""
                        {"format": "diligent-bough/roster", "version": 1, "steps": 100,
                         "days": [{"id": "d", "date": "2027-03-06", "starts": "09:00", "ends": "12:00"}],
                         "people": [{"id": "a", "days": [{"day": "d"}], "tickets": [
                                        {"kind": "lead", "until": "2027-03-06"}, {"kind": "first-aid", "until": "2027-03-06"}]},
                                    {"id": "b", "days": [{"day": "d"}]}],
                         "visits": [{"id": "v", "opens": "2027-03-06", "closes": "2027-03-06", "personMinutes": 0}]}
                        """)).expect(200);
        assertThat(roster.at("/crews/0/visits/0/visit").stringValue()).isEqualTo("v");
    }

    @Test
    void aFileThatCannotBeIsRefusedByPointer() {
        refused(file -> file.put("version", 2), "/version");
        refused(file -> file.remove("days"), "/days");
        refused(file -> file.put("hurry", true), "/hurry");
        refused(file -> ((ObjectNode) file.get("crew")).put("most", 1), "/crew/most");
        refused(file -> ((ObjectNode) file.get("crew")).put("least", 5), "/crew/most");
        refused(file -> ((ObjectNode) file.at("/days/0")).put("ends", "25:00"), "/days/0/ends");
        refused(file -> ((ObjectNode) file.at("/days/0")).put("ends", "09:00"), "/days/0/ends");
        refused(file -> ((ArrayNode) file.get("days")).add(file.at("/days/0").deepCopy()), "/days/1/id");
        refused(file -> ((ObjectNode) file.at("/people/0/days/0")).put("day", "d7"), "/people/0/days/0/day");
        refused(file -> ((ObjectNode) file.at("/people/0/days/0")).put("until", "09:30"), "/people/0/days/0/until");
        refused(file -> ((ObjectNode) file.at("/people/0")).put("skill", 9), "/people/0/skill");
        refused(
                file -> ((ObjectNode) file.at("/people/0/tickets/0")).put("until", "soon"),
                "/people/0/tickets/0/until");
        refused(file -> ((ObjectNode) file.at("/visits/0")).put("closes", "2027-01-31"), "/visits/0/closes");
        refused(file -> ((ObjectNode) file.at("/visits/0")).put("personMinutes", -1), "/visits/0/personMinutes");
        refused(file -> ((ObjectNode) file.at("/visits/1")).put("id", "v1"), "/visits/1/id");
        refused(file -> ((ObjectNode) file.at("/fixed/0")).put("visit", "v7"), "/fixed/0/visit");
        refused(file -> ((ObjectNode) file.at("/fixed/0")).put("person", "tam"), "/fixed/0");
        refused(file -> ((ObjectNode) file.at("/fixed/1")).remove("crew"), "/fixed/1/crew");
        refused(file -> ((ObjectNode) file.at("/fixed/1")).put("person", "nobody"), "/fixed/1/person");
        TestServer.sendAs(0, "POST", "/api/roster", "{").expect(400);
    }

    @Test
    void nobodyThereIsAnEmptyRosterWithReasonsAndNoError() {
        ObjectNode file = example();
        file.remove("fixed");
        ((ArrayNode) file.get("people")).removeAll();
        JsonNode roster = ask(file).expect(200);
        assertThat(roster.get("crews")).isEmpty();
        assertThat(roster.get("notPlaced")).hasSize(2);
        assertThat(roster.at("/days/0/missing"))
                .extracting(JsonNode::stringValue)
                .containsExactly("leader", "first-aider");
    }
}
