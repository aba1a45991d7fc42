package org.diligentbough.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.diligentbough.core.SurveyBuilder.withFrame;

import java.time.LocalDate;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.plan.RenovationPlan.Lane;
import org.diligentbough.core.plan.RenovationPlan.PlannedCut;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.OverTarget;
import org.diligentbough.core.survey.Role;
import org.diligentbough.core.survey.SurveyNotes;
import org.diligentbough.core.verdict.FigPolicy;
import org.diligentbough.core.verdict.Verdict;
import org.junit.jupiter.api.Test;

/** Which cut in which year. Common practice, no source. */
class PlannerTest {

    private static List<String> limbs(Lane lane) {
        return lane.cuts().stream().map(PlannedCut::limb).toList();
    }

    /** Eight mains all round, every other one crossing the centre: 48 % of the crown, four big cuts. */
    private static SurveyBuilder neglected() {
        SurveyBuilder tree = new SurveyBuilder();
        for (int i = 0; i < 8; i++) {
            int number = i;
            tree.limb("M" + i, limb -> {
                limb.diameter(8).azimuth(number * 45).fruiting(1);
                return number % 2 == 0 ? limb.fault(FaultKind.CROSSING_CENTRE) : limb;
            });
        }
        tree.yearsSinceCut = OptionalDouble.of(12);
        return tree;
    }

    @Test
    void strategicCutsAreSpreadOverYearsWithinTheQuarter() {
        RenovationPlan plan = neglected().evaluate().plan();
        assertThat(plan.notPlaced()).isEmpty();
        assertThat(plan.lanes()).extracting(lane -> lane.year().year()).containsExactly(2027, 2028, 2029);
        Lane first = plan.lanes().get(0);
        assertThat(first.season()).isEqualTo(Season.DORMANT);
        assertThat(first.opens()).isEqualTo("2027-02-01");
        assertThat(first.share()).isCloseTo(0.25, within(1e-9));
        assertThat(limbs(first)).hasSize(2);
    }

    @Test
    void laterYearsCountFromTheCrownThatIsLeft() {
        Lane second = neglected().evaluate().plan().lanes().get(1);
        // One eighth of the crown as surveyed is a sixth of the three quarters that are left.
        assertThat(second.share()).isCloseTo(0.125 / 0.75, within(1e-9));
    }

    @Test
    void theFirstBigCutsAreNotAllOnOneSide() {
        Evaluation tree = neglected().evaluate();
        List<String> first = limbs(tree.plan().lanes().get(0));
        var branching = tree.facts().branching();
        assertThat(Branching.apartDeg(
                        branching.get(first.get(0)).azimuthDeg(),
                        branching.get(first.get(1)).azimuthDeg()))
                .isGreaterThanOrEqualTo(60);
    }

    @Test
    void noMoreBigCutsThanTheSiteAllows() {
        SurveyBuilder tree =
                new SurveyBuilder().limb("A", limb -> limb.diameter(30)).limb("B", limb -> limb.diameter(30));
        for (int i = 0; i < 4; i++) {
            int number = i;
            tree.limb(
                    "S" + i, limb -> limb.on("A", 1 + number * 0.3).diameter(6).fault(FaultKind.CROSSING_CENTRE));
        }
        RenovationPlan plan = tree.evaluate().plan();
        assertThat(plan.lanes().get(0).bigCuts()).isEqualTo(3);
        assertThat(plan.lanes().get(1).bigCuts()).isEqualTo(1);
    }

    @Test
    void aLimbLargerThanTheAllowanceIsShortenedOneYearAndRemovedTheNext() {
        SurveyBuilder tree = new SurveyBuilder()
                .limb("X", limb -> limb.diameter(10).azimuth(0).fault(FaultKind.CROSSING_CENTRE))
                .limb("A", limb -> limb.diameter(10).azimuth(120).fruiting(2))
                .limb("B", limb -> limb.diameter(10).azimuth(240).fruiting(2));
        RenovationPlan plan = tree.evaluate().plan();
        assertThat(plan.lanes().get(0).cuts()).singleElement().satisfies(cut -> {
            assertThat(cut.kind()).isEqualTo(Verdict.SHORTEN);
            assertThat(cut.share()).isLessThanOrEqualTo(0.25 + 1e-9);
            assertThat(cut.reasons()).extracting(reason -> reason.code()).contains(ReasonCode.STAGED_FIRST);
        });
        assertThat(plan.lanes().get(1).cuts()).singleElement().satisfies(cut -> {
            assertThat(cut.kind()).isEqualTo(Verdict.REMOVE);
            assertThat(cut.limb()).isEqualTo("X");
        });
    }

