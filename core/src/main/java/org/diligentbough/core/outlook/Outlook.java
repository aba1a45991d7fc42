package org.diligentbough.core.outlook;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.orchard.Rootstocks;
import org.diligentbough.core.survey.Point;
import org.diligentbough.core.verdict.Verdict;

/**
 * Ten years of a tree under three ways of treating it: not a forecast to the shoot, but right in which way it goes (own
 * assumptions, in the data file). Eleven years each, this one first.
 *
 * @param leftAlone nobody cuts anything
 * @param plan the plan is carried out and kept up: each year, within the allowance, what grew is taken, what died, what stands
 *     above the height wanted, and shoots that answered cuts
 * @param allAtOnce all that is planned is cut in the first year, and then it is left
 */
public record Outlook(List<Year> leftAlone, List<Year> plan, List<Year> allAtOnce) {
    /** Years looked at, this one among them. */
    public static final int YEARS = 11;

    public Outlook {
        leftAlone = List.copyOf(leftAlone);
        plan = List.copyOf(plan);
        allAtOnce = List.copyOf(allAtOnce);
    }

    /**
     * A tree at leaf fall, as a pruning year begins, with the work of that year; the first as it was found.
     *
     * @param year calendar year the pruning year bears
     * @param light mean where its leaf is, what darkness took being dark, 0 to 1
     * @param inLight share of the wood that was found fruiting, and of new wood that bears, with light enough for fruit buds, 0 to 1;
     *     empty when nothing was found fruiting
     * @param uprights upright shoots
     * @param fruit what it bears
     * @param deadShare dead wood as a share of the wood surveyed, 0 to 1
     * @param splitRisk chance that a weak union splits in that year, 0 to 1
     * @param minutesDone work put into it in that year
     * @param minutesWaiting work it would take then to do what is wanted now and to take the uprights and what has died
     * @param takenShare share of the living crown cut in that year, 0 to 1
     */
    public record Year(
            int year,
            double heightM,
            double light,
            OptionalDouble inLight,
            double uprights,
            Fruit fruit,
            double deadShare,
            double splitRisk,
            double minutesDone,
            double minutesWaiting,
            double takenShare,
            List<Grown> limbs,
            List<Shoots> regrown,
            List<NewWood> refilled) {
        public Year {
            refilled = List.copyOf(refilled);
            limbs = List.copyOf(limbs);
            regrown = List.copyOf(regrown);
        }

        /** The same with what the year's work came to. */
        Year with(double minutes, double share) {
            return new Year(
                    year,
                    heightM,
                    light,
                    inLight,
                    uprights,
                    fruit,
                    deadShare,
                    splitRisk,
                    minutes,
                    minutesWaiting,
                    share,
                    limbs,
                    regrown,
                    refilled);
        }
    }

    /**
     * What a tree bears in a year, as shares of what all its leaf, as surveyed, could bear in full light, 0 to 1.
     *
     * @param all fruit of any size
     * @param good fruit that has light enough to size and colour
     * @param goodInReach good fruit below the height wanted; empty when none is wanted
     */
    public record Fruit(double all, double good, OptionalDouble goodInReach) {
        /** What is looked at first: good fruit within reach, or all good fruit where no height is wanted. */
        public double first() {
            return goodInReach.orElse(good);
        }
    }

    /**
     * A limb that stands.
     *
     * @param light on it, 0 to 1
     * @param leafAlongM half its leaf's extent along it, m; 0 when it is dead
     * @param leafAcrossM half its extent across, m
     * @param cut what is done to it that year; empty when nothing is
     * @param cutAtM where, m from its base
     */
    public record Grown(
            String id,
            Point base,
            Point tip,
            double diameterCm,
            double tipDiameterCm,
            boolean living,
            double light,
            Point leafCentre,
            double leafAlongM,
            double leafAcrossM,
            Optional<Verdict> cut,
            double cutAtM) {}

    /**
     * Shoots that answered a cut.
     *
     * @param limb the limb that was cut
     * @param lengthM of the longest
     */
    public record Shoots(String limb, Point from, double lengthM, double shoots, double spreadM) {}

    /**
     * New wood, chosen and kept, in the room of a limb on the trunk.
     *
     * @param main the limb whose room it is, standing or gone
     * @param from where the room begins along that limb, {@code to} where it ends
     * @param leaf share of the leaf that hung there at first, 0 to 1
     * @param acrossM half the room's extent across, m
     */
    public record NewWood(String main, Point from, Point to, double acrossM, double leaf) {}

    /**
     * The same with how far it may be off: the least and most of three runs with the coefficients lower, as they are, and
     * higher.
     */
    public record Banded(Outlook middle, List<Band> leftAlone, List<Band> plan, List<Band> allAtOnce) {}

    /** Least and most of a year. */
    public record Band(
            Range heightM,
            Range inLight,
            Range uprights,
            Range fruit,
            Range goodFruit,
            Range firstFruit,
            Range deadShare) {}

    /** From the least to the most. */
    public record Range(double least, double most) {}

    /** Looks ahead. */
    public static Outlook of(Planned tree, Rootstocks rootstocks) {
        return new Treatments(tree, rootstocks).live().told();
    }

    /** Looks ahead three times. */
    public static Banded banded(Planned tree, Rootstocks rootstocks) {
        double off = tree.facts().figure(Figure.OUTLOOK_BAND);
        Treatments ways = new Treatments(tree, rootstocks);
        Treatments.Three lived = ways.live();
        Outlook middle = lived.told();
        List<Outlook> runs = List.of(middle, ways.again(lived, 1 - off), ways.again(lived, 1 + off));
        return new Banded(
                middle,
                bands(runs.stream().map(Outlook::leftAlone).toList()),
                bands(runs.stream().map(Outlook::plan).toList()),
                bands(runs.stream().map(Outlook::allAtOnce).toList()));
    }

    private static List<Band> bands(List<List<Year>> runs) {
        List<Band> bands = new ArrayList<>();
        for (int i = 0; i < YEARS; i++) {
            int year = i;
            List<Year> same = runs.stream().map(run -> run.get(year)).toList();
            bands.add(new Band(
                    range(same, Year::heightM),
                    range(same, one -> one.inLight().orElse(0)),
                    range(same, Year::uprights),
                    range(same, one -> one.fruit().all()),
                    range(same, one -> one.fruit().good()),
                    range(same, one -> one.fruit().first()),
                    range(same, Year::deadShare)));
        }
        return bands;
    }

    private static Range range(List<Year> years, ToDoubleFunction<Year> what) {
        return new Range(
                years.stream().mapToDouble(what).min().orElseThrow(),
                years.stream().mapToDouble(what).max().orElseThrow());
    }
}
