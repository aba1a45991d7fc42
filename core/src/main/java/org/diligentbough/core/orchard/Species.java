package org.diligentbough.core.orchard;

/** The kinds of tree and bush that are judged and planned. */
public enum Species {
    APPLE,
    PEAR,
    QUINCE,
    MEDLAR,
    PLUM,
    SWEET_CHERRY,
    SOUR_CHERRY,
    APRICOT,
    PEACH,
    NECTARINE,
    FIG,
    PERSIMMON,
    CITRUS,
    POMEGRANATE,
    GOOSEBERRY,
    RED_CURRANT,
    BLACK_CURRANT,
    MULBERRY,
    WALNUT
}
