package org.diligentbough.server.crew;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.diligentbough.core.roster.RosterCase;
import org.diligentbough.server.crew.DayMapper.DayRow;
import org.diligentbough.server.crew.DayMapper.SaidRow;
import org.diligentbough.server.crew.PeopleService.Person;
import org.diligentbough.server.crew.PersonData.TicketData;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.shared.ClockTime;
import org.diligentbough.server.shared.Today;
import org.springframework.stereotype.Component;

/** Days and people as a roster takes them. */
@Component
class RosterPeople {
    private static final int MONTHS_OF_A_SEASON = 6;
    /** A clock that begins now begins at a time people say. */
    private static final int EVEN_MINUTES = 5;

    private final DayMapper rows;
    private final PeopleService people;
    private final PersonMapper members;
    private final ProposalMapper proposals;
    private final HoursService worked;
    private final OrchardService orchard;
    private final Today today;

    RosterPeople(
            DayMapper rows,
            PeopleService people,
            PersonMapper members,
            ProposalMapper proposals,
            HoursService worked,
            OrchardService orchard,
            Today today) {
        this.rows = rows;
        this.people = people;
        this.members = members;
        this.proposals = proposals;
        this.worked = worked;
        this.orchard = orchard;
        this.today = today;
    }

    static String id(DayRow day) {
        return String.valueOf(day.id());
    }

    /** A day as a roster takes it; one that runs already begins now. */
    RosterCase.Day day(DayRow day) {
        return new RosterCase.Day(
                id(day), day.onDay(), begins(day), ClockTime.minutes(day.ends()), false, false, day.shed());
    }

    private int begins(DayRow day) {
        int starts = ClockTime.minutes(day.starts());
        int ends = ClockTime.minutes(day.ends());
        int now = today.clockIn(orchard.site(day.siteId()).zone(), day.onDay())
                .map(time -> time.getHour() * 60 + time.getMinute())
                .orElse(0);
        int even = (now + EVEN_MINUTES - 1) / EVEN_MINUTES * EVEN_MINUTES;
        return even <= starts ? starts : Math.min(even, ends - 1);
    }

    /**
     * Those who come on days of a site, each with the hours they said.
     *
     * @param offers whether those too who said they can and were put on no day yet
     * @param names filled with whom each id stands for
     */
    List<RosterCase.Person> of(List<DayRow> days, boolean offers, Map<String, Person> names) {
        if (days.isEmpty()) {
            return List.of();
        }
        long siteId = days.get(0).siteId();
        LocalDate first = days.get(0).onDay();
        Map<Long, Double> hours = worked.since(siteId, first.minusMonths(MONTHS_OF_A_SEASON));
        Map<Long, Set<String>> knows = new HashMap<>();
        proposals.known(siteId).forEach(row -> knows.computeIfAbsent(row.personId(), id -> new HashSet<>())
                .add(String.valueOf(row.treeId())));
        Set<Long> here = Set.copyOf(members.members(siteId));
        Map<Long, Map<Long, SaidRow>> said = new HashMap<>();
        days.forEach(day -> said.put(
                day.id(),
                rows.said(day.id()).stream().collect(Collectors.toMap(SaidRow::personId, Function.identity()))));
        List<RosterCase.Person> coming = new ArrayList<>();
        for (Person one : people.everybody()) {
            List<RosterCase.Presence> there = new ArrayList<>();
            for (DayRow day : days) {
                Optional<SaidRow> answer =
                        Optional.ofNullable(said.get(day.id()).get(one.id()));
                // Whoever was asked is taken at that word, and only else at what they said of the date before.
                boolean can = offers
                        && answer.map(row -> row.answer().equals("yes")).orElse(true)
                        && here.contains(one.id())
                        && one.leftOn() == null
                        && one.canCome().contains(day.onDay());
                if (can || day.people().contains(one.id())) {
                    there.add(there(day, answer));
                }
            }
            if (!there.isEmpty()) {
                String id = String.valueOf(one.id());
                names.put(id, one);
                coming.add(new RosterCase.Person(
                        id,
                        there,
                        one.birthYear() == null ? OptionalInt.empty() : OptionalInt.of(one.birthYear()),
                        skill(one, first, knows.getOrDefault(one.id(), Set.of())),
                        hours.getOrDefault(one.id(), 0.0),
                        tickets(one),
                        knows.getOrDefault(one.id(), Set.of())));
            }
        }
        return coming;
    }

    /** The whole day, or the hours somebody said of it. */
    private static RosterCase.Presence there(DayRow day, Optional<SaidRow> said) {
        int from = ClockTime.minutes(day.starts());
        int until = ClockTime.minutes(day.ends());
        return said.filter(row -> row.fromTime() != null)
                .map(row -> new RosterCase.Presence(
                        id(day),
                        Math.max(from, ClockTime.minutes(row.fromTime())),
                        Math.min(until, ClockTime.minutes(row.untilTime()))))
                .orElseGet(() -> new RosterCase.Presence(id(day), from, until));
    }

    /** From their tickets and from what they did here (own assumption): who leads teaches, who did three trees has cut. */
    private static int skill(Person one, LocalDate on, Set<String> knows) {
        boolean leads = one.tickets().stream()
                .anyMatch(ticket ->
                        ticket.ticket().equals("lead") && !ticket.until().isBefore(on));
        boolean trained = one.tickets().stream()
                .anyMatch(ticket ->
                        !ticket.ticket().equals("first-aid") && !ticket.until().isBefore(on));
        return leads ? 3 : trained ? 2 : knows.size() >= 3 ? 1 : 0;
    }

    /** Whoever is an arborist may do what a ladder ticket allows. */
    private static Map<String, LocalDate> tickets(Person one) {
        Map<String, LocalDate> tickets = new HashMap<>();
        for (TicketData ticket : one.tickets()) {
            tickets.merge(ticket.ticket(), ticket.until(), (a, b) -> a.isAfter(b) ? a : b);
            if (ticket.ticket().equals("arborist")) {
                tickets.merge("ladder", ticket.until(), (a, b) -> a.isAfter(b) ? a : b);
            }
        }
        return tickets;
    }
}
