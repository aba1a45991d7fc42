package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.person;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import tools.jackson.databind.JsonNode;

/** Crews laid out by hand over a day, mended, and several days filled together. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class CrewBoardTest {
    private static final String ON = "2027-03-16";

    private final long site = TestServer.site("Boards " + UUID.randomUUID());
    private final List<Long> trees = new ArrayList<>();
    private final List<Long> visits = new ArrayList<>();
    private final long lena = person("Lena Board", 1970, "lead", "first-aid", "ladder", "pole-saw");
    private final long otto = person("Otto Board", 1975, "lead", "ladder", "pole-saw");
    private final long abel = person("Abel Board", 1980);
    private final long yara = person("Yara Board", 2011);
    private long dayId;

    @BeforeAll
    void trees() {
        for (int i = 1; i <= 4; i++) {
            trees.add(TestServer.tree(site, "B-" + i));
            post("/api/trees/" + trees.get(i - 1) + "/surveys", TestServer.walkJson())
                    .expect(201);
        }
        TestServer.judged();
    }

    @BeforeEach
    void treesOnADay() {
        visits.clear();
        dayId = TestServer.day(site, ON);
        come(dayId, lena, otto, abel, yara);
        for (int i = 0; i < 3; i++) {
            JsonNode day = post(
                            "/api/days/" + dayId + "/visits",
                            "{\"version\": " + version(dayId) + ", \"treeId\": " + trees.get(i) + "}")
                    .expect(201);
            visits.add(day.get("visits")
                    .get(day.get("visits").size() - 1)
                    .get("id")
                    .longValue());
        }
    }

    @AfterEach
    void nothingWaitsAnyMore() {
        TestServer.sql(
                "delete from tree_visit where not logged and work_day_id in (select id from work_day where site_id = "
                        + site
                        + "); update work_day set state = 'called-off' where site_id = " + site
                        + "; delete from season_hours where site_id = " + site);
    }

    private static int version(long day) {
        return get("/api/days/" + day).expect(200).get("version").intValue();
    }

    private static void come(long day, Long... people) {
        put("/api/days/" + day + "/people", "{\"version\": " + version(day) + ", \"people\": " + List.of(people) + "}")
                .expect(200);
    }

    private TestServer.Answer lay(String crews) {
        return put(
                "/api/days/" + dayId + "/crews", "{\"version\": " + version(dayId) + ", \"crews\": [" + crews + "]}");
    }

    private static String crew(List<Long> people, List<Long> visits) {
        return "{\"people\": " + people + ", \"turns\": "
                + visits.stream().map(one -> "\"visit-" + one + "\"").toList() + "}";
    }

    private static List<String> musts(JsonNode board) {
        return board.get("breaches")
                .valueStream()
                .map(one -> one.get("must").stringValue())
                .distinct()
                .sorted()
                .toList();
    }

    @Test
    void crewsStandByTheClockInTheOrderTheyAreLaid() {
        JsonNode board = lay(crew(List.of(lena, abel), List.of(visits.get(1), visits.get(0))) + ","
                        + crew(List.of(otto), List.of(visits.get(2))))
                .expect(200);
        assertThat(board.at("/crews/0/turns/0/turn").stringValue()).isEqualTo("visit-" + visits.get(1));
        assertThat(board.at("/crews/0/turns/0/starts").stringValue()).isEqualTo("09:35");
        assertThat(board.at("/crews/0/turns/1/starts").stringValue())
                .isGreaterThan(board.at("/crews/0/turns/0/ends").stringValue());
        assertThat(board.at("/crews/0/leader").longValue()).isEqualTo(lena);
        assertThat(board.get("bench")).extracting(JsonNode::longValue).containsExactly(yara);
        assertThat(musts(board)).as("Otto is alone").contains("nobody-alone");
        JsonNode day = get("/api/days/" + dayId).expect(200);
        assertThat(day.get("visits"))
                .filteredOn(one -> one.get("id").longValue() == visits.get(2))
                .singleElement()
                .satisfies(one -> assertThat(one.get("crew").intValue()).isEqualTo(2));
    }

    @Test
    void afterTheBigCutsWhatRemainsIsJudgedAnewAndIsTheCrewsNextTurn() {
        long running = TestServer.day(site, TestServer.TODAY);
        come(running, lena, abel);
        long tree = TestServer.tree(site, "B-again");
        post("/api/trees/" + tree + "/surveys", TestServer.walkJson()).expect(201);
        long other = trees.get(3);
        for (long one : List.of(tree, other)) {
            post("/api/days/" + running + "/visits", "{\"version\": " + version(running) + ", \"treeId\": " + one + "}")
                    .expect(201);
        }
        JsonNode planned = get("/api/days/" + running).expect(200).get("visits");
        long first = planned.at("/0/id").longValue();
        put(
                        "/api/days/" + running + "/crews",
                        "{\"version\": " + version(running) + ", \"crews\": ["
                                + crew(
                                        List.of(lena, abel),
                                        List.of(first, planned.at("/1/id").longValue())) + "]}")
                .expect(200);
        String again = "/api/visits/" + first + "/look-again";
        assertThat(post(again, "{\"version\": " + version(running) + "}").text())
                .contains("not logged yet");
        JsonNode cuts = get("/api/visits/" + first + "/sheet").expect(200).get("cuts");
        assertThat(cuts.size()).isGreaterThan(1);
        StringBuilder logged = new StringBuilder();
        for (int i = 0; i < cuts.size(); i++) {
            String limb = cuts.get(i).get("limb").stringValue();
            logged.append(i == 0 ? "" : ", ")
                    .append(
                            i == 0
                                    ? "{\"limb\": \"" + limb + "\", \"outcome\": \"done\", \"wood\": \"sound\"}"
                                    : "{\"limb\": \"" + limb + "\", \"outcome\": \"not-done\"}");
        }
        post("/api/visits/" + first + "/log", """
                        {"key": "%s", "on": "%s", "minutes": 20, "people": [%d, %d], "prunings": "chipped", "shoots": 0, "cuts": [%s]}
                        """.formatted(UUID.randomUUID(), TestServer.TODAY, lena, abel, logged))
                .expect(201);
        JsonNode day = post(again, "{\"version\": " + version(running) + "}").expect(200);
        JsonNode anew = day.get("visits").get(day.get("visits").size() - 1);
        assertThat(anew.get("treeId").longValue()).isEqualTo(tree);
        assertThat(anew.get("logged").booleanValue()).isFalse();
        assertThat(anew.get("people")).hasSize(2);
        assertThat(anew.get("cuts"))
                .extracting(cut -> cut.get("limb").stringValue())
                .doesNotContain(cuts.at("/0/limb").stringValue())
                .isNotEmpty();
        JsonNode turns = get("/api/days/" + running + "/crews").expect(200).at("/crews/0/turns");
        assertThat(turns.at("/0/turn").stringValue())
                .isEqualTo("visit-" + anew.get("id").longValue());
        assertThat(post(again, "{\"version\": " + version(running) + "}").text())
                .as("once is enough")
                .contains("on a work day already");
        put("/api/trees/" + tree + "/removal", """
                        {"version": 0, "data": {"on": "%s", "grounds": "fell", "permission": "none wanted", "removedBy": "Lena"}}
                        """.formatted(TestServer.TODAY)).expect(200);
    }

    @Test
    void whatBreaksIsSaidWhereItBreaks() {
        JsonNode board = lay(crew(List.of(abel, yara), List.of(visits.get(0)))).expect(200);
        assertThat(musts(board)).contains("leader-in-every-crew", "first-aider-on-the-day");
        assertThat(board.get("breaches"))
                .filteredOn(one -> one.get("must").stringValue().equals("leader-in-every-crew"))
                .singleElement()
                .satisfies(one -> {
                    assertThat(one.get("crew").intValue()).isEqualTo(1);
                    assertThat(one.get("text").stringValue())
                            .isEqualTo("Nobody in this crew holds a current lead ticket.");
                });
        assertThat(board.get("unplaced")).hasSize(2);
        post("/api/days/" + dayId + "/confirm", "{\"version\": " + version(dayId) + "}")
                .expect(422);
    }

    @Test
    void nobodyIsInTwoCrewsAndNoTreeTwice() {
        assertThat(lay(crew(List.of(lena), List.of(visits.get(0))) + "," + crew(List.of(lena), List.of()))
                        .text())
                .contains("/crews/1/people");
        assertThat(lay(crew(List.of(), List.of(visits.get(0), visits.get(0)))).text())
                .contains("/crews/0/turns");
        assertThat(lay(crew(List.of(TestServer.whoId()), List.of())).text()).contains("does not come that day");
    }

    @Test
    void theClockFollowsWhoComesAndWhatStandsOnTheDay() {
        lay(crew(List.of(lena, abel), List.of(visits.get(0), visits.get(1)))).expect(200);
        String before = ends(visits.get(0));
        come(dayId, lena, otto, yara);
        assertThat(ends(visits.get(0))).as("one fewer").isGreaterThan(before);
        post(
                        "/api/days/" + dayId + "/visits",
                        "{\"version\": " + version(dayId) + ", \"treeId\": " + trees.get(3) + "}")
                .expect(201);
        JsonNode board = get("/api/days/" + dayId + "/crews").expect(200);
        assertThat(board.get("unplaced")).as("the new one and the third").hasSize(2);
        assertThat(board.at("/crews/0/turns")).hasSize(2);
    }

    private String ends(long visit) {
        return get("/api/days/" + dayId)
                .expect(200)
                .get("visits")
                .valueStream()
                .filter(one -> one.get("id").longValue() == visit)
                .findFirst()
                .orElseThrow()
                .get("ends")
                .stringValue();
    }

    @Test
    void peopleGivenToTreesAreCrewsBeforeAnybodyLaysThemOut() {
        put(
                        "/api/visits/" + visits.get(0) + "/people",
                        "{\"version\": " + version(dayId) + ", \"people\": " + List.of(lena, abel) + "}")
                .expect(200);
        JsonNode board = get("/api/days/" + dayId + "/crews").expect(200);
        assertThat(board.get("clocked").booleanValue()).isFalse();
        assertThat(board.at("/crews/0/people")).hasSize(2);
    }

    private JsonNode proposed(String path) throws InterruptedException {
        post(path, "").expect(202);
        for (int i = 0; i < 400; i++) {
            JsonNode now = get(path).expect(200);
            if (!now.get("looking").booleanValue()) {
                return now;
            }
            if (now.toString().contains("\"turns\"")) {
                post(path + "/stop", "").expect(200);
            }
            Thread.sleep(50);
        }
        throw new AssertionError("nothing was proposed");
    }

    @Test
    void whoDropsOutIsMendedWithLittleChange() throws InterruptedException {
        come(dayId, lena, otto, abel, person("Bea Board", 1990), person("Cleo Board", 1985));
        List<Long> people = get("/api/days/" + dayId)
                .expect(200)
                .get("people")
                .valueStream()
                .map(one -> one.get("id").longValue())
                .toList();
        long bea = people.get(3);
        long cleo = people.get(4);
        lay(crew(List.of(lena, abel, bea), List.of(visits.get(0), visits.get(1))) + ","
                        + crew(List.of(otto, cleo), List.of(visits.get(2))))
                .expect(200);
        come(dayId, lena, otto, abel, cleo);
        JsonNode roster = proposed("/api/days/" + dayId + "/roster").get("roster");
        JsonNode first = roster.get("crews")
                .valueStream()
                .filter(crew -> crew.get("crew").intValue() == 1)
                .findFirst()
                .orElseThrow();
        assertThat(first.get("people"))
                .extracting(one -> one.get("id").longValue())
                .contains(lena, abel);
        assertThat(first.get("turns"))
                .extracting(turn -> turn.path("visitId").asLong(0))
                .contains(visits.get(0), visits.get(1));
    }

    @Test
    void daysToComeAreFilledTogetherAndTakenOverTogether() throws InterruptedException {
        long other = TestServer.day(site, "2027-03-23");
        come(other, lena, otto, abel);
        for (long visit : visits) {
            TestServer.send("DELETE", "/api/visits/" + visit + "?version=" + version(dayId), null)
                    .expect(200);
        }
        String path = "/api/sites/" + site + "/roster";
        JsonNode season = proposed(path);
        assertThat(season.get("days")).hasSize(2);
        List<Long> placed = season.get("days")
                .valueStream()
                .flatMap(day -> day.at("/roster/crews").valueStream())
                .flatMap(crew -> crew.get("turns").valueStream())
                .map(turn -> turn.get("treeId").longValue())
                .toList();
        assertThat(placed).doesNotHaveDuplicates().hasSize(4);
        JsonNode left = post(path + "/taken", "").expect(200);
        assertThat(left.get("days")).allMatch(day -> day.get("roster").isNull());
        assertThat(get("/api/days/" + dayId).expect(200).get("visits").size()
                        + get("/api/days/" + other).expect(200).get("visits").size())
                .isEqualTo(4);
        post(path + "/taken", "").expect(422);
        TestServer.send("DELETE", path, null).expect(204);
    }

    @Test
    void aRainedOffDaysTreesMayGoBackToTheirPlans() {
        JsonNode off = post("/api/days/" + dayId + "/rained-off", "{\"version\": " + version(dayId) + "}")
                .expect(200);
        assertThat(off.get("movedTo").isNull()).isTrue();
        assertThat(off.get("backToThePlan")).hasSize(3);
        assertThat(get("/api/days/" + TestServer.day(site, ON) + "/candidates").expect(200))
                .hasSize(4);
    }

    @Test
    void whatTheProgrammePutsOffIsNotOfferedSaveWhatIsUrgent() {
        long fresh = TestServer.day(site, ON);
        TestServer.send("DELETE", "/api/visits/" + visits.get(0) + "?version=" + version(dayId), null)
                .expect(200);
        JsonNode before = get("/api/days/" + fresh + "/candidates").expect(200);
        assertThat(before).hasSize(2);
        put("/api/sites/" + site + "/programme/hours", """
                        {"hours": [{"year": 0, "season": "dormant", "hours": 0}, {"year": 0, "season": "summer", "hours": 0}]}
                        """).expect(200);
        JsonNode after = get("/api/days/" + fresh + "/candidates").expect(200);
        assertThat(after).allSatisfy(tree -> {
            assertThat(tree.get("cuts")).allMatch(cut -> cut.get("urgent").booleanValue());
            assertThat(tree.get("shoots").intValue()).isZero();
        });
    }

    @Test
    void whoDoesNotComeToAConfirmedDayIsTakenOffAndWhatThatBreaksIsTold() {
        come(dayId, lena, otto, abel);
        lay(crew(List.of(lena, abel), List.of(visits.get(0), visits.get(1), visits.get(2))))
                .expect(200);
        post("/api/days/" + dayId + "/confirm", "{\"version\": " + version(dayId) + "}")
                .expect(200);
        come(dayId, otto, abel);
        JsonNode day = get("/api/days/" + dayId).expect(200);
        assertThat(day.get("findings"))
                .anyMatch(finding -> finding.get("weight").stringValue().equals("refused"));
        assertThat(musts(get("/api/days/" + dayId + "/crews").expect(200)))
                .contains("leader-in-every-crew", "nobody-alone");
    }

    @Test
    void whoeverAMendedRosterLeavesOutIsInNoCrewAnyMore() {
        lay(crew(List.of(lena, otto, abel), List.of(visits.get(0), visits.get(1))))
                .expect(200);
        TestServer.sql("insert into day_proposal (work_day_id, made_by, until, ended_at, roster) values (" + dayId
                + ", " + lena
                + ", now(), now(), '" + """
                {"crews": [{"crew": 1, "people": [{"id": %d, "name": "L"}, {"id": %d, "name": "O"}], "turns": [
                  {"treeId": 1, "tag": "B-1", "visitId": %d, "starts": "09:35", "ends": "10:00", "minutes": 9, "urgent": false,
                   "leaves": []}]}],
                 "left": [], "leftOut": [], "missing": [], "idleMinutes": 0}""".formatted(lena, otto, visits.get(0)) + "')");
        post("/api/days/" + dayId + "/roster/taken", "{\"version\": " + version(dayId) + ", \"crews\": [1]}")
                .expect(200);
        JsonNode board = get("/api/days/" + dayId + "/crews").expect(200);
        assertThat(board.at("/crews/0/people")).extracting(JsonNode::longValue).containsExactly(lena, otto);
        assertThat(board.get("bench")).extracting(JsonNode::longValue).contains(abel);
        assertThat(get("/api/days/" + dayId).expect(200).get("visits"))
                .filteredOn(one -> one.get("id").longValue() == visits.get(1))
                .singleElement()
                .satisfies(one -> assertThat(one.get("people"))
                        .as("a tree no crew has nobody is at")
                        .isEmpty());
    }
}
