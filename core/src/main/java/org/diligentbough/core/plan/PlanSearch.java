package org.diligentbough.core.plan;

import static org.diligentbough.core.knowledge.Figure.SAME_SIDE_DEG;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;
import org.diligentbough.core.Effort;
import org.diligentbough.core.plan.RenovationPlan.Lane;
import org.diligentbough.core.plan.RenovationPlan.PlannedCut;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.TreeFacts;
import org.diligentbough.core.verdict.Verdict;

/**
 * Looks for the plan that is worth most (see {@link PlanValue}) among those {@link PlanMaker} allows. Cuts get their turn
 * in common order, and by what is gained for the crown taken after what is gone already, and otherwise; each such
 * candidate is bettered by changing turns for as long as that helps, and the best is taken.
 */
final class PlanSearch {
    /** Orders tried at most; far more than trees of a dozen cuts want. */
    private static final int MOST_TRIES = 100;
    /** Cuts given a turn at most in all that is tried: what bounds the time that a tree of hundreds of limbs takes. */
    private static final int MOST_TURNS = 5000;
    /** Candidates that are bettered, of those begun with. */
    private static final int BEGINNINGS = 2;
    /** Cuts tried first of all once nothing near is better. */
    private static final int KICKS = 3;
    /** What differs by less is alike: the light of limbs that mirror each other differs in its last digits. */
    private static final double ALIKE = 1e-6;
    /** Twigs would else be worth any number of limbs. */
    private static final double LEAST_TAKEN = 0.01;

    private final PlanningCase plan;
    private final TreeFacts facts;
    private final List<LimbVerdict> cuts;
    private final PlanValue value;
    /** What was made of orders tried before. */
    private final Map<Asked, Candidate> known = new HashMap<>();

    private final int mostTries;
    private int tries;

    PlanSearch(PlanningCase plan, PlanValue value) {
        this.plan = plan;
        this.facts = plan.facts;
        this.cuts = List.copyOf(plan.verdicts.values());
        this.value = value;
        this.mostTries = Math.max(1, Math.min(MOST_TRIES, MOST_TURNS / Math.max(1, cuts.size())));
    }

    /** A plan with what it is worth. */
    private record Candidate(List<String> order, Map<String, Integer> notBefore, RenovationPlan plan, double value) {}

    /** The best plan found over {@code wanted} pruning years, one at least, from the first in which the tree can still be cut. */
    RenovationPlan plan(int wanted) {
        Candidate best = inCommonOrder(wanted);
        if (!facts.traits().hasAllowance() || !toBetter(best)) {
            return best.plan();
        }
        List<Candidate> beginnings = Stream.of(commonOrder(), byGain(LEAST_TAKEN), byGain(1), in(largestFirst()))
                .map(start -> tried(wanted, start, Map.of()))
                .sorted(Comparator.comparingDouble((Candidate one) -> -one.value()))
                .limit(BEGINNINGS)
                .toList();
        for (Candidate beginning : beginnings) {
            Candidate found = bettered(beginning, wanted);
            if (found.value() > best.value() + ALIKE) {
                best = found;
            }
        }
        return kicked(best, wanted).plan();
    }

    /**
     * Where something finds no place though everything near the candidate is worse, what came late is tried first of all,
     * the best near that is taken, worse or not, and bettered from there.
     */
    private Candidate kicked(Candidate from, int wanted) {
        if (from.plan().notPlaced().isEmpty()) {
            return from;
        }
        Candidate best = from;
        List<String> late = new ArrayList<>(from.order());
        Collections.reverse(late);
        for (String limb : late.subList(0, Math.min(KICKS, late.size()))) {
            List<String> order = new ArrayList<>(from.order());
            order.remove(limb);
            order.add(0, limb);
            tries = mostTries / 2;
            Candidate kick = inOrder(wanted, order, Map.of());
            Candidate near = bestNear(kick, wanted);
            Candidate found = near.value() > from.value() + ALIKE ? bettered(near, wanted) : near;
            best = found.value() > best.value() + ALIKE ? found : best;
        }
        return best;
    }

