package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.person;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;

import java.util.List;
import java.util.UUID;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;

/** What a crew has on paper, read again. */
class PackTest {
    @Test
    void aCrewsPackHoldsItsTreesCutsWhyAndCautionsAndNoOtherCrews() throws Exception {
        long site = TestServer.site("Packs <b>&</b> " + UUID.randomUUID());
        long lena = person("Lena <i>Pack</i>", 1970, "lead", "first-aid", "ladder");
        long abel = person("Abel Pack", 1980);
        long otto = person("Otto Pack", 1975, "lead");
        long day = TestServer.day(site, "2027-03-30");
        put("/api/days/" + day + "/people", "{\"version\": 1, \"people\": " + List.of(lena, abel, otto) + "}")
                .expect(200);
        for (String tag : List.of("P-1", "P-2")) {
            long tree = TestServer.tree(site, tag);
            post("/api/trees/" + tree + "/surveys", TestServer.walkJson()).expect(201);
            TestServer.judged();
            post(
                            "/api/days/" + day + "/visits",
                            "{\"version\": " + get("/api/days/" + day).json().get("version") + ", \"treeId\": " + tree
                                    + "}")
                    .expect(201);
        }
        var now = get("/api/days/" + day).expect(200);
        put(
                        "/api/days/" + day + "/crews",
                        "{\"version\": " + now.get("version") + ", \"crews\": [{\"people\": " + List.of(lena, abel)
                                + ", \"turns\": [\"visit-" + now.at("/visits/0/id") + "\"]}, {\"people\": [" + otto
                                + "], \"turns\": [\"visit-" + now.at("/visits/1/id") + "\"]}]}")
                .expect(200);
        try (PDDocument pdf = Loader.loadPDF(TestServer.bytes("/api/days/" + day + "/pack.pdf?crew=1"))) {
            String text = new PDFTextStripper().getText(pdf);
            assertThat(text)
                    .contains("Crew 1, Packs <b>&</b>")
                    .contains("Lena <i>Pack</i>")
                    .contains("1. P-1")
                    .contains("remove C")
                    .contains("It grows into the centre")
                    .contains("Nobody works alone")
                    .contains("From above, north up")
                    .doesNotContain("P-2")
                    .doesNotContain("Otto");
            int images = 0;
            for (var page : pdf.getPages()) {
                for (var name : page.getResources().getXObjectNames()) {
                    images += page.getResources().isImageXObject(name) ? 1 : 0;
                }
            }
            assertThat(images).as("from the side and from above").isEqualTo(2);
        }
        try (PDDocument pdf = Loader.loadPDF(TestServer.bytes("/api/days/" + day + "/pack.pdf"))) {
            assertThat(new PDFTextStripper().getText(pdf)).contains("1. P-1").contains("2. P-2");
        }
        assertThat(get("/api/days/" + day + "/pack.pdf?crew=9").status()).isEqualTo(404);
    }
}
