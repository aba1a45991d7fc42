package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.sendBytes;

import java.nio.charset.StandardCharsets;
import org.diligentbough.server.TestServer.Answer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Many trees in and out, as a table and as a map: all or none, every bad field named. */
class BulkApiTest {
    private static Answer table(long site, String fields, String csv) {
        return sendBytes(
                "/api/sites/" + site + "/trees/table?fields=" + fields,
                "text/csv",
                csv.getBytes(StandardCharsets.UTF_8));
    }

    private static JsonNode trees(long site) {
        return get("/api/sites/" + site + "/trees").expect(200).get("trees");
    }

    @Test
    void columnsAreMatchedByTheirNamesWhateverPartsThem() {
        long site = TestServer.site("Matched");
        JsonNode seen = sendBytes(
                        "/api/sites/" + site + "/trees/table/look",
                        "text/csv",
                        "\uFEFFNumber;Variety;Fruit;Planted;Girth\nB-1;Clay Queen;Apple;1931;90\n"
                                .getBytes(StandardCharsets.UTF_8))
                .expect(200);
        assertThat(seen.get("suggested").toString())
                .isEqualTo("[\"tag\",\"cultivar\",\"species\",\"plantedYear\",\"\"]");
        assertThat(seen.get("rows")).hasSize(1);
        assertThat(seen.at("/rows/0/1").stringValue()).isEqualTo("Clay Queen");
        assertThat(trees(site)).isEmpty();
    }

    @Test
    void aTableIsRegisteredWhole() {
        long site = TestServer.site("Table Field");
        table(
                        site,
                        "tag,species,eastM,,inContainer,northM",
                        "a,b,c,d,e,f\nB-1,Sweet cherry,\"3,5\",x,yes,0\nB-2,apple,-4,,,1\n")
                .expect(201);
        JsonNode trees = trees(site);
        assertThat(trees).hasSize(2);
        assertThat(trees.at("/0/data/species").stringValue()).isEqualTo("sweet-cherry");
        assertThat(trees.at("/0/data/eastM").doubleValue()).isEqualTo(3.5);
        assertThat(trees.at("/0/data/inContainer").booleanValue()).isTrue();
        assertThat(trees.at("/1/data/purpose").stringValue()).isEqualTo("picking");
    }

    @Test
    void everyBadRowIsNamedAndNothingIsKept() {
        long site = TestServer.site("Bad Table");
        TestServer.tree(site, "B-9");
        JsonNode refused = table(
                        site,
                        "tag,species,plantedYear,eastM,northM",
                        "tag,kind,year,east,north\nB-1,apple,1931,0,0\n,apple,19x,0,0\nB-3,oak,1931,90000,0\nB-1,pear,1931,1,1\nB-9,pear,1931,1,1\n")
                .expect(422);
        assertThat(refused.get("errors").findValuesAsString("pointer"))
                .containsExactlyInAnyOrder(
                        "/lines/3/tag",
                        "/lines/3/plantedYear",
                        "/lines/4/species",
                        "/lines/4/eastM",
                        "/lines/5/tag",
                        "/lines/6/tag");
        assertThat(trees(site)).hasSize(1);
        assertThat(table(site, "tag,tag", "a,b\nx,y\n").status()).isEqualTo(422);
    }

    @Test
    void whatGoesOutComesInAgainAndNoCellIsAFormula() {
        long site = TestServer.site("Round Table");
        table(site, "tag,species,note,eastM,northM", "t,s,n,e,n\n\"'=1+1\",apple,\"'+cmd, really\",2.25,-7.5\n")
                .expect(201);
        assertThat(trees(site).at("/0/data/tag").stringValue()).isEqualTo("=1+1");
        String out = get("/api/sites/" + site + "/trees.csv").text();
        assertThat(out).contains("'=1+1").contains("\"'+cmd, really\"");
        String header = out.lines().findFirst().orElseThrow();
        long again = TestServer.site("Round Table again");
        table(again, header, out).expect(201);
        assertThat(trees(again).at("/0/data")).isEqualTo(trees(site).at("/0/data"));
    }

    @Test
    void aMapGoesOutInDegreesAndComesInWithinACentimetre() {
        long site = TestServer.site("Map Field");
        table(site, "tag,species,eastM,northM", "t,s,e,n\nM-1,pear,123.45,-67.89\n")
                .expect(201);
        JsonNode map = TestServer.JSON.readTree(
                get("/api/sites/" + site + "/trees.geojson").text());
        assertThat(map.at("/features/0/geometry/coordinates/1").doubleValue())
                .isCloseTo(52.1 - 67.89 / 111_195, within(1e-6));
        long again = TestServer.site("Map Field again");
        post("/api/sites/" + again + "/trees/geojson", map.toString()).expect(201);
        assertThat(trees(again).at("/0/data/eastM").doubleValue()).isCloseTo(123.45, within(0.0101));
        assertThat(trees(again).at("/0/data/northM").doubleValue()).isCloseTo(-67.89, within(0.0101));
        JsonNode refused = post(
                        "/api/sites/" + again + "/trees/geojson",
                        map.toString()
                                .replace("\"M-1\"", "\"M-2\"")
                                .replace("\"species\":\"pear\"", "\"species\":\"oak\",\"colour\":\"red\""))
                .expect(422);
        assertThat(refused.get("errors").findValuesAsString("pointer"))
                .containsExactlyInAnyOrder("/features/0/properties/species", "/features/0/properties/colour");
        assertThat(post("/api/sites/" + again + "/trees/geojson", "{\"type\": \"Feature\"}")
                        .status())
                .isEqualTo(400);
    }
}
