package org.diligentbough.core.roster;

import java.util.List;
import org.diligentbough.core.roster.RosterCase.Visit;

/**
 * A crew's day by the clock, with what it breaks and how good it is. The crew begins when the last of it is there; at each tree
 * it sets up, having walked there, and works person-minutes / people at work, at most the places on the tree, in whole minutes.
 */
final class CrewClock {
    final int day;
    final int[] people;
    final int[] visits;
    final int[] starts;
    final int[] ends;
    final int begins;
    final int until;
    /** How often each is broken; what is of a day and not of a crew is not in here. */
    final int[] broken = new int[Must.values().length];

    int urgent;
    /** Points for the work that found its place: what would be lost if it had not. */
    double placedSoon;

    double placedWorth;
    double walked;
    int novices;
    int strangers;
    boolean firstAider;
    /** People and visits that are in the crew they were sent out in. */
    int asSent;

    /** @param slot which crew of the day it is, from 0 */
    CrewClock(CaseIndex index, int day, int slot, List<PersonDay> members, int[] visits) {
        this.day = day;
        this.visits = visits;
        this.people = new int[members.size()];
        this.starts = new int[visits.length];
        this.ends = new int[visits.length];
        int from = index.of.days().get(day).starts();
        int last = index.of.days().get(day).ends();
        for (int i = 0; i < people.length; i++) {
            people[i] = members.get(i).person;
            from = Math.max(from, members.get(i).from);
            last = Math.min(last, members.get(i).until);
        }
        this.begins = from;
        this.until = last;
        if (visits.length > 0) {
            crew(index);
            tour(index);
            for (int person : people) {
                asSent += index.sentPerson[day][person] == slot ? 1 : 0;
            }
            for (int visit : visits) {
                asSent += index.sentVisit[day][visit] == slot ? 1 : 0;
            }
        }
    }

    private void crew(CaseIndex index) {
        boolean leads = false;
        boolean minor = false;
        boolean old = false;
        int young = 0;
        for (int person : people) {
            leads |= index.lead[day][person];
            firstAider |= index.firstAid[day][person];
            minor |= index.underAge[day][person];
            old |= index.experienced[person];
            young += index.novice[person] ? 1 : 0;
        }
        novices = old ? 0 : young;
        add(Must.LEADER_IN_EVERY_CREW, leads ? 0 : 1);
        add(Must.NOBODY_ALONE, Math.max(0, index.of.least() - people.length));
        add(Must.NO_CROWD, Math.max(0, people.length - index.of.most()));
        if (minor) {
            for (int visit : visits) {
                add(Must.UNDER_AGE_ON_THE_GROUND, index.of.visits().get(visit).offGround() ? 1 : 0);
            }
        }
    }

    private void tour(CaseIndex index) {
        boolean sickBefore = false;
        int now = begins;
        for (int i = 0; i < visits.length; i++) {
            int number = visits[i];
            Visit visit = index.of.visits().get(number);
            if (i > 0) {
                now += index.walk[visits[i - 1]][number];
                walked += index.way[visits[i - 1]][number];
            }
            starts[i] = now + index.of.setUpMinutes();
            now = starts[i] + minutes(visit);
            ends[i] = now;
            add(Must.DONE_IN_TIME, now > until ? 1 : 0);
            add(Must.IN_THE_WINDOW, index.inWindow[day][number] ? 0 : 1);
            add(Must.WHAT_WEATHER_ALLOWS, index.weather[day][number] ? 0 : 1);
            add(Must.SET_BY_HAND_STAYS, index.fixedDay[number] >= 0 && index.fixedDay[number] != day ? 1 : 0);
            add(Must.SICK_TREES_LAST, sickBefore && !visit.sick() ? 1 : 0);
            sickBefore |= visit.sick();
            for (int ticket : index.ticketsOf[number]) {
                add(Must.TICKET_IN_THE_CREW, held(index, ticket) ? 0 : 1);
            }
            strangers += known(index, number) ? 0 : 1;
            urgent += visit.urgent() ? 1 : 0;
            placedSoon += index.closesSoon[number] ? index.of.weights().closesSoon() : 0;
            placedWorth += worth(index, visit);
        }
    }

    /** What a visit's work is worth wherever it is done, in points. */
    static double worth(CaseIndex index, Visit visit) {
        return index.of.weights().worth() * visit.worth() + index.of.weights().anyWork();
    }

    private int minutes(Visit visit) {
        int atWork = Math.max(1, Math.min(visit.places(), people.length));
        return (visit.personMinutes() + atWork - 1) / atWork;
    }

    private boolean held(CaseIndex index, int ticket) {
        for (int person : people) {
            if (index.holds[day][person][ticket]) {
                return true;
            }
        }
        return false;
    }

    private boolean known(CaseIndex index, int visit) {
        for (int person : people) {
            if (index.knows[person][visit]) {
                return true;
            }
        }
        return false;
    }

    private void add(Must must, int times) {
        broken[must.ordinal()] += times;
    }

    boolean works() {
        return visits.length > 0;
    }

    /** Minutes from its beginning to its last tree done. */
    int minutes() {
        return visits.length == 0 ? 0 : ends[visits.length - 1] - begins;
    }

    int brokenInAll() {
        int all = 0;
        for (int one : broken) {
            all += one;
        }
        return all;
    }
}
