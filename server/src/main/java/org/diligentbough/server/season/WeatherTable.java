package org.diligentbough.server.season;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.diligentbough.server.season.WeatherMapper.WeatherRow;
import org.diligentbough.server.shared.FieldProblem;
import org.diligentbough.server.shared.ProblemException;

/** Daily weather as CSV with a header line: date, minC, maxC, rainMm, windKmh; all or nothing is taken. */
final class WeatherTable {
    private static final List<String> COLUMNS = List.of("date", "minC", "maxC", "rainMm", "windKmh");
    private static final int MOST_ROWS = 40_000;

    private WeatherTable() {}

    /** The days of a table; each row that cannot be used is named. */
    static List<WeatherRow> read(String text, String file) {
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setIgnoreSurroundingSpaces(true)
                .setIgnoreEmptyLines(true)
                .get();
        try (CSVParser parser = format.parse(new StringReader(text.startsWith("\uFEFF") ? text.substring(1) : text))) {
            List<CSVRecord> rows = parser.getRecords();
            if (rows.size() - 1 > MOST_ROWS) {
                throw ProblemException.tooLarge("A weather file has at most 40000 days; send it in parts.");
            }
            Map<String, Integer> at = rows.isEmpty() ? Map.of() : columns(rows.get(0));
            List<String> lacking = COLUMNS.stream()
                    .filter(name -> !at.containsKey(name.toLowerCase(Locale.ROOT)))
                    .toList();
            if (!lacking.isEmpty()) {
                throw ProblemException.unreadable("The first line must name the columns " + String.join(", ", COLUMNS)
                        + "; missing: " + String.join(", ", lacking) + ".");
            }
            List<FieldProblem> problems = new ArrayList<>();
            List<WeatherRow> days = new ArrayList<>();
            for (CSVRecord row : rows.subList(1, rows.size())) {
                day(row, at, file, problems).ifPresent(days::add);
            }
            if (!problems.isEmpty()) {
                throw ProblemException.wrongFields(problems.subList(0, Math.min(60, problems.size())));
            }
            return days;
        } catch (IOException | IllegalStateException | UncheckedIOException e) {
            throw ProblemException.unreadable("This is no table that can be read: " + e.getMessage());
        }
    }

    private static Map<String, Integer> columns(CSVRecord header) {
        return IntStream.range(0, header.size())
                .boxed()
                .collect(Collectors.toMap(
                        i -> header.get(i).strip().toLowerCase(Locale.ROOT), i -> i, (one, other) -> one));
    }

    private static Optional<WeatherRow> day(
            CSVRecord row, Map<String, Integer> at, String file, List<FieldProblem> problems) {
        String line = "/lines/" + row.getRecordNumber() + "/";
        int before = problems.size();
        LocalDate on = null;
        try {
            on = LocalDate.parse(text(row, at, "date"));
        } catch (DateTimeParseException e) {
            problems.add(new FieldProblem(line + "date", "is no day like 2027-02-20"));
        }
        Double min = number(row, at, "minC", -70, 60, line, problems);
        Double max = number(row, at, "maxC", -70, 60, line, problems);
        Double rain = number(row, at, "rainMm", 0, 2000, line, problems);
        Double wind = number(row, at, "windKmh", 0, 400, line, problems);
        if (Stream.of(min, max).allMatch(value -> value != null) && max < min) {
            problems.add(new FieldProblem(line + "maxC", "is under minC"));
        }
        return problems.size() > before
                ? Optional.empty()
                : Optional.of(new WeatherRow(on, min, max, rain, wind, file));
    }

    private static Double number(
            CSVRecord row,
            Map<String, Integer> at,
            String column,
            double least,
            double most,
            String line,
            List<FieldProblem> problems) {
        try {
            double value = Double.parseDouble(text(row, at, column));
            if (value >= least && value <= most) {
                return value;
            }
        } catch (NumberFormatException e) {
            // Told below, as a number out of bounds is.
        }
        problems.add(new FieldProblem(
                line + column, String.format(Locale.ENGLISH, "give a number from %.0f to %.0f", least, most)));
        return null;
    }

    private static String text(CSVRecord row, Map<String, Integer> at, String column) {
        int index = at.get(column.toLowerCase(Locale.ROOT));
        return index < row.size() ? row.get(index) : "";
    }
}
