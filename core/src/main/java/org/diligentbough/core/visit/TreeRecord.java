package org.diligentbough.core.visit;

import static org.diligentbough.core.knowledge.Figure.OUTLOOK_LEAF_GROWTH;
import static org.diligentbough.core.knowledge.Figure.OUTLOOK_LEAF_INDEX_MOST;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.light.CrownLight;
import org.diligentbough.core.light.LeafOfLimbs;
import org.diligentbough.core.light.ShadeWork;
import org.diligentbough.core.light.Sky;
import org.diligentbough.core.light.SmallWood;
import org.diligentbough.core.orchard.SpeciesTraits;
import org.diligentbough.core.season.CuttingCalendar;
import org.diligentbough.core.season.PruningYear;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.survey.Face;
import org.diligentbough.core.survey.FoundDecay;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.LivingCrown;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.survey.TakenThisYear;
import org.diligentbough.core.survey.TreeSurvey;
import org.diligentbough.core.verdict.CutKind;
import org.diligentbough.core.verdict.CutSizing;
import org.diligentbough.core.verdict.TreeFacts;
import org.threeten.extra.LocalDateRange;

/**
 * All that was surveyed of a tree and done to it, told through in the order of time. A survey shows what it found,
 * whatever was done before; a visit on the day of a survey comes after it.
 */
public final class TreeRecord {
    private static final double DAYS_A_YEAR = 365.25;
    private static final double ROUNDING_M = 1e-6;

    private final List<Survey> surveys;
    private final List<Visit> visits;
    private final SpeciesTraits traits;
    private final Knowledge knowledge;
    private final CuttingCalendar calendar;
    private final Map<Integer, YearTaken> taken = new HashMap<>();
    private final List<FoundDecay> looks;
    private final Map<String, FoundDecay> faces = new LinkedHashMap<>();
    private final List<TakenCut> cuts = new ArrayList<>();

    /**
     * @param surveys one at least, all of one tree and as of the same today; of two of the same day the later one counts
     * @param visits what was done to it, in any order
     * @param looks what is known of faces otherwise, and wounds that were found rotting later
     * @param calendar when such a tree may be cut
     */
    public TreeRecord(
            List<Survey> surveys,
            List<Visit> visits,
            List<FoundDecay> looks,
            SpeciesTraits traits,
            Knowledge knowledge,
            CuttingCalendar calendar) {
        if (surveys.isEmpty()) {
            throw new IllegalArgumentException("a tree's record wants one survey at least");
        }
        this.surveys = surveys.stream()
                .sorted(Comparator.comparing(Survey::surveyedOn))
                .toList();
        this.visits = visits.stream().sorted(Comparator.comparing(Visit::on)).toList();
        this.looks = List.copyOf(looks);
        this.traits = traits;
        this.knowledge = knowledge;
        this.calendar = calendar;
    }

    /** What came off in one pruning year. */
    private static final class YearTaken {
        private double share;
        private double summerShare;
        private final List<Limb> bigCuts = new ArrayList<>();
        private int renewals;
        private final Set<String> shortened = new HashSet<>();
        private final Set<ReasonCode> tasksDone = EnumSet.noneOf(ReasonCode.class);
        private boolean upkeepDone;
    }

    /** The tree as it stands on the day the surveys are judged on. What went over last year's allowance counts this year. */
    public TreeToday standing() {
        LocalDate today = surveys.get(0).today();
        taken.clear();
        faces.clear();
        cuts.clear();
        Survey survey = null;
        int next = 0;
        for (int i = 0; i < surveys.size(); i++) {
            survey = survey == null ? surveys.get(i) : carriedOn(survey, surveys.get(i));
            LocalDate until = i + 1 < surveys.size() ? surveys.get(i + 1).surveyedOn() : today.plusDays(1);
            while (next < visits.size() && visits.get(next).on().isBefore(until)) {
                Visit visit = visits.get(next++);
                if (!visit.on().isBefore(survey.surveyedOn())) {
                    survey = after(survey, visit, today);
                }
            }
        }
        PruningYear year = calendar.pruningYear(today);
        YearTaken ofYear = taken.getOrDefault(year.year(), new YearTaken());
        double before = taken.getOrDefault(year.year() - 1, new YearTaken()).share;
        double allowance = facts(survey).yearAllowance();
        Survey told = withWhatWasReported(survey, today);
        return new TreeToday(
                told.wanting(
                        told.tree().targetHeightM(),
                        told.tree().noted().shortened(ofYear.shortened).decayed(decay(told))),
                new TakenThisYear(
                        ofYear.share,
                        ofYear.summerShare,
                        ofYear.bigCuts,
                        ofYear.renewals,
                        Math.max(0, before - allowance),
                        ofYear.tasksDone,
                        ofYear.upkeepDone));
    }

    /** Where the faces of cuts are, by the limb that was cut: the newest of each, whatever has become of it. */
    public Map<String, FoundDecay> faces() {
        standing();
        return Map.copyOf(faces);
    }

