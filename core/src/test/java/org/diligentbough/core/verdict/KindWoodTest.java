package org.diligentbough.core.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.diligentbough.core.SurveyBuilder.verdictOn;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.SurveyBuilder.LimbBuilder;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Purpose;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.plan.RenovationPlan.Lane;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Role;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.visit.MadeCut;
import org.diligentbough.core.visit.Visit;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

/**
 * What each kind wants of its one-year and fruiting wood. From memory: university extension guides on peach, persimmon and
 * plum, horticultural society guides on trained trees; else common practice, no source.
 */
class KindWoodTest {
    private static SurveyBuilder tree(Species species) {
        SurveyBuilder tree = SurveyBuilder.of(species);
        for (int i = 0; i < 3; i++) {
            double azimuth = 120 * i;
            tree.limb("M" + i, limb -> limb.diameter(8)
                    .azimuth(azimuth)
                    .angle(45)
                    .length(2.5)
                    .years(10)
                    .fruiting(2));
        }
        return tree;
    }

    private static UnaryOperator<LimbBuilder> shoot(double lengthM) {
        return limb -> limb.on("M0", 1.2)
                .diameter(1)
                .azimuth(60)
                .angle(40)
                .length(lengthM)
                .years(1)
                .fruiting(0);
    }

    private static UnaryOperator<LimbBuilder> fruited(double lengthM, int years) {
        return limb -> limb.on("M0", 1)
                .diameter(2)
                .azimuth(60)
                .length(lengthM)
                .years(years)
                .fruiting(2);
    }

    private static double keptM(LimbVerdict limb) {
        return limb.cut().orElseThrow().place().alongM();
    }

    private static Lane laneOf(Evaluation evaluation, String limb) {
        return evaluation.plan().lanes().stream()
                .filter(lane -> lane.cuts().stream().anyMatch(cut -> cut.limb().equals(limb)))
                .findFirst()
                .orElseThrow();
    }

    private static List<ReasonCode> reasons(LimbVerdict limb) {
        return limb.reasons().stream().map(Reason::code).toList();
    }

    @Nested
    class Plum {
        @Test
        void longShootsToTwoBudsLateralsToThree() {
            Evaluation evaluation = tree(Species.PLUM)
                    .limb("S", shoot(0.9))
                    .limb("L", limb -> shoot(0.4).apply(limb).azimuth(300))
                    .evaluate();
            assertThat(verdictOn(evaluation, "S").verdict()).isEqualTo(Verdict.SHORTEN);
            assertThat(keptM(verdictOn(evaluation, "S"))).isCloseTo(0.06, within(1e-9));
            assertThat(keptM(verdictOn(evaluation, "L"))).isCloseTo(0.1, within(1e-9));
            Lane lane = laneOf(evaluation, "S");
            assertThat(lane.season()).isEqualTo(Season.SUMMER);
            assertThat(lane.opens().getMonthValue()).isBetween(6, 8);
        }

        @Test
        void notOnWildlifeTreesNorOnStubs() {
            SurveyBuilder wild = tree(Species.PLUM).limb("S", shoot(0.9));
            wild.purpose = Purpose.WILDLIFE;
            assertThat(wild.judge("S").verdict()).isNotEqualTo(Verdict.SHORTEN);
            assertThat(tree(Species.PLUM).limb("S", shoot(0.1)).judge("S").verdict())
                    .isNotEqualTo(Verdict.SHORTEN);
            assertThat(tree(Species.APPLE).limb("S", shoot(0.9)).judge("S").rule())
                    .isNotEqualTo(Optional.of(Rule.KIND_WOOD));
        }
    }

    @Nested
    class Peach {
        @Test
        void whatFruitedGoesOutToTheNewShootNearTheFrame() {
            SurveyBuilder tree = tree(Species.PEACH)
                    .limb("F", fruited(0.9, 2))
                    .limb("N", limb -> limb.on("F", 0.1)
                            .diameter(0.8)
                            .azimuth(60)
                            .length(0.5)
                            .years(1)
                            .fruiting(0))
                    .limb("O", limb -> limb.on("F", 0.7)
                            .diameter(0.8)
                            .azimuth(60)
                            .length(0.5)
                            .years(1)
                            .fruiting(0));
            LimbVerdict fruited = tree.judge("F");
            assertThat(fruited.rule()).contains(Rule.RENEWAL);
            assertThat(fruited.cut().orElseThrow().place().sideBranch()).contains("N");
            assertThat(tree.judge("O").verdict()).isEqualTo(Verdict.GOES_WITH_PARENT);
            assertThat(tree.judge("N").verdict()).isEqualTo(Verdict.KEEP);
        }

