package org.diligentbough.core.survey;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;

/**
 * What a walk round the whole tree noted besides its measures.
 *
 * @param habit how the kind grows by nature
 * @param heightSetBy what sets the height wanted
 * @param lopsidedFrom why it leans to one side, asked before correcting
 * @param beneath what lies within falling distance
 * @param hasFruited whether it has ever borne
 * @param lastCut how hard it was cut the last time
 * @param union how its main stems meet
 * @param fungus whether fungus grows on the trunk or at its foot
 * @param tiesBite whether ties or wire bite in
 * @param openWoundCm width of the largest old wound not closed, cm
 * @param consent of whoever owns it
 * @param spreadTargetM width allotted to the tree, m
 * @param leafDensity how dense the crown is in leaf
 * @param notEnteredM2 leaf of small wood, m2, carried on from an earlier survey; empty where it is reckoned anew
 * @param youngShoots shoots of the year or the last one that the kind's work asks for, counted and not entered one by one
 * @param group name of the trees it is kept in balance with
 * @param sparedInGroup whether it is weaker than the others of its group, so that it is only cleaned
 * @param shortenedThisYear limbs that were shortened in the pruning year that runs, by their tags
 * @param renovating whether it was found neglected and has been cut since: its renovation goes on
 * @param answeredHard that last year's cutting was answered by far more shoots than it should have been
 * @param decay what cut faces and later looks at wounds showed, of those that stand open
 */