    /**
     * What was taken in a pruning year.
     *
     * @param share of the living crown as it stood at its beginning, 0 to 1
     * @param summerShare of that in growth, of a tree that is cut while dormant
     * @param bigCuts how many
     */
    public record Taken(int pruningYear, double share, double summerShare, int bigCuts) {}

    /**
     * A cut as it was taken.
     *
     * @param limb its tag
     * @param shortened whether it was shortened, not taken where it leaves
     * @param leafM2 leaf that came off with it, m2
     */
    public record TakenCut(String limb, LocalDate on, int pruningYear, boolean shortened, double leafM2) {}

    /** Every cut that was taken, in the order of time. */
    public List<TakenCut> takenCuts() {
        standing();
        return List.copyOf(cuts);
    }

    /** What was taken in each pruning year, the first first. */
    public List<Taken> takenByYear() {
        standing();
        return taken.entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .map(year -> new Taken(
                        year.getKey(),
                        year.getValue().share,
                        year.getValue().summerShare,
                        year.getValue().bigCuts.size()))
                .toList();
    }

    /**
     * The next survey of a tree: what was taken of small wood that nobody enters stays off, grown on since, and is not
     * reckoned anew from the trunk, unless the surveyor said how dense the crown is.
     */
    private Survey carriedOn(Survey before, Survey next) {
        TreeSurvey tree = next.tree();
        if (tree.noted().leafDensity().isPresent()
                || before.tree().noted().notEnteredM2().isEmpty()) {
            return next;
        }
        double leafM2 = before.tree().noted().notEnteredM2().getAsDouble();
        double acrossM = tree.spreadM();
        double index = leafM2 / (Math.PI / 4 * acrossM * acrossM);
        double growth =
                knowledge.get(OUTLOOK_LEAF_GROWTH) * Math.max(0, 1 - index / knowledge.get(OUTLOOK_LEAF_INDEX_MOST));
        double years = ChronoUnit.DAYS.between(before.surveyedOn(), next.surveyedOn()) / DAYS_A_YEAR;
        return next.wanting(tree.targetHeightM(), tree.noted().carrying(leafM2 * Math.pow(1 + growth, years)));
    }

    /** What stands round the tree when a visit felled or lowered what shaded it most. */
    private List<Survey.Surrounding> aroundAfter(Survey survey, Visit visit, TreeFacts facts) {
        boolean felled = visit.tasks().contains(ReasonCode.TASK_FELL_NEIGHBOUR);
        boolean lowered = visit.tasks().contains(ReasonCode.TASK_LOWER_HEDGE);
        if (!felled && !lowered) {
            return survey.surroundings();
        }
        CrownLight light =
                new CrownLight(survey, facts.branching(), List.of(), Sky.over(survey.site(), knowledge), knowledge);
        Survey left = felled
                ? ShadeWork.felling(survey, light, knowledge)
                        .map(work -> survey.withSurroundings(work.done(survey)))
                        .orElse(survey)
                : survey;
        return lowered
                ? ShadeWork.lowering(left, light, knowledge)
                        .map(work -> work.done(left))
                        .orElse(left.surroundings())
                : left.surroundings();
    }

    /** Leaf of small wood on a tree as it stands before a visit, m2. */
    private double notEnteredM2(Survey survey, TreeFacts facts) {
        boolean kept = survey.tree().yearsSinceCut().orElse(Double.MAX_VALUE) < 2
                && !survey.tree().noted().renovating();
        return SmallWood.notEnteredM2(survey, facts.branching(), traits, kept, knowledge);
    }

    private TreeFacts facts(Survey survey) {
        return new TreeFacts(survey, traits, knowledge, Map.of(), true);
    }

