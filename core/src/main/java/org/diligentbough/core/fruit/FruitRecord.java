package org.diligentbough.core.fruit;

import static org.diligentbough.core.knowledge.Figure.BIENNIAL_LEAST_YEARS;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Function;
import org.diligentbough.core.knowledge.Knowledge;

/** What a tree bore over the years, and what follows from it. */
public final class FruitRecord {
    private final List<FruitYear> years;
    private final Girths girths;
    private final boolean southern;
    private final Knowledge knowledge;

    /**
     * How a year's crop stands to the trunk.
     *
     * @param trunkCm2 cross-section of the trunk, cm2; empty while no girth is known
     * @param kilosPerCm2 yield efficiency, kg/cm2
     * @param fruitPerCm2 crop load, fruits/cm2
     */
    public record YearFigures(
            FruitYear year, OptionalDouble trunkCm2, OptionalDouble kilosPerCm2, OptionalDouble fruitPerCm2) {}

    /**
     * How unevenly a tree bears.
     *
     * @param index 0 steady to 1 every other year; empty when there is too little to tell
     * @param years years that could be compared with the one before
     * @param yearsWanted how many of these there must be
     */
    public record Biennial(OptionalDouble index, int years, int yearsWanted) {}

    /**
     * One entry a year at most, in any order.
     *
     * @param southern whether the orchard lies south of the equator
     */
    public FruitRecord(List<FruitYear> years, Girths girths, boolean southern, Knowledge knowledge) {
        this.years =
                years.stream().sorted(Comparator.comparingInt(FruitYear::year)).toList();
        this.girths = girths;
        this.southern = southern;
        this.knowledge = knowledge;
    }

    /** Each year with its figures, oldest first. */
    public List<YearFigures> figures() {
        return years.stream()
                .map(year -> {
                    OptionalDouble trunk = girths.crossSectionCm2(year.year(), southern);
                    OptionalDouble number = year.number().isPresent()
                            ? OptionalDouble.of(year.number().getAsInt())
                            : OptionalDouble.empty();
                    return new YearFigures(year, trunk, per(year.kilos(), trunk), per(number, trunk));
                })
                .toList();
    }

    private static OptionalDouble per(OptionalDouble amount, OptionalDouble trunkCm2) {
        return amount.isPresent() && trunkCm2.isPresent()
                ? OptionalDouble.of(amount.getAsDouble() / trunkCm2.getAsDouble())
                : OptionalDouble.empty();
    }

    /**
     * The biennial bearing index: the mean of |a(t) - a(t-1)| / (a(t) + a(t-1)) over successive years (from memory: Hoblyn
     * et al. 1936). By kilos where these give as many pairs of years as numbers do, else by numbers. Two years without any
     * fruit do not differ.
     */
    public Biennial biennial() {
        List<Double> byKilos = differences(FruitYear::kilos);
        List<Double> byNumber = differences(year ->
                year.number().isPresent() ? OptionalDouble.of(year.number().getAsInt()) : OptionalDouble.empty());
        List<Double> found = byKilos.size() >= byNumber.size() ? byKilos : byNumber;
        int wanted = (int) knowledge.get(BIENNIAL_LEAST_YEARS);
        return new Biennial(
                found.size() < wanted
                        ? OptionalDouble.empty()
                        : found.stream().mapToDouble(Double::doubleValue).average(),
                found.size(),
                wanted);
    }

    private List<Double> differences(Function<FruitYear, OptionalDouble> crop) {
        List<Double> found = new ArrayList<>();
        for (int i = 1; i < years.size(); i++) {
            OptionalDouble before = crop.apply(years.get(i - 1));
            OptionalDouble now = crop.apply(years.get(i));
            if (years.get(i).year() == years.get(i - 1).year() + 1 && before.isPresent() && now.isPresent()) {
                double sum = before.getAsDouble() + now.getAsDouble();
                found.add(sum == 0 ? 0 : Math.abs(now.getAsDouble() - before.getAsDouble()) / sum);
            }
        }
        return found;
    }
}
