package org.diligentbough.server.shared;

import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Optional;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.stereotype.Component;

/** The date on which things are judged: a site's local date, or the fixed one of {@code BOUGH_TODAY}. */
@Component
public class Today {
    private final Clock clock;
    private final LocalDate fixed;

    Today(Clock clock, Settings settings) {
        this.clock = clock;
        this.fixed = settings.today();
    }

    /** Today where the clocks show {@code zone}. */
    public LocalDate in(ZoneId zone) {
        return fixed != null ? fixed : LocalDate.now(clock.withZone(zone));
    }

    /** The time of day where the clocks show {@code zone}, while it is that date there; empty before, after, and where the date stands still. */
    public Optional<LocalTime> clockIn(ZoneId zone, LocalDate on) {
        return fixed == null && in(zone).equals(on)
                ? Optional.of(LocalTime.now(clock.withZone(zone)))
                : Optional.empty();
    }

    /**
     * How this server was started.
     *
     * @param today a date that stands still, or null
     * @param demoFolder folder of archives loaded into an empty database, or empty
     */
    @ConfigurationProperties("bough")
    public record Settings(LocalDate today, String demoFolder) {}
}
