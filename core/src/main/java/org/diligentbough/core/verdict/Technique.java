package org.diligentbough.core.verdict;

/** How the cut is made: at once, in three cuts, or no cut but a tie. */
public enum Technique {
    SINGLE,
    THREE_CUT,
    TIE
}
