package org.diligentbough.core.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.diligentbough.core.SurveyBuilder.withFrame;

import java.util.function.UnaryOperator;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.SurveyBuilder.LimbBuilder;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.HollowStem;
import org.junit.jupiter.api.Test;

/** Big cuts, tools, technique, weight and tickets. Common practice, no source, unless a test names one. */
class CutSizingReferenceTest {

    private static Cut cut(double girthCm, UnaryOperator<LimbBuilder> how) {
        SurveyBuilder tree = withFrame().limb("X", limb -> how.apply(limb.fault(FaultKind.CROSSING_CENTRE)));
        tree.girthCm = girthCm;
        return tree.judge("X").cut().orElseThrow();
    }

    @Test
    void aCutIsBigFromFiveCentimetres() {
        assertThat(cut(96, limb -> limb.diameter(5)).big()).isTrue();
        assertThat(cut(96, limb -> limb.diameter(4.9)).big()).isFalse();
    }

    @Test
    void onASlenderTrunkOverAQuarterOfItIsBig() {
        // Girth 50.27 cm is 16 cm of trunk, a quarter of which is 4 cm.
        assertThat(cut(50.27, limb -> limb.diameter(4.1)).big()).isTrue();
        assertThat(cut(50.27, limb -> limb.diameter(3.9)).big()).isFalse();
    }

    @Test
    void underThreeCentimetresNeverIs() {
        assertThat(cut(20, limb -> limb.diameter(2.9)).big()).isFalse();
        assertThat(cut(20, limb -> limb.diameter(3)).big()).isTrue();
    }

    @Test
    void toolsGoByTheWidthOfTheWood() {
        assertThat(cut(96, limb -> limb.diameter(2)).tool()).isEqualTo(Tool.SECATEURS);
        assertThat(cut(96, limb -> limb.diameter(2.1)).tool()).isEqualTo(Tool.LOPPERS);
        assertThat(cut(96, limb -> limb.diameter(4)).tool()).isEqualTo(Tool.LOPPERS);
        assertThat(cut(96, limb -> limb.diameter(4.1)).tool()).isEqualTo(Tool.SAW);
        assertThat(cut(96, limb -> limb.diameter(2).origin(3)).tool()).isEqualTo(Tool.POLE_PRUNER);
    }

    @Test
    void overFiveCentimetresComesOffInThreeCuts() {
        assertThat(cut(96, limb -> limb.diameter(5.1)).technique()).isEqualTo(Technique.THREE_CUT);
        assertThat(cut(96, limb -> limb.diameter(5).length(2)).technique()).isEqualTo(Technique.SINGLE);
    }

    @Test
    void whatOneMayNotLiftAloneTakesTheTimeOfTwo() {
        // Over 25 kg two people and a rope (from memory: HSE manual handling figures): 15 cm, 3 m is 29.5 kg.
        Cut light = cut(96, limb -> limb.diameter(13.5).length(3));
        Cut heavy = cut(96, limb -> limb.diameter(15).length(3));
        assertThat(light.weightKg()).isLessThan(25);
        assertThat(heavy.weightKg()).isGreaterThan(25);
        // 2 + 4 for three cuts + half a minute for each cm over 4, twice for two people; 0.15 for each kg to clear up.
        assertThat(heavy.minutes()).isEqualTo((int) Math.ceil(2 * (2 + 4 + 5.5) + 0.15 * heavy.weightKg()));
        assertThat(light.minutes()).isEqualTo((int) Math.ceil(2 + 4 + 4.75 + 0.15 * light.weightKg()));
    }

    @Test
    void weightIsVolumeTimesNineHundredKilogramsACubicMetre() {
        // 10 cm, 3 m: 0.014552 m3 of green wood (from memory: wood handbooks) is 13.1 kg.
        assertThat(cut(96, limb -> limb.diameter(10).length(3)).weightKg()).isCloseTo(13.1, within(0.05));
    }

    @Test
    void overSixtyKilogramsOrFourMetresIsAnArborists() {
        assertThat(cut(96, limb -> limb.diameter(17).length(5)).tickets()).contains(Ticket.ARBORIST);
        assertThat(cut(96, limb -> limb.origin(4.1)).tickets()).contains(Ticket.ARBORIST);
        assertThat(cut(96, limb -> limb.origin(4.0)).tickets()).containsExactly(Ticket.LADDER);
        assertThat(cut(96, limb -> limb.origin(1.5)).tickets()).isEmpty();
    }

    @Test
    void hollowScreensAgreeNearTheirLimits() {
        // t/R 0.3 is d/D 0.7, a loss of 34 % (from memory: Mattheck; Wagener).
        assertThat(HollowStem.strengthLoss(10, 3)).isCloseTo(0.343, within(1e-9));
        assertThat(HollowStem.strengthLoss(10, 10)).isZero();
    }
}
