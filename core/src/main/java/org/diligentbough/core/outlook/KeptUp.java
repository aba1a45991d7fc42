package org.diligentbough.core.outlook;

import static org.diligentbough.core.knowledge.Figure.*;

import java.util.Comparator;
import java.util.List;
import java.util.Set;
import org.diligentbough.core.outlook.Crown.Lit;
import org.diligentbough.core.outlook.Treatments.Work;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.Limb;

/**
 * What keeps a tree as the plan made it: each year, as far as the year's allowance goes beyond the plan's own cuts, what
 * grew is taken, what stands above the height wanted comes down, and small wood is thinned where the crown is dark. The limits here are own assumptions.
 */
final class KeptUp {
    /** Part of the fruiting wood in light from which small wood is not thinned further. */
    private static final double LIGHT_ENOUGH = 0.6;
    /** From when what stands too high comes down though the plan still has cuts, years. */
    private static final int LOWERED_FROM_YEAR = 3;
    /** Wood that stands so little above the height wanted is left, m. */
    private static final double SCARCELY_M = 0.05;

    private final Crown crown;
    private final Cutting cutting;

    KeptUp(Crown crown, Cutting cutting) {
        this.crown = crown;
        this.cutting = cutting;
    }

    /**
     * One year's keeping.
     *
     * @param share of the crown the plan's cuts took this year, 0 to 1
     * @param work of the year
     * @param age years since it was surveyed
     * @param light in which the year began
     * @return share of the crown taken besides, 0 to 1
     */
    double year(double share, Work work, int age, Lit light) {
        double leafM2 = crown.leafM2();
        double allowed = crown.tree.facts().traits().hasAllowance()
                ? crown.tree.facts().usualAllowance()
                : crown.figure(OUTLOOK_BUSH_ALLOWANCE);
        double leftM2 = Math.max(0, allowed - share) * leafM2;
        double budgetM2 = leftM2;
        budgetM2 -= takeGrowth(budgetM2);
        // While the plan goes on its own cuts come first; what it leaves too high does not wait for its end for ever.
        boolean done = work.cuts().isEmpty() && work.later().isEmpty();
        if (done || age >= LOWERED_FROM_YEAR) {
            budgetM2 -= lower(budgetM2, work.later());
        }
        if (done && inLight(light) < LIGHT_ENOUGH) {
            double leastM2 = crown.figure(OUTLOOK_THINNED_LEAST) * crown.notEnteredAtFirstM2;
            double thinned = Math.max(0, Math.min(budgetM2, crown.notEnteredM2 - leastM2));
            cutting.thin(thinned);
            budgetM2 -= thinned;
        }
        return leafM2 > 0 ? (leftM2 - budgetM2) / leafM2 : 0;
    }

    /** A young tree is let grow to the height wanted; from others what they grew is taken. Returns leaf taken, m2. */
    private double takeGrowth(double budgetM2) {
        if (crown.tree.facts().young()) {
            crown.woods.values().forEach(GrowingLimb::keepAsItIs);
            crown.notEnteredKeptM2 = crown.notEnteredM2;
            return 0;
        }
        double grown = Math.max(0, crown.notEnteredM2 - crown.notEnteredKeptM2);
        for (GrowingLimb wood : crown.woods.values()) {
            grown += wood.stands() ? Math.max(0, wood.leafM2 - wood.keptLeafM2) : 0;
        }
        if (grown <= 0) {
            return 0;
        }
        double part = Math.min(1, budgetM2 / grown);
        for (GrowingLimb wood : crown.woods.values()) {
            if (wood.stands()) {
                wood.leafM2 = Math.max(0, wood.leafM2 - part * Math.max(0, wood.leafM2 - wood.keptLeafM2));
                double shorterM = part * Math.max(0, wood.lengthM - wood.keptLengthM);
                boolean whole = !wood.shortened();
                // Rounding must not leave a side limb past the tip it grows at.
                wood.lengthM = Math.max(Math.min(wood.lengthM, wood.keptLengthM), wood.lengthM - shorterM);
                wood.reachM = whole ? Math.max(wood.lengthM, wood.furthestSideM) : wood.reachM;
            }
        }
        crown.notEnteredM2 -= part * Math.max(0, crown.notEnteredM2 - crown.notEnteredKeptM2);
        return part * grown;
    }

    /** Limbs above the height wanted come down to it, the highest first; returns leaf taken, m2. */
    private double lower(double budgetM2, Set<String> later) {
        if (crown.tree.facts().tree().targetHeightM().isEmpty()) {
            return 0;
        }
        double wantedM = crown.wantedM();
        Branching branching = crown.branching();
        List<GrowingLimb> high = crown.woods.values().stream()
                .filter(wood -> wood.stands() && crown.topOf(wood, branching) > wantedM + SCARCELY_M)
                .filter(wood -> !laterCut(wood.limb, branching, later))
                .sorted(Comparator.comparingDouble((GrowingLimb wood) -> -crown.topOf(wood, branching)))
                .toList();
        double taken = 0;
        for (GrowingLimb wood : high) {
            if (taken >= budgetM2 || !wood.stands()) {
                continue;
            }
            double leftM2 = budgetM2 - taken;
            double baseM = branching.baseOfLimb(wood.limb).upM();
            double rise = Math.sin(Math.toRadians(wood.angleDeg));
            double alongM = rise <= 0 || baseM >= wantedM ? 0 : (wantedM - baseM) / rise;
            taken += alongM <= 0 ? drop(wood, leftM2, branching) : bring(wood, alongM, leftM2, branching);
        }
        return taken;
    }

    /** A limb that leaves above the height wanted goes, when there is so much left. */
    private double drop(GrowingLimb wood, double leftM2, Branching branching) {
        return wood.leafM2 > leftM2
                ? bring(wood, wood.lengthM / 2, leftM2, branching)
                : cutting.remove(wood, branching);
    }

    /** Brings a limb down to a place, or as far towards it as the year allows. */
    private double bring(GrowingLimb wood, double alongM, double leftM2, Branching branching) {
        double beyondM2 = wood.leafM2 * wood.leafBeyond(alongM, crown.extent(wood));
        double part = beyondM2 > leftM2 ? leftM2 / beyondM2 : 1;
        double toM = wood.lengthM - part * (wood.lengthM - alongM);
        double taken = cutting.shorten(wood, toM, branching);
        wood.keepAsItIs();
        return taken;
    }

    private static boolean laterCut(Limb limb, Branching branching, Set<String> later) {
        return later.contains(limb.id())
                || branching
                        .parentOf(limb)
                        .map(parent -> laterCut(parent, branching, later))
                        .orElse(false);
    }

    private double inLight(Lit light) {
        double leaf = 0;
        double lit = 0;
        for (GrowingLimb wood : crown.woods.values()) {
            if (wood.stands() && light.on(wood) != null) {
                leaf += wood.leafM2;
                lit += wood.leafM2 * light.on(wood).enough();
            }
        }
        return leaf > 0 ? lit / leaf : 1;
    }
}
