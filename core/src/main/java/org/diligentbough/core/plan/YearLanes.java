package org.diligentbough.core.plan;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.season.CuttingCalendar;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.season.Window;
import org.diligentbough.core.survey.TakenThisYear;
import org.diligentbough.core.verdict.TreeFacts;
import org.diligentbough.core.verdict.TreeVerdict;
import org.diligentbough.core.verdict.Vigour;

/** What each pruning year may take of a tree, and the lanes it opens. */
final class YearLanes {
    private static final double CLOSE = 1e-6;

    private final TreeFacts facts;
    private final TreeVerdict tree;
    private final CuttingCalendar calendar;
    private final TakenThisYear taken;
    private final LocalDate today;
    /** Asked for again with each plan that is tried. */
    private final Map<PruningYear, List<Window>> windows = new HashMap<>();

    private final Map<PruningYear, List<Window>> mainWindows = new HashMap<>();

    YearLanes(TreeFacts facts, TreeVerdict tree, CuttingCalendar calendar, TakenThisYear taken) {
        this.facts = facts;
        this.tree = tree;
        this.calendar = calendar;
        this.taken = taken;
        this.today = facts.survey().today();
    }

    /** The running pruning year. */
    PruningYear now() {
        return calendar.pruningYear(today);
    }

    /** The first in which the tree can still be cut. */
    PruningYear first() {
        return mainWindows(now()).isEmpty() ? now().plus(1) : now();
    }

    /**
     * What a year may take when {@code left} of the crown as surveyed, 0 to 1, stands before its first planned cut.
     *
     * @param before the year before as planned; empty when the plan begins with this one
     */
    YearBudget budget(PruningYear year, double left, Optional<YearBudget> before) {
        TakenThisYear sofar = year.equals(now()) ? taken : TakenThisYear.NOTHING;
        double atStart = sofar.share() < 1 ? left / (1 - sofar.share()) : left;
        boolean weak = tree.resting() && year.year() <= first().year();
        int mostMains = (int) facts.figure(Figure.MAINS_A_YEAR);
        if (!facts.traits().hasAllowance()) {
            YearBudget.Terms none = new YearBudget.Terms(
                    OptionalDouble.empty(), OptionalDouble.empty(), 0, mostMains, weak, 0, 0, 1, 0, 1, 0, 0);
            return new YearBudget(year, none, atStart, sofar);
        }
        // What answered the last cutting too hard makes the next year's less, not those after.
        double full = year.year() <= first().year() ? facts.yearAllowance() : facts.usualAllowance();
        double owed = before.map(YearBudget::owed).orElseGet(() -> overBeforeThePlan(full));
        double restShare = Math.min(full, facts.figure(Figure.REST_SHARE));
        // A little too much is paid back by a little less, so that a hair's breadth never costs a year.
        double rest = Math.min(1, owed / facts.figure(Figure.REST_RAMP_SHARE));
        double rested = before.map(last -> last.terms().paysBack()).orElse(0.0);
        double afterRest = full - rested * Math.max(0, full - facts.figure(Figure.AFTER_REST_SHARE));
        double payingBack = afterRest - rest * Math.max(0, afterRest - restShare);
        double charged = year.equals(now()) ? sofar.share() + chargedToThisYear() : 0;
        boolean resting = weak || rest >= 1 - CLOSE;
        double allowance = resting ? 0 : Math.max(0, payingBack - charged);
        double inSummer = checked(year) ? allowance / 2 : allowance;
        double summer = Math.min(facts.summerAllowance(full), inSummer) - sofar.summerShare();
        return new YearBudget(
                year,
                new YearBudget.Terms(
                        OptionalDouble.of(allowance),
                        OptionalDouble.of(Math.max(0, summer)),
                        tree.fullAllowance().bigCuts().orElseThrow(),
                        mostMains,
                        resting,
                        rest >= 1 - CLOSE && !tree.weak() ? restShare : 0,
                        Math.min(allowance, facts.figure(Figure.BESIDE_A_WHOLE_LIMB)),
                        facts.figure(Figure.LARGE_SHARE),
                        facts.figure(Figure.LAST_ARM_SHARE),
                        full,
                        charged,
                        rest),
                atStart,
                sofar);
    }

