package org.diligentbough.core.verdict;

import static org.diligentbough.core.knowledge.Figure.BELOW_AIM_SHARE;
import static org.diligentbough.core.knowledge.Figure.BELOW_THE_BREAK_SHARE;
import static org.diligentbough.core.knowledge.Figure.DEAD_STUB_M;
import static org.diligentbough.core.knowledge.Figure.FIRE_BLIGHT_MARGIN_M;
import static org.diligentbough.core.knowledge.Figure.TIP_DIEBACK_SHARE;
import static org.diligentbough.core.knowledge.Figure.WEAK_SHOOTS_CM;
import static org.diligentbough.core.knowledge.Figure.YOUNG_SHORTENING_SHARE;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.survey.Fault;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;

/** The three Ds, looked for first: dead, diseased, damaged. */
final class SoundnessRules {
    private static final Set<Disease> LEAF_DAMAGE = EnumSet.of(Disease.LEAF_CURL, Disease.INSECT);

    private final TreeFacts facts;

    SoundnessRules(TreeFacts facts) {
        this.facts = facts;
    }

    /**
     * Dead wood goes in any season. Out of the window it is cut in the dead wood, so that no live wound opens. A tip that
     * dies back is cut to sound wood.
     */
    Optional<Finding> dead(Limb limb) {
        if (!limb.has(FaultKind.DEAD)) {
            return tipDieback(limb);
        }
        Place place = facts.windowOpenToday()
                ? Place.collar()
                : Place.at(CutKind.HEADING, Math.min(facts.figure(DEAD_STUB_M), limb.lengthM() / 2));
        Reason how = facts.reason(facts.windowOpenToday() ? ReasonCode.DEAD_TO_COLLAR : ReasonCode.DEAD_IN_DEAD_WOOD);
        return Optional.of(Finding.act(Rule.DEAD, Verdict.REMOVE, place, facts.reason(ReasonCode.DEAD), how)
                .urgentIf(limb.overTarget().map(target -> facts.reason(ReasonCode.OVER_TARGET, target))));
    }

    /** Diseased wood goes, or is cut well below the visible edge where the disease sits at the tip. */
    Optional<Finding> diseased(Limb limb) {
        Optional<Disease> named = limb.faults().stream()
                .filter(fault -> fault.kind() == FaultKind.DISEASED)
                .findFirst()
                .flatMap(Fault::disease);
        if (!limb.has(FaultKind.DISEASED) || liesNoHarm(named.orElse(Disease.UNKNOWN))) {
            return Optional.empty();
        }
        Disease disease = named.orElse(Disease.UNKNOWN);
        List<Reason> reasons = new ArrayList<>();
        reasons.add(facts.reason(ReasonCode.DISEASED, disease));
        if (disease == Disease.FIRE_BLIGHT) {
            reasons.add(facts.reason(ReasonCode.DISEASED_FIRE_BLIGHT));
        }
        reasons.add(facts.reason(ReasonCode.DISEASED_CLEAN_TOOLS));
        Reason[] all = reasons.toArray(Reason[]::new);
        if (limb.has(FaultKind.TIP_DIEBACK)) {
            double marginM = disease == Disease.FIRE_BLIGHT ? facts.figure(FIRE_BLIGHT_MARGIN_M) : 0;
            Optional<Place> below = soundBranchBelow(limb, edgeM(limb) - marginM);
            if (below.isPresent()) {
                return Optional.of(Finding.act(Rule.DISEASED, Verdict.SHORTEN, below.get(), all));
            }
        }
        return Optional.of(Finding.remove(Rule.DISEASED, all));
    }

    /** What {@link #diseased} passes over, told to the reader all the same. */
    Optional<Reason> livedWith(Limb limb) {
        return limb.faults().stream()
                .filter(fault -> fault.kind() == FaultKind.DISEASED)
                .map(fault -> fault.disease().orElse(Disease.UNKNOWN))
                .filter(this::liesNoHarm)
                .findFirst()
                .map(disease -> facts.reason(
                        disease == Disease.GUMMING ? ReasonCode.GUM_IS_DEFENCE : ReasonCode.LEAF_DAMAGE_LIVED_WITH));
    }

    private boolean liesNoHarm(Disease disease) {
        if (LEAF_DAMAGE.contains(disease)) {
            return facts.tree().shootExtensionCm().orElse(Double.MAX_VALUE) >= facts.figure(WEAK_SHOOTS_CM);
        }
        boolean cutThisYear = facts.tree().yearsSinceCut().orElse(Double.MAX_VALUE) < 1;
        return disease == Disease.GUMMING && facts.traits().stone() && cutThisYear;
    }

