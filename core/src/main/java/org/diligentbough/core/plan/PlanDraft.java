package org.diligentbough.core.plan;

import static org.diligentbough.core.knowledge.Figure.BUSH_RENEWAL_SHARE;
import static org.diligentbough.core.knowledge.Figure.FIG_LIMB_TURNS;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.plan.RenovationPlan.PlannedCut;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.LivingCrown;
import org.diligentbough.core.verdict.Cut;
import org.diligentbough.core.verdict.CutKind;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Scene;
import org.diligentbough.core.verdict.Verdict;

/** A plan while it is made: what waits, what was placed, and the crown that is left. */
final class PlanDraft {
    final Map<String, LimbVerdict> waiting = new LinkedHashMap<>();
    final List<LaneDraft> lanes = new ArrayList<>();
    final LivingCrown crown;
    /** What was put into lanes, in the order in which it was. */
    final List<PlannedCut> made = new ArrayList<>();

    private final ToPlan tree;
    private final Scene scene;
    private final Map<String, LimbVerdict> verdicts;
    private final ByHand byHand;
    private final PruningYear first;
    /** Where limbs are cut so far, m along them; 0 when removed. */
    private final Map<String, Double> cutAtM = new HashMap<>();

    PlanDraft(ToPlan tree) {
        this.tree = tree;
        this.scene = tree.scene;
        this.verdicts = tree.verdicts;
        this.byHand = tree.byHand;
        this.first = tree.years.first();
        this.crown = new LivingCrown(scene.branching(), scene.shares());
        waiting.putAll(verdicts);
    }

    /** What a limb grows from that is to be removed some time: what has a cut of its own there cannot be put off past that. */
    Optional<Limb> goesWith(Limb limb) {
        Optional<Limb> parent = scene.branching().parentOf(limb);
        boolean goes = parent.map(Limb::id)
                .map(verdicts::get)
                .filter(verdict -> verdict.verdict() == Verdict.REMOVE)
                .isPresent();
        return goes ? parent : parent.flatMap(this::goesWith);
    }

    /** Whether what a limb grows from still stands where it grows. */
    boolean stands(Limb limb) {
        Optional<Limb> parent = scene.branching().parentOf(limb);
        return parent.isEmpty()
                || stands(parent.get())
                        && limb.originM() <= cutAtM.getOrDefault(parent.get().id(), Double.MAX_VALUE)
                        && cutAtM.getOrDefault(parent.get().id(), Double.MAX_VALUE) > 0;
    }

    /** Whether taking a limb takes a whole leader or stem with a large part of the crown: little else goes that year. */
    boolean wholeLimb(LimbVerdict limb, Verdict kind) {
        return kind == Verdict.REMOVE && tree.wholeLimb(limb);
    }

    /** Main branches of a bush that go in a year; limbs of a fig renewed one by one. */
    int renewalsPerYear() {
        int mains = (int) scene.branching().onTrunk().stream()
                .filter(scene.branching()::living)
                .filter(limb -> waiting.containsKey(limb.id()) || !wasRemoved(limb))
                .count();
        return switch (scene.traits().group()) {
            case BRANCH_BUSH -> Math.max(1, (int) (mains * scene.figure(BUSH_RENEWAL_SHARE) + 1e-9));
            case STEM_BUSH -> Math.max(1, (int) Math.round(mains * scene.figure(BUSH_RENEWAL_SHARE)));
            case FIG ->
                scene.survey().site().policy().fig() == Policy.Fig.BY_LIMB
                        ? (int) Math.ceil(mains / scene.figure(FIG_LIMB_TURNS))
                        : Integer.MAX_VALUE;
            default -> Integer.MAX_VALUE;
        };
    }

    /** Whether a limb was taken in an earlier year than the one being filled; what goes this year still counts. */
    private boolean wasRemoved(Limb limb) {
        return lanes.stream()
                .flatMap(lane -> lane.cuts.stream())
                .anyMatch(cut -> cut.kind() == Verdict.REMOVE && cut.limb().equals(limb.id()));
    }

    double shareOf(LimbVerdict limb, YearBudget budget) {
        LivingCrown tried = crown.copy();
        double taken = limb.verdict() == Verdict.BEND
                ? 0
                : limb.verdict() == Verdict.REMOVE
                        ? tried.remove(limb.limb())
                        : tried.shorten(
                                limb.limb(), limb.cut().orElseThrow().place().alongM());
        return budget.shareOfThisYear(taken);
    }

    /** Takes a cut into a lane and off the crown. */
    void put(LimbVerdict limb, Verdict kind, Cut cut, LaneDraft lane, List<Reason> reasons, boolean movedHere) {
        double share = 0;
        double cropBefore = tree.crop.on(crown);
        if (kind == Verdict.REMOVE) {
            share = lane.budget.shareOfThisYear(crown.remove(limb.limb()));
            cutAtM.put(limb.limb().id(), 0.0);
        } else if (kind == Verdict.SHORTEN) {
            share = lane.budget.shareOfThisYear(
                    crown.shorten(limb.limb(), cut.place().alongM()));
            cutAtM.put(limb.limb().id(), cut.place().alongM());
        }
        boolean moved = movedHere
                || goesWith(limb.limb()).isPresent()
                        && byHand.pin(limb.limb().id(), kind)
                                .filter(pin -> !pin.kept())
                                .isPresent();
        List<Reason> breaks = moved ? breaks(limb, kind, cut, share, lane) : List.of();
        lane.budget.take(limb.limb(), cut, share, lane.summerOnly, wholeLimb(limb, kind), byHand.hasToBe(limb));
        if (cut.kind() == CutKind.RENEWAL) {
            lane.budget.renewed();
        }
        if (!breaks.isEmpty() && lane.budget.overrun() && lane.overrun.isEmpty()) {
            lane.overrun = Optional.of(scene.reason(ReasonCode.OVERRUN_BY_HAND, lane.budget.taken()));
        } else if (moved && lane.budget.overrun() && lane.overrun.isEmpty()) {
            lane.overrun = Optional.of(scene.reason(
                    limb.urgent() ? ReasonCode.OVERRUN_URGENT : ReasonCode.OVERRUN_DISEASED, lane.budget.taken()));
        }
        List<Reason> said = new ArrayList<>(reasons);
        if (moved) {
            said.addAll(byHand.notes(lane));
        }
        PlannedCut planned = new PlannedCut(
                limb.limb().id(),
                kind,
                share,
                cropBefore - tree.crop.on(crown),
                cut,
                said,
                moved && !byHand.kept(limb, kind),
                breaks);
        lane.cuts.add(planned);
        made.add(planned);
    }

    private List<Reason> breaks(LimbVerdict limb, Verdict kind, Cut cut, double share, LaneDraft lane) {
        return goesWith(limb.limb())
                .filter(parent -> !byHand.kept(limb, kind))
                .map(parent -> List.of(scene.reason(ReasonCode.BREAKS_PARENT, parent.id())))
                .orElseGet(
                        () -> byHand.breaks(limb, cut, share, lane, first, renewalsPerYear(), wholeLimb(limb, kind)));
    }
}
