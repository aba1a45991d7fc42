package org.diligentbough.core.fruit;

import java.util.OptionalDouble;
import java.util.OptionalInt;

/**
 * What a tree bore in one year.
 *
 * @param year calendar year of the harvest
 * @param bloom 0 none to 5 all over
 * @param number fruits picked
 * @param kilos picked, kg
 * @param meanFruitG mean weight of a fruit, g
 * @param spoiltShare share that was spoilt, 0 to 1
 * @param beforeOpening whether it was counted in a dense tree before it was opened, so that far too few were seen
 */
public record FruitYear(
        int year,
        OptionalInt bloom,
        OptionalInt number,
        OptionalDouble kilos,
        OptionalDouble meanFruitG,
        OptionalDouble spoiltShare,
        boolean beforeOpening) {

    private static final double G_A_KG = 1000;

    /** A year of which no more is known than bloom, number and kilos. */
    public FruitYear(int year, OptionalInt bloom, OptionalInt number, OptionalDouble kilos) {
        this(year, bloom, number, kilos, OptionalDouble.empty(), OptionalDouble.empty(), false);
    }

    /** Mean weight of a fruit, g, as told, else from kilos and number. */
    public OptionalDouble fruitG() {
        if (meanFruitG.isPresent() || kilos.isEmpty() || number.orElse(0) == 0) {
            return meanFruitG;
        }
        return OptionalDouble.of(kilos.getAsDouble() * G_A_KG / number.getAsInt());
    }
}
