package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import tools.jackson.databind.JsonNode;

/** A tree at a site of its own, walked in January 2026, of which limb A was shortened in February 2026. */
public record CutTree(long who, long site, long tree) {

    public static CutTree planted() {
        long who = TestServer.person("Anna Answers", 1970);
        long site = TestServer.site("Answer " + UUID.randomUUID());
        long tree = TestServer.tree(site, "A-1");
        TestServer.post(
                        "/api/trees/" + tree + "/surveys",
                        TestServer.walkJson()
                                .replaceFirst("\"surveyedOn\": \"[^\"]*\"", "\"surveyedOn\": \"2026-01-15\""))
                .expect(201);
        long visit = TestServer.post("/api/trees/" + tree + "/visits", "{}")
                .expect(201)
                .get("visitId")
                .longValue();
        TestServer.post("/api/visits/" + visit + "/log", """
                        {"key": "%s", "on": "2026-02-15", "minutes": 90, "people": [%d], "prunings": "chipped", "shoots": 0,
                         "cuts": [{"limb": "A", "outcome": "other", "kind": "shorten", "alongM": 1.0, "diameterCm": 8.0, "wood": "sound"}]}
                        """.formatted(UUID.randomUUID(), who))
                .expect(201);
        return new CutTree(who, site, tree);
    }

    /** Counts so many shoots near that cut, a year later. */
    public void grewBack(int shoots) {
        TestServer.post("/api/trees/" + tree + "/looks", """
                        {"wound": "A", "on": "2027-01-20", "longMm": 74, "shortMm": 70, "state": "closing", "shoots": %d, "longestCm": 160}
                        """.formatted(shoots)).expect(200);
    }

    /** A number of the site's rules. */
    public JsonNode figure(String name) {
        JsonNode figures = TestServer.get("/api/sites/" + site + "/figures").expect(200);
        assertThat(figures).isNotEmpty();
        return figures.valueStream()
                .filter(one -> one.get("figure").stringValue().equals(name))
                .findFirst()
                .orElseThrow();
    }
}
