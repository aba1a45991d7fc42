package org.diligentbough.server.crew;

import java.util.List;
import org.diligentbough.server.shared.MayBeNull;

/** What a day is proposed to be filled with, as it is kept and shown. */
public record Proposed(
        List<ProposedCrew> crews,
        List<LeftTree> left,
        List<ProposedPerson> leftOut,
        List<String> missing,
        int idleMinutes) {

    /** A crew; the first of its people leads it. */
    public record ProposedCrew(int crew, List<ProposedPerson> people, List<ProposedTurn> turns) {}

    /** Somebody in a crew or in none. */
    public record ProposedPerson(long id, String name) {}

    /**
     * A turn of a tree, or of a task that stands on the day.
     *
     * @param tag of the tree; of a task what is to be done
     * @param visitId of a tree that is on the day already; null for one that would be put on it
     * @param cuts those that would be put on, where not all are
     * @param shoots how many of the young shoots there is time for; null where the tree has none, or stands on the day already
     * @param leaves limbs whose cuts want a ticket that nobody who comes holds
     */
    public record ProposedTurn(
            @MayBeNull Long treeId,
            String tag,
            @MayBeNull Long visitId,
            @MayBeNull Long taskId,
            String starts,
            String ends,
            int minutes,
            boolean urgent,
            @MayBeNull List<ProposedCut> cuts,
            @MayBeNull Integer shoots,
            List<String> leaves) {}

    /** A cut by its limb and kind. */
    public record ProposedCut(String limb, String kind) {}

    /** A tree that found no place, and why; {@code visitId} of one that stands on the day: taken over, it goes back to its plan. */
    public record LeftTree(
            @MayBeNull Long treeId, String tag, @MayBeNull Long visitId, List<String> reasons) {}
}
