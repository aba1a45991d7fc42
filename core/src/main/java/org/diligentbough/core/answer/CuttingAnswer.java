package org.diligentbough.core.answer;

import static org.diligentbough.core.knowledge.Figure.ANSWER_CUT_FROM;
import static org.diligentbough.core.knowledge.Figure.ANSWER_LIKE_TREES;
import static org.diligentbough.core.knowledge.Figure.ANSWER_OFFSET;
import static org.diligentbough.core.knowledge.Figure.ANSWER_UNCUT;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import org.diligentbough.core.Effort;
import org.diligentbough.core.answer.Comparison.Says;
import org.diligentbough.core.answer.Comparison.Wanted;
import org.diligentbough.core.answer.TreeHistory.YearCut;
import org.diligentbough.core.fruit.FruitYear;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.season.Season;
import org.hipparchus.distribution.continuous.TDistribution;
import org.hipparchus.stat.descriptive.moment.Mean;
import org.hipparchus.stat.descriptive.moment.Variance;
import org.hipparchus.stat.regression.SimpleRegression;

/**
 * What cutting did: of each tree that lost a tenth of its crown and more in a year, the mean of up to four years after by that
 * of up to four before, as logarithms, less the same of like trees in the same years that were not cut. Even numbers of years
 * where there are enough, so that alternate bearing cancels.
 */
public final class CuttingAnswer {
    private static final double UPPER = 0.9;
    private static final double LOWER = 0.1;
    private static final int YEARS_ASIDE = 4;
    private static final int PAIR = 2;
    private static final int RESAMPLES = 999;
    private static final double TENTH = 0.1;
    /** From so many effects on their own spread speaks, not that of the like trees. */
    private static final int OWN_SPREAD_FROM = 4;

    /** Years from which a tree is of the next age class (own assumption). */
    private static final int[] AGES = {10, 30};

    /** Ends of the shares that are pooled. */
    private static final double[] SHARES = {0, 0.1, 0.2, 0.3, 1};

    private final List<TreeHistory> trees;
    private final boolean southern;
    private final Knowledge knowledge;
    private final long seed;
    private final Map<TreeHistory, List<YearCut>> cuts = new IdentityHashMap<>();
    private final Map<TreeHistory, Map<Integer, OptionalDouble>> values = new IdentityHashMap<>();
    private final List<Effect> effects = new ArrayList<>();
    private final List<Comparison> told = new ArrayList<>();

    /** What is held against what, by tree and year. */
    public enum Measure {
        /** Kilos by cross-section of the trunk. */
        FRUIT,
        /** Mean weight of a fruit. */
        SIZE,
        /** Length of the end shoots. */
        SHOOTS,
        /** Light in the crown. */
        LIGHT
    }

    /**
     * Several effects together.
     *
     * @param n how many
     * @param effect their mean; empty where there is none
     */
    public record Pooled(int n, OptionalDouble effect, OptionalDouble low, OptionalDouble high) {}

    /** Effects of cuts that took a share from one end to below the other. */
    public record ByShare(double from, double to, Pooled pooled) {}

    /** Change of the effect for each tenth of the crown more. */
    public record Slope(OptionalDouble perTenth, OptionalDouble low, OptionalDouble high) {}

    /** All together. */
    public record Answers(
            List<Comparison> trees,
            List<ByShare> byShare,
            Map<Season, Pooled> bySeason,
            Pooled bigCuts,
            Pooled smallCuts,
            Pooled all,
            Slope slope) {}

    /** An effect that tells, with the like trees it was held against and how far each lies off their mean. */
    private record Effect(TreeHistory tree, YearCut cut, double effect, double spread, Map<String, Double> residuals) {}

    private final Measure measure;

    /**
     * Reckons it.
     *
     * @param seed of the resampling: the same seed, the same ends
     */
    public CuttingAnswer(Measure measure, List<TreeHistory> trees, boolean southern, Knowledge knowledge, long seed) {
        this.measure = measure;
        this.trees = List.copyOf(trees);
        this.southern = southern;
        this.knowledge = knowledge;
        this.seed = seed;
        trees.forEach(tree -> cuts.put(tree, cutYears(tree)));
        for (TreeHistory tree : trees) {
            for (YearCut cut : cuts.get(tree)) {
                if (cut.share() >= knowledge.get(ANSWER_UNCUT)) {
                    compare(tree, cut);
                }
            }
        }
    }

