package org.diligentbough.core.verdict;

/** The eight directions in which something is said to lie or to point. */
public enum Compass {
    NORTH,
    NORTH_EAST,
    EAST,
    SOUTH_EAST,
    SOUTH,
    SOUTH_WEST,
    WEST,
    NORTH_WEST;

    /** The nearest to a direction in degrees, 0 north, clockwise. */
    public static Compass of(double azimuthDeg) {
        int eighth = (int) Math.round(((azimuthDeg % 360) + 360) % 360 / 45) % 8;
        return values()[eighth];
    }
}
