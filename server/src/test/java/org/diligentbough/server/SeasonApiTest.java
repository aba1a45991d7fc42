package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.JSON;
import static org.diligentbough.server.TestServer.day;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.header;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;
import static org.diligentbough.server.TestServer.send;
import static org.diligentbough.server.TestServer.sendAs;
import static org.diligentbough.server.TestServer.sendBytes;
import static org.diligentbough.server.TestServer.siteJson;
import static org.diligentbough.server.TestServer.tree;
import static org.diligentbough.server.TestServer.treeJson;
import static org.diligentbough.server.TestServer.walkJson;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Windows, what moves them, weather, care and the year of a kind. */
class SeasonApiTest {
    private static final String HEADER = "date,minC,maxC,rainMm,windKmh\n";

    private final long siteId = TestServer.site("Seasons " + UUID.randomUUID());

    private static JsonNode kind(long siteId, String species) {
        return get("/api/sites/" + siteId + "/kinds/" + species).expect(200);
    }

    private TestServer.Answer see(String species, String stage, String on) {
        return post(
                "/api/sites/" + siteId + "/sightings",
                "{\"species\": \"%s\", \"stage\": \"%s\", \"on\": \"%s\"}".formatted(species, stage, on));
    }

    private static TestServer.Answer weather(long siteId, String table) {
        return sendBytes("/api/sites/" + siteId + "/weather", "text/csv", table.getBytes(StandardCharsets.UTF_8));
    }

    /** A site where it is late summer today, with a plum that wants cutting. */
    private static long inTheSouth() {
        ObjectNode site = (ObjectNode) JSON.readTree(siteJson("South " + UUID.randomUUID()));
        site.put("latitude", -38).put("timeZone", "Australia/Melbourne");
        ArrayNode mean = (ArrayNode) site.get("monthlyMeanC");
        List<JsonNode> northern = mean.valueStream().toList();
        mean.removeAll();
        for (int month = 0; month < 12; month++) {
            mean.add(northern.get((month + 6) % 12));
        }
        return post("/api/sites", JSON.writeValueAsString(site))
                .expect(201)
                .get("id")
                .longValue();
    }

    private static long plum(long siteId, String tag) {
        long treeId = post("/api/sites/" + siteId + "/trees", treeJson(tag).replace("\"apple\"", "\"plum\""))
                .expect(201)
                .get("id")
                .longValue();
        post("/api/trees/" + treeId + "/surveys", walkJson().replace(", \"overTarget\": \"path\"", ""))
                .expect(201);
        return treeId;
    }

    @Test
    void whatIsSeenMovesTheWindowsAndThePlansOfTheKindUntilItIsTakenBack() {
        long treeId = tree(siteId, "S-1");
        post("/api/trees/" + treeId + "/surveys", walkJson()).expect(201);
        String judgement = "/api/trees/" + treeId + "/judgement";
        assertThat(get(judgement).json().at("/evaluation/today/mayCut").stringValue())
                .isEqualTo("yes");
        long id = see("apple", "buds-swell", "2027-02-15").expect(201).get("id").longValue();
        assertThat(get(judgement).json().at("/evaluation/today/mayCut").stringValue())
                .isEqualTo("no");
        assertThat(get(judgement)
                        .json()
                        .at("/evaluation/plan")
                        .valueStream()
                        .filter(lane -> lane.get("season").stringValue().equals("dormant"))
                        .findFirst()
                        .orElseThrow()
                        .at("/window/opens")
                        .stringValue())
                .isEqualTo("2028-02-01");
        JsonNode kind = kind(siteId, "apple");
        assertThat(kind.at("/sightings/0/stage").stringValue()).isEqualTo("buds-swell");
        assertThat(kind.get("stages")).anySatisfy(stage -> {
            assertThat(stage.get("stage").stringValue()).isEqualTo("buds-swell");
            assertThat(stage.get("reached").stringValue()).isEqualTo("2027-02-15");
            assertThat(stage.get("expected").stringValue()).isEqualTo("2027-04-01");
            assertThat(stage.get("seen").booleanValue()).isTrue();
        });
        assertThat(get("/api/sites/" + siteId + "/today").json().get("open")).isEmpty();
        send("DELETE", "/api/sightings/" + id, null).expect(204);
        assertThat(get(judgement).json().at("/evaluation/today/mayCut").stringValue())
                .isEqualTo("yes");
        send("DELETE", "/api/sightings/" + id, null).expect(404);
    }

