package org.diligentbough.core.verdict;

/** What it is done with. */
public enum Tool {
    SECATEURS,
    LOPPERS,
    SAW,
    POLE_PRUNER,
    POLE_SAW,
    SPREADER
}
