package org.diligentbough.core.verdict;

import static org.diligentbough.core.knowledge.Figure.DEFAULT_REGROWTH_M;

import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Purpose;
import org.diligentbough.core.orchard.SpeciesTraits;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.CrownShares;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Role;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.survey.TreeSurvey;

/** One surveyed tree with all that the rows look at: what is measured, and what follows from it. Immutable. */
public final class Scene {
    private final Survey survey;
    private final SpeciesTraits traits;
    private final Knowledge knowledge;
    private final Branching branching;
    private final CrownShares shares;
    private final Map<String, Double> light;
    private final boolean windowOpenToday;
    private final Optional<OwnAllowance> ownAllowance;
    private final Set<String> inPairs = new HashSet<>();
    private final Set<String> weakGrafts;

    /**
     * @param light share of open-sky light on each limb, 0 to 1; a limb that is absent has unknown light
     * @param windowOpenToday whether live wood of the tree may be cut today, if only with care
     */
    public Scene(
            Survey survey,
            SpeciesTraits traits,
            Knowledge knowledge,
            Map<String, Double> light,
            boolean windowOpenToday) {
        this(survey, traits, knowledge, light, windowOpenToday, Optional.empty());
    }

    /** The same with an allowance of the tree's own. */
    public Scene(
            Survey survey,
            SpeciesTraits traits,
            Knowledge knowledge,
            Map<String, Double> light,
            boolean windowOpenToday,
            Optional<OwnAllowance> ownAllowance) {
        this.ownAllowance = ownAllowance;
        this.survey = survey;
        this.traits = traits;
        this.knowledge = knowledge;
        this.branching = new Branching(survey.limbs());
        this.shares = new CrownShares(branching);
        this.light = Map.copyOf(light);
        this.windowOpenToday = windowOpenToday;
        for (Limb limb : survey.limbs()) {
            limb.faults().stream().filter(fault -> fault.with().isPresent()).forEach(fault -> {
                inPairs.add(limb.id());
                inPairs.add(fault.with().get());
            });
        }
        this.weakGrafts = findWeakGrafts();
    }

    public Survey survey() {
        return survey;
    }

    public TreeSurvey tree() {
        return survey.tree();
    }

    public SpeciesTraits traits() {
        return traits;
    }

    public Branching branching() {
        return branching;
    }

    public CrownShares shares() {
        return shares;
    }

    boolean windowOpenToday() {
        return windowOpenToday;
    }

    /** Share of the living crown a pruning year may take, 0 to 1; 1 where the species has a rule of its own. */
    public double yearAllowance() {
        if (!traits.hasAllowance()) {
            return 1;
        }
        if (ownAllowance.isPresent()) {
            return ownAllowance.get().share();
        }
        return switch (traits.group()) {
            case PEACH -> figure(Figure.PEACH_ALLOWANCE);
            case EVERGREEN -> figure(Figure.CITRUS_ALLOWANCE);
            default -> survey.site().policy().allowance().share();
        };
    }

    Optional<OwnAllowance> ownAllowance() {
        return ownAllowance;
    }

    public double figure(Figure figure) {
        return knowledge.get(figure);
    }

    public Knowledge knowledge() {
        return knowledge;
    }

    public Reason reason(ReasonCode code, Object... arguments) {
        return knowledge.reason(code, arguments);
    }

    /** The form aimed at. */
    public Form formWanted() {
        return tree().formAimedAt(traits);
    }

    boolean wildlife() {
        return tree().purpose() == Purpose.WILDLIFE;
    }

    boolean evergreen() {
        return traits.group() == SpeciesTraits.Group.EVERGREEN;
    }

    boolean fig() {
        return traits.group() == SpeciesTraits.Group.FIG;
    }

    boolean bush() {
        return traits.bush();
    }

    OptionalDouble lightOn(Limb limb) {
        Double share = light.get(limb.id());
        return share == null ? OptionalDouble.empty() : OptionalDouble.of(share);
    }

    /** The height to cut below so that regrowth does not pass the height wanted, m; empty where none is wanted. */
    OptionalDouble aimM() {
        OptionalDouble wanted = tree().targetHeightM();
        if (wanted.isEmpty() || wildlife()) {
            return OptionalDouble.empty();
        }
        double regrowthM = tree().shootExtensionCm().orElse(100 * figure(DEFAULT_REGROWTH_M)) / 100;
        return OptionalDouble.of(Math.max(wanted.getAsDouble() - regrowthM, wanted.getAsDouble() / 2));
    }

