package org.diligentbough.server.answers;

import java.time.LocalDate;
import java.util.List;
import org.diligentbough.server.shared.MayBeNull;

/**
 * How many fruits a tree is to be left with, which limbs would break under theirs, and why it bore little.
 *
 * @param least fruits to leave, from what to what by all grounds
 * @param counted fruits on it this year; null where nobody counted
 * @param thinLeast to take off of those counted; null where nobody counted
 * @param kilos to expect of what is left; null where no weight of a fruit is known
 * @param how far apart, and when
 * @param when its fruit is thinned, by what is known of the year
 * @param reckoned what crops were reckoned to before they were picked, the first year first
 */
record CropView(
        List<CropGround> grounds,
        int least,
        int most,
        @MayBeNull Integer counted,
        @MayBeNull Integer thinLeast,
        @MayBeNull Integer thinMost,
        int minutes,
        @MayBeNull Double kilos,
        String how,
        ThinWindow when,
        List<LimbLoadView> limbs,
        List<ReckonedView> reckoned,
        int whyYear,
        List<CauseView> why) {

    /** One ground for a number of fruits. */
    record CropGround(String ground, String text, int least, int most) {}

    /**
     * A limb and its part of the crop.
     *
     * @param least fruits to leave on it
     * @param kilos at ripeness; null, as what follows, where no weight of a fruit is known
     * @param ofStrength stress at its base by what it may bear
     * @param holds fine, thin or prop
     */
    record LimbLoadView(
            String limb,
            int least,
            int most,
            @MayBeNull Double kilos,
            @MayBeNull Double ofStrength,
            @MayBeNull String holds) {}

    /** From when until when. */
    record ThinWindow(LocalDate opens, LocalDate closes) {}

    /** A year's crop as it was reckoned by the fruits counted, and what was picked, kg; null where that is not known. */
    record ReckonedView(
            int year,
            int counted,
            @MayBeNull Double kilos,
            LocalDate on,
            String by,
            @MayBeNull Double picked) {}

    /** A line of the thinning table. */
    record ThinRow(
            long treeId,
            String tag,
            String species,
            int least,
            int most,
            @MayBeNull Integer counted,
            @MayBeNull Integer thinLeast,
            @MayBeNull Integer thinMost,
            int minutes,
            @MayBeNull Double kilos,
            String how) {}

    /** A cause of a poor crop, the likeliest first, with what speaks for and against it and which look would tell. */
    record CauseView(
            String cause, String text, double weight, List<String> speaksFor, List<String> against, String look) {}
}
