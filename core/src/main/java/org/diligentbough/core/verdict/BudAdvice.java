package org.diligentbough.core.verdict;

import java.util.Optional;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Point;

/**
 * Which bud a limb is headed to and how the cut slopes (common practice): an outward bud, since the new shoot goes where it
 * points, cut above it so that water runs off; on wood that hangs an upward one.
 */
public final class BudAdvice {
    private BudAdvice() {}

    /** What is said of a cut to a bud; empty for other cuts and in dead wood. */
    public static Optional<Reason> of(TreeFacts facts, Limb limb, Cut cut) {
        if (cut.kind() != CutKind.HEADING || !facts.branching().living(limb)) {
            return Optional.empty();
        }
        if (limb.angleDeg() < 0) {
            return Optional.of(facts.reason(ReasonCode.BUD_UPWARD));
        }
        Compass outwards = Compass.of(outwardsDeg(facts, limb, cut));
        boolean flowers = limb.buds()
                .filter(buds -> buds == Limb.Buds.DOUBLE || buds == Limb.Buds.TRIPLE)
                .isPresent();
        return Optional.of(facts.reason(flowers ? ReasonCode.BUD_WITH_FLOWER : ReasonCode.BUD_OUTWARD, outwards));
    }

    /** Away from the trunk where it is cut; where it stands right over the trunk, the way it leans. */
    private static double outwardsDeg(TreeFacts facts, Limb limb, Cut cut) {
        Point at = facts.branching().pointAt(limb, cut.place().alongM());
        return at.fromAxisM() < TreeFacts.SAME
                ? limb.azimuthDeg()
                : Math.toDegrees(Math.atan2(at.eastM(), at.northM()));
    }
}
