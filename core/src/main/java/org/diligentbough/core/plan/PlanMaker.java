package org.diligentbough.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.plan.RenovationPlan.NotPlaced;
import org.diligentbough.core.plan.RenovationPlan.PlannedCut;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.verdict.Cut;
import org.diligentbough.core.verdict.CutKind;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Rule;
import org.diligentbough.core.verdict.TreeFacts;
import org.diligentbough.core.verdict.Triage;
import org.diligentbough.core.verdict.Verdict;

/**
 * Makes one plan: what is urgent at once; then dead, diseased and broken wood and a stem of a fork; then the other cuts as
 * {@link Turn} gives them their turn, within each year's allowance and big cuts and in the species' windows; then counted
 * shoots, never before a strategic cut; then the ordinary cutting of a tree that is kept. Whatever finds no place is listed
 * with the reason.
 */
final class PlanMaker {
    private final PlanningCase plan;
    private final TreeFacts facts;
    private final Moves moves;
    private final PlanDraft draft;
    private final Staging staging;
    private final Arms arms;
    private final KindTasks kindTasks;
    private final Turn turn;
    /** What waits, in the order of the turns. */
    private final List<LimbVerdict> turns;

    /** Whose turn it is among cuts that fit a lane. */
    interface Turn {
        /**
         * All cuts in the order in which they are looked at.
         *
         * @param cuts in common order
         */
        default List<LimbVerdict> inOrder(List<LimbVerdict> cuts) {
            return cuts;
        }

        /**
         * The one whose turn it is; empty when none fits.
         *
         * @param fitting cuts that fit the lane and are not held back, in that order, each looked at only when asked for
         * @param made the cuts placed so far
         */
        Optional<LimbVerdict> next(Stream<LimbVerdict> fitting, LaneDraft lane, List<PlannedCut> made);

        /** Whether a cut is to wait for a later year than the lane's. */
        default boolean heldBack(LimbVerdict limb, LaneDraft lane) {
            return false;
        }
    }

    PlanMaker(PlanningCase plan, Turn turn) {
        this.plan = plan;
        this.facts = plan.facts;
        this.moves = plan.moves;
        this.turn = turn;
        this.draft = new PlanDraft(plan);
        this.staging = new Staging(plan, draft);
        this.arms = new Arms(plan, draft);
        this.kindTasks = new KindTasks(plan);
        this.turns = new ArrayList<>(turn.inOrder(List.copyOf(plan.verdicts.values())));
    }

    /** The plan over {@code wanted} pruning years, one at least, from the first in which the tree can still be cut. */
    RenovationPlan plan(int wanted) {
        PruningYear now = plan.years.now();
        int last = moves.lastYear(plan.years.first().year() + wanted - 1);
        Optional<YearBudget> before = Optional.empty();
        for (PruningYear year = now; year.year() <= last; year = year.plus(1)) {
            YearBudget budget = plan.years.budget(year, draft.crown.left(), before);
            year(budget, year.equals(now));
            before = Optional.of(budget);
        }
        draft.lanes.forEach(staging::sayWhatStays);
        List<NotPlaced> notPlaced = draft.waiting.values().stream()
                .map(limb -> new NotPlaced(limb.tag(), whyNot(limb, wanted)))
                .toList();
        return new RenovationPlan(
                wanted,
                Optional.empty(),
                draft.lanes.stream()
                        .sorted(Comparator.comparing(
                                        (LaneDraft lane) -> lane.budget.year().year())
                                .thenComparing(lane -> lane.season != Season.ANY)
                                .thenComparing(lane -> lane.opens))
                        .map(lane -> lane.lane(plan.places))
                        .toList(),
                notPlaced);
    }

