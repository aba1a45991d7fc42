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
 */
public record FruitYear(int year, OptionalInt bloom, OptionalInt number, OptionalDouble kilos) {}
