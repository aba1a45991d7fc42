package org.diligentbough.server.archive;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.season.GrowthStage;
import org.diligentbough.server.archive.Archive.ArchivedDay;
import org.diligentbough.server.archive.Archive.ArchivedFruit;
import org.diligentbough.server.archive.Archive.ArchivedLog;
import org.diligentbough.server.archive.Archive.ArchivedPerson;
import org.diligentbough.server.archive.Archive.ArchivedReport;
import org.diligentbough.server.archive.Archive.ArchivedSighting;
import org.diligentbough.server.archive.Archive.ArchivedTree;
import org.diligentbough.server.archive.Archive.ArchivedVisit;
import org.diligentbough.server.archive.ArchiveRecords.Places;
import org.diligentbough.server.crew.DayArchive;
import org.diligentbough.server.crew.DayData;
import org.diligentbough.server.crew.DayMapper;
import org.diligentbough.server.crew.PeopleService;
import org.diligentbough.server.crew.PersonData;
import org.diligentbough.server.crew.PersonData.TicketData;
import org.diligentbough.server.fruit.FruitService;
import org.diligentbough.server.orchard.OrchardService.TreesOutdated;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.season.SightingService;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.visit.LogData;
import org.diligentbough.server.visit.LogService;
import org.diligentbough.server.visit.LoggedCut;
import org.diligentbough.server.visit.ReportService;
import org.diligentbough.server.visit.VisitMapper.LogRow;
import org.diligentbough.server.visit.VisitMapper.VisitRow;
import org.diligentbough.server.visit.VisitTask;
import org.diligentbough.server.wood.RemovalService;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;

/** What an archive says of people and of the work: taken in day by day, so that each plan is the one of its time. */
@Component
class WorkImport {
    private static final String NO_YEAR = "is no year, or stands here twice; give one such as 2026 or year-1";

    private final SightingService sightings;
    private final PeopleService people;
    private final DayArchive days;
    private final LogService logs;
    private final PlanArchive plans;
    private final ReportService reports;

    private final FruitService fruit;
    private final RemovalService removals;
    private final History history;
    private final RecordMapper tables;
    private final ApplicationEventPublisher events;

    WorkImport(
            SightingService sightings,
            PeopleService people,
            DayArchive days,
            LogService logs,
            PlanArchive plans,
            ReportService reports,
            FruitService fruit,
            RemovalService removals,
            History history,
            RecordMapper tables,
            ApplicationEventPublisher events) {
        this.sightings = sightings;
        this.people = people;
        this.days = days;
        this.logs = logs;
        this.plans = plans;
        this.reports = reports;
        this.fruit = fruit;
        this.removals = removals;
        this.history = history;
        this.tables = tables;
        this.events = events;
    }

    /** A visit to be made, on a work day or without one. */
    private record Due(ArchivedVisit visit, LocalDate on, TreeRow tree, Long dayId, String at) {}

    /** One import. */
    private final class Run {
        private final SiteRow site;
        private final DayWords words;
        private final Problems problems;
        private final Map<String, TreeRow> byTag = new HashMap<>();
        private final List<Due> due = new ArrayList<>();
        private final List<Long> days = new ArrayList<>();
        private final boolean bringsHistory;

        private Run(SiteRow site, Archive archive, DayWords words, Problems problems) {
            this.bringsHistory = archive.bringsHistory();
            this.site = site;
            this.words = words;
            this.problems = problems;
        }
    }

    /** Adds all but the trees and their surveys, which are there already; tells where what the archive names is now. */
    Places add(SiteRow site, Archive archive, List<TreeRow> trees, DayWords words, Problems problems) {
        Run run = new Run(site, archive, words, problems);
        trees.forEach(tree -> run.byTag.put(tree.tag(), tree));
        List<ArchivedPerson> persons = orEmpty(archive.people());
        for (int i = 0; i < persons.size(); i++) {
            person(run, persons.get(i), "/people/" + i);
        }
        for (int i = 0; i < trees.size(); i++) {
            tree(run, archive.trees().get(i), trees.get(i), "/trees/" + i);
        }
        List<ArchivedSighting> seen = orEmpty(archive.sightings());
        for (int i = 0; i < seen.size(); i++) {
            sighting(run, seen.get(i), "/sightings/" + i);
        }
        List<ArchivedDay> workDays = orEmpty(archive.days());
        for (int i = 0; i < workDays.size(); i++) {
            day(run, workDays.get(i), "/days/" + i);
        }
        plans.addHours(site.id(), archive.hours(), words, problems);
        problems.refuseIfAny();
        run.due.stream().sorted(Comparator.comparing(Due::on)).forEach(due -> visit(run, due));
        for (int i = 0; i < trees.size(); i++) {
            removal(run, archive.trees().get(i), trees.get(i), "/trees/" + i + "/removal");
        }
        events.publishEvent(new TreesOutdated(site.id(), null));
        return new Places(
                site.id(),
                run.byTag.entrySet().stream().collect(Collectors.toMap(Map.Entry::getKey, entry -> entry.getValue()
                        .id())),
                name -> people.named(name, site.id()),
                run.days,
                words);
    }

