package org.diligentbough.server.crew;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.plan.CutKey;
import org.diligentbough.core.verdict.Verdict;
import org.diligentbough.server.consent.ConsentService;
import org.diligentbough.server.crew.DayMapper.DayRow;
import org.diligentbough.server.crew.DayMapper.State;
import org.diligentbough.server.crew.DayView.FindingView;
import org.diligentbough.server.crew.VisitMaker.Wanted;
import org.diligentbough.server.crew.VisitMaker.Work;
import org.diligentbough.server.judgement.JudgementService;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.FieldProblem;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.Once;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.task.TaskMapper;
import org.diligentbough.server.task.TaskMapper.TaskRow;
import org.diligentbough.server.visit.VisitMapper;
import org.diligentbough.server.visit.VisitMapper.VisitRow;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Work days. Every change takes the day by its version, is made, and is undone again if the day then breaks a rule it did
 * not break before.
 */
@Service
public class DayService {
    private static final int YEARS_BACK = 1;
    private static final int YEARS_AHEAD = 3;
    private static final String REFUSED = "refused";
    /** On the way from one good layout to another a ticket may be wanting; the board says where. */
    private static final Set<String> TOLD_ON_THE_BOARD = Set.of(Codes.of(ReasonCode.DAY_NO_TICKET));
    /** Whoever does not come does not come, on a confirmed day too: what that breaks is told, and mended. */
    private static final Set<String> WHO_IS_MISSED = Stream.of(
                    ReasonCode.DAY_NO_TICKET,
                    ReasonCode.DAY_NOBODY,
                    ReasonCode.DAY_ALONE,
                    ReasonCode.DAY_NO_LEADER,
                    ReasonCode.DAY_NO_FIRST_AIDER)
            .map(Codes::of)
            .collect(Collectors.toSet());

    private final DayMapper days;
    private final ProposalMapper proposals;
    private final TaskMapper tasks;
    private final CrewBoard board;
    private final VisitMapper visits;
    private final DayReader reader;
    private final VisitMaker maker;
    private final OpenWork openWork;
    private final JudgementService judgement;
    private final OrchardService orchard;
    private final ConsentService consents;
    private final History history;
    private final CurrentPerson person;
    private final Today today;
    private final Once once;
    private final ApplicationEventPublisher events;

    DayService(
            DayMapper days,
            ProposalMapper proposals,
            TaskMapper tasks,
            CrewBoard board,
            VisitMapper visits,
            DayReader reader,
            VisitMaker maker,
            OpenWork openWork,
            JudgementService judgement,
            OrchardService orchard,
            ConsentService consents,
            History history,
            CurrentPerson person,
            Today today,
            Once once,
            ApplicationEventPublisher events) {
        this.days = days;
        this.proposals = proposals;
        this.tasks = tasks;
        this.board = board;
        this.visits = visits;
        this.reader = reader;
        this.maker = maker;
        this.openWork = openWork;
        this.judgement = judgement;
        this.orchard = orchard;
        this.consents = consents;
        this.history = history;
        this.person = person;
        this.today = today;
        this.once = once;
        this.events = events;
    }

    /** Whether a day takes no more changes: it was rained off or called off. */
    static boolean over(DayRow day) {
        return day.state() == State.RAINED_OFF || day.state() == State.CALLED_OFF;
    }

    public DayView day(long id) {
        return reader.view(row(id));
    }

    /**
     * Said within the transaction that changes a day.
     *
     * @param movedToDay the day the work of one that was rained off went to; null for any other change
     */
    public record DayChanged(DayView before, DayView after, Long movedToDay) {}

    DayRow row(long id) {
        return days.find(id).orElseThrow(() -> ProblemException.notFound("There is no such work day."));
    }

