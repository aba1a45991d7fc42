package org.diligentbough.server.answers;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.fruit.CropLoad;
import org.diligentbough.core.fruit.FruitYear;
import org.diligentbough.core.fruit.Girths;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.light.LeafOfLimbs;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.verdict.Triage;
import org.diligentbough.core.visit.TreeRecord;
import org.diligentbough.server.answers.CropMapper.CropRow;
import org.diligentbough.server.answers.CropView.CropGround;
import org.diligentbough.server.answers.CropView.LimbLoadView;
import org.diligentbough.server.answers.CropView.ReckonedView;
import org.diligentbough.server.answers.CropView.ThinRow;
import org.diligentbough.server.answers.Histories.Known;
import org.diligentbough.server.figures.SiteRules;
import org.diligentbough.server.judgement.JudgementService;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What a tree may carry this year, and why it bore little in the last. */
@Service
class CropService {
    private static final List<String> THINNED =
            List.of("apple", "pear", "quince", "peach", "nectarine", "plum", "apricot");

    private static final int MOST_FRUITS = 100_000;

    private final Histories histories;
    private final JudgementService judgement;
    private final FruitCauses causes;
    private final CropMapper mapper;
    private final OrchardService orchard;
    private final SiteRules rules;
    private final History history;
    private final CurrentPerson person;
    private final MessageSource messages;
    private final Today today;

    CropService(
            Histories histories,
            JudgementService judgement,
            FruitCauses causes,
            CropMapper mapper,
            OrchardService orchard,
            SiteRules rules,
            History history,
            CurrentPerson person,
            MessageSource messages,
            Today today) {
        this.histories = histories;
        this.judgement = judgement;
        this.causes = causes;
        this.mapper = mapper;
        this.orchard = orchard;
        this.rules = rules;
        this.history = history;
        this.person = person;
        this.messages = messages;
        this.today = today;
    }

