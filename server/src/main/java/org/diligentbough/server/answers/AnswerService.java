package org.diligentbough.server.answers;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.answer.Answers;
import org.diligentbough.core.answer.Answers.OrchardRecords;
import org.diligentbough.core.answer.CuttingAnswer;
import org.diligentbough.core.answer.TreeHistory;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.server.answers.AnswerView.CropSum;
import org.diligentbough.server.answers.AnswerView.KindSum;
import org.diligentbough.server.answers.AnswerView.LightSum;
import org.diligentbough.server.answers.AnswerView.WoundSum;
import org.diligentbough.server.answers.AnswerView.YearSum;
import org.diligentbough.server.answers.CropMapper.CropRow;
import org.diligentbough.server.answers.Histories.Known;
import org.diligentbough.server.answers.SiteRecords.Done;
import org.diligentbough.server.answers.SiteRecords.Told;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.shared.Wording;
import org.diligentbough.server.wood.WoundMapper;
import org.diligentbough.server.wood.WoundMapper.LightRow;
import org.springframework.stereotype.Service;
import org.springframework.util.StringUtils;

/** What a site's own records answer, and what is learned from them. */
@Service
class AnswerService {
    private static final int LOOK_AT = 8;
    private static final int POOR = 3;
    /** What is so unlikely by chance is told (own assumption). */
    private static final double CLOSE_TOGETHER = 0.1;

    private final SiteRecords records;
    private final LearningService learning;
    private final OrchardService orchard;
    private final WoundMapper wounds;
    private final WoodService wood;
    private final CropMapper crops;
    private final Rulebook shipped;
    private final Wording wording;
    private final Today today;

    AnswerService(
            SiteRecords records,
            LearningService learning,
            OrchardService orchard,
            WoundMapper wounds,
            WoodService wood,
            CropMapper crops,
            Rulebook shipped,
            Wording wording,
            Today today) {
        this.records = records;
        this.learning = learning;
        this.orchard = orchard;
        this.wounds = wounds;
        this.wood = wood;
        this.crops = crops;
        this.shipped = shipped;
        this.wording = wording;
        this.today = today;
    }

    /**
     * What the records answer.
     *
     * @param of of which trees
     */
    AnswerView answer(long siteId, Of of) {
        SiteRow site = orchard.site(siteId);
        LocalDate now = today.in(site.zone());
        Told all = records.of(site, now);
        Told told = of.all() ? all : records.only(all, site, now, of::holds);
        Answers answers = new Answers(told.records(), shipped);
        RecordAnswer answer = RecordAnswer.of(told.records(), answers);
        return new AnswerView(
                now.getYear(),
                choices(all.known(), TreeRow::species),
                choices(all.known(), TreeRow::groupName),
                years(site, told),
                light(siteId, told),
                woundSum(siteId, told, answer),
                crops(siteId, told.known()),
                byKind(told.records()),
                answer,
                learning.proposals(siteId, all.records()),
                learning.always(siteId),
                lookAt(siteId, told, answer));
    }

    /**
     * Of which trees is asked.
     *
     * @param kind of this alone; null for all
     * @param group of this alone; null for all
     */
    record Of(String kind, String group) {
        private boolean all() {
            return kind == null && group == null;
        }

        private boolean holds(TreeRow tree) {
            return (kind == null || kind.equals(tree.species())) && (group == null || group.equals(tree.groupName()));
        }
    }

    private static List<String> choices(List<Known> known, Function<TreeRow, String> by) {
        return known.stream()
                .map(one -> by.apply(one.tree()))
                .filter(Objects::nonNull)
                .distinct()
                .sorted()
                .toList();
    }

