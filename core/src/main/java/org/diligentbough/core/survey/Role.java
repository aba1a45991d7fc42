package org.diligentbough.core.survey;

/** A limb’s part in the frame of its tree. */
public enum Role {
    LEADER,
    SCAFFOLD,
    TIER,
    RENEWAL,
    FRUITING_ARM
}
