package org.diligentbough.core.verdict;

import java.util.Set;

/**
 * One cut, or one branch to bend, as the crew meets it.
 *
 * @param diameterCm width of the wood at the cut, cm; of the limb's base when it is bent
 * @param big whether it counts among the year's big cuts; dead wood never does
 * @param heightM height of the cut above ground, m
 * @param weightKg weight of what comes off, its side limbs included, kg
 * @param minutes person-minutes for it, clearing up included
 * @param tickets proof of training it asks for
 */
public record Cut(
        Place place,
        double diameterCm,
        boolean big,
        Technique technique,
        Tool tool,
        Reach reach,
        double heightM,
        double weightKg,
        int minutes,
        Set<Ticket> tickets) {
    public Cut {
        tickets = Set.copyOf(tickets);
    }

    public CutKind kind() {
        return place.kind();
    }
}
