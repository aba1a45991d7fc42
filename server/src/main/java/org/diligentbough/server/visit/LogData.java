package org.diligentbough.server.visit;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.diligentbough.server.shared.CodeOf;
import org.diligentbough.server.shared.MayBeNull;

/**
 * What was done and found on a visit, as sent.
 *
 * @param key made by the sender once, so that what is sent twice is kept once
 * @param on the day it was done
 * @param minutes person-minutes worked, clearing up included: two people an hour are 120
 * @param people ids of those who did it
 * @param pileKilos what the prunings weighed, kg
 * @param shoots shoots taken that had only been counted
 */
public record LogData(
        @NotNull(message = "is missing; make one") UUID key,
        @NotNull(message = "is missing; give the day") LocalDate on,

        @NotNull(message = "is missing; give person-minutes")
        @Min(value = 0, message = "cannot be under 0 minutes")
        @Max(value = 60000, message = "is more than a thousand hours; give person-minutes")
        Integer minutes,

        @NotEmpty(message = "is empty; say who did it") List<@NotNull(message = "is missing") Long> people,

        @NotNull(message = "is missing; say where they went") @CodeOf(Prunings.class)
        String prunings,

        @MayBeNull
        @DecimalMin(value = "0", message = "cannot be under 0 kg")
        @DecimalMax(value = "20000", message = "is more than any tree; give kg")
        Double pileKilos,

        @NotNull(message = "is missing; give 0 if none")
        @Min(value = 0, message = "cannot be under 0")
        @Max(value = 10000, message = "is more than a tree has")
        Integer shoots,

        @MayBeNull @Size(max = 2000, message = "is longer than 2000 letters")
        String note,

        @NotNull(message = "is missing; give a list, empty if nothing was cut")
        @Size(max = 500, message = "is longer than 500 cuts")
        List<@Valid @NotNull(message = "is missing") LoggedCut> cuts) {

    /** Where the prunings went. */
    public enum Prunings {
        CHIPPED,
        STACKED,
        CARRIED_OFF,
        LEFT
    }
}
