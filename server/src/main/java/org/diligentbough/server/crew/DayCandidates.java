package org.diligentbough.server.crew;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.plan.CutKey;
import org.diligentbough.server.crew.DayMapper.DayRow;
import org.diligentbough.server.crew.DayView.Candidate;
import org.diligentbough.server.crew.VisitMaker.Work;
import org.diligentbough.server.plan.PlanMapper;
import org.diligentbough.server.programme.ProgrammeService;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.visit.VisitCut;
import org.diligentbough.server.visit.VisitMapper;
import org.diligentbough.server.visit.VisitMapper.VisitRow;
import org.diligentbough.server.visit.VisitTask;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What could be put on a day. */
@Service
class DayCandidates {
    private static final int MOST_CANDIDATES = 60;
    private static final int LOOKED_AT = 2 * MOST_CANDIDATES;

    private final DayMapper days;
    private final PlanMapper plans;
    private final VisitMapper visits;
    private final LaneWorks laneWorks;
    private final OpenWork openWork;
    private final ProgrammeService programme;

    DayCandidates(
            DayMapper days,
            PlanMapper plans,
            VisitMapper visits,
            LaneWorks laneWorks,
            OpenWork openWork,
            ProgrammeService programme) {
        this.days = days;
        this.plans = plans;
        this.visits = visits;
        this.laneWorks = laneWorks;
        this.openWork = openWork;
        this.programme = programme;
    }

    /**
     * Trees whose plan, as it was last judged, has something open on a day that is on no work day yet; what is urgent and
     * closes first before, and no more than can be looked through. Of a tree that the programme puts off only what is urgent is offered.
     */
    @Transactional(readOnly = true)
    public List<Candidate> candidates(long id) {
        DayRow day = days.find(id).orElseThrow(() -> ProblemException.notFound("There is no such work day."));
        Set<Long> waiting = programme.waiting(day.siteId());
        List<Long> open = plans.openOn(day.siteId(), day.onDay()).stream()
                .map(PlanMapper.LaneRow::treeId)
                .distinct()
                .toList();
        Map<Long, List<VisitRow>> onDays =
                visits.waitingOnDays(day.siteId()).stream().collect(Collectors.groupingBy(VisitRow::treeId));
        List<Candidate> found = new ArrayList<>();
        // Few of those that close first are on a day already: one look will do as a rule.
        for (int from = 0; from < open.size() && found.size() < MOST_CANDIDATES; from += LOOKED_AT) {
            List<Long> some = open.subList(from, Math.min(open.size(), from + LOOKED_AT));
            Map<Long, LaneWorks.TreeWork> work = laneWorks.openOn(some, day.onDay());
            some.stream()
                    .filter(work::containsKey)
                    .flatMap(treeId -> candidate(
                            work.get(treeId),
                            onDays.getOrDefault(treeId, List.of()),
                            waiting.contains(treeId),
                            day.onDay())
                            .stream())
                    .limit(MOST_CANDIDATES - found.size())
                    .forEach(found::add);
        }
        return found;
    }

    private Optional<Candidate> candidate(LaneWorks.TreeWork tree, List<VisitRow> onDays, boolean waits, LocalDate on) {
        Work work = tree.work();
        Set<CutKey> taken = openWork.cutsOn(onDays);
        List<VisitCut> cuts = work.cuts().stream()
                .filter(cut -> !taken.contains(cut.key()) && (!waits || cut.urgent()))
                .toList();
        int shoots = !waits && taken.isEmpty()
                ? work.detail().map(detail -> detail.shoots()).orElse(0)
                : 0;
        OpenWork.Besides besides = waits ? new OpenWork.Besides(List.of(), 0) : openWork.besides(onDays, work);
        if (cuts.isEmpty() && shoots == 0 && besides.tasks().isEmpty() && besides.upkeepMinutes() == 0) {
            return Optional.empty();
        }
        int shootsMinutes = shoots == 0 ? 0 : work.detail().orElseThrow().minutes();
        return Optional.of(new Candidate(
                tree.id(),
                tree.tag(),
                tree.species(),
                tree.cultivar(),
                work.closes().orElse(on),
                cuts.stream().anyMatch(VisitCut::urgent),
                work.sick(),
                cuts.stream().mapToInt(VisitCut::minutes).sum()
                        + shootsMinutes
                        + besides.upkeepMinutes()
                        + besides.tasks().stream().mapToInt(VisitTask::minutes).sum(),
                shoots,
                besides.tasks(),
                besides.upkeepMinutes(),
                cuts.stream()
                        .flatMap(cut -> cut.tickets().stream())
                        .distinct()
                        .sorted()
                        .toList(),
                work.kit().stream().sorted().map(Codes::of).toList(),
                cuts));
    }
}
