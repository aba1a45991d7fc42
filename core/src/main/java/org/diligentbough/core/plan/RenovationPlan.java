package org.diligentbough.core.plan;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.season.Window;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.LivingCrown;
import org.diligentbough.core.verdict.Cut;
import org.diligentbough.core.verdict.Verdict;

/**
 * Which limb is cut when, over some pruning years.
 *
 * @param years pruning years planned over, one at least
 * @param yearsWhy why so many are suggested; empty when so many were asked for
 * @param lanes in time order
 * @param notPlaced limbs that want something done for which no place was found, with why
 */
public record RenovationPlan(int years, Optional<Reason> yearsWhy, List<Lane> lanes, List<NotPlaced> notPlaced) {
    public RenovationPlan {
        lanes = List.copyOf(lanes);
        notPlaced = List.copyOf(notPlaced);
    }

    /** Whether every cut that is wanted found a place. */
    public boolean placesAll() {
        return notPlaced.stream().allMatch(NotPlaced::hasNoCut)
                && lanes.stream()
                        .flatMap(lane -> lane.cuts().stream())
                        .flatMap(cut -> cut.reasons().stream())
                        .noneMatch(reason -> reason.code() == ReasonCode.STAGED_REST_LATER);
    }

    /** Only these cuts of it; any other that it places, and what else is left out, is listed as not placed, for {@code why}. */
    RenovationPlan only(Set<CutKey> cuts, List<String> leftOut, Reason why) {
        List<NotPlaced> left = new ArrayList<>(notPlaced);
        leftOut.forEach(limb -> left.add(new NotPlaced(limb, List.of(why))));
        List<Lane> kept = new ArrayList<>();
        for (Lane lane : lanes) {
            List<PlannedCut> stay = new ArrayList<>();
            for (PlannedCut cut : lane.cuts()) {
                if (cuts.contains(cut.key())) {
                    stay.add(cut);
                } else if (left.stream().noneMatch(other -> other.limb().equals(cut.limb()))) {
                    left.add(new NotPlaced(cut.limb(), List.of(why)));
                }
            }
            if (!stay.isEmpty()
                    || lane.detail().isPresent()
                    || lane.upkeepMinutes() > 0
                    || !lane.tasks().isEmpty()) {
                kept.add(lane.with(stay));
            }
        }
        left.removeIf(limb -> kept.stream().anyMatch(lane -> lane.cuts().stream()
                .anyMatch(cut -> cut.limb().equals(limb.limb()))));
        return new RenovationPlan(years, yearsWhy, kept, left);
    }

    /** How many pruning years have work in them. */
    int yearsWithWork() {
        return (int) lanes.stream().map(lane -> lane.year().year()).distinct().count();
    }

    RenovationPlan over(int otherYears) {
        return new RenovationPlan(otherYears, yearsWhy, lanes, notPlaced);
    }

    /** The same with limbs that are left as they are, though something is wanted of them. */
    RenovationPlan withLeft(List<NotPlaced> left) {
        List<NotPlaced> all = new ArrayList<>(notPlaced);
        all.addAll(left);
        return new RenovationPlan(years, yearsWhy, lanes, all);
    }

    RenovationPlan because(Reason why) {
        return new RenovationPlan(years, Optional.of(why), lanes, notPlaced);
    }

    /**
     * What is done in one season of one pruning year.
     *
     * @param opens first day on which it may be done
     * @param closes last day
     * @param quality how good the time is; empty for what is not bound to the species' windows
     * @param share of the living crown standing at the start of the pruning year, 0 to 1, taken by the cuts
     * @param crop share of what the tree could bear as surveyed, 0 to 1, that is given up
     * @param allowance the share this lane may take; empty where the species has another rule
     * @param minutes person-minutes for cuts, detail and upkeep, clearing up included
     * @param overrun why more is taken than the allowance
     * @param detail shoots that were counted and not entered one by one
     * @param tasks yearly work of the kind that is no single limb's
     * @param upkeepMinutes person-minutes of the ordinary yearly cutting of a tree that is kept, an estimate; 0 when it has none
     */
    public record Lane(
            PruningYear year,
            Season season,
            LocalDate opens,
            LocalDate closes,
            Optional<Window.Quality> quality,
            List<PlannedCut> cuts,
            double share,
            double crop,
            OptionalDouble allowance,
            int bigCuts,
            int minutes,
            Optional<Reason> overrun,
            Optional<Detail> detail,
            List<Task> tasks,
            int upkeepMinutes) {
        public Lane {
            tasks = List.copyOf(tasks);
            cuts = List.copyOf(cuts);
        }

        private Lane with(List<PlannedCut> others) {
            int lessMinutes = cuts.stream().mapToInt(cut -> cut.cut().minutes()).sum()
                    - others.stream().mapToInt(cut -> cut.cut().minutes()).sum();
            return new Lane(
                    year,
                    season,
                    opens,
                    closes,
                    quality,
                    others,
                    others.stream().mapToDouble(PlannedCut::share).sum(),
                    others.stream().mapToDouble(PlannedCut::crop).sum(),
                    allowance,
                    (int) others.stream().filter(cut -> cut.cut().big()).count(),
                    minutes - lessMinutes,
                    overrun,
                    detail,
                    tasks,
                    upkeepMinutes);
        }

        /** Makes its cuts on a crown. */
        public void takeOff(LivingCrown crown, Branching branching) {
            for (PlannedCut cut : cuts) {
                cut.kind()
                        .takenFrom(
                                crown,
                                branching.get(cut.limb()),
                                cut.cut().place().alongM());
            }
        }
    }

    /**
     * One limb's turn.
     *
     * @param kind remove, shorten or bend
     * @param share of the living crown standing at the start of the pruning year, 0 to 1
     * @param crop share of what the tree could bear as surveyed, 0 to 1, that goes with it
     * @param reasons why it is done otherwise than the limb's verdict says, if it is
     * @param byHand whether somebody moved it here
     * @param breaks what rules its place breaks; only a cut moved by hand can break any
     */
    public record PlannedCut(
            String limb,
            Verdict kind,
            double share,
            double crop,
            Cut cut,
            List<Reason> reasons,
            boolean byHand,
            List<Reason> breaks) {
        public PlannedCut {
            reasons = List.copyOf(reasons);
            breaks = List.copyOf(breaks);
        }

        /** What it is compared by. */
        public CutKey key() {
            return new CutKey(limb, kind);
        }
    }

    /**
     * Counted shoots dealt with in one season.
     *
     * @param share of the living crown they are taken to carry, 0 to 1
     * @param minutes person-minutes
     */
    public record Detail(int shoots, double share, int minutes) {}

    /**
     * Yearly work of the kind that is no single limb's.
     *
     * @param what is done, and why
     * @param minutes person-minutes, 0 and more
     */
    public record Task(Reason what, int minutes) {}

    /** A limb for which no place was found, or which nothing can be done about yet. */
    public record NotPlaced(String limb, List<Reason> reasons) {
        public NotPlaced {
            reasons = List.copyOf(reasons);
        }

        /** Whether there is no cut to place: a branch to cut to has to be found first. */
        boolean hasNoCut() {
            return reasons.stream().anyMatch(reason -> reason.code() == ReasonCode.FIND_A_BRANCH);
        }
    }
}
