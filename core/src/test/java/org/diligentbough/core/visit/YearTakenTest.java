package org.diligentbough.core.visit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.plan.Pin;
import org.diligentbough.core.plan.PlanRules;
import org.diligentbough.core.plan.RenovationPlan.Lane;
import org.diligentbough.core.plan.Wishes;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.season.Window;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.verdict.Verdict;
import org.junit.jupiter.api.Test;

/** What the year has seen already bounds what it may still take. */
class YearTakenTest {
    private static final LocalDate WALKED = LocalDate.of(2027, 1, 10);
    private static final LocalDate CUT = LocalDate.of(2027, 2, 10);

    /** Ten equal limbs of a tenth each, all to go in the end but four. */
    private static SurveyBuilder tenLimbs() {
        SurveyBuilder tree = new SurveyBuilder();
        tree.surveyedOn = WALKED;
        tree.girthCm = 130;
        for (int i = 0; i < 10; i++) {
            int number = i;
            tree.limb("L" + i, limb -> {
                limb.diameter(8).azimuth(number * 36).angle(45).length(3).fruiting(2);
                return number < 6 ? limb.fault(FaultKind.CROSSING_CENTRE) : limb;
            });
        }
        return tree;
    }

    private static Visit removed(LocalDate on, String... limbs) {
        return new Visit(
                on,
                java.util.Arrays.stream(limbs)
                        .map(limb -> new MadeCut(limb, MadeCut.Kind.REMOVED, 0, false, false, Optional.empty()))
                        .toList(),
                0);
    }

    private static TreeToday standing(SurveyBuilder tree, Visit... visits) {
        return SurveyBuilder.RULES.standing(List.of(tree.build()), List.of(visits));
    }

    private static Evaluation judged(TreeToday standing, Pin... pins) {
        return Evaluation.of(
                standing,
                new Evaluation.Given(Wishes.moved(List.of(pins)), List.of(), List.of(), Optional.empty()),
                SurveyBuilder.RULES);
    }

    private static List<Lane> of(Evaluation evaluation, int year) {
        return evaluation.plan().lanes().stream()
                .filter(lane -> lane.year().year() == year)
                .toList();
    }

    @Test
    void whatIsLeftOfTheYearIsGivenOutAndMeasuredByTheCrownAtItsStart() {
        TreeToday after = standing(tenLimbs(), removed(CUT, "L0"));
        assertThat(after.taken().share()).isCloseTo(0.1, within(1e-9));
        Evaluation evaluation = judged(after);
        Lane lane = of(evaluation, 2027).get(0);
        // A ninth of what stands is a tenth of what stood: one more fits beside the tenth taken.
        assertThat(lane.cuts()).hasSize(1);
        assertThat(lane.cuts().get(0).share()).isCloseTo(0.1, within(1e-9));
        assertThat(lane.allowance().orElseThrow()).isCloseTo(0.15, within(1e-9));
        PlanRules.hold(evaluation, after.taken());
    }

    @Test
    void bigCutsMadeCountAmongTheThreeOfTheYear() {
        SurveyBuilder tree = tenLimbs();
        // Light limbs, so that big cuts run out before the crown does.
        tree.limb("H", limb -> limb.diameter(30).azimuth(200).length(6).fruiting(2));
        TreeToday after = standing(tree, removed(CUT, "L0"), removed(CUT.plusDays(1), "L1"));
        assertThat(after.taken().bigCuts()).extracting(Limb::id).containsExactly("L0", "L1");
        Evaluation evaluation = judged(after);
        assertThat(of(evaluation, 2027).stream().mapToInt(Lane::bigCuts).sum()).isLessThanOrEqualTo(1);
        PlanRules.hold(evaluation, after.taken());
    }

    @Test
    void lastYearsCutsDoNotCountInThisOne() {
        SurveyBuilder tree = tenLimbs();
        tree.today = LocalDate.of(2027, 11, 15);
        TreeToday after = standing(tree, removed(CUT, "L0", "L1"));
        assertThat(after.taken().share()).isZero();
        assertThat(after.taken().bigCuts()).isEmpty();
        assertThat(after.taken().overdoneBefore()).isZero();
        assertThat(of(judged(after), 2028).get(0).allowance().orElseThrow()).isCloseTo(0.25, within(1e-9));
    }

