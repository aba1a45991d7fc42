package org.diligentbough.core.visit;

import static org.diligentbough.core.knowledge.Figure.DETAIL_SHARE_MOST;
import static org.diligentbough.core.knowledge.Figure.SHOOT_CM;

import org.diligentbough.core.verdict.TreeFacts;

/** Shoots that were counted and not entered as limbs. */
public final class CountedShoots {
    private CountedShoots() {}

    /** Share of the living crown, 0 to 1, that so many are taken to carry: by the wood's cross-section, as for limbs. */
    public static double share(TreeFacts facts, int shoots) {
        double wood = facts.branching().onTrunk().stream()
                .filter(facts.branching()::living)
                .mapToDouble(limb -> limb.diameterCm() * limb.diameterCm())
                .sum();
        double shootCm = facts.figure(SHOOT_CM);
        return wood > 0 ? Math.min(facts.figure(DETAIL_SHARE_MOST), shoots * shootCm * shootCm / wood) : 0;
    }
}
