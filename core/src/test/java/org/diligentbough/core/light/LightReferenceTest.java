package org.diligentbough.core.light;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.stream.Stream;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.Point;
import org.diligentbough.core.survey.Survey;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.shredzone.commons.suncalc.SunPosition;

class LightReferenceTest {
    private static final Knowledge KNOWLEDGE = Knowledge.load();
    private static final double PROJECTION = KNOWLEDGE.get(Figure.LEAF_PROJECTION);

    /** Worked example of the NREL solar position algorithm (from memory: Reda and Andreas 2004). */
    @Test
    void theSunStandsWhereThePublishedExampleSays() {
        SunPosition sun = SunPosition.compute()
                .on(ZonedDateTime.of(LocalDate.of(2003, 10, 17), LocalTime.of(12, 30, 30), ZoneOffset.ofHours(-7)))
                .at(39.742476, -105.1786)
                .elevation(1830.14)
                .execute();
        // The library promises about a tenth of a degree.
        assertThat(90 - sun.getTrueAltitude()).isCloseTo(50.11162, within(0.1));
        assertThat(sun.getAzimuth()).isCloseTo(194.34024, within(0.1));
    }

    /** Beer-Lambert through a layer without end: exp(-k L / sin of the height above the horizon). */
    @ParameterizedTest
    @CsvSource({"90, 1", "60, 1", "30, 1", "90, 3", "45, 3"})
    void lightThroughAWideLevelCrownFallsByBeerAndLambert(double heightDeg, double leafIndex) {
        double wideM = 10_000;
        double thickM = 2;
        Leaf layer = new Leaf(
                new Point(0, 0, 5),
                new Point(0, 0, 1),
                thickM / 2,
                wideM,
                // An ellipsoid's middle is 3/2 as thick as its mean.
                leafIndex * 2 / 3 * Math.PI * wideM * wideM);
        Point towards = new Point(0, 0, 0).towards(130, heightDeg, 1);
        Point below = new Point(0, 0, 0).towards(130, heightDeg, -50);
        Point from = new Point(below.eastM(), below.northM(), 5 + below.upM());
        double through = Math.exp(-PROJECTION * layer.densityPerM() * layer.pathM(from, towards));
        assertThat(through)
                .isCloseTo(Math.exp(-PROJECTION * leafIndex / Math.sin(Math.toRadians(heightDeg))), within(0.002));
    }

    /** Parallel light through an even ball lets 2 (1 - (1 + t) e^-t) / t^2 through, t the depth of its middle. */
    @ParameterizedTest
    @CsvSource({"0.2", "1", "2.5", "6"})
    void parallelLightThroughABallFollowsTheClosedForm(double depth) {
        double radiusM = 1.7;
        double density = depth / (2 * radiusM * PROJECTION);
        Leaf ball = new Leaf(
                new Point(3, -2, 4),
                new Point(0.3, 0.5, 0.4),
                radiusM,
                radiusM,
                density * 4 / 3 * Math.PI * Math.pow(radiusM, 3));
        double sum = 0;
        int rings = 2000;
        for (int i = 0; i < rings; i++) {
            double out = radiusM * Math.sqrt((i + 0.5) / rings);
            Point from = new Point(3 + out, -2, -10);
            sum += Math.exp(-PROJECTION * ball.densityPerM() * ball.pathM(from, new Point(0, 0, 1)));
        }
        assertThat(sum / rings).isCloseTo(2 * (1 - (1 + depth) * Math.exp(-depth)) / (depth * depth), within(1e-4));
    }

    /** The rays worked out many at a time meet what a single path meets. */
    @Test
    void manyPathsAtOnceMeetWhatEachMeetsAlone() {
        Sky sky = Sky.over(SurveyBuilder.withFrame().build().site(), KNOWLEDGE);
        List<Leaf> bodies = List.of(
                new Leaf(new Point(0.4, 0.2, 3), new Point(1, 2, 1), 1.2, 0.7, 4),
                new Leaf(new Point(-0.4, 0.9, 4), new Point(0, -2, 1), 0.9, 0.6, 3),
                new Leaf(new Point(4, 0, 4), new Point(0, 0, 1), 3, 2.5, 60));
        List<Point> places = Stream.of(bodies.get(0), bodies.get(2))
                .flatMap(leaf -> CrownPoints.in(leaf, 3).stream())
                .toList();
        double[] light = new Rays(places, bodies, List.of(), sky, PROJECTION).light();
        for (int i = 0; i < places.size(); i++) {
            Point from = places.get(i);
            double alone = sky.patches().stream()
                    .mapToDouble(patch -> patch.share()
                            * Math.exp(-PROJECTION
                                    * bodies.stream()
                                            .mapToDouble(
                                                    leaf -> leaf.densityPerM() * leaf.pathM(from, patch.direction()))
                                            .sum()))
                    .sum();
            assertThat(light[i]).isCloseTo(alone, within(1e-9));
        }
    }

    @Test
    void theSharesOfTheSkyMakeTheWhole() {
        for (double latitude : new double[] {68, 52, 30, 0, -35}) {
            Survey survey = SurveyBuilder.withFrame()
                    .with(tree -> tree.latitude = latitude)
                    .build();
            assertThat(Sky.over(survey.site(), KNOWLEDGE).patches().stream()
                            .mapToDouble(Sky.Patch::share)
                            .sum())
                    .isCloseTo(1, within(1e-9));
        }
    }

    /** The figures of the survey's description: an open frame of six limbs of 8 cm has about 0.7 in light (own assumption). */
    @Test
    void anOpenFrameOfSixLimbsHasAboutSevenTenthsInLight() {
        CrownLight light = lightOf(openFrame().build());
        assertThat(light.inLight().orElseThrow()).isBetween(0.6, 0.8);
    }

    /** Few places and patches tell what many tell. */
    @Test
    void theCoarseGridTellsWhatAFineOneTells() {
        SurveyBuilder tree = openFrame();
        tree.limb("U", limb -> limb.diameter(6)
                        .azimuth(20)
                        .angle(85)
                        .length(2.4)
                        .origin(1.6))
                .limb("A1", limb -> limb.on("A", 1.2)
                        .azimuth(300)
                        .angle(10)
                        .diameter(4)
                        .length(1.8)
                        .fruiting(1));
        tree.surroundings.add(new Survey.Surrounding(Survey.Surrounding.Kind.TREE, 180, 4, 8, 3));
        Survey survey = tree.build();
        Branching branching = new Branching(survey.limbs());
        CrownLight fine =
                new CrownLight(survey, branching, List.of(), Sky.over(survey.site(), KNOWLEDGE, 5), KNOWLEDGE, 14);
        CrownLight coarse = lightOf(survey);
        fine.byLimb()
                .forEach((id, light) ->
                        assertThat(coarse.byLimb().get(id)).as(id).isCloseTo(light, within(0.02)));
        assertThat(coarse.inLight().orElseThrow()).isCloseTo(fine.inLight().orElseThrow(), within(0.05));
    }

    static SurveyBuilder openFrame() {
        SurveyBuilder tree = new SurveyBuilder();
        for (int i = 0; i < 6; i++) {
            int azimuth = i * 60;
            tree.limb("ABCDEF".substring(i, i + 1), limb -> limb.diameter(8)
                    .length(2.5)
                    .angle(50)
                    .azimuth(azimuth)
                    .fruiting(2));
        }
        return tree;
    }

    static CrownLight lightOf(Survey survey) {
        return new CrownLight(
                survey, new Branching(survey.limbs()), List.of(), Sky.over(survey.site(), KNOWLEDGE), KNOWLEDGE);
    }
}