    private void year(YearBudget budget, boolean first) {
        LaneDraft anySeason = LaneDraft.anySeason(budget);
        placeKeptAnySeason(anySeason);
        placeAnySeason(anySeason, first);
        List<LaneDraft> byRule = plan.years.of(budget, bendsWait(), toppingWaits());
        List<LaneDraft> ofYear = new ArrayList<>(byRule);
        placeByHand(anySeason, ofYear);
        if (!anySeason.empty()) {
            draft.lanes.add(anySeason);
        }
        byRule.stream().filter(LaneDraft::main).findFirst().ifPresent(this::placeWhatHasToBe);
        byRule.stream()
                .sorted(Comparator.comparing(
                        (LaneDraft lane) -> !(lane.summerOnly && plan.years.summerFirst(lane.budget.year()))))
                .forEach(this::fill);
        ofYear.addAll(kindTasks.place(budget, byRule, first));
        for (LaneDraft lane : ofYear) {
            if (byRule.contains(lane)) {
                fillBends(lane);
                placeDetail(lane);
            }
            if (!lane.empty()) {
                draft.lanes.add(lane);
            }
        }
        if (!(first && plan.years.upkeepDone())) {
            placeUpkeep(budget, byRule);
        }
        sayWhatWentOver(budget);
        sayWhatIsBeside(budget);
    }

    /** The kind's yearly work stands beside the allowance; where a year comes to more than that by it, it is said. */
    private void sayWhatIsBeside(YearBudget budget) {
        List<LaneDraft> ofYear = draft.lanes.stream()
                .filter(lane -> lane.budget == budget && !lane.cuts.isEmpty())
                .toList();
        double all = ofYear.stream()
                .flatMap(lane -> lane.cuts.stream())
                .mapToDouble(PlannedCut::share)
                .sum();
        boolean over = budget.allowance().isPresent()
                && all > budget.allowance().getAsDouble() + YearBudget.ROUNDING
                && ofYear.stream().allMatch(lane -> lane.overrun.isEmpty())
                && ofYear.stream()
                        .flatMap(lane -> lane.cuts.stream())
                        .anyMatch(cut -> plan.ownWork(plan.verdicts.get(cut.limb())));
        if (over) {
            ofYear.get(ofYear.size() - 1).overrun = Optional.of(facts.reason(ReasonCode.OVERRUN_OWN_WORK, all));
        }
    }

    /** The ordinary cutting of a tree that is kept, in its main window; what is planned of that year is part of it. */
    private void placeUpkeep(YearBudget budget, List<LaneDraft> byRule) {
        Optional<LaneDraft> main = byRule.stream().filter(LaneDraft::main).findFirst();
        if (plan.tree.triage() != Triage.MAINTAIN || main.isEmpty()) {
            return;
        }
        LaneDraft lane = main.get();
        int planned = draft.lanes.stream()
                .filter(other -> other.budget == budget)
                .mapToInt(LaneDraft::minutes)
                .sum();
        lane.upkeepMinutes = Math.max(0, Upkeep.personMinutes(facts) - planned);
        if (lane.upkeepMinutes > 0 && !draft.lanes.contains(lane)) {
            draft.lanes.add(lane);
        }
    }

    /** A year that goes over its allowance says so once at least; what is small besides a stem can tip it over. */
    private void sayWhatWentOver(YearBudget budget) {
        List<LaneDraft> ofYear =
                draft.lanes.stream().filter(lane -> lane.budget == budget).toList();
        if (budget.overrun() && !ofYear.isEmpty() && ofYear.stream().allMatch(lane -> lane.overrun.isEmpty())) {
            LaneDraft last = ofYear.get(ofYear.size() - 1);
            last.overrun = Optional.of(facts.reason(
                    budget.wholeLimbGoes() ? ReasonCode.OVERRUN_STEM : ReasonCode.OVERRUN_DISEASED, budget.taken()));
        }
    }

    /** What the plan that is kept has on any day, before the rules take off what it grows from. */
    private void placeKeptAnySeason(LaneDraft lane) {
        if (moves.none()) {
            return;
        }
        for (LimbVerdict limb : inwards()) {
            pinOf(limb)
                    .filter(pin -> pin.kept() && pin.season() == Season.ANY)
                    .filter(pin -> pin.year() == lane.budget.year().year() && draft.stands(limb.limb()))
                    .ifPresent(pin -> placeFirstCut(limb, pin, lane));
        }
    }

    /** What waits, what grows from another limb before that. */
    private List<LimbVerdict> inwards() {
        return plan.inwards.stream()
                .filter(limb -> draft.waiting.containsKey(limb.tag()))
                .toList();
    }

