package org.diligentbough.server.answers;

import static org.assertj.core.api.Assertions.assertThat;

import org.diligentbough.server.CutTree;
import org.diligentbough.server.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A site that goes by what it learns without being asked. */
class LearningServiceTest {
    private final LearningService learning = TestServer.part(LearningService.class);
    private final CutTree cut = CutTree.planted();

    private void tomorrow() {
        TestServer.sql("update learning set looked_on = looked_on - 1 where site_id = " + cut.site());
        learning.learn();
    }

    @Test
    void looksOnceADayAndChangesWhatIsWorthIt() {
        String at = "/api/sites/" + cut.site() + "/learned";
        JsonNode now = TestServer.put(at, "{\"always\": true}").expect(200);
        assertThat(now.get("always").booleanValue()).isTrue();
        JsonNode minutes = cut.figure("minutes-times").get("changed");
        cut.grewBack(20);
        learning.learn();
        assertThat(cut.figure("outlook-shoots").get("changed").isNull())
                .as("it was looked at today")
                .isTrue();
        tomorrow();
        JsonNode shoots = cut.figure("outlook-shoots").get("changed");
        assertThat(shoots.get("value").doubleValue()).isGreaterThan(6);
        assertThat(shoots.get("note").stringValue()).contains("learned from 1");
        assertThat(shoots.get("by").stringValue()).isEqualTo("Tess Ferrier");
        tomorrow();
        assertThat(cut.figure("outlook-shoots").get("changed"))
                .as("nothing came in: nothing is changed, and no tree judged anew")
                .isEqualTo(shoots);
        assertThat(cut.figure("minutes-times").get("changed")).isEqualTo(minutes);
    }

    @Test
    void isToldAndCanBeStopped() {
        String at = "/api/sites/" + cut.site() + "/learned";
        TestServer.put(at, "{}").expect(422);
        TestServer.put(at, "{\"always\": true}").expect(200);
        assertThat(TestServer.put(at, "{\"always\": false}")
                        .expect(200)
                        .get("always")
                        .booleanValue())
                .isFalse();
        cut.grewBack(20);
        learning.learn();
        assertThat(cut.figure("outlook-shoots").get("changed").isNull()).isTrue();
        assertThat(TestServer.get("/api/sites/" + cut.site() + "/history").text())
                .contains("\"learning\"");
    }
}
