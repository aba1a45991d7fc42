package org.diligentbough.core.roster;

import ai.timefold.solver.core.api.domain.solution.PlanningEntityCollectionProperty;
import ai.timefold.solver.core.api.domain.solution.PlanningScore;
import ai.timefold.solver.core.api.domain.solution.PlanningSolution;
import ai.timefold.solver.core.api.domain.solution.ProblemFactCollectionProperty;
import ai.timefold.solver.core.api.domain.valuerange.ValueRangeProvider;
import ai.timefold.solver.core.api.score.buildin.hardmediumsoftlong.HardMediumSoftLongScore;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.diligentbough.core.roster.RosterCase.Day;
import org.diligentbough.core.roster.RosterCase.FixedPerson;
import org.diligentbough.core.roster.RosterCase.Presence;

/** A roster while it is being made: hard is what is broken, medium what is urgent and left, soft points of wishes. */
@PlanningSolution
public class RosterPlan {
    static final String VISITS = "visits";

    CaseIndex index;

    @PlanningEntityCollectionProperty
    List<CrewSlot> crews = new ArrayList<>();

    @PlanningEntityCollectionProperty
    List<PersonDay> people = new ArrayList<>();

    @ProblemFactCollectionProperty
    @ValueRangeProvider(id = VISITS)
    List<VisitNumber> visits = new ArrayList<>();

    @PlanningScore
    HardMediumSoftLongScore score;

    /** For the solver. */
    public RosterPlan() {}

    RosterPlan(RosterCase of) {
        this.index = new CaseIndex(of);
        for (int i = 0; i < index.visits; i++) {
            visits.add(new VisitNumber(i));
        }
        for (int d = 0; d < of.days().size(); d++) {
            day(of, d);
        }
    }

    private void day(RosterCase of, int day) {
        Map<Integer, Presence> there = new TreeMap<>();
        String id = of.days().get(day).id();
        for (int p = 0; p < of.people().size(); p++) {
            for (Presence presence : of.people().get(p).days()) {
                if (presence.day().equals(id)) {
                    there.put(p, presence);
                }
            }
        }
        int leaders = (int) there.keySet().stream()
                .filter(person -> index.lead[day][person])
                .count();
        int byHand = Stream.concat(
                        Stream.concat(of.fixedPeople().stream(), of.sent().people().stream())
                                .filter(fixed -> fixed.day().equals(id))
                                .map(FixedPerson::crew),
                        of.sent().visits().stream()
                                .filter(sent -> sent.day().equals(id))
                                .map(RosterCase.SentVisit::crew))
                .mapToInt(Integer::intValue)
                .max()
                .orElse(0);
        int most = Math.max(byHand, Math.min(leaders, there.size() / Math.max(1, of.least())));
        List<CrewSlot> ofDay = new ArrayList<>();
        for (int i = 0; i < most; i++) {
            ofDay.add(new CrewSlot(crews.size() + i, day));
        }
        crews.addAll(ofDay);
        Day hours = of.days().get(day);
        there.forEach((person, presence) -> {
            PersonDay comes = new PersonDay(
                    people.size(),
                    person,
                    day,
                    Math.max(presence.from(), hours.starts()),
                    Math.min(presence.until(), hours.ends()),
                    ofDay);
            of.fixedPeople().stream()
                    .filter(fixed -> fixed.day().equals(id) && index.person(fixed.person()) == person)
                    .findFirst()
                    .ifPresent(fixed -> comes.fix(ofDay.get(fixed.crew() - 1)));
            people.add(comes);
        });
    }

    List<CrewSlot> crewsOf(int day) {
        return crews.stream().filter(crew -> crew.day == day).toList();
    }

    List<PersonDay> peopleOf(int day) {
        return people.stream().filter(one -> one.day == day).toList();
    }

    List<PersonDay> members(CrewSlot crew) {
        return people.stream().filter(one -> one.crew == crew).toList();
    }
}
