package org.diligentbough.core.roster;

import ai.timefold.solver.core.api.score.buildin.hardmediumsoftlong.HardMediumSoftLongScore;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/** Where a crew could as well go its round the other way, it goes the way that comes to urgent trees sooner. */
final class UrgentFirst {
    private UrgentFirst() {}

    static RosterPlan of(RosterPlan plan) {
        for (CrewSlot crew : plan.crews) {
            HardMediumSoftLongScore before = RosterScore.of(plan).calculateScore();
            List<VisitNumber> order = crew.visits;
            int late = late(plan, order);
            List<VisitNumber> turned = turned(plan, order);
            if (late(plan, turned) < late) {
                crew.visits = turned;
                HardMediumSoftLongScore after = RosterScore.of(plan).calculateScore();
                if (after.compareTo(before) >= 0) {
                    plan.score = after;
                } else {
                    crew.visits = order;
                }
            }
        }
        return plan;
    }

    /** Trees before each urgent one, in all. */
    private static int late(RosterPlan plan, List<VisitNumber> order) {
        int late = 0;
        for (int i = 0; i < order.size(); i++) {
            late += plan.index.of.visits().get(order.get(i).number()).urgent() ? i : 0;
        }
        return late;
    }

    /** The other way round; sick trees stay last. */
    private static List<VisitNumber> turned(RosterPlan plan, List<VisitNumber> order) {
        List<VisitNumber> sound = new ArrayList<>(order);
        List<VisitNumber> sick = new ArrayList<>();
        sound.removeIf(one -> {
            boolean last = plan.index.of.visits().get(one.number()).sick();
            if (last) {
                sick.add(one);
            }
            return last;
        });
        Collections.reverse(sound);
        sound.addAll(sick);
        return sound;
    }
}
