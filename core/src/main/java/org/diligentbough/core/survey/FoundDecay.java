package org.diligentbough.core.survey;

import java.time.LocalDate;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What was found at a cut face that stands open, or at a wound that was looked at later.
 *
 * @param cut tag of the limb that was cut, or name of the wound
 * @param on limb that bears it; empty where it is on the trunk
 * @param alongM where on that limb, m from its base; height above ground on the trunk
 * @param acrossCm width of the face, cm
 * @param hollowCm width of what was soft or gone, cm; empty where nobody measured it
 * @param rots whether a later look found it soft or with fungus
 */
public record FoundDecay(
        String cut,
        Optional<String> on,
        double alongM,
        Face face,
        double acrossCm,
        OptionalDouble hollowCm,
        LocalDate foundOn,
        boolean rots) {

    /** The same, found rotting by a later look. */
    public FoundDecay rotting() {
        return new FoundDecay(cut, on, alongM, face, acrossCm, hollowCm, foundOn, true);
    }

    /** Whether it weighs on what bears it: soft, hollow, or rotting since. */
    public boolean decayed() {
        return rots || face.decayed();
    }
}
