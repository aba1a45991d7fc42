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

    /** Whether as much is left of each limb. */
    @Override
    public boolean equals(Object other) {
        return other instanceof LivingCrown crown && Arrays.equals(keptOfOwn, crown.keptOfOwn);
    }

    @Override
    public int hashCode() {
        // Mostly zeros and ones, whose own hashes differ in their highest bits only.
        int hash = 0;
        for (double kept : keptOfOwn) {
            hash = 31 * hash + (int) (kept * Integer.MAX_VALUE);
        }
        return hash;
    }

    /** What is left of the crown, 0 to 1. */
    public double left() {
        double left = 0;
        for (int number = 0; number < keptOfOwn.length; number++) {
            left += ownLeft(number);
        }
        return left;
    }

    private double ownLeft(int number) {
        return shares.own(number) * keptOfOwn[number];
    }

    /** Share of what a limb carried of its own that it carries still, 0 to 1. */
    public double keptOf(String limb) {
        return keptOfOwn[branching.number(limb)];
    }

    /** A limb's number, by which it may be asked for. */
    public int number(String limb) {
        return branching.number(limb);
    }

    /** The same by the limb's number. */
    public double keptOf(int number) {
        return keptOfOwn[number];
    }

    /** Takes a limb and all that is left on it; returns the share taken. */
    public double remove(Limb limb) {
        return remove(branching.number(limb.id()));
    }

    private double remove(int number) {
        double taken = ownLeft(number);
        keptOfOwn[number] = 0;
        for (int child : branching.childrenOf(number)) {
            taken += remove(child);
        }
        return taken;
    }

    /** What {@link #remove} would take. */
    public double on(Limb limb) {
        return on(branching.number(limb.id()));
    }

    private double on(int number) {
        double carried = ownLeft(number);
        for (int child : branching.childrenOf(number)) {
            carried += on(child);
        }
        return carried;
    }

    /** Cuts a limb at a distance in metres from its base, with the side limbs beyond; returns the share taken. */
    public double shorten(Limb limb, double alongM) {
        double taken = beyond(limb, alongM);
        int number = branching.number(limb.id());
        keptOfOwn[number] = keptAfter(limb, number, alongM);
        for (int child : branching.childrenOf(number)) {
            if (branching.originM(child) > alongM) {
                remove(child);
            }
        }
        return taken;
    }

    /** What {@link #shorten} would take. */
    public double beyond(Limb limb, double alongM) {
        int number = branching.number(limb.id());
        double taken = shares.own(number) * (keptOfOwn[number] - keptAfter(limb, number, alongM));
        for (int child : branching.childrenOf(number)) {
            if (branching.originM(child) > alongM) {
                taken += on(child);
            }
        }
        return taken;
    }

    private double keptAfter(Limb limb, int number, double alongM) {
        return Math.min(keptOfOwn[number], 1 - CrownShares.ownShareBeyond(limb, alongM));
    }
}
