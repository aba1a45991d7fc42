package org.diligentbough.core.verdict;

import static org.diligentbough.core.knowledge.Figure.BEAUTY_LENGTH_TIMES;
import static org.diligentbough.core.knowledge.Figure.FREE_BOTH_SIDES_DEG;
import static org.diligentbough.core.knowledge.Figure.GRAFT_GIVES_SHARE;
import static org.diligentbough.core.knowledge.Figure.MAINS_NEAR_DEG;
import static org.diligentbough.core.knowledge.Figure.MAINS_NEAR_M;
import static org.diligentbough.core.knowledge.Figure.NEARLY;
import static org.diligentbough.core.knowledge.Figure.STRONG_GRAFT_SHARE;
import static org.diligentbough.core.knowledge.Figure.TIER_APART_M;
import static org.diligentbough.core.knowledge.Figure.TIER_GAP_CM;
import static org.diligentbough.core.knowledge.Figure.TIER_NEAR_M;
import static org.diligentbough.core.knowledge.Figure.TIER_OUTGROWN_TIMES;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import java.util.stream.DoubleStream;
import org.diligentbough.core.knowledge.Reason;
import org.diligentbough.core.knowledge.ReasonCode;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Purpose;
import org.diligentbough.core.survey.Branching;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.core.survey.Role;

/** How many main branches stand, how they are spaced and shaped, and which of several cultivars has to give way. */
final class MainsRules {
    private final TreeFacts facts;
    private final Branching branching;

    MainsRules(TreeFacts facts) {
        this.facts = facts;
        this.branching = facts.branching();
    }

    /**
     * Too many mains on a neglected tree: the worst go, told as a choice. Least fruitful, nearest to another, steepest
     * first; never one with room on both sides.
     *
     * @param gone limbs that go by other rules
     * @param spared limbs that are not to go for this: another goes for them, or is cut back to them
     */
    Map<String, Finding> tooMany(Set<String> gone, Set<String> spared) {
        Map<String, Finding> findings = new HashMap<>();
        boolean applies = facts.untouched()
                && facts.traits().hasAllowance()
                && !facts.evergreen()
                && !facts.formWanted().trained()
                && !facts.young();
        if (!applies) {
            return findings;
        }
        List<Limb> mains = new ArrayList<>(branching.onTrunk().stream()
                .filter(branching::living)
                .filter(limb -> !gone.contains(limb.id()) && !facts.leader(limb))
                .toList());
        int wanted = facts.mainsWanted();
        int found = mains.size();
        while (mains.size() > wanted) {
            List<Limb> worst = mains.stream()
                    .filter(limb ->
                            !spared.contains(limb.id()) && !facts.onlyCleaned(limb) && !freeBothSides(limb, mains))
                    .sorted(worstFirst(mains))
                    .toList();
            if (worst.isEmpty()) {
                break;
            }
            Limb goes = worst.get(0);
            Optional<Limb> instead = worst.subList(1, worst.size()).stream()
                    .min(Comparator.comparing((Limb other) -> !near(goes, other)));
            List<Reason> reasons = new ArrayList<>();
            reasons.add(facts.reason(ReasonCode.TOO_MANY_MAINS, found, wanted));
            instead.ifPresent(other -> reasons.add(facts.reason(ReasonCode.OR_THIS_ONE, other.id())));
            findings.put(goes.id(), Finding.remove(Rule.TOO_MANY_MAINS, reasons.toArray(Reason[]::new)));
            mains.remove(goes);
        }
        return findings;
    }

    private Comparator<Limb> worstFirst(List<Limb> mains) {
        return Comparator.comparingInt((Limb limb) -> limb.fruiting().orElse(1))
                .thenComparingDouble(limb -> nearestDeg(limb, mains))
                .thenComparingDouble(limb -> -limb.angleDeg())
                .thenComparing(Branching.THICKEST_FIRST.reversed());
    }

