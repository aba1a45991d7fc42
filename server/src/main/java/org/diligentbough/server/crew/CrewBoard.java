package org.diligentbough.server.crew;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.roster.CrewsByHand;
import org.diligentbough.core.roster.CrewsByHand.Breach;
import org.diligentbough.core.roster.CrewsByHand.CrewGiven;
import org.diligentbough.core.roster.CrewsByHand.Looked;
import org.diligentbough.core.roster.Must;
import org.diligentbough.core.roster.Roster.Turn;
import org.diligentbough.core.roster.RosterCase;
import org.diligentbough.server.crew.DayMapper.DayRow;
import org.diligentbough.server.crew.DayView.VisitView;
import org.diligentbough.server.figures.SiteRules;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.shared.ClockTime;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.Wording;
import org.diligentbough.server.visit.VisitMapper;
import org.springframework.stereotype.Component;

/** The crews of a day over its hours: who is in them, their trees by the clock, and what they break. */
@Component
class CrewBoard {
    /** Of a date; what is laid out beyond it is far too much for the day anyway, and is told so. */
    private static final int LAST_MINUTE = 24 * 60 - 1;

    private final DayReader reader;
    private final VisitMapper visits;
    private final RosterPeople people;
    private final OrchardService orchard;
    private final SiteRules rules;
    private final Wording wording;

    CrewBoard(
            DayReader reader,
            VisitMapper visits,
            RosterPeople people,
            OrchardService orchard,
            SiteRules rules,
            Wording wording) {
        this.reader = reader;
        this.visits = visits;
        this.people = people;
        this.orchard = orchard;
        this.rules = rules;
        this.wording = wording;
    }

    /**
     * The board of a day.
     *
     * @param people everybody who comes
     * @param bench those who come and are in no crew
     * @param unplaced trees of the day that are in no crew
     * @param clocked whether the crews stand by the clock; where not, they are as people were given to trees
     */
    record CrewsView(
            int version,
            List<CrewView> crews,
            List<HelperView> people,
            List<Long> bench,
            List<Long> unplaced,
            List<BreachView> breaches,
            boolean clocked) {}

    /**
     * Somebody who comes.
     *
     * @param hoursThisSeason worked here in the six months before
     * @param skill 0 for who never cut to 3 for who teaches it
     */
    record HelperView(long id, double hoursThisSeason, int skill) {}

    /**
     * A crew.
     *
     * @param leader null where nobody of it may lead
     */
    record CrewView(int crew, @MayBeNull Long leader, List<Long> people, List<TurnView> turns) {}

    /** A tree's turn by the clock. */
    record TurnView(long visitId, String starts, String ends) {}

    /**
     * What may not be.
     *
     * @param crew null where it is of the whole day
     * @param visitId null where it is of a crew or the day
     */
    record BreachView(
            String must,
            String text,
            @MayBeNull Integer crew,
            @MayBeNull Long visitId) {}

    CrewsView of(DayRow day) {
        DayView view = reader.view(day);
        Map<Integer, CrewGiven> given = given(view);
        boolean clocked = open(view).anyMatch(visit -> visit.crew() != null);
        Looked looked = looked(day, view, List.copyOf(given.values()));
        List<Integer> numbers = List.copyOf(given.keySet());
        Set<Long> busy = new HashSet<>();
        Set<Long> placed = new HashSet<>();
        List<CrewView> crews = new ArrayList<>();
        for (int i = 0; i < numbers.size(); i++) {
            List<Long> members = given.get(numbers.get(i)).people().stream()
                    .map(Long::valueOf)
                    .toList();
            busy.addAll(members);
            List<TurnView> turns = looked.crews().get(i).stream()
                    .map(turn -> new TurnView(
                            visitId(turn.visit()), ClockTime.text(turn.starts()), ClockTime.text(turn.ends())))
                    .toList();
            turns.forEach(turn -> placed.add(turn.visitId()));
            crews.add(new CrewView(numbers.get(i), leader(view, members), members, turns));
        }
        return new CrewsView(
                view.version(),
                crews,
                people.of(List.of(day), false, new HashMap<>()).stream()
                        .map(one -> new HelperView(Long.parseLong(one.id()), one.hoursThisSeason(), one.skill()))
                        .toList(),
                view.people().stream()
                        .map(DayView.PersonView::id)
                        .filter(one -> !busy.contains(one))
                        .toList(),
                open(view)
                        .map(VisitView::id)
                        .filter(one -> !placed.contains(one))
                        .toList(),
                looked.breaches().stream()
                        .map(breach -> told(breach, numbers, view))
                        .toList(),
                clocked);
    }

    private static Stream<VisitView> open(DayView view) {
        return view.visits().stream().filter(visit -> !visit.logged());
    }

    private static Long leader(DayView view, List<Long> members) {
        return view.people().stream()
                .filter(one -> members.contains(one.id()) && one.tickets().contains("lead") && !one.maybeUnderAge())
                .map(DayView.PersonView::id)
                .findFirst()
                .orElse(null);
    }

    static long visitId(String id) {
        return Long.parseLong(id.substring(id.indexOf('-') + 1));
    }

    private BreachView told(Breach breach, List<Integer> numbers, DayView view) {
        Long visitId = breach.visit().isEmpty() ? null : visitId(breach.visit());
        String tag = view.visits().stream()
                .filter(visit -> visitId != null && visit.id() == visitId)
                .map(VisitView::tag)
                .findFirst()
                .orElse("");
        String what = breach.must() == Must.DONE_IN_TIME
                ? ClockTime.text(Integer.parseInt(breach.what()))
                : breach.what().replace('-', ' ');
        return new BreachView(
                Codes.of(breach.must()),
                wording.breach(breach.must(), tag, what),
                breach.crew() == 0 ? null : numbers.get(breach.crew() - 1),
                visitId);
    }

