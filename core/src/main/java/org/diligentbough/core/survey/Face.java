package org.diligentbough.core.survey;

/** What the wood looks like at a cut face. */
public enum Face {
    SOUND,
    STAINED,
    SOFT,
    HOLLOW;

    /** Whether the wood is rotten or gone. */
    public boolean decayed() {
        return this == SOFT || this == HOLLOW;
    }
}
