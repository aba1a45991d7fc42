package org.diligentbough.core.verdict;

import java.util.List;
import java.util.Optional;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.orchard.SpeciesTraits;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.LivingCrown;

/**
 * The judgement of one limb.
 *
 * @param crownShare share of the living crown on it and its side limbs, 0 to 1
 * @param rule that gave the verdict; empty when it goes with another limb
 * @param behind rules that would have done or said something too, in the order of the table
 * @param urgent whether it cannot wait for a window or an allowance
 * @param anySeason whether it may be cut outside the species' windows
 * @param reasons why, the deciding one first
 * @param whyNot of a limb that stays: what it comes near to, and why that is not it
 * @param cut what is done, for verdicts that do something
 */
public record LimbVerdict(
        Limb limb,
        double crownShare,
        Verdict verdict,
        Optional<Rule> rule,
        List<Rule> behind,
        boolean urgent,
        boolean anySeason,
        List<Reason> reasons,
        List<Reason> whyNot,
        Optional<Cut> cut) {
    public LimbVerdict {
        behind = List.copyOf(behind);
        reasons = List.copyOf(reasons);
        whyNot = List.copyOf(whyNot);
    }

    /** The limb's tag. */
    public String tag() {
        return limb.id();
    }

    /** Whether it waits for nobody: it is urgent, or the wood is dead, diseased or broken. */
    public boolean must() {
        return urgent || rule.filter(Rule::must).isPresent();
    }

    /** Whether it is the yearly work of its kind on young and fruiting wood, which no allowance holds back. */
    public boolean ownWork(SpeciesTraits traits) {
        boolean renewed = traits.group() == SpeciesTraits.Group.PEACH
                && rule.filter(Rule.RENEWAL::equals).isPresent();
        return cut.isPresent()
                && (renewed || rule.filter(Rule.KIND_WOOD::equals).isPresent());
    }

    /** Whether its cut is the topping of growing shoots, which has a time of its own. */
    public boolean topping() {
        return cut.filter(how -> how.place().kind() == CutKind.TOPPING).isPresent();
    }

    /** Whether it is one of the few cuts that change a neglected tree. */
    public boolean strategic() {
        return cut.isPresent() && rule.filter(Rule::strategic).isPresent();
    }

    /** Takes off a crown what the verdict takes of the limb; the share of the crown as surveyed that went. */
    public double takenFrom(LivingCrown crown) {
        return verdict.takenFrom(
                crown, limb, cut.map(one -> one.place().alongM()).orElse(0.0));
    }
}
