package org.diligentbough.core.orchard;

/** Where on its wood a tree carries its fruit. */
public enum Bearing {
    SPUR,
    TIP,
    PART_TIP,
    UNKNOWN
}
