package org.diligentbough.server.crew;

import jakarta.annotation.PreDestroy;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.diligentbough.core.crew.Kit;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.roster.Roster;
import org.diligentbough.core.roster.RosterCase;
import org.diligentbough.core.roster.RosterMaker;
import org.diligentbough.core.roster.RosterMaker.Limits;
import org.diligentbough.core.season.MayCut;
import org.diligentbough.core.season.Weather;
import org.diligentbough.server.access.PrivacyService.PersonForgotten;
import org.diligentbough.server.crew.DayMapper.DayRow;
import org.diligentbough.server.crew.DayView.Candidate;
import org.diligentbough.server.crew.DayView.VisitView;
import org.diligentbough.server.crew.PeopleService.Person;
import org.diligentbough.server.crew.PersonData.TicketData;
import org.diligentbough.server.figures.SiteRules;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.plan.PlanMapper;
import org.diligentbough.server.season.SiteWeatherService;
import org.diligentbough.server.shared.ClockTime;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Wording;
import org.diligentbough.server.visit.VisitCut;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.concurrent.CustomizableThreadFactory;
import org.springframework.stereotype.Service;

/**
 * Proposes what to fill a day with: crews, trees, order and clock. It is looked for outside of requests, kept as it gets better,
 * and lies beside the day until somebody takes it over, whole or crew by crew.
 */
@Service
class DayRosterService {
    private static final Logger LOG = LoggerFactory.getLogger(DayRosterService.class);
    private static final double SECONDS = 6;
    /** Crews and their pace as the roster file takes them where it says nothing (own assumptions). */
    private static final int LEAST_IN_A_CREW = 2;

    private static final int MOST_IN_A_CREW = 4;
    private static final double METRES_PER_MINUTE = 50;
    private static final int SET_UP_MINUTES = 5;
    private static final long WRITE_EVERY_MS = 250;
    private static final int MONTHS_OF_A_SEASON = 6;
    private static final double MINUTES_AN_HOUR = 60;
    /** What volunteers bring of their own. */
    private static final Set<String> OWN = Set.of(Codes.of(Kit.SECATEURS), Codes.of(Kit.GLOVES));
    /** Crowns as wide as these have room for two, and for three (own assumption). */
    private static final double ROOM_FOR_TWO_M = 2;

    private static final double ROOM_FOR_THREE_M = 6;
    private static final String DAY = "day";

    private final DayService days;
    private final DayCandidates candidates;
    private final PeopleService people;
    private final PersonMapper members;
    private final OrchardService orchard;
    private final PlanMapper plans;
    private final ProposalMapper proposals;
    private final CurrentPerson person;
    private final Wording wording;
    private final SiteRules rules;
    private final SiteWeatherService weather;
    private final ExecutorService hand = Executors.newSingleThreadExecutor(new CustomizableThreadFactory("roster-"));
    private volatile boolean stopping;

    DayRosterService(
            DayService days,
            DayCandidates candidates,
            PeopleService people,
            PersonMapper members,
            OrchardService orchard,
            PlanMapper plans,
            ProposalMapper proposals,
            CurrentPerson person,
            Wording wording,
            SiteRules rules,
            SiteWeatherService weather) {
        this.days = days;
        this.candidates = candidates;
        this.people = people;
        this.members = members;
        this.orchard = orchard;
        this.plans = plans;
        this.proposals = proposals;
        this.person = person;
        this.wording = wording;
        this.rules = rules;
        this.weather = weather;
    }

    /** What was found so far is kept; nobody betters it any more. */
    @PreDestroy
    void stop() {
        stopping = true;
        hand.shutdown();
    }

    /** A proposal as it is kept and shown. */
    public record Proposed(
            List<ProposedCrew> crews,
            List<LeftTree> left,
            List<ProposedPerson> leftOut,
            List<String> missing,
            int idleMinutes) {}

    /** A crew; the first of its people leads it. */
    public record ProposedCrew(int crew, List<ProposedPerson> people, List<ProposedTurn> turns) {}

    /** Somebody in a crew or in none. */
    public record ProposedPerson(long id, String name) {}

