package org.diligentbough.core.plan;

import java.util.Optional;
import java.util.OptionalDouble;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.season.Window;
import org.diligentbough.core.verdict.Verdict;

/**
 * A cut that has its time, whatever the rules would choose.
 *
 * @param kind remove, shorten or bend: a limb that is shortened first and removed later has two cuts to move
 * @param year calendar year the pruning year bears
 * @param quality of the window meant, where a season has windows of two; empty for {@link Season#ANY}
 * @param keptAtM where the limb is cut in the plan that is kept, m from its base, when the cut stands there because that
 *     plan has it there; empty when somebody moved it
 */
public record Pin(
        String limb, Verdict kind, int year, Season season, Optional<Window.Quality> quality, OptionalDouble keptAtM) {
    /** A cut that somebody moved. */
    public Pin(String limb, Verdict kind, int year, Season season, Optional<Window.Quality> quality) {
        this(limb, kind, year, season, quality, OptionalDouble.empty());
    }

    /** A cut as a plan that is kept has it. */
    public static Pin kept(
            String limb, Verdict kind, int year, Season season, Optional<Window.Quality> quality, double atM) {
        return new Pin(limb, kind, year, season, quality, OptionalDouble.of(atM));
    }

    boolean kept() {
        return keptAtM.isPresent();
    }
}
