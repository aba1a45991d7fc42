package org.diligentbough.core.plan;

import static org.diligentbough.core.knowledge.Figure.BUSH_RENEWAL_SHARE;
import static org.diligentbough.core.knowledge.Figure.FIG_LIMB_TURNS;
import static org.diligentbough.core.knowledge.Figure.SAME_SIDE_DEG;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.orchard.SpeciesTraits;
import org.diligentbough.core.plan.RenovationPlan.NotPlaced;
import org.diligentbough.core.plan.RenovationPlan.PlannedCut;
import org.diligentbough.core.season.CuttingCalendar;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.season.Window;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.LivingCrown;
import org.diligentbough.core.verdict.Cut;
import org.diligentbough.core.verdict.CutKind;
import org.diligentbough.core.verdict.CutSizing;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Place;
import org.diligentbough.core.verdict.Scene;
import org.diligentbough.core.verdict.TableRow;
import org.diligentbough.core.verdict.TreeVerdict;
import org.diligentbough.core.verdict.Verdict;
import org.diligentbough.core.verdict.Vigour;

/**
 * Spreads the cuts a tree wants over pruning years: what is urgent at once; then dead and diseased wood; then, within each
 * year's allowance and big cuts and in the species' windows, the strategic cuts before the small ones. A limb larger than
 * a year's allowance is shortened one year and removed the next. Whatever finds no place is listed with the reason.
 */
public final class Planner {
    private final Scene scene;
    private final TreeVerdict tree;
    private final CuttingCalendar calendar;
    private final CutSizing sizing;
    private final Map<String, LimbVerdict> waiting = new LinkedHashMap<>();
    private final List<LaneDraft> lanes = new ArrayList<>();
    private final List<Limb> toFinish = new ArrayList<>();
    private final LivingCrown crown;

    public Planner(Scene scene, List<LimbVerdict> limbs, TreeVerdict tree, CuttingCalendar calendar) {
        this.scene = scene;
        this.tree = tree;
        this.calendar = calendar;
        this.sizing = new CutSizing(scene);
        this.crown = new LivingCrown(scene.branching(), scene.shares());
        limbs.stream()
                .filter(limb -> limb.cut().isPresent())
                .sorted(new CutOrder())
                .forEach(limb -> waiting.put(limb.limb().id(), limb));
    }

    /** The plan over {@code years} pruning years, 1 to 5, from the first in which the tree can still be cut. */
    public RenovationPlan plan(int years) {
        LocalDate today = scene.survey().today();
        PruningYear now = calendar.pruningYear(today);
        PruningYear first = mainWindows(now, today).isEmpty() ? now.plus(1) : now;
        PruningYear last = first.plus(years - 1);
        for (PruningYear year = now; year.year() <= last.year(); year = year.plus(1)) {
            boolean resting = tree.resting() && year.year() <= first.year();
            YearBudget budget = budget(year, resting, year.equals(now));
            placeAnySeason(budget, year.equals(now));
            int detailYears = last.year() - year.year() + 1;
            List<LaneDraft> ofYear = lanesOf(budget, today);
            ofYear.stream()
                    .sorted(Comparator.comparing((LaneDraft lane) -> !(rank() && lane.summerOnly)))
                    .forEach(this::fill);
            for (LaneDraft lane : ofYear) {
                fillBends(lane);
                placeDetail(lane, detailYears);
                if (!lane.empty()) {
                    lanes.add(lane);
                }
            }
        }
        lanes.forEach(this::sayWhatStaysStaged);
        List<NotPlaced> notPlaced = waiting.values().stream()
                .map(limb -> new NotPlaced(limb.limb().id(), whyNot(limb, years)))
                .toList();
        return new RenovationPlan(
                lanes.stream()
                        .sorted(Comparator.comparing(
                                        (LaneDraft lane) -> lane.budget.year().year())
                                .thenComparing(lane -> lane.season != Season.ANY)
                                .thenComparing(lane -> lane.opens))
                        .map(LaneDraft::lane)
                        .toList(),
                notPlaced);
    }

    private YearBudget budget(PruningYear year, boolean resting, boolean charged) {
        SpeciesTraits traits = scene.traits();
        double left = crown.left();
        if (!traits.hasAllowance()) {
            return new YearBudget(year, OptionalDouble.empty(), OptionalDouble.empty(), 0, resting, left);
        }
        TreeVerdict.Allowance allowance = tree.fullAllowance();
        double charge = charged ? scene.tree().removedLast12Months() : 0;
        double share = resting ? 0 : Math.max(0, allowance.year().orElseThrow() - charge);
        double summer = resting ? 0 : allowance.summer().orElseThrow();
        return new YearBudget(
                year,
                OptionalDouble.of(share),
                OptionalDouble.of(summer),
                allowance.bigCuts().orElseThrow(),
                resting,
                left);
    }

