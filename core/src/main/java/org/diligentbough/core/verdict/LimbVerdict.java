package org.diligentbough.core.verdict;

import java.util.List;
import java.util.Optional;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.survey.Limb;

/**
 * The judgement of one limb.
 *
 * @param crownShare share of the living crown on it and its side limbs, 0 to 1
 * @param row the row of the table that gave the verdict; empty when it goes with another limb
 * @param urgent whether it cannot wait for a window or an allowance
 * @param anySeason whether it may be cut outside the species' windows
 * @param reasons why, the deciding one first
 * @param cut what is done, for verdicts that do something
 */
public record LimbVerdict(
        Limb limb,
        double crownShare,
        Verdict verdict,
        Optional<TableRow> row,
        boolean urgent,
        boolean anySeason,
        List<Reason> reasons,
        Optional<Cut> cut) {
    public LimbVerdict {
        reasons = List.copyOf(reasons);
    }
}
