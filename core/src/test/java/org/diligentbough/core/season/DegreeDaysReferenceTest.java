package org.diligentbough.core.season;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Thermal time by the single sine (Baskerville and Emin 1969, from memory): against its closed form, against the sine added
 * up step by step, and on a real record: Seattle 2012-2015, NOAA, as in npm vega-datasets 2.11.0 (BSD-3-Clause).
 */
class DegreeDaysReferenceTest {

    @ParameterizedTest
    @CsvSource({
        // The closed form at a base in the middle is the half swing over pi.
        "0, 20, 10, 3.183099",
        "-4, 12, 4, 2.546479",
        // All above the base: the mean less the base. All under it: nothing.
        "12, 24, 10, 8",
        "10, 30, 10, 10",
        "-8, 3, 4, 0",
        "-8, 4, 4, 0",
        // Half way up the sine: (a cos(30 deg) - 5 (pi/2 - pi/6)) / pi with a = 10.
        "0, 20, 15, 1.089980"
    })
    void theClosedForm(double minC, double maxC, double baseC, double expected) {
        assertThat(DegreeDays.singleSine(minC, maxC, baseC)).isCloseTo(expected, within(1e-5));
    }

    @ParameterizedTest
    @CsvSource({"-3, 9, 4", "2.2, 6.1, 4", "5, 25, 7", "-12, 30, 10", "3.9, 4.1, 4"})
    void theSineAddedUp(double minC, double maxC, double baseC) {
        int steps = 200_000;
        double sum = 0;
        for (int i = 0; i < steps; i++) {
            double now = (minC + maxC) / 2 + (maxC - minC) / 2 * Math.sin(2 * Math.PI * (i + 0.5) / steps);
            sum += Math.max(0, now - baseC);
        }
        assertThat(DegreeDays.singleSine(minC, maxC, baseC)).isCloseTo(sum / steps, within(1e-6));
    }

    @Test
    void aDayCannotBeColderAtItsWarmest() {
        assertThatThrownBy(() -> DegreeDays.singleSine(5, 4, 0)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aRealSpringAndARealYear() {
        // Worked apart from the product, by adding the sine of each day up in 4000 steps.
        assertThat(warmth(LocalDate.of(2013, 2, 1), LocalDate.of(2013, 4, 30), 4))
                .isCloseTo(434.294, within(0.01));
        assertThat(warmth(LocalDate.of(2014, 1, 1), LocalDate.of(2014, 12, 31), 10))
                .isCloseTo(1559.743, within(0.01));
    }

    private static double warmth(LocalDate from, LocalDate to, double baseC) {
        List<Weather.Day> days = SeattleRecord.days().stream()
                .filter(day -> !day.on().isBefore(from) && !day.on().isAfter(to))
                .toList();
        return days.stream()
                .mapToDouble(day -> DegreeDays.singleSine(day.minC(), day.maxC(), baseC))
                .sum();
    }
}
