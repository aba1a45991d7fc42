package org.diligentbough.core;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.diligentbough.core.answer.Learning;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Rootstocks;
import org.diligentbough.core.orchard.Site;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.orchard.SpeciesTraits;
import org.diligentbough.core.season.CareTable;
import org.diligentbough.core.season.Climate;
import org.diligentbough.core.season.CuttingCalendar;
import org.diligentbough.core.season.KindYear;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.season.Seen;
import org.diligentbough.core.season.StageTable;
import org.diligentbough.core.season.WindowTable;
import org.diligentbough.core.survey.FoundDecay;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.survey.SurveyNotes;
import org.diligentbough.core.visit.TreeRecord;
import org.diligentbough.core.visit.TreeToday;
import org.diligentbough.core.visit.Visit;
import org.diligentbough.core.wood.DiseaseTraits;
import org.threeten.extra.LocalDateRange;

/**
 * All that the core goes by: numbers, sources, species and windows. Read once at start; immutable.
 *
 * @param knowledge numbers that hold where a kind has none of its own
 * @param ofKinds other values of some figures for trees of a kind
 */
public record Rulebook(
        Knowledge knowledge,
        Map<Species, Map<Figure, Double>> ofKinds,
        SpeciesTraits.Table species,
        WindowTable windows,
        StageTable stages,
        CareTable care,
        Rootstocks rootstocks,
        DiseaseTraits.Table diseases) {

    /** Reads the shipped data files; a file that cannot be used stops it with the file's name and line. */
    public static Rulebook load() {
        StageTable stages = StageTable.load();
        return new Rulebook(
                Knowledge.load(),
                Map.of(),
                SpeciesTraits.Table.load(),
                WindowTable.load(stages),
                stages,
                CareTable.load(stages),
                Rootstocks.load(),
                DiseaseTraits.Table.load());
    }

    /** The same with other values for some figures: what a site has changed. */
    public Rulebook with(Map<Figure, Double> figures) {
        return with(figures, ofKinds);
    }

    /** The same with other values for some figures, and with some for trees of a kind alone. */
    public Rulebook with(Map<Figure, Double> figures, Map<Species, Map<Figure, Double>> kinds) {
        return figures.isEmpty() && kinds.equals(ofKinds)
                ? this
                : new Rulebook(
                        knowledge.with(figures),
                        Map.copyOf(kinds),
                        species,
                        windows,
                        stages,
                        care,
                        rootstocks,
                        diseases);
    }

    /** The same as it holds for trees of a kind. */
    public Rulebook of(Species kind) {
        Map<Figure, Double> own = ofKinds.getOrDefault(kind, Map.of());
        return own.isEmpty() ? this : with(own, Map.of());
    }

    /** When trees of a kind may be cut at a site, with what was seen of them there. */
    public CuttingCalendar calendar(Site site, Species kind, boolean trained, Seen seen) {
        Knowledge own = of(kind).knowledge;
        return new CuttingCalendar(windows, stages, own, species, site, Climate.of(site, own), kind, trained, seen);
    }

    /** The year of a kind at a site besides its windows. */
    public KindYear year(Site site, Species kind, Seen seen) {
        Knowledge own = of(kind).knowledge;
        return new KindYear(
                kind, Climate.of(site, own), calendar(site, kind, false, seen).stages(), care, own);
    }

    /** The work that is due for a whole orchard on some of {@code days}. */
    public List<CareTable.Due> care(Site site, LocalDateRange days) {
        return care.due(Climate.of(site, knowledge), days);
    }

    /** When the surveyed tree may be cut, with what was seen of its kind and of itself. */
    public CuttingCalendar calendar(Survey survey) {
        Form form = survey.tree().formAimedAt(species.of(survey.tree().species()));
        List<LocalDate> growing =
                survey.tree().stillGrowing().filter(yes -> yes).map(yes -> survey.surveyedOn()).stream()
                        .toList();
        return calendar(
                survey.site(),
                survey.tree().species(),
                form.trained(),
                survey.seen().and(new Seen(List.of(), growing)));
    }

    /**
     * A tree as it stands.
     *
     * @param surveys one at least, all of one tree and as of the same today; of two of the same day the later one counts
     * @param visits what was done to it
     */
    public TreeToday standing(List<Survey> surveys, List<Visit> visits) {
        return standing(surveys, visits, List.of());
    }

    /**
     * Whether the cuts of the running pruning year or the one before were answered by far more shoots than they should have
     * been.
     *
     * @param shoots counted near cuts, by the limb that was cut
     */
    public Optional<SurveyNotes.AnsweredHard> answeredHard(
            List<Survey> surveys, List<Visit> visits, Map<String, Integer> shoots) {
        if (shoots.isEmpty()) {
            return Optional.empty();
        }
        Learning learning = new Learning(of(surveys.get(0).tree().species()).knowledge);
        TreeRecord record = record(surveys, visits, List.of());
        int now = calendar(surveys.get(surveys.size() - 1))
                .pruningYear(surveys.get(0).today())
                .year();
        int counted = 0;
        double expected = 0;
        Map<Integer, TreeRecord.Taken> years = new HashMap<>();
        record.takenByYear().forEach(year -> years.put(year.pruningYear(), year));
        for (TreeRecord.TakenCut cut : record.takenCuts()) {
            Integer seen = shoots.get(cut.limb());
            TreeRecord.Taken year = years.get(cut.pruningYear());
            if (seen != null && year != null && cut.pruningYear() >= now - 1) {
                counted += seen;
                boolean summer = year.summerShare() > year.share() / 2;
                expected +=
                        learning.shippedShoots(summer ? Season.SUMMER : Season.DORMANT) * cut.leafM2() * year.share();
            }
        }
        return learning.tooHard(counted, expected)
                ? Optional.of(new SurveyNotes.AnsweredHard(counted, expected))
                : Optional.empty();
    }

    /** Every cut that was taken of a tree, in the order of time. */
    public List<TreeRecord.TakenCut> takenCuts(List<Survey> surveys, List<Visit> visits) {
        return record(surveys, visits, List.of()).takenCuts();
    }

    /** Where the faces of cuts are, by the limb that was cut. */
    public Map<String, FoundDecay> faces(List<Survey> surveys, List<Visit> visits) {
        return record(surveys, visits, List.of()).faces();
    }

    /** What was taken of a tree in each pruning year, the first first. */
    public List<TreeRecord.Taken> taken(List<Survey> surveys, List<Visit> visits) {
        return record(surveys, visits, List.of()).takenByYear();
    }

    /** The same where wounds were found rotting since. */
    public TreeToday standing(List<Survey> surveys, List<Visit> visits, List<FoundDecay> rotting) {
        return record(surveys, visits, rotting).standing();
    }

    private TreeRecord record(List<Survey> surveys, List<Visit> visits, List<FoundDecay> rotting) {
        Survey newest = surveys.stream()
                .reduce((one, other) -> other.surveyedOn().isBefore(one.surveyedOn()) ? one : other)
                .orElseThrow(() -> new IllegalArgumentException("a tree that was never surveyed is not known"));
        Species kind = newest.tree().species();
        return new TreeRecord(surveys, visits, rotting, species.of(kind), of(kind).knowledge, calendar(newest));
    }
}
