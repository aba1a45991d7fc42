package org.diligentbough.core.light;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.CrownShares;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.LivingCrown;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.survey.Survey.Surrounding;
import org.junit.jupiter.api.Test;

class CrownLightTest {
    private static final Knowledge KNOWLEDGE = Knowledge.load();

    private static CrownLight light(SurveyBuilder tree, Neighbour... near) {
        Survey survey = tree.build();
        return new CrownLight(
                survey, new Branching(survey.limbs()), List.of(near), Sky.over(survey.site(), KNOWLEDGE), KNOWLEDGE);
    }

    private static double on(SurveyBuilder tree, String limb) {
        return light(tree).byLimb().get(limb);
    }

    /** One limb towards the south under another that grows above it. */
    private static SurveyBuilder twoStoreys() {
        return new SurveyBuilder()
                .limb("low", limb -> limb.azimuth(180).angle(5).origin(1.2).fruiting(1))
                .limb("high", limb -> limb.azimuth(180).angle(20).origin(2.6).fruiting(2));
    }

    @Test
    void theUpperStoreyShadesTheLowerAndIsNamedForIt() {
        CrownLight light = light(twoStoreys());
        assertThat(light.byLimb().get("low")).isLessThan(light.byLimb().get("high"));
        assertThat(light.shading().on("low")).first().satisfies(shade -> {
            assertThat(shade.name()).isEqualTo("high");
            assertThat(shade.neighbour()).isFalse();
        });
        assertThat(light.shading().by("high")).extracting(Shading.Shade::name).containsExactly("low");
        assertThat(light.shading().by("low").stream()
                        .mapToDouble(Shading.Shade::takes)
                        .sum())
                .isLessThan(light.shading().by("high").get(0).takes() / 2);
    }

    @Test
    void lightOnAllLeafLiesBetweenThatOfItsLimbsAndRisesWhenTheUpperGoes() {
        CrownLight both = light(twoStoreys());
        assertThat(both.onLeaf().orElseThrow())
                .isBetween(both.byLimb().get("low"), both.byLimb().get("high"));
        CrownLight low = light(new SurveyBuilder()
                .limb("low", limb -> limb.azimuth(180).angle(5).origin(1.2)));
        assertThat(low.onLeaf().orElseThrow())
                .isCloseTo(low.byLimb().get("low"), within(1e-9))
                .isGreaterThan(both.byLimb().get("low"));
        assertThat(light(new SurveyBuilder()).onLeaf()).isEmpty();
    }

    @Test
    void whatStaysIsToldByItselfAndGainsWhenTheRestGoes() {
        List<String> above = List.of("one", "two", "three", "four");
        SurveyBuilder tree = new SurveyBuilder()
                .limb("low", limb -> limb.azimuth(180).angle(0).origin(1.2).fruiting(1));
        for (int i = 0; i < above.size(); i++) {
            double heightM = 1.6 + 0.4 * i;
            tree.limb(above.get(i), limb -> limb.azimuth(180)
                    .angle(0)
                    .origin(heightM)
                    .diameter(14)
                    .fruiting(1));
        }
        CrownLight today = light(tree);
        Branching branching = new Branching(tree.limbs);
        LivingCrown crown = new LivingCrown(branching, new CrownShares(branching));
        assertThat(today.inLight(crown)).isEqualTo(today.inLight());
        above.forEach(limb -> crown.remove(branching.get(limb)));
        double low = today.inLight(crown).orElseThrow();
        CrownLight alone = light(new SurveyBuilder()
                .limb("low", limb -> limb.azimuth(180).angle(0).origin(1.2).fruiting(1)));
        // Less of what stays is in light than of all; with the upper ones gone it has more.
        assertThat(low).isLessThan(today.inLight().orElseThrow());
        assertThat(alone.inLight().orElseThrow()).isGreaterThan(low);
    }

    @Test
    void takingTheUpperOffGivesTheLowerWhatItLackedAndCountsAsLetIn() {
        SurveyBuilder tree = twoStoreys();
        CrownLight light = light(tree);
        Branching branching = new Branching(tree.limbs);
        LivingCrown crown = new LivingCrown(branching, new CrownShares(branching));
        crown.remove(branching.get("high"));
        double taken = light.shading().on("low").get(0).takes();
        assertThat(light.byLimb(crown)).containsOnlyKeys("low");
        assertThat(light.byLimb(crown).get("low")).isCloseTo(light.byLimb().get("low") + taken, within(1e-6));
        assertThat(light.letIn(crown)).isCloseTo(taken, within(1e-6));
    }

