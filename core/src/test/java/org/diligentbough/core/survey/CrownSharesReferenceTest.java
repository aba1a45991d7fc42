package org.diligentbough.core.survey;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.diligentbough.core.Evaluation;
import org.diligentbough.core.SurveyBuilder;
import org.junit.jupiter.api.Test;

/** Crown shares against the pipe model's sums (from memory: Shinozaki et al. 1964), worked by hand. */
class CrownSharesReferenceTest {

    private static CrownShares shares(SurveyBuilder tree) {
        return tree.evaluate().facts().shares();
    }

    private static double of(SurveyBuilder tree, String id) {
        Evaluation evaluation = tree.evaluate();
        return evaluation.facts().shares().of(evaluation.facts().branching().get(id));
    }

    @Test
    void equalLimbsShareEqually() {
        SurveyBuilder tree = new SurveyBuilder();
        for (int i = 0; i < 5; i++) {
            tree.limb("L" + i, limb -> limb.diameter(9));
        }
        assertThat(of(tree, "L3")).isCloseTo(0.2, within(1e-12));
    }

    @Test
    void aLimbTwiceAsThickCarriesFourTimesTheLeaf() {
        SurveyBuilder tree =
                new SurveyBuilder().limb("A", limb -> limb.diameter(10)).limb("B", limb -> limb.diameter(5));
        assertThat(of(tree, "A")).isCloseTo(0.8, within(1e-12));
        assertThat(of(tree, "B")).isCloseTo(0.2, within(1e-12));
    }

    @Test
    void aForksPartsMakeTheWhole() {
        // 6 and 8 cm carry what a 10 cm stem carries: 36 + 64 = 100.
        SurveyBuilder tree = new SurveyBuilder()
                .limb("A", limb -> limb.diameter(10))
                .limb("A6", limb -> limb.on("A", 1).diameter(6))
                .limb("A8", limb -> limb.on("A", 1).diameter(8));
        assertThat(of(tree, "A6") + of(tree, "A8")).isCloseTo(of(tree, "A"), within(1e-12));
        CrownShares shares = shares(tree);
        assertThat(shares.own(tree.limbs.get(0))).isCloseTo(0, within(1e-12));
    }

    @Test
    void sideLimbsThickerTogetherThanTheirParentShareWhatItCarries() {
        SurveyBuilder tree = new SurveyBuilder()
                .limb("A", limb -> limb.diameter(5))
                .limb("A1", limb -> limb.on("A", 1).diameter(5))
                .limb("A2", limb -> limb.on("A", 1).diameter(5));
        assertThat(of(tree, "A1")).isCloseTo(0.5, within(1e-12));
    }

    @Test
    void theTwoLimbTreeOfTheSurveyFileWorkedByHand() {
        // 14.5^2 = 210.25, 12^2 = 144, side limb 4^2 = 16: 210.25/354.25 and 16/354.25.
        SurveyBuilder tree = new SurveyBuilder()
                .limb("A", limb -> limb.diameter(14.5).length(4.1))
                .limb("B", limb -> limb.diameter(12).length(3.9))
                .limb("A1", limb -> limb.on("A", 1.6).diameter(4));
        assertThat(of(tree, "A")).isCloseTo(0.5935, within(5e-5));
        assertThat(of(tree, "A1")).isCloseTo(0.04517, within(5e-6));
    }

    @Test
    void deadWoodAndStubsCarryNoneAndBareLimbsLess() {
        SurveyBuilder tree = new SurveyBuilder()
                .limb("A", limb -> limb.diameter(10))
                .limb("D", limb -> limb.diameter(10).fault(FaultKind.DEAD))
                .limb("D1", limb -> limb.on("D", 1))
                .limb("S", limb -> limb.diameter(10).fault(FaultKind.STUB))
                .limb("H", limb -> limb.diameter(10).leafiness(0.5));
        assertThat(of(tree, "D")).isZero();
        assertThat(of(tree, "D1")).isZero();
        assertThat(of(tree, "S")).isZero();
        assertThat(of(tree, "A")).isCloseTo(2 / 3.0, within(1e-12));
        assertThat(of(tree, "H")).isCloseTo(1 / 3.0, within(1e-12));
    }

    @Test
    void aTreeWithNothingAliveHasNoShares() {
        SurveyBuilder tree = new SurveyBuilder().limb("D", limb -> limb.fault(FaultKind.DEAD));
        assertThat(of(tree, "D")).isZero();
    }

    @Test
    void shorteningTakesByTheCrossSectionAtTheCutAndWhatLeavesBeyond() {
        // Half way the taper leaves 1 - 0.45/2 = 0.775 of the width, at the tip 0.55: of the limb's own goes
        // (0.600625 - 0.3025) / (1 - 0.3025) = 0.427419.
        SurveyBuilder tree = new SurveyBuilder()
                .limb("A", limb -> limb.diameter(10).length(4))
                .limb("A1", limb -> limb.on("A", 1).diameter(3))
                .limb("A2", limb -> limb.on("A", 3).diameter(3));
        Evaluation evaluation = tree.evaluate();
        LivingCrown crown = new LivingCrown(
                evaluation.facts().branching(), evaluation.facts().shares());
        double own = 1 - 2 * 0.09;
        assertThat(crown.shorten(tree.limbs.get(0), 2)).isCloseTo(0.4274193548387097 * own + 0.09, within(1e-9));
        assertThat(crown.left()).isCloseTo(1 - (0.4274193548387097 * own + 0.09), within(1e-9));
        assertThat(crown.remove(tree.limbs.get(0)) + 0.4274193548387097 * own + 0.09)
                .isCloseTo(1, within(1e-9));
    }

    @Test
    void aLimbCutInPiecesAddsUpAndATipCostsNothing() {
        SurveyBuilder tree =
                new SurveyBuilder().limb("A", limb -> limb.diameter(10).length(4));
        Evaluation evaluation = tree.evaluate();
        Limb limb = tree.limbs.get(0);
        LivingCrown crown = new LivingCrown(
                evaluation.facts().branching(), evaluation.facts().shares());
        assertThat(CrownShares.ownShareBeyond(limb, 4)).isCloseTo(0, within(1e-12));
        assertThat(CrownShares.ownShareBeyond(limb, 0)).isCloseTo(1, within(1e-12));
        double pieces = 0;
        for (double alongM = 3.5; alongM >= 0.5; alongM -= 0.5) {
            pieces += crown.shorten(limb, alongM);
        }
        assertThat(pieces + crown.remove(limb)).isCloseTo(1, within(1e-12));
        // Five centimetres off the tip of four metres are a hundredth of the limb, not a third of it.
        assertThat(CrownShares.ownShareBeyond(limb, 3.95)).isLessThan(0.01);
    }

    @Test
    void trunkCrossSectionFromGirth() {
        // Girth 62.832 cm is a trunk of 20 cm: 314.16 cm2 (from memory: Westwood and Roberts 1970).
        SurveyBuilder tree = new SurveyBuilder();
        tree.girthCm = 62.832;
        assertThat(tree.build().tree().trunkCrossSectionCm2()).isCloseTo(314.16, within(0.01));
    }
}
