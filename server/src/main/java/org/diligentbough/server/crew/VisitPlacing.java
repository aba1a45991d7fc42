package org.diligentbough.server.crew;

import java.time.LocalDate;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.plan.CutKey;
import org.diligentbough.server.crew.VisitMaker.Wanted;
import org.diligentbough.server.crew.VisitMaker.Work;
import org.diligentbough.server.judgement.JudgementService;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.Once;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.visit.VisitMapper;
import org.diligentbough.server.visit.VisitMapper.VisitRow;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Makes visits of what plans have open, each cut on one day only. */
@Component
class VisitPlacing {
    private final VisitMapper visits;
    private final VisitMaker maker;
    private final OpenWork openWork;
    private final JudgementService judgement;
    private final OrchardService orchard;
    private final CurrentPerson person;
    private final Once once;

    VisitPlacing(
            VisitMapper visits,
            VisitMaker maker,
            OpenWork openWork,
            JudgementService judgement,
            OrchardService orchard,
            CurrentPerson person,
            Once once) {
        this.visits = visits;
        this.maker = maker;
        this.openWork = openWork;
        this.judgement = judgement;
        this.orchard = orchard;
        this.person = person;
        this.once = once;
    }

    /** Makes a visit without a day, for what was done on the spot; its id. */
    @Transactional
    long onTheSpot(long treeId, Optional<UUID> key, List<CutKey> chosen) {
        person.id();
        return once.keep(
                key,
                "visit of tree " + treeId,
                chosen == null ? List.of() : chosen,
                () -> make(treeId, null, judgement.todayAt(treeId), new Wanted(chosen, null, chosen == null)));
    }

    /**
     * Makes a visit of a tree.
     *
     * @param dayId null for one on the spot
     * @return its id
     * @throws ProblemException 422 where the tree was taken out, or what is asked for is not in its plan or on a day already
     */
    long make(long treeId, Long dayId, LocalDate on, Wanted asked) {
        // Of several who put the same cuts on several days at once only the first may.
        orchard.taken(treeId);
        if (orchard.removed(treeId)) {
            throw ProblemException.wrongField("/treeId", "was taken out; choose a tree that stands");
        }
        Evaluation evaluation = judgement.now(treeId);
        List<CutKey> chosen = asked.cuts();
        Work open = maker.openOn(treeId, evaluation, on);
        List<VisitRow> onDays = onDays(treeId);
        OpenWork.Besides besides = openWork.besides(dayId == null ? List.of() : onDays, open);
        Work work = (chosen == null ? open : maker.chosen(treeId, evaluation, chosen))
                .with(asked.upkeep() ? besides.tasks() : List.of(), asked.upkeep() ? besides.upkeepMinutes() : 0);
        boolean onAnotherVisit = open.upkeepMinutes() > besides.upkeepMinutes()
                || open.tasks().size() > besides.tasks().size();
        if (chosen != null && work.cuts().size() < new HashSet<>(chosen).size()) {
            throw ProblemException.wrongField(
                    "/cuts", "names a cut that is not in the tree's plan; choose from the plan");
        }
        int shoots = asked.shoots() == null
                ? work.detail().map(detail -> detail.shoots()).orElse(0)
                : Math.min(
                        asked.shoots(),
                        work.detail().map(detail -> detail.shoots()).orElse(0));
        Set<CutKey> taken = openWork.cutsOn(onDays);
        work.cuts().stream()
                .filter(cut -> dayId != null && taken.contains(cut.key()))
                .findFirst()
                .ifPresent(cut -> {
                    throw ProblemException.wrongField(
                            "/cuts", "limb " + cut.limb() + " is on a work day already; take it off there first");
                });
        if (dayId != null
                && work.cuts().isEmpty()
                && shoots == 0
                && work.tasks().isEmpty()
                && work.upkeepMinutes() == 0) {
            throw ProblemException.wrongField(
                    "/cuts",
                    onAnotherVisit
                            ? "is empty, and its yearly work is on a work day already; take it off there first"
                            : chosen == null
                                    ? "is empty: the tree's plan has nothing open that day"
                                    : "is empty; choose a cut at least");
        }
        return visits.add(maker.row(treeId, dayId, work, shoots));
    }

    /** A tree's visits that wait on a work day for their log. */
    private List<VisitRow> onDays(long treeId) {
        return visits.ofTree(treeId).stream()
                .filter(visit -> !visit.logged() && visit.workDayId() != null)
                .toList();
    }

    /** Makes a visit of all a tree's plan had open on a day, as of that day; empty when that was nothing. */
    Optional<Long> makeAsOf(long treeId, Long dayId, LocalDate on) {
        Evaluation evaluation = judgement
                .on(treeId, on.isBefore(judgement.todayAt(treeId)) ? on : judgement.todayAt(treeId))
                .orElseThrow(() -> ProblemException.notFound("This tree has not been surveyed yet."));
        Work work = maker.openOn(treeId, evaluation, on);
        int shoots = work.detail().map(detail -> detail.shoots()).orElse(0);
        return work.nothing() ? Optional.empty() : Optional.of(visits.add(maker.row(treeId, dayId, work, shoots)));
    }
}