    /** What is told of it. */
    public Answers answers() {
        double from = knowledge.get(ANSWER_CUT_FROM);
        List<ByShare> byShare = new ArrayList<>();
        for (int i = 0; i + 1 < SHARES.length; i++) {
            double least = SHARES[i];
            double most = SHARES[i + 1];
            boolean last = i + 2 == SHARES.length;
            byShare.add(new ByShare(
                    least,
                    most,
                    pooled(one -> one.cut().share() >= least && (one.cut().share() < most || last))));
        }
        Map<Season, Pooled> bySeason = new TreeMap<>();
        effects.stream()
                .filter(one -> one.cut().share() >= from)
                .map(one -> one.cut().season())
                .distinct()
                .forEach(season -> bySeason.put(
                        season,
                        pooled(one -> one.cut().share() >= from && one.cut().season() == season)));
        return new Answers(
                told.stream().filter(one -> one.cut().share() >= from).toList(),
                byShare,
                bySeason,
                pooled(one -> one.cut().share() >= from && one.cut().bigCuts() > 0),
                pooled(one -> one.cut().share() >= from && one.cut().bigCuts() == 0),
                pooled(one -> one.cut().share() >= from),
                slope());
    }

    /** What came off in each pruning year, taken together; the season is that of the largest part. */
    private static List<YearCut> cutYears(TreeHistory tree) {
        Map<Integer, List<YearCut>> byYear = new TreeMap<>();
        tree.cuts().forEach(cut -> byYear.computeIfAbsent(cut.pruningYear(), year -> new ArrayList<>())
                .add(cut));
        return byYear.entrySet().stream()
                .map(year -> new YearCut(
                        year.getKey(),
                        year.getValue().stream()
                                .max(Comparator.comparingDouble(YearCut::share))
                                .orElseThrow()
                                .season(),
                        year.getValue().stream().mapToDouble(YearCut::share).sum(),
                        year.getValue().stream().mapToInt(YearCut::bigCuts).sum()))
                .toList();
    }

    private OptionalDouble value(TreeHistory tree, int year) {
        return values.computeIfAbsent(tree, any -> new HashMap<>()).computeIfAbsent(year, any -> reckoned(tree, year));
    }

    private OptionalDouble reckoned(TreeHistory tree, int year) {
        return switch (measure) {
            case FRUIT -> {
                OptionalDouble kilos = fruit(tree, year).map(FruitYear::kilos).orElse(OptionalDouble.empty());
                OptionalDouble trunk = tree.girths().crossSectionCm2(year, southern);
                yield kilos.isPresent() && trunk.isPresent() && trunk.getAsDouble() > 0
                        ? OptionalDouble.of(kilos.getAsDouble() / trunk.getAsDouble())
                        : OptionalDouble.empty();
            }
            case SIZE -> fruit(tree, year).map(FruitYear::fruitG).orElse(OptionalDouble.empty());
            case SHOOTS ->
                tree.shoots().stream()
                        .filter(one -> one.year() == year && one.extensionCm().isPresent())
                        .mapToDouble(one -> one.extensionCm().getAsDouble())
                        .findFirst();
            case LIGHT ->
                tree.light().stream()
                        .filter(one -> one.year() == year)
                        .mapToDouble(TreeHistory.YearLight::mean)
                        .findFirst();
        };
    }

    private static Optional<FruitYear> fruit(TreeHistory tree, int year) {
        return tree.fruit().stream().filter(one -> one.year() == year).findFirst();
    }

    /**
     * The years on one side that are held against the other, nearest first: four, or two in a row, or the nearest two, or
     * whatever there is.
     */
    private List<Integer> years(TreeHistory tree, int cutYear, int step) {
        List<Integer> known = IntStream.rangeClosed(1, YEARS_ASIDE)
                .map(away -> cutYear + step * away)
                .filter(year -> value(tree, year).isPresent())
                .boxed()
                .toList();
        if (known.size() <= PAIR || known.size() == YEARS_ASIDE) {
            return known;
        }
        return IntStream.range(0, known.size() - 1)
                .filter(i -> Math.abs(known.get(i) - known.get(i + 1)) == 1)
                .mapToObj(i -> known.subList(i, i + PAIR))
                .findFirst()
                .orElse(known.subList(0, PAIR));
    }

