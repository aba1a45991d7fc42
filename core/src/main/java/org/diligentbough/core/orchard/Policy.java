package org.diligentbough.core.orchard;

/**
 * What a site has chosen where practitioners differ.
 *
 * @param allowance how much of the living crown may come off in a pruning year
 * @param summerAllowance how much of it in summer, for trees whose main cut is dormant: a share, 0 to 1
 * @param bigCuts big cuts a tree may bear in a pruning year, 0 to 5
 */
public record Policy(
        Allowance allowance,
        double summerAllowance,
        int bigCuts,
        Pome pome,
        Apricot apricot,
        Peach peach,
        Fig fig,
        Bend bend,
        Sealing sealing,
        InGrowth inGrowth) {

    /** A tenth of the crown may come off a dormant-cut tree in summer (common practice). */
    public static final double DEFAULT_SUMMER_ALLOWANCE = 0.10;

    /** Three big cuts a tree a year (common practice). */
    public static final int DEFAULT_BIG_CUTS = 3;

    /** What holds when a site has chosen nothing. */
    public static final Policy DEFAULT = new Policy(
            Allowance.QUARTER,
            DEFAULT_SUMMER_ALLOWANCE,
            DEFAULT_BIG_CUTS,
            Pome.LATE_WINTER,
            Apricot.DRY_SUMMER,
            Peach.BUD_SWELL,
            Fig.WHOLE,
            Bend.SLANTING,
            Sealing.NONE,
            InGrowth.NONE);

    public Policy {
        if (!(summerAllowance >= 0 && summerAllowance <= 1)) {
            throw new IllegalArgumentException("summerAllowance is a share from 0 to 1, not " + summerAllowance);
        }
        if (bigCuts < 0 || bigCuts > 5) {
            throw new IllegalArgumentException("bigCuts is from 0 to 5, not " + bigCuts);
        }
    }

    /** The same with another choice: an {@link Allowance}, a {@link Pome}, an {@link Apricot}, a {@link Peach} or a {@link Fig}. */
    public Policy choosing(Enum<?> school) {
        return new Policy(
                school instanceof Allowance other ? other : allowance,
                summerAllowance,
                bigCuts,
                school instanceof Pome other ? other : pome,
                school instanceof Apricot other ? other : apricot,
                school instanceof Peach other ? other : peach,
                school instanceof Fig other ? other : fig,
                bend,
                sealing,
                inGrowth);
    }

    /** Share of the living crown that may come off in a pruning year. */
    public enum Allowance {
        QUARTER(0.25),
        THIRD(1.0 / 3);

        private final double share;

        Allowance(double share) {
            this.share = share;
        }

        /** As a share of the living crown at the start of the pruning year. */
        public double share() {
            return share;
        }
    }

    /** When apples, pears and their like get their main cut. */
    public enum Pome {
        LATE_WINTER,
        LATE_SUMMER
    }

    /** When apricots are cut. */
    public enum Apricot {
        DRY_SUMMER,
        BUD_SWELL,
        WINTER_SEALED
    }

    /** When peaches and nectarines are cut. */
    public enum Peach {
        BUD_SWELL,
        AFTER_PICKING,
        LEAF_FALL
    }

    /** How figs are renewed. */
    public enum Fig {
        WHOLE,
        BY_LIMB
    }

    /** What a steep young limb is spread to. */
    public enum Bend {
        SLANTING,
        LEVEL
    }

    /** Whether pome and stone fruit are cut in growth too, to keep them small. */
    public enum InGrowth {
        NONE,
        KEEP_SMALL
    }

    /** Whether wounds are sealed. */
    public enum Sealing {
        NONE,
        STONE_FRUIT
    }
}
