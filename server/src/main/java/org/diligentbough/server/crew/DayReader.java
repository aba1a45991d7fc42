package org.diligentbough.server.crew;

import java.time.LocalDate;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.crew.DayCheck;
import org.diligentbough.core.crew.DayFinding;
import org.diligentbough.core.crew.Helper;
import org.diligentbough.core.crew.Kit;
import org.diligentbough.core.crew.TreeVisit;
import org.diligentbough.core.crew.WorkDay;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.plan.CutKey;
import org.diligentbough.core.season.MayCut;
import org.diligentbough.core.season.Weather;
import org.diligentbough.core.verdict.Ticket;
import org.diligentbough.server.crew.DayMapper.DayRow;
import org.diligentbough.server.crew.DayView.DaySummary;
import org.diligentbough.server.crew.DayView.DayTaskView;
import org.diligentbough.server.crew.DayView.FindingView;
import org.diligentbough.server.crew.DayView.PersonView;
import org.diligentbough.server.crew.DayView.VisitView;
import org.diligentbough.server.crew.PeopleService.Person;
import org.diligentbough.server.crew.VisitMaker.Work;
import org.diligentbough.server.judgement.JudgementService;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.season.SiteWeatherService;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.shared.Wording;
import org.diligentbough.server.task.TaskMapper;
import org.diligentbough.server.task.TaskMapper.TaskRow;
import org.diligentbough.server.visit.VisitCut;
import org.diligentbough.server.visit.VisitMapper;
import org.diligentbough.server.visit.VisitMapper.VisitRow;
import org.springframework.stereotype.Component;

/** Puts a work day together as it is shown, with what the rules say of it. */
@Component
class DayReader {

    private final VisitMapper visits;
    private final TaskMapper tasks;
    private final DayMapper days;
    private final PeopleService people;
    private final OrchardService orchard;
    private final JudgementService judgement;
    private final LaneWorks laneWorks;
    private final SiteWeatherService weather;
    private final Rulebook rules;
    private final Wording wording;
    private final CurrentPerson person;
    private final Today today;

    DayReader(
            VisitMapper visits,
            TaskMapper tasks,
            DayMapper days,
            PeopleService people,
            OrchardService orchard,
            JudgementService judgement,
            LaneWorks laneWorks,
            SiteWeatherService weather,
            Rulebook rules,
            Wording wording,
            CurrentPerson person,
            Today today) {
        this.person = person;
        this.visits = visits;
        this.tasks = tasks;
        this.days = days;
        this.people = people;
        this.orchard = orchard;
        this.judgement = judgement;
        this.laneWorks = laneWorks;
        this.weather = weather;
        this.rules = rules;
        this.wording = wording;
        this.today = today;
    }

    /** A visit with what the rules look at. */
    private record Turn(VisitRow row, TreeRow tree, List<VisitCut> cuts, TreeVisit visit) {}

    List<VisitRow> visits(long dayId) {
        return visits.ofDay(dayId);
    }

    DayRow row(long id) {
        return days.find(id).orElseThrow(() -> ProblemException.notFound("There is no such work day."));
    }

    DayView view(DayRow day) {
        DayData data = data(day);
        SiteWeatherService.Known known = weather.of(day.siteId());
        List<VisitRow> ofDay = visits.ofDay(day.id());
        Map<Long, List<Work>> planned =
                laneWorks.planned(ofDay.stream().map(VisitRow::treeId).toList());
        List<Turn> turns = ofDay.stream()
                .map(row -> turn(row, day, known, planned.getOrDefault(row.treeId(), List.of())))
                .toList();
        List<Helper> coming = coming(day);
        Map<Long, Integer> crews = new HashMap<>();
        days.crews(day.id()).forEach(row -> crews.put(row.personId(), row.crew()));
        return new DayView(
                day.id(),
                day.version(),
                day.siteId(),
                data,
                Codes.of(day.state()),
                past(day),
                coming.stream()
                        .map(helper -> person(helper, day.onDay(), turns, crews.get(helper.id())))
                        .toList(),
                turns.stream().map(this::visit).toList(),
                tasks.ofDay(day.id()).stream().map(DayReader::task).toList(),
                findings(day, data, turns, coming));
    }

    private boolean past(DayRow day) {
        return day.onDay().isBefore(today.in(orchard.site(day.siteId()).zone()));
    }

    /** A day for a list; only of days to come is it asked what the rules say. */
    DaySummary summary(DayRow row) {
        List<VisitRow> ofDay = visits.ofDay(row.id());
        boolean judged = !past(row) && !row.over();
        return new DaySummary(
                row.id(),
                row.onDay(),
                row.starts(),
                row.ends(),
                Codes.of(row.state()),
                past(row),
                ofDay.size(),
                (int) ofDay.stream().filter(VisitRow::logged).count(),
                row.people().size(),
                person.idOrNull() != null && row.people().contains(person.idOrNull()),
                ofDay.stream().mapToInt(VisitRow::minutes).sum(),
                judged ? view(row).findings() : List.of());
    }

    DayData data(DayRow day) {
        return new DayData(day.onDay(), day.starts(), day.ends(), day.shed(), day.note());
    }

