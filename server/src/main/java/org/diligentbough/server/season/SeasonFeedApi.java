package org.diligentbough.server.season;

import java.time.LocalDate;
import java.util.Locale;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Transp;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;
import org.diligentbough.core.season.Window;
import org.diligentbough.server.access.CalendarLinks;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper;
import org.diligentbough.server.season.SeasonViews.WindowView;
import org.diligentbough.server.shared.Today;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** The windows of a site as a calendar other programs can follow (RFC 5545). */
@RestController
class SeasonFeedApi {
    private final OrchardService orchard;
    private final SiteSeasons seasons;
    private final CalendarLinks links;
    private final Today today;

    SeasonFeedApi(OrchardService orchard, SiteSeasons seasons, CalendarLinks links, Today today) {
        this.orchard = orchard;
        this.seasons = seasons;
        this.links = links;
        this.today = today;
    }

    @GetMapping(value = "/api/sites/{siteId}/season.ics", produces = "text/calendar")
    ResponseEntity<String> calendar(@PathVariable long siteId) {
        return windows(siteId);
    }

    /** The same by an address of somebody's own: nobody is named in it. */
    @GetMapping(value = "/api/calendars/{token}/season.ics", produces = "text/calendar")
    ResponseEntity<String> followedCalendar(@PathVariable String token) {
        return windows(links.followed(token).siteId());
    }

    private ResponseEntity<String> windows(long siteId) {
        SiteRow site = orchard.site(siteId);
        LocalDate day = today.in(site.zone());
        Calendar calendar = new Calendar();
        calendar.add(new ProdId("-//Diligent Bough//Seasons//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(ImmutableCalScale.GREGORIAN);
        for (TreeMapper.KindCount kind : orchard.kinds(siteId)) {
            var species = SiteSeasons.species(kind.species());
            seasons.calendar(site, species, kind.trained(), day).windowsIn(SeasonRibbonApi.shown(day)).stream()
                    .filter(window -> window.quality() != Window.Quality.KEEP_OFF)
                    .map(seasons::view)
                    .forEach(window -> calendar.add(event(site, kind, window)));
        }
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"seasons.ics\"")
                .body(calendar.toString());
    }

    private static VEvent event(SiteRow site, TreeMapper.KindCount kind, WindowView window) {
        String name = kind.species().replace('-', ' ') + (kind.trained() ? ", trained" : "");
        String title = name.substring(0, 1).toUpperCase(Locale.ENGLISH) + name.substring(1) + ": "
                + (window.quality().equals("best") ? "best cut" : "may be cut with care") + " (" + site.name() + ")";
        VEvent event = new VEvent(window.opens(), window.closes().plusDays(1), title);
        event.add(new Uid(String.join(
                "-",
                "season",
                String.valueOf(site.id()),
                kind.species(),
                kind.trained() ? "trained" : "free",
                window.quality(),
                window.season(),
                window.work(),
                String.valueOf(window.opens().getYear()))));
        event.add(new Description(window.reason().text()));
        event.add(new Transp(Transp.VALUE_TRANSPARENT));
        return event;
    }
}
