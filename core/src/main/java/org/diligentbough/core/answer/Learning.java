package org.diligentbough.core.answer;

import static org.diligentbough.core.knowledge.Figure.LEARN_CASE_SPREAD;
import static org.diligentbough.core.knowledge.Figure.LEARN_PRIOR_SPREAD;
import static org.diligentbough.core.knowledge.Figure.LEARN_TOO_HARD_SHOOTS;
import static org.diligentbough.core.knowledge.Figure.LEARN_TOO_HARD_TIMES;
import static org.diligentbough.core.knowledge.Figure.OUTLOOK_SHOOTS;
import static org.diligentbough.core.knowledge.Figure.OUTLOOK_SHOOT_M;
import static org.diligentbough.core.knowledge.Figure.OUTLOOK_SUMMER_REGROWTH;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.diligentbough.core.answer.Learned.Group;
import org.diligentbough.core.answer.Learned.What;
import org.diligentbough.core.answer.TreeHistory.Regrown;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.season.Season;
import org.hipparchus.distribution.continuous.GammaDistribution;
import org.hipparchus.distribution.continuous.NormalDistribution;

/**
 * Learns from an orchard's own records.
 *
 * <p>Shoots are Poisson with a mean of lambda by exposure, lambda a gamma about the shipped figure: a further record adds its
 * shoots to the shape and its exposure to the rate. Where other groups of the orchard have records too, the shipped figure is
 * first moved as they say, towards the group's own records and never past them. Lengths, minutes, kilos and closing are
 * log-normal about a factor whose logarithm is normal about nought.
 */
public final class Learning {
    private static final double UPPER = 0.9;
    private static final double LOWER = 0.1;
    private static final double CM_A_M = 100;
    private static final double LEAST = 1e-6;

    private final Knowledge knowledge;
    private final double priorSpread;

    public Learning(Knowledge knowledge) {
        this.knowledge = knowledge;
        this.priorSpread = knowledge.get(LEARN_PRIOR_SPREAD);
    }

    /** What was reckoned for something, and what it came to; both over 0. */
    public record Case(double reckoned, double came) {
        private double log() {
            return Math.log(came / reckoned);
        }
    }

    /** A cut that was answered by far more shoots than it should have been: it took too much. */
    public record TooHard(String label, Regrown regrown, double expected) {}

    /** Shoots to be expected for each m2 of leaf cut and share of the crown, as shipped: half as many to a cut in leaf. */
    public double shippedShoots(Season season) {
        return knowledge.get(OUTLOOK_SHOOTS) * (inLeaf(season) ? knowledge.get(OUTLOOK_SUMMER_REGROWTH) : 1);
    }

    private static boolean inLeaf(Season season) {
        return season == Season.EARLY_SUMMER || season == Season.SUMMER || season == Season.AFTER_PICKING;
    }

    /** One kind's records of regrowth after cuts of one way in one season. */
    private record Regrowths(double shipped, int shoots, double exposure, int cases) {
        private Regrowths and(Regrown more) {
            return new Regrowths(shipped, shoots + more.shoots(), exposure + more.exposure(), cases + 1);
        }
    }

    /** Regrowth by kind, season and way of cutting; nothing where there are no records. */
    public List<Learned> regrowth(List<TreeHistory> trees) {
        Map<Group, Regrowths> groups = new LinkedHashMap<>();
        for (TreeHistory tree : trees) {
            for (Regrown one : tree.regrowth()) {
                Group group = new Group(
                        Optional.of(tree.species()),
                        Optional.of(one.season()),
                        Optional.of(one.way()),
                        Optional.empty());
                groups.merge(
                        group,
                        new Regrowths(shippedShoots(one.season()), one.shoots(), one.exposure(), 1),
                        (known, more) -> known.and(one));
            }
        }
        List<Learned> learned = new ArrayList<>();
        groups.forEach((group, own) -> {
            if (own.exposure() > 0) {
                learned.add(regrowth(group, own, prior(group, groups)));
            }
        });
        return learned;
    }

    /** The shipped figure, moved as the other groups say towards a group's own records. */
    private double prior(Group group, Map<Group, Regrowths> groups) {
        double shape = 1 / (priorSpread * priorSpread);
        double shoots = shape;
        double expected = shape;
        for (Map.Entry<Group, Regrowths> other : groups.entrySet()) {
            if (!other.getKey().equals(group)) {
                shoots += other.getValue().shoots();
                expected += other.getValue().shipped() * other.getValue().exposure();
            }
        }
        Regrowths own = groups.get(group);
        double moved = own.shipped() * Math.sqrt(shoots / expected); // half of what they say, as logarithms go
        double records = own.shoots() / own.exposure();
        return Math.max(Math.min(own.shipped(), records), Math.min(Math.max(own.shipped(), records), moved));
    }

    private Learned regrowth(Group group, Regrowths own, double prior) {
        double shape = 1 / (priorSpread * priorSpread);
        double a = shape + own.shoots();
        double b = shape / Math.max(LEAST, prior) + own.exposure();
        GammaDistribution posterior = new GammaDistribution(a, 1 / b);
        return new Learned(
                What.REGROWTH,
                group,
                own.shipped(),
                a / b,
                posterior.inverseCumulativeProbability(LOWER),
                posterior.inverseCumulativeProbability(UPPER),
                own.cases());
    }

    /** Regrowth after cuts while dormant of all kinds and ways together; empty where there are no records. */
    public Optional<Learned> dormantRegrowth(List<TreeHistory> trees) {
        Regrowths all = regrowths(trees, false);
        return all.exposure() > 0 ? Optional.of(regrowth(Group.work("all"), all, all.shipped())) : Optional.empty();
    }