    /**
     * A tree's turn.
     *
     * @param visitId of a tree that is on the day already; null for one that would be put on it
     * @param cuts those that would be put on, where not all are
     * @param leaves limbs whose cuts want a ticket that nobody who comes holds
     */
    public record ProposedTurn(
            long treeId,
            String tag,
            @MayBeNull Long visitId,
            String starts,
            String ends,
            int minutes,
            boolean urgent,
            @MayBeNull List<ProposedCut> cuts,
            List<String> leaves) {}

    /** A cut by its limb and kind. */
    public record ProposedCut(String limb, String kind) {}

    /** A tree that found no place, and why. */
    public record LeftTree(long treeId, String tag, List<String> reasons) {}

    /**
     * Begins to look for a proposal, in the place of whatever there was.
     *
     * @throws ProblemException 422 when the day is over
     */
    void begin(long dayId) {
        DayRow day = days.row(dayId);
        if (DayService.over(day)) {
            throw ProblemException.wrongField("", "was rained off or called off; there is nothing to fill");
        }
        Asked asked = asked(day);
        Instant begun = proposals.begin(dayId, person.id(), SECONDS + 2);
        hand.submit(() -> look(dayId, begun, asked));
    }

    void stopLooking(long dayId) {
        proposals.stop(dayId);
    }

    /** Whoever is forgotten stands in no proposal any more; it is looked for anew where it is wanted. */
    @EventListener
    void forgotten(PersonForgotten event) {
        proposals.dropNaming(event.personId());
    }

    void throwAway(long dayId) {
        proposals.drop(dayId);
    }

    Optional<ProposalMapper.ProposalRow> of(long dayId) {
        return proposals.of(days.row(dayId).id());
    }

    private void look(long dayId, Instant begun, Asked asked) {
        boolean[] gone = new boolean[1];
        long[] written = new long[1];
        try {
            Roster roster = RosterMaker.make(
                    asked.of(),
                    Limits.seconds(SECONDS, dayId),
                    better -> {
                        long now = System.currentTimeMillis();
                        if (now - written[0] > WRITE_EVERY_MS) {
                            written[0] = now;
                            gone[0] = proposals.better(dayId, begun, told(asked, better)) == 0;
                        }
                    },
                    () -> stopping || gone[0]);
            proposals.better(dayId, begun, told(asked, roster));
            proposals.end(dayId, begun);
        } catch (RuntimeException e) {
            LOG.error("no roster for day {}", dayId, e);
            proposals.end(dayId, begun);
        }
    }

    /** What a roster is made of, with what its names stand for. */
    private record Asked(
            RosterCase of, Map<String, ProposedTurn> turns, Map<String, ProposedPerson> people, List<LeftTree> held) {}

