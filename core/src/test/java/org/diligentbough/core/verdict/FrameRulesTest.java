package org.diligentbough.core.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.diligentbough.core.SurveyBuilder.withFrame;

import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.SurveyBuilder.LimbBuilder;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Purpose;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Role;
import org.diligentbough.core.survey.Survey.Surrounding;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

/** What a limb does to the frame of its tree: for each row a limb on which it bites and one on which it must not. Common practice, no source. */
class FrameRulesTest {

    private static LimbVerdict judge(UnaryOperator<LimbBuilder> limb) {
        return withFrame().limb("X", limb).judge("X");
    }

    @Nested
    class Row06IntoTheCentre {
        @Test
        void goesInAnOpenCentre() {
            assertThat(judge(limb -> limb.fault(FaultKind.CROSSING_CENTRE).fruiting(2))
                            .verdict())
                    .isEqualTo(Verdict.REMOVE);
        }

        @Test
        void staysInANaturalCrownAndInCitrus() {
            SurveyBuilder tree =
                    withFrame().limb("X", limb -> limb.fault(FaultKind.INWARD).fruiting(2));
            tree.formWanted = Form.NATURAL;
            assertThat(tree.judge("X").verdict()).isEqualTo(Verdict.KEEP);
            tree.formWanted = Form.OPEN_CENTRE;
            tree.species = Species.CITRUS;
            assertThat(tree.judge("X").verdict()).isEqualTo(Verdict.KEEP);
        }
    }

    @Nested
    class Row07ThickSideLimb {
        @Test
        void overHalfGoesAndHalfStays() {
            SurveyBuilder tree = withFrame()
                    .limb("N1", limb -> limb.on("N", 1).diameter(6.1).fruiting(2))
                    .limb("N2", limb -> limb.on("N", 1.5).diameter(6.0).fruiting(2));
            assertThat(tree.judge("N1").rule()).contains(Rule.THICK_SIDE_LIMB);
            assertThat(tree.judge("N2").verdict()).isEqualTo(Verdict.KEEP);
        }

        @Test
        void neverALeaderNorOnABush() {
            SurveyBuilder tree = withFrame()
                    .limb("N1", limb -> limb.on("N", 1).diameter(8).fruiting(2).role(Role.LEADER));
            assertThat(tree.judge("N1").verdict()).isEqualTo(Verdict.KEEP);
            SurveyBuilder bush = withFrame().limb("N1", limb -> limb.on("N", 1).diameter(8));
            bush.species = Species.GOOSEBERRY;
            assertThat(bush.judge("N1").verdict()).isEqualTo(Verdict.WAIT);
        }
    }

    @Nested
    class Row08TooHigh {
        private SurveyBuilder tall() {
            SurveyBuilder tree = withFrame()
                    .limb("X", limb -> limb.diameter(9).angle(70).length(4).fruiting(2));
            tree.targetHeightM = OptionalDouble.of(4.2);
            return tree;
        }

        @Test
        void isCutToAnOutwardSideBranchBelowTheHeightWantedByTheRegrowth() {
            SurveyBuilder tree = tall().limb(
                            "X1",
                            limb -> limb.on("X", 2.3).diameter(3).angle(20).azimuth(60));
            LimbVerdict verdict = tree.judge("X");
            assertThat(verdict.verdict()).isEqualTo(Verdict.SHORTEN);
            assertThat(verdict.cut().orElseThrow().place().sideBranch()).contains("X1");
            assertThat(verdict.cut().orElseThrow().heightM()).isLessThanOrEqualTo(4.2 - 0.35);
        }

        @Test
        void aSideBranchAboveTheHeightWantedIsAStepIfItLowersTheLimbWell() {
            SurveyBuilder tree = tall().limb("X1", limb -> limb.on("X", 3.2)
                    .diameter(3)
                    .angle(0)
                    .azimuth(60)
                    .length(0.5));
            LimbVerdict verdict = tree.judge("X");
            assertThat(verdict.cut().orElseThrow().place().sideBranch()).contains("X1");
            assertThat(verdict.reasons()).extracting(reason -> reason.code()).contains(ReasonCode.IN_STEPS);
        }

        @Test
        void aSideBranchNearlyAsHighAsTheTopIsNoStepAndOldWoodIsNotHeaded() {
            SurveyBuilder tree = tall().limb("X1", limb -> limb.on("X", 3.7)
                    .diameter(3)
                    .angle(45)
                    .azimuth(60)
                    .length(0.2));
            LimbVerdict verdict = tree.judge("X");
            assertThat(verdict.verdict()).isEqualTo(Verdict.WAIT);
            assertThat(verdict.reasons()).extracting(Reason::code).contains(ReasonCode.FIND_A_BRANCH);
        }

