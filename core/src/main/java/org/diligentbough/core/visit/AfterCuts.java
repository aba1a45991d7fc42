package org.diligentbough.core.visit;

import static org.diligentbough.core.knowledge.Figure.BEND_LEVEL_DEG;
import static org.diligentbough.core.knowledge.Figure.BEND_SLANTING_DEG;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.CrownShares;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.survey.Fault;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.LivingCrown;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.core.survey.TreeSurvey;

/**
 * A survey once the cuts of a visit are made: limbs gone with all they bore, shortened, or bent. Nothing grows back.
 *
 * <p>A limb on the trunk keeps the leaf it had less what was cut from it, so that shares stay those of the crown that
 * stands. A side limb that was only shortened is taken to carry as much of its parent as before.
 */
final class AfterCuts {
    /** What lies at a limb's end and goes with it. */
    private static final Set<FaultKind> AT_THE_END = EnumSet.of(
            FaultKind.TIP_DIEBACK,
            FaultKind.DISEASED,
            FaultKind.BROKEN,
            FaultKind.CRACKED,
            FaultKind.WEEPING,
            FaultKind.LOW,
            FaultKind.ENCROACHING,
            FaultKind.SPENT,
            FaultKind.OVERLONG);

    private static final Set<FaultKind> UPRIGHT = EnumSet.of(FaultKind.UPRIGHT_SHOOT, FaultKind.UPRIGHT_UNFRUITFUL);

    private static final double DAYS_A_YEAR = 365.25;
    private static final double LEAST_TOP_M = 0.1;
    private static final double ROUNDING = 1e-9;

    private final Survey before;
    private final Knowledge knowledge;
    private final Branching branching;
    private final CrownShares shares;
    private final LivingCrown crown;
    private final Map<String, MadeCut> made = new HashMap<>();

    AfterCuts(Survey before, Visit visit, Knowledge knowledge) {
        this.before = before;
        this.knowledge = knowledge;
        this.branching = new Branching(before.limbs());
        this.shares = new CrownShares(branching);
        this.crown = new LivingCrown(branching, shares);
        visit.cuts().forEach(cut -> made.put(cut.limb(), cut));
    }

    /** The survey with the cuts made, as of a day. */
    Survey survey(Visit visit, LocalDate today) {
        for (Limb limb : branching.outwards()) {
            cut(limb);
        }
        List<Limb> limbs =
                before.limbs().stream().filter(this::stands).map(this::asCut).toList();
        return new Survey(
                before.site(),
                before.today(),
                before.surveyedOn(),
                before.seen(),
                tree(visit, limbs, today),
                limbs,
                before.surroundings(),
                before.years());
    }

    private void cut(Limb limb) {
        MadeCut cut = made.get(limb.id());
        if (cut != null && cut.kind() == MadeCut.Kind.REMOVED) {
            crown.remove(limb);
        } else if (cut != null && cut.kind() == MadeCut.Kind.SHORTENED && cut.alongM() < limb.lengthM()) {
            crown.shorten(limb, cut.alongM());
        }
    }

    private boolean stands(Limb limb) {
        if (kindOf(limb).filter(MadeCut.Kind.REMOVED::equals).isPresent()) {
            return false;
        }
        Optional<Limb> parent = branching.parentOf(limb);
        if (parent.isEmpty()) {
            return true;
        }
        boolean beyond =
                kindOf(parent.get()).filter(MadeCut.Kind.SHORTENED::equals).isPresent()
                        && limb.originM() > made.get(parent.get().id()).alongM() + ROUNDING;
        return !beyond && stands(parent.get());
    }

    private Optional<MadeCut.Kind> kindOf(Limb limb) {
        return Optional.ofNullable(made.get(limb.id())).map(MadeCut::kind);
    }

