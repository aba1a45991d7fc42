package org.diligentbough.core.survey;

/** What a diseased limb is thought to suffer from. */
public enum Disease {
    CANKER,
    SILVER_LEAF,
    BACTERIAL_CANKER,
    GUMMING,
    FIRE_BLIGHT,
    BRANCH_DIEBACK,
    LEAF_CURL,
    INSECT,
    UNKNOWN
}