    @Transactional
    public DayView add(long siteId, DayData data) {
        person.id();
        LocalDate now = today.in(orchard.site(siteId).zone());
        sensible(data, now);
        long id = addWithoutHistory(siteId, data);
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

    /** Adds a day without a word to the history: for whoever writes that otherwise. */
    public long addWithoutHistory(long siteId, DayData data) {
        return days.add(siteId, data);
    }

    @Transactional
    public DayView change(long id, int version, DayData data) {
        return changed(id, version, () -> {
            DayRow day = row(id);
            if (!data.on().equals(day.onDay())) {
                sensible(data, today.in(orchard.site(day.siteId()).zone()));
            }
            days.change(id, data);
        });
    }

    @Transactional
    public DayView people(long id, int version, List<Long> people) {
        return changed(
                id,
                version,
                () -> {
                    days.keepPeople(id, people);
                    people.forEach(one -> days.addPerson(id, known(id, one)));
                    days.dropAbsent(id);
                },
                WHO_IS_MISSED);
    }

    /** @throws ProblemException 422 when somebody does not belong to the site of a day */
    public void belongs(long dayId, long personId) {
        known(dayId, personId);
    }

    /** Somebody comes or does not, by their own word: never refused, what it breaks is told. */
    @Transactional
    public void comes(long id, long personId, boolean comes) {
        DayRow day = row(id);
        if (day.people().contains(personId) == comes) {
            return;
        }
        DayView before = reader.view(day);
        take(day, day.version());
        if (comes) {
            days.addPerson(id, personId);
        } else {
            days.removePerson(id, personId);
            days.dropAbsent(id);
        }
        board.again(row(id));
        history.changed(new About("day", id, day.siteId(), null), before, day(id));
    }

    private long known(long dayId, long personId) {
        if (visits.members(row(dayId).siteId(), List.of(personId)) == 0) {
            throw ProblemException.wrongField("/people", "names somebody who is not known here; choose from the list");
        }
        return personId;
    }

    @Transactional
    public DayView confirm(long id, int version) {
        return changed(id, version, () -> {
            List<FieldProblem> broken = day(id).findings().stream()
                    .filter(finding -> finding.weight().equals(REFUSED))
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
        });
    }

    /** Calls a day off: what was not logged goes back to the plan. */
    @Transactional
    public DayView callOff(long id, int version) {
        return changed(id, version, () -> {
            visits.ofDay(id).stream().filter(visit -> !visit.logged()).forEach(visit -> visits.drop(visit.id()));
            tasks.offDay(id);
            days.state(id, State.CALLED_OFF);
        });
    }

    @Transactional
    public DayView reopen(long id, int version) {
        return changed(id, version, () -> days.state(id, State.PLANNED));
    }

    /** Puts a tree on a day: the cuts chosen, or all its plan has open then. */
    @Transactional
    public DayView putOn(long id, int version, long treeId, Wanted wanted) {
        return changed(id, version, () -> make(treeId, id, row(id).onDay(), wanted));
    }

    /** Makes a visit without a day, for what was done on the spot; its id. */
    @Transactional
    public long onTheSpot(long treeId, Optional<UUID> key, List<CutKey> chosen) {
        person.id();
        return once.keep(
                key,
                "visit of tree " + treeId,
                chosen == null ? List.of() : chosen,
                () -> make(treeId, null, judgement.todayAt(treeId), new Wanted(chosen, null, chosen == null)));
    }

    private long make(long treeId, Long dayId, LocalDate on, Wanted asked) {
        // Of several who put the same cuts on several days at once only the first may.
        orchard.taken(treeId);
        if (orchard.removed(treeId)) {
            throw ProblemException.wrongField("/treeId", "was taken out; choose a tree that stands");
        }
        Evaluation evaluation = judgement.now(treeId);
        List<CutKey> chosen = asked.cuts();
        Work open = maker.openOn(evaluation, on);
        List<VisitRow> onDays = onDays(treeId);
        OpenWork.Besides besides = openWork.besides(dayId == null ? List.of() : onDays, open);
        Work work = (chosen == null ? open : maker.chosen(evaluation, chosen))
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
    public Optional<Long> makeAsOf(long treeId, Long dayId, LocalDate on) {
        Evaluation evaluation = judgement
                .on(treeId, on.isBefore(judgement.todayAt(treeId)) ? on : judgement.todayAt(treeId))
                .orElseThrow(() -> ProblemException.notFound("This tree has not been surveyed yet."));
        Work work = maker.openOn(evaluation, on);
        int shoots = work.detail().map(detail -> detail.shoots()).orElse(0);
        return work.nothing() ? Optional.empty() : Optional.of(visits.add(maker.row(treeId, dayId, work, shoots)));
    }

    @Transactional
    public DayView takeOff(long visitId, int version) {
        VisitRow visit = open(visitId);
        return changed(visit.workDayId(), version, () -> visits.drop(visitId));
    }

    private VisitRow open(long visitId) {
        VisitRow visit = visits.visit(visitId)
                .orElseThrow(() -> ProblemException.notFound("There is no such tree on a work day."));
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
        return changed(visit.workDayId(), version, () -> {
            board.stop(visit.workDayId());
            visits.clearPeople(visitId);
            people.forEach(one -> {
                days.addPerson(visit.workDayId(), known(visit.workDayId(), one));
                visits.addPerson(visitId, one);
            });
        });
    }

    /** Moves a tree up (-1) or down (1) among those of the day; sick trees stay last. */
    @Transactional
    public DayView shift(long visitId, int version, int by) {
        VisitRow visit = open(visitId);
        return changed(visit.workDayId(), version, () -> {
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

    /**
     * Makes crews of the day's proposal its own: trees, people, order and clock. What else stands on the day stays as it is.
     *
     * @param crews by their numbers in the proposal
     */
    @Transactional
    public DayView takeOver(long id, int version, List<Integer> crews) {
        Proposed roster = proposals
                .of(id)
                .map(ProposalMapper.ProposalRow::roster)
                .orElseThrow(() -> ProblemException.wrongField("", "has no proposal; look for one first"));
        return changed(id, version, () -> {
            List<Turned> turns = roster.crews().stream()
                    .filter(crew -> crews.contains(crew.crew()))
                    .flatMap(crew -> crew.turns().stream().map(turn -> new Turned(crew, turn)))
                    .sorted(Comparator.comparing(one -> one.turn().starts()))
                    .toList();
            if (turns.isEmpty()) {
                throw ProblemException.wrongField("/crews", "names no crew of the proposal; give their numbers");
            }
            roster.crews().stream().filter(crew -> crews.contains(crew.crew())).forEach(crew -> crew(id, crew));
            int place = visits.ofDay(id).size();
            for (Turned one : turns) {
                place++;
                takeOver(id, one, place);
            }
            if (roster.crews().stream().allMatch(crew -> crews.contains(crew.crew()))) {
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

    /** A tree's turn in its crew. */
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
            visitId = make(
                    one.turn().treeId(),
                    id,
                    row(id).onDay(),
                    new Wanted(cuts, one.turn().shoots(), true));
        } else if (visits.visit(visitId)
                .filter(visit -> Long.valueOf(id).equals(visit.workDayId()) && !visit.logged())
                .isEmpty()) {
            throw ProblemException.wrongField(
                    "/crews",
                    "has " + one.turn().tag() + ", which is not on the day any more; look for a proposal anew");
        }
        visits.clearPeople(visitId);
        for (Proposed.ProposedPerson person : one.crew().people()) {
            visits.addPerson(visitId, person.id());
        }
        visits.clock(visitId, one.crew().crew(), one.turn().starts(), one.turn().ends(), place);
    }

    private void takeTaskOver(long id, Turned one, int place) {
        long taskId = one.turn().taskId();
        if (tasks.find(taskId)
                .filter(task -> Long.valueOf(id).equals(task.workDayId()) && task.doneOn() == null)
                .isEmpty()) {
            throw ProblemException.wrongField(
                    "/crews",
                    "has " + one.turn().tag() + ", which is not on the day any more; look for a proposal anew");
        }
        tasks.clock(taskId, one.crew().crew(), one.turn().starts(), one.turn().ends(), place);
    }

    /** Which tasks stand on a day; those that stood there and are not among them go off it, what is done stays. */
    @Transactional
    public DayView tasks(long id, int version, List<Long> wanted) {
        return changed(id, version, () -> {
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
        });
    }

    private void crew(long id, Proposed.ProposedCrew crew) {
        crew.people().forEach(one -> {
            days.addPerson(id, known(id, one.id()));
            days.crew(id, one.id(), crew.crew());
        });
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
        person.id();
        DayRow day = row(id);
        take(day, version);
        if (to == null) {
            return rainOff(day);
        }
        if (!to.isAfter(day.onDay())) {
            throw ProblemException.wrongField("/to", "is not after this day; choose a later one");
        }
        DayView before = reader.view(day);
        long target = days.ofSite(day.siteId()).stream()
                .filter(other -> other.onDay().equals(to) && !over(other))
                .map(DayRow::id)
                .findFirst()
                .orElseGet(() -> likeThis(before, to));
        DayView targetBefore = day(target);
        days.take(target, targetBefore.version());
        List<String> back = new ArrayList<>();
        for (VisitRow visit : visits.ofDay(id)) {
            if (visit.logged()) {
                continue;
            }
            visits.move(visit.id(), target);
            visit.people().forEach(one -> days.addPerson(target, one));
            boolean refused = reader.view(row(target)).findings().stream()
                    .anyMatch(finding ->
                            finding.weight().equals("refused") && Objects.equals(finding.visitId(), visit.id()));
            if (refused) {
                back.add(orchard.tree(visit.treeId()).tag());
                visits.drop(visit.id());
            }
        }
        tasks.ofDay(id).stream().filter(task -> task.doneOn() == null).forEach(task -> tasks.onDay(task.id(), target));
        days.state(id, State.RAINED_OFF);
        DayView after = day(id);
        DayView targetAfter = day(target);
        history.changed(new About("day", id, day.siteId(), null), before, after);
        events.publishEvent(new DayChanged(before, after, target));
        history.changed(new About("day", target, day.siteId(), null), targetBefore, targetAfter);
        return new RainedOff(after, targetAfter, back);
    }

    private long likeThis(DayView day, LocalDate to) {
        DayData data = day.data();
        long id =
                addWithoutHistory(day.siteId(), new DayData(to, data.starts(), data.ends(), data.shed(), data.note()));
        day.people().forEach(one -> days.addPerson(id, one.id()));
        return id;
    }

    private void take(DayRow day, int version) {
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

    /** Lays crews out: who is in each, and its trees in order. What breaks is told, save what may never be. */
    @Transactional
    public DayView layOut(long id, int version, List<CrewBoard.CrewLaid> crews) {
        return changed(
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

    /** Makes all that is proposed for a site's days their own. */
    @Transactional
    public void takeSeasonOver(long siteId) {
        boolean any = false;
        for (DayRow day : planned(siteId, Integer.MAX_VALUE)) {
            Optional<Proposed> roster = proposals.of(day.id()).map(ProposalMapper.ProposalRow::roster);
            if (roster.isPresent()) {
                any = true;
                if (roster.get().crews().isEmpty()) {
                    proposals.drop(day.id());
                } else {
                    takeOver(
                            day.id(),
                            day.version(),
                            roster.get().crews().stream()
                                    .map(Proposed.ProposedCrew::crew)
                                    .toList());
                }
            }
        }
        if (!any) {
            throw ProblemException.wrongField("", "has no proposal; look for one first");
        }
    }

    private DayView changed(long id, int version, Runnable change) {
        return changed(id, version, change, Set.of());
    }

    /** @param told codes of what would be refused else, and is told where it is seen */
    private DayView changed(long id, int version, Runnable change, Set<String> told) {
        person.id();
        DayRow day = row(id);
        DayView before = reader.view(day);
        take(day, version);
        change.run();
        board.again(row(id));
        DayView after = day(id);
        Set<String> brokenBefore = before.findings().stream()
                .filter(finding -> finding.weight().equals(REFUSED))
                .map(DayService::what)
                .collect(Collectors.toSet());
        List<FieldProblem> refused = after.findings().stream()
                .filter(finding -> finding.weight().equals(REFUSED)
                        && !told.contains(finding.reason().code())
                        && !brokenBefore.contains(what(finding)))
                .map(finding -> new FieldProblem("", finding.reason().text()))
                .toList();
        if (!refused.isEmpty()) {
            throw ProblemException.refused(refused);
        }
        history.changed(new About("day", id, day.siteId(), null), before, after);
        events.publishEvent(new DayChanged(before, after, null));
        return after;
    }

    private static String what(FindingView finding) {
        return finding.reason().text() + finding.visitId() + finding.personId();
    }

    /** Nothing of it goes to a day in particular. */
    private RainedOff rainOff(DayRow day) {
        DayView before = reader.view(day);
        List<String> back = new ArrayList<>();
        for (VisitRow visit : visits.ofDay(day.id())) {
            if (!visit.logged()) {
                back.add(orchard.tree(visit.treeId()).tag());
                visits.drop(visit.id());
            }
        }
        tasks.offDay(day.id());
        days.state(day.id(), State.RAINED_OFF);
        DayView after = day(day.id());
        history.changed(new About("day", day.id(), day.siteId(), null), before, after);
        events.publishEvent(new DayChanged(before, after, null));
        return new RainedOff(after, null, back);
    }

    /** Days of a site, the newest first. */
    List<DayView.DaySummary> ofSite(long siteId) {
        orchard.site(siteId);
        return days.ofSite(siteId).stream().map(reader::summary).toList();
    }
}
