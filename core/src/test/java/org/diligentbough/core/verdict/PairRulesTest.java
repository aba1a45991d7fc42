package org.diligentbough.core.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.core.SurveyBuilder.withFrame;

import java.util.function.UnaryOperator;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.SurveyBuilder.LimbBuilder;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.FaultKind;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

/** What lies between two limbs: for each row a limb on which it bites and one on which it must not. Common practice, no source. */
class PairRulesTest {

    private static LimbVerdict judge(UnaryOperator<LimbBuilder> limb) {
        return withFrame().limb("X", limb).judge("X");
    }

    private static boolean says(LimbVerdict verdict, ReasonCode code) {
        return verdict.reasons().stream().anyMatch(reason -> reason.code() == code);
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
            assertThat(gone.rule()).contains(Rule.SPLIT_UNION);
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
            assertThat(fork.judge("X").rule()).contains(Rule.SPLIT_UNION);
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
            assertThat(fork.judge("N2").rule()).contains(Rule.SPLIT_UNION);
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
            assertThat(tree.judge("X").rule()).contains(Rule.RUBBING);
            assertThat(tree.judge("X").verdict()).isEqualTo(Verdict.REMOVE);
            assertThat(tree.judge("Y").verdict()).isEqualTo(Verdict.KEEP);
        }

        @Test
        void ifAlikeTheOneCrossingTheMiddleGoes() {
            SurveyBuilder tree = withFrame()
                    .limb("X", limb -> limb.diameter(7.2).fruiting(2).fault(FaultKind.CROSSING_CENTRE))
                    .limb("Y", limb -> limb.diameter(7).azimuth(90).fruiting(2).fault(FaultKind.RUBBING, "X"));
            tree.formWanted = Form.NATURAL;
            assertThat(tree.judge("X").rule()).contains(Rule.RUBBING);
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
            assertThat(tree.judge("N1").rule()).contains(Rule.RUBBING);
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
            assertThat(tree.judge("Y").rule()).contains(Rule.CROWDED);
        }

        @Test
        void notOnCitrus() {
            SurveyBuilder citrus = withFrame().limb("X", limb -> limb.fault(FaultKind.CROWDED, "N"));
            citrus.species = Species.CITRUS;
            assertThat(citrus.judge("X").verdict()).isEqualTo(Verdict.KEEP);
        }
    }
}
