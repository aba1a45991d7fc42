package org.diligentbough.core.answer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.answer.Answers.OrchardRecords;
import org.diligentbough.core.answer.Answers.Proposal;
import org.diligentbough.core.answer.Learned.Group;
import org.diligentbough.core.answer.Learned.What;
import org.diligentbough.core.answer.TreeHistory.CutWay;
import org.diligentbough.core.answer.TreeHistory.Regrown;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.season.Season;
import org.hipparchus.distribution.discrete.PoissonDistribution;
import org.junit.jupiter.api.Test;

/** Conjugate algebra by hand, and what is learned from orchards of which the truth is known. */
class LearningReferenceTest {
    private final Learning learning = new Learning(SurveyBuilder.RULES.knowledge());

    private static Regrown cut(CutWay way, double leafM2, double share, int shoots) {
        return new Regrown(2027, Season.DORMANT, way, leafM2, share, shoots, OptionalDouble.of(110));
    }

    private static TreeHistory tree(Regrown... regrown) {
        return MadeOrchard.history("T", List.of(), List.of(), List.of(regrown));
    }

    @Test
    void oneGroupAloneIsTheConjugateAnswer() {
        // Shape 1 / 0.5^2 = 4, rate 4 / 6; 7 and 3 shoots at 2.1 x 0.2 and 1.0 x 0.3: (4 + 10) / (0.6667 + 0.72) =
        // 10.096
        Learned found = learning.regrowth(
                        List.of(tree(cut(CutWay.HEADING, 2.1, 0.2, 7), cut(CutWay.HEADING, 1, 0.3, 3))))
                .get(0);
        assertThat(found.shipped()).isEqualTo(6);
        assertThat(found.value()).isCloseTo(14 / (4 / 6.0 + 0.72), within(1e-9));
        assertThat(found.cases()).isEqualTo(2);
        assertThat(found.low()).isLessThan(found.value());
        assertThat(found.high()).isGreaterThan(found.value());
    }

    @Test
    void otherGroupsMoveItTowardsItsOwnRecordsAndNeverPast() {
        Random random = new Random(5);
        for (int i = 0; i < 500; i++) {
            Regrown own = cut(CutWay.HEADING, 3 * random.nextDouble() + 0.1, 0.3, random.nextInt(12));
            Regrown other = cut(CutWay.THINNING, 9 * random.nextDouble() + 0.1, 0.3, random.nextInt(60));
            Learned alone = learning.regrowth(List.of(tree(own))).get(0);
            Learned pooled = learning.regrowth(List.of(tree(own, other))).get(0);
            double records = own.shoots() / own.exposure();
            assertThat(pooled.value()).isBetween(Math.min(6, records) - 1e-9, Math.max(6, records) + 1e-9);
            boolean sameWay = (other.shoots() / other.exposure() > 6) == (records > 6);
            if (sameWay) {
                assertThat(Math.abs(pooled.value() - records))
                        .isLessThanOrEqualTo(Math.abs(alone.value() - records) + 1e-9);
            }
        }
    }

