/**
 * Tree-visits put on days, in crews, in order, by the clock, and people into crews. Read {@code RosterCase}, {@code Must} and
 * {@code Should}, then {@code CrewClock}, {@code RosterScore}, {@code PlainLeader} and {@code RosterMaker}.
 */
package org.diligentbough.core.roster;