    @Test
    void aLimbTooLargeEvenForTwoYearsIsShortenedAndSaysThatTheRestIsJudgedAnew() {
        SurveyBuilder tree = new SurveyBuilder()
                .limb("X", limb -> limb.diameter(14).azimuth(0).fault(FaultKind.CROSSING_CENTRE))
                .limb("A", limb -> limb.diameter(10).azimuth(180).fruiting(2));
        List<PlannedCut> cuts = tree.evaluate().plan().lanes().stream()
                .flatMap(lane -> lane.cuts().stream())
                .toList();
        assertThat(cuts).singleElement().satisfies(cut -> {
            assertThat(cut.kind()).isEqualTo(Verdict.SHORTEN);
            assertThat(cut.reasons()).extracting(reason -> reason.code()).contains(ReasonCode.STAGED_REST_LATER);
        });
    }

    @Test
    void aWholeLimbDoesNotFallOutOfThePlanBehindTopsThatAreLowered() {
        SurveyBuilder tree = withFrame()
                .limb("T", limb -> limb.diameter(14)
                        .angle(75)
                        .length(4)
                        .azimuth(60)
                        .fruiting(2))
                .limb("X", limb -> limb.diameter(9).azimuth(180).fault(FaultKind.CROSSING_CENTRE));
        tree.targetHeightM = OptionalDouble.of(4.2);
        RenovationPlan plan = tree.evaluate().plan();
        assertThat(plan.placesAll()).isTrue();
        assertThat(plan.lanes().stream().limit(2).flatMap(lane -> limbs(lane).stream()))
                .contains("X");
    }

    @Test
    void whenAWholeLeaderGoesLittleElseDoesThatYear() {
        SurveyBuilder tree = withFrame();
        tree.limb("L", limb -> limb.diameter(11)
                .angle(80)
                .azimuth(60)
                .role(Role.LEADER)
                .fault(FaultKind.CRACKED));
        for (int i = 0; i < 4; i++) {
            int number = i;
            tree.limb(
                    "C" + i, limb -> limb.diameter(5).azimuth(30 + 90 * number).fault(FaultKind.CROSSING_CENTRE));
        }
        RenovationPlan plan = tree.evaluate().plan();
        Lane withLeader = plan.lanes().stream()
                .filter(lane -> limbs(lane).contains("L"))
                .findFirst()
                .orElseThrow();
        double leader = withLeader.cuts().stream()
                .filter(cut -> cut.limb().equals("L"))
                .mapToDouble(PlannedCut::share)
                .sum();
        assertThat(leader).isGreaterThan(0.15);
        assertThat(withLeader.share() - leader).isLessThanOrEqualTo(0.05);
        assertThat(plan.notPlaced()).isEmpty();
    }

    @Test
    void theCropThatGoesWithALimbIsTold() {
        SurveyBuilder tree = withFrame()
                .limb("X", limb -> limb.diameter(6).azimuth(60).fruiting(2).fault(FaultKind.BROKEN));
        Lane first = tree.evaluate().plan().lanes().get(0);
        // All limbs are as fruitful as each other, so the crop goes with the leaf: 36 of 3 * 144 + 36.
        assertThat(first.crop()).isCloseTo(36.0 / 468, within(1e-9));
    }

    @Test
    void whatIsUrgentGoesAtOnceWhateverTheWindowAndTheAllowance() {
        SurveyBuilder plum = SurveyBuilder.of(Species.PLUM)
                .limb("X", limb -> limb.diameter(12).fault(FaultKind.BROKEN).over(OverTarget.BENCH))
                .limb("A", limb -> limb.diameter(10).azimuth(180).fruiting(2));
        Lane first = plum.evaluate().plan().lanes().get(0);
        assertThat(first.season()).isEqualTo(Season.ANY);
        assertThat(first.opens()).isBeforeOrEqualTo(plum.today);
        assertThat(first.closes()).isAfterOrEqualTo(plum.today);
        assertThat(limbs(first)).containsExactly("X");
        assertThat(first.share()).isGreaterThan(0.25);
        assertThat(first.overrun()).isPresent();
    }

    @Test
    void plumsAreCutInSummerWithTheirWholeAllowance() {
        SurveyBuilder plum = SurveyBuilder.of(Species.PLUM)
                .limb("X", limb -> limb.diameter(6).azimuth(0).fault(FaultKind.CROSSING_CENTRE))
                .limb("A", limb -> limb.diameter(8).azimuth(120).fruiting(2))
                .limb("B", limb -> limb.diameter(8).azimuth(240).fruiting(2));
        Lane first = plum.evaluate().plan().lanes().get(0);
        assertThat(first.season()).isEqualTo(Season.SUMMER);
        assertThat(first.opens()).isEqualTo("2027-07-01");
        assertThat(first.allowance()).hasValue(0.25);
        assertThat(first.share()).isCloseTo(36.0 / 164, within(1e-9));
    }

