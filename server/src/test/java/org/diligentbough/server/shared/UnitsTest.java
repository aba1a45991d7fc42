package org.diligentbough.server.shared;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class UnitsTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Its top stands at 4.2 m.|Its top stands at 13 ft 9 in.",
                "At 0.3 m it|At 1 ft it",
                "above the 3.0 m wanted|above the 9 ft 10 in wanted",
                "Cut 20 to 30 cm below|Cut 7.9 in to 11.8 in below",
                "a crack of 2.5 cm:|a crack of 1 in:",
                "brings down 40 kg: over|brings down 88 lb: over",
                "Wind of 40 km/h: no ladders|Wind of 25 mph: no ladders",
                "a frost of -2 °C|a frost of 28 °F",
                "12 mm of rain|0.47 in of rain",
                "a trunk of 100 cm² bears|a trunk of 100 cm² bears",
                "4 may go, 30 % of the crown, K-04 m|4 may go, 30 % of the crown, K-04 m",
                "40 minutes|40 minutes",
            })
    void measuresSentencesInFeetInchesAndPounds(String metric, String imperial) {
        assertThat(Units.imperial(metric)).isEqualTo(imperial);
    }
}
