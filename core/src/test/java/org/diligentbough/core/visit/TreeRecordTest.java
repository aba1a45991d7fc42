package org.diligentbough.core.visit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.survey.Fault;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.verdict.Triage;
import org.junit.jupiter.api.Test;

/** What a logged visit does to the tree that is judged and planned afterwards. */
class TreeRecordTest {
    /** Share of a limb's own that goes when it is cut half way: (0.775 squared - 0.55 squared) / (1 - 0.55 squared). */
    private static final double BEYOND_THE_MIDDLE = (0.775 * 0.775 - 0.55 * 0.55) / (1 - 0.55 * 0.55);

    private static final LocalDate WALKED = LocalDate.of(2027, 1, 10);
    private static final LocalDate CUT = LocalDate.of(2027, 2, 15);

    /** Four limbs of a quarter each, walked in January, judged on 20 February. */
    private static SurveyBuilder fourLimbs() {
        SurveyBuilder tree = new SurveyBuilder();
        tree.surveyedOn = WALKED;
        for (int i = 0; i < 4; i++) {
            int number = i;
            tree.limb("L" + i, limb -> limb.diameter(10)
                    .azimuth(number * 90)
                    .angle(45)
                    .length(4)
                    .fruiting(2));
        }
        return tree;
    }

    private static MadeCut removed(String limb) {
        return new MadeCut(limb, MadeCut.Kind.REMOVED, 0, false, false, Optional.empty());
    }

    private static MadeCut shortened(String limb, double alongM, boolean step) {
        return new MadeCut(limb, MadeCut.Kind.SHORTENED, alongM, step, false, Optional.empty());
    }

    private static Visit visit(LocalDate on, MadeCut... cuts) {
        return new Visit(on, List.of(cuts), 0);
    }

    private static TreeToday standing(SurveyBuilder tree, Visit... visits) {
        return SurveyBuilder.RULES.standing(List.of(tree.build()), List.of(visits));
    }

    private static Evaluation judged(TreeToday standing) {
        return Evaluation.of(standing, Evaluation.Given.NOTHING, SurveyBuilder.RULES);
    }

