package org.diligentbough.core.verdict;

import static org.diligentbough.core.knowledge.Figure.ALIKE_HEIGHT_M;
import static org.diligentbough.core.knowledge.Figure.ALIKE_RATIO;
import static org.diligentbough.core.knowledge.Figure.LARGE_SHARE;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.FaultKind;
import org.diligentbough.core.survey.Limb;

/**
 * What lies between two limbs: a split-prone union, rubbing, crowding. A finding lapses when either limb goes for another
 * cause, so the pairs are settled after everything else.
 */
final class PairRules {
    private final TreeFacts facts;
    private final Branching branching;
    private final List<Pair> pairs = new ArrayList<>();

    /** Two limbs of which one should go. */
    private record Pair(Rule rule, Limb loser, Limb winner, boolean barkPressedIn) {}

    PairRules(TreeFacts facts) {
        this.facts = facts;
        this.branching = facts.branching();
        for (Limb limb : branching.outwards()) {
            limb.partners(FaultKind.INCLUDED_BARK).forEach(with -> union(limb, with, true));
            limb.partners(FaultKind.NARROW_UNION).forEach(with -> union(limb, with, false));
            unnamedUnion(limb);
            limb.partners(FaultKind.RUBBING).forEach(with -> rubbing(limb, branching.get(with)));
            if (!facts.evergreen() && !facts.bush()) {
                limb.partners(FaultKind.CROWDED).forEach(with -> crowded(limb, branching.get(with)));
            }
        }
        pairs.sort(Comparator.comparing(Pair::rule)
                .thenComparing(pair -> pair.winner().id()));
    }

    private void union(Limb limb, String with, boolean barkPressedIn) {
        // A fork may split, however weak the tree is among others; a weak cultivar's is not the tree's.
        if (!facts.bush() && !(facts.weakGraft(limb) && facts.weakGraft(branching.get(with)))) {
            Limb other = branching.get(with);
            Limb loser = protectedOne(limb, other).orElseGet(() -> lessSound(limb, other));
            add(Rule.SPLIT_UNION, loser, limb, other, barkPressedIn);
        }
    }

    /** A weak cultivar, and a tree weaker than its group, is only cleaned: pairs stay. */
    private boolean bothSpared(Limb limb, Limb other) {
        return facts.onlyCleaned(limb) && facts.onlyCleaned(other);
    }

    /** A narrow union of a side limb with no partner named is the one with the limb it grows from. */
    private void unnamedUnion(Limb limb) {
        boolean unnamed = limb.faults().stream()
                .anyMatch(fault -> (fault.kind() == FaultKind.INCLUDED_BARK || fault.kind() == FaultKind.NARROW_UNION)
                        && fault.with().isEmpty());
        if (unnamed) {
            branching.parentOf(limb).ifPresent(parent -> union(limb, parent.id(), limb.has(FaultKind.INCLUDED_BARK)));
        }
    }

    /** The smaller goes; of two alike the one crossing the middle, then the one on top; in bushes the older, less fruitful. */
    private void rubbing(Limb limb, Limb other) {
        if (bothSpared(limb, other)) {
            return;
        }
        boolean alike = Math.abs(limb.diameterCm() - other.diameterCm())
                <= facts.figure(ALIKE_RATIO) * Math.max(limb.diameterCm(), other.diameterCm()) + TreeFacts.SAME;
        Limb loser = protectedOne(limb, other)
                .orElseGet(() -> facts.bush()
                        ? olderAndLessFruitful(limb, other)
                        : alike ? crossingOrOnTop(limb, other) : thinner(limb, other));
        add(Rule.RUBBING, loser, limb, other, false);
    }

    private static Limb olderAndLessFruitful(Limb limb, Limb other) {
        return Comparator.comparingInt((Limb one) -> -one.woodYears().orElse(0))
                                .thenComparingInt(one -> one.fruiting().orElse(0))
                                .thenComparing(Branching.THICKEST_FIRST.reversed())
                                .compare(limb, other)
                        <= 0
                ? limb
                : other;
    }