    private List<Helper> coming(DayRow day) {
        Map<Long, Person> known =
                people.everybody().stream().collect(Collectors.toMap(Person::id, Function.identity()));
        return day.people().stream()
                .map(id -> PeopleService.helper(known.get(id), day.onDay()))
                .toList();
    }

    /** What is over, logged, rained off or called off is not judged any more. */
    private List<FindingView> findings(DayRow day, DayData data, List<Turn> turns, List<Helper> coming) {
        if (past(day) || day.over()) {
            return List.of();
        }
        Map<Kit, Integer> shed = new EnumMap<>(Kit.class);
        data.shed().forEach((kit, count) -> shed.put(Codes.parse(Kit.class, kit).orElseThrow(), count));
        WorkDay core = new WorkDay(
                day.onDay(),
                data.minutes(),
                shed,
                day.state() == DayMapper.State.CONFIRMED,
                coming,
                turns.stream()
                        .filter(turn -> !turn.row().logged())
                        .map(Turn::visit)
                        .toList());
        return DayCheck.of(core, rules.knowledge()).stream().map(this::finding).toList();
    }

    private FindingView finding(DayFinding finding) {
        return new FindingView(
                Codes.of(finding.weight()),
                wording.of(finding.reason()),
                finding.visit().isPresent() ? finding.visit().getAsLong() : null,
                finding.helper().isPresent() ? finding.helper().getAsLong() : null);
    }

    private Turn turn(VisitRow row, DayRow day, SiteWeatherService.Known known, List<Work> planned) {
        TreeRow tree = orchard.tree(row.treeId());
        List<VisitCut> cuts = row.cuts();
        MayCut mayCut = judgement
                .calendar(row.treeId())
                .orElseThrow(() -> ProblemException.notFound("This tree has not been surveyed yet."))
                .mayCut(day.onDay());
        Weather.Holds holds =
                known.holds(Codes.parse(Species.class, tree.species()).orElseThrow(), day.onDay());
        Set<Ticket> tickets = cuts.stream()
                .flatMap(cut -> cut.tickets().stream())
                .map(code -> Codes.parse(Ticket.class, code).orElseThrow())
                .collect(Collectors.toSet());
        TreeVisit visit = new TreeVisit(
                row.id(),
                tree.tag(),
                row.minutes(),
                tickets,
                Set.copyOf(row.kit()),
                cuts.stream().anyMatch(DayReader::offTheGround),
                row.sick(),
                row.shoots() > 0
                        || row.upkeepMinutes() > 0
                        || !row.tasks().isEmpty()
                        || cuts.stream().anyMatch(VisitCut::boundToWindow),
                mayCut,
                holds,
                outdated(planned, cuts),
                row.people());
        return new Turn(row, tree, cuts, visit);
    }

    static boolean offTheGround(VisitCut cut) {
        return cut.reach().equals("ladder")
                || cut.reach().equals("climb")
                || cut.tool().equals("pole-saw")
                || cut.tickets().contains("arborist");
    }

    /** Limbs whose cut is in the tree's plan no longer. */
    private static List<String> outdated(List<Work> planned, List<VisitCut> cuts) {
        Set<CutKey> still = new HashSet<>();
        planned.forEach(work -> work.cuts().forEach(cut -> still.add(cut.key())));
        return cuts.stream()
                .filter(cut -> !still.contains(cut.key()))
                .map(VisitCut::limb)
                .toList();
    }

    private static PersonView person(Helper helper, LocalDate on, List<Turn> turns, Integer crew) {
        return new PersonView(
                helper.id(),
                helper.name(),
                helper.ticketsUntil().keySet().stream()
                        .filter(ticket -> helper.holds(ticket, on))
                        .sorted()
                        .map(Codes::of)
                        .toList(),
                helper.maybeUnderAge(on),
                helper.canCome(),
                DayCheck.clockMinutes(helper, turns.stream().map(Turn::visit).toList()),
                crew);
    }

    private static DayTaskView task(TaskRow row) {
        return new DayTaskView(
                row.id(),
                Codes.of(row.kind()),
                row.title(),
                row.treeId(),
                row.tag(),
                row.minutes(),
                row.people(),
                row.kit(),
                row.doneOn() != null,
                row.eastM(),
                row.northM(),
                row.crew(),
                row.starts(),
                row.ends());
    }

    private VisitView visit(Turn turn) {
        return new VisitView(
                turn.row().id(),
                turn.row().treeId(),
                turn.tree().tag(),
                turn.tree().species(),
                turn.tree().cultivar(),
                Codes.of(turn.visit().mayCut().answer()),
                turn.visit().minutes(),
                turn.visit().tickets().stream().sorted().map(Codes::of).toList(),
                turn.visit().kit().stream().sorted().map(Codes::of).toList(),
                turn.visit().offTheGround(),
                turn.row().sick(),
                turn.row().logged(),
                turn.row().shoots(),
                turn.row().tasks(),
                turn.row().upkeepMinutes(),
                turn.visit().helpers(),
                turn.cuts(),
                turn.tree().eastM(),
                turn.tree().northM(),
                turn.tree().spreadM() == null ? 0 : turn.tree().spreadM(),
                turn.row().crew(),
                turn.row().starts(),
                turn.row().ends());
    }
}
