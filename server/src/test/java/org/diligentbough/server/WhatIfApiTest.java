package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.send;

import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Plans with other wishes stand beside a tree's own and change nothing. */
class WhatIfApiTest {
    private static long walked(String name) {
        long tree = TestServer.tree(TestServer.site(name), "W-1");
        post("/api/trees/" + tree + "/surveys", TestServer.walkJson()).expect(201);
        return tree;
    }

    private static double lastHeightM(JsonNode way) {
        return way.at("/years/10/is/heightM").doubleValue();
    }

    @Test
    void anotherHeightIsComparedAndThePlanStays() {
        long tree = walked("What If");
        String url = "/api/trees/" + tree + "/what-ifs";
        JsonNode plan = get("/api/trees/" + tree + "/judgement").expect(200).at("/evaluation/plan");
        JsonNode low = post(url, """
                        {"name": "low for children", "wish": {"targetHeightM": 2.6, "years": 4, "allowance": "third"}}
                        """).expect(201);
        assertThat(low.get("by").stringValue()).isEqualTo("Tess Ferrier");
        assertThat(low.at("/wish/targetHeightM").doubleValue()).isEqualTo(2.6);
        assertThat(low.get("says")).isNotEmpty();
        assertThat(low.at("/way/years")).hasSize(11);
        JsonNode own = get("/api/trees/" + tree + "/outlook").expect(200).get("plan");
        assertThat(lastHeightM(low.get("way"))).isLessThan(lastHeightM(own) - 0.5);
        assertThat(low.at("/way/years/0/is/heightM").doubleValue())
                .isEqualTo(own.at("/years/0/is/heightM").doubleValue());
        assertThat(get("/api/trees/" + tree + "/judgement").expect(200).at("/evaluation/plan"))
                .isEqualTo(plan);
        assertThat(get(url).expect(200)).hasSize(1);
        send("DELETE", url + "/" + low.get("id").longValue(), null).expect(204);
        assertThat(get(url).expect(200)).isEmpty();
        send("DELETE", url + "/" + low.get("id").longValue(), null).expect(404);
    }

    @Test
    void whatCannotBeWishedIsNamed() {
        long tree = walked("What If Not");
        String url = "/api/trees/" + tree + "/what-ifs";
        assertThat(post(url, "{\"name\": \"nothing\", \"wish\": {}}")
                        .expect(422)
                        .toString())
                .contains("wishes nothing otherwise");
        assertThat(post(url, "{\"name\": \"\", \"wish\": {\"years\": 0, \"pome\": \"spring\"}}")
                        .expect(422)
                        .toString())
                .contains("/name", "/wish/years", "/wish/pome");
        for (int i = 1; i <= 3; i++) {
            post(url, "{\"name\": \"over " + i + "\", \"wish\": {\"years\": " + i + "}}")
                    .expect(201);
        }
        assertThat(post(url, "{\"name\": \"four\", \"wish\": {\"years\": 4}}")
                        .expect(422)
                        .toString())
                .contains("one too many");
        assertThat(post(url, "{\"name\": \"over 1\", \"wish\": {\"years\": 4}}").status())
                .isIn(409, 422);
    }
}
