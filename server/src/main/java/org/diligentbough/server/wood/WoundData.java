package org.diligentbough.server.wood;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import org.diligentbough.core.survey.Face;
import org.diligentbough.server.shared.CodeOf;
import org.diligentbough.server.shared.MayBeNull;

/**
 * An old wound as found on a walk.
 *
 * @param name it goes by on its tree
 * @param onLimb tag of the limb that bears it; null on the trunk
 * @param diameterCm its open width, cm
 * @param hollowCm width of what is soft or gone, cm
 */
public record WoundData(
        @NotBlank(message = "is missing; name it, such as old 1")
        @Size(max = 40, message = "is longer than 40 letters")
        @Pattern(regexp = "[^/\\\\?#%]*", message = "has one of / \\ ? # % in it; name it without")
        String name,

        @MayBeNull @Size(max = 40, message = "is longer than 40 letters")
        String onLimb,

        @NotNull(message = "is missing; give the day") LocalDate foundOn,

        @NotNull(message = "is missing; give its width in cm")
        @DecimalMin(value = "0.1", message = "is too narrow; give cm")
        @DecimalMax(value = "200", message = "is wider than any tree; give cm")
        Double diameterCm,

        @MayBeNull @CodeOf(Face.class) String face,

        @MayBeNull
        @DecimalMin(value = "0", message = "cannot be under 0 cm")
        @DecimalMax(value = "200", message = "is wider than any tree; give cm")
        Double hollowCm,

        @MayBeNull @Size(max = 500, message = "is longer than 500 letters")
        String note) {}
