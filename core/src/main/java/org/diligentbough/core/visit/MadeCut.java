package org.diligentbough.core.visit;

import java.util.Optional;
import java.util.OptionalDouble;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.survey.Face;

/**
 * What was done to one limb.
 *
 * @param limb its tag
 * @param alongM distance from the limb's base at which it was shortened, m; 0 when it was removed or bent
 * @param step whether it was shortened on the way to being removed, so that what is wrong with it stands
 * @param renewal whether it was the renewal of a bush's or fig's main branch
 * @param disease what the wood at the face showed, if it was sick
 * @param face what the wood there was like; empty where nobody said
 */
public record MadeCut(
        String limb,
        Kind kind,
        double alongM,
        boolean step,
        boolean renewal,
        Optional<Disease> disease,
        Optional<CutFace> face) {

    /** A cut of which nobody said what its face was like. */
    public MadeCut(String limb, Kind kind, double alongM, boolean step, boolean renewal, Optional<Disease> disease) {
        this(limb, kind, alongM, step, renewal, disease, Optional.empty());
    }

    /**
     * The wood at the face.
     *
     * @param acrossCm its width as measured, cm
     * @param hollowCm width of what was soft or gone, cm
     */
    public record CutFace(Face face, OptionalDouble acrossCm, OptionalDouble hollowCm) {}

    /** What became of the limb. */
    public enum Kind {
        REMOVED,
        SHORTENED,
        BENT
    }

    public MadeCut {
        if (kind == Kind.SHORTENED && !(alongM > 0)) {
            throw new IllegalArgumentException("limb " + limb + " was shortened: that takes a distance over 0 m");
        }
    }
}
