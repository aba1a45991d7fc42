package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;

import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** People: tickets and until when, age, the days they can come. */
class PeopleApiTest {

    private static JsonNode named(String name) {
        return post("/api/people", TestServer.newPerson(name)).expect(201);
    }

    private static TestServer.Answer change(JsonNode person, String data) {
        return put(
                "/api/people/" + person.get("id").longValue(),
                "{\"version\": " + person.get("version").intValue() + ", \"data\": " + data + "}");
    }

    @Test
    void aPersonIsKeptWithTicketsAndDays() {
        JsonNode changed = change(named("Petra Pole"), """
                        {"name": "Petra Pole", "birthYear": 1988, "note": " early riser ",
                         "tickets": [{"ticket": "pole-saw", "until": "2027-06-30"}, {"ticket": "lead", "until": "2028-06-30"}],
                         "canCome": ["2027-03-06", "2027-03-13"]}
                        """).expect(200);
        assertThat(changed.get("note").stringValue()).isEqualTo("early riser");
        assertThat(changed.get("tickets"))
                .extracting(ticket -> ticket.get("ticket").stringValue())
                .containsExactly("lead", "pole-saw");
        JsonNode read = null;
        for (JsonNode person : get("/api/people").json()) {
            read = person.get("name").stringValue().equals("Petra Pole") ? person : read;
        }
        assertThat(read).isEqualTo(changed);
        JsonNode fewer = change(changed, "{\"name\": \"Petra Pole\", \"tickets\": [], \"canCome\": [\"2027-03-13\"]}")
                .expect(200);
        assertThat(fewer.get("tickets")).isEmpty();
        assertThat(fewer.get("canCome")).extracting(JsonNode::stringValue).containsExactly("2027-03-13");
    }

    @Test
    void addingTheSameNameTwiceIsOnePerson() {
        assertThat(named("Only One").get("id")).isEqualTo(named("  Only One ").get("id"));
    }

    @Test
    void theSecondOfTwoWhoChangeAPersonIsTold() {
        JsonNode person = named("Twice Changed");
        String data = "{\"name\": \"Twice Changed\", \"tickets\": [], \"canCome\": []}";
        change(person, data).expect(200);
        change(person, data).expect(409);
    }

    @Test
    void wrongFieldsAreNamed() {
        JsonNode person = named("Wrongly Entered");
        assertThat(change(person, """
                                {"name": " ", "birthYear": 1066, "canCome": [],
                                 "tickets": [{"ticket": "juggling", "until": "2027-06-30"}]}
                                """).expect(422).get("errors"))
                .extracting(error -> error.get("pointer").stringValue())
                .containsExactlyInAnyOrder("/data/name", "/data/birthYear", "/data/tickets/0/ticket");
        assertThat(change(person, """
                                {"name": "Wrongly Entered", "canCome": [],
                                 "tickets": [{"ticket": "lead", "until": "2027-06-30"}, {"ticket": "lead", "until": "2028-06-30"}]}
                                """).expect(422).at("/errors/0/pointer").stringValue())
                .isEqualTo("/data/tickets/1");
        assertThat(change(person, "{\"name\": \"Petra Pole\", \"tickets\": [], \"canCome\": []}")
                        .status())
                .isIn(200, 409);
        put("/api/people/99999999", "{\"version\": 1, \"data\": {\"name\": \"X\", \"tickets\": [], \"canCome\": []}}")
                .expect(404);
    }
}
