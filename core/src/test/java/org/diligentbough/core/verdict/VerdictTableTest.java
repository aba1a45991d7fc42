package org.diligentbough.core.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.core.SurveyBuilder.verdictOn;
import static org.diligentbough.core.SurveyBuilder.withFrame;

import java.time.LocalDate;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.UnaryOperator;
import org.assertj.core.data.Offset;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.SurveyBuilder.LimbBuilder;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Purpose;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.survey.Fault;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.OverTarget;
import org.diligentbough.core.survey.Role;
import org.diligentbough.core.survey.Survey.Surrounding;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

/** For each row of the table a limb on which it bites and one on which it must not. Common practice, no source. */
class VerdictTableTest {

    private static LimbVerdict judge(UnaryOperator<LimbBuilder> limb) {
        return withFrame().limb("X", limb).judge("X");
    }

    private static boolean says(LimbVerdict verdict, ReasonCode code) {
        return verdict.reasons().stream().anyMatch(reason -> reason.code() == code);
    }

    @Nested
    class Row01Dead {
        @Test
        void deadWoodGoesInAnySeasonToTheCollarWhileTheWindowIsOpen() {
            LimbVerdict dead = judge(limb -> limb.fault(FaultKind.DEAD));
            assertThat(dead.verdict()).isEqualTo(Verdict.REMOVE);
            assertThat(dead.anySeason()).isTrue();
            assertThat(dead.urgent()).isFalse();
            assertThat(dead.crownShare()).isZero();
            assertThat(dead.cut().orElseThrow().kind()).isEqualTo(CutKind.COLLAR);
            assertThat(dead.cut().orElseThrow().big()).isFalse();
        }

        @Test
        void outsideTheWindowItIsCutWithinTheDeadWood() {
            LimbVerdict dead = withFrame()
                    .with(survey -> survey.today = LocalDate.of(2027, 5, 10))
                    .limb("X", limb -> limb.fault(FaultKind.DEAD))
                    .judge("X");
            assertThat(dead.verdict()).isEqualTo(Verdict.REMOVE);
            assertThat(dead.cut().orElseThrow().kind()).isEqualTo(CutKind.HEADING);
            assertThat(says(dead, ReasonCode.DEAD_IN_DEAD_WOOD)).isTrue();
        }

        @Test
        void overAPathItIsUrgent() {
            assertThat(judge(limb -> limb.fault(FaultKind.DEAD).over(OverTarget.PATH))
                            .urgent())
                    .isTrue();
        }

        @Test
        void aLivingLimbOverAPathIsNot() {
            LimbVerdict living = judge(limb -> limb.over(OverTarget.PATH).fruiting(2));
            assertThat(living.verdict()).isEqualTo(Verdict.KEEP);
            assertThat(living.urgent()).isFalse();
        }

        @Test
        void anUrgentDeadSideLimbDoesNotWaitForTheLimbItGrowsFrom() {
            Evaluation tree = withFrame()
                    .limb("X", limb -> limb.fault(FaultKind.CROSSING_CENTRE))
                    .limb("X1", limb -> limb.on("X", 1).fault(FaultKind.DEAD).over(OverTarget.PATH))
                    .evaluate();
            assertThat(verdictOn(tree, "X1").verdict()).isEqualTo(Verdict.REMOVE);
            assertThat(verdictOn(tree, "X1").urgent()).isTrue();
        }
    }

    @Nested
    class Row02Diseased {
        @Test
        void cankerGoes() {
            LimbVerdict sick = judge(limb -> limb.fault(Fault.diseased(Disease.CANKER)));
            assertThat(sick.verdict()).isEqualTo(Verdict.REMOVE);
            assertThat(says(sick, ReasonCode.DISEASED_CLEAN_TOOLS)).isTrue();
        }

        @Test
        void fireBlightAtTheTipIsCutThirtyCentimetresBelowIt() {
            Evaluation tree = withFrame()
                    .limb("X", limb -> limb.fault(Fault.diseased(Disease.FIRE_BLIGHT))
                            .fault(FaultKind.TIP_DIEBACK))
                    .limb("X1", limb -> limb.on("X", 1.8).diameter(3.5).fruiting(2))
                    .limb("X2", limb -> limb.on("X", 2.2).diameter(3.5).fruiting(2))
                    .evaluate();
            Cut cut = verdictOn(tree, "X").cut().orElseThrow();
            assertThat(verdictOn(tree, "X").verdict()).isEqualTo(Verdict.SHORTEN);
            assertThat(cut.place().sideBranch()).contains("X1");
            assertThat(verdictOn(tree, "X2").verdict()).isEqualTo(Verdict.GOES_WITH_PARENT);
        }

