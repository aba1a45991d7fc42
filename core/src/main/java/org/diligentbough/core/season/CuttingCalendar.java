package org.diligentbough.core.season;

import static org.diligentbough.core.knowledge.Figure.FROST_PRONE_MEAN_C;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Site;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.orchard.SpeciesTraits;
import org.threeten.extra.LocalDateRange;

/** When the trees of one kind may be cut at one site. Immutable. */
public final class CuttingCalendar {
    private final WindowTable table;
    private final Knowledge knowledge;
    private final Site site;
    private final Species species;
    private final SpeciesTraits traits;
    private final boolean trained;
    private final Seen seen;

    /** The calendar of a kind at a site. */
    public CuttingCalendar(
            WindowTable table,
            Knowledge knowledge,
            SpeciesTraits.Table speciesTable,
            Site site,
            Species species,
            boolean trained,
            Seen seen) {
        this.table = table;
        this.knowledge = knowledge;
        this.site = site;
        this.species = species;
        this.traits = speciesTable.of(species);
        this.trained = trained;
        this.seen = seen;
    }

    /**
     * What was seen on the tree, for the windows that depend on it.
     *
     * @param bbch stage by the BBCH scale, 0 to 99
     * @param bbchOn the day it was seen
     * @param stillGrowingOn a day on which its end buds still opened leaves
     */
    public record Seen(OptionalInt bbch, Optional<LocalDate> bbchOn, Optional<LocalDate> stillGrowingOn) {
        /** Nothing was looked at. */
        public static final Seen NOTHING = new Seen(OptionalInt.empty(), Optional.empty(), Optional.empty());
    }

    /** The site's choice that moved these windows, where practitioners differ. */
    public Optional<Enum<?>> school() {
        return trained ? Optional.empty() : WindowTable.school(species, site.policy());
    }

    /** The pruning year of a day at this site. */
    public PruningYear pruningYear(LocalDate day) {
        return PruningYear.of(day, site.southern());
    }

    /** The windows that open within a pruning year, in time order, the times to keep off included. */
    public List<Window> windows(PruningYear year) {
        return table.lines(species, trained, site.policy())
                .flatMap(line -> window(line, year).stream())
                .sorted(Comparator.comparing(Window::opens))
                .toList();
    }

    private Optional<Window> window(WindowTable.Line line, PruningYear year) {
        LocalDateRange days = line.daysIn(year);
        if (line.need().isPresent()) {
            Optional<LocalDateRange> left = restrict(days, line.need().get());
            if (left.isEmpty()) {
                return Optional.empty();
            }
            days = left.get();
        }
        if (line.closesAtBbch().isPresent()
                && seen.bbch().isPresent()
                && seen.bbch().getAsInt() >= line.closesAtBbch().getAsInt()
                && seen.bbch().getAsInt() < 91
                && year.days().contains(seen.bbchOn().orElseThrow())
                && seen.bbchOn().get().isBefore(days.getEnd())) {
            if (!seen.bbchOn().get().isAfter(days.getStart())) {
                return Optional.empty();
            }
            days = days.withEnd(seen.bbchOn().get());
        }
        return Optional.of(
                new Window(line.quality(), line.season(), line.work(), days, knowledge.reason(line.reason())));
    }

    private Optional<LocalDateRange> restrict(LocalDateRange days, WindowTable.Need need) {
        switch (need) {
            case FROST_FREE -> {
                LocalDate start = days.getStart();
                while (start.isBefore(days.getEnd()) && frostProne(start)) {
                    start = start.plusMonths(1).withDayOfMonth(1);
                }
                return start.isBefore(days.getEnd()) ? Optional.of(days.withStart(start)) : Optional.empty();
            }
            case MILD_WINTER -> {
                double coldest = site.monthlyMeanC().stream()
                        .mapToDouble(Double::doubleValue)
                        .min()
                        .orElseThrow();
                return coldest >= knowledge.get(FROST_PRONE_MEAN_C) ? Optional.of(days) : Optional.empty();
            }
            case SHOOTS_STOPPED -> {
                LocalDate opens = seen.stillGrowingOn()
                        .filter(days::contains)
                        .map(day -> day.plusDays(1))
                        .orElse(days.getStart());
                return opens.isBefore(days.getEnd()) ? Optional.of(days.withStart(opens)) : Optional.empty();
            }
        }
        throw new IllegalStateException("no such need: " + need);
    }

    private boolean frostProne(LocalDate day) {
        return site.monthlyMeanC().get(day.getMonthValue() - 1) < knowledge.get(FROST_PRONE_MEAN_C);
    }

    /** Windows that contain a day of {@code days}, in time order. */
    public List<Window> windowsIn(LocalDateRange days) {
        PruningYear first = pruningYear(days.getStart()).plus(-1);
        PruningYear last = pruningYear(days.getEndInclusive());
        List<Window> found = new ArrayList<>();
        for (PruningYear year = first; year.year() <= last.year(); year = year.plus(1)) {
            windows(year).stream()
                    .filter(window -> window.days().overlaps(days))
                    .forEach(found::add);
        }
        return found;
    }

    /** Whether live wood may be cut on a day, why, and when the window opens and closes. */
    public MayCut mayCut(LocalDate day) {
        List<Window> now = windowsIn(LocalDateRange.of(day, day.plusDays(1)));
        Optional<Window> best = withQuality(now, Window.Quality.BEST).findFirst();
        if (best.isPresent()) {
            return answer(MayCut.Answer.YES, best.get(), best.get().season());
        }
        Optional<Window> care = withQuality(now, Window.Quality.WITH_CARE).findFirst();
        if (care.isPresent()) {
            return answer(MayCut.Answer.WITH_CARE, care.get(), care.get().season());
        }
        List<Reason> reasons = new ArrayList<>(
                withQuality(now, Window.Quality.KEEP_OFF).map(Window::reason).toList());
        if (seen.stillGrowingOn().filter(day::equals).isPresent()) {
            reasons.add(knowledge.reason(ReasonCode.SEASON_STILL_GROWING));
        }
        if (reasons.isEmpty()) {
            reasons.add(knowledge.reason(ReasonCode.SEASON_NO_WINDOW));
        }
        Window next = nextBest(day);
        return new MayCut(MayCut.Answer.NO, reasons, next.opens(), next.closes());
    }

    /** The next window, of the best, that opens after a day or is open on it. */
    public Window nextBest(LocalDate day) {
        return windowsIn(LocalDateRange.of(day, day.plusYears(2))).stream()
                .filter(window -> window.quality() == Window.Quality.BEST)
                .findFirst()
                .or(() -> windowsIn(LocalDateRange.of(day, day.plusYears(2))).stream()
                        .filter(window -> window.quality() == Window.Quality.WITH_CARE)
                        .findFirst())
                .orElseThrow(() -> new IllegalStateException("no window at all for " + species));
    }

    private MayCut answer(MayCut.Answer answer, Window window, Season season) {
        List<Reason> reasons = new ArrayList<>();
        reasons.add(window.reason());
        if (traits.stone()) {
            reasons.add(knowledge.reason(ReasonCode.SEASON_WANTS_DRY));
        }
        if (season == Season.DORMANT) {
            reasons.add(knowledge.reason(ReasonCode.SEASON_NO_HARD_FREEZE));
        }
        return new MayCut(answer, reasons, window.opens(), window.closes());
    }

    private static Stream<Window> withQuality(List<Window> windows, Window.Quality quality) {
        return windows.stream().filter(window -> window.quality() == quality);
    }
}
