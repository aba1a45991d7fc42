package org.diligentbough.core.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.core.SurveyBuilder.verdictOn;

import org.diligentbough.core.Evaluation;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.survey.FaultKind;
import org.junit.jupiter.api.Test;

/** Bark that stood in the dark is not bared to the sun at once. Common practice, no source. */
class SunburnRuleTest {
    /** A thinly leaved main with five upright shoots, under others that go or stay. */
    private static SurveyBuilder tree(boolean aboveGoes) {
        SurveyBuilder tree = new SurveyBuilder().limb("P", limb -> limb.diameter(9)
                .azimuth(180)
                .angle(30)
                .length(3)
                .origin(1)
                .leafiness(0.3)
                .fruiting(2));
        tree.limb("Q", limb -> limb.diameter(9)
                .azimuth(0)
                .angle(40)
                .length(2.5)
                .origin(1)
                .fruiting(2));
        for (int i = 0; i < 4; i++) {
            double azimuth = 150 + 20 * i;
            tree.limb("S" + i, limb -> {
                limb.diameter(11)
                        .azimuth(azimuth)
                        .angle(40)
                        .length(3.6)
                        .origin(1.6)
                        .fruiting(0);
                return aboveGoes ? limb.fault(FaultKind.CROSSING_CENTRE) : limb;
            });
        }
        for (int i = 1; i <= 5; i++) {
            double along = 0.4 * i;
            tree.limb("U" + i, limb -> limb.on("P", along)
                    .diameter(1)
                    .length(0.8)
                    .azimuth(180)
                    .angle(85)
                    .years(1)
                    .fault(FaultKind.UPRIGHT_SHOOT));
        }
        return tree;
    }

    private static long keptShort(Evaluation evaluation) {
        return evaluation.limbs().stream()
                .filter(limb ->
                        limb.reasons().stream().map(Reason::code).anyMatch(ReasonCode.SHOOT_SHADES_BARK::equals))
                .count();
    }

    @Test
    void severalShootsAreKeptShortWhereALimbWouldSuddenlyStandInTheSun() {
        Evaluation evaluation = tree(true).evaluate();
        assertThat(evaluation.light().byLimb().get("P")).isLessThan(0.3);
        assertThat(keptShort(evaluation)).isEqualTo(3);
        LimbVerdict kept = verdictOn(evaluation, "U3");
        assertThat(kept.verdict()).isEqualTo(Verdict.SHORTEN);
        assertThat(kept.rule()).contains(Rule.UPRIGHT_SHOOT);
        assertThat(kept.cut().orElseThrow().place().alongM()).isEqualTo(0.3);
        assertThat(verdictOn(evaluation, "U2").verdict()).isEqualTo(Verdict.REMOVE);
    }

    @Test
    void whereTheLimbStaysInTheShadeTheyAllComeOff() {
        Evaluation evaluation = tree(false).evaluate();
        assertThat(keptShort(evaluation)).isZero();
        assertThat(verdictOn(evaluation, "U3").verdict()).isEqualTo(Verdict.REMOVE);
    }
}
