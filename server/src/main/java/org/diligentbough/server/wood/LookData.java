package org.diligentbough.server.wood;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import org.diligentbough.core.wood.Wound;
import org.diligentbough.server.shared.CodeOf;
import org.diligentbough.server.shared.MayBeNull;

/**
 * A look at a wound.
 *
 * @param wound tag of the limb that was cut, or the name it was found under
 * @param longMm open the long way, mm
 * @param shortMm open the short way, mm
 * @param shoots that grew near it since it was made
 * @param longestCm the longest of them, cm
 */
public record LookData(
        @NotBlank(message = "is missing; say which wound") @Size(max = 40, message = "is longer than 40 letters")
        String wound,

        @NotNull(message = "is missing; give the day") LocalDate on,

        @NotNull(message = "is missing; give mm, 0 when it is closed")
        @DecimalMin(value = "0", message = "cannot be under 0 mm")
        @DecimalMax(value = "3000", message = "is wider than any tree; give mm")
        Double longMm,

        @NotNull(message = "is missing; give mm, 0 when it is closed")
        @DecimalMin(value = "0", message = "cannot be under 0 mm")
        @DecimalMax(value = "3000", message = "is wider than any tree; give mm")
        Double shortMm,

        @NotNull(message = "is missing; say what it looks like") @CodeOf(Wound.State.class)
        String state,

        @MayBeNull
        @Min(value = 0, message = "cannot be under 0")
        @Max(value = 5000, message = "is more than a tree has")
        Integer shoots,

        @MayBeNull
        @DecimalMin(value = "0", message = "cannot be under 0 cm")
        @DecimalMax(value = "500", message = "is longer than any shoot; give cm")
        Double longestCm,

        @MayBeNull @Size(max = 500, message = "is longer than 500 letters")
        String note) {}
