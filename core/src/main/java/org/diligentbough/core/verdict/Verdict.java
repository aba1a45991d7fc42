package org.diligentbough.core.verdict;

import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.LivingCrown;

/** What is to be done with a limb. */
public enum Verdict {
    KEEP,
    BEND,
    SHORTEN,
    REMOVE,
    WAIT,
    /** It goes with the limb it grows from and needs no cut of its own. */
    GOES_WITH_PARENT;

    /**
     * Takes off a crown what it takes of a limb.
     *
     * @param alongM where a limb is shortened, m from its base
     * @return share of the crown as surveyed that went, 0 to 1; nothing where live wood stays
     */
    public double takenFrom(LivingCrown crown, Limb limb, double alongM) {
        return switch (this) {
            case REMOVE -> crown.remove(limb);
            case SHORTEN -> crown.shorten(limb, alongM);
            default -> 0;
        };
    }
}
