package org.diligentbough.core.verdict;

import static org.diligentbough.core.knowledge.Figure.BEND_ROOM_DEG;
import static org.diligentbough.core.knowledge.Figure.FRUIT_LIGHT;
import static org.diligentbough.core.knowledge.Figure.GAP_HALF_DEG;
import static org.diligentbough.core.knowledge.Figure.PLIABLE_CM;
import static org.diligentbough.core.knowledge.Figure.SECTOR_DEG;
import static org.diligentbough.core.knowledge.Figure.STEEP_DEG;

import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Role;

/** Upright and young wood, spent wood and what renews it, and what is good. */
final class ShootRows {
    /** Shoots of a year or two. */
    private static final int SHOOT_YEARS = 2;

    private final Scene scene;

    ShootRows(Scene scene) {
        this.scene = scene;
    }

    /**
     * Rows 9 and 10, which depend on what else stands: upright shoots and upright unfruitful wood go, except the one that
     * fills a gap or renews its parent.
     *
     * @param standing limbs that nothing else takes off; one that goes anyway is found upright all the same
     */
    Map<String, Finding> uprights(Collection<Limb> standing) {
        Map<String, Finding> findings = new HashMap<>();
        if (scene.evergreen() || scene.bush()) {
            return findings;
        }
        for (Limb limb : scene.branching().outwards()) {
            if (limb.has(FaultKind.UPRIGHT_UNFRUITFUL)) {
                findings.put(limb.id(), unfruitful());
            } else if (limb.has(FaultKind.UPRIGHT_SHOOT) && !scene.fig()) {
                findings.put(limb.id(), shoot());
            }
        }
        Set<Limb> left = new HashSet<>(standing);
        if (!scene.fig()) {
            left.removeIf(limb -> limb.has(FaultKind.UPRIGHT_SHOOT));
        }
        standing.stream()
                .filter(limb -> limb.has(FaultKind.UPRIGHT_UNFRUITFUL))
                .sorted(Branching.THICKEST_FIRST.reversed())
                .forEach(limb -> {
                    boolean alone =
                            others(limb, left).noneMatch(other -> apart(limb, other) <= scene.figure(SECTOR_DEG));
                    if (alone || scene.leader(limb)) {
                        findings.put(
                                limb.id(),
                                Finding.leave(
                                        TableRow.UPRIGHT_UNFRUITFUL,
                                        Verdict.KEEP,
                                        scene.reason(ReasonCode.UPRIGHT_ALONE_IN_SECTOR)));
                    } else {
                        left.remove(limb);
                    }
                });
        if (!scene.fig()) {
            standing.stream()
                    .filter(limb -> limb.has(FaultKind.UPRIGHT_SHOOT))
                    .sorted(Comparator.comparingDouble((Limb limb) -> -nearestApart(limb, left))
                            .thenComparing(Branching.THICKEST_FIRST))
                    .forEach(limb -> findings.put(limb.id(), uprightShoot(limb, left)));
        }
        return findings;
    }

    private Finding uprightShoot(Limb limb, Set<Limb> left) {
        boolean renewsParent = scene.branching()
                .parentOf(limb)
                .filter(parent -> parent.has(FaultKind.SPENT))
                .flatMap(this::renewalShoot)
                .filter(limb::equals)
                .isPresent();
        if (renewsParent) {
            left.add(limb);
            return Finding.leave(TableRow.UPRIGHT_SHOOT, Verdict.KEEP, scene.reason(ReasonCode.SHOOT_RENEWS_PARENT));
        }
        if (fillsGap(limb, left)) {
            left.add(limb);
            var why = scene.reason(ReasonCode.SHOOT_FILLS_GAP);
            return limb.diameterCm() < scene.figure(PLIABLE_CM)
                    ? Finding.act(
                            TableRow.UPRIGHT_SHOOT,
                            Verdict.BEND,
                            Place.at(CutKind.BEND, limb.lengthM() / 2),
                            why,
                            bendAim())
                    : Finding.leave(TableRow.UPRIGHT_SHOOT, Verdict.KEEP, why);
        }
        return shoot();
    }

    private Finding shoot() {
        return Finding.remove(TableRow.UPRIGHT_SHOOT, scene.reason(ReasonCode.UPRIGHT_SHOOT));
    }

    private Finding unfruitful() {
        return Finding.remove(TableRow.UPRIGHT_UNFRUITFUL, scene.reason(ReasonCode.UPRIGHT_UNFRUITFUL));
    }

    /** A gap of over 60 degrees that more branches are wanted for, or a side where nothing else stands. */
    private boolean fillsGap(Limb limb, Set<Limb> left) {
        double nearest = nearestApart(limb, left);
        if (nearest >= scene.figure(SECTOR_DEG)) {
            return true;
        }
        long mains = left.stream().filter(other -> other.parent().isEmpty()).count();
        boolean wanted = scene.tree().mainsWanted().isEmpty()
                || mains < scene.tree().mainsWanted().getAsInt();
        return wanted && nearest >= scene.figure(GAP_HALF_DEG) && gapAround(limb, left) > scene.figure(SECTOR_DEG);
    }

    private double nearestApart(Limb limb, Set<Limb> left) {
        return others(limb, left).mapToDouble(other -> apart(limb, other)).min().orElse(180);
    }

