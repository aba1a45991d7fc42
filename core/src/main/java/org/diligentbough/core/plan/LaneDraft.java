package org.diligentbough.core.plan;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.season.Season;

/** A lane while cuts are put into it. */
final class LaneDraft {
    final YearBudget budget;
    final Season season;
    final LocalDate opens;
    final LocalDate closes;
    /** Whether it takes from the summer's allowance: a summer lane of trees whose main cut is dormant. */
    final boolean summerOnly;

    final List<RenovationPlan.PlannedCut> cuts = new ArrayList<>();
    Optional<Reason> overrun = Optional.empty();
    Optional<RenovationPlan.Detail> detail = Optional.empty();

    LaneDraft(YearBudget budget, Season season, LocalDate opens, LocalDate closes, boolean summerOnly) {
        this.budget = budget;
        this.season = season;
        this.opens = opens;
        this.closes = closes;
        this.summerOnly = summerOnly;
    }

    boolean empty() {
        return cuts.isEmpty() && detail.isEmpty();
    }

    RenovationPlan.Lane lane() {
        return new RenovationPlan.Lane(
                budget.year(),
                season,
                opens,
                closes,
                cuts,
                cuts.stream().mapToDouble(RenovationPlan.PlannedCut::share).sum(),
                budget.laneAllowance(summerOnly),
                (int) cuts.stream().filter(cut -> cut.cut().big()).count(),
                cuts.stream().mapToInt(cut -> cut.cut().minutes()).sum()
                        + detail.map(RenovationPlan.Detail::minutes).orElse(0),
                overrun,
                detail);
    }
}
