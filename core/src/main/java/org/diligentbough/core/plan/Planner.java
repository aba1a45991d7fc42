package org.diligentbough.core.plan;

import static org.diligentbough.core.knowledge.Figure.SAME_SIDE_DEG;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.light.CrownLight;
import org.diligentbough.core.plan.RenovationPlan.CutOf;
import org.diligentbough.core.plan.RenovationPlan.Lane;
import org.diligentbough.core.plan.RenovationPlan.PlannedCut;
import org.diligentbough.core.season.CuttingCalendar;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.TakenThisYear;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Scene;
import org.diligentbough.core.verdict.TreeVerdict;
import org.diligentbough.core.verdict.Verdict;

/**
 * Spreads the cuts a tree wants over pruning years so that as much as can be is gained as early as can be (see
 * {@link PlanValue}), within what {@link PlanMaker} allows. Cuts get their turn in common order, and by what is gained for
 * the crown taken after what is gone already, and otherwise; each such plan is bettered by changing turns for as long as
 * that helps, and the best is taken. How far this falls short of the best there is, is measured in the tests.
 */
public final class Planner {
    /** More are not suggested: by then the tree is another. */
    private static final int MOST_YEARS = 5;
    /** Orders tried at most; far more than trees of a dozen cuts want. */
    private static final int MOST_TRIES = 150;
    /** Plans that are bettered, of those begun with. */
    private static final int BEGINNINGS = 2;
    /** What differs by less is alike: the light of limbs that mirror each other differs in its last digits. */
    private static final double ALIKE = 1e-6;
    /** Twigs would else be worth any number of limbs. */
    private static final double LEAST_TAKEN = 0.01;

    private final Scene scene;
    private final TreeVerdict tree;
    private final YearLanes years;
    private final ToPlan toPlan;
    private final List<LimbVerdict> cuts;
    private final PlanValue value;
    /** The only cuts that are planned; empty when any is. */
    private final Optional<Set<CutOf>> kept;

    private final List<String> leftOut;
    private int tries;

    /**
     * @param taken what the running pruning year has seen already
     * @param edits what people want otherwise; a cut moved whose limb or time is past is passed over
     * @param light in the crown as it stands
     * @param worth of each cut made alone, by the limb's tag
     */
    public Planner(
            Scene scene,
            List<LimbVerdict> limbs,
            TreeVerdict tree,
            CuttingCalendar calendar,
            TakenThisYear taken,
            Edits edits,
            CrownLight light,
            Map<String, Worth> worth) {
        this.scene = scene;
        this.tree = tree;
        this.years = new YearLanes(scene, tree, calendar, taken);
        this.kept = edits.kept();
        this.leftOut = limbs.stream()
                .filter(limb -> limb.cut().isPresent() && !mayStand(limb))
                .map(limb -> limb.limb().id())
                .toList();
        this.cuts = limbs.stream()
                .filter(limb -> limb.cut().isPresent() && mayStand(limb))
                .sorted(new CutOrder(worth))
                .toList();
        this.toPlan = new ToPlan(scene, cuts, tree, years, new ByHand(pins(edits), edits.split(), scene, calendar));
        this.value = new PlanValue(scene, cuts, light, worth);
    }

    /** Whether a plan that is kept, if one is, has this cut or a first step to it. */
    private boolean mayStand(LimbVerdict limb) {
        String id = limb.limb().id();
        return kept.map(cuts -> cuts.contains(new CutOf(id, limb.verdict()))
                        || limb.verdict() == Verdict.REMOVE && cuts.contains(new CutOf(id, Verdict.SHORTEN)))
                .orElse(true);
    }

    /** What was moved, and what was insisted on, which comes first of all. */
    private List<Pin> pins(Edits edits) {
        List<Pin> pins = new ArrayList<>(edits.pins());
        years.firstWindow().ifPresent(window -> cuts.stream()
                .filter(limb -> edits.insisted().contains(limb.limb().id()))
                .map(limb -> new Pin(
                        limb.limb().id(),
                        inSteps(limb, edits) ? Verdict.SHORTEN : limb.verdict(),
                        years.first().year(),
                        window.season(),
                        Optional.of(window.quality())))
                .forEach(pins::add));
        return pins;
    }

