package org.diligentbough.server.answers;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.diligentbough.core.answer.TreeHistory;
import org.diligentbough.core.fruit.FruitYear;
import org.diligentbough.core.fruit.Girths;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.visit.TreeRecord;
import org.diligentbough.core.visit.Visit;
import org.diligentbough.core.wood.Sighting;
import org.diligentbough.core.wood.SurveyWood;
import org.diligentbough.server.answers.LoggedWounds.CutMade;
import org.diligentbough.server.answers.LoggedWounds.Kept;
import org.diligentbough.server.answers.WalkLightMapper.WalkLightRow;
import org.diligentbough.server.figures.SiteRules;
import org.diligentbough.server.fruit.FruitService;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper.StandingTree;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.survey.SurveyService;
import org.diligentbough.server.visit.TreeRecords;
import org.diligentbough.server.visit.VisitMapper;
import org.diligentbough.server.visit.VisitMapper.LogRow;
import org.diligentbough.server.visit.VisitMapper.VisitRow;
import org.diligentbough.server.wood.RemovalService;
import org.diligentbough.server.wood.WoundMapper;
import org.diligentbough.server.wood.WoundMapper.DiseaseRow;
import org.diligentbough.server.wood.WoundMapper.LookRow;
import org.diligentbough.server.wood.WoundMapper.OldWoundRow;
import org.springframework.stereotype.Component;

/** Tells the core all that is recorded of the trees of a site. */
@Component
class Histories {
    private static final double HALF = 0.5;

    private final OrchardService orchard;
    private final RemovalService removals;
    private final SurveyService surveys;
    private final TreeRecords records;
    private final VisitMapper visits;
    private final FruitService fruit;
    private final WoundMapper wounds;
    private final WalkLightMapper lights;
    private final SiteRules rules;

    Histories(
            OrchardService orchard,
            RemovalService removals,
            SurveyService surveys,
            TreeRecords records,
            VisitMapper visits,
            FruitService fruit,
            WoundMapper wounds,
            WalkLightMapper lights,
            SiteRules rules) {
        this.orchard = orchard;
        this.removals = removals;
        this.surveys = surveys;
        this.records = records;
        this.visits = visits;
        this.fruit = fruit;
        this.wounds = wounds;
        this.lights = lights;
        this.rules = rules;
    }

    /**
     * A tree and all that is recorded of it.
     *
     * @param surveys up to the day it is told as of, as of the last of these days
     * @param standing whether it stands
     */
    record Known(
            TreeRow tree,
            boolean standing,
            List<Survey> surveys,
            List<Visit> done,
            List<CutMade> cuts,
            List<OldWoundRow> old,
            List<LookRow> looks,
            List<DiseaseRow> disease,
            List<FruitYear> fruit,
            List<WalkLightRow> light) {

        List<Kept> wounds(double leastCm, LocalDate on) {
            return LoggedWounds.of(cuts, old, looks, leastCm, on);
        }
    }

    /** All trees of a site, those taken out among them. */
    List<Known> ofSite(SiteRow site, LocalDate on) {
        List<TreeRow> trees = new ArrayList<>(orchard.standing(site.id()));
        int standing = trees.size();
        removals.removals(site.id()).forEach(out -> trees.add(orchard.tree(out.treeId())));
        Map<Long, List<Survey>> known = surveys.upTo(on, site, trees, surveys.surveysAt(site.id()));
        Map<Long, List<Visit>> done = records.done(site.id(), on);
        Map<Long, VisitRow> planned =
                visits.ofSite(site.id()).stream().collect(Collectors.toMap(VisitRow::id, Function.identity()));
        Map<Long, List<LogRow>> logs = visits.logsAt(site.id()).stream().collect(Collectors.groupingBy(LogRow::treeId));
        Map<Long, List<OldWoundRow>> old =
                wounds.oldAt(site.id()).stream().collect(Collectors.groupingBy(OldWoundRow::treeId));
        Map<Long, List<LookRow>> looks =
                wounds.looksAt(site.id()).stream().collect(Collectors.groupingBy(LookRow::treeId));
        Map<Long, List<DiseaseRow>> disease =
                wounds.diseaseAt(site.id()).stream().collect(Collectors.groupingBy(DiseaseRow::treeId));
        Map<Long, List<FruitYear>> borne = fruit.recordsAt(site.id());
        Map<Long, List<WalkLightRow>> lit =
                lights.ofSite(site.id()).stream().collect(Collectors.groupingBy(WalkLightRow::treeId));
        List<Known> found = new ArrayList<>();
        for (int i = 0; i < trees.size(); i++) {
            long id = trees.get(i).id();
            found.add(new Known(
                    trees.get(i),
                    i < standing,
                    known.getOrDefault(id, List.of()),
                    done.getOrDefault(id, List.of()),
                    LoggedWounds.made(logs.getOrDefault(id, List.of()), planned),
                    old.getOrDefault(id, List.of()),
                    looks.getOrDefault(id, List.of()),
                    disease.getOrDefault(id, List.of()),
                    borne.getOrDefault(id, List.of()),
                    lit.getOrDefault(id, List.of())));
        }
        return found;
    }