    /** What cutting did for the fruit of each kind that has records of it. */
    private List<KindSum> byKind(OrchardRecords of) {
        return of.trees().stream()
                .collect(Collectors.groupingBy(TreeHistory::species, TreeMap::new, Collectors.toList()))
                .entrySet()
                .stream()
                .map(one -> {
                    CuttingAnswer.Pooled pooled = new CuttingAnswer(
                                    CuttingAnswer.Measure.FRUIT,
                                    one.getValue(),
                                    of.southern(),
                                    shipped.knowledge(),
                                    of.seed())
                            .answers()
                            .all();
                    return new KindSum(
                            Codes.of(one.getKey()),
                            pooled.n(),
                            orNull(pooled.effect()),
                            orNull(pooled.low()),
                            orNull(pooled.high()));
                })
                .filter(one -> one.n() > 0)
                .toList();
    }

    private static Double orNull(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }

    private List<YearSum> years(SiteRow site, Told all) {
        List<Known> known = all.known();
        Set<Long> trees = all.treeIds();
        Map<Integer, Map<String, Integer>> grades = new TreeMap<>();
        wounds.gradesAt(site.id()).stream()
                .filter(row -> trees.contains(row.treeId()))
                .forEach(row -> grades.computeIfAbsent(row.year(), year -> new TreeMap<>())
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

    private LightSum light(long siteId, Told told) {
        Set<Long> trees = told.treeIds();
        List<LightRow> rows = wounds.lightAt(siteId).stream()
                .filter(row -> trees.contains(row.treeId()))
                .toList();
        return new LightSum(
                mean(rows, LightRow::light),
                mean(rows, LightRow::inLight),
                mean(rows, LightRow::inLightStaying),
                mean(rows, LightRow::inLightAfter));
    }

    private static Double mean(List<LightRow> rows, Function<LightRow, Double> of) {
        return orNull(rows.stream()
                .map(of)
                .filter(Objects::nonNull)
                .mapToDouble(Double::doubleValue)
                .average());
    }

    private WoundSum woundSum(long siteId, Told all, RecordAnswer told) {
        Map<String, Long> states = told.wounds().stream()
                .collect(Collectors.groupingBy(RecordAnswer.WoundAnswer::state, Collectors.counting()));
        LocalDate now = today.in(orchard.site(siteId).zone());
        Set<Long> trees = all.treeIds();
        long due = wood.openWounds(siteId).stream()
                .filter(one -> trees.contains(one.treeId()) && !one.dueOn().isAfter(now))
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
        Set<Long> trees = all.treeIds();
        List<String> found = new ArrayList<>();
        wood.gotWorse(siteId).stream()
                .filter(one -> trees.contains(one.treeId()))
                .limit(POOR)
                .forEach(
                        one -> found.add(wording.say("look-at-worse", one.tag(), one.was(), one.grade(), one.worst())));
        told.disease().stream()
                .filter(one -> one.p() < CLOSE_TOGETHER && one.sick() > 1)
                .forEach(one -> found.add(wording.say(
                        "look-at-disease",
                        StringUtils.capitalize(one.kind().replace('-', ' ')),
                        one.atRisk().stream()
                                .limit(POOR)
                                .map(RecordAnswer.RiskAnswer::label)
                                .collect(Collectors.joining(", ")))));
        told.tooHard().stream()
                .limit(POOR)
                .forEach(one -> found.add(wording.say(
                        "look-at-hard",
                        one.label(),
                        String.valueOf(one.pruningYear()),
                        one.shoots(),
                        Math.round(one.expected()))));
        all.done().stream()
                .filter(Done::farMoreThanReckoned)
                .limit(POOR)
                .forEach(one -> found.add(wording.say(
                        "look-at-pile",
                        orchard.tree(one.log().treeId()).tag(),
                        one.log().onDay(),
                        Math.round(one.log().pileKilos()),
                        Math.round(one.reckonedKilos()))));
        told.response().trees().stream()
                .filter(one -> one.says().equals("less"))
                .limit(POOR)
                .forEach(one -> found.add(wording.say("look-at-less", one.label(), String.valueOf(one.pruningYear()))));
        return found.stream().limit(LOOK_AT).toList();
    }
}
