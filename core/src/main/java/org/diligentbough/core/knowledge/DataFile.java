package org.diligentbough.core.knowledge;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * Reader of the core's data files: CSV with a header line, {@code #} starting a comment line. Whatever is wrong is
 * told with the file's name and the line.
 */
public final class DataFile {
    private static final CSVFormat FORMAT = CSVFormat.DEFAULT
            .builder()
            .setHeader()
            .setSkipHeaderRecord(true)
            .setCommentMarker('#')
            .setIgnoreSurroundingSpaces(true)
            .get();

    private DataFile() {}

    /**
     * Reads a file that lies beside {@code owner} or in the core's resource folder.
     *
     * @throws DataFileException when the file is missing or lacks one of {@code columns}
     */
    public static List<Row> read(String file, List<String> columns) {
        InputStream in = DataFile.class.getResourceAsStream("/org/diligentbough/core/" + file);
        if (in == null) {
            throw new DataFileException(file, 0, "the file is missing");
        }
        try (Reader reader = new InputStreamReader(in, StandardCharsets.UTF_8)) {
            return read(file, reader, columns);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Reads rows from {@code reader}; {@code file} is the name used when something is wrong. */
    public static List<Row> read(String file, Reader reader, List<String> columns) {
        try (CSVParser parser = FORMAT.parse(reader)) {
            for (String column : columns) {
                if (!parser.getHeaderNames().contains(column)) {
                    throw new DataFileException(file, 1, "column \"" + column + "\" is missing");
                }
            }
            List<Row> rows = new ArrayList<>();
            for (CSVRecord csv : parser) {
                long line = parser.getCurrentLineNumber();
                if (!csv.isConsistent()) {
                    throw new DataFileException(
                            file,
                            line,
                            "has " + csv.size() + " values where the header names "
                                    + parser.getHeaderNames().size());
                }
                rows.add(new Row(file, line, csv));
            }
            return List.copyOf(rows);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** One line of a data file. */
    public static final class Row {
        private final String file;
        private final long line;
        private final CSVRecord csv;

        private Row(String file, long line, CSVRecord csv) {
            this.file = file;
            this.line = line;
            this.csv = csv;
        }

        /** The text of a column, empty when nothing stands there. */
        public String text(String column) {
            return csv.get(column);
        }

        /** The number in a column, a decimal or a fraction such as 1/3, which must lie within {@code min} and {@code max}. */
        public double number(String column, double min, double max) {
            double value;
            try {
                String[] parts = text(column).split("/", 2);
                value = Double.parseDouble(parts[0]) / (parts.length == 2 ? Double.parseDouble(parts[1]) : 1);
            } catch (NumberFormatException e) {
                throw wrong(column + " \"" + text(column) + "\" is not a number");
            }
            if (!(value >= min && value <= max)) {
                throw wrong(column + " " + value + " does not lie within " + min + " and " + max);
            }
            return value;
        }

        /** Yes or no in a column. */
        public boolean yes(String column) {
            return switch (text(column)) {
                case "yes" -> true;
                case "no" -> false;
                default -> throw wrong(column + " \"" + text(column) + "\" is neither yes nor no");
            };
        }

        /** The value of an enumeration written in a column. */
        public <E extends Enum<E>> E code(String column, Class<E> type) {
            return Codes.parse(type, text(column))
                    .orElseThrow(() -> wrong(column + " \"" + text(column) + "\" is none of: " + Codes.all(type)));
        }

        /** The value of an enumeration, or empty when nothing stands in the column. */
        public <E extends Enum<E>> Optional<E> optionalCode(String column, Class<E> type) {
            return text(column).isEmpty() ? Optional.empty() : Optional.of(code(column, type));
        }

        /** The source written in the columns {@code mark} and {@code publication}. */
        public Source source() {
            try {
                return new Source(code("mark", Source.Mark.class), text("publication"));
            } catch (IllegalArgumentException e) {
                throw wrong(e.getMessage());
            }
        }

        /** What is to be thrown when this line cannot be used. */
        public DataFileException wrong(String problem) {
            return new DataFileException(file, line, problem);
        }
    }
}
