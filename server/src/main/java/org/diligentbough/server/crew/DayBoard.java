package org.diligentbough.server.crew;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.diligentbough.server.crew.DayMapper.DayRow;
import org.diligentbough.server.crew.DayView.DaySummary;
import org.springframework.stereotype.Component;

/** Which work days ask for something. */
@Component
public class DayBoard {
    private static final int DAYS_BACK = 60;

    private final DayMapper days;
    private final DayReader reader;

    DayBoard(DayMapper days, DayReader reader) {
        this.days = days;
        this.reader = reader;
    }

    /** Days to come, the next first, and those past of which something is not logged yet. */
    public List<DaySummary> board(long siteId, LocalDate today) {
        return days.ofSite(siteId).stream()
                .filter(day -> !day.over())
                .filter(day -> day.onDay().isAfter(today.minusDays(DAYS_BACK)))
                .map(reader::summary)
                .filter(day -> !day.past() || day.logged() < day.trees())
                .sorted((one, other) -> one.on().compareTo(other.on()))
                .toList();
    }

    /** The next day each tree is on. */
    public Map<Long, LocalDate> comingDayOf(long siteId, LocalDate today) {
        Map<Long, LocalDate> next = new HashMap<>();
        for (DayRow day : days.ofSite(siteId)) {
            if (!day.onDay().isBefore(today) && !day.over()) {
                reader.visits(day.id()).stream()
                        .filter(visit -> !visit.logged())
                        .forEach(visit -> next.merge(
                                visit.treeId(), day.onDay(), (one, other) -> one.isBefore(other) ? one : other));
            }
        }
        return next;
    }

    /** The day of a visit. */
    public LocalDate dateOf(long dayId) {
        return days.find(dayId).orElseThrow().onDay();
    }
}
