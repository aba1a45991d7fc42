package org.diligentbough.core.verdict;

/** What is to be done with a limb. */
public enum Verdict {
    KEEP,
    BEND,
    SHORTEN,
    REMOVE,
    WAIT,
    /** It goes with the limb it grows from and needs no cut of its own. */
    GOES_WITH_PARENT
}
