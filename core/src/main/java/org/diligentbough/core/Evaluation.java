package org.diligentbough.core;

import java.util.List;
import java.util.Map;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.plan.Pin;
import org.diligentbough.core.plan.Planner;
import org.diligentbough.core.plan.RenovationPlan;
import org.diligentbough.core.season.CuttingCalendar;
import org.diligentbough.core.season.MayCut;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.verdict.Cautions;
import org.diligentbough.core.verdict.LimbJudge;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Scene;
import org.diligentbough.core.verdict.TreeJudge;
import org.diligentbough.core.verdict.TreeVerdict;
import org.diligentbough.core.visit.Standing;

/**
 * The whole judgement of one surveyed tree. The same survey always gives the same evaluation.
 *
 * @param scene the tree with its geometry and crown shares
 * @param limbs in the order of the survey
 */
public record Evaluation(
        Scene scene,
        TreeVerdict tree,
        List<LimbVerdict> limbs,
        RenovationPlan plan,
        MayCut today,
        List<Reason> cautions) {

    /**
     * Judges and plans a survey.
     *
     * @param light share of open-sky light by limb id, 0 to 1; limbs that are absent have unknown light
     */
    public static Evaluation of(Survey survey, Rulebook rules, Map<String, Double> light) {
        return of(Standing.asSurveyed(survey), List.of(), rules, light);
    }

    /**
     * Judges and plans a tree as it stands.
     *
     * @param pins cuts moved by hand
     * @param light share of open-sky light by limb id, 0 to 1; limbs that are absent have unknown light
     */
    public static Evaluation of(Standing standing, List<Pin> pins, Rulebook rules, Map<String, Double> light) {
        Survey survey = standing.survey();
        CuttingCalendar calendar = rules.calendar(survey);
        MayCut today = calendar.mayCut(survey.today());
        Scene scene = new Scene(
                survey,
                rules.species().of(survey.tree().species()),
                rules.knowledge(),
                light,
                today.answer() != MayCut.Answer.NO);
        List<LimbVerdict> limbs = new LimbJudge(scene).judge();
        TreeVerdict tree = new TreeJudge(scene, limbs, standing.taken()).judge();
        RenovationPlan plan = new Planner(scene, limbs, tree, calendar, standing.taken(), pins)
                .plan(survey.years().orElse(tree.yearsNeeded()));
        return new Evaluation(scene, tree, limbs, plan, today, new Cautions(scene, limbs).all(tree));
    }
}
