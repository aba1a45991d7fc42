package org.diligentbough.core.verdict;

/**
 * What one tree may lose in a pruning year, where somebody decided that it is not what the site goes by.
 *
 * @param share of the living crown, 0 to 1
 * @param why in the words of whoever decided
 * @param by who decided
 */
public record OwnAllowance(double share, String why, String by) {
    public OwnAllowance {
        if (!(share >= 0 && share <= 1)) {
            throw new IllegalArgumentException("an allowance is a share from 0 to 1");
        }
    }
}