    /** Urgent cuts, dead wood, shoots below the graft. The first two wait for nothing. */
    private void placeAnySeason(LaneDraft lane, boolean firstYear) {
        YearBudget budget = lane.budget;
        for (LimbVerdict limb : notMoved()) {
            boolean waitsForNothing = limb.urgent() || !facts.branching().living(limb.limb());
            boolean placed =
                    limb.anySeason() && (firstYear && waitsForNothing || !budget.resting() && fits(limb, lane));
            if (placed) {
                place(limb, lane, false);
            }
        }
        if (budget.overrun()) {
            lane.overrun = Optional.of(facts.reason(ReasonCode.OVERRUN_URGENT, budget.taken()));
        }
    }

    private boolean bendsWait() {
        return draft.waiting.values().stream().anyMatch(limb -> limb.verdict() == Verdict.BEND);
    }

    private boolean toppingWaits() {
        return draft.waiting.values().stream().anyMatch(LimbVerdict::topping);
    }

    /** What waits, stands still, and was not moved by hand to a time of its own. */
    private List<LimbVerdict> notMoved() {
        return draft.waiting.values().stream().filter(this::notMoved).toList();
    }

    private boolean notMoved(LimbVerdict limb) {
        return (moves.none() || pinOf(limb).isEmpty()) && draft.stands(limb.limb());
    }

    /** The pin that says when a limb gets its first cut. */
    private Optional<Pin> pinOf(LimbVerdict limb) {
        if (moves.none()) {
            return Optional.empty();
        }
        boolean goes = draft.goesWith(limb.limb()).isPresent();
        Optional<Pin> step = limb.verdict() == Verdict.BEND ? Optional.empty() : moves.pin(limb.tag(), Verdict.SHORTEN);
        return step.or(() -> staging.inTwo(limb) ? Optional.empty() : moves.pin(limb.tag(), limb.verdict()))
                .filter(pin -> !goes || pin.kept());
    }

    /** Puts what was moved by hand where it was moved to, whatever it breaks, and says so. */
    private void placeByHand(LaneDraft anySeason, List<LaneDraft> ofYear) {
        if (moves.none()) {
            return;
        }
        int year = anySeason.budget.year().year();
        for (LimbVerdict limb : inwards()) {
            pinOf(limb)
                    .filter(pin -> pin.year() == year && draft.stands(limb.limb()))
                    .ifPresent(pin -> placeFirstCut(limb, pin, moves.laneOf(pin, anySeason, ofYear)));
        }
        for (LimbVerdict limb : List.copyOf(plan.verdicts.values())) {
            Optional<Pin> removal =
                    staging.inTwo(limb) && draft.goesWith(limb.limb()).isEmpty()
                            ? moves.pin(limb.tag(), Verdict.REMOVE).filter(pin -> pin.year() == year)
                            : Optional.empty();
            if (removal.isPresent()) {
                placeRemoval(limb, moves.laneOf(removal.get(), anySeason, ofYear));
            }
        }
    }

    private void placeFirstCut(LimbVerdict limb, Pin pin, LaneDraft lane) {
        boolean first = pin.kind() == Verdict.SHORTEN && limb.verdict() == Verdict.REMOVE;
        Optional<Cut> step =
                KeptPlan.step(facts, limb, pin).or(() -> first ? staging.step(limb, lane) : Optional.empty());
        step.ifPresentOrElse(cut -> staging.shorten(limb, cut, lane, true), () -> place(limb, lane, true));
    }

    /** The removal of a limb too large for any year: what is left of it, or all at once if nothing was shortened before. */
    private void placeRemoval(LimbVerdict limb, LaneDraft lane) {
        if (staging.begunBefore(limb.limb(), lane)) {
            staging.remove(limb.limb(), lane, true);
        } else if (draft.waiting.containsKey(limb.tag()) && pinOf(limb).isEmpty()) {
            place(limb, lane, true);
        }
    }

    private void fill(LaneDraft lane) {
        if (!lane.topping) {
            staging.finish(lane);
        }
        if (lane.main()) {
            placeWhatHasToBe(lane);
        }
        if (lane.budget.resting()) {
            return;
        }
        Set<String> refused = new HashSet<>();
        boolean placed = true;
        while (placed) {
            Optional<LimbVerdict> next = nextFor(lane, refused);
            next.ifPresent(limb -> placeInTurn(limb, lane, refused));
            // The tips of growing shoots have a lane of their own: no large limb is begun in it.
            placed = next.isPresent() || !lane.topping && staging.one(notHeldBack(lane), lane);
        }
    }

