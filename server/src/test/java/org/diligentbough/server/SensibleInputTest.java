package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.JSON;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;
import static org.diligentbough.server.TestServer.send;

import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import org.diligentbough.server.TestServer.Answer;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What cannot be so is refused with what would make sense; what was done by mistake can be taken back. */
class SensibleInputTest {

    private static void refused(Answer answer, String pointer, String wanted) {
        JsonNode problem = answer.expect(422);
        assertThat(problem.at("/errors/0/pointer").stringValue()).isEqualTo(pointer);
        assertThat(problem.at("/errors/0/detail").stringValue()).contains(wanted);
    }

    @Nested
    class Ranges {
        @ParameterizedTest
        @CsvSource({"1899", "2028", "20270"})
        void nobodyIsBornThen(int year) {
            JsonNode person =
                    post("/api/people", TestServer.newPerson("Born " + year)).expect(201);
            Answer answer = put(
                    "/api/people/" + person.get("id").longValue(),
                    "{\"version\": 1, \"data\": {\"name\": \"Born " + year + "\", \"birthYear\": " + year
                            + ", \"tickets\": [], \"canCome\": []}}");
            refused(answer, "/data/birthYear", "give");
        }

        @Test
        void noTreeBearsFiftyTonnesOrIsPickedBeforeItFlowers() {
            long tree = TestServer.tree(TestServer.site("Heavy crop"), "H-1");
            String at = "/api/trees/" + tree + "/fruit/";
            refused(put(at + 2026, "{\"version\": 0, \"data\": {\"kilos\": 50000}}"), "/data/kilos", "0 to 2000 kg");
            refused(put(at + 2027, "{\"version\": 0, \"data\": {\"kilos\": 12}}"), "/data/kilos", "ripe before 2027-");
            refused(put(at + 2027, "{\"version\": 0, \"data\": {\"number\": 12}}"), "/data/number", "picked");
            refused(put(at + 2028, "{\"version\": 0, \"data\": {\"bloom\": 2}}"), "/year", "to 2027");
            // The bloom of the running year may be seen at any time.
            put(at + 2027, "{\"version\": 0, \"data\": {\"bloom\": 2}}").expect(200);
            put(at + 2026, "{\"version\": 0, \"data\": {\"kilos\": 50}}").expect(200);
        }

        @Test
        void noTreeIsPlantedAheadNorBearsBeforeItIs() {
            long site = TestServer.site("Planted ahead");
            ObjectNode tree = (ObjectNode) JSON.readTree(TestServer.treeJson("P-1"));
            tree.put("plantedYear", 2090);
            String path = "/api/sites/" + site + "/trees";
            refused(post(path, JSON.writeValueAsString(tree)), "/plantedYear", "to 2027");
            tree.put("plantedYear", 2020);
            long id = post(path, JSON.writeValueAsString(tree))
                    .expect(201)
                    .get("id")
                    .longValue();
            refused(
                    put("/api/trees/" + id + "/fruit/2019", "{\"version\": 0, \"data\": {\"kilos\": 1}}"),
                    "/year",
                    "from 2020");
        }

        @ParameterizedTest
        @CsvSource({"2020-03-06", "2031-01-01"})
        void nobodyWorksOnADayLikeThat(String on) {
            long site = TestServer.site("Odd day " + on);
            refused(
                    post(
                            "/api/sites/" + site + "/days",
                            "{\"on\": \"" + on + "\", \"starts\": \"09:30\", \"ends\": \"13:30\", \"shed\": {}}"),
                    "/on",
                    "give one from 2026-02-20 to 2030-02-20");
        }

        @Test
        void fourFifthsInSummerAndMoreHoursThanVolunteersHaveAreRefused() {
            refused(
                    post(
                            "/api/sites",
                            TestServer.siteJson("Cut bare")
                                    .replace("\"summerAllowance\": 0.1", "\"summerAllowance\": 0.8")),
                    "/policy/summerAllowance",
                    "0 to 0.34");
            long site = TestServer.site("Many hours");
            refused(
                    put(
                            "/api/sites/" + site + "/programme/hours",
                            "{\"hours\": [{\"year\": 0, \"season\": \"dormant\", \"hours\": 99999}]}"),
                    "/hours/0/hours",
                    "0 to 10000");
        }
    }

    @Nested
    class Kinds {
        @ParameterizedTest
        @CsvSource(
                delimiter = '|',
                value = {
                    "'{\"siteId\": 1, \"name\": 5}' | /name",
                    "'{\"siteId\": 1, \"name\": true}' | /name",
                    "'{\"siteId\": 1, \"name\": \"a\\u0000b\"}' | /name",
                    "'{\"siteId\": 1, \"name\": \"half \\ud83c\"}' | /name"
                })
        void textIsText(String body, String pointer) {
            refused(post("/api/people", body), pointer, "");
        }

        @Test
        void aPersonIsAWholeOneAndADayOneOfOurs() {
            long site = TestServer.site("Whole people");
            long tree = TestServer.tree(site, "W-1");
            long day = TestServer.day(site, "2027-03-06");
            refused(put("/api/days/" + day + "/people", "{\"version\": 1, \"people\": [1.5]}"), "/people/0", "kind");
            refused(put("/api/days/" + day + "/people", "{\"version\": 1, \"people\": [\"1\"]}"), "/people/0", "kind");
            for (String on : new String[] {"1899-12-31", "2201-01-01", "2027-02-30", "soon"}) {
                refused(
                        post(
                                "/api/trees/" + tree + "/reports",
                                "{\"on\": \"" + on + "\", \"kind\": \"split\", \"dangerous\": true}"),
                        "/on",
                        "1900 to 2200");
                assertThat(get("/api/trees/" + tree + "/season?on=" + on).status())
                        .isEqualTo(400);
            }
        }

