package org.diligentbough.server.access;

import java.time.Instant;
import org.diligentbough.server.shared.MayBeNull;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** An address of one's own by which a calendar program, which cannot sign in, follows a site. */
@RestController
@RequestMapping("/api/sites/{siteId}/calendar-link")
class CalendarLinkApi {
    private final CalendarLinks links;

    CalendarLinkApi(CalendarLinks links) {
        this.links = links;
    }

    /**
     * Whether there is one.
     *
     * @param path of the year's windows by it, told this once when it is made
     * @param daysPath of one's own days by it
     */
    record CalendarLinkView(
            @MayBeNull Instant madeAt,
            @MayBeNull String path,
            @MayBeNull String daysPath) {}

    @GetMapping
    CalendarLinkView calendarLink(@PathVariable long siteId) {
        return new CalendarLinkView(links.madeAt(siteId).orElse(null), null, null);
    }

    /** Makes one; the one before, if any, leads nowhere from now on. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    CalendarLinkView makeCalendarLink(@PathVariable long siteId) {
        String token = links.make(siteId);
        String at = "/api/calendars/" + token;
        return new CalendarLinkView(links.madeAt(siteId).orElse(null), at + "/season.ics", at + "/days.ics");
    }

    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void endCalendarLink(@PathVariable long siteId) {
        links.end(siteId);
    }
}
