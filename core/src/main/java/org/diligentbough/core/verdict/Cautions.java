package org.diligentbough.core.verdict;

import static org.diligentbough.core.knowledge.Figure.IMPLAUSIBLE_HEIGHT;
import static org.diligentbough.core.knowledge.Figure.TWO_PEOPLE_KG;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Bearing;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.DecayScreen;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.SurveyNotes;

/** What to look out for before and while this tree is cut, and figures of the survey worth a second look. */
public final class Cautions {
    private final TreeFacts facts;
    private final List<LimbVerdict> limbs;
    private final List<Reason> cautions = new ArrayList<>();

    public Cautions(TreeFacts facts, List<LimbVerdict> limbs) {
        this.facts = facts;
        this.limbs = limbs;
    }

    /** All that apply: danger to people first, then what the law or neighbours may ask, then the tree, then figures. */
    public List<Reason> all(TreeVerdict tree) {
        people(tree);
        noted();
        beforeCutting();
        theTree();
        figures();
        return List.copyOf(cautions);
    }

    private void people(TreeVerdict tree) {
        if (tree.triage() == Triage.REFER) {
            say(ReasonCode.CAUTION_REFER);
        }
        boolean hollowLooked = facts.tree().trunk().soundWallCm().isPresent();
        if (hollowLooked) {
            say(
                    ReasonCode.CAUTION_SCREENING_ONLY,
                    TrunkHazard.wallRatio(facts.tree()),
                    TrunkHazard.strengthLoss(facts.tree()));
        }
        long heavy = limbs.stream()
                .filter(limb -> limb.cut()
                        .filter(cut -> cut.weightKg() > facts.figure(TWO_PEOPLE_KG))
                        .isPresent())
                .count();
        if (heavy > 0) {
            say(ReasonCode.CAUTION_HEAVY, heavy);
        }
        if (anyCut(Reach.LADDER)) {
            say(ReasonCode.CAUTION_LADDER);
        }
        if (limbs.stream().anyMatch(limb -> limb.cut().isPresent())) {
            say(ReasonCode.CAUTION_NOBODY_BENEATH);
        }
        if (thorny()) {
            say(ReasonCode.CAUTION_THORNS);
        }
    }

    /** What cut faces and wounds showed since. */
    private void decay(SurveyNotes noted) {
        DecayScreen screen = new DecayScreen(facts.survey(), facts.branching());
        Set<String> screened = new HashSet<>();
        screen.all().forEach(face -> {
            screened.add(face.decay().cut());
            say(ReasonCode.CAUTION_DECAY_SCREENED, face.decay().cut(), face.wallRatio(), face.strengthLoss());
        });
        noted.decay().stream()
                .filter(one -> one.decayed() && !screened.contains(one.cut()))
                .forEach(one -> say(
                        one.rots() ? ReasonCode.CAUTION_WOUND_ROTS : ReasonCode.CAUTION_DECAY_UNMEASURED, one.cut()));
    }

    /** What the walk round the whole tree noted. */
    private void noted() {
        SurveyNotes noted = facts.tree().noted();
        facts.survey().limbs().stream()
                .filter(limb -> limb.has(FaultKind.DEAD) && limb.overTarget().isPresent())
                .filter(limb -> limbs.stream()
                        .anyMatch(verdict -> verdict.limb().equals(limb)
                                && verdict.rule().filter(Rule.DECIDED::equals).isPresent()))
                .forEach(limb -> say(ReasonCode.DECIDED_DESPITE_DANGER, limb.id()));
        noted.consent().ifPresent(consent -> {
            if (consent == SurveyNotes.Consent.TO_ASK) {
                say(ReasonCode.CAUTION_CONSENT_ASK);
            } else if (consent == SurveyNotes.Consent.REFUSED) {
                say(ReasonCode.CAUTION_CONSENT_REFUSED);
            }
        });
        noted.beneath().stream().sorted().forEach(thing -> say(ReasonCode.CAUTION_BENEATH, thing));
        if (noted.fungus()) {
            say(ReasonCode.CAUTION_FUNGUS);
        }
        decay(noted);
        if (noted.tiesBite()) {
            say(ReasonCode.CAUTION_TIES_BITE);
        }
        boolean unionEntered = facts.survey().limbs().stream()
                .anyMatch(limb -> limb.has(FaultKind.NARROW_UNION) || limb.has(FaultKind.INCLUDED_BARK));
        if (noted.union().filter(union -> union != SurveyNotes.StemUnion.WIDE).isPresent() && !unionEntered) {
            say(ReasonCode.CAUTION_UNION);
        }
        noted.openWoundCm().ifPresent(wideCm -> say(ReasonCode.CAUTION_OPEN_WOUND, wideCm));
        noted.lopsidedFrom()
                .ifPresent(cause -> say(
                        cause == SurveyNotes.LopsidedFrom.UNKNOWN
                                ? ReasonCode.CAUTION_LOPSIDED_ASK
                                : ReasonCode.CAUTION_LOPSIDED,
                        cause));
        if (noted.hasFruited().filter(fruited -> !fruited).isPresent()) {
            say(ReasonCode.CAUTION_NOT_FRUITED);
        }
        boolean bends = limbs.stream().anyMatch(limb -> limb.verdict() == Verdict.BEND);
        if (bends && noted.habit().filter(SurveyNotes.Habit.UPRIGHT::equals).isPresent()) {
            say(ReasonCode.CAUTION_UPRIGHT_HABIT);
        }
        if (noted.lastCut().filter(SurveyNotes.LastCut.HARD::equals).isPresent()) {
            say(ReasonCode.CAUTION_CUT_HARD);
        }
    }

