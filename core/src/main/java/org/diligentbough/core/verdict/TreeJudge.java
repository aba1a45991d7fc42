package org.diligentbough.core.verdict;

import static org.diligentbough.core.knowledge.Figure.INCURABLE_SHARE;
import static org.diligentbough.core.knowledge.Figure.MODEST_SHOOTS_CM;
import static org.diligentbough.core.knowledge.Figure.RENOVATE_HEIGHT_RATIO;
import static org.diligentbough.core.knowledge.Figure.RENOVATE_UNTOUCHED_YEARS;
import static org.diligentbough.core.knowledge.Figure.RENOVATE_UPRIGHTS;
import static org.diligentbough.core.knowledge.Figure.STRONG_SHOOTS_CM;
import static org.diligentbough.core.knowledge.Figure.WEAK_SHOOTS_CM;
import static org.diligentbough.core.knowledge.Figure.YOUNG_TREE_YEARS;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.orchard.SpeciesTraits;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.LivingCrown;
import org.diligentbough.core.survey.OverTarget;
import org.diligentbough.core.survey.TakenThisYear;
import org.diligentbough.core.survey.TreeSurvey;

/** Judges the tree as a whole, once its limbs are judged. */
public final class TreeJudge {
    private static final int MOST_YEARS = 5;
    private static final int USUAL_YEARS = 3;

    private final TreeFacts facts;
    private final TreeSurvey tree;
    private final List<LimbVerdict> limbs;
    private final TakenThisYear taken;

    public TreeJudge(TreeFacts facts, List<LimbVerdict> limbs, TakenThisYear taken) {
        this.facts = facts;
        this.tree = facts.tree();
        this.limbs = limbs;
        this.taken = taken;
    }

    /** What the tree calls for; the first of refer, take out, rest, renovate and maintain that applies. */
    public TreeVerdict judge() {
        Optional<Vigour> vigour = vigour();
        List<Reason> weak = weakReasons();
        List<Reason> rest = new ArrayList<>(weak);
        rest.addAll(cutHardReasons());
        List<Reason> enough = enoughThisYear();
        TreeVerdict.Allowance allowance = allowance(!rest.isEmpty() || !enough.isEmpty());
        List<Reason> refer = referReasons();
        List<Reason> takeOut = takeOutReasons();
        List<Reason> renovate = renovateReasons();
        List<Reason> reasons = new ArrayList<>();
        Triage triage = Triage.MAINTAIN;
        if (!refer.isEmpty()) {
            triage = Triage.REFER;
            reasons.addAll(refer);
        } else if (!takeOut.isEmpty()) {
            triage = Triage.TAKE_OUT;
            reasons.addAll(takeOut);
        } else if (!rest.isEmpty() || !enough.isEmpty()) {
            triage = Triage.REST;
        } else if (!renovate.isEmpty()) {
            triage = Triage.RENOVATE;
        }
        reasons.addAll(rest);
        reasons.addAll(enough);
        reasons.addAll(renovate);
        if (reasons.isEmpty()) {
            reasons.add(facts.reason(ReasonCode.MAINTAIN));
        }
        vigour.ifPresent(found -> reasons.add(
                facts.reason(ReasonCode.VIGOUR, tree.shootExtensionCm().orElseThrow(), found)));
        int years = yearsNeeded(!renovate.isEmpty(), !rest.isEmpty());
        return new TreeVerdict(
                triage,
                vigour,
                reasons,
                !rest.isEmpty(),
                !weak.isEmpty(),
                allowance,
                allowance(false),
                years,
                yearsWhy(years, !rest.isEmpty()));
    }

    private Optional<Vigour> vigour() {
        if (tree.shootExtensionCm().isEmpty()) {
            return Optional.empty();
        }
        double cm = tree.shootExtensionCm().getAsDouble();
        if (cm < facts.figure(WEAK_SHOOTS_CM)) {
            return Optional.of(Vigour.WEAK);
        }
        if (cm <= facts.figure(MODEST_SHOOTS_CM)) {
            return Optional.of(Vigour.MODEST);
        }
        if (cm <= facts.traits().goodShootsToCm()) {
            return Optional.of(Vigour.GOOD);
        }
        return Optional.of(cm <= facts.figure(STRONG_SHOOTS_CM) ? Vigour.STRONG : Vigour.RANK);
    }

    private List<Reason> referReasons() {
        TrunkHazard hazard = new TrunkHazard(facts);
        List<Reason> reasons = new ArrayList<>(hazard.reasons());
        reasons.addAll(hazard.ofLimbs());
        for (Limb limb : facts.survey().limbs()) {
            limb.overTarget()
                    .filter(target -> target == OverTarget.POWER_LINE
                            || target == OverTarget.ROAD
                            || target == OverTarget.BUILDING)
                    .ifPresent(target -> reasons.add(facts.reason(ReasonCode.REFER_OVER, limb.id(), target)));
        }
        CutSizing sizing = new CutSizing(facts);
        for (LimbVerdict limb : limbs) {
            limb.cut()
                    .filter(cut -> sizing.overTheCrew(cut.heightM(), cut.weightKg()))
                    .ifPresent(cut -> reasons.add(
                            facts.reason(ReasonCode.REFER_LIMITS, limb.tag(), cut.heightM(), cut.weightKg())));
        }
        return reasons;
    }

