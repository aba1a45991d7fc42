package org.diligentbough.core.roster;

/** What makes one roster better than another, what weighs most first. */
public enum Should {
    SOONEST_CLOSING_FIRST,
    WHAT_GAINS_MOST,
    NEARBY_TREES_TOGETHER,
    NOVICE_BESIDE_EXPERIENCED,
    HOURS_FAIRLY_SHARED,
    TREES_THEY_KNOW,
    NOBODY_LEFT_OUT,
    AS_IT_WAS_SENT
}
