package org.diligentbough.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.TakenThisYear;
import org.diligentbough.core.verdict.Cut;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Rule;
import org.diligentbough.core.verdict.Verdict;

/** What one pruning year may still take of a tree. Shares are of the crown standing at the start of the year. */
final class YearBudget {
    static final double ROUNDING = 1e-9;

    /**
     * What a year goes by.
     *
     * @param allowance what may still be taken; empty where another rule holds
     * @param summerAllowance how much of it in summer
     * @param mostBigCuts not looked at where there is no allowance
     * @param mostMains main branches that may go for being too many
     * @param resting whether only dead, diseased and dangerous wood goes
     * @param detailInRest share that counted shoots may take in a year of rest
     * @param beside share that may go besides in a year in which a whole leader or stem goes
     * @param largeStem share from which a stem is large, over {@code beside}
     * @param lastArm by how much the last of several arms may go over the allowance
     * @param full what a year may take that owes nothing
     * @param charged what the year has taken before the plan
     * @param paysBack how far it is a year of rest for what the year before took too much, 0 to 1
     */
    record Terms(
            OptionalDouble allowance,
            OptionalDouble summerAllowance,
            int mostBigCuts,
            int mostMains,
            boolean resting,
            double detailInRest,
            double beside,
            double largeStem,
            double lastArm,
            double full,
            double charged,
            double paysBack) {}

    private final PruningYear year;
    private final Terms terms;
    private final double crownAtStart;
    private final List<Limb> bigCutLimbs = new ArrayList<>();
    private final List<Limb> bigByNeed = new ArrayList<>();
    private double taken;
    private double takenInSummer;
    private double detail;
    /** What was taken because it had to be: urgent, dead, diseased or broken. */
    private double takenByNeed;
    /** What whole leaders and stems took. */
    private double wholeLimbs;

    private double overByArms;
    private int renewals;
    private int mains;
    private int tallMains;
    private int strategic;

    /**
     * @param crownAtStart living crown at the start of the year, as a share of the one surveyed
     * @param before big cuts and renewals the year has seen already
     */
    YearBudget(PruningYear year, Terms terms, double crownAtStart, TakenThisYear before) {
        this.year = year;
        this.terms = terms;
        this.crownAtStart = crownAtStart;
        this.bigCutLimbs.addAll(before.bigCuts());
        this.renewals = before.renewals();
    }

