package org.diligentbough.core.visit;

import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import org.diligentbough.core.knowledge.ReasonCode;

/**
 * What was done to a tree on one day.
 *
 * @param cuts what was really cut or bent; what was left undone is not among them
 * @param shoots shoots taken that had only been counted
 * @param tasks yearly work of the kind that was done with it
 * @param upkeep whether it was the ordinary yearly cutting of a kept tree
 */
public record Visit(LocalDate on, List<MadeCut> cuts, int shoots, Set<ReasonCode> tasks, boolean upkeep) {
    public Visit {
        cuts = List.copyOf(cuts);
        tasks = Set.copyOf(tasks);
    }

    /** A visit for planned cuts and counted shoots. */
    public Visit(LocalDate on, List<MadeCut> cuts, int shoots) {
        this(on, cuts, shoots, Set.of(), false);
    }
}