    @Test
    void deadWoodHasNoLeafAndShadesNothing() {
        SurveyBuilder dead = new SurveyBuilder()
                .limb("low", limb -> limb.azimuth(180).angle(5).fruiting(1))
                .limb("high", limb -> limb.azimuth(180).angle(20).origin(2.6).fault(FaultKind.DEAD));
        CrownLight light = light(dead);
        assertThat(light.byLimb()).containsOnlyKeys("low");
        assertThat(light.shading().on("low")).isEmpty();
    }

    @Test
    void aSideLimbTakesItsLeafFromTheLimbItGrowsFromAndDoesNotAddToIt() {
        SurveyBuilder tree = new SurveyBuilder()
                .limb("A", limb -> limb.diameter(10))
                .limb("A1", limb -> limb.on("A", 1).diameter(6));
        var leaves = new LeafOfLimbs(new Branching(tree.limbs), KNOWLEDGE).byLimb();
        // 0.10 m2 for each cm2: 78.5 cm2 and 28.3 cm2 of wood.
        assertThat(leaves.get("A1").leafAreaM2()).isCloseTo(2.83, within(0.01));
        assertThat(leaves.get("A").leafAreaM2()).isCloseTo(7.85 - 2.83, within(0.01));
    }

    @Test
    void aBareLimbCarriesAsLittleAsItsLeafinessSays() {
        SurveyBuilder tree =
                new SurveyBuilder().limb("A", limb -> limb.diameter(10).leafiness(0.2));
        assertThat(new LeafOfLimbs(new Branching(tree.limbs), KNOWLEDGE)
                        .byLimb()
                        .get("A")
                        .leafAreaM2())
                .isCloseTo(1.57, within(0.01));
    }

    @Test
    void aWallTowardsTheSunTakesMoreThanOneAwayFromItAndAHedgeLessThanAWall() {
        double open = on(upright(), "U");
        double southWall = on(screened(Surrounding.Kind.WALL, 180), "U");
        double northWall = on(screened(Surrounding.Kind.WALL, 0), "U");
        double southHedge = on(screened(Surrounding.Kind.HEDGE, 180), "U");
        assertThat(southWall).isLessThan(northWall);
        assertThat(northWall).isLessThan(open);
        assertThat(southHedge).isBetween(southWall, open);
    }

    private static SurveyBuilder upright() {
        return new SurveyBuilder().limb("U", limb -> limb.angle(90));
    }

    private static SurveyBuilder screened(Surrounding.Kind kind, double bearingDeg) {
        SurveyBuilder tree = upright();
        tree.surroundings.add(new Surrounding(kind, bearingDeg, 3, 4, 20));
        return tree;
    }

    @Test
    void aWallAsLowAsTheLowestLeafTakesNothing() {
        SurveyBuilder tree = SurveyBuilder.withFrame();
        double open = on(tree, "N");
        tree.surroundings.add(new Surrounding(Surrounding.Kind.WALL, 180, 3, 0.3, 20));
        assertThat(on(tree, "N")).isCloseTo(open, within(1e-12));
    }

    @Test
    void theNeighbourTowardsTheSunTakesMostInTheNorthAndTheOtherInTheSouth() {
        Neighbour south = new Neighbour("S", 0, -5, 7, 2.5, OptionalDouble.of(110));
        Neighbour north = new Neighbour("N", 0, 5, 7, 2.5, OptionalDouble.of(110));
        assertThat(light(SurveyBuilder.withFrame(), north, south).shading().byNeighbours())
                .first()
                .extracting(Shading.Shade::name)
                .isEqualTo("S");
        SurveyBuilder southern = SurveyBuilder.withFrame().with(tree -> tree.latitude = -37);
        assertThat(light(southern, north, south).shading().byNeighbours())
                .first()
                .extracting(Shading.Shade::name)
                .isEqualTo("N");
    }

    @Test
    void theShadeCastOnANeighbourIsToldAndFarOnesArePassedOver() {
        Neighbour near = new Neighbour("near", 0, 4, 4, 2, OptionalDouble.empty());
        Neighbour far = new Neighbour("far", 0, 60, 4, 2, OptionalDouble.empty());
        assertThat(light(SurveyBuilder.withFrame(), near, far).castOnNeighbours())
                .extracting(Shading.Shade::name)
                .containsExactly("near");
    }

    @Test
    void nothingIsSaidOfLightOnFruitWhereNothingFruits() {
        SurveyBuilder barren = new SurveyBuilder().limb("A", limb -> limb.fruiting(0));
        assertThat(light(barren).inLight()).isEmpty();
        assertThat(light(new SurveyBuilder()).byLimb()).isEmpty();
    }

    @Test
    void openGroundHasAllTheLightThereIs() {
        SurveyBuilder twig =
                new SurveyBuilder().limb("A", limb -> limb.diameter(0.5).length(1));
        assertThat(on(twig, "A")).isGreaterThan(0.97);
    }
}
