package org.diligentbough.core.wood;

import java.time.LocalDate;
import java.util.OptionalDouble;
import java.util.OptionalInt;

/**
 * How a wound closes.
 *
 * @param closingMmPerYear from each edge, mm a year, as seen, or as growth lets expect before any look
 * @param expectedMmPerYear what growth lets expect, mm a year
 * @param closedYear calendar year in which it is, or was, closed; empty where it does not close
 * @param low the first year, of an interval of 80 %; empty where there is none
 * @param high the last such year; empty where it may never close
 * @param looks how many there were
 * @param lookedOn the newest look, else the day it was made
 */
public record WoundCourse(
        double closingMmPerYear,
        double expectedMmPerYear,
        OptionalInt closedYear,
        OptionalInt low,
        OptionalInt high,
        State state,
        int looks,
        LocalDate lookedOn) {

    /** What becomes of it. */
    public enum State {
        CLOSING,
        CLOSED,
        NOT_CLOSING
    }

    /** Width, mm, that is open still some years after the newest look, by its own closing. */
    public static double openMm(double lastMm, double closingMmPerYear, double years) {
        return Math.max(0, lastMm - 2 * closingMmPerYear * years);
    }

    /** What growth lets a wound of a tree close a year, from each edge. */
    public record Growth(OptionalDouble girthCmPerYear, OptionalDouble shootExtensionCm) {
        /** Nothing is known of it. */
        public static final Growth UNKNOWN = new Growth(OptionalDouble.empty(), OptionalDouble.empty());
    }
}
