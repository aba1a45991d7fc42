package org.diligentbough.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.diligentbough.core.SurveyBuilder.withFrame;

import java.util.List;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.OverTarget;
import org.junit.jupiter.api.Test;

/** What a cut is worth, and that the plan goes by it. The weights are our own assumptions. */
class WorthTest {
    private static Worth worth(SurveyBuilder tree, String limb) {
        return tree.evaluate().worth().get(limb);
    }

    @Test
    void partsAddUpWithoutPassingOne() {
        Worth worth = new Worth(0.5, 0.02, 0.4, 0.4, 0.1);
        assertThat(worth.whole()).isCloseTo(1 - 0.5 * 0.6 * 0.6, within(1e-9));
        assertThat(worth.forCrownTaken()).isCloseTo(worth.whole() / 0.1, within(1e-9));
        assertThat(new Worth(1, 0, 1, 1, 0).whole()).isEqualTo(1);
    }

    @Test
    void dangerIsWorthMostAndWhatIsKeptHasNone() {
        SurveyBuilder tree = withFrame()
                .limb("D", limb -> limb.diameter(5).fault(FaultKind.DEAD).over(OverTarget.PATH))
                .limb("C", limb -> limb.azimuth(90).fault(FaultKind.CROSSING_CENTRE));
        assertThat(worth(tree, "D").risk()).isEqualTo(1);
        assertThat(worth(tree, "C").risk()).isZero();
        assertThat(worth(tree, "C").form()).isPositive();
        assertThat(worth(tree, "N")).isNull();
    }

    /** Two limbs alike but that one hangs over a fruiting one and the other over nothing. */
    @Test
    void ofTwoAlikeTheOneThatShadesFruitIsWorthMoreAndGoesFirst() {
        SurveyBuilder tree = new SurveyBuilder()
                .limb("fruit", limb -> limb.azimuth(180).angle(10).diameter(10).fruiting(2))
                .limb("over", limb -> limb.azimuth(180)
                        .angle(30)
                        .origin(2.4)
                        .diameter(7)
                        .fruiting(0)
                        .fault(FaultKind.CROSSING_CENTRE))
                .limb("away", limb -> limb.azimuth(0)
                        .angle(30)
                        .origin(2.4)
                        .diameter(7)
                        .fruiting(0)
                        .fault(FaultKind.CROSSING_CENTRE));
        Evaluation evaluation = tree.evaluate();
        assertThat(evaluation.worth().get("over").lightLetIn())
                .isGreaterThan(3 * evaluation.worth().get("away").lightLetIn());
        List<String> order = evaluation.plan().lanes().stream()
                .flatMap(lane -> lane.cuts().stream())
                .map(RenovationPlan.PlannedCut::limb)
                .toList();
        assertThat(order).startsWith("over");
    }

    @Test
    void thePlanLetsLightIn() {
        SurveyBuilder tree = withFrame();
        for (int i = 0; i < 4; i++) {
            int azimuth = 30 + 90 * i;
            tree.limb(
                    "U" + i, limb -> limb.azimuth(azimuth).angle(80).diameter(9).fault(FaultKind.CROSSING_CENTRE));
        }
        Evaluation evaluation = tree.evaluate();
        assertThat(evaluation.inLightAfterPlan().orElseThrow())
                .isGreaterThan(evaluation.crownLight().inLight().orElseThrow() + 0.1);
    }
}
