package org.diligentbough.core;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Rootstocks;
import org.diligentbough.core.orchard.Site;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.orchard.SpeciesTraits;
import org.diligentbough.core.season.CuttingCalendar;
import org.diligentbough.core.season.WindowTable;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.visit.Standing;
import org.diligentbough.core.visit.TreeRecord;
import org.diligentbough.core.visit.Visit;

/** All that the core goes by: numbers, sources, species and windows. Read once at start; immutable. */
public record Rulebook(Knowledge knowledge, SpeciesTraits.Table species, WindowTable windows, Rootstocks rootstocks) {

    /** Reads the shipped data files; a file that cannot be used stops it with the file's name and line. */
    public static Rulebook load() {
        return new Rulebook(Knowledge.load(), SpeciesTraits.Table.load(), WindowTable.load(), Rootstocks.load());
    }

    /** The same with other values for some figures: what a site has changed. */
    public Rulebook with(Map<Figure, Double> figures) {
        return figures.isEmpty() ? this : new Rulebook(knowledge.with(figures), species, windows, rootstocks);
    }

    /** When trees of a kind may be cut at a site, by the months alone. */
    public CuttingCalendar calendar(Site site, Species kind, boolean trained) {
        return calendar(site, kind, trained, CuttingCalendar.Seen.NOTHING);
    }

    /** When the surveyed tree may be cut, with what was seen of its growth. */
    public CuttingCalendar calendar(Survey survey) {
        Form form = survey.tree().formAimedAt(species.of(survey.tree().species()));
        Optional<LocalDate> growing =
                survey.tree().stillGrowing().filter(Boolean::booleanValue).map(yes -> survey.surveyedOn());
        CuttingCalendar.Seen seen = survey.observedStage()
                .map(stage -> new CuttingCalendar.Seen(OptionalInt.of(stage.bbch()), Optional.of(stage.on()), growing))
                .orElse(new CuttingCalendar.Seen(OptionalInt.empty(), Optional.empty(), growing));
        return calendar(survey.site(), survey.tree().species(), form.trained(), seen);
    }

    /**
     * A tree as it stands.
     *
     * @param surveys one at least, all of one tree and as of the same today; of two of the same day the later one counts
     * @param visits what was done to it
     */
    public Standing standing(List<Survey> surveys, List<Visit> visits) {
        Survey newest = surveys.stream()
                .reduce((one, other) -> other.surveyedOn().isBefore(one.surveyedOn()) ? one : other)
                .orElseThrow(() -> new IllegalArgumentException("a tree that was never surveyed is not known"));
        return new TreeRecord(surveys, visits, species.of(newest.tree().species()), knowledge, calendar(newest))
                .standing();
    }

    private CuttingCalendar calendar(Site site, Species kind, boolean trained, CuttingCalendar.Seen seen) {
        return new CuttingCalendar(windows, knowledge, species, site, kind, trained, seen);
    }
}
