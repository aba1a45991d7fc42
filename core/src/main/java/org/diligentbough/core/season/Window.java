package org.diligentbough.core.season;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.diligentbough.core.knowledge.Reason;
import org.threeten.extra.LocalDateRange;

/**
 * Days on which a kind of tree is best cut, may be cut with care, or is left alone.
 *
 * @param season how plans name the time
 * @param work what it is for
 * @param days its days, never empty
 * @param reason why
 * @param opensWith the stage whose coming opens it, where one does
 * @param closesWith the stage whose coming closes it, where one does
 */
public record Window(
        Quality quality,
        Season season,
        Work work,
        LocalDateRange days,
        Reason reason,
        Optional<Stages.Stage> opensWith,
        Optional<Stages.Stage> closesWith) {

    /** The part of it that lies within other days; empty if none does. */
    Optional<Window> within(LocalDateRange others) {
        return days.overlaps(others) ? Optional.of(on(days.intersection(others))) : Optional.empty();
    }

    /** What is left of it before the first of others that open in it, or after the last that close in it. */
    Optional<Window> without(List<Window> others) {
        LocalDateRange left = days;
        for (Window other : others) {
            if (!left.overlaps(other.days)) {
                continue;
            }
            if (other.days.getStart().isAfter(left.getStart())) {
                left = left.withEnd(other.days.getStart());
            } else if (other.days.getEnd().isBefore(left.getEnd())) {
                left = left.withStart(other.days.getEnd());
            } else {
                return Optional.empty();
            }
        }
        return Optional.of(left.equals(days) ? this : on(left));
    }

    /** The same on other days. */
    Window on(LocalDateRange others) {
        return new Window(quality, season, work, others, reason, opensWith, closesWith);
    }

    /** First day. */
    public LocalDate opens() {
        return days.getStart();
    }

    /** Last day. */
    public LocalDate closes() {
        return days.getEndInclusive();
    }

    /** How good the time is. */
    public enum Quality {
        BEST,
        WITH_CARE,
        KEEP_OFF
    }

    /** What a window is for. */
    public enum Work {
        /** All ordinary cutting of live wood. */
        STRUCTURE,
        /** Keeping the tree to its size, bearing no more than the summer allowance. */
        SIZE,
        /** A light tidy after the main cut of another season. */
        TIDY,
        /** The hard renewal of a fig. */
        RENEWAL,
        /** Taking the tips off strong shoots. */
        TOPPING
    }
}
