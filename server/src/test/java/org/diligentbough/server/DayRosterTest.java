package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.person;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;
import static org.diligentbough.server.TestServer.send;

import java.time.LocalDate;
import java.util.HashSet;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A day filled by a proposal that lies beside it until it is taken over. */
class DayRosterTest {
    private long site;
    private long dayId;

    @BeforeEach
    void aDayWithPeopleAndOpenTrees() {
        site = TestServer.site("Filled " + UUID.randomUUID());
        for (int i = 1; i <= 4; i++) {
            long tree = TestServer.tree(site, "F-" + i);
            post("/api/trees/" + tree + "/surveys", TestServer.walkJson()).expect(201);
        }
        TestServer.judged();
        dayId = post("/api/sites/" + site + "/days", """
                        {"on": "2027-03-11", "starts": "09:30", "ends": "13:30",
                         "shed": {"ladder": 2, "saw": 3, "loppers": 2, "pole-pruner": 1, "pole-saw": 1, "rope": 2, "helmet": 6, "spreader": 9}}
                        """).expect(201).get("id").longValue();
        come(
                person("Lena Leads", 1970, "lead", "first-aid", "ladder", "pole-saw"),
                person("Otto Other", 1975, "lead", "ladder"),
                person("Abel Adult", 1980),
                person("Bea Bold", 1990, "ladder"));
    }

    private void come(long... people) {
        StringBuilder ids = new StringBuilder();
        for (long one : people) {
            ids.append(ids.isEmpty() ? "" : ",").append(one);
        }
        put("/api/days/" + dayId + "/people", "{\"version\": " + version() + ", \"people\": [" + ids + "]}")
                .expect(200);
    }

    private JsonNode day() {
        return get("/api/days/" + dayId).expect(200);
    }

    private int version() {
        return day().get("version").intValue();
    }

    private JsonNode proposed() throws InterruptedException {
        post("/api/days/" + dayId + "/roster", "").expect(202);
        for (int i = 0; i < 300; i++) {
            JsonNode now = get("/api/days/" + dayId + "/roster").expect(200);
            if (!now.get("looking").booleanValue()) {
                return now.get("roster");
            }
            if (!now.get("roster").isNull()) {
                post("/api/days/" + dayId + "/roster/stop", "").expect(200);
            }
            Thread.sleep(50);
        }
        throw new AssertionError("nothing was proposed");
    }

    @Test
    void whatIsProposedLiesBesideTheDayAndIsTakenOverWhole() throws InterruptedException {
        JsonNode roster = proposed();
        assertThat(day().get("visits")).as("nothing is changed yet").isEmpty();
        assertThat(roster.get("crews")).isNotEmpty();
        Set<Long> busy = new HashSet<>();
        StringBuilder crews = new StringBuilder();
        int turns = 0;
        for (JsonNode crew : roster.get("crews")) {
            crew.get("people").forEach(one -> assertThat(busy.add(one.get("id").longValue()))
                    .isTrue());
            assertThat(crew.get("people").size()).isBetween(2, 4);
            assertThat(crew.at("/people/0/name").stringValue())
                    .as("the leader first")
                    .isIn("Lena Leads", "Otto Other");
            turns += crew.get("turns").size();
            crews.append(crews.isEmpty() ? "" : ",").append(crew.get("crew").intValue());
        }
        JsonNode taken = post(
                        "/api/days/" + dayId + "/roster/taken",
                        "{\"version\": " + version() + ", \"crews\": [" + crews + "]}")
                .expect(200);
        assertThat(taken.get("visits")).hasSize(turns);
        assertThat(get("/api/days/" + dayId + "/roster").json().get("roster").isNull())
                .as("what was taken over whole is offered no more")
                .isTrue();
        assertThat(taken.at("/visits/0/starts").stringValue()).isEqualTo("09:35");
        assertThat(taken.at("/visits/0/crew").intValue()).isPositive();
        assertThat(taken.at("/visits/0/people").size()).isGreaterThanOrEqualTo(2);
        assertThat(taken.get("findings"))
                .noneMatch(finding -> finding.get("weight").stringValue().equals("refused"));
        post("/api/days/" + dayId + "/confirm", "{\"version\": " + version() + "}")
                .expect(200);
    }