    /** The same had nothing been taken that had to be. */
    YearBudget withoutNeed() {
        YearBudget other = new YearBudget(year, terms, crownAtStart, TakenThisYear.NOTHING);
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

    Terms terms() {
        return terms;
    }

    OptionalDouble allowance() {
        return terms.allowance();
    }

    boolean resting() {
        return terms.resting();
    }

    double takenInSummer() {
        return takenInSummer;
    }

    double taken() {
        return taken;
    }

    /** By how much the year goes beyond what any may take, for what had to be: what is to be paid back. */
    double owed() {
        return terms.allowance().isEmpty() ? 0 : Math.max(0, terms.charged() + taken - overByArms - terms.full());
    }

    /** A share of the crown as surveyed, as a share of the crown at the start of this year. */
    double shareOfThisYear(double shareAsSurveyed) {
        return crownAtStart > 0 ? shareAsSurveyed / crownAtStart : 0;
    }

    /** What a lane may take in all: the year's allowance, or the summer's where that is the smaller. */
    OptionalDouble laneAllowance(boolean summerOnly) {
        return summerOnly && allowance().isPresent()
                ? OptionalDouble.of(Math.min(
                        allowance().getAsDouble(), terms.summerAllowance().orElseThrow()))
                : allowance();
    }

    /** What is left for a lane; unbounded where there is no allowance. */
    double left(boolean summerOnly) {
        if (allowance().isEmpty()) {
            return Double.MAX_VALUE;
        }
        double ofAllowance = allowance().getAsDouble() - taken;
        double beside = besideAWholeLimb(wholeLimbs) - (taken - wholeLimbs);
        boolean overByTheStem = wholeLimbs > allowance().getAsDouble() + ROUNDING;
        double ofYear = wholeLimbs == 0 ? ofAllowance : overByTheStem ? beside : Math.min(beside, ofAllowance);
        return summerOnly ? Math.min(ofYear, terms.summerAllowance().orElseThrow() - takenInSummer) : ofYear;
    }

    /**
     * Share that may go besides a whole stem: a twentieth beside a large one; beside a small one what the allowance
     * leaves, so that a little more stem never means much less of everything else.
     */
    double besideAWholeLimb(double stem) {
        if (terms.beside() <= 0) {
            return 0;
        }
        double small = Math.max(terms.beside(), allowance().orElse(1) - stem);
        double part = Math.min(1, Math.max(0, (stem - terms.beside()) / (terms.largeStem() - terms.beside())));
        return small + part * (terms.beside() - small);
    }

    boolean fits(double share, boolean summerOnly) {
        return share <= left(summerOnly) + ROUNDING;
    }

    /** Whether so little has gone this year that a whole leader or stem may. */
    boolean roomForAWholeLimb(double share) {
        return allowance().isEmpty() || wholeLimbs == 0 && taken <= besideAWholeLimb(share) + ROUNDING;
    }

    /** Whether a whole leader or stem goes this year, with what may go besides full. */
    boolean fullBesideAWholeLimb(double share) {
        return allowance().isPresent() && wholeLimbs > 0 && !fits(share, false);
    }

    /** By how much the last of several arms may go over: not in a year of rest, nor beside a stem. */
    double lastArm() {
        return resting() || wholeLimbGoes() ? 0 : terms.lastArm();
    }

    boolean wholeLimbGoes() {
        return wholeLimbs > 0;
    }

    boolean roomForBigCut() {
        return roomForBigCuts() > 0;
    }

    int roomForBigCuts() {
        return allowance().isEmpty() ? Integer.MAX_VALUE : terms.mostBigCuts() - bigCutLimbs.size();
    }

    /** Whether one main branch more may go this year for being too many, or for its height. */
    boolean roomFor(LimbVerdict limb) {
        Rule rule = limb.rule().orElse(Rule.NOTHING_CLEAR);
        boolean tall = tallMain(limb);
        return !(rule == Rule.TOO_MANY_MAINS && mains >= terms.mostMains()) && !(tall && tallMains > 0);
    }

    private static boolean tallMain(LimbVerdict limb) {
        return limb.rule().filter(Rule.TOO_HIGH::equals).isPresent()
                && limb.verdict() == Verdict.REMOVE
                && limb.limb().parent().isEmpty();
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
        return terms.mostBigCuts();
    }

    /** Whether any of the few cuts that change a tree was placed this year. */
    boolean sawStrategic() {
        return strategic > 0;
    }

    /**
     * @param need whether it had to be
     */
    void take(LimbVerdict limb, Cut cut, double share, boolean summerOnly, boolean wholeLimb, boolean need) {
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
            bigCutLimbs.add(limb.limb());
        }
        if (cut.big() && need) {
            bigByNeed.add(limb.limb());
        }
        mains += limb.rule().filter(Rule.TOO_MANY_MAINS::equals).isPresent() ? 1 : 0;
        tallMains += tallMain(limb) ? 1 : 0;
        strategic += limb.strategic() ? 1 : 0;
    }

    /** Notes by how much arms that come down together went over the allowance. */
    void overByArms(double share) {
        overByArms += share;
    }

    void takeDetail(double share, boolean summerOnly) {
        taken += share;
        detail += share;
        if (summerOnly) {
            takenInSummer += share;
        }
    }

    boolean overrun() {
        double cut = resting() ? taken - detail : taken;
        return allowance().isPresent()
                && (cut > allowance().getAsDouble() + ROUNDING || bigCutLimbs.size() > terms.mostBigCuts());
    }
}
