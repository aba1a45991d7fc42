package org.diligentbough.core.verdict;

import static org.diligentbough.core.knowledge.Figure.BELOW_AIM_SHARE;
import static org.diligentbough.core.knowledge.Figure.BUD_LEAST_KEPT_SHARE;
import static org.diligentbough.core.knowledge.Figure.DROP_BESIDES_M;
import static org.diligentbough.core.knowledge.Figure.HEIGHT_TAKES_MOST_SHARE;
import static org.diligentbough.core.knowledge.Figure.LEAST_STEP_DOWN_SHARE;
import static org.diligentbough.core.knowledge.Figure.LOPPERS_CM;
import static org.diligentbough.core.knowledge.Figure.MAINS_NEAR_DEG;
import static org.diligentbough.core.knowledge.Figure.NEARLY;
import static org.diligentbough.core.knowledge.Figure.OVER_SHARE_FOR_MORE_THAN_HALF;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.SpeciesTraits;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;

/**
 * Too high, with measure: the steps a pruner tries, in order. What is over is taken to a branch just below the aim; else
 * to a bud in young or thin wood; else part of it to a branch higher up; a side limb that is mostly over goes; a main
 * branch goes only where there are more than are wanted; else it is left, and what to look for is said.
 */
final class HeightRule {
    private static final int BUD_STEPS = 10;

    private final TreeFacts facts;
    private final Branching branching;
    private final CutPlaces places;

    HeightRule(TreeFacts facts) {
        this.facts = facts;
        this.branching = facts.branching();
        this.places = facts.places();
    }

    /** One limb that stands too high, with what the steps ask about it. */
    private final class Tall {
        final Limb limb;
        final double wantedM;
        final double aimM;
        final double topM;
        final double overM;
        /** Distance from its base at which it reaches the aim, m. */
        final double reachesM;
        /** Least that stays of its length, m. */
        final double leastM;

        Tall(Limb limb) {
            this.limb = limb;
            this.wantedM = facts.heightWantedM().orElseThrow();
            this.aimM = facts.aimM().orElseThrow();
            this.topM = branching.topM(limb);
            this.overM = topM - wantedM;
            this.reachesM = reachesAtM(aimM);
            this.leastM = mostlyOver() ? 0 : limb.lengthM() * (1 - facts.figure(HEIGHT_TAKES_MOST_SHARE));
        }

        /** Distance from its base at which it reaches a height, m. */
        double reachesAtM(double heightM) {
            double rise = Math.sin(Math.toRadians(limb.angleDeg()));
            return rise > 0 ? Math.max(0, (heightM - branching.baseOfLimb(limb).upM()) / rise) : 0;
        }

        boolean mostlyOver() {
            return overM > facts.figure(OVER_SHARE_FOR_MORE_THAN_HALF) * limb.lengthM();
        }

        boolean leavesAboveAim() {
            return branching.baseOfLimb(limb).upM() >= aimM || limb.angleDeg() <= 0;
        }

        Reason why() {
            return facts.reason(ReasonCode.TOO_HIGH, topM, wantedM, aimM);
        }

        Finding shorten(Place place, Reason... how) {
            Reason[] all = new Reason[how.length + 1];
            all[0] = why();
            System.arraycopy(how, 0, all, 1, how.length);
            return Finding.act(Rule.TOO_HIGH, Verdict.SHORTEN, place, all);
        }
    }

    /**
     * What is to be done about a limb's height; empty when its top is at the height wanted, give or take.
     *
     * @param gone limbs that go by other rules: none is cut back to
     */
    Optional<Finding> of(Limb limb, Set<String> gone) {
        if (facts.aimM().isEmpty() || !branching.living(limb) || isCrop(limb)) {
            return Optional.empty();
        }
        Tall tall = new Tall(limb);
        if (tall.topM <= atHeightM(tall)) {
            return Optional.empty();
        }
        return toBranchBelowAim(tall, gone)
                .or(() -> toBud(tall))
                .or(() -> stepDown(tall, gone))
                .or(() -> whole(tall))
                .or(() -> mainToSpare(tall, gone))
                .or(() -> Optional.of(leave(tall)));
    }

    /** A peach's shoot of last year carries the crop; its own work shortens it. */
    private boolean isCrop(Limb limb) {
        return facts.traits().group() == SpeciesTraits.Group.PEACH && limb.youngerThanOrOf(1);
    }

