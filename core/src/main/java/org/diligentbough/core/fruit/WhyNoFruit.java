package org.diligentbough.core.fruit;

import static org.diligentbough.core.knowledge.Figure.BLOOM_FROST_MOST_C;
import static org.diligentbough.core.knowledge.Figure.BLOOM_FROST_TENTH_C;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.diligentbough.core.knowledge.Knowledge;

/**
 * Why a tree bore nothing, or little: causes in order, each with what speaks for it and against it, and which look would tell
 * (common practice, no source; weights are our own).
 */
public final class WhyNoFruit {
    private static final double SHADE = 0.30;
    private static final double CUT_HARD = 0.30;
    private static final int YOUNG_YEARS = 5;
    private static final int THICK_BLOOM = 4;
    private static final int HEAVY_TIMES = 2;

    private WhyNoFruit() {}

    /** What may have kept it from bearing. */
    public enum Cause {
        OFF_YEAR,
        NO_PARTNER,
        FROST_IN_BLOOM,
        SHADE,
        CUT_TOO_HARD,
        TIPS_REMOVED,
        TOO_YOUNG,
        SICK_LEAF,
        BLOOM_WITHOUT_SET
    }

    /**
     * A cause.
     *
     * @param weight 0 nothing speaks for it to 1 hardly anything else will do
     * @param speaksFor codes of what speaks for it
     * @param against codes of what speaks against it
     */
    public record Reckoned(Cause cause, double weight, List<String> speaksFor, List<String> against) {}

    /**
     * What is known of the year.
     *
     * @param bloom 0 to 5
     * @param cropBefore the crop of the year before by the mean of all others
     * @param lacksPartner whether no other kind to pollinate it stands in reach; empty where it needs none or nobody knows
     * @param coldestInBloomC lowest temperature while it bloomed
     * @param light mean light in the crown, 0 to 1
     * @param shareCut of the crown, in the winter before
     * @param tipBearer whether it bears at the ends of shoots
     * @param shortened whether shoots were shortened in the winter before
     * @param ageYears of the tree
     * @param sickLeaf whether leaf disease was reported
     */
    public record Year(
            OptionalInt bloom,
            OptionalDouble cropBefore,
            Optional<Boolean> lacksPartner,
            OptionalDouble coldestInBloomC,
            OptionalDouble light,
            double shareCut,
            boolean tipBearer,
            boolean shortened,
            OptionalInt ageYears,
            boolean sickLeaf) {}

    /** Causes, the likeliest first; those against which something speaks and for which nothing does are left out. */
    public static List<Reckoned> of(Year year, Knowledge knowledge) {
        List<Reckoned> found = new ArrayList<>();
        boolean bloomed = year.bloom().orElse(0) >= THICK_BLOOM;
        boolean noBloom = year.bloom().isPresent() && year.bloom().getAsInt() <= 1;
        add(
                found,
                Cause.OFF_YEAR,
                year.cropBefore().orElse(0) >= HEAVY_TIMES
                        ? 0.9
                        : year.cropBefore().orElse(0) >= 1.3 ? 0.6 : 0,
                says(year.cropBefore().orElse(0) >= 1.3, "heavy-before", noBloom, "little-bloom"),
                says(bloomed, "thick-bloom", false, ""));
        add(
                found,
                Cause.NO_PARTNER,
                year.lacksPartner().orElse(false) ? 0.8 : 0,
                says(year.lacksPartner().orElse(false), "no-partner-near", bloomed, "thick-bloom"),
                says(
                        noBloom,
                        "little-bloom",
                        year.lacksPartner().filter(lacks -> !lacks).isPresent(),
                        "partner-near"));
        boolean known = year.coldestInBloomC().isPresent();
        double coldest = year.coldestInBloomC().orElse(0);
        boolean frost = known && coldest <= knowledge.get(BLOOM_FROST_TENTH_C);
        boolean hard = known && coldest <= knowledge.get(BLOOM_FROST_MOST_C);
        add(
                found,
                Cause.FROST_IN_BLOOM,
                hard ? 0.95 : frost ? 0.6 : 0,
                says(frost, "frost-in-bloom", false, ""),
                says(known && !frost, "no-frost", noBloom, "little-bloom"));
        boolean dark = year.light().isPresent() && year.light().getAsDouble() < SHADE;
        add(
                found,
                Cause.SHADE,
                dark ? 0.5 : 0,
                says(dark, "dark-crown", noBloom, "little-bloom"),
                says(bloomed, "thick-bloom", false, ""));
        add(
                found,
                Cause.CUT_TOO_HARD,
                year.shareCut() >= CUT_HARD ? 0.7 : 0,
                says(year.shareCut() >= CUT_HARD, "cut-hard", noBloom, "little-bloom"),
                says(bloomed, "thick-bloom", false, ""));
        boolean tips = year.tipBearer() && year.shortened();
        add(
                found,
                Cause.TIPS_REMOVED,
                tips ? 0.6 : 0,
                says(tips, "tips-gone", false, ""),
                says(bloomed, "thick-bloom", false, ""));
        boolean young = year.ageYears().isPresent() && year.ageYears().getAsInt() < YOUNG_YEARS;
        add(found, Cause.TOO_YOUNG, young ? 0.85 : 0, says(young, "young", noBloom, "little-bloom"), List.of());
        add(
                found,
                Cause.SICK_LEAF,
                year.sickLeaf() ? 0.4 : 0,
                says(year.sickLeaf(), "sick-leaf", false, ""),
                List.of());
        add(found, Cause.BLOOM_WITHOUT_SET, bloomed ? 0.35 : 0, says(bloomed, "thick-bloom", false, ""), List.of());
        found.sort(Comparator.comparingDouble(Reckoned::weight).reversed());
        return List.copyOf(found);
    }

    private static List<String> says(boolean one, String first, boolean other, String second) {
        List<String> said = new ArrayList<>();
        if (one) {
            said.add(first);
        }
        if (other) {
            said.add(second);
        }
        return said;
    }

    /** What speaks against a cause halves it each time. */
    private static void add(
            List<Reckoned> found, Cause cause, double weight, List<String> speaksFor, List<String> against) {
        if (weight > 0) {
            found.add(new Reckoned(cause, weight * Math.pow(0.5, against.size()), speaksFor, against));
        }
    }
}
