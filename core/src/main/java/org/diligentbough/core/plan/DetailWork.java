package org.diligentbough.core.plan;

import static org.diligentbough.core.knowledge.Figure.DETAIL_BUDGET_MINUTES;
import static org.diligentbough.core.knowledge.Figure.MINUTES_SHOOT;

import java.util.Optional;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.verdict.TreeFacts;
import org.diligentbough.core.visit.CountedShoots;

/** Shoots that were counted and not entered one by one. */
final class DetailWork {
    private final TreeFacts facts;
    /** Shoots counted beyond those entered as limbs. */
    private final int shoots;

    DetailWork(TreeFacts facts) {
        this.facts = facts;
        long entered = facts.survey().limbs().stream()
                .filter(limb -> limb.has(FaultKind.UPRIGHT_SHOOT))
                .count();
        this.shoots = (int) Math.max(0, facts.tree().waterSprouts().orElse(0) - entered);
    }

    /** As many of what is left as the detail budget and the year's allowance bear: most of them at once, not a few a year. */
    Optional<RenovationPlan.Detail> fitting(int placedBefore, YearBudget budget) {
        int left = shoots - placedBefore;
        if (left <= 0) {
            return Optional.empty();
        }
        int inTime = (int) (facts.figure(DETAIL_BUDGET_MINUTES) / facts.figure(MINUTES_SHOOT));
        double shareOfOne = CountedShoots.share(facts, shoots) / shoots;
        double share = budget.resting() ? budget.terms().detailInRest() - budget.taken() : budget.left(false);
        int inAllowance = shareOfOne > 0 ? (int) Math.min(left, Math.max(0, share) / shareOfOne) : left;
        int done = Math.min(left, Math.min(inTime, inAllowance));
        if (done <= 0) {
            return Optional.empty();
        }
        return Optional.of(new RenovationPlan.Detail(
                done, done * shareOfOne, (int) Math.ceil(done * facts.figure(MINUTES_SHOOT))));
    }
}
