package org.diligentbough.core.roster;

import ai.timefold.solver.core.api.score.buildin.hardmediumsoftlong.HardMediumSoftLongScore;
import ai.timefold.solver.core.api.score.calculator.IncrementalScoreCalculator;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.diligentbough.core.roster.RosterCase.Visit;

/**
 * How good a roster is. Crews are looked at one by one, and only those again that changed; first aid, the shed and fairly shared
 * hours are looked at beyond a crew. The same numbers tell the solver and whoever reads the roster.
 */
public class RosterScore implements IncrementalScoreCalculator<RosterPlan, HardMediumSoftLongScore> {
    private static final int MINUTES_AN_HOUR = 60;

    private CaseIndex index;
    private RosterPlan plan;
    private List<List<PersonDay>> members;
    private CrewClock[] clocks;
    private boolean[] changed;
    private int[][] crewsOfDay;
    /** Which crew of its day each is, from 0. */
    private int[] slot;

    private int[] brokenOfDay;
    private int[] comingOfDay;
    /** Minutes of everybody this season with what the roster adds. */
    private long[] minutes;

    private long sum;
    private long sumOfSquares;
    private boolean[] comes;
    private int coming;
    private int[] placed;

    private int broken;
    private int urgentLeft;
    private double lostSoon;
    private double lostWorth;
    private double walked;
    private int novices;
    private int strangers;
    private int inCrews;
    private int asSent;
    private int sent;
    private int fixedNotPlaced;
    private int movedByHand;
    private int[] movedOfDay;

    /** Looks at a roster once. */
    static RosterScore of(RosterPlan plan) {
        RosterScore score = new RosterScore();
        score.resetWorkingSolution(plan);
        return score;
    }

    @Override
    public void resetWorkingSolution(RosterPlan working) {
        plan = working;
        index = working.index;
        int days = index.of.days().size();
        members = new ArrayList<>();
        working.crews.forEach(crew -> members.add(new ArrayList<>()));
        working.people.stream().filter(one -> one.crew != null).forEach(one -> members.get(one.crew.number)
                .add(one));
        clocks = new CrewClock[working.crews.size()];
        changed = new boolean[working.crews.size()];
        Arrays.fill(changed, true);
        crewsOfDay = new int[days][];
        brokenOfDay = new int[days];
        comingOfDay = new int[days];
        movedOfDay = new int[days];
        movedByHand = 0;
        for (int d = 0; d < days; d++) {
            int day = d;
            crewsOfDay[d] = working.crews.stream()
                    .filter(crew -> crew.day == day)
                    .mapToInt(crew -> crew.number)
                    .toArray();
        }
        slot = new int[working.crews.size()];
        for (int[] ofDay : crewsOfDay) {
            for (int i = 0; i < ofDay.length; i++) {
                slot[ofDay[i]] = i;
            }
        }
        broken = 0;
        walked = 0;
        novices = 0;
        strangers = 0;
        inCrews = 0;
        asSent = 0;
        sent = index.of.sent().people().size() + index.of.sent().visits().size();
        everybody(working);
        everyVisit();
    }

    private void everybody(RosterPlan working) {
        comes = new boolean[index.of.people().size()];
        working.people.forEach(one -> {
            comes[one.person] = true;
            comingOfDay[one.day]++;
        });
        minutes = new long[comes.length];
        sum = 0;
        sumOfSquares = 0;
        coming = 0;
        for (int p = 0; p < comes.length; p++) {
            minutes[p] = Math.round(index.of.people().get(p).hoursThisSeason() * MINUTES_AN_HOUR);
            if (comes[p]) {
                coming++;
                sum += minutes[p];
                sumOfSquares += minutes[p] * minutes[p];
            }
        }
    }

    private void everyVisit() {
        placed = new int[index.visits];
        urgentLeft = 0;
        lostSoon = 0;
        lostWorth = 0;
        fixedNotPlaced = 0;
        for (int i = 0; i < index.visits; i++) {
            Visit visit = index.of.visits().get(i);
            urgentLeft += visit.urgent() ? 1 : 0;
            lostSoon += index.closesSoon[i] ? index.of.weights().closesSoon() : 0;
            lostWorth += CrewClock.worth(index, visit);
            fixedNotPlaced += index.fixedDay[i] >= 0 ? 1 : 0;
        }
    }