    /**
     * Crews as they stand, by their numbers. Where none were laid out, trees that have the same people are a crew's; whoever is
     * on trees of several is in the first.
     */
    private static Map<Integer, CrewGiven> given(DayView view) {
        Set<Long> coming = view.people().stream().map(DayView.PersonView::id).collect(Collectors.toSet());
        boolean clocked = open(view).anyMatch(visit -> visit.crew() != null);
        Map<Object, List<VisitView>> groups = clocked ? new TreeMap<>() : new LinkedHashMap<>();
        open(view)
                .filter(visit ->
                        clocked ? visit.crew() != null : !visit.people().isEmpty())
                .forEach(visit -> groups.computeIfAbsent(
                                clocked ? visit.crew() : Set.copyOf(visit.people()), key -> new ArrayList<>())
                        .add(visit));
        Map<Integer, CrewGiven> crews = new TreeMap<>();
        Set<Long> taken = new HashSet<>();
        groups.forEach((key, turns) -> {
            List<Long> members = turns.stream()
                    .flatMap(visit -> visit.people().stream())
                    .distinct()
                    .filter(one -> coming.contains(one) && taken.add(one))
                    .toList();
            crews.put(
                    key instanceof Integer number ? number : crews.size() + 1,
                    new CrewGiven(
                            members.stream().map(String::valueOf).toList(),
                            turns.stream().map(RosterVisits::id).toList()));
        });
        return crews;
    }

    private Looked looked(DayRow day, DayView view, List<CrewGiven> crews) {
        return CrewsByHand.look(standing(day, view), RosterPeople.id(day), crews);
    }

    /** A day's standing trees and those who are on it, as a case of its own. */
    private RosterCase standing(DayRow day, DayView view) {
        return new RosterCase(
                RosterVisits.LEAST_IN_A_CREW,
                RosterVisits.MOST_IN_A_CREW,
                RosterVisits.METRES_PER_MINUTE,
                RosterVisits.SET_UP_MINUTES,
                List.of(people.day(day)),
                people.of(List.of(day), false, new HashMap<>()),
                open(view)
                        .map(visit -> RosterVisits.of(visit, orchard.tree(visit.treeId()), day.onDay()))
                        .toList(),
                List.of(),
                List.of(),
                RosterCase.Sent.NOTHING,
                RosterCase.Weights.of(rules.of(day.siteId()).knowledge()));
    }

    /** How a day's crews stand, as what was sent out before: of those who still come and of trees that are not done. */
    RosterCase.Sent sent(DayRow day) {
        DayView view = reader.view(day);
        List<RosterCase.FixedPerson> members = new ArrayList<>();
        List<RosterCase.SentVisit> turns = new ArrayList<>();
        if (open(view).anyMatch(visit -> visit.crew() != null)) {
            given(view).forEach((number, crew) -> {
                crew.people()
                        .forEach(one -> members.add(new RosterCase.FixedPerson(one, RosterPeople.id(day), number)));
                crew.visits().forEach(one -> turns.add(new RosterCase.SentVisit(one, RosterPeople.id(day), number)));
            });
        }
        return new RosterCase.Sent(members, turns);
    }

    /** A crew as somebody lays it out: ids of people, and of trees' turns in order. */
    record CrewLaid(List<Long> people, List<Long> visits) {}

    /** Gives a day these crews and no others; trees that are in none of them have nobody. */
    void layOut(DayRow day, List<CrewLaid> crews) {
        visits.stopClock(day.id());
        int place = 0;
        Set<Long> placed = new HashSet<>();
        for (CrewLaid crew : crews) {
            for (long visitId : crew.visits()) {
                place++;
                placed.add(visitId);
                visits.clearPeople(visitId);
                crew.people().forEach(one -> visits.addPerson(visitId, one));
                visits.place(visitId, place);
            }
        }
        for (VisitMapper.VisitRow left : visits.ofDay(day.id())) {
            if (!left.logged() && !placed.contains(left.id())) {
                visits.clearPeople(left.id());
            }
        }
        List<CrewGiven> given = crews.stream()
                .map(crew -> new CrewGiven(
                        crew.people().stream().map(String::valueOf).toList(),
                        crew.visits().stream().map(one -> "visit-" + one).toList()))
                .toList();
        clock(day, given, IntStream.rangeClosed(1, crews.size()).boxed().toList());
    }

    private void clock(DayRow day, List<CrewGiven> given, List<Integer> numbers) {
        Looked looked = looked(day, reader.view(day), given);
        for (int i = 0; i < given.size(); i++) {
            for (Turn turn : looked.crews().get(i)) {
                long id = visitId(turn.visit());
                visits.clock(
                        id,
                        numbers.get(i),
                        ClockTime.text(Math.min(LAST_MINUTE, turn.starts())),
                        ClockTime.text(Math.min(LAST_MINUTE, turn.ends())),
                        visits.visit(id).orElseThrow().place());
            }
        }
    }

    /** Sets the clock anew after people, trees or hours of a day changed; a day without crews has none. */
    void again(DayRow day) {
        DayView view = reader.view(day);
        if (open(view).anyMatch(visit -> visit.crew() != null)) {
            Map<Integer, CrewGiven> given = given(view);
            clock(day, List.copyOf(given.values()), List.copyOf(given.keySet()));
        }
    }
}