    private Candidate bestNear(Candidate plan, int wanted) {
        Candidate best = plan;
        List<String> order = plan.order();
        Map<String, Integer> yearOf = yearOf(plan.plan());
        for (int later = 1; later < order.size(); later++) {
            for (int earlier = 0; earlier < later && tries < mostTries; earlier++) {
                if (!yearOf.get(order.get(earlier)).equals(yearOf.get(order.get(later)))) {
                    Candidate tried = inOrder(wanted, Change.LATER_FIRST.of(order, earlier, later), plan.notBefore());
                    best = tried.value() > best.value() + ALIKE ? tried : best;
                }
            }
        }
        return best;
    }

    /** Whether plans in common order find a place for everything in so many years. */
    boolean placesAll(int wanted) {
        return inCommonOrder(wanted).plan().placesAll();
    }

    private Candidate inCommonOrder(int wanted) {
        return tried(wanted, commonOrder(), Map.of());
    }

    /** What a plan is worth over so many years. */
    double value(RenovationPlan made, int wanted) {
        YearLanes years = plan.years;
        return value.of(
                made, years.now().year(), years.first().year() - years.now().year() + wanted);
    }

    /** What sets of cuts are worth. */
    PlanValue value() {
        return value;
    }

    /** Whether anything has to wait for something else. */
    private static boolean toBetter(Candidate plan) {
        long years = plan.plan().lanes().stream()
                .map(lane -> lane.year().year())
                .distinct()
                .count();
        return years > 1 || !plan.plan().notPlaced().isEmpty();
    }

    private Candidate tried(int wanted, PlanMaker.Turn turn, Map<String, Integer> notBefore) {
        Effort.look();
        PlanMaker.Turn noted = new PlanMaker.Turn() {
            @Override
            public List<LimbVerdict> inOrder(List<LimbVerdict> limbs) {
                return turn.inOrder(limbs);
            }

            @Override
            public Optional<LimbVerdict> next(Stream<LimbVerdict> fitting, LaneDraft lane, List<PlannedCut> made) {
                return turn.next(fitting, lane, made);
            }

            @Override
            public boolean heldBack(LimbVerdict limb, LaneDraft lane) {
                return lane.budget.year().year()
                        < notBefore.getOrDefault(limb.limb().id(), Integer.MIN_VALUE);
            }
        };
        RenovationPlan made = new PlanMaker(plan, noted).plan(wanted);
        tries++;
        Map<String, Integer> yearOf = yearOf(made);
        // What takes most first within its year, so that a turn given to another pushes out what is small.
        List<String> inYears = cuts.stream()
                .filter(limb -> limb.verdict() != Verdict.BEND)
                .sorted(Comparator.comparingInt((LimbVerdict limb) -> yearOf.get(limb.tag()))
                        .thenComparingDouble(limb -> -limb.crownShare()))
                .map(LimbVerdict::tag)
                .toList();
        return new Candidate(inYears, notBefore, made, value(made, wanted));
    }

    /** In common order; among big cuts of one rank one on another side than those of the year, if there is one. */
    private PlanMaker.Turn commonOrder() {
        return (fitting, lane, made) -> {
            Optional<LimbVerdict> first = Optional.empty();
            for (Iterator<LimbVerdict> left = fitting.iterator(); left.hasNext(); ) {
                LimbVerdict limb = left.next();
                first = first.isPresent() ? first : Optional.of(limb);
                if (CutOrder.rank(limb) != CutOrder.rank(first.get())) {
                    return first;
                }
                if (!limb.cut().orElseThrow().big() || onAnotherSide(limb.limb(), lane.budget)) {
                    return Optional.of(limb);
                }
            }
            return first;
        };
    }

    private boolean onAnotherSide(Limb limb, YearBudget budget) {
        return budget.bigCutLimbs().stream()
                .noneMatch(other ->
                        Branching.apartDeg(limb.azimuthDeg(), other.azimuthDeg()) < facts.figure(SAME_SIDE_DEG));
    }

