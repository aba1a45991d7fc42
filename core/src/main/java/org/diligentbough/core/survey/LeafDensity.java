package org.diligentbough.core.survey;

/** How much sky is seen from beneath through a crown in leaf. */
public enum LeafDensity {
    /** Over two fifths of it. */
    OPEN,
    /** A fifth to two fifths. */
    MEDIUM,
    /** Under a fifth. */
    DENSE
}
