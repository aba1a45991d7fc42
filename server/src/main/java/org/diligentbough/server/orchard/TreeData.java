package org.diligentbough.server.orchard;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Positive;
import jakarta.validation.constraints.Size;
import org.diligentbough.core.orchard.Bearing;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Purpose;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.SurveyNotes;
import org.diligentbough.server.shared.CodeOf;
import org.diligentbough.server.shared.MayBeNull;

/**
 * A tree as people register it.
 *
 * @param tag what hangs on the tree, unlike any other at its site
 * @param eastM metres east of the site's origin
 * @param northM metres north of the site's origin
 * @param targetHeightM height wanted, m, or null when none is
 * @param clearanceM clearance wanted beneath, m
 * @param groupName trees of one name are kept in balance with each other
 * @param owner who owns it and is asked, when that is not the group
 */
public record TreeData(
        @NotBlank(message = "is missing; give the tag that hangs on the tree")
        @Size(max = 40, message = "is longer than 40 letters")
        String tag,

        @NotNull(message = "is missing; choose the kind") @CodeOf(Species.class)
        String species,

        @Size(max = 80, message = "is longer than 80 letters") @MayBeNull
        String cultivar,

        @Size(max = 80, message = "is longer than 80 letters") @MayBeNull
        String rootstock,

        @Min(value = 1600, message = "give a year from 1600 on")
        @Max(value = 2200, message = "give a year up to 2200")
        @MayBeNull
        Integer plantedYear,

        @NotNull(message = "is missing; choose unknown if nobody knows") @CodeOf(Bearing.class)
        String bearing,

        @CodeOf(Form.class) @MayBeNull String form,
        @CodeOf(Form.class) @MayBeNull String formWanted,

        @Min(value = 1, message = "give 1 to 60") @Max(value = 60, message = "give 1 to 60") @MayBeNull
        Integer mainsWanted,

        @NotNull(message = "is missing; choose what it is grown for") @CodeOf(Purpose.class)
        String purpose,

        @NotNull(message = "is missing; give metres east of the origin")
        @DecimalMin(value = "-5000", message = "is too far from the origin; give metres")
        @DecimalMax(value = "5000", message = "is too far from the origin; give metres")
        Double eastM,

        @NotNull(message = "is missing; give metres north of the origin")
        @DecimalMin(value = "-5000", message = "is too far from the origin; give metres")
        @DecimalMax(value = "5000", message = "is too far from the origin; give metres")
        Double northM,

        @Positive(message = "must be over 0 m; leave it empty when no height is wanted")
        @DecimalMax(value = "60", message = "is higher than any fruit tree; give metres")
        @MayBeNull
        Double targetHeightM,

        @DecimalMin(value = "0", message = "cannot be under 0 m")
        @DecimalMax(value = "20", message = "is more than any tree needs; give metres")
        @MayBeNull
        Double clearanceM,

        @NotNull(message = "is missing; say yes or no") Boolean inContainer,

        @Size(max = 2000, message = "is longer than 2000 letters") @MayBeNull
        String note,

        @Size(max = 80, message = "is longer than 80 letters") @MayBeNull
        String groupName,

        @CodeOf(SurveyNotes.Habit.class) @MayBeNull String habit,
        @CodeOf(SurveyNotes.HeightSetBy.class) @MayBeNull String heightSetBy,

        @Size(max = 80, message = "is longer than 80 letters") @MayBeNull
        String owner,

        @Size(max = 2000, message = "is longer than 2000 letters") @MayBeNull
        String ownerWishes,

        @CodeOf(SurveyNotes.Consent.class) @MayBeNull String consent) {
    /** The same where something else stands: metres east and north of the site's origin. */
    public TreeData at(Double otherEastM, Double otherNorthM) {
        return new TreeData(
                tag,
                species,
                cultivar,
                rootstock,
                plantedYear,
                bearing,
                form,
                formWanted,
                mainsWanted,
                purpose,
                otherEastM,
                otherNorthM,
                targetHeightM,
                clearanceM,
                inContainer,
                note,
                groupName,
                habit,
                heightSetBy,
                owner,
                ownerWishes,
                consent);
    }
}
