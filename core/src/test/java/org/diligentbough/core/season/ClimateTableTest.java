package org.diligentbough.core.season;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Collections;
import java.util.List;
import org.diligentbough.core.season.ClimateTable.Normals;
import org.junit.jupiter.api.Test;

class ClimateTableTest {
    private final ClimateTable table = ClimateTable.load();

    @Test
    void proposesTheClimateOfThePlaceFirst() {
        assertThat(table.nearest(52.1, -2.4, 3).get(0).name()).isEqualTo("England, west midlands");
        assertThat(table.nearest(-34, 19, 1).get(0).name()).isEqualTo("Western Cape");
        assertThat(table.nearest(46.9, -120.5, 1).get(0).name()).isEqualTo("Columbia plateau");
    }

    @Test
    void staysInTheHemisphereHoweverFar() {
        assertThat(table.nearest(-2, 37, 5)).hasSize(5).allMatch(one -> one.latitude() < 0);
        assertThat(table.nearest(2, 37, 5)).hasSize(5).allMatch(one -> one.latitude() >= 0);
    }

    @Test
    void everyYearIsWarmestInItsSummerAndAddsUp() {
        for (Normals one : table.nearest(50, 0, 100)) {
            check(one, 7);
        }
        for (Normals one : table.nearest(-40, 0, 100)) {
            check(one, 1);
        }
        assertThat(table.nearest(50, 0, 100).size() + table.nearest(-40, 0, 100).size())
                .isGreaterThanOrEqualTo(40);
    }

    private static void check(Normals one, int warmest) {
        assertThat(List.of(one.meanC(), one.rainMm(), one.minC(), one.maxC()))
                .as(one.name())
                .allMatch(months -> months.size() == 12);
        assertThat(one.meanC().indexOf(Collections.max(one.meanC())) + 1)
                .as(one.name())
                .isEqualTo(warmest);
        assertThat(one.rainMm()).as(one.name()).allMatch(mm -> mm >= 0);
        for (int i = 0; i < 12; i++) {
            assertThat(one.minC().get(i))
                    .isLessThan(one.meanC().get(i))
                    .isLessThan(one.maxC().get(i));
        }
        double spread = Collections.max(one.meanC()) - Collections.min(one.meanC());
        // Coasts are even and the middles of continents are not; nobody grows apples outside of this.
        assertThat(spread).as(one.name()).isBetween(8.0, 33.0);
        assertThat(one.meanC().stream()
                        .mapToDouble(Double::doubleValue)
                        .average()
                        .orElseThrow())
                .isCloseTo((Collections.max(one.meanC()) + Collections.min(one.meanC())) / 2, within(0.2));
    }
}
