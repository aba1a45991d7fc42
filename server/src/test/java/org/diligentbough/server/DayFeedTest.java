package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;

import biweekly.Biweekly;
import biweekly.ICalVersion;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Work days in calendar programs, read again by another library. */
class DayFeedTest {
    private final long site = TestServer.site("Feeds; and, \\\\ commas " + UUID.randomUUID());
    private final long me = TestServer.whoId();
    private final long dayId = TestServer.day(site, "2027-03-12");
    private final String feed = post("/api/sites/" + site + "/calendar-link", "")
            .expect(201)
            .get("daysPath")
            .stringValue();

    private int version() {
        return get("/api/days/" + dayId).expect(200).get("version").intValue();
    }

    private static ICalendar read(String path) {
        String text = new String(TestServer.bytes(path), StandardCharsets.UTF_8);
        ICalendar calendar = Biweekly.parse(text).first();
        assertThat(calendar.validate(ICalVersion.V2_0).isEmpty()).as(text).isTrue();
        assertThat(text).doesNotContain("Tess");
        return calendar;
    }

    private void come(long... people) {
        StringBuilder ids = new StringBuilder();
        for (long one : people) {
            ids.append(ids.isEmpty() ? "" : ",").append(one);
        }
        put("/api/days/" + dayId + "/people", "{\"version\": " + version() + ", \"people\": [" + ids + "]}")
                .expect(200);
    }

    @Test
    void somebodysDaysAreFollowedAndAChangeOrCallingOffIsHeardOf() {
        assertThat(new String(TestServer.bytes(feed), StandardCharsets.UTF_8))
                .as("not on it yet")
                .doesNotContain("BEGIN:VEVENT");
        come(me);
        VEvent day = read(feed).getEvents().get(0);
        assertThat(day.getUid().getValue()).isEqualTo("day-" + dayId + "@diligent-bough");
        assertThat(day.getStatus().isTentative()).isTrue();
        assertThat(day.getDateStart().getValue().toInstant()).isEqualTo(Instant.parse("2027-03-12T09:30:00Z"));
        assertThat(day.getDateEnd().getValue().toInstant()).isEqualTo(Instant.parse("2027-03-12T13:30:00Z"));
        JsonNode name = get("/api/sites/" + site).json().at("/data/name");
        assertThat(day.getSummary().getValue()).isEqualTo("Orchard work: " + name.stringValue());
        int before = day.getSequence().getValue();
        post("/api/days/" + dayId + "/called-off", "{\"version\": " + version() + "}")
                .expect(200);
        VEvent after = read(feed).getEvents().get(0);
        assertThat(after.getUid().getValue()).isEqualTo(day.getUid().getValue());
        assertThat(after.getSequence().getValue()).isGreaterThan(before);
        assertThat(after.getStatus().isCancelled()).isTrue();
    }

    @Test
    void oneDayIsAFile() {
        long tree = TestServer.tree(site, "F-1");
        post("/api/trees/" + tree + "/surveys", TestServer.walkJson()).expect(201);
        TestServer.judged();
        post("/api/days/" + dayId + "/visits", "{\"version\": " + version() + ", \"treeId\": " + tree + "}")
                .expect(201);
        VEvent day = read("/api/days/" + dayId + "/day.ics").getEvents().get(0);
        assertThat(day.getDescription().getValue()).isEqualTo("Trees: F-1.");
        assertThat(day.getLocation().getValue()).startsWith("Feeds; and, \\ commas");
    }
}
