package org.diligentbough.core.verdict;

import static org.diligentbough.core.knowledge.Figure.BEND_ROOM_DEG;
import static org.diligentbough.core.knowledge.Figure.FRUIT_LIGHT;
import static org.diligentbough.core.knowledge.Figure.GAP_HALF_DEG;
import static org.diligentbough.core.knowledge.Figure.MAINS_GAP_DEG;
import static org.diligentbough.core.knowledge.Figure.OUTERMOST_CUT_SHARE;
import static org.diligentbough.core.knowledge.Figure.PLIABLE_CM;
import static org.diligentbough.core.knowledge.Figure.SECTOR_DEG;
import static org.diligentbough.core.knowledge.Figure.STEEP_DEG;
import static org.diligentbough.core.knowledge.Figure.TIER_APART_M;
import static org.diligentbough.core.knowledge.Figure.UPRIGHT_DEG;

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
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.orchard.SpeciesTraits;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Role;

/** Upright and young wood, spent wood and what renews it, and what is good. */
final class ShootRules {
    /** Shoots of a year or two. */
    private static final int SHOOT_YEARS = 2;

    private final TreeFacts facts;

    ShootRules(TreeFacts facts) {
        this.facts = facts;
    }

    /**
     * What depends on what else stands: upright shoots and upright unfruitful wood go, except the one that
     * fills a gap or renews its parent.
     *
     * @param standing limbs that nothing else takes off; one that goes anyway is found upright all the same
     */
    Map<String, Finding> uprights(Collection<Limb> standing) {
        Map<String, Finding> findings = new HashMap<>();
        if (facts.evergreen() || facts.bush()) {
            return findings;
        }
        for (Limb limb : facts.branching().outwards()) {
            if (facts.onlyCleaned(limb)) {
                continue;
            }
            if (limb.has(FaultKind.UPRIGHT_UNFRUITFUL)) {
                findings.put(limb.id(), unfruitful());
            } else if (uprightShoot(limb)) {
                findings.put(limb.id(), shoot(limb));
            }
        }
        Set<Limb> left = new HashSet<>(standing);
        left.removeIf(this::uprightShoot);
        standing.stream()
                .filter(limb -> limb.has(FaultKind.UPRIGHT_UNFRUITFUL) && !facts.onlyCleaned(limb))
                .sorted(Branching.THICKEST_FIRST.reversed())
                .forEach(limb -> {
                    boolean alone =
                            others(limb, left).noneMatch(other -> apart(limb, other) <= facts.figure(SECTOR_DEG));
                    if (alone || facts.leader(limb)) {
                        findings.put(
                                limb.id(),
                                Finding.leave(
                                        Rule.UPRIGHT_UNFRUITFUL,
                                        Verdict.KEEP,
                                        facts.reason(ReasonCode.UPRIGHT_ALONE_IN_SECTOR)));
                    } else {
                        left.remove(limb);
                    }
                });
        standing.stream()
                .filter(this::uprightShoot)
                .sorted(Comparator.comparingDouble((Limb limb) -> -nearestApart(limb, left))
                        .thenComparing(Branching.THICKEST_FIRST))
                .forEach(limb -> findings.put(limb.id(), ofShoot(limb, left)));
        return findings;
    }

    /**
     * Whether it is an upright shoot of a year or two, ticked or plain to see; a fig's and a peach's are their next crop, a
     * persimmon's are topped, and a trained tree's are cut by buds.
     */
    private boolean uprightShoot(Limb limb) {
        boolean ticked = limb.has(FaultKind.UPRIGHT_SHOOT);
        boolean ownWork = facts.fig() || facts.tree().species() == Species.PERSIMMON;
        return !ownWork && !facts.onlyCleaned(limb) && (ticked || seenAsUprightShoot(limb));
    }

    private boolean seenAsUprightShoot(Limb limb) {
        return limb.angleDeg() > facts.figure(UPRIGHT_DEG)
                && limb.youngerThanOrOf(SHOOT_YEARS)
                && limb.role().isEmpty()
                && limb.faults().isEmpty()
                && !limb.fruitsAtLeast(2)
                && facts.branching().living(limb)
                && !facts.leader(limb)
                && !facts.young()
                && !facts.formWanted().trained()
                && facts.traits().group() != SpeciesTraits.Group.PEACH;
    }

