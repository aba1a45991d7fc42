package org.diligentbough.core.verdict;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.diligentbough.core.knowledge.Reason;

/**
 * The judgement of a whole tree.
 *
 * @param vigour empty when end shoots were not measured
 * @param resting whether this year takes dead, diseased and dangerous wood only; true too for a referred tree that rests
 * @param weak whether it rests because it grows weakly, so that not even detail is taken
 * @param allowance what this year may take: nothing while it rests
 * @param fullAllowance what a year may take when it does not rest
 * @param yearsNeeded pruning years the work wants, 1 to 5
 * @param yearsWhy why so many
 */
public record TreeVerdict(
        Triage triage,
        Optional<Vigour> vigour,
        List<Reason> reasons,
        boolean resting,
        boolean weak,
        Allowance allowance,
        Allowance fullAllowance,
        int yearsNeeded,
        Reason yearsWhy) {
    public TreeVerdict {
        reasons = List.copyOf(reasons);
    }

    /**
     * How much a tree may lose in a pruning year.
     *
     * @param year share of the living crown standing at the start of the year, 0 to 1; empty where another rule holds
     * @param summer how much of it in summer
     * @param bigCuts big cuts in a pruning year
     */
    public record Allowance(OptionalDouble year, OptionalDouble summer, OptionalInt bigCuts, List<Reason> reasons) {
        public Allowance {
            reasons = List.copyOf(reasons);
        }
    }
}
