package org.diligentbough.server.answers;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.answer.Answers;
import org.diligentbough.core.answer.TreeHistory;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.server.answers.AnswerView.CropSum;
import org.diligentbough.server.answers.AnswerView.LightSum;
import org.diligentbough.server.answers.AnswerView.WoundSum;
import org.diligentbough.server.answers.AnswerView.YearSum;
import org.diligentbough.server.answers.CropMapper.CropRow;
import org.diligentbough.server.answers.Histories.Known;
import org.diligentbough.server.answers.SiteRecords.Done;
import org.diligentbough.server.answers.SiteRecords.Told;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.wood.WoundMapper;
import org.springframework.stereotype.Service;
import org.springframework.util.StringUtils;

/** What a site's own records answer, and what is learned from them. */
@Service
class AnswerService {
    private static final int LOOK_AT = 8;
    private static final int POOR = 3;
    /** A pile so many times what was reckoned says that too much came off (own assumption). */
    private static final double FAR_LARGER = 1.5;

    private final SiteRecords records;
    private final LearningService learning;
    private final OrchardService orchard;
    private final WoundMapper wounds;
    private final WoodService wood;
    private final CropMapper crops;
    private final Rulebook shipped;
    private final Today today;

    AnswerService(
            SiteRecords records,
            LearningService learning,
            OrchardService orchard,
            WoundMapper wounds,
            WoodService wood,
            CropMapper crops,
            Rulebook shipped,
            Today today) {
        this.records = records;
        this.learning = learning;
        this.orchard = orchard;
        this.wounds = wounds;
        this.wood = wood;
        this.crops = crops;
        this.shipped = shipped;
        this.today = today;
    }

    AnswerView answer(long siteId) {
        SiteRow site = orchard.site(siteId);
        LocalDate now = today.in(site.zone());
        Told all = records.of(site, now);
        RecordAnswer told = RecordAnswer.of(all.records(), new Answers(all.records(), shipped));
        return new AnswerView(
                now.getYear(),
                years(site, all),
                light(siteId),
                woundSum(siteId, told),
                crops(siteId, all.known()),
                told,
                learning.proposals(siteId, all.records()),
                learning.always(siteId),
                lookAt(siteId, all, told));
    }

    private List<YearSum> years(SiteRow site, Told all) {
        List<Known> known = all.known();
        Map<Integer, Map<String, Integer>> grades = new TreeMap<>();
        wounds.gradesAt(site.id()).forEach(row -> grades.computeIfAbsent(row.year(), year -> new TreeMap<>())
                .merge(row.grade(), 1, Integer::sum));
        Map<Integer, List<Done>> work = all.done().stream()
                .collect(Collectors.groupingBy(one ->
                        PruningYear.of(one.log().onDay(), site.latitude() < 0).year()));
        TreeSet<Integer> years = new TreeSet<>(grades.keySet());
        years.addAll(work.keySet());
        known.forEach(one -> one.fruit().forEach(year -> years.add(year.year())));
        List<YearSum> found = new ArrayList<>();
        for (int year : years) {
            List<Double> kilos = known.stream()
                    .flatMap(one -> one.fruit().stream())
                    .filter(one -> one.year() == year && one.kilos().isPresent())
                    .map(one -> one.kilos().getAsDouble())
                    .toList();
            List<TreeHistory.YearCut> cut = all.records().trees().stream()
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

    private CropSum crops(long siteId, List<Known> known) {
        Map<Long, Known> trees =
                known.stream().collect(Collectors.toMap(one -> one.tree().id(), Function.identity()));
        List<Double> ratios = new ArrayList<>();
        for (CropRow row : crops.ofSite(siteId)) {
            if (row.kilos() != null && row.kilos() > 0 && trees.containsKey(row.treeId())) {
                trees.get(row.treeId()).fruit().stream()
                        .filter(one -> one.year() == row.year() && one.kilos().orElse(0) > 0)
                        .findFirst()
                        .ifPresent(one -> ratios.add(one.kilos().getAsDouble() / row.kilos()));
            }
        }
        if (ratios.isEmpty()) {
            return new CropSum(0, null, null, null);
        }
        double mean = ratios.stream().mapToDouble(Math::log).average().orElseThrow();
        return new CropSum(ratios.size(), Math.exp(mean), Collections.min(ratios), Collections.max(ratios));
    }

    /** What a coordinator would look at first, a sentence each. */
    private List<String> lookAt(long siteId, Told all, RecordAnswer told) {
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
        all.done().stream()
                .filter(one -> one.weighed() && one.log().pileKilos() > FAR_LARGER * one.reckonedKilos())
                .limit(POOR)
                .forEach(one -> found.add("The pile of "
                        + orchard.tree(one.log().treeId()).tag() + " on "
                        + one.log().onDay() + " weighed " + Math.round(one.log().pileKilos()) + " kg where "
                        + Math.round(one.reckonedKilos()) + " were reckoned: too much came off."));
        told.response().trees().stream()
                .filter(one -> one.says().equals("less"))
                .limit(POOR)
                .forEach(one -> found.add(one.label() + " bears less since it was cut in " + one.pruningYear() + "."));
        return found.stream().limit(LOOK_AT).toList();
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
