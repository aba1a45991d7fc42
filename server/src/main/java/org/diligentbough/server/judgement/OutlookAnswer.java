package org.diligentbough.server.judgement;

import java.util.List;
import java.util.OptionalDouble;
import org.diligentbough.core.outlook.Outlook;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.Wording.Worded;

/**
 * Ten years of a tree under three ways of treating it, eleven years each, this one first.
 *
 * @param says what the plan buys and costs
 * @param leftAlone nobody cuts anything
 * @param plan the plan is carried out and kept up
 * @param allAtOnce all that is wanted is cut in the first year, and then it is left
 */
public record OutlookAnswer(
        List<Worded> says, List<YearAnswer> leftAlone, List<YearAnswer> plan, List<YearAnswer> allAtOnce) {

    /**
     * A tree at leaf fall, as a pruning year begins, with the work of that year; the first as it was found.
     *
     * @param inLight share of fruiting wood with light enough for fruit buds, 0 to 1; null when nothing was found fruiting
     * @param light mean light where its leaf is; what darkness took is dark, 0 to 1
     * @param uprights upright shoots
     * @param fruitIndex what it bears as a share of what all its leaf could in full light, 0 to 1
     * @param goodFruit the part of it that has light enough to size and colour, of the same whole
     * @param goodFruitInReach the part of that below the height wanted; null when none is wanted
     * @param deadShare dead wood as a share of the wood surveyed, 0 to 1
     * @param splitRisk chance that a weak union splits that year, 0 to 1
     * @param minutesDone work of that year
     * @param minutesWaiting work it would take then
     * @param takenShare share of the living crown cut that year, 0 to 1
     */
    public record YearAnswer(
            int year,
            double heightM,
            @MayBeNull Double inLight,
            double light,
            int uprights,
            double fruitIndex,
            double goodFruit,
            @MayBeNull Double goodFruitInReach,
            double deadShare,
            double splitRisk,
            int minutesDone,
            int minutesWaiting,
            double takenShare) {
        public static YearAnswer of(Outlook.Year year) {
            return new YearAnswer(
                    year.year(),
                    thousandths(year.heightM()),
                    orNull(year.inLight()),
                    thousandths(year.light()),
                    (int) Math.round(year.uprights()),
                    thousandths(year.fruit().all()),
                    thousandths(year.fruit().good()),
                    orNull(year.fruit().goodInReach()),
                    thousandths(year.deadShare()),
                    thousandths(year.splitRisk()),
                    (int) Math.round(year.minutesDone()),
                    (int) Math.round(year.minutesWaiting()),
                    thousandths(year.takenShare()));
        }
    }

    public static OutlookAnswer of(Outlook outlook, List<Worded> says) {
        return new OutlookAnswer(
                says,
                outlook.leftAlone().stream().map(YearAnswer::of).toList(),
                outlook.plan().stream().map(YearAnswer::of).toList(),
                outlook.allAtOnce().stream().map(YearAnswer::of).toList());
    }

    public static double thousandths(double value) {
        return Math.round(value * 1000) / 1000.0;
    }

    private static Double orNull(OptionalDouble value) {
        return value.isPresent() ? thousandths(value.getAsDouble()) : null;
    }
}
