package org.diligentbough.server.answers;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.fruit.CropLoad;
import org.diligentbough.core.fruit.FruitYear;
import org.diligentbough.core.fruit.Girths;
import org.diligentbough.core.fruit.WhyNoFruit;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.light.LeafOfLimbs;
import org.diligentbough.core.orchard.Bearing;
import org.diligentbough.core.orchard.Pollination;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.verdict.Triage;
import org.diligentbough.core.visit.TreeRecord;
import org.diligentbough.server.answers.CropView.CauseView;
import org.diligentbough.server.answers.CropView.CropGround;
import org.diligentbough.server.answers.CropView.LimbLoadView;
import org.diligentbough.server.answers.Histories.Known;
import org.diligentbough.server.figures.SiteRules;
import org.diligentbough.server.judgement.JudgementService;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Service;

/** What a tree may carry this year, and why it bore little in the last. */
@Service
class CropService {
    /** Temperature at which a tenth of open apple flowers die (from memory: extension services). */
    private static final double TENTH_KILLED_C = -2.2;

    private static final List<String> THINNED =
            List.of("apple", "pear", "quince", "peach", "nectarine", "plum", "apricot");

    private final Histories histories;
    private final JudgementService judgement;
    private final OrchardService orchard;
    private final SiteRules rules;
    private final MessageSource messages;
    private final Today today;

    CropService(
            Histories histories,
            JudgementService judgement,
            OrchardService orchard,
            SiteRules rules,
            MessageSource messages,
            Today today) {
        this.histories = histories;
        this.judgement = judgement;
        this.orchard = orchard;
        this.rules = rules;
        this.messages = messages;
        this.today = today;
    }

    /** @param counted fruits counted on the tree; null where nobody did */
    CropView crop(long treeId, Integer counted) {
        if (counted != null && (counted < 0 || counted > 100_000)) {
            throw ProblemException.wrongField("/counted", "is no number of fruits; give 0 to 100000");
        }
        TreeRow tree = orchard.tree(treeId);
        SiteRow site = orchard.site(tree.siteId());
        LocalDate now = today.in(site.zone());
        Rulebook ofSite = rules.of(site.id());
        Evaluation evaluation = judgement.now(treeId);
        Survey survey = evaluation.facts().survey();
        Known known = histories.of(tree, now);
        CropLoad load = new CropLoad(ofSite.knowledge());
        OptionalDouble trunkCm2 = new Girths(known.surveys().stream()
                        .map(one ->
                                new Girths.Girth(one.surveyedOn(), one.tree().trunkGirthCm()))
                        .toList())
                .crossSectionCm2(now.getYear(), site.latitude() < 0);
        OptionalDouble fruitG = known.fruit().stream()
                .flatMap(year -> year.fruitG().stream().boxed())
                .mapToDouble(Double::doubleValue)
                .average();
        List<TreeRecord.Taken> taken = ofSite.taken(known.surveys(), known.done());
        double thisYear = taken.stream()
                .filter(year -> year.pruningYear() == now.getYear())
                .mapToDouble(TreeRecord.Taken::share)
                .sum();
        // What was recorded for apples holds for apples; of other kinds leaf alone speaks.
        boolean pome = tree.species().equals("apple") || tree.species().equals("pear");
        CropLoad.Advice advice = load.advice(
                pome ? trunkCm2 : OptionalDouble.empty(),
                OptionalDouble.of(LeafOfLimbs.allM2(survey, evaluation.facts().branching(), ofSite.knowledge())),
                thisYear,
                evaluation.tree().triage() == Triage.REST,
                counted == null ? OptionalInt.empty() : OptionalInt.of(counted),
                fruitG);
        int whyYear = known.fruit().stream().mapToInt(FruitYear::year).max().orElse(now.getYear() - 1);
        return new CropView(
                advice.grounds().stream()
                        .map(one -> new CropGround(
                                Codes.of(one.ground()),
                                say("crop-" + Codes.of(one.ground())),
                                (int) Math.round(one.least()),
                                (int) Math.round(one.most())))
                        .toList(),
                (int) Math.round(advice.least()),
                (int) Math.round(advice.most()),
                whole(advice.thinLeast()),
                whole(advice.thinMost()),
                (int) Math.ceil(advice.minutes()),
                advice.kilos().isPresent() ? advice.kilos().getAsDouble() : null,
                say(THINNED.contains(tree.species()) ? "crop-how-" + tree.species() : "crop-how"),
                limbs(load, evaluation, advice.kilos()),
                whyYear,
                why(site, tree, ofSite, known, evaluation, taken, whyYear));
    }

    private static Integer whole(OptionalDouble value) {
        return value.isPresent() ? (int) Math.round(value.getAsDouble()) : null;
    }

