package org.diligentbough.core.verdict;

import static org.diligentbough.core.knowledge.Figure.LEAST_STEP_DOWN_SHARE;
import static org.diligentbough.core.knowledge.Figure.OUTER_PART_SHARE;
import static org.diligentbough.core.knowledge.Figure.SECATEURS_CM;
import static org.diligentbough.core.knowledge.Figure.SHADED_LIGHT;
import static org.diligentbough.core.knowledge.Figure.THICK_SIDE_LIMB_RATIO;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.SpeciesTraits;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;

/** What a limb does to the frame of its tree: centre, thickness, height, weeping, shade, clearance, reach. */
final class FrameRows {
    /** A bush's branch is low only where its tip lies on the ground, m. */
    private static final double ON_THE_GROUND_M = 0.1;

    private final Scene scene;

    FrameRows(Scene scene) {
        this.scene = scene;
    }

    /** Row 6: out of the centre, in forms that want it open. */
    Optional<Finding> intoCentre(Limb limb) {
        boolean inward = limb.has(FaultKind.CROSSING_CENTRE) || limb.has(FaultKind.INWARD);
        if (!inward || scene.evergreen() || scene.formWanted() != Form.OPEN_CENTRE || scene.leader(limb)) {
            return Optional.empty();
        }
        return Optional.of(Finding.remove(TableRow.INTO_CENTRE, scene.reason(ReasonCode.INTO_CENTRE)));
    }

    /** Row 7: a side limb over half as thick as the limb it grows from; never on the trunk, a bush or a leader. */
    Optional<Finding> thickSideLimb(Limb limb) {
        Optional<Limb> parent = scene.branching().parentOf(limb);
        if (parent.isEmpty() || scene.bush() || scene.leader(limb)) {
            return Optional.empty();
        }
        double ratio = limb.diameterCm() / parent.get().diameterCm();
        if (ratio <= scene.figure(THICK_SIDE_LIMB_RATIO)) {
            return Optional.empty();
        }
        return Optional.of(Finding.remove(
                TableRow.THICK_SIDE_LIMB,
                scene.reason(ReasonCode.THICK_SIDE_LIMB, ratio, parent.get().id())));
    }

    /** Row 8: down to the height wanted, aiming below it by the regrowth to be expected. */
    Optional<Finding> tooHigh(Limb limb) {
        if (scene.aimM().isEmpty()) {
            return Optional.empty();
        }
        double wantedM = scene.tree().targetHeightM().orElseThrow();
        double topM = scene.branching().topM(limb);
        if (topM <= wantedM + 1e-9) {
            return Optional.empty();
        }
        double aimM = scene.aimM().getAsDouble();
        var why = scene.reason(ReasonCode.TOO_HIGH, topM, wantedM, aimM);
        double baseM = scene.branching().baseOfLimb(limb).upM();
        boolean leavesBelow = baseM < aimM && limb.angleDeg() > 0;
        boolean frame = limb.parent().isEmpty();
        if (!leavesBelow) {
            return Optional.of(
                    frame
                            ? Finding.act(
                                    TableRow.TOO_HIGH,
                                    Verdict.SHORTEN,
                                    Place.at(CutKind.HEADING, scene.leastKeptM(limb)),
                                    why,
                                    scene.reason(ReasonCode.IN_STEPS))
                            : Finding.remove(TableRow.TOO_HIGH, why, scene.reason(ReasonCode.LEAVES_ABOVE_AIM)));
        }
        double reachesM = (aimM - baseM) / Math.sin(Math.toRadians(limb.angleDeg()));
        double leastM = scene.leastKeptM(limb);
        List<Limb> branches = scene.sideBranches(limb).stream()
                .filter(scene::outward)
                .filter(branch -> branch.originM() >= leastM && branch.originM() < limb.lengthM())
                .toList();
        Optional<Limb> low = branches.stream()
                .filter(branch -> branch.originM() <= reachesM + 1e-9)
                .filter(branch -> scene.branching().topM(branch) <= wantedM)
                .findFirst();
        if (low.isPresent()) {
            return Optional.of(Finding.act(TableRow.TOO_HIGH, Verdict.SHORTEN, toBranch(low.get()), why));
        }
        Optional<Limb> step = branches.stream()
                .filter(branch -> worthAStep(limb, branch, topM, wantedM))
                .min(Comparator.comparingDouble(Limb::originM));
        if (step.isPresent()) {
            return Optional.of(Finding.act(
                    TableRow.TOO_HIGH, Verdict.SHORTEN, toBranch(step.get()), why, scene.reason(ReasonCode.IN_STEPS)));
        }
        double alongM = Math.max(reachesM, leastM);
        boolean thin = limb.diameterAtCm(alongM) <= scene.figure(SECATEURS_CM) && !wantedOffAnyway(limb);
        if (frame || thin) {
            Place head = Place.at(CutKind.HEADING, alongM);
            return Optional.of(
                    alongM > reachesM
                            ? Finding.act(
                                    TableRow.TOO_HIGH, Verdict.SHORTEN, head, why, scene.reason(ReasonCode.IN_STEPS))
                            : Finding.act(
                                    TableRow.TOO_HIGH,
                                    Verdict.SHORTEN,
                                    head,
                                    why,
                                    scene.reason(ReasonCode.TO_OUTWARD_BUD)));
        }
        return Optional.of(Finding.remove(TableRow.TOO_HIGH, why, scene.reason(ReasonCode.NO_SIDE_BRANCH)));
    }