    /** Regrowth after cuts while dormant by kind, each drawn to what the others say. */
    public List<Learned> dormantRegrowthByKind(List<TreeHistory> trees) {
        Map<Group, Regrowths> groups = new LinkedHashMap<>();
        trees.stream()
                .collect(Collectors.groupingBy(TreeHistory::species, TreeMap::new, Collectors.toList()))
                .forEach((kind, ofKind) -> groups.put(Group.of(kind), regrowths(ofKind, false)));
        groups.values().removeIf(one -> one.exposure() <= 0);
        return groups.entrySet().stream()
                .map(one -> regrowth(one.getKey(), one.getValue(), prior(one.getKey(), groups)))
                .toList();
    }

    /**
     * How many times as many shoots answer a cut in leaf as one while dormant: Poisson about that many times what is learned of
     * dormant cuts, a gamma about the shipped figure. Empty where there are no records of cuts in leaf.
     */
    public Optional<Learned> summerRegrowth(List<TreeHistory> trees) {
        Regrowths inLeaf = regrowths(trees, true);
        double dormant = dormantRegrowth(trees).map(Learned::value).orElse(knowledge.get(OUTLOOK_SHOOTS));
        if (inLeaf.exposure() <= 0) {
            return Optional.empty();
        }
        double shipped = knowledge.get(OUTLOOK_SUMMER_REGROWTH);
        Regrowths times = new Regrowths(shipped, inLeaf.shoots(), dormant * inLeaf.exposure(), inLeaf.cases());
        return Optional.of(regrowth(Group.work("in-leaf"), times, shipped));
    }

    /** What is recorded of regrowth after cuts in leaf, or after all others. */
    private Regrowths regrowths(List<TreeHistory> trees, boolean inLeaf) {
        Regrowths sum = new Regrowths(knowledge.get(OUTLOOK_SHOOTS), 0, 0, 0);
        for (TreeHistory tree : trees) {
            for (Regrown one : tree.regrowth()) {
                if (inLeaf(one.season()) == inLeaf) {
                    sum = sum.and(one);
                }
            }
        }
        return sum;
    }

    /** Length of the longest shoots by kind, cm. */
    public List<Learned> length(List<TreeHistory> trees) {
        return factors(
                What.LENGTH,
                shippedCm(),
                trees.stream()
                        .collect(Collectors.groupingBy(
                                tree -> Group.of(tree.species()),
                                LinkedHashMap::new,
                                Collectors.flatMapping(this::lengths, Collectors.toList()))));
    }

    /** The same of all kinds together; empty where there are no records. */
    public Optional<Learned> lengthOfAll(List<TreeHistory> trees) {
        List<Case> cases = trees.stream().flatMap(this::lengths).toList();
        return cases.isEmpty()
                ? Optional.empty()
                : Optional.of(factor(What.LENGTH, Group.work("all"), shippedCm(), cases));
    }

    private double shippedCm() {
        return knowledge.get(OUTLOOK_SHOOT_M) * CM_A_M;
    }

    private Stream<Case> lengths(TreeHistory tree) {
        return tree.regrowth().stream()
                .filter(one -> one.longestCm().orElse(0) > 0)
                .map(one -> new Case(shippedCm(), one.longestCm().getAsDouble()));
    }

    /** A factor on what was reckoned, by group. */
    public List<Learned> factors(What what, double shipped, Map<Group, List<Case>> groups) {
        return groups.entrySet().stream()
                .filter(group -> !group.getValue().isEmpty())
                .map(group -> factor(what, group.getKey(), shipped, group.getValue()))
                .toList();
    }

    /** One factor: the mean of the logarithms, drawn towards nought by as much as the shipped figure is trusted. */
    public Learned factor(What what, Group group, double shipped, List<Case> cases) {
        double sum = cases.stream().mapToDouble(Case::log).sum();
        double spread = knowledge.get(LEARN_CASE_SPREAD);
        return normal(what, group, shipped, sum / cases.size(), spread * spread / cases.size(), cases.size());
    }

    /** The same where a mean of logarithms and its variance are known. */
    public Learned normal(What what, Group group, double shipped, double mean, double variance, int cases) {
        double prior = 1 / (priorSpread * priorSpread);
        double data = 1 / Math.max(LEAST, variance);
        double log = mean * data / (prior + data);
        double half = new NormalDistribution().inverseCumulativeProbability(UPPER) / Math.sqrt(prior + data);
        return new Learned(
                what,
                group,
                shipped,
                shipped * Math.exp(log),
                shipped * Math.exp(log - half),
                shipped * Math.exp(log + half),
                cases);
    }

    /** Whether so many shoots are far more than were to be expected. */
    public boolean tooHard(int shoots, double expected) {
        return shoots >= knowledge.get(LEARN_TOO_HARD_SHOOTS)
                && shoots >= knowledge.get(LEARN_TOO_HARD_TIMES) * expected;
    }

    /** Cuts that were answered by twice the shoots to be expected, and more, the newest first. */
    public List<TooHard> tooHard(List<TreeHistory> trees) {
        List<TooHard> found = new ArrayList<>();
        for (TreeHistory tree : trees) {
            for (Regrown one : tree.regrowth()) {
                double expected = shippedShoots(one.season()) * one.exposure();
                if (tooHard(one.shoots(), expected)) {
                    found.add(new TooHard(tree.label(), one, expected));
                }
            }
        }
        found.sort(Collections.reverseOrder(
                Comparator.comparingInt(one -> one.regrown().pruningYear())));
        return found;
    }
}