    private Asked asked(DayRow day) {
        DayView view = days.day(day.id());
        Map<String, ProposedTurn> turns = new HashMap<>();
        List<RosterCase.Visit> visits = new ArrayList<>();
        List<RosterCase.FixedVisit> fixed = new ArrayList<>();
        for (VisitView visit : view.visits()) {
            if (!visit.logged()) {
                String id = "visit-" + visit.id();
                boolean urgent = visit.cuts().stream().anyMatch(cut -> cut.urgent());
                turns.put(
                        id,
                        new ProposedTurn(
                                visit.treeId(),
                                visit.tag(),
                                visit.id(),
                                "",
                                "",
                                visit.minutes(),
                                urgent,
                                null,
                                List.of()));
                visits.add(visit(
                        id,
                        orchard.tree(visit.treeId()),
                        day.onDay(),
                        visit.minutes(),
                        Set.copyOf(visit.tickets()),
                        kit(visit.kit()),
                        visit.offTheGround(),
                        visit.sick(),
                        urgent,
                        1));
                fixed.add(new RosterCase.FixedVisit(id, DAY));
            }
        }
        Map<String, ProposedPerson> names = new HashMap<>();
        List<RosterCase.Person> coming = people(day, names);
        Set<String> tickets = coming.stream()
                .flatMap(one -> one.ticketsUntil().entrySet().stream())
                .filter(ticket -> !ticket.getValue().isBefore(day.onDay()))
                .map(Map.Entry::getKey)
                .collect(Collectors.toSet());
        Map<Long, Double> worth = worth(day);
        SiteWeatherService.Known known = weather.of(day.siteId());
        List<LeftTree> held = new ArrayList<>();
        for (Candidate candidate : candidates.candidates(day.id())) {
            Weather.Holds holds =
                    known.holds(Codes.parse(Species.class, candidate.species()).orElseThrow(), day.onDay());
            if (holds.answer() == MayCut.Answer.NO) {
                held.add(new LeftTree(
                        candidate.treeId(),
                        candidate.tag(),
                        holds.reasons().stream()
                                .map(reason -> wording.of(reason).text())
                                .toList()));
                continue;
            }
            String id = "tree-" + candidate.treeId();
            // What wants a ticket nobody has is left for another day, and the rest is done.
            List<VisitCut> may = candidate.cuts().stream()
                    .filter(cut -> tickets.containsAll(cut.tickets()))
                    .toList();
            boolean all = may.size() == candidate.cuts().size() || may.isEmpty() && besides(candidate) == 0;
            List<VisitCut> cuts = all ? candidate.cuts() : may;
            int minutes = besides(candidate)
                    + cuts.stream().mapToInt(VisitCut::minutes).sum();
            boolean urgent = cuts.stream().anyMatch(VisitCut::urgent);
            turns.put(
                    id,
                    new ProposedTurn(
                            candidate.treeId(),
                            candidate.tag(),
                            null,
                            "",
                            "",
                            minutes,
                            urgent,
                            all
                                    ? null
                                    : cuts.stream()
                                            .map(cut -> new ProposedCut(cut.limb(), cut.kind()))
                                            .toList(),
                            candidate.cuts().stream()
                                    .filter(cut -> !cuts.contains(cut))
                                    .map(VisitCut::limb)
                                    .toList()));
            visits.add(visit(
                    id,
                    orchard.tree(candidate.treeId()),
                    candidate.closes(),
                    minutes,
                    cuts.stream().flatMap(cut -> cut.tickets().stream()).collect(Collectors.toSet()),
                    kit(candidate.kit()),
                    cuts.stream().anyMatch(DayReader::offTheGround),
                    candidate.sick(),
                    urgent,
                    worth.getOrDefault(candidate.treeId(), 0.0)));
        }
        return new Asked(
                new RosterCase(
                        LEAST_IN_A_CREW,
                        MOST_IN_A_CREW,
                        METRES_PER_MINUTE,
                        SET_UP_MINUTES,
                        List.of(new RosterCase.Day(
                                DAY,
                                day.onDay(),
                                ClockTime.minutes(day.starts()),
                                ClockTime.minutes(day.ends()),
                                false,
                                false,
                                day.shed())),
                        coming,
                        visits,
                        fixed,
                        List.of(),
                        RosterCase.Weights.of(rules.of(day.siteId()).knowledge())),
                turns,
                names,
                held);
    }

    /** Person-minutes of what no ticket is wanted for: shoots, yearly work, ordinary cutting. */
    private static int besides(Candidate candidate) {
        return candidate.minutes()
                - candidate.cuts().stream().mapToInt(VisitCut::minutes).sum();
    }

    private static RosterCase.Visit visit(
            String id,
            TreeRow tree,
            LocalDate closes,
            int minutes,
            Set<String> tickets,
            Set<String> kit,
            boolean offGround,
            boolean sick,
            boolean urgent,
            double worth) {
        double spread = tree.spreadM() == null ? 0 : tree.spreadM();
        return new RosterCase.Visit(
                id,
                String.valueOf(tree.id()),
                tree.eastM(),
                tree.northM(),
                LocalDate.MIN,
                closes,
                minutes,
                spread < ROOM_FOR_TWO_M ? 1 : spread < ROOM_FOR_THREE_M ? 2 : 3,
                tickets,
                kit,
                offGround,
                false,
                sick,
                urgent,
                worth);
    }

    private static Set<String> kit(List<String> kit) {
        return kit.stream().filter(one -> !OWN.contains(one)).collect(Collectors.toSet());
    }

