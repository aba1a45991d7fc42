package org.diligentbough.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.verdict.Cut;
import org.diligentbough.core.verdict.CutKind;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.TreeFacts;
import org.diligentbough.core.verdict.Verdict;

/** What rules a cut breaks where somebody put it, as reasons to be told; nothing where it breaks none. */
final class RuleBreaks {
    private final PlanningCase plan;
    private final TreeFacts facts;
    private final Moves moves;

    RuleBreaks(PlanningCase plan) {
        this.plan = plan;
        this.facts = plan.facts;
        this.moves = plan.moves;
    }

    /**
     * What the place breaks, before the cut is taken into account there.
     *
     * @param renewals main branches of a bush or fig that may be renewed in a year
     * @param whole whether a whole leader or stem goes
     */
    List<Reason> of(LimbVerdict limb, Cut cut, double share, LaneDraft lane, int renewals, boolean whole) {
        if (limb.verdict() == Verdict.BEND) {
            return lane.bendsHere() ? List.of() : List.of(facts.reason(ReasonCode.BREAKS_BENDING_TIME));
        }
        boolean kept = moves.kept(limb, Verdict.REMOVE) || moves.kept(limb, Verdict.SHORTEN);
        // What a plan that is kept takes besides what has to be was reckoned before it.
        YearBudget budget = kept ? lane.budget.withoutNeed() : lane.budget;
        List<Reason> breaks = new ArrayList<>();
        waiting(limb, lane, budget).ifPresent(breaks::add);
        boolean otherTime = lane.season != Season.ANY && lane.topping != limb.topping();
        if (lane.season == Season.ANY && !limb.anySeason() || otherTime) {
            breaks.add(facts.reason(ReasonCode.BREAKS_WINDOW));
        }
        if (plan.stemOfAFork(limb) && !kept && !limb.urgent() && whole && !budget.roomForAWholeLimb(share)) {
            breaks.add(facts.reason(
                    ReasonCode.BREAKS_BESIDE_A_WHOLE_LIMB, budget.terms().beside()));
        }
        if (plan.hasToBe(limb) || plan.ownWork(limb)) {
            return breaks;
        }
        tooMuch(share, lane, budget, whole).ifPresent(breaks::add);
        if (cut.big() && !budget.roomForBigCut()) {
            breaks.add(facts.reason(
                    ReasonCode.BREAKS_BIG_CUTS, budget.bigCutLimbs().size() + 1, budget.mostBigCuts()));
        }
        if (cut.kind() == CutKind.RENEWAL && budget.renewals() >= renewals) {
            breaks.add(facts.reason(ReasonCode.BREAKS_RENEWALS, renewals));
        }
        return breaks;
    }

    /** Wood that waits for nobody, put off. */
    private Optional<Reason> waiting(LimbVerdict limb, LaneDraft lane, YearBudget budget) {
        boolean atOnce =
                lane.season == Season.ANY || !lane.opens.isAfter(facts.survey().today());
        if (limb.urgent()) {
            boolean now =
                    atOnce && lane.budget.year().days().contains(facts.survey().today());
            return now ? Optional.empty() : Optional.of(facts.reason(ReasonCode.BREAKS_URGENT));
        }
        boolean late = limb.must()
                && !limb.anySeason()
                && budget.year().year() > plan.years.first().year();
        return late ? Optional.of(facts.reason(ReasonCode.BREAKS_DISEASED)) : Optional.empty();
    }

    /** More than the year, or its summer, may take. */
    private Optional<Reason> tooMuch(double share, LaneDraft lane, YearBudget budget, boolean whole) {
        if (budget.resting()) {
            return Optional.of(facts.reason(ReasonCode.BREAKS_REST));
        }
        if (budget.fullBesideAWholeLimb(share) || whole && !budget.roomForAWholeLimb(share)) {
            return Optional.of(facts.reason(
                    ReasonCode.BREAKS_BESIDE_A_WHOLE_LIMB, budget.terms().beside()));
        }
        if (!budget.fits(share, false)) {
            return Optional.of(facts.reason(
                    ReasonCode.BREAKS_ALLOWANCE,
                    budget.taken() + share,
                    Math.max(0, budget.allowance().orElseThrow())));
        }
        if (!budget.fits(share, lane.summerOnly)) {
            return Optional.of(facts.reason(
                    ReasonCode.BREAKS_SUMMER_ALLOWANCE,
                    budget.takenInSummer() + share,
                    budget.laneAllowance(true).orElseThrow()));
        }
        return Optional.empty();
    }
}
