package org.diligentbough.server.season;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.season.Weather;
import org.diligentbough.server.figures.SiteRules;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.Today;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.threeten.extra.LocalDateRange;

/** The weather of a site's coming days, from whichever feed knows a day first. */
@Service
public class SiteWeatherService {
    /** How far ahead a forecast reaches. */
    static final int DAYS_AHEAD = 10;

    private final List<WeatherFeed> feeds;
    private final FileFeed files;
    private final OrchardService orchard;
    private final SiteRules rules;
    private final History history;
    private final CurrentPerson person;
    private final Today today;

    SiteWeatherService(
            List<WeatherFeed> feeds,
            FileFeed files,
            OrchardService orchard,
            SiteRules rules,
            History history,
            CurrentPerson person,
            Today today) {
        this.feeds = feeds;
        this.files = files;
        this.orchard = orchard;
        this.rules = rules;
        this.history = history;
        this.person = person;
        this.today = today;
    }

    /** A day's weather and where it comes from: file or simulated. */
    record WeatherDay(LocalDate on, double minC, double maxC, double rainMm, double windKmh, String from) {}

    /** What was taken of a file. */
    record Taken(int days) {}

    public List<WeatherDay> coming(long siteId) {
        SiteRow site = orchard.site(siteId);
        return known(site).values().stream().toList();
    }

    /** Takes daily weather as CSV: date, minC, maxC, rainMm, windKmh. A day sent again is replaced. */
    @Transactional
    public Taken take(long siteId, byte[] table) {
        person.id();
        orchard.site(siteId);
        Taken taken = new Taken(files.take(siteId, new String(table, StandardCharsets.UTF_8), "sent"));
        history.imported(new About("weather", siteId, siteId, null), taken);
        return taken;
    }

    private Map<LocalDate, WeatherDay> known(SiteRow site) {
        LocalDate from = today.in(site.zone());
        Map<LocalDate, WeatherDay> found = new TreeMap<>();
        for (WeatherFeed feed : feeds) {
            feed.days(site, from, DAYS_AHEAD)
                    .forEach(day -> found.putIfAbsent(
                            day.on(),
                            new WeatherDay(
                                    day.on(), day.minC(), day.maxC(), day.rainMm(), day.windKmh(), feed.name())));
        }
        return found;
    }

    /** What is known of the coming days, to ask what it holds up. */
    public Known of(long siteId) {
        return new Known(
                new Weather(known(orchard.site(siteId)).values().stream()
                        .map(day -> new Weather.Day(
                                day.on(),
                                day.minC(),
                                day.maxC(),
                                day.rainMm(),
                                day.windKmh(),
                                day.from().equals(SimulatedFeed.NAME)
                                        ? Weather.Origin.SIMULATED
                                        : Weather.Origin.KNOWN))
                        .toList()),
                rules.of(siteId));
    }

    /**
     * The lowest temperature of days gone by, as files tell: what is simulated never happened. Empty where a day is not known and
     * those that are do not come to {@code enoughC}.
     */
    public OptionalDouble coldest(SiteRow site, LocalDateRange days, double enoughC) {
        List<Weather.Day> known = files.days(site, days.getStart(), days.lengthInDays());
        OptionalDouble coldest = known.stream().mapToDouble(Weather.Day::minC).min();
        boolean enough = known.size() == days.lengthInDays() || coldest.orElse(0) <= enoughC;
        return enough ? coldest : OptionalDouble.empty();
    }

    /** The weather of a site with the rules it is judged by. */
    public record Known(Weather weather, Rulebook rules) {
        /** What speaks against cutting live wood of a kind on a day. */
        public Weather.Holds holds(Species species, LocalDate day) {
            return weather.holds(species, rules.species().of(species), day, rules.knowledge());
        }
    }
}
