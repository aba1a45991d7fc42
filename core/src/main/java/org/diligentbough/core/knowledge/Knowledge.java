package org.diligentbough.core.knowledge;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/** The numbers and the sources the rules go by: {@code figures.csv} and {@code reasons.csv}. Immutable. */
public final class Knowledge {
    private final Map<Figure, Entry> figures;
    private final Map<ReasonCode, Source> sources;

    private Knowledge(Map<Figure, Entry> figures, Map<ReasonCode, Source> sources) {
        this.figures = figures;
        this.sources = sources;
    }

    /**
     * Reads the shipped files.
     *
     * @throws DataFileException when a figure or reason is missing, given twice, unknown or out of its range
     */
    public static Knowledge load() {
        return of(
                DataFile.read("figures.csv", List.of("figure", "value", "unit", "mark", "publication", "meaning")),
                DataFile.read("reasons.csv", List.of("reason", "mark", "publication")));
    }

    static Knowledge of(List<DataFile.Row> figureRows, List<DataFile.Row> reasonRows) {
        Map<Figure, Entry> figures = new EnumMap<>(Figure.class);
        for (DataFile.Row row : figureRows) {
            Figure figure = row.code("figure", Figure.class);
            if (!row.text("unit").equals(figure.unit())) {
                throw row.wrong(row.text("figure") + " is in " + figure.unit() + ", not in " + row.text("unit"));
            }
            Entry entry = new Entry(row.number("value", figure.min(), figure.max()), row.source(), row.text("meaning"));
            if (figures.put(figure, entry) != null) {
                throw row.wrong(row.text("figure") + " is given twice");
            }
        }
        Map<ReasonCode, Source> sources = new EnumMap<>(ReasonCode.class);
        for (DataFile.Row row : reasonRows) {
            if (sources.put(row.code("reason", ReasonCode.class), row.source()) != null) {
                throw row.wrong(row.text("reason") + " is given twice");
            }
        }
        complete("figures.csv", Figure.values(), figures);
        complete("reasons.csv", ReasonCode.values(), sources);
        return new Knowledge(figures, sources);
    }

    private static <E extends Enum<E>> void complete(String file, E[] wanted, Map<E, ?> found) {
        Arrays.stream(wanted)
                .filter(value -> !found.containsKey(value))
                .findFirst()
                .ifPresent(value -> {
                    throw new DataFileException(file, 0, Codes.of(value) + " is missing");
                });
    }

    /**
     * The same with other values for some figures.
     *
     * @throws IllegalArgumentException when a value does not lie within what makes sense
     */
    public Knowledge with(Map<Figure, Double> others) {
        Map<Figure, Entry> changed = new EnumMap<>(figures);
        others.forEach((figure, value) -> {
            if (!(value >= figure.min() && value <= figure.max())) {
                throw new IllegalArgumentException(
                        Codes.of(figure) + " does not lie within " + figure.min() + " and " + figure.max());
            }
            changed.put(
                    figure,
                    new Entry(
                            value,
                            figures.get(figure).source(),
                            figures.get(figure).meaning()));
        });
        return new Knowledge(changed, sources);
    }

    /** The value of a figure, in its unit. */
    public double get(Figure figure) {
        return figures.get(figure).value();
    }

    /** A figure with where it comes from and what it means. */
    public Entry entry(Figure figure) {
        return figures.get(figure);
    }

    /** Where what {@code code} says comes from. */
    public Source source(ReasonCode code) {
        return sources.get(code);
    }

    /** A reason with its arguments, in the order its wording wants them. */
    public Reason reason(ReasonCode code, Object... arguments) {
        return new Reason(code, List.of(arguments), sources.get(code));
    }

    /**
     * One figure.
     *
     * @param value in the figure's unit
     * @param source where it comes from
     * @param meaning what it is, for people
     */
    public record Entry(double value, Source source, String meaning) {}
}
