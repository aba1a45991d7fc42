package org.diligentbough.server.wood;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.wood.Sighting;
import org.diligentbough.server.shared.CodeOf;
import org.diligentbough.server.shared.MayBeNull;

/** What is seen of a disease on a tree on a day. */
public record DiseaseData(
        @NotNull(message = "is missing; choose the disease") @CodeOf(Disease.class)
        String disease,

        @NotNull(message = "is missing; give the day") LocalDate on,

        @NotNull(message = "is missing; say how it stands") @CodeOf(Sighting.State.class)
        String state,

        @MayBeNull @Size(max = 40, message = "is longer than 40 letters")
        String limb,

        @MayBeNull @Size(max = 500, message = "is longer than 500 letters")
        String note) {}
