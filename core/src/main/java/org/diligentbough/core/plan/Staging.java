package org.diligentbough.core.plan;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.plan.RenovationPlan.PlannedCut;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.verdict.Cut;
import org.diligentbough.core.verdict.CutSizing;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Place;
import org.diligentbough.core.verdict.TreeFacts;
import org.diligentbough.core.verdict.Verdict;

/** Limbs larger than any year's allowance, or asked to be split: shortened one year, removed in a later one. */
final class Staging {
    private final PlanningCase plan;
    private final TreeFacts facts;
    private final PlanDraft draft;
    private final Moves moves;
    private final CutSizing sizing;
    /** Limbs that were shortened to be removed, with the year in which they were. */
    private final Map<Limb, Integer> toFinish = new LinkedHashMap<>();

    Staging(PlanningCase plan, PlanDraft draft) {
        this.plan = plan;
        this.facts = plan.facts;
        this.draft = draft;
        this.moves = plan.moves;
        this.sizing = new CutSizing(facts);
    }

    /** Whether a limb is too large for any year, or was asked to be split, so that it goes in two. */
    boolean inTwo(LimbVerdict limb) {
        return moves.split(limb) || plan.tooLargeForAYear(limb);
    }

    /** Shortens the first of these limbs that is larger than any year's allowance, as far as this year's allows. */
    boolean one(List<LimbVerdict> waiting, LaneDraft lane) {
        if (lane.summerOnly || lane.budget.allowance().isEmpty()) {
            return false;
        }
        double full = facts.usualAllowance();
        for (LimbVerdict limb : waiting) {
            boolean tooLarge = moves.split(limb) || draft.shareOf(limb, lane.budget) > full + YearBudget.ROUNDING;
            if (limb.verdict() == Verdict.BEND || !tooLarge) {
                continue;
            }
            Optional<Cut> step = step(limb, lane);
            if (step.isPresent()) {
                shorten(limb, step.get(), lane, false);
                return true;
            }
        }
        return false;
    }

    /** Where a limb is shortened on its way out; one that would fit a year but was asked to be split by about half. */
    Optional<Cut> step(LimbVerdict limb, LaneDraft lane) {
        double most = moves.split(limb) ? draft.crown.on(limb.limb()) / 2 : 1;
        return new PartialCut(facts, draft.crown, lane.budget, most).of(limb.limb());
    }

    void shorten(LimbVerdict limb, Cut cut, LaneDraft lane, boolean moved) {
        boolean kept = moves.kept(limb, Verdict.SHORTEN);
        boolean removal = limb.verdict() == Verdict.REMOVE
                && (!kept || moves.pin(limb.tag(), Verdict.REMOVE).isPresent());
        ReasonCode why = moves.split(limb)
                ? ReasonCode.SPLIT_BY_HAND
                : removal
                        ? ReasonCode.STAGED_FIRST
                        : limb.verdict() == Verdict.REMOVE ? ReasonCode.KEPT_SHORTENS : ReasonCode.STAGED_STEP;
        draft.put(limb, Verdict.SHORTEN, cut, lane, List.of(facts.reason(why)), moved);
        draft.waiting.remove(limb.tag());
        if (removal) {
            toFinish.put(limb.limb(), lane.budget.year().year());
        }
    }

    /** Removes what a year before only shortened, before anything else is placed. */
    void finish(LaneDraft lane) {
        if (lane.summerOnly || lane.budget.resting()) {
            return;
        }
        for (Limb limb : List.copyOf(toFinish.keySet())) {
            double share = lane.budget.shareOfThisYear(draft.crown.on(limb));
            Cut cut = sizing.cut(limb, Place.collar());
            boolean itsTime = begunBefore(limb, lane)
                    && moves.pin(limb.id(), Verdict.REMOVE)
                            .filter(pin -> pin.year() > lane.budget.year().year())
                            .isEmpty();
            if (itsTime && lane.budget.fits(share, false) && (!cut.big() || lane.budget.roomForBigCut())) {
                remove(limb, lane, false);
            }
        }
    }

    /** Whether a limb was shortened on its way out in a year before this lane's. */
    boolean begunBefore(Limb limb, LaneDraft lane) {
        return toFinish.getOrDefault(limb, Integer.MAX_VALUE)
                < lane.budget.year().year();
    }

    void remove(Limb limb, LaneDraft lane, boolean moved) {
        draft.put(
                plan.verdicts.get(limb.id()),
                Verdict.REMOVE,
                sizing.cut(limb, Place.collar()),
                lane,
                List.of(facts.reason(ReasonCode.STAGED_SECOND)),
                moved);
        toFinish.remove(limb);
    }

    /** A limb that was shortened to be removed, but for whose removal the years planned left no room, says so. */
    void sayWhatStays(LaneDraft lane) {
        lane.cuts.replaceAll(cut -> {
            boolean unfinished =
                    toFinish.keySet().stream().anyMatch(limb -> limb.id().equals(cut.limb()));
            return unfinished
                    ? new PlannedCut(
                            cut.limb(),
                            cut.kind(),
                            cut.share(),
                            cut.crop(),
                            cut.cut(),
                            List.of(facts.reason(ReasonCode.STAGED_REST_LATER)),
                            cut.byHand(),
                            cut.breaks())
                    : cut;
        });
    }
}
