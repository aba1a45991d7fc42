package org.diligentbough.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.diligentbough.core.Chance;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.GrownTrees;
import org.diligentbough.core.RandomTrees;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.plan.RenovationPlan.Lane;
import org.diligentbough.core.plan.RenovationPlan.PlannedCut;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Rule;
import org.diligentbough.core.verdict.Verdict;
import org.junit.jupiter.api.Test;

/** What is to go with another limb's cut has none of its own: it is to be gone when that is made. */
class WhatGoesWithItTest {
    private static Stream<Evaluation> neglected(int ofEachKind) {
        return GrownTrees.TREES.stream()
                .flatMap(species -> Stream.iterate(Chance.seed(100), seed -> seed + 1)
                        .limit(ofEachKind)
                        .map(seed -> GrownTrees.neglected(species, seed)))
                .map(SurveyBuilder::evaluate);
    }

    private static boolean goesBy(PlannedCut cut, Limb limb, Branching branching) {
        Limb at = limb;
        for (Optional<Limb> parent = branching.parentOf(at); parent.isPresent(); parent = branching.parentOf(at)) {
            boolean beyond = cut.kind() == Verdict.REMOVE
                    || at.originM() > cut.cut().place().alongM();
            if (parent.get().id().equals(cut.limb()) && cut.kind() != Verdict.BEND && beyond) {
                return true;
            }
            at = parent.get();
        }
        return false;
    }

    private static List<PlannedCut> cuts(Evaluation evaluation, Predicate<Lane> of) {
        return evaluation.plan().lanes().stream()
                .filter(of)
                .flatMap(lane -> lane.cuts().stream())
                .toList();
    }

    private static Stream<LimbVerdict> going(Evaluation evaluation) {
        return evaluation.limbs().stream().filter(limb -> limb.verdict() == Verdict.GOES_WITH_PARENT);
    }

    private static String told(LimbVerdict limb, Evaluation evaluation) {
        return limb.tag() + " for " + limb.reasons().get(0) + " in "
                + cuts(evaluation, lane -> true).stream()
                        .map(cut -> cut.limb() + " " + cut.kind())
                        .toList();
    }

    /** Arms that come down by a smaller step are not cut further out than what was to go with the piece. */
    @Test
    void aSmallerStepTakesTheSideLimbsThatWereToGo() {
        List<String> left = new ArrayList<>();
        int steps = 0;
        for (Evaluation evaluation : Stream.concat(
                        neglected(40),
                        Stream.of(GrownTrees.neglected(Species.PEAR, 777_108).evaluate()))
                .toList()) {
            Branching branching = evaluation.facts().branching();
            for (PlannedCut cut : cuts(evaluation, lane -> true)) {
                if (cut.reasons().stream().noneMatch(why -> why.code() == ReasonCode.ARMS_SMALLER_STEP)) {
                    continue;
                }
                steps++;
                going(evaluation)
                        .filter(limb -> branching.growsFrom(limb.limb(), branching.get(cut.limb())))
                        .filter(limb -> cuts(evaluation, lane -> true).stream()
                                .noneMatch(other -> goesBy(other, limb.limb(), branching)))
                        .forEach(limb -> left.add(limb.tag() + " of "
                                + evaluation.facts().survey().tree()));
            }
        }
        assertThat(steps).isGreaterThan(5);
        assertThat(left).isEmpty();
    }

    /** Dead, diseased and broken side limbs go at the first visit, however little of the limb they grow from comes off then. */
    @Test
    void theThreeDsWaitForNoStepOfAnother() {
        List<String> waits = new ArrayList<>();
        for (Evaluation evaluation : Stream.concat(
                        neglected(40),
                        Stream.iterate(0L, seed -> seed + 1)
                                .limit(600)
                                .map(RandomTrees::tree)
                                .map(SurveyBuilder::evaluate))
                .toList()) {
            Branching branching = evaluation.facts().branching();
            int first = evaluation.plan().lanes().stream()
                    .mapToInt(lane -> lane.year().year())
                    .min()
                    .orElse(0);
            List<PlannedCut> ofFirstYear = cuts(evaluation, lane -> lane.year().year() == first);
            going(evaluation)
                    .filter(limb -> limb.behind().stream().anyMatch(Rule::must))
                    .filter(limb ->
                            !branching.dead(branching.parentOf(limb.limb()).orElseThrow()))
                    .filter(limb -> ofFirstYear.stream().noneMatch(cut -> goesBy(cut, limb.limb(), branching)))
                    .forEach(limb -> waits.add(told(limb, evaluation)));
        }
        assertThat(waits).isEmpty();
    }

    /** A branch that a limb is lowered to and that still stands too high is shortened at the same visit, never before. */
    @Test
    void whatTakesOverIsShortenedWithTheLimbThatIsLoweredToIt() {
        int together = 0;
        int later = 0;
        for (Evaluation evaluation : neglected(30).toList()) {
            List<String> turns = cuts(evaluation, lane -> true).stream()
                    .map(PlannedCut::limb)
                    .toList();
            for (Lane lane : evaluation.plan().lanes()) {
                List<String> here = lane.cuts().stream().map(PlannedCut::limb).toList();
                for (PlannedCut cut : lane.cuts()) {
                    Optional<String> branch = cut.cut().place().sideBranch();
                    if (branch.filter(turns::contains).isEmpty() || cut.kind() != Verdict.SHORTEN) {
                        continue;
                    }
                    together += here.contains(branch.get()) ? 1 : 0;
                    later += here.contains(branch.get()) ? 0 : 1;
                    assertThat(here.contains(branch.get()) || turns.indexOf(branch.get()) > turns.indexOf(cut.limb()))
                            .as(cut.limb() + " is lowered to " + branch.get())
                            .isTrue();
                }
            }
        }
        // A year that bears the limb alone leaves the branch to the next.
        assertThat(together).isGreaterThan(5 * later);
    }
}
