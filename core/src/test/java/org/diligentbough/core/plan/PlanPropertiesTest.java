package org.diligentbough.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.diligentbough.core.Chance;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.RandomTrees;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.plan.RenovationPlan.Lane;
import org.diligentbough.core.plan.RenovationPlan.PlannedCut;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Rule;

/** What must hold for every tree, tried on made-up ones of all kinds. */
class PlanPropertiesTest {

    @Provide
    Arbitrary<SurveyBuilder> trees() {
        return Arbitraries.longs().map(RandomTrees::tree);
    }

    @Property(tries = 400, seed = Chance.JQWIK)
    void everyPlanKeepsTheRules(@ForAll("trees") SurveyBuilder tree) {
        PlanRules.hold(tree.evaluate());
    }

    /** The kind's own work and renewal leave something to bear next year; a fig renewed whole loses its first crop only. */
    @Property(tries = 400, seed = Chance.JQWIK)
    void whatStaysCanBearNextYear(@ForAll("trees") SurveyBuilder tree) {
        Evaluation evaluation = tree.evaluate();
        Map<String, LimbVerdict> verdicts = PlanRules.verdicts(evaluation);
        Map<Integer, Double> crop = evaluation.plan().lanes().stream()
                .collect(Collectors.groupingBy(
                        lane -> lane.year().year(), Collectors.summingDouble(lane -> lane.cuts().stream()
                                .filter(cut -> verdicts.get(cut.limb())
                                                .rule()
                                                .filter(row -> row == Rule.KIND_WOOD || row == Rule.RENEWAL)
                                                .isPresent()
                                        && !cut.byHand())
                                .mapToDouble(PlannedCut::crop)
                                .sum())));
        // Where nearly all hangs on one limb, that limb's turn is that crop's.
        boolean onOneLimb = evaluation.plan().lanes().stream()
                .flatMap(lane -> lane.cuts().stream())
                .anyMatch(cut -> cut.crop() > 0.5);
        if (onOneLimb) {
            return;
        }
        crop.forEach((year, gone) -> assertThat(gone).as("crop gone in " + year).isLessThan(0.9));
    }

    @Property(tries = 150, seed = Chance.JQWIK)
    void thePlanIsInTimeOrderAndWhatIsUrgentStandsFirst(@ForAll("trees") SurveyBuilder tree) {
        Evaluation evaluation = tree.evaluate();
        List<Lane> lanes = evaluation.plan().lanes();
        assertThat(lanes).isSortedAccordingTo(Comparator.comparing(Lane::opens));
        evaluation.limbs().stream().filter(LimbVerdict::urgent).forEach(limb -> assertThat(
                        lanes.get(0).cuts())
                .anyMatch(cut -> cut.limb().equals(limb.limb().id())));
    }

    @Property(tries = 400, seed = Chance.JQWIK)
    void restingTreesLoseOnlyDeadDiseasedAndDangerousWood(@ForAll("trees") SurveyBuilder tree) {
        tree.shootCm = OptionalDouble.of(10);
        tree.years = OptionalInt.of(1);
        Evaluation evaluation = tree.evaluate();
        if (evaluation.tree().resting()) {
            Map<String, LimbVerdict> verdicts = PlanRules.verdicts(evaluation);
            for (Lane lane : evaluation.plan().lanes()) {
                assertThat(lane.cuts())
                        .allMatch(cut -> PlanRules.mayExceed(verdicts.get(cut.limb()), evaluation)
                                || !evaluation
                                        .facts()
                                        .branching()
                                        .living(evaluation.facts().branching().get(cut.limb())));
                boolean weak = evaluation.tree().weak();
                lane.detail().ifPresent(shoots -> assertThat(shoots.share()).isLessThanOrEqualTo(weak ? 0 : 0.05));
            }
        }
    }

    @Property(tries = 150, seed = Chance.JQWIK)
    void theSameSurveyGivesTheSameAnswer(@ForAll("trees") SurveyBuilder tree) {
        Evaluation once = tree.evaluate();
        Evaluation again = tree.evaluate();
        assertThat(again.limbs()).isEqualTo(once.limbs());
        assertThat(again.plan()).isEqualTo(once.plan());
        assertThat(again.tree()).isEqualTo(once.tree());
    }

    @Property(tries = 150, seed = Chance.JQWIK)
    void sharesOfTheLimbsOnTheTrunkSumToOne(@ForAll("trees") SurveyBuilder tree) {
        Evaluation evaluation = tree.evaluate();
        var facts = evaluation.facts();
        double sum = facts.branching().onTrunk().stream()
                .mapToDouble(facts.shares()::of)
                .sum();
        boolean alive = facts.branching().onTrunk().stream().anyMatch(facts.branching()::living);
        assertThat(sum).isCloseTo(alive ? 1 : 0, within(1e-9));
    }

    @Property(tries = 150, seed = Chance.JQWIK)
    void evergreensAreNeverOpened(@ForAll("trees") SurveyBuilder tree) {
        tree.species = Species.CITRUS;
        assertThat(tree.evaluate().limbs()).noneMatch(limb -> limb.rule()
                .filter(row -> row == Rule.INTO_CENTRE
                        || row == Rule.UPRIGHT_SHOOT
                        || row == Rule.UPRIGHT_UNFRUITFUL
                        || row == Rule.SHADED_UNDERNEATH
                        || row == Rule.CROWDED)
                .isPresent());
    }

    @Property(tries = 120, seed = Chance.JQWIK)
    void theSouthPlansHalfAYearLater(@ForAll("trees") SurveyBuilder tree) {
        tree.today = LocalDate.of(2027, 2, 10);
        tree.latitude = 45;
        Evaluation evaluated = tree.evaluate();
        RenovationPlan north = evaluated.plan();
        tree.today = LocalDate.of(2027, 8, 10);
        tree.latitude = -45;
        RenovationPlan south = tree.evaluateInLightOf(evaluated).plan();
        assertThat(south.lanes()).hasSameSizeAs(north.lanes());
        for (int i = 0; i < north.lanes().size(); i++) {
            assertThat(south.lanes().get(i).cuts().stream().map(PlannedCut::limb))
                    .containsExactlyElementsOf(north.lanes().get(i).cuts().stream()
                            .map(PlannedCut::limb)
                            .toList());
            assertThat(south.lanes().get(i).opens())
                    .isEqualTo(north.lanes().get(i).opens().plusMonths(6));
        }
    }
}
