package org.diligentbough.core.verdict;

/**
 * What can be found of a limb, in the order in which it is looked for (common practice). The first that applies gives
 * the verdict, the others stand as further reasons.
 */
public enum TableRow {
    /** The coordinator decided otherwise than the table. */
    DECIDED,
    DEAD,
    DISEASED,
    DAMAGED,
    SPLIT_UNION,
    RUBBING,
    INTO_CENTRE,
    THICK_SIDE_LIMB,
    TOO_HIGH,
    UPRIGHT_SHOOT,
    UPRIGHT_UNFRUITFUL,
    WEEPING,
    SHADED_UNDERNEATH,
    LOW,
    ENCROACHING,
    CROWDED,
    SPENT,
    BELOW_GRAFT,
    OVERLONG,
    PLIABLE,
    FRUITFUL,
    NOTHING_CLEAR
}
