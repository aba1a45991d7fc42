package org.diligentbough.core.wood;

/** What a grade is made of. */
public enum GradePart {
    DEAD_WOOD,
    DISEASE,
    DECAY,
    CRACKS_AND_UNIONS,
    WOUNDS_NOT_CLOSING,
    VIGOUR
}
