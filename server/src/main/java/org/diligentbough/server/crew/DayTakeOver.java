package org.diligentbough.server.crew;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.plan.CutKey;
import org.diligentbough.core.verdict.Verdict;
import org.diligentbough.server.crew.DayRosterService.DayAndProposal;
import org.diligentbough.server.crew.VisitMaker.Wanted;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.task.TaskMapper;
import org.diligentbough.server.visit.VisitMapper;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Makes what was proposed for a day its own. */
@Service
class DayTakeOver {
    private final DayMapper days;
    private final VisitMapper visits;
    private final TaskMapper tasks;
    private final ProposalMapper proposals;
    private final DayRosterService proposed;
    private final DayReader reader;
    private final DayChanges changes;
    private final VisitPlacing placing;
    private final CrewBoard board;

    DayTakeOver(
            DayMapper days,
            VisitMapper visits,
            TaskMapper tasks,
            ProposalMapper proposals,
            DayRosterService proposed,
            DayReader reader,
            DayChanges changes,
            VisitPlacing placing,
            CrewBoard board) {
        this.days = days;
        this.visits = visits;
        this.tasks = tasks;
        this.proposals = proposals;
        this.proposed = proposed;
        this.reader = reader;
        this.changes = changes;
        this.placing = placing;
        this.board = board;
    }

    /**
     * Makes crews of the day's proposal its own: trees, people, order and clock. What else stands on the day stays as it is.
     *
     * @param crews by their numbers in the proposal
     */
    @Transactional
    DayView takeOver(long id, int version, List<Integer> crews) {
        Proposed roster = proposals
                .of(id)
                .map(ProposalMapper.ProposalRow::roster)
                .orElseThrow(() -> ProblemException.wrongField("", "has no proposal; look for one first"));
        return changes.make(id, version, () -> {
            List<Proposed.ProposedCrew> taken = roster.crews().stream()
                    .filter(crew -> crews.contains(crew.crew()))
                    .toList();
            List<Turned> turns = taken.stream()
                    .flatMap(crew -> crew.turns().stream().map(turn -> new Turned(crew, turn)))
                    .sorted(Comparator.comparing(one -> one.turn().starts()))
                    .toList();
            if (turns.isEmpty()) {
                throw ProblemException.wrongField("/crews", "names no crew of the proposal; give their numbers");
            }
            boolean whole = taken.size() == roster.crews().size();
            if (whole) {
                board.clear(id);
            }
            taken.forEach(crew -> crew(id, crew));
            int place = visits.ofDay(id).size();
            for (Turned one : turns) {
                place++;
                takeOver(id, one, place);
            }
            if (whole) {
                // What stood on the day and found no place goes back to its plan.
                roster.left().stream()
                        .filter(left -> left.visitId() != null)
                        .map(left -> visits.visit(left.visitId()))
                        .flatMap(Optional::stream)
                        .filter(visit -> Long.valueOf(id).equals(visit.workDayId()) && !visit.logged())
                        .forEach(visit -> visits.drop(visit.id()));
                proposals.drop(id); // it is the day now
            }
        });
    }

    /** The turn of a tree or a task in its crew. */
    private record Turned(Proposed.ProposedCrew crew, Proposed.ProposedTurn turn) {}

    private void takeOver(long id, Turned one, int place) {
        if (one.turn().taskId() != null) {
            takeTaskOver(id, one, place);
            return;
        }
        Long visitId = one.turn().visitId();
        if (visitId == null) {
            List<CutKey> cuts = one.turn().cuts() == null
                    ? null
                    : one.turn().cuts().stream()
                            .map(cut -> new CutKey(
                                    cut.limb(),
                                    Codes.parse(Verdict.class, cut.kind()).orElseThrow()))
                            .toList();
            visitId = placing.make(
                    one.turn().treeId(),
                    id,
                    reader.row(id).onDay(),
                    // No shoots are proposed where none are open that day: those of another season stay in the plan.
                    new Wanted(
                            cuts, one.turn().shoots() == null ? 0 : one.turn().shoots(), true));
        } else if (visits.visit(visitId)
                .filter(visit -> Long.valueOf(id).equals(visit.workDayId()) && !visit.logged())
                .isEmpty()) {
            throw gone(one);
        }
        visits.clock(visitId, one.crew().crew(), one.turn().starts(), one.turn().ends(), place);
    }

    private void takeTaskOver(long id, Turned one, int place) {
        long taskId = one.turn().taskId();
        if (tasks.find(taskId)
                .filter(task -> Long.valueOf(id).equals(task.workDayId()) && task.doneOn() == null)
                .isEmpty()) {
            throw gone(one);
        }
        tasks.clock(taskId, one.crew().crew(), one.turn().starts(), one.turn().ends(), place);
    }

    private static ProblemException gone(Turned one) {
        return ProblemException.wrongField(
                "/crews", "has " + one.turn().tag() + ", which is not on the day any more; look for a proposal anew");
    }

    /** Its people, and nobody who was in the crew of that number before. */
    private void crew(long id, Proposed.ProposedCrew crew) {
        days.emptyCrew(id, crew.crew());
        crew.people().forEach(one -> {
            days.addPerson(id, changes.known(id, one.id()));
            days.crew(id, one.id(), crew.crew());
        });
    }

    /** Makes all that is proposed for the days to come of a site their own. */
    @Transactional
    void takeSeasonOver(long siteId) {
        boolean any = false;
        for (DayAndProposal one : proposed.ofSeason(siteId)) {
            Optional<Proposed> roster = one.proposal().map(ProposalMapper.ProposalRow::roster);
            if (roster.isEmpty()) {
                continue;
            }
            any = true;
            if (roster.get().crews().isEmpty()) {
                proposals.drop(one.day().id());
            } else {
                takeOver(
                        one.day().id(),
                        one.day().version(),
                        roster.get().crews().stream()
                                .map(Proposed.ProposedCrew::crew)
                                .toList());
            }
        }
        if (!any) {
            throw ProblemException.wrongField("", "has no proposal; look for one first");
        }
    }
}
