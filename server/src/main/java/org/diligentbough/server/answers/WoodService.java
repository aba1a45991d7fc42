package org.diligentbough.server.answers;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.UUID;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.answer.Answers;
import org.diligentbough.core.answer.Answers.OrchardRecords;
import org.diligentbough.core.answer.TreeHistory;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.survey.FoundDecay;
import org.diligentbough.core.wood.DiseaseSpread;
import org.diligentbough.core.wood.Sighting;
import org.diligentbough.core.wood.WoodGrade;
import org.diligentbough.core.wood.Wound;
import org.diligentbough.core.wood.WoundClosing;
import org.diligentbough.core.wood.WoundCourse;
import org.diligentbough.server.access.Memberships;
import org.diligentbough.server.answers.Histories.Known;
import org.diligentbough.server.answers.LoggedWounds.CutMade;
import org.diligentbough.server.answers.LoggedWounds.Kept;
import org.diligentbough.server.answers.WoodView.DiseaseSeenView;
import org.diligentbough.server.answers.WoodView.DiseaseView;
import org.diligentbough.server.answers.WoodView.DiseasesView;
import org.diligentbough.server.answers.WoodView.GradePartView;
import org.diligentbough.server.answers.WoodView.LimbOff;
import org.diligentbough.server.answers.WoodView.RiskAt;
import org.diligentbough.server.answers.WoodView.TreeAt;
import org.diligentbough.server.answers.WoodView.TreeWood;
import org.diligentbough.server.answers.WoodView.WoundLook;
import org.diligentbough.server.answers.WoodView.WoundView;
import org.diligentbough.server.answers.WoodView.YearGrade;
import org.diligentbough.server.figures.SiteRules;
import org.diligentbough.server.judgement.JudgementService;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.Once;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.wood.DiseaseData;
import org.diligentbough.server.wood.LookData;
import org.diligentbough.server.wood.WoundData;
import org.diligentbough.server.wood.WoundMapper;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Wounds, disease and grades of trees: what was found, and what follows from it. */
@Service
public class WoodService {
    private static final long SEED = 1;
    private static final double SPREADING_P = 0.1;
    private static final int LOOK_NEXT = 5;
    private static final int TOGETHER_DAYS = 60;
    /** Under this a tree is hardly at risk: as at the reach's end (own assumption). */
    private static final double LEAST_RISK = 0.05;

    private final Histories histories;
    private final WoundMapper wounds;
    private final OrchardService orchard;
    private final Memberships memberships;
    private final SiteRules rules;
    private final GradeWords words;
    private final CurrentPerson person;
    private final History history;
    private final Once once;
    private final Today today;
    private final ApplicationEventPublisher events;

    WoodService(
            Histories histories,
            WoundMapper wounds,
            OrchardService orchard,
            Memberships memberships,
            SiteRules rules,
            GradeWords words,
            CurrentPerson person,
            History history,
            Once once,
            Today today,
            ApplicationEventPublisher events) {
        this.histories = histories;
        this.wounds = wounds;
        this.orchard = orchard;
        this.memberships = memberships;
        this.rules = rules;
        this.words = words;
        this.person = person;
        this.history = history;
        this.once = once;
        this.today = today;
        this.events = events;
    }

    WoodView wood(long treeId) {
        TreeRow tree = orchard.tree(treeId);
        LocalDate now = todayOf(tree);
        Rulebook ofSite = rules.of(tree.siteId());
        Known known = histories.of(tree, now);
        WoodGrade grade = grade(ofSite, known, now);
        List<YearGrade> byYear = new ArrayList<>();
        for (int year = firstYear(known).orElse(now.getYear()); year <= now.getYear(); year++) {
            LocalDate end = LocalDate.of(year, 12, 31).isAfter(now) ? now : LocalDate.of(year, 12, 31);
            byYear.add(new YearGrade(year, letter(grade(ofSite, known, end))));
        }
        TreeHistory told = histories.history(known, now);
        Map<String, DiseaseSeen> entered = new HashMap<>();
        known.disease()
                .forEach(one -> entered.put(
                        one.disease() + one.seenOn(), new DiseaseSeen(one.limb(), one.note(), one.seenBy())));
        return new WoodView(
                letter(grade),
                grade.parts().stream()
                        .map(part -> new GradePartView(
                                Codes.of(part.part()),
                                part.grade().map(Enum::name).orElse(null),
                                Histories.orNull(part.value()),
                                words.text(part),
                                part.on().orElse(null),
                                words.source(part)))
                        .toList(),
                byYear,
                wounds(ofSite, known, now),
                told.sightings().orElse(List.of()).stream()
                        .sorted(Comparator.comparing(Sighting::on))
                        .map(one -> seen(one, entered.get(Codes.of(one.disease()) + one.on())))
                        .toList());
    }