    /**
     * By what is gained after what is gone already, for the crown it takes.
     *
     * @param leastTaken share below which the crown taken makes no difference; 1 goes by the gain alone
     */
    private PlanMaker.Turn byGain(double leastTaken) {
        return (fitting, lane, made) -> {
            ToDoubleFunction<LimbVerdict> gainedBy = value.gainedAfter(made);
            Optional<LimbVerdict> most = Optional.empty();
            long best = Long.MIN_VALUE;
            for (Iterator<LimbVerdict> left = fitting.iterator(); left.hasNext(); ) {
                LimbVerdict limb = left.next();
                long gain = Math.round(gainedBy.applyAsDouble(limb) / Math.max(leastTaken, limb.crownShare()) / ALIKE);
                if (most.isEmpty() || gain > best) {
                    best = gain;
                    most = Optional.of(limb);
                }
            }
            return most;
        };
    }

    /** What takes most first: later it would be too much of what is left. */
    private List<String> largestFirst() {
        return cuts.stream()
                .sorted(Comparator.comparingDouble(LimbVerdict::crownShare).reversed())
                .map(limb -> limb.limb().id())
                .toList();
    }

    private record Asked(int wanted, List<String> order, Map<String, Integer> notBefore) {}

    /** The plan in which cuts get their turn in this order; the same order comes up again and again. */
    private Candidate inOrder(int wanted, List<String> order, Map<String, Integer> notBefore) {
        Asked asked = new Asked(wanted, order, notBefore);
        Candidate before = known.get(asked);
        if (before != null) {
            tries++;
            return before;
        }
        Candidate now = tried(wanted, in(order), notBefore);
        known.put(asked, now);
        return now;
    }

    private static PlanMaker.Turn in(List<String> limbs) {
        return new PlanMaker.Turn() {
            @Override
            public List<LimbVerdict> inOrder(List<LimbVerdict> cuts) {
                Map<String, Integer> order = new HashMap<>();
                limbs.forEach(limb -> order.put(limb, order.size()));
                return cuts.stream()
                        .sorted(Comparator.comparingInt(limb -> order.getOrDefault(limb.tag(), -1)))
                        .toList();
            }

            @Override
            public Optional<LimbVerdict> next(Stream<LimbVerdict> fitting, LaneDraft lane, List<PlannedCut> made) {
                return fitting.findFirst();
            }
        };
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
    private Candidate bettered(Candidate plan, int wanted) {
        tries = 0;
        Candidate best = plan;
        for (boolean better = true; better && tries < mostTries; ) {
            Map<String, Integer> yearOf = yearOf(best.plan());
            Candidate found = turned(best, wanted, yearOf);
            if (found == best) {
                found = held(best, wanted, yearOf);
            }
            better = found != best;
            best = found;
        }
        return best;
    }

    /** A limb held back can leave the year after the room another wants, since shares are of what then stands. */
    private Candidate held(Candidate plan, int wanted, Map<String, Integer> yearOf) {
        for (String limb : plan.order()) {
            Map<String, Integer> other = new HashMap<>(plan.notBefore());
            if (other.remove(limb) == null && yearOf.get(limb) < Integer.MAX_VALUE) {
                other.put(limb, yearOf.get(limb) + 1);
            }
            Candidate tried = tries < mostTries ? inOrder(wanted, plan.order(), other) : plan;
            if (tried.value() > plan.value() + ALIKE) {
                return tried;
            }
        }
        return plan;
    }

    /** The first plan better than one that comes of changing the turns of two cuts of different years. */
    private Candidate turned(Candidate plan, int wanted, Map<String, Integer> yearOf) {
        List<String> order = plan.order();
        for (int later = 1; later < order.size(); later++) {
            for (int earlier = 0; earlier < later; earlier++) {
                if (yearOf.get(order.get(earlier)).equals(yearOf.get(order.get(later)))) {
                    continue;
                }
                for (Change change : Change.values()) {
                    if (tries >= mostTries) {
                        return plan;
                    }
                    Candidate tried = inOrder(wanted, change.of(order, earlier, later), plan.notBefore());
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
