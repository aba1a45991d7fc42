package org.diligentbough.core.plan;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.season.CuttingCalendar;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.season.Window;
import org.diligentbough.core.survey.TakenThisYear;
import org.diligentbough.core.verdict.Scene;
import org.diligentbough.core.verdict.TreeVerdict;
import org.diligentbough.core.verdict.Vigour;

/** What each pruning year may take of a tree, and the lanes it opens. */
final class YearLanes {
    private final Scene scene;
    private final TreeVerdict tree;
    private final CuttingCalendar calendar;
    private final TakenThisYear taken;
    private final LocalDate today;
    /** Asked for again with each plan that is tried. */
    private final Map<PruningYear, List<Window>> windows = new HashMap<>();

    YearLanes(Scene scene, TreeVerdict tree, CuttingCalendar calendar, TakenThisYear taken) {
        this.scene = scene;
        this.tree = tree;
        this.calendar = calendar;
        this.taken = taken;
        this.today = scene.survey().today();
    }

    /** The running pruning year. */
    PruningYear now() {
        return calendar.pruningYear(today);
    }

    /** The first in which the tree can still be cut. */
    PruningYear first() {
        return mainWindows(now()).isEmpty() ? now().plus(1) : now();
    }

    /** What a year may take when {@code left} of the crown as surveyed, 0 to 1, stands before its first planned cut. */
    YearBudget budget(PruningYear year, double left) {
        PruningYear now = now();
        boolean resting = tree.resting() && year.year() <= first().year();
        TakenThisYear before = year.equals(now) ? taken : TakenThisYear.NOTHING;
        double atStart = before.share() < 1 ? left / (1 - before.share()) : left;
        if (!scene.traits().hasAllowance()) {
            return new YearBudget(year, OptionalDouble.empty(), OptionalDouble.empty(), 0, resting, atStart, 0, before);
        }
        TreeVerdict.Allowance allowance = tree.fullAllowance();
        double full = allowance.year().orElseThrow();
        double charge = 0;
        if (year.equals(now)) {
            charge = scene.tree().removedLast12Months() + taken.share() + taken.overdoneBefore();
        } else if (year.equals(now.plus(1))) {
            charge = Math.max(0, taken.share() + taken.overdoneBefore() - full);
        }
        double share = resting ? 0 : Math.max(0, full - charge);
        double summer = resting ? 0 : Math.max(0, allowance.summer().orElseThrow() - before.summerShare());
        return new YearBudget(
                year,
                OptionalDouble.of(share),
                OptionalDouble.of(summer),
                allowance.bigCuts().orElseThrow(),
                resting,
                atStart,
                scene.figure(Figure.BESIDE_A_WHOLE_LIMB),
                before);
    }

    private List<Window> windows(PruningYear year) {
        return windows.computeIfAbsent(year, calendar::windows);
    }

    /** The windows of the year for its main cut that have not closed yet; another one where the site has none of the best. */
    private List<Window> mainWindows(PruningYear year) {
        List<Window> all = windows(year).stream()
                .filter(window -> !window.closes().isBefore(today))
                .toList();
        boolean hasBest = windows(year).stream().anyMatch(YearLanes::best);
        return all.stream()
                .filter(window -> hasBest ? best(window) : window.quality() == Window.Quality.WITH_CARE)
                .toList();
    }

    /** The first main window there is. */
    Optional<Window> firstWindow() {
        return mainWindows(first()).stream().findFirst();
    }

    /** Summer cutting checks growth: a rank tree gets part of its work then, before winter's is given out. */
    boolean rank() {
        return tree.vigour().filter(Vigour.RANK::equals).isPresent();
    }

    private static boolean best(Window window) {
        return window.quality() == Window.Quality.BEST;
    }

    /** The lanes the rules fill; one in summer more when branches wait to be bent that no other lane suits. */
    List<LaneDraft> of(YearBudget budget, boolean bendsWait) {
        List<LaneDraft> found = new ArrayList<>();
        for (Window window : mainWindows(budget.year())) {
            found.add(new LaneDraft(budget, window, false));
        }
        boolean bendsNeedOne = bendsWait && found.stream().noneMatch(LaneDraft::bendsHere);
        if (scene.traits().hasAllowance() && (rank() || bendsNeedOne)) {
            windows(budget.year()).stream()
                    .filter(window -> window.quality() == Window.Quality.WITH_CARE)
                    .filter(window ->
                            window.season() == Season.SUMMER && !window.closes().isBefore(today))
                    .filter(window -> window.work() == Window.Work.SIZE || window.work() == Window.Work.STRUCTURE)
                    .findFirst()
                    .ifPresent(window -> found.add(new LaneDraft(budget, window, true)));
        }
        return found;
    }
}