    /** What was entered with a sighting. */
    private record DiseaseSeen(String limb, String note, String by) {}

    private static DiseaseSeenView seen(Sighting one, DiseaseSeen entered) {
        return new DiseaseSeenView(
                Codes.of(one.disease()),
                one.on(),
                Codes.of(one.state()),
                entered == null ? null : entered.limb(),
                entered == null ? null : entered.note(),
                entered == null ? null : entered.by());
    }

    private static OptionalInt firstYear(Known known) {
        return known.surveys().stream()
                .mapToInt(survey -> survey.surveyedOn().getYear())
                .min();
    }

    private LocalDate todayOf(TreeRow tree) {
        return today.in(orchard.site(tree.siteId()).zone());
    }

    private WoodGrade grade(Rulebook ofSite, Known known, LocalDate on) {
        return answers(ofSite, List.of(), on).grade(histories.history(known, on), on);
    }

    private static Answers answers(Rulebook ofSite, List<TreeHistory> trees, LocalDate on) {
        return new Answers(new OrchardRecords(trees, false, on, SEED, Map.of(), List.of()), ofSite);
    }

    private static String letter(WoodGrade grade) {
        return grade.grade().map(Enum::name).orElse(null);
    }

    private List<WoundView> wounds(Rulebook ofSite, Known known, LocalDate on) {
        WoundClosing closing = new WoundClosing(ofSite.knowledge());
        WoundCourse.Growth growth = histories.history(known, on).growth(on);
        Map<String, FoundDecay> places =
                known.surveys().isEmpty() ? Map.of() : ofSite.faces(known.surveys(), known.done());
        return known.wounds(ofSite.knowledge().get(Figure.WOUND_LEAST_CM), on).stream()
                .map(kept ->
                        wound(kept, closing.of(kept.wound(), growth), Optional.ofNullable(places.get(kept.name()))))
                // What does not close first, what is closed last.
                .sorted(Comparator.comparing((WoundView one) ->
                                -List.of("closed", "closing", "not-closing").indexOf(one.state()))
                        .thenComparing(Comparator.comparing(WoundView::madeOn).reversed()))
                .toList();
    }

    private static WoundView wound(Kept kept, WoundCourse course, Optional<FoundDecay> place) {
        return new WoundView(
                kept.name(),
                kept.old(),
                kept.old() ? kept.onLimb() : place.flatMap(FoundDecay::on).orElse(null),
                kept.old() ? null : place.map(FoundDecay::alongM).orElse(null),
                kept.wound().madeOn(),
                kept.wound().diameterCm(),
                kept.wound().face().map(Codes::of).orElse(null),
                Histories.orNull(kept.wound().hollowCm()),
                Codes.of(course.state()),
                course.closingMmPerYear(),
                course.expectedMmPerYear(),
                orNull(course.closedYear()),
                orNull(course.low()),
                orNull(course.high()),
                course.state() == WoundCourse.State.CLOSED
                        ? null
                        : course.lookedOn().plusYears(1),
                kept.looks().stream()
                        .map(look -> new WoundLook(
                                look.lookedOn(),
                                look.longMm(),
                                look.shortMm(),
                                look.state(),
                                look.shoots(),
                                look.longestCm(),
                                look.note(),
                                look.lookedBy()))
                        .toList());
    }