        @Test
        void whatIsMoreThanMakesSenseAtAnAddressIsRefusedThere() {
            String long1 = "{\"name\": \"" + "x".repeat(300 * 1024) + "\"}";
            JsonNode problem = post("/api/people", long1).expect(413);
            assertThat(problem.get("detail").stringValue()).contains("256 KiB");
        }

        @Test
        void archivesOfNothingAndWithHolesAreRefusedByPlace() {
            post("/api/archives", "null").expect(400);
            JsonNode problem = post(
                            "/api/archives",
                            "{\"format\": \"diligent-bough/archive\", \"version\": 1, \"site\": "
                                    + TestServer.siteJson("Holes") + ", \"trees\": [null]}")
                    .expect(422);
            assertThat(problem.at("/errors/0/pointer").stringValue()).startsWith("/trees");
        }

        @Test
        void whatTheContainerRefusesIsSaidAsAllElse() throws Exception {
            URI server = URI.create(TestServer.url());
            try (Socket socket = new Socket(server.getHost(), server.getPort())) {
                socket.getOutputStream()
                        .write("GET /api/tr\\ees|1 HTTP/1.1\r\nHost: a\r\nConnection: close\r\n\r\n"
                                .getBytes(StandardCharsets.US_ASCII));
                String answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
                assertThat(answer).startsWith("HTTP/1.1 400").contains("application/problem+json");
                assertThat(answer).contains("\"detail\":").doesNotContainIgnoringCase("tomcat");
            }
        }
    }

    @Nested
    class TakenBack {
        @Test
        void aYearsFruit() {
            long tree = TestServer.tree(TestServer.site("Fruit back"), "B-1");
            String at = "/api/trees/" + tree + "/fruit/2026";
            put(at, "{\"version\": 0, \"data\": {\"kilos\": 12}}").expect(200);
            send("DELETE", at + "?version=7", null).expect(409);
            assertThat(send("DELETE", at + "?version=1", null).expect(200).get("years"))
                    .isEmpty();
            assertThat(get("/api/trees/" + tree + "/history").text()).contains("taken-away");
        }

        @Test
        void aPersonWhoLeftIsOffTheListAndOffTheDaysToComeButSignsWhatTheyDid() {
            long site = TestServer.site("Somebody left");
            long tree = TestServer.tree(site, "L-1");
            long who = TestServer.person("Leaver of Fields", 1980);
            long day = TestServer.day(site, "2027-03-06");
            put("/api/days/" + day + "/people", "{\"version\": 1, \"people\": [" + who + "]}")
                    .expect(200);
            TestServer.sendAs(who, "POST", "/api/trees/" + tree + "/surveys", TestServer.walkJson())
                    .expect(201);
            send("DELETE", "/api/people/" + who + "?version=2", null).expect(204);
            assertThat(get("/api/people").text()).doesNotContain("Leaver of Fields");
            assertThat(get("/api/days/" + day).json().get("people")).isEmpty();
            assertThat(get("/api/trees/" + tree + "/surveys").text()).contains("Leaver of Fields");
            // Named again they are back with what was known of them.
            JsonNode back = post("/api/people", TestServer.newPerson("Leaver of Fields"))
                    .expect(201);
            assertThat(back.get("id").longValue()).isEqualTo(who);
            assertThat(back.get("birthYear").intValue()).isEqualTo(1980);
        }

        @Test
        void aDayCalledOffGivesItsCutsBackToThePlan() {
            long site = TestServer.site("Called off");
            long tree = TestServer.tree(site, "C-1");
            post("/api/trees/" + tree + "/surveys", TestServer.walkJson()).expect(201);
            long day = TestServer.day(site, "2027-03-06");
            long other = TestServer.day(site, "2027-03-13");
            String put = "{\"version\": 1, \"treeId\": " + tree + "}";
            post("/api/days/" + day + "/visits", put).expect(201);
            post("/api/days/" + other + "/visits", put).expect(422);
            JsonNode off =
                    post("/api/days/" + day + "/called-off", "{\"version\": 2}").expect(200);
            assertThat(off.get("state").stringValue()).isEqualTo("called-off");
            assertThat(off.get("visits")).isEmpty();
            post("/api/days/" + other + "/visits", put).expect(201);
            refused(post("/api/days/" + day + "/confirm", "{\"version\": 3}"), "", "called off");
        }
    }

    @Test
    void aBushIsSurveyedWithoutATrunk() {
        long site = TestServer.site("Bush field");
        ObjectNode bush = (ObjectNode) JSON.readTree(TestServer.treeJson("G-1"));
        bush.put("species", "gooseberry").put("bearing", "unknown").put("targetHeightM", 1.5);
        long tree = post("/api/sites/" + site + "/trees", JSON.writeValueAsString(bush))
                .expect(201)
                .get("id")
                .longValue();
        JsonNode kept = post("/api/trees/" + tree + "/surveys", """
                        {"surveyedOn": "2027-02-10", "tree": {"heightM": 1.2, "spreadM": 1.1}, "limbs": [
                          {"id": "A", "diameterCm": 3, "originHeightM": 0.1, "azimuthDeg": 0, "angleDeg": 70, "lengthM": 1.1},
                          {"id": "B", "diameterCm": 4, "originHeightM": 0.1, "azimuthDeg": 120, "angleDeg": 70, "lengthM": 1}]}
                        """).expect(201);
        // Two stems of 3 and 4 cm are as one of 5.
        assertThat(get("/api/surveys/" + kept.get("id").longValue() + "/file")
                        .json()
                        .at("/tree/trunkGirthCm")
                        .doubleValue())
                .isEqualTo(16);
    }
}
