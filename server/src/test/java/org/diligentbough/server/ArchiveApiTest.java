package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.JSON;
import static org.diligentbough.server.TestServer.file;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.post;
import static org.diligentbough.server.TestServer.put;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Archives: a whole site out and in, and the demo, which is nothing else. */
class ArchiveApiTest {

    private static ObjectNode demo(String name, String siteName) {
        ObjectNode archive = (ObjectNode) JSON.readTree(file("demo/" + name));
        ((ObjectNode) archive.get("site")).put("name", siteName);
        return archive;
    }

    private static long add(JsonNode archive) {
        return post("/api/archives", JSON.writeValueAsString(archive))
                .expect(201)
                .get("siteId")
                .longValue();
    }

    @Test
    void theDemoCanBeBroughtInAndItsDaysCountFromToday() {
        long siteId = add(demo("kilnfield.json", "Kilnfield for a test"));
        JsonNode trees = get("/api/sites/" + siteId + "/trees").expect(200);
        assertThat(trees.get("total").intValue()).isGreaterThanOrEqualTo(59);
        assertThat(trees.get("trees"))
                .extracting(tree -> tree.at("/data/species").stringValue())
                .satisfies(
                        kinds -> assertThat(kinds.stream().distinct().count()).isGreaterThanOrEqualTo(17));
        assertThat(trees.at("/trees/0/survey/surveyedOn").stringValue())
                .isEqualTo(LocalDate.parse(TestServer.TODAY).minusDays(34).toString());
        for (JsonNode tree : trees.get("trees")) {
            if (tree.get("survey").isNull()) {
                continue; // one was only registered
            }
            JsonNode judgement = get("/api/trees/" + tree.get("id").longValue() + "/judgement")
                    .expect(200);
            assertThat(judgement.at("/evaluation/limbs").size()).isBetween(3, 20);
        }
        assertThat(get("/api/sites/" + add(demo("saltmarsh-row.json", "Saltmarsh for a test")) + "/trees")
                        .json()
                        .get("total")
                        .intValue())
                .isEqualTo(12);
    }

    @Test
    void theDemoHasTwoSeasonsBehindItAndADayHalfFilledBeforeIt() {
        long siteId = add(demo("kilnfield.json", "Kilnfield two seasons on"));
        JsonNode days = get("/api/sites/" + siteId + "/days").expect(200);
        LocalDate today = LocalDate.parse(TestServer.TODAY);
        assertThat(days).anySatisfy(day -> {
            assertThat(day.get("on").stringValue()).isEqualTo(today.plusDays(14).toString());
            assertThat(day.get("state").stringValue()).isEqualTo("planned");
            assertThat(day.get("findings"))
                    .extracting(finding -> finding.at("/reason/code").stringValue())
                    .contains("day-nobody");
        });
        assertThat(days).anySatisfy(day -> {
            assertThat(day.get("on").stringValue())
                    .isEqualTo(today.minusDays(27).toString());
            assertThat(day.get("state").stringValue()).isEqualTo("confirmed");
            assertThat(day.get("logged").intValue())
                    .isEqualTo(day.get("trees").intValue())
                    .isPositive();
        });
        long logs = 0;
        for (JsonNode tree : get("/api/sites/" + siteId + "/trees").json().get("trees")) {
            logs += get("/api/trees/" + tree.get("id").longValue() + "/logs")
                    .json()
                    .size();
        }
        assertThat(logs).isGreaterThan(20);
        assertThat(get("/api/sites/" + siteId + "/removals").json()).hasSize(3);
        JsonNode board = get("/api/sites/" + siteId + "/today").expect(200);
        assertThat(board.get("reports")).isNotEmpty();
        assertThat(board.get("dangers")).isNotEmpty();
        assertThat(board.get("open")).isNotEmpty();
    }