    private static Integer orNull(OptionalInt value) {
        return value.isPresent() ? value.getAsInt() : null;
    }

    /** Keeps for lists how sound a tree that was judged anew is and was. */
    @EventListener
    void judged(JudgementService.Judged judged) {
        TreeRow tree = orchard.tree(judged.treeId());
        LocalDate now = todayOf(tree);
        Rulebook ofSite = rules.of(tree.siteId());
        Known known = histories.of(tree, now);
        wounds.dropGrades(tree.id());
        for (int year = firstYear(known).orElse(now.getYear()); year <= now.getYear(); year++) {
            LocalDate end = LocalDate.of(year, 12, 31).isAfter(now) ? now : LocalDate.of(year, 12, 31);
            WoodGrade grade = grade(ofSite, known, end);
            if (grade.grade().isPresent()) {
                wounds.keepGrade(tree.id(), year, letter(grade), worst(grade));
            }
        }
    }

    /** What a grade goes by, in words. */
    private String worst(WoodGrade grade) {
        return grade.parts().stream()
                .filter(part -> part.grade().equals(grade.grade()))
                .findFirst()
                .or(() -> grade.parts().stream()
                        .filter(part -> part.grade().isEmpty())
                        .findFirst())
                .map(words::text)
                .orElseThrow();
    }

    /** Grades and wounds of the trees of a site that stand, as they were when each was judged last. */
    public List<TreeWood> woodOf(long siteId) {
        Map<Long, LooksDue> due = new HashMap<>();
        looksDue(siteId).forEach(one -> due.put(one.treeId(), one));
        return woodOf(siteId, due);
    }

    private List<TreeWood> woodOf(long siteId, Map<Long, LooksDue> due) {
        SiteRow site = orchard.site(siteId);
        LocalDate now = today.in(site.zone());
        Map<Long, Map<Integer, WoundMapper.GradeRow>> grades = new HashMap<>();
        wounds.gradesAt(siteId).forEach(row -> grades.computeIfAbsent(row.treeId(), id -> new HashMap<>())
                .put(row.year(), row));
        Optional<List<Long>> only = memberships.onlyTrees(siteId);
        return orchard.board(siteId).values().stream()
                .filter(tree -> only.isEmpty() || only.get().contains(tree.id()))
                .map(tree -> {
                    Map<Integer, WoundMapper.GradeRow> ofTree = grades.getOrDefault(tree.id(), Map.of());
                    WoundMapper.GradeRow is = ofTree.get(now.getYear());
                    WoundMapper.GradeRow was = ofTree.get(now.getYear() - 1);
                    LooksDue looks = due.get(tree.id());
                    return new TreeWood(
                            tree.id(),
                            tree.tag(),
                            tree.species(),
                            is == null ? null : is.grade(),
                            was == null ? null : was.grade(),
                            is == null ? null : is.worst(),
                            looks == null ? null : looks.on(),
                            looks == null ? List.of() : looks.wounds());
                })
                .sorted(Comparator.comparing(TreeWood::tag))
                .toList();
    }

    /** Trees whose grade is worse than a year ago, the worst first. */
    public List<TreeWood> gotWorse(long siteId) {
        return woodOf(siteId).stream()
                .filter(tree -> tree.grade() != null
                        && tree.was() != null
                        && tree.grade().compareTo(tree.was()) > 0)
                .sorted(Comparator.comparing(TreeWood::grade).reversed().thenComparing(TreeWood::tag))
                .toList();
    }

    /**
     * Wounds of a tree that are to be looked at.
     *
     * @param on when the first of them is
     * @param wounds those that are then or within the sixty days after
     */
    public record LooksDue(long treeId, String tag, String species, LocalDate on, List<String> wounds) {}

