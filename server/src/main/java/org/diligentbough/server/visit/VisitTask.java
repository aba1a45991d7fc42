package org.diligentbough.server.visit;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.server.shared.CodeOf;

/**
 * Yearly work of the kind on a visit, as it was planned.
 *
 * @param code of the work, by which it counts as done once the visit is logged
 * @param minutes person-minutes
 */
public record VisitTask(
        @NotNull(message = "is missing") @CodeOf(ReasonCode.class)
        String code,

        @NotBlank(message = "is missing") @Size(max = 1000, message = "is longer than 1000 letters")
        String text,

        @PositiveOrZero(message = "cannot be under 0 minutes")
        int minutes) {}
