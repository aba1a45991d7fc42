package org.diligentbough.core.season;

import java.time.LocalDate;
import java.time.MonthDay;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.IntPredicate;
import java.util.stream.Stream;

/**
 * When the trees of one kind reach the stages of their year at a site: by its climate, moved by what people saw. A year is a
 * growing year: that of 2027 holds the summer that starts in 2027. Within, all is reckoned in days of the north.
 */
public final class Stages {
    private static final int SHOOTS_STOPPED = 91;
    /** From here on fruit ripens; whether shoots have stopped is told by them alone. */
    private static final int FRUIT_RIPENS = 74;

    private final Map<Integer, StageTable.Line> lines = new HashMap<>();
    private final List<StageTable.Line> inOrder;
    private final Climate climate;
    private final Seen seen;
    private final Map<Key, Stage> known = new ConcurrentHashMap<>();

    private record Key(int bbch, int year) {}

    Stages(List<StageTable.Line> lines, Climate climate, Seen seen) {
        this.inOrder = lines;
        lines.forEach(line -> this.lines.put(line.bbch(), line));
        this.climate = climate;
        this.seen = new Seen(
                seen.stages().stream()
                        .map(sighting -> new Seen.Sighting(sighting.bbch(), climate.north(sighting.on())))
                        .toList(),
                seen.stillGrowing().stream().map(climate::north).toList());
    }

    /**
     * A stage of a year.
     *
     * @param bbch by the BBCH scale
     * @param expected day it comes in an average year
     * @param predicted the same, moved by the earlier stages that were seen this year
     * @param reached the same, or the day on which it was seen itself
     */
    public record Stage(int bbch, LocalDate expected, LocalDate predicted, LocalDate reached) {}

    /** The stages of a growing year, in order of the scale. */
    public List<Stage> of(int year) {
        return inOrder.stream().map(line -> of(line.bbch(), year).orElseThrow()).toList();
    }

    /** A stage of a growing year; empty for a stage that is not reckoned for this kind. */
    public Optional<Stage> of(int bbch, int year) {
        return inNorth(bbch, year)
                .map(stage -> new Stage(
                        bbch,
                        climate.here(stage.expected()),
                        climate.here(stage.predicted()),
                        climate.here(stage.reached())));
    }

    /** The same in days of the north. */
    Optional<Stage> inNorth(int bbch, int year) {
        return Optional.ofNullable(lines.get(bbch))
                .map(line -> known.computeIfAbsent(new Key(bbch, year), key -> stage(line, year)));
    }

    /**
     * The day of a growing year before which no fruit of the kind can be picked: it sets then, or where that is not reckoned
     * the nearest earlier stage that is comes then (full bloom, first leaves). Empty for a kind without any of them.
     */
    public Optional<LocalDate> fruitSets(int year) {
        return Stream.of(GrowthStage.FRUIT_SETS, GrowthStage.FULL_BLOOM, GrowthStage.FIRST_LEAVES)
                .flatMap(stage -> of(stage.bbch(), year).stream())
                .map(Stage::reached)
                .findFirst();
    }

    /** Whether the warmth of an average year does not bring a stage by the last day on which it is reckoned to come. */
    boolean warmthFallsShort(int bbch, int year) {
        StageTable.Line line = lines.get(bbch);
        return line.degreeDays().isPresent()
                && climate.warmthReached(line.degreeDays().getAsDouble(), line.baseC(), year)
                        .filter(day -> !day.isAfter(on(line.latest(), year)))
                        .isEmpty();
    }

    private Stage stage(StageTable.Line line, int year) {
        LocalDate expected = expected(line, year);
        LocalDate predicted = predicted(line, year, expected);
        Optional<LocalDate> itself = first(year, bbch -> bbch == line.bbch());
        Optional<LocalDate> later = first(year, bbch -> implies(bbch, line.bbch()));
        LocalDate reached = itself.orElse(predicted);
        return new Stage(
                line.bbch(),
                expected,
                predicted,
                later.filter(day -> day.isBefore(reached)).orElse(reached));
    }

    private LocalDate expected(StageTable.Line line, int year) {
        LocalDate earliest = on(line.earliest(), year);
        LocalDate latest = on(line.latest(), year);
        Optional<LocalDate> comes = line.degreeDays().isPresent()
                ? climate.warmthReached(line.degreeDays().getAsDouble(), line.baseC(), year)
                : colderThan(line.colderThanC().getAsDouble(), earliest, latest);
        return comes.filter(day -> day.isBefore(latest))
                .map(day -> day.isBefore(earliest) ? earliest : day)
                .orElse(latest);
    }