    /** Every wound of the trees that stand that is not closed, those due first. */
    public List<WoodView.OpenWound> openWounds(long siteId) {
        SiteRow site = orchard.site(siteId);
        LocalDate now = today.in(site.zone());
        double leastCm = rules.of(siteId).knowledge().get(Figure.WOUND_LEAST_CM);
        List<WoodView.OpenWound> found = new ArrayList<>();
        histories.woundsAt(siteId).forEach((tree, of) -> of.wounds(leastCm, now).stream()
                .filter(one -> one.wound().closed().isEmpty())
                .map(one -> openWound(tree, one))
                .forEach(found::add));
        found.sort(Comparator.comparing(WoodView.OpenWound::dueOn)
                .thenComparing(WoodView.OpenWound::tag)
                .thenComparing(WoodView.OpenWound::wound));
        return found;
    }

    private static WoodView.OpenWound openWound(TreeMapper.StandingTree tree, Kept kept) {
        Optional<Wound.Look> last = kept.wound().last();
        return new WoodView.OpenWound(
                tree.id(),
                tree.tag(),
                tree.species(),
                kept.name(),
                kept.old(),
                kept.wound().madeOn(),
                kept.wound().diameterCm(),
                kept.wound().face().map(Codes::of).orElse(null),
                last.map(Wound.Look::on).orElse(kept.wound().madeOn()).plusYears(1),
                last.map(Wound.Look::on).orElse(null),
                last.map(Wound.Look::longMm).orElse(null),
                last.map(Wound.Look::shortMm).orElse(null),
                last.map(look -> Codes.of(look.state())).orElse(null));
    }

    /** When the wounds of each tree that stands are to be looked at next: a year after they were made or looked at last. */
    public List<LooksDue> looksDue(long siteId) {
        SiteRow site = orchard.site(siteId);
        LocalDate now = today.in(site.zone());
        double leastCm = rules.of(siteId).knowledge().get(Figure.WOUND_LEAST_CM);
        List<LooksDue> found = new ArrayList<>();
        histories.woundsAt(siteId).forEach((tree, of) -> {
            Map<String, LocalDate> due = new HashMap<>();
            of.wounds(leastCm, now).stream()
                    .filter(one -> one.wound().closed().isEmpty())
                    .forEach(one -> due.put(
                            one.name(),
                            one.wound()
                                    .last()
                                    .map(Wound.Look::on)
                                    .orElse(one.wound().madeOn())
                                    .plusYears(1)));
            due.values().stream()
                    .min(Comparator.naturalOrder())
                    .ifPresent(first -> found.add(new LooksDue(
                            tree.id(),
                            tree.tag(),
                            tree.species(),
                            first,
                            due.entrySet().stream()
                                    .filter(one -> !one.getValue().isAfter(first.plusDays(TOGETHER_DAYS)))
                                    .map(Map.Entry::getKey)
                                    .sorted()
                                    .toList())));
        });
        return found;
    }

    /** Diseases of a site at the end of a year; today where that is to come. */
    public DiseasesView disease(long siteId, Integer asked) {
        SiteRow site = orchard.site(siteId);
        LocalDate now = today.in(site.zone());
        int year = asked == null ? now.getYear() : Math.min(asked, now.getYear());
        LocalDate on = year == now.getYear() ? now : LocalDate.of(year, 12, 31);
        Rulebook ofSite = rules.of(siteId);
        List<Known> all = histories.ofSite(site, now);
        Map<String, Known> byTag = new HashMap<>();
        List<TreeHistory> trees = new ArrayList<>();
        for (Known known : all) {
            byTag.put(known.tree().tag(), known);
            TreeHistory told = histories.history(known, on);
            // What was taken out before that stands in no tree's way any more.
            if (known.standing()
                    || told.sightings().filter(seen -> !seen.isEmpty()).isPresent()) {
                trees.add(told);
            }
        }
        int first = all.stream()
                .flatMap(known -> histories.history(known, now).sightings().orElse(List.of()).stream())
                .mapToInt(one -> one.on().getYear())
                .min()
                .orElse(now.getYear());
        return new DiseasesView(
                year,
                first,
                now.getYear(),
                answers(ofSite, trees, on).diseases(on).stream()
                        .map(spread -> diseaseView(ofSite, spread, byTag))
                        .toList());
    }

