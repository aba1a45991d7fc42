package org.diligentbough.server.crew;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.server.consent.ConsentService;
import org.diligentbough.server.crew.DayMapper.DayRow;
import org.diligentbough.server.crew.DayMapper.State;
import org.diligentbough.server.crew.VisitMaker.Wanted;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.FieldProblem;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.task.TaskMapper;
import org.diligentbough.server.task.TaskMapper.TaskRow;
import org.diligentbough.server.visit.VisitMapper;
import org.diligentbough.server.visit.VisitMapper.VisitRow;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Work days: what they are made of, who comes, and which trees and tasks stand on them. */
@Service
public class DayService {
    private static final int YEARS_BACK = 1;
    private static final int YEARS_AHEAD = 3;
    /** On the way from one good layout to another a ticket may be wanting; the board says where. */
    private static final Set<String> TOLD_ON_THE_BOARD = Set.of(Codes.of(ReasonCode.DAY_NO_TICKET));
    /** Whoever does not come does not come, on a confirmed day too: what that breaks is told, and mended. */
    static final Set<String> WHO_IS_MISSED = Stream.of(
                    ReasonCode.DAY_NO_TICKET,
                    ReasonCode.DAY_NOBODY,
                    ReasonCode.DAY_ALONE,
                    ReasonCode.DAY_NO_LEADER,
                    ReasonCode.DAY_NO_FIRST_AIDER)
            .map(Codes::of)
            .collect(Collectors.toSet());

    private final DayMapper days;
    private final TaskMapper tasks;
    private final CrewBoard board;
    private final VisitMapper visits;
    private final VisitPlacing placing;
    private final DayReader reader;
    private final DayChanges changes;
    private final OrchardService orchard;
    private final ConsentService consents;
    private final History history;
    private final CurrentPerson person;
    private final Today today;

    DayService(
            DayMapper days,
            TaskMapper tasks,
            CrewBoard board,
            VisitMapper visits,
            VisitPlacing placing,
            DayReader reader,
            DayChanges changes,
            OrchardService orchard,
            ConsentService consents,
            History history,
            CurrentPerson person,
            Today today) {
        this.days = days;
        this.tasks = tasks;
        this.board = board;
        this.visits = visits;
        this.placing = placing;
        this.reader = reader;
        this.changes = changes;
        this.orchard = orchard;
        this.consents = consents;
        this.history = history;
        this.person = person;
        this.today = today;
    }

    public DayView day(long id) {
        return reader.view(row(id));
    }

    DayRow row(long id) {
        return reader.row(id);
    }

    @Transactional
    public DayView add(long siteId, DayData data) {
        person.id();
        LocalDate now = today.in(orchard.site(siteId).zone());
        sensible(data, now);
        long id = days.add(siteId, data);
        DayView added = day(id);
        history.added(new About("day", id, siteId, null), added);
        return added;
    }

    /** A day is planned ahead, or added after the fact to log what was done on it. */
    private static void sensible(DayData data, LocalDate now) {
        if (data.on().isBefore(now.minusYears(YEARS_BACK)) || data.on().isAfter(now.plusYears(YEARS_AHEAD))) {
            throw ProblemException.wrongField(
                    "/on",
                    "is no day to work on; give one from " + now.minusYears(YEARS_BACK) + " to "
                            + now.plusYears(YEARS_AHEAD));
        }
    }

    @Transactional
    public DayView change(long id, int version, DayData data) {
        return changes.make(id, version, () -> {
            DayRow day = row(id);
            if (!data.on().equals(day.onDay())) {
                sensible(data, today.in(orchard.site(day.siteId()).zone()));
            }
            days.change(id, data);
        });
    }

    @Transactional
    public DayView people(long id, int version, List<Long> people) {
        return changes.make(
                id,
                version,
                () -> {
                    days.keepPeople(id, people);
                    people.forEach(one -> days.addPerson(id, changes.known(id, one)));
                    days.dropAbsent(id);
                },
                WHO_IS_MISSED);
    }

    /** @throws ProblemException 422 when somebody does not belong to the site of a day */
    public void belongs(long dayId, long personId) {
        changes.known(dayId, personId);
    }

