package org.diligentbough.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.TakenThisYear;
import org.diligentbough.core.verdict.Cut;

/** What one pruning year may still take of a tree. Shares are of the crown standing at the start of the year. */
final class YearBudget {
    private static final double ROUNDING = 1e-9;

    private final PruningYear year;
    private final OptionalDouble allowance;
    private final OptionalDouble summerAllowance;
    private final int mostBigCuts;
    private final boolean resting;
    private final double crownAtStart;
    private final List<Limb> bigCutLimbs = new ArrayList<>();
    private double taken;
    private double takenInSummer;
    private int renewals;
    /** Most that may go besides in a year in which a whole leader or stem goes. */
    private final double besideAWholeLimb;
    /** What such limbs took. */
    private double wholeLimbs;
    /** What was taken because it had to be: urgent, dead or diseased. */
    private double takenByNeed;

    private final List<Limb> bigByNeed = new ArrayList<>();

    /**
     * @param allowance what may still be taken; empty where another rule holds
     * @param mostBigCuts not looked at where there is no allowance
     * @param crownAtStart living crown at the start of the year, as a share of the one surveyed
     * @param besideAWholeLimb share that may go besides in a year in which a whole leader or stem goes
     * @param before big cuts and renewals the year has seen already
     */
    YearBudget(
            PruningYear year,
            OptionalDouble allowance,
            OptionalDouble summerAllowance,
            int mostBigCuts,
            boolean resting,
            double crownAtStart,
            double besideAWholeLimb,
            TakenThisYear before) {
        this.year = year;
        this.allowance = allowance;
        this.summerAllowance = summerAllowance;
        this.mostBigCuts = mostBigCuts;
        this.resting = resting;
        this.crownAtStart = crownAtStart;
        this.besideAWholeLimb = besideAWholeLimb;
        this.bigCutLimbs.addAll(before.bigCuts());
        this.renewals = before.renewals();
    }

    /** The same had nothing been taken that had to be. */
    YearBudget withoutNeed() {
        YearBudget other = new YearBudget(
                year,
                allowance,
                summerAllowance,
                mostBigCuts,
                resting,
                crownAtStart,
                besideAWholeLimb,
                TakenThisYear.NOTHING);
        other.bigCutLimbs.addAll(bigCutLimbs);
        bigByNeed.forEach(other.bigCutLimbs::remove);
        other.taken = taken - takenByNeed;
        other.takenInSummer = takenInSummer;
        other.wholeLimbs = wholeLimbs;
        other.renewals = renewals;
        return other;
    }

    PruningYear year() {
        return year;
    }

    OptionalDouble allowance() {
        return allowance;
    }

    boolean resting() {
        return resting;
    }

    double takenInSummer() {
        return takenInSummer;
    }

    double taken() {
        return taken;
    }

    /** A share of the crown as surveyed, as a share of the crown at the start of this year. */
    double shareOfThisYear(double shareAsSurveyed) {
        return crownAtStart > 0 ? shareAsSurveyed / crownAtStart : 0;
    }

    /** What a lane may take in all: the year's allowance, or the summer's where that is the smaller. */
    OptionalDouble laneAllowance(boolean summerOnly) {
        return summerOnly && allowance.isPresent()
                ? OptionalDouble.of(Math.min(allowance.getAsDouble(), summerAllowance.orElseThrow()))
                : allowance;
    }

    /** What is left for a lane; unbounded where there is no allowance. */
    double left(boolean summerOnly) {
        if (allowance.isEmpty()) {
            return Double.MAX_VALUE;
        }
        double ofYear = allowance.getAsDouble() - taken;
        if (wholeLimbs > 0) {
            ofYear = Math.min(ofYear, besideAWholeLimb - (taken - wholeLimbs));
        }
        return summerOnly ? Math.min(ofYear, summerAllowance.orElseThrow() - takenInSummer) : ofYear;
    }

    boolean fits(double share, boolean summerOnly) {
        return share <= left(summerOnly) + ROUNDING;
    }

    /** Whether so little has gone this year that a whole leader or stem may. */
    boolean roomForAWholeLimb() {
        return allowance.isEmpty() || wholeLimbs == 0 && taken <= besideAWholeLimb + ROUNDING;
    }

    /** Whether a whole leader or stem goes this year, with what may go besides full. */
    boolean fullBesideAWholeLimb(double share) {
        return allowance.isPresent() && wholeLimbs > 0 && taken - wholeLimbs + share > besideAWholeLimb + ROUNDING;
    }

    double besideAWholeLimb() {
        return besideAWholeLimb;
    }

    boolean roomForBigCut() {
        return allowance.isEmpty() || bigCutLimbs.size() < mostBigCuts;
    }

    /** Limbs of the big cuts made and placed so far. */
    List<Limb> bigCutLimbs() {
        return bigCutLimbs;
    }

    int renewals() {
        return renewals;
    }

    void renewed() {
        renewals++;
    }

    int mostBigCuts() {
        return mostBigCuts;
    }

    /**
     * @param need whether it had to be
     */
    void take(Limb limb, Cut cut, double share, boolean summerOnly, boolean wholeLimb, boolean need) {
        taken += share;
        if (need) {
            takenByNeed += share;
        }
        if (wholeLimb) {
            wholeLimbs += share;
        }
        if (summerOnly) {
            takenInSummer += share;
        }
        if (cut.big()) {
            bigCutLimbs.add(limb);
        }
        if (cut.big() && need) {
            bigByNeed.add(limb);
        }
    }

    void takeDetail(double share, boolean summerOnly) {
        taken += share;
        if (summerOnly) {
            takenInSummer += share;
        }
    }

    boolean overrun() {
        return allowance.isPresent()
                && (taken > allowance.getAsDouble() + ROUNDING || bigCutLimbs.size() > mostBigCuts);
    }
}
