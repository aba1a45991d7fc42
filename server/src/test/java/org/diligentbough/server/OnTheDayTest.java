package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.person;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.sendAs;
import static org.diligentbough.server.TestServer.sendWithKey;

import java.util.UUID;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** While a day runs: the list before the first cut, who is there, what went wrong, and the hours of it. */
class OnTheDayTest {
    private static final String ALL_WELL = """
            {"nests": true, "roosts": true, "orders": true, "burning": true, "firstAidKit": true, "weather": true, "crews": true,
             "road": "Kiln Lane, west gate", "emergencyNumber": "112"}
            """;

    private final long site = TestServer.site("On the day " + UUID.randomUUID());
    private final long dayId = TestServer.day(site, "2027-02-20");
    private final long lena = person("Lena There " + UUID.randomUUID(), 1970, "lead");
    private final long abel = person("Abel There " + UUID.randomUUID(), 1980);

    private TestServer.Answer sign(UUID key, long who, String step, String at) {
        return sendWithKey(
                key,
                "POST",
                "/api/days/" + dayId + "/attendance",
                "{\"personId\": " + who + ", \"step\": \"" + step + "\", \"at\": \"2027-02-20T" + at + "Z\"}");
    }

    private JsonNode there() {
        return get("/api/days/" + dayId + "/attendance").expect(200);
    }

    @Test
    void theListWantsEverythingSeenToAndIsKeptWithWhoAnsweredIt() {
        assertThat(get("/api/days/" + dayId + "/first-list")
                        .expect(200)
                        .get("answers")
                        .isNull())
                .isTrue();
        assertThat(post("/api/days/" + dayId + "/first-list", ALL_WELL.replace("\"nests\": true", "\"nests\": false"))
                        .text())
                .contains("/nests")
                .contains("before the first cut");
        post("/api/days/" + dayId + "/first-list", ALL_WELL.replace("Kiln Lane, west gate", " "))
                .expect(422);
        UUID key = UUID.randomUUID();
        sendWithKey(key, "POST", "/api/days/" + dayId + "/first-list", ALL_WELL).expect(200);
        JsonNode kept = sendWithKey(key, "POST", "/api/days/" + dayId + "/first-list", ALL_WELL)
                .expect(200);
        assertThat(kept.at("/answers/emergencyNumber").stringValue()).isEqualTo("112");
        assertThat(kept.get("by").stringValue()).isNotEmpty();
    }

    @Test
    void twoPhonesThatSignOneInSayTheSameThing() {
        UUID key = UUID.randomUUID();
        sign(key, abel, "came", "09:35:00").expect(200);
        sign(key, abel, "came", "09:35:00").expect(200);
        sign(UUID.randomUUID(), abel, "came", "09:31:00").expect(200);
        assertThat(there()).hasSize(1);
        assertThat(there().at("/0/cameAt").stringValue()).startsWith("2027-02-20T09:31");
        assertThat(get("/api/days/" + dayId).expect(200).get("people"))
                .as("who turns up is on the day")
                .hasSize(1);
        sign(UUID.randomUUID(), abel, "went", "12:31:00").expect(200);
        sign(UUID.randomUUID(), abel, "went", "12:40:00").expect(200);
        assertThat(there().at("/0/wentAt").stringValue()).startsWith("2027-02-20T12:31");
        sign(UUID.randomUUID(), abel, "came", "13:00:00").expect(200);
        assertThat(there()).as("after the soup again").hasSize(2);
        assertThat(sign(UUID.randomUUID(), lena, "went", "12:00:00").status()).isEqualTo(422);
        assertThat(post(
                                "/api/days/" + dayId + "/attendance",
                                "{\"personId\": " + lena + ", \"step\": \"came\", \"at\": \"2027-02-21T09:00:00Z\"}")
                        .text())
                .contains("not of the day itself");
    }

    @Test
    void hoursCountFromComingAndGoing() {
        sign(UUID.randomUUID(), abel, "came", "09:30:00").expect(200);
        sign(UUID.randomUUID(), abel, "went", "12:30:00").expect(200);
        JsonNode hours = get("/api/sites/" + site + "/hours").expect(200);
        assertThat(hours).hasSize(1);
        assertThat(hours.at("/0/season").stringValue()).isEqualTo("winter 2026/27");
        assertThat(hours.at("/0/other").doubleValue()).isEqualTo(3.0);
        long tree = TestServer.tree(site, "H-1");
        post("/api/trees/" + tree + "/surveys", TestServer.walkJson()).expect(201);
        TestServer.judged();
        long visit = post("/api/trees/" + tree + "/visits", "{}")
                .expect(201)
                .get("visitId")
                .longValue();
        post("/api/visits/" + visit + "/log", """
                        {"key": "%s", "on": "2027-02-20", "minutes": 120, "people": [%d, %d], "prunings": "chipped", "shoots": 0,
                         "cuts": []}
                        """.formatted(UUID.randomUUID(), abel, lena))
                .expect(201);
        hours = get("/api/sites/" + site + "/hours").expect(200);
        assertThat(hours.at("/0/cutting").doubleValue()).isEqualTo(1.0);
        assertThat(hours.at("/0/other").doubleValue()).isEqualTo(2.0);
        assertThat(hours.at("/1/cutting").doubleValue())
                .as("never signed in: what was logged")
                .isEqualTo(1.0);
        assertThat(new String(TestServer.bytes("/api/sites/" + site + "/hours.csv")))
                .contains("season,name,days")
                .contains("winter 2026/27");
        TestServer.session(abel);
        assertThat(sendAs(abel, "GET", "/api/sites/" + site + "/hours/mine", null)
                        .expect(200))
                .hasSize(1);
    }

    @Test
    void whatWentWrongStandsInTheRegister() {
        String incident =
                "{\"dayId\": " + dayId + ", \"on\": \"2027-02-20\", \"nearMiss\": true, \"what\": \" A ladder slid \","
                        + " \"done\": \"Footed it\", \"follows\": \"Two at every ladder\"}";
        UUID key = UUID.randomUUID();
        sendWithKey(key, "POST", "/api/sites/" + site + "/incidents", incident).expect(201);
        JsonNode added = sendWithKey(key, "POST", "/api/sites/" + site + "/incidents", incident)
                .expect(201);
        assertThat(added.at("/data/what").stringValue()).isEqualTo("A ladder slid");
        assertThat(get("/api/sites/" + site + "/incidents").expect(200)).hasSize(1);
        post("/api/sites/" + site + "/incidents", incident.replace("02-20", "02-25"))
                .expect(422);
        post("/api/sites/" + site + "/incidents", incident.replace(" A ladder slid ", ""))
                .expect(422);
    }
}