    /** Somebody comes or does not, by their own word: never refused, what it breaks is told. */
    @Transactional
    public void comes(long id, long personId, boolean comes) {
        DayRow day = row(id);
        if (day.people().contains(personId) == comes) {
            return;
        }
        DayView before = reader.view(day);
        changes.take(day, day.version());
        if (comes) {
            days.addPerson(id, personId);
        } else {
            days.removePerson(id, personId);
            days.dropAbsent(id);
        }
        board.again(row(id));
        history.changed(new About("day", id, day.siteId(), null), before, day(id));
    }

    @Transactional
    public DayView confirm(long id, int version) {
        return changes.make(id, version, () -> confirm(id));
    }

    /** @throws ProblemException 422 where something is wrong with the day, nothing stands on it, or an owner's leave is wanting */
    void confirm(long id) {
        List<FieldProblem> broken = day(id).findings().stream()
                .filter(DayChanges::refused)
                .map(finding -> new FieldProblem("", finding.reason().text()))
                .toList();
        if (!broken.isEmpty()) {
            throw ProblemException.refused(broken);
        }
        if (reader.visits(id).isEmpty()) {
            throw ProblemException.wrongField("", "has no tree on it yet; put one on it before confirming");
        }
        List<FieldProblem> without = visits.ofDay(id).stream()
                .filter(visit -> !visit.logged())
                .flatMap(visit -> consents.missing(visit.treeId(), row(id).onDay()).stream())
                .map(sentence -> new FieldProblem("", sentence))
                .toList();
        if (!without.isEmpty()) {
            throw ProblemException.refused(without);
        }
        days.state(id, State.CONFIRMED);
    }

    /** Calls a day off: what was not logged goes back to the plan. */
    @Transactional
    public DayView callOff(long id, int version) {
        return changes.make(id, version, () -> {
            visits.ofDay(id).stream().filter(visit -> !visit.logged()).forEach(visit -> visits.drop(visit.id()));
            tasks.offDay(id);
            days.state(id, State.CALLED_OFF);
        });
    }

    @Transactional
    public DayView reopen(long id, int version) {
        return changes.make(id, version, () -> days.state(id, State.PLANNED));
    }

    /** Puts a tree on a day: the cuts chosen, or all its plan has open then. */
    @Transactional
    public DayView putOn(long id, int version, long treeId, Wanted wanted) {
        return changes.make(id, version, () -> placing.make(treeId, id, row(id).onDay(), wanted));
    }

    @Transactional
    public DayView takeOff(long visitId, int version) {
        VisitRow visit = open(visitId);
        return changes.make(visit.workDayId(), version, () -> visits.drop(visitId));
    }

    /**
     * Judges a tree as it stands after what was logged of it on a day that runs, and puts what remains on that day again: with the
     * same people, as the next turn of their crew.
     *
     * @throws ProblemException 422 when nothing remains, the tree is not logged yet, or the day is not today
     */
    @Transactional
    public DayView lookAgain(long visitId, int version) {
        VisitRow done = visit(visitId);
        if (done.workDayId() == null || !done.logged()) {
            throw ProblemException.wrongField("", "is not logged yet; log what was done first");
        }
        DayRow day = row(done.workDayId());
        if (!day.onDay().equals(today.in(orchard.site(day.siteId()).zone()))) {
            throw ProblemException.wrongField("", "is not of today; what remains stands in the tree's plan");
        }
        return changes.make(day.id(), version, () -> {
            long again = placing.make(done.treeId(), day.id(), day.onDay(), new Wanted(null, null, false));
            done.people().forEach(one -> visits.addPerson(again, one));
            if (done.crew() != null) {
                // The clock is laid out anew from there: it is the crew's next turn, since it began before all that are
                // left.
                int last = visits.visit(again).orElseThrow().place();
                visits.clock(again, done.crew(), done.starts(), done.ends(), last);
            }
        });
    }

    private VisitRow visit(long visitId) {
        return visits.visit(visitId)
                .orElseThrow(() -> ProblemException.notFound("There is no such tree on a work day."));
    }

    private VisitRow open(long visitId) {
        VisitRow visit = visit(visitId);
        if (visit.logged()) {
            throw ProblemException.wrongField("", "was logged already; correct its log instead");
        }
        if (visit.workDayId() == null) {
            throw ProblemException.wrongField("", "is on no work day");
        }
        return visit;
    }

