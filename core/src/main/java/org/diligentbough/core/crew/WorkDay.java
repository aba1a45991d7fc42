package org.diligentbough.core.crew;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;

/**
 * A day on which trees are cut.
 *
 * @param minutes from its start to its end
 * @param shed how many of each the shed holds; what is not named is not there
 * @param coming those who come
 * @param visits in the order they are done
 */
public record WorkDay(
        LocalDate on,
        int minutes,
        Map<Kit, Integer> shed,
        boolean confirmed,
        List<Helper> coming,
        List<TreeVisit> visits) {
    public WorkDay {
        shed = Map.copyOf(shed);
        coming = List.copyOf(coming);
        visits = List.copyOf(visits);
    }
}
