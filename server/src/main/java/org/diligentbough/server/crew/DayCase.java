package org.diligentbough.server.crew;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.diligentbough.core.crew.Kit;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.roster.RosterCase;
import org.diligentbough.core.season.MayCut;
import org.diligentbough.core.season.Weather;
import org.diligentbough.server.crew.DayMapper.DayRow;
import org.diligentbough.server.crew.DayMapper.SaidRow;
import org.diligentbough.server.crew.DayView.Candidate;
import org.diligentbough.server.crew.DayView.VisitView;
import org.diligentbough.server.crew.PeopleService.Person;
import org.diligentbough.server.crew.PersonData.TicketData;
import org.diligentbough.server.crew.Proposed.LeftTree;
import org.diligentbough.server.crew.Proposed.ProposedCut;
import org.diligentbough.server.crew.Proposed.ProposedPerson;
import org.diligentbough.server.crew.Proposed.ProposedTurn;
import org.diligentbough.server.figures.SiteRules;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.plan.PlanMapper;
import org.diligentbough.server.season.SiteWeatherService;
import org.diligentbough.server.shared.ClockTime;
import org.diligentbough.server.shared.Wording;
import org.diligentbough.server.visit.VisitCut;
import org.springframework.stereotype.Component;

/**
 * What a roster of a day is made of: who comes or said they can, what stands on the day, and what is open and may be done by
 * those who come in the weather that is known.
 */
@Component
class DayCase {
    /** Crews and their pace as the roster file takes them where it says nothing (own assumptions). */
    private static final int LEAST_IN_A_CREW = 2;

    private static final int MOST_IN_A_CREW = 4;
    private static final double METRES_PER_MINUTE = 50;
    private static final int SET_UP_MINUTES = 5;
    private static final int MONTHS_OF_A_SEASON = 6;
    private static final double MINUTES_AN_HOUR = 60;
    /** What volunteers bring of their own. */
    private static final Set<String> OWN = Set.of(Codes.of(Kit.SECATEURS), Codes.of(Kit.GLOVES));
    /** Crowns as wide as these have room for two, and for three (own assumption). */
    private static final double ROOM_FOR_TWO_M = 2;

    private static final double ROOM_FOR_THREE_M = 6;
    private static final String DAY = "day";

    private final DayService days;
    private final DayMapper rows;
    private final DayCandidates candidates;
    private final PeopleService people;
    private final PersonMapper members;
    private final OrchardService orchard;
    private final PlanMapper plans;
    private final ProposalMapper proposals;
    private final Wording wording;
    private final SiteRules rules;
    private final SiteWeatherService weather;

    DayCase(
            DayService days,
            DayMapper rows,
            DayCandidates candidates,
            PeopleService people,
            PersonMapper members,
            OrchardService orchard,
            PlanMapper plans,
            ProposalMapper proposals,
            Wording wording,
            SiteRules rules,
            SiteWeatherService weather) {
        this.days = days;
        this.rows = rows;
        this.candidates = candidates;
        this.people = people;
        this.members = members;
        this.orchard = orchard;
        this.plans = plans;
        this.proposals = proposals;
        this.wording = wording;
        this.rules = rules;
        this.weather = weather;
    }

    /** What a roster is made of, with what its names stand for. */
    record Asked(
            RosterCase of, Map<String, ProposedTurn> turns, Map<String, ProposedPerson> people, List<LeftTree> held) {}

    /** The case of a day as it stands. */
    Asked of(DayRow day) {
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
        List<RosterCase.Person> grown =
                coming.stream().filter(one -> !one.maybeUnderAge(day.onDay())).toList();
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
                    .filter(cut -> cut.tickets().stream()
                            .allMatch(ticket -> grown.stream().anyMatch(one -> one.holds(ticket, day.onDay()))))
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
        Map<Long, SaidRow> said =
                rows.said(day.id()).stream().collect(Collectors.toMap(SaidRow::personId, Function.identity()));
        List<RosterCase.Person> coming = new ArrayList<>();
        for (Person one : people.everybody()) {
            SaidRow answer = said.get(one.id());
            // Whoever was asked is taken at that word, and only else at what they said of the date before.
            boolean offers = (answer == null || answer.answer().equals("yes"))
                    && here.contains(one.id())
                    && one.leftOn() == null
                    && one.canCome().contains(day.onDay());
            if (day.people().contains(one.id()) || offers) {
                names.put(String.valueOf(one.id()), new ProposedPerson(one.id(), one.name()));
                coming.add(new RosterCase.Person(
                        String.valueOf(one.id()),
                        List.of(there(day, answer)),
                        one.birthYear() == null ? OptionalInt.empty() : OptionalInt.of(one.birthYear()),
                        skill(one, day.onDay(), knows.getOrDefault(one.id(), Set.of())),
                        hours.getOrDefault(one.id(), 0.0),
                        tickets(one),
                        knows.getOrDefault(one.id(), Set.of())));
            }
        }
        return coming;
    }

    /** The whole day, or the hours somebody said of it. */
    private static RosterCase.Presence there(DayRow day, SaidRow said) {
        int from = ClockTime.minutes(day.starts());
        int until = ClockTime.minutes(day.ends());
        return said == null || said.fromTime() == null
                ? new RosterCase.Presence(DAY, from, until)
                : new RosterCase.Presence(
                        DAY,
                        Math.max(from, ClockTime.minutes(said.fromTime())),
                        Math.min(until, ClockTime.minutes(said.untilTime())));
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
