package org.diligentbough.core.season;

import java.util.Arrays;
import java.util.Comparator;

/** The stages of the BBCH scale that people tell apart in an orchard. */
public enum GrowthStage {
    BUDS_AT_REST(0),
    BUDS_SWELL(1),
    BUDS_BURST(7),
    FIRST_LEAVES(10),
    FIRST_FLOWERS(60),
    FULL_BLOOM(65),
    BLOOM_OVER(69),
    FRUIT_SETS(71),
    FRUIT_DROP(73),
    FRUIT_RIPENS(81),
    FRUIT_RIPE(89),
    SHOOTS_STOPPED(91),
    LEAVES_FALL(93),
    HALF_THE_LEAVES_DOWN(95),
    BARE(97);

    private final int bbch;

    GrowthStage(int bbch) {
        this.bbch = bbch;
    }

    /** Where it stands on the BBCH scale, 0 to 99. */
    public int bbch() {
        return bbch;
    }

    /** The last of them that has come when the scale stands at {@code bbch}. */
    public static GrowthStage at(int bbch) {
        return Arrays.stream(values())
                .filter(stage -> stage.bbch <= bbch)
                .max(Comparator.comparingInt(GrowthStage::bbch))
                .orElseThrow(() -> new IllegalArgumentException("the scale begins with 0, not " + bbch));
    }
}
