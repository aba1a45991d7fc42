package org.diligentbough.server.visit;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.survey.Face;
import org.diligentbough.server.shared.CodeOf;
import org.diligentbough.server.shared.MayBeNull;

/**
 * What became of one limb on a visit.
 *
 * @param kind what was done when it was done otherwise than planned, or was not planned at all
 * @param alongM where it was shortened then, m from its base
 * @param diameterCm width of the wood at the face, cm, when measured
 * @param hollowCm width of a hollow at the face, cm
 */
public record LoggedCut(
        @NotBlank(message = "is missing; give the limb's tag") @Size(max = 40, message = "is longer than 40 letters")
        String limb,

        @NotNull(message = "is missing; say what became of it") @CodeOf(Outcome.class)
        String outcome,

        @MayBeNull @CodeOf(Done.class) String kind,

        @MayBeNull
        @Min(value = 0, message = "cannot be under 0 m")
        @Max(value = 30, message = "is longer than any limb; give metres")
        Double alongM,

        @MayBeNull
        @Min(value = 0, message = "cannot be under 0 cm")
        @Max(value = 200, message = "is wider than any limb; give cm")
        Double diameterCm,

        @MayBeNull @CodeOf(Face.class) String wood,

        @MayBeNull
        @Min(value = 0, message = "cannot be under 0 cm")
        @Max(value = 200, message = "is wider than any limb; give cm")
        Double hollowCm,

        @MayBeNull @CodeOf(Disease.class) String disease,

        @MayBeNull @Size(max = 500, message = "is longer than 500 letters")
        String note) {

    /** Whether a cut was made. */
    public enum Outcome {
        DONE,
        OTHER,
        NOT_DONE
    }

    /** What was done to a limb. */
    public enum Done {
        REMOVE,
        SHORTEN,
        BEND
    }
}
