package org.diligentbough.server.crew;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.diligentbough.server.crew.HoursMapper.WorkedDay;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.shared.Today;
import org.springframework.stereotype.Service;

/**
 * Hours of people by season and kind of work. Whoever was signed in and out was there as long as that; of others what was logged
 * and ticked counts.
 */
@Service
class HoursService {
    private static final int YEARS_BACK = 3;
    private static final double MINUTES_AN_HOUR = 60;
    private static final int APRIL = 4;
    private static final int SEPTEMBER = 9;

    private final HoursMapper hours;
    private final OrchardService orchard;
    private final Today today;

    HoursService(HoursMapper hours, OrchardService orchard, Today today) {
        this.hours = hours;
        this.orchard = orchard;
        this.today = today;
    }

    /**
     * Somebody's half-year, hours each.
     *
     * @param season such as winter 2026/27
     * @param other of the time they were there
     */
    record HoursView(long personId, String name, String season, int days, double cutting, double tasks, double other) {
        double all() {
            return cutting + tasks + other;
        }
    }

    /** Of everybody at a site, the newest season first, in it who worked most. */
    List<HoursView> ofSite(long siteId) {
        SiteRow site = orchard.site(siteId);
        boolean southern = site.data().toSite().southern();
        LocalDate since = today.in(site.zone()).minusYears(YEARS_BACK);
        Map<String, HoursView> sums = new LinkedHashMap<>();
        Map<String, LocalDate> begins = new LinkedHashMap<>();
        for (WorkedDay day : hours.since(siteId, since)) {
            String season = season(day.onDay(), southern);
            begins.merge(season, day.onDay(), (one, other) -> one.isBefore(other) ? one : other);
            sums.merge(
                    season + " " + day.personId(),
                    of(day, season),
                    (one, other) -> new HoursView(
                            one.personId(),
                            one.name(),
                            season,
                            one.days() + 1,
                            one.cutting() + other.cutting(),
                            one.tasks() + other.tasks(),
                            one.other() + other.other()));
        }
        return sums.values().stream()
                .sorted(Comparator.comparing((HoursView one) -> begins.get(one.season()))
                        .reversed()
                        .thenComparing(Comparator.comparing(HoursView::all).reversed())
                        .thenComparing(HoursView::name))
                .toList();
    }

    private static HoursView of(WorkedDay day, String season) {
        double cutting = day.there() > 0 ? Math.min(day.cutting(), day.there()) : day.cutting();
        double tasks = day.there() > 0 ? Math.min(day.tasks(), day.there() - cutting) : day.tasks();
        double other = Math.max(0, day.there() - cutting - tasks);
        return new HoursView(
                day.personId(),
                day.name(),
                season,
                1,
                cutting / MINUTES_AN_HOUR,
                tasks / MINUTES_AN_HOUR,
                other / MINUTES_AN_HOUR);
    }

    private static String season(LocalDate on, boolean southern) {
        boolean middle = on.getMonthValue() >= APRIL && on.getMonthValue() <= SEPTEMBER;
        int begun = on.getMonthValue() < APRIL ? on.getYear() - 1 : on.getYear();
        return middle
                ? (southern ? "winter " : "summer ") + on.getYear()
                : (southern ? "summer " : "winter ") + begun + "/"
                        + String.format(Locale.ROOT, "%02d", (begun + 1) % 100);
    }

    /** Hours of everybody at a site since a day, by person. */
    Map<Long, Double> since(long siteId, LocalDate since) {
        Map<Long, Double> sums = new LinkedHashMap<>();
        hours.since(siteId, since)
                .forEach(day -> sums.merge(day.personId(), of(day, "").all(), Double::sum));
        return sums;
    }
}
