package org.diligentbough.core.fruit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.fruit.CropLoad.Advice;
import org.diligentbough.core.fruit.CropLoad.Holds;
import org.diligentbough.core.fruit.WhyNoFruit.Cause;
import org.diligentbough.core.survey.Limb;
import org.junit.jupiter.api.Test;

/** Crop load by hand: trunk and leaf (from memory: crop-load studies; Magness and Overley), and a cantilever in closed form. */
class CropLoadReferenceTest {
    private final CropLoad load = new CropLoad(SurveyBuilder.RULES.knowledge());

    private Advice apple(double trunkCm2, double goneWithWood, boolean resting, int counted) {
        return load.advice(
                OptionalDouble.of(trunkCm2),
                OptionalDouble.empty(),
                goneWithWood,
                resting,
                OptionalInt.of(counted),
                OptionalDouble.of(120));
    }

    @Test
    void aTrunkOfAHundredSquareCentimetresBearsFourToEightHundred() {
        Advice advice = apple(100, 0, false, 1000);
        assertThat(advice.least()).isEqualTo(400);
        assertThat(advice.most()).isEqualTo(800);
        assertThat(advice.thinLeast()).hasValue(200);
        assertThat(advice.thinMost()).hasValue(600);
        assertThat(advice.minutes()).isCloseTo(30, within(1e-9));
        assertThat(advice.kilos().orElseThrow()).isCloseTo(96, within(1e-9));
    }

    @Test
    void whatWentWithWoodAndRestTakeFromIt() {
        assertThat(apple(100, 0.25, false, 0).most()).isEqualTo(600);
        assertThat(apple(100, 0, true, 0).most()).isEqualTo(400);
    }

    @Test
    void leafFeedsAFruitForThirtyToFortyLeaves() {
        // 30 m2 of leaf of 25 cm2 are 12,000 leaves: 300 to 400 fruits.
        Advice advice = load.advice(
                OptionalDouble.empty(), OptionalDouble.of(30), 0, false, OptionalInt.empty(), OptionalDouble.empty());
        assertThat(advice.least()).isCloseTo(300, within(1e-9));
        assertThat(advice.most()).isCloseTo(400, within(1e-9));
        assertThat(advice.thinMost()).isEmpty();
    }

    @Test
    void aLimbUnderItsFruitIsACantilever() {
        Limb limb = new SurveyBuilder()
                .limb("L", one -> one.diameter(5).angle(0).length(3))
                .build()
                .limbs()
                .get(0);
        // M = 9.81 x 20 x 1.8 = 353.16 Nm; 32 M / (pi 0.05^3) = 28.78 MPa; allowed 50 / 4 = 12.5.
        CropLoad.Loaded loaded = load.loaded(limb, 20);
        assertThat(loaded.stressMpa()).isCloseTo(28.779, within(0.001));
        assertThat(loaded.holds()).isEqualTo(Holds.PROP);
        assertThat(load.loaded(limb, 8).holds()).isEqualTo(Holds.FINE);
        assertThat(load.loaded(limb, 12).holds()).isEqualTo(Holds.THIN);
    }

    @Test
    void theLikeliestCauseComesFirstAndWhatSpeaksAgainstItIsSaid() {
        WhyNoFruit.Year year = new WhyNoFruit.Year(
                OptionalInt.of(5),
                OptionalDouble.of(1.4),
                Optional.of(true),
                OptionalDouble.of(-1),
                OptionalDouble.of(0.5),
                0.1,
                false,
                false,
                OptionalInt.of(30),
                false);
        var causes = WhyNoFruit.of(year, SurveyBuilder.RULES.knowledge());
        assertThat(causes.get(0).cause()).isEqualTo(Cause.NO_PARTNER);
        assertThat(causes).extracting(WhyNoFruit.Reckoned::cause).doesNotContain(Cause.FROST_IN_BLOOM, Cause.SHADE);
        assertThat(causes.stream()
                        .filter(one -> one.cause() == Cause.OFF_YEAR)
                        .findFirst()
                        .orElseThrow()
                        .against())
                .containsExactly("thick-bloom");
        WhyNoFruit.Year frozen = new WhyNoFruit.Year(
                OptionalInt.of(4),
                OptionalDouble.empty(),
                Optional.empty(),
                OptionalDouble.of(-4.5),
                OptionalDouble.empty(),
                0,
                false,
                false,
                OptionalInt.empty(),
                false);
        assertThat(WhyNoFruit.of(frozen, SurveyBuilder.RULES.knowledge()).get(0).cause())
                .isEqualTo(Cause.FROST_IN_BLOOM);
    }
}
