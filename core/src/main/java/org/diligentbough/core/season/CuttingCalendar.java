package org.diligentbough.core.season;

import static org.diligentbough.core.knowledge.Figure.FROST_PRONE_MEAN_C;
import static org.diligentbough.core.knowledge.Figure.STAGE_SLACK_DAYS;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.orchard.Site;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.orchard.SpeciesTraits;
import org.threeten.extra.LocalDateRange;

/** When the trees of one kind may be cut at one site: by its climate, its school, and what was seen there. */
public final class CuttingCalendar {
    private final Knowledge knowledge;
    private final Site site;
    private final Species species;
    private final SpeciesTraits traits;
    private final boolean trained;
    private final List<WindowTable.Line> lines;
    private final Climate climate;
    private final Stages stages;
    private final Seen seen;
    private final Map<Integer, List<Window>> known = new ConcurrentHashMap<>();
    private final Map<PruningYear, List<Window>> ofYear = new ConcurrentHashMap<>();

    /**
     * The calendar of a kind at a site.
     *
     * @param climate of that site
     * @param seen what was seen of this kind there
     */
    public CuttingCalendar(
            WindowTable table,
            StageTable stageTable,
            Knowledge knowledge,
            SpeciesTraits.Table speciesTable,
            Site site,
            Climate climate,
            Species species,
            boolean trained,
            Seen seen) {
        this.knowledge = knowledge;
        this.site = site;
        this.species = species;
        this.traits = speciesTable.of(species);
        this.trained = trained;
        this.lines = table.lines(species, trained, site.policy()).toList();
        this.climate = climate;
        this.stages = new Stages(stageTable.of(species), climate, seen);
        this.seen = seen;
    }

    /** The site's choice that moved these windows, where practitioners differ. */
    public Optional<Enum<?>> school() {
        return trained ? Optional.empty() : WindowTable.school(species, site.policy());
    }

    /** The pruning year of a day at this site. */
    public PruningYear pruningYear(LocalDate day) {
        return PruningYear.of(day, site.southern());
    }

    /** The day by which a fig must have started to ripen in a growing year before nights turn cool; empty where they never do. */
    public Optional<LocalDate> lastFigStart(int year) {
        return climate.coolNights(year, knowledge.get(Figure.COOL_NIGHT_C))
                .map(climate::here)
                .map(cool -> cool.minusDays((int) knowledge.get(Figure.FIG_RIPENS_DAYS)))
                .filter(last -> !last.isBefore(stages.of(10, year).orElseThrow().reached()));
    }

    /** The stages of the kind's year here. */
    public Stages stages() {
        return stages;
    }

    /**
     * The windows of a pruning year, in time order, the times to keep off included. A window that reaches over the turn of
     * the year counts where the longer part of it lies, and only that part.
     */
    public List<Window> windows(PruningYear year) {
        return ofYear.computeIfAbsent(year, this::clipped);
    }

    private List<Window> clipped(PruningYear year) {
        LocalDateRange days = new PruningYear(year.year(), false).days();
        List<Window> found = new ArrayList<>();
        for (WindowTable.Line line : lines) {
            IntStream.rangeClosed(year.year() - 2, year.year() + 1)
                    .mapToObj(opening -> inNorth(line, opening))
                    .flatMap(Optional::stream)
                    .flatMap(window -> window.within(days).stream())
                    .max(Comparator.comparingInt(window -> window.days().lengthInDays()))
                    .flatMap(this::here)
                    .ifPresent(found::add);
        }
        return apart(found);
    }

    /** In time order; where something was seen far from its time, what is best goes before what is to be kept off. */
    private static List<Window> apart(List<Window> windows) {
        List<Window> best = windows.stream()
                .filter(window -> window.quality() == Window.Quality.BEST)
                .toList();
        return windows.stream()
                .flatMap(window ->
                        window.quality() == Window.Quality.KEEP_OFF ? window.without(best).stream() : Stream.of(window))
                .sorted(Comparator.comparing(Window::opens))
                .toList();
    }

    /** The windows that open in a growing year. */
    private List<Window> opening(int year) {
        return known.computeIfAbsent(year, key -> lines.stream()
                .flatMap(line -> inNorth(line, year).flatMap(this::here).stream())
                .toList());
    }