    private Optional<LocalDate> colderThan(double meanC, LocalDate from, LocalDate until) {
        return from.datesUntil(until).filter(day -> climate.meanC(day) < meanC).findFirst();
    }

    /** Moved by the nearest earlier stage that was seen: the warmth between the two still has to come. */
    private LocalDate predicted(StageTable.Line line, int year, LocalDate expected) {
        LocalDate predicted = nearestBefore(line.bbch(), year)
                .map(sighting -> {
                    LocalDate moved = moved(line, sighting, year, expected);
                    return moved.isAfter(sighting.on()) ? moved : sighting.on().plusDays(1);
                })
                .orElse(expected);
        if (line.bbch() != SHOOTS_STOPPED) {
            return predicted;
        }
        return seen.stillGrowing().stream()
                .filter(day -> day.getYear() == year)
                .map(day -> day.plusDays(1))
                .filter(day -> day.isAfter(predicted))
                .max(Comparator.naturalOrder())
                .orElse(predicted);
    }

    private LocalDate moved(StageTable.Line line, Seen.Sighting sighting, int year, LocalDate expected) {
        OptionalDouble warmthThen = warmthOf(sighting.bbch(), line.baseC());
        if (line.degreeDays().isEmpty() || warmthThen.isEmpty()) {
            return expected;
        }
        LocalDate latest = on(line.latest(), year);
        double stillToCome = line.degreeDays().getAsDouble() - warmthThen.getAsDouble();
        LocalDate moved = climate.warmthReached(
                        climate.warmth(sighting.on(), line.baseC(), year) + stillToCome, line.baseC(), year)
                .filter(day -> day.isBefore(latest))
                .orElse(latest);
        boolean late = climate.warmth(sighting.on(), line.baseC(), year) >= warmthThen.getAsDouble();
        // Bounds of the table may have moved what is expected; what is seen late never makes a stage come sooner.
        return late == moved.isAfter(expected) ? moved : expected;
    }

    /** The warmth at which a stage comes, between those of the table; empty before the first and after the last. */
    private OptionalDouble warmthOf(int bbch, double baseC) {
        StageTable.Line below = null;
        for (StageTable.Line line : inOrder) {
            if (line.degreeDays().isEmpty() || line.baseC() != baseC || line.bbch() >= SHOOTS_STOPPED) {
                continue;
            }
            if (line.bbch() == bbch) {
                return line.degreeDays();
            }
            if (line.bbch() > bbch) {
                if (below == null) {
                    return OptionalDouble.empty();
                }
                double part = (bbch - below.bbch()) / (double) (line.bbch() - below.bbch());
                double from = below.degreeDays().getAsDouble();
                return OptionalDouble.of(from + part * (line.degreeDays().getAsDouble() - from));
            }
            below = line;
        }
        return OptionalDouble.empty();
    }

    /** Whether a tree seen at one stage has another behind it. */
    private static boolean implies(int seen, int other) {
        return seen > other && !(seen == SHOOTS_STOPPED && other >= FRUIT_RIPENS);
    }

    /** Whether a tree seen at one stage has another still before it. */
    private static boolean before(int seen, int other) {
        return seen < other && !(other == SHOOTS_STOPPED && seen >= FRUIT_RIPENS);
    }

    private Optional<Seen.Sighting> nearestBefore(int bbch, int year) {
        return seen.stages().stream()
                .filter(sighting -> yearOf(sighting) == year && before(sighting.bbch(), bbch))
                .max(Comparator.comparingInt(Seen.Sighting::bbch)
                        .thenComparing(Seen.Sighting::on, Comparator.reverseOrder()));
    }

    private Optional<LocalDate> first(int year, IntPredicate which) {
        return seen.stages().stream()
                .filter(sighting -> yearOf(sighting) == year && which.test(sighting.bbch()))
                .map(Seen.Sighting::on)
                .min(Comparator.naturalOrder());
    }

    /** Bare trees of mid-winter belong to the year behind them; buds at rest to the one before them. */
    private static int yearOf(Seen.Sighting sighting) {
        LocalDate on = sighting.on();
        if (sighting.bbch() >= SHOOTS_STOPPED) {
            return on.getMonthValue() < 5 ? on.getYear() - 1 : on.getYear();
        }
        return on.getMonthValue() < 11 ? on.getYear() : on.getYear() + 1;
    }

    private static LocalDate on(MonthDay day, int year) {
        return day.atYear(year);
    }
}
