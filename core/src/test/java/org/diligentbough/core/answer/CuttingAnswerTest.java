package org.diligentbough.core.answer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.answer.Comparison.Says;
import org.diligentbough.core.answer.CuttingAnswer.Measure;
import org.diligentbough.core.answer.CuttingAnswer.Pooled;
import org.diligentbough.core.answer.TreeHistory.YearCut;
import org.diligentbough.core.fruit.FruitYear;
import org.diligentbough.core.season.Season;
import org.junit.jupiter.api.Test;

/** The answer to cutting: by hand, and over many orchards of which the truth is known. */
class CuttingAnswerTest {
    private static final int ORCHARDS = 400;

    private static CuttingAnswer.Answers answers(List<TreeHistory> trees) {
        return new CuttingAnswer(Measure.FRUIT, trees, false, SurveyBuilder.RULES.knowledge(), 1).answers();
    }

    private static TreeHistory steady(String label, double before, double after, int lastYear, boolean cut) {
        List<FruitYear> years = new ArrayList<>();
        for (int year = 2021; year <= lastYear; year++) {
            years.add(new FruitYear(
                    year, OptionalInt.empty(), OptionalInt.empty(), OptionalDouble.of(year > 2025 ? after : before)));
        }
        return MadeOrchard.history(
                label, years, cut ? List.of(new YearCut(2025, Season.DORMANT, 0.2, 2)) : List.of(), List.of());
    }

    @Test
    void workedByHand() {
        // Girth 80 cm: 509.296 cm2. Cut: 30 kg, then 40; like trees 30 to 30, 33 and 27.
        List<TreeHistory> trees = List.of(
                steady("cut", 30, 40, 2029, true),
                steady("a", 30, 30, 2029, false),
                steady("b", 30, 33, 2029, false),
                steady("c", 30, 27, 2029, false));
        double e = 509.2958;
        double own = Math.log((40 / e + 0.005) / (30 / e + 0.005));
        double b = Math.log((33 / e + 0.005) / (30 / e + 0.005));
        double c = Math.log((27 / e + 0.005) / (30 / e + 0.005));
        double mean = (b + c) / 3;
        double spread = Math.sqrt(((mean * mean) + (b - mean) * (b - mean) + (c - mean) * (c - mean)) / 2);
        Comparison found = answers(trees).trees().get(0);
        assertThat(found.effect().orElseThrow()).isCloseTo(own - mean, within(1e-6));
        // t of 2 degrees at nine tenths, from memory of printed tables: 1.886
        assertThat(found.high().orElseThrow() - found.effect().orElseThrow())
                .isCloseTo(1.886 * spread * Math.sqrt(4 / 3.0), within(1e-3));
        assertThat(found.likeTrees()).isEqualTo(3);
        assertThat(found.before()).containsExactly(2024, 2023, 2022, 2021);
        assertThat(found.says()).isEqualTo(Says.MORE);
    }

    @Test
    void tooLittleSaysWhatIsWanted() {
        List<TreeHistory> trees = List.of(steady("cut", 30, 40, 2026, true), steady("a", 30, 30, 2026, false));
        Comparison found = answers(trees).trees().get(0);
        assertThat(found.says()).isEqualTo(Says.TOO_LITTLE_TO_TELL);
        assertThat(found.wanted()).hasValue(new Comparison.Wanted(0, 1, 2));
        assertThat(found.effect()).isPresent();
        assertThat(answers(trees).all().n()).isZero();
    }

    @Test
    void threeYearsAreHeldAsTwoInARow() {
        TreeHistory cut = steady("cut", 30, 40, 2028, true);
        List<FruitYear> gap =
                cut.fruit().stream().filter(year -> year.year() != 2026).toList();
        TreeHistory gapped = MadeOrchard.history("cut", gap, cut.cuts(), List.of());
        assertThat(answers(List.of(cut)).trees().get(0).after()).containsExactly(2026, 2027);
        assertThat(answers(List.of(gapped)).trees().get(0).after()).containsExactly(2027, 2028);
    }