    /** A window at this site; empty when half a year on nothing of it is left, as of the 30th and 31st in February. */
    private Optional<Window> here(Window north) {
        LocalDate opens = climate.here(north.days().getStart());
        LocalDate closes = climate.here(north.days().getEnd());
        return opens.isBefore(closes) ? Optional.of(north.on(LocalDateRange.of(opens, closes))) : Optional.empty();
    }

    /**
     * The window a line opens in a growing year, in days of the north; empty if it does not apply here or was closed before
     * it opened.
     */
    private Optional<Window> inNorth(WindowTable.Line line, int year) {
        if (!line.need().map(this::holds).orElse(true)) {
            return Optional.empty();
        }
        YearTerm.Place place = new YearTerm.Place(climate, stages);
        Optional<LocalDate> opensUsually = line.opens().base(year, place);
        Optional<Integer> closing = opensUsually.flatMap(opens -> IntStream.rangeClosed(year - 1, year + 2)
                .boxed()
                .filter(other -> line.closes()
                        .base(other, place)
                        .filter(closes -> closes.isAfter(opens))
                        .isPresent())
                .findFirst());
        if (closing.isEmpty()) {
            return Optional.empty();
        }
        LocalDate opens = line.opens().actual(year, place).orElseThrow();
        LocalDate closes = line.closes().actual(closing.get(), place).orElseThrow();
        if (!opens.isBefore(closes) || opens.plusYears(1).isBefore(closes)) {
            return Optional.empty();
        }
        return Optional.of(new Window(
                line.quality(),
                line.season(),
                line.work(),
                LocalDateRange.of(opens, closes),
                knowledge.reason(line.reason()),
                line.opens().comingOf().flatMap(stage -> stages.of(stage, year)),
                line.closes().comingOf().flatMap(stage -> stages.of(stage, closing.get()))));
    }

    private boolean holds(WindowTable.Need need) {
        return switch (need) {
            case FROST_FREE -> climate.frost() != Climate.Frost.ALWAYS;
            case MILD_WINTER -> climate.coldestMonthC() >= knowledge.get(FROST_PRONE_MEAN_C);
            case DRY_SUMMER -> climate.drySummer();
            case WET_SUMMER -> !climate.drySummer();
            case KEEP_SMALL -> site.policy().inGrowth() == Policy.InGrowth.KEEP_SMALL;
        };
    }

    /** Windows that contain a day of {@code days}, whole, in time order. */
    public List<Window> windowsIn(LocalDateRange days) {
        List<Window> near = IntStream.rangeClosed(
                        days.getStart().getYear() - 2, days.getEnd().getYear() + 1)
                .boxed()
                .flatMap(year -> opening(year).stream())
                .toList();
        return apart(near).stream()
                .filter(window -> window.days().overlaps(days))
                .toList();
    }

    /** Whether live wood may be cut on a day, why, and when the window opens and closes. */
    public MayCut mayCut(LocalDate day) {
        return mayCut(day, MayCut.Sort.LIVE);
    }

    /** The same for one sort of cut. */
    public MayCut mayCut(LocalDate day, MayCut.Sort sort) {
        List<Window> open = windowsIn(LocalDateRange.of(day, day.plusDays(1)));
        Optional<Window> best =
                suiting(open.stream(), sort, Window.Quality.BEST).findFirst();
        Optional<Window> care =
                suiting(open.stream(), sort, Window.Quality.WITH_CARE).findFirst();
        if (sort == MayCut.Sort.DEAD) {
            Window next = best.or(() -> care).orElseGet(() -> nextBest(day));
            Reason why = knowledge.reason(
                    best.isPresent() || care.isPresent()
                            ? ReasonCode.SEASON_DEAD_TO_THE_COLLAR
                            : ReasonCode.SEASON_DEAD_IN_THE_DEAD_WOOD);
            return new MayCut(MayCut.Answer.YES, List.of(why), next.opens(), next.closes(), List.of());
        }
        if (best.isPresent()) {
            return open(MayCut.Answer.YES, best.get());
        }
        if (care.isPresent()) {
            return open(MayCut.Answer.WITH_CARE, care.get());
        }
        List<Reason> reasons = new ArrayList<>(open.stream()
                .filter(window -> window.quality() == Window.Quality.KEEP_OFF)
                .map(Window::reason)
                .toList());
        if (seen.stillGrowing().contains(day)) {
            reasons.add(knowledge.reason(ReasonCode.SEASON_STILL_GROWING));
        }
        if (!open.isEmpty() && reasons.isEmpty()) {
            reasons.add(knowledge.reason(ReasonCode.SEASON_OTHER_WORK));
        }
        if (reasons.isEmpty()) {
            reasons.add(knowledge.reason(ReasonCode.SEASON_NO_WINDOW));
        }
        Window next = next(day, sort).orElseGet(() -> nextBest(day));
        return new MayCut(MayCut.Answer.NO, reasons, next.opens(), next.closes(), wouldChange(day, sort, next));
    }