    /** The named leader, or in a tree to be kept to one leader the steepest limb on the trunk. */
    public boolean leader(Limb limb) {
        if (limb.is(Role.LEADER)) {
            return true;
        }
        boolean named = survey.limbs().stream().anyMatch(other -> other.is(Role.LEADER));
        return !named
                && formWanted() == Form.CENTRAL_LEADER
                && branching.onTrunk().stream()
                        .filter(other -> other.angleDeg() >= 75)
                        .max(Comparator.comparingDouble(Limb::angleDeg))
                        .filter(limb::equals)
                        .isPresent();
    }

    /** Whether another limb and this one name each other in a fault. */
    boolean inPair(Limb limb) {
        return inPairs.contains(limb.id());
    }

    /** Whether a limb belongs to a cultivar that another on the same tree outgrows: it is only cleaned. */
    boolean weakGraft(Limb limb) {
        return weakGrafts.contains(cultivarOf(limb));
    }

    private String cultivarOf(Limb limb) {
        return limb.cultivar()
                .or(() -> branching.parentOf(limb).map(this::cultivarOf))
                .orElse("");
    }

    private Set<String> findWeakGrafts() {
        Map<String, Double> carried = new HashMap<>();
        for (Limb limb : branching.outwards()) {
            carried.merge(cultivarOf(limb), shares.own(limb), Double::sum);
        }
        double strongest =
                carried.values().stream().mapToDouble(Double::doubleValue).max().orElse(0);
        Set<String> weak = new HashSet<>();
        carried.forEach((cultivar, share) -> {
            if (share < strongest / 2) {
                weak.add(cultivar);
            }
        });
        return weak;
    }

    /** Whether it is a sound, living branch that could take over where another is cut back to it. */
    boolean soundSideBranch(Limb branch) {
        List<FaultKind> harmless = List.of(FaultKind.OVERLONG, FaultKind.ENCROACHING);
        return branching.living(branch)
                && !inPair(branch)
                && branch.faults().stream().allMatch(fault -> harmless.contains(fault.kind()));
    }

    /** Whether it is wide enough to take over from where {@code limb} would be cut. */
    boolean wideEnough(Limb branch, Limb limb) {
        return branch.diameterCm() >= figure(Figure.SIDE_BRANCH_RATIO) * limb.diameterAtCm(branch.originM()) - 1e-9;
    }

    /** Whether a side limb points away from the trunk. */
    boolean outward(Limb branch) {
        var base = branching.baseOfLimb(branch);
        if (base.fromAxisM() < 0.05) {
            return true;
        }
        double awayDeg = (Math.toDegrees(Math.atan2(base.eastM(), base.northM())) + 360) % 360;
        return Branching.apartDeg(awayDeg, branch.azimuthDeg()) <= 90;
    }

    /** The side branches that could take over, nearest the tip first. */
    public List<Limb> sideBranches(Limb limb) {
        return branching.childrenOf(limb).stream()
                .filter(this::soundSideBranch)
                .filter(branch -> wideEnough(branch, limb))
                .sorted(Comparator.comparingDouble(Limb::originM).reversed().thenComparing(Limb::id))
                .toList();
    }

    /** Least distance from its base at which a limb may be shortened, m: two thirds along when it is young. */
    public double leastKeptM(Limb limb) {
        boolean young = limb.youngerThanOrOf((int) figure(Figure.YOUNG_WOOD_YEARS));
        return limb.lengthM() * (young ? 1 - figure(Figure.YOUNG_SHORTENING_SHARE) : figure(Figure.LEAST_KEPT_SHARE));
    }

    /** Where a limb is cut when it is to lose about a third: to a side branch there, else to a bud. */
    Place shortenByAThird(Limb limb) {
        return shortenAt(limb, limb.lengthM() * (1 - figure(Figure.DEFAULT_SHORTENING_SHARE)));
    }

    /** Where a limb is cut at a distance in metres from its base or further out: to a side branch, else to a bud there. */
    Place shortenAt(Limb limb, double wantedM) {
        Optional<Limb> branch = sideBranches(limb).stream()
                .filter(this::outward)
                .filter(candidate -> candidate.originM() >= wantedM - 1e-9 && candidate.originM() < limb.lengthM())
                .min(Comparator.comparingDouble(Limb::originM));
        return branch.map(found -> Place.toSideBranch(CutKind.TO_SIDE_BRANCH, found.originM(), found.id()))
                .orElseGet(() -> Place.at(CutKind.HEADING, wantedM));
    }
}