    @Test
    void aWalkThatTellsOfGrowthSpeaksForItsWholeKind() {
        long one = tree(siteId, "S-1");
        long other = tree(siteId, "S-2");
        post("/api/trees/" + other + "/surveys", walkJson()).expect(201);
        post(
                        "/api/trees/" + one + "/surveys",
                        walkJson()
                                .replace(
                                        "\"surveyedOn\"",
                                        "\"observedStage\": {\"bbch\": 3, \"on\": \"2027-02-08\"}, \"surveyedOn\""))
                .expect(201);
        assertThat(get("/api/trees/" + other + "/season?on=2027-02-20")
                        .json()
                        .get("mayCut")
                        .stringValue())
                .isEqualTo("no");
        assertThat(kind(siteId, "apple").at("/sightings/0/tag").stringValue()).isEqualTo("S-1");
        assertThat(kind(siteId, "apple").at("/sightings/0/id").isNull()).isTrue();
    }

    @Test
    void whatCannotHaveBeenSeenIsRefusedByItsField() {
        assertThat(see("apple", "full-bloom", "2027-02-01")
                        .expect(422)
                        .at("/errors/0/detail")
                        .stringValue())
                .contains("far from when this is usual");
        assertThat(see("apple", "buds-swell", "2027-02-21")
                        .expect(422)
                        .at("/errors/0/pointer")
                        .stringValue())
                .isEqualTo("/on");
        assertThat(see("oak", "buds-swell", "2027-02-15")
                        .expect(422)
                        .at("/errors/0/pointer")
                        .stringValue())
                .isEqualTo("/species");
        assertThat(see("apple", "nodding", "2027-02-15")
                        .expect(422)
                        .at("/errors/0/pointer")
                        .stringValue())
                .isEqualTo("/stage");
        long pear = post("/api/sites/" + siteId + "/trees", treeJson("P").replace("\"apple\"", "\"pear\""))
                .expect(201)
                .get("id")
                .longValue();
        post(
                        "/api/sites/" + siteId + "/sightings",
                        "{\"species\": \"apple\", \"stage\": \"buds-swell\", \"on\": \"2027-02-15\", \"treeId\": "
                                + pear + "}")
                .expect(422);
        sendAs(
                        0,
                        "POST",
                        "/api/sites/" + siteId + "/sightings",
                        "{\"species\": \"apple\", \"stage\": \"buds-swell\", \"on\": \"2027-02-15\"}")
                .expect(401);
        assertThat(kind(siteId, "apple").get("sightings")).isEmpty();
        get("/api/sites/" + siteId + "/kinds/oak").expect(404);
    }

    @Test
    void aSortOfCutHasItsOwnAnswerAndALookMayChangeIt() {
        long treeId = plum(siteId, "S-3");
        String on = "/api/trees/" + treeId + "/season?on=2027-02-20&sort=";
        assertThat(get(on + "live").expect(200).get("mayCut").stringValue()).isEqualTo("no");
        JsonNode dead = get(on + "dead").expect(200);
        assertThat(dead.get("mayCut").stringValue()).isEqualTo("yes");
        assertThat(dead.at("/reasons/0/code").stringValue()).isEqualTo("season-dead-in-the-dead-wood");
        get(on + "gently").expect(400);
        JsonNode soon = get("/api/trees/" + treeId + "/season?on=2027-06-20").expect(200);
        assertThat(soon.get("mayCut").stringValue()).isEqualTo("with-care");
        long apple = tree(siteId, "S-4");
        JsonNode after = get("/api/trees/" + apple + "/season?on=2027-04-05").expect(200);
        assertThat(after.get("mayCut").stringValue()).isEqualTo("no");
        assertThat(after.at("/wouldChange/0/code").stringValue()).isEqualTo("season-look-not-yet");
        assertThat(after.at("/wouldChange/0/text").stringValue())
                .contains("buds swell")
                .contains("1 April 2027");
    }

    @Test
    void bothSchoolsStandSideBySideWithTheNoteOfTheChoice() {
        tree(siteId, "S-1");
        ObjectNode site = (ObjectNode) get("/api/sites/" + siteId).expect(200);
        ((ObjectNode) site.get("data")).put("policyNote", "Nobody has time in August.");
        put(
                        "/api/sites/" + siteId,
                        JSON.writeValueAsString(JSON.createObjectNode()
                                .put("version", site.get("version").intValue())
                                .set("data", site.get("data"))))
                .expect(200);
        JsonNode kind = kind(siteId, "apple");
        assertThat(kind.get("note").stringValue()).isEqualTo("Nobody has time in August.");
        assertThat(kind.get("schools")).hasSize(2);
        assertThat(kind.at("/schools/0/chosen").booleanValue()).isTrue();
        assertThat(kind.at("/schools/1/windows")).anySatisfy(window -> {
            assertThat(window.get("quality").stringValue()).isEqualTo("best");
            assertThat(window.get("opens").stringValue()).isEqualTo("2027-08-15");
        });
        assertThat(kind(siteId, "plum").get("schools")).isEmpty();
        assertThat(kind.at("/lacking/0/why/code").stringValue()).isEqualTo("pollination-lacks");
    }

