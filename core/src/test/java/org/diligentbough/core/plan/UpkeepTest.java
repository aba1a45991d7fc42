package org.diligentbough.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.core.SurveyBuilder.withFrame;

import java.time.LocalDate;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.plan.RenovationPlan.Lane;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.verdict.Triage;
import org.diligentbough.core.visit.Visit;
import org.junit.jupiter.api.Test;

/** The ordinary cutting of trees that are kept is work. An estimate; common practice, no source. */
class UpkeepTest {
    private static int minutes(SurveyBuilder tree) {
        return tree.evaluate().plan().lanes().stream()
                .mapToInt(Lane::upkeepMinutes)
                .sum();
    }

    private static SurveyBuilder apple(double heightM, double spreadM, int age) {
        SurveyBuilder tree = withFrame();
        tree.heightM = heightM;
        tree.spreadM = spreadM;
        tree.plantedYear = OptionalInt.of(tree.today.getYear() - age);
        return tree;
    }

    @Test
    void aKeptTreeHasItsYearlyCuttingInItsMainWindow() {
        SurveyBuilder tree = apple(4, 4, 12);
        assertThat(tree.evaluate().tree().triage()).isEqualTo(Triage.MAINTAIN);
        assertThat(tree.evaluate().plan().lanes()).singleElement().satisfies(lane -> {
            assertThat(lane.season()).isEqualTo(Season.DORMANT);
            assertThat(lane.cuts()).isEmpty();
            assertThat(lane.share()).isZero();
            // 16 m2 of crown at 2.5 minutes.
            assertThat(lane.minutes()).isEqualTo(40);
            assertThat(lane.upkeepMinutes()).isEqualTo(40);
        });
    }

    @Test
    void ofEachYearAskedFor() {
        SurveyBuilder tree = apple(4, 4, 12);
        tree.years = OptionalInt.of(3);
        assertThat(tree.evaluate().plan().lanes())
                .extracting(lane -> lane.year().year() + ": " + lane.upkeepMinutes())
                .containsExactly("2027: 40", "2028: 40", "2029: 40");
    }

    @Test
    void goesBySizeAgeKindAndForm() {
        assertThat(minutes(apple(7, 6, 12))).isEqualTo(105);
        assertThat(minutes(apple(2, 2, 12))).isEqualTo(10);
        assertThat(minutes(apple(4, 4, 7))).isLessThan(40).isGreaterThan(24);
        assertThat(minutes(apple(4, 4, 60))).isEqualTo(32).isEqualTo(minutes(apple(4, 4, 90)));
        SurveyBuilder bush = SurveyBuilder.of(Species.RED_CURRANT);
        bush.heightM = 1.3;
        bush.spreadM = 1.2;
        bush.plantedYear = OptionalInt.empty();
        assertThat(minutes(bush)).isEqualTo(10);
        SurveyBuilder fan = apple(4, 4, 12).with(tree -> tree.formWanted = Form.FAN);
        assertThat(fan.evaluate().plan().lanes().get(0).minutes()).isEqualTo(80);
    }

    @Test
    void whatIsPlannedOfTheYearIsPartOfIt() {
        SurveyBuilder tree =
                apple(4, 4, 12).limb("X", limb -> limb.diameter(3).azimuth(60).fault(FaultKind.BROKEN));
        Lane lane = tree.evaluate().plan().lanes().get(0);
        assertThat(lane.cuts()).hasSize(1);
        assertThat(lane.minutes()).isEqualTo(40);
        assertThat(lane.upkeepMinutes()).isEqualTo(40 - lane.cuts().get(0).cut().minutes());
    }

    @Test
    void treesInRenovationHaveTheirPlanAndWhatIsLeftAloneHasNone() {
        SurveyBuilder neglected = apple(8, 6, 60).with(tree -> tree.yearsSinceCut = OptionalDouble.of(12));
        assertThat(neglected.evaluate().tree().triage()).isEqualTo(Triage.RENOVATE);
        assertThat(minutes(neglected)).isZero();
        SurveyBuilder lemon = SurveyBuilder.of(Species.CITRUS)
                .limb("M", limb -> limb.diameter(4).azimuth(0).fruiting(2));
        lemon.heightM = 1.5;
        lemon.targetHeightM = OptionalDouble.of(3);
        assertThat(minutes(lemon)).isZero();
    }

    @Test
    void doneOnceItIsNotAskedForAgainThatYear() {
        SurveyBuilder tree = apple(4, 4, 12);
        Survey survey = tree.build();
        LocalDate day = survey.surveyedOn();
        assertThat(lanes(survey, new Visit(day, List.of(), 0, Set.of(), true))).isEmpty();
        assertThat(lanes(survey, new Visit(day, List.of(), 0))).hasSize(1);
    }

    private static List<Lane> lanes(Survey survey, Visit visit) {
        return Evaluation.of(
                        SurveyBuilder.RULES.standing(List.of(survey), List.of(visit)),
                        Evaluation.Given.NOTHING,
                        SurveyBuilder.RULES)
                .plan()
                .lanes();
    }
}
