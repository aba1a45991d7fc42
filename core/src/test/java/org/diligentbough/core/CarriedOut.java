package org.diligentbough.core;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.diligentbough.core.plan.RenovationPlan.Lane;
import org.diligentbough.core.plan.RenovationPlan.PlannedCut;
import org.diligentbough.core.verdict.Verdict;
import org.diligentbough.core.visit.MadeCut;
import org.diligentbough.core.visit.Standing;
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
                List<MadeCut> cuts = new ArrayList<>();
                for (PlannedCut cut : lane.cuts()) {
                    cuts.add(new MadeCut(
                            cut.limb(),
                            switch (cut.kind()) {
                                case REMOVE -> MadeCut.Kind.REMOVED;
                                case SHORTEN -> MadeCut.Kind.SHORTENED;
                                default -> MadeCut.Kind.BENT;
                            },
                            cut.cut().place().alongM(),
                            cut.kind() == Verdict.SHORTEN
                                    && SurveyBuilder.verdictOn(planned, cut.limb())
                                                    .verdict()
                                            == Verdict.REMOVE,
                            false,
                            Optional.empty()));
                }
                visits.add(new Visit(
                        last, cuts, lane.detail().map(detail -> detail.shoots()).orElse(0)));
            }
        }
        tree.today = last.plusYears(1);
        Standing standing = SurveyBuilder.RULES.standing(List.of(tree.build()), visits);
        return Evaluation.of(standing, Evaluation.Given.NOTHING, SurveyBuilder.RULES);
    }
}
