package org.diligentbough.server.crew;

import com.fasterxml.jackson.annotation.JsonIgnore;
import io.swagger.v3.oas.annotations.Hidden;
import jakarta.validation.constraints.AssertTrue;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Map;
import org.diligentbough.core.crew.Kit;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.server.shared.MayBeNull;

/**
 * A work day as people enter it.
 *
 * @param starts time of day, such as 09:30
 * @param shed how many of each the shed holds: ladder, secateurs, loppers, saw, pole-pruner, pole-saw, spreader, rope, helmet,
 *     gloves
 */
public record DayData(
        @NotNull(message = "is missing; give the day") LocalDate on,

        @NotNull(message = "is missing; give a time such as 09:30")
        @Pattern(regexp = "([01]\\d|2[0-3]):[0-5]\\d", message = "give a time such as 09:30")
        String starts,

        @NotNull(message = "is missing; give a time such as 15:00")
        @Pattern(regexp = "([01]\\d|2[0-3]):[0-5]\\d", message = "give a time such as 15:00")
        String ends,

        @NotNull(message = "is missing; say what the shed holds")
        Map<
                        String,
                        @NotNull(message = "is missing; give a number") @Min(value = 0, message = "cannot be under 0")
                        @Max(value = 1000, message = "is more than a shed holds") Integer>
                shed,

        @MayBeNull @Size(max = 1000, message = "is longer than 1000 letters")
        String note) {

    @JsonIgnore
    @Hidden
    @AssertTrue(message = "is not after the start; give a later end")
    public boolean isEndsLater() {
        try {
            return starts == null || ends == null || minutes() > 0;
        } catch (DateTimeException e) {
            return true; // said by the patterns
        }
    }

    @JsonIgnore
    @Hidden
    @AssertTrue(
            message =
                    "names something unknown; choose of ladder, secateurs, loppers, saw, pole-pruner, pole-saw, spreader,"
                            + " rope, helmet and gloves")
    public boolean isShedKnown() {
        return shed == null
                || shed.keySet().stream()
                        .allMatch(code -> Codes.parse(Kit.class, code).isPresent());
    }

    /** From start to end. */
    @JsonIgnore
    @Hidden
    public int minutes() {
        return (int)
                Duration.between(LocalTime.parse(starts), LocalTime.parse(ends)).toMinutes();
    }
}
