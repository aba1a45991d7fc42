package org.diligentbough.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import org.diligentbough.core.verdict.Decision;
import org.diligentbough.core.verdict.OwnAllowance;

/**
 * What people want of a tree's plan other than the rules would make it. The rules fill in around it.
 *
 * @param years pruning years to plan over, one at least; empty leaves it to the survey and the judgement
 * @param allowance of this tree, where it is not the site's
 * @param pins cuts moved to a time
 * @param decisions cuts forbidden, as limbs to keep, and cuts added that the judgement did not propose
 * @param insisted limbs whose cut is to be made first, whatever that breaks
 * @param split limbs to be shortened one year and removed another
 * @param kept the cuts of the plan that is kept: no other is planned; empty when none is kept
 */
public record Wishes(
        OptionalInt years,
        Optional<OwnAllowance> allowance,
        List<Pin> pins,
        List<Decision> decisions,
        Set<String> insisted,
        Set<String> split,
        Optional<Set<CutKey>> kept) {
    /** All left to the rules. */
    public static final Wishes NONE =
            new Wishes(OptionalInt.empty(), Optional.empty(), List.of(), List.of(), Set.of(), Set.of());

    public Wishes {
        pins = List.copyOf(pins);
        decisions = List.copyOf(decisions);
        insisted = Set.copyOf(insisted);
        split = Set.copyOf(split);
        kept = kept.map(Set::copyOf);
    }

    /** With no plan that is kept. */
    public Wishes(
            OptionalInt years,
            Optional<OwnAllowance> allowance,
            List<Pin> pins,
            List<Decision> decisions,
            Set<String> insisted,
            Set<String> split) {
        this(years, allowance, pins, decisions, insisted, split, Optional.empty());
    }

    /** Only cuts moved. */
    public static Wishes moved(List<Pin> pins) {
        return new Wishes(OptionalInt.empty(), Optional.empty(), pins, List.of(), Set.of(), Set.of());
    }

    /** The same over another number of years. */
    public Wishes over(OptionalInt otherYears) {
        return new Wishes(otherYears, allowance, pins, decisions, insisted, split, kept);
    }

    /** The same with a plan that is kept; what was moved since stands where it was moved to. */
    public Wishes keeping(List<Pin> cuts) {
        List<Pin> all = new ArrayList<>(pins);
        cuts.stream()
                .filter(cut ->
                        pins.stream().noneMatch(other -> other.limb().equals(cut.limb()) && other.kind() == cut.kind()))
                .forEach(all::add);
        Set<CutKey> kept =
                cuts.stream().map(cut -> new CutKey(cut.limb(), cut.kind())).collect(Collectors.toSet());
        return new Wishes(years, allowance, all, decisions, insisted, split, Optional.of(kept));
    }
}
