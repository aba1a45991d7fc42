package org.diligentbough.core.wood;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.survey.Face;
import org.diligentbough.core.survey.HollowStem;
import org.diligentbough.core.wood.WoodFacts.FaceSeen;
import org.diligentbough.core.wood.WoodFacts.Hollow;
import org.diligentbough.core.wood.WoodFacts.Seen;
import org.diligentbough.core.wood.WoodFacts.Union;
import org.junit.jupiter.api.Test;

/** Grades: the worst of the parts, steps, what is not known, and that more harm never grades better. */
class GradingTest {
    private static final LocalDate ON = LocalDate.of(2031, 12, 1);
    private final Grading grading = new Grading(SurveyBuilder.RULES.knowledge(), DiseaseTraits.Table.load());

    private static Optional<Seen> seen(double value) {
        return Optional.of(new Seen(value, ON));
    }

    private static WoundCourse course(WoundCourse.State state) {
        OptionalInt none = OptionalInt.empty();
        return new WoundCourse(4, 4, none, none, none, state, 1, ON);
    }

    /** A tree of which all is known and good, but for what is given. */
    private static final class Tree {
        private double dead;
        private final List<Sighting> sightings = new ArrayList<>();
        private final List<FaceSeen> faces = new ArrayList<>(List.of(face(Face.SOUND, 0)));
        private final List<WoundCourse> wounds = new ArrayList<>();
        private double wallCm = 15;
        private double crackCm;
        private double shootsCm = 30;
        private Union union = Union.WIDE;

        WoodFacts facts() {
            return new WoodFacts(
                    ON,
                    seen(dead),
                    Optional.of(sightings),
                    faces,
                    Optional.of(wounds),
                    Optional.of(new Hollow(15, wallCm, ON)),
                    seen(crackCm),
                    Optional.of(union),
                    seen(shootsCm));
        }
    }

    private static FaceSeen face(Face face, double hollowCm) {
        return new FaceSeen(face, OptionalDouble.of(8), OptionalDouble.of(hollowCm), ON);
    }

    private Grade grade(Tree tree) {
        return grading.of(tree.facts()).grade().orElseThrow();
    }

    @Test
    void aSoundTreeIsAAndDeadWoodStepsAsSaid() {
        Tree tree = new Tree();
        assertThat(grade(tree)).isEqualTo(Grade.A);
        double[] steps = {0.049, 0.05, 0.15, 0.30, 0.50};
        for (int i = 0; i < steps.length; i++) {
            tree.dead = steps[i];
            assertThat(grade(tree)).isEqualTo(Grade.values()[i]);
        }
    }

    @Test
    void theWorstPartDecidesNotTheMean() {
        Tree tree = new Tree();
        tree.crackCm = 80;
        assertThat(grade(tree)).isEqualTo(Grade.E);
    }

    @Test
    void aWallOfThreeTenthsAndALossOfAThirdAgree() {
        // From memory: Mattheck's t/R of 0.3 is a loss of 0.7 cubed, 34 %, by Wagener.
        assertThat(HollowStem.strengthLoss(15, 4.5)).isBetween(0.34, 0.35);
        Tree tree = new Tree();
        tree.wallCm = 4.4;
        assertThat(grade(tree)).isEqualTo(Grade.E);
        tree.wallCm = 6;
        assertThat(grade(tree)).isEqualTo(Grade.C);
        tree.wallCm = 6.5;
        assertThat(grade(tree)).isEqualTo(Grade.B);
    }

    @Test
    void oneHollowFaceIsNotAFailingTreeButAThinWallIsHeldAgainstIt() {
        Tree tree = new Tree();
        tree.faces.add(face(Face.SOFT, 1));
        assertThat(grade(tree)).isEqualTo(Grade.C);
        tree.faces.add(face(Face.HOLLOW, 6));
        assertThat(grade(tree)).isEqualTo(Grade.D);
    }

    @Test
    void diseaseIsGradedByKindAndCourse() {
        Tree tree = new Tree();
        tree.sightings.add(new Sighting(Disease.SILVER_LEAF, ON.minusYears(1), Sighting.State.SUSPECTED));
        assertThat(grade(tree)).isEqualTo(Grade.C);
        tree.sightings.add(new Sighting(Disease.SILVER_LEAF, ON.minusDays(9), Sighting.State.ACTIVE));
        assertThat(grade(tree)).isEqualTo(Grade.D);
        tree.sightings.add(new Sighting(Disease.SILVER_LEAF, ON.minusDays(1), Sighting.State.GONE));
        assertThat(grade(tree)).isEqualTo(Grade.A);
    }

    @Test
    void whatIsNotKnownIsSaidAndIsNotGood() {
        WoodFacts nothing = new WoodFacts(
                ON,
                Optional.empty(),
                Optional.empty(),
                List.of(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
        assertThat(grading.of(nothing).grade()).isEmpty();
        assertThat(grading.of(nothing).parts()).hasSize(6).allMatch(part -> part.grade()
                .isEmpty());
        WoodFacts oneThing = new WoodFacts(
                ON,
                seen(0),
                Optional.empty(),
                List.of(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
        assertThat(grading.of(oneThing).grade()).hasValue(Grade.B);
    }

    @Test
    void woundsThatNobodyLookedAtAreNotKnown() {
        Tree tree = new Tree();
        OptionalInt none = OptionalInt.empty();
        tree.wounds.add(new WoundCourse(4, 4, none, none, none, WoundCourse.State.CLOSING, 0, ON));
        assertThat(grade(tree)).isEqualTo(Grade.B);
    }

    @Test
    void moreHarmNeverGradesBetter() {
        Random random = new Random(8);
        for (int i = 0; i < 500; i++) {
            Tree tree = new Tree();
            Grade before = Grade.A;
            for (int step = 0; step < 12; step++) {
                worsen(tree, random);
                Grade now = grade(tree);
                assertThat(now).isGreaterThanOrEqualTo(before);
                before = now;
            }
        }
    }

    private static void worsen(Tree tree, Random random) {
        switch (random.nextInt(7)) {
            case 0 -> tree.dead = Math.min(1, tree.dead + 0.1 * random.nextDouble());
            case 1 -> {
                Disease disease = Disease.values()[random.nextInt(Disease.values().length)];
                tree.sightings.add(new Sighting(disease, ON, Sighting.State.ACTIVE));
            }
            case 2 -> tree.faces.add(face(random.nextBoolean() ? Face.SOFT : Face.HOLLOW, 7 * random.nextDouble()));
            case 3 -> tree.wounds.add(course(WoundCourse.State.NOT_CLOSING));
            case 4 -> tree.wallCm *= 0.8 + 0.2 * random.nextDouble();
            case 5 -> tree.crackCm += 20 * random.nextDouble();
            default -> tree.shootsCm *= random.nextDouble();
        }
    }
}
