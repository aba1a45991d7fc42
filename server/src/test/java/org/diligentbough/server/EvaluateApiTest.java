package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.JSON;
import static org.diligentbough.server.TestServer.file;
import static org.diligentbough.server.TestServer.sendAs;

import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.diligentbough.server.TestServer.Answer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** POST /api/evaluate: open to all, nothing stored, every wrong field named. */
class EvaluateApiTest {

    private static ObjectNode example() {
        return (ObjectNode) JSON.readTree(file("docs/formats/survey.example.json"));
    }

    private static Answer evaluate(JsonNode survey) {
        return sendAs(0, "POST", "/api/evaluate", JSON.writeValueAsString(survey));
    }

    private static ObjectNode limb(ObjectNode survey, int index) {
        return (ObjectNode) survey.get("limbs").get(index);
    }

    /** The pointers named when the example is spoilt. */
    private static List<String> refused(Consumer<ObjectNode> spoil) {
        ObjectNode survey = example();
        spoil.accept(survey);
        List<String> pointers = new ArrayList<>();
        for (JsonNode error : evaluate(survey).expect(422).get("errors")) {
            assertThat(error.get("detail").stringValue()).isNotBlank();
            pointers.add(error.get("pointer").stringValue());
        }
        return pointers;
    }

    @Test
    void theExampleIsJudgedAndPlanned() {
        JsonNode answer = evaluate(example()).expect(200);
        assertThat(answer.at("/tree/triage").stringValue()).isEqualTo("renovate");
        assertThat(answer.at("/tree/vigour").stringValue()).isEqualTo("modest");
        assertThat(answer.at("/tree/allowance/year").doubleValue()).isEqualTo(0.25);
        assertThat(answer.at("/limbs/2/id").stringValue()).isEqualTo("A1");
        assertThat(answer.at("/limbs/2/verdict").stringValue()).isEqualTo("remove");
        assertThat(answer.at("/limbs/2/cut/kind").stringValue()).isEqualTo("collar");
        assertThat(answer.at("/limbs/2/cut/tool").stringValue()).isEqualTo("loppers");
        assertThat(answer.at("/plan/0/season").stringValue()).isEqualTo("dormant");
        assertThat(answer.at("/plan/0/window/opens").stringValue()).isEqualTo("2027-02-01");
        assertThat(answer.at("/today/mayCut").stringValue()).isEqualTo("yes");
        assertThat(answer.has("light")).isTrue();
        for (String way : List.of("leftAlone", "plan", "allAtOnce")) {
            JsonNode years = answer.at("/outlook/" + way);
            assertThat(years).hasSize(11);
            assertThat(years.at("/0/year").intValue()).isEqualTo(2027);
            assertThat(years.at("/0/heightM").doubleValue()).isEqualTo(6.4);
            assertThat(years.at("/0/uprights").intValue()).isEqualTo(45);
        }
        assertThat(answer.at("/outlook/leftAlone/10/heightM").doubleValue()).isGreaterThan(6.4);
        assertThat(answer.at("/limbs/0/reasons/0/text").stringValue()).doesNotContain("{");
    }

    @Test
    void onlyWhatIsRequiredIsEnough() {
        ObjectNode survey = (ObjectNode) JSON.readTree("""
                {"format": "diligent-bough/survey", "version": 1,
                 "site": {"latitude": -38, "longitude": 145, "monthlyMeanC": [20,20,18,15,13,11,10,11,13,15,17,19],
                          "monthlyRainMm": [45,40,45,55,60,55,55,60,65,70,65,55]},
                 "today": "2027-08-20",
                 "tree": {"label": "S", "species": "apple", "heightM": 4, "spreadM": 3, "trunkGirthCm": 60, "x-colour": "red"},
                 "limbs": [{"id": "A", "diameterCm": 8, "originHeightM": 1, "azimuthDeg": 0, "angleDeg": 45, "lengthM": 3}]}
                """);
        JsonNode answer = evaluate(survey).expect(200);
        assertThat(answer.at("/today/mayCut").stringValue()).isEqualTo("yes");
        assertThat(answer.at("/tree/vigour").isNull()).isTrue();
        assertThat(answer.get("cautions"))
                .anyMatch(caution -> caution.get("code").stringValue().equals("caution-bearing-unknown"));
        survey.set("limbs", JSON.nullNode());
        evaluate(survey).expect(200);
    }

