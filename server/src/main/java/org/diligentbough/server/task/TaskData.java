package org.diligentbough.server.task;

import com.fasterxml.jackson.annotation.JsonIgnore;
import io.swagger.v3.oas.annotations.Hidden;
import jakarta.validation.Valid;
import jakarta.validation.constraints.AssertTrue;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.diligentbough.core.crew.Kit;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.task.TaskKind;
import org.diligentbough.server.shared.CodeOf;
import org.diligentbough.server.shared.MayBeNull;

/**
 * A task as people enter it.
 *
 * @param kind of work, such as ties-off or treatment
 * @param minutes person-minutes
 * @param people how many can work on it at once
 * @param kit what is wanted from the shed
 * @param repeatsMonths after how many months it is due again once it is done; null for once
 */
public record TaskData(
        @NotNull(message = "is missing; say what kind of work") @CodeOf(TaskKind.class)
        String kind,

        @NotBlank(message = "is missing; say what is to be done")
        @Size(max = 200, message = "is longer than 200 letters")
        String title,

        @MayBeNull Long treeId,

        @MayBeNull @Size(max = 40, message = "is longer than 40 letters")
        String limb,

        @MayBeNull @CodeOf(Species.class) String species,

        @NotNull(message = "is missing; give the first day") LocalDate opens,

        @NotNull(message = "is missing; give the last day") LocalDate closes,

        @NotNull(message = "is missing; give person-minutes")
        @Min(value = 0, message = "cannot be under 0 minutes")
        @Max(value = 6000, message = "is more than 100 hours; part it")
        Integer minutes,

        @MayBeNull
        @Min(value = 1, message = "wants one at least")
        @Max(value = 20, message = "is more than can work on one thing")
        Integer people,

        @MayBeNull List<@NotNull(message = "is missing") String> kit,

        @MayBeNull
        @Min(value = 1, message = "is a month at least")
        @Max(value = 120, message = "is more than ten years")
        Integer repeatsMonths,

        @MayBeNull @Valid TreatmentData treatment,

        @MayBeNull @Size(max = 500, message = "is longer than 500 letters")
        String note) {

    /**
     * What is used, as its label and the law of the place say: recorded and reminded of here, judged there.
     *
     * @param labelRate how much, as the label says
     * @param intervalDays when again, once it is done; null for not
     * @param harvestDays how long nothing is picked after it
     */
    public record TreatmentData(
            @NotBlank(message = "is missing; say what is used") @Size(max = 120, message = "is longer than 120 letters")
            String substance,

            @NotBlank(message = "is missing; give the rate on its label")
            @Size(max = 120, message = "is longer than 120 letters")
            String labelRate,

            @MayBeNull @Min(value = 1, message = "is a day at least") @Max(value = 365, message = "is more than a year")
            Integer intervalDays,

            @NotNull(message = "is missing; give the days on its label, 0 for none")
            @Min(value = 0, message = "cannot be under 0 days")
            @Max(value = 365, message = "is more than a year")
            Integer harvestDays) {}

    @JsonIgnore
    @Hidden
    @AssertTrue(message = "is before it opens; give a later last day")
    public boolean isClosesLater() {
        return opens == null || closes == null || !closes.isBefore(opens);
    }

    @JsonIgnore
    @Hidden
    @AssertTrue(message = "names something unknown; choose of what a shed holds")
    public boolean isKitKnown() {
        return kit == null
                || kit.stream().allMatch(code -> Codes.parse(Kit.class, code).isPresent());
    }

    @JsonIgnore
    @Hidden
    @AssertTrue(message = "is wanted for a treatment, and for nothing else")
    public boolean isTreatmentGiven() {
        return kind == null || kind.equals("treatment") == (treatment != null);
    }
}
