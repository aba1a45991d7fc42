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

    private final Scene scene;
    private final TreeSurvey tree;
    private final List<LimbVerdict> limbs;
    private final TakenThisYear taken;

    public TreeJudge(Scene scene, List<LimbVerdict> limbs, TakenThisYear taken) {
        this.scene = scene;
        this.tree = scene.tree();
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
            reasons.add(scene.reason(ReasonCode.MAINTAIN));
        }
        vigour.ifPresent(found -> reasons.add(
                scene.reason(ReasonCode.VIGOUR, tree.shootExtensionCm().orElseThrow(), found)));
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
        if (cm < scene.figure(WEAK_SHOOTS_CM)) {
            return Optional.of(Vigour.WEAK);
        }
        if (cm <= scene.figure(MODEST_SHOOTS_CM)) {
            return Optional.of(Vigour.MODEST);
        }
        if (cm <= scene.traits().goodShootsToCm()) {
            return Optional.of(Vigour.GOOD);
        }
        return Optional.of(cm <= scene.figure(STRONG_SHOOTS_CM) ? Vigour.STRONG : Vigour.RANK);
    }

    private List<Reason> referReasons() {
        List<Reason> reasons = new ArrayList<>(new TrunkHazard(scene).reasons());
        for (Limb limb : scene.survey().limbs()) {
            limb.overTarget()
                    .filter(target -> target == OverTarget.POWER_LINE
                            || target == OverTarget.ROAD
                            || target == OverTarget.BUILDING)
                    .ifPresent(target -> reasons.add(scene.reason(ReasonCode.REFER_OVER, limb.id(), target)));
        }
        CutSizing sizing = new CutSizing(scene);
        for (LimbVerdict limb : limbs) {
            limb.cut()
                    .filter(cut -> sizing.overTheCrew(cut.heightM(), cut.weightKg()))
                    .ifPresent(cut -> reasons.add(
                            scene.reason(ReasonCode.REFER_LIMITS, limb.tag(), cut.heightM(), cut.weightKg())));
        }
        return reasons;
    }

    private List<Reason> takeOutReasons() {
        boolean anyLimb = !scene.survey().limbs().isEmpty();
        if (anyLimb && scene.survey().limbs().stream().noneMatch(scene.branching()::living)) {
            return List.of(scene.reason(ReasonCode.TAKE_OUT_NOTHING_LIVES));
        }
        double silverLeaf = scene.survey().limbs().stream()
                .filter(this::hasSilverLeaf)
                .mapToDouble(scene.shares()::own)
                .sum();
        return silverLeaf >= scene.figure(INCURABLE_SHARE)
                ? List.of(scene.reason(ReasonCode.TAKE_OUT_SILVER_LEAF, silverLeaf))
                : List.of();
    }

    private boolean hasSilverLeaf(Limb limb) {
        boolean here = limb.faults().stream()
                .anyMatch(fault -> fault.kind() == FaultKind.DISEASED
                        && fault.disease().filter(Disease.SILVER_LEAF::equals).isPresent());
        return here || scene.branching().parentOf(limb).map(this::hasSilverLeaf).orElse(false);
    }

    private List<Reason> weakReasons() {
        boolean weak = !scene.traits().bush()
                && tree.shootExtensionCm().orElse(Double.MAX_VALUE) < scene.figure(WEAK_SHOOTS_CM)
                && ofBearingAge();
        return weak
                ? List.of(scene.reason(
                        ReasonCode.REST_WEAK, tree.shootExtensionCm().getAsDouble()))
                : List.of();
    }

    /** More than the allowance in the last twelve months, or all of it within the pruning year that runs. */
    private List<Reason> cutHardReasons() {
        double removed = tree.removedLast12Months();
        boolean allOfThisYears = !scene.cutInTheYearBefore() && removed >= scene.yearAllowance() - Scene.SAME;
        boolean hard = removed > scene.yearAllowance() + Scene.SAME || allOfThisYears;
        return scene.traits().hasAllowance() && hard
                ? List.of(scene.reason(ReasonCode.REST_CUT_HARD, removed, scene.yearAllowance()))
                : List.of();
    }

    /** Whether the visits logged have taken the running pruning year's allowance; the next year it may be cut again. */
    private List<Reason> enoughThisYear() {
        boolean enough = scene.traits().hasAllowance() && taken.share() >= scene.yearAllowance() - Scene.SAME;
        return enough
                ? List.of(scene.reason(ReasonCode.REST_TAKEN_THIS_YEAR, taken.share(), scene.yearAllowance()))
                : List.of();
    }

    private boolean ofBearingAge() {
        boolean fruits = scene.survey().limbs().stream().anyMatch(limb -> limb.fruitsAtLeast(1));
        boolean young = scene.ageYears().isPresent() && scene.ageYears().getAsInt() <= scene.figure(YOUNG_TREE_YEARS);
        return fruits || !young;
    }

    private List<Reason> renovateReasons() {
        List<Reason> reasons = new ArrayList<>();
        if (scene.traits().hasAllowance()) {
            if (liveShareWanted() > scene.yearAllowance() + Scene.SAME) {
                reasons.add(scene.reason(ReasonCode.RENOVATE_SHARE, liveShareWanted(), scene.yearAllowance()));
            }
            if (bigCutsWanted() > policy().bigCuts()) {
                reasons.add(scene.reason(ReasonCode.RENOVATE_BIG_CUTS, bigCutsWanted(), policy().bigCuts()));
            }
        }
        double wantedM = tree.targetHeightM().orElse(Double.MAX_VALUE);
        if (!scene.wildlife() && tree.heightM() > scene.figure(RENOVATE_HEIGHT_RATIO) * wantedM) {
            reasons.add(scene.reason(ReasonCode.RENOVATE_HEIGHT, tree.heightM(), wantedM));
        }
        if (tree.waterSprouts().orElse(0) > scene.figure(RENOVATE_UPRIGHTS)) {
            reasons.add(scene.reason(
                    ReasonCode.RENOVATE_UPRIGHTS, tree.waterSprouts().getAsInt()));
        }
        if (tree.yearsSinceCut().orElse(0) >= scene.figure(RENOVATE_UNTOUCHED_YEARS)) {
            reasons.add(scene.reason(
                    ReasonCode.RENOVATE_UNTOUCHED, tree.yearsSinceCut().getAsDouble()));
        }
        return reasons;
    }

    private double liveShareWanted() {
        LivingCrown crown = new LivingCrown(scene.branching(), scene.shares());
        double taken = 0;
        for (LimbVerdict limb : limbs) {
            if (limb.ownWork(scene.traits())) {
                continue;
            }
            if (limb.verdict() == Verdict.REMOVE) {
                taken += crown.remove(limb.limb());
            } else if (limb.verdict() == Verdict.SHORTEN) {
                taken += crown.shorten(
                        limb.limb(), limb.cut().orElseThrow().place().alongM());
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
        return scene.survey().site().policy();
    }

    private TreeVerdict.Allowance allowance(boolean resting) {
        if (!scene.traits().hasAllowance()) {
            ReasonCode why = scene.traits().group() == SpeciesTraits.Group.FIG
                    ? ReasonCode.ALLOWANCE_FIG
                    : ReasonCode.ALLOWANCE_BUSH;
            return new TreeVerdict.Allowance(
                    OptionalDouble.empty(), OptionalDouble.empty(), OptionalInt.empty(), List.of(scene.reason(why)));
        }
        double year = resting ? 0 : scene.yearAllowance();
        boolean dormantMain =
                scene.traits().mainCutDormant() && !scene.formWanted().trained();
        double summer = dormantMain ? Math.min(year, policy().summerAllowance()) : year;
        List<Reason> reasons = new ArrayList<>();
        Optional<Reason> own = scene.ownAllowance()
                .map(allowance ->
                        scene.reason(ReasonCode.ALLOWANCE_OWN, allowance.share(), allowance.by(), allowance.why()));
        reasons.add(own.orElseGet(() -> switch (scene.traits().group()) {
            case PEACH -> scene.reason(ReasonCode.ALLOWANCE_PEACH);
            case EVERGREEN -> scene.reason(ReasonCode.ALLOWANCE_CITRUS);
            default ->
                scene.reason(
                        policy().allowance() == Policy.Allowance.THIRD
                                ? ReasonCode.ALLOWANCE_THIRD
                                : ReasonCode.ALLOWANCE_QUARTER);
        }));
        if (dormantMain) {
            reasons.add(scene.reason(ReasonCode.ALLOWANCE_SUMMER, policy().summerAllowance()));
        }
        if (resting) {
            reasons.add(scene.reason(ReasonCode.ALLOWANCE_REST));
        } else {
            if (tree.removedLast12Months() > 0 && !scene.cutInTheYearBefore()) {
                reasons.add(scene.reason(ReasonCode.ALLOWANCE_CHARGED, tree.removedLast12Months()));
            }
            if (taken.share() > 0) {
                reasons.add(scene.reason(ReasonCode.ALLOWANCE_TAKEN, taken.share()));
            }
            if (taken.overdoneBefore() > 0) {
                reasons.add(scene.reason(ReasonCode.ALLOWANCE_OVERDONE, taken.overdoneBefore()));
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
            return scene.reason(ReasonCode.YEARS_REST_FIRST, years);
        }
        if (yearsByShare() >= years && years > 1) {
            return scene.reason(ReasonCode.YEARS_BY_SHARE, years, liveShareWanted(), scene.yearAllowance());
        }
        if (yearsByBigCuts() >= years && years > 1) {
            return scene.reason(ReasonCode.YEARS_BY_BIG_CUTS, years, bigCutsWanted(), policy().bigCuts());
        }
        return years == 1
                ? scene.reason(ReasonCode.YEARS_TO_MAINTAIN)
                : scene.reason(ReasonCode.YEARS_AS_A_RULE, years);
    }

    private int yearsByShare() {
        return scene.traits().hasAllowance() ? yearsToTake(liveShareWanted()) : 1;
    }

    private int yearsByBigCuts() {
        return scene.traits().hasAllowance() && policy().bigCuts() > 0
                ? (int) Math.ceil((double) bigCutsWanted() / policy().bigCuts())
                : 1;
    }

    /** Years to take a share of the crown when each takes its allowance of what the year before left. */
    private int yearsToTake(double share) {
        double left = 1;
        int years = 0;
        while (1 - left < share - Scene.SAME && years < MOST_YEARS) {
            left *= 1 - scene.yearAllowance();
            years++;
        }
        return years;
    }
}
