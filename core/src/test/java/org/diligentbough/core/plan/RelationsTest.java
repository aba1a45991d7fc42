package org.diligentbough.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.diligentbough.core.CarriedOut;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.LimbCopy;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.plan.RenovationPlan.PlannedCut;
import org.diligentbough.core.survey.Fault;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Triage;
import org.diligentbough.core.verdict.Verdict;
import org.junit.jupiter.api.Test;

/** What must follow when a tree, what is wanted of it, or what was done to it changes a little. Fixed seeds. */
class RelationsTest {
    private static final int TREES = 150;
    private static final FaultKind[] FAULTS = {
        FaultKind.CROSSING_CENTRE,
        FaultKind.INWARD,
        FaultKind.UPRIGHT_UNFRUITFUL,
        FaultKind.CROWDED,
        FaultKind.OVERLONG,
        FaultKind.LOW
    };

    /** A neglected apple as a surveyor would enter it: five to eight mains, side limbs, a few faults, somewhat too high. */
    private static SurveyBuilder neglected(long seed) {
        Random random = new Random(seed);
        SurveyBuilder tree = new SurveyBuilder();
        tree.yearsSinceCut = OptionalDouble.of(5 + random.nextInt(12));
        tree.girthCm = 90 + random.nextInt(50);
        int mains = 5 + random.nextInt(4);
        tree.mainsWanted = OptionalInt.of(5 + random.nextInt(mains - 4));
        tree.clearanceM = OptionalDouble.of(1.2);
        tree.targetHeightM = OptionalDouble.of(3.8 + random.nextInt(8) / 10.0);
        tree.waterSprouts = OptionalInt.of(random.nextInt(40));
        tree.shootCm = OptionalDouble.of(20 + random.nextInt(40));
        for (int i = 0; i < mains; i++) {
            int number = i;
            tree.limb("M" + i, limb -> limb.diameter(7 + random.nextInt(70) / 10.0)
                    .origin(1.1 + random.nextInt(8) / 10.0)
                    .azimuth((number * 360 / mains + random.nextInt(20)) % 360)
                    .angle(35 + random.nextInt(40))
                    .length(2.6 + random.nextInt(18) / 10.0)
                    .years(15 + random.nextInt(25))
                    .fruiting(random.nextInt(3)));
            for (int j = random.nextInt(4); j > 0; j--) {
                int side = j;
                double alongM = 0.5 + random.nextInt(18) / 10.0;
                tree.limb("M" + i + "s" + j, limb -> {
                    limb.on("M" + number, alongM)
                            .diameter(1.5 + random.nextInt(35) / 10.0)
                            .azimuth((number * 360.0 / mains + (side % 2 == 0 ? 50 : 310)) % 360)
                            .angle(15 + random.nextInt(50))
                            .length(0.6 + random.nextInt(12) / 10.0)
                            .years(4 + random.nextInt(10))
                            .fruiting(random.nextInt(3));
                    return random.nextInt(4) == 0 ? limb.fault(FAULTS[random.nextInt(FAULTS.length)]) : limb;
                });
            }
        }
        tree.heightM = tree.limbs.stream()
                .filter(limb -> limb.parent().isEmpty())
                .mapToDouble(limb -> limb.originM() + limb.lengthM() * Math.sin(Math.toRadians(limb.angleDeg())))
                .max()
                .orElse(4);
        return tree;
    }

    /** Share of the crown as surveyed that the plan takes in all. */
    private static double taken(Evaluation tree) {
        return 1 - tree.crownAfterPlan().left();
    }

    private static double[] changes(Function<Long, Double> change) {
        return IntStream.range(0, TREES)
                .mapToDouble(seed -> Math.abs(change.apply((long) seed)))
                .sorted()
                .toArray();
    }

    private static void report(String what, double[] sorted) {
        System.out.printf(
                "%s, share of the crown: median %.3f, nineteen in twenty under %.3f, most %.3f%n",
                what, sorted[TREES / 2], sorted[TREES * 19 / 20], sorted[TREES - 1]);
    }

    @Test
    void twoCentimetresOfHeightWantedHardlyChangeTheWork() {
        double[] changes = changes(seed -> {
            SurveyBuilder tree = neglected(seed);
            double before = taken(tree.evaluate());
            tree.targetHeightM = OptionalDouble.of(tree.targetHeightM.getAsDouble() - 0.02);
            return taken(tree.evaluate()) - before;
        });
        report("2 cm of height", changes);
        assertThat(changes[TREES * 19 / 20]).isLessThan(0.06);
    }

    @Test
    void aHundredthOfADiameterHardlyChangesTheWork() {
        double[] changes = changes(seed -> {
            SurveyBuilder tree = neglected(seed);
            double before = taken(tree.evaluate());
            Random random = new Random(seed);
            int which = random.nextInt(tree.limbs.size());
            tree.limbs.set(
                    which,
                    new LimbCopy(tree.limbs.get(which))
                            .diameter(1.01 * tree.limbs.get(which).diameterCm()));
            return taken(tree.evaluate()) - before;
        });
        report("1 % of a diameter", changes);
        assertThat(changes[TREES * 19 / 20]).isLessThan(0.04);
    }

