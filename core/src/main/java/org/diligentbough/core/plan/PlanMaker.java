package org.diligentbough.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.plan.RenovationPlan.NotPlaced;
import org.diligentbough.core.plan.RenovationPlan.PlannedCut;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.verdict.Cut;
import org.diligentbough.core.verdict.CutKind;
import org.diligentbough.core.verdict.CutSizing;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Place;
import org.diligentbough.core.verdict.Scene;
import org.diligentbough.core.verdict.TableRow;
import org.diligentbough.core.verdict.TreeVerdict;
import org.diligentbough.core.verdict.Verdict;

/**
 * Makes one plan: what is urgent at once; then dead and diseased wood; then the other cuts as {@link Turn} gives them
 * their turn, within each year's allowance and big cuts and in the species' windows. A limb larger than a year's
 * allowance is shortened one year and removed the next. Whatever finds no place is listed with the reason.
 */
final class PlanMaker {
    /** Places are kept to the millimetre. */
    private static final double SAME_PLACE_M = 0.0011;

    private final Scene scene;
    private final TreeVerdict tree;
    private final YearLanes years;
    private final CutSizing sizing;
    private final Map<String, LimbVerdict> verdicts;
    /** Limbs that were shortened to be removed in a later year, with the year in which they were. */
    private final Map<Limb, Integer> toFinish = new LinkedHashMap<>();

    private final ByHand byHand;
    private final DetailWork detail;
    private final ToPlan toPlan;
    private final PlanDraft draft;
    private final Turn turn;

    /** Whose turn it is among cuts that fit a lane. */
    interface Turn {
        /**
         * @param fitting cuts that fit the lane and are not held back, in common order, one at least
         * @param made the cuts placed so far
         */
        LimbVerdict next(List<LimbVerdict> fitting, LaneDraft lane, List<PlannedCut> made);

        /** Whether a cut is to wait for a later year than the lane's. */
        default boolean heldBack(LimbVerdict limb, LaneDraft lane) {
            return false;
        }
    }

    PlanMaker(ToPlan toPlan, Turn turn) {
        this.scene = toPlan.scene;
        this.tree = toPlan.tree;
        this.years = toPlan.years;
        this.byHand = toPlan.byHand;
        this.verdicts = toPlan.verdicts;
        this.detail = toPlan.detail;
        this.toPlan = toPlan;
        this.turn = turn;
        this.sizing = new CutSizing(scene);
        this.draft = new PlanDraft(toPlan);
    }

    /** The plan over {@code wanted} pruning years, one at least, from the first in which the tree can still be cut. */
    RenovationPlan plan(int wanted) {
        PruningYear now = years.now();
        int last = byHand.lastYear(years.first().year() + wanted - 1);
        for (PruningYear year = now; year.year() <= last; year = year.plus(1)) {
            YearBudget budget = years.budget(year, draft.crown.left());
            LaneDraft anySeason = LaneDraft.anySeason(budget);
            placeKeptAnySeason(anySeason);
            placeAnySeason(anySeason, year.equals(now));
            int detailYears = last - year.year() + 1;
            List<LaneDraft> byRule = years.of(budget, bendsWait());
            List<LaneDraft> ofYear = new ArrayList<>(byRule);
            placeByHand(anySeason, ofYear);
            if (!anySeason.empty()) {
                draft.lanes.add(anySeason);
            }
            byRule.stream()
                    .sorted(Comparator.comparing((LaneDraft lane) -> !(years.rank() && lane.summerOnly)))
                    .forEach(this::fill);
            for (LaneDraft lane : ofYear) {
                if (byRule.contains(lane)) {
                    fillBends(lane);
                    placeDetail(lane, detailYears);
                }
                if (!lane.empty()) {
                    draft.lanes.add(lane);
                }
            }
        }
        draft.lanes.forEach(this::sayWhatStaysStaged);
        List<NotPlaced> notPlaced = draft.waiting.values().stream()
                .map(limb -> new NotPlaced(limb.limb().id(), whyNot(limb, wanted)))
                .toList();
        return new RenovationPlan(
                wanted,
                Optional.empty(),
                draft.lanes.stream()
                        .sorted(Comparator.comparing(
                                        (LaneDraft lane) -> lane.budget.year().year())
                                .thenComparing(lane -> lane.season != Season.ANY)
                                .thenComparing(lane -> lane.opens))
                        .map(lane -> lane.lane(verdicts))
                        .toList(),
                notPlaced);
    }

