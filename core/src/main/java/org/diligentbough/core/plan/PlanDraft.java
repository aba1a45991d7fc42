package org.diligentbough.core.plan;

import static org.diligentbough.core.knowledge.Figure.BUSH_RENEWAL_SHARE;
import static org.diligentbough.core.knowledge.Figure.FIG_LIMB_SHARE;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.plan.RenovationPlan.PlannedCut;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.LivingCrown;
import org.diligentbough.core.verdict.Cut;
import org.diligentbough.core.verdict.CutKind;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Rule;
import org.diligentbough.core.verdict.TreeFacts;
import org.diligentbough.core.verdict.Verdict;

/** A plan while it is made: what waits, what was placed, and the crown that is left. */
final class PlanDraft {
    final Map<String, LimbVerdict> waiting = new LinkedHashMap<>();
    final List<LaneDraft> lanes = new ArrayList<>();
    final LivingCrown crown;
    /** What was put into lanes, in the order in which it was. */
    final List<PlannedCut> made = new ArrayList<>();

    private final PlanningCase tree;
    private final TreeFacts facts;
    private final Map<String, LimbVerdict> verdicts;
    private final Moves moves;
    private final RuleBreaks breaks;
    /** Where limbs are cut so far, m along them, by their number; 0 when removed. */
    private final double[] cutAtM;

    PlanDraft(PlanningCase tree) {
        this.tree = tree;
        this.facts = tree.facts;
        this.verdicts = tree.verdicts;
        this.moves = tree.moves;
        this.breaks = new RuleBreaks(tree);
        this.crown = new LivingCrown(facts.branching(), facts.shares());
        this.cutAtM = new double[facts.branching().outwards().size()];
        Arrays.fill(cutAtM, Double.MAX_VALUE);
        waiting.putAll(verdicts);
    }

    /** What a limb grows from that is to be removed some time: what has a cut of its own there cannot be put off past that. */
    Optional<Limb> goesWith(Limb limb) {
        Optional<Limb> parent = facts.branching().parentOf(limb);
        boolean goes = parent.map(Limb::id)
                .map(verdicts::get)
                .filter(verdict -> verdict.verdict() == Verdict.REMOVE)
                .isPresent();
        return goes ? parent : parent.flatMap(this::goesWith);
    }

    /** Whether what a limb grows from still stands where it grows. */
    boolean stands(Limb limb) {
        Branching branching = facts.branching();
        int number = branching.number(limb.id());
        for (int parent = branching.parentOf(number); parent >= 0; parent = branching.parentOf(number)) {
            if (cutAtM[parent] == 0 || branching.originM(number) > cutAtM[parent]) {
                return false;
            }
            number = parent;
        }
        return true;
    }

    /** Whether taking a limb takes a whole leader or stem with a large part of the crown: little else goes that year. */
    boolean wholeLimb(LimbVerdict limb, Verdict kind) {
        return kind == Verdict.REMOVE && tree.wholeLimb(limb);
    }

    /** Main branches of a bush that go in a year; limbs of a fig renewed one by one. */
    int renewalsPerYear() {
        int mains = (int) facts.branching().onTrunk().stream()
                .filter(facts.branching()::living)
                .filter(limb -> waiting.containsKey(limb.id()) || !wasRemoved(limb))
                .count();
        return switch (facts.traits().group()) {
            case BRANCH_BUSH -> Math.max(1, (int) (mains * facts.figure(BUSH_RENEWAL_SHARE) + 1e-9));
            case STEM_BUSH -> Math.max(1, (int) Math.round(mains * facts.figure(BUSH_RENEWAL_SHARE)));
            case FIG ->
                facts.survey().site().policy().fig() == Policy.Fig.BY_LIMB
                        ? Math.max(1, (int) (mains * facts.figure(FIG_LIMB_SHARE) + 1e-9))
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

    /** The branch a limb is lowered to, where that still stands too high and waits to be shortened with it. */
    Optional<LimbVerdict> takesOver(LimbVerdict lowered) {
        return lowered.cut()
                .flatMap(cut -> cut.place().sideBranch())
                .map(waiting::get)
                .filter(branch ->
                        branch.verdict() == Verdict.SHORTEN && branch.rule().equals(Optional.of(Rule.TOO_HIGH)));
    }

    double shareOf(LimbVerdict limb, YearBudget budget) {
        return limb.verdict() == Verdict.BEND ? 0 : budget.shareOfThisYear(takes(limb));
    }

    private double takes(LimbVerdict limb) {
        return limb.verdict() == Verdict.REMOVE
                ? crown.on(limb.limb())
                : crown.beyond(limb.limb(), limb.cut().orElseThrow().place().alongM());
    }

    /** Takes a cut into a lane and off the crown. */
    void put(LimbVerdict limb, Verdict kind, Cut cut, LaneDraft lane, List<Reason> reasons, boolean movedHere) {
        double cropBefore = tree.crop.on(crown);
        double share = lane.budget.shareOfThisYear(
                kind.takenFrom(crown, limb.limb(), cut.place().alongM()));
        if (kind != Verdict.BEND) {
            cutAtM[facts.branching().number(limb.tag())] =
                    kind == Verdict.REMOVE ? 0 : cut.place().alongM();
        }
        boolean moved = movedHere
                || goesWith(limb.limb()).isPresent()
                        && moves.pin(limb.tag(), kind)
                                .filter(pin -> !pin.kept())
                                .isPresent();
        List<Reason> broken = moved ? broken(limb, kind, cut, share, lane) : List.of();
        if (!tree.ownWork(limb)) {
            lane.budget.take(limb, cut, share, lane.summerOnly, wholeLimb(limb, kind), tree.hasToBe(limb));
        }
        if (cut.kind() == CutKind.RENEWAL) {
            lane.budget.renewed();
        }
        if (moved && lane.budget.overrun() && lane.overrun.isEmpty()) {
            lane.overrun = Optional.of(facts.reason(
                    !broken.isEmpty()
                            ? ReasonCode.OVERRUN_BY_HAND
                            : limb.urgent() ? ReasonCode.OVERRUN_URGENT : ReasonCode.OVERRUN_DISEASED,
                    lane.budget.taken()));
        }
        List<Reason> said = new ArrayList<>(reasons);
        if (moved) {
            said.addAll(moves.notes(lane));
        }
        PlannedCut planned = new PlannedCut(
                limb.tag(),
                kind,
                share,
                cropBefore - tree.crop.on(crown),
                cut,
                said,
                moved && !moves.kept(limb, kind),
                broken);
        lane.cuts.add(planned);
        made.add(planned);
    }

    private List<Reason> broken(LimbVerdict limb, Verdict kind, Cut cut, double share, LaneDraft lane) {
        return goesWith(limb.limb())
                .filter(parent -> !moves.kept(limb, kind))
                .map(parent -> List.of(facts.reason(ReasonCode.BREAKS_PARENT, parent.id())))
                .orElseGet(() -> breaks.of(limb, cut, share, lane, renewalsPerYear(), wholeLimb(limb, kind)));
    }
}