    /** Where only one of two is said to be crowded, that one is the limb in between. */
    private void crowded(Limb limb, Limb other) {
        if (bothSpared(limb, other)) {
            return;
        }
        boolean mutual = other.partners(FaultKind.CROWDED).anyMatch(limb.id()::equals);
        Limb loser = protectedOne(limb, other).orElseGet(() -> mutual ? lessFruitful(limb, other) : limb);
        add(Rule.CROWDED, loser, limb, other, false);
    }

    private void add(Rule rule, Limb loser, Limb limb, Limb other, boolean barkPressedIn) {
        Limb winner = loser.equals(limb) ? other : limb;
        boolean known = pairs.stream()
                .anyMatch(pair -> pair.rule() == rule
                        && (pair.loser().equals(loser) && pair.winner().equals(winner)
                                || pair.loser().equals(winner) && pair.winner().equals(loser)));
        if (!known) {
            pairs.add(new Pair(rule, loser, winner, barkPressedIn));
        }
    }

    /** The one that must go because the other cannot: what the other grows from, a leader, a weaker cultivar. */
    private Optional<Limb> protectedOne(Limb limb, Limb other) {
        if (branching.growsFrom(limb, other) || facts.leader(other)) {
            return Optional.of(limb);
        }
        if (branching.growsFrom(other, limb) || facts.leader(limb)) {
            return Optional.of(other);
        }
        if (facts.weakGraft(limb) != facts.weakGraft(other)) {
            return Optional.of(facts.weakGraft(limb) ? other : limb);
        }
        return Optional.empty();
    }

    private static Limb thinner(Limb limb, Limb other) {
        return Branching.THICKEST_FIRST.compare(limb, other) < 0 ? other : limb;
    }

    private Limb crossingOrOnTop(Limb limb, Limb other) {
        boolean crosses = crosses(limb);
        if (crosses != crosses(other)) {
            return crosses ? limb : other;
        }
        double above = branching.pointAt(limb, limb.lengthM() / 2).upM()
                - branching.pointAt(other, other.lengthM() / 2).upM();
        if (Math.abs(above) < facts.figure(ALIKE_HEIGHT_M)) {
            return thinner(limb, other);
        }
        return above > 0 ? limb : other;
    }

    private static boolean crosses(Limb limb) {
        return limb.has(FaultKind.CROSSING_CENTRE) || limb.has(FaultKind.INWARD);
    }

    /** Keep the sounder, then the better placed, then the stouter. */
    private Limb lessSound(Limb limb, Limb other) {
        return Comparator.comparingInt(PairRules::unsoundness)
                                .thenComparingInt(PairRules::misplacement)
                                .thenComparingDouble(this::offGoodAngle)
                                .thenComparing(Branching.THICKEST_FIRST)
                                .compare(limb, other)
                        <= 0
                ? other
                : limb;
    }

    private static int unsoundness(Limb limb) {
        return (int) limb.faults().stream()
                .filter(fault -> switch (fault.kind()) {
                    case DEAD, DISEASED, BROKEN, TIP_DIEBACK, CRACKED, STUB -> true;
                    default -> false;
                })
                .count();
    }

    private static int misplacement(Limb limb) {
        return (int) limb.faults().stream()
                .filter(fault -> switch (fault.kind()) {
                    case CROSSING_CENTRE, INWARD, UPRIGHT_UNFRUITFUL, WEEPING, LOW, SHADED, ENCROACHING, OVERLONG ->
                        true;
                    default -> false;
                })
                .count();
    }

    /** Degrees by which a limb misses the angles at which its kind fruits best; those about alike count the same. */
    private double offGoodAngle(Limb limb) {
        double off = Math.max(
                0,
                Math.max(
                        facts.traits().fruitfulFromDeg() - limb.angleDeg(),
                        limb.angleDeg() - facts.traits().fruitfulToDeg()));
        return Math.round(off / 10);
    }

    private static Limb lessFruitful(Limb limb, Limb other) {
        return Comparator.comparingInt((Limb one) -> -one.fruiting().orElse(0))
                                .thenComparing(Branching.THICKEST_FIRST)
                                .compare(limb, other)
                        <= 0
                ? other
                : limb;
    }

