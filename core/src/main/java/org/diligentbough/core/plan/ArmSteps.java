package org.diligentbough.core.plan;

import java.util.HashMap;
import java.util.Map;
import org.diligentbough.core.plan.Arms.Lowered;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.verdict.CutKind;
import org.diligentbough.core.verdict.CutSizing;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Place;
import org.diligentbough.core.verdict.TreeFacts;

/** How far arms come down, whole and by smaller steps; found once for all plans that are tried. */
final class ArmSteps {
    static final int SMALLER = 8;
    /** What was to go with the piece has no cut of its own: a smaller step ends before it leaves the limb, m. */
    private static final double SHORT_OF_A_SIDE_M = 0.02;

    private final TreeFacts facts;
    private final CutSizing sizing;
    private final Map<String, Lowered[]> found = new HashMap<>();

    ArmSteps(TreeFacts facts) {
        this.facts = facts;
        this.sizing = new CutSizing(facts);
    }

    Lowered whole(LimbVerdict arm) {
        return smaller(arm, 0);
    }

    /**
     * @param step how far the cut lies out from where the verdict has it: 0 not at all, {@link #SMALLER} where the limb
     *     reaches the height wanted
     */
    Lowered smaller(LimbVerdict arm, int step) {
        Lowered[] steps = found.computeIfAbsent(arm.tag(), tag -> new Lowered[SMALLER + 1]);
        if (steps[step] == null) {
            steps[step] = furtherOut(arm, step / (double) SMALLER);
        }
        return steps[step];
    }

    /** A cut to a bud, part of the way out to where the limb reaches the height wanted. */
    private Lowered furtherOut(LimbVerdict arm, double part) {
        Limb limb = arm.limb();
        Lowered whole = new Lowered(arm, arm.cut().orElseThrow(), false);
        double wantedM = facts.heightWantedM().orElse(0);
        double rise = Math.sin(Math.toRadians(limb.angleDeg()));
        double baseM = facts.branching().baseOfLimb(limb).upM();
        double nowM = whole.cut().place().alongM();
        double mostM = Math.min(
                (wantedM - baseM) / rise,
                facts.branching().childrenOf(limb).stream()
                        .mapToDouble(side -> side.originM() - SHORT_OF_A_SIDE_M)
                        .filter(sideM -> sideM + SHORT_OF_A_SIDE_M > nowM)
                        .min()
                        .orElse(Double.MAX_VALUE));
        double atM = nowM + part * (mostM - nowM);
        boolean moves = whole.cut().kind() == CutKind.HEADING && rise > 0 && atM > nowM && atM < limb.lengthM();
        return moves ? new Lowered(arm, sizing.cut(limb, Place.at(CutKind.HEADING, atM)), true) : whole;
    }
}