    private Finding ofShoot(Limb limb, Set<Limb> left) {
        boolean renewsParent = facts.branching()
                .parentOf(limb)
                .filter(parent -> parent.has(FaultKind.SPENT))
                .flatMap(this::renewalShoot)
                .filter(limb::equals)
                .isPresent();
        if (renewsParent) {
            left.add(limb);
            return Finding.leave(Rule.UPRIGHT_SHOOT, Verdict.KEEP, facts.reason(ReasonCode.SHOOT_RENEWS_PARENT));
        }
        if (fillsGap(limb, left)) {
            left.add(limb);
            var why = facts.reason(ReasonCode.SHOOT_FILLS_GAP);
            return limb.diameterCm() < facts.figure(PLIABLE_CM)
                    ? Finding.act(
                            Rule.UPRIGHT_SHOOT,
                            Verdict.BEND,
                            Place.at(CutKind.BEND, limb.lengthM() / 2),
                            why,
                            bendAim())
                    : Finding.leave(Rule.UPRIGHT_SHOOT, Verdict.KEEP, why);
        }
        return shoot(limb);
    }

    private Finding shoot(Limb limb) {
        return limb.has(FaultKind.UPRIGHT_SHOOT)
                ? Finding.remove(Rule.UPRIGHT_SHOOT, facts.reason(ReasonCode.UPRIGHT_SHOOT))
                : Finding.remove(
                        Rule.UPRIGHT_SHOOT,
                        facts.reason(
                                ReasonCode.SEEN_UPRIGHT_SHOOT,
                                limb.angleDeg(),
                                limb.woodYears().orElseThrow()));
    }

    private Finding unfruitful() {
        return Finding.remove(Rule.UPRIGHT_UNFRUITFUL, facts.reason(ReasonCode.UPRIGHT_UNFRUITFUL));
    }

    /**
     * A gap that more branches are wanted for, or a side where nothing else stands: over 60 degrees, or over 90 between
     * main branches for a shoot on the trunk.
     */
    private boolean fillsGap(Limb limb, Set<Limb> left) {
        boolean main = limb.parent().isEmpty();
        Set<Limb> among = new HashSet<>(left);
        if (main) {
            among.removeIf(other -> other.parent().isPresent());
        }
        long mains = left.stream().filter(other -> other.parent().isEmpty()).count();
        boolean wanted = facts.tree().mainsWanted().isEmpty()
                || mains < facts.tree().mainsWanted().getAsInt();
        double nearest = nearestApart(limb, among);
        if (main) {
            return wanted
                    && nearest >= facts.figure(GAP_HALF_DEG)
                    && gapAround(limb, among) > facts.figure(MAINS_GAP_DEG);
        }
        return nearest >= facts.figure(SECTOR_DEG)
                || wanted && nearest >= facts.figure(GAP_HALF_DEG) && gapAround(limb, among) > facts.figure(SECTOR_DEG);
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
                .filter(other -> !other.equals(limb) && !facts.branching().growsFrom(other, limb))
                .filter(facts.branching()::living);
    }

    private static double apart(Limb limb, Limb other) {
        return Branching.apartDeg(limb.azimuthDeg(), other.azimuthDeg());
    }

    /**
     * The young shoot that could take over from a spent limb: nearest the frame, then the thickest; one at the limb's very
     * tip renews nothing.
     */
    Optional<Limb> renewalShoot(Limb limb) {
        return facts.branching().childrenOf(limb).stream()
                .filter(facts.branching()::living)
                .filter(child -> child.is(Role.RENEWAL)
                        || child.has(FaultKind.UPRIGHT_SHOOT)
                        || child.youngerThanOrOf(SHOOT_YEARS))
                .filter(child -> child.faults().stream().allMatch(fault -> fault.kind() == FaultKind.UPRIGHT_SHOOT))
                .filter(child -> child.originM() <= facts.figure(OUTERMOST_CUT_SHARE) * limb.lengthM())
                .min(Comparator.comparingDouble(Limb::originM).thenComparing(Branching.THICKEST_FIRST));
    }