    @Test
    void aRankAppleGetsPartOfItsWorkInSummerWithinTheTenth() {
        SurveyBuilder rank = new SurveyBuilder();
        for (int i = 0; i < 6; i++) {
            int number = i;
            rank.limb("M" + i, limb -> limb.diameter(10).azimuth(number * 60).fruiting(2));
            rank.limb("U" + i, limb -> limb.on("M" + number, 1)
                    .azimuth(number * 60)
                    .diameter(4.9)
                    .fault(FaultKind.UPRIGHT_UNFRUITFUL));
        }
        rank.shootCm = OptionalDouble.of(90);
        rank.policy = new Policy(
                Policy.Allowance.QUARTER,
                0.10,
                3,
                Policy.Pome.LATE_WINTER,
                Policy.Apricot.DRY_SUMMER,
                Policy.Peach.BUD_SWELL,
                Policy.Fig.WHOLE,
                Policy.Bend.SLANTING,
                Policy.Sealing.NONE,
                Policy.InGrowth.NONE);
        List<Lane> summers = rank.evaluate().plan().lanes().stream()
                .filter(lane -> lane.season() == Season.SUMMER)
                .toList();
        assertThat(summers).isNotEmpty().allSatisfy(lane -> {
            assertThat(lane.share()).isLessThanOrEqualTo(0.10 + 1e-9);
            assertThat(lane.allowance()).hasValue(0.10);
        });
    }

    @Test
    void aTreeThatAnsweredTooHardLosesLessNextYearAndHalfOfThatInSummer() {
        List<Lane> usual = manySmall().evaluate().plan().lanes();
        assertThat(usual).noneMatch(lane -> lane.season() == Season.SUMMER);
        List<Lane> lanes = manySmall()
                .with(one -> one.noted = SurveyNotes.NOTHING.answeredHard(new SurveyNotes.AnsweredHard(40, 12)))
                .evaluate()
                .plan()
                .lanes();
        int first = lanes.get(0).year().year();
        List<Lane> now =
                lanes.stream().filter(lane -> lane.year().year() == first).toList();
        assertThat(now).extracting(Lane::season).containsExactly(Season.DORMANT, Season.SUMMER);
        // A quarter is usual: three fifths of it, half in summer.
        assertThat(now.stream().mapToDouble(Lane::share).sum()).isLessThanOrEqualTo(0.15 + 1e-9);
        assertThat(now.get(1).allowance()).hasValue(0.075);
        assertThat(now.get(1).share()).isBetween(0.03, 0.075 + 1e-9);
        assertThat(now.get(0).share()).isGreaterThan(0.03);
        assertThat(lanes)
                .filteredOn(lane -> lane.year().year() > first)
                .isNotEmpty()
                .allSatisfy(lane -> {
                    assertThat(lane.season()).isEqualTo(Season.DORMANT);
                    assertThat(lane.allowance()).hasValue(0.25);
                });
    }

    /** Six limbs, each with unfruitful upright ones that are to go. */
    private static SurveyBuilder manySmall() {
        SurveyBuilder tree = new SurveyBuilder();
        for (int i = 0; i < 6; i++) {
            int number = i;
            tree.limb("M" + i, limb -> limb.diameter(10).azimuth(number * 60).fruiting(2));
            for (String side : List.of("U", "V")) {
                tree.limb(side + i, limb -> limb.on("M" + number, 1)
                        .azimuth(number * 60 + 20)
                        .diameter(3.4)
                        .fault(FaultKind.UPRIGHT_UNFRUITFUL));
            }
        }
        return tree;
    }

    @Test
    void whatWasRemovedInTheLastYearIsChargedToTheFirst() {
        SurveyBuilder tree = neglected();
        tree.removedLast12Months = 0.12;
        tree.yearsSinceCut = OptionalDouble.of(0.2);
        RenovationPlan plan = tree.evaluate().plan();
        assertThat(plan.lanes().get(0).allowance().orElseThrow()).isCloseTo(0.13, within(1e-9));
        assertThat(plan.lanes().get(0).share()).isLessThanOrEqualTo(0.13 + 1e-9);
        assertThat(plan.lanes().get(1).allowance()).hasValue(0.25);
    }

