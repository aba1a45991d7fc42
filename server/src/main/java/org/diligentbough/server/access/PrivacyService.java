package org.diligentbough.server.access;

import java.util.List;
import org.diligentbough.server.access.MembershipMapper.MembershipRow;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is known of somebody, told and forgotten on request. */
@Service
public class PrivacyService {
    private final PrivacyMapper privacy;
    private final MembershipMapper members;
    private final History history;
    private final CurrentPerson person;
    private final ApplicationEventPublisher events;

    PrivacyService(
            PrivacyMapper privacy,
            MembershipMapper members,
            History history,
            CurrentPerson person,
            ApplicationEventPublisher events) {
        this.privacy = privacy;
        this.members = members;
        this.history = history;
        this.person = person;
        this.events = events;
    }

    /** Said within the transaction that forgets somebody, while they are still known. */
    public record PersonForgotten(long personId) {}

    /** All that is known of somebody, as a JSON text. */
    String known(long personId) {
        return privacy.known(personId);
    }

    /** What the history keeps of it. */
    record Forgotten(String calledNow) {}

    /**
     * Forgets somebody: what they did stays under "somebody 12".
     *
     * @throws ProblemException 422 when they coordinate a site nobody else does, belong to one that whoever asks does not
     *     coordinate, or are whoever asks
     */
    @Transactional
    void forget(long personId) {
        long who = person.id();
        if (who == personId) {
            throw ProblemException.wrongField("/personId", "is yourself; another coordinator can do this");
        }
        List<MembershipRow> places = members.of(personId);
        for (MembershipRow place : places) {
            if (members.at(who, place.siteId())
                    .filter(mine -> mine.role() == Role.COORDINATOR)
                    .isEmpty()) {
                throw ProblemException.wrongField(
                        "/personId", "belongs to another site too; who coordinates there has to end that first");
            }
        }
        events.publishEvent(new PersonForgotten(personId));
        String calledNow = privacy.forget(personId);
        for (MembershipRow place : places) {
            history.added(new About("forgotten", personId, place.siteId(), null), new Forgotten(calledNow));
        }
    }
}
