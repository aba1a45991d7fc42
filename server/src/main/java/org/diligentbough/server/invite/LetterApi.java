package org.diligentbough.server.invite;

import java.time.Instant;
import java.util.List;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.server.shared.MayBeNull;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The outbox of a site: what was written to people, as it was. */
@RestController
@RequestMapping("/api")
class LetterApi {
    private static final int AT_A_TIME = 50;

    private final Outbox outbox;

    LetterApi(Outbox outbox) {
        this.outbox = outbox;
    }

    /**
     * A letter.
     *
     * @param kind invitation, told, changed, reminder or off
     * @param mailTo null where no mail address is known: it is handed over by hand
     * @param link the address by which they answer; empty where there is nothing to answer
     * @param state by-hand, kept (no mail server is named), waiting, sent or given-up
     * @param failure what the mail server said last
     */
    record LetterView(
            long id,
            long personId,
            String name,
            @MayBeNull Long dayId,
            String kind,
            @MayBeNull String mailTo,
            String subject,
            String body,
            String link,
            Instant madeAt,
            String state,
            @MayBeNull String failure) {}

    /** The newest fifty, or those before one. */
    @GetMapping("/sites/{siteId}/letters")
    List<LetterView> letters(
            @PathVariable long siteId, @RequestParam(defaultValue = "9223372036854775807") long before) {
        return outbox.ofSite(siteId, before, AT_A_TIME).stream()
                .map(row -> new LetterView(
                        row.id(),
                        row.personId(),
                        row.name(),
                        row.workDayId(),
                        Codes.of(row.kind()),
                        row.mailTo(),
                        row.subject(),
                        row.body(),
                        row.link(),
                        row.madeAt(),
                        Codes.of(row.state()),
                        row.failure()))
                .toList();
    }

    /** The letter as it goes out, with the calendar entry in it. */
    @GetMapping(value = "/letters/{letterId}/letter.eml", produces = "message/rfc822")
    ResponseEntity<byte[]> letterFile(@PathVariable long letterId) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"letter-" + letterId + ".eml\"")
                .body(outbox.eml(letterId));
    }
}
