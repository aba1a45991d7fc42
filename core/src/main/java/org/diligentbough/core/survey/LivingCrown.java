package org.diligentbough.core.survey;

import java.util.Arrays;

/**
 * The living crown while limbs are taken off it one by one. Shares are of the crown as surveyed; nothing grows back.
 * Mutable: {@link #copy()} before trying something out.
 */
public final class LivingCrown {
    private final Branching branching;
    private final CrownShares shares;
    /** Share of what each limb carried of its own that it carries still, in the order of the branching. */
    private final double[] keptOfOwn;

    /** The whole crown as surveyed. */
    public LivingCrown(Branching branching, CrownShares shares) {
        this(branching, shares, new double[branching.outwards().size()]);
        Arrays.fill(keptOfOwn, 1);
    }

    private LivingCrown(Branching branching, CrownShares shares, double[] keptOfOwn) {
        this.branching = branching;
        this.shares = shares;
        this.keptOfOwn = keptOfOwn;
    }

    public LivingCrown copy() {
        return new LivingCrown(branching, shares, keptOfOwn.clone());
    }

    /** What is left of the crown, 0 to 1. */
    public double left() {
        double left = 0;
        for (Limb limb : branching.outwards()) {
            left += ownLeft(limb);
        }
        return left;
    }

    private double ownLeft(Limb limb) {
        return shares.own(limb) * keptOf(limb.id());
    }

    /** Share of what a limb carried of its own that it carries still, 0 to 1. */
    public double keptOf(String limb) {
        return keptOfOwn[branching.number(limb)];
    }

    /** Takes a limb and all that is left on it; returns the share taken. */
    public double remove(Limb limb) {
        double taken = ownLeft(limb);
        keptOfOwn[branching.number(limb.id())] = 0;
        for (Limb child : branching.childrenOf(limb)) {
            taken += remove(child);
        }
        return taken;
    }

    /** Cuts a limb at a distance in metres from its base, with the side limbs beyond; returns the share taken. */
    public double shorten(Limb limb, double alongM) {
        double kept = keptOf(limb.id());
        double nowKept = Math.min(kept, 1 - CrownShares.ownShareBeyond(limb, alongM));
        keptOfOwn[branching.number(limb.id())] = nowKept;
        double taken = shares.own(limb) * (kept - nowKept);
        for (Limb child : branching.childrenOf(limb)) {
            if (child.originM() > alongM) {
                taken += remove(child);
            }
        }
        return taken;
    }
}
