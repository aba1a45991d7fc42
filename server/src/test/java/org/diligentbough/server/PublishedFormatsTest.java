package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.JSON;
import static org.diligentbough.server.TestServer.file;
import static org.diligentbough.server.TestServer.get;

import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Properties;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.FaultKind;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What is published agrees with the code. */
class PublishedFormatsTest {

    @Test
    void theCommittedApiDocumentIsTheServers() {
        assertThat(JSON.readTree(file("docs/api/openapi.json")))
                .as("docs/api/openapi.json: fetch /api/openapi from a running server and commit it")
                .isEqualTo(get("/api/openapi").expect(200));
    }

    @Test
    void theSchemaKnowsTheCoresSpeciesAndFaults() {
        JsonNode schema = JSON.readTree(file("docs/formats/survey.schema.json"));
        assertThat(schema.at("/properties/tree/properties/species/enum"))
                .extracting(JsonNode::stringValue)
                .containsExactlyElementsOf(
                        Arrays.stream(Species.values()).map(Codes::of).toList());
        assertThat(schema.at("/properties/limbs/items/properties/faults/items/properties/kind/enum"))
                .extracting(JsonNode::stringValue)
                .containsExactlyElementsOf(
                        Arrays.stream(FaultKind.values()).map(Codes::of).toList());
    }

    @Test
    void everythingTheCoreCanSayHasAWording() throws IOException {
        Properties wording = new Properties();
        try (var in = new InputStreamReader(
                PublishedFormatsTest.class.getResourceAsStream("/wording/reasons.properties"),
                StandardCharsets.UTF_8)) {
            wording.load(in);
        }
        assertThat(wording.stringPropertyNames())
                .containsExactlyInAnyOrderElementsOf(
                        Arrays.stream(ReasonCode.values()).map(Codes::of).toList());
        assertThat(wording.values()).allSatisfy(text -> assertThat(text.toString())
                .as("a plain apostrophe would swallow what follows it")
                .doesNotContain("'"));
    }
}
