package org.diligentbough.core.fruit;

import static org.diligentbough.core.knowledge.Figure.BIENNIAL_LEAST_YEARS;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Function;
import org.diligentbough.core.knowledge.Knowledge;

/** What a tree bore over the years, and what follows from it. */
public final class FruitRecord {
    private final List<FruitYear> years;
    private final List<Girth> girths;
    private final Knowledge knowledge;

    /** A girth of the trunk, cm, as measured on a day. */
    public record Girth(LocalDate on, double cm) {}

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

    /** In any order; one entry a year at most. */
    public FruitRecord(List<FruitYear> years, List<Girth> girths, Knowledge knowledge) {
        this.years =
                years.stream().sorted(Comparator.comparingInt(FruitYear::year)).toList();
        this.girths = girths.stream().sorted(Comparator.comparing(Girth::on)).toList();
        this.knowledge = knowledge;
    }

    /** Each year with its figures, oldest first. */
    public List<YearFigures> figures() {
        return years.stream()
                .map(year -> {
                    OptionalDouble trunk = trunkCm2(year.year());
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
     * Trunk cross-section, cm2: girth squared by four pi (from memory: Westwood and Roberts 1970), of the last girth
     * measured up to the end of a year, else of the first after it.
     */
    private OptionalDouble trunkCm2(int year) {
        LocalDate end = LocalDate.of(year + 1, 1, 1);
        return girths.stream()
                .filter(girth -> girth.on().isBefore(end))
                .reduce((earlier, later) -> later)
                .or(() -> girths.stream().findFirst())
                .map(girth -> OptionalDouble.of(girth.cm() * girth.cm() / (4 * Math.PI)))
                .orElse(OptionalDouble.empty());
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