    /** What a survey says was taken in the pruning year that runs, share of the living crown. */
    private double chargedToThisYear() {
        return facts.cutInTheYearBefore() ? 0 : facts.tree().removedLast12Months();
    }

    /** By how much the pruning year before the running one went over its allowance, as logs and the survey tell. */
    private double overBeforeThePlan(double full) {
        double surveyed = facts.cutInTheYearBefore() ? facts.tree().removedLast12Months() - full : 0;
        return Math.max(0, Math.max(surveyed, taken.overdoneBefore()));
    }

    private List<Window> windows(PruningYear year) {
        return windows.computeIfAbsent(year, calendar::windows);
    }

    /** The windows of the year for its main cut that have not closed yet; another one where the site has none of the best. */
    private List<Window> mainWindows(PruningYear year) {
        return mainWindows.computeIfAbsent(year, this::mainWindowsOf);
    }

    private List<Window> mainWindowsOf(PruningYear year) {
        List<Window> all = windows(year).stream()
                .filter(window -> !window.closes().isBefore(today))
                .toList();
        boolean hasBest = windows(year).stream().anyMatch(YearLanes::best);
        return all.stream()
                .filter(window -> hasBest ? best(window) : window.quality() == Window.Quality.WITH_CARE)
                .toList();
    }

    /** Whether the year that runs has seen the ordinary cutting of a kept tree already. */
    boolean upkeepDone() {
        return taken.upkeepDone();
    }

    /** Whether the year that runs has seen some yearly work of the kind already. */
    boolean taskDone(ReasonCode what) {
        return taken.tasksDone().contains(what);
    }

    /** The last day on which a fig can still start and ripen in a year; empty where nights never turn cool, or always are. */
    Optional<LocalDate> lastFigStart(PruningYear year) {
        return calendar.lastFigStart(year.year());
    }

    /** The first main window there is. */
    Optional<Window> firstWindow() {
        return mainWindows(first()).stream().findFirst();
    }

    /**
     * Summer cutting checks growth: a rank tree gets part of its work then, before winter's is given out, and so in its first
     * year does one that answered the last cutting with far too many shoots.
     */
    boolean summerFirst(PruningYear year) {
        return tree.vigour().filter(Vigour.RANK::equals).isPresent() || checked(year);
    }

    /** Whether growth that a cut too hard has called up is to be checked in a year; not where people set the allowance. */
    private boolean checked(PruningYear year) {
        return facts.yearAllowance() < facts.usualAllowance() && year.equals(first());
    }

    private static boolean best(Window window) {
        return window.quality() == Window.Quality.BEST;
    }

    /**
     * The lanes the rules fill; one in summer more when branches wait to be bent that no other lane suits, and one for
     * topping when shoots wait for that.
     */
    List<LaneDraft> of(YearBudget budget, boolean bendsWait, boolean toppingWaits) {
        List<LaneDraft> found = new ArrayList<>();
        for (Window window : mainWindows(budget.year())) {
            found.add(new LaneDraft(budget, window, false));
        }
        boolean bendsNeedOne = bendsWait && found.stream().noneMatch(LaneDraft::bendsHere);
        if (facts.traits().hasAllowance() && (summerFirst(budget.year()) || bendsNeedOne)) {
            windows(budget.year()).stream()
                    .filter(window -> window.quality() == Window.Quality.WITH_CARE)
                    .filter(window ->
                            window.season() == Season.SUMMER && !window.closes().isBefore(today))
                    .filter(window -> window.work() == Window.Work.SIZE || window.work() == Window.Work.STRUCTURE)
                    .findFirst()
                    .ifPresent(window -> found.add(new LaneDraft(budget, window, true)));
        }
        if (toppingWaits) {
            window(budget.year(), Window.Work.TOPPING)
                    .ifPresent(window -> found.add(new LaneDraft(budget, window, false)));
        }
        return found;
    }

    /** The window of a year for one sort of work that has not closed yet. */
    Optional<Window> window(PruningYear year, Window.Work work) {
        return windows(year).stream()
                .filter(window -> window.quality() != Window.Quality.KEEP_OFF && window.work() == work)
                .filter(window -> !window.closes().isBefore(today))
                .findFirst();
    }
}
