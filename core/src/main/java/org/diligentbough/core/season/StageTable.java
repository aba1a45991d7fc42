package org.diligentbough.core.season;

import java.time.MonthDay;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.DataFile;
import org.diligentbough.core.knowledge.Source;
import org.diligentbough.core.orchard.Species;

/** The shipped table {@code stages.csv}: what warmth brings each kind to each stage of its year. */
public final class StageTable {
    private static final List<String> COLUMNS = List.of(
            "species", "bbch", "base-c", "degree-days", "colder-than-c", "earliest", "latest", "mark", "publication");

    private final List<Line> lines;

    private StageTable(List<Line> lines) {
        this.lines = List.copyOf(lines);
    }

    /**
     * When a kind reaches a stage.
     *
     * @param bbch by the BBCH scale
     * @param baseC temperature from which its growth starts, degrees C
     * @param degreeDays warmth above it that brings the stage; empty for a stage that cold brings
     * @param colderThanC mean of a day that brings the stage, degrees C; empty for a stage that warmth brings
     * @param earliest day before which it does not come, in the months of the north
     * @param latest day by which it comes, whatever the warmth
     * @param source where the figures come from
     */
    record Line(
            Species species,
            int bbch,
            double baseC,
            OptionalDouble degreeDays,
            OptionalDouble colderThanC,
            MonthDay earliest,
            MonthDay latest,
            Source source) {}

    /** Reads the shipped table; a line that cannot be used stops it with the line's number. */
    public static StageTable load() {
        List<Line> lines = new ArrayList<>();
        for (DataFile.Row row : DataFile.read("stages.csv", COLUMNS)) {
            for (String name : row.text("species").split(";")) {
                Species species = Codes.parse(Species.class, name)
                        .orElseThrow(() -> row.wrong("species \"" + name + "\" is not known"));
                Line line = new Line(
                        species,
                        (int) row.number("bbch", 0, 99),
                        row.number("base-c", 0, 15),
                        optional(row, "degree-days", 0, 5000),
                        optional(row, "colder-than-c", 0, 20),
                        MonthDays.of(row, "earliest"),
                        MonthDays.of(row, "latest"),
                        row.source());
                if (line.degreeDays().isPresent() == line.colderThanC().isPresent()) {
                    throw row.wrong("needs either degree-days or colder-than-c");
                }
                if (lines.stream().anyMatch(other -> other.species() == species && other.bbch() == line.bbch())) {
                    throw row.wrong(name + " has stage " + line.bbch() + " twice");
                }
                lines.add(line);
            }
        }
        return new StageTable(lines);
    }

    private static OptionalDouble optional(DataFile.Row row, String column, double min, double max) {
        return row.text(column).isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(row.number(column, min, max));
    }

    /** The stages of a kind, in order of the scale. */
    List<Line> of(Species species) {
        return lines.stream()
                .filter(line -> line.species() == species)
                .sorted(Comparator.comparingInt(Line::bbch))
                .toList();
    }
}
