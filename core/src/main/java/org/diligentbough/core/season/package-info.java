/**
 * When each kind may be cut where it stands. Read {@code CuttingCalendar}, the answer; it joins {@code Climate}, {@code
 * Stages} (when growth reaches what) and {@code WindowTable} (what opens and closes windows, by school). {@code MayCut}
 * answers for a day, {@code Weather} what the days ahead mean, {@code CareTable} the year's other work.
 */
package org.diligentbough.core.season;