    private boolean thorny() {
        return facts.tree().species() == Species.GOOSEBERRY || facts.tree().species() == Species.POMEGRANATE;
    }

    private boolean anyCut(Reach reach) {
        return limbs.stream()
                .anyMatch(limb -> limb.cut().filter(cut -> cut.reach() == reach).isPresent());
    }

    private void beforeCutting() {
        if (limbs.stream().anyMatch(limb -> limb.cut().isPresent())) {
            say(ReasonCode.CAUTION_WILDLIFE_AND_LAW);
        }
    }

    private void theTree() {
        if (facts.tree().species() == Species.APPLE && facts.tree().bearing() == Bearing.UNKNOWN) {
            say(ReasonCode.CAUTION_BEARING_UNKNOWN);
        }
        boolean tips = facts.tree().bearing() == Bearing.TIP || facts.tree().bearing() == Bearing.PART_TIP;
        if (tips && limbs.stream().anyMatch(limb -> limb.verdict() == Verdict.SHORTEN)) {
            say(ReasonCode.CAUTION_TIP_BEARER);
        }
        boolean sick = facts.survey().limbs().stream().anyMatch(limb -> limb.has(FaultKind.DISEASED));
        if (sick) {
            say(ReasonCode.CAUTION_SICK_TREE);
        }
        boolean wounds = limbs.stream()
                .anyMatch(limb ->
                        limb.cut().filter(cut -> cut.kind() != CutKind.BEND).isPresent());
        if (wounds) {
            boolean sealed =
                    facts.traits().stone() && facts.survey().site().policy().sealing() == Policy.Sealing.STONE_FRUIT
                            || facts.tree().species() == Species.APRICOT
                                    && facts.survey().site().policy().apricot() == Policy.Apricot.WINTER_SEALED;
            say(sealed ? ReasonCode.CAUTION_WOUNDS_SEALED : ReasonCode.CAUTION_WOUNDS_OPEN);
        }
        if (limbs.stream().anyMatch(limb -> limb.verdict() == Verdict.BEND)) {
            say(ReasonCode.CAUTION_TIES);
        }
        int suckers = facts.tree().rootSuckers().orElse(0);
        if (suckers > 0) {
            say(ReasonCode.CAUTION_ROOT_SUCKERS, suckers);
        }
        if (facts.tree().inContainer()) {
            say(ReasonCode.CAUTION_CONTAINER);
        }
    }

    private void figures() {
        if (facts.survey().limbs().isEmpty()) {
            say(ReasonCode.CAUTION_NO_LIMBS);
            return;
        }
        double highestM = facts.survey().limbs().stream()
                .mapToDouble(facts.branching()::topM)
                .max()
                .orElseThrow();
        double heightM = facts.tree().heightM();
        if (Math.abs(highestM - heightM) > facts.figure(IMPLAUSIBLE_HEIGHT) * heightM) {
            say(ReasonCode.CAUTION_HEIGHT_DIFFERS, heightM, highestM);
        }
        for (Limb limb : facts.survey().limbs()) {
            Optional<Limb> parent = facts.branching().parentOf(limb);
            if (parent.isPresent() && limb.diameterCm() > parent.get().diameterCm()) {
                say(
                        ReasonCode.CAUTION_THICKER_THAN_PARENT,
                        limb.id(),
                        parent.get().id());
            }
            if (parent.isEmpty() && limb.diameterCm() > facts.tree().trunkDiameterCm() && !facts.bush()) {
                say(ReasonCode.CAUTION_THICKER_THAN_TRUNK, limb.id());
            }
            boolean unnamed = limb.faults().stream()
                    .anyMatch(fault ->
                            fault.kind() == FaultKind.RUBBING && fault.with().isEmpty());
            if (unnamed) {
                say(ReasonCode.CAUTION_PARTNER_UNNAMED, limb.id());
            }
        }
    }

    private void say(ReasonCode code, Object... arguments) {
        cautions.add(facts.reason(code, arguments));
    }
}
