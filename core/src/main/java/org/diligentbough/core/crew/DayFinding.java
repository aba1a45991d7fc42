package org.diligentbough.core.crew;

import java.util.OptionalLong;
import org.diligentbough.core.knowledge.Reason;

/**
 * Something to be said of a work day.
 *
 * @param visit the tree-visit it is about, if it is about one
 * @param helper the person it is about, if it is about one
 */
public record DayFinding(Weight weight, Reason reason, OptionalLong visit, OptionalLong helper) {

    /** How heavy it weighs. */
    public enum Weight {
        /** May not be. */
        REFUSED,
        /** Must be mended before the day is confirmed; refused once it is. */
        WANTED,
        /** To be known. */
        TOLD
    }
}
