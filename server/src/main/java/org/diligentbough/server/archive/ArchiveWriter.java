package org.diligentbough.server.archive;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.server.access.Role;
import org.diligentbough.server.archive.Archive.ArchivedDay;
import org.diligentbough.server.archive.Archive.ArchivedDealt;
import org.diligentbough.server.archive.Archive.ArchivedFruit;
import org.diligentbough.server.archive.Archive.ArchivedLog;
import org.diligentbough.server.archive.Archive.ArchivedPerson;
import org.diligentbough.server.archive.Archive.ArchivedPlan;
import org.diligentbough.server.archive.Archive.ArchivedRemoval;
import org.diligentbough.server.archive.Archive.ArchivedReport;
import org.diligentbough.server.archive.Archive.ArchivedSighting;
import org.diligentbough.server.archive.Archive.ArchivedSurvey;
import org.diligentbough.server.archive.Archive.ArchivedTicket;
import org.diligentbough.server.archive.Archive.ArchivedTree;
import org.diligentbough.server.archive.Archive.ArchivedVisit;
import org.diligentbough.server.archive.RecordMapper.MemberRow;
import org.diligentbough.server.crew.DayArchive;
import org.diligentbough.server.crew.DayArchive.KeptDay;
import org.diligentbough.server.crew.PeopleService;
import org.diligentbough.server.crew.PeopleService.Person;
import org.diligentbough.server.fruit.FruitService;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.season.SightingService;
import org.diligentbough.server.survey.SurveyMapper.SurveyRow;
import org.diligentbough.server.survey.SurveyService;
import org.diligentbough.server.visit.ReportService;
import org.diligentbough.server.visit.ReportService.ReportView;
import org.diligentbough.server.visit.VisitMapper;
import org.diligentbough.server.visit.VisitMapper.LogRow;
import org.diligentbough.server.visit.VisitMapper.VisitRow;
import org.diligentbough.server.wood.RemovalService;
import org.diligentbough.server.wood.RemovalService.RemovalView;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Orchard archives out: everything of a site, with the people who had a hand in it. */
@Service
public class ArchiveWriter {
    private final OrchardService orchard;
    private final TreeMapper trees;
    private final SurveyService surveys;
    private final SightingService sightings;
    private final PeopleService people;
    private final DayArchive days;
    private final VisitMapper visits;
    private final PlanArchive plans;
    private final ReportService reports;
    private final FruitService fruit;
    private final RemovalService removals;
    private final ArchiveRecords records;
    private final RecordMapper tables;

    ArchiveWriter(
            OrchardService orchard,
            TreeMapper trees,
            SurveyService surveys,
            SightingService sightings,
            PeopleService people,
            DayArchive days,
            VisitMapper visits,
            PlanArchive plans,
            ReportService reports,
            FruitService fruit,
            RemovalService removals,
            ArchiveRecords records,
            RecordMapper tables) {
        this.orchard = orchard;
        this.trees = trees;
        this.surveys = surveys;
        this.sightings = sightings;
        this.people = people;
        this.days = days;
        this.visits = visits;
        this.plans = plans;
        this.reports = reports;
        this.fruit = fruit;
        this.removals = removals;
        this.records = records;
        this.tables = tables;
    }

    /** Everything of a site. */
    @Transactional(readOnly = true)
    public Archive of(long siteId) {
        SiteRow site = orchard.site(siteId);
        Map<Long, String> names = people.everybody().stream().collect(Collectors.toMap(Person::id, Person::name));
        List<TreeRow> everyTree = trees.ofSite(siteId);
        Known known = known(siteId, everyTree, names);
        List<ArchivedTree> archived =
                everyTree.stream().map(tree -> tree(tree, known)).toList();
        List<KeptDay> keptDays = days.ofSite(siteId, known.everyVisit());
        List<ArchivedDay> workDays =
                keptDays.stream().map(day -> day(day, known)).toList();
        ArchiveRecords.Written written = records.of(
                siteId,
                new ArchiveRecords.Names(
                        known.tags(), names, keptDays.stream().map(KeptDay::id).toList()));
        List<ArchivedSighting> seen = seen(siteId);
        Set<String> hands = hands(archived, workDays);
        hands.addAll(written.people());
        seen.forEach(sighting -> hands.add(sighting.by()));
        Map<Long, MemberRow> members =
                tables.members(siteId).stream().collect(Collectors.toMap(MemberRow::personId, Function.identity()));
        return new Archive(
                Archive.FORMAT,
                Archive.VERSION,
                site.data(),
                people.everybody().stream()
                        .filter(person -> belongs(person, members.get(person.id()), hands))
                        .map(person -> person(person, members.get(person.id())))
                        .toList(),
                archived,
                seen,
                workDays,
                plans.hours(siteId),
                written.records());
    }

