package org.diligentbough.core.verdict;

import static org.diligentbough.core.knowledge.Figure.DEFAULT_REGROWTH_M;

import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Purpose;
import org.diligentbough.core.orchard.SpeciesTraits;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.CrownShares;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.LivingCrown;
import org.diligentbough.core.survey.Role;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.survey.TreeSurvey;

/** One surveyed tree with all that the rows look at: what is measured, and what follows from it. Immutable. */
public final class TreeFacts {
    /** What differs by less is alike, in whatever unit. */
    static final double SAME = 1e-9;
    /** A base closer to the trunk's middle than this has no side it points to, m. */
    private static final double AT_THE_TRUNK_M = 0.05;

    private final Survey survey;
    private final SpeciesTraits traits;
    private final Knowledge knowledge;
    private final Branching branching;
    private final CrownShares shares;
    private final Map<String, Double> light;
    private final boolean windowOpenToday;
    /** Asked for again and again; found once. */
    private Set<String> leaders;

    private final Optional<OwnAllowance> ownAllowance;
    private final Leafage leafage;
    private final Set<String> inPairs = new HashSet<>();
    private final Map<String, Double> cultivarShares = new HashMap<>();
    private final CutPlaces places;

    /** What the leaf of a crown says besides the light on it as it stands. */
    public interface Leafage {
        /** The light on each limb of a crown of which part is cut, by the limb's tag, 0 to 1. */
        Map<String, Double> lightIn(LivingCrown crown);

        /** Share of its room, 0 to 1, that the smaller of two limbs' leaf has in common with the larger's. */
        double roomShared(String limb, String other);
    }

    /** Light that no cut changes, and leaf of which nothing is known. */
    private record Unknown(Map<String, Double> light) implements Leafage {
        @Override
        public Map<String, Double> lightIn(LivingCrown crown) {
            return light;
        }

        @Override
        public double roomShared(String limb, String other) {
            return 0;
        }
    }

    /**
     * @param light share of open-sky light on each limb, 0 to 1; a limb that is absent has unknown light
     * @param windowOpenToday whether live wood of the tree may be cut today, if only with care
     */
    public TreeFacts(
            Survey survey,
            SpeciesTraits traits,
            Knowledge knowledge,
            Map<String, Double> light,
            boolean windowOpenToday) {
        this(survey, traits, knowledge, light, new Unknown(light), windowOpenToday, Optional.empty());
    }

    /**
     * The same with an allowance of the tree's own.
     *
     * @param leafage what its leaf says
     */
    public TreeFacts(
            Survey survey,
            SpeciesTraits traits,
            Knowledge knowledge,
            Map<String, Double> light,
            Leafage leafage,
            boolean windowOpenToday,
            Optional<OwnAllowance> ownAllowance) {
        this.leafage = leafage;
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
        for (Limb limb : branching.outwards()) {
            cultivarShares.merge(cultivarOf(limb), shares.own(limb), Double::sum);
        }
        this.places = new CutPlaces(this);
    }

