package org.diligentbough.core.roster;

/** What a roster may never break. */
public enum Must {
    /** A visit lies inside its window. */
    IN_THE_WINDOW,
    /** What wants it dry is not done on a wet day, nobody goes off the ground in wind. */
    WHAT_WEATHER_ALLOWS,
    /** Every ticket a visit wants is held, that day, by a grown-up of its crew. */
    TICKET_IN_THE_CREW,
    /** Nobody works alone, and no crew is smaller than was asked. */
    NOBODY_ALONE,
    /** No crew is larger than was asked. */
    NO_CROWD,
    /** Whoever may be under 18 stays where all is done from the ground. */
    UNDER_AGE_ON_THE_GROUND,
    /** A leader in every crew. */
    LEADER_IN_EVERY_CREW,
    /** Somebody on the day knows first aid. */
    FIRST_AIDER_ON_THE_DAY,
    /** No more of a kit in use at one time than the shed holds. */
    WHAT_THE_SHED_HOLDS,
    /** Done before the day ends and before anybody of the crew goes, begun when all are there. */
    DONE_IN_TIME,
    /** Sick trees last in their crew. */
    SICK_TREES_LAST,
    /** What was set by hand stays. */
    SET_BY_HAND_STAYS
}
