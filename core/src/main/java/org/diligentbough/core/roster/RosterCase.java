package org.diligentbough.core.roster;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.knowledge.Knowledge;

/**
 * What a roster is made of. Times of day are whole minutes since midnight; tickets and kit are called by their codes.
 *
 * @param least people in a crew, at least
 * @param most people in a crew, at most
 * @param metresPerMinute how fast a crew with its kit walks from tree to tree
 * @param setUpMinutes what setting up at a tree takes
 */
public record RosterCase(
        int least,
        int most,
        double metresPerMinute,
        int setUpMinutes,
        List<Day> days,
        List<Person> people,
        List<Visit> visits,
        List<FixedVisit> fixedVisits,
        List<FixedPerson> fixedPeople,
        Sent sent,
        Weights weights) {
    private static final int OF_AGE = 18;

    public RosterCase {
        days = List.copyOf(days);
        people = List.copyOf(people);
        visits = List.copyOf(visits);
        fixedVisits = List.copyOf(fixedVisits);
        fixedPeople = List.copyOf(fixedPeople);
    }

    /**
     * A day on which people work.
     *
     * @param wet nothing that wants it dry is done
     * @param windy nobody goes off the ground
     * @param shed how many of each kit there are; what is not named is not there
     */
    public record Day(
            String id, LocalDate date, int starts, int ends, boolean wet, boolean windy, Map<String, Integer> shed) {
        public Day {
            shed = Map.copyOf(shed);
        }
    }

    /** When somebody is there on a day. */
    public record Presence(String day, int from, int until) {}

    /**
     * Somebody who helps.
     *
     * @param birthYear empty for a grown-up who does not say
     * @param skill 0 for who never cut to 3 for who teaches it
     * @param ticketsUntil tickets with the last day on which each holds
     * @param knows tags of trees they know
     */
    public record Person(
            String id,
            List<Presence> days,
            OptionalInt birthYear,
            int skill,
            double hoursThisSeason,
            Map<String, LocalDate> ticketsUntil,
            Set<String> knows) {
        public Person {
            days = List.copyOf(days);
            ticketsUntil = Map.copyOf(ticketsUntil);
            knows = Set.copyOf(knows);
        }

        public boolean holds(String ticket, LocalDate on) {
            LocalDate until = ticketsUntil.get(ticket);
            return until != null && !until.isBefore(on);
        }

        /** Whether they may still be under 18: a year alone does not say before the year after the birthday. */
        public boolean maybeUnderAge(LocalDate on) {
            return birthYear.isPresent() && on.getYear() - birthYear.getAsInt() <= OF_AGE;
        }
    }

    /**
     * A tree's turn.
     *
     * @param places how many can work on it at once
     * @param worth of the work, 0 to 1: what the season's programme says it gains an hour
     */
    public record Visit(
            String id,
            String tree,
            double eastM,
            double northM,
            LocalDate opens,
            LocalDate closes,
            int personMinutes,
            int places,
            Set<String> tickets,
            Set<String> kit,
            boolean offGround,
            boolean dry,
            boolean sick,
            boolean urgent,
            double worth) {
        public Visit {
            tickets = Set.copyOf(tickets);
            kit = Set.copyOf(kit);
        }

        /** The same with more work on it, in person-minutes. */
        Visit longer(int minutes) {
            return new Visit(
                    id,
                    tree,
                    eastM,
                    northM,
                    opens,
                    closes,
                    personMinutes + minutes,
                    places,
                    tickets,
                    kit,
                    offGround,
                    dry,
                    sick,
                    urgent,
                    worth);
        }
    }

    /** A visit set on a day by hand. */
    public record FixedVisit(String visit, String day) {}

    /** Somebody set into a crew by hand; crews are counted from 1. */
    public record FixedPerson(String person, String day, int crew) {}

    /** A visit in the crew it was in when the roster was sent out; crews are counted from 1. */
    public record SentVisit(String visit, String day, int crew) {}

    /**
     * How a roster stood that was sent out before: as little of it is changed as can be.
     *
     * @param people each in their crew
     * @param visits each in its crew, in their order
     */
    public record Sent(List<FixedPerson> people, List<SentVisit> visits) {
        /** Nothing was sent yet. */
        public static final Sent NOTHING = new Sent(List.of(), List.of());

        public Sent {
            people = List.copyOf(people);
            visits = List.copyOf(visits);
        }

        boolean nothing() {
            return people.isEmpty() && visits.isEmpty();
        }
    }

    /** How much each wish weighs, in points. */
    public record Weights(
            double closesSoon,
            int soonDays,
            double worth,
            double anyWork,
            double walkedMinute,
            double novice,
            double unevenHours,
            double stranger,
            double asSent,
            double leftOut) {

        public static Weights of(Knowledge knowledge) {
            return new Weights(
                    knowledge.get(Figure.ROSTER_CLOSES_SOON),
                    (int) knowledge.get(Figure.ROSTER_SOON_DAYS),
                    knowledge.get(Figure.ROSTER_WORTH),
                    knowledge.get(Figure.ROSTER_ANY_WORK),
                    knowledge.get(Figure.ROSTER_WALKED_MINUTE),
                    knowledge.get(Figure.ROSTER_NOVICE),
                    knowledge.get(Figure.ROSTER_UNEVEN_HOURS),
                    knowledge.get(Figure.ROSTER_STRANGER),
                    knowledge.get(Figure.ROSTER_AS_SENT),
                    knowledge.get(Figure.ROSTER_LEFT_OUT));
        }
    }
}
