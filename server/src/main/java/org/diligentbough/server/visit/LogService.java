package org.diligentbough.server.visit;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.visit.TreeToday;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.FieldProblem;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.Once;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.visit.VisitMapper.LogRow;
import org.diligentbough.server.visit.VisitMapper.NewLog;
import org.diligentbough.server.visit.VisitMapper.VisitRow;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Logs of visits: kept once however often they are sent, corrected by a further log, never altered. */
@Service
public class LogService {
    private final VisitMapper visits;
    private final TreeRecords records;
    private final OrchardService orchard;
    private final History history;
    private final CurrentPerson person;
    private final Today today;
    private final Once once;
    private final ApplicationEventPublisher events;

    LogService(
            VisitMapper visits,
            TreeRecords records,
            OrchardService orchard,
            History history,
            CurrentPerson person,
            Today today,
            Once once,
            ApplicationEventPublisher events) {
        this.visits = visits;
        this.records = records;
        this.orchard = orchard;
        this.history = history;
        this.person = person;
        this.today = today;
        this.once = once;
        this.events = events;
    }

    public VisitRow visit(long id) {
        return visits.visit(id).orElseThrow(() -> ProblemException.notFound("There is no such visit."));
    }

    List<LogRow> logsOf(long treeId) {
        return visits.logsOf(orchard.tree(treeId).id());
    }

    /**
     * Keeps the first log of a visit; the same one sent again is answered with what was kept.
     *
     * @throws ProblemException 409 when another log of the visit is kept: both can be looked at, this one sent as its
     *     correction
     */
    @Transactional
    public LogRow add(long visitId, LogData data) {
        person.id();
        return keptOnce("log of visit " + visitId, data, () -> {
            VisitRow visit = visits.take(visitId)
                    .flatMap(visits::visit)
                    .orElseThrow(() -> ProblemException.notFound("There is no such visit."));
            if (visit.logged()) {
                throw ProblemException.loggedAlready(visits.logsOf(visit.treeId()).stream()
                        .filter(log -> log.visitId() == visitId && !log.corrected())
                        .map(LogRow::loggedBy)
                        .findFirst()
                        .orElse("Somebody"));
            }
            LogRow added = keep(visit, data, null, person.id());
            history.added(about(added), added);
            return added;
        });
    }

    private LogRow keptOnce(String what, LogData data, Supplier<LogRow> change) {
        long kept = once.keep(Optional.of(data.key()), what, data, () -> visits.logSentAs(
                        data.key().toString())
                .map(LogRow::id)
                .orElseGet(() -> {
                    LogRow added = change.get();
                    judgeAnew(added);
                    return added.id();
                }));
        return visits.log(kept).orElseThrow();
    }

    /** Keeps a log without a word to the history and to the judgement: for whoever sees to those otherwise. */
    public LogRow keep(VisitRow visit, LogData data, Long corrects, long who) {
        check(visit, data);
        visits.markLogged(visit.id());
        long id = visits.addLog(new NewLog(
                visit.id(),
                data.key().toString(),
                corrects,
                data.on(),
                data.minutes(),
                data.prunings(),
                data.pileKilos(),
                data.shoots(),
                data.note() == null || data.note().isBlank()
                        ? null
                        : data.note().strip(),
                data.cuts(),
                who));
        data.people().forEach(one -> visits.addLogPerson(id, one));
        return visits.log(id).orElseThrow();
    }

    /** Corrects a log by a further one; the first stays to be read. */
    @Transactional
    public LogRow correct(long logId, LogData data) {
        person.id();
        return keptOnce("correction of log " + logId, data, () -> {
            LogRow before = visits.log(logId).orElseThrow(() -> ProblemException.notFound("There is no such log."));
            visits.take(before.visitId());
            if (visits.log(logId).orElseThrow().corrected()) {
                throw ProblemException.stale("This log");
            }
            LogRow after = keep(visit(before.visitId()), data, logId, person.id());
            history.changed(about(after), before, after);
            return after;
        });
    }

    private void judgeAnew(LogRow log) {
        events.publishEvent(new OrchardService.TreeOutdated(log.treeId()));
    }

    private About about(LogRow log) {
        return new About("log", log.id(), orchard.tree(log.treeId()).siteId(), log.treeId());
    }

    private void check(VisitRow visit, LogData data) {
        TreeRow tree = orchard.tree(visit.treeId());
        LocalDate now = today.in(orchard.site(tree.siteId()).zone());
        List<FieldProblem> problems = new ArrayList<>();
        if (data.on().isAfter(now)) {
            problems.add(new FieldProblem("/on", "lies in the future; give the day it was done"));
        }
        Set<Long> people = new HashSet<>(data.people());
        if (visits.members(tree.siteId(), List.copyOf(people)) != people.size()) {
            problems.add(new FieldProblem("/people", "names somebody who is not known here; choose from the list"));
        }
        Map<String, Limb> standing = limbs(visit, data);
        Map<String, VisitCut> planned = visit.cuts().stream()
                .collect(Collectors.toMap(VisitCut::limb, Function.identity(), (one, other) -> one));
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < data.cuts().size(); i++) {
            LoggedCut cut = data.cuts().get(i);
            String at = "/cuts/" + i;
            if (!seen.add(cut.limb())) {
                problems.add(new FieldProblem(at + "/limb", "stands here twice; say it once"));
            } else if (!standing.containsKey(cut.limb()) && !planned.containsKey(cut.limb())) {
                problems.add(new FieldProblem(at + "/limb", "is no limb of this tree; look at its tags"));
            } else {
                done(cut, planned.containsKey(cut.limb()), standing.get(cut.limb()), at, problems);
            }
        }
        if (!problems.isEmpty()) {
            throw ProblemException.wrongFields(problems);
        }
    }

    private static void done(LoggedCut cut, boolean planned, Limb limb, String at, List<FieldProblem> problems) {
        boolean asPlanned = cut.outcome().equals("done") && planned;
        if (!asPlanned && !cut.outcome().equals("not-done")) {
            if (cut.kind() == null) {
                problems.add(new FieldProblem(at + "/kind", "is missing; say what was done to it"));
            } else if (cut.kind().equals("shorten")
                    && (cut.alongM() == null || cut.alongM() <= 0 || limb != null && cut.alongM() >= limb.lengthM())) {
                problems.add(new FieldProblem(
                        at + "/alongM",
                        "say how far from its base it was shortened, in metres"
                                + (limb == null ? "" : ", under " + Math.round(limb.lengthM() * 100) / 100.0)));
            }
        }
        if (cut.hollowCm() != null && !"hollow".equals(cut.wood())) {
            problems.add(new FieldProblem(at + "/hollowCm", "is given for wood that is not hollow; leave it out"));
        }
    }

    /** The limbs that stood before the visit. */
    private Map<String, Limb> limbs(VisitRow visit, LogData data) {
        return records.standing(visit.treeId(), data.on(), visit.id())
                .map(TreeToday::survey)
                .map(survey -> survey.limbs().stream().collect(Collectors.toMap(Limb::id, Function.identity())))
                .orElse(Map.of());
    }
}