    /** Gives a tree its people; whoever is given work comes. */
    @Transactional
    public DayView peopleOf(long visitId, int version, List<Long> people) {
        VisitRow visit = open(visitId);
        return changes.make(visit.workDayId(), version, () -> {
            board.stop(visit.workDayId());
            visits.clearPeople(visitId);
            people.forEach(one -> {
                days.addPerson(visit.workDayId(), changes.known(visit.workDayId(), one));
                visits.addPerson(visitId, one);
            });
        });
    }

    /** Moves a tree up (-1) or down (1) among those of the day; sick trees stay last. */
    @Transactional
    public DayView shift(long visitId, int version, int by) {
        VisitRow visit = open(visitId);
        return changes.make(visit.workDayId(), version, () -> {
            if (visit.crew() != null) {
                board.shift(row(visit.workDayId()), visitId, by);
                return;
            }
            List<VisitRow> alike = visits.ofDay(visit.workDayId()).stream()
                    .filter(other -> other.sick().equals(visit.sick()))
                    .collect(Collectors.toCollection(ArrayList::new));
            int at = alike.stream().map(VisitRow::id).toList().indexOf(visitId);
            int to = Math.max(0, Math.min(alike.size() - 1, at + by));
            alike.add(to, alike.remove(at));
            for (int i = 0; i < alike.size(); i++) {
                visits.place(alike.get(i).id(), i + 1);
            }
        });
    }

    /** Which tasks stand on a day; those that stood there and are not among them go off it, what is done stays. */
    @Transactional
    public DayView tasks(long id, int version, List<Long> wanted) {
        return changes.make(id, version, () -> setTasks(id, wanted));
    }

    void setTasks(long id, List<Long> wanted) {
        DayRow day = row(id);
        Set<Long> standing = tasks.ofDay(id).stream().map(TaskRow::id).collect(Collectors.toSet());
        for (TaskRow task : tasks.ofDay(id)) {
            if (task.doneOn() == null && !wanted.contains(task.id())) {
                tasks.onDay(task.id(), null);
            }
        }
        for (long one : wanted) {
            if (standing.contains(one)) {
                continue;
            }
            TaskRow task = tasks.find(one)
                    .filter(row -> row.siteId().equals(day.siteId()) && row.doneOn() == null)
                    .orElseThrow(() -> ProblemException.wrongField(
                            "/tasks", "names one that is not open here; choose from the list of tasks"));
            tasks.onDay(task.id(), id);
        }
    }

    /** Lays crews out: who is in each, and its trees in order. What breaks is told, save what may never be. */
    @Transactional
    public DayView layOut(long id, int version, List<CrewBoard.CrewLaid> crews) {
        return changes.make(
                id,
                version,
                () -> {
                    DayRow day = row(id);
                    Set<String> standing = new HashSet<>(board.open(id));
                    Set<Long> people = new HashSet<>();
                    for (int i = 0; i < crews.size(); i++) {
                        CrewBoard.CrewLaid crew = crews.get(i);
                        if (!day.people().containsAll(crew.people())
                                || !crew.people().stream().allMatch(people::add)) {
                            throw ProblemException.wrongField(
                                    "/crews/" + i + "/people", "names somebody twice, or who does not come that day");
                        }
                        if (!crew.turns().stream().allMatch(standing::remove)) {
                            throw ProblemException.wrongField(
                                    "/crews/" + i + "/turns",
                                    "names a tree or task twice, or one that is not on the day or is done already");
                        }
                    }
                    board.layOut(day, crews);
                },
                TOLD_ON_THE_BOARD);
    }

    /** Planned days of a site from today on that are not confirmed yet, the next first. */
    List<DayRow> planned(long siteId, int most) {
        LocalDate now = today.in(orchard.site(siteId).zone());
        return days.ofSite(siteId).stream()
                .filter(day -> day.state() == State.PLANNED && !day.onDay().isBefore(now))
                .sorted(Comparator.comparing(DayRow::onDay).thenComparing(DayRow::id))
                .limit(most)
                .toList();
    }

    /** Days of a site, the newest first. */
    List<DayView.DaySummary> ofSite(long siteId) {
        orchard.site(siteId);
        return days.ofSite(siteId).stream().map(reader::summary).toList();
    }
}
