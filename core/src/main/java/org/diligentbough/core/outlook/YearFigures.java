package org.diligentbough.core.outlook;

import static org.diligentbough.core.knowledge.Figure.*;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import org.diligentbough.core.light.CrownLight.OnLeaf;
import org.diligentbough.core.light.Leaf;
import org.diligentbough.core.outlook.Outlook.Grown;
import org.diligentbough.core.outlook.Outlook.Shoots;
import org.diligentbough.core.outlook.Ways.Done;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;

/** What is told of a crown as a year begins: {@link Outlook.Year} says what each figure means. */
final class YearFigures {
    private final Crown crown;
    private final Branching branching;
    private final Map<String, OnLeaf> light;
    private final int age;

    /**
     * @param light on its leaf, by limb
     * @param age years since it was surveyed
     */
    YearFigures(Crown crown, Branching branching, Map<String, OnLeaf> light, int age) {
        this.crown = crown;
        this.branching = branching;
        this.light = light;
        this.age = age;
    }

    /** The limbs that stand, with what is done to them this year. */
    List<Grown> limbs(List<Done> cuts) {
        Map<String, Done> byLimb = cuts.stream()
                .filter(done -> !crown.woods.get(done.limb()).gone)
                .collect(Collectors.toMap(Done::limb, Function.identity(), (first, later) -> later));
        return crown.woods.values().stream()
                .filter(wood -> !wood.gone)
                .map(wood -> grown(wood, Optional.ofNullable(byLimb.get(wood.limb.id()))))
                .toList();
    }

    private Grown grown(Wood wood, Optional<Done> done) {
        Limb limb = branching.get(wood.limb.id());
        OnLeaf on = light.get(limb.id());
        boolean inLeaf = on != null;
        Leaf leaf = inLeaf ? crown.leafOf(wood, branching) : null;
        return new Grown(
                limb.id(),
                branching.baseOfLimb(limb),
                branching.pointAt(limb, wood.lengthM),
                wood.diameterCm,
                wood.diameterCm * (1 - (1 - Limb.TIP_TAPER) * wood.lengthM / wood.reachM),
                wood.living,
                inLeaf ? on.mean() : 0,
                inLeaf ? leaf.centre() : branching.tip(limb),
                inLeaf ? leaf.halfAlongM() : 0,
                inLeaf ? leaf.halfAcrossM() : 0,
                done.map(Done::kind),
                done.map(Done::alongM).orElse(0.0));
    }

    List<Shoots> shoots() {
        return crown.regrowths.stream()
                .filter(Regrowth::standing)
                .map(one -> new Shoots(one.limb, one.from, one.lengthM(), one.shoots, one.spreadM()))
                .toList();
    }

    double heightM() {
        return crown.tree.scene().tree().heightM() * crown.topM(branching) / crown.topAtFirstM;
    }

    double fruitIndex() {
        return fruit(wood -> 1);
    }

    OptionalDouble fruitInReach() {
        OptionalDouble wantedM = crown.tree.scene().tree().targetHeightM();
        return wantedM.isEmpty()
                ? OptionalDouble.empty()
                : OptionalDouble.of(fruit(wood -> below(crown.leafOf(wood, branching), wantedM.getAsDouble())));
    }

    /** Leaf times how fruitful it is, of all the leaf there was; what it grows beyond that is outside, out of reach. */
    private double fruit(ToDoubleFunction<Wood> part) {
        double sum = crown.woods.values().stream()
                .filter(wood -> !wood.gone && wood.living)
                .mapToDouble(
                        wood -> Math.min(wood.leafM2, wood.leafAtFirstM2) * wood.fruitful * part.applyAsDouble(wood))
                .sum();
        return crown.leafAtFirstM2 > 0 ? (1 - crown.cropLost) * Math.min(1, sum / crown.leafAtFirstM2) : 0;
    }

    /** Part of a body of leaf below a height, 0 to 1. */
    private static double below(Leaf leaf, double heightM) {
        double up = leaf.axis().upM();
        double halfM = Math.sqrt(Math.pow(leaf.halfAlongM() * up, 2) + Math.pow(leaf.halfAcrossM(), 2) * (1 - up * up));
        return Math.max(0, Math.min(1, (heightM - leaf.centre().upM() + halfM) / (2 * halfM)));
    }

    double deadShare() {
        double dead = crown.woods.values().stream()
                .filter(wood -> !wood.gone)
                .mapToDouble(wood -> wood.volume() * (wood.living ? crown.figure(OUTLOOK_TWIGS) * wood.starved : 1))
                .sum();
        return crown.woodAtFirst > 0 ? Math.min(1, dead / crown.woodAtFirst) : 0;
    }

    /** Weak unions weaken as what hangs on them grows heavier; two chances that are apart join as such do. */
    double splitRisk() {
        double holds = 1;
        for (Wood wood : crown.woods.values()) {
            Limb limb = wood.limb;
            boolean partnerGone = limb.faults().stream()
                    .flatMap(fault -> fault.with().stream())
                    .map(crown.woods::get)
                    .anyMatch(other -> other != null && other.gone);
            if (!wood.gone && !partnerGone) {
                double weak = (limb.has(FaultKind.NARROW_UNION) ? crown.figure(OUTLOOK_SPLIT_NARROW) : 0)
                        + (limb.has(FaultKind.INCLUDED_BARK) ? crown.figure(OUTLOOK_SPLIT_INCLUDED) : 0)
                        + (limb.has(FaultKind.CRACKED) ? crown.figure(OUTLOOK_SPLIT_CRACKED) : 0);
                double heavier = Math.pow(wood.reachM / limb.lengthM(), 2) * wood.lengthM / wood.reachM;
                holds *= 1 - Math.min(1, weak * heavier * Math.pow(1 + crown.figure(OUTLOOK_SPLIT_GROWTH), age));
            }
        }
        return 1 - holds;
    }

    double minutesWaiting() {
        double cuts = crown.tree.limbs().stream()
                .filter(limb ->
                        limb.cut().isPresent() && !crown.woods.get(limb.limb().id()).gone)
                .filter(limb -> crown.woods.get(limb.limb().id()).lengthM
                        > limb.cut().orElseThrow().place().alongM() + crown.figure(OUTLOOK_GROWN_OUT_M))
                .mapToDouble(limb -> limb.cut().orElseThrow().minutes())
                .sum();
        double died = crown.died().stream().mapToDouble(crown::minutesToTake).sum();
        return cuts + died + crown.figure(MINUTES_SHOOT) * crown.uprights();
    }

    /** Mean light where its leaf is or was; what died is dark. */
    double light() {
        double sum = 0;
        for (Wood wood : crown.woods.values()) {
            OnLeaf on = light.get(wood.limb.id());
            sum += on == null ? 0 : wood.leafAtFirstM2 * on.mean();
        }
        return crown.leafAtFirstM2 > 0 ? Math.min(1, sum / crown.leafAtFirstM2) : 0;
    }

    OptionalDouble inLight() {
        double leaf = 0;
        double sum = 0;
        for (Wood wood : crown.woods.values()) {
            if (!wood.gone && wood.fruiting) {
                OnLeaf on = light.get(wood.limb.id());
                leaf += wood.leafAtFirstM2;
                sum += on == null ? 0 : wood.leafAtFirstM2 * on.shareWith(crown.figure(FRUIT_LIGHT));
            }
        }
        return leaf > 0 ? OptionalDouble.of(Math.min(1, sum / leaf)) : OptionalDouble.empty();
    }
}
