package org.diligentbough.core.visit;

import static org.diligentbough.core.knowledge.Figure.DETAIL_SHARE_MOST;
import static org.diligentbough.core.knowledge.Figure.SHOOT_CM;

import org.diligentbough.core.verdict.Scene;

/** Shoots that were counted and not entered as limbs. */
public final class CountedShoots {
    private CountedShoots() {}

    /** Share of the living crown, 0 to 1, that so many are taken to carry: by the wood's cross-section, as for limbs. */
    public static double share(Scene scene, int shoots) {
        double wood = scene.branching().onTrunk().stream()
                .filter(scene.branching()::living)
                .mapToDouble(limb -> limb.diameterCm() * limb.diameterCm())
                .sum();
        double shootCm = scene.figure(SHOOT_CM);
        return wood > 0 ? Math.min(scene.figure(DETAIL_SHARE_MOST), shoots * shootCm * shootCm / wood) : 0;
    }
}
