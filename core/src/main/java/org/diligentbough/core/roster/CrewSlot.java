package org.diligentbough.core.roster;

import ai.timefold.solver.core.api.domain.entity.PlanningEntity;
import ai.timefold.solver.core.api.domain.lookup.PlanningId;
import ai.timefold.solver.core.api.domain.variable.PlanningListVariable;
import java.util.ArrayList;
import java.util.List;

/** A crew that may be formed on a day, with its trees in order. */
@PlanningEntity
public class CrewSlot {
    @PlanningId
    int number;

    int day;

    @PlanningListVariable(valueRangeProviderRefs = RosterPlan.VISITS, allowsUnassignedValues = true)
    List<VisitNumber> visits = new ArrayList<>();

    /** For the solver. */
    public CrewSlot() {}

    CrewSlot(int number, int day) {
        this.number = number;
        this.day = day;
    }

    public List<VisitNumber> getVisits() {
        return visits;
    }

    public void setVisits(List<VisitNumber> visits) {
        this.visits = visits;
    }

    int[] numbers() {
        int[] numbers = new int[visits.size()];
        for (int i = 0; i < numbers.length; i++) {
            numbers[i] = visits.get(i).number();
        }
        return numbers;
    }

    @Override
    public String toString() {
        return "crew " + number;
    }
}