        @Test
        void leafCurlOnAGrowingTreeIsLivedWith() {
            LimbVerdict curled =
                    judge(limb -> limb.fault(Fault.diseased(Disease.LEAF_CURL)).fruiting(2));
            assertThat(curled.verdict()).isEqualTo(Verdict.KEEP);
            assertThat(says(curled, ReasonCode.LEAF_DAMAGE_LIVED_WITH)).isTrue();
        }

        @Test
        void gumAtAFreshCutOnStoneFruitIsNoDisease() {
            SurveyBuilder plum = withFrame().limb("X", limb -> limb.fault(Fault.diseased(Disease.GUMMING))
                    .fruiting(2));
            plum.species = Species.PLUM;
            plum.yearsSinceCut = OptionalDouble.of(0);
            assertThat(plum.judge("X").verdict()).isEqualTo(Verdict.KEEP);
            plum.yearsSinceCut = OptionalDouble.of(6);
            assertThat(plum.judge("X").verdict()).isEqualTo(Verdict.REMOVE);
        }
    }

    @Nested
    class Row03Damaged {
        @Test
        void aStubGoesAtTheCollar() {
            LimbVerdict stub = judge(limb -> limb.fault(FaultKind.STUB).length(0.2));
            assertThat(stub.verdict()).isEqualTo(Verdict.REMOVE);
            assertThat(stub.cut().orElseThrow().kind()).isEqualTo(CutKind.COLLAR);
        }

        @Test
        void onAFigAStubIsMeant() {
            SurveyBuilder fig =
                    withFrame().limb("X", limb -> limb.fault(FaultKind.STUB).length(0.1));
            fig.species = Species.FIG;
            assertThat(fig.judge("X").verdict()).isNotEqualTo(Verdict.REMOVE);
        }

        @Test
        void aBrokenLimbIsCutToASoundSideBranch() {
            SurveyBuilder tree = withFrame()
                    .limb("X", limb -> limb.fault(FaultKind.BROKEN))
                    .limb("X1", limb -> limb.on("X", 1.5).diameter(3).fruiting(1));
            assertThat(tree.judge("X").verdict()).isEqualTo(Verdict.SHORTEN);
            assertThat(tree.judge("X1").verdict()).isEqualTo(Verdict.KEEP);
        }

        @Test
        void aBrokenLimbWithoutOneGoes() {
            assertThat(judge(limb -> limb.fault(FaultKind.BROKEN)).verdict()).isEqualTo(Verdict.REMOVE);
        }

        @Test
        void aSideBranchUnderAThirdOfTheCutIsNotEnough() {
            assertThat(withFrame()
                            .limb("X", limb -> limb.fault(FaultKind.CRACKED))
                            .limb("X1", limb -> limb.on("X", 0.2).diameter(2))
                            .judge("X")
                            .verdict())
                    .isEqualTo(Verdict.REMOVE);
        }

        @Test
        void aTipDyingBackIsCutToSoundWood() {
            assertThat(judge(limb -> limb.fault(FaultKind.TIP_DIEBACK)).verdict())
                    .isEqualTo(Verdict.SHORTEN);
        }

        @Test
        void aShadedLimbDyingBackGoesInstead() {
            assertThat(judge(limb -> limb.fault(FaultKind.TIP_DIEBACK).fault(FaultKind.SHADED))
                            .row())
                    .contains(TableRow.SHADED_UNDERNEATH);
        }
    }

    @Nested
    class Row04SplitUnion {
        private SurveyBuilder fork(UnaryOperator<LimbBuilder> x, UnaryOperator<LimbBuilder> y) {
            return withFrame().limb("X", x).limb("Y", y);
        }

        @Test
        void theLessSoundOfTwoGoesEvenIfThicker() {
            SurveyBuilder fork = fork(
                    limb -> limb.diameter(11)
                            .fault(FaultKind.INCLUDED_BARK, "Y")
                            .fault(FaultKind.CRACKED),
                    limb -> limb.diameter(9).azimuth(100).fruiting(2));
            LimbVerdict gone = fork.judge("X");
            assertThat(gone.verdict()).isEqualTo(Verdict.REMOVE);
            assertThat(gone.row()).contains(TableRow.SPLIT_UNION);
            assertThat(gone.urgent()).as("a crack makes it urgent").isTrue();
            assertThat(fork.judge("Y").verdict()).isEqualTo(Verdict.KEEP);
        }

