package org.diligentbough.core.plan;

import static org.diligentbough.core.knowledge.Figure.UPKEEP_GROWN_YEARS;
import static org.diligentbough.core.knowledge.Figure.UPKEEP_MINUTES_M2;
import static org.diligentbough.core.knowledge.Figure.UPKEEP_OLD_SHARE;
import static org.diligentbough.core.knowledge.Figure.UPKEEP_OLD_YEARS;
import static org.diligentbough.core.knowledge.Figure.UPKEEP_TRAINED_TIMES;
import static org.diligentbough.core.knowledge.Figure.UPKEEP_YOUNG_SHARE;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.diligentbough.core.season.CuttingCalendar;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.season.Window;
import org.diligentbough.core.verdict.TreeFacts;
import org.diligentbough.core.verdict.TreeVerdict;
import org.diligentbough.core.verdict.Triage;

/**
 * Yearly upkeep of a tree when its plan is done: what the ordinary cutting of a tree that is kept comes to in a year: what grew, crosses or died since, not entered limb
 * by limb. An estimate from kind, age and size (own, no source): the crown's face in m2 times the kind's minutes.
 *
 * @param fromYear the first pruning year after the plan's last
 * @param season in which it is due
 * @param minutes person-minutes a year, over 0
 */
public record Upkeep(int fromYear, Season season, int minutes) {

    /** That of a tree; none for one that is to be taken out, is left alone or cannot be cut in any season here. */
    public static Optional<Upkeep> of(
            TreeFacts facts, TreeVerdict tree, CuttingCalendar calendar, RenovationPlan plan) {
        PruningYear now = calendar.pruningYear(facts.survey().today());
        int from =
                plan.lanes().stream().mapToInt(lane -> lane.year().year()).max().orElse(now.year()) + 1;
        List<Window> windows = calendar.windows(new PruningYear(from, now.southern()));
        int minutes = tree.triage() == Triage.TAKE_OUT ? 0 : personMinutes(facts);
        return windows.stream()
                .filter(window -> minutes > 0 && window.quality() != Window.Quality.KEEP_OFF)
                .min(Comparator.comparing(Window::quality))
                .map(window -> new Upkeep(from, window.season(), minutes));
    }

    /** Person-minutes a year, whole, 0 and more; none for an evergreen that is left alone. */
    static int personMinutes(TreeFacts facts) {
        if (facts.evergreenLeftAlone()) {
            return 0;
        }
        double faceM2 = facts.tree().heightM() * facts.tree().spreadM();
        double trained = facts.formWanted().trained() ? facts.figure(UPKEEP_TRAINED_TIMES) : 1;
        return (int) Math.ceil(
                faceM2 * facts.figure(UPKEEP_MINUTES_M2) * facts.traits().upkeepTimes() * trained * ofItsAge(facts));
    }

    /** A young tree has less to cut, an old one grows less; between, and where nobody knows, all of it. */
    private static double ofItsAge(TreeFacts facts) {
        if (facts.ageYears().isEmpty()) {
            return 1;
        }
        double years = facts.ageYears().getAsInt();
        double grown = facts.figure(UPKEEP_GROWN_YEARS);
        double young = facts.figure(UPKEEP_YOUNG_SHARE);
        double old = facts.figure(UPKEEP_OLD_SHARE);
        double towardsOld = Math.min(1, (years - grown) / (facts.figure(UPKEEP_OLD_YEARS) - grown));
        return years < grown ? young + (1 - young) * Math.max(0, years) / grown : 1 - (1 - old) * towardsOld;
    }
}
