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
    private final Scene scene;

    Questions(Scene scene) {
        this.scene = scene;
    }

    /** What is asked about a limb that stays. */
    List<Reason> of(Limb limb, Set<String> gone) {
        List<Reason> asked = new ArrayList<>();
        if (scene.evergreen() || scene.bush()) {
            return asked;
        }
        crowds(limb, gone).ifPresent(other -> asked.add(scene.reason(ReasonCode.ASK_CROWDED, other.id())));
        boolean centreTicked = limb.has(FaultKind.CROSSING_CENTRE) || limb.has(FaultKind.INWARD);
        if (scene.keptOpen() && !centreTicked && scene.turnsBack(limb) && !scene.crossesTheMiddle(limb)) {
            asked.add(scene.reason(ReasonCode.ASK_INWARD));
        }
        return asked;
    }

    /** Another limb that stays and whose leaf takes up over half the same room; neither grows from the other. */
    private Optional<Limb> crowds(Limb limb, Set<String> gone) {
        if (limb.has(FaultKind.CROWDED)) {
            return Optional.empty();
        }
        return scene.branching().outwards().stream()
                .filter(other -> !other.equals(limb) && !gone.contains(other.id()) && !other.has(FaultKind.CROWDED))
                .filter(other -> !scene.branching().growsFrom(other, limb)
                        && !scene.branching().growsFrom(limb, other))
                .filter(other -> scene.shareRoom(limb, other))
                .findFirst();
    }

    /** What a limb that stays comes near to. */
    List<Reason> whyNot(Limb limb) {
        List<Reason> near = new ArrayList<>();
        scene.branching().parentOf(limb).ifPresent(parent -> {
            double ratio = limb.diameterCm() / parent.diameterCm();
            double most = scene.figure(THICK_SIDE_LIMB_RATIO);
            if (ratio > most / 2 && ratio <= most) {
                near.add(scene.reason(ReasonCode.WHY_NOT_THICK, ratio, parent.id()));
            }
        });
        if (scene.heightWantedM().isPresent()) {
            double overM = scene.branching().topM(limb) - scene.heightWantedM().getAsDouble();
            if (overM > 0 && overM <= scene.heightToleranceM()) {
                near.add(scene.reason(ReasonCode.WHY_NOT_TOO_HIGH, overM, scene.heightToleranceM()));
            }
        }
        boolean dark =
                scene.lightOn(limb).isPresent() && scene.lightOn(limb).getAsDouble() < scene.figure(SHADED_LIGHT);
        if (dark && limb.fruitsAtLeast(2)) {
            near.add(scene.reason(ReasonCode.WHY_NOT_SHADED, scene.lightOn(limb).getAsDouble()));
        }
        boolean main = limb.parent().isEmpty() && !scene.leader(limb);
        if (main && limb.angleDeg() > scene.figure(STEEP_DEG) && limb.diameterCm() >= scene.figure(PLIABLE_CM)) {
            near.add(scene.reason(ReasonCode.WHY_NOT_BENT, limb.angleDeg(), limb.diameterCm()));
        }
        boolean upright = limb.parent().isPresent()
                && limb.angleDeg() > scene.figure(UPRIGHT_DEG)
                && !limb.has(FaultKind.UPRIGHT_SHOOT)
                && !limb.has(FaultKind.UPRIGHT_UNFRUITFUL);
        if (upright) {
            near.add(scene.reason(ReasonCode.WHY_NOT_UPRIGHT, limb.angleDeg()));
        }
        if (scene.tree().clearanceM().isPresent()) {
            double clearM = scene.tree().clearanceM().getAsDouble();
            double baseM = scene.branching().baseOfLimb(limb).upM();
            double tipM = scene.branching().tip(limb).upM();
            if (baseM < clearM && tipM >= clearM && !limb.has(FaultKind.LOW)) {
                near.add(scene.reason(ReasonCode.WHY_NOT_LOW, baseM, tipM));
            }
        }
        return near;
    }
}
