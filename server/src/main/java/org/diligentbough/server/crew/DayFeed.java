package org.diligentbough.server.crew;

import java.time.Instant;
import java.time.LocalTime;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.Location;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Sequence;
import net.fortuna.ical4j.model.property.Status;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableMethod;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;
import org.diligentbough.server.crew.DayMapper.DayRow;
import org.diligentbough.server.crew.DayMapper.State;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.visit.VisitMapper;
import org.springframework.stereotype.Component;

/** Work days as calendar entries. */
@Component
public class DayFeed {
    private final DayService days;
    private final DayMapper rows;
    private final VisitMapper visits;
    private final OrchardService orchard;

    DayFeed(DayService days, DayMapper rows, VisitMapper visits, OrchardService orchard) {
        this.days = days;
        this.rows = rows;
        this.visits = visits;
        this.orchard = orchard;
    }

    Calendar day(long dayId) {
        DayRow day = days.row(dayId);
        return calendar(List.of(day), orchard.site(day.siteId()));
    }

    /** A day as it is sent: taken into a calendar, or out of it when it does not take place. */
    public String mailed(long dayId) {
        DayRow day = days.row(dayId);
        Calendar calendar = calendar(List.of(day), orchard.site(day.siteId()));
        calendar.add(day.over() ? ImmutableMethod.CANCEL : ImmutableMethod.PUBLISH);
        return calendar.toString();
    }

    /** Those somebody is on, of a site. */
    Calendar of(long personId, long siteId) {
        return calendar(
                rows.ofSite(siteId).stream()
                        .filter(day -> day.people().contains(personId))
                        .toList(),
                orchard.site(siteId));
    }

    private Calendar calendar(List<DayRow> some, SiteRow site) {
        Calendar calendar = new Calendar();
        calendar.add(new ProdId("-//Diligent Bough//Days//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(ImmutableCalScale.GREGORIAN);
        some.forEach(day -> calendar.add(event(day, site)));
        return calendar;
    }

    private VEvent event(DayRow day, SiteRow site) {
        VEvent event =
                new VEvent(at(day, day.starts(), site), at(day, day.ends(), site), "Orchard work: " + site.name());
        event.add(new Uid("day-" + day.id() + "@diligent-bough"));
        event.add(new Sequence(day.version()));
        event.add(new Status(status(day.state())));
        event.add(new Location(site.name()));
        event.add(new Description(told(day)));
        return event;
    }

    private static Instant at(DayRow day, String time, SiteRow site) {
        return day.onDay().atTime(LocalTime.parse(time)).atZone(site.zone()).toInstant();
    }

    private static String status(State state) {
        return switch (state) {
            case PLANNED -> "TENTATIVE";
            case CONFIRMED -> "CONFIRMED";
            case RAINED_OFF, CALLED_OFF -> "CANCELLED";
        };
    }

    private String told(DayRow day) {
        String trees = visits.ofDay(day.id()).stream()
                .map(visit -> orchard.tree(visit.treeId()).tag())
                .distinct()
                .collect(Collectors.joining(", "));
        return switch (day.state()) {
            case RAINED_OFF -> "Rained off.";
            case CALLED_OFF -> "Called off.";
            default -> trees.isEmpty() ? "Which trees is still open." : String.format(Locale.ROOT, "Trees: %s.", trees);
        };
    }
}
