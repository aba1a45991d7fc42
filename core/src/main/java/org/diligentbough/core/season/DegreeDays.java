package org.diligentbough.core.season;

/** The warmth of a day above the temperature from which growth starts. */
public final class DegreeDays {
    private DegreeDays() {}

    /**
     * Degree days of one day by the single sine: the temperature runs from its minimum to its maximum as a sine does, and
     * only what lies above the base counts. Source: Baskerville and Emin 1969, from memory.
     *
     * @param minC minimum of the day, degrees C
     * @param maxC maximum of the day, degrees C, not under {@code minC}
     * @param baseC temperature from which growth starts, degrees C
     * @return degree days, 0 or more
     */
    public static double singleSine(double minC, double maxC, double baseC) {
        if (maxC < minC) {
            throw new IllegalArgumentException("the warmest of a day is not under its coldest");
        }
        double mean = (minC + maxC) / 2;
        if (maxC <= baseC) {
            return 0;
        }
        if (minC >= baseC) {
            return mean - baseC;
        }
        double half = (maxC - minC) / 2;
        double crossing = Math.asin((baseC - mean) / half);
        return ((mean - baseC) * (Math.PI / 2 - crossing) + half * Math.cos(crossing)) / Math.PI;
    }
}
