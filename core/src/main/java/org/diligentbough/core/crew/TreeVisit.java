package org.diligentbough.core.crew;

import java.util.List;
import java.util.Set;
import org.diligentbough.core.season.MayCut;
import org.diligentbough.core.season.Weather;
import org.diligentbough.core.verdict.Ticket;

/**
 * One tree's turn on a work day.
 *
 * @param tree its tag
 * @param minutes person-minutes for cuts, detail, upkeep and clearing up
 * @param tickets that somebody of those who do it must hold
 * @param offTheGround whether anything is done from a ladder or in the tree, or with a pole saw
 * @param sick whether diseased wood is cut
 * @param boundToWindow whether live wood is cut that must wait for the species' window
 * @param mayCut whether the species may be cut on the day
 * @param weather what the weather of the day says against it, as far as it is known
 * @param outdated limbs whose cuts are no longer what the judgement says
 * @param helpers ids of those who do it
 */
public record TreeVisit(
        long id,
        String tree,
        int minutes,
        Set<Ticket> tickets,
        Set<Kit> kit,
        boolean offTheGround,
        boolean sick,
        boolean boundToWindow,
        MayCut mayCut,
        Weather.Holds weather,
        List<String> outdated,
        List<Long> helpers) {
    public TreeVisit {
        tickets = Set.copyOf(tickets);
        kit = Set.copyOf(kit);
        outdated = List.copyOf(outdated);
        helpers = List.copyOf(helpers);
    }

    /** By the clock for each of those who do it: two people an hour are 120 person-minutes. */
    public double clockMinutes() {
        return (double) minutes / Math.max(1, helpers.size());
    }
}
