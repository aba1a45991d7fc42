package org.diligentbough.server.answers;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.answer.Answers;
import org.diligentbough.core.answer.Answers.OrchardRecords;
import org.diligentbough.core.answer.TreeHistory;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.FoundDecay;
import org.diligentbough.core.wood.Sighting;
import org.diligentbough.core.wood.WoodGrade;
import org.diligentbough.core.wood.Wound;
import org.diligentbough.core.wood.WoundClosing;
import org.diligentbough.core.wood.WoundCourse;
import org.diligentbough.server.access.Memberships;
import org.diligentbough.server.answers.Histories.Known;
import org.diligentbough.server.answers.LoggedWounds.Kept;
import org.diligentbough.server.answers.WoodView.DiseaseSeenView;
import org.diligentbough.server.answers.WoodView.GradePartView;
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
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.wood.WoundMapper;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;

/** Wounds and grades of trees: how wounds close, how sound the wood is, what is to be looked at. */
@Service
public class WoodService {
    private static final long SEED = 1;
    private static final int TOGETHER_DAYS = 60;

    private final Histories histories;
    private final WoundMapper wounds;
    private final OrchardService orchard;
    private final Memberships memberships;
    private final SiteRules rules;
    private final GradeWords words;
    private final Today today;

    WoodService(
            Histories histories,
            WoundMapper wounds,
            OrchardService orchard,
            Memberships memberships,
            SiteRules rules,
            GradeWords words,
            Today today) {
        this.histories = histories;
        this.wounds = wounds;
        this.orchard = orchard;
        this.memberships = memberships;
        this.rules = rules;
        this.words = words;
        this.today = today;
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
        Species kind = Codes.parse(Species.class, known.tree().species()).orElseThrow();
        WoundClosing closing = new WoundClosing(ofSite.of(kind).knowledge());
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
        return woodOf(siteId, Map.of()).stream()
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
}