    private OptionalDouble change(TreeHistory tree, List<Integer> before, List<Integer> after) {
        OptionalDouble was = mean(tree, before);
        OptionalDouble is = mean(tree, after);
        double offset = measure == Measure.FRUIT ? knowledge.get(ANSWER_OFFSET) : 0;
        if (was.isEmpty() || is.isEmpty() || was.getAsDouble() + offset <= 0 || is.getAsDouble() + offset <= 0) {
            return OptionalDouble.empty();
        }
        return OptionalDouble.of(Math.log((is.getAsDouble() + offset) / (was.getAsDouble() + offset)));
    }

    /** Empty where one of the years is not known. */
    private OptionalDouble mean(TreeHistory tree, List<Integer> years) {
        double sum = 0;
        for (int year : years) {
            OptionalDouble value = value(tree, year);
            if (value.isEmpty()) {
                return OptionalDouble.empty();
            }
            sum += value.getAsDouble();
        }
        return years.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(sum / years.size());
    }

    private boolean like(TreeHistory tree, TreeHistory other, int cutYear, int first, int last) {
        return other != tree
                && other.species() == tree.species()
                && sameAge(tree, other, cutYear)
                && cuts.get(other).stream()
                        .noneMatch(cut -> cut.pruningYear() >= first
                                && cut.pruningYear() <= last
                                && cut.share() >= knowledge.get(ANSWER_UNCUT));
    }

    /** A tree of which nobody knows when it was planted is of any age. */
    private static boolean sameAge(TreeHistory tree, TreeHistory other, int year) {
        return tree.plantedYear().isEmpty()
                || other.plantedYear().isEmpty()
                || ageClass(year - tree.plantedYear().getAsInt())
                        == ageClass(year - other.plantedYear().getAsInt());
    }

    private static long ageClass(int age) {
        return Arrays.stream(AGES).filter(from -> age >= from).count();
    }

    private void compare(TreeHistory tree, YearCut cut) {
        Effort.look();
        List<Integer> before = years(tree, cut.pruningYear(), -1);
        List<Integer> after = years(tree, cut.pruningYear(), 1);
        OptionalDouble own = change(tree, before, after);
        Map<String, Double> likes = new HashMap<>();
        if (own.isPresent()) {
            int first = before.stream().min(Comparator.naturalOrder()).orElseThrow();
            int last = after.stream().max(Comparator.naturalOrder()).orElseThrow();
            trees.stream()
                    .filter(other -> like(tree, other, cut.pruningYear(), first, last))
                    .forEach(other ->
                            change(other, before, after).ifPresent(change -> likes.put(other.label(), change)));
        }
        int n = likes.size();
        double[] changes = likes.entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .mapToDouble(Map.Entry::getValue)
                .toArray();
        double mean = n == 0 ? 0 : new Mean().evaluate(changes);
        double spread = n < 2 ? 0 : Math.sqrt(new Variance().evaluate(changes));
        OptionalDouble effect = n == 0 ? OptionalDouble.empty() : OptionalDouble.of(own.getAsDouble() - mean);
        int wantedTrees = (int) knowledge.get(ANSWER_LIKE_TREES);
        boolean enough = before.size() >= PAIR && after.size() >= PAIR && n >= wantedTrees;
        OptionalDouble low = OptionalDouble.empty();
        OptionalDouble high = OptionalDouble.empty();
        OptionalDouble bootstrapLow = OptionalDouble.empty();
        OptionalDouble bootstrapHigh = OptionalDouble.empty();
        if (n >= 2) {
            double half =
                    new TDistribution(n - 1).inverseCumulativeProbability(UPPER) * spread * Math.sqrt(1 + 1.0 / n);
            low = OptionalDouble.of(effect.getAsDouble() - half);
            high = OptionalDouble.of(effect.getAsDouble() + half);
            double[] drawn = drawn(
                    changes,
                    own.getAsDouble(),
                    new Random(seed * 31 + tree.label().hashCode()));
            bootstrapLow = OptionalDouble.of(drawn[(int) (LOWER * RESAMPLES)]);
            bootstrapHigh = OptionalDouble.of(drawn[(int) (UPPER * RESAMPLES)]);
        }
        Says says = Says.TOO_LITTLE_TO_TELL;
        if (enough) {
            says = low.getAsDouble() > 0 ? Says.MORE : high.getAsDouble() < 0 ? Says.LESS : Says.NO_DIFFERENCE_SEEN;
            Map<String, Double> residuals = new HashMap<>();
            likes.forEach((label, change) -> residuals.put(label, change - mean));
            effects.add(new Effect(tree, cut, effect.getAsDouble(), spread, residuals));
        }
        told.add(new Comparison(
                tree.label(),
                cut,
                effect,
                low,
                high,
                bootstrapLow,
                bootstrapHigh,
                says,
                n,
                before,
                after,
                measure == Measure.FRUIT && undercounted(tree, before, after),
                enough
                        ? Optional.empty()
                        : Optional.of(new Wanted(
                                Math.max(0, PAIR - before.size()),
                                Math.max(0, PAIR - after.size()),
                                Math.max(0, wantedTrees - n)))));
    }

