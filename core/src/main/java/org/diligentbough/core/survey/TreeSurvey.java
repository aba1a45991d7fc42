package org.diligentbough.core.survey;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.diligentbough.core.orchard.Bearing;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Purpose;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.orchard.SpeciesTraits;

/**
 * What was measured of the whole tree.
 *
 * @param mainsWanted number of main branches wanted
 * @param heightM metres above ground
 * @param spreadM crown's width, the mean of both ways, m
 * @param trunkGirthCm round the trunk, cm
 * @param targetHeightM height wanted, m; empty when none is
 * @param clearanceM clearance wanted beneath, m
 * @param shootExtensionCm length of this year's end shoots, cm
 * @param stillGrowing whether the end buds still open leaves
 * @param waterSprouts upright shoots counted, entered as limbs or not
 * @param rootSuckers shoots counted from root or stock
 * @param removedLast12Months share of the living crown taken in the last twelve months, 0 to 1
 * @param yearsSinceCut years since it was last cut
 */
public record TreeSurvey(
        String label,
        Species species,
        Bearing bearing,
        Optional<String> rootstock,
        OptionalInt plantedYear,
        Optional<Form> form,
        Optional<Form> formWanted,
        OptionalInt mainsWanted,
        Purpose purpose,
        double heightM,
        double spreadM,
        double trunkGirthCm,
        OptionalDouble targetHeightM,
        OptionalDouble clearanceM,
        OptionalDouble shootExtensionCm,
        Optional<Boolean> stillGrowing,
        OptionalInt waterSprouts,
        OptionalInt rootSuckers,
        double removedLast12Months,
        OptionalDouble yearsSinceCut,
        boolean inContainer,
        Trunk trunk,
        SurveyNotes noted) {

    /**
     * The form aimed at: the one wanted, else the one it has, else what is usual for the species. A tree that merely is
     * natural was let grow, which says nothing of what is wanted.
     */
    public Form formAimedAt(SpeciesTraits traits) {
        return formWanted.or(() -> form.filter(now -> now != Form.NATURAL)).orElse(traits.formWanted());
    }

    /** The same with another share of the living crown taken in the last twelve months, 0 to 1. */
    public TreeSurvey withRemovedLast12Months(double share) {
        return new TreeSurvey(
                label,
                species,
                bearing,
                rootstock,
                plantedYear,
                form,
                formWanted,
                mainsWanted,
                purpose,
                heightM,
                spreadM,
                trunkGirthCm,
                targetHeightM,
                clearanceM,
                shootExtensionCm,
                stillGrowing,
                waterSprouts,
                rootSuckers,
                share,
                yearsSinceCut,
                inContainer,
                trunk,
                noted);
    }

    /** The same with another height wanted, m, empty when none is, and other things noted. */
    public TreeSurvey wanting(OptionalDouble otherM, SurveyNotes others) {
        return new TreeSurvey(
                label,
                species,
                bearing,
                rootstock,
                plantedYear,
                form,
                formWanted,
                mainsWanted,
                purpose,
                heightM,
                spreadM,
                trunkGirthCm,
                otherM,
                clearanceM,
                shootExtensionCm,
                stillGrowing,
                waterSprouts,
                rootSuckers,
                removedLast12Months,
                yearsSinceCut,
                inContainer,
                trunk,
                others);
    }

    /** Trunk diameter, cm, from its girth. */
    public double trunkDiameterCm() {
        return trunkGirthCm / Math.PI;
    }

    /** Trunk cross-section, cm2: girth squared by four pi (from memory: Westwood and Roberts 1970). */
    public double trunkCrossSectionCm2() {
        return trunkGirthCm * trunkGirthCm / (4 * Math.PI);
    }

    /**
     * What was seen of the trunk.
     *
     * @param crackCm length of a crack, cm
     * @param crackFresh whether the crack is fresh, not callused over
     * @param soundWallCm thickness of sound wood round a hollow, cm
     */
    public record Trunk(OptionalDouble crackCm, Optional<Boolean> crackFresh, OptionalDouble soundWallCm, Lean lean) {
        /** A trunk with nothing seen wrong. */
        public static final Trunk SOUND =
                new Trunk(OptionalDouble.empty(), Optional.empty(), OptionalDouble.empty(), Lean.NONE);

        /** Whether there is a crack. */
        public boolean cracked() {
            return crackCm.isPresent() && crackCm.getAsDouble() > 0;
        }
    }
}
