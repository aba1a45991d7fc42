package org.diligentbough.core.roster;

import java.util.List;
import java.util.Map;

/**
 * A roster.
 *
 * @param broken how often each must is broken; empty unless what was set by hand cannot be otherwise
 * @param urgentLeft urgent visits that found no place
 * @param points lost for each wish, 0 or less
 */
public record Roster(
        List<Crew> crews,
        List<NotPlaced> notPlaced,
        List<DayTold> days,
        Map<Must, Integer> broken,
        int urgentLeft,
        Map<Should, Long> points) {
    public Roster {
        crews = List.copyOf(crews);
        notPlaced = List.copyOf(notPlaced);
        days = List.copyOf(days);
        broken = Map.copyOf(broken);
        points = Map.copyOf(points);
    }

    /** All points, 0 or less. */
    public long soft() {
        return points.values().stream().mapToLong(Long::longValue).sum();
    }

    /**
     * A crew of a day; crews are counted from 1.
     *
     * @param leader one of its people, who holds the ticket
     */
    public record Crew(String day, int crew, String leader, List<String> people, List<Turn> visits) {
        public Crew {
            people = List.copyOf(people);
            visits = List.copyOf(visits);
        }
    }

    /** A visit by the clock, minutes since midnight. */
    public record Turn(String visit, int starts, int ends) {}

    /** Why a visit found no place. */
    public enum Why {
        /** No day lies in its window. */
        WINDOW,
        WET,
        WINDY,
        NO_LEADER,
        NO_FIRST_AIDER,
        /** Fewer come than may work together. */
        ALONE,
        /** Of a ticket: nobody who comes holds it. */
        NO_TICKET,
        /** Of a kit: the shed holds none. */
        NO_KIT,
        /** Only people who may be under 18 could make up the crew. */
        UNDER_AGE,
        /** Longer than any day it may be done on, with as many as can work on it. */
        TOO_LONG,
        /** Others came first, and hours ran out. */
        TIME
    }

    /** One reason; {@code what} names the ticket or kit, empty for the others. */
    public record Reason(Why why, String what) {}

    /** A visit that found no place. */
    public record NotPlaced(String visit, List<Reason> reasons) {
        public NotPlaced {
            reasons = List.copyOf(reasons);
        }
    }

    /** What a day wants before anybody may work on it. */
    public enum Missing {
        LEADER,
        FIRST_AIDER
    }

    /**
     * A day as a whole.
     *
     * @param personMinutes of all who come
     * @param idleMinutes of those in no crew at work
     */
    public record DayTold(String day, List<Missing> missing, int personMinutes, int idleMinutes) {
        public DayTold {
            missing = List.copyOf(missing);
        }
    }
}