    /** The windows of the year for its main cut that have not closed yet; another one where the site has none of the best. */
    private List<Window> mainWindows(PruningYear year, LocalDate today) {
        List<Window> all = calendar.windows(year).stream()
                .filter(window -> !window.closes().isBefore(today))
                .toList();
        boolean hasBest = calendar.windows(year).stream().anyMatch(Planner::best);
        return all.stream()
                .filter(window -> hasBest ? best(window) : window.quality() == Window.Quality.WITH_CARE)
                .toList();
    }

    /** Summer cutting checks growth: a rank tree gets part of its work then, before winter's is given out. */
    private boolean rank() {
        return tree.vigour().filter(Vigour.RANK::equals).isPresent();
    }

    private static boolean best(Window window) {
        return window.quality() == Window.Quality.BEST;
    }

    private List<LaneDraft> lanesOf(YearBudget budget, LocalDate today) {
        List<LaneDraft> found = new ArrayList<>();
        for (Window window : mainWindows(budget.year(), today)) {
            found.add(new LaneDraft(budget, window.season(), window.opens(), window.closes(), false));
        }
        boolean bendsWait = found.stream().noneMatch(Planner::bendsHere)
                && waiting.values().stream().anyMatch(limb -> limb.verdict() == Verdict.BEND);
        if (scene.traits().hasAllowance() && (rank() || bendsWait)) {
            calendar.windows(budget.year()).stream()
                    .filter(window -> window.quality() == Window.Quality.WITH_CARE)
                    .filter(window ->
                            window.season() == Season.SUMMER && !window.closes().isBefore(today))
                    .filter(window -> window.work() == Window.Work.SIZE || window.work() == Window.Work.STRUCTURE)
                    .findFirst()
                    .ifPresent(window ->
                            found.add(new LaneDraft(budget, window.season(), window.opens(), window.closes(), true)));
        }
        return found;
    }

    /** Urgent cuts, dead wood, shoots below the graft. The first two wait for nothing. */
    private void placeAnySeason(YearBudget budget, boolean firstYear) {
        LaneDraft lane = new LaneDraft(
                budget,
                Season.ANY,
                budget.year().days().getStart(),
                budget.year().days().getEndInclusive(),
                false);
        for (LimbVerdict limb : List.copyOf(waiting.values())) {
            boolean waitsForNothing = limb.urgent() || !scene.branching().living(limb.limb());
            boolean placed =
                    limb.anySeason() && (firstYear && waitsForNothing || !budget.resting() && fits(limb, lane));
            if (placed) {
                place(limb, lane, List.of());
            }
        }
        if (budget.overrun()) {
            lane.overrun = Optional.of(scene.reason(ReasonCode.OVERRUN_URGENT, budget.taken()));
        }
        if (!lane.empty()) {
            lanes.add(lane);
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
            next.ifPresent(limb -> place(limb, lane, List.of()));
            placed = next.isPresent() || stageOne(lane);
        }
    }

    /** The first in order that fits; among big cuts one on another side than those of the year, if there is one. */
    private Optional<LimbVerdict> nextFor(LaneDraft lane) {
        List<LimbVerdict> fitting = waiting.values().stream()
                .filter(limb -> limb.verdict() != Verdict.BEND && mayGoInto(limb, lane) && fits(limb, lane))
                .toList();
        if (fitting.isEmpty()) {
            return Optional.empty();
        }
        LimbVerdict first = fitting.get(0);
        return fitting.stream()
                .filter(limb -> CutOrder.rank(limb) == CutOrder.rank(first))
                .filter(limb -> !limb.cut().orElseThrow().big() || onAnotherSide(limb.limb(), lane.budget))
                .findFirst()
                .or(() -> Optional.of(first));
    }

    private boolean onAnotherSide(Limb limb, YearBudget budget) {
        return budget.bigCutLimbs().stream()
                .noneMatch(other ->
                        Branching.apartDeg(limb.azimuthDeg(), other.azimuthDeg()) < scene.figure(SAME_SIDE_DEG));
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
        if (cut.kind() == CutKind.RENEWAL && lane.budget.renewals() >= renewalsPerYear()) {
            return false;
        }
        return (!cut.big() || lane.budget.roomForBigCut())
                && lane.budget.fits(shareOf(limb, lane.budget), lane.summerOnly);
    }

