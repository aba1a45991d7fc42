package org.diligentbough.core.survey;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The share of the living crown each limb carries, its side limbs included, by the pipe model: leaf goes with the
 * cross-section of the wood that carries it (from memory: Shinozaki et al. 1964). Dead wood and stubs carry none; what
 * was not entered is not guessed. The shares of the limbs on the trunk sum to 1, or to 0 when nothing lives.
 */
public final class CrownShares {
    private final Branching branching;
    private final Map<String, Double> shares = new HashMap<>();
    /** By the limb's number. */
    private final double[] own;

    public CrownShares(Branching branching) {
        this.branching = branching;
        double whole = branching.onTrunk().stream()
                .filter(branching::living)
                .mapToDouble(limb -> limb.leafiness() * square(limb))
                .sum();
        for (Limb limb : branching.outwards()) {
            shares.put(limb.id(), branching.living(limb) && whole > 0 ? shareOf(limb, whole) : 0.0);
        }
        own = new double[branching.outwards().size()];
        for (Limb limb : branching.outwards()) {
            double sideLimbs =
                    livingSideLimbs(limb).stream().mapToDouble(this::of).sum();
            own[branching.number(limb.id())] = Math.max(0, of(limb) - sideLimbs);
        }
    }

    private double shareOf(Limb limb, double whole) {
        if (limb.parent().isEmpty()) {
            return limb.leafiness() * square(limb) / whole;
        }
        Limb parent = branching.get(limb.parent().get());
        double sideLimbs = livingSideLimbs(parent).stream()
                .mapToDouble(CrownShares::square)
                .sum();
        return shares.get(parent.id()) * square(limb) / Math.max(square(parent), sideLimbs);
    }

    private List<Limb> livingSideLimbs(Limb limb) {
        return branching.childrenOf(limb).stream().filter(branching::living).toList();
    }

    private static double square(Limb limb) {
        return square(limb.diameterCm());
    }

    private static double square(double value) {
        return value * value;
    }

    /** Share of the living crown on the limb and its side limbs, 0 to 1. */
    public double of(Limb limb) {
        return shares.get(limb.id());
    }

    /** Share on the limb itself, without its side limbs, 0 to 1. */
    public double own(Limb limb) {
        return own[branching.number(limb.id())];
    }

    /** The same by the limb's number. */
    double own(int number) {
        return own[number];
    }

    /**
     * Share of what the limb carries of its own that goes when it is cut at a distance in metres from its base: leaf goes
     * with cross-section, which the wood loses bit by bit up to the tip, so nothing at the tip and all at the base.
     */
    public static double ownShareBeyond(Limb limb, double alongM) {
        double here = square(limb.diameterAtCm(alongM));
        double atTip = square(limb.diameterAtCm(limb.lengthM()));
        return (here - atTip) / (square(limb.diameterCm()) - atTip);
    }
}
