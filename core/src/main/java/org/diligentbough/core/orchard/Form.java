package org.diligentbough.core.orchard;

/** The shape a tree has or is to have. */
public enum Form {
    OPEN_CENTRE,
    CENTRAL_LEADER,
    FAN,
    ESPALIER,
    CORDON,
    HEDGE,
    BUSH,
    NATURAL;

    /** Whether it is trained to a support or a row; such trees are cut in summer whatever the stock. */
    public boolean trained() {
        return this == FAN || this == ESPALIER || this == CORDON || this == HEDGE;
    }
}