        @Test
        void soundAlikeTheBetterPlacedStays() {
            SurveyBuilder fork = fork(
                    limb -> limb.fault(FaultKind.INCLUDED_BARK, "Y")
                            .fault(FaultKind.INWARD)
                            .fruiting(2),
                    limb -> limb.azimuth(100).fruiting(2));
            fork.formWanted = Form.NATURAL;
            assertThat(fork.judge("X").row()).contains(TableRow.SPLIT_UNION);
            assertThat(fork.judge("X").urgent()).isFalse();
            assertThat(fork.judge("Y").verdict()).isEqualTo(Verdict.KEEP);
        }

        @Test
        void aLargeOneIsSaidToLeaveABareSide() {
            LimbVerdict large = fork(
                            limb -> limb.diameter(12).angle(80).fault(FaultKind.NARROW_UNION, "Y"),
                            limb -> limb.diameter(12).azimuth(100))
                    .judge("X");
            assertThat(says(large, ReasonCode.BARE_SIDE)).isTrue();
        }

        @Test
        void itLapsesWhenTheOtherGoesAnyway() {
            SurveyBuilder fork = fork(
                    limb -> limb.diameter(7).fault(FaultKind.INCLUDED_BARK, "Y").fruiting(2),
                    limb -> limb.azimuth(100).fault(FaultKind.DEAD));
            assertThat(fork.judge("X").verdict()).isEqualTo(Verdict.KEEP);
        }

        @Test
        void theStemKeptMayBeThickerThanHalfOfWhatItGrowsFrom() {
            SurveyBuilder fork = withFrame()
                    .limb("N1", limb -> limb.on("N", 1).diameter(7).fruiting(2).fault(FaultKind.NARROW_UNION, "N2"))
                    .limb("N2", limb -> limb.on("N", 1).diameter(7).fault(FaultKind.WEEPING));
            assertThat(fork.judge("N2").row()).contains(TableRow.SPLIT_UNION);
            assertThat(fork.judge("N1").verdict()).isEqualTo(Verdict.KEEP);
        }
    }

    @Nested
    class Row05Rubbing {
        @Test
        void theSmallerGoesWhicheverOfTheTwoCarriesTheNote() {
            SurveyBuilder tree = withFrame()
                    .limb("X", limb -> limb.diameter(4).fruiting(2))
                    .limb("Y", limb -> limb.diameter(7).azimuth(90).fruiting(2).fault(FaultKind.RUBBING, "X"));
            assertThat(tree.judge("X").row()).contains(TableRow.RUBBING);
            assertThat(tree.judge("X").verdict()).isEqualTo(Verdict.REMOVE);
            assertThat(tree.judge("Y").verdict()).isEqualTo(Verdict.KEEP);
        }

        @Test
        void ifAlikeTheOneCrossingTheMiddleGoes() {
            SurveyBuilder tree = withFrame()
                    .limb("X", limb -> limb.diameter(7.2).fruiting(2).fault(FaultKind.CROSSING_CENTRE))
                    .limb("Y", limb -> limb.diameter(7).azimuth(90).fruiting(2).fault(FaultKind.RUBBING, "X"));
            tree.formWanted = Form.NATURAL;
            assertThat(tree.judge("X").row()).contains(TableRow.RUBBING);
            assertThat(tree.judge("Y").verdict()).isEqualTo(Verdict.KEEP);
        }

        @Test
        void ifAlikeAndNeitherCrossesTheOneLyingOnTopGoes() {
            SurveyBuilder tree = withFrame()
                    .limb("X", limb -> limb.diameter(7).origin(2).fruiting(2).fault(FaultKind.RUBBING, "Y"))
                    .limb("Y", limb -> limb.diameter(7).azimuth(90).fruiting(2));
            assertThat(tree.judge("X").verdict()).isEqualTo(Verdict.REMOVE);
        }

        @Test
        void itLapsesWhenTheLargerGoesOnItsOwnAccount() {
            SurveyBuilder tree = withFrame()
                    .limb("X", limb -> limb.diameter(4).fruiting(2).fault(FaultKind.RUBBING, "Y"))
                    .limb("Y", limb -> limb.diameter(7).azimuth(100).fault(FaultKind.UPRIGHT_UNFRUITFUL));
            assertThat(tree.judge("Y").verdict()).isEqualTo(Verdict.REMOVE);
            assertThat(tree.judge("X").verdict()).isEqualTo(Verdict.KEEP);
        }