    @Test
    void aRestingTreesOtherCutsGoToLaterYears() {
        SurveyBuilder tree = neglected();
        tree.shootCm = OptionalDouble.of(10);
        tree.limb("D", limb -> limb.fault(FaultKind.DEAD));
        RenovationPlan plan = tree.evaluate().plan();
        assertThat(limbs(plan.lanes().get(0))).containsExactly("D");
        assertThat(plan.lanes().subList(1, plan.lanes().size()))
                .allMatch(lane -> lane.year().year() >= 2028);
        assertThat(plan.notPlaced()).isEmpty();
    }

    @Test
    void whatFindsNoRoomIsListedWithTheReason() {
        SurveyBuilder tree = neglected();
        tree.years = OptionalInt.of(1);
        RenovationPlan plan = tree.evaluate().plan();
        assertThat(plan.notPlaced()).hasSize(2).allSatisfy(limb -> assertThat(limb.reasons())
                .isNotEmpty());
    }

    @Test
    void aYearWhoseWindowHasClosedIsNotCounted() {
        SurveyBuilder tree = neglected();
        tree.today = LocalDate.of(2027, 5, 10);
        tree.years = OptionalInt.of(2);
        assertThat(tree.evaluate().plan().lanes())
                .extracting(lane -> lane.year().year())
                .containsExactly(2028, 2029);
    }

    @Test
    void aNeglectedTreeGetsAtLeastOneStrategicCutAYearWhileOneWaits() {
        assertThat(neglected().evaluate().plan().lanes())
                .allSatisfy(lane -> assertThat(lane.cuts()).isNotEmpty())
                .hasSizeGreaterThanOrEqualTo(2);
    }

    @Test
    void aThirdOfAGooseberrysMainsGoesAYear() {
        SurveyBuilder bush = SurveyBuilder.of(Species.GOOSEBERRY);
        bush.formWanted = Form.BUSH;
        for (int i = 0; i < 20; i++) {
            int number = i;
            bush.limb("M" + i, limb -> limb.origin(0.2)
                    .diameter(2)
                    .length(1.2)
                    .azimuth(number * 18)
                    .years(number));
        }
        bush.years = OptionalInt.of(3);
        List<Lane> lanes = bush.evaluate().plan().lanes();
        assertThat(removed(lanes.get(0))).hasSize(6).contains("M19").doesNotContain("M10");
        assertThat(removed(lanes.get(1))).hasSize(4);
        assertThat(lanes.get(0).allowance()).isEmpty();
        // What stays is shortened at the first visit.
        assertThat(lanes.get(0).cuts()).hasSize(16);
        assertThat(lanes.get(1).cuts()).hasSize(4);
    }

    private static List<String> removed(Lane lane) {
        return lane.cuts().stream()
                .filter(cut -> cut.kind() == Verdict.REMOVE)
                .map(PlannedCut::limb)
                .toList();
    }

    @Test
    void aThirdOfFifteenMainsIsFive() {
        SurveyBuilder bush = SurveyBuilder.of(Species.RED_CURRANT);
        bush.formWanted = Form.BUSH;
        for (int i = 0; i < 15; i++) {
            int number = i;
            bush.limb("M" + i, limb -> limb.origin(0.2)
                    .diameter(2)
                    .length(1.2)
                    .azimuth(number * 24)
                    .years(number));
        }
        assertThat(removed(bush.evaluate().plan().lanes().get(0))).hasSize(5);
    }

    @Test
    void aFigByLimbIsRenewedOverFiveYears() {
        SurveyBuilder fig = SurveyBuilder.of(Species.FIG);
        fig.formWanted = null;
        fig.policy = FigPolicy.byLimb();
        for (int i = 0; i < 5; i++) {
            int number = i;
            fig.limb(
                    "F" + i,
                    limb -> limb.origin(0.3).angle(70).azimuth(number * 72).years(10));
        }
        fig.years = OptionalInt.of(5);
        assertThat(fig.evaluate().plan().lanes().stream().filter(lane -> lane.season() == Season.DORMANT))
                .hasSize(5)
                .allSatisfy(lane -> assertThat(lane.cuts()).hasSize(1));
    }

    @Test
    void mostCountedShootsAreTakenEachYearAndNotAFew() {
        SurveyBuilder tree = withFrame();
        tree.waterSprouts = OptionalInt.of(45);
        Lane first = tree.evaluate().plan().lanes().get(0);
        assertThat(first.detail().orElseThrow().shoots()).isEqualTo(45);
        assertThat(first.minutes()).isEqualTo(23);
    }
}