        /** Its own top stands at 5.06 m, the branch's near 5.8 m, and that is too stout to be headed. */
        @Test
        void aBranchThatStandsHigherThanTheLimbItselfIsNoneToBeCutToAndGoes() {
            SurveyBuilder tree = tall().limb("X1", limb -> limb.on("X", 2.3)
                    .diameter(4.2)
                    .angle(65)
                    .azimuth(60)
                    .length(2.6)
                    .years(12));
            assertThat(tree.judge("X").verdict()).isEqualTo(Verdict.WAIT);
            assertThat(tree.judge("X").reasons()).extracting(Reason::code).contains(ReasonCode.FIND_A_BRANCH);
            assertThat(tree.judge("X1").verdict()).isEqualTo(Verdict.REMOVE);
        }

        /** It leaves at 4.2 m, at the height wanted, and reaches 5 m: too stout for a bud at its base, not further out. */
        @Test
        void aBranchThatIsCutToAndStandsOverTheAimIsShortenedAtTheSameVisit() {
            SurveyBuilder tree = tall().limb("X1", limb -> limb.on("X", 3.1)
                    .diameter(2.6)
                    .angle(40)
                    .azimuth(60)
                    .length(1.2)
                    .years(12));
            assertThat(tree.judge("X").cut().orElseThrow().place().sideBranch()).contains("X1");
            LimbVerdict branch = tree.judge("X1");
            assertThat(branch.verdict()).isEqualTo(Verdict.SHORTEN);
            assertThat(branch.cut().orElseThrow().kind()).isEqualTo(CutKind.HEADING);
            assertThat(branch.cut().orElseThrow().place().alongM()).isCloseTo(0.24, within(0.01));
        }

        @Test
        void youngWoodIsHeadedJustBelowTheHeightWanted() {
            SurveyBuilder tree = withFrame()
                    .limb("X", limb -> limb.diameter(4).angle(70).length(4).years(4));
            tree.targetHeightM = OptionalDouble.of(4.2);
            LimbVerdict verdict = tree.judge("X");
            assertThat(verdict.cut().orElseThrow().kind()).isEqualTo(CutKind.HEADING);
            assertThat(verdict.cut().orElseThrow().heightM()).isCloseTo(4.2 - 0.35, within(0.01));
        }

        @Test
        void aHandsBreadthOverIsBorneWith() {
            SurveyBuilder tree = tall();
            // Its top stands at 5.06 m.
            tree.targetHeightM = OptionalDouble.of(4.82);
            assertThat(tree.judge("X").verdict()).isNotEqualTo(Verdict.SHORTEN);
            assertThat(tree.judge("X").whyNot()).extracting(Reason::code).contains(ReasonCode.WHY_NOT_TOO_HIGH);
            assertThat(tree.judge("X").rule()).isNotEqualTo(Optional.of(Rule.TOO_HIGH));
        }

        @Test
        void aSideBranchPointingInwardsIsNotUsed() {
            SurveyBuilder tree = tall().limb(
                            "X1",
                            limb -> limb.on("X", 2.3).diameter(3).angle(20).azimuth(240));
            assertThat(tree.judge("X").cut()).isEmpty();
        }

        @Test
        void aSideLimbWithNothingToCutToGoesToItsOrigin() {
            SurveyBuilder tree = tall().limb(
                            "X1", limb -> limb.on("X", 2).diameter(4).angle(85).length(2.5));
            tree.limbs.remove(3);
            tree.limb("X", limb -> limb.diameter(9).length(3.5).angle(50).fruiting(2));
            assertThat(tree.judge("X1").verdict()).isEqualTo(Verdict.REMOVE);
        }

        @Test
        void notWhenItsTopStaysBelowNorOnAWildlifeTree() {
            assertThat(tall().judge("N").verdict()).isEqualTo(Verdict.KEEP);
            assertThat(tall().with(tree -> tree.purpose = Purpose.WILDLIFE)
                            .judge("X")
                            .verdict())
                    .isEqualTo(Verdict.WAIT);
        }

        @Test
        void anUprightShootAboveItGoesRatherThanBeHeaded() {
            SurveyBuilder tree = tall().limb("N1", limb -> limb.on("N", 2)
                    .diameter(1.8)
                    .angle(85)
                    .length(2)
                    .years(2)
                    .fault(FaultKind.UPRIGHT_SHOOT));
            assertThat(tree.judge("N1").rule()).contains(Rule.UPRIGHT_SHOOT);
            assertThat(tree.judge("N1").verdict()).isEqualTo(Verdict.REMOVE);
        }

