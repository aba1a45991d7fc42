package org.diligentbough.core.season;

import java.time.LocalDate;
import org.threeten.extra.LocalDateRange;

/**
 * The year by which allowance and big cuts are counted: 1 November to 31 October in the north and on the equator, 1 May
 * to 30 April in the south. It bears the calendar year in which its growing season starts.
 *
 * @param year the calendar year it bears
 * @param southern whether the site lies south of the equator
 */
public record PruningYear(int year, boolean southern) {

    /** The pruning year a day falls in. */
    public static PruningYear of(LocalDate day, boolean southern) {
        if (southern) {
            return new PruningYear(day.getMonthValue() >= 5 ? day.getYear() : day.getYear() - 1, true);
        }
        return new PruningYear(day.getMonthValue() >= 11 ? day.getYear() + 1 : day.getYear(), false);
    }

    public PruningYear plus(int years) {
        return new PruningYear(year + years, southern);
    }

    /** Its days. */
    public LocalDateRange days() {
        LocalDate start = southern ? LocalDate.of(year, 5, 1) : LocalDate.of(year - 1, 11, 1);
        return LocalDateRange.of(start, start.plusYears(1));
    }

    /** As people write it: 2027 in the north, 2027/28 in the south. */
    public String label() {
        return southern ? String.format("%d/%02d", year, (year + 1) % 100) : String.valueOf(year);
    }
}
