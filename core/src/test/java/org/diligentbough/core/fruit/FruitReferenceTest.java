package org.diligentbough.core.fruit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.fruit.Girths.Girth;
import org.junit.jupiter.api.Test;

/**
 * Figures of fruiting, worked by hand from the published formulas: biennial bearing index from memory (Hoblyn et al.
 * 1936), trunk cross-section and yield efficiency from memory (Westwood and Roberts 1970).
 */
class FruitReferenceTest {

    private static FruitYear year(int year, double kilos) {
        return new FruitYear(year, OptionalInt.empty(), OptionalInt.empty(), OptionalDouble.of(kilos));
    }

    private static FruitRecord of(List<FruitYear> years, Girth... girths) {
        return new FruitRecord(years, new Girths(List.of(girths)), false, SurveyBuilder.RULES.knowledge());
    }

    @Test
    void theBiennialIndexIsTheMeanOfYearlyDifferences() {
        // |20-60|/80 + |50-20|/70 + |10-50|/60 = 0.5 + 0.428571 + 0.666667 = 1.595238; by 3: 0.531746
        FruitRecord fruit = of(List.of(year(2023, 60), year(2024, 20), year(2025, 50), year(2026, 10)));
        assertThat(fruit.biennial().index().orElseThrow()).isCloseTo(0.531746, within(1e-6));
        assertThat(fruit.biennial().years()).isEqualTo(3);
    }

    @Test
    void aSteadyTreeHasNoneAndAnAlternatingOneHasOne() {
        assertThat(of(List.of(year(1, 40), year(2, 40), year(3, 40), year(4, 40)))
                        .biennial()
                        .index())
                .hasValue(0);
        assertThat(of(List.of(year(1, 40), year(2, 0), year(3, 40), year(4, 0)))
                        .biennial()
                        .index())
                .hasValue(1);
        assertThat(of(List.of(year(1, 0), year(2, 0), year(3, 0), year(4, 0)))
                        .biennial()
                        .index())
                .hasValue(0);
    }

    @Test
    void tooFewYearsAreTooLittleToTell() {
        FruitRecord three = of(List.of(year(2024, 20), year(2025, 50), year(2026, 10)));
        assertThat(three.biennial().index()).isEmpty();
        assertThat(three.biennial().years()).isEqualTo(2);
        // Years that do not follow each other are not compared.
        FruitRecord gaps = of(List.of(year(2020, 20), year(2022, 50), year(2024, 10), year(2026, 30)));
        assertThat(gaps.biennial().years()).isZero();
        assertThat(of(List.of()).biennial().index()).isEmpty();
    }

    @Test
    void numbersSpeakWhereKilosWereNotWeighed() {
        List<FruitYear> years = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            years.add(new FruitYear(
                    2023 + i,
                    OptionalInt.of(3),
                    OptionalInt.of(i % 2 == 0 ? 300 : 100),
                    i == 0 ? OptionalDouble.of(30) : OptionalDouble.empty()));
        }
        assertThat(of(years).biennial().index()).hasValue(0.5);
    }

    @Test
    void aCropIsHeldAgainstTheTrunkOfItsYear() {
        FruitYear picked = new FruitYear(2026, OptionalInt.of(4), OptionalInt.of(420), OptionalDouble.of(63));
        FruitRecord fruit = of(
                List.of(year(2020, 10), picked),
                new Girth(LocalDate.of(2027, 2, 1), 120),
                new Girth(LocalDate.of(2025, 2, 1), 100));
        // On 1 October 2026, 607 of 730 days on: 100 + 20 x 607 / 730 = 116.6301 cm; squared by 4 pi = 1082.460 cm2.
        FruitRecord.YearFigures figures = fruit.figures().get(1);
        assertThat(figures.trunkCm2().orElseThrow()).isCloseTo(1082.460, within(0.001));
        assertThat(figures.kilosPerCm2().orElseThrow()).isCloseTo(0.058201, within(1e-6));
        assertThat(figures.fruitPerCm2().orElseThrow()).isCloseTo(0.388005, within(1e-6));
        // Before any girth was measured the first one known stands in.
        assertThat(fruit.figures().get(0).trunkCm2().orElseThrow()).isCloseTo(795.775, within(0.001));
        assertThat(of(List.of(picked)).figures().get(0).kilosPerCm2()).isEmpty();
    }
}
