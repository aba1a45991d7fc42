package org.diligentbough.core.plan;

import static org.diligentbough.core.knowledge.Figure.LARGE_SHARE;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.diligentbough.core.light.ShadeWork;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.verdict.LimbVerdict;
import org.diligentbough.core.verdict.Rule;
import org.diligentbough.core.verdict.TreeFacts;
import org.diligentbough.core.verdict.TreeVerdict;
import org.diligentbough.core.verdict.Verdict;

/** A tree that wants cutting, with what is the same in each plan that is tried for it. Immutable. */
final class PlanningCase {
    final TreeFacts facts;
    final TreeVerdict tree;
    final YearLanes years;
    final Moves moves;
    /** What wants to be cut or bent, by tag, in common order. */
    final Map<String, LimbVerdict> verdicts = new LinkedHashMap<>();

    /** The place of each in that order, by tag. */
    final Map<String, Integer> places = new HashMap<>();

    /** The same with what grows from another limb before that: after it, it would be gone. */
    final List<LimbVerdict> inwards = new ArrayList<>();

    final CropOnLimbs crop;
    final DetailWork detail;
    final ArmSteps armSteps;
    /** What stands round the tree and is worth felling or lowering for its light. */
    final List<ShadeWork> shadeWork;

    /** @param cuts what wants to be cut or bent, in common order */
    PlanningCase(
            TreeFacts facts,
            List<LimbVerdict> cuts,
            TreeVerdict tree,
            YearLanes years,
            Moves moves,
            List<ShadeWork> shadeWork) {
        this.shadeWork = List.copyOf(shadeWork);
        this.facts = facts;
        this.tree = tree;
        this.years = years;
        this.moves = moves;
        this.crop = new CropOnLimbs(facts);
        this.detail = new DetailWork(facts);
        this.armSteps = new ArmSteps(facts);
        for (LimbVerdict limb : cuts) {
            places.put(limb.tag(), places.size());
            verdicts.put(limb.tag(), limb);
        }
        for (Limb limb : facts.branching().outwards()) {
            if (verdicts.containsKey(limb.id())) {
                inwards.add(0, verdicts.get(limb.id()));
            }
        }
    }

    /**
     * Whether a limb is a whole leader with a large part of the crown, or a stem of a fork on the trunk: when it goes,
     * little else goes that year.
     */
    boolean wholeLimb(LimbVerdict limb) {
        return stemOfAFork(limb)
                || limb.verdict() == Verdict.REMOVE
                        && facts.leader(limb.limb())
                        && facts.shares().of(limb.limb()) >= facts.figure(LARGE_SHARE);
    }

    /** A stem of a split-prone fork counts as dangerous: it goes whole, in the first year it can. */
    boolean stemOfAFork(LimbVerdict limb) {
        return limb.rule().filter(Rule.SPLIT_UNION::equals).isPresent()
                && limb.limb().parent().isEmpty();
    }

    /** Whether a cut is made whatever the allowance: it is urgent, or the wood is dead, diseased or broken, or a fork's stem. */
    boolean hasToBe(LimbVerdict limb) {
        return limb.must() || stemOfAFork(limb) || !facts.branching().living(limb.limb());
    }

    /**
     * Whether it is the yearly work of the kind on its young and fruiting wood: detail that no allowance holds back (common
     * practice: "a third, plus renewal of last year's shoots").
     */
    boolean ownWork(LimbVerdict limb) {
        return limb.ownWork(facts.traits());
    }

    /** Whether a limb is one of those that come down for the tree's height, which they do together. */
    boolean arm(LimbVerdict limb) {
        return limb.verdict() == Verdict.SHORTEN
                && limb.rule().filter(Rule.TOO_HIGH::equals).isPresent();
    }

    /** Whether a limb is larger than any year's allowance and may be taken in two steps. */
    boolean tooLargeForAYear(LimbVerdict limb) {
        return facts.traits().hasAllowance()
                && limb.verdict() == Verdict.REMOVE
                && !hasToBe(limb)
                && facts.shares().of(limb.limb()) > facts.usualAllowance() + YearBudget.ROUNDING;
    }
}
