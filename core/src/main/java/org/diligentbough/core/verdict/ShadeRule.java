package org.diligentbough.core.verdict;

import static org.diligentbough.core.knowledge.Figure.SHADED_LEAST_M;
import static org.diligentbough.core.knowledge.Figure.SHADED_LIGHT;

import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Role;

/** Underneath, shaded and weak: judged by the light there will be once everything else that goes is gone. */
final class ShadeRule {
    /** Wood of a year or two may yet grow into the light. */
    private static final int YOUNG_YEARS = 2;

    private final TreeFacts facts;

    ShadeRule(TreeFacts facts) {
        this.facts = facts;
    }

    /** Whether it calls for a look at its light: said to be shaded, or dark and hardly bearing. */
    boolean asks(Limb limb) {
        boolean spared = facts.evergreen()
                || limb.is(Role.RENEWAL)
                || limb.youngerThanOrOf(YOUNG_YEARS)
                || limb.lengthM() < facts.figure(SHADED_LEAST_M)
                || !facts.branching().living(limb);
        return !spared && (ticked(limb) || dark(limb));
    }

    private boolean ticked(Limb limb) {
        return limb.has(FaultKind.SHADED) && !limb.fruitsAtLeast(2);
    }

    private boolean dark(Limb limb) {
        boolean sparse = limb.fruiting().isPresent() && limb.fruiting().getAsInt() <= 1;
        return sparse && darkNow(limb);
    }

    private boolean darkNow(Limb limb) {
        OptionalDouble now = facts.lightOn(limb);
        return now.isPresent() && now.getAsDouble() < facts.figure(SHADED_LIGHT);
    }

    /**
     * To its origin, since shortening a shaded low limb only makes it die back; or wait, where the other cuts bring light
     * to it. What the survey did not enter cannot be reckoned, so a tick stands where the reckoning sees nothing dark.
     *
     * @param after light on each limb once all else that goes is gone
     */
    Optional<Finding> of(Limb limb, Map<String, Double> after) {
        if (!asks(limb)) {
            return Optional.empty();
        }
        Double then = after.get(limb.id());
        if (darkNow(limb) && then != null && then >= facts.figure(SHADED_LIGHT)) {
            return Optional.of(Finding.leave(
                    Rule.SHADED_UNDERNEATH,
                    Verdict.WAIT,
                    facts.reason(ReasonCode.WAIT_FOR_LIGHT, facts.lightOn(limb).getAsDouble(), then)));
        }
        return Optional.of(Finding.remove(
                Rule.SHADED_UNDERNEATH,
                ticked(limb)
                        ? facts.reason(ReasonCode.SHADED_UNDERNEATH)
                        : facts.reason(ReasonCode.TOO_DARK, facts.lightOn(limb).getAsDouble())));
    }
}
