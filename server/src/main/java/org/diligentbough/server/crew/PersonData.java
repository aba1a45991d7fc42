package org.diligentbough.server.crew;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.diligentbough.core.verdict.Ticket;
import org.diligentbough.server.shared.CodeOf;
import org.diligentbough.server.shared.MayBeNull;

/**
 * A person as people enter them.
 *
 * @param birthYear for the rule that under-18s stay on the ground; null for a grown-up who does not say
 * @param canCome days on which they said they can come
 */
public record PersonData(
        @NotBlank(message = "is missing; give a name") @Size(max = 80, message = "is longer than 80 letters")
        String name,

        @MayBeNull
        @Min(value = 1900, message = "is too long ago; give the year")
        @Max(value = 2100, message = "lies in the future; give the year")
        Integer birthYear,

        @MayBeNull @Size(max = 500, message = "is longer than 500 letters")
        String note,

        @NotNull(message = "is missing; give a list, empty if there are none")
        @Size(max = 20, message = "is longer than 20 tickets")
        List<@Valid @NotNull(message = "is missing") TicketData> tickets,

        @NotNull(message = "is missing; give a list, empty if there are none")
        @Size(max = 400, message = "is longer than 400 days")
        List<@NotNull(message = "is missing; give a day") LocalDate> canCome) {

    /** Proof of training; {@code until} is the last day on which it holds. */
    public record TicketData(
            @NotNull(message = "is missing; choose one") @CodeOf(Ticket.class)
            String ticket,

            @NotNull(message = "is missing; give the last day on which it holds")
            LocalDate until) {}
}
