package org.diligentbough.server.answers;

import jakarta.validation.constraints.NotBlank;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.answer.Answers;
import org.diligentbough.core.answer.Answers.OrchardRecords;
import org.diligentbough.core.answer.Answers.Proposal;
import org.diligentbough.core.answer.Learning;
import org.diligentbough.core.answer.TreeHistory;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.server.answers.AnswerView.LightSum;
import org.diligentbough.server.answers.AnswerView.ProposalView;
import org.diligentbough.server.answers.AnswerView.WoundSum;
import org.diligentbough.server.answers.AnswerView.YearSum;
import org.diligentbough.server.answers.Histories.Known;
import org.diligentbough.server.figures.FigureService;
import org.diligentbough.server.figures.FigureService.FigureView;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.visit.LoggedCut;
import org.diligentbough.server.visit.VisitCut;
import org.diligentbough.server.visit.VisitMapper;
import org.diligentbough.server.visit.VisitMapper.LogRow;
import org.diligentbough.server.visit.VisitMapper.VisitRow;
import org.diligentbough.server.wood.WoundMapper;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.util.StringUtils;

/** What a site's own records answer, and what is learned from them. */
@Service
class AnswerService {
    private static final long SEED = 1;
    private static final int LOOK_AT = 8;
    private static final int POOR = 3;
    /** A pile so many times what was reckoned says that too much came off (own assumption). */
    private static final double FAR_LARGER = 1.5;

    private final Histories histories;
    private final OrchardService orchard;
    private final VisitMapper visits;
    private final WoundMapper wounds;
    private final WoodService wood;
    private final FigureService figures;
    private final Rulebook shipped;
    private final Today today;

    AnswerService(
            Histories histories,
            OrchardService orchard,
            VisitMapper visits,
            WoundMapper wounds,
            WoodService wood,
            FigureService figures,
            Rulebook shipped,
            Today today) {
        this.histories = histories;
        this.orchard = orchard;
        this.visits = visits;
        this.wounds = wounds;
        this.wood = wood;
        this.figures = figures;
        this.shipped = shipped;
        this.today = today;
    }

    /** A visit as it was planned and logged. */
    private record Done(VisitRow planned, LogRow log) {
        private boolean whole() {
            return log.cuts().stream().allMatch(cut -> cut.outcome().equals(Codes.of(LoggedCut.Outcome.DONE)));
        }
    }

    AnswerView answer(long siteId) {
        SiteRow site = orchard.site(siteId);
        LocalDate now = today.in(site.zone());
        List<Known> known = histories.ofSite(site, now);
        List<Done> done = done(siteId);
        Map<String, FigureView> inForce =
                figures.figures(siteId).stream().collect(Collectors.toMap(FigureView::figure, Function.identity()));
        OrchardRecords records = records(site, known, done, now, inForce);
        Answers answers = new Answers(records, shipped);
        RecordAnswer told = RecordAnswer.of(records, answers);
        return new AnswerView(
                now.getYear(),
                years(site, known, records, done),
                light(siteId),
                woundSum(siteId, told),
                told,
                answers.proposals().stream()
                        .map(one -> proposal(one, inForce.get(Codes.of(one.figure()))))
                        .toList(),
                lookAt(siteId, told));
    }

    private List<Done> done(long siteId) {
        Map<Long, VisitRow> planned =
                visits.ofSite(siteId).stream().collect(Collectors.toMap(VisitRow::id, Function.identity()));
        return visits.logsAt(siteId).stream()
                .filter(log -> !log.corrected() && planned.containsKey(log.visitId()))
                .map(log -> new Done(planned.get(log.visitId()), log))
                .toList();
    }

    private OrchardRecords records(
            SiteRow site, List<Known> known, List<Done> done, LocalDate now, Map<String, FigureView> inForce) {
        return new OrchardRecords(
                known.stream().map(one -> histories.history(one, now)).toList(),
                site.latitude() < 0,
                now,
                SEED,
                minutes(site, done, inForce.get(Codes.of(Figure.MINUTES_TIMES))),
                piles(done));
    }

    /**
     * Minutes of visits that were done as planned. What was planned while the site went by a learned number is told as it would
     * have been before, so that what was learned is not learned again.
     */
    private static Map<String, List<Learning.Case>> minutes(SiteRow site, List<Done> done, FigureView times) {
        List<Learning.Case> cases = new ArrayList<>();
        for (Done one : done) {
            int reckoned = one.planned().minutes();
            if (one.whole() && reckoned > 0 && one.log().minutes() > 0) {
                boolean scaled = times.changed() != null
                        && !one.log()
                                .onDay()
                                .isBefore(
                                        times.changed().at().atZone(site.zone()).toLocalDate());
                cases.add(new Learning.Case(
                        scaled ? reckoned / times.changed().value() : reckoned,
                        one.log().minutes()));
            }
        }
        Map<String, List<Learning.Case>> byWork = new LinkedHashMap<>();
        if (!cases.isEmpty()) {
            byWork.put("cut", cases);
        }
        return byWork;
    }

