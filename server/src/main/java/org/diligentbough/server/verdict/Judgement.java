package org.diligentbough.server.verdict;

import java.time.LocalDate;
import org.diligentbough.core.Evaluation;
import org.diligentbough.server.survey.SurveyMapper.SurveyRow;
import org.diligentbough.server.survey.SurveyService;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** The judgement of a registered tree by its newest survey, as of today, with its drawing. */
@RestController
class Judgement {
    private final SurveyService surveys;
    private final EvaluationWriter writer;

    Judgement(SurveyService surveys, EvaluationWriter writer) {
        this.surveys = surveys;
        this.writer = writer;
    }

    /** What was judged, the judgement, and the tree's geometry. */
    record JudgementView(
            long surveyId,
            int surveyVersion,
            LocalDate surveyedOn,
            String surveyedBy,
            LocalDate today,
            EvaluationAnswer evaluation,
            TreeDrawing drawing) {}

    /** Judges the newest survey; 404 while there is none. */
    @GetMapping("/api/trees/{treeId}/judgement")
    JudgementView judgement(@PathVariable long treeId) {
        SurveyRow survey = surveys.newest(treeId);
        Evaluation evaluation = surveys.evaluate(survey);
        return new JudgementView(
                survey.id(),
                survey.version(),
                survey.surveyedOn(),
                survey.surveyedBy(),
                evaluation.scene().survey().today(),
                writer.write(evaluation),
                TreeDrawing.of(evaluation));
    }
}
