package org.diligentbough.core.roster;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.diligentbough.core.roster.Roster.Crew;
import org.diligentbough.core.roster.Roster.DayTold;
import org.diligentbough.core.roster.Roster.Missing;
import org.diligentbough.core.roster.Roster.NotPlaced;
import org.diligentbough.core.roster.Roster.Turn;
import org.diligentbough.core.roster.RosterCase.Day;

/** A plan told in names. */
final class RosterTold {
    private final RosterPlan plan;
    private final CaseIndex index;
    private final RosterScore score;

    private RosterTold(RosterPlan plan) {
        this.plan = plan;
        this.index = plan.index;
        this.score = RosterScore.of(plan);
        score.calculateScore();
    }

    static Roster of(RosterPlan plan) {
        return new RosterTold(plan).roster();
    }

    private Roster roster() {
        List<Crew> crews = new ArrayList<>();
        List<DayTold> days = new ArrayList<>();
        for (int d = 0; d < index.of.days().size(); d++) {
            crews.addAll(crews(d));
            days.add(day(d));
        }
        List<NotPlaced> left = new ArrayList<>();
        WhyNot why = new WhyNot(plan);
        int urgentLeft = 0;
        for (int i = 0; i < index.visits; i++) {
            if (!score.isPlaced(i)) {
                left.add(new NotPlaced(index.of.visits().get(i).id(), why.of(i)));
                urgentLeft += index.of.visits().get(i).urgent() ? 1 : 0;
            }
        }
        Map<Should, Long> points = new EnumMap<>(Should.class);
        score.parts().forEach((wish, lost) -> points.put(wish, -Math.round(lost)));
        return new Roster(crews, left, days, score.brokenMusts(), urgentLeft, points);
    }

    private List<Crew> crews(int day) {
        List<Crew> crews = new ArrayList<>();
        boolean byHand =
                !index.of.sent().nothing() || plan.peopleOf(day).stream().anyMatch(one -> one.fixed != null);
        int slot = 0;
        for (CrewSlot crew : plan.crewsOf(day)) {
            slot++;
            CrewClock clock = score.clock(crew.number);
            if (clock.works()) {
                // Where crews were counted by hand, or sent out, they keep their numbers.
                crews.add(crew(day, byHand ? slot : crews.size() + 1, clock));
            }
        }
        return crews;
    }

    private Crew crew(int day, int number, CrewClock clock) {
        List<String> people = new ArrayList<>();
        String leader = "";
        int most = -1;
        for (int person : new TreeSet<>(Arrays.stream(clock.people).boxed().toList())) {
            people.add(index.of.people().get(person).id());
            int skill = index.of.people().get(person).skill();
            if (index.lead[day][person] && skill > most) {
                leader = index.of.people().get(person).id();
                most = skill;
            }
        }
        List<Turn> turns = new ArrayList<>();
        for (int i = 0; i < clock.visits.length; i++) {
            turns.add(new Turn(index.of.visits().get(clock.visits[i]).id(), clock.starts[i], clock.ends[i]));
        }
        return new Crew(index.of.days().get(day).id(), number, leader, people, turns);
    }

    private DayTold day(int number) {
        Day day = index.of.days().get(number);
        List<Missing> missing = new ArrayList<>();
        List<PersonDay> coming = plan.peopleOf(number);
        if (coming.stream().noneMatch(one -> index.lead[number][one.person])) {
            missing.add(Missing.LEADER);
        }
        if (coming.stream().noneMatch(one -> index.firstAid[number][one.person])) {
            missing.add(Missing.FIRST_AIDER);
        }
        int all = coming.stream()
                .mapToInt(one -> Math.max(0, one.until - one.from))
                .sum();
        int atWork = plan.crewsOf(number).stream()
                .map(crew -> score.clock(crew.number))
                .filter(CrewClock::works)
                .mapToInt(clock -> clock.people.length * clock.minutes())
                .sum();
        return new DayTold(day.id(), missing, all, Math.max(0, all - atWork));
    }
}