    @Test
    void whatWantsATicketNobodyHoldsIsLeftAndTheRestIsDone() throws InterruptedException {
        // The only ladder ticket is of somebody under age; limb C of one tree is three metres up.
        come(
                person("Luke Leads", 1970, "lead", "first-aid"),
                person("Abel Adult", 1980),
                person("Yara Ladder", 2011, "ladder"));
        long tree = TestServer.tree(site, "F-9");
        post(
                        "/api/trees/" + tree + "/surveys",
                        TestServer.walkJson()
                                .replace(
                                        "\"id\": \"C\", \"diameterCm\": 7, \"originHeightM\": 1.5",
                                        "\"id\": \"C\", \"diameterCm\": 7, \"originHeightM\": 3")
                                .replace("\"yearsSinceCut\": 8", "\"yearsSinceCut\": 1, \"waterSprouts\": 14"))
                .expect(201);
        TestServer.judged();
        JsonNode roster = proposed();
        JsonNode turn = roster.get("crews")
                .valueStream()
                .flatMap(crew -> crew.get("turns").valueStream())
                .filter(one -> one.get("tag").stringValue().equals("F-9"))
                .findFirst()
                .orElseThrow();
        assertThat(turn.get("leaves")).extracting(JsonNode::stringValue).contains("C");
        JsonNode taken = post(
                        "/api/days/" + dayId + "/roster/taken", "{\"version\": " + version() + ", \"crews\": [1]}")
                .expect(200);
        assertThat(taken.get("visits"))
                .filteredOn(one -> one.get("tag").stringValue().equals("F-9"))
                .singleElement()
                .satisfies(one -> assertThat(one.get("cuts"))
                        .extracting(cut -> cut.get("limb").stringValue())
                        .doesNotContain("C")
                        .isNotEmpty());
        assertThat(taken.get("visits"))
                .as("and nothing comes with it that was not proposed, such as the shoots of another season")
                .filteredOn(one -> one.get("tag").stringValue().equals("F-9"))
                .singleElement()
                .satisfies(one -> assertThat(one.get("minutes").intValue())
                        .isEqualTo(turn.get("minutes").intValue()));
    }

    @Test
    void whatStandsOnTheDayStaysAndAHandStopsTheClock() throws InterruptedException {
        long tree =
                get("/api/sites/" + site + "/trees").json().at("/trees/2/id").longValue();
        JsonNode put = post(
                        "/api/days/" + dayId + "/visits", "{\"version\": " + version() + ", \"treeId\": " + tree + "}")
                .expect(201);
        long visit = put.at("/visits/0/id").longValue();
        JsonNode roster = proposed();
        assertThat(roster.get("crews").valueStream().flatMap(crew -> crew.get("turns")
                        .valueStream()))
                .anyMatch(turn -> turn.path("visitId").asLong(0) == visit);
        int first = roster.at("/crews/0/crew").intValue();
        JsonNode taken = post(
                        "/api/days/" + dayId + "/roster/taken",
                        "{\"version\": " + version() + ", \"crews\": [" + first + "]}")
                .expect(200);
        assertThat(taken.get("visits")).anyMatch(one -> !one.get("starts").isNull());
        JsonNode changed = put("/api/visits/" + visit + "/people", "{\"version\": " + version() + ", \"people\": []}")
                .expect(200);
        assertThat(changed.get("visits")).allMatch(one -> one.get("starts").isNull());
    }

    @Test
    void whoIsForgottenStandsInNoProposal() throws InterruptedException {
        long gone = person("Gwen Gone " + UUID.randomUUID(), 1980, "lead", "first-aid");
        TestServer.sql("delete from membership where person_id = " + gone + " and site_id <> " + site);
        come(gone, person("Abel Adult", 1980));
        assertThat(proposed().get("crews")).isNotEmpty();
        post("/api/people/" + gone + "/forgotten", "{}").expect(204);
        assertThat(get("/api/days/" + dayId + "/roster").json().get("roster").isNull())
                .isTrue();
    }

    @Test
    void nothingIsTakenOverThatIsNotThereAnyMore() throws InterruptedException {
        post("/api/days/" + dayId + "/roster/taken", "{\"version\": " + version() + ", \"crews\": [1]}")
                .expect(422);
        proposed();
        post("/api/days/" + dayId + "/roster/taken", "{\"version\": " + version() + ", \"crews\": [77]}")
                .expect(422);
        post("/api/days/" + dayId + "/roster/taken", "{\"version\": " + (version() - 1) + ", \"crews\": [1]}")
                .expect(409);
        send("DELETE", "/api/days/" + dayId + "/roster", null).expect(204);
        assertThat(get("/api/days/" + dayId + "/roster").json().get("roster").isNull())
                .isTrue();
        assertThat(day().get("visits")).isEmpty();
    }

    @Test
    void weatherHoldsATreeBackAndSaysWhy() throws InterruptedException {
        String soon = LocalDate.parse(TestServer.TODAY).plusDays(3).toString();
        TestServer.sql("update work_day set on_date = '" + soon + "' where id = " + dayId);
        TestServer.sql("insert into weather_day (site_id, on_day, min_c, max_c, rain_mm, wind_kmh, file) values ("
                + site + ", '" + soon + "', -18, -9, 0, 5, 'frost.csv')");
        JsonNode roster = proposed();
        assertThat(roster.get("crews")).isEmpty();
        assertThat(roster.get("left")).hasSize(4).allSatisfy(left -> assertThat(
                        left.at("/reasons/0").stringValue())
                .containsIgnoringCase("freez"));
    }

    @Test
    void aDayNobodyLeadsIsProposedNothingAndSaysWhy() throws InterruptedException {
        come(person("Abel Adult", 1980), person("Bea Bold", 1990));
        JsonNode roster = proposed();
        assertThat(roster.get("crews")).isEmpty();
        assertThat(roster.get("missing")).extracting(JsonNode::stringValue).containsExactly("leader", "first-aider");
        assertThat(roster.get("left")).hasSize(4).allSatisfy(left -> assertThat(
                        left.at("/reasons/0").stringValue())
                .startsWith("Nobody who comes on a day in its window holds a current leader"));
    }
}
