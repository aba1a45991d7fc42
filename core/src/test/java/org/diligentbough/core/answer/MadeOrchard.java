package org.diligentbough.core.answer;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import org.diligentbough.core.answer.TreeHistory.Regrown;
import org.diligentbough.core.answer.TreeHistory.YearCut;
import org.diligentbough.core.fruit.FruitYear;
import org.diligentbough.core.fruit.Girths;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.season.Season;

/** Orchards of which the truth is known: kilos with a planted effect of cutting, alternate bearing and noise. */
final class MadeOrchard {
    static final int FIRST = 2020;
    static final int CUT = 2025;
    static final int LAST = 2029;

    private final Random random;
    private double effect;
    private double swing;
    private double noise = 0.15;

    MadeOrchard(long seed) {
        this.random = new Random(seed);
    }

    MadeOrchard effect(double logs) {
        this.effect = logs;
        return this;
    }

    MadeOrchard swing(double share) {
        this.swing = share;
        return this;
    }

    MadeOrchard noise(double logs) {
        this.noise = logs;
        return this;
    }

    /** Apples, the first of them cut in one year. */
    List<TreeHistory> trees(int cut, int uncut) {
        List<TreeHistory> trees = new ArrayList<>();
        for (int i = 0; i < cut + uncut; i++) {
            trees.add(tree("T" + i, i < cut ? 0.12 + 0.2 * random.nextDouble() : 0));
        }
        return trees;
    }

    private TreeHistory tree(String label, double share) {
        double usual = 20 + 20 * random.nextDouble();
        int phase = random.nextInt(2);
        List<FruitYear> years = new ArrayList<>();
        for (int year = FIRST; year <= LAST; year++) {
            double log = noise * random.nextGaussian() + (share > 0 && year > CUT ? effect : 0);
            double kilos = usual * (1 + ((year + phase) % 2 == 0 ? swing : -swing)) * Math.exp(log);
            years.add(new FruitYear(year, OptionalInt.empty(), OptionalInt.empty(), OptionalDouble.of(kilos)));
        }
        return history(
                label, years, share == 0 ? List.of() : List.of(new YearCut(CUT, Season.DORMANT, share, 1)), List.of());
    }

    static TreeHistory history(String label, List<FruitYear> years, List<YearCut> cuts, List<Regrown> regrowth) {
        return history(label, Species.APPLE, years, cuts, regrowth);
    }

    static TreeHistory history(String label, Species kind, List<Regrown> regrowth) {
        return history(label, kind, List.of(), List.of(), regrowth);
    }

    private static TreeHistory history(
            String label, Species kind, List<FruitYear> years, List<YearCut> cuts, List<Regrown> regrowth) {
        return new TreeHistory(
                label,
                kind,
                OptionalInt.of(1990),
                Optional.empty(),
                new Girths(List.of(new Girths.Girth(LocalDate.of(2020, 1, 1), 80))),
                years,
                cuts,
                List.of(),
                List.of(),
                Optional.empty(),
                regrowth,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }
}
