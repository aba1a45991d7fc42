package org.diligentbough.core.verdict;

/** Where it is done from. */
public enum Reach {
    GROUND,
    POLE,
    LADDER,
    CLIMB
}