    private List<Reason> takeOutReasons() {
        boolean anyLimb = !facts.survey().limbs().isEmpty();
        if (anyLimb && facts.survey().limbs().stream().noneMatch(facts.branching()::living)) {
            return List.of(facts.reason(ReasonCode.TAKE_OUT_NOTHING_LIVES));
        }
        double silverLeaf = facts.survey().limbs().stream()
                .filter(this::hasSilverLeaf)
                .mapToDouble(facts.shares()::own)
                .sum();
        return silverLeaf >= facts.figure(INCURABLE_SHARE)
                ? List.of(facts.reason(ReasonCode.TAKE_OUT_SILVER_LEAF, silverLeaf))
                : List.of();
    }

    private boolean hasSilverLeaf(Limb limb) {
        boolean here = limb.faults().stream()
                .anyMatch(fault -> fault.kind() == FaultKind.DISEASED
                        && fault.disease().filter(Disease.SILVER_LEAF::equals).isPresent());
        return here || facts.branching().parentOf(limb).map(this::hasSilverLeaf).orElse(false);
    }

    private List<Reason> weakReasons() {
        boolean weak = !facts.traits().bush()
                && tree.shootExtensionCm().orElse(Double.MAX_VALUE) < facts.figure(WEAK_SHOOTS_CM)
                && ofBearingAge();
        return weak
                ? List.of(facts.reason(
                        ReasonCode.REST_WEAK, tree.shootExtensionCm().getAsDouble()))
                : List.of();
    }

    /** More than the allowance in the last twelve months, or all of it within the pruning year that runs. */
    private List<Reason> cutHardReasons() {
        double removed = tree.removedLast12Months();
        boolean allOfThisYears = !facts.cutInTheYearBefore() && removed >= facts.yearAllowance() - TreeFacts.SAME;
        boolean hard = removed > facts.yearAllowance() + TreeFacts.SAME || allOfThisYears;
        return facts.traits().hasAllowance() && hard
                ? List.of(facts.reason(ReasonCode.REST_CUT_HARD, removed, facts.yearAllowance()))
                : List.of();
    }

    /** Whether the visits logged have taken the running pruning year's allowance; the next year it may be cut again. */
    private List<Reason> enoughThisYear() {
        boolean enough = facts.traits().hasAllowance() && taken.share() >= facts.yearAllowance() - TreeFacts.SAME;
        return enough
                ? List.of(facts.reason(ReasonCode.REST_TAKEN_THIS_YEAR, taken.share(), facts.yearAllowance()))
                : List.of();
    }

    private boolean ofBearingAge() {
        boolean fruits = facts.survey().limbs().stream().anyMatch(limb -> limb.fruitsAtLeast(1));
        boolean young = facts.ageYears().isPresent() && facts.ageYears().getAsInt() <= facts.figure(YOUNG_TREE_YEARS);
        return fruits || !young;
    }

    private List<Reason> renovateReasons() {
        List<Reason> reasons = new ArrayList<>();
        if (facts.traits().hasAllowance()) {
            if (liveShareWanted() > facts.yearAllowance() + TreeFacts.SAME) {
                reasons.add(facts.reason(ReasonCode.RENOVATE_SHARE, liveShareWanted(), facts.yearAllowance()));
            }
            if (bigCutsWanted() > policy().bigCuts()) {
                reasons.add(facts.reason(ReasonCode.RENOVATE_BIG_CUTS, bigCutsWanted(), policy().bigCuts()));
            }
        }
        double wantedM = tree.targetHeightM().orElse(Double.MAX_VALUE);
        if (!facts.wildlife() && tree.heightM() > facts.figure(RENOVATE_HEIGHT_RATIO) * wantedM) {
            reasons.add(facts.reason(ReasonCode.RENOVATE_HEIGHT, tree.heightM(), wantedM));
        }
        if (tree.waterSprouts().orElse(0) > facts.figure(RENOVATE_UPRIGHTS)) {
            reasons.add(facts.reason(
                    ReasonCode.RENOVATE_UPRIGHTS, tree.waterSprouts().getAsInt()));
        }
        if (tree.yearsSinceCut().orElse(0) >= facts.figure(RENOVATE_UNTOUCHED_YEARS)) {
            reasons.add(facts.reason(
                    ReasonCode.RENOVATE_UNTOUCHED, tree.yearsSinceCut().getAsDouble()));
        }
        return reasons;
    }

