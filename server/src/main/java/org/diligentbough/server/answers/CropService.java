package org.diligentbough.server.answers;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
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
import org.diligentbough.core.season.GrowthStage;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.core.season.Stages;
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
import org.diligentbough.server.answers.CropView.ThinWindow;
import org.diligentbough.server.answers.Histories.Known;
import org.diligentbough.server.figures.SiteRules;
import org.diligentbough.server.judgement.JudgementService;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.season.SiteSeasons;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.shared.Wording;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What a tree may carry this year, and why it bore little in the last. */
@Service
class CropService {
    private static final List<String> THINNED =
            List.of("apple", "pear", "quince", "peach", "nectarine", "plum", "apricot");

    private static final int MOST_FRUITS = 100_000;
    /** Fruit that is thinned later no longer grows larger for it (common practice, no source). */
    private static final int THIN_WITHIN_DAYS = 30;

    private final Histories histories;
    private final JudgementService judgement;
    private final FruitCauses causes;
    private final SiteSeasons seasons;
    private final CropMapper mapper;
    private final OrchardService orchard;
    private final SiteRules rules;
    private final History history;
    private final CurrentPerson person;
    private final Wording wording;
    private final Today today;

    CropService(
            Histories histories,
            JudgementService judgement,
            FruitCauses causes,
            SiteSeasons seasons,
            CropMapper mapper,
            OrchardService orchard,
            SiteRules rules,
            History history,
            CurrentPerson person,
            Wording wording,
            Today today) {
        this.histories = histories;
        this.judgement = judgement;
        this.causes = causes;
        this.seasons = seasons;
        this.mapper = mapper;
        this.orchard = orchard;
        this.rules = rules;
        this.history = history;
        this.person = person;
        this.wording = wording;
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
        Integer seen = counted == null ? countedIn(kept, cropYear(site, now)) : counted;
        CropLoad.Advice advice = advice(
                ofSite,
                site,
                known,
                evaluation.facts().survey(),
                now,
                seen,
                evaluation.tree().triage());
        int whyYear = known.fruit().stream().mapToInt(FruitYear::year).max().orElse(cropYear(site, now) - 1);
        return new CropView(
                advice.grounds().stream()
                        .map(one -> new CropGround(
                                Codes.of(one.ground()),
                                wording.say("crop-" + Codes.of(one.ground())),
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
                thinning(site, tree, now),
                limbs(new CropLoad(ofSite.knowledge()), evaluation, advice),
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

    /** The year by which the crop goes that hangs on a tree, as pickings do: what is counted after picking is the next one's. */
    private static int cropYear(SiteRow site, LocalDate day) {
        return PruningYear.of(day, site.latitude() < 0).year();
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
                .filter(year -> year.pruningYear() == cropYear(site, now))
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

    /** When its fruit is thinned: after the natural drop, or by the middle of summer where that is not reckoned. */
    private ThinWindow thinning(SiteRow site, TreeRow tree, LocalDate now) {
        Stages stages = seasons.stagesOf(site, tree.species(), now);
        LocalDate opens = stages.of(GrowthStage.FRUIT_DROP.bbch(), cropYear(site, now))
                .map(Stages.Stage::reached)
                .orElseGet(() -> midsummer(site, now));
        return new ThinWindow(opens, opens.plusDays(THIN_WITHIN_DAYS));
    }

    private static LocalDate midsummer(SiteRow site, LocalDate now) {
        return LocalDate.of(cropYear(site, now), site.latitude() < 0 ? 12 : 6, 21);
    }

    private String how(TreeRow tree) {
        return wording.say(THINNED.contains(tree.species()) ? "crop-how-" + tree.species() : "crop-how");
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
        SiteRow site = orchard.site(tree.siteId());
        LocalDate now = today.in(site.zone());
        int year = cropYear(site, now);
        CropView told = crop(treeId, count.counted());
        List<CropRow> before = mapper.ofTree(treeId);
        mapper.keep(treeId, year, count.counted(), told.kilos(), now, who);
        history.changed(new About("crop", year, tree.siteId(), treeId), new CropCount(countedIn(before, year)), count);
        return crop(treeId, null);
    }

    /** Whether the season of a tree that runs is that year's. */
    boolean runs(long treeId, int year) {
        SiteRow site = orchard.site(orchard.tree(treeId).siteId());
        return cropYear(site, today.in(site.zone())) == year;
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
        Integer counted = countedIn(kept, cropYear(site, now));
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

    /** Every bearing limb with its part of the crop, in the order of the survey; whether it holds it where a weight is known. */
    private static List<LimbLoadView> limbs(CropLoad load, Evaluation evaluation, CropLoad.Advice advice) {
        List<Limb> bearing = evaluation.facts().survey().limbs().stream()
                .filter(evaluation.facts().branching()::living)
                .filter(limb -> bears(evaluation, limb) > 0)
                .toList();
        double whole =
                bearing.stream().mapToDouble(limb -> bears(evaluation, limb)).sum();
        return bearing.stream()
                .map(limb -> {
                    double part = bears(evaluation, limb) / whole;
                    OptionalDouble kilos = advice.kilos();
                    CropLoad.Loaded loaded = load.loaded(limb, part * kilos.orElse(0));
                    return new LimbLoadView(
                            limb.id(),
                            (int) Math.round(part * advice.least()),
                            (int) Math.round(part * advice.most()),
                            kilos.isPresent() ? loaded.kilos() : null,
                            kilos.isPresent() ? loaded.ofStrength() : null,
                            kilos.isPresent() ? Codes.of(loaded.holds()) : null);
                })
                .toList();
    }

    /** What of the crop hangs on a limb's own wood, by how fruitful it is; in whatever unit. */
    private static double bears(Evaluation evaluation, Limb limb) {
        return evaluation.facts().shares().own(limb) * limb.fruiting().orElse(1);
    }
}