    /** What the plan that is kept has on any day, before the rules take off what it grows from. */
    private void placeKeptAnySeason(LaneDraft lane) {
        for (LimbVerdict limb : inwards()) {
            pinOf(limb)
                    .filter(pin -> pin.kept() && pin.season() == Season.ANY)
                    .filter(pin -> pin.year() == lane.budget.year().year() && draft.stands(limb.limb()))
                    .ifPresent(pin -> placeFirstCut(limb, pin, lane));
        }
    }

    /** What waits, what grows from another limb before that. */
    private List<LimbVerdict> inwards() {
        return toPlan.inwards.stream()
                .filter(limb -> draft.waiting.containsKey(limb.limb().id()))
                .toList();
    }

    /** Urgent cuts, dead wood, shoots below the graft. The first two wait for nothing. */
    private void placeAnySeason(LaneDraft lane, boolean firstYear) {
        YearBudget budget = lane.budget;
        for (LimbVerdict limb : notMoved()) {
            boolean waitsForNothing = limb.urgent() || !scene.branching().living(limb.limb());
            boolean placed =
                    limb.anySeason() && (firstYear && waitsForNothing || !budget.resting() && fits(limb, lane));
            if (placed) {
                place(limb, lane, false);
            }
        }
        if (budget.overrun()) {
            lane.overrun = Optional.of(scene.reason(ReasonCode.OVERRUN_URGENT, budget.taken()));
        }
    }

    private boolean bendsWait() {
        return draft.waiting.values().stream().anyMatch(limb -> limb.verdict() == Verdict.BEND);
    }

    /** What waits, stands still, and was not moved by hand to a time of its own. */
    private List<LimbVerdict> notMoved() {
        return draft.waiting.values().stream()
                .filter(limb -> pinOf(limb).isEmpty() && draft.stands(limb.limb()))
                .toList();
    }

    /** The pin that says when a limb gets its first cut. */
    private Optional<Pin> pinOf(LimbVerdict limb) {
        boolean goes = draft.goesWith(limb.limb()).isPresent();
        Optional<Pin> step = limb.verdict() == Verdict.BEND
                ? Optional.empty()
                : byHand.pin(limb.limb().id(), Verdict.SHORTEN);
        return step.or(() ->
                        staged(limb) ? Optional.empty() : byHand.pin(limb.limb().id(), limb.verdict()))
                .filter(pin -> !goes || pin.kept());
    }

    /** Whether a limb is too large for any year, or was asked to be split, so that it goes in two. */
    private boolean staged(LimbVerdict limb) {
        return byHand.split(limb)
                || scene.traits().hasAllowance()
                        && limb.verdict() == Verdict.REMOVE
                        && scene.shares().of(limb.limb())
                                > tree.fullAllowance().year().orElseThrow() + 1e-9;
    }

    /** Puts what was moved by hand where it was moved to, whatever it breaks, and says so. */
    private void placeByHand(LaneDraft anySeason, List<LaneDraft> ofYear) {
        int year = anySeason.budget.year().year();
        for (LimbVerdict limb : inwards()) {
            pinOf(limb)
                    .filter(pin -> pin.year() == year && draft.stands(limb.limb()))
                    .ifPresent(pin -> placeFirstCut(limb, pin, byHand.laneOf(pin, anySeason, ofYear)));
        }
        for (LimbVerdict limb : List.copyOf(verdicts.values())) {
            Optional<Pin> removal = staged(limb) && draft.goesWith(limb.limb()).isEmpty()
                    ? byHand.pin(limb.limb().id(), Verdict.REMOVE).filter(pin -> pin.year() == year)
                    : Optional.empty();
            if (removal.isPresent()) {
                placeRemoval(limb, byHand.laneOf(removal.get(), anySeason, ofYear));
            }
        }
    }

    private void placeFirstCut(LimbVerdict limb, Pin pin, LaneDraft lane) {
        boolean first = pin.kind() == Verdict.SHORTEN && limb.verdict() == Verdict.REMOVE;
        Optional<Cut> step = stepKept(limb, pin).or(() -> first ? step(limb, lane) : Optional.empty());
        step.ifPresentOrElse(cut -> stage(limb, cut, lane, true), () -> place(limb, lane, true));
    }

    /** A step as the plan that is kept has it: further out than what is wanted in the end. */
    private Optional<Cut> stepKept(LimbVerdict limb, Pin pin) {
        if (pin.kind() != Verdict.SHORTEN || pin.keptAtM().isEmpty()) {
            return Optional.empty();
        }
        double atM = pin.keptAtM().getAsDouble();
        double inTheEndM = limb.verdict() == Verdict.REMOVE
                ? 0
                : limb.cut().orElseThrow().place().alongM();
        boolean step = atM > inTheEndM + SAME_PLACE_M && atM < limb.limb().lengthM() - SAME_PLACE_M;
        return step ? Optional.of(sizing.cut(limb.limb(), place(limb.limb(), atM))) : Optional.empty();
    }