    private static DiseaseView diseaseView(Rulebook ofSite, DiseaseSpread.Spread spread, Map<String, Known> byTag) {
        List<RiskAt> atRisk = spread.atRisk().stream()
                .filter(one -> one.risk() >= LEAST_RISK || one.suspected())
                .map(one -> risk(one, byTag.get(one.label())))
                .filter(one -> byTag.get(one.tag()).standing())
                .toList();
        Disease disease = spread.disease();
        return new DiseaseView(
                Codes.of(disease),
                spread.reachM(),
                spread.sick().stream()
                        .map(byTag::get)
                        .map(known -> new TreeAt(
                                known.tree().id(),
                                known.tree().tag(),
                                known.tree().eastM(),
                                known.tree().northM(),
                                known.standing()))
                        .toList(),
                spread.canHave(),
                spread.joins(),
                spread.expected(),
                spread.p(),
                spread.p() < SPREADING_P && spread.joins() > spread.expected(),
                ofSite.diseases().of(disease).incurable(),
                atRisk,
                atRisk.stream()
                        .sorted(Comparator.comparing((RiskAt one) -> !one.suspected())
                                .thenComparing(
                                        Comparator.comparing(RiskAt::risk).reversed()))
                        .limit(LOOK_NEXT)
                        .toList());
    }

    private static RiskAt risk(DiseaseSpread.AtRisk one, Known known) {
        return new RiskAt(
                known.tree().id(),
                known.tree().tag(),
                known.tree().eastM(),
                known.tree().northM(),
                one.risk(),
                one.suspected());
    }

    /** Every limb that came off a site's trees, the newest first. */
    public List<LimbOff> limbsOff(long siteId) {
        SiteRow site = orchard.site(siteId);
        Optional<List<Long>> only = memberships.onlyTrees(siteId);
        return histories.ofSite(site, today.in(site.zone())).stream()
                .filter(known ->
                        only.isEmpty() || only.get().contains(known.tree().id()))
                .flatMap(known -> known.cuts().stream().map(cut -> limbOff(known.tree(), cut)))
                .sorted(Comparator.comparing(LimbOff::on)
                        .reversed()
                        .thenComparing(LimbOff::tag)
                        .thenComparing(LimbOff::limb))
                .toList();
    }

    private static LimbOff limbOff(TreeRow tree, CutMade cut) {
        return new LimbOff(
                cut.log().onDay(),
                tree.id(),
                tree.tag(),
                tree.species(),
                cut.cut().limb(),
                cut.kind(),
                cut.planned()
                        .filter(planned -> !planned.reasons().isEmpty())
                        .map(planned -> planned.reasons().get(0).code())
                        .orElse(null),
                cut.planned()
                        .filter(planned -> !planned.reasons().isEmpty())
                        .map(planned -> planned.reasons().get(0).text())
                        .orElse(null),
                Optional.ofNullable(cut.log().people()).orElse(""),
                Histories.orNull(cut.diameterCm()),
                cut.planned()
                        .filter(planned -> planned.kind().equals(cut.kind()))
                        .map(planned -> planned.weightKg())
                        .orElse(null),
                cut.cut().wood());
    }

    /** Keeps an old wound found on a walk. */
    @Transactional
    public WoodView find(long treeId, WoundData data) {
        long who = person.id();
        TreeRow tree = orchard.taken(treeId);
        past(tree, data.foundOn(), "/foundOn");
        if (data.hollowCm() != null && data.hollowCm() > data.diameterCm()) {
            throw ProblemException.wrongField("/hollowCm", "is wider than the wound; give what of it is hollow");
        }
        boolean cut = histories.of(tree, todayOf(tree)).cuts().stream()
                .anyMatch(one -> one.cut().limb().equals(data.name()));
        if (cut || wounds.add(treeId, data, who) == 0) {
            throw ProblemException.wrongField("/name", "is the name of another wound of this tree; give another");
        }
        history.added(new About("wound", treeId, tree.siteId(), treeId), data);
        outdated(treeId);
        return wood(treeId);
    }