    /** Degrees to the nearest other that leaves at about the same height; those far off count as alike. */
    private double nearestDeg(Limb limb, List<Limb> mains) {
        return mains.stream()
                .filter(other -> !other.equals(limb) && near(limb, other))
                .mapToDouble(other -> apartDeg(limb, other))
                .min()
                .orElse(facts.figure(MAINS_NEAR_DEG));
    }

    private boolean near(Limb limb, Limb other) {
        return apartDeg(limb, other) < facts.figure(MAINS_NEAR_DEG)
                && Math.abs(limb.originM() - other.originM()) < facts.figure(MAINS_NEAR_M);
    }

    private static double apartDeg(Limb limb, Limb other) {
        return Branching.apartDeg(limb.azimuthDeg(), other.azimuthDeg());
    }

    private boolean freeBothSides(Limb limb, List<Limb> mains) {
        return mains.stream()
                .filter(other -> !other.equals(limb))
                .allMatch(other -> apartDeg(limb, other) >= facts.figure(FREE_BOTH_SIDES_DEG));
    }

    /**
     * Out of shape, told as a question: in a leader tree a limb in the gap between tiers, and an upper tier's limb that
     * outgrows the tier below; for beauty a limb much longer than the others.
     */
    Map<String, Finding> outOfShape(Set<String> gone, Set<String> spared) {
        Map<String, Finding> findings = new HashMap<>();
        if (facts.young() || facts.bush() || facts.fig() || facts.evergreen()) {
            return findings;
        }
        List<Limb> mains = branching.onTrunk().stream()
                .filter(branching::living)
                .filter(limb -> !gone.contains(limb.id()) && !spared.contains(limb.id()))
                .filter(limb -> !facts.leader(limb) && !facts.onlyCleaned(limb))
                .toList();
        if (facts.formWanted() == Form.CENTRAL_LEADER) {
            betweenTiers(mains, findings);
            aboveOutgrowingBelow(mains, findings);
        }
        if (facts.tree().purpose() == Purpose.BEAUTY && mains.size() > 2) {
            double median = median(mains.stream().mapToDouble(Limb::lengthM));
            double most = facts.figure(BEAUTY_LENGTH_TIMES) * median;
            mains.stream()
                    .filter(limb -> limb.lengthM() > most)
                    .forEach(limb -> findings.putIfAbsent(
                            limb.id(),
                            shortenedOrGone(
                                    limb, most, facts.reason(ReasonCode.LONGER_THAN_OTHERS, limb.lengthM(), median))));
        }
        return findings;
    }

    /** The tiers of limbs that are said to be of one, lowest first: those that leave close together. */
    private List<List<Limb>> tiers(List<Limb> mains) {
        List<List<Limb>> tiers = new ArrayList<>();
        mains.stream()
                .filter(limb -> limb.is(Role.TIER))
                .sorted(Comparator.comparingDouble(Limb::originM))
                .forEach(limb -> {
                    boolean joins = !tiers.isEmpty()
                            && limb.originM()
                                            - tiers.get(tiers.size() - 1).get(0).originM()
                                    < facts.figure(TIER_APART_M);
                    if (!joins) {
                        tiers.add(new ArrayList<>());
                    }
                    tiers.get(tiers.size() - 1).add(limb);
                });
        return tiers;
    }

    private void betweenTiers(List<Limb> mains, Map<String, Finding> findings) {
        List<List<Limb>> tiers = tiers(mains);
        if (tiers.size() < 2) {
            return;
        }
        double lowestM = tiers.get(0).get(0).originM();
        double highestM = tiers.get(tiers.size() - 1).get(0).originM();
        for (Limb limb : mains) {
            boolean between = !limb.is(Role.TIER)
                    && limb.diameterCm() > facts.figure(TIER_GAP_CM)
                    && limb.originM() > lowestM
                    && limb.originM() < highestM
                    && tiers.stream()
                            .flatMap(Collection::stream)
                            .allMatch(of -> Math.abs(of.originM() - limb.originM()) > facts.figure(TIER_NEAR_M));
            if (between) {
                findings.put(limb.id(), Finding.remove(Rule.OUT_OF_SHAPE, facts.reason(ReasonCode.BETWEEN_TIERS)));
            }
        }
    }