    private boolean inSteps(LimbVerdict limb, Edits edits) {
        boolean split = edits.split().contains(limb.limb().id())
                || limb.crownShare() > tree.fullAllowance().year().orElse(1);
        return limb.verdict() == Verdict.REMOVE && split;
    }

    /** The plan over as many years as were asked for, else over as many as the work wants, five at most. */
    public RenovationPlan plan(OptionalInt asked) {
        RenovationPlan plan = ofAsManyYears(asked);
        return kept.map(cuts -> plan.only(cuts, leftOut, scene.reason(ReasonCode.NOT_IN_KEPT_PLAN)))
                .orElse(plan);
    }

    private RenovationPlan ofAsManyYears(OptionalInt asked) {
        if (asked.isPresent()) {
            return plan(asked.getAsInt());
        }
        int years = tree.yearsNeeded();
        Reason why = tree.yearsWhy();
        while (scene.traits().hasAllowance()
                && years < MOST_YEARS
                && !tried(years, commonOrder(), Map.of()).plan().placesAll()) {
            years++;
            why = scene.reason(ReasonCode.YEARS_TO_PLACE_ALL, years);
        }
        return plan(years).because(why);
    }

    /** A plan with what it is worth. */
    private record Tried(List<String> order, Map<String, Integer> notBefore, RenovationPlan plan, double value) {}

    /** The plan over {@code wanted} pruning years, one at least, from the first in which the tree can still be cut. */
    private RenovationPlan plan(int wanted) {
        Tried best = tried(wanted, commonOrder(), Map.of());
        if (!scene.traits().hasAllowance() || !toBetter(best)) {
            return best.plan();
        }
        List<Tried> beginnings = Stream.of(commonOrder(), byGain(LEAST_TAKEN), byGain(1), in(largestFirst()))
                .map(start -> tried(wanted, start, Map.of()))
                .sorted(Comparator.comparingDouble((Tried one) -> -one.value()))
                .limit(BEGINNINGS)
                .toList();
        for (Tried beginning : beginnings) {
            Tried found = bettered(beginning, wanted);
            if (found.value() > best.value() + ALIKE) {
                best = found;
            }
        }
        return best.plan();
    }

    /** What a plan is worth over so many years. */
    double value(RenovationPlan plan, int wanted) {
        return value.of(
                plan, years.now().year(), years.first().year() - years.now().year() + wanted);
    }

    /** What sets of cuts are worth. */
    PlanValue value() {
        return value;
    }

    /** Whether anything has to wait for something else. */
    private static boolean toBetter(Tried plan) {
        long years = plan.plan().lanes().stream()
                .map(lane -> lane.year().year())
                .distinct()
                .count();
        return years > 1 || !plan.plan().notPlaced().isEmpty();
    }

    private Tried tried(int wanted, PlanMaker.Turn turn, Map<String, Integer> notBefore) {
        List<String> order = new ArrayList<>();
        PlanMaker.Turn noted = new PlanMaker.Turn() {
            @Override
            public LimbVerdict next(List<LimbVerdict> fitting, LaneDraft lane, List<PlannedCut> made) {
                LimbVerdict next = turn.next(fitting, lane, made);
                order.add(next.limb().id());
                return next;
            }

            @Override
            public boolean heldBack(LimbVerdict limb, LaneDraft lane) {
                return lane.budget.year().year()
                        < notBefore.getOrDefault(limb.limb().id(), Integer.MIN_VALUE);
            }
        };
        RenovationPlan plan = new PlanMaker(toPlan, noted).plan(wanted);
        tries++;
        cuts.stream()
                .filter(limb -> limb.verdict() != Verdict.BEND)
                .map(limb -> limb.limb().id())
                .filter(limb -> !order.contains(limb))
                .forEach(order::add);
        return new Tried(order, notBefore, plan, value(plan, wanted));
    }

    /** In common order; among big cuts of one rank one on another side than those of the year, if there is one. */
    private PlanMaker.Turn commonOrder() {
        return (fitting, lane, made) -> {
            LimbVerdict first = fitting.get(0);
            return fitting.stream()
                    .filter(limb -> CutOrder.rank(limb) == CutOrder.rank(first))
                    .filter(limb -> !limb.cut().orElseThrow().big() || onAnotherSide(limb.limb(), lane.budget))
                    .findFirst()
                    .orElse(first);
        };
    }

