package org.diligentbough.core.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.core.SurveyBuilder.withFrame;

import java.util.function.UnaryOperator;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.SurveyBuilder.LimbBuilder;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.survey.Fault;
import org.diligentbough.core.survey.FaultKind;
import org.junit.jupiter.api.Test;

/** How the rows of the table work together. Common practice, no source. */
class LimbJudgeTest {

    private static LimbVerdict judge(UnaryOperator<LimbBuilder> limb) {
        return withFrame().limb("X", limb).judge("X");
    }

    private static boolean says(LimbVerdict verdict, ReasonCode code) {
        return verdict.reasons().stream().anyMatch(reason -> reason.code() == code);
    }

    @Test
    void theFirstRowDecidesAndTheOthersStandAsReasons() {
        LimbVerdict verdict = judge(limb ->
                limb.fault(FaultKind.CROSSING_CENTRE).fault(FaultKind.OVERLONG).fault(Fault.diseased(Disease.CANKER)));
        assertThat(verdict.rule()).contains(Rule.DISEASED);
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
        assertThat(tree.judge("S").rule()).contains(Rule.CROWDED);
        assertThat(tree.judge("W").verdict()).isEqualTo(Verdict.KEEP);
        assertThat(tree.judge("W1").verdict()).isEqualTo(Verdict.REMOVE);
    }
}