    private Optional<Finding> tipDieback(Limb limb) {
        boolean found = limb.has(FaultKind.TIP_DIEBACK) && !limb.has(FaultKind.SHADED) && !limb.has(FaultKind.DISEASED);
        if (!found) {
            return Optional.empty();
        }
        double nearM = edgeM(limb) - facts.figure(BELOW_AIM_SHARE) * limb.lengthM();
        Place place = soundBranchBelow(limb, edgeM(limb))
                .filter(branch -> branch.alongM() >= nearM)
                .orElseGet(() -> Place.at(CutKind.HEADING, edgeM(limb)));
        return Optional.of(Finding.act(Rule.DEAD, Verdict.SHORTEN, place, facts.reason(ReasonCode.TIP_DIEBACK)));
    }

    /**
     * A stub goes to the collar, but for a fig's renewal stub, which is meant. A broken or cracked limb is cut to a sound
     * side branch below the break, else to a bud there where its wood is young or thin; without either it goes.
     */
    Optional<Finding> damaged(Limb limb) {
        if (limb.has(FaultKind.STUB) && !facts.fig()) {
            return Optional.of(Finding.remove(Rule.DAMAGED, facts.reason(ReasonCode.STUB)));
        }
        boolean cracked = limb.has(FaultKind.CRACKED) && !unionOfTwoStems(limb);
        if (!limb.has(FaultKind.BROKEN) && !cracked) {
            return Optional.empty();
        }
        Reason why = facts.reason(limb.has(FaultKind.BROKEN) ? ReasonCode.BROKEN : ReasonCode.CRACKED);
        Optional<Place> branch = branchBelowTheBreak(limb);
        Optional<Finding> finding = branch.map(place -> Finding.act(Rule.DAMAGED, Verdict.SHORTEN, place, why))
                .or(() -> budBelowTheBreak(limb)
                        .map(place -> Finding.act(
                                Rule.DAMAGED, Verdict.SHORTEN, place, why, facts.reason(ReasonCode.BUD_BELOW_BREAK))));
        return Optional.of(
                finding.orElseGet(() -> Finding.remove(Rule.DAMAGED, why, facts.reason(ReasonCode.NO_SIDE_BRANCH)))
                        .urgentIf(limb.overTarget().map(target -> facts.reason(ReasonCode.OVER_TARGET, target))));
    }

    /** The outermost sound branch below the break, or the thickest where nobody said where it broke. */
    private Optional<Place> branchBelowTheBreak(Limb limb) {
        List<Limb> branches = facts.places().sideBranches(limb);
        Optional<Limb> found = limb.brokenAtM().isPresent()
                ? branches.stream()
                        .filter(branch -> branch.originM() <= limb.brokenAtM().getAsDouble())
                        .findFirst()
                : branches.stream().max(Comparator.comparingDouble(Limb::diameterCm));
        return found.map(CutPlaces::to);
    }

    /** Just below the break; a third from the tip where nobody said where it broke. */
    private Optional<Place> budBelowTheBreak(Limb limb) {
        double atM = limb.brokenAtM().orElse(limb.lengthM() * (1 - facts.figure(YOUNG_SHORTENING_SHARE)));
        double belowM = Math.min(atM, limb.lengthM()) * (1 - facts.figure(BELOW_THE_BREAK_SHARE));
        return belowM > 0 && facts.places().mayHead(limb, belowM)
                ? Optional.of(Place.at(CutKind.HEADING, belowM))
                : Optional.empty();
    }

    /** A crack in the union of two stems is judged with the union. */
    private boolean unionOfTwoStems(Limb limb) {
        return facts.survey().limbs().stream().anyMatch(other -> names(limb, other) || names(other, limb));
    }

    private static boolean names(Limb limb, Limb other) {
        return limb.faults().stream()
                .filter(fault -> fault.kind() == FaultKind.NARROW_UNION || fault.kind() == FaultKind.INCLUDED_BARK)
                .anyMatch(fault -> fault.with().filter(other.id()::equals).isPresent());
    }

    private double edgeM(Limb limb) {
        return limb.lengthM() * (1 - facts.figure(TIP_DIEBACK_SHARE));
    }

    private Optional<Place> soundBranchBelow(Limb limb, double alongM) {
        return facts.places().sideBranches(limb).stream()
                .filter(branch -> branch.originM() <= alongM)
                .findFirst()
                .map(CutPlaces::to);
    }
}
