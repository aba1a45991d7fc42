package org.diligentbough.core.roster;

import ai.timefold.solver.core.api.score.buildin.hardmediumsoftlong.HardMediumSoftLongScore;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.diligentbough.core.Effort;
import org.diligentbough.core.roster.RosterCase.Visit;

/**
 * What a leader does with a pencil: day by day crews as even as can be, each with its leader, then tree after tree, urgent ones
 * first, then what closes soonest, then what is worth most an hour, each where it costs least. It never breaks a must; the search
 * begins with it.
 */
final class PlainLeader {
    private static final int TRIED = 5;

    private final RosterPlan plan;
    private final CaseIndex index;
    private final List<Integer> turn;

    private PlainLeader(RosterPlan plan) {
        this.plan = plan;
        this.index = plan.index;
        Comparator<Integer> first = Comparator.comparing((Integer i) -> index.fixedDay[i] < 0)
                .thenComparing(i -> !visit(i).urgent())
                .thenComparing(i -> !index.closesSoon[i])
                .thenComparing(i -> -hourly(visit(i)))
                .thenComparing(i -> visit(i).closes())
                .thenComparing(i -> i);
        List<Integer> order = new ArrayList<>();
        for (int i = 0; i < index.visits; i++) {
            order.add(i);
        }
        order.sort(first);
        this.turn = order;
    }

    private Visit visit(int number) {
        return index.of.visits().get(number);
    }

    private double hourly(Visit visit) {
        return (visit.worth() + 0.01) / Math.max(1, visit.personMinutes());
    }

    /** Fills a roster in which nothing is placed yet. */
    static void fill(RosterPlan plan) {
        PlainLeader leader = new PlainLeader(plan);
        for (int day = 0; day < plan.index.of.days().size(); day++) {
            leader.day(day);
        }
    }

    /** Places what is not placed yet into the crews there are, where that is better than leaving it. */
    static void fillRest(RosterPlan plan) {
        PlainLeader leader = new PlainLeader(plan);
        for (int day = 0; day < plan.index.of.days().size(); day++) {
            leader.place(plan.crewsOf(day));
        }
    }

    private void day(int day) {
        List<CrewSlot> crews = plan.crewsOf(day);
        List<PersonDay> people = plan.peopleOf(day);
        int best = 0;
        HardMediumSoftLongScore bestScore = RosterScore.of(plan).calculateScore();
        for (int many : howMany(crews.size())) {
            form(crews.subList(0, many), people, day);
            place(crews.subList(0, many));
            HardMediumSoftLongScore score = RosterScore.of(plan).calculateScore();
            if (score.compareTo(bestScore) > 0) {
                best = many;
                bestScore = score;
            }
            clear(crews, people);
        }
        if (best > 0) {
            form(crews.subList(0, best), people, day);
            place(crews.subList(0, best));
        }
    }

    /** How many crews are tried: all there can be where they are few, else a few between. */
    private static List<Integer> howMany(int most) {
        int step = Math.max(1, (int) Math.ceil((double) most / TRIED));
        List<Integer> tried = new ArrayList<>();
        for (int many = most; many >= 1; many -= step) {
            tried.add(0, many);
        }
        return tried;
    }

    private static void clear(List<CrewSlot> crews, List<PersonDay> people) {
        crews.forEach(crew -> crew.visits.clear());
        people.forEach(one -> one.crew = one.fixed);
    }

    /** Leaders go round first, then first-aiders and those with most tickets, then the rest; whoever may be under age last. */
    private void form(List<CrewSlot> crews, List<PersonDay> people, int day) {
        people.forEach(one -> one.crew = one.fixed);
        Comparator<PersonDay> rank = Comparator.comparing((PersonDay one) -> !index.lead[day][one.person])
                .thenComparing(one -> index.underAge[day][one.person])
                .thenComparing(one -> -tickets(day, one.person))
                .thenComparing(one -> one.from - one.until)
                .thenComparing(one -> one.number);
        int[] size = new int[crews.size()];
        for (CrewSlot crew : crews) {
            size[crews.indexOf(crew)] = plan.members(crew).size();
        }
        boolean[] led = new boolean[crews.size()];
        people.stream()
                .filter(one -> one.fixed != null && crews.contains(one.fixed) && index.lead[day][one.person])
                .forEach(one -> led[crews.indexOf(one.fixed)] = true);
        for (PersonDay one :
                people.stream().filter(free -> free.fixed == null).sorted(rank).toList()) {
            int to = -1;
            for (int i = 0; i < size.length; i++) {
                boolean room = size[i] < index.of.most();
                boolean wanted = led[i] || index.lead[day][one.person];
                if (room && wanted && (to < 0 || size[i] < size[to])) {
                    to = i;
                }
            }
            if (to >= 0) {
                one.crew = crews.get(to);
                size[to]++;
                led[to] |= index.lead[day][one.person];
            }
        }
    }

    private int tickets(int day, int person) {
        int held = index.firstAid[day][person] ? 2 : 0;
        for (boolean one : index.holds[day][person]) {
            held += one ? 1 : 0;
        }
        return held;
    }

    private static HardMediumSoftLongScore looked(RosterScore score, CrewSlot crew) {
        score.afterListVariableChanged(crew, RosterPlan.VISITS, 0, crew.visits.size());
        return score.calculateScore();
    }

    private void place(List<CrewSlot> crews) {
        RosterScore score = RosterScore.of(plan);
        HardMediumSoftLongScore now = score.calculateScore();
        for (int number : turn) {
            Effort.look();
            if (score.isPlaced(number)) {
                continue;
            }
            CrewSlot into = null;
            int at = 0;
            HardMediumSoftLongScore best = now;
            for (CrewSlot crew : crews) {
                for (int i = 0; i <= crew.visits.size(); i++) {
                    crew.visits.add(i, plan.visits.get(number));
                    HardMediumSoftLongScore with = looked(score, crew);
                    if (with.compareTo(best) > 0) {
                        into = crew;
                        at = i;
                        best = with;
                    }
                    crew.visits.remove(i);
                }
                looked(score, crew);
            }
            if (into != null) {
                into.visits.add(at, plan.visits.get(number));
                now = looked(score, into);
            }
        }
    }
}
