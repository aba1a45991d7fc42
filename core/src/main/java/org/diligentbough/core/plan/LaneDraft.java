package org.diligentbough.core.plan;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.season.Window;
import org.threeten.extra.LocalDateRange;

/** A lane while cuts are put into it. */
final class LaneDraft {
    final YearBudget budget;
    final Season season;
    final LocalDate opens;
    final LocalDate closes;
    /** How good the time is; empty for {@link Season#ANY}. */
    final Optional<Window.Quality> quality;
    /** Whether it takes from the summer's allowance: a summer lane of trees whose main cut is dormant. */
    final boolean summerOnly;
    /** Whether it is the time in which growing shoots are topped. */
    final boolean topping;

    final List<RenovationPlan.PlannedCut> cuts = new ArrayList<>();
    Optional<Reason> overrun = Optional.empty();
    Optional<RenovationPlan.Detail> detail = Optional.empty();
    final List<RenovationPlan.Task> tasks = new ArrayList<>();
    int upkeepMinutes;

    LaneDraft(YearBudget budget, Window window, boolean summerOnly) {
        this(
                budget,
                window.season(),
                window.days(),
                Optional.of(window.quality()),
                summerOnly,
                window.work() == Window.Work.TOPPING);
    }

    private LaneDraft(
            YearBudget budget,
            Season season,
            LocalDateRange days,
            Optional<Window.Quality> quality,
            boolean summerOnly,
            boolean topping) {
        this.budget = budget;
        this.season = season;
        this.opens = days.getStart();
        this.closes = days.getEndInclusive();
        this.quality = quality;
        this.summerOnly = summerOnly;
        this.topping = topping;
    }

    /** Whether it is for all ordinary cutting. */
    boolean main() {
        return !summerOnly && !topping;
    }

    /** What is not bound to the species' windows. */
    static LaneDraft anySeason(YearBudget budget) {
        return new LaneDraft(budget, Season.ANY, budget.year().days(), Optional.empty(), false, false);
    }

    boolean empty() {
        return cuts.isEmpty() && detail.isEmpty() && upkeepMinutes == 0 && tasks.isEmpty();
    }

    /** Person-minutes of all that is in it. */
    int minutes() {
        return cuts.stream().mapToInt(cut -> cut.cut().minutes()).sum()
                + detail.map(RenovationPlan.Detail::minutes).orElse(0)
                + tasks.stream().mapToInt(RenovationPlan.Task::minutes).sum()
                + upkeepMinutes;
    }

    /**
     * As it came to be, its cuts in common order.
     *
     * @param places of all that is to be cut in common order, by tag
     */
    RenovationPlan.Lane lane(Map<String, Integer> places) {
        cuts.sort(Comparator.comparingInt(cut -> places.get(cut.limb())));
        return new RenovationPlan.Lane(
                budget.year(),
                season,
                opens,
                closes,
                quality,
                cuts,
                cuts.stream().mapToDouble(RenovationPlan.PlannedCut::share).sum(),
                cuts.stream().mapToDouble(RenovationPlan.PlannedCut::crop).sum(),
                budget.laneAllowance(summerOnly),
                (int) cuts.stream().filter(cut -> cut.cut().big()).count(),
                minutes(),
                overrun,
                detail,
                tasks,
                upkeepMinutes);
    }

    /** Branches are spread while buds are at rest or once shoots have hardened, never while buds break. */
    boolean bendsHere() {
        return !topping && season != Season.BUD_SWELL && season != Season.EARLY_SUMMER;
    }
}
