package org.diligentbough.core.visit;

import java.time.LocalDate;
import java.util.List;

/**
 * What was done to a tree on one day.
 *
 * @param cuts what was really cut or bent; what was left undone is not among them
 * @param shoots shoots taken that had only been counted
 */
public record Visit(LocalDate on, List<MadeCut> cuts, int shoots) {
    public Visit {
        cuts = List.copyOf(cuts);
    }
}
