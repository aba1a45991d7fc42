package org.diligentbough.core.survey;

import java.util.OptionalDouble;

/**
 * The other trees that a tree is kept in balance with.
 *
 * @param others how many of them are surveyed, 1 or more
 * @param meanHeightM their mean height, m
 * @param meanSpreadM their mean width of crown, m
 * @param meanShootsCm the mean of their end shoots, cm; empty where nobody measured any
 */
public record Group(String name, int others, double meanHeightM, double meanSpreadM, OptionalDouble meanShootsCm) {}
