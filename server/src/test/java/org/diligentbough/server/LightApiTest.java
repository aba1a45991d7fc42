package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;

import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Light in a crown, over a site, and worked out anew for all its trees. */
class LightApiTest {
    private static long surveyed(long site, String tag, double eastM, double northM) {
        long tree = post(
                        "/api/sites/" + site + "/trees",
                        TestServer.treeJson(tag)
                                .replace(
                                        "\"eastM\": 1.5, \"northM\": -2",
                                        "\"eastM\": " + eastM + ", \"northM\": " + northM))
                .expect(201)
                .get("id")
                .longValue();
        post("/api/trees/" + tree + "/surveys", TestServer.walkJson()).expect(201);
        return tree;
    }

    private static double light(long tree, String limb) {
        for (JsonNode one : get("/api/trees/" + tree + "/judgement").expect(200).at("/evaluation/limbs")) {
            if (one.get("id").stringValue().equals(limb)) {
                return one.get("light").doubleValue();
            }
        }
        throw new AssertionError("no limb " + limb);
    }

    @Test
    void aNeighbourToTheSouthTakesLightAndIsNamed() {
        long site = TestServer.site("Light Row");
        long tree = surveyed(site, "L-1", 0, 0);
        double alone = light(tree, "B");
        surveyed(site, "L-2", 0, -3);
        assertThat(light(tree, "B")).isLessThan(alone);
        JsonNode judged = get("/api/trees/" + tree + "/judgement").expect(200);
        assertThat(judged.at("/evaluation/light/takenByNeighbours/0/name").stringValue())
                .isEqualTo("L-2");
        assertThat(judged.at("/evaluation/light/inLightBefore").isNumber()).isTrue();
        JsonNode shade = judged.get("shading").get(0);
        assertThat(shade.get("limb").stringValue()).isEqualTo("A");
    }

    @Test
    void fromAboveThePairThatStandsTooCloseIsToldWithWhatToDo() {
        long site = TestServer.site("Too Close");
        surveyed(site, "T-1", 0, 0);
        surveyed(site, "T-2", 3, 0);
        surveyed(site, "T-3", 40, 0);
        JsonNode light = get("/api/sites/" + site + "/light").expect(200);
        assertThat(light.get("trees")).hasSize(3);
        assertThat(light.get("tooClose")).hasSize(1);
        assertThat(light.at("/tooClose/0/overlapM").doubleValue()).isCloseTo(1.5, within(0.01));
        assertThat(light.at("/tooClose/0/reasons/0/text").stringValue())
                .isEqualTo("The crowns of T-1 and T-2 reach 1.5 m into each other.");
        JsonNode ground = light.get("ground");
        assertThat(ground.get("light"))
                .hasSize(ground.get("columns").intValue() * ground.get("rows").intValue());
        assertThat(get("/api/sites/" + TestServer.site("Empty Field") + "/light")
                        .expect(200)
                        .get("ground")
                        .isNull())
                .isTrue();
    }

    @Test
    void everyTreeIsJudgedInPresentLightAsAJobWithProgress() throws InterruptedException {
        long site = TestServer.site("Job Field");
        long tree = surveyed(site, "J-1", 0, 0);
        // When it was judged there was no neighbour yet.
        double before = get("/api/trees/" + tree).json().at("/light/mean").doubleValue();
        surveyed(site, "J-2", 0, -3);
        assertThat(get("/api/trees/" + tree).json().at("/light/mean").doubleValue())
                .isEqualTo(before);
        JsonNode job = post("/api/sites/" + site + "/light/job", "").expect(202);
        assertThat(job.get("total").intValue()).isEqualTo(2);
        // The stream of events ends with the job.
        String events =
                get("/api/jobs/" + job.get("id").longValue() + "/progress").text();
        assertThat(events).contains("\"state\":\"done\"").contains("\"done\":2");
        assertThat(get("/api/sites/" + site + "/light/job")
                        .json()
                        .at("/0/state")
                        .stringValue())
                .isEqualTo("done");
        assertThat(get("/api/trees/" + tree).json().at("/light/mean").doubleValue())
                .isLessThan(before);
        assertThat(post("/api/jobs/" + job.get("id").longValue() + "/cancel", "")
                        .expect(200)
                        .get("state")
                        .stringValue())
                .isEqualTo("done");
        assertThat(get("/api/jobs/999999").status()).isEqualTo(404);
    }

    @Test
    void theRegisterCanBeSortedByLight() {
        long site = TestServer.site("Sorted Light");
        surveyed(site, "S-1", 0, 0);
        TestServer.tree(site, "S-2");
        JsonNode trees =
                get("/api/sites/" + site + "/trees?sort=light").expect(200).get("trees");
        assertThat(trees.get(0).at("/data/tag").stringValue()).isEqualTo("S-1");
        assertThat(trees.get(0).at("/light/inLight").isNumber()).isTrue();
        assertThat(trees.get(1).get("light").isNull()).isTrue();
    }
}