    @Override
    public HardMediumSoftLongScore calculateScore() {
        boolean[] days = new boolean[crewsOfDay.length];
        for (int i = 0; i < changed.length; i++) {
            if (changed[i]) {
                CrewSlot crew = plan.crews.get(i);
                replace(i, new CrewClock(index, crew.day, slot[i], members.get(i), crew.numbers()));
                days[crew.day] = true;
                changed[i] = false;
            }
        }
        for (int d = 0; d < days.length; d++) {
            if (days[d]) {
                broken -= brokenOfDay[d];
                brokenOfDay[d] = firstAidWanting(d) + overShed(d);
                broken += brokenOfDay[d];
                movedByHand -= movedOfDay[d];
                movedOfDay[d] = handBroken(d);
                movedByHand += movedOfDay[d];
            }
        }
        // What keeps people whole goes before what was set by hand where both cannot be.
        return HardMediumSoftLongScore.of(
                -(2L * broken + fixedNotPlaced + movedByHand), -urgentLeft, -Math.round(lost()));
    }

    private double lost() {
        double all = 0;
        for (double part : parts().values()) {
            all += part;
        }
        return all;
    }

    /** Points lost for each wish. */
    Map<Should, Double> parts() {
        RosterCase.Weights weights = index.of.weights();
        Map<Should, Double> parts = new EnumMap<>(Should.class);
        parts.put(Should.SOONEST_CLOSING_FIRST, lostSoon);
        parts.put(Should.WHAT_GAINS_MOST, lostWorth);
        parts.put(Should.NEARBY_TREES_TOGETHER, walked * weights.walkedMinute());
        parts.put(Should.NOVICE_BESIDE_EXPERIENCED, novices * weights.novice());
        parts.put(Should.HOURS_FAIRLY_SHARED, uneven() * weights.unevenHours());
        parts.put(Should.TREES_THEY_KNOW, strangers * weights.stranger());
        parts.put(Should.NOBODY_LEFT_OUT, (plan.people.size() - inCrews) * weights.leftOut());
        parts.put(Should.AS_IT_WAS_SENT, (sent - asSent) * weights.asSent());
        return parts;
    }

    /** The squares of how far hours lie from their mean, of those who come, in hours squared. */
    private double uneven() {
        return coming == 0
                ? 0
                : (double) (coming * sumOfSquares - sum * sum) / coming / (MINUTES_AN_HOUR * MINUTES_AN_HOUR);
    }

    private void replace(int crew, CrewClock now) {
        if (clocks[crew] != null) {
            count(clocks[crew], -1);
        }
        clocks[crew] = now;
        count(now, 1);
    }

    private void count(CrewClock clock, int times) {
        if (!clock.works()) {
            return;
        }
        broken += times * clock.brokenInAll();
        urgentLeft -= times * clock.urgent;
        lostSoon -= times * clock.placedSoon;
        lostWorth -= times * clock.placedWorth;
        walked += times * clock.walked;
        novices += times * clock.novices;
        strangers += times * clock.strangers;
        inCrews += times * clock.people.length;
        asSent += times * clock.asSent;
        for (int person : clock.people) {
            sum -= minutes[person];
            sumOfSquares -= minutes[person] * minutes[person];
            minutes[person] += (long) times * clock.minutes();
            sum += minutes[person];
            sumOfSquares += minutes[person] * minutes[person];
        }
        for (int visit : clock.visits) {
            placed[visit] += times;
            fixedNotPlaced -= index.fixedDay[visit] >= 0 ? times : 0;
        }
    }

    private int firstAidWanting(int day) {
        boolean works = false;
        for (int crew : crewsOfDay[day]) {
            works |= clocks[crew].works();
            if (clocks[crew].works() && clocks[crew].firstAider) {
                return 0;
            }
        }
        return works ? 1 : 0;
    }

