package org.diligentbough.core.verdict;

import static org.diligentbough.core.knowledge.Figure.PLIABLE_CM;
import static org.diligentbough.core.knowledge.Figure.SHADED_LIGHT;
import static org.diligentbough.core.knowledge.Figure.STEEP_DEG;
import static org.diligentbough.core.knowledge.Figure.THICK_SIDE_LIMB_RATIO;
import static org.diligentbough.core.knowledge.Figure.UPRIGHT_DEG;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;

/**
 * What the geometry makes worth a look where nobody ticked a fault: the judgement asks, and a tick or a decision settles
 * it. And for a limb that stays, what it comes near to and why that is not it.
 */
final class Questions {
    private final TreeFacts facts;

    Questions(TreeFacts facts) {
        this.facts = facts;
    }

    /** What is asked about a limb that stays. */
    List<Reason> of(Limb limb, Set<String> gone) {
        List<Reason> asked = new ArrayList<>();
        if (facts.evergreen() || facts.bush()) {
            return asked;
        }
        crowds(limb, gone).ifPresent(other -> asked.add(facts.reason(ReasonCode.ASK_CROWDED, other.id())));
        boolean centreTicked = limb.has(FaultKind.CROSSING_CENTRE) || limb.has(FaultKind.INWARD);
        if (facts.keptOpen() && !centreTicked && facts.turnsBack(limb) && !facts.crossesTheMiddle(limb)) {
            asked.add(facts.reason(ReasonCode.ASK_INWARD));
        }
        return asked;
    }

    /** Another limb that stays and whose leaf takes up over half the same room; neither grows from the other. */
    private Optional<Limb> crowds(Limb limb, Set<String> gone) {
        if (limb.has(FaultKind.CROWDED)) {
            return Optional.empty();
        }
        return facts.branching().outwards().stream()
                .filter(other -> !other.equals(limb) && !gone.contains(other.id()) && !other.has(FaultKind.CROWDED))
                .filter(other -> !facts.branching().growsFrom(other, limb)
                        && !facts.branching().growsFrom(limb, other))
                .filter(other -> facts.shareRoom(limb, other))
                .findFirst();
    }

    /** What a limb that stays comes near to. */
    List<Reason> whyNot(Limb limb) {
        List<Reason> near = new ArrayList<>();
        facts.branching().parentOf(limb).ifPresent(parent -> {
            double ratio = limb.diameterCm() / parent.diameterCm();
            double most = facts.figure(THICK_SIDE_LIMB_RATIO);
            if (ratio > most / 2 && ratio <= most) {
                near.add(facts.reason(ReasonCode.WHY_NOT_THICK, ratio, parent.id()));
            }
        });
        if (facts.heightWantedM().isPresent()) {
            double overM = facts.branching().topM(limb) - facts.heightWantedM().getAsDouble();
            if (overM > 0 && overM <= facts.heightToleranceM()) {
                near.add(facts.reason(ReasonCode.WHY_NOT_TOO_HIGH, overM, facts.heightToleranceM()));
            }
        }
        boolean dark =
                facts.lightOn(limb).isPresent() && facts.lightOn(limb).getAsDouble() < facts.figure(SHADED_LIGHT);
        if (dark && limb.fruitsAtLeast(2)) {
            near.add(facts.reason(ReasonCode.WHY_NOT_SHADED, facts.lightOn(limb).getAsDouble()));
        }
        boolean main = limb.parent().isEmpty() && !facts.leader(limb);
        if (main && limb.angleDeg() > facts.figure(STEEP_DEG) && limb.diameterCm() >= facts.figure(PLIABLE_CM)) {
            near.add(facts.reason(ReasonCode.WHY_NOT_BENT, limb.angleDeg(), limb.diameterCm()));
        }
        boolean upright = limb.parent().isPresent()
                && limb.angleDeg() > facts.figure(UPRIGHT_DEG)
                && !limb.has(FaultKind.UPRIGHT_SHOOT)
                && !limb.has(FaultKind.UPRIGHT_UNFRUITFUL);
        if (upright) {
            near.add(facts.reason(ReasonCode.WHY_NOT_UPRIGHT, limb.angleDeg()));
        }
        if (facts.tree().clearanceM().isPresent()) {
            double clearM = facts.tree().clearanceM().getAsDouble();
            double baseM = facts.branching().baseOfLimb(limb).upM();
            double tipM = facts.branching().tip(limb).upM();
            if (baseM < clearM && tipM >= clearM && !limb.has(FaultKind.LOW)) {
                near.add(facts.reason(ReasonCode.WHY_NOT_LOW, baseM, tipM));
            }
        }
        return near;
    }
}
