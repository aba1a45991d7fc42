package org.diligentbough.core.season;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.DataFile;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.orchard.Species;

/** The shipped table {@code windows.csv}: what opens and closes the windows in which each kind is cut, by school. */
public final class WindowTable {
    private static final List<String> COLUMNS =
            List.of("species", "trained", "school", "quality", "season", "opens", "closes", "work", "needs", "reason");

    private final List<Line> lines;

    private WindowTable(List<Line> lines) {
        this.lines = List.copyOf(lines);
    }

    /** Reads the shipped table; a line that cannot be used stops it with the line's number. */
    public static WindowTable load(StageTable stages) {
        List<Line> lines = new ArrayList<>();
        for (DataFile.Row row : DataFile.read("windows.csv", COLUMNS)) {
            for (String name : row.text("species").split(";")) {
                Species species = Codes.parse(Species.class, name)
                        .orElseThrow(() -> row.wrong("species \"" + name + "\" is not known"));
                Line line = new Line(
                        species,
                        row.code("trained", Trained.class),
                        row.text("school"),
                        row.code("quality", Window.Quality.class),
                        row.code("season", Season.class),
                        YearTerm.of(row, "opens"),
                        YearTerm.of(row, "closes"),
                        row.code("work", Window.Work.class),
                        row.optionalCode("needs", Need.class),
                        row.code("reason", ReasonCode.class));
                List<Integer> known =
                        stages.of(species).stream().map(StageTable.Line::bbch).toList();
                Stream.of(line.opens(), line.closes())
                        .flatMap(moment -> moment.stages().stream())
                        .filter(stage -> !known.contains(stage))
                        .findFirst()
                        .ifPresent(stage -> {
                            throw row.wrong("stage " + stage + " of " + name + " does not stand in stages.csv");
                        });
                lines.add(line);
            }
        }
        return new WindowTable(lines);
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

    /** What else must hold for a window to open at a site. */
    enum Need {
        /** Some month is free of frost. */
        FROST_FREE,
        /** No month is prone to frost by its mean. */
        MILD_WINTER,
        /** High summer is dry. */
        DRY_SUMMER,
        /** High summer is not dry. */
        WET_SUMMER,
        /** The site cuts in growth too, to keep trees small. */
        KEEP_SMALL
    }

    /**
     * One line of the table.
     *
     * @param opens first day
     * @param closes the day after the last
     */
    record Line(
            Species species,
            Trained trained,
            String school,
            Window.Quality quality,
            Season season,
            YearTerm opens,
            YearTerm closes,
            Window.Work work,
            Optional<Need> need,
            ReasonCode reason) {}
}
