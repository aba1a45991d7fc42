package org.diligentbough.server.archive;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;

/** Days in archives that do not go stale. */
class DayWordsTest {
    private final DayWords north = new DayWords(LocalDate.of(2027, 2, 20), false);
    private final DayWords lateInTheYear = new DayWords(LocalDate.of(2026, 11, 23), false);
    private final DayWords south = new DayWords(LocalDate.of(2027, 2, 20), true);

    @Test
    void daysCountFromToday() {
        assertThat(north.day("today")).hasValue(LocalDate.of(2027, 2, 20));
        assertThat(north.day("today-34")).hasValue(LocalDate.of(2027, 1, 17));
        assertThat(north.day("today+9")).hasValue(LocalDate.of(2027, 3, 1));
        assertThat(north.day("2025-06-30")).hasValue(LocalDate.of(2025, 6, 30));
    }

    @Test
    void daysOfAPruningYearKeepTheirOrderWheneverTheyAreReadIn() {
        // In November as in February the running pruning year is 2027; the one before ran from November 2025.
        for (DayWords words : new DayWords[] {north, lateInTheYear}) {
            assertThat(words.day("year-1/03-06")).hasValue(LocalDate.of(2026, 3, 6));
            assertThat(words.day("year-1/11-20")).hasValue(LocalDate.of(2025, 11, 20));
            assertThat(words.day("year-2/10-31")).hasValue(LocalDate.of(2025, 10, 31));
            assertThat(words.day("year/02-01")).hasValue(LocalDate.of(2027, 2, 1));
            assertThat(words.year("year-1")).hasValue(2026);
        }
    }

    @Test
    void inTheSouthAPruningYearRunsFromMay() {
        assertThat(south.day("year/08-10")).hasValue(LocalDate.of(2026, 8, 10));
        assertThat(south.day("year/02-10")).hasValue(LocalDate.of(2027, 2, 10));
        assertThat(south.year("year")).hasValue(2026);
    }

    @Test
    void anythingElseIsNoDay() {
        for (String text :
                new String[] {"", "tomorrow", "today-", "today 5", "year-1", "year-1/13-40", "2027-02-30", "03-06"}) {
            assertThat(north.day(text)).as(text).isEmpty();
        }
        assertThat(north.day(null)).isEmpty();
        assertThat(north.year("soon")).isEmpty();
        assertThat(north.year(null)).isEmpty();
        assertThat(north.year("2024")).hasValue(2024);
    }
}
