package org.diligentbough.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.plan.RenovationPlan.Lane;
import org.diligentbough.core.plan.RenovationPlan.Task;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.survey.SurveyNotes;
import org.diligentbough.core.visit.Visit;
import org.junit.jupiter.api.Test;

/** Yearly work that is no single limb's is planned with its time and its minutes. Common practice, no source. */
class KindTasksTest {
    private static SurveyBuilder tree(Species species, int stems) {
        SurveyBuilder tree = SurveyBuilder.of(species);
        for (int i = 0; i < stems; i++) {
            double azimuth = i * 360.0 / stems;
            tree.limb("M" + i, limb -> limb.origin(0.3)
                    .diameter(6)
                    .length(2.2)
                    .angle(60)
                    .azimuth(azimuth)
                    .years(8)
                    .fruiting(2));
        }
        return tree;
    }

    private static List<Task> tasks(Evaluation evaluation, Season season) {
        return evaluation.plan().lanes().stream()
                .filter(lane -> lane.season() == season)
                .flatMap(lane -> lane.tasks().stream())
                .toList();
    }

    private static List<ReasonCode> codes(Evaluation evaluation, Season season) {
        return tasks(evaluation, season).stream()
                .map(task -> task.what().code())
                .toList();
    }

    private static SurveyBuilder counted(SurveyBuilder tree, int shoots) {
        tree.noted = SurveyNotes.NOTHING.counting(shoots);
        return tree;
    }

    @Test
    void aPeachSaysHowManyOfItsShootsStay() {
        Evaluation evaluation = counted(tree(Species.PEACH, 3), 95).evaluate();
        // 6.6 m of arm, one for each 12.5 cm.
        assertThat(tasks(evaluation, Season.BUD_SWELL)).singleElement().satisfies(task -> {
            assertThat(task.what().code()).isEqualTo(ReasonCode.TASK_PEACH_KEEP);
            assertThat(task.what().arguments()).containsExactly(53, 95, 42);
            assertThat(task.minutes()).isEqualTo(48);
        });
    }

    @Test
    void countedShootsOfPlumAndPersimmonHaveTheirTimes() {
        assertThat(codes(counted(tree(Species.PLUM, 3), 20).evaluate(), Season.SUMMER))
                .containsExactly(ReasonCode.TASK_PLUM_SHOOTS);
        Evaluation persimmon = counted(tree(Species.PERSIMMON, 3), 12).evaluate();
        assertThat(codes(persimmon, Season.EARLY_SUMMER)).containsExactly(ReasonCode.TASK_PERSIMMON_SHOOTS);
        assertThat(codes(persimmon, Season.DORMANT)).isEmpty();
    }

    @Test
    void aFigRenewedWholeHasItsShootsChosenInEarlySummer() {
        SurveyBuilder fig = tree(Species.FIG, 4);
        fig.yearsSinceCut = OptionalDouble.of(4);
        Evaluation evaluation = fig.evaluate();
        assertThat(codes(evaluation, Season.EARLY_SUMMER)).containsExactly(ReasonCode.TASK_FIG_CHOOSE);
        assertThat(tasks(evaluation, Season.EARLY_SUMMER).get(0).what().arguments())
                .containsExactly(4L);
        Lane early = evaluation.plan().lanes().stream()
                .filter(lane -> lane.season() == Season.EARLY_SUMMER)
                .findFirst()
                .orElseThrow();
        assertThat(early.minutes()).isEqualTo(20);
    }

    @Test
    void aStrongFigIsPinchedByTheDayReckonedAWeakOneLosesItsFigs() {
        SurveyBuilder fig = tree(Species.FIG, 4);
        fig.yearsSinceCut = OptionalDouble.of(1);
        fig.shootCm = OptionalDouble.of(60);
        assertThat(codes(fig.evaluate(), Season.EARLY_SUMMER)).containsExactly(ReasonCode.TASK_FIG_PINCH);
        assertThat(tasks(fig.evaluate(), Season.EARLY_SUMMER).get(0).what().arguments())
                .singleElement()
                .isInstanceOf(LocalDate.class);
        fig.shootCm = OptionalDouble.of(10);
        assertThat(codes(fig.evaluate(), Season.EARLY_SUMMER)).containsExactly(ReasonCode.TASK_FIGS_OFF);
        fig.shootCm = OptionalDouble.of(35);
        fig.plantedYear = OptionalInt.of(2025);
        assertThat(codes(fig.evaluate(), Season.EARLY_SUMMER)).containsExactly(ReasonCode.TASK_FIGS_OFF);
    }

    @Test
    void aBushsSideShootsAndATrainedTreesTiesAreWork() {
        SurveyBuilder bush = tree(Species.GOOSEBERRY, 8);
        bush.formWanted = Form.BUSH;
        assertThat(codes(bush.evaluate(), Season.DORMANT)).containsExactly(ReasonCode.TASK_BUSH_SIDE_SHOOTS);
        SurveyBuilder espalier = tree(Species.APPLE, 4);
        espalier.formWanted = Form.ESPALIER;
        assertThat(codes(espalier.evaluate(), Season.SUMMER)).containsExactly(ReasonCode.TASK_TIES_FIRST);
        SurveyBuilder onTheWall = tree(Species.POMEGRANATE, 3);
        onTheWall.surroundings.add(new Survey.Surrounding(Survey.Surrounding.Kind.WALL, 0, 0.4, 3, 5));
        assertThat(codes(onTheWall.evaluate(), Season.DORMANT)).containsExactly(ReasonCode.TASK_TIES_FIRST);
    }

    @Test
    void whatWasDoneThisYearIsNotAskedForAgain() {
        SurveyBuilder fig = tree(Species.FIG, 4);
        fig.shootCm = OptionalDouble.of(10);
        Survey survey = fig.build();
        Visit done = new Visit(survey.surveyedOn(), List.of(), 0, Set.of(ReasonCode.TASK_FIGS_OFF), false);
        Evaluation after = Evaluation.of(
                SurveyBuilder.RULES.standing(List.of(survey), List.of(done)),
                Evaluation.Given.NOTHING,
                SurveyBuilder.RULES);
        assertThat(codes(after, Season.EARLY_SUMMER)).isEmpty();
    }

    @Test
    void theYearlyCuttingOfAKeptTreeHoldsIt() {
        Evaluation evaluation = counted(tree(Species.PLUM, 3), 20).evaluate();
        Lane lane = evaluation.plan().lanes().get(0);
        assertThat(lane.minutes())
                .isEqualTo(10 + lane.upkeepMinutes())
                .isEqualTo(Upkeep.personMinutes(evaluation.facts()));
    }
}
