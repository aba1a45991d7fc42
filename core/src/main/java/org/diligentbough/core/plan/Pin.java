package org.diligentbough.core.plan;

import java.util.Optional;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.season.Window;
import org.diligentbough.core.verdict.Verdict;

/**
 * A cut that has its time, whatever the rules would choose.
 *
 * @param kind remove, shorten or bend: a limb that is shortened first and removed later has two cuts to move
 * @param year calendar year the pruning year bears
 * @param quality of the window meant, where a season has windows of two; empty for {@link Season#ANY}
 * @param kept whether it stands there because the plan that is kept has it there, not because somebody moved it
 */
public record Pin(String limb, Verdict kind, int year, Season season, Optional<Window.Quality> quality, boolean kept) {
    /** A cut that somebody moved. */
    public Pin(String limb, Verdict kind, int year, Season season, Optional<Window.Quality> quality) {
        this(limb, kind, year, season, quality, false);
    }
}