    /** Piles that were weighed, of visits that were done as planned. */
    private static List<Learning.Case> piles(List<Done> done) {
        return done.stream()
                .filter(one -> one.whole()
                        && one.log().pileKilos() != null
                        && one.log().pileKilos() > 0)
                .map(one -> new Learning.Case(reckonedKilos(one), one.log().pileKilos()))
                .filter(one -> one.reckoned() > 0)
                .toList();
    }

    private static double reckonedKilos(Done one) {
        return one.planned().cuts().stream().mapToDouble(VisitCut::weightKg).sum();
    }

    private List<YearSum> years(SiteRow site, List<Known> known, OrchardRecords records, List<Done> done) {
        Map<Integer, Map<String, Integer>> grades = new TreeMap<>();
        wounds.gradesAt(site.id()).forEach(row -> grades.computeIfAbsent(row.year(), year -> new TreeMap<>())
                .merge(row.grade(), 1, Integer::sum));
        Map<Integer, List<Done>> work = done.stream()
                .collect(Collectors.groupingBy(one ->
                        PruningYear.of(one.log().onDay(), site.latitude() < 0).year()));
        TreeSet<Integer> all = new TreeSet<>(grades.keySet());
        all.addAll(work.keySet());
        known.forEach(one -> one.fruit().forEach(year -> all.add(year.year())));
        List<YearSum> found = new ArrayList<>();
        for (int year : all) {
            List<Double> kilos = known.stream()
                    .flatMap(one -> one.fruit().stream())
                    .filter(one -> one.year() == year && one.kilos().isPresent())
                    .map(one -> one.kilos().getAsDouble())
                    .toList();
            List<TreeHistory.YearCut> cut = records.trees().stream()
                    .flatMap(tree -> tree.cuts().stream())
                    .filter(one -> one.pruningYear() == year)
                    .toList();
            List<Done> ofYear = work.getOrDefault(year, List.of());
            found.add(new YearSum(
                    year,
                    kilos.isEmpty()
                            ? null
                            : kilos.stream().mapToDouble(Double::doubleValue).sum(),
                    kilos.size(),
                    ofYear.stream().mapToInt(one -> one.log().cuts().size()).sum(),
                    cut.isEmpty()
                            ? null
                            : cut.stream()
                                    .mapToDouble(TreeHistory.YearCut::share)
                                    .average()
                                    .orElseThrow(),
                    ofYear.stream().mapToInt(one -> one.planned().minutes()).sum(),
                    ofYear.stream().mapToInt(one -> one.log().minutes()).sum(),
                    grades.getOrDefault(year, Map.of())));
        }
        return found;
    }

    private LightSum light(long siteId) {
        WoundMapper.LightRow row = wounds.lightOf(siteId);
        return row == null
                ? new LightSum(null, null, null)
                : new LightSum(row.light(), row.inLight(), row.inLightAfter());
    }

    private WoundSum woundSum(long siteId, RecordAnswer told) {
        Map<String, Long> states = told.wounds().stream()
                .collect(Collectors.groupingBy(RecordAnswer.WoundAnswer::state, Collectors.counting()));
        LocalDate now = today.in(orchard.site(siteId).zone());
        long due = wood.openWounds(siteId).stream()
                .filter(one -> !one.dueOn().isAfter(now))
                .count();
        return new WoundSum(
                states.getOrDefault("closing", 0L).intValue(),
                states.getOrDefault("closed", 0L).intValue(),
                states.getOrDefault("not-closing", 0L).intValue(),
                (int) due);
    }

    private static ProposalView proposal(Proposal one, FigureView figure) {
        return new ProposalView(
                figure.figure(),
                figure.meaning(),
                figure.unit(),
                one.shipped(),
                figure.changed() == null ? figure.shipped() : figure.changed().value(),
                one.value(),
                one.low(),
                one.high(),
                one.cases());
    }

