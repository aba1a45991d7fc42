package org.diligentbough.core.task;

/** Kinds of work besides cuts. */
public enum TaskKind {
    SPREAD,
    TIES,
    TIES_OFF,
    SUCKERS,
    TEAR_SHOOTS,
    LOOK_AT_WOUND,
    LOOK_AT_TREE,
    THIN,
    LATE_FIGS,
    PICK,
    NETS,
    HEDGES,
    WEEDS,
    LIME,
    WATER,
    TREATMENT,
    TOOLS,
    OTHER
}