    /** Whether cutting back to a side branch takes off enough of what stands too high: a limb is not cut for a hand's breadth. */
    private boolean worthAStep(Limb limb, Limb branch, double topM, double wantedM) {
        double leftM = Math.max(
                scene.branching().topM(branch),
                scene.branching().pointAt(limb, branch.originM()).upM());
        return topM - leftM >= scene.figure(LEAST_STEP_DOWN_SHARE) * (topM - wantedM);
    }

    /** Whether a later row takes the limb off, so that heading it for its height would be work for nothing. */
    private static boolean wantedOffAnyway(Limb limb) {
        return limb.has(FaultKind.UPRIGHT_SHOOT)
                || limb.has(FaultKind.UPRIGHT_UNFRUITFUL)
                || limb.has(FaultKind.SHADED)
                || limb.has(FaultKind.CROWDED);
    }

    /** Row 11: a weeping limb is cut to an upward or outward side branch. Hanging wood fruits best in cherry. */
    Optional<Finding> weeping(Limb limb) {
        if (!limb.has(FaultKind.WEEPING) || scene.traits().group() == SpeciesTraits.Group.CHERRY) {
            return Optional.empty();
        }
        Place place = scene.sideBranches(limb).stream()
                .filter(branch -> branch.originM() >= scene.leastKeptM(limb))
                .filter(branch -> branch.angleDeg() > limb.angleDeg() || scene.outward(branch))
                .max(Comparator.comparingDouble(Limb::angleDeg).thenComparing(Limb::id))
                .map(FrameRows::toBranch)
                .orElseGet(() -> scene.shortenByAThird(limb));
        return Optional.of(Finding.act(TableRow.WEEPING, Verdict.SHORTEN, place, scene.reason(ReasonCode.WEEPING)));
    }

    /** Row 12: underneath, shaded and weak. Shortening it only makes it die back. */
    Optional<Finding> shadedUnderneath(Limb limb) {
        boolean weak = !limb.fruitsAtLeast(2);
        boolean sparse = limb.fruiting().isPresent() && limb.fruiting().getAsInt() <= 1;
        boolean dark = scene.lightOn(limb).isPresent()
                && scene.lightOn(limb).getAsDouble() < scene.figure(SHADED_LIGHT)
                && sparse;
        boolean ticked = limb.has(FaultKind.SHADED) && weak;
        if (scene.evergreen() || (!ticked && !dark)) {
            return Optional.empty();
        }
        return Optional.of(Finding.remove(
                TableRow.SHADED_UNDERNEATH,
                ticked
                        ? scene.reason(ReasonCode.SHADED_UNDERNEATH)
                        : scene.reason(ReasonCode.TOO_DARK, scene.lightOn(limb).getAsDouble())));
    }

