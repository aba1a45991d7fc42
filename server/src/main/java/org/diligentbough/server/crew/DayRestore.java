package org.diligentbough.server.crew;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.server.crew.CrewBoard.CrewLaid;
import org.diligentbough.server.crew.DayMapper.State;
import org.diligentbough.server.crew.DayView.DayTaskView;
import org.diligentbough.server.crew.DayView.VisitView;
import org.diligentbough.server.crew.VisitMaker.Wanted;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.task.TaskMapper;
import org.diligentbough.server.visit.VisitCut;
import org.diligentbough.server.visit.VisitMapper;
import org.diligentbough.server.visit.VisitMapper.VisitRow;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Brings a work day back to how it stood. */
@Component
class DayRestore {
    private final DayService service;
    private final DayMapper days;
    private final DayChanges changes;
    private final CrewBoard board;
    private final VisitMapper visits;
    private final VisitPlacing placing;
    private final TaskMapper tasks;

    DayRestore(
            DayService service,
            DayMapper days,
            DayChanges changes,
            CrewBoard board,
            VisitMapper visits,
            VisitPlacing placing,
            TaskMapper tasks) {
        this.service = service;
        this.days = days;
        this.changes = changes;
        this.board = board;
        this.visits = visits;
        this.placing = placing;
        this.tasks = tasks;
    }

    /**
     * Brings a day back to how it stood: hours, shed, people, trees, tasks and crews. Trees that are logged stay as they are.
     *
     * @throws ProblemException 409 where somebody changes it meanwhile, 422 where a tree that stood on it has other cuts in its
     *     plan by now or they stand on another day, or where the day would break a rule it does not break now or can no
     *     longer be confirmed as it was
     */
    @Transactional
    void asItWas(DayView was) {
        long id = was.id();
        changes.make(
                id,
                service.row(id).version(),
                () -> {
                    days.change(id, was.data());
                    boolean confirmed = was.state().equals(Codes.of(State.CONFIRMED));
                    boolean again = confirmed && service.row(id).state() != State.CONFIRMED;
                    days.state(id, confirmed && !again ? State.CONFIRMED : State.PLANNED);
                    List<Long> people =
                            was.people().stream().map(DayView.PersonView::id).toList();
                    days.keepPeople(id, people);
                    people.forEach(one -> days.addPerson(id, changes.known(id, one)));
                    days.dropAbsent(id);
                    Map<String, String> turns = trees(was);
                    service.setTasks(
                            id,
                            was.tasks().stream()
                                    .map(DayTaskView::id)
                                    .filter(task -> mayComeBack(task, id))
                                    .toList());
                    crews(was, turns);
                    if (again) {
                        service.confirm(id);
                    }
                },
                DayService.WHO_IS_MISSED);
    }

    /** What was done meanwhile, taken away, or put on another day stays there. */
    private boolean mayComeBack(long task, long dayId) {
        return tasks.find(task)
                .filter(now -> now.doneOn() == null && (now.workDayId() == null || now.workDayId() == dayId))
                .isPresent();
    }

    /** The open trees that stood on it, and no others; their turns by those they had, since what comes back has another number. */
    private Map<String, String> trees(DayView was) {
        Map<Long, VisitRow> standing =
                visits.ofDay(was.id()).stream().collect(Collectors.toMap(VisitRow::id, visit -> visit));
        List<VisitView> open =
                was.visits().stream().filter(visit -> !visit.logged()).toList();
        Set<Long> stay = open.stream().map(VisitView::id).collect(Collectors.toSet());
        standing.values().stream()
                .filter(visit -> !visit.logged() && !stay.contains(visit.id()))
                .forEach(visit -> visits.drop(visit.id()));
        Map<String, String> turns = new HashMap<>();
        int place = 0;
        for (VisitView visit : open) {
            place++;
            VisitRow now = standing.get(visit.id());
            if (now != null && now.logged()) {
                continue;
            }
            long id = now == null
                    ? placing.make(
                            visit.treeId(),
                            was.id(),
                            was.data().on(),
                            new Wanted(
                                    visit.cuts().stream().map(VisitCut::key).toList(),
                                    visit.shoots(),
                                    visit.upkeepMinutes() > 0 || !visit.tasks().isEmpty()))
                    : now.id();
            visits.clearPeople(id);
            visit.people().forEach(one -> visits.addPerson(id, one));
            visits.place(id, place);
            turns.put(RosterVisits.id(visit), CrewBoard.turn(id));
        }
        return turns;
    }

    private void crews(DayView was, Map<String, String> turns) {
        board.stop(was.id());
        Set<String> open = new HashSet<>(board.open(was.id()));
        List<CrewLaid> crews = CrewBoard.laidOut(was).stream()
                .map(crew -> new CrewLaid(
                        crew.people(),
                        crew.turns().stream()
                                .map(turn -> turns.getOrDefault(turn, turn))
                                .filter(open::contains)
                                .toList()))
                .toList();
        if (!crews.isEmpty()) {
            board.layOut(service.row(was.id()), crews);
        }
    }
}