    private void sighting(Run run, ArchivedSighting seen, String at) {
        if (seen == null) {
            run.problems.add(at, "is missing; give what was seen, or leave it out");
            return;
        }
        Optional<LocalDate> on = run.words.day(seen.on());
        boolean known = Codes.parse(Species.class, seen.species()).isPresent();
        Optional<GrowthStage> stage = Codes.parse(GrowthStage.class, seen.stage());
        TreeRow tree = seen.tree() == null ? null : run.byTag.get(seen.tree());
        if (on.isEmpty()) {
            run.problems.add(at + "/on", "is no day; give one like 2027-03-20 or today-34");
        }
        if (!known) {
            run.problems.add(at + "/species", "is not known");
        }
        if (stage.isEmpty()) {
            run.problems.add(at + "/stage", "is not known; choose one of " + Codes.all(GrowthStage.class));
        }
        if (seen.tree() != null && (tree == null || !tree.species().equals(seen.species()))) {
            run.problems.add(at + "/tree", "is no tag of a tree of this kind in this archive");
        }
        if (run.problems.named(seen.by(), at + "/by")
                && on.isPresent()
                && known
                && stage.isPresent()
                && (seen.tree() == null || tree != null)) {
            var kept = sightings.keep(
                    run.site.id(),
                    seen.species(),
                    tree == null ? null : tree.id(),
                    stage.get(),
                    on.get(),
                    people.named(seen.by(), run.site.id()));
            if (!run.bringsHistory) {
                history.imported(
                        new About("sighting", kept.id(), run.site.id(), tree == null ? null : tree.id()), kept);
            }
        }
    }

    private static <T> List<T> orEmpty(List<T> list) {
        return list == null ? List.of() : list;
    }

    private void person(Run run, ArchivedPerson given, String at) {
        if (given == null || !run.problems.named(given.name(), at + "/name")) {
            return;
        }
        List<TicketData> tickets = new ArrayList<>();
        for (int i = 0; i < orEmpty(given.tickets()).size(); i++) {
            Archive.ArchivedTicket ticket = given.tickets().get(i);
            run.problems
                    .day(run.words, ticket.until(), at + "/tickets/" + i + "/until")
                    .ifPresent(until -> tickets.add(new TicketData(ticket.ticket(), until)));
        }
        List<LocalDate> canCome = new ArrayList<>();
        for (int i = 0; i < orEmpty(given.canCome()).size(); i++) {
            run.problems
                    .day(run.words, given.canCome().get(i), at + "/canCome/" + i)
                    .ifPresent(canCome::add);
        }
        var birthYear = run.words.year(given.birthYear());
        if (given.birthYear() != null && birthYear.isEmpty()) {
            run.problems.add(at + "/birthYear", NO_YEAR);
        }
        PersonData data = new PersonData(
                given.name(), birthYear.isPresent() ? birthYear.getAsInt() : null, given.note(), tickets, canCome);
        if (run.problems.check(data, at)) {
            people.keepImported(people.named(given.name(), run.site.id()), data);
        }
    }

