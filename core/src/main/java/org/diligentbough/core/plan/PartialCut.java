package org.diligentbough.core.plan;

import java.util.Comparator;
import java.util.Optional;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.LivingCrown;
import org.diligentbough.core.verdict.Cut;
import org.diligentbough.core.verdict.CutKind;
import org.diligentbough.core.verdict.CutSizing;
import org.diligentbough.core.verdict.Place;
import org.diligentbough.core.verdict.TreeFacts;

/** Where to shorten a limb that is too large for one year, so that what goes fits what the year has left. */
final class PartialCut {
    private static final int STEPS = 60;
    /** A side branch is cut back to if that takes at least this share of what could be taken. */
    private static final double WORTH_A_BRANCH = 0.5;

    private final TreeFacts facts;
    private final LivingCrown crown;
    private final YearBudget budget;
    private final CutSizing sizing;
    private final double most;

    /** @param most share of the crown as surveyed that may go with it at most, 0 to 1 */
    PartialCut(TreeFacts facts, LivingCrown crown, YearBudget budget, double most) {
        this.most = most;
        this.facts = facts;
        this.crown = crown;
        this.budget = budget;
        this.sizing = new CutSizing(facts);
    }

    /** The cut that takes most and still fits; empty when none does. */
    Optional<Cut> of(Limb limb) {
        double leastM = facts.leastKeptM(limb);
        int fits = STEPS;
        int tooMuch = -1;
        // The further out, the less goes and the thinner the wood: halving finds the lowest place that fits.
        while (fits - tooMuch > 1) {
            int step = (fits + tooMuch) / 2;
            if (fits(limb, heading(limb, leastM, step))) {
                fits = step;
            } else {
                tooMuch = step;
            }
        }
        if (fits == STEPS) {
            return Optional.empty();
        }
        Cut heading = heading(limb, leastM, fits);
        double alongM = heading.place().alongM();
        return Optional.of(sideBranchCut(limb, alongM, taken(limb, alongM)).orElse(heading));
    }

    private Cut heading(Limb limb, double leastM, int step) {
        return sizing.cut(limb, Place.at(CutKind.HEADING, leastM + (limb.lengthM() - leastM) * step / STEPS));
    }

    private Optional<Cut> sideBranchCut(Limb limb, double fromM, double best) {
        return facts.places().sideBranches(limb).stream()
                .filter(branch -> branch.originM() >= fromM && branch.originM() < limb.lengthM())
                .min(Comparator.comparingDouble(Limb::originM))
                .filter(branch -> taken(limb, branch.originM()) >= WORTH_A_BRANCH * best)
                .map(branch ->
                        sizing.cut(limb, Place.toSideBranch(CutKind.TO_SIDE_BRANCH, branch.originM(), branch.id())))
                .filter(cut -> fits(limb, cut));
    }

    private boolean fits(Limb limb, Cut cut) {
        double taken = taken(limb, cut.place().alongM());
        return taken <= most
                && budget.fits(budget.shareOfThisYear(taken), false)
                && (!cut.big() || budget.roomForBigCut());
    }

    private double taken(Limb limb, double alongM) {
        return crown.beyond(limb, alongM);
    }
}
