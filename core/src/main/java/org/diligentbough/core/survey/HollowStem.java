package org.diligentbough.core.survey;

/** What a hollow leaves of a stem. Numbers screen; they never clear a tree. */
public final class HollowStem {
    private HollowStem() {}

    /** Sound wall as a share of the radius, t/R (from memory: Mattheck). Both in cm. */
    public static double wallRatio(double radiusCm, double wallCm) {
        return wallCm / radiusCm;
    }

    /**
     * Share of a stem's bending strength lost to a round hollow, 0 to 1: the hollow's diameter cubed by the stem's cubed
     * (from memory: Wagener). Both in cm.
     */
    public static double strengthLoss(double radiusCm, double wallCm) {
        double hollow = Math.max(0, radiusCm - wallCm) / radiusCm;
        return hollow * hollow * hollow;
    }
}