    /** @param counted fruits counted on the tree; null for what was kept of this year */
    CropView crop(long treeId, Integer counted) {
        if (counted != null && (counted < 0 || counted > MOST_FRUITS)) {
            throw ProblemException.wrongField("/counted", "is no number of fruits; give 0 to 100000");
        }
        TreeRow tree = orchard.tree(treeId);
        SiteRow site = orchard.site(tree.siteId());
        LocalDate now = today.in(site.zone());
        Rulebook ofSite = rules.of(site.id());
        Evaluation evaluation = judgement.now(treeId);
        Known known = histories.of(tree, now);
        List<CropRow> kept = mapper.ofTree(treeId);
        Integer seen = counted == null ? countedIn(kept, now.getYear()) : counted;
        CropLoad.Advice advice = advice(
                ofSite,
                site,
                known,
                evaluation.facts().survey(),
                now,
                seen,
                evaluation.tree().triage());
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
                seen,
                whole(advice.thinLeast()),
                whole(advice.thinMost()),
                (int) Math.ceil(advice.minutes()),
                orNull(advice.kilos()),
                how(tree),
                limbs(new CropLoad(ofSite.knowledge()), evaluation, advice.kilos()),
                kept.stream()
                        .map(one -> new ReckonedView(
                                one.year(),
                                one.counted(),
                                one.kilos(),
                                one.countedOn(),
                                one.countedBy(),
                                picked(known, one.year())))
                        .toList(),
                whyYear,
                causes.why(
                        site, tree, ofSite, known, evaluation, ofSite.taken(known.surveys(), known.done()), whyYear));
    }

    private static Integer countedIn(List<CropRow> kept, int year) {
        return kept.stream()
                .filter(one -> one.year() == year)
                .map(CropRow::counted)
                .findFirst()
                .orElse(null);
    }

    private static Double picked(Known known, int year) {
        return known.fruit().stream()
                .filter(one -> one.year() == year && one.kilos().isPresent())
                .map(one -> one.kilos().getAsDouble())
                .findFirst()
                .orElse(null);
    }

    /** How many to leave on a tree as it stands; needs no judgement but its state. */
    private static CropLoad.Advice advice(
            Rulebook ofSite, SiteRow site, Known known, Survey standing, LocalDate now, Integer counted, Triage state) {
        Species kind = standing.tree().species();
        OptionalDouble trunkCm2 = new Girths(known.surveys().stream()
                        .map(one ->
                                new Girths.Girth(one.surveyedOn(), one.tree().trunkGirthCm()))
                        .toList())
                .crossSectionCm2(now.getYear(), site.latitude() < 0);
        OptionalDouble fruitG = known.fruit().stream()
                .flatMap(year -> year.fruitG().stream().boxed())
                .mapToDouble(Double::doubleValue)
                .average();
        double thisYear = ofSite.taken(known.surveys(), known.done()).stream()
                .filter(year -> year.pruningYear() == now.getYear())
                .mapToDouble(TreeRecord.Taken::share)
                .sum();
        // What was recorded for apples holds for apples; of other kinds leaf alone speaks.
        boolean pome = kind == Species.APPLE || kind == Species.PEAR;
        return new CropLoad(ofSite.knowledge())
                .advice(
                        pome ? trunkCm2 : OptionalDouble.empty(),
                        OptionalDouble.of(
                                LeafOfLimbs.allM2(standing, new Branching(standing.limbs()), ofSite.knowledge())),
                        thisYear,
                        state == Triage.REST,
                        counted == null ? OptionalInt.empty() : OptionalInt.of(counted),
                        fruitG);
    }

    private String how(TreeRow tree) {
        return say(THINNED.contains(tree.species()) ? "crop-how-" + tree.species() : "crop-how");
    }

    /** Fruits counted on a tree. */
    record CropCount(
            @NotNull(message = "is missing; give the fruits counted")
            @Min(value = 0, message = "cannot be under 0")
            @Max(value = MOST_FRUITS, message = "is more than a tree bears; give 0 to 100000 fruits")
            Integer counted) {}

    /** Keeps what a tree's crop is reckoned to by the fruits counted on it, to be held against what is picked. */
    @Transactional
    public CropView keep(long treeId, CropCount count) {
        long who = person.id();
        TreeRow tree = orchard.tree(treeId);
        LocalDate now = today.in(orchard.site(tree.siteId()).zone());
        CropView told = crop(treeId, count.counted());
        List<CropRow> before = mapper.ofTree(treeId);
        mapper.keep(treeId, now.getYear(), count.counted(), told.kilos(), now, who);
        history.changed(
                new About("crop", now.getYear(), tree.siteId(), treeId),
                new CropCount(countedIn(before, now.getYear())),
                count);
        return crop(treeId, null);
    }

    /** Lets go of what was counted in a year. */
    @Transactional
    public CropView letGo(long treeId, int year) {
        person.id();
        TreeRow tree = orchard.tree(treeId);
        Integer counted = countedIn(mapper.ofTree(treeId), year);
        if (mapper.drop(treeId, year) == 0) {
            throw ProblemException.notFound("Nothing was counted in that year.");
        }
        history.takenAway(new About("crop", year, tree.siteId(), treeId), new CropCount(counted));
        return crop(treeId, null);
    }

    /** The trees of a site whose fruit is thinned, how many to leave on each and how. */
    List<ThinRow> thinning(long siteId) {
        SiteRow site = orchard.site(siteId);
        LocalDate now = today.in(site.zone());
        Rulebook ofSite = rules.of(siteId);
        Map<Long, List<CropRow>> kept = mapper.ofSite(siteId).stream().collect(Collectors.groupingBy(CropRow::treeId));
        return histories.ofSite(site, now).stream()
                .filter(known -> known.standing()
                        && !known.surveys().isEmpty()
                        && THINNED.contains(known.tree().species())
                        && !"take-out".equals(known.tree().triage()))
                .map(known ->
                        thin(ofSite, site, known, kept.getOrDefault(known.tree().id(), List.of()), now))
                .sorted(Comparator.comparing(ThinRow::species).thenComparing(ThinRow::tag))
                .toList();
    }

    private ThinRow thin(Rulebook ofSite, SiteRow site, Known known, List<CropRow> kept, LocalDate now) {
        TreeRow tree = known.tree();
        Integer counted = countedIn(kept, now.getYear());
        Triage state = tree.triage() == null
                ? Triage.MAINTAIN
                : Codes.parse(Triage.class, tree.triage()).orElseThrow();
        CropLoad.Advice advice = advice(
                ofSite,
                site,
                known,
                ofSite.standing(known.surveys(), known.done()).survey(),
                now,
                counted,
                state);
        return new ThinRow(
                tree.id(),
                tree.tag(),
                tree.species(),
                (int) Math.round(advice.least()),
                (int) Math.round(advice.most()),
                counted,
                whole(advice.thinLeast()),
                whole(advice.thinMost()),
                (int) Math.ceil(advice.minutes()),
                orNull(advice.kilos()),
                how(tree));
    }

    private static Double orNull(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
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

    private String say(String code) {
        return messages.getMessage(code, null, Locale.ENGLISH);
    }
}
