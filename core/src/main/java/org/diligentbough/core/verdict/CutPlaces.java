package org.diligentbough.core.verdict;

import static org.diligentbough.core.knowledge.Figure.DEFAULT_SHORTENING_SHARE;
import static org.diligentbough.core.knowledge.Figure.HEADING_CM;
import static org.diligentbough.core.knowledge.Figure.HEADING_WOOD_YEARS;
import static org.diligentbough.core.knowledge.Figure.NEARLY;
import static org.diligentbough.core.knowledge.Figure.OUTERMOST_BUD_SHARE;
import static org.diligentbough.core.knowledge.Figure.OUTERMOST_CUT_SHARE;
import static org.diligentbough.core.knowledge.Figure.SIDE_BRANCH_RATIO;
import static org.diligentbough.core.knowledge.Figure.TRAINED_HEADING_CM;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.diligentbough.core.orchard.Bearing;
import org.diligentbough.core.orchard.Purpose;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;

/** Where a limb may be shortened: to a side branch that can take over, or to a bud where its wood is young or thin. */
public final class CutPlaces {
    /** What a branch may have and still take over: it is shortened itself for these. */
    private static final Set<FaultKind> HARMLESS = Set.of(FaultKind.OVERLONG, FaultKind.ENCROACHING);
    /** Places for a bud that are looked at along a limb. */
    private static final int STEPS = 40;

    private final TreeFacts facts;
    private final Branching branching;

    CutPlaces(TreeFacts facts) {
        this.facts = facts;
        this.branching = facts.branching();
    }

    /** Whether it is a sound, living branch that could take over where another is cut back to it. */
    boolean sound(Limb branch) {
        return branching.living(branch)
                && !facts.inPair(branch)
                && branch.faults().stream().allMatch(fault -> HARMLESS.contains(fault.kind()));
    }

    /**
     * Whether it is wide enough to take over from where {@code limb} would be cut: a third (from memory: arborist pruning
     * standards).
     *
     * @param slack how far it may fall short, as a share
     */
    boolean wideEnough(Limb branch, Limb limb, double slack) {
        double least = facts.figure(SIDE_BRANCH_RATIO) * (1 - slack) * limb.diameterAtCm(branch.originM());
        return branch.diameterCm() >= least - TreeFacts.SAME;
    }

    /** Whether a side limb points away from the trunk. */
    boolean outward(Limb branch) {
        return facts.turnedFromOutwardsDeg(branch) <= 90;
    }

    /** The side branches that could take over, nearest the tip first. */
    public List<Limb> sideBranches(Limb limb) {
        return sideBranches(limb, 0);
    }

    /** The same of which some may be a little too thin. */
    List<Limb> sideBranches(Limb limb, double slack) {
        return branching.childrenOf(limb).stream()
                .filter(this::sound)
                .filter(branch -> wideEnough(branch, limb, slack))
                .sorted(Comparator.comparingDouble(Limb::originM).reversed().thenComparing(Limb::id))
                .toList();
    }

    /** Age of the wood, years, where it would be cut; empty when the limb's is not known. */
    private Optional<Long> woodYearsAt(Limb limb, double alongM) {
        return limb.woodYears().isPresent()
                ? Optional.of(Math.round(limb.woodYears().getAsInt() * (1 - alongM / limb.lengthM())))
                : Optional.empty();
    }

    /**
     * Whether a limb may be cut to a bud at a distance in metres from its base: in thin or young wood; old thick wood
     * answers with a broom. Trees trained to a line are cut to it in thicker wood.
     */
    public boolean mayHead(Limb limb, double alongM) {
        double diameterCm = limb.diameterAtCm(alongM);
        if (facts.formWanted().trained()) {
            return diameterCm <= facts.figure(TRAINED_HEADING_CM) * (1 + facts.figure(NEARLY));
        }
        boolean young = woodYearsAt(limb, alongM)
                .filter(years -> years <= facts.figure(HEADING_WOOD_YEARS))
                .isPresent();
        return young || diameterCm <= facts.figure(HEADING_CM) * (1 + facts.figure(NEARLY)) + TreeFacts.SAME;
    }

    /** Whether its kind bears at the tips and is picked: it is thinned to a side branch and never tipped. */
    boolean neverTipped() {
        return facts.tree().bearing() == Bearing.TIP && facts.tree().purpose() == Purpose.PICKING;
    }

    /**
     * The place nearest its base, at {@code fromM} or beyond, where a limb may be cut to a bud; empty when only its very end
     * may be, which is not worth a cut.
     */
    private Optional<Place> bud(Limb limb, double fromM) {
        double stepM = limb.lengthM() / STEPS;
        return IntStream.range(0, STEPS)
                .mapToDouble(step -> fromM + step * stepM)
                .filter(alongM -> alongM <= facts.figure(OUTERMOST_BUD_SHARE) * limb.lengthM() && mayHead(limb, alongM))
                .boxed()
                .findFirst()
                .map(alongM -> Place.at(CutKind.HEADING, alongM));
    }

    /** Where a shortening is wanted when nothing else says where, m from the base: about a third from the tip. */
    double aThirdFromTipM(Limb limb) {
        return limb.lengthM() * (1 - facts.figure(DEFAULT_SHORTENING_SHARE));
    }

    /** Where to end a limb that is too long or heavy: at the outward side branch nearest to a third from its tip, else a bud. */
    Optional<Place> shortenByAThird(Limb limb) {
        double wantedM = aThirdFromTipM(limb);
        double leastM = facts.leastKeptM(limb);
        Optional<Place> branch = sideBranches(limb).stream()
                .filter(this::outward)
                .filter(found -> found.originM() >= leastM - TreeFacts.SAME
                        && found.originM() <= facts.figure(OUTERMOST_CUT_SHARE) * limb.lengthM())
                .min(Comparator.comparingDouble(found -> Math.abs(found.originM() - wantedM)))
                .map(CutPlaces::to);
        return branch.or(() -> neverTipped() ? Optional.empty() : bud(limb, wantedM));
    }

    /** Where to end a limb at a distance in metres from its base or nearer: at a side branch, else at a bud just there. */
    Optional<Place> shortenWithin(Limb limb, double mostM) {
        Optional<Place> branch = sideBranches(limb).stream()
                .filter(found -> found.originM() <= mostM + TreeFacts.SAME && found.originM() >= facts.leastKeptM(limb))
                .findFirst()
                .map(CutPlaces::to);
        return branch.or(() -> mayHead(limb, mostM) && mostM > 0 && !neverTipped()
                ? Optional.of(Place.at(CutKind.HEADING, mostM))
                : Optional.empty());
    }

    /** Where somebody wants a limb cut, m from its base: to a side branch there or next beyond, else to a bud. */
    Place asDecided(Limb limb, double wantedM) {
        return sideBranches(limb).stream()
                .filter(this::outward)
                .filter(branch -> branch.originM() >= wantedM - TreeFacts.SAME && branch.originM() < limb.lengthM())
                .min(Comparator.comparingDouble(Limb::originM))
                .map(CutPlaces::to)
                .orElseGet(() -> Place.at(CutKind.HEADING, wantedM));
    }

    static Place to(Limb branch) {
        return Place.toSideBranch(CutKind.TO_SIDE_BRANCH, branch.originM(), branch.id());
    }
}