        @Test
        void aSuccessorBearsInItsPlace() {
            SurveyBuilder tree = tree(Species.PEACH).limb("F", fruited(0.9, 2)).limb("N", limb -> limb.on("F", 0.1)
                    .diameter(0.8)
                    .azimuth(60)
                    .length(0.9)
                    .years(1)
                    .role(Role.RENEWAL));
            assertThat(keptM(tree.judge("N"))).isCloseTo(0.6, within(1e-9));
        }

        @Test
        void aShootAtTheVeryTipIsNoSuccessor() {
            SurveyBuilder tree = tree(Species.PEACH).limb("F", fruited(0.9, 2)).limb("N", limb -> limb.on("F", 0.9)
                    .diameter(0.8)
                    .azimuth(60)
                    .length(0.5)
                    .years(1));
            assertThat(reasons(tree.judge("F"))).contains(ReasonCode.PEACH_GROW_FIRST);
        }

        @Test
        void untilOneIsThereItIsGrownFirst() {
            LimbVerdict fruited = tree(Species.PEACH).limb("F", fruited(0.9, 2)).judge("F");
            assertThat(fruited.verdict()).isEqualTo(Verdict.WAIT);
            assertThat(reasons(fruited)).contains(ReasonCode.PEACH_GROW_FIRST);
        }

        @Test
        void shootsForTheCropLoseAThirdThoseForNextYearGoToThreeBuds() {
            SurveyBuilder tree = tree(Species.PEACH)
                    .limb("C", shoot(0.9))
                    .limb("R", limb -> shoot(0.8).apply(limb).azimuth(300).role(Role.RENEWAL))
                    .limb("S", limb -> shoot(0.4).apply(limb).azimuth(180));
            assertThat(keptM(tree.judge("C"))).isCloseTo(0.6, within(1e-9));
            assertThat(keptM(tree.judge("R"))).isCloseTo(0.1, within(1e-9));
            assertThat(tree.judge("S").verdict()).isEqualTo(Verdict.KEEP);
        }

        @Test
        void asManyStayAsTheCropWantsThoseWithFlowerBudsFirst() {
            SurveyBuilder tree = SurveyBuilder.of(Species.PEACH).limb("M", limb -> limb.diameter(5)
                    .azimuth(0)
                    .angle(45)
                    .length(0.5)
                    .years(6)
                    .fruiting(2));
            for (int i = 0; i < 6; i++) {
                int number = i;
                tree.limb("S" + i, limb -> limb.on("M", 0.05 + 0.08 * number)
                        .diameter(1)
                        .azimuth(60 * number)
                        .angle(40)
                        .length(0.7)
                        .years(1)
                        .buds(number < 2 ? Limb.Buds.LEAF : Limb.Buds.TRIPLE));
            }
            Evaluation evaluation = tree.evaluate();
            // Half a metre of arm wants four.
            assertThat(KindWood.peachShootsWanted(evaluation.facts())).isEqualTo(4);
            assertThat(evaluation.limbs().stream()
                            .filter(limb -> reasons(limb).contains(ReasonCode.PEACH_KEPT_TO_BUDS))
                            .map(LimbVerdict::tag))
                    .containsExactlyInAnyOrder("S2", "S3", "S4", "S5");
            assertThat(reasons(verdictOn(evaluation, "S0"))).contains(ReasonCode.PEACH_NEXT_YEARS);
        }

        @Test
        void aShootOfAYearIsCropAndNeverTooHigh() {
            SurveyBuilder tree =
                    tree(Species.PEACH).limb("C", limb -> shoot(0.9).apply(limb).angle(60));
            tree.targetHeightM = OptionalDouble.of(2);
            tree.heightM = 3.2;
            assertThat(tree.judge("C").rule()).isNotEqualTo(Optional.of(Rule.TOO_HIGH));
        }

        @Test
        void itsYearlyWorkIsNotHeldBackByTheAllowance() {
            SurveyBuilder tree = tree(Species.PEACH);
            tree.removedLast12Months = 0.3;
            tree.yearsSinceCut = OptionalDouble.of(0);
            for (int i = 0; i < 9; i++) {
                int number = i;
                tree.limb("S" + i, limb -> shoot(0.8).apply(limb).azimuth(40 * number));
            }
            Evaluation evaluation = tree.evaluate();
            assertThat(evaluation.plan().lanes().get(0).cuts()).hasSize(9);
        }
    }