    /** The wounds of the trees of a site that stand: no walk is read for them. */
    Map<StandingTree, Known> woundsAt(long siteId) {
        Map<Long, VisitRow> planned =
                visits.ofSite(siteId).stream().collect(Collectors.toMap(VisitRow::id, Function.identity()));
        Map<Long, List<LogRow>> logs = visits.logsAt(siteId).stream().collect(Collectors.groupingBy(LogRow::treeId));
        Map<Long, List<OldWoundRow>> old =
                wounds.oldAt(siteId).stream().collect(Collectors.groupingBy(OldWoundRow::treeId));
        Map<Long, List<LookRow>> looks =
                wounds.looksAt(siteId).stream().collect(Collectors.groupingBy(LookRow::treeId));
        Map<StandingTree, Known> found = new HashMap<>();
        orchard.board(siteId)
                .forEach((id, tree) -> found.put(
                        tree,
                        new Known(
                                null,
                                true,
                                List.of(),
                                List.of(),
                                LoggedWounds.made(logs.getOrDefault(id, List.of()), planned),
                                old.getOrDefault(id, List.of()),
                                looks.getOrDefault(id, List.of()),
                                List.of(),
                                List.of(),
                                List.of())));
        return found;
    }

    /** One tree. */
    Known of(TreeRow tree, LocalDate on) {
        Map<Long, VisitRow> planned = new HashMap<>();
        visits.ofTree(tree.id()).forEach(visit -> planned.put(visit.id(), visit));
        return new Known(
                tree,
                !orchard.removed(tree.id()),
                surveys.upTo(tree.id(), on),
                records.done(tree.id(), on, TreeRecords.NO_VISIT),
                LoggedWounds.made(visits.logsOf(tree.id()), planned),
                wounds.oldOf(tree.id()),
                wounds.looksOf(tree.id()),
                wounds.diseaseOf(tree.id()),
                fruit.recordsOf(tree.id()),
                lights.ofTree(tree.id()));
    }

