package org.diligentbough.server.answers;

import java.time.LocalDate;
import java.util.List;
import org.diligentbough.server.shared.MayBeNull;

/**
 * How sound a tree's wood is and has been.
 *
 * @param grade A to E; null while nothing is known
 */
public record WoodView(
        @MayBeNull String grade,
        List<GradePartView> parts,
        List<YearGrade> byYear,
        List<WoundView> wounds,
        List<DiseaseSeenView> disease) {

    /** One part of a grade; what is null is not known. {@code text} says the figure in words. */
    record GradePartView(
            String part,
            @MayBeNull String grade,
            @MayBeNull Double value,
            String text,
            @MayBeNull LocalDate on,
            String source) {}

    /** The grade at the end of a year, or today. */
    record YearGrade(int year, @MayBeNull String grade) {}

    /**
     * A wound.
     *
     * @param old whether it was found on a walk
     * @param onLimb what bears it; null on the trunk
     * @param alongM where on that, m from its base; height above ground on the trunk; null where that is not known
     * @param dueOn when it is to be looked at again; null when it is closed
     */
    record WoundView(
            String name,
            boolean old,
            @MayBeNull String onLimb,
            @MayBeNull Double alongM,
            LocalDate madeOn,
            double diameterCm,
            @MayBeNull String face,
            @MayBeNull Double hollowCm,
            String state,
            double closingMmPerYear,
            double expectedMmPerYear,
            @MayBeNull Integer closedYear,
            @MayBeNull Integer low,
            @MayBeNull Integer high,
            @MayBeNull LocalDate dueOn,
            List<WoundLook> looks) {}

    /** A look at a wound. */
    record WoundLook(
            LocalDate on,
            double longMm,
            double shortMm,
            String state,
            @MayBeNull Integer shoots,
            @MayBeNull Double longestCm,
            @MayBeNull String note,
            String by) {}

    /** A disease seen; {@code limb} and {@code by} are null of what walks and logs tell. */
    record DiseaseSeenView(
            String disease,
            LocalDate on,
            String state,
            @MayBeNull String limb,
            @MayBeNull String note,
            @MayBeNull String by) {}

    /**
     * A tree of a site.
     *
     * @param was its grade a year before
     * @param worst what its grade goes by
     * @param dueOn when a wound is to be looked at first
     */
    public record TreeWood(
            long treeId,
            String tag,
            String species,
            @MayBeNull String grade,
            @MayBeNull String was,
            @MayBeNull String worst,
            @MayBeNull LocalDate dueOn,
            List<String> dueWounds) {}

    /**
     * A disease over a site at the end of a year, or today.
     *
     * @param spreading whether it lies closer together than chance would have it nine times of ten
     * @param lookNext trees to look at next, the most at risk first
     */
    record DiseaseView(
            String disease,
            double reachM,
            List<TreeAt> sick,
            int canHave,
            int joins,
            double expected,
            double p,
            boolean spreading,
            boolean incurable,
            List<RiskAt> atRisk,
            List<RiskAt> lookNext) {}

    /** A sick tree and where it stands. */
    record TreeAt(long treeId, String tag, double eastM, double northM, boolean standing) {}

    /** A tree at risk and where it stands. */
    record RiskAt(long treeId, String tag, double eastM, double northM, double risk, boolean suspected) {}

    /** The diseases of a site, and from which year on there are sightings. */
    record DiseasesView(int year, int firstYear, int lastYear, List<DiseaseView> diseases) {}

    /**
     * A limb that came off, or a whole tree.
     *
     * @param limb null for the whole tree
     * @param kind what was done; {@link #WHOLE_TREE} for a tree taken out
     * @param reason code of the first reason of its verdict, or on which grounds a tree was taken out; null where it was not planned
     * @param why the same in words; null of whole trees, whose grounds are a code alone
     * @param kilos as planned; null where it was cut otherwise, and of whole trees
     * @param permission whose leave was given and when, as it was entered or as the owner answered; null where none was asked for
     */
    record CameOff(
            LocalDate on,
            long treeId,
            String tag,
            String species,
            @MayBeNull String limb,
            String kind,
            @MayBeNull String reason,
            @MayBeNull String why,
            String people,
            @MayBeNull Double diameterCm,
            @MayBeNull Double kilos,
            @MayBeNull String wood,
            @MayBeNull String permission) {}

    /** What is said to be done with a whole tree. */
    static final String WHOLE_TREE = "taken-out";

    /**
     * A pile that was weighed.
     *
     * @param asPlanned whether every cut was done as planned, so that the two may be held against each other
     * @param tooMuch whether it is so much more than was reckoned that too much came off
     */
    record Pile(
            LocalDate on,
            long treeId,
            String tag,
            String species,
            double weighedKg,
            double reckonedKg,
            boolean asPlanned,
            boolean tooMuch) {}

    /**
     * A wound that is not closed, as somebody stands before it.
     *
     * @param lastOn the newest look, null while there was none; the others are what it found
     */
    public record OpenWound(
            long treeId,
            String tag,
            String species,
            String wound,
            boolean old,
            LocalDate madeOn,
            double diameterCm,
            @MayBeNull String face,
            LocalDate dueOn,
            @MayBeNull LocalDate lastOn,
            @MayBeNull Double longMm,
            @MayBeNull Double shortMm,
            @MayBeNull String state) {}
}
