package org.diligentbough.core.roster;

import ai.timefold.solver.core.api.domain.entity.PlanningEntity;
import ai.timefold.solver.core.api.domain.lookup.PlanningId;
import ai.timefold.solver.core.api.domain.valuerange.ValueRangeProvider;
import ai.timefold.solver.core.api.domain.variable.PlanningVariable;
import java.util.List;

/** Somebody on a day they said they come, in a crew or in none. */
@PlanningEntity
public class PersonDay {
    @PlanningId
    int number;

    int person;
    int day;
    int from;
    int until;
    /** The crew somebody was set into by hand, or null. */
    CrewSlot fixed;

    private List<CrewSlot> crews;

    @PlanningVariable(allowsUnassigned = true)
    CrewSlot crew;

    /** For the solver. */
    public PersonDay() {}

    PersonDay(int number, int person, int day, int from, int until, List<CrewSlot> crews) {
        this.number = number;
        this.person = person;
        this.day = day;
        this.from = from;
        this.until = until;
        this.crews = crews;
    }

    void fix(CrewSlot slot) {
        fixed = slot;
        crew = slot;
        crews = List.of(slot);
    }

    /** The crews of the day. */
    @ValueRangeProvider
    public List<CrewSlot> getCrews() {
        return crews;
    }

    public CrewSlot getCrew() {
        return crew;
    }

    public void setCrew(CrewSlot crew) {
        this.crew = crew;
    }

    @Override
    public String toString() {
        return "person " + person + " on day " + day;
    }
}
