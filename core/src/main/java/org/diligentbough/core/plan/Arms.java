package org.diligentbough.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.LivingCrown;
import org.diligentbough.core.verdict.Cut;
import org.diligentbough.core.verdict.LimbVerdict;

/**
 * Limbs that come down for the tree's height come down together, so that none is left standing as a horn (common
 * practice): all at one visit where the year bears it; else the highest first with the one opposite, two or three a year.
 */
final class Arms {
    private final PlanningCase plan;
    private final PlanDraft draft;

    Arms(PlanningCase plan, PlanDraft draft) {
        this.plan = plan;
        this.draft = draft;
    }

    /** The arms among what waits, highest first, each followed by the one most opposite to it. */
    private List<LimbVerdict> inTurn(List<LimbVerdict> waiting) {
        List<LimbVerdict> left = new ArrayList<>(waiting.stream()
                .filter(plan::arm)
                .sorted(Comparator.comparingDouble(
                                (LimbVerdict limb) -> -plan.facts.branching().topM(limb.limb()))
                        .thenComparing(LimbVerdict::limb, Branching.THICKEST_FIRST))
                .toList());
        List<LimbVerdict> turns = new ArrayList<>();
        while (!left.isEmpty()) {
            LimbVerdict highest = left.remove(0);
            turns.add(highest);
            Optional<LimbVerdict> opposite = left.stream()
                    .max(Comparator.comparingDouble(other -> Branching.apartDeg(
                            highest.limb().azimuthDeg(), other.limb().azimuthDeg())));
            opposite.ifPresent(other -> {
                left.remove(other);
                turns.add(other);
            });
        }
        return turns;
    }

    /** An arm with its cut, and whether that lies a little further out than its verdict has it. */
    record Lowered(LimbVerdict limb, Cut cut, boolean smallerStep) {}

    /**
     * The arms that come down in a lane now: all that wait; else all by a smaller step, if that still ends at the height
     * wanted; else as many as the year bears, in a summer lane none. Empty when the year bears fewer than two of several
     * and something else was cut before, so that they had better come first another year.
     */
    List<Lowered> now(List<LimbVerdict> waiting, LaneDraft lane) {
        List<LimbVerdict> turns = inTurn(waiting);
        List<Lowered> whole = turns.stream().map(plan.armSteps::whole).toList();
        List<Lowered> fit = fitting(whole, lane);
        if (fit.size() == whole.size()) {
            return fit;
        }
        Optional<List<Lowered>> smaller = smaller(turns, lane);
        if (smaller.isPresent()) {
            return smaller.get();
        }
        boolean some = !lane.summerOnly && (fit.size() > 1 || lane.budget.taken() == 0);
        return some ? fit : List.of();
    }

    /** As many, from the first on, as the lane's year bears. */
    private List<Lowered> fitting(List<Lowered> turns, LaneDraft lane) {
        LivingCrown crown = draft.crown.copy();
        List<Lowered> fit = new ArrayList<>();
        double taken = 0;
        int big = 0;
        for (Lowered arm : turns) {
            double share = lane.budget.shareOfThisYear(
                    crown.shorten(arm.limb().limb(), arm.cut().place().alongM()));
            // What it is lowered to is shortened with it, unless a year bears no more than the one.
            share += fit.isEmpty()
                    ? 0
                    : draft.takesOver(arm.limb())
                            .map(branch -> lane.budget.shareOfThisYear(crown.shorten(
                                    branch.limb(),
                                    branch.cut().orElseThrow().place().alongM())))
                            .orElse(0.0);
            big += arm.cut().big() ? 1 : 0;
            boolean last = fit.size() == turns.size() - 1 && turns.size() > 1;
            double most = lane.budget.left(lane.summerOnly) + (last ? lane.budget.lastArm() : 0);
            if (taken + share > most + YearBudget.ROUNDING || big > lane.budget.roomForBigCuts()) {
                break;
            }
            taken += share;
            fit.add(arm);
        }
        return fit;
    }

    /** All of them cut a little further out, at most to the height wanted itself; empty when that is not enough. */
    private Optional<List<Lowered>> smaller(List<LimbVerdict> turns, LaneDraft lane) {
        for (int step = 1; step <= ArmSteps.SMALLER; step++) {
            int smaller = step;
            List<Lowered> tried = turns.stream()
                    .map(arm -> plan.armSteps.smaller(arm, smaller))
                    .toList();
            if (fitting(tried, lane).size() == tried.size()) {
                return Optional.of(tried);
            }
        }
        return Optional.empty();
    }
}