    private double gapAround(Limb limb, Set<Limb> left) {
        List<Double> clockwise = others(limb, left)
                .map(other -> (other.azimuthDeg() - limb.azimuthDeg() + 720) % 360)
                .sorted()
                .toList();
        return clockwise.isEmpty() ? 360 : clockwise.get(0) + 360 - clockwise.get(clockwise.size() - 1);
    }

    private Stream<Limb> others(Limb limb, Collection<Limb> left) {
        return left.stream()
                .filter(other -> !other.equals(limb) && !scene.branching().growsFrom(other, limb))
                .filter(scene.branching()::living);
    }

    private static double apart(Limb limb, Limb other) {
        return Branching.apartDeg(limb.azimuthDeg(), other.azimuthDeg());
    }

    /** The young shoot that could take over from a spent limb: nearest the frame, then the thickest. */
    Optional<Limb> renewalShoot(Limb limb) {
        return scene.branching().childrenOf(limb).stream()
                .filter(scene.branching()::living)
                .filter(child -> child.is(Role.RENEWAL)
                        || child.has(FaultKind.UPRIGHT_SHOOT)
                        || child.youngerThanOrOf(SHOOT_YEARS))
                .filter(child -> child.faults().stream().allMatch(fault -> fault.kind() == FaultKind.UPRIGHT_SHOOT))
                .min(Comparator.comparingDouble(Limb::originM).thenComparing(Branching.THICKEST_FIRST));
    }

    /** Row 16: spent wood is renewed from a young shoot nearer the frame, once there is one. */
    Optional<Finding> spent(Limb limb) {
        if (!limb.has(FaultKind.SPENT)) {
            return Optional.empty();
        }
        return Optional.of(renewalShoot(limb)
                .map(shoot -> Finding.act(
                        TableRow.SPENT,
                        Verdict.SHORTEN,
                        Place.toSideBranch(CutKind.RENEWAL, shoot.originM(), shoot.id()),
                        scene.reason(ReasonCode.SPENT_RENEW, shoot.id())))
                .orElseGet(
                        () -> Finding.leave(TableRow.SPENT, Verdict.WAIT, scene.reason(ReasonCode.SPENT_GROW_FIRST))));
    }

    /** Row 17: a shoot from below the graft is another tree's; it goes in any season. */
    Optional<Finding> belowGraft(Limb limb) {
        if (!limb.has(FaultKind.BELOW_GRAFT)) {
            return Optional.empty();
        }
        return Optional.of(Finding.act(
                TableRow.BELOW_GRAFT,
                Verdict.REMOVE,
                Place.at(CutKind.SUCKER, 0),
                scene.reason(ReasonCode.BELOW_GRAFT)));
    }

    /** Row 19: a pliable, steep, sound branch on the trunk with room about it is spread instead of cut. */
    Optional<Finding> pliable(Limb limb) {
        boolean room = scene.branching().onTrunk().stream()
                .filter(other -> !other.equals(limb) && scene.branching().living(other))
                .noneMatch(other -> apart(limb, other) < scene.figure(BEND_ROOM_DEG));
        boolean applies = limb.parent().isEmpty()
                && limb.faults().isEmpty()
                && limb.diameterCm() < scene.figure(PLIABLE_CM)
                && limb.angleDeg() > scene.figure(STEEP_DEG)
                && room
                && !scene.leader(limb)
                && !scene.bush()
                && !scene.evergreen();
        return applies
                ? Optional.of(Finding.act(
                        TableRow.PLIABLE,
                        Verdict.BEND,
                        Place.at(CutKind.BEND, limb.lengthM() / 2),
                        scene.reason(ReasonCode.PLIABLE, limb.angleDeg()),
                        bendAim()))
                : Optional.empty();
    }

    private Reason bendAim() {
        return scene.reason(
                scene.survey().site().policy().bend() == Policy.Bend.LEVEL
                        ? ReasonCode.BEND_LEVEL
                        : ReasonCode.BEND_SLANTING);
    }

    /** Row 20: fruiting wood at a good angle, in light. */
    Optional<Finding> fruitful(Limb limb) {
        boolean inLight = !limb.has(FaultKind.SHADED) && scene.lightOn(limb).orElse(1) >= scene.figure(FRUIT_LIGHT);
        boolean applies = limb.fruitsAtLeast(1)
                && inLight
                && limb.angleDeg() >= scene.traits().fruitfulFromDeg()
                && limb.angleDeg() <= scene.traits().fruitfulToDeg();
        if (!applies) {
            return Optional.empty();
        }
        var good = scene.reason(ReasonCode.FRUITFUL, limb.angleDeg());
        return Optional.of(
                limb.fruitsAtLeast(3)
                        ? Finding.leave(
                                TableRow.FRUITFUL, Verdict.KEEP, good, scene.reason(ReasonCode.THIN_CROWDED_SPURS))
                        : Finding.leave(TableRow.FRUITFUL, Verdict.KEEP, good));
    }

    /** Row 21: nothing clear; waiting is a good answer. */
    Finding nothingClear() {
        return Finding.leave(TableRow.NOTHING_CLEAR, Verdict.WAIT, scene.reason(ReasonCode.NOTHING_CLEAR));
    }
}