    private double liveShareWanted() {
        LivingCrown crown = new LivingCrown(facts.branching(), facts.shares());
        double taken = 0;
        for (LimbVerdict limb : limbs) {
            if (!limb.ownWork(facts.traits())) {
                taken += limb.takenFrom(crown);
            }
        }
        return taken;
    }

    private int bigCutsWanted() {
        return (int) limbs.stream()
                .filter(limb -> limb.cut().filter(Cut::big).isPresent())
                .count();
    }

    private Policy policy() {
        return facts.survey().site().policy();
    }

    private TreeVerdict.Allowance allowance(boolean resting) {
        if (!facts.traits().hasAllowance()) {
            ReasonCode why = facts.traits().group() == SpeciesTraits.Group.FIG
                    ? ReasonCode.ALLOWANCE_FIG
                    : ReasonCode.ALLOWANCE_BUSH;
            return new TreeVerdict.Allowance(
                    OptionalDouble.empty(), OptionalDouble.empty(), OptionalInt.empty(), List.of(facts.reason(why)));
        }
        double year = resting ? 0 : facts.yearAllowance();
        double summer = facts.summerAllowance(year);
        List<Reason> reasons = new ArrayList<>();
        Optional<Reason> own = facts.ownAllowance()
                .map(allowance ->
                        facts.reason(ReasonCode.ALLOWANCE_OWN, allowance.share(), allowance.by(), allowance.why()));
        reasons.add(own.orElseGet(() -> switch (facts.traits().group()) {
            case PEACH -> facts.reason(ReasonCode.ALLOWANCE_PEACH);
            case EVERGREEN -> facts.reason(ReasonCode.ALLOWANCE_CITRUS);
            default ->
                facts.reason(
                        policy().allowance() == Policy.Allowance.THIRD
                                ? ReasonCode.ALLOWANCE_THIRD
                                : ReasonCode.ALLOWANCE_QUARTER);
        }));
        tree.noted()
                .answeredHard()
                .filter(hard -> own.isEmpty())
                .ifPresent(hard ->
                        reasons.add(facts.reason(ReasonCode.ALLOWANCE_ANSWERED_HARD, hard.shoots(), hard.expected())));
        if (facts.mainlyDormant()) {
            reasons.add(facts.reason(ReasonCode.ALLOWANCE_SUMMER, policy().summerAllowance()));
        }
        if (resting) {
            reasons.add(facts.reason(ReasonCode.ALLOWANCE_REST));
        } else {
            if (tree.removedLast12Months() > 0 && !facts.cutInTheYearBefore()) {
                reasons.add(facts.reason(ReasonCode.ALLOWANCE_CHARGED, tree.removedLast12Months()));
            }
            if (taken.share() > 0) {
                reasons.add(facts.reason(ReasonCode.ALLOWANCE_TAKEN, taken.share()));
            }
            if (taken.overdoneBefore() > 0) {
                reasons.add(facts.reason(ReasonCode.ALLOWANCE_OVERDONE, taken.overdoneBefore()));
            }
        }
        return new TreeVerdict.Allowance(
                OptionalDouble.of(year), OptionalDouble.of(summer), OptionalInt.of(policy().bigCuts()), reasons);
    }

    /** Three years as a rule for a renovation, two to five by need; one for a tree that is maintained. */
    private int yearsNeeded(boolean renovate, boolean rest) {
        int need = Math.max(1, Math.max(yearsByShare(), yearsByBigCuts()));
        int years = renovate ? Math.max(USUAL_YEARS, need) : need;
        return Math.min(MOST_YEARS, rest ? Math.max(years, need + 1) : years);
    }

    private Reason yearsWhy(int years, boolean rest) {
        if (rest) {
            return facts.reason(ReasonCode.YEARS_REST_FIRST, years);
        }
        if (yearsByShare() >= years && years > 1) {
            return facts.reason(ReasonCode.YEARS_BY_SHARE, years, liveShareWanted(), facts.usualAllowance());
        }
        if (yearsByBigCuts() >= years && years > 1) {
            return facts.reason(ReasonCode.YEARS_BY_BIG_CUTS, years, bigCutsWanted(), policy().bigCuts());
        }
        return years == 1
                ? facts.reason(ReasonCode.YEARS_TO_MAINTAIN)
                : facts.reason(ReasonCode.YEARS_AS_A_RULE, years);
    }

    private int yearsByShare() {
        return facts.traits().hasAllowance() ? yearsToTake(liveShareWanted()) : 1;
    }

    private int yearsByBigCuts() {
        return facts.traits().hasAllowance() && policy().bigCuts() > 0
                ? (int) Math.ceil((double) bigCutsWanted() / policy().bigCuts())
                : 1;
    }

    /** Years to take a share of the crown when each takes its allowance of what the year before left. */
    private int yearsToTake(double share) {
        double left = 1;
        int years = 0;
        while (1 - left < share - TreeFacts.SAME && years < MOST_YEARS) {
            left *= 1 - (years == 0 ? facts.yearAllowance() : facts.usualAllowance());
            years++;
        }
        return years;
    }
}