    /** As the core knows it on a day. */
    TreeHistory history(Known known, LocalDate on) {
        TreeRow tree = known.tree();
        List<Survey> walked = known.surveys().stream()
                .filter(survey -> !survey.surveyedOn().isAfter(on))
                .toList();
        List<Visit> done =
                known.done().stream().filter(visit -> !visit.on().isAfter(on)).toList();
        var ofSite = rules.of(tree.siteId());
        Optional<Survey> standing = walked.isEmpty()
                ? Optional.empty()
                : Optional.of(ofSite.standing(walked, done).survey());
        List<Sighting> sightings = new ArrayList<>(SurveyWood.sightings(
                walked, standing, done.stream().map(Visit::on).max(Comparator.naturalOrder())));
        known.cuts().stream()
                .filter(cut -> cut.cut().disease() != null && !cut.log().onDay().isAfter(on))
                .forEach(cut -> sightings.add(new Sighting(
                        Codes.parse(Disease.class, cut.cut().disease()).orElseThrow(),
                        cut.log().onDay(),
                        Sighting.State.ACTIVE)));
        known.disease().stream()
                .filter(one -> !one.seenOn().isAfter(on))
                .forEach(one -> sightings.add(new Sighting(
                        Codes.parse(Disease.class, one.disease()).orElseThrow(),
                        one.seenOn(),
                        Codes.parse(Sighting.State.class, one.state()).orElseThrow())));
        boolean looked = !walked.isEmpty() || !sightings.isEmpty();
        Optional<Survey> newest = walked.stream().max(Comparator.comparing(Survey::surveyedOn));
        return new TreeHistory(
                tree.tag(),
                Codes.parse(Species.class, tree.species()).orElseThrow(),
                tree.plantedYear() == null ? OptionalInt.empty() : OptionalInt.of(tree.plantedYear()),
                Optional.of(new TreeHistory.Stand(tree.eastM(), tree.northM())),
                new Girths(walked.stream()
                        .map(survey -> new Girths.Girth(
                                survey.surveyedOn(), survey.tree().trunkGirthCm()))
                        .toList()),
                known.fruit(),
                walked.isEmpty() ? List.of() : cuts(ofSite.taken(walked, done)),
                known.light().stream()
                        .filter(one -> !one.walkedOn().isAfter(on))
                        .collect(Collectors.toMap(
                                one -> one.walkedOn().getYear(),
                                WalkLightRow::light,
                                (one, later) -> later,
                                TreeMap::new))
                        .entrySet()
                        .stream()
                        .map(one -> new TreeHistory.YearLight(one.getKey(), one.getValue()))
                        .toList(),
                walked.stream()
                        .map(survey -> new TreeHistory.YearShoots(
                                survey.surveyedOn().getYear(),
                                survey.tree().shootExtensionCm(),
                                survey.tree().waterSprouts()))
                        .toList(),
                looked
                        ? Optional.of(known.wounds(ofSite.knowledge().get(Figure.WOUND_LEAST_CM), on).stream()
                                .map(kept -> new TreeHistory.NamedWound(kept.name(), kept.wound()))
                                .toList())
                        : Optional.empty(),
                walked.isEmpty()
                        ? List.of()
                        : regrown(known, on, ofSite.takenCuts(walked, done), ofSite.taken(walked, done)),
                looked ? Optional.of(sightings) : Optional.empty(),
                standing.flatMap(SurveyWood::deadShare),
                newest.flatMap(SurveyWood::hollow),
                newest.map(SurveyWood::crackCm),
                standing.map(SurveyWood::union));
    }

    private static List<TreeHistory.YearCut> cuts(List<TreeRecord.Taken> taken) {
        return taken.stream()
                .map(year -> new TreeHistory.YearCut(
                        year.pruningYear(),
                        year.summerShare() > HALF * year.share() ? Season.SUMMER : Season.DORMANT,
                        year.share(),
                        year.bigCuts()))
                .toList();
    }

    /** What grew back near cuts, of the newest look at each that says so. */
    private static List<TreeHistory.Regrown> regrown(
            Known known, LocalDate on, List<TreeRecord.TakenCut> cuts, List<TreeRecord.Taken> years) {
        Map<String, LookRow> newest = new HashMap<>();
        known.looks().stream()
                .filter(look -> look.shoots() != null && !look.lookedOn().isAfter(on))
                .forEach(look -> newest.put(look.wound(), look));
        List<TreeHistory.Regrown> found = new ArrayList<>();
        newest.forEach((wound, look) -> cuts.stream()
                .filter(cut -> cut.limb().equals(wound) && cut.on().isBefore(look.lookedOn()))
                .reduce((one, later) -> later)
                .ifPresent(cut -> years.stream()
                        .filter(year -> year.pruningYear() == cut.pruningYear())
                        .findFirst()
                        .ifPresent(year -> found.add(new TreeHistory.Regrown(
                                cut.pruningYear(),
                                year.summerShare() > HALF * year.share() ? Season.SUMMER : Season.DORMANT,
                                cut.shortened() ? TreeHistory.CutWay.HEADING : TreeHistory.CutWay.THINNING,
                                cut.leafM2(),
                                year.share(),
                                look.shoots(),
                                look.longestCm() == null
                                        ? OptionalDouble.empty()
                                        : OptionalDouble.of(look.longestCm()))))));
        return found;
    }

    /** An empty number as null. */
    static Double orNull(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }
}
