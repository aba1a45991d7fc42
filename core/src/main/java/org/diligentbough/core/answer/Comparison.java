package org.diligentbough.core.answer;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.diligentbough.core.answer.TreeHistory.YearCut;

/**
 * What a year's cutting did to a tree against like trees in the same years.
 *
 * @param cut all that came off that pruning year
 * @param effect difference of logarithms: 0.18 is about a fifth more; empty where it cannot be reckoned
 * @param low lower end of an interval of 80 %
 * @param high its upper end
 * @param bootstrapLow the same, from resampled like trees
 * @param likeTrees how many there were
 * @param before years held against {@code after}
 * @param undercounted whether one of the years was counted in a dense tree before it was opened
 * @param wanted what is missing, where it is too little to tell
 */
public record Comparison(
        String label,
        YearCut cut,
        OptionalDouble effect,
        OptionalDouble low,
        OptionalDouble high,
        OptionalDouble bootstrapLow,
        OptionalDouble bootstrapHigh,
        Says says,
        int likeTrees,
        List<Integer> before,
        List<Integer> after,
        boolean undercounted,
        Optional<Wanted> wanted) {

    /** What can be said of it. */
    public enum Says {
        MORE,
        LESS,
        NO_DIFFERENCE_SEEN,
        TOO_LITTLE_TO_TELL
    }

    /** What is wanted to tell: years on either side, and like trees. */
    public record Wanted(int yearsBefore, int yearsAfter, int likeTrees) {}

    /** Whether it tells anything. */
    public boolean tells() {
        return says != Says.TOO_LITTLE_TO_TELL;
    }
}