    private List<LimbVerdict> notHeldBack(LaneDraft lane) {
        return notMoved().stream().filter(limb -> !turn.heldBack(limb, lane)).toList();
    }

    private Optional<LimbVerdict> nextFor(LaneDraft lane, Set<String> refused) {
        turns.removeIf(limb -> !draft.waiting.containsKey(limb.tag()));
        Predicate<LimbVerdict> fits = limb -> limb.verdict() != Verdict.BEND
                && !moves.split(limb)
                && !refused.contains(limb.tag())
                && mayGoInto(limb, lane)
                && notMoved(limb)
                && !takesOverLater(limb)
                && fits(limb, lane);
        Predicate<LimbVerdict> now = limb -> !turn.heldBack(limb, lane);
        // A neglected tree gets one of the cuts that change it before anything small, and none is held back for that.
        Optional<LimbVerdict> strategic = facts.untouched() && !lane.budget.sawStrategic()
                ? next(lane, limb -> limb.strategic() && now.test(limb) && fits.test(limb))
                        .or(() -> next(lane, limb -> limb.strategic() && fits.test(limb)))
                : Optional.empty();
        return strategic.or(() -> next(lane, limb -> now.test(limb) && fits.test(limb)));
    }

    private Optional<LimbVerdict> next(LaneDraft lane, Predicate<LimbVerdict> may) {
        return turn.next(turns.stream().filter(may), lane, draft.made);
    }

    private void placeInTurn(LimbVerdict limb, LaneDraft lane, Set<String> refused) {
        if (!plan.arm(limb)) {
            place(limb, lane, false);
            placeWhatTakesOver(limb, lane);
            return;
        }
        List<LimbVerdict> waiting = notHeldBack(lane).stream()
                .filter(other -> !takesOverLater(other))
                .toList();
        List<Arms.Lowered> together = arms.now(waiting, lane);
        if (together.isEmpty()) {
            waiting.stream().filter(plan::arm).map(LimbVerdict::tag).forEach(refused::add);
        }
        boolean lastArmMayGoOver = lane.budget.lastArm() > 0;
        for (Arms.Lowered arm : together) {
            List<Reason> why = arm.smallerStep() ? List.of(facts.reason(ReasonCode.ARMS_SMALLER_STEP)) : List.of();
            draft.put(arm.limb(), Verdict.SHORTEN, arm.cut(), lane, why, false);
            draft.waiting.remove(arm.limb().tag());
        }
        together.forEach(arm -> placeWhatTakesOver(arm.limb(), lane));
        double over = lane.budget.taken() - lane.budget.allowance().orElse(Double.MAX_VALUE);
        if (lastArmMayGoOver && over > YearBudget.ROUNDING && !together.isEmpty() && lane.overrun.isEmpty()) {
            lane.budget.overByArms(over);
            lane.overrun = Optional.of(facts.reason(ReasonCode.OVERRUN_LAST_ARM, lane.budget.taken()));
        }
    }

    /** The branch a limb was lowered to, where it still stands too high itself: it is shortened at the same visit. */
    private void placeWhatTakesOver(LimbVerdict lowered, LaneDraft lane) {
        draft.takesOver(lowered)
                .filter(branch -> notMoved(branch) && mayGoInto(branch, lane) && fits(branch, lane))
                .filter(branch -> lane.budget.fits(draft.shareOf(branch, lane.budget), lane.summerOnly))
                .ifPresent(branch -> {
                    place(branch, lane, false);
                    placeWhatTakesOver(branch, lane);
                });
    }

    /** Whether the limb it grows from waits to be lowered to it: then it is shortened with that, not before. */
    private boolean takesOverLater(LimbVerdict branch) {
        return facts.branching()
                .parentOf(branch.limb())
                .map(parent -> draft.waiting.get(parent.id()))
                .filter(this::notMoved)
                .flatMap(draft::takesOver)
                .filter(branch::equals)
                .isPresent();
    }

    /** A summer lane of a dormant-cut tree is for size and upright growth, topping has a lane of its own; others take anything. */
    private static boolean mayGoInto(LimbVerdict limb, LaneDraft lane) {
        if (lane.topping || limb.topping()) {
            return lane.topping && limb.topping();
        }
        if (!lane.summerOnly) {
            return true;
        }
        return limb.rule()
                .filter(rule -> rule == Rule.TOO_HIGH || rule == Rule.UPRIGHT_SHOOT || rule == Rule.UPRIGHT_UNFRUITFUL)
                .isPresent();
    }