    /** The main limbs under their share of the crop, those that do not hold it. */
    private static List<LimbLoadView> limbs(CropLoad load, Evaluation evaluation, OptionalDouble kilos) {
        if (kilos.isEmpty()) {
            return List.of();
        }
        List<Limb> bearing = evaluation.facts().survey().limbs().stream()
                .filter(evaluation.facts().branching()::living)
                .toList();
        double whole = bearing.stream()
                .mapToDouble(limb ->
                        evaluation.facts().shares().own(limb) * limb.fruiting().orElse(1))
                .sum();
        List<LimbLoadView> found = new ArrayList<>();
        for (Limb limb : bearing) {
            double part =
                    evaluation.facts().shares().own(limb) * limb.fruiting().orElse(1) / Math.max(1e-9, whole);
            CropLoad.Loaded loaded = load.loaded(limb, part * kilos.getAsDouble());
            if (loaded.holds() != CropLoad.Holds.FINE) {
                found.add(new LimbLoadView(limb.id(), loaded.kilos(), loaded.ofStrength(), Codes.of(loaded.holds())));
            }
        }
        found.sort(Comparator.comparingDouble(LimbLoadView::ofStrength).reversed());
        return found;
    }

    private List<CauseView> why(
            SiteRow site,
            TreeRow tree,
            Rulebook ofSite,
            Known known,
            Evaluation evaluation,
            List<TreeRecord.Taken> taken,
            int year) {
        Optional<FruitYear> of =
                known.fruit().stream().filter(one -> one.year() == year).findFirst();
        OptionalDouble mean = known.fruit().stream()
                .filter(one -> one.kilos().isPresent() && one.year() != year - 1)
                .mapToDouble(one -> one.kilos().getAsDouble())
                .average();
        OptionalDouble before = known.fruit().stream()
                .filter(one -> one.year() == year - 1 && one.kilos().isPresent())
                .mapToDouble(one -> one.kilos().getAsDouble())
                .findFirst();
        Optional<TreeRecord.Taken> cut =
                taken.stream().filter(one -> one.pruningYear() == year).findFirst();
        boolean shortened = ofSite.takenCuts(known.surveys(), known.done()).stream()
                .anyMatch(one -> one.pruningYear() == year && one.shortened());
        OptionalDouble light = evaluation.crownLight().byLimb().values().stream()
                .mapToDouble(Double::doubleValue)
                .average();
        boolean sickLeaf = evaluation.facts().survey().limbs().stream()
                .flatMap(limb -> limb.faults().stream())
                .anyMatch(fault -> fault.kind() == FaultKind.DISEASED
                        && fault.disease()
                                .filter(one -> one == Disease.LEAF_CURL)
                                .isPresent());
        return WhyNoFruit.of(new WhyNoFruit.Year(
                        of.map(FruitYear::bloom).orElse(OptionalInt.empty()),
                        before.isPresent() && mean.isPresent() && mean.getAsDouble() > 0
                                ? OptionalDouble.of(before.getAsDouble() / mean.getAsDouble())
                                : OptionalDouble.empty(),
                        lacksPartner(site, tree, ofSite),
                        OptionalDouble.empty(),
                        TENTH_KILLED_C,
                        light,
                        cut.map(TreeRecord.Taken::share).orElse(0.0),
                        evaluation.facts().tree().bearing() == Bearing.TIP,
                        shortened,
                        tree.plantedYear() == null ? OptionalInt.empty() : OptionalInt.of(year - tree.plantedYear()),
                        sickLeaf))
                .stream()
                .map(this::cause)
                .toList();
    }

    private Optional<Boolean> lacksPartner(SiteRow site, TreeRow tree, Rulebook ofSite) {
        Species kind = Codes.parse(Species.class, tree.species()).orElseThrow();
        if (ofSite.species().of(kind).pollination() != Pollination.Need.PARTNER) {
            return Optional.empty();
        }
        Map<Long, Reason> lacking = new Pollination(ofSite.knowledge(), ofSite.species())
                .lacking(orchard.standing(site.id()).stream()
                        .filter(one -> one.species().equals(tree.species()))
                        .map(one -> new Pollination.Tree(
                                one.id(),
                                kind,
                                Optional.ofNullable(one.cultivar()),
                                one.eastM(),
                                one.northM(),
                                Optional.empty()))
                        .toList());
        return Optional.of(lacking.containsKey(tree.id()));
    }

    private CauseView cause(WhyNoFruit.Reckoned one) {
        String code = Codes.of(one.cause());
        return new CauseView(
                code,
                say("why-" + code),
                one.weight(),
                one.speaksFor().stream().map(what -> say("speaks-" + what)).toList(),
                one.against().stream().map(what -> say("speaks-" + what)).toList(),
                say("look-" + code));
    }

    private String say(String code) {
        return messages.getMessage(code, null, Locale.ENGLISH);
    }
}