        @Test
        void overHalfOfALimbGoesOnlyWhereItIsTooHighByAQuarterOfIt() {
            SurveyBuilder tree = withFrame()
                    .limb("X", limb -> limb.diameter(4).angle(80).length(4).years(4));
            tree.targetHeightM = OptionalDouble.of(4.5);
            assertThat(tree.judge("X").cut().orElseThrow().place().alongM()).isGreaterThanOrEqualTo(2);
            tree.targetHeightM = OptionalDouble.of(3);
            assertThat(tree.judge("X").cut().orElseThrow().place().alongM()).isLessThan(2);
        }
    }

    @Nested
    class Row11Weeping {
        @Test
        void aMainBranchWithNoBranchToCutToIsProppedAndASideLimbGoes() {
            assertThat(judge(limb -> limb.angle(-20).origin(3).fault(FaultKind.WEEPING))
                            .verdict())
                    .isEqualTo(Verdict.BEND);
            assertThat(judge(limb -> limb.on("N", 2).angle(-20).fault(FaultKind.WEEPING))
                            .verdict())
                    .isEqualTo(Verdict.REMOVE);
        }

        @Test
        void isCutToAnUpwardBranch() {
            SurveyBuilder tree = withFrame()
                    .limb("X", limb -> limb.angle(-20).origin(3).fault(FaultKind.WEEPING))
                    .limb("X1", limb -> limb.on("X", 1.5).angle(40).azimuth(60));
            assertThat(tree.judge("X").cut().orElseThrow().place().sideBranch()).contains("X1");
        }

        @Test
        void notOnCherryWhoseHangingWoodFruits() {
            SurveyBuilder cherry =
                    withFrame().limb("X", limb -> limb.angle(0).fruiting(2).fault(FaultKind.WEEPING));
            cherry.species = Species.SWEET_CHERRY;
            assertThat(cherry.judge("X").verdict()).isEqualTo(Verdict.KEEP);
        }
    }

    @Nested
    class Row12ShadedUnderneath {
        @Test
        void goesToItsOrigin() {
            LimbVerdict shaded = judge(limb -> limb.fault(FaultKind.SHADED).fruiting(0));
            assertThat(shaded.verdict()).isEqualTo(Verdict.REMOVE);
            assertThat(shaded.cut().orElseThrow().kind()).isEqualTo(CutKind.COLLAR);
        }

        @Test
        void computedLightUnderAFifthCountsOnlyWithSparseFruit() {
            SurveyBuilder tree = withFrame().limb("X", limb -> limb.fruiting(1)).limb("Y", limb -> limb.fruiting(2));
            Map<String, Double> dark = Map.of("X", 0.19, "Y", 0.19);
            assertThat(tree.judgeIn(dark, "X").rule()).contains(Rule.SHADED_UNDERNEATH);
            assertThat(tree.judgeIn(dark, "Y").verdict()).isNotEqualTo(Verdict.REMOVE);
            assertThat(tree.judgeIn(Map.of("X", 0.21), "X").verdict()).isNotEqualTo(Verdict.REMOVE);
        }

        @Test
        void notOnCitrusNorWhereItFruitsWell() {
            assertThat(judge(limb -> limb.fault(FaultKind.SHADED).fruiting(2)).verdict())
                    .isNotEqualTo(Verdict.REMOVE);
            SurveyBuilder citrus = withFrame().limb("X", limb -> limb.fault(FaultKind.SHADED));
            citrus.species = Species.CITRUS;
            assertThat(citrus.judge("X").verdict()).isEqualTo(Verdict.KEEP);
        }
    }

    @Nested
    class Row13Low {
        private SurveyBuilder clearance(UnaryOperator<LimbBuilder> limb) {
            SurveyBuilder tree = withFrame().limb("X", limb);
            tree.clearanceM = OptionalDouble.of(1.5);
            return tree;
        }

        @Test
        void goesWhenItsOuterHalfHangsBelow() {
            assertThat(clearance(limb -> limb.origin(1.6).angle(-20)).judge("X").verdict())
                    .isEqualTo(Verdict.REMOVE);
        }

        @Test
        void isShortenedWhenOnlyItsEndIsLow() {
            LimbVerdict verdict =
                    clearance(limb -> limb.origin(2.2).angle(-20).years(6)).judge("X");
            assertThat(verdict.rule()).contains(Rule.LOW);
            assertThat(verdict.verdict()).isEqualTo(Verdict.SHORTEN);
            assertThat(verdict.cut().orElseThrow().heightM()).isGreaterThanOrEqualTo(1.5);
        }

