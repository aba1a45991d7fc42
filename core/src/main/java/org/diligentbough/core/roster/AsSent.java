package org.diligentbough.core.roster;

import ai.timefold.solver.core.api.score.buildin.hardmediumsoftlong.HardMediumSoftLongScore;
import org.diligentbough.core.Effort;

/** A roster that was sent out before, without what cannot be any more (somebody does not come, hours are gone), and the rest put in. */
final class AsSent {
    private AsSent() {}

    /** The case with its crews as they were sent, and of their visits those that break nothing. */
    static RosterPlan of(RosterCase of) {
        RosterPlan plan = new RosterPlan(of);
        of.sent().people().forEach(sent -> plan.people.stream()
                .filter(one -> one.person == plan.index.person(sent.person())
                        && one.day == plan.index.day(sent.day())
                        && one.fixed == null)
                .findFirst()
                .ifPresent(one -> one.crew = crew(plan, sent.day(), sent.crew())));
        RosterScore score = RosterScore.of(plan);
        HardMediumSoftLongScore now = score.calculateScore();
        for (RosterCase.SentVisit sent : of.sent().visits()) {
            Effort.look();
            CrewSlot crew = crew(plan, sent.day(), sent.crew());
            crew.visits.add(plan.visits.get(plan.index.visit(sent.visit())));
            HardMediumSoftLongScore with = looked(score, crew);
            if (with.compareTo(now) > 0) {
                now = with;
            } else {
                crew.visits.remove(crew.visits.size() - 1);
                looked(score, crew);
            }
        }
        PlainLeader.fillRest(plan);
        plan.score = RosterScore.of(plan).calculateScore();
        return plan;
    }

    private static HardMediumSoftLongScore looked(RosterScore score, CrewSlot crew) {
        score.afterListVariableChanged(crew, RosterPlan.VISITS, 0, crew.visits.size());
        return score.calculateScore();
    }

    private static CrewSlot crew(RosterPlan plan, String day, int number) {
        return plan.crewsOf(plan.index.day(day)).get(number - 1);
    }
}
