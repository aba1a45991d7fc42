package org.diligentbough.core.light;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.LeafDensity;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.visit.MadeCut;
import org.diligentbough.core.visit.TreeToday;
import org.diligentbough.core.visit.Visit;
import org.junit.jupiter.api.Test;

/** Leaf that hangs on no limb entered. Own assumptions, worked by hand. */
class SmallWoodTest {
    private static SurveyBuilder tree(double girthCm) {
        SurveyBuilder tree = new SurveyBuilder();
        tree.girthCm = girthCm;
        tree.heightM = 5;
        tree.spreadM = 6;
        tree.yearsSinceCut = OptionalDouble.of(12);
        for (int i = 0; i < 4; i++) {
            double azimuth = 90 * i;
            tree.limb("M" + i, limb -> limb.diameter(8)
                    .origin(1.2)
                    .azimuth(azimuth)
                    .angle(45)
                    .length(3)
                    .years(20)
                    .fruiting(2));
        }
        return tree;
    }

    private static double leafM2(SurveyBuilder tree) {
        return tree.evaluate()
                .crownLight()
                .smallWood()
                .notEntered()
                .map(Leaf::leafAreaM2)
                .orElse(0.0);
    }

    private static double inLight(SurveyBuilder tree) {
        return tree.evaluate().crownLight().inLight().orElseThrow();
    }

    private static final double ENTERED_M2 = 4 * 0.10 * Math.PI / 4 * 64;

    @Test
    void isTheWholeTreesLeafByItsTrunkLessWhatTheLimbsCarry() {
        // 60 cm of girth: 36 m2, 90 cm: 70, 120 cm: 113, but no more than four for each m2 of crown.
        assertThat(leafM2(tree(60)) + ENTERED_M2).isCloseTo(36, within(1.0));
        assertThat(leafM2(tree(90)) + ENTERED_M2).isCloseTo(70, within(1.5));
        SurveyBuilder wide = tree(120);
        wide.spreadM = 9;
        assertThat(leafM2(wide) + ENTERED_M2).isCloseTo(113, within(2.0));
        SurveyBuilder narrow = tree(120);
        narrow.spreadM = 4;
        assertThat(leafM2(narrow) + ENTERED_M2).isCloseTo(4 * Math.PI * 4, within(1e-6));
    }

    @Test
    void isHalfWhereTheTreeIsKeptAndLessByWhatIsDead() {
        SurveyBuilder kept = tree(90);
        kept.yearsSinceCut = OptionalDouble.of(1);
        assertThat(leafM2(kept) + ENTERED_M2).isCloseTo(35, within(1.0));
        SurveyBuilder partDead = tree(90).limb("D", limb -> limb.diameter(8)
                .origin(1.4)
                .azimuth(45)
                .angle(45)
                .length(3)
                .fault(FaultKind.DEAD));
        assertThat(leafM2(partDead)).isCloseTo(0.8 * (leafM2(tree(90)) + ENTERED_M2) - ENTERED_M2, within(1e-6));
    }

    @Test
    void goesByHowMuchSkyTheSurveyorSawWhenThatWasSaid() {
        double crownM2 = Math.PI * 9;
        double[] index = {1.6, 2.5, 3.5};
        double before = 1;
        for (LeafDensity density : LeafDensity.values()) {
            SurveyBuilder tree = tree(90);
            tree.noted = tree.noted.seenThrough(density);
            assertThat(leafM2(tree) + ENTERED_M2).isCloseTo(index[density.ordinal()] * crownM2, within(1e-6));
            assertThat(inLight(tree)).isLessThan(before);
            before = inLight(tree);
        }
    }

    @Test
    void bushesAndFigsHaveNone() {
        for (Species species : List.of(Species.GOOSEBERRY, Species.BLACK_CURRANT, Species.FIG)) {
            SurveyBuilder plant = tree(60);
            plant.species = species;
            assertThat(leafM2(plant)).isZero();
        }
    }

    /** More shoots never lighten, and many darken. */
    @Test
    void uprightShootsDarken() {
        double before = 2;
        for (int shoots : new int[] {0, 20, 60, 150, 400}) {
            SurveyBuilder tree = tree(60);
            tree.waterSprouts = OptionalInt.of(shoots);
            assertThat(inLight(tree)).isLessThanOrEqualTo(before + 1e-9);
            before = inLight(tree);
        }
        SurveyBuilder none = tree(60);
        SurveyBuilder many = tree(60);
        many.waterSprouts = OptionalInt.of(150);
        assertThat(inLight(many)).isLessThan(inLight(none) - 0.03);
    }

    /** Limbs are judged without it: nothing entered goes because of what was not. */
    @Test
    void hasNoVerdictAndGivesNone() {
        SurveyBuilder dense = tree(90);
        dense.noted = dense.noted.seenThrough(LeafDensity.DENSE);
        SurveyBuilder open = tree(90);
        open.noted = open.noted.seenThrough(LeafDensity.OPEN);
        assertThat(dense.evaluate().limbs()).isEqualTo(open.evaluate().limbs());
    }

    /** What was taken stays off: it is carried on from survey to survey and not reckoned anew from the trunk. */
    @Test
    void isCarriedOnFromSurveyToSurvey() {
        SurveyBuilder tree = tree(90);
        Survey first = tree.build();
        double atFirst = leafM2(tree);
        Visit cut = new Visit(
                first.surveyedOn(),
                List.of(new MadeCut("M0", MadeCut.Kind.REMOVED, 0, false, false, Optional.empty())),
                0);
        TreeToday after = SurveyBuilder.RULES.standing(List.of(first), List.of(cut));
        assertThat(after.survey().tree().noted().notEnteredM2().orElseThrow()).isCloseTo(0.75 * atFirst, within(1e-6));
        Evaluation judged = Evaluation.of(after, Evaluation.Given.NOTHING, SurveyBuilder.RULES);
        assertThat(judged.crownLight().smallWood().notEntered().orElseThrow().leafAreaM2())
                .isCloseTo(0.75 * atFirst, within(1e-6));
    }
}
