package org.diligentbough.core.plan;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.verdict.Cut;
import org.diligentbough.core.verdict.CutKind;
import org.diligentbough.core.verdict.CutSizing;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Place;
import org.diligentbough.core.verdict.TreeFacts;
import org.diligentbough.core.verdict.Verdict;

/** The plan that is kept, if one is: its cuts stand cut by cut and place by place, and no other is planned. */
final class KeptPlan {
    /** Places are kept to the millimetre. */
    private static final double SAME_PLACE_M = 0.0011;

    private final TreeFacts facts;
    private final Optional<Set<CutKey>> cuts;
    private final List<String> leftOut;

    /** @param limbs all that were judged */
    KeptPlan(TreeFacts facts, Optional<Set<CutKey>> cuts, List<LimbVerdict> limbs) {
        this.facts = facts;
        this.cuts = cuts;
        this.leftOut = limbs.stream()
                .filter(limb -> limb.cut().isPresent() && !mayStand(limb))
                .map(LimbVerdict::tag)
                .toList();
    }

    /** Whether it has this cut or a first step to it; any may stand where no plan is kept. */
    boolean mayStand(LimbVerdict limb) {
        return cuts.map(kept -> kept.contains(new CutKey(limb.tag(), limb.verdict()))
                        || limb.verdict() == Verdict.REMOVE && kept.contains(new CutKey(limb.tag(), Verdict.SHORTEN)))
                .orElse(true);
    }

    /** What of a plan stands in it; the rest is listed as not placed. */
    RenovationPlan only(RenovationPlan plan) {
        return cuts.map(kept -> plan.only(kept, leftOut, facts.reason(ReasonCode.NOT_IN_KEPT_PLAN)))
                .orElse(plan);
    }

    /** A step as it has it: further out than what is wanted in the end. */
    static Optional<Cut> step(TreeFacts facts, LimbVerdict limb, Pin pin) {
        if (pin.kind() != Verdict.SHORTEN || pin.keptAtM().isEmpty()) {
            return Optional.empty();
        }
        double atM = pin.keptAtM().getAsDouble();
        double inTheEndM = limb.verdict() == Verdict.REMOVE
                ? 0
                : limb.cut().orElseThrow().place().alongM();
        boolean step = atM > inTheEndM + SAME_PLACE_M && atM < limb.limb().lengthM() - SAME_PLACE_M;
        return step ? Optional.of(new CutSizing(facts).cut(limb.limb(), place(facts, limb, atM))) : Optional.empty();
    }

    private static Place place(TreeFacts facts, LimbVerdict limb, double atM) {
        return facts.places().sideBranches(limb.limb()).stream()
                .filter(branch -> Math.abs(branch.originM() - atM) <= SAME_PLACE_M)
                .findFirst()
                .map(branch -> Place.toSideBranch(CutKind.TO_SIDE_BRANCH, branch.originM(), branch.id()))
                .orElseGet(() -> Place.at(CutKind.HEADING, atM));
    }
}