    @Nested
    class Apricot {
        @Test
        void fruitingWoodIsKeptWithinHalfAMetreOfItsArm() {
            SurveyBuilder tree = tree(Species.APRICOT)
                    .limb("F", fruited(1.2, 3))
                    .limb("N", limb -> limb.on("F", 0.3)
                            .diameter(0.8)
                            .azimuth(60)
                            .length(0.3)
                            .years(1));
            assertThat(tree.judge("F").cut().orElseThrow().place().sideBranch()).contains("N");
            SurveyBuilder none = tree(Species.APRICOT).limb("F", fruited(1.2, 3));
            assertThat(reasons(none.judge("F"))).contains(ReasonCode.APRICOT_GROW_FIRST);
        }

        @Test
        void shootsOfAYearOverHalfAMetreAreTipped() {
            assertThat(keptM(tree(Species.APRICOT).limb("S", shoot(0.9)).judge("S")))
                    .isCloseTo(0.6, within(1e-9));
            assertThat(tree(Species.APRICOT).limb("S", shoot(0.4)).judge("S").verdict())
                    .isNotEqualTo(Verdict.SHORTEN);
        }
    }

    @Nested
    class Persimmon {
        @Test
        void noLargeLimbIsBegunInTheLaneForTopping() {
            for (int month = 1; month <= 6; month++) {
                SurveyBuilder tree = SurveyBuilder.of(Species.PERSIMMON);
                tree.today = LocalDate.of(2027, month, 10);
                for (int i = 0; i < 3; i++) {
                    double azimuth = 120 * i;
                    tree.limb("M" + i, limb -> limb.diameter(9)
                            .azimuth(azimuth)
                            .angle(50)
                            .length(3)
                            .years(12)
                            .fruiting(2));
                }
                tree.limb("X", limb -> limb.diameter(12)
                        .azimuth(60)
                        .angle(60)
                        .length(3)
                        .years(12)
                        .fault(FaultKind.CROSSING_CENTRE));
                Evaluation evaluation = tree.limb("S", shoot(0.9)).evaluate();
                assertThat(evaluation.plan().lanes())
                        .filteredOn(lane -> lane.season() == Season.EARLY_SUMMER)
                        .flatExtracting(Lane::cuts)
                        .allMatch(cut -> cut.cut().kind() == CutKind.TOPPING);
            }
        }

        @Test
        void strongShootsAreToppedInEarlySummerNotRemovedInWinter() {
            SurveyBuilder tree = tree(Species.PERSIMMON)
                    .limb("U", limb -> shoot(0.9).apply(limb).angle(85).fault(FaultKind.UPRIGHT_SHOOT));
            Evaluation evaluation = tree.evaluate();
            LimbVerdict topped = verdictOn(evaluation, "U");
            assertThat(topped.verdict()).isEqualTo(Verdict.SHORTEN);
            assertThat(topped.cut().orElseThrow().kind()).isEqualTo(CutKind.TOPPING);
            Lane lane = laneOf(evaluation, "U");
            assertThat(lane.season()).isEqualTo(Season.EARLY_SUMMER);
            assertThat(lane.opens()).isBetween(LocalDate.of(2027, 5, 1), LocalDate.of(2027, 6, 15));
        }

        @Test
        void weakOnesStay() {
            SurveyBuilder tree = tree(Species.PERSIMMON)
                    .limb("U", limb -> shoot(0.4).apply(limb).angle(85));
            assertThat(tree.judge("U").verdict()).isNotIn(Verdict.REMOVE, Verdict.SHORTEN);
        }
    }

    @Nested
    class Trained {
        @Test
        void lateralsToThreeBudsWhatGrowsOnThemToOne() {
            SurveyBuilder tree = tree(Species.APPLE).limb("L", shoot(0.5)).limb("K", limb -> limb.on("L", 0.05)
                    .diameter(0.5)
                    .azimuth(80)
                    .length(0.3)
                    .years(1));
            tree.formWanted = Form.ESPALIER;
            assertThat(keptM(tree.judge("L"))).isCloseTo(0.1, within(1e-9));
            assertThat(keptM(tree.judge("K"))).isCloseTo(0.03, within(1e-9));
            assertThat(laneOf(tree.evaluate(), "L").season()).isEqualTo(Season.SUMMER);
            tree.formWanted = Form.OPEN_CENTRE;
            assertThat(tree.judge("L").rule()).isNotEqualTo(Optional.of(Rule.KIND_WOOD));
        }

