package org.diligentbough.server.crew;

/**
 * Said within the transaction that changes a day.
 *
 * @param movedToDay the day the work of one that was rained off went to; null for any other change
 */
public record DayChanged(DayView before, DayView after, Long movedToDay) {}
