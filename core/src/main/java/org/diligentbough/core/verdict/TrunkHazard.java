package org.diligentbough.core.verdict;

import static org.diligentbough.core.knowledge.Figure.CALLUSED_CRACK_CM;
import static org.diligentbough.core.knowledge.Figure.HOLLOW_STRENGTH_LOSS;
import static org.diligentbough.core.knowledge.Figure.HOLLOW_WALL_RATIO;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.survey.DecayScreen;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.HollowStem;
import org.diligentbough.core.survey.Lean;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.SurveyNotes;
import org.diligentbough.core.survey.TreeSurvey;
import org.diligentbough.core.survey.TreeSurvey.Trunk;

/** What about a trunk calls for a licensed arborist. It screens; it never clears a tree. */
final class TrunkHazard {
    private final TreeFacts facts;

    TrunkHazard(TreeFacts facts) {
        this.facts = facts;
    }

    boolean present() {
        return !reasons().isEmpty();
    }

    /** Why the trunk is to be looked at by an arborist; empty when nothing was seen. */
    List<Reason> reasons() {
        Trunk trunk = facts.tree().trunk();
        List<Reason> reasons = new ArrayList<>();
        if (trunk.lean() == Lean.LIFTING_SOIL) {
            reasons.add(facts.reason(ReasonCode.REFER_LIFTING_SOIL));
        }
        if (trunk.cracked() && !callusedUnion()) {
            reasons.add(
                    facts.reason(ReasonCode.REFER_CRACKED_TRUNK, trunk.crackCm().orElseThrow()));
        }
        if (facts.tree().noted().beneath().contains(SurveyNotes.Beneath.POWER_LINE)) {
            reasons.add(facts.reason(ReasonCode.REFER_POWER_LINE));
        }
        if (trunk.soundWallCm().isPresent()) {
            double ratio = wallRatio(facts.tree());
            double loss = strengthLoss(facts.tree());
            if (ratio < facts.figure(HOLLOW_WALL_RATIO)) {
                reasons.add(facts.reason(ReasonCode.REFER_HOLLOW_WALL, ratio));
            }
            if (loss >= facts.figure(HOLLOW_STRENGTH_LOSS)) {
                reasons.add(facts.reason(ReasonCode.REFER_HOLLOW_STRENGTH, loss));
            }
        }
        screen(Optional.empty()).forEach(reasons::add);
        return reasons;
    }

    /** Why what bears a hollow face is an arborist's: a limb, or the trunk where it is empty. */
    private List<Reason> screen(Optional<String> on) {
        return new DecayScreen(facts.survey(), facts.branching())
                .on(on).stream()
                        .filter(face -> face.wallRatio() < facts.figure(HOLLOW_WALL_RATIO)
                                || face.strengthLoss() >= facts.figure(HOLLOW_STRENGTH_LOSS))
                        .map(face -> facts.reason(
                                on.isPresent() ? ReasonCode.REFER_HOLLOW_LIMB : ReasonCode.REFER_HOLLOW_FACE,
                                face.decay().cut(),
                                face.wallRatio(),
                                face.strengthLoss()))
                        .toList();
    }

    /** Why a limb is an arborist's: by a hollow face of its own or of what it grows from. */
    List<Reason> ofLimb(Limb limb) {
        List<Reason> reasons = new ArrayList<>(screen(Optional.of(limb.id())));
        facts.branching().parentOf(limb).ifPresent(parent -> reasons.addAll(ofLimb(parent)));
        return reasons;
    }

    /** All limbs that bear a hollow face. */
    List<Reason> ofLimbs() {
        return facts.survey().limbs().stream()
                .flatMap(limb -> screen(Optional.of(limb.id())).stream())
                .toList();
    }

    /** A short crack in a fork that has callused over: only the cut of its stem is an arborist's. */
    private boolean callusedUnion() {
        Trunk trunk = facts.tree().trunk();
        boolean fork = facts.branching().onTrunk().stream().anyMatch(TrunkHazard::inAFork);
        return fork
                && trunk.cracked()
                && trunk.crackCm().getAsDouble() < facts.figure(CALLUSED_CRACK_CM)
                && trunk.crackFresh().filter(fresh -> !fresh).isPresent();
    }

    /** Whether a limb is a stem of a fork whose crack has callused over. */
    boolean callusedUnionOf(Limb limb) {
        return limb.parent().isEmpty() && inAFork(limb) && callusedUnion();
    }

    private static boolean inAFork(Limb limb) {
        return limb.has(FaultKind.NARROW_UNION) || limb.has(FaultKind.INCLUDED_BARK);
    }

    /** Sound wall round a hollow as a share of the trunk's radius. The wall is known. */
    static double wallRatio(TreeSurvey tree) {
        return HollowStem.wallRatio(
                tree.trunkDiameterCm() / 2, tree.trunk().soundWallCm().orElseThrow());
    }

    /** What a hollow of known wall costs in strength, 0 to 1. */
    static double strengthLoss(TreeSurvey tree) {
        return HollowStem.strengthLoss(
                tree.trunkDiameterCm() / 2, tree.trunk().soundWallCm().orElseThrow());
    }
}
