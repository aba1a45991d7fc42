package org.diligentbough.core.wood;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.wood.DiseaseSpread.Place;
import org.diligentbough.core.wood.DiseaseSpread.Spread;
import org.junit.jupiter.api.Test;

/** Join counts in closed form (from memory: Cliff and Ord), shuffles, risk, and kinds that cannot have a disease. */
class DiseaseSpreadReferenceTest {
    private static final LocalDate ON = LocalDate.of(2031, 12, 1);
    private final DiseaseSpread spread = new DiseaseSpread(SurveyBuilder.RULES.knowledge(), DiseaseTraits.Table.load());

    private static Place tree(String label, Species species, double eastM, Sighting.State state) {
        return new Place(
                label,
                species,
                eastM,
                0,
                state == null ? List.of() : List.of(new Sighting(Disease.CANKER, ON.minusDays(30), state)));
    }

    /** A row ten metres apart: neighbours within 15 m are next to each other, J = n - 1. */
    private static List<Place> row(int n, int... sick) {
        List<Place> trees = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            int at = i;
            boolean isSick = java.util.Arrays.stream(sick).anyMatch(one -> one == at);
            trees.add(tree("T" + i, Species.APPLE, 10 * i, isSick ? Sighting.State.ACTIVE : null));
        }
        return trees;
    }

    private Spread canker(List<Place> trees) {
        return spread.of(Disease.CANKER, trees, ON, 1).orElseThrow();
    }

    @Test
    void expectationInClosedFormAndPByCounting() {
        Spread found = canker(row(10, 3, 4, 5));
        assertThat(found.joins()).isEqualTo(2);
        // 9 x 3 x 2 / (10 x 9) = 0.6
        assertThat(found.expected()).isCloseTo(0.6, within(1e-12));
        // Of the 120 ways to choose three of ten in a row eight are three in line: p = 8 / 120.
        assertThat(found.p()).isCloseTo(8 / 120.0, within(0.01));
    }

    @Test
    void riskFallsWithDistanceAndOnlyKindsThatCanHaveItAreAtRisk() {
        List<Place> trees = new ArrayList<>(row(4, 0));
        trees.add(tree("plum", Species.PLUM, 5, null));
        trees.add(tree("suspect", Species.PEAR, 30, Sighting.State.SUSPECTED));
        Spread found = canker(trees);
        assertThat(found.canHave()).isEqualTo(5);
        assertThat(found.atRisk()).extracting(DiseaseSpread.AtRisk::label).containsExactly("T1", "T2", "T3", "suspect");
        assertThat(found.atRisk().get(0).risk()).isCloseTo(Math.exp(-10 / 5.0), within(1e-12));
        assertThat(found.p()).isEqualTo(1);
    }

    @Test
    void treatedIsSickUntilGone() {
        List<Place> trees = List.of(
                tree("a", Species.APPLE, 0, Sighting.State.TREATED), tree("b", Species.APPLE, 5, Sighting.State.GONE));
        assertThat(canker(trees).sick()).containsExactly("a");
        assertThat(spread.of(Disease.FIRE_BLIGHT, trees, ON, 1)).isEmpty();
    }

    @Test
    void sameSeedSameP() {
        assertThat(canker(row(30, 2, 3, 9, 20, 21)).p())
                .isEqualTo(canker(row(30, 2, 3, 9, 20, 21)).p());
    }

    /** Sick trees strewn by chance: a p under a fifth comes about in a fifth of the orchards, and no more often. */
    @Test
    void chanceAloneRaisesNoMoreAlarmsThanStated() {
        Random random = new Random(11);
        int alarms = 0;
        int orchards = 120;
        for (int i = 0; i < orchards; i++) {
            List<Place> trees = new ArrayList<>();
            for (int tree = 0; tree < 40; tree++) {
                Sighting.State state = random.nextInt(4) == 0 ? Sighting.State.ACTIVE : null;
                trees.add(new Place(
                        "T" + tree,
                        Species.APPLE,
                        60 * random.nextDouble(),
                        60 * random.nextDouble(),
                        tree("", Species.APPLE, 0, state).sightings()));
            }
            alarms += spread.of(Disease.CANKER, trees, ON, i).map(Spread::p).orElse(1.0) <= 0.2 ? 1 : 0;
        }
        assertThat((double) alarms / orchards).isBetween(0.08, 0.3);
    }
}
