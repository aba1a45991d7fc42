package org.diligentbough.server.crew;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import org.diligentbough.core.crew.Helper;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.verdict.Ticket;
import org.diligentbough.server.access.Memberships;
import org.diligentbough.server.access.PrivacyService.PersonForgotten;
import org.diligentbough.server.access.Role;
import org.diligentbough.server.crew.PersonData.TicketData;
import org.diligentbough.server.crew.PersonMapper.FreeRow;
import org.diligentbough.server.crew.PersonMapper.PersonRow;
import org.diligentbough.server.crew.PersonMapper.SharingRow;
import org.diligentbough.server.crew.PersonMapper.TicketRow;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The people who work here: tickets, age and the days they can come. */
@Service
public class PeopleService {
    private final PersonMapper people;
    private final Memberships memberships;
    private final History history;
    private final CurrentPerson person;
    private final DayMapper days;
    private final Today today;

    PeopleService(
            PersonMapper people,
            Memberships memberships,
            History history,
            CurrentPerson person,
            DayMapper days,
            Today today) {
        this.memberships = memberships;
        this.people = people;
        this.days = days;
        this.today = today;
        this.history = history;
        this.person = person;
    }

    /** A person; {@code leftOn} is the day they were taken off the list. */
    public record Person(
            long id,
            int version,
            String name,
            @MayBeNull Integer birthYear,
            @MayBeNull String note,
            List<TicketData> tickets,
            List<LocalDate> canCome,
            @MayBeNull LocalDate leftOn) {}

    /** Those on the list who belong to a site, by name, with all that is known of them. */
    public List<Person> of(long siteId) {
        Set<Long> members = Set.copyOf(people.members(siteId));
        return everybody().stream()
                .filter(one -> one.leftOn() == null && members.contains(one.id()))
                .toList();
    }

    /**
     * Those on the list who belong to a site with whoever is signed in, by name, and of each no more than concerns them: all
     * of it those who coordinate them and everybody of themselves; leaders no birth year and no note; volunteers names.
     */
    List<Seen> visible() {
        long me = person.id();
        Map<Long, List<SharingRow>> shared =
                people.sharing(me).stream().collect(Collectors.groupingBy(SharingRow::personId));
        return everybody().stream()
                .filter(one -> one.leftOn() == null && (shared.containsKey(one.id()) || one.id() == me))
                .map(one -> {
                    List<SharingRow> rows = shared.getOrDefault(one.id(), List.of());
                    Optional<Role> mine = rows.stream().map(SharingRow::mine).min(Comparator.naturalOrder());
                    return new Seen(
                            one.id() == me ? one : seenBy(mine.orElseThrow(), one),
                            rows.stream().map(SharingRow::siteId).toList());
                })
                .toList();
    }

    /** One of those. */
    Seen seen(long id) {
        return visible().stream()
                .filter(one -> one.person().id() == id)
                .findFirst()
                .orElseThrow(() -> ProblemException.notFound("There is no such person."));
    }

    /** A person as whoever is signed in sees them, and the sites both belong to. */
    record Seen(Person person, List<Long> sites) {}

    private static Person seenBy(Role role, Person one) {
        return switch (role) {
            case COORDINATOR -> one;
            case LEADER ->
                new Person(one.id(), one.version(), one.name(), null, null, one.tickets(), one.canCome(), null);
            case VOLUNTEER, OWNER ->
                new Person(one.id(), one.version(), one.name(), null, null, List.of(), List.of(), null);
        };
    }

    /** The same with those who left: what they did bears their names. */
    public List<Person> everybody() {
        Map<Long, List<TicketRow>> tickets =
                people.tickets().stream().collect(Collectors.groupingBy(TicketRow::personId));
        Map<Long, List<FreeRow>> free = people.freeDays().stream().collect(Collectors.groupingBy(FreeRow::personId));
        return people.all().stream()
                .map(row ->
                        person(row, tickets.getOrDefault(row.id(), List.of()), free.getOrDefault(row.id(), List.of())))
                .toList();
    }

    private static Person person(PersonRow row, List<TicketRow> tickets, List<FreeRow> free) {
        return new Person(
                row.id(),
                row.version(),
                row.name(),
                row.birthYear(),
                row.note(),
                tickets.stream()
                        .map(ticket -> new TicketData(Codes.of(ticket.ticket()), ticket.until()))
                        .toList(),
                free.stream().map(FreeRow::onDay).toList(),
                row.leftOn());
    }

    public Person one(long id) {
        return everybody().stream()
                .filter(found -> found.id() == id)
                .findFirst()
                .orElseThrow(() -> ProblemException.notFound("There is no such person."));
    }