    /** Takes an old wound back that was entered by mistake. */
    @Transactional
    public WoodView forget(long treeId, String name) {
        person.id();
        TreeRow tree = orchard.taken(treeId);
        WoundMapper.OldWoundRow before = wounds.oldOf(treeId).stream()
                .filter(one -> one.name().equals(name))
                .findFirst()
                .orElseThrow(() -> ProblemException.notFound("This tree has no such wound that was entered by hand."));
        wounds.drop(treeId, name);
        history.takenAway(new About("wound", treeId, tree.siteId(), treeId), before);
        outdated(treeId);
        return wood(treeId);
    }

    /** Keeps a look at a wound. What is sent again under the same key is kept once. */
    @Transactional
    public WoodView look(long treeId, Optional<UUID> key, LookData data) {
        once.keep(key, "look at " + data.wound() + " of tree " + treeId, data, () -> {
            long who = person.id();
            TreeRow tree = orchard.taken(treeId);
            past(tree, data.on(), "/on");
            Kept wound = histories.of(tree, todayOf(tree)).wounds(0, todayOf(tree)).stream()
                    .filter(one -> one.name().equals(data.wound()))
                    .findFirst()
                    .orElseThrow(() -> ProblemException.wrongField(
                            "/wound", "is no wound of this tree; enter it first as one that was found"));
            if (!data.on().isAfter(wound.wound().madeOn())) {
                throw ProblemException.wrongField("/on", "is not after the wound was made; give a later day");
            }
            wounds.look(treeId, data, who);
            history.added(new About("look", treeId, tree.siteId(), treeId), data);
            outdated(treeId);
            return treeId;
        });
        return wood(treeId);
    }

    /** Takes a look back that was entered by mistake. */
    @Transactional
    public WoodView forgetLook(long treeId, String wound, LocalDate on) {
        person.id();
        TreeRow tree = orchard.taken(treeId);
        if (wounds.dropLook(treeId, wound, on) == 0) {
            throw ProblemException.notFound("Nobody looked at that wound on that day.");
        }
        history.takenAway(new About("look", treeId, tree.siteId(), treeId), Map.of("wound", wound, "on", on));
        outdated(treeId);
        return wood(treeId);
    }

    /** Keeps what was seen of a disease. */
    @Transactional
    public WoodView see(long treeId, Optional<UUID> key, DiseaseData data) {
        once.keep(key, "disease of tree " + treeId, data, () -> {
            long who = person.id();
            TreeRow tree = orchard.taken(treeId);
            past(tree, data.on(), "/on");
            Disease disease = Codes.parse(Disease.class, data.disease()).orElseThrow();
            Species kind = Codes.parse(Species.class, tree.species()).orElseThrow();
            if (!rules.of(tree.siteId()).diseases().of(disease).kinds().contains(kind)) {
                throw ProblemException.wrongField(
                        "/disease", "does not go for this kind of tree; choose another, or unknown");
            }
            wounds.see(treeId, data, who);
            history.added(new About("disease", treeId, tree.siteId(), treeId), data);
            outdated(treeId);
            return treeId;
        });
        return wood(treeId);
    }

    /** Takes back what was seen of a disease. */
    @Transactional
    public WoodView unsee(long treeId, String disease, LocalDate on) {
        person.id();
        TreeRow tree = orchard.taken(treeId);
        if (wounds.dropSeen(treeId, disease, on) == 0) {
            throw ProblemException.notFound("Nothing was entered of that disease on that day.");
        }
        history.takenAway(new About("disease", treeId, tree.siteId(), treeId), Map.of("disease", disease, "on", on));
        outdated(treeId);
        return wood(treeId);
    }

    private void past(TreeRow tree, LocalDate on, String field) {
        if (on.isAfter(todayOf(tree))) {
            throw ProblemException.wrongField(field, "lies in the future; give a day up to today");
        }
    }

    private void outdated(long treeId) {
        events.publishEvent(new OrchardService.TreeOutdated(treeId));
    }
}
