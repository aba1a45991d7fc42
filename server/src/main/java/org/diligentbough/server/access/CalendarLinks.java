package org.diligentbough.server.access;

import java.time.Instant;
import java.util.Optional;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.stereotype.Service;

/** Whose calendar an address asks for. */
@Service
public class CalendarLinks {
    private final CalendarLinkMapper mapper;
    private final CurrentPerson person;

    CalendarLinks(CalendarLinkMapper mapper, CurrentPerson person) {
        this.mapper = mapper;
        this.person = person;
    }

    /** Makes an address for whoever is signed in, in the place of the one they had; its secret is told this once. */
    String make(long siteId) {
        String token = Secrets.made();
        mapper.make(person.id(), siteId, Secrets.hash(token));
        return token;
    }

    Optional<Instant> madeAt(long siteId) {
        return mapper.madeAt(person.id(), siteId);
    }

    void end(long siteId) {
        mapper.end(person.id(), siteId);
    }

    /** Who follows which site. */
    public record Followed(Long personId, Long siteId) {}

    /**
     * Whose address it is.
     *
     * @throws ProblemException 404 when it was ended, or never was
     */
    public Followed followed(String token) {
        return mapper.followed(Secrets.hash(token))
                .orElseThrow(() -> ProblemException.notFound("This calendar is not followed any more."));
    }
}