    private Place place(Limb limb, double atM) {
        return scene.sideBranches(limb).stream()
                .filter(branch -> Math.abs(branch.originM() - atM) <= SAME_PLACE_M)
                .findFirst()
                .map(branch -> Place.toSideBranch(CutKind.TO_SIDE_BRANCH, branch.originM(), branch.id()))
                .orElseGet(() -> Place.at(CutKind.HEADING, atM));
    }

    /** The removal of a limb too large for any year: what is left of it, or all at once if nothing was shortened before. */
    private void placeRemoval(LimbVerdict limb, LaneDraft lane) {
        if (steppedBefore(limb.limb(), lane)) {
            finish(limb.limb(), lane, true);
        } else if (draft.waiting.containsKey(limb.limb().id()) && pinOf(limb).isEmpty()) {
            place(limb, lane, true);
        }
    }

    private void fill(LaneDraft lane) {
        finishStaged(lane);
        if (!lane.summerOnly) {
            placeDiseased(lane);
        }
        if (lane.budget.resting()) {
            return;
        }
        boolean placed = true;
        while (placed) {
            Optional<LimbVerdict> next = nextFor(lane);
            next.ifPresent(limb -> place(limb, lane, false));
            placed = next.isPresent() || stageOne(lane);
        }
    }

    private Optional<LimbVerdict> nextFor(LaneDraft lane) {
        List<LimbVerdict> fitting = notMoved().stream()
                .filter(limb -> limb.verdict() != Verdict.BEND && !byHand.split(limb))
                .filter(limb -> !turn.heldBack(limb, lane) && mayGoInto(limb, lane) && fits(limb, lane))
                .toList();
        return fitting.isEmpty() ? Optional.empty() : Optional.of(turn.next(fitting, lane, draft.made));
    }

    /** A summer lane of a dormant-cut tree is for size and upright growth; other lanes take anything. */
    private static boolean mayGoInto(LimbVerdict limb, LaneDraft lane) {
        if (!lane.summerOnly) {
            return true;
        }
        return limb.row()
                .filter(row ->
                        row == TableRow.TOO_HIGH || row == TableRow.UPRIGHT_SHOOT || row == TableRow.UPRIGHT_UNFRUITFUL)
                .isPresent();
    }

    private boolean fits(LimbVerdict limb, LaneDraft lane) {
        Cut cut = limb.cut().orElseThrow();
        if (cut.kind() == CutKind.RENEWAL && lane.budget.renewals() >= draft.renewalsPerYear()) {
            return false;
        }
        double share = draft.shareOf(limb, lane.budget);
        return (!cut.big() || lane.budget.roomForBigCut())
                && lane.budget.fits(share, lane.summerOnly)
                && (!draft.wholeLimb(limb, limb.verdict()) || lane.budget.roomForAWholeLimb());
    }

    private void place(LimbVerdict limb, LaneDraft lane, boolean moved) {
        draft.put(limb, limb.verdict(), limb.cut().orElseThrow(), lane, List.of(), moved);
        draft.waiting.remove(limb.limb().id());
    }

    /** Diseased wood goes in the first lane there is, whatever the allowance, and it is said. */
    private void placeDiseased(LaneDraft lane) {
        for (LimbVerdict limb : notMoved()) {
            if (limb.row().filter(row -> row == TableRow.DISEASED).isPresent()) {
                place(limb, lane, false);
            }
        }
        if (lane.budget.overrun() && lane.overrun.isEmpty()) {
            lane.overrun = Optional.of(scene.reason(ReasonCode.OVERRUN_DISEASED, lane.budget.taken()));
        }
    }

    /** Removes what the year before only shortened, before anything else is placed. */
    private void finishStaged(LaneDraft lane) {
        if (lane.summerOnly || lane.budget.resting()) {
            return;
        }
        for (Limb limb : List.copyOf(toFinish.keySet())) {
            double share = lane.budget.shareOfThisYear(draft.crown.copy().remove(limb));
            Cut cut = sizing.cut(limb, Place.collar());
            boolean itsTime = steppedBefore(limb, lane)
                    && byHand.pin(limb.id(), Verdict.REMOVE)
                            .filter(pin -> pin.year() > lane.budget.year().year())
                            .isEmpty();
            if (itsTime && lane.budget.fits(share, false) && (!cut.big() || lane.budget.roomForBigCut())) {
                finish(limb, lane, false);
            }
        }
    }