    @Test
    void whatGoesOutComesInTheSame() {
        long siteId = add(demo("kilnfield.json", "Out"));
        ObjectNode out = (ObjectNode) get("/api/sites/" + siteId + "/archive").expect(200);
        assertThat(out.get("sightings")).hasSize(4);
        ((ObjectNode) out.get("site")).put("name", "In again");
        ObjectNode again =
                (ObjectNode) get("/api/sites/" + add(out) + "/archive").expect(200);
        assertThat(again).isEqualTo(out);
    }

    @Test
    void whatIsWrongIsNamedAndNothingIsHalfImported() {
        ObjectNode bad = demo("kilnfield.json", "Half");
        ((ObjectNode) bad.at("/trees/3/tree")).put("species", "oak");
        JsonNode first = post("/api/archives", JSON.writeValueAsString(bad)).expect(422);
        assertThat(first.at("/errors/0/pointer").stringValue()).isEqualTo("/trees/3/tree/species");
        ObjectNode worse = demo("kilnfield.json", "Half");
        ((ObjectNode) worse.at("/trees/5/surveys/0/survey/limbs/0")).put("diameterCm", -4);
        JsonNode second = post("/api/archives", JSON.writeValueAsString(worse)).expect(422);
        assertThat(second.at("/errors/0/pointer").stringValue())
                .isEqualTo("/trees/5/surveys/0/survey/limbs/0/diameterCm");
        assertThat(get("/api/sites").json())
                .noneMatch(site -> site.at("/data/name").stringValue().equals("Half"));
        ObjectNode later = demo("kilnfield.json", "Half");
        ((ObjectNode) later.at("/days/0")).put("on", "some day");
        ((ObjectNode) later.at("/days/1/visits/0")).put("tree", "nowhere");
        ((ObjectNode) later.at("/people/0/tickets/0")).put("ticket", "juggling");
        ((ObjectNode) later.at("/sightings/0")).put("tree", "K-07").put("stage", "nodding");
        ((ObjectNode) later.at("/sightings/1")).put("on", "in spring").put("by", "");
        assertThat(post("/api/archives", JSON.writeValueAsString(later))
                        .expect(422)
                        .get("errors"))
                .extracting(error -> error.get("pointer").stringValue())
                .containsExactlyInAnyOrder(
                        "/people/0/tickets/0/ticket",
                        "/sightings/0/tree",
                        "/sightings/0/stage",
                        "/sightings/1/on",
                        "/sightings/1/by",
                        "/days/0/on",
                        "/days/1/visits/0/tree");
        post("/api/archives", "{\"format\": \"something\"}").expect(422);
        post("/api/archives", "not json").expect(400);
        long siteId = add(demo("saltmarsh-row.json", "Only once"));
        assertThat(siteId).isPositive();
        assertThat(post("/api/archives", JSON.writeValueAsString(demo("saltmarsh-row.json", "Only once")))
                        .expect(422)
                        .at("/errors/0/pointer")
                        .stringValue())
                .isEqualTo("/site/name");
    }

    /** A site of one walked tree whose archive takes whatever work is put into it. */
    private static ObjectNode oneTree(String siteName, String work, String days) {
        return (ObjectNode) JSON.readTree("""
                {"format": "diligent-bough/archive", "version": 1, "site": %s,
                 "people": [{"name": "Ada Archive", "birthYear": "year-40",
                             "tickets": [{"ticket": "lead", "until": "today+30"}], "canCome": ["today+7"]}],
                 "trees": [{"tree": %s, "surveys": [{"by": "Ada Archive", "survey": %s}]%s}]%s}
                """.formatted(
                        TestServer.siteJson(siteName),
                        TestServer.treeJson("A-1"),
                        TestServer.walkJson().replace("2027-02-10", "year-1/01-15"),
                        work,
                        days));
    }

    private static long onlyTree(long siteId) {
        return get("/api/sites/" + siteId + "/trees?removed=false")
                .json()
                .at("/trees/0/id")
                .longValue();
    }

