package org.diligentbough.core.season;

import java.time.MonthDay;
import java.time.format.DateTimeParseException;
import java.util.Optional;
import org.diligentbough.core.knowledge.DataFile;

/** Days of a year in data files: 02-01, of days 1 to 28 so that half a year can be added. */
final class MonthDays {
    private MonthDays() {}

    static MonthDay of(DataFile.Row row, String column) {
        return parse(row.text(column))
                .orElseThrow(() -> row.wrong(
                        column + " \"" + row.text(column) + "\" is not a month and a day like 02-01, of days 1 to 28"));
    }

    static Optional<MonthDay> parse(String text) {
        try {
            MonthDay day = MonthDay.parse("--" + text);
            return day.getDayOfMonth() <= 28 ? Optional.of(day) : Optional.empty();
        } catch (DateTimeParseException e) {
            return Optional.empty();
        }
    }
}
