/**
 * Ten years of a tree left alone, cut by its plan, and cut all at once. Read {@code Outlook}, the answer, then {@code
 * Treatments} (the three), {@code GrowingTree} (a year after another), and what happens in a year: {@code Cutting}, {@code Growth},
 * {@code KeptUp}. {@code Crown} and {@code GrowingLimb} are the tree in one of those years, {@code YearFigures} what is told of it.
 */
package org.diligentbough.core.outlook;