    private void aboveOutgrowingBelow(List<Limb> mains, Map<String, Finding> findings) {
        List<List<Limb>> tiers = tiers(mains);
        for (int i = 1; i < tiers.size(); i++) {
            double meanCm = mean(tiers.get(i - 1), Limb::diameterCm);
            double meanM = mean(tiers.get(i - 1), Limb::lengthM);
            double borne = facts.figure(TIER_OUTGROWN_TIMES);
            for (Limb limb : tiers.get(i)) {
                if (limb.diameterCm() > borne * meanCm || limb.lengthM() > borne * meanM) {
                    findings.put(
                            limb.id(),
                            shortenedOrGone(
                                    limb,
                                    Math.min(meanM, limb.lengthM() * (1 - facts.figure(NEARLY))),
                                    facts.reason(
                                            ReasonCode.OUTGROWS_TIER_BELOW,
                                            limb.diameterCm(),
                                            limb.lengthM(),
                                            meanCm,
                                            meanM)));
                }
            }
        }
    }

    private Finding shortenedOrGone(Limb limb, double mostM, Reason why) {
        return facts.places().sideBranches(limb).stream()
                .filter(branch -> branch.originM() <= mostM && branch.originM() >= facts.leastKeptM(limb))
                .findFirst()
                .map(branch -> Finding.act(Rule.OUT_OF_SHAPE, Verdict.SHORTEN, CutPlaces.to(branch), why))
                .orElseGet(() -> Finding.remove(Rule.OUT_OF_SHAPE, why, facts.reason(ReasonCode.NO_SIDE_BRANCH)));
    }

    private static double mean(List<Limb> limbs, ToDoubleFunction<Limb> of) {
        return limbs.stream().mapToDouble(of).average().orElseThrow();
    }

    private static double median(DoubleStream values) {
        double[] sorted = values.sorted().toArray();
        int middle = sorted.length / 2;
        return sorted.length % 2 == 1 ? sorted[middle] : (sorted[middle - 1] + sorted[middle]) / 2;
    }

    /**
     * The cultivar that outgrows the others gives up its best-lit side limbs, bigger ones with the saw, some each year.
     *
     * @param light share of open-sky light on each limb; unknown counts as full
     */
    Map<String, Finding> strongGraft(Set<String> gone, Set<String> spared, Map<String, Double> light) {
        Map<String, Finding> findings = new HashMap<>();
        double over = facts.strongGraftShare() - facts.figure(STRONG_GRAFT_SHARE);
        if (over <= 0 || !facts.traits().hasAllowance()) {
            return findings;
        }
        List<Limb> bestLit = branching.outwards().stream()
                .filter(limb -> limb.parent().isPresent() && branching.living(limb) && facts.strongGraft(limb))
                .filter(limb -> !gone.contains(limb.id()) && !spared.contains(limb.id()) && !limb.is(Role.RENEWAL))
                .sorted(Comparator.comparingDouble((Limb limb) -> -Math.round(20 * light.getOrDefault(limb.id(), 1.0)))
                        .thenComparing(Branching.THICKEST_FIRST))
                .toList();
        double taken = 0;
        for (Limb limb : bestLit) {
            boolean withParent = limb.parent().filter(findings::containsKey).isPresent();
            double share = facts.shares().of(limb);
            if (!withParent && taken + share <= Math.min(over, facts.figure(GRAFT_GIVES_SHARE)) + TreeFacts.SAME) {
                taken += share;
                findings.put(
                        limb.id(),
                        Finding.remove(
                                Rule.STRONG_GRAFT,
                                facts.reason(ReasonCode.STRONG_GRAFT_GIVES, facts.strongGraftShare())));
            }
        }
        return findings;
    }
}