        @Test
        void whatALimbGrowsFromNeverGoesForIt() {
            SurveyBuilder tree =
                    withFrame().limb("N1", limb -> limb.on("N", 1).diameter(3).fault(FaultKind.RUBBING, "N"));
            assertThat(tree.judge("N1").row()).contains(TableRow.RUBBING);
            assertThat(tree.judge("N").verdict()).isEqualTo(Verdict.KEEP);
        }

        @Test
        void ofThreeInAChainTheMiddleOneGoesAndTheThinnestStays() {
            SurveyBuilder tree = withFrame()
                    .limb("X", limb -> limb.diameter(9).azimuth(60).fruiting(2))
                    .limb("Y", limb -> limb.diameter(6).azimuth(70).fruiting(2).fault(FaultKind.RUBBING, "X"))
                    .limb("Z", limb -> limb.diameter(4).azimuth(80).fruiting(2).fault(FaultKind.RUBBING, "Y"));
            assertThat(tree.judge("Y").verdict()).isEqualTo(Verdict.REMOVE);
            assertThat(tree.judge("Z").verdict()).isEqualTo(Verdict.KEEP);
        }
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
            assertThat(tree.judge("N1").row()).contains(TableRow.THICK_SIDE_LIMB);
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
        void aSideBranchPointingInwardsIsNotUsed() {
            SurveyBuilder tree = tall().limb(
                            "X1",
                            limb -> limb.on("X", 2.3).diameter(3).angle(20).azimuth(240));
            assertThat(tree.judge("X").cut().orElseThrow().kind()).isEqualTo(CutKind.HEADING);
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
            assertThat(tree.judge("N1").row()).contains(TableRow.TOO_HIGH);
            assertThat(tree.judge("N1").verdict()).isEqualTo(Verdict.REMOVE);
        }

        @Test
        void aYoungBranchLosesNoMoreThanAThird() {
            SurveyBuilder tree = withFrame()
                    .limb("X", limb -> limb.diameter(4).angle(80).length(4).years(3));
            tree.targetHeightM = OptionalDouble.of(3);
            assertThat(tree.judge("X").cut().orElseThrow().place().alongM()).isGreaterThanOrEqualTo(4 * 2 / 3.0 - 1e-9);
        }
    }

    @Nested
    class Row09UprightShoot {
        @Test
        void goes() {
            assertThat(judge(limb -> limb.on("N", 1).azimuth(10).angle(85).fault(FaultKind.UPRIGHT_SHOOT))
                            .verdict())
                    .isEqualTo(Verdict.REMOVE);
        }

        @Test
        void oneThatRenewsItsParentStays() {
            SurveyBuilder tree = withFrame()
                    .limb("X", limb -> limb.fault(FaultKind.SPENT))
                    .limb("X1", limb -> limb.on("X", 0.8).diameter(2).fault(FaultKind.UPRIGHT_SHOOT))
                    .limb("X2", limb -> limb.on("X", 0.5).diameter(2).fault(FaultKind.UPRIGHT_SHOOT));
            assertThat(tree.judge("X2").verdict()).as("nearer the frame").isEqualTo(Verdict.KEEP);
            assertThat(tree.judge("X").verdict()).isEqualTo(Verdict.SHORTEN);
            assertThat(tree.judge("X1").verdict()).isEqualTo(Verdict.GOES_WITH_PARENT);
        }

        @Test
        void oneInAGapIsBentAndTheNextOneGoes() {
            SurveyBuilder tree = new SurveyBuilder()
                    .limb("N", limb -> limb.diameter(12).azimuth(0).fruiting(2))
                    .limb("X", limb -> limb.diameter(2).azimuth(180).angle(85).fault(FaultKind.UPRIGHT_SHOOT))
                    .limb("Y", limb -> limb.diameter(2).azimuth(170).angle(85).fault(FaultKind.UPRIGHT_SHOOT));
            assertThat(tree.judge("X").verdict()).isEqualTo(Verdict.BEND);
            assertThat(tree.judge("Y").verdict()).isEqualTo(Verdict.REMOVE);
        }

        @Test
        void notOnCitrus() {
            SurveyBuilder citrus = withFrame().limb("X", limb -> limb.on("N", 1).fault(FaultKind.UPRIGHT_SHOOT));
            citrus.species = Species.CITRUS;
            assertThat(citrus.judge("X").verdict()).isEqualTo(Verdict.WAIT);
        }
    }

