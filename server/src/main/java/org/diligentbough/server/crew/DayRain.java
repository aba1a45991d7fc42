package org.diligentbough.server.crew;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.diligentbough.server.crew.DayMapper.DayRow;
import org.diligentbough.server.crew.DayMapper.State;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.task.TaskMapper;
import org.diligentbough.server.visit.VisitMapper;
import org.diligentbough.server.visit.VisitMapper.VisitRow;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What becomes of a work day that is rained off. */
@Service
class DayRain {
    private final DayMapper days;
    private final VisitMapper visits;
    private final TaskMapper tasks;
    private final DayReader reader;
    private final DayChanges changes;
    private final OrchardService orchard;
    private final History history;
    private final CurrentPerson person;
    private final ApplicationEventPublisher events;

    DayRain(
            DayMapper days,
            VisitMapper visits,
            TaskMapper tasks,
            DayReader reader,
            DayChanges changes,
            OrchardService orchard,
            History history,
            CurrentPerson person,
            ApplicationEventPublisher events) {
        this.days = days;
        this.visits = visits;
        this.tasks = tasks;
        this.reader = reader;
        this.changes = changes;
        this.orchard = orchard;
        this.history = history;
        this.person = person;
        this.events = events;
    }

    /** What became of a day that was rained off; {@code movedTo} is null where its trees went back to their plans. */
    record RainedOff(DayView day, DayView movedTo, List<String> backToThePlan) {}

    /**
     * Moves what was not logged to another day, with its people; what may not be cut then goes back to the plan.
     *
     * @param to the day it is moved to, made like this one unless the site has it already; null for none
     */
    @Transactional
    RainedOff rainOff(long id, int version, LocalDate to) {
        return to == null ? backToThePlans(id, version) : moved(id, version, to);
    }

    private RainedOff backToThePlans(long id, int version) {
        List<String> back = new ArrayList<>();
        DayView after = changes.make(id, version, () -> {
            for (VisitRow visit : visits.ofDay(id)) {
                if (!visit.logged()) {
                    back.add(orchard.tree(visit.treeId()).tag());
                    visits.drop(visit.id());
                }
            }
            tasks.offDay(id);
            days.state(id, State.RAINED_OFF);
        });
        return new RainedOff(after, null, back);
    }

    private RainedOff moved(long id, int version, LocalDate to) {
        person.id();
        DayRow day = reader.row(id);
        changes.take(day, version);
        if (!to.isAfter(day.onDay())) {
            throw ProblemException.wrongField("/to", "is not after this day; choose a later one");
        }
        DayView before = reader.view(day);
        long target = days.ofSite(day.siteId()).stream()
                .filter(other -> other.onDay().equals(to) && !other.over())
                .map(DayRow::id)
                .findFirst()
                .orElseGet(() -> likeThis(before, to));
        DayView targetBefore = reader.view(reader.row(target));
        days.take(target, targetBefore.version());
        List<String> back = new ArrayList<>();
        for (VisitRow visit : visits.ofDay(id)) {
            if (visit.logged()) {
                continue;
            }
            visits.move(visit.id(), target);
            visit.people().forEach(one -> days.addPerson(target, one));
            boolean refused = reader.view(reader.row(target)).findings().stream()
                    .anyMatch(finding -> DayChanges.refused(finding) && Objects.equals(finding.visitId(), visit.id()));
            if (refused) {
                back.add(orchard.tree(visit.treeId()).tag());
                visits.drop(visit.id());
            }
        }
        tasks.ofDay(id).stream().filter(task -> task.doneOn() == null).forEach(task -> tasks.onDay(task.id(), target));
        days.state(id, State.RAINED_OFF);
        DayView after = reader.view(reader.row(id));
        DayView targetAfter = reader.view(reader.row(target));
        history.changed(new About("day", id, day.siteId(), null), before, after);
        events.publishEvent(new DayChanged(before, after, target));
        history.changed(new About("day", target, day.siteId(), null), targetBefore, targetAfter);
        return new RainedOff(after, targetAfter, back);
    }

    private long likeThis(DayView day, LocalDate to) {
        DayData data = day.data();
        long id = days.add(day.siteId(), new DayData(to, data.starts(), data.ends(), data.shed(), data.note()));
        day.people().forEach(one -> days.addPerson(id, one.id()));
        return id;
    }
}