    private MayCut open(MayCut.Answer answer, Window window) {
        List<Reason> reasons = new ArrayList<>();
        reasons.add(window.reason());
        window.closesWith()
                .filter(stage -> !stage.reached().equals(stage.expected()))
                .ifPresent(stage -> reasons.add(knowledge.reason(
                        ReasonCode.SEASON_MOVED, GrowthStage.at(stage.bbch()), stage.expected(), stage.reached())));
        if (traits.stone()) {
            reasons.add(knowledge.reason(ReasonCode.SEASON_WANTS_DRY));
        }
        if (window.season() == Season.DORMANT) {
            reasons.add(knowledge.reason(ReasonCode.SEASON_NO_HARD_FREEZE));
        }
        return new MayCut(answer, reasons, window.opens(), window.closes(), List.of());
    }

    /** What a look at the tree could tell: that a stage reckoned to have come has not, or has come already. */
    private List<Reason> wouldChange(LocalDate day, MayCut.Sort sort, Window next) {
        int slack = (int) knowledge.get(STAGE_SLACK_DAYS);
        List<Reason> found = new ArrayList<>();
        windowsIn(LocalDateRange.of(day.minusDays(slack), day)).stream()
                .filter(window -> window.closes().isBefore(day))
                .filter(window -> window.quality() != Window.Quality.KEEP_OFF
                        && sort.windows().contains(window.work()))
                .flatMap(window -> window.closesWith().stream())
                .filter(stage -> !wasSeen(stage, day))
                .findFirst()
                .ifPresent(stage -> found.add(knowledge.reason(
                        ReasonCode.SEASON_LOOK_NOT_YET, GrowthStage.at(stage.bbch()), stage.reached())));
        next.opensWith()
                .filter(stage -> !stage.reached().isAfter(day.plusDays(slack)))
                .ifPresent(stage -> found.add(knowledge.reason(
                        ReasonCode.SEASON_LOOK_ALREADY, GrowthStage.at(stage.bbch()), stage.reached())));
        return found;
    }

    private boolean wasSeen(Stages.Stage stage, LocalDate day) {
        return seen.stages().stream()
                .anyMatch(sighting -> sighting.bbch() >= stage.bbch()
                        && !sighting.on().isAfter(day)
                        && sighting.on().isAfter(day.minusMonths(4)));
    }

    /** The next window, of the best, that opens after a day or is open on it; where a site has none of the best, another. */
    public Window nextBest(LocalDate day) {
        return next(day, MayCut.Sort.LIVE)
                .orElseThrow(() -> new IllegalStateException("no window at all for " + species));
    }

    private Optional<Window> next(LocalDate day, MayCut.Sort sort) {
        List<Window> coming = windowsIn(LocalDateRange.of(day, day.plusYears(2)));
        return Stream.of(Window.Quality.BEST, Window.Quality.WITH_CARE)
                .flatMap(quality -> suiting(coming.stream(), sort, quality))
                .findFirst();
    }

    private static Stream<Window> suiting(Stream<Window> windows, MayCut.Sort sort, Window.Quality quality) {
        return windows.filter(window -> window.quality() == quality)
                .filter(window -> sort == MayCut.Sort.DEAD || sort.windows().contains(window.work()));
    }
}
