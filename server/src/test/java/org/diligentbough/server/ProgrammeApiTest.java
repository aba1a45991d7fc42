package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.person;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;
import static org.diligentbough.server.TestServer.sendAs;
import static org.diligentbough.server.TestServer.site;
import static org.diligentbough.server.TestServer.tree;
import static org.diligentbough.server.TestServer.walkJson;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The programme of a site through the API, and the page for a tree's owner. */
class ProgrammeApiTest {

    private static long walked(long siteId, String tag) {
        long treeId = tree(siteId, tag);
        post("/api/trees/" + treeId + "/surveys", walkJson()).expect(201);
        return treeId;
    }

    private static JsonNode programme(long siteId) {
        return get("/api/sites/" + siteId + "/programme").expect(200);
    }

    private static byte[] bytes(String path) throws IOException, InterruptedException {
        HttpResponse<byte[]> answer = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(TestServer.url() + path))
                                .headers(TestServer.signedIn())
                                .build(),
                        HttpResponse.BodyHandlers.ofByteArray());
        assertThat(answer.statusCode()).isEqualTo(200);
        return answer.body();
    }

    @Test
    void theWorkOfThePlansIsSummedByYearAndSeason() {
        long siteId = site("Sums");
        assertThat(programme(siteId).get("slots")).isEmpty();
        long treeId = walked(siteId, "P-1");
        JsonNode evaluation = get("/api/trees/" + treeId + "/judgement").json().get("evaluation");
        int minutes = 0;
        for (JsonNode lane : evaluation.get("plan")) {
            minutes += lane.get("minutes").intValue();
        }
        assertThat(minutes).isPositive();
        // When its plan is done it is kept up, which is told for five years from the first on.
        JsonNode upkeep = evaluation.get("upkeep");
        assertThat(upkeep.get("minutes").intValue()).isPositive();
        int years = 2027 + 4 - upkeep.get("fromYear").intValue() + 1;
        minutes += years * upkeep.get("minutes").intValue();
        int laid = 0;
        for (JsonNode slot : programme(siteId).get("slots")) {
            laid += slot.get("minutes").intValue();
            assertThat(slot.get("hours").isNull()).isTrue();
        }
        assertThat(laid).isEqualTo(minutes);
        assertThat(programme(siteId).at("/trees/0/upkeepMinutes").intValue())
                .isEqualTo(upkeep.get("minutes").intValue());
    }

    @Test
    void shortHoursPutTreesOffAndTheYearCanBeSetByHand() {
        long siteId = site("Short");
        walked(siteId, "P-1");
        long second = walked(siteId, "P-2");
        double hours = 0;
        for (JsonNode lane : get("/api/trees/" + second + "/judgement").json().at("/evaluation/plan")) {
            if (lane.get("season").stringValue().equals("dormant")) {
                hours = Math.max(hours, lane.get("minutes").intValue() / 60.0);
            }
        }
        String short1 = "{\"hours\": [{\"year\": 0, \"season\": \"dormant\", \"hours\": %s}]}"
                .formatted(Math.round(hours * 110) / 100.0);
        JsonNode laid = put("/api/sites/" + siteId + "/programme/hours", short1).expect(200);
        assertThat(laid.get("putOff")).isNotEmpty();
        JsonNode off = laid.at("/putOff/0");
        assertThat(off.get("tag").stringValue()).isIn("P-1", "P-2");
        put("/api/trees/" + second + "/programme", "{\"version\": 0, \"year\": 2031}")
                .expect(200);
        JsonNode set = programme(siteId);
        for (JsonNode tree : set.get("trees")) {
            if (tree.get("tag").stringValue().equals("P-2")) {
                assertThat(tree)
                        .isEqualTo(get("/api/trees/" + second + "/programme").json());
                assertThat(tree.get("setTo").intValue()).isEqualTo(2031);
                assertThat(tree.get("begins").intValue()).isEqualTo(2031);
                assertThat(tree.get("beginsLabel").stringValue()).isEqualTo("2031");
            } else {
                assertThat(tree.get("begins").intValue()).isEqualTo(2027);
            }
        }
        put("/api/trees/" + second + "/programme", "{\"version\": 0, \"year\": 2032}")
                .expect(409);
        long version = get("/api/trees/" + second + "/programme")
                .json()
                .get("setVersion")
                .longValue();
        put("/api/trees/" + second + "/programme", "{\"version\": " + version + ", \"year\": null}")
                .expect(200);
        put("/api/sites/" + siteId + "/programme/hours", "{\"hours\": []}").expect(200);
        assertThat(programme(siteId).get("putOff")).isEmpty();
    }

    @Test
    void personMinutesOfPastDaysAreToldAsHoursBySeason() {
        long siteId = site("Past days");
        long treeId = walked(siteId, "P-1");
        long visitId = post("/api/trees/" + treeId + "/visits", "{}")
                .expect(201)
                .get("visitId")
                .longValue();
        String people = person("Hour One", 1970) + "," + person("Hour Two", 1971);
        post("/api/visits/" + visitId + "/log", """
                        {"key": "%s", "on": "2027-02-20", "minutes": 180, "people": [%s], "prunings": "stacked", "shoots": 0,
                         "cuts": [{"limb": "C", "outcome": "done"}, {"limb": "D", "outcome": "done"}]}
                        """.formatted(UUID.randomUUID(), people))
                .expect(201);
        JsonNode worked = programme(siteId).get("hoursWorked");
        assertThat(worked).hasSize(1);
        assertThat(worked.at("/0/season").stringValue()).isEqualTo("dormant");
        assertThat(worked.at("/0/hours").doubleValue()).isEqualTo(3);
    }

    @Test
    void hoursThatCannotBeAreRefusedByField() {
        long siteId = site("Hours");
        String path = "/api/sites/" + siteId + "/programme/hours";
        assertThat(put(path, "{\"hours\": [{\"year\": 0, \"season\": \"dormant\", \"hours\": -1}]}")
                        .expect(422)
                        .at("/errors/0/pointer")
                        .stringValue())
                .isEqualTo("/hours/0/hours");
        put(path, "{\"hours\": [{\"year\": 0, \"season\": \"monsoon\", \"hours\": 1}]}")
                .expect(422);
        String one = "{\"year\": 0, \"season\": \"dormant\", \"hours\": 1}";
        put(path, "{\"hours\": [" + one + "," + one + "]}").expect(422);
        sendAs(0, "PUT", path, "{\"hours\": []}").expect(401);
        get("/api/sites/999999/programme").expect(404);
        get("/api/trees/" + tree(siteId, "P-9") + "/programme").expect(404);
    }

    @Test
    void allTreesArePlannedAnewAsAJob() throws InterruptedException {
        long siteId = site("Jobs");
        walked(siteId, "P-1");
        JsonNode job = post("/api/sites/" + siteId + "/programme/job", "").expect(202);
        for (int i = 0; i < 100 && job.get("state").stringValue().matches("waiting|running"); i++) {
            Thread.sleep(50);
            job = get("/api/jobs/" + job.get("id").longValue()).expect(200);
        }
        assertThat(job.get("state").stringValue()).isEqualTo("done");
        assertThat(job.get("done").intValue()).isEqualTo(1);
        assertThat(get("/api/sites/" + siteId + "/programme/job").expect(200)).hasSize(1);
    }

    @Test
    void theTableIsSafeToOpenInASpreadsheet() throws Exception {
        long siteId = site("Tables");
        walked(siteId, "=P-1");
        String table =
                new String(bytes("/api/sites/" + siteId + "/programme.csv"), java.nio.charset.StandardCharsets.UTF_8);
        assertThat(table.lines().findFirst().orElseThrow())
                .isEqualTo("tree,species,group,pruningYear,season,minutes,danger,setTo");
        assertThat(table).contains("'=P-1,").contains(",2027,");
        // What cannot wait stands in a line of its own.
        assertThat(table.lines().filter(line -> line.endsWith(",yes,"))).hasSize(1);
        assertThat(table.lines().filter(line -> line.endsWith(",no,"))).isNotEmpty();
    }
}
