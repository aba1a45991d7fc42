package org.diligentbough.core.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.survey.Survey.Surrounding;
import org.junit.jupiter.api.Test;

/** How far along a limb it comes over a neighbour: worked by hand on a level limb of 4 m pointing east. */
class EncroachmentTest {

    private static OptionalDouble startsOver(Surrounding near) {
        SurveyBuilder tree =
                new SurveyBuilder().limb("X", limb -> limb.azimuth(90).angle(0).length(4));
        tree.surroundings.add(near);
        TreeFacts facts = tree.evaluate().facts();
        return new Encroachment(facts).startsOverM(tree.limbs.get(0));
    }

    @Test
    void aWallIsReachedAtItsDistance() {
        assertThat(startsOver(new Surrounding(Surrounding.Kind.WALL, 90, 3, 2, 10))
                        .orElseThrow())
                .isCloseTo(3, within(0.1));
    }

    @Test
    void aWallOnTheOtherSideOrTooShortIsNot() {
        assertThat(startsOver(new Surrounding(Surrounding.Kind.WALL, 270, 3, 2, 10)))
                .isEmpty();
        assertThat(startsOver(new Surrounding(Surrounding.Kind.HEDGE, 0, 1, 2, 10)))
                .isEmpty();
        assertThat(startsOver(new Surrounding(Surrounding.Kind.WALL, 60, 2.5, 2, 1)))
                .isEmpty();
    }

    @Test
    void aTreesCrownIsReachedAtItsEdgeUnlessTheLimbPassesAboveIt() {
        assertThat(startsOver(new Surrounding(Surrounding.Kind.TREE, 90, 5, 4, 2))
                        .orElseThrow())
                .isCloseTo(3, within(0.1));
        assertThat(startsOver(new Surrounding(Surrounding.Kind.TREE, 90, 5, 1, 2)))
                .isEmpty();
    }
}
