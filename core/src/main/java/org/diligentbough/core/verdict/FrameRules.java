package org.diligentbough.core.verdict;

import static org.diligentbough.core.knowledge.Figure.BUSH_LOW_M;
import static org.diligentbough.core.knowledge.Figure.CROSSING_KEPT_SHARE;
import static org.diligentbough.core.knowledge.Figure.OUTER_PART_SHARE;
import static org.diligentbough.core.knowledge.Figure.THICK_SIDE_LIMB_RATIO;

import java.util.Comparator;
import java.util.Optional;
import java.util.OptionalDouble;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.SpeciesTraits;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;

/** What a limb does to the frame of its tree: centre, thickness, weeping, clearance, reach. */
final class FrameRules {
    /** A cut to keep clear is made a little short of where the limb would be in the way. */
    private static final double JUST_SHORT = 0.98;

    private final TreeFacts facts;
    private final CutPlaces places;
    private final Encroachment encroachment;

    FrameRules(TreeFacts facts) {
        this.facts = facts;
        this.places = facts.places();
        this.encroachment = new Encroachment(facts);
    }

    /**
     * Out of the centre: a limb that crosses it is cut to a good outward branch where there is one, else it goes; one that
     * grows in from its base goes. It counts too where nobody ticked it but the limb plainly passes the trunk's middle.
     */
    Optional<Finding> intoCentre(Limb limb) {
        boolean ticked = limb.has(FaultKind.CROSSING_CENTRE) || limb.has(FaultKind.INWARD);
        boolean seen = !ticked && facts.crossesTheMiddle(limb);
        if (!ticked && !seen || !facts.keptOpen() || facts.leader(limb)) {
            return Optional.empty();
        }
        Reason why = facts.reason(seen ? ReasonCode.PASSES_THE_MIDDLE : ReasonCode.INTO_CENTRE);
        if (limb.has(FaultKind.CROSSING_CENTRE) && !limb.has(FaultKind.INWARD)) {
            Optional<Finding> back = places.sideBranches(limb).stream()
                    .filter(branch ->
                            branch.originM() >= limb.lengthM() * facts.figure(CROSSING_KEPT_SHARE) - TreeFacts.SAME)
                    .filter(places::outward)
                    .min(Comparator.comparingDouble(Limb::originM))
                    .map(CutPlaces::to)
                    .map(place -> Finding.act(
                            Rule.INTO_CENTRE, Verdict.SHORTEN, place, why, facts.reason(ReasonCode.BACK_TO_OUTWARD)));
            if (back.isPresent()) {
                return back;
            }
        }
        return Optional.of(Finding.remove(Rule.INTO_CENTRE, why));
    }

    /** A side limb over half as thick as the limb it grows from; never on the trunk, a bush, a leader or a young tree. */
    Optional<Finding> thickSideLimb(Limb limb) {
        Optional<Limb> parent = facts.branching().parentOf(limb);
        // A trained tree's young laterals are cut to a few buds, however thick.
        boolean byBuds = KindWood.byBuds(facts) && limb.youngerThanOrOf(2);
        if (parent.isEmpty() || facts.bush() || facts.evergreen() || facts.leader(limb) || facts.young() || byBuds) {
            return Optional.empty();
        }
        double ratio = limb.diameterCm() / parent.get().diameterCm();
        if (ratio <= facts.figure(THICK_SIDE_LIMB_RATIO)) {
            return Optional.empty();
        }
        return Optional.of(Finding.remove(
                Rule.THICK_SIDE_LIMB,
                facts.reason(ReasonCode.THICK_SIDE_LIMB, ratio, parent.get().id())));
    }

    /**
     * A weeping limb is cut to an upward or outward side branch. Without one a side limb goes and a main branch is propped
     * or bent up; none is headed where the rest still hangs. Level and slightly hanging wood fruits best in cherry.
     */
    Optional<Finding> weeping(Limb limb) {
        if (!limb.has(FaultKind.WEEPING) || facts.traits().group() == SpeciesTraits.Group.CHERRY) {
            return Optional.empty();
        }
        Reason why = facts.reason(ReasonCode.WEEPING);
        Optional<Finding> up = places.sideBranches(limb).stream()
                .filter(branch -> branch.originM() >= facts.leastKeptM(limb))
                .filter(branch -> branch.angleDeg() > Math.max(0, limb.angleDeg())
                        || places.outward(branch) && branch.angleDeg() >= 0)
                .max(Comparator.comparingDouble(Limb::angleDeg).thenComparing(Limb::id))
                .map(branch -> Finding.act(Rule.WEEPING, Verdict.SHORTEN, CutPlaces.to(branch), why));
        return up.or(() -> Optional.of(
                limb.parent().isPresent()
                        ? Finding.remove(Rule.WEEPING, why, facts.reason(ReasonCode.WEEPING_NO_BRANCH))
                        : Finding.act(
                                Rule.WEEPING,
                                Verdict.BEND,
                                Place.at(CutKind.BEND, limb.lengthM() / 2),
                                why,
                                facts.reason(ReasonCode.WEEPING_PROP))));
    }