    /** What each tree's open work gains, as a share of the most any gains. */
    private Map<Long, Double> worth(DayRow day) {
        Map<Long, Double> worth = new HashMap<>();
        plans.openOn(day.siteId(), day.onDay()).forEach(lane -> worth.merge(lane.treeId(), lane.worth(), Double::sum));
        double most = worth.values().stream().mapToDouble(one -> one).max().orElse(0);
        worth.replaceAll((tree, one) -> most <= 0 ? 0 : Math.max(0, one / most));
        return worth;
    }

    /** Those who are on the day, and those who said they can come. */
    private List<RosterCase.Person> people(DayRow day, Map<String, ProposedPerson> names) {
        Map<Long, Double> hours = proposals.worked(day.siteId(), day.onDay().minusMonths(MONTHS_OF_A_SEASON)).stream()
                .collect(Collectors.toMap(ProposalMapper.WorkedRow::personId, row -> row.minutes() / MINUTES_AN_HOUR));
        Map<Long, Set<String>> knows = new HashMap<>();
        proposals.known(day.siteId()).forEach(row -> knows.computeIfAbsent(row.personId(), id -> new HashSet<>())
                .add(String.valueOf(row.treeId())));
        Set<Long> here = Set.copyOf(members.members(day.siteId()));
        List<RosterCase.Person> coming = new ArrayList<>();
        for (Person one : people.everybody()) {
            boolean offers = here.contains(one.id())
                    && one.leftOn() == null
                    && one.canCome().contains(day.onDay());
            if (day.people().contains(one.id()) || offers) {
                names.put(String.valueOf(one.id()), new ProposedPerson(one.id(), one.name()));
                coming.add(new RosterCase.Person(
                        String.valueOf(one.id()),
                        List.of(new RosterCase.Presence(
                                DAY, ClockTime.minutes(day.starts()), ClockTime.minutes(day.ends()))),
                        one.birthYear() == null ? OptionalInt.empty() : OptionalInt.of(one.birthYear()),
                        skill(one, day.onDay(), knows.getOrDefault(one.id(), Set.of())),
                        hours.getOrDefault(one.id(), 0.0),
                        tickets(one),
                        knows.getOrDefault(one.id(), Set.of())));
            }
        }
        return coming;
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

    private Proposed told(Asked asked, Roster roster) {
        Set<String> at = new HashSet<>();
        List<ProposedCrew> crews = roster.crews().stream()
                .map(crew -> {
                    at.addAll(crew.people());
                    List<ProposedPerson> inCrew = new ArrayList<>();
                    inCrew.add(asked.people().get(crew.leader()));
                    crew.people().stream()
                            .filter(one -> !one.equals(crew.leader()))
                            .forEach(one -> inCrew.add(asked.people().get(one)));
                    return new ProposedCrew(
                            crew.crew(),
                            inCrew,
                            crew.visits().stream()
                                    .map(turn -> clocked(asked.turns().get(turn.visit()), turn.starts(), turn.ends()))
                                    .toList());
                })
                .toList();
        return new Proposed(
                crews,
                Stream.concat(
                                asked.held().stream(),
                                roster.notPlaced().stream()
                                        .map(left -> new LeftTree(
                                                asked.turns().get(left.visit()).treeId(),
                                                asked.turns().get(left.visit()).tag(),
                                                left.reasons().stream()
                                                        .map(reason -> wording.text(
                                                                "roster." + Codes.of(reason.why()),
                                                                reason.what().replace('-', ' ')))
                                                        .toList())))
                        .toList(),
                asked.people().entrySet().stream()
                        .filter(one -> !at.contains(one.getKey()))
                        .map(Map.Entry::getValue)
                        .sorted((one, other) -> one.name().compareTo(other.name()))
                        .toList(),
                roster.days().get(0).missing().stream().map(Codes::of).toList(),
                roster.days().get(0).idleMinutes());
    }

    private static ProposedTurn clocked(ProposedTurn turn, int starts, int ends) {
        return new ProposedTurn(
                turn.treeId(),
                turn.tag(),
                turn.visitId(),
                ClockTime.text(starts),
                ClockTime.text(ends),
                turn.minutes(),
                turn.urgent(),
                turn.cuts(),
                turn.leaves());
    }
}
