package org.diligentbough.core.knowledge;

/** The numbers the rules go by. What each means, its value and where it comes from stand in {@code figures.csv}. */
public enum Figure {
    PEACH_ALLOWANCE("share", 0, 1),
    CITRUS_ALLOWANCE("share", 0, 1),
    BIG_CUT_CM("cm", 1, 20),
    BIG_CUT_TRUNK_SHARE("share", 0, 1),
    BIG_CUT_FLOOR_CM("cm", 1, 20),
    THICK_SIDE_LIMB_RATIO("share", 0.1, 1),
    SIDE_BRANCH_RATIO("share", 0.1, 1),
    ALIKE_RATIO("share", 0, 0.5),
    YOUNG_WOOD_YEARS("years", 1, 10),
    YOUNG_SHORTENING_SHARE("share", 0, 1),
    DEFAULT_SHORTENING_SHARE("share", 0, 1),
    LEAST_KEPT_SHARE("share", 0, 1),
    DEFAULT_REGROWTH_M("m", 0, 2),
    SECTOR_DEG("degrees", 10, 180),
    GAP_HALF_DEG("degrees", 5, 90),
    SHADED_LIGHT("share", 0, 1),
    FRUIT_LIGHT("share", 0, 1),
    PLIABLE_CM("cm", 0.5, 5),
    STEEP_DEG("degrees", 30, 90),
    BEND_ROOM_DEG("degrees", 0, 90),
    OUTER_PART_SHARE("share", 0, 1),
    BUSH_MAINS_MOST("branches", 4, 20),
    BUSH_MAINS_LEAST("branches", 4, 20),
    BUSH_RENEWAL_SHARE("share", 0, 1),
    FIG_RENEWAL_HEIGHT_M("m", 0.3, 3),
    FIG_RENEWAL_YEARS("years", 1, 10),
    FIG_LIMB_TURNS("years", 4, 6),
    FIG_BUD_STUB_M("m", 0.01, 0.3),
    FIRE_BLIGHT_MARGIN_M("m", 0.2, 0.5),
    DEAD_STUB_M("m", 0, 0.5),
    TIP_DIEBACK_SHARE("share", 0, 1),
    WEAK_SHOOTS_CM("cm", 5, 30),
    MODEST_SHOOTS_CM("cm", 15, 60),
    STRONG_SHOOTS_CM("cm", 45, 150),
    YOUNG_TREE_YEARS("years", 1, 10),
    RENOVATE_HEIGHT_RATIO("times", 1, 3),
    RENOVATE_UPRIGHTS("shoots", 1, 500),
    RENOVATE_UNTOUCHED_YEARS("years", 1, 50),
    INCURABLE_SHARE("share", 0, 1),
    HOLLOW_WALL_RATIO("share", 0, 1),
    HOLLOW_STRENGTH_LOSS("share", 0, 1),
    GREEN_DENSITY("kg/m3", 500, 1300),
    TWO_PEOPLE_KG("kg", 5, 60),
    ARBORIST_KG("kg", 10, 500),
    ARBORIST_HEIGHT_M("m", 2, 10),
    HOLD_KG("kg", 2, 25),
    SECATEURS_CM("cm", 0.5, 5),
    LOPPERS_CM("cm", 1, 8),
    POLE_CM("cm", 1, 6),
    GROUND_REACH_M("m", 1, 3),
    POLE_REACH_M("m", 2, 8),
    MINUTES_CUT("minutes", 0, 60),
    MINUTES_PER_CM("minutes/cm", 0, 10),
    MINUTES_THREE_CUTS("minutes", 0, 60),
    MINUTES_LADDER("minutes", 0, 60),
    MINUTES_PER_KG("minutes/kg", 0, 5),
    MINUTES_SHOOT("minutes", 0, 10),
    DETAIL_BUDGET_MINUTES("minutes", 0, 600),
    SHOOT_CM("cm", 0.2, 3),
    DETAIL_SHARE_MOST("share", 0, 0.5),
    LARGE_SHARE("share", 0, 1),
    IMPLAUSIBLE_HEIGHT("share", 0, 2),
    FROST_PRONE_MEAN_C("C", 0, 20),
    SAME_SIDE_DEG("degrees", 10, 180),
    BIENNIAL_LEAST_YEARS("years", 1, 20),
    BEND_SLANTING_DEG("degrees", 0, 90),
    BEND_LEVEL_DEG("degrees", -20, 20),
    LEAF_PER_WOOD("m2/cm2", 0.01, 1),
    LEAF_CENTRE("share", 0.3, 1),
    LEAF_ALONG("share", 0.1, 0.6),
    LEAF_ACROSS("share", 0.05, 0.6),
    LEAF_PROJECTION("share", 0.2, 1),
    DIFFUSE_SHARE("share", 0, 1),
    GROWING_MEAN_C("C", 0, 15),
    CROWN_BASE_SHARE("share", 0, 0.8),
    NEIGHBOUR_LEAF_INDEX("m2/m2", 0.5, 8),
    HEDGE_LEAF_INDEX("m2/m2", 0.5, 20),
    WORTH_URGENT("worth", 0, 1),
    WORTH_DEAD("worth", 0, 1),
    WORTH_DISEASED("worth", 0, 1),
    WORTH_DAMAGED("worth", 0, 1),
    WORTH_UNION("worth", 0, 1),
    WORTH_FRAME("worth", 0, 1),
    WORTH_ORDER("worth", 0, 1),
    WORTH_LIGHT_WHOLE("share", 0.01, 0.5),
    SHADE_REACH("times", 1, 10),
    SPACING_PER_HEIGHT("times", 0.5, 2),
    FAR_TOO_CLOSE_SHARE("share", 0.1, 2),
    OUT_OF_BALANCE("times", 1, 2),
    DAILY_SWING_C("C", 0, 30),
    FROST_PRONE_MIN_C("C", -5, 15),
    DRY_MONTH_MM("mm", 0, 200),
    DRIEST_DAYS("days", 7, 90),
    STAGE_SLACK_DAYS("days", 0, 60),
    STAGE_MOST_DAYS_OFF("days", 20, 180),
    FIG_RIPENS_DAYS("days", 30, 200),
    COOL_NIGHT_C("C", 0, 20),
    HARD_FREEZE_C("C", -40, 0),
    HARD_FREEZE_DAYS("days", 0, 9),
    DRY_DAY_MM("mm", 0, 10),
    DRY_DAYS_AFTER("days", 0, 9),
    LADDER_WIND_KMH("km/h", 5, 100),
    POLLEN_REACH_M("m", 1, 1000),
    COMING_WEEKS("weeks", 1, 26),
    BESIDE_A_WHOLE_LIMB("share", 0, 0.3),
    PLAN_RISK_TIMES("times", 1, 20),
    PLAN_ONE_SIDE_COST("worth", 0, 1),
    PLAN_SHORTENING_TIMES("times", 0, 1);

    private final String unit;
    private final double min;
    private final double max;

    Figure(String unit, double min, double max) {
        this.unit = unit;
        this.min = min;
        this.max = max;
    }

    /** The unit its value is given in; {@code share} is a fraction from 0 to 1. */
    public String unit() {
        return unit;
    }

    /** The least value that makes sense. */
    public double min() {
        return min;
    }

    /** The greatest value that makes sense. */
    public double max() {
        return max;
    }
}