    /** In the way beneath; judged by its outer half, never by where it leaves. A wildlife tree's low limbs stay. */
    Optional<Finding> low(Limb limb) {
        if (facts.wildlife()) {
            return Optional.empty();
        }
        boolean ticked = limb.has(FaultKind.LOW);
        double tipM = facts.branching().tip(limb).upM();
        if (facts.bush()) {
            return ticked || tipM < facts.figure(BUSH_LOW_M)
                    ? Optional.of(Finding.remove(Rule.LOW, facts.reason(ReasonCode.LIES_ON_GROUND)))
                    : Optional.empty();
        }
        if (facts.tree().clearanceM().isEmpty()) {
            return ticked ? Optional.of(Finding.remove(Rule.LOW, facts.reason(ReasonCode.LOW))) : Optional.empty();
        }
        double clearM = facts.tree().clearanceM().getAsDouble();
        if (!ticked && tipM >= clearM) {
            return Optional.empty();
        }
        double outerFromM = limb.lengthM() * (1 - facts.figure(OUTER_PART_SHARE));
        double middleM = facts.branching().pointAt(limb, outerFromM).upM();
        Reason why = tipM < clearM
                ? facts.reason(ReasonCode.HANGS_BELOW, Math.min(tipM, middleM), clearM)
                : facts.reason(ReasonCode.LOW);
        Finding gone = Finding.remove(Rule.LOW, why);
        if (middleM < clearM) {
            return Optional.of(gone);
        }
        if (tipM >= clearM) {
            return Optional.of(places.shortenByAThird(limb)
                    .map(place -> Finding.act(Rule.LOW, Verdict.SHORTEN, place, why))
                    .orElse(gone));
        }
        double clearToM = outerFromM + (limb.lengthM() - outerFromM) * (middleM - clearM) / (middleM - tipM);
        Optional<Place> place = places.sideBranches(limb).stream()
                .filter(branch -> branch.originM() <= clearToM && branch.originM() >= facts.leastKeptM(limb))
                .filter(branch -> facts.branching().tip(branch).upM() >= clearM)
                .findFirst()
                .map(CutPlaces::to)
                .or(() -> places.mayHead(limb, clearToM * JUST_SHORT)
                        ? Optional.of(Place.at(CutKind.HEADING, clearToM * JUST_SHORT))
                        : Optional.empty());
        return Optional.of(
                place.map(at -> Finding.act(Rule.LOW, Verdict.SHORTEN, at, why, facts.reason(ReasonCode.ONLY_ITS_END)))
                        .orElse(gone));
    }

    /** Over a neighbour, bed, path or building, or past the width allotted to the tree: back to a branch short of it. */
    Optional<Finding> encroaching(Limb limb) {
        OptionalDouble beyond = encroachment.pastTheWidthFromM(limb);
        boolean ticked = limb.has(FaultKind.ENCROACHING);
        if (!ticked && beyond.isEmpty()) {
            return Optional.empty();
        }
        OptionalDouble over = ticked ? encroachment.startsOverM(limb) : OptionalDouble.empty();
        if (over.isEmpty()) {
            over = beyond;
        }
        Reason why = ticked
                ? facts.reason(ReasonCode.ENCROACHING)
                : facts.reason(
                        ReasonCode.PAST_ITS_WIDTH,
                        2 * facts.branching().tip(limb).fromAxisM(),
                        facts.tree().noted().spreadTargetM().orElseThrow());
        if (over.isPresent() && over.getAsDouble() < limb.lengthM() / 2) {
            return Optional.of(Finding.remove(Rule.ENCROACHING, why, facts.reason(ReasonCode.GREATER_PART_OVER)));
        }
        Optional<Place> place =
                over.isPresent() ? places.shortenWithin(limb, over.getAsDouble()) : places.shortenByAThird(limb);
        return Optional.of(place.map(at -> Finding.act(Rule.ENCROACHING, Verdict.SHORTEN, at, why))
                .orElseGet(() -> Finding.remove(Rule.ENCROACHING, why, facts.reason(ReasonCode.NO_SIDE_BRANCH))));
    }

    /** Overlong and end-heavy: shortened, so that fruit sits nearer; left, and said, where there is no place for the cut. */
    Optional<Finding> overlong(Limb limb) {
        if (!limb.has(FaultKind.OVERLONG)) {
            return Optional.empty();
        }
        Reason why = facts.reason(ReasonCode.OVERLONG);
        return Optional.of(places.shortenByAThird(limb)
                .map(place -> Finding.act(Rule.OVERLONG, Verdict.SHORTEN, place, why))
                .orElseGet(() -> Finding.leave(
                        Rule.OVERLONG, Verdict.WAIT, why, facts.findABranch(limb, places.aThirdFromTipM(limb)))));
    }
}