    private Limb asCut(Limb limb) {
        MadeCut cut = made.get(limb.id());
        double lengthM = limb.lengthM();
        double angleDeg = limb.angleDeg();
        if (cut != null && cut.kind() == MadeCut.Kind.SHORTENED) {
            lengthM = Math.min(lengthM, cut.alongM());
        }
        if (cut != null && cut.kind() == MadeCut.Kind.BENT) {
            boolean level = before.site().policy().bend() == Policy.Bend.LEVEL;
            double aim = knowledge.get(level ? BEND_LEVEL_DEG : BEND_SLANTING_DEG);
            angleDeg = Math.min(angleDeg, aim);
        }
        double leafiness = limb.leafiness() * leftOf(limb);
        return limb.as(lengthM, angleDeg, leafiness, faults(limb, cut));
    }

    /** What is still wrong with a limb: not what lay at the end cut off, nor what lay between it and a limb that is gone. */
    private List<Fault> faults(Limb limb, MadeCut cut) {
        boolean ended = cut != null && cut.kind() == MadeCut.Kind.SHORTENED && !cut.step();
        boolean bent = cut != null && cut.kind() == MadeCut.Kind.BENT;
        Optional<Disease> disease = cut == null ? Optional.empty() : cut.disease();
        List<Fault> faults = new ArrayList<>(limb.faults().stream()
                .filter(fault ->
                        fault.with().flatMap(branching::find).map(this::stands).orElse(true))
                .filter(fault -> !ended || !AT_THE_END.contains(fault.kind()))
                .filter(fault -> !bent || !UPRIGHT.contains(fault.kind()))
                .filter(fault -> disease.isEmpty() || fault.kind() != FaultKind.DISEASED)
                .toList());
        disease.ifPresent(found -> faults.add(Fault.diseased(found)));
        return faults;
    }

    /** Share of what a limb carried that it carries still, 0 to 1. */
    private double leftOf(Limb limb) {
        double whole = shares.of(limb);
        double left = whole > 0 ? crown.copy().remove(limb) / whole : 1;
        return left > 1 - ROUNDING ? 1 : left;
    }

    private TreeSurvey tree(Visit visit, List<Limb> limbs, LocalDate today) {
        TreeSurvey tree = before.tree();
        double years = ChronoUnit.DAYS.between(visit.on(), today) / DAYS_A_YEAR;
        return new TreeSurvey(
                tree.label(),
                tree.species(),
                tree.bearing(),
                tree.rootstock(),
                tree.plantedYear(),
                tree.form(),
                tree.formWanted(),
                tree.mainsWanted(),
                tree.purpose(),
                heightM(tree, limbs),
                tree.spreadM(),
                tree.trunkGirthCm(),
                tree.targetHeightM(),
                tree.clearanceM(),
                tree.shootExtensionCm(),
                tree.stillGrowing(),
                shootsLeft(tree, visit),
                tree.rootSuckers(),
                tree.removedLast12Months(),
                OptionalDouble.of(years),
                tree.inContainer(),
                tree.trunk(),
                foundNeglected(tree) ? tree.noted().beingRenovated() : tree.noted());
    }

    /** What is found too much on a neglected tree goes over some years: the first cut does not end that. */
    private boolean foundNeglected(TreeSurvey tree) {
        return tree.noted().renovating()
                || tree.yearsSinceCut().orElse(0) >= knowledge.get(Figure.RENOVATE_UNTOUCHED_YEARS);
    }

    /** What was counted upright, less the limbs among them that were cut and the shoots taken uncounted. */
    private OptionalInt shootsLeft(TreeSurvey tree, Visit visit) {
        if (tree.waterSprouts().isEmpty()) {
            return OptionalInt.empty();
        }
        long entered = before.limbs().stream()
                .filter(limb -> limb.has(FaultKind.UPRIGHT_SHOOT) && !stands(limb))
                .count();
        return OptionalInt.of((int) Math.max(0, tree.waterSprouts().getAsInt() - entered - visit.shoots()));
    }

    /** Lower in the measure its highest limb is. */
    private double heightM(TreeSurvey tree, List<Limb> limbs) {
        return limbs.isEmpty() ? tree.heightM() : tree.heightM() * topM(limbs) / topM(before.limbs());
    }

    private static double topM(List<Limb> limbs) {
        Branching branching = new Branching(limbs);
        return limbs.stream().mapToDouble(branching::topM).reduce(LEAST_TOP_M, Math::max);
    }
}