    /** The branch nearest below the aim; one that just misses a measure where no better is. */
    private Optional<Finding> toBranchBelowAim(Tall tall, Set<String> gone) {
        if (tall.leavesAboveAim()) {
            return Optional.empty();
        }
        return belowAim(tall, gone, 0)
                .or(() -> belowAim(tall, gone, facts.figure(NEARLY)))
                .map(branch -> toBranch(tall, branch));
    }

    private Optional<Limb> belowAim(Tall tall, Set<String> gone, double slack) {
        double nearM = facts.figure(BELOW_AIM_SHARE) * tall.limb.lengthM() * (1 + slack);
        double lowestM = tall.topM - (tall.overM + facts.regrowthM() + facts.figure(DROP_BESIDES_M)) * (1 + slack);
        double highestM = tall.aimM + slack * (tall.topM - tall.aimM);
        return branches(tall, gone, slack).stream()
                .filter(branch -> leavesAtM(tall, branch) <= highestM + TreeFacts.SAME)
                .filter(branch -> branch.originM() >= tall.reachesM - nearM - TreeFacts.SAME)
                .filter(branch -> topAfterM(tall, branch) >= lowestM - TreeFacts.SAME)
                .filter(branch -> lowers(tall, branch))
                .filter(branch -> branch.originM() >= tall.leastM * (1 - slack) - TreeFacts.SAME)
                .max(Comparator.comparingDouble(Limb::originM));
    }

    /** Branches to which it may be cut: outward ones; a leader may be taken to any weaker shoot. */
    private List<Limb> branches(Tall tall, Set<String> gone, double slack) {
        return places.sideBranches(tall.limb, slack).stream()
                .filter(branch -> !gone.contains(branch.id()) && branch.originM() < tall.limb.lengthM())
                .filter(branch -> places.outward(branch) || facts.leader(tall.limb))
                .toList();
    }

    /** The top, m, that stays when it is cut to a branch, which is itself brought down at the same visit. */
    private double topAfterM(Tall tall, Limb branch) {
        return Math.max(leavesAtM(tall, branch), loweredTopM(branch));
    }

    /** The top, m, to which a branch that takes over can itself be brought. */
    private double loweredTopM(Limb branch) {
        Tall tall = new Tall(branch);
        return headedAtM(tall).stream()
                .map(atM -> branching.pointAt(branch, atM).upM())
                .findFirst()
                .orElse(tall.topM);
    }

    /** Where what is too high may be headed: at the height wanted, or as near to it as its length allows. */
    private OptionalDouble headedAtM(Tall tall) {
        double atM = Math.max(tall.reachesAtM(tall.wantedM), facts.figure(BUD_LEAST_KEPT_SHARE) * tall.limb.lengthM());
        return tall.overM > facts.heightToleranceM() && atM < tall.limb.lengthM() && places.mayHead(tall.limb, atM)
                ? OptionalDouble.of(atM)
                : OptionalDouble.empty();
    }

    /**
     * What another limb is lowered to stays, though it leaves above the aim or mostly stands over it: it is shortened at the
     * same visit. Empty where it cannot be headed.
     */
    Optional<Finding> withWhatIsLoweredToIt(Limb branch) {
        Tall tall = new Tall(branch);
        return headedAtM(tall).stream()
                .mapToObj(atM -> tall.shorten(
                        Place.at(CutKind.HEADING, atM),
                        facts.reason(
                                branching.pointAt(branch, atM).upM() > atHeightM(tall)
                                        ? ReasonCode.IN_STEPS
                                        : ReasonCode.TO_OUTWARD_BUD)))
                .findFirst();
    }

    /** Whether the limb it grows from would come down by being cut back to it one day. */
    boolean couldTakeOver(Limb branch) {
        return branching
                .parentOf(branch)
                .filter(parent -> loweredTopM(branch) < branching.topM(parent))
                .isPresent();
    }

    private double leavesAtM(Tall tall, Limb branch) {
        return branching.pointAt(tall.limb, branch.originM()).upM();
    }

