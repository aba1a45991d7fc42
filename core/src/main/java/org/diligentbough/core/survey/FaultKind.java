package org.diligentbough.core.survey;

/** What can be wrong with a limb, as ticked by the surveyor; several may hold at once. */
public enum FaultKind {
    DEAD,
    TIP_DIEBACK,
    DISEASED,
    BROKEN,
    CRACKED,
    STUB,
    NARROW_UNION,
    INCLUDED_BARK,
    RUBBING,
    CROSSING_CENTRE,
    INWARD,
    UPRIGHT_SHOOT,
    UPRIGHT_UNFRUITFUL,
    WEEPING,
    LOW,
    SHADED,
    CROWDED,
    ENCROACHING,
    SPENT,
    OVERLONG,
    BELOW_GRAFT;

    /** Whether the fault lies between two limbs, so that the other one is named. */
    public boolean paired() {
        return this == NARROW_UNION || this == INCLUDED_BARK || this == RUBBING || this == CROWDED;
    }
}
