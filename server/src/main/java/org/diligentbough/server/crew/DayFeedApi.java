package org.diligentbough.server.crew;

import net.fortuna.ical4j.model.Calendar;
import org.diligentbough.server.access.CalendarLinks;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/**
 * Work days as calendar entries (RFC 5545): one day as a file, or somebody's days by an address of their own. An entry keeps its
 * UID, its SEQUENCE counts up with every change of the day, and a day that was rained or called off stands there as CANCELLED.
 * Nobody is named.
 */
@RestController
class DayFeedApi {
    private final DayFeed feed;
    private final CalendarLinks links;

    DayFeedApi(DayFeed feed, CalendarLinks links) {
        this.feed = feed;
        this.links = links;
    }

    @GetMapping(value = "/api/days/{dayId}/day.ics", produces = "text/calendar")
    ResponseEntity<String> dayCalendar(@PathVariable long dayId) {
        return calendar(feed.day(dayId));
    }

    /** The days somebody is on at the site the address is for. */
    @GetMapping(value = "/api/calendars/{token}/days.ics", produces = "text/calendar")
    ResponseEntity<String> followedDays(@PathVariable String token) {
        CalendarLinks.Followed who = links.followed(token);
        return calendar(feed.of(who.personId(), who.siteId()));
    }

    private static ResponseEntity<String> calendar(Calendar calendar) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"days.ics\"")
                .body(calendar.toString());
    }
}
