package org.diligentbough.server.archive;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.MonthDay;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.diligentbough.core.season.PruningYear;

/**
 * Days in archives: dates, days counted from the day of the import ({@code today-34}), and days of a pruning year counted
 * from the running one ({@code year-1/03-06}), so that an archive need not go stale.
 */
final class DayWords {
    private static final Pattern FROM_TODAY = Pattern.compile("today(?:([+-])([0-9]{1,5}))?");
    private static final Pattern IN_YEAR = Pattern.compile("year(?:([+-])([0-9]{1,3}))?/([0-9]{2}-[0-9]{2})");
    private static final Pattern YEAR = Pattern.compile("year(?:([+-])([0-9]{1,3}))?");

    private final LocalDate today;
    private final PruningYear running;

    DayWords(LocalDate today, boolean southern) {
        this.today = today;
        this.running = PruningYear.of(today, southern);
    }

    /** The day meant; empty when it is none of the three. */
    Optional<LocalDate> day(String text) {
        if (text == null) {
            return Optional.empty();
        }
        Matcher fromToday = FROM_TODAY.matcher(text);
        if (fromToday.matches()) {
            return Optional.of(today.plusDays(signed(fromToday)));
        }
        try {
            Matcher inYear = IN_YEAR.matcher(text);
            if (inYear.matches()) {
                PruningYear year = running.plus(signed(inYear));
                MonthDay day = MonthDay.parse("--" + inYear.group(3));
                LocalDate first = day.atYear(year.days().getStart().getYear());
                return Optional.of(first.isBefore(year.days().getStart()) ? first.plusYears(1) : first);
            }
            return Optional.of(LocalDate.parse(text));
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }

    /** The calendar year a pruning year bears: a number, or counted from the running one. */
    OptionalInt year(String text) {
        if (text == null) {
            return OptionalInt.empty();
        }
        Matcher year = YEAR.matcher(text);
        if (year.matches()) {
            return OptionalInt.of(running.plus(signed(year)).year());
        }
        return text.matches("[0-9]{4}") ? OptionalInt.of(Integer.parseInt(text)) : OptionalInt.empty();
    }

    private static int signed(Matcher match) {
        int count = match.group(2) == null ? 0 : Integer.parseInt(match.group(2));
        return "-".equals(match.group(1)) ? -count : count;
    }
}