    private static Limb limb(TreeToday standing, String id) {
        return standing.survey().limbs().stream()
                .filter(limb -> limb.id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aLimbRemovedIsGoneWithAllItBoreAndCountsInItsPruningYear() {
        SurveyBuilder tree = fourLimbs().limb("S", limb -> limb.on("L0", 2).diameter(4));
        TreeToday after = standing(tree, visit(CUT, removed("L0")));
        assertThat(after.survey().limbs()).extracting(Limb::id).containsExactly("L1", "L2", "L3");
        assertThat(after.taken().share()).isCloseTo(0.25, within(1e-9));
        assertThat(after.taken().bigCuts()).extracting(Limb::id).containsExactly("L0");
    }

    @Test
    void aYearWhoseAllowanceIsTakenRestsAndTheNextDoesNot() {
        SurveyBuilder tree = fourLimbs();
        tree.limbs.replaceAll(
                limb -> limb.as(limb.lengthM(), limb.angleDeg(), 1, List.of(Fault.of(FaultKind.CROSSING_CENTRE))));
        Evaluation sameYear = judged(standing(tree, visit(CUT, removed("L0"))));
        assertThat(sameYear.tree().triage()).isEqualTo(Triage.REST);
        assertThat(sameYear.tree().reasons())
                .extracting(reason -> reason.code())
                .contains(ReasonCode.REST_TAKEN_THIS_YEAR);
        assertThat(sameYear.plan().lanes()).noneMatch(lane -> lane.year().year() == 2027);
        assertThat(sameYear.plan().lanes()).anyMatch(lane -> lane.year().year() == 2028);
        tree.today = LocalDate.of(2027, 11, 20);
        assertThat(judged(standing(tree, visit(CUT, removed("L0")))).tree().triage())
                .isNotEqualTo(Triage.REST);
    }

    @Test
    void whatWasOverdoneComesOffTheNextYear() {
        SurveyBuilder tree = fourLimbs();
        tree.today = LocalDate.of(2027, 11, 20);
        TreeToday after = standing(tree, visit(CUT, removed("L0")), visit(CUT.plusDays(3), shortened("L1", 2, false)));
        // A quarter, and of another quarter what goes beyond its middle.
        double second = 0.25 * BEYOND_THE_MIDDLE;
        assertThat(after.taken().share()).isZero();
        assertThat(after.taken().overdoneBefore()).isCloseTo(second, within(1e-9));
        assertThat(judged(after).tree().allowance().reasons())
                .extracting(reason -> reason.code())
                .contains(ReasonCode.ALLOWANCE_OVERDONE);
    }

    @Test
    void aShortenedLimbEndsWhereItWasCutAndKeepsTheLeafThatIsLeft() {
        SurveyBuilder tree = fourLimbs();
        tree.limbs.replaceAll(limb -> limb.as(
                limb.lengthM(),
                limb.angleDeg(),
                1,
                List.of(Fault.of(FaultKind.OVERLONG), Fault.of(FaultKind.CROSSING_CENTRE))));
        TreeToday after = standing(tree, visit(CUT, shortened("L0", 2, false)));
        Limb cut = limb(after, "L0");
        assertThat(cut.lengthM()).isEqualTo(2);
        assertThat(cut.leafiness()).isCloseTo(1 - BEYOND_THE_MIDDLE, within(1e-9));
        assertThat(cut.faults()).extracting(Fault::kind).containsExactly(FaultKind.CROSSING_CENTRE);
        // A step towards removal settles nothing.
        assertThat(limb(standing(tree, visit(CUT, shortened("L0", 2, true))), "L0")
                        .faults())
                .hasSize(2);
    }

    @Test
    void diseaseSeenAtTheFaceStandsInTheNextJudgement() {
        MadeCut sick = new MadeCut("L0", MadeCut.Kind.SHORTENED, 2, false, false, Optional.of(Disease.CANKER));
        TreeToday after = standing(fourLimbs(), visit(CUT, sick));
        assertThat(limb(after, "L0").faults()).containsExactly(Fault.diseased(Disease.CANKER));
        assertThat(judged(after).plan().lanes()).anyMatch(lane -> lane.cuts().stream()
                .anyMatch(cut -> cut.limb().equals("L0")));
    }

    @Test
    void findingsThatNameALimbLapseWithIt() {
        SurveyBuilder tree = fourLimbs();
        tree.limb("R", limb -> limb.diameter(4).azimuth(45).fault(FaultKind.RUBBING, "L0"));
        assertThat(limb(standing(tree, visit(CUT, removed("L0"))), "R").faults())
                .isEmpty();
    }

    @Test
    void aBranchThatWasSpreadIsNotSpreadAgain() {
        SurveyBuilder tree = fourLimbs();
        tree.limb("B", limb -> limb.diameter(2).azimuth(45).angle(75).length(1.2));
        MadeCut bent = new MadeCut("B", MadeCut.Kind.BENT, 0, false, false, Optional.empty());
        assertThat(limb(standing(tree, visit(CUT, bent)), "B").angleDeg()).isEqualTo(45);
    }

    @Test
    void aNewSurveyShowsWhatItFoundAndWhatWasCutThatYearStillCounts() {
        SurveyBuilder before = fourLimbs();
        before.surveyedOn = LocalDate.of(2026, 12, 1);
        before.today = LocalDate.of(2027, 2, 20);
        SurveyBuilder after = fourLimbs();
        after.surveyedOn = LocalDate.of(2027, 2, 1);
        TreeToday standing = SurveyBuilder.RULES.standing(
                List.of(after.build(), before.build()), List.of(visit(LocalDate.of(2027, 1, 5), removed("L0"))));
        assertThat(standing.survey().limbs()).hasSize(4);
        assertThat(standing.taken().share()).isCloseTo(0.25, within(1e-9));
    }

    @Test
    void whatASurveyorReportedIsNotCountedTwiceAndNotForEver() {
        SurveyBuilder before = fourLimbs();
        before.surveyedOn = LocalDate.of(2026, 12, 1);
        SurveyBuilder after = fourLimbs();
        after.surveyedOn = LocalDate.of(2027, 2, 1);
        after.removedLast12Months = 0.30;
        Visit logged = visit(LocalDate.of(2027, 1, 5), removed("L0"));
        TreeToday standing = SurveyBuilder.RULES.standing(List.of(before.build(), after.build()), List.of(logged));
        assertThat(standing.survey().tree().removedLast12Months()).isCloseTo(0.05, within(1e-9));
        after.today = LocalDate.of(2028, 2, 1);
        assertThat(SurveyBuilder.RULES
                        .standing(List.of(after.build()), List.of())
                        .survey()
                        .tree()
                        .removedLast12Months())
                .isZero();
    }

    @Test
    void shootsTakenComeOffTheCountAndTheSummerOffItsTenth() {
        SurveyBuilder tree = fourLimbs();
        tree.waterSprouts = OptionalInt.of(40);
        tree.today = LocalDate.of(2027, 8, 25);
        TreeToday after = standing(tree, new Visit(LocalDate.of(2027, 8, 20), List.of(), 16));
        assertThat(after.survey().tree().waterSprouts()).hasValue(24);
        // Sixteen shoots of 1 cm beside four limbs of 10 cm.
        assertThat(after.taken().summerShare()).isCloseTo(0.04, within(1e-9));
        assertThat(after.taken().share()).isCloseTo(0.04, within(1e-9));
    }

    @Test
    void theTreeIsLowerOnceItsTopIsOff() {
        SurveyBuilder tree = fourLimbs();
        tree.limb("T", limb -> limb.diameter(4).azimuth(10).origin(2).angle(90).length(3));
        // Surveyed at 5 m with a shoot up to 5 m; the next highest ends at 1.3 m and 4 m at 45 degrees.
        double next = 1.3 + 4 * Math.sin(Math.toRadians(45));
        assertThat(standing(tree, visit(CUT, removed("T"))).survey().tree().heightM())
                .isCloseTo(next, within(1e-6));
    }
}