    /** Where limbs may be shortened. */
    public CutPlaces places() {
        return places;
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

    /**
     * Share of the living crown that the next pruning year may take, 0 to 1; 1 where the species has a rule of its own. Less than
     * usual where the last cutting was answered by far too many shoots.
     */
    public double yearAllowance() {
        boolean less = traits.hasAllowance()
                && ownAllowance.isEmpty()
                && tree().noted().answeredHard().isPresent();
        return less ? usualAllowance() * figure(Figure.LEARN_TOO_HARD_ALLOWANCE) : usualAllowance();
    }

    /** Whether its main cut is made while dormant: of a trained tree it is not. */
    boolean mainlyDormant() {
        return traits.mainCutDormant() && !formWanted().trained();
    }

    /** Part of a year's allowance, 0 to 1, that may come off in summer: less of a kind cut while dormant. */
    public double summerAllowance(double year) {
        return mainlyDormant() ? Math.min(year, survey.site().policy().summerAllowance()) : year;
    }

    /** Share of the living crown that any pruning year may take, 0 to 1; 1 where the species has a rule of its own. */
    public double usualAllowance() {
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

    /** Whether it is to be kept open: all forms are but hedges, evergreens and a natural crown that somebody chose. */
    boolean keptOpen() {
        boolean naturalChosen = tree().formWanted().filter(Form.NATURAL::equals).isPresent();
        return !evergreen() && formWanted() != Form.HEDGE && !naturalChosen;
    }

    /** Whether the tree is still being formed: from planting to about the sixth year, of kinds that are formed by cutting. */
    public boolean young() {
        boolean formed = !bush() && !fig() && !evergreen() && !formWanted().trained();
        return formed && ageYears().isPresent() && ageYears().getAsInt() <= figure(Figure.FORMING_YEARS);
    }

    /** Years since planting on the day of the survey; empty when the year is not known. */
    public OptionalInt ageYears() {
        OptionalInt planted = tree().plantedYear();
        return planted.isPresent()
                ? OptionalInt.of(survey.surveyedOn().getYear() - planted.getAsInt())
                : OptionalInt.empty();
    }

    /** Whether it is an evergreen within its height and width that is small, young or in fruit: it is left alone. */
    public boolean evergreenLeftAlone() {
        if (!evergreen()) {
            return false;
        }
        double wantedM = heightWantedM().orElse(Double.MAX_VALUE);
        boolean within = tree().heightM() <= wantedM + heightToleranceM()
                && tree().spreadM() <= tree().noted().spreadTargetM().orElse(Double.MAX_VALUE);
        boolean small = heightWantedM().isPresent() && tree().heightM() < wantedM / 2;
        boolean newlyPlanted = ageYears().isPresent() && ageYears().getAsInt() < figure(Figure.YOUNG_TREE_YEARS);
        boolean inFruit = survey.limbs().stream().anyMatch(limb -> limb.fruitsAtLeast(1));
        return within && (small || newlyPlanted || inFruit);
    }

    /** Whether a fig is weak or young: it is let grow, and its figs come off. */
    public boolean figGrowsOn() {
        boolean weak = tree().shootExtensionCm().orElse(Double.MAX_VALUE) < figure(Figure.WEAK_SHOOTS_CM);
        boolean newlyPlanted = ageYears().isPresent() && ageYears().getAsInt() <= figure(Figure.YOUNG_TREE_YEARS);
        return fig() && (weak || newlyPlanted);
    }

    /** Whether a limb was shortened in the pruning year that runs: its kind's yearly work on it is done. */
    boolean shortenedThisYear(Limb limb) {
        return tree().noted().shortenedThisYear().contains(limb.id());
    }

    /** Whether nobody had cut the tree for so long that it counts as neglected; its renovation may have begun since. */
    public boolean untouched() {
        return tree().noted().renovating()
                || tree().yearsSinceCut().orElse(0) >= figure(Figure.RENOVATE_UNTOUCHED_YEARS);
    }

    /** Whether what was removed in the last twelve months was cut in the pruning year before the one that runs. */
    public boolean cutInTheYearBefore() {
        return tree().yearsSinceCut().orElse(0) >= 1;
    }

    /** Main branches there are to be: what is wanted, else what is usual for the form. */
    int mainsWanted() {
        boolean tiers = formWanted() == Form.CENTRAL_LEADER || formWanted() == Form.NATURAL;
        return tree().mainsWanted().orElse((int) figure(tiers ? Figure.MAINS_TIERS : Figure.MAINS_OPEN));
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

    /** The light on each limb, by its tag, when part of the crown is gone; a limb that is absent has unknown light. */
    Map<String, Double> lightAfter(LivingCrown crown) {
        return leafage.lightIn(crown);
    }

    /** Whether two limbs' leaf fills the same room by over half. */
    boolean shareRoom(Limb limb, Limb other) {
        return leafage.roomShared(limb.id(), other.id()) > figure(Figure.CROWDED_ROOM_SHARE);
    }

    OptionalDouble lightOn(Limb limb) {
        Double share = light.get(limb.id());
        return share == null ? OptionalDouble.empty() : OptionalDouble.of(share);
    }

    /** The height wanted, m; empty where none is. */
    public OptionalDouble heightWantedM() {
        return wildlife() ? OptionalDouble.empty() : tree().targetHeightM();
    }

    /** How far a top may stand over the height wanted and still be at it, m. */
    public double heightToleranceM() {
        return Math.max(
                figure(Figure.HEIGHT_TOLERANCE_M),
                figure(Figure.HEIGHT_TOLERANCE_SHARE) * heightWantedM().orElse(0));
    }

    /** Growth to be expected above a cut until the next visit, m: none where trees are cut in summer, once shoots have stopped. */
    double regrowthM() {
        boolean cutInSummer = formWanted().trained() || traits.cutInSummer();
        double shootM = tree().shootExtensionCm().orElse(100 * figure(DEFAULT_REGROWTH_M)) / 100;
        return cutInSummer ? 0 : Math.min(shootM, figure(Figure.REGROWTH_MOST_M));
    }

    /** The height to cut below so that regrowth does not pass the height wanted, m; empty where none is wanted. */
    OptionalDouble aimM() {
        OptionalDouble wanted = heightWantedM();
        return wanted.isEmpty()
                ? OptionalDouble.empty()
                : OptionalDouble.of(Math.max(wanted.getAsDouble() - regrowthM(), wanted.getAsDouble() / 2));
    }

    /** The named leader, or in a tree to be kept to one leader the steepest limb on the trunk. */
    public boolean leader(Limb limb) {
        return leaders().contains(limb.id());
    }

    private Set<String> leaders() {
        if (leaders == null) {
            Set<String> named = survey.limbs().stream()
                    .filter(limb -> limb.is(Role.LEADER))
                    .map(Limb::id)
                    .collect(Collectors.toSet());
            leaders = named.isEmpty() && formWanted() == Form.CENTRAL_LEADER
                    ? branching.onTrunk().stream()
                            .filter(other -> other.angleDeg() >= figure(Figure.LEADER_STEEP_DEG))
                            .max(Comparator.comparingDouble(Limb::angleDeg))
                            .map(limb -> Set.of(limb.id()))
                            .orElse(Set.of())
                    : named;
        }
        return leaders;
    }

    /** Whether another limb and this one name each other in a fault. */
    boolean inPair(Limb limb) {
        return inPairs.contains(limb.id());
    }

    /** Whether a limb belongs to a cultivar that another on the same tree outgrows: it is only cleaned. */
    boolean weakGraft(Limb limb) {
        return strongGraftShare() > 0 && cultivarShares.get(cultivarOf(limb)) < strongGraftShare() / 2;
    }

    /** Whether a limb is only cleaned: it is a weak cultivar's, or the tree is weaker than the others of its group. */
    boolean onlyCleaned(Limb limb) {
        return tree().noted().sparedInGroup() || weakGraft(limb);
    }

    /** Whether a limb belongs to the cultivar that outgrows the others on its tree. */
    boolean strongGraft(Limb limb) {
        return strongGraftShare() > 0 && cultivarShares.get(cultivarOf(limb)) >= strongGraftShare() - SAME;
    }

    /** Share of the crown on the cultivar that holds over half of it and over twice the weakest's; 0 when none does. */
    double strongGraftShare() {
        double strongest = 0;
        double weakest = 1;
        for (double share : cultivarShares.values()) {
            strongest = Math.max(strongest, share);
            weakest = Math.min(weakest, share);
        }
        boolean outgrows = cultivarShares.size() > 1
                && strongest > figure(Figure.STRONG_GRAFT_SHARE)
                && strongest > figure(Figure.STRONG_GRAFT_TIMES) * weakest;
        return outgrows ? strongest : 0;
    }

    /** Share of the living crown on each cultivar, 0 to 1; one where nobody said of several. */
    public Map<String, Double> cultivarShares() {
        return Map.copyOf(cultivarShares);
    }

    /** The cultivar of a limb: its own, or that of what it grows from; empty text where nobody said. */
    public String cultivarOf(Limb limb) {
        return limb.cultivar()
                .or(() -> branching.parentOf(limb).map(this::cultivarOf))
                .orElse("");
    }

    /** Degrees, 0 to 180, by which a side limb is turned from pointing away from the trunk; 0 for what leaves at the trunk. */
    double turnedFromOutwardsDeg(Limb branch) {
        var base = branching.baseOfLimb(branch);
        if (base.fromAxisM() < AT_THE_TRUNK_M) {
            return 0;
        }
        double awayDeg = (Math.toDegrees(Math.atan2(base.eastM(), base.northM())) + 360) % 360;
        // To a millionth, so that a turned tree gives the same.
        return Math.round(Branching.apartDeg(awayDeg, branch.azimuthDeg()) * 1e6) / 1e6;
    }

    /**
     * Whether a side limb plainly grows across the trunk's middle: it turns back and ends beyond it. Fruiting wood that
     * merely leans in does not.
     */
    boolean crossesTheMiddle(Limb limb) {
        double awayM = branching.baseOfLimb(limb).fromAxisM();
        double runsM = limb.lengthM() * Math.cos(Math.toRadians(limb.angleDeg()));
        return turnsBack(limb) && runsM >= awayM + figure(Figure.PAST_THE_MIDDLE_M) - SAME;
    }

    /** Whether a side limb turns back to the trunk from some way out. */
    boolean turnsBack(Limb limb) {
        return limb.parent().isPresent()
                && limb.angleDeg() < figure(Figure.UPRIGHT_DEG)
                && branching.baseOfLimb(limb).fromAxisM() >= figure(Figure.PAST_THE_MIDDLE_M) - SAME
                && turnedFromOutwardsDeg(limb) >= figure(Figure.TURNS_BACK_DEG);
    }

    /** That a branch has to be found and entered before a limb can be cut at about {@code alongM} from its base. */
    Reason findABranch(Limb limb, double alongM) {
        return reason(ReasonCode.FIND_A_BRANCH, figure(Figure.SIDE_BRANCH_RATIO) * limb.diameterAtCm(alongM), alongM);
    }

    /** Least distance from its base at which a limb may be shortened, m: two thirds along when it is young. */
    public double leastKeptM(Limb limb) {
        boolean young = limb.youngerThanOrOf((int) figure(Figure.YOUNG_WOOD_YEARS));
        return limb.lengthM() * (young ? 1 - figure(Figure.YOUNG_SHORTENING_SHARE) : figure(Figure.LEAST_KEPT_SHARE));
    }
}
