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
import org.diligentbough.core.verdict.Scene;
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
    public static Optional<Upkeep> of(Scene scene, TreeVerdict tree, CuttingCalendar calendar, RenovationPlan plan) {
        PruningYear now = calendar.pruningYear(scene.survey().today());
        int from =
                plan.lanes().stream().mapToInt(lane -> lane.year().year()).max().orElse(now.year()) + 1;
        List<Window> windows = calendar.windows(new PruningYear(from, now.southern()));
        int minutes = tree.triage() == Triage.TAKE_OUT ? 0 : personMinutes(scene);
        return windows.stream()
                .filter(window -> minutes > 0 && window.quality() != Window.Quality.KEEP_OFF)
                .min(Comparator.comparing(Window::quality))
                .map(window -> new Upkeep(from, window.season(), minutes));
    }

    /** Person-minutes a year, whole, 0 and more; none for an evergreen that is left alone. */
    static int personMinutes(Scene scene) {
        if (scene.evergreenLeftAlone()) {
            return 0;
        }
        double faceM2 = scene.tree().heightM() * scene.tree().spreadM();
        double trained = scene.formWanted().trained() ? scene.figure(UPKEEP_TRAINED_TIMES) : 1;
        return (int) Math.ceil(
                faceM2 * scene.figure(UPKEEP_MINUTES_M2) * scene.traits().upkeepTimes() * trained * ofItsAge(scene));
    }

    /** A young tree has less to cut, an old one grows less; between, and where nobody knows, all of it. */
    private static double ofItsAge(Scene scene) {
        if (scene.ageYears().isEmpty()) {
            return 1;
        }
        double years = scene.ageYears().getAsInt();
        double grown = scene.figure(UPKEEP_GROWN_YEARS);
        double young = scene.figure(UPKEEP_YOUNG_SHARE);
        double old = scene.figure(UPKEEP_OLD_SHARE);
        double towardsOld = Math.min(1, (years - grown) / (scene.figure(UPKEEP_OLD_YEARS) - grown));
        return years < grown ? young + (1 - young) * Math.max(0, years) / grown : 1 - (1 - old) * towardsOld;
    }
}