        @Test
        void isNeverJudgedByWhereItLeaves() {
            assertThat(clearance(limb -> limb.origin(0.6).angle(50).fruiting(2))
                            .judge("X")
                            .verdict())
                    .isEqualTo(Verdict.KEEP);
        }

        @Test
        void notOnWildlifeTreesNorBushesUnlessTickedOrLyingOnTheGround() {
            SurveyBuilder wild = clearance(limb -> limb.origin(1.6).angle(-20).fault(FaultKind.LOW));
            wild.purpose = Purpose.WILDLIFE;
            assertThat(wild.judge("X").verdict()).isEqualTo(Verdict.WAIT);
            SurveyBuilder bush =
                    clearance(limb -> limb.origin(0.4).angle(0).length(1).fault(FaultKind.LOW));
            bush.species = Species.RED_CURRANT;
            assertThat(bush.judge("X").rule()).contains(Rule.LOW);
            SurveyBuilder clear = clearance(limb -> limb.origin(0.4).angle(0).length(1));
            clear.species = Species.RED_CURRANT;
            // What stays of a red currant is shortened for its growth, not for being low.
            assertThat(clear.judge("X").rule()).contains(Rule.KIND_WOOD);
            SurveyBuilder lying = clearance(limb -> limb.origin(0.1).angle(-5).length(1));
            lying.species = Species.RED_CURRANT;
            assertThat(lying.judge("X").rule()).contains(Rule.LOW);
        }
    }

    @Nested
    class Row14Encroaching {
        @Test
        void youngWoodIsShortenedAndOldWoodWithoutABranchGoes() {
            assertThat(judge(limb -> limb.fault(FaultKind.ENCROACHING).years(6).fruiting(2))
                            .verdict())
                    .isEqualTo(Verdict.SHORTEN);
            assertThat(judge(limb -> limb.fault(FaultKind.ENCROACHING).years(30).fruiting(2))
                            .verdict())
                    .isEqualTo(Verdict.REMOVE);
        }

        @Test
        void pastTheWidthAllottedItEndsAtABranchShortOfIt() {
            SurveyBuilder tree = withFrame()
                    .limb("X", limb -> limb.angle(10).length(4).fruiting(2))
                    .limb("X1", limb -> limb.on("X", 2).angle(30).azimuth(60));
            tree.noted = Wanted.width(5);
            assertThat(tree.judge("X").cut().orElseThrow().place().sideBranch()).contains("X1");
            assertThat(tree.judge("X").reasons()).extracting(Reason::code).contains(ReasonCode.PAST_ITS_WIDTH);
            tree.noted = Wanted.width(8);
            assertThat(tree.judge("X").cut()).isEmpty();
        }

        @Test
        void goesWhenTheGreaterPartIsOver() {
            SurveyBuilder tree = withFrame()
                    .limb("X", limb -> limb.azimuth(60).angle(20).years(6).fault(FaultKind.ENCROACHING));
            tree.surroundings.add(new Surrounding(Surrounding.Kind.WALL, 60, 1, 2, 10));
            assertThat(tree.judge("X").verdict()).isEqualTo(Verdict.REMOVE);
            tree.surroundings.set(0, new Surrounding(Surrounding.Kind.WALL, 60, 2.5, 2, 10));
            assertThat(tree.judge("X").verdict()).isEqualTo(Verdict.SHORTEN);
        }

        @Test
        void notWithoutBeingSaid() {
            assertThat(judge(limb -> limb.fruiting(2)).verdict()).isEqualTo(Verdict.KEEP);
        }
    }

    @Nested
    class Row18Overlong {
        @Test
        void losesAboutAThird() {
            LimbVerdict verdict = judge(limb -> limb.length(4.5).years(9).fault(FaultKind.OVERLONG));
            assertThat(verdict.verdict()).isEqualTo(Verdict.SHORTEN);
            assertThat(verdict.cut().orElseThrow().place().alongM()).isCloseTo(3.0, within(0.01));
        }

        @Test
        void oldWoodIsCutToABranchOrLeftAndItIsSaid() {
            LimbVerdict verdict = judge(limb -> limb.length(4.5).years(60).fault(FaultKind.OVERLONG));
            assertThat(verdict.verdict()).isEqualTo(Verdict.WAIT);
            assertThat(verdict.reasons()).extracting(Reason::code).contains(ReasonCode.FIND_A_BRANCH);
        }

        @Test
        void aLongLimbThatNobodyFoundTooLongStays() {
            assertThat(judge(limb -> limb.length(4.5).fruiting(2)).verdict()).isEqualTo(Verdict.KEEP);
        }
    }
}