        @Test
        void tiersAreKeptAndTheStemCountsForNothing() {
            SurveyBuilder tree = SurveyBuilder.of(Species.APPLE)
                    .limb("S", limb -> limb.origin(0.5)
                            .diameter(3)
                            .azimuth(0)
                            .angle(50)
                            .length(2)
                            .years(8)
                            .role(Role.LEADER))
                    .limb("L", limb -> limb.on("S", 0.8)
                            .diameter(0.8)
                            .azimuth(90)
                            .length(0.5)
                            .years(1));
            tree.formWanted = Form.CORDON;
            assertThat(keptM(tree.judge("L"))).isCloseTo(0.1, within(1e-9));
            SurveyBuilder espalier = SurveyBuilder.of(Species.PEAR).limb("T", limb -> limb.origin(0.8)
                    .diameter(3)
                    .angle(0)
                    .length(1.8)
                    .years(9)
                    .role(Role.TIER));
            espalier.formWanted = Form.ESPALIER;
            assertThat(espalier.judge("T").verdict()).isEqualTo(Verdict.KEEP);
            assertThat(reasons(espalier.judge("T"))).contains(ReasonCode.TIER_KEPT);
        }

        @Test
        void onACordonWhatLeavesTheStemIsALateral() {
            SurveyBuilder tree = SurveyBuilder.of(Species.PEAR).limb("L", limb -> limb.origin(1)
                    .diameter(0.9)
                    .azimuth(90)
                    .length(0.5)
                    .years(1));
            tree.formWanted = Form.CORDON;
            assertThat(keptM(tree.judge("L"))).isCloseTo(0.1, within(1e-9));
        }
    }

    @Nested
    class Bushes {
        private SurveyBuilder bush(Species species, int mains) {
            SurveyBuilder bush = SurveyBuilder.of(species);
            bush.formWanted = Form.BUSH;
            bush.heightM = 1.2;
            bush.spreadM = 1.2;
            for (int i = 0; i < mains; i++) {
                int number = i;
                bush.limb("M" + i, limb -> limb.origin(0.1)
                        .diameter(1.5)
                        .length(1)
                        .angle(60)
                        .azimuth(number * 360.0 / mains)
                        .years(number + 1));
            }
            return bush;
        }

        @Test
        void whatStaysLosesHalfOfLastYearsGrowthAsPlannedCuts() {
            SurveyBuilder bush = bush(Species.RED_CURRANT, 8);
            bush.shootCm = OptionalDouble.of(40);
            Evaluation evaluation = bush.evaluate();
            assertThat(evaluation.plan().lanes().get(0).cuts()).hasSize(8).allSatisfy(cut -> {
                assertThat(cut.kind()).isEqualTo(Verdict.SHORTEN);
                // Of last year's shoot all grew then.
                assertThat(cut.cut().place().alongM())
                        .isCloseTo(
                                evaluation.facts().branching().get(cut.limb()).youngerThanOrOf(1) ? 0.5 : 0.8,
                                within(1e-9));
                assertThat(cut.cut().minutes()).isPositive();
            });
        }

        @Test
        void whatWasHalvedThisWinterIsNotHalvedAgain() {
            SurveyBuilder bush = bush(Species.RED_CURRANT, 8);
            Survey survey = bush.build();
            Visit visit = new Visit(
                    survey.surveyedOn(),
                    List.of(new MadeCut("M0", MadeCut.Kind.SHORTENED, 0.8, false, false, Optional.empty())),
                    0);
            Evaluation after = Evaluation.of(
                    SurveyBuilder.RULES.standing(List.of(survey), List.of(visit)),
                    Evaluation.Given.NOTHING,
                    SurveyBuilder.RULES);
            assertThat(verdictOn(after, "M0").verdict()).isEqualTo(Verdict.KEEP);
            assertThat(verdictOn(after, "M1").verdict()).isEqualTo(Verdict.SHORTEN);
        }

