package org.diligentbough.core.plan;

import static org.diligentbough.core.knowledge.Figure.DETAIL_BUDGET_MINUTES;
import static org.diligentbough.core.knowledge.Figure.DETAIL_SHARE_MOST;
import static org.diligentbough.core.knowledge.Figure.MINUTES_SHOOT;
import static org.diligentbough.core.knowledge.Figure.SHOOT_CM;

import java.util.Optional;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.verdict.Scene;

/** Shoots that were counted and not entered one by one. */
final class DetailWork {
    private final Scene scene;

    DetailWork(Scene scene) {
        this.scene = scene;
    }

    /** Shoots counted beyond those entered as limbs. */
    int shoots() {
        long entered = scene.survey().limbs().stream()
                .filter(limb -> limb.has(FaultKind.UPRIGHT_SHOOT))
                .count();
        return (int) Math.max(0, scene.tree().waterSprouts().orElse(0) - entered);
    }

    /** Share of the living crown they are taken to carry: by the wood's cross-section, as for limbs. */
    double share() {
        double wood = scene.branching().onTrunk().stream()
                .filter(scene.branching()::living)
                .mapToDouble(Limb::diameterCm)
                .map(cm -> cm * cm)
                .sum();
        double shoot = scene.figure(SHOOT_CM);
        return wood > 0 ? Math.min(scene.figure(DETAIL_SHARE_MOST), shoots() * shoot * shoot / wood) : 0;
    }

    /** A year's part of what is left, as far as the detail budget and the year's allowance go. */
    Optional<RenovationPlan.Detail> fitting(int placedBefore, int yearsLeft, YearBudget budget) {
        int left = shoots() - placedBefore;
        if (left <= 0) {
            return Optional.empty();
        }
        int wanted = (int) Math.ceil((double) left / yearsLeft);
        int inTime = (int) (scene.figure(DETAIL_BUDGET_MINUTES) / scene.figure(MINUTES_SHOOT));
        double shareOfOne = share() / shoots();
        int inAllowance = shareOfOne > 0 ? (int) Math.min(left, Math.max(0, budget.left(false)) / shareOfOne) : left;
        int done = Math.min(wanted, Math.min(inTime, inAllowance));
        if (done <= 0) {
            return Optional.empty();
        }
        return Optional.of(new RenovationPlan.Detail(
                done, done * shareOfOne, (int) Math.ceil(done * scene.figure(MINUTES_SHOOT))));
    }
}
