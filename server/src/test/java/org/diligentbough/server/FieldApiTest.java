package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.sendBytes;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.diligentbough.server.TestServer.Answer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What a phone takes along and sends: once, however often it is sent; never over somebody's newer walk. */
class FieldApiTest {
    private static String surveysOf(long tree) {
        return "/api/trees/" + tree + "/surveys";
    }

    @Test
    void aSurveySentTwiceIsKeptOnce() {
        long tree = TestServer.tree(TestServer.site("Sent Twice"), "F-1");
        String sent = surveysOf(tree) + "?basedOn=0&sentAs=" + UUID.randomUUID();
        long first = post(sent, TestServer.walkJson()).expect(201).get("id").longValue();
        // Again, though by now the tree has a newer survey than the one it was based on: its own.
        assertThat(post(sent, TestServer.walkJson()).expect(201).get("id").longValue())
                .isEqualTo(first);
        assertThat(get(surveysOf(tree)).json()).hasSize(1);
    }

    @Test
    void aWalkIsNotLaidOverANewerOne() {
        long tree = TestServer.tree(TestServer.site("Newer Walk"), "F-1");
        long first = post(surveysOf(tree) + "?basedOn=0", TestServer.walkJson())
                .expect(201)
                .get("id")
                .longValue();
        JsonNode refused =
                post(surveysOf(tree) + "?basedOn=0", TestServer.walkJson()).expect(409);
        assertThat(refused.get("detail").stringValue()).isNotBlank();
        assertThat(get(surveysOf(tree)).json()).hasSize(1);
        post(surveysOf(tree) + "?basedOn=" + first, TestServer.walkJson()).expect(201);
    }

    @Test
    void thePackHoldsEveryTreeWithWhatANewSurveyStartsFrom() {
        long site = TestServer.site("Pack Field");
        long tree = TestServer.tree(site, "P-1");
        TestServer.tree(site, "P-2");
        post(surveysOf(tree), TestServer.walkJson()).expect(201);
        JsonNode pack = get("/api/sites/" + site + "/field").expect(200);
        assertThat(pack.get("today").stringValue()).isEqualTo("2027-02-20");
        // The one nobody has walked to comes first.
        assertThat(pack.at("/trees/0/tag").stringValue()).isEqualTo("P-2");
        assertThat(pack.at("/trees/0/start").isNull()).isTrue();
        assertThat(pack.at("/trees/1/start/limbs")).hasSize(4);
        assertThat(pack.at("/trees/1/start/tree/heightM").doubleValue()).isEqualTo(5);
        assertThat(pack.at("/trees/1/start/surveyedOn").isMissingNode()).isTrue();
    }

    @Test
    void aNewSurveyStartsWithoutWhatWasCutOffAndAShortenedLimbStaysItself() {
        long tree = TestServer.tree(TestServer.site("After Cuts"), "C-1");
        post(surveysOf(tree), TestServer.walkJson()).expect(201);
        long visit = post("/api/trees/" + tree + "/visits", "{}")
                .expect(201)
                .get("visitId")
                .longValue();
        long who = TestServer.person("Field Cutter", null);
        post("/api/visits/" + visit + "/log", """
                        {"key": "%s", "on": "2027-02-18", "minutes": 30, "people": [%d], "prunings": "stacked", "shoots": 0,
                         "cuts": [{"limb": "D", "outcome": "done", "kind": "remove"},
                                  {"limb": "A", "outcome": "other", "kind": "shorten", "alongM": 2}]}
                        """.formatted(UUID.randomUUID(), who))
                .expect(201);
        JsonNode limbs = get("/api/trees/" + tree + "/field").expect(200).at("/start/limbs");
        assertThat(limbs.findValuesAsString("id")).containsExactly("A", "B", "C");
        assertThat(limbs.at("/0/lengthM").doubleValue()).isEqualTo(2);
        assertThat(limbs.at("/0/leafiness").doubleValue()).isLessThan(1);
    }

    @Test
    void photosAreKeptOnceAndOnlyIfTheyArePictures() throws IOException {
        long tree = TestServer.tree(TestServer.site("Photo Field"), "P-1");
        UUID key = UUID.randomUUID();
        String sent = "/api/trees/" + tree + "/photos?takenOn=2027-02-20&spot=from+the+south&key=";
        byte[] picture = jpeg(640, 480);
        JsonNode kept = photo(sent + key, picture).expect(201);
        assertThat(kept.get("width").intValue()).isEqualTo(640);
        photo(sent + key, picture).expect(201);
        assertThat(get("/api/trees/" + tree + "/photos").json()).hasSize(1);
        assertThat(TestServer.header("/api/photos/" + key, "content-type")).isEqualTo("image/jpeg");
        assertThat(TestServer.header("/api/photos/" + key, "x-content-type-options"))
                .isEqualTo("nosniff");

        assertThat(photo(sent + UUID.randomUUID(), "<script>alert(1)</script>".getBytes(StandardCharsets.UTF_8))
                        .status())
                .isEqualTo(400);
        byte[] broken = picture.clone();
        Arrays.fill(broken, 20, 400, (byte) 0);
        assertThat(photo(sent + UUID.randomUUID(), broken).status()).isEqualTo(400);
        assertThat(photo(sent + UUID.randomUUID(), new byte[5 * 1024 * 1024]).status())
                .isEqualTo(413);
        assertThat(photo(sent + "../../etc/passwd", picture).status()).isBetween(400, 422);
        assertThat(get("/api/trees/" + tree + "/photos").json()).hasSize(1);
        assertThat(get("/api/photos/" + UUID.randomUUID()).status()).isEqualTo(404);
    }

    private static Answer photo(String path, byte[] picture) {
        return sendBytes(path, "image/jpeg", picture);
    }

    private static byte[] jpeg(int width, int height) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB), "jpg", out);
        return out.toByteArray();
    }
}