        @Test
        void tickedBranchesGoBeforeTheOldest() {
            SurveyBuilder bush = bush(Species.GOOSEBERRY, 11).limb("X", limb -> limb.origin(0.1)
                    .diameter(1.5)
                    .length(1)
                    .angle(60)
                    .azimuth(10)
                    .years(2)
                    .fault(FaultKind.CROSSING_CENTRE));
            Evaluation evaluation = bush.evaluate();
            assertThat(verdictOn(evaluation, "X").verdict()).isEqualTo(Verdict.REMOVE);
            // Eleven are left of which ten stay: the oldest goes too.
            assertThat(evaluation.limbs().stream()
                            .filter(limb -> limb.verdict() == Verdict.REMOVE)
                            .map(LimbVerdict::tag))
                    .containsExactlyInAnyOrder("X", "M10");
        }

        @Test
        void sideShootsGoBackToAFewCentimetres() {
            SurveyBuilder bush = bush(Species.GOOSEBERRY, 8).limb("S", limb -> limb.on("M0", 0.5)
                    .diameter(0.5)
                    .azimuth(90)
                    .length(0.25)
                    .years(1));
            assertThat(keptM(bush.judge("S"))).isCloseTo(0.05, within(1e-9));
        }
    }

    @Nested
    class Fig {
        private SurveyBuilder fig(int stems) {
            SurveyBuilder fig = SurveyBuilder.of(Species.FIG);
            fig.formWanted = Form.BUSH;
            fig.yearsSinceCut = OptionalDouble.of(1);
            for (int i = 0; i < stems; i++) {
                int number = i;
                fig.limb("F" + i, limb -> limb.origin(0.2)
                        .diameter(6)
                        .length(2.4)
                        .angle(65)
                        .azimuth(number * 360.0 / stems)
                        .years(8 + number)
                        .fruiting(2));
            }
            return fig;
        }

        @Test
        void wholeEveryStemGoesToOnePointTwoMetres() {
            SurveyBuilder fig = fig(4).limb("Y", limb -> limb.origin(0.2)
                    .diameter(2)
                    .length(1.9)
                    .angle(80)
                    .azimuth(30)
                    .years(2));
            fig.yearsSinceCut = OptionalDouble.of(4);
            Evaluation evaluation = fig.evaluate();
            assertThat(evaluation.limbs()).hasSize(5).allSatisfy(stem -> {
                assertThat(stem.rule()).contains(Rule.RENEWAL);
                assertThat(stem.cut().orElseThrow().heightM()).isCloseTo(1.2, within(0.01));
            });
            // Only the first crop hangs on the wood that goes.
            assertThat(evaluation.plan().lanes().get(0).crop()).isLessThan(0.31);
        }

        @Test
        void limbByLimbAQuarterAYearAsLongAsThatTakes() {
            SurveyBuilder fig = fig(9);
            fig.policy = FigPolicy.byLimb();
            Evaluation evaluation = fig.evaluate();
            // A quarter of nine, rounded down, is two; five years.
            assertThat(evaluation.plan().lanes().stream()
                            .filter(lane -> lane.season() == Season.DORMANT)
                            .map(lane -> lane.cuts().size()))
                    .containsExactly(2, 2, 2, 2, 1);
            assertThat(evaluation.plan().notPlaced()).isEmpty();
            // There is a crop each year.
            assertThat(evaluation.plan().lanes())
                    .allSatisfy(lane -> assertThat(lane.crop()).isLessThan(0.3));
        }

        @Test
        void stemsUnderAMetreAndAHalfWait() {
            SurveyBuilder fig = fig(3).limb("Y", limb -> limb.origin(0.2)
                    .diameter(2)
                    .length(1.2)
                    .angle(80)
                    .azimuth(30)
                    .years(3));
            fig.policy = FigPolicy.byLimb();
            assertThat(fig.judge("Y").verdict()).isNotEqualTo(Verdict.SHORTEN);
        }

        @Test
        void shortShootsOfLastYearAreLeft() {
            SurveyBuilder fig = fig(3).limb(
                            "S",
                            limb -> limb.on("F0", 1).diameter(0.8).length(0.08).years(1))
                    .limb(
                            "T",
                            limb -> limb.on("F0", 1.2).diameter(0.8).length(0.4).years(1));
            assertThat(fig.judge("S").verdict()).isEqualTo(Verdict.KEEP);
            assertThat(fig.judge("T").verdict()).isEqualTo(Verdict.SHORTEN);
        }
    }
}
