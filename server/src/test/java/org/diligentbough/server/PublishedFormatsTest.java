package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.JSON;
import static org.diligentbough.server.TestServer.file;
import static org.diligentbough.server.TestServer.get;

import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Properties;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.server.shared.ApiDocument;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What is published agrees with the code. */
class PublishedFormatsTest {

    @Test
    void theCommittedApiDocumentIsTheServers() {
        assertThat(JSON.readTree(file("docs/api/openapi.json")))
                .as("docs/api/openapi.json: made by the tests' server at " + ApiDocument.PATH + "; commit it")
                .isEqualTo(get(ApiDocument.PATH).expect(200));
        assertThat(get("/api/openapi").expect(200)).isEqualTo(JSON.readTree(file("docs/api/openapi.json")));
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

    @Test
    void everyLibraryThatRunsStandsAmongWhatOthersMade() throws IOException {
        String list = file("docs/third-party.md");
        for (String module : List.of("core", "server")) {
            Matcher dependency = Pattern.compile(
                            "<dependency>(?:(?!</dependency>).)*?<groupId>([^<]+)</groupId>\\s*<artifactId>([^<]+)</artifactId>((?:(?!</dependency>).)*)</dependency>",
                            Pattern.DOTALL)
                    .matcher(file(module + "/pom.xml"));
            while (dependency.find()) {
                if (!dependency.group(3).contains("<scope>test")
                        && !dependency.group(1).equals("org.diligentbough")) {
                    assertThat(list).contains("| " + dependency.group(1) + ":" + dependency.group(2) + " |");
                }
            }
        }
        JSON.readTree(file("web/package.json"))
                .get("dependencies")
                .propertyNames()
                .forEach(name -> assertThat(list).contains("| " + name + " |"));
    }
}
