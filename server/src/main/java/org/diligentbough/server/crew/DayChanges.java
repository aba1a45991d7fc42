package org.diligentbough.server.crew;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.diligentbough.server.crew.DayMapper.DayRow;
import org.diligentbough.server.crew.DayMapper.State;
import org.diligentbough.server.crew.DayView.FindingView;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.FieldProblem;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.visit.VisitMapper;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;

/**
 * How a work day is changed: it is taken by its version, changed, its crews are set by the clock anew, and all is undone again
 * if the day then breaks a rule it did not break before.
 */
@Component
class DayChanges {
    private final DayMapper days;
    private final VisitMapper visits;
    private final DayReader reader;
    private final CrewBoard board;
    private final History history;
    private final CurrentPerson person;
    private final ApplicationEventPublisher events;

    DayChanges(
            DayMapper days,
            VisitMapper visits,
            DayReader reader,
            CrewBoard board,
            History history,
            CurrentPerson person,
            ApplicationEventPublisher events) {
        this.days = days;
        this.visits = visits;
        this.reader = reader;
        this.board = board;
        this.history = history;
        this.person = person;
        this.events = events;
    }

    /** Whether a finding is of a rule that may not be broken. */
    static boolean refused(FindingView finding) {
        return finding.weight().equals("refused");
    }

    /**
     * Changes a day.
     *
     * @return the day as it is then
     * @throws ProblemException 404 where there is none, 409 where somebody changed it since, 422 where it takes no more changes
     *     or breaks a rule it did not break before
     */
    DayView make(long id, int version, Runnable change) {
        return make(id, version, change, Set.of());
    }

    /** @param told codes of what would be refused else, and is told where it is seen */
    DayView make(long id, int version, Runnable change, Set<String> told) {
        person.id();
        DayRow day = reader.row(id);
        DayView before = reader.view(day);
        take(day, version);
        change.run();
        board.again(reader.row(id));
        DayView after = reader.view(reader.row(id));
        Set<String> brokenBefore = before.findings().stream()
                .filter(DayChanges::refused)
                .map(DayChanges::what)
                .collect(Collectors.toSet());
        List<FieldProblem> newlyBroken = after.findings().stream()
                .filter(finding -> refused(finding)
                        && !told.contains(finding.reason().code())
                        && !brokenBefore.contains(what(finding)))
                .map(finding -> new FieldProblem("", finding.reason().text()))
                .toList();
        if (!newlyBroken.isEmpty()) {
            throw ProblemException.refused(newlyBroken);
        }
        history.changed(new About("day", id, day.siteId(), null), before, after);
        events.publishEvent(new DayChanged(before, after, null));
        return after;
    }

    private static String what(FindingView finding) {
        return finding.reason().text() + finding.visitId() + finding.personId();
    }

    /** @throws ProblemException 409 where somebody changed the day since, 422 where it takes no more changes */
    void take(DayRow day, int version) {
        if (day.state() == State.RAINED_OFF) {
            throw ProblemException.wrongField("", "was rained off; change the day its trees were moved to");
        }
        if (day.state() == State.CALLED_OFF) {
            throw ProblemException.wrongField("", "was called off; plan another day");
        }
        if (days.take(day.id(), version) == 0) {
            throw ProblemException.stale("This work day");
        }
    }

    /** @throws ProblemException 422 when somebody does not belong to the site of a day */
    long known(long dayId, long personId) {
        if (visits.members(reader.row(dayId).siteId(), List.of(personId)) == 0) {
            throw ProblemException.wrongField("/people", "names somebody who is not known here; choose from the list");
        }
        return personId;
    }
}