    /** What a coordinator would look at first, a sentence each. */
    private List<String> lookAt(long siteId, RecordAnswer told) {
        List<String> found = new ArrayList<>();
        wood.gotWorse(siteId).stream()
                .limit(POOR)
                .forEach(one -> found.add(
                        one.tag() + " went from " + one.was() + " to " + one.grade() + ": " + one.worst() + "."));
        told.disease().stream()
                .filter(one -> one.p() < 0.1 && one.sick() > 1)
                .forEach(one -> found.add(StringUtils.capitalize(one.kind().replace('-', ' '))
                        + " lies closer together than chance has it: look at "
                        + one.atRisk().stream()
                                .limit(POOR)
                                .map(RecordAnswer.RiskAnswer::label)
                                .collect(Collectors.joining(", "))
                        + " next."));
        told.tooHard().stream()
                .limit(POOR)
                .forEach(one -> found.add(one.label() + " answered " + one.pruningYear() + " with " + one.shoots()
                        + " shoots where " + Math.round(one.expected()) + " were to be expected: cut it less."));
        done(siteId).stream()
                .filter(one -> one.log().pileKilos() != null
                        && reckonedKilos(one) > 0
                        && one.log().pileKilos() > FAR_LARGER * reckonedKilos(one))
                .limit(POOR)
                .forEach(one -> found.add("The pile of "
                        + orchard.tree(one.log().treeId()).tag() + " on "
                        + one.log().onDay() + " weighed " + Math.round(one.log().pileKilos()) + " kg where "
                        + Math.round(reckonedKilos(one)) + " were reckoned: too much came off."));
        told.response().trees().stream()
                .filter(one -> one.says().equals("less"))
                .limit(POOR)
                .forEach(one -> found.add(one.label() + " bears less since it was cut in " + one.pruningYear() + "."));
        return found.stream().limit(LOOK_AT).toList();
    }

    /** Has the site go by what was learned. */
    record LearnedChange(
            @NotBlank(message = "is missing; name the number")
            String figure) {}

    @Transactional
    AnswerView accept(long siteId, LearnedChange change) {
        AnswerView told = answer(siteId);
        ProposalView wanted = told.proposals().stream()
                .filter(one -> one.figure().equals(change.figure()))
                .findFirst()
                .orElseThrow(() -> ProblemException.wrongField(
                        "/figure", "is nothing that this site’s records teach; choose one of what is proposed"));
        FigureView now = figures.figures(siteId).stream()
                .filter(one -> one.figure().equals(change.figure()))
                .findFirst()
                .orElseThrow();
        double value = Math.max(now.least(), Math.min(now.most(), wanted.value()));
        figures.changeFigure(
                siteId,
                change.figure(),
                new FigureService.FigureChange(
                        now.changed() == null ? 0 : now.changed().version(),
                        value,
                        "learned from " + wanted.cases() + " of the orchard’s own records"));
        return answer(siteId);
    }

    /** A table of the answer: a row each, the first the names of its columns. */
    List<List<Object>> table(long siteId, String name) {
        AnswerView told = answer(siteId);
        RecordAnswer answers = told.answers();
        List<List<Object>> rows = new ArrayList<>();
        switch (name) {
            case "years" -> {
                rows.add(List.of(
                        "year", "kg", "trees picked", "cuts", "mean share", "minutes reckoned", "minutes taken"));
                told.years()
                        .forEach(one -> rows.add(row(
                                one.year(),
                                one.kilos(),
                                one.treesPicked(),
                                one.cuts(),
                                one.meanShare(),
                                one.reckonedMinutes(),
                                one.tookMinutes())));
            }
            case "cutting" -> {
                rows.add(List.of(
                        "tree", "pruning year", "share", "effect", "low", "high", "says", "like trees", "wanted"));
                answers.response()
                        .trees()
                        .forEach(one -> rows.add(row(
                                one.label(),
                                one.pruningYear(),
                                one.share(),
                                one.effect(),
                                one.low(),
                                one.high(),
                                one.says(),
                                one.likeTrees(),
                                one.wanted())));
            }
            case "efficiency" -> {
                rows.add(List.of("tree", "year", "kg per cm2", "fruit per cm2"));
                answers.efficiency()
                        .forEach(one -> rows.add(row(one.label(), one.year(), one.kgPerCm2(), one.fruitPerCm2())));
            }
            case "wounds" -> {
                rows.add(List.of("tree", "wound", "state", "mm a year", "closed", "low", "high"));
                answers.wounds()
                        .forEach(one -> rows.add(row(
                                one.label(),
                                one.id(),
                                one.state(),
                                one.closingMmPerYear(),
                                one.closedYear(),
                                one.low(),
                                one.high())));
            }
            case "grades" -> {
                rows.add(List.of("tree", "grade"));
                answers.grades().forEach(one -> rows.add(row(one.label(), one.grade())));
            }
            case "learned" -> {
                rows.add(List.of("what", "kind", "season", "cut", "work", "shipped", "value", "low", "high", "cases"));
                answers.learned()
                        .forEach(one -> rows.add(row(
                                one.what(),
                                one.kind(),
                                one.season(),
                                one.cut(),
                                one.work(),
                                one.shipped(),
                                one.value(),
                                one.low(),
                                one.high(),
                                one.cases())));
            }
            default ->
                throw ProblemException.notFound(
                        "There is no such table; there are years, cutting, efficiency, wounds, grades and learned.");
        }
        return rows;
    }

    private static List<Object> row(Object... cells) {
        List<Object> row = new ArrayList<>();
        for (Object cell : cells) {
            row.add(cell);
        }
        return row;
    }
}
