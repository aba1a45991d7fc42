package org.diligentbough.core.orchard;

/** What a tree is grown for. */
public enum Purpose {
    PICKING,
    WILDLIFE,
    BEAUTY,
    SHADE,
    UNDERPLANTING
}