    private void tree(Run run, ArchivedTree given, TreeRow tree, String at) {
        plans.add(tree, run.site, given, run.words, run.problems, at);
        for (int i = 0; i < orEmpty(given.reports()).size(); i++) {
            report(run, given.reports().get(i), tree, at + "/reports/" + i);
        }
        Set<Integer> years = new HashSet<>();
        for (int i = 0; i < orEmpty(given.fruit()).size(); i++) {
            ArchivedFruit year = given.fruit().get(i);
            String fruitAt = at + "/fruit/" + i;
            var number = run.words.year(year.year());
            if (number.isEmpty() || !years.add(number.getAsInt())) {
                run.problems.add(fruitAt + "/year", NO_YEAR);
            } else if (run.problems.named(year.by(), fruitAt + "/by")
                    && run.problems.check(year.fruit(), fruitAt + "/fruit")) {
                fruit.keep(tree.id(), number.getAsInt(), year.fruit(), people.named(year.by(), run.site.id()));
            }
        }
        for (int i = 0; i < orEmpty(given.visits()).size(); i++) {
            ArchivedVisit visit = given.visits().get(i);
            String visitAt = at + "/visits/" + i;
            run.problems
                    .day(run.words, visit.on(), visitAt + "/on")
                    .ifPresent(on -> run.due.add(new Due(visit, on, tree, null, visitAt)));
        }
    }

    private void report(Run run, ArchivedReport given, TreeRow tree, String at) {
        Optional<LocalDate> on = run.problems.day(run.words, given.on(), at + "/on");
        if (on.isEmpty() || !run.problems.named(given.by(), at + "/by")) {
            return;
        }
        ReportService.ReportData data =
                new ReportService.ReportData(on.get(), given.kind(), given.dangerous(), given.note());
        if (!run.problems.check(data, at)) {
            return;
        }
        long id = reports.keep(tree.id(), data, people.named(given.by(), run.site.id()));
        if (given.dealt() != null && run.problems.named(given.dealt().by(), at + "/dealt/by")) {
            String how = given.dealt().how();
            run.problems
                    .day(run.words, given.dealt().on(), at + "/dealt/on")
                    .ifPresent(dealtOn -> reports.keepDealt(
                            id, dealtOn, how, people.named(given.dealt().by(), run.site.id())));
        }
    }

    private void day(Run run, ArchivedDay given, String at) {
        Optional<LocalDate> on = run.problems.day(run.words, given == null ? null : given.on(), at + "/on");
        if (on.isEmpty()) {
            return;
        }
        DayData data = new DayData(on.get(), given.starts(), given.ends(), given.shed(), given.note());
        if (!run.problems.check(data, at) || !known(run, given.state(), at + "/state")) {
            return;
        }
        long id = days.add(
                run.site.id(),
                data,
                Codes.parse(DayMapper.State.class, given.state()).orElseThrow());
        run.days.add(id);
        for (int i = 0; i < orEmpty(given.people()).size(); i++) {
            if (run.problems.named(given.people().get(i), at + "/people/" + i)) {
                days.comes(id, people.named(given.people().get(i), run.site.id()));
            }
        }
        for (int i = 0; i < orEmpty(given.visits()).size(); i++) {
            ArchivedVisit visit = given.visits().get(i);
            String visitAt = at + "/visits/" + i;
            TreeRow tree =
                    run.byTag.get(visit.tree() == null ? "" : visit.tree().strip());
            if (tree == null) {
                run.problems.add(visitAt + "/tree", "is the tag of no tree of this archive");
            } else {
                run.due.add(new Due(visit, on.get(), tree, id, visitAt));
            }
        }
    }

    private static boolean known(Run run, String state, String at) {
        boolean known = Codes.parse(DayMapper.State.class, state).isPresent();
        if (!known) {
            run.problems.add(at, "is not known; choose one of " + Codes.all(DayMapper.State.class));
        }
        return known;
    }

    private void visit(Run run, Due due) {
        run.problems.under(due.at(), () -> {
            Optional<Long> id = due.visit().cuts() == null
                    ? days.asPlanned(due.tree().id(), due.dayId(), due.on())
                    : asGiven(run, due);
            if (id.isEmpty()) {
                return;
            }
            clock(run, due, id.get());
            orEmpty(due.visit().people())
                    .forEach(name -> days.gives(id.get(), due.dayId(), people.named(name, run.site.id())));
            Long corrects = null;
            for (int i = 0; i < orEmpty(due.visit().logs()).size(); i++) {
                corrects = log(run, due, logs.visit(id.get()), corrects, i);
            }
        });
    }

