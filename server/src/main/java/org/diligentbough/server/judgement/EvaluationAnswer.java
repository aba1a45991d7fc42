package org.diligentbough.server.judgement;

import java.time.LocalDate;
import java.util.List;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.Wording.Worded;

/**
 * The judgement of one tree as answered by {@code POST /api/evaluate}. Shares are fractions, 0 to 1, of the living crown
 * at the start of the pruning year. What may be missing is null.
 *
 * @param years over which the plan goes; {@code yearsWhy} is null when so many were asked for
 * @param outlook ten years ahead, told for a survey that was sent; a registered tree's has an address of its own
 */
public record EvaluationAnswer(
        TreeAnswer tree,
        List<LimbAnswer> limbs,
        int years,
        @MayBeNull Worded yearsWhy,
        List<LaneAnswer> plan,
        List<NotPlacedAnswer> notPlaced,
        List<CareAnswer> care,
        @MayBeNull UpkeepAnswer upkeep,
        TodayAnswer today,
        LightAnswer light,
        @MayBeNull OutlookAnswer outlook,
        List<Worded> cautions) {

    /**
     * Share of the leaf on fruiting limbs with light enough for fruit buds, before and after the plan; null when nothing is
     * known to fruit.
     *
     * @param notEntered share of the crown's leaf, 0 to 1, that hangs on no limb entered
     * @param takenByNeighbours what each neighbour takes from the whole crown, most first
     * @param castOnNeighbours what this tree takes from each neighbour, most first
     */
    public record LightAnswer(
            @MayBeNull Double inLightBefore,
            @MayBeNull Double inLightAfter,
            double notEntered,
            List<ShadeAnswer> takenByNeighbours,
            List<ShadeAnswer> castOnNeighbours) {}

    /** Something that shades or is shaded: a limb by its tag, or a neighbour by its name, which may be empty. */
    public record ShadeAnswer(String name, boolean neighbour, double takes) {}

    /**
     * What a cut is worth, its parts from 0 to 1.
     *
     * @param lightLetIn how much more light what stays gets, share of open-sky light
     * @param crownTaken share of the living crown
     */
    public record WorthAnswer(double risk, double lightLetIn, double light, double form, double crownTaken) {}

    /** The tree as a whole. */
    public record TreeAnswer(
            String triage,
            @MayBeNull String vigour,
            List<Worded> reasons,
            AllowanceAnswer allowance,
            String formWanted,
            int yearsNeeded) {}

    /** What a pruning year may take; null where the species has a rule of its own. */
    public record AllowanceAnswer(
            @MayBeNull Double year,
            @MayBeNull Double summer,
            @MayBeNull Integer bigCuts,
            List<Worded> reasons) {}

    /**
     * One limb.
     *
     * @param rule of the verdict table that decides; null when it goes with another limb
     * @param behind rules that would have said something too, in the order of the table
     * @param instead the limb that could go in its place, where the judgement leaves the choice
     * @param whyNot of a limb that stays: what it comes near to, and why that is not it
     */
    public record LimbAnswer(
            String id,
            double crownShare,
            @MayBeNull Double light,
            String verdict,
            boolean urgent,
            boolean anySeason,
            @MayBeNull String rule,
            List<String> behind,
            List<Worded> reasons,
            List<Worded> whyNot,
            @MayBeNull String instead,
            @MayBeNull Double worth,
            @MayBeNull WorthAnswer worthOf,
            @MayBeNull CutAnswer cut) {}

    /**
     * One cut, or one branch to bend.
     *
     * @param alongM distance from the limb's base, m
     * @param heightM height above ground, m
     * @param sideBranch the side branch cut back to
     * @param bud to which bud it is headed and how the cut slopes
     */
    public record CutAnswer(
            String kind,
            double diameterCm,
            boolean big,
            String technique,
            String tool,
            String reach,
            double weightKg,
            int minutes,
            List<String> tickets,
            double alongM,
            double heightM,
            @MayBeNull String sideBranch,
            @MayBeNull Worded bud) {}

    /**
     * What is done in one season of one pruning year.
     *
     * @param quality of the time; null for season any
     * @param crop share of what the tree could bear as surveyed that is given up, 0 to 1
     */
    public record LaneAnswer(
            int year,
            String yearLabel,
            String season,
            @MayBeNull String quality,
            WindowAnswer window,
            List<PlannedCutAnswer> cuts,
            double share,
            double crop,
            @MayBeNull Double allowance,
            int bigCuts,
            int minutes,
            @MayBeNull Worded overrun,
            @MayBeNull DetailAnswer detail,
            List<TaskAnswer> tasks,
            List<CultivarAnswer> cultivars,
            int upkeepMinutes) {}

    /** What a lane takes of one of several cultivars on a tree: share of that cultivar's own crown as surveyed, 0 to 1. */
    public record CultivarAnswer(String cultivar, double share) {}

    /** Yearly work of the kind that is no single limb's: person-minutes. */
    public record TaskAnswer(Worded what, int minutes) {}

    /** Ordinary cutting year after year when the plan is done, an estimate: person-minutes. */
    public record UpkeepAnswer(int fromYear, String fromYearLabel, String season, int minutes) {}

    /** First and last day. */
    public record WindowAnswer(LocalDate opens, LocalDate closes) {}

    /** One limb's turn; {@code breaks} what its place breaks when it was moved there by hand. */
    public record PlannedCutAnswer(
            String limb,
            String kind,
            double share,
            double crop,
            CutAnswer cut,
            List<Worded> reasons,
            boolean byHand,
            List<Worded> breaks) {}

    /** Counted shoots dealt with in one season. */
    public record DetailAnswer(int shoots, double share, int minutes) {}

    /** A limb for which no place was found. */
    public record NotPlacedAnswer(String limb, List<Worded> reasons) {}

    /** What the plan asks for in a pruning year besides its cuts. */
    public record CareAnswer(int year, String yearLabel, Worded what, int minutes) {}

    /** Whether live wood may be cut today. */
    public record TodayAnswer(String mayCut, List<Worded> reasons, LocalDate nextOpens, LocalDate nextCloses) {}
}