    @Test
    void aVisitWithoutCutsHasWhatThePlanOfItsTimeHadOpen() {
        long siteId = add(oneTree("Archive visits", """
                , "visits": [{"on": "year-1/03-06", "logs": [{"by": "Ada Archive", "prunings": "chipped",
                    "cuts": [{"limb": "C", "outcome": "not-done", "note": "rain"}]}]}]
                """, ""));
        JsonNode log = get("/api/trees/" + onlyTree(siteId) + "/logs").json().get(0);
        assertThat(log.get("on").stringValue()).isEqualTo("2026-03-06");
        assertThat(log.get("cuts")).anySatisfy(cut -> {
            assertThat(cut.get("limb").stringValue()).isEqualTo("D");
            assertThat(cut.get("outcome").stringValue()).isEqualTo("done");
        });
        assertThat(log.get("minutes").intValue()).isPositive();
        assertThat(log.get("people").stringValue()).isEqualTo("Ada Archive");
        // What was left then is in today's plan; what was done is gone.
        JsonNode judgement =
                get("/api/trees/" + onlyTree(siteId) + "/judgement").json();
        assertThat(judgement.at("/drawing/limbs"))
                .extracting(limb -> limb.get("id").stringValue())
                .contains("C")
                .doesNotContain("D");
    }

    @Test
    void aVisitOutsideEveryWindowIsLeftOut() {
        long siteId = add(oneTree("Archive summer", "", """
                , "days": [{"on": "year-1/05-10", "starts": "09:30", "ends": "12:00", "state": "confirmed", "shed": {"saw": 1},
                  "people": ["Ada Archive"], "visits": [{"tree": "A-1", "people": ["Ada Archive"]}]}]
                """));
        JsonNode day = get("/api/days/"
                        + get("/api/sites/" + siteId + "/days")
                                .json()
                                .at("/0/id")
                                .longValue())
                .json();
        // The dead limb over the path may be cut on any day, the live one not in May.
        assertThat(day.at("/visits/0/cuts"))
                .extracting(cut -> cut.get("limb").stringValue())
                .containsExactly("D");
        assertThat(day.at("/people/0/tickets"))
                .extracting(JsonNode::stringValue)
                .containsExactly("lead");
        assertThat(day.get("findings"))
                .as("what is past is not judged any more")
                .isEmpty();
    }

    @Test
    void movedCutsReportsFruitAndRemovalComeIn() {
        long siteId = add(oneTree("Archive all", """
                , "moved": [{"limb": "C", "kind": "remove", "year": "year+1", "season": "dormant", "quality": "best"}],
                  "fruit": [{"by": "Ada Archive", "year": "year-1", "fruit": {"kilos": 12}}],
                  "reports": [{"by": "Ada Archive", "on": "today-3", "kind": "leaning", "dangerous": true,
                               "dealt": {"by": "Ada Archive", "on": "today-1", "how": "propped"}}]
                """, ""));
        long treeId = onlyTree(siteId);
        assertThat(get("/api/trees/" + treeId + "/judgement")
                        .json()
                        .at("/edits/pins/0/year")
                        .intValue())
                .isEqualTo(2028);
        assertThat(get("/api/trees/" + treeId + "/fruit")
                        .json()
                        .at("/years/0/year")
                        .intValue())
                .isEqualTo(2026);
        assertThat(get("/api/trees/" + treeId + "/reports")
                        .json()
                        .at("/0/dealtHow")
                        .stringValue())
                .isEqualTo("propped");
        long gone = add(oneTree("Archive gone", """
                , "removal": {"by": "Ada Archive", "on": "today-30", "grounds": "fell", "permission": "none wanted: the storm",
                              "removedBy": "the storm"}
                """, ""));
        assertThat(get("/api/sites/" + gone + "/trees").json().get("total").intValue())
                .isZero();
        assertThat(get("/api/sites/" + gone + "/trees?removed=true")
                        .json()
                        .get("total")
                        .intValue())
                .isEqualTo(1);
    }

