package org.diligentbough.server.crew;

import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;
import org.diligentbough.server.access.PrivacyService.PersonForgotten;
import org.diligentbough.server.crew.DayMapper.DayRow;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.Today;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How people are reached, and whom to call when something happens to them. The history keeps none of it. */
@Service
class ContactService {
    /** Whoever leads a day has time to ask before it; the day after, what happened is known. */
    private static final int DAYS_BEFORE = 7;

    private static final int DAYS_AFTER = 1;

    private final ContactMapper contacts;
    private final DayService days;
    private final OrchardService orchard;
    private final Today today;

    ContactService(ContactMapper contacts, DayService days, OrchardService orchard, Today today) {
        this.contacts = contacts;
        this.days = days;
        this.orchard = orchard;
        this.today = today;
    }

    /** How somebody is reached, and whom to call when something happens to them. */
    record ContactData(
            @MayBeNull
            @Size(max = 200, message = "is longer than 200 letters")
            @Pattern(
                    regexp = "\\s*|\\s*[^@\\s]+@[^@\\s]+\\s*",
                    message = "is no mail address; give one such as wren@orchard.example")
            String mail,

            @MayBeNull @Size(max = 200, message = "is longer than 200 letters")
            String contact,

            @MayBeNull @Size(max = 200, message = "is longer than 200 letters")
            String emergency) {}

    /** The same of somebody on a day. */
    record DayContact(
            long personId,
            String name,
            @MayBeNull String mail,
            @MayBeNull String contact,
            @MayBeNull String emergency) {}

    /**
     * Those of a day.
     *
     * @param from the first day on which they are told
     * @param until the last
     * @param people empty on any other day
     */
    record DayContacts(LocalDate from, LocalDate until, List<DayContact> people) {}

    ContactData of(long personId) {
        return contacts.of(personId)
                .map(row -> new ContactData(row.mail(), row.contact(), row.emergency()))
                .orElse(new ContactData(null, null, null));
    }

    @Transactional
    ContactData keep(long personId, ContactData data) {
        String mail = stripped(data.mail());
        String contact = stripped(data.contact());
        String emergency = stripped(data.emergency());
        if (mail == null && contact == null && emergency == null) {
            contacts.drop(personId);
        } else {
            contacts.keep(personId, mail, contact, emergency);
        }
        return of(personId);
    }

    private static String stripped(String text) {
        return text == null || text.isBlank() ? null : text.strip();
    }

    DayContacts onDay(long dayId) {
        DayRow day = days.row(dayId);
        LocalDate now = today.in(orchard.site(day.siteId()).zone());
        LocalDate from = day.onDay().minusDays(DAYS_BEFORE);
        LocalDate until = day.onDay().plusDays(DAYS_AFTER);
        boolean told = !now.isBefore(from) && !now.isAfter(until);
        return new DayContacts(
                from,
                until,
                (told ? contacts.onDay(dayId).stream() : Stream.<ContactMapper.ContactRow>empty())
                        .map(row ->
                                new DayContact(row.personId(), row.name(), row.mail(), row.contact(), row.emergency()))
                        .toList());
    }

    @EventListener
    void forgotten(PersonForgotten event) {
        contacts.drop(event.personId());
    }
}
