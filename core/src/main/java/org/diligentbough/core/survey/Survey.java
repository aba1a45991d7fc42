package org.diligentbough.core.survey;

import java.time.LocalDate;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.diligentbough.core.orchard.Site;
import org.diligentbough.core.season.Seen;

/**
 * One tree as surveyed, where it stands, and the day on which it is judged.
 *
 * @param today the site's local date on which the judgement is asked for
 * @param surveyedOn the day of the walk
 * @param seen what was seen of the growth of its kind at its site, itself included
 * @param years over how many pruning years to plan, 1 to 5; empty leaves it to the judgement
 */
public record Survey(
        Site site,
        LocalDate today,
        LocalDate surveyedOn,
        Seen seen,
        TreeSurvey tree,
        List<Limb> limbs,
        List<Surrounding> surroundings,
        OptionalInt years) {

    public Survey {
        limbs = List.copyOf(limbs);
        surroundings = List.copyOf(surroundings);
    }

    /** The same survey with another share of the living crown taken in the twelve months before it, 0 to 1. */
    public Survey withRemovedLast12Months(double share) {
        return new Survey(
                site, today, surveyedOn, seen, tree.withRemovedLast12Months(share), limbs, surroundings, years);
    }

    /** The same survey with another height wanted, m, empty when none is, and other things noted of the tree. */
    public Survey wanting(OptionalDouble heightM, SurveyNotes noted) {
        return new Survey(site, today, surveyedOn, seen, tree.wanting(heightM, noted), limbs, surroundings, years);
    }

    /** The same survey at a site that has chosen otherwise. */
    public Survey at(Site other) {
        return new Survey(other, today, surveyedOn, seen, tree, limbs, surroundings, years);
    }

    /** The same survey with other things round the tree. */
    public Survey withSurroundings(List<Surrounding> others) {
        return new Survey(site, today, surveyedOn, seen, tree, limbs, others, years);
    }

    /** The same survey with what was seen of its kind besides. */
    public Survey withSeen(Seen others) {
        return new Survey(site, today, surveyedOn, seen.and(others), tree, limbs, surroundings, years);
    }

    /**
     * Something near the tree.
     *
     * @param bearingDeg compass direction from the trunk, degrees
     * @param distanceM from the trunk to its middle, m
     * @param heightM its height, m
     * @param extentM radius of a tree's crown; length across the bearing of a wall or hedge, m
     */
    public record Surrounding(Kind kind, double bearingDeg, double distanceM, double heightM, double extentM) {
        /** What stands there. */
        public enum Kind {
            TREE,
            WALL,
            HEDGE
        }
    }
}
