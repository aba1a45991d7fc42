package org.diligentbough.server.crew;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
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
import org.diligentbough.server.crew.DayView.DayTaskView;
import org.diligentbough.server.crew.DayView.VisitView;
import org.diligentbough.server.figures.SiteRules;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.shared.ClockTime;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.Wording;
import org.diligentbough.server.task.TaskMapper;
import org.diligentbough.server.visit.VisitMapper;
import org.diligentbough.server.visit.VisitMapper.VisitRow;
import org.springframework.stereotype.Component;

/** The crews of a day over its hours: who is in them, their trees by the clock, and what they break. */
@Component
class CrewBoard {
    private static final String VISIT = "visit-";
    private static final String TASK = "task-";
    /** Of a date; what is laid out beyond it is far too much for the day anyway, and is told so. */
    private static final int LAST_MINUTE = 24 * 60 - 1;

    private final DayReader reader;
    private final VisitMapper visits;
    private final TaskMapper tasks;
    private final DayMapper days;
    private final RosterPeople people;
    private final OrchardService orchard;
    private final SiteRules rules;
    private final Wording wording;

    CrewBoard(
            DayReader reader,
            VisitMapper visits,
            TaskMapper tasks,
            DayMapper days,
            RosterPeople people,
            OrchardService orchard,
            SiteRules rules,
            Wording wording) {
        this.reader = reader;
        this.visits = visits;
        this.tasks = tasks;
        this.days = days;
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
     * @param unplaced turns of trees and tasks of the day that are in no crew
     * @param clocked whether the crews stand by the clock; where not, they are as people were given to trees
     */
    record CrewsView(
            int version,
            List<CrewView> crews,
            List<HelperView> people,
            List<Long> bench,
            List<String> unplaced,
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

    /** A turn by the clock: of a tree, as visit-12, or of a task, as task-7. */
    record TurnView(String turn, String starts, String ends) {}

    /**
     * What may not be.
     *
     * @param crew null where it is of the whole day
     * @param turn null where it is of a crew or the day
     */
    record BreachView(
            String must,
            String text,
            @MayBeNull Integer crew,
            @MayBeNull String turn) {}

    CrewsView of(DayRow day) {
        DayView view = reader.view(day);
        Map<Integer, CrewGiven> given = given(view);
        Looked looked = looked(day, view, List.copyOf(given.values()));
        List<Integer> numbers = List.copyOf(given.keySet());
        Set<Long> busy = new HashSet<>();
        Set<String> placed = new HashSet<>();
        List<CrewView> crews = new ArrayList<>();
        for (int i = 0; i < numbers.size(); i++) {
            List<Long> members = given.get(numbers.get(i)).people().stream()
                    .map(Long::valueOf)
                    .toList();
            busy.addAll(members);
            List<TurnView> turns = looked.crews().get(i).stream()
                    .map(turn -> new TurnView(turn.visit(), ClockTime.text(turn.starts()), ClockTime.text(turn.ends())))
                    .toList();
            turns.forEach(turn -> placed.add(turn.turn()));
            crews.add(new CrewView(numbers.get(i), view.leader(members).orElse(null), members, turns));
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
                open(view).filter(one -> !placed.contains(one)).toList(),
                looked.breaches().stream()
                        .map(breach -> told(breach, numbers, view))
                        .toList(),
                clocked(view));
    }

    /** Turns that are not done yet, in their order: trees, then tasks. */
    private static Stream<String> open(DayView view) {
        return Stream.concat(
                view.visits().stream().filter(visit -> !visit.logged()).map(RosterVisits::id),
                view.tasks().stream().filter(task -> !task.done()).map(RosterVisits::id));
    }

    /** The same of a day by its number. */
    List<String> open(long dayId) {
        return Stream.concat(
                        visits.ofDay(dayId).stream()
                                .filter(visit -> !visit.logged())
                                .map(visit -> turn(visit.id())),
                        tasks.ofDay(dayId).stream()
                                .filter(task -> task.doneOn() == null)
                                .map(task -> TASK + task.id()))
                .toList();
    }

    /** Whether crews were laid out, by somebody's hand or a roster. */
    private static boolean clocked(DayView view) {
        return view.people().stream().anyMatch(one -> one.crew() != null)
                || view.visits().stream().anyMatch(visit -> !visit.logged() && visit.crew() != null)
                || view.tasks().stream().anyMatch(task -> !task.done() && task.crew() != null);
    }

    private static long number(String id) {
        return Long.parseLong(id.substring(id.indexOf('-') + 1));
    }

    private BreachView told(Breach breach, List<Integer> numbers, DayView view) {
        String what = breach.must() == Must.DONE_IN_TIME
                ? ClockTime.text(Integer.parseInt(breach.what()))
                : breach.what().replace('-', ' ');
        return new BreachView(
                Codes.of(breach.must()),
                wording.breach(breach.must(), called(breach.visit(), view), what),
                breach.crew() == 0 ? null : numbers.get(breach.crew() - 1),
                breach.visit().isEmpty() ? null : breach.visit());
    }

    /** A tree by its tag, a task by what is done. */
    private static String called(String turn, DayView view) {
        return Stream.concat(
                        view.visits().stream()
                                .filter(visit -> RosterVisits.id(visit).equals(turn))
                                .map(VisitView::tag),
                        view.tasks().stream()
                                .filter(task -> RosterVisits.id(task).equals(turn))
                                .map(DayTaskView::title))
                .findFirst()
                .orElse("");
    }

    /** Crews as they stand, by their numbers. */
    private static Map<Integer, CrewGiven> given(DayView view) {
        return clocked(view) ? laid(view) : byTheirTrees(view);
    }

    private record Placed(int crew, String starts, String turn) {}

    private static Map<Integer, CrewGiven> laid(DayView view) {
        List<Placed> placed = new ArrayList<>();
        view.visits().stream()
                .filter(visit -> !visit.logged() && visit.crew() != null)
                .forEach(visit -> placed.add(new Placed(visit.crew(), visit.starts(), RosterVisits.id(visit))));
        view.tasks().stream()
                .filter(task -> !task.done() && task.crew() != null)
                .forEach(task -> placed.add(new Placed(task.crew(), task.starts(), RosterVisits.id(task))));
        placed.sort(Comparator.comparing(Placed::starts));
        Map<Integer, Set<Long>> members = new TreeMap<>();
        placed.forEach(one -> members.computeIfAbsent(one.crew(), key -> new LinkedHashSet<>()));
        view.people().stream().filter(one -> one.crew() != null).forEach(one -> members.computeIfAbsent(
                        one.crew(), key -> new LinkedHashSet<>())
                .add(one.id()));
        // Where nobody says in which crew people are, as in a day that came from elsewhere, their trees do.
        if (view.people().stream().allMatch(one -> one.crew() == null)) {
            Set<Long> taken = new HashSet<>();
            view.visits().stream()
                    .filter(visit -> !visit.logged() && visit.crew() != null)
                    .forEach(
                            visit -> visit.people().stream().filter(taken::add).forEach(one -> members.get(visit.crew())
                                    .add(one)));
        }
        Map<Integer, CrewGiven> crews = new TreeMap<>();
        members.forEach((number, of) -> crews.put(
                number,
                new CrewGiven(
                        of.stream().map(String::valueOf).toList(),
                        placed.stream()
                                .filter(one -> one.crew() == number)
                                .map(Placed::turn)
                                .toList())));
        return crews;
    }

    /** Where none were laid out, trees that have the same people are a crew's; whoever is on trees of several is in the first. */
    private static Map<Integer, CrewGiven> byTheirTrees(DayView view) {
        Set<Long> coming = view.people().stream().map(DayView.PersonView::id).collect(Collectors.toSet());
        Map<Set<Long>, List<VisitView>> groups = new LinkedHashMap<>();
        view.visits().stream()
                .filter(visit -> !visit.logged() && !visit.people().isEmpty())
                .forEach(visit -> groups.computeIfAbsent(Set.copyOf(visit.people()), key -> new ArrayList<>())
                        .add(visit));
        Map<Integer, CrewGiven> crews = new TreeMap<>();
        Set<Long> taken = new HashSet<>();
        groups.values()
                .forEach(turns -> crews.put(
                        crews.size() + 1,
                        new CrewGiven(
                                turns.get(0).people().stream()
                                        .filter(one -> coming.contains(one) && taken.add(one))
                                        .map(String::valueOf)
                                        .toList(),
                                turns.stream().map(RosterVisits::id).toList())));
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
                Stream.concat(
                                view.visits().stream()
                                        .filter(visit -> !visit.logged())
                                        .map(visit ->
                                                RosterVisits.of(visit, orchard.tree(visit.treeId()), day.onDay())),
                                view.tasks().stream()
                                        .filter(task -> !task.done())
                                        .map(task -> RosterVisits.of(task, day.onDay())))
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
        if (clocked(view)) {
            given(view).forEach((number, crew) -> {
                crew.people()
                        .forEach(one -> members.add(new RosterCase.FixedPerson(one, RosterPeople.id(day), number)));
                crew.visits().forEach(one -> turns.add(new RosterCase.SentVisit(one, RosterPeople.id(day), number)));
            });
        }
        return new RosterCase.Sent(members, turns);
    }

    /** A crew as somebody lays it out: ids of people, and turns in order. */
    record CrewLaid(List<Long> people, List<String> turns) {}

    /** How a tree's turn is called. */
    static String turn(long visitId) {
        return VISIT + visitId;
    }

    /** The crews a day had by the clock; none where people were given to trees. */
    static List<CrewLaid> laidOut(DayView view) {
        return clocked(view)
                ? given(view).values().stream()
                        .map(crew -> new CrewLaid(
                                crew.people().stream().map(Long::valueOf).toList(), crew.visits()))
                        .toList()
                : List.of();
    }

    /** Gives a day these crews and no others; trees that are in none of them have nobody. */
    void layOut(DayRow day, List<CrewLaid> crews) {
        clear(day.id());
        Map<Integer, CrewGiven> given = new TreeMap<>();
        int place = 0;
        for (CrewLaid crew : crews) {
            int number = given.size() + 1;
            crew.people().forEach(one -> days.crew(day.id(), one, number));
            for (String turn : crew.turns()) {
                place++;
                if (turn.startsWith(VISIT)) {
                    visits.place(number(turn), place);
                }
            }
            given.put(
                    number,
                    new CrewGiven(crew.people().stream().map(String::valueOf).toList(), crew.turns()));
        }
        clock(day, given);
    }

    /** Moves a tree up (-1) or down (1) within its crew; sick trees stay last. */
    void shift(DayRow day, long visitId, int by) {
        DayView view = reader.view(day);
        List<String> sick = view.visits().stream()
                .filter(VisitView::sick)
                .map(RosterVisits::id)
                .toList();
        List<CrewLaid> crews = new ArrayList<>();
        given(view).values().forEach(crew -> {
            List<String> turns = new ArrayList<>(crew.visits());
            int at = turns.indexOf(turn(visitId));
            int to = Math.max(0, Math.min(turns.size() - 1, at + by));
            if (at >= 0 && sick.contains(turns.get(at)) == sick.contains(turns.get(to))) {
                turns.add(to, turns.remove(at));
            }
            crews.add(new CrewLaid(crew.people().stream().map(Long::valueOf).toList(), turns));
        });
        layOut(day, crews);
    }

    /** Crews are as people are given to trees from now on. */
    void stop(long dayId) {
        visits.stopClock(dayId);
        tasks.stopClock(dayId);
        days.noCrews(dayId);
    }

    /** A day without crews, its trees with nobody: before others are laid out. */
    void clear(long dayId) {
        stop(dayId);
        visits.ofDay(dayId).stream().filter(visit -> !visit.logged()).forEach(visit -> visits.clearPeople(visit.id()));
    }

    /** Sets crews by the clock; a tree is done by whoever is in its crew. */
    private void clock(DayRow day, Map<Integer, CrewGiven> given) {
        Looked looked = looked(day, reader.view(day), List.copyOf(given.values()));
        List<Integer> numbers = List.copyOf(given.keySet());
        for (int i = 0; i < numbers.size(); i++) {
            List<Long> members = given.get(numbers.get(i)).people().stream()
                    .map(Long::valueOf)
                    .toList();
            int place = 0;
            for (Turn turn : looked.crews().get(i)) {
                place++;
                String starts = ClockTime.text(Math.min(LAST_MINUTE, turn.starts()));
                String ends = ClockTime.text(Math.min(LAST_MINUTE, turn.ends()));
                long id = number(turn.visit());
                if (turn.visit().startsWith(TASK)) {
                    tasks.clock(id, numbers.get(i), starts, ends, place);
                } else {
                    VisitRow visit = visits.visit(id).orElseThrow();
                    visits.clock(id, numbers.get(i), starts, ends, visit.place());
                    if (!Set.copyOf(visit.people()).equals(Set.copyOf(members))) {
                        visits.clearPeople(id);
                        members.forEach(one -> visits.addPerson(id, one));
                    }
                }
            }
        }
    }

    /** Sets the clock anew after people, trees, tasks or hours of a day changed; a day without crews has none. */
    void again(DayRow day) {
        DayView view = reader.view(day);
        if (clocked(view)) {
            clock(day, given(view));
        }
    }
}
