package org.diligentbough.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.LivingCrown;
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
                                (LimbVerdict limb) -> -plan.scene.branching().topM(limb.limb()))
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

    /**
     * The arms that come down in a lane now: all that wait, or as many as the year bears. Empty when it bears fewer than
     * two of several and something else was cut before, so that they had better come first another year.
     */
    List<LimbVerdict> now(List<LimbVerdict> waiting, LaneDraft lane) {
        List<LimbVerdict> turns = inTurn(waiting);
        LivingCrown crown = draft.crown.copy();
        List<LimbVerdict> fit = new ArrayList<>();
        double taken = 0;
        int big = 0;
        for (LimbVerdict arm : turns) {
            double share = lane.budget.shareOfThisYear(PlanDraft.takenOff(crown, arm));
            big += arm.cut().orElseThrow().big() ? 1 : 0;
            boolean last = fit.size() == turns.size() - 1 && turns.size() > 1;
            double most = lane.budget.left(lane.summerOnly)
                    + (last && !lane.budget.resting() ? lane.budget.terms().lastArm() : 0);
            if (taken + share > most + YearBudget.ROUNDING || big > lane.budget.roomForBigCuts()) {
                break;
            }
            taken += share;
            fit.add(arm);
        }
        boolean worthIt = fit.size() == turns.size() || fit.size() > 1 || lane.budget.taken() == 0;
        return worthIt ? fit : List.of();
    }
}