    /** The keys pictures of a site have here, by those they have in its archive. */
    Map<String, String> pictures(long siteId) {
        return tables.pictures(siteId).stream()
                .collect(Collectors.toMap(RecordMapper.PictureRow::known, RecordMapper.PictureRow::key));
    }

    /** A coordinator who never did anything at a site is whoever brought it in, and belongs to the place it was brought to. */
    private static boolean belongs(Person person, MemberRow member, Set<String> hands) {
        return member != null
                && (hands.contains(person.name())
                        || !member.role().equals(Codes.of(Role.COORDINATOR)) && person.leftOn() == null);
    }

    /** All of a site, by tree, read in one query each: an archive asks no more of a thousand trees than of ten. */
    private record Known(
            Map<Long, String> names,
            Map<Long, String> tags,
            Map<Long, List<SurveyRow>> surveysNewestFirst,
            List<VisitRow> everyVisit,
            Map<Long, List<VisitRow>> visits,
            Map<Long, List<LogRow>> logs,
            Map<Long, List<ReportView>> reports,
            Map<Long, List<FruitService.Entered>> fruit,
            Map<Long, RemovalView> removals,
            PlanArchive.OfSite plans,
            Map<Long, UUID> surveyKeys,
            Map<Long, UUID> logKeys) {}

    private Known known(long siteId, List<TreeRow> everyTree, Map<Long, String> names) {
        List<VisitRow> everyVisit = visits.ofSite(siteId);
        return new Known(
                names,
                everyTree.stream().collect(Collectors.toMap(TreeRow::id, TreeRow::tag)),
                surveys.surveysAt(siteId).stream().collect(Collectors.groupingBy(SurveyRow::treeId)),
                everyVisit,
                everyVisit.stream().collect(Collectors.groupingBy(VisitRow::treeId)),
                visits.logsAt(siteId).stream().collect(Collectors.groupingBy(LogRow::treeId)),
                reports.byTree(siteId),
                fruit.byTree(siteId),
                removals.removals(siteId).stream().collect(Collectors.toMap(RemovalView::treeId, Function.identity())),
                plans.ofSite(siteId),
                keys(tables.surveyKeys(siteId)),
                keys(tables.logKeys(siteId)));
    }

    private static Map<Long, UUID> keys(List<RecordMapper.KeyRow> rows) {
        return rows.stream().collect(Collectors.toMap(RecordMapper.KeyRow::id, row -> UUID.fromString(row.key())));
    }

    private List<ArchivedSighting> seen(long siteId) {
        return sightings.noted(siteId).stream()
                .map(noted -> new ArchivedSighting(
                        noted.species(), noted.tree(), noted.stage(), noted.on().toString(), noted.by()))
                .toList();
    }

    /** Who had a hand in anything. */
    private static Set<String> hands(List<ArchivedTree> trees, List<ArchivedDay> days) {
        Stream<String> inTrees = trees.stream().flatMap(tree -> Stream.of(
                        tree.surveys().stream().map(ArchivedSurvey::by),
                        tree.plans().stream().map(ArchivedPlan::by),
                        tree.reports().stream().map(ArchivedReport::by),
                        tree.fruit().stream().map(ArchivedFruit::by),
                        Stream.ofNullable(tree.removal()).map(ArchivedRemoval::by),
                        tree.visits().stream().flatMap(ArchiveWriter::hands))
                .flatMap(names -> names));
        Stream<String> onDays = days.stream()
                .flatMap(day -> Stream.concat(
                        day.people().stream(), day.visits().stream().flatMap(ArchiveWriter::hands)));
        return Stream.concat(inTrees, onDays).collect(Collectors.toSet());
    }

    private static Stream<String> hands(ArchivedVisit visit) {
        return Stream.concat(
                visit.people().stream(),
                visit.logs().stream().flatMap(log -> Stream.concat(Stream.of(log.by()), log.people().stream())));
    }

