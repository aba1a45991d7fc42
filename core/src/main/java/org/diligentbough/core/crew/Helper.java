package org.diligentbough.core.crew;

import java.time.LocalDate;
import java.util.Map;
import java.util.OptionalInt;
import org.diligentbough.core.verdict.Ticket;

/**
 * Somebody who helps.
 *
 * @param birthYear empty when it was not said; taken for grown up then
 * @param ticketsUntil tickets with the last day on which each holds
 * @param canCome whether they said they can come on the day looked at
 */
public record Helper(
        long id, String name, OptionalInt birthYear, Map<Ticket, LocalDate> ticketsUntil, boolean canCome) {
    private static final int OF_AGE = 18;

    public Helper {
        ticketsUntil = Map.copyOf(ticketsUntil);
    }

    public boolean holds(Ticket ticket, LocalDate on) {
        LocalDate until = ticketsUntil.get(ticket);
        return until != null && !until.isBefore(on);
    }

    /** Whether they may still be under 18: a birth year alone does not say before the year after the birthday. */
    public boolean maybeUnderAge(LocalDate on) {
        return birthYear.isPresent() && on.getYear() - birthYear.getAsInt() <= OF_AGE;
    }
}
