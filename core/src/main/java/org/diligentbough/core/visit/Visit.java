package org.diligentbough.core.visit;

import java.time.LocalDate;
import java.util.List;

/**
 * What was done to a tree on one day.
 *
 * @param cuts what was really cut or bent; what was left undone is not among them
 * @param shoots shoots taken that had only been counted
 * @param upkeep whether it was the ordinary yearly cutting of a kept tree
 */
public record Visit(LocalDate on, List<MadeCut> cuts, int shoots, boolean upkeep) {
    public Visit {
        cuts = List.copyOf(cuts);
    }

    /** A visit for planned cuts and counted shoots. */
    public Visit(LocalDate on, List<MadeCut> cuts, int shoots) {
        this(on, cuts, shoots, false);
    }
}