    private static ArchivedPerson person(Person person, MemberRow member) {
        return new ArchivedPerson(
                person.name(),
                person.birthYear() == null ? null : String.valueOf(person.birthYear()),
                person.note(),
                person.tickets().stream()
                        .map(ticket -> new ArchivedTicket(
                                ticket.ticket(), ticket.until().toString()))
                        .toList(),
                person.canCome().stream().map(Objects::toString).toList(),
                person.leftOn() == null ? null : person.leftOn().toString(),
                member.role(),
                member.maySurvey());
    }

    private ArchivedTree tree(TreeRow tree, Known known) {
        List<ArchivedSurvey> oldestFirst = new ArrayList<>();
        for (SurveyRow survey : known.surveysNewestFirst().getOrDefault(tree.id(), List.of())) {
            oldestFirst.add(
                    0,
                    new ArchivedSurvey(
                            survey.surveyedBy(),
                            survey.document(),
                            known.surveyKeys().get(survey.id())));
        }
        List<LogRow> logs = known.logs().getOrDefault(tree.id(), List.of());
        return new ArchivedTree(
                tree.data(),
                oldestFirst,
                plans.moved(known.plans(), tree.id()),
                plans.wanted(known.plans(), tree.id()),
                plans.plans(known.plans(), tree.id()),
                plans.begins(known.plans(), tree.id()),
                known.reports().getOrDefault(tree.id(), List.of()).stream()
                        .map(ArchiveWriter::report)
                        .toList(),
                known.fruit().getOrDefault(tree.id(), List.of()).stream()
                        .map(year -> new ArchivedFruit(year.by(), String.valueOf(year.year()), year.data()))
                        .toList(),
                known.visits().getOrDefault(tree.id(), List.of()).stream()
                        .filter(visit -> visit.workDayId() == null && visit.logged())
                        .sorted(Comparator.comparing(VisitRow::id))
                        .map(visit -> visit(visit, null, onOf(visit, logs), known))
                        .sorted(Comparator.comparing(ArchivedVisit::on))
                        .toList(),
                Optional.ofNullable(known.removals().get(tree.id()))
                        .map(removal -> new ArchivedRemoval(
                                removal.recordedBy(),
                                removal.data().on().toString(),
                                removal.data().grounds(),
                                removal.data().permission(),
                                removal.data().removedBy(),
                                removal.data().replacement(),
                                removal.data().note()))
                        .orElse(null));
    }

    private static String onOf(VisitRow visit, List<LogRow> logs) {
        return logs.stream()
                .filter(log -> log.visitId().equals(visit.id()))
                .map(log -> log.onDay().toString())
                .findFirst()
                .orElseThrow();
    }

    private static ArchivedReport report(ReportView report) {
        return new ArchivedReport(
                report.seenBy(),
                report.data().on().toString(),
                report.data().kind(),
                report.data().dangerous(),
                report.data().note(),
                report.dealtOn() == null
                        ? null
                        : new ArchivedDealt(report.dealtBy(), report.dealtOn().toString(), report.dealtHow()));
    }

    private ArchivedDay day(KeptDay day, Known known) {
        return new ArchivedDay(
                day.data().on().toString(),
                day.data().starts(),
                day.data().ends(),
                Codes.of(day.state()),
                day.data().shed(),
                day.data().note(),
                day.people().stream().map(known.names()::get).toList(),
                day.visits().stream()
                        .map(visit -> visit(visit, known.tags().get(visit.treeId()), null, known))
                        .toList());
    }

    private ArchivedVisit visit(VisitRow visit, String tag, String on, Known known) {
        return new ArchivedVisit(
                tag,
                on,
                days.people(visit).stream().map(known.names()::get).toList(),
                visit.cuts(),
                visit.shoots(),
                visit.tasks(),
                visit.upkeepMinutes(),
                known.logs().getOrDefault(visit.treeId(), List.of()).stream()
                        .filter(log -> log.visitId().equals(visit.id()))
                        .sorted(Comparator.comparing(LogRow::id))
                        .map(log -> log(log, known))
                        .toList(),
                visit.crew(),
                visit.starts(),
                visit.ends());
    }

    private ArchivedLog log(LogRow log, Known known) {
        return new ArchivedLog(
                log.loggedBy(),
                log.onDay().toString(),
                log.minutes(),
                log.peopleIds().stream().map(known.names()::get).toList(),
                log.prunings(),
                log.pileKilos(),
                log.shoots(),
                log.note(),
                log.cuts(),
                known.logKeys().get(log.id()));
    }
}
