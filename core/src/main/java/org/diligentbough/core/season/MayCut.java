package org.diligentbough.core.season;

import java.time.LocalDate;
import java.util.List;
import org.diligentbough.core.knowledge.Reason;

/**
 * Whether live wood of a tree may be cut on a day.
 *
 * @param nextOpens first day of the window the day lies in, otherwise of the next best one
 * @param nextCloses last day of that window
 */
public record MayCut(Answer answer, List<Reason> reasons, LocalDate nextOpens, LocalDate nextCloses) {
    public MayCut {
        reasons = List.copyOf(reasons);
    }

    /** Yes, with care, or no. */
    public enum Answer {
        YES,
        WITH_CARE,
        NO
    }
}
