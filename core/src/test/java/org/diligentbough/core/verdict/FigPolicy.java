package org.diligentbough.core.verdict;

import org.diligentbough.core.orchard.Policy;

/** A site that renews its figs limb by limb and has chosen nothing else. */
public final class FigPolicy {
    private FigPolicy() {}

    public static Policy byLimb() {
        Policy d = Policy.DEFAULT;
        return new Policy(
                d.allowance(),
                d.summerAllowance(),
                d.bigCuts(),
                d.pome(),
                d.apricot(),
                d.peach(),
                Policy.Fig.BY_LIMB,
                d.bend(),
                d.sealing(),
                d.inGrowth());
    }
}