    @Nested
    class Row10UprightUnfruitful {
        @Test
        void goesWhereOthersStand() {
            assertThat(judge(limb -> limb.azimuth(60).fault(FaultKind.UPRIGHT_UNFRUITFUL))
                            .verdict())
                    .isEqualTo(Verdict.REMOVE);
        }

        @Test
        void staysAloneInItsSectorAndOnlyItsOwnUprightsGo() {
            SurveyBuilder tree = new SurveyBuilder()
                    .limb("N", limb -> limb.diameter(12).azimuth(0).fruiting(2))
                    .limb("X", limb -> limb.azimuth(180).angle(80).fault(FaultKind.UPRIGHT_UNFRUITFUL))
                    .limb("X1", limb -> limb.on("X", 1).azimuth(180).fault(FaultKind.UPRIGHT_SHOOT));
            assertThat(tree.judge("X").verdict()).isEqualTo(Verdict.KEEP);
            assertThat(tree.judge("X1").verdict()).isEqualTo(Verdict.REMOVE);
        }

        @Test
        void ofTwoAloneTogetherOneStays() {
            SurveyBuilder tree = new SurveyBuilder()
                    .limb("N", limb -> limb.diameter(12).azimuth(0).fruiting(2))
                    .limb("X", limb -> limb.diameter(7).azimuth(180).fault(FaultKind.UPRIGHT_UNFRUITFUL))
                    .limb("Y", limb -> limb.diameter(5).azimuth(170).fault(FaultKind.UPRIGHT_UNFRUITFUL));
            assertThat(tree.judge("X").verdict()).isEqualTo(Verdict.KEEP);
            assertThat(tree.judge("Y").verdict()).isEqualTo(Verdict.REMOVE);
        }
    }

    @Nested
    class Row11Weeping {
        @Test
        void isShortened() {
            assertThat(judge(limb -> limb.angle(-20).origin(3).fault(FaultKind.WEEPING))
                            .verdict())
                    .isEqualTo(Verdict.SHORTEN);
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
            Evaluation dark = tree.evaluate(Map.of("X", 0.19, "Y", 0.19));
            assertThat(verdictOn(dark, "X").row()).contains(TableRow.SHADED_UNDERNEATH);
            assertThat(verdictOn(dark, "Y").verdict()).isNotEqualTo(Verdict.REMOVE);
            assertThat(verdictOn(tree.evaluate(Map.of("X", 0.21)), "X").verdict())
                    .isNotEqualTo(Verdict.REMOVE);
        }

        @Test
        void notOnCitrusNorWhereItFruitsWell() {
            assertThat(judge(limb -> limb.fault(FaultKind.SHADED).fruiting(2)).verdict())
                    .isNotEqualTo(Verdict.REMOVE);
            SurveyBuilder citrus = withFrame().limb("X", limb -> limb.fault(FaultKind.SHADED));
            citrus.species = Species.CITRUS;
            assertThat(citrus.judge("X").verdict()).isEqualTo(Verdict.WAIT);
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
            LimbVerdict verdict = clearance(limb -> limb.origin(2.2).angle(-20)).judge("X");
            assertThat(verdict.row()).contains(TableRow.LOW);
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
        void notOnWildlifeTreesNorBushesUnlessLyingOnTheGround() {
            SurveyBuilder wild = clearance(limb -> limb.origin(1.6).angle(-20).fault(FaultKind.LOW));
            wild.purpose = Purpose.WILDLIFE;
            assertThat(wild.judge("X").verdict()).isEqualTo(Verdict.WAIT);
            SurveyBuilder bush =
                    clearance(limb -> limb.origin(0.4).angle(0).length(1).fault(FaultKind.LOW));
            bush.species = Species.RED_CURRANT;
            assertThat(bush.judge("X").verdict()).isEqualTo(Verdict.KEEP);
            SurveyBuilder lying = clearance(limb -> limb.origin(0.1).angle(-5).length(1));
            lying.species = Species.RED_CURRANT;
            assertThat(lying.judge("X").row()).contains(TableRow.LOW);
        }
    }

    @Nested
    class Row14Encroaching {
        @Test
        void isShortened() {
            assertThat(judge(limb -> limb.fault(FaultKind.ENCROACHING).fruiting(2))
                            .verdict())
                    .isEqualTo(Verdict.SHORTEN);
        }