public record SurveyNotes(
        Optional<Habit> habit,
        Optional<HeightSetBy> heightSetBy,
        Optional<LopsidedFrom> lopsidedFrom,
        Set<Beneath> beneath,
        Optional<Boolean> hasFruited,
        Optional<LastCut> lastCut,
        Optional<StemUnion> union,
        boolean fungus,
        boolean tiesBite,
        OptionalDouble openWoundCm,
        Optional<Consent> consent,
        OptionalDouble spreadTargetM,
        Optional<LeafDensity> leafDensity,
        OptionalDouble notEnteredM2,
        OptionalInt youngShoots,
        Optional<String> group,
        boolean sparedInGroup,
        Set<String> shortenedThisYear,
        boolean renovating,
        List<FoundDecay> decay,
        Optional<AnsweredHard> answeredHard) {
    /** Nothing noted. */
    public static final SurveyNotes NOTHING = new SurveyNotes(
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Set.of(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            false,
            false,
            OptionalDouble.empty(),
            Optional.empty(),
            OptionalDouble.empty(),
            Optional.empty(),
            OptionalDouble.empty(),
            OptionalInt.empty(),
            Optional.empty(),
            false,
            Set.of(),
            false,
            List.of(),
            Optional.empty());

    /** Shoots that answered last year's cutting, and how many were to be expected. */
    public record AnsweredHard(int shoots, double expected) {}

    public SurveyNotes {
        beneath = Set.copyOf(beneath);
        shortenedThisYear = Set.copyOf(shortenedThisYear);
        decay = List.copyOf(decay);
    }

    /** The same of a tree that was found neglected and has been cut since. */
    public SurveyNotes beingRenovated() {
        return with(
                spreadTargetM, leafDensity, notEnteredM2, youngShoots, group, sparedInGroup, shortenedThisYear, true);
    }

    /** The same with another width allotted, m. */
    public SurveyNotes within(OptionalDouble otherM) {
        return with(
                otherM, leafDensity, notEnteredM2, youngShoots, group, sparedInGroup, shortenedThisYear, renovating);
    }

    /** The same with the crown seen so dense in leaf. */
    public SurveyNotes seenThrough(LeafDensity density) {
        return with(
                spreadTargetM,
                Optional.of(density),
                notEnteredM2,
                youngShoots,
                group,
                sparedInGroup,
                shortenedThisYear,
                renovating);
    }

    /** The same with leaf of small wood, m2, carried on from an earlier survey. */
    public SurveyNotes carrying(double smallWoodM2) {
        return with(
                spreadTargetM,
                leafDensity,
                OptionalDouble.of(smallWoodM2),
                youngShoots,
                group,
                sparedInGroup,
                shortenedThisYear,
                renovating);
    }

    /** The same of a tree that is weaker than the others of its group. */
    public SurveyNotes spared() {
        return with(spreadTargetM, leafDensity, notEnteredM2, youngShoots, group, true, shortenedThisYear, renovating);
    }

    /** The same with so many shoots counted. */
    public SurveyNotes counting(int shoots) {
        return with(
                spreadTargetM,
                leafDensity,
                notEnteredM2,
                OptionalInt.of(shoots),
                group,
                sparedInGroup,
                shortenedThisYear,
                renovating);
    }

    /** The same of a tree that is to be kept in balance with others. */
    public SurveyNotes ofGroup(String name) {
        return with(
                spreadTargetM,
                leafDensity,
                notEnteredM2,
                youngShoots,
                Optional.of(name),
                sparedInGroup,
                shortenedThisYear,
                renovating);
    }

    /** The same with limbs that were shortened in the pruning year that runs. */
    public SurveyNotes shortened(Set<String> limbs) {
        return with(spreadTargetM, leafDensity, notEnteredM2, youngShoots, group, sparedInGroup, limbs, renovating);
    }

    /** The same with what was found at cut faces and wounds. */
    public SurveyNotes decayed(List<FoundDecay> found) {
        return seenSince(found, answeredHard);
    }

    /** The same where last year's cutting was answered by far too many shoots. */
    public SurveyNotes answeredHard(AnsweredHard answer) {
        return seenSince(decay, Optional.of(answer));
    }

    /** The same with what was seen since the walk. */
    private SurveyNotes seenSince(List<FoundDecay> found, Optional<AnsweredHard> answer) {
        return new SurveyNotes(
                habit,
                heightSetBy,
                lopsidedFrom,
                beneath,
                hasFruited,
                lastCut,
                union,
                fungus,
                tiesBite,
                openWoundCm,
                consent,
                spreadTargetM,
                leafDensity,
                notEnteredM2,
                youngShoots,
                group,
                sparedInGroup,
                shortenedThisYear,
                renovating,
                found,
                answer);
    }

    private SurveyNotes with(
            OptionalDouble widthM,
            Optional<LeafDensity> density,
            OptionalDouble smallWoodM2,
            OptionalInt shoots,
            Optional<String> of,
            boolean spared,
            Set<String> shortened,
            boolean goesOn) {
        return new SurveyNotes(
                habit,
                heightSetBy,
                lopsidedFrom,
                beneath,
                hasFruited,
                lastCut,
                union,
                fungus,
                tiesBite,
                openWoundCm,
                consent,
                widthM,
                density,
                smallWoodM2,
                shoots,
                of,
                spared,
                shortened,
                goesOn,
                decay,
                answeredHard);
    }

    /** How a kind grows by nature. */
    public enum Habit {
        UPRIGHT,
        SPREADING,
        HANGING
    }

    /** What sets the height wanted. */
    public enum HeightSetBy {
        REACH,
        STEPLADDER,
        NET_FRAME,
        BUILDING,
        NEIGHBOUR_LIGHT
    }

    /** Why a tree is heavier on one side. */
    public enum LopsidedFrom {
        SHADE,
        WIND,
        ROOTS_EATEN,
        OLD_BREAK,
        UNKNOWN
    }

    /** What lies within falling distance. */
    public enum Beneath {
        PATH,
        BENCH,
        BED,
        BUILDING,
        ROAD,
        POWER_LINE,
        FENCE
    }

    /** How hard a tree was cut. */
    public enum LastCut {
        LIGHT,
        MODERATE,
        HARD
    }

    /** How the main stems of a trunk meet. */
    public enum StemUnion {
        WIDE,
        NARROW,
        BARK_PRESSED
    }

    /** What the owner says to the work. */
    public enum Consent {
        NOT_NEEDED,
        TO_ASK,
        GIVEN,
        REFUSED
    }
}
