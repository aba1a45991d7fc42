package org.diligentbough.core.light;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.plan.RenovationPlan.Task;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.survey.Survey.Surrounding;
import org.diligentbough.core.visit.Visit;
import org.junit.jupiter.api.Test;

/** Felling or lowering what shades a tree, as work. Common practice, no source. */
class ShadeWorkTest {
    private static SurveyBuilder lowTree(Surrounding... around) {
        SurveyBuilder tree = new SurveyBuilder();
        tree.heightM = 3;
        tree.yearsSinceCut = OptionalDouble.of(1);
        for (int i = 0; i < 4; i++) {
            double azimuth = 90 * i;
            tree.limb("M" + i, limb -> limb.diameter(6)
                    .origin(0.8)
                    .azimuth(azimuth)
                    .angle(40)
                    .length(2)
                    .years(12)
                    .fruiting(2));
        }
        tree.surroundings.addAll(List.of(around));
        return tree;
    }

    private static Surrounding hedge(double bearingDeg, double heightM) {
        return new Surrounding(Surrounding.Kind.HEDGE, bearingDeg, 2, heightM, 14);
    }

    private static List<Task> tasks(Evaluation evaluation) {
        return evaluation.plan().lanes().stream()
                .flatMap(lane -> lane.tasks().stream())
                .toList();
    }

    @Test
    void aHighHedgeToTheSouthIsToBeLoweredAndSaysWhatThatGains() {
        Evaluation evaluation = lowTree(hedge(180, 5)).evaluate();
        assertThat(tasks(evaluation)).singleElement().satisfies(task -> {
            assertThat(task.what().code()).isEqualTo(ReasonCode.TASK_LOWER_HEDGE);
            assertThat((double) task.what().arguments().get(3)).isBetween(0.05, 0.6);
            assertThat(task.minutes()).isEqualTo(14 * 12);
        });
        double with = evaluation.crownLight().inLight().orElseThrow();
        double without =
                lowTree(hedge(180, 1.8)).evaluate().crownLight().inLight().orElseThrow();
        assertThat(without).isGreaterThan(with);
    }

    @Test
    void whatTakesLittleAndAWallAreLeft() {
        assertThat(tasks(lowTree(hedge(0, 2)).evaluate())).isEmpty();
        assertThat(tasks(lowTree(new Surrounding(Surrounding.Kind.WALL, 180, 2, 5, 14))
                        .evaluate()))
                .isEmpty();
    }

    @Test
    void ofSeveralTreesTheOneThatTakesMostIsNamed() {
        Surrounding far = new Surrounding(Surrounding.Kind.TREE, 180, 9, 9, 3);
        Surrounding close = new Surrounding(Surrounding.Kind.TREE, 170, 4, 9, 3);
        assertThat(tasks(lowTree(far, close).evaluate())).singleElement().satisfies(task -> {
            assertThat(task.what().code()).isEqualTo(ReasonCode.TASK_FELL_NEIGHBOUR);
            assertThat(task.what().arguments().get(1)).isEqualTo(4.0);
        });
    }

    /** What was felled and logged no longer shades, this year and later. */
    @Test
    void onceLoggedItShadesNoLonger() {
        SurveyBuilder tree = lowTree(new Surrounding(Surrounding.Kind.TREE, 180, 4, 9, 3), hedge(90, 5));
        Survey survey = tree.build();
        Visit done = new Visit(
                survey.surveyedOn(),
                List.of(),
                0,
                Set.of(ReasonCode.TASK_FELL_NEIGHBOUR, ReasonCode.TASK_LOWER_HEDGE),
                false);
        Survey after =
                SurveyBuilder.RULES.standing(List.of(survey), List.of(done)).survey();
        assertThat(after.surroundings()).singleElement().satisfies(left -> {
            assertThat(left.kind()).isEqualTo(Surrounding.Kind.HEDGE);
            assertThat(left.heightM()).isEqualTo(1.8);
        });
        Evaluation evaluation = Evaluation.of(
                SurveyBuilder.RULES.standing(List.of(survey), List.of(done)),
                Evaluation.Given.NOTHING,
                SurveyBuilder.RULES);
        assertThat(tasks(evaluation)).isEmpty();
    }
}