    /** Spent wood is renewed from a young shoot nearer the frame, once there is one. */
    Optional<Finding> spent(Limb limb) {
        if (!limb.has(FaultKind.SPENT)) {
            return Optional.empty();
        }
        return Optional.of(renewalShoot(limb)
                .map(shoot -> Finding.act(
                        Rule.RENEWAL,
                        Verdict.SHORTEN,
                        Place.toSideBranch(CutKind.RENEWAL, shoot.originM(), shoot.id()),
                        facts.reason(ReasonCode.SPENT_RENEW, shoot.id())))
                .orElseGet(() -> Finding.leave(Rule.RENEWAL, Verdict.WAIT, facts.reason(ReasonCode.SPENT_GROW_FIRST))));
    }

    /** A shoot from below the graft is another tree's; it goes in any season. */
    Optional<Finding> belowGraft(Limb limb) {
        if (!limb.has(FaultKind.BELOW_GRAFT)) {
            return Optional.empty();
        }
        return Optional.of(Finding.act(
                Rule.BELOW_GRAFT, Verdict.REMOVE, Place.at(CutKind.SUCKER, 0), facts.reason(ReasonCode.BELOW_GRAFT)));
    }

    /**
     * A pliable, steep, sound branch on the trunk with room about it is spread instead of cut. The leader and limbs of
     * another tier take no room from it.
     */
    Optional<Finding> pliable(Limb limb) {
        boolean room = facts.branching().onTrunk().stream()
                .filter(other -> !other.equals(limb) && facts.branching().living(other))
                .filter(other ->
                        !facts.leader(other) && Math.abs(other.originM() - limb.originM()) < facts.figure(TIER_APART_M))
                .noneMatch(other -> apart(limb, other) < facts.figure(BEND_ROOM_DEG));
        boolean applies = limb.parent().isEmpty()
                && limb.faults().isEmpty()
                && limb.diameterCm() < facts.figure(PLIABLE_CM)
                && limb.angleDeg() > facts.figure(STEEP_DEG)
                && room
                && !facts.leader(limb)
                && !facts.bush()
                && !facts.evergreen();
        return applies
                ? Optional.of(Finding.act(
                        Rule.PLIABLE,
                        Verdict.BEND,
                        Place.at(CutKind.BEND, limb.lengthM() / 2),
                        facts.reason(ReasonCode.PLIABLE, limb.angleDeg()),
                        bendAim()))
                : Optional.empty();
    }

    private Reason bendAim() {
        return facts.reason(
                facts.survey().site().policy().bend() == Policy.Bend.LEVEL
                        ? ReasonCode.BEND_LEVEL
                        : ReasonCode.BEND_SLANTING);
    }

    /** Fruiting wood at a good angle, in light. */
    Optional<Finding> fruitful(Limb limb) {
        if (limb.is(Role.RENEWAL)) {
            return Optional.of(Finding.leave(Rule.FRUITFUL, Verdict.KEEP, facts.reason(ReasonCode.KEPT_TO_RENEW)));
        }
        boolean inLight = !limb.has(FaultKind.SHADED) && facts.lightOn(limb).orElse(1) >= facts.figure(FRUIT_LIGHT);
        boolean well = limb.fruitsAtLeast(1)
                && limb.angleDeg() >= facts.traits().fruitfulFromDeg()
                && limb.angleDeg() <= facts.traits().fruitfulToDeg();
        if (!well) {
            return Optional.empty();
        }
        if (!inLight) {
            return Optional.of(Finding.leave(
                    Rule.NOTHING_CLEAR,
                    Verdict.WAIT,
                    facts.lightOn(limb).isPresent()
                            ? facts.reason(
                                    ReasonCode.ONLY_LIGHT_LACKS,
                                    facts.lightOn(limb).getAsDouble())
                            : facts.reason(ReasonCode.ONLY_LIGHT_LACKS_TICKED)));
        }
        var good = facts.reason(ReasonCode.FRUITFUL, limb.angleDeg());
        return Optional.of(
                limb.fruitsAtLeast(3)
                        ? Finding.leave(Rule.FRUITFUL, Verdict.KEEP, good, facts.reason(ReasonCode.THIN_CROWDED_SPURS))
                        : Finding.leave(Rule.FRUITFUL, Verdict.KEEP, good));
    }

    /** Nothing clear; waiting is a good answer. */
    Finding nothingClear() {
        return Finding.leave(Rule.NOTHING_CLEAR, Verdict.WAIT, facts.reason(ReasonCode.NOTHING_CLEAR));
    }
}
