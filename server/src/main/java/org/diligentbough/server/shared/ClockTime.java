package org.diligentbough.server.shared;

import java.util.Locale;

/** Times of day as texts such as 09:30 and as minutes since midnight. */
public final class ClockTime {
    private static final int MINUTES_AN_HOUR = 60;

    private ClockTime() {}

    /** Minutes of a text that is such a time. */
    public static int minutes(String time) {
        return Integer.parseInt(time.substring(0, 2)) * MINUTES_AN_HOUR + Integer.parseInt(time.substring(3));
    }

    public static String text(int minutes) {
        return String.format(Locale.ROOT, "%02d:%02d", minutes / MINUTES_AN_HOUR, minutes % MINUTES_AN_HOUR);
    }
}