    /**
     * Who goes, when the limbs in {@code gone} go anyway: for each loser its finding. A limb loses only against one that
     * stands; one that goes anyway may lose as well, since an earlier row then gives its verdict.
     */
    Map<String, Finding> settle(Set<String> gone) {
        Map<String, Finding> findings = new HashMap<>();
        Map<String, Boolean> standing = new HashMap<>();
        for (Limb limb : branching.outwards()) {
            stands(limb, gone, standing, new HashSet<>(), findings);
        }
        return findings;
    }

    private boolean stands(
            Limb limb,
            Set<String> gone,
            Map<String, Boolean> standing,
            Set<String> asked,
            Map<String, Finding> findings) {
        Boolean known = standing.get(limb.id());
        if (known != null) {
            return known;
        }
        if (!asked.add(limb.id())) {
            return true;
        }
        boolean held = branching
                .parentOf(limb)
                .map(parent -> stands(parent, gone, standing, asked, findings))
                .orElse(true);
        Optional<Pair> lost = pairs.stream()
                .filter(pair -> held && pair.loser().equals(limb))
                .filter(pair -> stands(pair.winner(), gone, standing, asked, findings))
                .findFirst();
        lost.ifPresent(pair -> findings.put(limb.id(), finding(pair)));
        boolean stands = held && lost.isEmpty() && !gone.contains(limb.id());
        standing.put(limb.id(), stands);
        return stands;
    }

    /** Takes back what was found of limbs whose other one goes all the same; returns whether anything was. */
    boolean lapse(Findings findings) {
        Set<String> gone = findings.gone();
        boolean any = false;
        for (Pair pair : pairs) {
            boolean losesToAnother = pairs.stream()
                    .anyMatch(other -> other.rule() == pair.rule()
                            && other.loser().equals(pair.loser())
                            && !gone.contains(other.winner().id()));
            if (gone.contains(pair.winner().id()) && !losesToAnother) {
                any |= findings.takeBack(pair.loser(), pair.rule());
            }
        }
        return any;
    }

    /** Whether another limb goes for this one, so that this one is not to go as well. */
    boolean won(Limb limb, Findings findings) {
        return pairs.stream()
                .anyMatch(pair -> pair.winner().equals(limb)
                        && findings.of(pair.loser()).stream().anyMatch(finding -> finding.rule() == pair.rule()));
    }

    /** The stems kept where a union was judged: they may be thicker than half the limb they grow from. */
    boolean keptInUnion(Limb limb) {
        return pairs.stream()
                .anyMatch(
                        pair -> pair.rule() == Rule.SPLIT_UNION && pair.winner().equals(limb));
    }

    private Finding finding(Pair pair) {
        Limb loser = pair.loser();
        Limb winner = pair.winner();
        return switch (pair.rule()) {
            case SPLIT_UNION -> {
                List<Reason> reasons = new ArrayList<>();
                reasons.add(facts.reason(
                        pair.barkPressedIn() ? ReasonCode.INCLUDED_BARK : ReasonCode.NARROW_UNION, winner.id()));
                double share = facts.shares().of(loser);
                if (share >= facts.figure(LARGE_SHARE)) {
                    reasons.add(facts.reason(ReasonCode.BARE_SIDE, share));
                }
                boolean seen = loser.has(FaultKind.CRACKED)
                        || winner.has(FaultKind.CRACKED)
                        || (loser.parent().isEmpty() && facts.tree().trunk().cracked());
                // A crack is fresh unless it is known to have callused over.
                boolean crack = seen && facts.tree().trunk().crackFresh().orElse(true);
                yield Finding.remove(Rule.SPLIT_UNION, reasons.toArray(Reason[]::new))
                        .urgentIf(crack ? Optional.of(facts.reason(ReasonCode.UNION_CRACKED)) : Optional.empty());
            }
            case RUBBING -> {
                Reason which = winner.diameterCm() > loser.diameterCm() * (1 + facts.figure(ALIKE_RATIO))
                        ? facts.reason(ReasonCode.RUBBING_SMALLER, winner.id())
                        : facts.reason(ReasonCode.RUBBING_WORSE_PLACED, winner.id());
                yield Finding.remove(Rule.RUBBING, which);
            }
            default -> Finding.remove(Rule.CROWDED, facts.reason(ReasonCode.CROWDED_WITH, winner.id()));
        };
    }
}
