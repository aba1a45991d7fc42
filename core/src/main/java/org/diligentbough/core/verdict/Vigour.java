package org.diligentbough.core.verdict;

/** How strongly a tree grows, by its end shoots. */
public enum Vigour {
    WEAK,
    MODEST,
    GOOD,
    STRONG,
    RANK
}