    /** Whether a limb was shortened on its way out in a year before this lane's. */
    private boolean steppedBefore(Limb limb, LaneDraft lane) {
        return toFinish.getOrDefault(limb, Integer.MAX_VALUE)
                < lane.budget.year().year();
    }

    private void finish(Limb limb, LaneDraft lane, boolean moved) {
        draft.put(
                verdicts.get(limb.id()),
                Verdict.REMOVE,
                sizing.cut(limb, Place.collar()),
                lane,
                List.of(scene.reason(ReasonCode.STAGED_SECOND)),
                moved);
        toFinish.remove(limb);
    }

    /** Shortens the first limb that is larger than any year's allowance, as far as this year's allows. */
    private boolean stageOne(LaneDraft lane) {
        if (lane.summerOnly || lane.budget.allowance().isEmpty()) {
            return false;
        }
        double full = tree.fullAllowance().year().orElseThrow();
        for (LimbVerdict limb : notMoved()) {
            boolean tooLarge = byHand.split(limb) || draft.shareOf(limb, lane.budget) > full + 1e-9;
            if (limb.verdict() == Verdict.BEND || !tooLarge || turn.heldBack(limb, lane)) {
                continue;
            }
            Optional<Cut> step = step(limb, lane);
            if (step.isPresent()) {
                stage(limb, step.get(), lane, false);
                return true;
            }
        }
        return false;
    }

    /** Where a limb is shortened on its way out; one that would fit a year but was asked to be split by about half. */
    private Optional<Cut> step(LimbVerdict limb, LaneDraft lane) {
        double most = byHand.split(limb) ? draft.crown.copy().remove(limb.limb()) / 2 : 1;
        return new PartialCut(scene, draft.crown, lane.budget, most).of(limb.limb());
    }

    private void stage(LimbVerdict limb, Cut cut, LaneDraft lane, boolean moved) {
        boolean kept = byHand.kept(limb, Verdict.SHORTEN);
        boolean removal = limb.verdict() == Verdict.REMOVE
                && (!kept || byHand.pin(limb.limb().id(), Verdict.REMOVE).isPresent());
        ReasonCode why = byHand.split(limb)
                ? ReasonCode.SPLIT_BY_HAND
                : removal
                        ? ReasonCode.STAGED_FIRST
                        : limb.verdict() == Verdict.REMOVE ? ReasonCode.KEPT_SHORTENS : ReasonCode.STAGED_STEP;
        draft.put(limb, Verdict.SHORTEN, cut, lane, List.of(scene.reason(why)), moved);
        draft.waiting.remove(limb.limb().id());
        if (removal) {
            toFinish.put(limb.limb(), lane.budget.year().year());
        }
    }

    /** A limb that was shortened to be removed, but for whose removal the years planned left no room, says so. */
    private void sayWhatStaysStaged(LaneDraft lane) {
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
                            List.of(scene.reason(ReasonCode.STAGED_REST_LATER)),
                            cut.byHand(),
                            cut.breaks())
                    : cut;
        });
    }

    private void fillBends(LaneDraft lane) {
        if (lane.budget.resting() || !lane.bendsHere()) {
            return;
        }
        notMoved().stream().filter(limb -> limb.verdict() == Verdict.BEND).forEach(limb -> place(limb, lane, false));
    }

    /** Counted shoots, spread over the years, for what time and allowance are left. */
    private void placeDetail(LaneDraft lane, int yearsLeft) {
        if (lane.budget.resting() || lane.summerOnly || scene.traits().bush()) {
            return;
        }
        int placed = draft.lanes.stream()
                .flatMap(other -> other.detail.stream())
                .mapToInt(RenovationPlan.Detail::shoots)
                .sum();
        lane.detail = detail.fitting(placed, yearsLeft, lane.budget);
        lane.detail.ifPresent(placedNow -> lane.budget.takeDetail(placedNow.share(), false));
    }

    private List<Reason> whyNot(LimbVerdict limb, int wanted) {
        if (!draft.stands(limb.limb())) {
            return List.of(
                    scene.reason(ReasonCode.BREAKS_PARENT, limb.limb().parent().orElseThrow()));
        }
        if (limb.cut().orElseThrow().kind() == CutKind.RENEWAL) {
            return List.of(scene.reason(ReasonCode.NOT_PLACED_TURN));
        }
        if (tree.resting() && wanted == 1) {
            return List.of(scene.reason(ReasonCode.NOT_PLACED_REST));
        }
        boolean big = limb.cut().orElseThrow().big();
        return List.of(scene.reason(
                big ? ReasonCode.NOT_PLACED_BIG_CUTS : ReasonCode.NOT_PLACED_ALLOWANCE, limb.crownShare()));
    }
}
