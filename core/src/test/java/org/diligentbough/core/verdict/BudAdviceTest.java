package org.diligentbough.core.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.core.SurveyBuilder.verdictOn;
import static org.diligentbough.core.SurveyBuilder.withFrame;

import java.util.Optional;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** To which bud a shoot is cut. Common practice, no source. */
class BudAdviceTest {
    private static Optional<Reason> of(SurveyBuilder tree, String limb) {
        Evaluation evaluation = tree.evaluate();
        LimbVerdict verdict = verdictOn(evaluation, limb);
        return verdict.cut().flatMap(cut -> BudAdvice.of(evaluation.facts(), verdict.limb(), cut));
    }

    @Test
    void anOutwardBudPointsAwayFromTheTrunkWhereverTheShootLeans() {
        SurveyBuilder tree = withFrame();
        tree.species = Species.PLUM;
        // On the eastern side of a limb that goes north, leaning back to the trunk.
        tree.limb("S", limb -> limb.on("N", 1.5)
                .diameter(1)
                .length(0.9)
                .azimuth(350)
                .angle(50)
                .years(1));
        assertThat(of(tree, "S")).get().satisfies(reason -> {
            assertThat(reason.code()).isEqualTo(ReasonCode.BUD_OUTWARD);
            assertThat(reason.arguments()).containsExactly(Compass.NORTH);
        });
    }

    @Test
    void whereBudsAreToldAPeachIsCutToOneWithAFlower() {
        SurveyBuilder tree = withFrame();
        tree.species = Species.PEACH;
        tree.limb("S", limb -> limb.on("SE", 1.5)
                .diameter(1)
                .length(0.9)
                .azimuth(120)
                .angle(40)
                .years(1)
                .buds(Limb.Buds.TRIPLE));
        assertThat(of(tree, "S")).get().satisfies(reason -> {
            assertThat(reason.code()).isEqualTo(ReasonCode.BUD_WITH_FLOWER);
            assertThat(reason.arguments()).containsExactly(Compass.SOUTH_EAST);
        });
    }

    @Test
    void onHangingWoodAnUpwardOneAndNoneWhereNothingIsHeaded() {
        SurveyBuilder plum = withFrame();
        plum.species = Species.PLUM;
        plum.limb("S", limb -> limb.on("N", 1.5)
                .diameter(1)
                .length(0.9)
                .azimuth(0)
                .angle(-20)
                .years(1));
        assertThat(of(plum, "S")).map(Reason::code).contains(ReasonCode.BUD_UPWARD);
        SurveyBuilder apple =
                withFrame().limb("X", limb -> limb.diameter(4).azimuth(60).fault(FaultKind.CROSSING_CENTRE));
        assertThat(of(apple, "X")).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"0,NORTH", "22,NORTH", "23,NORTH_EAST", "359,NORTH", "-45,NORTH_WEST", "180,SOUTH", "270,WEST"})
    void theNearestOfEightDirections(double azimuthDeg, Compass expected) {
        assertThat(Compass.of(azimuthDeg)).isEqualTo(expected);
    }
}
