package org.diligentbough.core.light;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.Point;
import org.diligentbough.core.survey.Survey;
import org.junit.jupiter.api.Test;

/** A uniform medium added to a crown, against closed forms. */
class SmallWoodReferenceTest {
    private static final Knowledge KNOWLEDGE = Knowledge.load();

    private static CrownLight twigUnder(Sky sky) {
        SurveyBuilder tree = new SurveyBuilder().limb("twig", limb -> limb.diameter(0.2)
                .origin(3)
                .azimuth(0)
                .angle(0)
                .length(0.05)
                .fruiting(2));
        Survey survey = tree.build();
        return new CrownLight(survey, new Branching(survey.limbs()), List.of(), sky, KNOWLEDGE);
    }

    /**
     * Beer and Lambert: light from straight above through the upper half of a ball of even leaf falls to the exponential of
     * projection times leaf density times radius (from memory: Monsi and Saeki 1953).
     */
    @Test
    void lightFromAboveFallsByBeerAndLambertThroughTheMediumAdded() {
        CrownLight alone = twigUnder(Sky.zenith());
        for (double leafM2 : new double[] {5, 20, 60}) {
            double radiusM = 2;
            Leaf ball = new Leaf(new Point(0, 0, 3), new Point(0, 0, 1), radiusM, radiusM, leafM2);
            double with = alone.with(new SmallWood(Optional.of(ball), List.of()))
                    .byLimb()
                    .get("twig");
            double density = leafM2 / (4.0 / 3 * Math.PI * Math.pow(radiusM, 3));
            double through = Math.exp(-KNOWLEDGE.get(Figure.LEAF_PROJECTION) * density * radiusM);
            assertThat(with / alone.byLimb().get("twig")).isCloseTo(through, within(0.002));
        }
    }

    /** The years' few patches of sky and more places against the fine sky: within two hundredths. */
    @Test
    void fewPatchesOfSkyGiveTheSameLightWithinTwoHundredths() {
        SurveyBuilder tree = new SurveyBuilder();
        for (int i = 0; i < 6; i++) {
            double azimuth = 60 * i;
            tree.limb("M" + i, limb -> limb.diameter(8)
                    .origin(1.3)
                    .azimuth(azimuth)
                    .angle(45)
                    .length(3)
                    .fruiting(2));
        }
        Survey survey = tree.build();
        Branching branching = new Branching(survey.limbs());
        Sky sky = Sky.over(survey.site(), KNOWLEDGE);
        CrownLight light = new CrownLight(survey, branching, List.of(), sky, KNOWLEDGE);
        List<Leaf> leaves =
                List.copyOf(new LeafOfLimbs(branching, KNOWLEDGE).byLimb().values());
        List<CrownLight.OnLeaf> few = light.inOthers().on(leaves, leaves.size());
        List<Double> fine = List.copyOf(light.byLimb().values());
        for (int i = 0; i < leaves.size(); i++) {
            assertThat(few.get(i).mean()).isCloseTo(fine.get(i), within(0.02));
        }
    }
}
