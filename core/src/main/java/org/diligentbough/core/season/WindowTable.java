package org.diligentbough.core.season;

import java.time.LocalDate;
import java.time.MonthDay;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.DataFile;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.orchard.Species;
import org.threeten.extra.LocalDateRange;

/** The shipped table {@code windows.csv}: which kind is cut when, by school, in the months of the north. */
public final class WindowTable {
    private static final List<String> COLUMNS = List.of(
            "species",
            "trained",
            "school",
            "quality",
            "season",
            "from",
            "until",
            "work",
            "needs",
            "closes-at-bbch",
            "reason");

    private final List<Line> lines;

    private WindowTable(List<Line> lines) {
        this.lines = List.copyOf(lines);
    }

    /** Reads the shipped table; a line that cannot be used stops it with the line's number. */
    public static WindowTable load() {
        List<Line> lines = new ArrayList<>();
        for (DataFile.Row row : DataFile.read("windows.csv", COLUMNS)) {
            for (String name : row.text("species").split(";")) {
                Species species = Codes.parse(Species.class, name)
                        .orElseThrow(() -> row.wrong("species \"" + name + "\" is not known"));
                lines.add(new Line(
                        species,
                        row.code("trained", Trained.class),
                        row.text("school"),
                        row.code("quality", Window.Quality.class),
                        row.code("season", Season.class),
                        day(row, "from"),
                        day(row, "until"),
                        row.code("work", Window.Work.class),
                        row.optionalCode("needs", Need.class),
                        row.text("closes-at-bbch").isEmpty()
                                ? OptionalInt.empty()
                                : OptionalInt.of((int) row.number("closes-at-bbch", 0, 90)),
                        row.code("reason", ReasonCode.class)));
            }
        }
        return new WindowTable(lines);
    }

    private static MonthDay day(DataFile.Row row, String column) {
        try {
            MonthDay day = MonthDay.parse("--" + row.text(column));
            if (day.getDayOfMonth() <= 28) {
                return day;
            }
        } catch (DateTimeParseException e) {
            throw row.wrong(column + " \"" + row.text(column) + "\" is not a month and a day like 02-01");
        }
        throw row.wrong(column + " must be one of the days 1 to 28 of its month");
    }

    /** The lines that hold for a species under a site's choices. */
    Stream<Line> lines(Species species, boolean trained, Policy policy) {
        String school = school(species, policy).map(Codes::of).orElse("");
        return lines.stream()
                .filter(line -> line.species() == species)
                .filter(line -> line.trained() == Trained.ANY || (line.trained() == Trained.YES) == trained)
                .filter(line -> line.school().isEmpty() || line.school().equals(school));
    }

    /** The site's choice that decides when a species is cut, where practitioners differ. */
    static Optional<Enum<?>> school(Species species, Policy policy) {
        return switch (species) {
            case APPLE, PEAR, QUINCE, MEDLAR -> Optional.of(policy.pome());
            case APRICOT -> Optional.of(policy.apricot());
            case PEACH, NECTARINE -> Optional.of(policy.peach());
            default -> Optional.empty();
        };
    }

    /** For which trees a line holds. */
    enum Trained {
        YES,
        NO,
        ANY
    }

    /** What else must hold for a window to open. */
    enum Need {
        /** No month of it is prone to frost. */
        FROST_FREE,
        /** No month of the site's year is prone to hard frost. */
        MILD_WINTER,
        /** The tree's shoots have stopped for the year. */
        SHOOTS_STOPPED
    }

    /** One line of the table, in the months of the north. */
    record Line(
            Species species,
            Trained trained,
            String school,
            Window.Quality quality,
            Season season,
            MonthDay from,
            MonthDay until,
            Window.Work work,
            Optional<Need> need,
            OptionalInt closesAtBbch,
            ReasonCode reason) {

        /** Its days in the pruning year, before what it needs is looked at. */
        LocalDateRange daysIn(PruningYear year) {
            int later = year.southern() ? 6 : 0;
            LocalDate start = onOrAfter(year.days().getStart(), shifted(from, later));
            return LocalDateRange.of(start, onOrAfter(start.plusDays(1), shifted(until, later)));
        }

        private static MonthDay shifted(MonthDay day, int months) {
            return day.with(day.getMonth().plus(months));
        }

        private static LocalDate onOrAfter(LocalDate first, MonthDay day) {
            LocalDate sameYear = day.atYear(first.getYear());
            return sameYear.isBefore(first) ? day.atYear(first.getYear() + 1) : sameYear;
        }
    }
}