    private void clock(Run run, Due due, long visitId) {
        ArchivedVisit given = due.visit();
        if (given.crew() == null) {
            return;
        }
        boolean good = given.crew() >= 1 && isTime(given.starts()) && isTime(given.ends());
        if (good) {
            days.clock(visitId, given.crew(), given.starts(), given.ends());
        } else {
            run.problems.add(due.at() + "/crew", "goes with starts and ends, times such as 09:30; give all three");
        }
    }

    private static boolean isTime(String text) {
        return text != null && text.matches("([01][0-9]|2[0-3]):[0-5][0-9]");
    }

    private Optional<Long> asGiven(Run run, Due due) {
        boolean good = true;
        for (int i = 0; i < due.visit().cuts().size(); i++) {
            good &= run.problems.check(due.visit().cuts().get(i), due.at() + "/cuts/" + i);
        }
        List<VisitTask> tasks = orEmpty(due.visit().tasks());
        for (int i = 0; i < tasks.size(); i++) {
            good &= run.problems.check(tasks.get(i), due.at() + "/tasks/" + i);
        }
        int shoots = orNone(run, due.visit().shoots(), due.at() + "/shoots");
        int upkeepMinutes = orNone(run, due.visit().upkeepMinutes(), due.at() + "/upkeepMinutes");
        return good
                ? Optional.of(
                        days.asGiven(due.tree().id(), due.dayId(), due.visit().cuts(), shoots, tasks, upkeepMinutes))
                : Optional.empty();
    }

    private static int orNone(Run run, Integer number, String at) {
        if (number != null && number < 0) {
            run.problems.add(at, "cannot be under 0");
        }
        return number == null ? 0 : Math.max(0, number);
    }

    private Long log(Run run, Due due, VisitRow visit, Long corrects, int number) {
        ArchivedLog given = due.visit().logs().get(number);
        String at = due.at() + "/logs/" + number;
        if (!run.problems.named(given.by(), at + "/by")) {
            return corrects;
        }
        LocalDate on = given.on() == null
                ? due.on()
                : run.problems.day(run.words, given.on(), at + "/on").orElse(due.on());
        List<String> who = given.people() == null ? orEmpty(due.visit().people()) : given.people();
        LogData data = new LogData(
                UUID.randomUUID(),
                on,
                given.minutes() == null ? visit.minutes() : given.minutes(),
                (who.isEmpty() ? List.of(given.by()) : who)
                        .stream().map(name -> people.named(name, run.site.id())).toList(),
                given.prunings(),
                given.pileKilos(),
                given.shoots() == null ? visit.shoots() : given.shoots(),
                given.note(),
                cuts(visit, orEmpty(given.cuts())));
        if (!run.problems.check(data, at)) {
            return corrects;
        }
        LogRow kept = logs.keep(visit, data, corrects, people.named(given.by(), run.site.id()));
        if (given.key() != null) {
            tables.logCameAs(kept.id(), given.key().toString());
        }
        if (!run.bringsHistory) {
            history.imported(
                    new About("log", kept.id(), run.site.id(), due.tree().id()), kept);
        }
        return kept.id();
    }

    /** What was said of the cuts, and the others as done in sound wood. */
    private List<LoggedCut> cuts(VisitRow visit, List<LoggedCut> said) {
        return Stream.concat(
                        said.stream(),
                        visit.cuts().stream()
                                .filter(cut -> said.stream()
                                        .noneMatch(one -> cut.limb().equals(one.limb())))
                                .map(cut -> new LoggedCut(
                                        cut.limb(),
                                        "done",
                                        null,
                                        null,
                                        null,
                                        cut.kind().equals("bend") ? null : "sound",
                                        null,
                                        null,
                                        null)))
                .toList();
    }

    private void removal(Run run, ArchivedTree given, TreeRow tree, String at) {
        Archive.ArchivedRemoval removal = given.removal();
        if (removal == null || !run.problems.named(removal.by(), at + "/by")) {
            return;
        }
        run.problems.day(run.words, removal.on(), at + "/on").ifPresent(on -> {
            RemovalService.RemovalData data = new RemovalService.RemovalData(
                    on,
                    removal.grounds(),
                    removal.permission(),
                    removal.removedBy(),
                    removal.replacement(),
                    removal.note());
            if (run.problems.check(data, at)) {
                removals.keep(tree.id(), data, people.named(removal.by(), tree.siteId()));
            }
        });
    }
}
