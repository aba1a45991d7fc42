package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.send;
import static org.diligentbough.server.TestServer.sendAs;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class SampleApiTest {
    /** Others may have played before. */
    @BeforeEach
    void noSampleStands() {
        get("/api/sites")
                .json()
                .valueStream()
                .filter(site -> site.get("sample").booleanValue())
                .forEach(site ->
                        send("DELETE", "/api/samples/" + site.get("id"), null).expect(204));
    }

    @Test
    void noMoreArePlantedThanAnybodyPlaysIn() {
        for (int i = 0; i < 3; i++) {
            post("/api/samples", "").expect(201);
        }
        assertThat(post("/api/samples", "").expect(422).at("/errors/0/detail").stringValue())
                .contains("throw one away");
    }

    /** Rows by table; what the server keeps of what was sent stays, so that nothing is taken twice. */
    private static Map<String, Long> rows() throws SQLException {
        try (Connection sql = TestServer.database()) {
            List<String> tables = new ArrayList<>();
            ResultSet names = sql.createStatement()
                    .executeQuery("select table_name from information_schema.tables where table_schema = 'public'");
            while (names.next()) {
                tables.add(names.getString(1));
            }
            Map<String, Long> counted = new TreeMap<>();
            for (String table : tables) {
                ResultSet count = sql.createStatement().executeQuery("select count(*) from " + table);
                count.next();
                counted.put(table, count.getLong(1));
            }
            counted.remove("sent_once");
            return counted;
        }
    }

    @Test
    void aSampleIsPlantedPlayedWithAndThrownAwayWithoutATrace() throws SQLException {
        TestServer.orchard("Beside a sample", 2);
        Map<String, Long> before = rows();
        long site = post("/api/samples", "").expect(201).get("siteId").longValue();
        assertThat(get("/api/sites/" + site).json().get("sample").booleanValue())
                .isTrue();
        assertThat(get("/api/sites/" + site + "/trees").json().get("total").intValue())
                .isGreaterThan(50);
        assertThat(rows()).isNotEqualTo(before);
        // Whoever plays leaves things of every kind behind.
        long tree = TestServer.tree(site, "PLAY-1");
        post("/api/trees/" + tree + "/surveys", TestServer.walkJson()).expect(201);
        TestServer.put("/api/trees/" + tree + "/fruit/2026", "{\"version\": 0, \"fruit\": {\"kilos\": 12}}");
        long another = post("/api/samples", "").expect(201).get("siteId").longValue();
        assertThat(get("/api/sites/" + another).json().at("/data/name").stringValue())
                .isEqualTo("Sample orchard 2");

        send("DELETE", "/api/samples/" + another, null).expect(204);
        send("DELETE", "/api/samples/" + site, null).expect(204);
        assertThat(rows()).isEqualTo(before);
        send("DELETE", "/api/samples/" + site, null).expect(404);
    }

    @Test
    void whoDidSomethingElsewhereStaysWhenTheirSampleGoes() {
        long site = post("/api/samples", "").expect(201).get("siteId").longValue();
        long guest = get("/api/people")
                .json()
                .valueStream()
                .filter(one -> one.get("name").stringValue().equals("Tamsin Oke"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .longValue();
        long own = TestServer.site("Own work");
        long tree = TestServer.tree(own, "O-1");
        sendAs(guest, "POST", "/api/trees/" + tree + "/surveys", TestServer.walkJson())
                .expect(201);
        send("DELETE", "/api/samples/" + site, null).expect(204);
        assertThat(get("/api/people").json().valueStream().map(one -> one.get("id")
                        .longValue()))
                .contains(guest);
        assertThat(get("/api/trees/" + tree + "/surveys").json()).hasSize(1);
    }

    @Test
    void ofARealOrchardNothingIsThrownAway() {
        long site = TestServer.site("Here to stay");
        send("DELETE", "/api/samples/" + site, null).expect(404);
        assertThat(get("/api/sites/" + site).status()).isEqualTo(200);
    }
}