    @Test
    void aDeadTwigMoreChangesNothingElse() {
        for (long seed = 0; seed < TREES; seed++) {
            SurveyBuilder tree = neglected(seed);
            Evaluation before = tree.evaluate();
            tree.limb("twig", limb -> limb.on("M0", 1).diameter(0.8).length(0.4).fault(FaultKind.DEAD));
            Evaluation after = tree.evaluate();
            assertThat(verdicts(after, "twig")).as("seed " + seed).isEqualTo(verdicts(before, "twig"));
        }
    }

    private static List<String> verdicts(Evaluation tree, String without) {
        return tree.limbs().stream()
                .filter(limb -> !limb.tag().equals(without))
                .map(limb -> limb.tag() + " " + limb.verdict())
                .toList();
    }

    @Test
    void theOrderOfLimbsChangesNoPlan() {
        for (long seed = 0; seed < TREES; seed++) {
            SurveyBuilder tree = neglected(seed);
            List<String> before = made(tree.evaluate());
            Collections.shuffle(tree.limbs, new Random(seed));
            assertThat(made(tree.evaluate())).as("seed " + seed).containsExactlyInAnyOrderElementsOf(before);
        }
    }

    private static List<String> made(Evaluation tree) {
        return tree.plan().lanes().stream()
                .flatMap(lane ->
                        lane.cuts().stream().map(cut -> lane.year().year() + " " + cut.limb() + " " + cut.kind()))
                .toList();
    }

    @Test
    void moreAllowanceNeverPutsWorkOff() {
        for (long seed = 0; seed < TREES; seed++) {
            SurveyBuilder tree = neglected(seed);
            Evaluation quarter = tree.evaluate();
            Policy policy = tree.policy;
            tree.policy = new Policy(
                    Policy.Allowance.THIRD,
                    policy.summerAllowance(),
                    policy.bigCuts(),
                    policy.pome(),
                    policy.apricot(),
                    policy.peach(),
                    policy.fig(),
                    policy.bend(),
                    policy.sealing(),
                    Policy.InGrowth.NONE);
            Evaluation third = tree.evaluate();
            assertThat(third.plan().notPlaced().size())
                    .as("seed " + seed)
                    .isLessThanOrEqualTo(quarter.plan().notPlaced().size());
            assertThat(third.plan().years())
                    .as("seed " + seed)
                    .isLessThanOrEqualTo(quarter.plan().years());
        }
    }

    private static LimbVerdict verdict(Evaluation tree, String limb) {
        return SurveyBuilder.verdictOn(tree, limb);
    }

    @Test
    void aPlanCarriedOutInFullIsJudgedUpkeep() {
        int upkeep = 0;
        int whole = 0;
        for (long seed = 0; seed < TREES; seed++) {
            SurveyBuilder tree = neglected(seed);
            if (!tree.evaluate().plan().placesAll()) {
                continue;
            }
            whole++;
            Evaluation after = CarriedOut.of(tree, Integer.MAX_VALUE);
            boolean maintained =
                    after.tree().triage() == Triage.MAINTAIN || after.tree().triage() == Triage.REFER;
            // Too high still, but for want of a branch to be lowered to, which is said: nothing to renovate either.
            boolean littleToDo = taken(after) <= 0.1;
            upkeep += maintained || littleToDo ? 1 : 0;
        }
        System.out.printf("Carried out in full: %d of %d trees are upkeep%n", upkeep, whole);
        assertThat(whole).isGreaterThan(TREES / 2);
        assertThat((double) upkeep / whole).isGreaterThan(0.85);
    }

    @Test
    void aYearCarriedOutLeavesTheRestOfThePlanMuchAsItWas() {
        int alike = 0;
        int all = 0;
        for (long seed = 0; seed < TREES; seed++) {
            SurveyBuilder tree = neglected(seed);
            Evaluation before = tree.evaluate();
            List<String> rest = before.plan().lanes().stream()
                    .filter(lane -> lane.year().year() > 2027)
                    .flatMap(lane -> lane.cuts().stream().map(PlannedCut::limb))
                    .distinct()
                    .toList();
            Evaluation after = CarriedOut.of(tree, 2027);
            for (String limb : rest) {
                all++;
                alike += after.limbs().stream()
                                .anyMatch(found ->
                                        found.tag().equals(limb) && found.cut().isPresent())
                        ? 1
                        : 0;
            }
        }
        System.out.printf("A year carried out: %d of %d later cuts are still wanted%n", alike, all);
        assertThat((double) alike / all).isGreaterThan(0.85);
    }

    @Test
    void aFaultMoreNeverMakesASoundLimbWanted() {
        for (long seed = 0; seed < TREES; seed++) {
            SurveyBuilder tree = neglected(seed);
            Limb first = tree.limbs.get(0);
            tree.limbs.set(0, first.as(first.lengthM(), first.angleDeg(), 1, List.of(Fault.of(FaultKind.DEAD))));
            assertThat(verdict(tree.evaluate(), first.id()).verdict()).isEqualTo(Verdict.REMOVE);
        }
    }
}
