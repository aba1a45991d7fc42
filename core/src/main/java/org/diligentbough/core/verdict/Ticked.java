package org.diligentbough.core.verdict;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.survey.Fault;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;

/** Faults that were ticked and on which no rule acts, each with why: nothing a surveyor says is passed over in silence. */
final class Ticked {
    private final TreeFacts facts;

    Ticked(TreeFacts facts) {
        this.facts = facts;
    }

    /**
     * @param found what was found of the limb
     * @param gone limbs that go
     */
    List<Reason> unused(Limb limb, List<Finding> found, Set<String> gone) {
        List<Reason> said = new ArrayList<>();
        for (Fault fault : limb.faults()) {
            List<Rule> answers = answers(fault.kind());
            boolean answered = found.stream().anyMatch(finding -> answers.contains(finding.rule()));
            if (!answered) {
                why(limb, fault, gone).filter(reason -> !said.contains(reason)).ifPresent(said::add);
            }
        }
        return said;
    }

    /** The rules that answer to a fault. */
    private static List<Rule> answers(FaultKind kind) {
        return switch (kind) {
            case DEAD -> List.of(Rule.DEAD);
            case TIP_DIEBACK -> List.of(Rule.DEAD, Rule.DISEASED);
            case DISEASED -> List.of(Rule.DISEASED);
            case BROKEN, STUB -> List.of(Rule.DAMAGED);
            case CRACKED -> List.of(Rule.DAMAGED, Rule.SPLIT_UNION);
            case NARROW_UNION, INCLUDED_BARK -> List.of(Rule.SPLIT_UNION);
            case RUBBING -> List.of(Rule.RUBBING);
            case CROSSING_CENTRE, INWARD -> List.of(Rule.INTO_CENTRE);
            case UPRIGHT_SHOOT -> List.of(Rule.UPRIGHT_SHOOT);
            case UPRIGHT_UNFRUITFUL -> List.of(Rule.UPRIGHT_UNFRUITFUL);
            case WEEPING -> List.of(Rule.WEEPING);
            case LOW -> List.of(Rule.LOW);
            case SHADED -> List.of(Rule.SHADED_UNDERNEATH);
            case CROWDED -> List.of(Rule.CROWDED);
            case ENCROACHING -> List.of(Rule.ENCROACHING);
            case SPENT -> List.of(Rule.RENEWAL);
            case OVERLONG -> List.of(Rule.OVERLONG);
            case BELOW_GRAFT -> List.of(Rule.BELOW_GRAFT);
        };
    }

    private Optional<Reason> why(Limb limb, Fault fault, Set<String> gone) {
        FaultKind kind = fault.kind();
        if (kind == FaultKind.DISEASED) {
            // Said with the disease.
            return Optional.empty();
        }
        return Optional.of(
                facts.onlyCleaned(limb)
                        ? facts.reason(
                                facts.weakGraft(limb) ? ReasonCode.TICKED_WEAK_GRAFT : ReasonCode.TICKED_WEAK_IN_GROUP,
                                kind)
                        : kind.paired() ? whyOfPair(limb, fault, gone) : whyOfOne(limb, kind));
    }

    private Reason whyOfPair(Limb limb, Fault fault, Set<String> gone) {
        if (fault.with().isEmpty()) {
            return facts.reason(ReasonCode.TICKED_NOBODY_NAMED, fault.kind());
        }
        String other = fault.with().get();
        if (gone.contains(other)) {
            return facts.reason(ReasonCode.TICKED_OTHER_GOES, fault.kind(), other);
        }
        return gone.contains(limb.id())
                ? facts.reason(ReasonCode.TICKED_GOES_ANYWAY, fault.kind())
                : kindBears(fault.kind());
    }

    private Reason whyOfOne(Limb limb, FaultKind kind) {
        return switch (kind) {
            case CROSSING_CENTRE, INWARD ->
                facts.leader(limb)
                        ? facts.reason(ReasonCode.TICKED_LEADER, kind)
                        : facts.reason(ReasonCode.TICKED_FORM_BEARS, kind, facts.formWanted());
            case LOW -> facts.wildlife() ? facts.reason(ReasonCode.TICKED_PURPOSE_BEARS, kind) : kindBears(kind);
            case SHADED ->
                limb.fruitsAtLeast(2)
                        ? facts.reason(ReasonCode.TICKED_BEARS_WELL, kind)
                        : facts.evergreen() || facts.bush()
                                ? kindBears(kind)
                                : facts.reason(ReasonCode.TICKED_YOUNG_WOOD, kind);
            default -> kindBears(kind);
        };
    }

    private Reason kindBears(FaultKind kind) {
        return facts.reason(ReasonCode.TICKED_KIND_BEARS, kind, facts.tree().species());
    }
}
