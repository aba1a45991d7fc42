package org.diligentbough.core.roster;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.diligentbough.core.roster.Roster.Turn;
import org.diligentbough.core.roster.RosterCase.Visit;

/** Crews of one day as somebody laid them out by hand: their clock, and what they break, said where it breaks. */
public final class CrewsByHand {
    private final RosterPlan plan;
    private final CaseIndex index;
    private final int day;
    private final List<Breach> breaches = new ArrayList<>();

    private CrewsByHand(RosterCase of, String day, List<CrewGiven> crews) {
        this.plan = new RosterPlan(of);
        this.index = plan.index;
        this.day = index.day(day);
        plan.crews.clear();
        plan.people.forEach(one -> one.crew = null);
        for (CrewGiven given : crews) {
            CrewSlot slot = new CrewSlot(plan.crews.size(), this.day);
            given.visits().forEach(visit -> slot.visits.add(plan.visits.get(index.visit(visit))));
            plan.people.stream()
                    .filter(one -> one.day == this.day
                            && given.people()
                                    .contains(index.of.people().get(one.person).id()))
                    .forEach(one -> one.crew = slot);
            plan.crews.add(slot);
        }
    }

    /** A crew as it is laid out, its visits in order. */
    public record CrewGiven(List<String> people, List<String> visits) {
        public CrewGiven {
            people = List.copyOf(people);
            visits = List.copyOf(visits);
        }
    }

    /**
     * Something that may not be.
     *
     * @param crew counted from 1; 0 where it is of the day as a whole
     * @param visit which it breaks at; empty where it is of the crew or the day
     * @param what the ticket or kit that is wanting, or a time of day in minutes since midnight; empty for the others
     */
    public record Breach(Must must, int crew, String visit, String what) {}

    /** The crews by the clock, in the order given, and what they break. */
    public record Looked(List<List<Turn>> crews, List<Breach> breaches) {
        public Looked {
            crews = List.copyOf(crews);
            breaches = List.copyOf(breaches);
        }
    }

    /**
     * Looks at crews of a day.
     *
     * @param crews whose people are all of the case and come that day, each in one crew, and whose visits are all of the case
     */
    public static Looked look(RosterCase of, String day, List<CrewGiven> crews) {
        return new CrewsByHand(of, day, crews).looked();
    }

    private Looked looked() {
        RosterScore score = RosterScore.of(plan);
        score.calculateScore();
        List<List<Turn>> clocks = new ArrayList<>();
        boolean works = false;
        boolean firstAid = false;
        for (CrewSlot crew : plan.crews) {
            CrewClock clock = score.clock(crew.number);
            List<Turn> turns = new ArrayList<>();
            for (int i = 0; i < clock.visits.length; i++) {
                turns.add(new Turn(visit(clock.visits[i]).id(), clock.starts[i], clock.ends[i]));
            }
            clocks.add(turns);
            if (clock.works()) {
                works = true;
                firstAid |= clock.firstAider;
                crew(crew.number + 1, clock);
            }
        }
        if (works && !firstAid) {
            breaches.add(new Breach(Must.FIRST_AIDER_ON_THE_DAY, 0, "", ""));
        }
        shed(score);
        return new Looked(clocks, breaches);
    }

    private Visit visit(int number) {
        return index.of.visits().get(number);
    }

    private void crew(int number, CrewClock clock) {
        boolean leads = false;
        boolean young = false;
        for (int person : clock.people) {
            leads |= index.lead[day][person];
            young |= index.underAge[day][person];
        }
        say(!leads, Must.LEADER_IN_EVERY_CREW, number, "", "");
        say(clock.people.length < index.of.least(), Must.NOBODY_ALONE, number, "", "");
        say(clock.people.length > index.of.most(), Must.NO_CROWD, number, "", "");
        boolean sick = false;
        for (int i = 0; i < clock.visits.length; i++) {
            Visit visit = visit(clock.visits[i]);
            String id = visit.id();
            say(young && visit.offGround(), Must.UNDER_AGE_ON_THE_GROUND, number, id, "");
            say(!index.inWindow[day][clock.visits[i]], Must.IN_THE_WINDOW, number, id, "");
            say(!index.weather[day][clock.visits[i]], Must.WHAT_WEATHER_ALLOWS, number, id, "");
            say(clock.ends[i] > clock.until, Must.DONE_IN_TIME, number, id, String.valueOf(clock.until));
            say(sick && !visit.sick(), Must.SICK_TREES_LAST, number, id, "");
            sick |= visit.sick();
            for (String ticket : new TreeSet<>(visit.tickets())) {
                boolean held = false;
                for (int person : clock.people) {
                    held |= !index.underAge[day][person]
                            && index.of
                                    .people()
                                    .get(person)
                                    .holds(ticket, index.of.days().get(day).date());
                }
                say(!held, Must.TICKET_IN_THE_CREW, number, id, ticket);
            }
        }
    }

    private void say(boolean is, Must must, int crew, String visit, String what) {
        if (is) {
            breaches.add(new Breach(must, crew, visit, what));
        }
    }

    /** Kit of which more is in use when a visit begins than the shed holds, said at the visit that begins last. */
    private void shed(RosterScore score) {
        Map<String, Integer> holds = index.of.days().get(day).shed();
        for (CrewSlot crew : plan.crews) {
            CrewClock clock = score.clock(crew.number);
            for (int i = 0; i < clock.visits.length; i++) {
                Visit visit = visit(clock.visits[i]);
                Map<String, Integer> inUse = inUse(score, clock.starts[i], visit.kit());
                for (String kit : new TreeSet<>(visit.kit())) {
                    say(
                            inUse.get(kit) > holds.getOrDefault(kit, 0),
                            Must.WHAT_THE_SHED_HOLDS,
                            crew.number + 1,
                            visit.id(),
                            kit);
                }
            }
        }
    }

    private Map<String, Integer> inUse(RosterScore score, int minute, Set<String> kits) {
        Map<String, Integer> inUse = new HashMap<>();
        for (CrewSlot crew : plan.crews) {
            CrewClock clock = score.clock(crew.number);
            for (int i = 0; i < clock.visits.length; i++) {
                if (clock.starts[i] <= minute && minute < Math.max(clock.ends[i], clock.starts[i] + 1)) {
                    for (String kit : visit(clock.visits[i]).kit()) {
                        if (kits.contains(kit)) {
                            inUse.merge(kit, 1, Integer::sum);
                        }
                    }
                }
            }
        }
        return inUse;
    }
}