    @Test
    void nightsAndDaysOfASiteMoveItsFrostAndGoTogether() {
        ObjectNode site = (ObjectNode) JSON.readTree(siteJson("Nights " + UUID.randomUUID()));
        ArrayNode nights = site.putArray("monthlyMinC");
        List.of(-1, 0, 4, 5, 7, 10, 12, 12, 9, 7, 4, 1).forEach(nights::add);
        assertThat(post("/api/sites", JSON.writeValueAsString(site))
                        .expect(422)
                        .at("/errors/0/detail")
                        .stringValue())
                .contains("together");
        ArrayNode days = site.putArray("monthlyMaxC");
        List.of(8, 9, 12, 14, 18, 21, 23, 22, 19, 15, 11, 8).forEach(days::add);
        long id = post("/api/sites", JSON.writeValueAsString(site))
                .expect(201)
                .get("id")
                .longValue();
        assertThat(kind(id, "citrus").get("facts"))
                .anySatisfy(fact -> assertThat(fact.get("text").stringValue())
                        .contains("1 March 2027")
                        .contains("1 December 2027"));
        assertThat(get("/api/sites/" + id).json().at("/data/monthlyMinC/0").doubleValue())
                .isEqualTo(-1);
        JsonNode archive = get("/api/sites/" + id + "/archive").expect(200);
        assertThat(archive.at("/site/monthlyMaxC/11").doubleValue()).isEqualTo(8);
    }

    @Test
    void theForecastIsSimulatedAndTheSameUntilAFileKnowsBetter() {
        String path = "/api/sites/" + siteId + "/weather";
        JsonNode days = get(path).expect(200);
        assertThat(days).hasSize(10);
        assertThat(days)
                .allSatisfy(day -> assertThat(day.get("from").stringValue()).isEqualTo("simulated"));
        assertThat(days.at("/0/on").stringValue()).isEqualTo(TestServer.TODAY);
        assertThat(get(path).json()).isEqualTo(days);
        assertThat(weather(siteId, HEADER + "2027-02-21,-2,5,0,12\n2027-02-22,1,6,3.5,35\n")
                        .expect(200)
                        .get("days")
                        .intValue())
                .isEqualTo(2);
        JsonNode known = get(path).json();
        assertThat(known.at("/1/from").stringValue()).isEqualTo("file");
        assertThat(known.at("/2/windKmh").doubleValue()).isEqualTo(35);
        assertThat(known.get(3)).isEqualTo(days.get(3));
        weather(siteId, HEADER + "2027-02-22,1,6,0,5\n").expect(200);
        assertThat(get(path).json().at("/2/rainMm").doubleValue()).isZero();
    }

    @Test
    void aBadWeatherFileIsRefusedLineByLineAndNothingIsKept() {
        JsonNode refused = weather(
                        siteId,
                        HEADER + "2027-02-21,-2,5,0,12\n22.2.2027,1,6,0,5\n2027-02-23,7,6,0,5\n2027-02-24,1,x,-3,5\n")
                .expect(422);
        assertThat(refused.get("errors"))
                .extracting(error -> error.get("pointer").stringValue())
                .containsExactly("/lines/3/date", "/lines/4/maxC", "/lines/5/maxC", "/lines/5/rainMm");
        assertThat(get("/api/sites/" + siteId + "/weather").json())
                .allSatisfy(day -> assertThat(day.get("from").stringValue()).isEqualTo("simulated"));
        assertThat(weather(siteId, "day,rain\n2027-02-21,3\n")
                        .expect(400)
                        .get("detail")
                        .stringValue())
                .contains("missing: date, minC, maxC, rainMm, windKmh");
        weather(siteId, "").expect(400);
    }

