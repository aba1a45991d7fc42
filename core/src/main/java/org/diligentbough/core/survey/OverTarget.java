package org.diligentbough.core.survey;

/** What would be hit if a limb fell. */
public enum OverTarget {
    PATH,
    BENCH,
    BUILDING,
    ROAD,
    POWER_LINE
}