    /** The person of that name at a site, added and a volunteer there if there is none, back on the list if they left; their id. */
    public long named(String name, long siteId) {
        String given = name.strip();
        long id = memberships.known(given, siteId).orElseGet(() -> people.add(given));
        people.back(id);
        memberships.join(id, siteId);
        return id;
    }

    /**
     * Adds somebody to a site, or answers with the one who is there already.
     *
     * @throws ProblemException 422 when whoever is signed in does not coordinate it
     */
    @Transactional
    Person add(long siteId, String name) {
        if (!memberships.coordinates(siteId)) {
            throw ProblemException.wrongField("/siteId", "is no site that you coordinate");
        }
        long last = people.last();
        Person added = one(named(name, siteId));
        if (added.id() > last) {
            history.added(new About("person", added.id(), null, null), added);
        }
        return added;
    }

    /** Takes somebody off the list and off the days to come; what they did stays. */
    @Transactional
    void leave(long id, int version) {
        person.id();
        Person before = one(id);
        LocalDate now = today.in(ZoneOffset.UTC);
        if (people.leave(id, version, now) == 0) {
            throw ProblemException.stale("This person");
        }
        days.takeOff(id, now);
        history.takenAway(new About("person", id, null, null), before);
    }

    /** Whoever is forgotten comes to no day any more. */
    @EventListener
    void forgotten(PersonForgotten event) {
        days.takeOff(event.personId(), today.in(ZoneOffset.UTC));
    }

    /** Puts somebody back on the list who was taken off it. */
    @Transactional
    void comeBack(long id, int version) {
        person.id();
        Person before = one(id);
        if (people.comeBack(id, version) == 0) {
            throw ProblemException.stale("This person");
        }
        history.changed(new About("person", id, null, null), before, one(id));
    }

    @Transactional
    Person change(long id, int version, PersonData data) {
        person.id();
        Person before = one(id);
        int thisYear = today.in(ZoneOffset.UTC).getYear();
        if (data.birthYear() != null && data.birthYear() > thisYear) {
            throw ProblemException.wrongField("/data/birthYear", "lies ahead; give a year from 1900 to " + thisYear);
        }
        boolean coordinates = memberships.sharedWith(id).contains(Role.COORDINATOR);
        if (!coordinates && !sameButDaysAndNote(before, data)) {
            throw ProblemException.forbidden(
                    "Days and note are yours to change. Name, birth year and tickets a coordinator changes.");
        }
        Set<String> kinds = new HashSet<>();
        for (int i = 0; i < data.tickets().size(); i++) {
            if (!kinds.add(data.tickets().get(i).ticket())) {
                throw ProblemException.wrongField("/data/tickets/" + i, "stands here twice; keep the newer one");
            }
        }
        if (people.change(id, version, stripped(data)) == 0) {
            throw ProblemException.stale("This person");
        }
        keepLists(id, data);
        Person after = one(id);
        history.changed(new About("person", id, null, null), before, after);
        return after;
    }

    private static boolean sameButDaysAndNote(Person before, PersonData data) {
        return before.name().equals(data.name().strip())
                && Objects.equals(before.birthYear(), data.birthYear())
                && Set.copyOf(before.tickets()).equals(Set.copyOf(data.tickets()));
    }

    /** Sets what an archive knows of somebody of whom nothing is known here yet; what is known here stands. */
    public void keepImported(long id, PersonData data) {
        Person known = one(id);
        if (known.birthYear() == null
                && known.tickets().isEmpty()
                && known.canCome().isEmpty()) {
            people.change(id, known.version(), stripped(data));
            keepLists(id, data);
        }
    }

    private void keepLists(long id, PersonData data) {
        people.clearTickets(id);
        data.tickets()
                .forEach(ticket -> people.addTicket(
                        id, Codes.parse(Ticket.class, ticket.ticket()).orElseThrow(), ticket.until()));
        people.clearFreeDays(id);
        data.canCome().forEach(day -> people.addFreeDay(id, day));
    }

    private static PersonData stripped(PersonData data) {
        return new PersonData(
                data.name().strip(),
                data.birthYear(),
                data.note() == null || data.note().isBlank()
                        ? null
                        : data.note().strip(),
                data.tickets(),
                data.canCome());
    }

    /** A person as the rules see them on a day. */
    static Helper helper(Person person, LocalDate on) {
        Map<Ticket, LocalDate> tickets = new EnumMap<>(Ticket.class);
        person.tickets()
                .forEach(ticket ->
                        tickets.put(Codes.parse(Ticket.class, ticket.ticket()).orElseThrow(), ticket.until()));
        return new Helper(
                person.id(),
                person.name(),
                person.birthYear() == null ? OptionalInt.empty() : OptionalInt.of(person.birthYear()),
                tickets,
                person.canCome().contains(on));
    }
}
