package org.diligentbough.core;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.diligentbough.core.plan.RenovationPlan.Lane;
import org.diligentbough.core.visit.TreeToday;
import org.diligentbough.core.visit.Visit;

/** A tree some years on, its plan carried out. */
public final class CarriedOut {
    private CarriedOut() {}

    /** Carries out what a plan has until a year and judges the tree that stands then, a year on. */
    public static Evaluation of(SurveyBuilder tree, int untilYear) {
        tree.surveyedOn = tree.today;
        Evaluation planned = tree.evaluate();
        List<Visit> visits = new ArrayList<>();
        LocalDate last = tree.today;
        for (Lane lane : planned.plan().lanes()) {
            if (lane.year().year() <= untilYear) {
                last = lane.opens().isBefore(tree.today) ? tree.today : lane.opens();
                visits.add(planned.carriedOut(lane, last));
            }
        }
        tree.today = last.plusYears(1);
        TreeToday standing = SurveyBuilder.RULES.standing(List.of(tree.build()), visits);
        return Evaluation.of(standing, Evaluation.Given.NOTHING, SurveyBuilder.RULES);
    }
}