    private boolean fits(LimbVerdict limb, LaneDraft lane) {
        if (plan.ownWork(limb)) {
            return true;
        }
        Cut cut = limb.cut().orElseThrow();
        if (cut.kind() == CutKind.RENEWAL && lane.budget.renewals() >= draft.renewalsPerYear()) {
            return false;
        }
        double share = draft.shareOf(limb, lane.budget);
        double withIt = share
                + draft.takesOver(limb)
                        .filter(this::notMoved)
                        .map(branch -> draft.shareOf(branch, lane.budget))
                        .orElse(0.0);
        if (withIt <= facts.usualAllowance()) {
            share = withIt;
        }
        double lastArm = plan.arm(limb) ? lane.budget.lastArm() : 0;
        return (!cut.big() || lane.budget.roomForBigCut())
                && lane.budget.fits(Math.max(0, share - lastArm), lane.summerOnly)
                && lane.budget.roomFor(limb)
                && (!draft.wholeLimb(limb, limb.verdict()) || lane.budget.roomForAWholeLimb(share));
    }

    private void place(LimbVerdict limb, LaneDraft lane, boolean moved) {
        draft.put(limb, limb.verdict(), limb.cut().orElseThrow(), lane, List.of(), moved);
        draft.waiting.remove(limb.tag());
    }

    /**
     * Dead, diseased and broken wood goes in the first lane there is, whatever the allowance, and it is said; so does a
     * stem of a fork, one a year.
     */
    private void placeWhatHasToBe(LaneDraft lane) {
        for (LimbVerdict limb : notMoved()) {
            if (limb.must() || plan.stemOfAFork(limb) && !lane.budget.wholeLimbGoes()) {
                place(limb, lane, false);
            }
        }
        if (lane.budget.overrun() && lane.overrun.isEmpty()) {
            boolean stem = lane.budget.wholeLimbGoes();
            lane.overrun = Optional.of(
                    facts.reason(stem ? ReasonCode.OVERRUN_STEM : ReasonCode.OVERRUN_DISEASED, lane.budget.taken()));
        }
    }

    private void fillBends(LaneDraft lane) {
        if (lane.budget.resting() || !lane.bendsHere()) {
            return;
        }
        notMoved().stream().filter(limb -> limb.verdict() == Verdict.BEND).forEach(limb -> place(limb, lane, false));
    }

    /** Counted shoots, most of them each year, for what time and allowance are left; never before a strategic cut. */
    private void placeDetail(LaneDraft lane) {
        boolean strategicWaits = facts.untouched()
                && !lane.budget.sawStrategic()
                && !lane.budget.resting()
                && draft.waiting.values().stream().anyMatch(LimbVerdict::strategic);
        if (!lane.main() || facts.traits().bush() || strategicWaits) {
            return;
        }
        int placed = draft.lanes.stream()
                .flatMap(other -> other.detail.stream())
                .mapToInt(RenovationPlan.Detail::shoots)
                .sum();
        lane.detail = plan.detail.fitting(placed, lane.budget);
        lane.detail.ifPresent(placedNow -> lane.budget.takeDetail(placedNow.share(), false));
    }

    private List<Reason> whyNot(LimbVerdict limb, int wanted) {
        if (!draft.stands(limb.limb())) {
            return List.of(
                    facts.reason(ReasonCode.BREAKS_PARENT, limb.limb().parent().orElseThrow()));
        }
        if (limb.cut().orElseThrow().kind() == CutKind.RENEWAL) {
            return List.of(facts.reason(ReasonCode.NOT_PLACED_TURN));
        }
        if (plan.tree.resting() && wanted == 1) {
            return List.of(facts.reason(ReasonCode.NOT_PLACED_REST));
        }
        if (limb.rule().filter(Rule.TOO_MANY_MAINS::equals).isPresent()) {
            return List.of(facts.reason(ReasonCode.NOT_PLACED_MAINS));
        }
        boolean big = limb.cut().orElseThrow().big();
        return List.of(facts.reason(
                big ? ReasonCode.NOT_PLACED_BIG_CUTS : ReasonCode.NOT_PLACED_ALLOWANCE, limb.crownShare()));
    }
}
