package org.diligentbough.core.verdict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.LivingCrown;

/** All that was found of the limbs of a tree so far, and what follows from it. Grows while the rules are gone through. */
final class Findings {
    private static final Comparator<Finding> IN_ORDER = Comparator.comparing(Finding::rule);

    private final TreeFacts facts;
    private final Map<String, List<Finding>> byLimb = new HashMap<>();

    Findings(TreeFacts facts) {
        this.facts = facts;
        facts.branching().outwards().forEach(limb -> byLimb.put(limb.id(), new ArrayList<>()));
    }

    void add(String limb, Finding finding) {
        List<Finding> own = byLimb.get(limb);
        own.add(finding);
        own.sort(IN_ORDER);
    }

    void addAll(Map<String, Finding> found) {
        found.forEach(this::add);
    }

    /** Takes back what a rule found of a limb; returns whether it had found anything. */
    boolean takeBack(Limb limb, Rule rule) {
        return byLimb.get(limb.id()).removeIf(finding -> finding.rule() == rule);
    }

    /** What was found of a limb, in the order of the table. */
    List<Finding> of(Limb limb) {
        return byLimb.get(limb.id());
    }

    /**
     * What decides of a limb: the first that does something, but what removes it goes before its height, and what was
     * decided by people before all. A cut that some other finding wants further in is made there.
     */
    Optional<Finding> deciding(Limb limb) {
        List<Finding> own = of(limb);
        Optional<Finding> decided =
                own.stream().filter(finding -> finding.rule() == Rule.DECIDED).findFirst();
        if (decided.isPresent()) {
            return decided;
        }
        Optional<Finding> first = own.stream().filter(Finding::acts).findFirst();
        if (first.isEmpty()) {
            return own.stream().findFirst();
        }
        boolean height = first.get().rule() == Rule.TOO_HIGH && first.get().verdict() != Verdict.REMOVE;
        Optional<Finding> removed = height
                ? own.stream()
                        .filter(finding -> finding.verdict() == Verdict.REMOVE)
                        .findFirst()
                : Optional.empty();
        return removed.or(() -> first.map(finding -> furthestIn(finding, own)));
    }

    /** A limb cut for its height that also has to end sooner, for what lies beneath or beside it, is cut there. */
    private static Finding furthestIn(Finding first, List<Finding> own) {
        if (first.verdict() != Verdict.SHORTEN) {
            return first;
        }
        return own.stream()
                .filter(finding -> finding.verdict() == Verdict.SHORTEN)
                .filter(finding -> finding == first || finding.rule() == Rule.LOW || finding.rule() == Rule.ENCROACHING)
                .map(finding -> finding.place().orElseThrow())
                .min(Comparator.comparingDouble(Place::alongM))
                .map(first::at)
                .orElse(first);
    }

    /** The limbs that go by what was found so far, with all that grows from them beyond the cut. */
    Set<String> gone() {
        Set<String> gone = new HashSet<>();
        Map<String, Double> cutAtM = new HashMap<>();
        for (Limb limb : facts.branching().outwards()) {
            Optional<Finding> deciding = deciding(limb);
            boolean withParent = limb.parent()
                    .filter(parent ->
                            gone.contains(parent) || limb.originM() > cutAtM.getOrDefault(parent, Double.MAX_VALUE))
                    .isPresent();
            if (withParent
                    || deciding.filter(found -> found.verdict() == Verdict.REMOVE)
                            .isPresent()) {
                gone.add(limb.id());
            }
            deciding.filter(finding -> finding.verdict() == Verdict.SHORTEN)
                    .flatMap(Finding::place)
                    .ifPresent(place -> cutAtM.put(limb.id(), place.alongM()));
        }
        return gone;
    }

    /** The branches that other limbs are cut back to: they stay, however thick. */
    Set<String> takingOver() {
        Set<String> gone = gone();
        Set<String> found = new HashSet<>();
        for (Limb limb : facts.branching().outwards()) {
            if (!gone.contains(limb.id())) {
                deciding(limb)
                        .filter(Finding::acts)
                        .flatMap(Finding::place)
                        .flatMap(Place::sideBranch)
                        .ifPresent(found::add);
            }
        }
        return found;
    }

    /** What is left of the crown when all that was found is done. */
    LivingCrown crownAfter() {
        Branching branching = facts.branching();
        LivingCrown crown = new LivingCrown(branching, facts.shares());
        for (Limb limb : branching.outwards()) {
            deciding(limb).ifPresent(finding -> finding.verdict()
                    .takenFrom(crown, limb, finding.place().map(Place::alongM).orElse(0.0)));
        }
        return crown;
    }
}
