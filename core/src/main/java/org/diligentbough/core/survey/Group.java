package org.diligentbough.core.survey;

/**
 * The other trees that a tree is kept in balance with.
 *
 * @param others how many of them are surveyed, 1 or more
 * @param meanHeightM their mean height, m
 */
public record Group(String name, int others, double meanHeightM) {}
