package org.diligentbough.server.judgement;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.io.InputStream;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.outlook.Outlook;
import org.diligentbough.server.shared.TwoAtATime;
import org.diligentbough.server.survey.SurveyFile;
import org.diligentbough.server.survey.SurveyFileReader;
import org.diligentbough.server.survey.SurveyMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;

/** Judges a survey that is sent, and keeps nothing of it. Open to all. */
@RestController
class EvaluateApi {
    static final int MOST_BYTES = 1 << 20;

    private final SurveyFileReader reader;
    private final Rulebook rules;
    private final EvaluationWriter writer;

    private final TwoAtATime turns;

    EvaluateApi(SurveyFileReader reader, Rulebook rules, EvaluationWriter writer, TwoAtATime turns) {
        this.turns = turns;
        this.reader = reader;
        this.rules = rules;
        this.writer = writer;
    }

    @Operation(
            summary = "Judge and plan one surveyed tree",
            requestBody =
                    @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            required = true,
                            content =
                                    @Content(
                                            mediaType = "application/json",
                                            schema = @Schema(implementation = SurveyFile.class))))
    @PostMapping(path = "/api/evaluate")
    EvaluationAnswer evaluate(@Schema(hidden = true) InputStream body) throws IOException {
        SurveyFile survey = reader.read(body.readAllBytes());
        return turns.ask(() -> {
            Evaluation evaluation = Evaluation.of(SurveyMapping.toSurvey(survey), rules);
            return writer.write(evaluation, Outlook.of(evaluation.planned(), rules.rootstocks()));
        });
    }
}