    private Survey after(Survey survey, Visit visit, LocalDate today) {
        TreeFacts facts = facts(survey);
        CutSizing sizing = new CutSizing(facts);
        LivingCrown crown = new LivingCrown(facts.branching(), facts.shares());
        YearTaken year = taken.computeIfAbsent(calendar.pruningYear(visit.on()).year(), key -> new YearTaken());
        year.tasksDone.addAll(visit.tasks());
        year.upkeepDone |= visit.upkeep();
        double crownOfYear = 1 - year.share;
        double share = 0;
        for (MadeCut cut : inOrder(visit, facts)) {
            Limb limb = facts.branching().get(cut.limb());
            double alongM = cut.kind() == MadeCut.Kind.SHORTENED ? Math.min(cut.alongM(), limb.lengthM()) : 0;
            if (cut.kind() == MadeCut.Kind.BENT) {
                continue;
            }
            if (alongM > 0) {
                year.shortened.add(cut.limb());
            }
            double off = alongM == 0 ? crown.remove(limb) : crown.shorten(limb, alongM);
            share += off;
            cuts.add(new TakenCut(
                    limb.id(),
                    visit.on(),
                    calendar.pruningYear(visit.on()).year(),
                    alongM > 0,
                    off * LeafOfLimbs.allM2(survey, facts.branching(), knowledge)));
            if (facts.branching().living(limb)
                    && sizing.big(limb.diameterAtCm(alongM), alongM == 0 ? CutKind.COLLAR : CutKind.HEADING)) {
                year.bigCuts.add(limb);
            }
            if (cut.renewal()) {
                year.renewals++;
            }
            faces.put(limb.id(), face(cut, limb, alongM, visit.on()));
        }
        double stays = notEnteredM2(survey, facts) * Math.max(0, 1 - share);
        share += Math.min(crown.left(), CountedShoots.share(facts, visit.shoots()));
        year.share += share * crownOfYear;
        if (inSummerOfADormantTree(facts, visit.on())) {
            year.summerShare += share * crownOfYear;
        }
        Survey after = new AfterCuts(survey, visit, knowledge).survey(visit, today);
        after = after.withSurroundings(aroundAfter(survey, visit, facts));
        return after.wanting(after.tree().targetHeightM(), after.tree().noted().carrying(stays));
    }

    /** A limb that was taken leaves its face where it grew; one that was shortened bears its own. */
    private static FoundDecay face(MadeCut cut, Limb limb, double alongM, LocalDate on) {
        boolean taken = cut.kind() == MadeCut.Kind.REMOVED;
        Optional<MadeCut.CutFace> seen = cut.face();
        return new FoundDecay(
                limb.id(),
                taken ? limb.parent() : Optional.of(limb.id()),
                taken ? limb.originM() : alongM,
                seen.map(MadeCut.CutFace::face).orElse(Face.SOUND),
                seen.map(MadeCut.CutFace::acrossCm)
                        .orElse(OptionalDouble.empty())
                        .orElse(limb.diameterAtCm(alongM)),
                seen.map(MadeCut.CutFace::hollowCm).orElse(OptionalDouble.empty()),
                on,
                false);
    }

    /** Faces and wounds that are not sound, of those whose limb stands and is as long still. */
    private List<FoundDecay> decay(Survey survey) {
        Map<String, Limb> standing = new HashMap<>();
        survey.limbs().forEach(limb -> standing.put(limb.id(), limb));
        Map<String, FoundDecay> all = new LinkedHashMap<>(faces);
        for (FoundDecay look : looks) {
            all.merge(look.cut(), look, (face, later) -> later.rots() ? face.rotting() : face);
        }
        return all.values().stream()
                .filter(one -> one.rots() || one.face() != Face.SOUND)
                .filter(one -> one.on().isEmpty()
                        || standing.containsKey(one.on().get())
                                && one.alongM() <= standing.get(one.on().get()).lengthM() + ROUNDING_M)
                .toList();
    }

    /** The cuts on limbs that stand, side limbs before what they grow from, so that each counts for itself. */
    private static List<MadeCut> inOrder(Visit visit, TreeFacts facts) {
        List<String> outwards =
                facts.branching().outwards().stream().map(Limb::id).toList();
        return visit.cuts().stream()
                .filter(cut -> outwards.contains(cut.limb()))
                .sorted(Comparator.comparing((MadeCut cut) -> -outwards.indexOf(cut.limb())))
                .toList();
    }

    private boolean inSummerOfADormantTree(TreeFacts facts, LocalDate on) {
        List<Season> open = calendar.windowsIn(LocalDateRange.of(on, on.plusDays(1))).stream()
                .map(window -> window.season())
                .toList();
        return traits.mainCutDormant()
                && !facts.formWanted().trained()
                && open.contains(Season.SUMMER)
                && !open.contains(Season.DORMANT);
    }

    /**
     * What a surveyor reported as removed in the twelve months before counts for twelve months, and only as far as it was
     * not logged.
     */
    private Survey withWhatWasReported(Survey survey, LocalDate today) {
        TreeSurvey tree = survey.tree();
        boolean past = !today.isBefore(survey.surveyedOn().plusYears(1));
        boolean logged = visits.stream()
                .anyMatch(visit -> visit.on().isBefore(survey.surveyedOn())
                        && !visit.on().isBefore(survey.surveyedOn().minusYears(1)));
        if (tree.removedLast12Months() == 0 || !past && !logged) {
            return survey;
        }
        double share = past ? 0 : Math.max(0, tree.removedLast12Months() - loggedBefore(survey));
        return survey.withRemovedLast12Months(share);
    }

    private double loggedBefore(Survey survey) {
        LocalDateRange days = LocalDateRange.of(survey.surveyedOn().minusYears(1), survey.surveyedOn());
        return Stream.of(calendar.pruningYear(days.getStart()), calendar.pruningYear(days.getEnd()))
                .distinct()
                .mapToDouble(year -> taken.getOrDefault(year.year(), new YearTaken()).share)
                .sum();
    }
}