    @Test
    void plansWhatPeopleWantOfThemAndTheHoursGoOutAndComeIn() {
        long siteId = add(oneTree("Archive plans", "", ""));
        long treeId = onlyTree(siteId);
        put("/api/trees/" + treeId + "/plan", """
                        {"version": 0, "edits": {"years": 4, "allowance": {"share": 0.2, "why": "weak after the drought"},
                         "pins": [{"limb": "C", "kind": "remove", "year": 2028, "season": "dormant", "quality": "best"}],
                         "decided": [{"limb": "B", "verdict": "shorten", "alongM": 2.0}]}}
                        """).expect(200);
        post("/api/trees/" + treeId + "/plan/kept", "{\"version\": 1}").expect(200);
        put("/api/trees/" + treeId + "/programme", "{\"version\": 0, \"year\": 2029}")
                .expect(200);
        put("/api/sites/" + siteId + "/programme/hours", """
                        {"hours": [{"year": 0, "season": "dormant", "hours": 12}, {"year": 2028, "season": "dormant", "hours": 8}]}
                        """).expect(200);
        ObjectNode out = (ObjectNode) get("/api/sites/" + siteId + "/archive").expect(200);
        ((ObjectNode) out.get("site")).put("name", "Archive plans moved house");
        long there = add(out);
        ObjectNode again = (ObjectNode) get("/api/sites/" + there + "/archive").expect(200);
        assertThat(again).isEqualTo(out);
        String tree = "/api/trees/" + onlyTree(there);
        JsonNode judged = get(tree + "/judgement").json();
        assertThat(judged.at("/kept/cause").stringValue()).isEqualTo("by-hand");
        assertThat(judged.at("/edits/allowance/why").stringValue()).isEqualTo("weak after the drought");
        assertThat(judged.get("proposal")).isEmpty();
        assertThat(judged.at("/evaluation/plan"))
                .isEqualTo(get("/api/trees/" + treeId + "/judgement").json().at("/evaluation/plan"));
    }

    @Test
    void whatIsWrongWithTheWorkIsNamedByItsPlace() {
        ObjectNode bad = oneTree("Archive bad", """
                , "moved": [{"limb": "C", "kind": "remove", "year": "soon", "season": "dormant"}],
                  "wanted": {"years": 40}, "begins": "soon",
                  "plans": [{"on": "today-1", "by": "Ada Archive", "cause": "followed",
                             "cuts": [{"limb": "C", "kind": "fell", "year": "2028", "season": "dormant"}]}],
                  "fruit": [{"by": "Ada Archive", "year": "year-1", "fruit": {}},
                            {"by": "Ada Archive", "year": "year-1", "fruit": {"kilos": 2}}],
                  "reports": [{"by": "", "on": "today-3", "kind": "leaning", "dangerous": true}],
                  "visits": [{"on": "today-400000"}]
                """, """
                , "days": [{"on": "today-3", "starts": "09:30", "ends": "09:00", "state": "sunny", "shed": {"saw": 1}, "visits": []}],
                  "hours": [{"season": "dormant", "hours": 3}, {"season": "dormant", "hours": 4}]
                """);
        JsonNode problem = post("/api/archives", JSON.writeValueAsString(bad)).expect(422);
        assertThat(problem.get("errors"))
                .extracting(error -> error.get("pointer").stringValue())
                .contains(
                        "/trees/0/moved/0/year",
                        "/trees/0/wanted/years",
                        "/trees/0/begins",
                        "/trees/0/plans/0/by",
                        "/trees/0/plans/0/cuts/0/kind",
                        "/hours/1/season",
                        "/trees/0/fruit/1/year",
                        "/trees/0/reports/0/by",
                        "/trees/0/visits/0/on",
                        "/days/0/endsLater");
        assertThat(get("/api/sites").json())
                .noneMatch(site -> site.at("/data/name").stringValue().equals("Archive bad"));
    }
}