    @Test
    void tooMuchThisYearIsTakenFromTheNextInThePlanAtOnce() {
        TreeToday after = standing(tenLimbs(), removed(CUT, "L0", "L1", "L2", "L3"));
        assertThat(after.taken().share()).isCloseTo(0.4, within(1e-9));
        Evaluation evaluation = judged(after);
        // Of six limbs left each is a sixth: more than the tenth that 2028 has left, less than the quarter of 2029.
        assertThat(of(evaluation, 2027)).isEmpty();
        assertThat(of(evaluation, 2028)).isEmpty();
        assertThat(of(evaluation, 2029).get(0).allowance().orElseThrow()).isCloseTo(0.25, within(1e-9));
        PlanRules.hold(evaluation, after.taken());
    }

    @Test
    void inTheSouthTheYearRunsFromMay() {
        SurveyBuilder tree = tenLimbs();
        tree.latitude = -37;
        tree.surveyedOn = LocalDate.of(2027, 4, 1);
        tree.today = LocalDate.of(2027, 8, 10);
        TreeToday april = standing(tree, removed(LocalDate.of(2027, 4, 20), "L0"));
        assertThat(april.taken().share()).isZero();
        TreeToday may = standing(tree, removed(LocalDate.of(2027, 5, 2), "L0"));
        assertThat(may.taken().share()).isCloseTo(0.1, within(1e-9));
    }

    @Test
    void aBushCountsTheMainBranchesRenewedThisYear() {
        SurveyBuilder bush = SurveyBuilder.of(Species.RED_CURRANT);
        bush.surveyedOn = WALKED;
        for (int i = 0; i < 12; i++) {
            int number = i;
            bush.limb("M" + i, limb -> limb.diameter(2)
                    .origin(0.1)
                    .azimuth(number * 30)
                    .angle(55)
                    .length(0.9)
                    .years(3 + number % 7)
                    .fruiting(2));
        }
        List<String> first = of(judged(standing(bush)), 2027).stream()
                .flatMap(lane -> lane.cuts().stream())
                .filter(cut -> cut.kind() == Verdict.REMOVE)
                .map(cut -> cut.limb())
                .toList();
        assertThat(first).isNotEmpty();
        Visit renewed = new Visit(
                CUT,
                first.stream()
                        .map(limb -> new MadeCut(limb, MadeCut.Kind.REMOVED, 0, false, true, Optional.empty()))
                        .toList(),
                0);
        TreeToday after = standing(bush, renewed);
        assertThat(after.taken().renewals()).isEqualTo(first.size());
        // A third of the main branches went: no more of them this year.
        assertThat(of(judged(after), 2027).stream()
                        .flatMap(lane -> lane.cuts().stream())
                        .filter(cut -> cut.kind() == Verdict.REMOVE)
                        .count())
                .isLessThanOrEqualTo(Math.max(0, 4 - first.size()));
    }

    @Test
    void aMoveIntoTheYearReckonsWithWhatItHasSeen() {
        Evaluation moved = judged(
                standing(tenLimbs(), removed(CUT, "L0", "L1")),
                new Pin("L2", Verdict.REMOVE, 2027, Season.DORMANT, Optional.of(Window.Quality.BEST)));
        assertThat(of(moved, 2027).get(0).cuts().get(0).breaks())
                .singleElement()
                .satisfies(reason -> assertThat(reason.arguments().get(0))
                        .asInstanceOf(org.assertj.core.api.InstanceOfAssertFactories.DOUBLE)
                        .isCloseTo(0.1, within(1e-9)));
    }

    @Test
    void aMoveOfALimbThatIsGoneIsPassedOver() {
        Evaluation after = judged(
                standing(tenLimbs(), removed(CUT, "L0")),
                new Pin("L0", Verdict.REMOVE, 2028, Season.DORMANT, Optional.of(Window.Quality.BEST)));
        assertThat(after.plan().lanes()).allMatch(lane -> lane.cuts().stream()
                .noneMatch(cut -> cut.limb().equals("L0")));
    }
}
