package org.diligentbough.core.season;

/** A part of the growing year, as plans name it. */
public enum Season {
    DORMANT,
    BUD_SWELL,
    EARLY_SUMMER,
    SUMMER,
    AFTER_PICKING,
    LEAF_FALL,
    /** Not bound to the species' windows: dead wood, shoots below the graft, what is urgent. */
    ANY
}
