package org.diligentbough.server.answers;

import java.util.List;
import java.util.Map;
import org.diligentbough.server.shared.MayBeNull;

/**
 * What a site's records answer: its years, what cutting did, what was learned, what to look at.
 *
 * @param kinds of the site's trees, to ask for one alone
 * @param groups the same
 * @param byKind what cutting did for the fruit of each kind
 * @param answers of the records, as the open record file has them
 * @param always whether the site goes by what it learns without being asked
 */
record AnswerView(
        int year,
        List<String> kinds,
        List<String> groups,
        List<YearSum> years,
        LightSum light,
        WoundSum wounds,
        CropSum crops,
        List<KindSum> byKind,
        RecordAnswer answers,
        List<ProposalView> proposals,
        boolean always,
        List<String> lookAt) {

    /**
     * A year of the whole site; a pruning year for work, a calendar year for fruit, grades as they stood at its end.
     *
     * @param kilos picked; null where nothing was recorded
     * @param reckonedMinutes person-minutes planned of the visits logged
     * @param tookMinutes person-minutes they took
     * @param grades trees by grade
     */
    record YearSum(
            int year,
            @MayBeNull Double kilos,
            int treesPicked,
            int cuts,
            @MayBeNull Double meanShare,
            int reckonedMinutes,
            int tookMinutes,
            Map<String, Integer> grades) {}

    /** Means over the trees: of open-sky light, and of the fruiting wood in enough of it: today, today of what the plans leave, after the plans. */
    record LightSum(
            @MayBeNull Double light,
            @MayBeNull Double inLight,
            @MayBeNull Double inLightStaying,
            @MayBeNull Double inLightAfter) {}

    /** Wounds by what becomes of them, and how many are to be looked at. */
    record WoundSum(int closing, int closed, int notClosing, int due) {}

    /** Effects of cutting on the fruit of a kind, as logarithms; null where too little is known. */
    record KindSum(
            String kind,
            int n,
            @MayBeNull Double effect,
            @MayBeNull Double low,
            @MayBeNull Double high) {}

    /**
     * Crops that were reckoned before they were picked.
     *
     * @param crops of a tree and year, reckoned and picked
     * @param pickedByReckoned what was picked by what was reckoned, the middle of them as ratios go; null without any
     * @param least the least of them
     */
    record CropSum(
            int crops,
            @MayBeNull Double pickedByReckoned,
            @MayBeNull Double least,
            @MayBeNull Double most) {}

    /**
     * A number that the site's own records would have otherwise.
     *
     * @param kind for trees of which kind alone; null for all
     * @param now what the site goes by today
     */
    record ProposalView(
            String figure,
            @MayBeNull String kind,
            String meaning,
            String unit,
            double shipped,
            double now,
            double value,
            double low,
            double high,
            int cases) {}
}
