package org.diligentbough.server.shared;

import java.time.LocalDate;

/** Which days make sense of an orchard. */
public final class Days {
    /** What to do about one that makes none. */
    public static final String WANTED = "is no day from 1900 to 2200; give one like 2027-02-16";

    private static final LocalDate FIRST = LocalDate.of(1900, 1, 1);
    private static final LocalDate LAST = LocalDate.of(2200, 12, 31);

    private Days() {}

    /** Whether a day makes sense: from 1900 to 2200. */
    public static boolean makeSense(LocalDate day) {
        return !day.isBefore(FIRST) && !day.isAfter(LAST);
    }
}