    @Test
    void everyWrongFieldIsNamed() {
        assertThat(refused(survey -> limb(survey, 0).put("diameterCm", -1))).containsExactly("/limbs/0/diameterCm");
        assertThat(refused(survey -> ((ObjectNode) survey.get("tree")).put("heightM", 5000)))
                .containsExactly("/tree/heightM");
        assertThat(refused(survey -> ((ObjectNode) survey.get("tree")).put("species", "oak")))
                .containsExactly("/tree/species");
        assertThat(refused(survey -> survey.put("colour", "red"))).containsExactly("/colour");
        assertThat(refused(survey -> limb(survey, 1).put("thickness", 4))).containsExactly("/limbs/1/thickness");
        assertThat(refused(survey -> limb(survey, 2).put("parent", "Z"))).containsExactly("/limbs/2/parent");
        assertThat(refused(survey -> limb(survey, 1).put("id", "A"))).contains("/limbs/1/id");
        assertThat(refused(survey -> ((ObjectNode) limb(survey, 3).get("faults").get(0)).put("with", "Q")))
                .containsExactly("/limbs/3/faults/0/with");
        assertThat(refused(survey -> survey.put("today", "2027-02-30"))).containsExactly("/today");
        assertThat(refused(survey -> survey.put("surveyedOn", "2027-03-01"))).containsExactly("/surveyedOn");
        assertThat(refused(survey -> survey.put("version", 2))).containsExactly("/version");
        assertThat(refused(survey -> survey.put("years", 6))).containsExactly("/years");
        assertThat(refused(survey -> limb(survey, 2).put("originAlongM", 4.2)))
                .containsExactly("/limbs/2/originAlongM");
        assertThat(refused(survey -> limb(survey, 0).remove("originHeightM")))
                .containsExactly("/limbs/0/originHeightM");
        assertThat(refused(survey -> limb(survey, 0).put("originAlongM", 1))).containsExactly("/limbs/0/originAlongM");
    }

    @Test
    void limbsInACircleAreBothNamed() {
        assertThat(refused(survey -> {
                    limb(survey, 0).put("parent", "A1").put("originAlongM", 0.5).remove("originHeightM");
                }))
                .containsExactly("/limbs/0/parent", "/limbs/2/parent");
    }

    @Test
    void allThatIsWrongIsToldAtOnce() {
        assertThat(refused(survey -> {
                    survey.put("version", 9);
                    limb(survey, 0).put("angleDeg", 91);
                    limb(survey, 2).put("parent", "Z");
                    ((ObjectNode) survey.get("site")).remove("latitude");
                }))
                .containsExactly("/limbs/0/angleDeg", "/limbs/2/parent", "/site/latitude", "/version");
    }

    @Test
    void whatIsNotJsonOrTooLargeIsRefused() {
        assertThat(sendAs(0, "POST", "/api/evaluate", "{\"a\":")
                        .expect(400)
                        .get("detail")
                        .stringValue())
                .contains("line 1");
        sendAs(0, "POST", "/api/evaluate", "").expect(400);
        sendAs(0, "POST", "/api/evaluate", "[1,2]").expect(422);
        sendAs(0, "POST", "/api/evaluate", "{\"format\": 1, \"format\": 2}").expect(400);
        sendAs(0, "POST", "/api/evaluate", " ".repeat((2 << 20) + 1)).expect(413);
        ObjectNode many = example();
        ArrayNode limbs = (ArrayNode) many.get("limbs");
        for (int i = 0; i < 200; i++) {
            limbs.add(((ObjectNode) limbs.get(0).deepCopy()).put("id", "M" + i));
        }
        assertThat(evaluate(many).expect(422).at("/errors/0/pointer").stringValue())
                .isEqualTo("/limbs");
    }

    @Test
    void nothingIsStored() throws SQLException {
        long before = rows();
        evaluate(example()).expect(200);
        assertThat(rows()).isEqualTo(before);
    }

    private static long rows() throws SQLException {
        try (var connection = TestServer.database();
                var result = connection
                        .createStatement()
                        .executeQuery(
                                "select (select count(*) from survey) + (select count(*) from survey_draft) + (select count(*) from history)")) {
            result.next();
            return result.getLong(1);
        }
    }

    @Test
    void theSameSurveyGivesTheSameAnswer() {
        assertThat(evaluate(example()).text()).isEqualTo(evaluate(example()).text());
    }
}