    @Test
    void aFactorLiesBetweenPriorAndDataAndItsBandShrinks() {
        // Prior N(0, 0.5^2), one case ln(20/14) = 0.35667 with 0.5^2: half of it, exp(0.17834) = 1.1952
        Learned one = learning.factor(What.MINUTES, Group.work("cut"), 1, List.of(new Learning.Case(14, 20)));
        assertThat(one.value()).isCloseTo(Math.exp(Math.log(20 / 14.0) / 2), within(1e-12));
        double wide = Math.log(one.high() / one.low());
        List<Learning.Case> cases = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
            cases.add(new Learning.Case(14, 20));
        }
        Learned many = learning.factor(What.MINUTES, Group.work("cut"), 1, cases);
        assertThat(many.value()).isBetween(one.value(), 20 / 14.0);
        assertThat(Math.log(many.high() / many.low())).isLessThan(wide / 3);
    }

    private static Regrown inSummer(double leafM2, double share, int shoots) {
        return new Regrown(2027, Season.SUMMER, CutWay.THINNING, leafM2, share, shoots, OptionalDouble.empty());
    }

    @Test
    void cutsInLeafTeachHowMuchLessTheyAreAnsweredAndNothingElse() {
        // Dormant: (4 + 12) / (4/6 + 2) = 6. In leaf shape 4, rate 4 / 0.5 = 8; 9 shoots at 6 x 3: 13 / 26 = 0.5
        TreeHistory tree = tree(cut(CutWay.THINNING, 4, 0.5, 12), inSummer(10, 0.3, 9));
        assertThat(learning.dormantRegrowth(List.of(tree)).orElseThrow().value())
                .isCloseTo(6, within(1e-9));
        Learned times = learning.summerRegrowth(List.of(tree)).orElseThrow();
        assertThat(times.value()).isCloseTo(0.5, within(1e-9));
        assertThat(times.cases()).isEqualTo(1);
        assertThat(learning.summerRegrowth(List.of(tree(cut(CutWay.THINNING, 4, 0.5, 12)))))
                .isEmpty();
    }

    @Test
    void kindsThatAnswerOtherwiseAreToldApart() {
        TreeHistory apple = tree(cut(CutWay.HEADING, 10, 0.3, 36));
        TreeHistory plum = MadeOrchard.history("P", Species.PLUM, List.of(cut(CutWay.HEADING, 10, 0.3, 6)));
        List<Proposal> found = new Answers(
                        new OrchardRecords(
                                List.of(apple, plum), false, LocalDate.of(2031, 1, 1), 1, Map.of(), List.of()),
                        SurveyBuilder.RULES)
                .proposals();
        assertThat(found)
                .filteredOn(one -> one.figure() == Figure.OUTLOOK_SHOOTS)
                .extracting(Proposal::kind)
                .containsExactly(Optional.empty(), Optional.of(Species.APPLE), Optional.of(Species.PLUM));
        double all = found.get(0).value();
        assertThat(found.get(1).value()).isBetween(all, 12.0);
        assertThat(found.get(2).value()).isBetween(2.0, all);
        // The same length of all: what is learned of it lies between what was shipped and what was seen.
        assertThat(found)
                .filteredOn(one -> one.figure() == Figure.OUTLOOK_SHOOT_M)
                .allSatisfy(one -> {
                    assertThat(one.value()).isBetween(1.1, 1.3);
                    assertThat(one.shipped()).isEqualTo(1.3);
                });
    }

    @Test
    void aNumberOfAKindHoldsForThatKindAlone() {
        Rulebook own = SurveyBuilder.RULES.with(
                Map.of(Figure.OUTLOOK_SHOOTS, 7.0), Map.of(Species.PLUM, Map.of(Figure.OUTLOOK_SHOOTS, 9.0)));
        assertThat(own.of(Species.PLUM).knowledge().get(Figure.OUTLOOK_SHOOTS)).isEqualTo(9);
        assertThat(own.of(Species.APPLE).knowledge().get(Figure.OUTLOOK_SHOOTS)).isEqualTo(7);
        assertThat(own.of(Species.APPLE)).isSameAs(own);
        assertThat(Evaluation.of(SurveyBuilder.of(Species.PLUM).build(), own)
                        .facts()
                        .figure(Figure.OUTLOOK_SHOOTS))
                .isEqualTo(9);
        assertThat(Evaluation.of(SurveyBuilder.of(Species.APPLE).build(), own)
                        .facts()
                        .figure(Figure.OUTLOOK_SHOOTS))
                .isEqualTo(7);
    }

    @Test
    void noRecordsNothingLearned() {
        OrchardRecords none =
                new OrchardRecords(List.of(tree()), false, LocalDate.of(2031, 1, 1), 1, Map.of(), List.of());
        assertThat(new Answers(none, SurveyBuilder.RULES).learned()).isEmpty();
        assertThat(new Answers(none, SurveyBuilder.RULES).proposals()).isEmpty();
    }

    @Test
    void simulatedOrchardsGiveTheTruthBack() {
        int held = 0;
        int orchards = 200;
        for (int seed = 0; seed < orchards; seed++) {
            Random random = new Random(seed);
            List<Regrown> regrown = new ArrayList<>();
            for (int i = 0; i < 40; i++) {
                double leafM2 = 1 + 4 * random.nextDouble();
                PoissonDistribution shoots = new PoissonDistribution(11 * leafM2 * 0.2);
                regrown.add(cut(CutWay.HEADING, leafM2, 0.2, shoots.inverseCumulativeProbability(random.nextDouble())));
            }
            Learned found = learning.regrowth(List.of(tree(regrown.toArray(Regrown[]::new))))
                    .get(0);
            assertThat(found.value()).isCloseTo(11, within(2.5));
            held += found.low() <= 11 && 11 <= found.high() ? 1 : 0;
        }
        assertThat((double) held / orchards).isBetween(0.7, 0.9);
    }

    @Test
    void twiceWhatWasToBeExpectedIsTooHard() {
        // 6 x 2 x 0.25 = 3 to be expected
        assertThat(learning.tooHard(List.of(tree(cut(CutWay.THINNING, 2, 0.25, 6)))))
                .hasSize(1);
        assertThat(learning.tooHard(List.of(tree(cut(CutWay.THINNING, 2, 0.25, 5)))))
                .isEmpty();
        // Three shoots are never too many, however few were to be expected.
        assertThat(learning.tooHard(List.of(tree(cut(CutWay.THINNING, 0.5, 0.1, 3)))))
                .isEmpty();
    }
}