    @Test
    void aWetForecastHoldsAPlumDayAndADryOneLetsItGo() {
        long south = inTheSouth();
        long treeId = plum(south, "S-1");
        long dayId = day(south, "2027-02-22");
        weather(
                        south,
                        HEADER
                                + "2027-02-20,12,20,6,5\n2027-02-22,12,20,0,5\n2027-02-23,12,20,4,5\n2027-02-24,12,20,0,5\n")
                .expect(200);
        post("/api/days/" + dayId + "/visits", "{\"version\": 1, \"treeId\": " + treeId + "}")
                .expect(201);
        assertThat(get("/api/days/" + dayId).json().get("findings")).anySatisfy(finding -> {
            assertThat(finding.get("weight").stringValue()).isEqualTo("wanted");
            assertThat(finding.at("/reason/text").stringValue())
                    .contains("S-1, by the weather of that day: 4 mm of rain on 23 February 2027");
        });
        JsonNode held = get("/api/sites/" + south + "/today").json().get("byWeather");
        assertThat(held.at("/0/species").stringValue()).isEqualTo("plum");
        assertThat(held.at("/0/held").booleanValue()).isTrue();
        assertThat(get("/api/trees/" + treeId + "/season?on=2027-02-20")
                        .json()
                        .get("mayCut")
                        .stringValue())
                .isEqualTo("no");
        assertThat(post("/api/days/" + dayId + "/confirm", "{\"version\": 2}")
                        .expect(422)
                        .toString())
                .contains("by the weather of that day");
        weather(south, HEADER + "2027-02-20,12,20,0,5\n2027-02-21,12,20,0,5\n2027-02-23,12,20,0,5\n")
                .expect(200);
        assertThat(get("/api/days/" + dayId).json().get("findings"))
                .noneSatisfy(finding ->
                        assertThat(finding.at("/reason/code").stringValue()).isEqualTo("day-weather"));
        assertThat(get("/api/sites/" + south + "/today").json().get("byWeather"))
                .isEmpty();
    }

    @Test
    void theCalendarIsReadByAnotherLibrary() {
        tree(siteId, "S-1");
        plum(siteId, "S-2");
        String path = "/api/sites/" + siteId + "/season.ics";
        assertThat(header(path, "Content-Type")).startsWith("text/calendar");
        ICalendar calendar = Biweekly.parse(text(path)).first();
        assertThat(calendar.validate(biweekly.ICalVersion.V2_0).isEmpty()).isTrue();
        assertThat(calendar.getEvents())
                .extracting(event -> event.getSummary().getValue())
                .anyMatch(title -> title.startsWith("Apple: best cut"))
                .anyMatch(title -> title.startsWith("Plum: may be cut with care"));
        VEvent plum = calendar.getEvents().stream()
                .filter(event -> event.getSummary().getValue().startsWith("Plum: best"))
                .findFirst()
                .orElseThrow();
        assertThat(plum.getDateStart().getValue().getRawComponents().toString()).startsWith("20270701");
        assertThat(plum.getDateEnd().getValue().getRawComponents().toString()).startsWith("20270901");
        assertThat(calendar.getEvents().stream()
                        .map(event -> event.getUid().getValue())
                        .distinct())
                .hasSameSizeAs(calendar.getEvents());
    }

    private static String text(String path) {
        return new String(TestServer.bytes(path), StandardCharsets.UTF_8);
    }

    @Test
    void careIsDueOnceATurnAndTickedOffOnce() {
        tree(siteId, "S-1");
        String path = "/api/sites/" + siteId + "/care";
        JsonNode spread = get(path)
                .expect(200)
                .valueStream()
                .filter(due -> due.get("task").stringValue().equals("spread"))
                .findFirst()
                .orElseThrow();
        assertThat(LocalDate.parse(spread.get("closes").stringValue())).isEqualTo("2027-03-31");
        String done =
                "{\"task\": \"spread\", \"species\": \"apple\", \"year\": 2027, \"on\": \"2027-02-19\", \"note\": \"Six sticks\"}";
        post(path, done).expect(201);
        post(path, done.replace("Six", "Nine")).expect(201);
        JsonNode after = get(path)
                .json()
                .valueStream()
                .filter(due -> due.get("task").stringValue().equals("spread"))
                .findFirst()
                .orElseThrow();
        assertThat(after.at("/done/note").stringValue()).isEqualTo("Six sticks");
        post(path, done.replace("2027-02-19", "2027-02-21")).expect(422);
        post(path, done.replace("spread\"", "singing\"")).expect(422);
        send("DELETE", "/api/care/" + after.at("/done/id").longValue(), null).expect(204);
        assertThat(get(path)
                        .json()
                        .valueStream()
                        .filter(due -> due.get("task").stringValue().equals("spread"))
                        .findFirst()
                        .orElseThrow()
                        .get("done")
                        .isNull())
                .isTrue();
    }

    @Test
    void whatOpensWithinWeeksIsComing() {
        long fig = post("/api/sites/" + siteId + "/trees", treeJson("F").replace("\"apple\"", "\"fig\""))
                .expect(201)
                .get("id")
                .longValue();
        post("/api/trees/" + fig + "/surveys", walkJson()).expect(201);
        JsonNode coming = get("/api/sites/" + siteId + "/today").json().get("coming");
        assertThat(coming.at("/0/species").stringValue()).isEqualTo("fig");
        assertThat(coming.at("/0/opens").stringValue()).isEqualTo("2027-03-01");
        assertThat(coming.at("/0/minutes").intValue()).isPositive();
    }
}