    /**
     * To a bud where the wood is young or thin: at the aim, or as little above it as it may be headed, if that still ends at
     * the height wanted. Kinds picked at their tips and uprights are never topped.
     */
    private Optional<Finding> toBud(Tall tall) {
        boolean never = tall.leavesAboveAim()
                || places.neverTipped()
                || tall.limb.has(FaultKind.UPRIGHT_UNFRUITFUL)
                || tall.limb.has(FaultKind.UPRIGHT_SHOOT);
        if (never) {
            return Optional.empty();
        }
        double leastM = Math.max(tall.leastM, facts.figure(BUD_LEAST_KEPT_SHARE) * tall.limb.lengthM());
        double fromM = Math.max(tall.reachesM, leastM);
        // What is thin may end a little over the height wanted; stout wood is not headed for less than that height.
        double borneM = tall.limb.diameterCm() <= facts.figure(LOPPERS_CM) ? facts.heightToleranceM() : 0;
        double toM = Math.max(fromM, tall.reachesAtM(tall.wantedM + borneM));
        for (int step = 0; step <= BUD_STEPS; step++) {
            double alongM = fromM + (toM - fromM) * step / BUD_STEPS;
            if (alongM > 0 && alongM < tall.limb.lengthM() && places.mayHead(tall.limb, alongM)) {
                boolean stillOver = branching.pointAt(tall.limb, alongM).upM() > atHeightM(tall);
                return Optional.of(tall.shorten(
                        Place.at(CutKind.HEADING, alongM),
                        facts.reason(stillOver ? ReasonCode.IN_STEPS : ReasonCode.TO_OUTWARD_BUD)));
            }
        }
        return Optional.empty();
    }

    /** The lowest branch higher up that takes off a good part of what is over; the rest follows another year. */
    private Optional<Finding> stepDown(Tall tall, Set<String> gone) {
        if (tall.leavesAboveAim()) {
            return Optional.empty();
        }
        return branches(tall, gone, 0).stream()
                .filter(branch -> leavesAtM(tall, branch) > tall.aimM && branch.originM() >= tall.leastM)
                .filter(branch ->
                        tall.topM - topAfterM(tall, branch) >= facts.figure(LEAST_STEP_DOWN_SHARE) * tall.overM)
                .min(Comparator.comparingDouble(Limb::originM))
                .map(branch -> toBranch(tall, branch));
    }

    private Finding toBranch(Tall tall, Limb branch) {
        return topAfterM(tall, branch) <= tall.wantedM + TreeFacts.SAME
                ? tall.shorten(CutPlaces.to(branch))
                : tall.shorten(CutPlaces.to(branch), facts.reason(ReasonCode.IN_STEPS));
    }

    /** Whether it stands plainly lower once it is cut to a branch; a leader is taken to a weaker shoot whatever that reaches. */
    private boolean lowers(Tall tall, Limb branch) {
        double afterM = topAfterM(tall, branch);
        return afterM <= atHeightM(tall) || afterM <= tall.topM - facts.heightToleranceM() || facts.leader(tall.limb);
    }

    /** What stands so high is at the height wanted, give or take. */
    private double atHeightM(Tall tall) {
        return tall.wantedM + facts.heightToleranceM() + TreeFacts.SAME;
    }

    /** What leaves above the aim, and a side limb that stands over the height wanted by a good part of its length. */
    private Optional<Finding> whole(Tall tall) {
        if (tall.leavesAboveAim()) {
            return Optional.of(Finding.remove(Rule.TOO_HIGH, tall.why(), facts.reason(ReasonCode.LEAVES_ABOVE_AIM)));
        }
        return tall.limb.parent().isPresent() && tall.mostlyOver()
                ? Optional.of(Finding.remove(Rule.TOO_HIGH, tall.why(), facts.reason(ReasonCode.NO_SIDE_BRANCH)))
                : Optional.empty();
    }

    /** A main branch where more stand than are wanted and one that stays is near enough to fill its place. */
    private Optional<Finding> mainToSpare(Tall tall, Set<String> gone) {
        List<Limb> others = branching.onTrunk().stream()
                .filter(other -> !other.equals(tall.limb) && branching.living(other) && !gone.contains(other.id()))
                .toList();
        Optional<Limb> near = others.stream()
                .filter(other ->
                        Branching.apartDeg(other.azimuthDeg(), tall.limb.azimuthDeg()) <= facts.figure(MAINS_NEAR_DEG))
                .findFirst();
        boolean toSpare = tall.limb.parent().isEmpty()
                && !facts.leader(tall.limb)
                && others.size() >= facts.mainsWanted()
                && near.isPresent();
        return toSpare
                ? Optional.of(Finding.remove(
                        Rule.TOO_HIGH,
                        tall.why(),
                        facts.reason(ReasonCode.MAIN_TO_SPARE, near.get().id())))
                : Optional.empty();
    }

    private Finding leave(Tall tall) {
        double alongM = Math.max(tall.reachesM, tall.leastM);
        return Finding.leave(Rule.TOO_HIGH, Verdict.WAIT, tall.why(), facts.findABranch(tall.limb, alongM));
    }
}