    /** Main branches of a bush that go in a year; limbs of a fig renewed one by one. */
    private int renewalsPerYear() {
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

    private double shareOf(LimbVerdict limb, YearBudget budget) {
        LivingCrown tried = crown.copy();
        double taken = limb.verdict() == Verdict.BEND
                ? 0
                : limb.verdict() == Verdict.REMOVE
                        ? tried.remove(limb.limb())
                        : tried.shorten(
                                limb.limb(), limb.cut().orElseThrow().place().alongM());
        return budget.shareOfThisYear(taken);
    }

    private void place(LimbVerdict limb, LaneDraft lane, List<Reason> reasons) {
        Cut cut = limb.cut().orElseThrow();
        double share = shareOf(limb, lane.budget);
        if (limb.verdict() == Verdict.REMOVE) {
            crown.remove(limb.limb());
        } else if (limb.verdict() == Verdict.SHORTEN) {
            crown.shorten(limb.limb(), cut.place().alongM());
        }
        lane.budget.take(limb.limb(), cut, share, lane.summerOnly);
        if (cut.kind() == CutKind.RENEWAL) {
            lane.budget.renewed();
        }
        lane.cuts.add(new PlannedCut(limb.limb().id(), limb.verdict(), share, cut, reasons));
        waiting.remove(limb.limb().id());
    }

    /** Diseased wood goes in the first lane there is, whatever the allowance, and it is said. */
    private void placeDiseased(LaneDraft lane) {
        for (LimbVerdict limb : List.copyOf(waiting.values())) {
            if (limb.row().filter(row -> row == TableRow.DISEASED).isPresent()) {
                place(limb, lane, List.of());
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
        for (Limb limb : List.copyOf(toFinish)) {
            double share = lane.budget.shareOfThisYear(crown.copy().remove(limb));
            Cut cut = sizing.cut(limb, Place.collar());
            if (lane.budget.fits(share, false) && (!cut.big() || lane.budget.roomForBigCut())) {
                crown.remove(limb);
                lane.budget.take(limb, cut, share, false);
                lane.cuts.add(new PlannedCut(
                        limb.id(), Verdict.REMOVE, share, cut, List.of(scene.reason(ReasonCode.STAGED_SECOND))));
                toFinish.remove(limb);
            }
        }
    }

    /** Shortens the first limb that is larger than any year's allowance, as far as this year's allows. */
    private boolean stageOne(LaneDraft lane) {
        if (lane.summerOnly || lane.budget.allowance().isEmpty()) {
            return false;
        }
        double full = tree.fullAllowance().year().orElseThrow();
        for (LimbVerdict limb : waiting.values()) {
            if (limb.verdict() == Verdict.BEND || shareOf(limb, lane.budget) <= full + 1e-9) {
                continue;
            }
            Optional<Cut> step = new PartialCut(scene, crown, lane.budget).of(limb.limb());
            if (step.isPresent()) {
                stage(limb, step.get(), lane);
                return true;
            }
        }
        return false;
    }

    private void stage(LimbVerdict limb, Cut cut, LaneDraft lane) {
        double share = lane.budget.shareOfThisYear(
                crown.shorten(limb.limb(), cut.place().alongM()));
        boolean removal = limb.verdict() == Verdict.REMOVE;
        lane.budget.take(limb.limb(), cut, share, false);
        lane.cuts.add(new PlannedCut(
                limb.limb().id(),
                Verdict.SHORTEN,
                share,
                cut,
                List.of(scene.reason(removal ? ReasonCode.STAGED_FIRST : ReasonCode.STAGED_STEP))));
        waiting.remove(limb.limb().id());
        if (removal) {
            toFinish.add(limb.limb());
        }
    }

    /** A limb that was shortened to be removed, but for whose removal the years planned left no room, says so. */
    private void sayWhatStaysStaged(LaneDraft lane) {
        lane.cuts.replaceAll(cut -> {
            boolean unfinished = toFinish.stream().anyMatch(limb -> limb.id().equals(cut.limb()));
            return unfinished
                    ? new PlannedCut(
                            cut.limb(),
                            cut.kind(),
                            cut.share(),
                            cut.cut(),
                            List.of(scene.reason(ReasonCode.STAGED_REST_LATER)))
                    : cut;
        });
    }

    /** Branches are spread while buds are at rest or once shoots have hardened, never while buds break. */
    private static boolean bendsHere(LaneDraft lane) {
        return lane.season != Season.BUD_SWELL && lane.season != Season.EARLY_SUMMER;
    }

    private void fillBends(LaneDraft lane) {
        if (lane.budget.resting() || !bendsHere(lane)) {
            return;
        }
        List.copyOf(waiting.values()).stream()
                .filter(limb -> limb.verdict() == Verdict.BEND)
                .forEach(limb -> place(limb, lane, List.of()));
    }

    /** Counted shoots, spread over the years, for what time and allowance are left. */
    private void placeDetail(LaneDraft lane, int yearsLeft) {
        if (lane.budget.resting() || lane.summerOnly || scene.traits().bush()) {
            return;
        }
        int placed = lanes.stream()
                .flatMap(other -> other.detail.stream())
                .mapToInt(RenovationPlan.Detail::shoots)
                .sum();
        lane.detail = new DetailWork(scene).fitting(placed, yearsLeft, lane.budget);
        lane.detail.ifPresent(detail -> lane.budget.takeDetail(detail.share(), false));
    }

    private List<Reason> whyNot(LimbVerdict limb, int years) {
        if (limb.cut().orElseThrow().kind() == CutKind.RENEWAL) {
            return List.of(scene.reason(ReasonCode.NOT_PLACED_TURN));
        }
        if (tree.resting() && years == 1) {
            return List.of(scene.reason(ReasonCode.NOT_PLACED_REST));
        }
        boolean big = limb.cut().orElseThrow().big();
        return List.of(scene.reason(
                big ? ReasonCode.NOT_PLACED_BIG_CUTS : ReasonCode.NOT_PLACED_ALLOWANCE, limb.crownShare()));
    }
}
