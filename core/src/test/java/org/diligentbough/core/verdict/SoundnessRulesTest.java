package org.diligentbough.core.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.core.SurveyBuilder.verdictOn;
import static org.diligentbough.core.SurveyBuilder.withFrame;

import java.time.LocalDate;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.SurveyBuilder.LimbBuilder;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.survey.Fault;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.OverTarget;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

/** The three Ds: for each row a limb on which it bites and one on which it must not. Common practice, no source. */
class SoundnessRulesTest {

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
                            .rule())
                    .contains(Rule.SHADED_UNDERNEATH);
        }
    }
}