    /** Row 13: in the way beneath; judged by its outer half, never by where it leaves. */
    Optional<Finding> low(Limb limb) {
        double outerFromM = limb.lengthM() * (1 - scene.figure(OUTER_PART_SHARE));
        double middleM = scene.branching().pointAt(limb, outerFromM).upM();
        double tipM = scene.branching().tip(limb).upM();
        if (scene.wildlife()) {
            return Optional.empty();
        }
        if (scene.bush()) {
            return tipM <= ON_THE_GROUND_M
                    ? Optional.of(Finding.remove(TableRow.LOW, scene.reason(ReasonCode.LIES_ON_GROUND)))
                    : Optional.empty();
        }
        boolean ticked = limb.has(FaultKind.LOW);
        if (scene.tree().clearanceM().isEmpty()) {
            return ticked ? Optional.of(Finding.remove(TableRow.LOW, scene.reason(ReasonCode.LOW))) : Optional.empty();
        }
        double clearM = scene.tree().clearanceM().getAsDouble();
        if (!ticked && tipM >= clearM) {
            return Optional.empty();
        }
        var why = scene.reason(ReasonCode.HANGS_BELOW, Math.min(tipM, middleM), clearM);
        if (middleM < clearM) {
            return Optional.of(
                    Finding.remove(TableRow.LOW, ticked && tipM >= clearM ? scene.reason(ReasonCode.LOW) : why));
        }
        if (tipM >= clearM) {
            return Optional.of(Finding.act(
                    TableRow.LOW, Verdict.SHORTEN, scene.shortenByAThird(limb), scene.reason(ReasonCode.LOW)));
        }
        double risesAboveM = outerFromM + (limb.lengthM() - outerFromM) * (middleM - clearM) / (middleM - tipM);
        double leastM = Math.min(Math.max(risesAboveM * 0.98, scene.leastKeptM(limb)), limb.lengthM() * 0.95);
        Place place = scene.sideBranches(limb).stream()
                .filter(branch -> branch.originM() <= risesAboveM && branch.originM() >= scene.leastKeptM(limb))
                .filter(branch -> scene.branching().tip(branch).upM() >= clearM)
                .findFirst()
                .map(FrameRows::toBranch)
                .orElseGet(() -> Place.at(CutKind.HEADING, leastM));
        return Optional.of(
                Finding.act(TableRow.LOW, Verdict.SHORTEN, place, why, scene.reason(ReasonCode.ONLY_ITS_END)));
    }

    /** Row 14: over a neighbour, bed, path or building. */
    Optional<Finding> encroaching(Limb limb) {
        if (!limb.has(FaultKind.ENCROACHING)) {
            return Optional.empty();
        }
        var why = scene.reason(ReasonCode.ENCROACHING);
        Optional<Double> over = new Encroachment(scene).startsOverM(limb);
        if (over.isPresent() && over.get() < limb.lengthM() / 2) {
            return Optional.of(Finding.remove(TableRow.ENCROACHING, why, scene.reason(ReasonCode.GREATER_PART_OVER)));
        }
        Place place = over.flatMap(startM -> scene.sideBranches(limb).stream()
                        .filter(branch -> branch.originM() <= startM && branch.originM() >= scene.leastKeptM(limb))
                        .findFirst()
                        .map(FrameRows::toBranch))
                .orElseGet(() -> scene.shortenByAThird(limb));
        return Optional.of(Finding.act(TableRow.ENCROACHING, Verdict.SHORTEN, place, why));
    }

    /** Row 18: overlong and end-heavy. */
    Optional<Finding> overlong(Limb limb) {
        if (!limb.has(FaultKind.OVERLONG)) {
            return Optional.empty();
        }
        return Optional.of(Finding.act(
                TableRow.OVERLONG, Verdict.SHORTEN, scene.shortenByAThird(limb), scene.reason(ReasonCode.OVERLONG)));
    }

    private static Place toBranch(Limb branch) {
        return Place.toSideBranch(CutKind.TO_SIDE_BRANCH, branch.originM(), branch.id());
    }
}