    private boolean onAnotherSide(Limb limb, YearBudget budget) {
        return budget.bigCutLimbs().stream()
                .noneMatch(other ->
                        Branching.apartDeg(limb.azimuthDeg(), other.azimuthDeg()) < scene.figure(SAME_SIDE_DEG));
    }

    /**
     * By what is gained after what is gone already, for the crown it takes.
     *
     * @param leastTaken share below which the crown taken makes no difference; 1 goes by the gain alone
     */
    private PlanMaker.Turn byGain(double leastTaken) {
        return (fitting, lane, made) -> fitting.stream()
                .max(Comparator.comparingLong(limb ->
                        Math.round(value.gainedBy(limb, made) / Math.max(leastTaken, limb.crownShare()) / ALIKE)))
                .orElseThrow();
    }

    /** What takes most first: later it would be too much of what is left. */
    private List<String> largestFirst() {
        return cuts.stream()
                .sorted(Comparator.comparingDouble(LimbVerdict::crownShare).reversed())
                .map(limb -> limb.limb().id())
                .toList();
    }

    private static PlanMaker.Turn in(List<String> order) {
        return (fitting, lane, made) -> Collections.min(
                fitting,
                Comparator.comparingInt(limb -> order.indexOf(limb.limb().id())));
    }

    /** What can be done to the turns of two cuts. */
    private enum Change {
        SWAP,
        LATER_FIRST,
        EARLIER_LAST;

        List<String> of(List<String> order, int earlier, int later) {
            List<String> other = new ArrayList<>(order);
            switch (this) {
                case SWAP -> Collections.swap(other, earlier, later);
                case LATER_FIRST -> other.add(earlier, other.remove(later));
                case EARLIER_LAST -> other.add(later, other.remove(earlier));
            }
            return other;
        }
    }

    /** A plan changed step by step for as long as that betters it. */
    private Tried bettered(Tried plan, int wanted) {
        tries = 0;
        Tried best = plan;
        for (boolean better = true; better && tries < MOST_TRIES; ) {
            Map<String, Integer> yearOf = yearOf(best.plan());
            Tried found = turned(best, wanted, yearOf);
            if (found == best) {
                found = held(best, wanted, yearOf);
            }
            better = found != best;
            best = found;
        }
        return best;
    }

    /** A limb held back can leave the year after the room another wants, since shares are of what then stands. */
    private Tried held(Tried plan, int wanted, Map<String, Integer> yearOf) {
        for (String limb : plan.order()) {
            Map<String, Integer> other = new HashMap<>(plan.notBefore());
            if (other.remove(limb) == null && yearOf.get(limb) < Integer.MAX_VALUE) {
                other.put(limb, yearOf.get(limb) + 1);
            }
            Tried tried = tries < MOST_TRIES ? tried(wanted, in(plan.order()), other) : plan;
            if (tried.value() > plan.value() + ALIKE) {
                return tried;
            }
        }
        return plan;
    }

    /** The first plan better than one that comes of changing the turns of two cuts of different years. */
    private Tried turned(Tried plan, int wanted, Map<String, Integer> yearOf) {
        List<String> order = plan.order();
        for (int later = 1; later < order.size(); later++) {
            for (int earlier = 0; earlier < later; earlier++) {
                if (yearOf.get(order.get(earlier)).equals(yearOf.get(order.get(later)))) {
                    continue;
                }
                for (Change change : Change.values()) {
                    if (tries >= MOST_TRIES) {
                        return plan;
                    }
                    Tried tried = tried(wanted, in(change.of(order, earlier, later)), plan.notBefore());
                    if (tried.value() > plan.value() + ALIKE) {
                        return tried;
                    }
                }
            }
        }
        return plan;
    }

    private Map<String, Integer> yearOf(RenovationPlan plan) {
        Map<String, Integer> years = new HashMap<>();
        cuts.forEach(limb -> years.put(limb.limb().id(), Integer.MAX_VALUE));
        for (Lane lane : plan.lanes()) {
            for (PlannedCut cut : lane.cuts()) {
                years.merge(cut.limb(), lane.year().year(), Math::min);
            }
        }
        return years;
    }
}