    private static boolean undercounted(TreeHistory tree, List<Integer> before, List<Integer> after) {
        return tree.fruit().stream()
                .anyMatch(
                        year -> year.beforeOpening() && (before.contains(year.year()) || after.contains(year.year())));
    }

    /** Effects with the like trees drawn anew, and one of them, off their mean, for what the tree would have done by itself. */
    private static double[] drawn(double[] changes, double own, Random random) {
        double mean = new Mean().evaluate(changes);
        double[] found = new double[RESAMPLES];
        for (int i = 0; i < RESAMPLES; i++) {
            double sum = 0;
            for (int j = 0; j < changes.length; j++) {
                sum += changes[random.nextInt(changes.length)];
            }
            found[i] = own - sum / changes.length - (changes[random.nextInt(changes.length)] - mean);
        }
        Arrays.sort(found);
        return found;
    }

    /**
     * Mean of some effects. Its spread adds that of the trees themselves and that of the like trees, each like tree counted as
     * one however often it was held against others; a tree cut in several years counts as one too.
     */
    private Pooled pooled(Predicate<Effect> which) {
        List<Effect> chosen = effects.stream().filter(which).toList();
        int n = chosen.size();
        if (n == 0) {
            return new Pooled(0, OptionalDouble.empty(), OptionalDouble.empty(), OptionalDouble.empty());
        }
        double[] values = chosen.stream().mapToDouble(Effect::effect).toArray();
        double mean = new Mean().evaluate(values);
        Map<TreeHistory, Integer> times = new IdentityHashMap<>();
        Map<String, Double> weights = new HashMap<>();
        double spread2 = 0;
        for (Effect one : chosen) {
            times.merge(one.tree(), 1, Integer::sum);
            spread2 += one.spread() * one.spread() / n;
            int likes = one.residuals().size();
            one.residuals().forEach((label, residual) -> weights.merge(label, residual / likes / n, Double::sum));
        }
        double share2 = times.values().stream()
                .mapToDouble(k -> (double) k * k / (n * n))
                .sum();
        boolean own = times.size() >= OWN_SPREAD_FROM;
        int likeTrees = weights.size();
        double ofTrees = share2 * (own ? Math.max(new Variance().evaluate(values), 0) : spread2);
        double ofLikes =
                weights.values().stream().mapToDouble(weight -> weight * weight).sum() * likeTrees / (likeTrees - 1);
        double variance = ofTrees + ofLikes;
        int freeTrees = own ? times.size() - 1 : likeTrees - 1;
        double free = variance <= 0
                ? freeTrees
                : variance * variance / (ofTrees * ofTrees / freeTrees + ofLikes * ofLikes / (likeTrees - 1));
        double half = new TDistribution(Math.max(1, free)).inverseCumulativeProbability(UPPER) * Math.sqrt(variance);
        return new Pooled(n, OptionalDouble.of(mean), OptionalDouble.of(mean - half), OptionalDouble.of(mean + half));
    }

    private Slope slope() {
        SimpleRegression line = new SimpleRegression();
        effects.forEach(one -> line.addData(one.cut().share(), one.effect()));
        boolean several =
                effects.stream().map(one -> one.cut().share()).distinct().count() > 1;
        if (effects.size() <= PAIR || !several) {
            return new Slope(OptionalDouble.empty(), OptionalDouble.empty(), OptionalDouble.empty());
        }
        double perTenth = TENTH * line.getSlope();
        double half = TENTH
                * line.getSlopeStdErr()
                * new TDistribution(effects.size() - PAIR).inverseCumulativeProbability(UPPER);
        return new Slope(
                OptionalDouble.of(perTenth), OptionalDouble.of(perTenth - half), OptionalDouble.of(perTenth + half));
    }
}
