package org.diligentbough.core.season;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.DataFile;
import org.diligentbough.core.knowledge.Source;
import org.diligentbough.core.orchard.Species;
import org.threeten.extra.LocalDateRange;

/** The shipped table {@code care.csv}: when work round the year is due, by the same times as cutting. */
public final class CareTable {
    private static final List<String> COLUMNS = List.of("task", "species", "opens", "closes", "mark", "publication");

    private final List<Line> lines;

    private CareTable(List<Line> lines) {
        this.lines = List.copyOf(lines);
    }

    private record Line(CareTask task, Optional<Species> species, YearTerm opens, YearTerm closes, Source source) {}

    /**
     * When a task is due.
     *
     * @param species the kind it concerns; empty for the whole orchard
     * @param year the growing year it counts for
     * @param days its days
     * @param source where the time comes from
     */
    public record Due(CareTask task, Optional<Species> species, int year, LocalDateRange days, Source source) {}

    /** Reads the shipped table; a line that cannot be used stops it with the line's number. */
    public static CareTable load(StageTable stages) {
        List<Line> lines = new ArrayList<>();
        for (DataFile.Row row : DataFile.read("care.csv", COLUMNS)) {
            List<Optional<Species>> kinds = row.text("species").equals("all")
                    ? List.of(Optional.empty())
                    : Arrays.stream(row.text("species").split(";"))
                            .map(name -> Codes.parse(Species.class, name).or(() -> {
                                throw row.wrong("species \"" + name + "\" is not known");
                            }))
                            .toList();
            for (Optional<Species> kind : kinds) {
                Line line = new Line(
                        row.code("task", CareTask.class),
                        kind,
                        YearTerm.of(row, "opens"),
                        YearTerm.of(row, "closes"),
                        row.source());
                List<Integer> known = kind.map(stages::of).orElse(List.of()).stream()
                        .map(StageTable.Line::bbch)
                        .toList();
                List<Integer> wanted = new ArrayList<>(line.opens().stages());
                wanted.addAll(line.closes().stages());
                wanted.stream()
                        .filter(stage -> !known.contains(stage))
                        .findFirst()
                        .ifPresent(stage -> {
                            throw row.wrong(
                                    "stage " + stage + " does not stand in stages.csv for each kind of this line");
                        });
                lines.add(line);
            }
        }
        return new CareTable(lines);
    }

    /** The work due for the whole orchard on some of {@code days}, by when it begins. */
    public List<Due> due(Climate climate, LocalDateRange days) {
        return due(Optional.empty(), climate, new Stages(List.of(), climate, Seen.NOTHING), days);
    }

    /** The work due for one kind on some of {@code days}, or with an empty one for the whole orchard. */
    List<Due> due(Optional<Species> species, Climate climate, Stages stages, LocalDateRange days) {
        YearTerm.Place place = new YearTerm.Place(climate, stages);
        int first = climate.north(days.getStart()).getYear() - 1;
        int last = climate.north(days.getEndInclusive()).getYear() + 1;
        return lines.stream()
                .filter(line -> line.species().equals(species))
                .flatMap(line -> IntStream.rangeClosed(first, last)
                        .mapToObj(year -> due(line, year, place))
                        .flatMap(Optional::stream))
                .filter(due -> due.days().overlaps(days))
                .sorted(Comparator.comparing((Due due) -> due.days().getStart()))
                .toList();
    }

    private static Optional<Due> due(Line line, int year, YearTerm.Place place) {
        return line.opens().actual(year, place).flatMap(opens -> IntStream.rangeClosed(year, year + 1)
                .mapToObj(other -> line.closes().actual(other, place))
                .flatMap(Optional::stream)
                .filter(closes -> closes.isAfter(opens))
                .findFirst()
                .map(closes -> new Due(
                        line.task(),
                        line.species(),
                        year,
                        LocalDateRange.of(
                                place.climate().here(opens), place.climate().here(closes)),
                        line.source())));
    }
}