    /** How many more of each kit are in use at one time than the shed holds. */
    private int overShed(int day) {
        int over = 0;
        int[] inUse = new int[index.kits];
        for (int crew : crewsOfDay[day]) {
            CrewClock clock = clocks[crew];
            for (int i = 0; i < clock.visits.length; i++) {
                for (int kit : index.kitOf[clock.visits[i]]) {
                    // What is in use is most when something of it begins to be.
                    inUse[kit] = inUseAt(day, kit, clock.starts[i]);
                    over += Math.max(0, inUse[kit] - index.shed[day][kit]);
                }
            }
        }
        return over;
    }

    private int inUseAt(int day, int kit, int minute) {
        int inUse = 0;
        for (int crew : crewsOfDay[day]) {
            CrewClock clock = clocks[crew];
            for (int i = 0; i < clock.visits.length; i++) {
                if (clock.starts[i] <= minute && minute < Math.max(clock.ends[i], clock.starts[i] + 1)) {
                    for (int one : index.kitOf[clock.visits[i]]) {
                        inUse += one == kit ? 1 : 0;
                    }
                }
            }
        }
        return inUse;
    }

    /** People set into a crew by hand stay there. */
    private int handBroken(int day) {
        if (index.of.fixedPeople().isEmpty()) {
            return 0;
        }
        int moved = 0;
        for (PersonDay one : plan.people) {
            moved += one.day == day && one.fixed != null && one.crew != one.fixed ? 1 : 0;
        }
        return moved;
    }

    /** How often each must is broken. */
    Map<Must, Integer> brokenMusts() {
        Map<Must, Integer> found = new EnumMap<>(Must.class);
        for (CrewClock clock : clocks) {
            for (Must must : Must.values()) {
                if (clock.works() && clock.broken[must.ordinal()] > 0) {
                    found.merge(must, clock.broken[must.ordinal()], Integer::sum);
                }
            }
        }
        int byHand = fixedNotPlaced;
        for (int d = 0; d < crewsOfDay.length; d++) {
            merge(found, Must.FIRST_AIDER_ON_THE_DAY, firstAidWanting(d));
            merge(found, Must.WHAT_THE_SHED_HOLDS, overShed(d));
            byHand += handBroken(d);
        }
        merge(found, Must.SET_BY_HAND_STAYS, byHand);
        return found;
    }

    private static void merge(Map<Must, Integer> found, Must must, int times) {
        if (times > 0) {
            found.merge(must, times, Integer::sum);
        }
    }

    CrewClock clock(int crew) {
        return clocks[crew];
    }

    boolean isPlaced(int visit) {
        return placed[visit] > 0;
    }

    int comingOn(int day) {
        return comingOfDay[day];
    }

    @Override
    public void beforeVariableChanged(Object entity, String variable) {
        leaves((PersonDay) entity);
    }

    @Override
    public void afterVariableChanged(Object entity, String variable) {
        enters((PersonDay) entity);
    }

    private void leaves(PersonDay one) {
        if (one.crew != null) {
            members.get(one.crew.number).remove(one);
            changed[one.crew.number] = true;
        } else {
            touch(one);
        }
    }

    private void enters(PersonDay one) {
        if (one.crew != null) {
            members.get(one.crew.number).add(one);
            changed[one.crew.number] = true;
        } else {
            touch(one);
        }
    }

    /** Whoever was fixed and is in no crew is missed on their day. */
    private void touch(PersonDay one) {
        if (one.fixed != null) {
            changed[one.fixed.number] = true;
        }
    }

    @Override
    public void beforeListVariableChanged(Object entity, String variable, int from, int to) {
        changed[((CrewSlot) entity).number] = true;
    }

    @Override
    public void afterListVariableChanged(Object entity, String variable, int from, int to) {
        changed[((CrewSlot) entity).number] = true;
    }

    @Override
    public void beforeEntityAdded(Object entity) {
        // nobody and no crew comes to be while a roster is made
    }

    @Override
    public void afterEntityAdded(Object entity) {
        // nobody and no crew comes to be while a roster is made
    }

    @Override
    public void beforeEntityRemoved(Object entity) {
        // nobody and no crew goes while a roster is made
    }

    @Override
    public void afterEntityRemoved(Object entity) {
        // nobody and no crew goes while a roster is made
    }
}