        @Test
        void goesWhenTheGreaterPartIsOver() {
            SurveyBuilder tree =
                    withFrame().limb("X", limb -> limb.azimuth(60).angle(20).fault(FaultKind.ENCROACHING));
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
    class Row15Crowded {
        @Test
        void goes() {
            assertThat(judge(limb -> limb.fault(FaultKind.CROWDED).fruiting(2)).verdict())
                    .isEqualTo(Verdict.REMOVE);
        }

        @Test
        void staysWhenWhatItCrowdsGoes() {
            SurveyBuilder tree = withFrame()
                    .limb("X", limb -> limb.fruiting(2).fault(FaultKind.CROWDED, "Y"))
                    .limb("Y", limb -> limb.azimuth(70).fault(FaultKind.DEAD));
            assertThat(tree.judge("X").verdict()).isEqualTo(Verdict.KEEP);
        }

        @Test
        void ofTwoThatCrowdEachOtherTheMoreFruitfulStays() {
            SurveyBuilder tree = withFrame()
                    .limb("X", limb -> limb.fruiting(2).fault(FaultKind.CROWDED, "Y"))
                    .limb("Y", limb -> limb.diameter(9).azimuth(70).fruiting(1).fault(FaultKind.CROWDED, "X"));
            assertThat(tree.judge("X").verdict()).isEqualTo(Verdict.KEEP);
            assertThat(tree.judge("Y").row()).contains(TableRow.CROWDED);
        }

        @Test
        void notOnCitrus() {
            SurveyBuilder citrus = withFrame().limb("X", limb -> limb.fault(FaultKind.CROWDED, "N"));
            citrus.species = Species.CITRUS;
            assertThat(citrus.judge("X").verdict()).isEqualTo(Verdict.WAIT);
        }
    }

    @Nested
    class Row16Spent {
        @Test
        void isCutToAYoungShootNearerTheFrame() {
            LimbVerdict spent = withFrame()
                    .limb("X", limb -> limb.fault(FaultKind.SPENT))
                    .limb("X1", limb -> limb.on("X", 0.5).diameter(1.5).years(1))
                    .judge("X");
            assertThat(spent.verdict()).isEqualTo(Verdict.SHORTEN);
            assertThat(spent.cut().orElseThrow().kind()).isEqualTo(CutKind.RENEWAL);
        }

        @Test
        void waitsUntilThereIsOne() {
            LimbVerdict spent = judge(limb -> limb.fault(FaultKind.SPENT));
            assertThat(spent.verdict()).isEqualTo(Verdict.WAIT);
            assertThat(says(spent, ReasonCode.SPENT_GROW_FIRST)).isTrue();
        }
    }

    @Nested
    class Row17BelowGraft {
        @Test
        void goesInAnySeason() {
            LimbVerdict sucker = judge(limb -> limb.origin(0.1).fault(FaultKind.BELOW_GRAFT));
            assertThat(sucker.verdict()).isEqualTo(Verdict.REMOVE);
            assertThat(sucker.anySeason()).isTrue();
            assertThat(sucker.cut().orElseThrow().kind()).isEqualTo(CutKind.SUCKER);
        }

        @Test
        void isNotMerelyShortenedForItsHeight() {
            SurveyBuilder tree =
                    withFrame().limb("X", limb -> limb.length(5).angle(80).fault(FaultKind.BELOW_GRAFT));
            tree.targetHeightM = OptionalDouble.of(4);
            assertThat(tree.judge("X").verdict()).isEqualTo(Verdict.REMOVE);
        }

        @Test
        void aLowLimbOfTheTreeItselfStays() {
            assertThat(judge(limb -> limb.origin(0.4).fruiting(2)).verdict()).isEqualTo(Verdict.KEEP);
        }
    }

    @Nested
    class Row18Overlong {
        @Test
        void losesAboutAThird() {
            LimbVerdict verdict = judge(limb -> limb.length(4.5).fault(FaultKind.OVERLONG));
            assertThat(verdict.verdict()).isEqualTo(Verdict.SHORTEN);
            assertThat(verdict.cut().orElseThrow().place().alongM()).isCloseTo(3.0, within(0.01));
        }

        @Test
        void aLongLimbThatNobodyFoundTooLongStays() {
            assertThat(judge(limb -> limb.length(4.5).fruiting(2)).verdict()).isEqualTo(Verdict.KEEP);
        }
    }

    @Nested
    class Row19Pliable {
        private SurveyBuilder young(double diameterCm, double angleDeg) {
            return new SurveyBuilder()
                    .limb("X", limb -> limb.diameter(diameterCm)
                            .angle(angleDeg)
                            .azimuth(0)
                            .length(1.2))
                    .limb("Y", limb -> limb.diameter(2)
                            .angle(50)
                            .azimuth(120)
                            .length(1.2)
                            .fruiting(1))
                    .limb("Z", limb -> limb.diameter(2)
                            .angle(50)
                            .azimuth(240)
                            .length(1.2)
                            .fruiting(1));
        }

        @Test
        void aSteepThinBranchIsSpread() {
            LimbVerdict verdict = young(2.4, 61).judge("X");
            assertThat(verdict.verdict()).isEqualTo(Verdict.BEND);
            assertThat(verdict.cut().orElseThrow().technique()).isEqualTo(Technique.TIE);
            assertThat(verdict.cut().orElseThrow().tool()).isEqualTo(Tool.SPREADER);
        }

        @Test
        void notAThickNorALevelOneNorASideLimb() {
            assertThat(young(2.5, 61).judge("X").verdict()).isEqualTo(Verdict.WAIT);
            assertThat(young(2.4, 60).judge("X").verdict()).isEqualTo(Verdict.WAIT);
            assertThat(judge(limb -> limb.on("N", 1).diameter(2).angle(70)).verdict())
                    .isEqualTo(Verdict.WAIT);
        }

        @Test
        void notTheOneThatIsToLead() {
            SurveyBuilder tree = young(2.4, 88);
            tree.formWanted = Form.CENTRAL_LEADER;
            assertThat(tree.judge("X").verdict()).isEqualTo(Verdict.WAIT);
        }
    }

    @Nested
    class Row20Fruitful {
        @Test
        void thirtyToSixtyDegreesStay() {
            assertThat(judge(limb -> limb.angle(30).fruiting(1)).verdict()).isEqualTo(Verdict.KEEP);
            assertThat(judge(limb -> limb.angle(60).fruiting(1)).verdict()).isEqualTo(Verdict.KEEP);
            assertThat(judge(limb -> limb.angle(29).fruiting(1)).verdict()).isEqualTo(Verdict.WAIT);
            assertThat(judge(limb -> limb.angle(61).fruiting(1)).verdict()).isEqualTo(Verdict.WAIT);
        }

        @Test
        void cherryFruitsLevelToo() {
            SurveyBuilder cherry = withFrame().limb("X", limb -> limb.angle(0).fruiting(1));
            cherry.species = Species.SOUR_CHERRY;
            assertThat(cherry.judge("X").verdict()).isEqualTo(Verdict.KEEP);
        }

        @Test
        void crowdedFruitStaysAndIsThinned() {
            LimbVerdict crowded = judge(limb -> limb.fruiting(3));
            assertThat(crowded.verdict()).isEqualTo(Verdict.KEEP);
            assertThat(says(crowded, ReasonCode.THIN_CROWDED_SPURS)).isTrue();
        }
    }

    @Nested
    class Row21NothingClear {
        @Test
        void waits() {
            LimbVerdict verdict = judge(limb -> limb);
            assertThat(verdict.verdict()).isEqualTo(Verdict.WAIT);
            assertThat(verdict.reasons()).hasSize(1);
            assertThat(verdict.cut()).isEmpty();
        }
    }

    @Test
    void theFirstRowDecidesAndTheOthersStandAsReasons() {
        LimbVerdict verdict = judge(limb ->
                limb.fault(FaultKind.CROSSING_CENTRE).fault(FaultKind.OVERLONG).fault(Fault.diseased(Disease.CANKER)));
        assertThat(verdict.row()).contains(TableRow.DISEASED);
        assertThat(says(verdict, ReasonCode.INTO_CENTRE)).isTrue();
        assertThat(says(verdict, ReasonCode.OVERLONG)).isTrue();
        assertThat(says(verdict, ReasonCode.NOTHING_CLEAR)).isFalse();
    }

    @Test
    void sideLimbsOfALimbThatGoesGoWithItAndWhatNamesThemLapses() {
        SurveyBuilder tree = withFrame()
                .limb("X", limb -> limb.fault(FaultKind.CROSSING_CENTRE))
                .limb("X1", limb -> limb.on("X", 1).fault(FaultKind.OVERLONG))
                .limb("Y", limb -> limb.diameter(2.5).azimuth(90).fruiting(2).fault(FaultKind.RUBBING, "X1"));
        assertThat(tree.judge("X1").verdict()).isEqualTo(Verdict.GOES_WITH_PARENT);
        assertThat(tree.judge("X1").cut()).isEmpty();
        assertThat(tree.judge("Y").verdict()).isEqualTo(Verdict.KEEP);
    }

    @Test
    void theWeakerOfTwoCultivarsIsOnlyCleaned() {
        SurveyBuilder tree = new SurveyBuilder()
                .limb("S", limb -> limb.diameter(12)
                        .azimuth(0)
                        .cultivar("Brickmaker")
                        .fruiting(2))
                .limb("W", limb -> limb.diameter(6)
                        .azimuth(180)
                        .cultivar("Kiln Rose")
                        .fault(FaultKind.CROWDED, "S"))
                .limb("W1", limb -> limb.on("W", 1).fault(FaultKind.DEAD));
        assertThat(tree.judge("S").row()).contains(TableRow.CROWDED);
        assertThat(tree.judge("W").verdict()).isEqualTo(Verdict.KEEP);
        assertThat(tree.judge("W1").verdict()).isEqualTo(Verdict.REMOVE);
    }

    @Nested
    class OwnRules {
        private SurveyBuilder bush(Species species, int mains) {
            SurveyBuilder bush = SurveyBuilder.of(species);
            bush.formWanted = Form.BUSH;
            bush.mainsWanted = OptionalInt.empty();
            for (int i = 0; i < mains; i++) {
                int age = i % 7;
                double azimuth = i * 360.0 / mains;
                bush.limb("M" + i, limb -> limb.origin(0.2)
                        .diameter(2)
                        .length(1.2)
                        .angle(55)
                        .azimuth(azimuth)
                        .years(age));
            }
            return bush;
        }

        private long removed(Evaluation bush) {
            return bush.limbs().stream()
                    .filter(limb -> limb.verdict() == Verdict.REMOVE)
                    .count();
        }

        @Test
        void gooseberriesKeepEightToTenMains() {
            assertThat(removed(bush(Species.GOOSEBERRY, 15).evaluate())).isEqualTo(5);
            assertThat(removed(bush(Species.RED_CURRANT, 10).evaluate())).isZero();
            SurveyBuilder eight = bush(Species.GOOSEBERRY, 11);
            eight.mainsWanted = OptionalInt.of(8);
            assertThat(removed(eight.evaluate())).isEqualTo(3);
        }

        @Test
        void theOldestGoFirst() {
            Evaluation bush = bush(Species.GOOSEBERRY, 12).evaluate();
            assertThat(bush.limbs())
                    .filteredOn(limb -> limb.verdict() == Verdict.REMOVE)
                    .allMatch(limb -> limb.limb().woodYears().orElseThrow() >= 5);
        }

        @Test
        void aThirdOfTheOldestStemsOfABlackCurrantGoToTheGround() {
            Evaluation bush = bush(Species.BLACK_CURRANT, 12).evaluate();
            assertThat(removed(bush)).isEqualTo(4);
            assertThat(bush.tree().allowance().year()).isEmpty();
        }

        @Test
        void aFigsShootsGoBackToABudOrTwoAndTheWholeIsRenewedEveryThirdYear() {
            SurveyBuilder fig = SurveyBuilder.of(Species.FIG)
                    .limb("A", limb -> limb.origin(0.3).angle(70).length(3).years(6))
                    .limb("A1", limb -> limb.on("A", 0.4).years(1).length(0.5).diameter(1.5));
            fig.formWanted = null;
            fig.yearsSinceCut = OptionalDouble.of(1);
            assertThat(fig.judge("A1").verdict()).isEqualTo(Verdict.SHORTEN);
            assertThat(fig.judge("A1").cut().orElseThrow().place().alongM()).isLessThan(0.1);
            assertThat(fig.judge("A").verdict()).isEqualTo(Verdict.WAIT);
            fig.yearsSinceCut = OptionalDouble.of(3);
            assertThat(fig.judge("A").cut().orElseThrow().heightM()).isCloseTo(1.2, within(0.01));
        }

        @Test
        void aWeakFigIsLetGrow() {
            SurveyBuilder fig = SurveyBuilder.of(Species.FIG)
                    .limb("A", limb -> limb.origin(0.3).angle(70).length(3).years(6))
                    .limb("A1", limb -> limb.on("A", 0.4).years(1).length(0.5).diameter(1.5));
            fig.shootCm = OptionalDouble.of(10);
            fig.yearsSinceCut = OptionalDouble.of(5);
            assertThat(fig.evaluate().limbs()).allMatch(limb -> limb.cut().isEmpty());
        }
    }

    private static Offset<Double> within(double offset) {
        return Offset.offset(offset);
    }
}
