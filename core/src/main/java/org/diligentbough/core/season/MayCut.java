package org.diligentbough.core.season;

import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Reason;

/**
 * Whether live wood of a tree may be cut on a day.
 *
 * @param nextOpens first day of the window the day lies in, otherwise of the next best one
 * @param nextCloses last day of that window
 * @param wouldChange what would make the answer another, if anything people can see or choose
 */
public record MayCut(
        Answer answer, List<Reason> reasons, LocalDate nextOpens, LocalDate nextCloses, List<Reason> wouldChange) {
    public MayCut {
        reasons = List.copyOf(reasons);
        wouldChange = List.copyOf(wouldChange);
    }

    /** What is to be cut. */
    public enum Sort {
        /** Live wood, in whatever way suits the time. */
        LIVE(EnumSet.allOf(Window.Work.class)),
        /** Limbs and frame. */
        STRUCTURE(EnumSet.of(Window.Work.STRUCTURE)),
        /** Shoots and ends, to keep the tree to its size. */
        SIZE(EnumSet.of(Window.Work.SIZE, Window.Work.STRUCTURE, Window.Work.TIDY)),
        /** The hard renewal of a fig or a bush. */
        RENEWAL(EnumSet.of(Window.Work.RENEWAL, Window.Work.STRUCTURE)),
        /** The tips of strong shoots. */
        TOPPING(EnumSet.of(Window.Work.TOPPING, Window.Work.SIZE, Window.Work.STRUCTURE)),
        /** Dead wood, which comes off in any season. */
        DEAD(EnumSet.noneOf(Window.Work.class));

        private final Set<Window.Work> windows;

        Sort(Set<Window.Work> windows) {
            this.windows = windows;
        }

        /** The windows in which it may be done, by what they are for. */
        Set<Window.Work> windows() {
            return windows;
        }
    }

    /** The same with what the weather says: it never makes an answer better. */
    public MayCut in(Weather.Holds weather) {
        if (weather.reasons().isEmpty() || answer == Answer.NO) {
            return this;
        }
        return new MayCut(
                weather.answer().compareTo(answer) > 0 ? weather.answer() : answer,
                Stream.concat(weather.reasons().stream(), reasons.stream()).toList(),
                nextOpens,
                nextCloses,
                wouldChange);
    }

    /** Yes, with care, or no. */
    public enum Answer {
        YES,
        WITH_CARE,
        NO
    }
}