    @Test
    void treesThatWereCutThemselvesAreNotHeldAgainst() {
        List<TreeHistory> trees = new ArrayList<>(List.of(steady("cut", 30, 40, 2029, true)));
        for (String label : List.of("a", "b", "c")) {
            trees.add(steady(label, 30, 30, 2029, true));
        }
        assertThat(answers(trees).trees()).allMatch(one -> one.likeTrees() == 0);
    }

    /** Of intervals of four fifths four fifths hold what was planted, of one tree and of several. */
    @Test
    void plantedEffectsAreFoundAsOftenAsSaid() {
        for (double planted : new double[] {0, 0.25}) {
            int one = 0;
            int several = 0;
            int overZero = 0;
            for (int seed = 0; seed < ORCHARDS; seed++) {
                CuttingAnswer.Answers found =
                        answers(new MadeOrchard(seed).effect(planted).swing(0.2).trees(6, 10));
                Comparison first = found.trees().get(0);
                one += holds(first.low(), first.high(), planted) ? 1 : 0;
                Pooled all = found.all();
                several += holds(all.low(), all.high(), planted) ? 1 : 0;
                overZero += holds(all.low(), all.high(), 0) ? 1 : 0;
            }
            assertThat((double) one / ORCHARDS).isBetween(0.74, 0.86);
            assertThat((double) several / ORCHARDS).isBetween(0.74, 0.88);
            if (planted > 0) {
                assertThat((double) overZero / ORCHARDS).isLessThan(0.1);
            }
        }
    }

    private static boolean holds(OptionalDouble low, OptionalDouble high, double value) {
        return low.orElseThrow() <= value && value <= high.orElseThrow();
    }

    @Test
    void alternateBearingAloneIsNoAnswer() {
        List<TreeHistory> trees = new MadeOrchard(3).swing(0.6).noise(0).trees(5, 8);
        assertThat(answers(trees).trees())
                .allSatisfy(one -> assertThat(one.effect().orElseThrow()).isCloseTo(0, within(1e-9)));
    }

    @Test
    void labelsDrawnByLotRaiseNoMoreAlarmsThanStated() {
        int alarms = 0;
        for (int seed = 0; seed < ORCHARDS; seed++) {
            List<TreeHistory> trees = new MadeOrchard(seed).swing(0.3).trees(0, 14);
            Collections.shuffle(trees, new Random(seed));
            List<TreeHistory> drawn = new ArrayList<>(trees.subList(4, 14));
            trees.subList(0, 4)
                    .forEach(tree -> drawn.add(MadeOrchard.history(
                            tree.label(),
                            tree.fruit(),
                            List.of(new YearCut(MadeOrchard.CUT, Season.DORMANT, 0.2, 0)),
                            List.of())));
            Pooled all = answers(drawn).all();
            alarms += holds(all.low(), all.high(), 0) ? 0 : 1;
        }
        assertThat((double) alarms / ORCHARDS).isLessThan(0.27);
    }

    @Test
    void aSlopeIsFoundAndTheSharesArePooledWhereTheyBelong() {
        List<TreeHistory> trees = new ArrayList<>(new MadeOrchard(5).noise(0.01).trees(0, 6));
        for (int i = 1; i <= 7; i++) {
            double share = 0.05 * i;
            TreeHistory cut = steady("S" + i, 30, 30 * Math.exp(-0.3 * share), 2029, false);
            trees.add(MadeOrchard.history(
                    cut.label(), cut.fruit(), List.of(new YearCut(2025, Season.SUMMER, share, 0)), List.of()));
        }
        CuttingAnswer.Answers found = answers(trees);
        assertThat(found.slope().perTenth().orElseThrow()).isCloseTo(-0.03, within(0.006));
        assertThat(found.byShare()).extracting(one -> one.pooled().n()).containsExactly(1, 2, 2, 2);
        assertThat(found.bySeason()).containsOnlyKeys(Season.SUMMER);
        assertThat(found.smallCuts().n()).isEqualTo(6);
        assertThat(found.bigCuts().n()).isZero();
    }
}
