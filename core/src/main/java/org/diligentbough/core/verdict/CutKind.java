package org.diligentbough.core.verdict;

/** How a limb is cut. */
public enum CutKind {
    /** Where it leaves, outside the thickening there. */
    COLLAR,
    /** Back to a side branch that takes over. */
    TO_SIDE_BRANCH,
    /** Back to a bud, or in dead wood. */
    HEADING,
    /** Back to young wood that takes over, or to the ground. */
    RENEWAL,
    /** The tip of a growing shoot, which then branches. */
    TOPPING,
    /** Torn or cut as low as can be. */
    SUCKER,
    /** Not cut: spread or tied. */
    BEND
}
