package org.diligentbough.core.light;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.diligentbough.core.Chance;
import org.diligentbough.core.LimbCopy;
import org.diligentbough.core.RandomTrees;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.CrownShares;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.LivingCrown;
import org.diligentbough.core.survey.Survey;

class LightPropertiesTest {
    private static final Knowledge KNOWLEDGE = Knowledge.load();

    @Provide
    Arbitrary<SurveyBuilder> trees() {
        return Arbitraries.longs().map(RandomTrees::tree);
    }

    private static CrownLight light(SurveyBuilder tree, Neighbour... near) {
        Survey survey = tree.build();
        return new CrownLight(
                survey, new Branching(survey.limbs()), List.of(near), Sky.over(survey.site(), KNOWLEDGE), KNOWLEDGE);
    }

    @Property(tries = 150, seed = Chance.JQWIK)
    void takingWoodAwayNeverDarkensWhatStays(@ForAll("trees") SurveyBuilder tree, @ForAll long seed) {
        Survey survey = tree.build();
        Branching branching = new Branching(survey.limbs());
        CrownLight light = light(tree);
        LivingCrown crown = new LivingCrown(branching, new CrownShares(branching));
        Random random = new Random(seed);
        Map<String, Double> before = light.byLimb();
        for (int step = 0; step < 4; step++) {
            Limb limb = survey.limbs().get(random.nextInt(survey.limbs().size()));
            if (random.nextBoolean()) {
                crown.remove(limb);
            } else {
                crown.shorten(limb, limb.lengthM() * random.nextDouble());
            }
            Map<String, Double> after = light.byLimb(crown);
            for (String id : after.keySet()) {
                assertThat(after.get(id)).as(id).isGreaterThanOrEqualTo(before.get(id) - 1e-9);
            }
            assertThat(light.letIn(crown)).isGreaterThanOrEqualTo(-1e-9);
            before = after;
        }
    }

    @Property(tries = 100, seed = Chance.JQWIK)
    void lightIsAShareOfTheOpenSky(@ForAll("trees") SurveyBuilder tree) {
        CrownLight light = light(tree, new Neighbour("K-2", 3, 1, 6, 2, OptionalDouble.empty()));
        assertThat(light.byLimb().values())
                .allSatisfy(share -> assertThat(share).isBetween(0.0, 1.0));
        light.inLight().ifPresent(share -> assertThat(share).isBetween(0.0, 1.0));
    }

    @Property(tries = 100, seed = Chance.JQWIK)
    void aNeighbourNeverLightensAndWhatItTakesIsWhatItsFellingGives(@ForAll("trees") SurveyBuilder tree) {
        Neighbour near = new Neighbour("K-2", 2, -3, 7, 2.5, OptionalDouble.of(90));
        Map<String, Double> alone = light(tree).byLimb();
        CrownLight beside = light(tree, near);
        Map<String, Double> shaded = beside.byLimb();
        for (String id : alone.keySet()) {
            assertThat(shaded.get(id)).as(id).isLessThanOrEqualTo(alone.get(id) + 1e-9);
            double taken = beside.shading().on(id).stream()
                    .filter(Shading.Shade::neighbour)
                    .mapToDouble(Shading.Shade::takes)
                    .sum();
            // What takes less than half a hundredth is not told of.
            assertThat(alone.get(id) - shaded.get(id)).as(id).isCloseTo(taken, within(0.0051));
        }
    }

    /** A tree turned over from north to south, as far south of the equator, half a year later. */
    @Property(tries = 60, seed = Chance.JQWIK)
    void theSouthMirrorsTheNorth(@ForAll("trees") SurveyBuilder tree) {
        tree.latitude = 48;
        Map<String, Double> north = light(tree, new Neighbour("", 1, 4, 6, 2, OptionalDouble.empty()))
                .byLimb();
        List<Limb> mirrored =
                tree.limbs.stream().map(LightPropertiesTest::mirrored).toList();
        tree.limbs.clear();
        tree.limbs.addAll(mirrored);
        tree.latitude = -48;
        Map<String, Double> south = light(tree, new Neighbour("", 1, -4, 6, 2, OptionalDouble.empty()))
                .byLimb();
        north.forEach((id, share) -> assertThat(south.get(id)).as(id).isCloseTo(share, within(0.02)));
    }

    private static Limb mirrored(Limb limb) {
        return new LimbCopy(limb).azimuth((540 - limb.azimuthDeg()) % 360);
    }
}
