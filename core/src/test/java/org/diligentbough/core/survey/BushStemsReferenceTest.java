package org.diligentbough.core.survey;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.stream.DoubleStream;
import org.junit.jupiter.api.Test;

/** By the pipe model sections add up (Shinozaki et al. 1964, from memory): 3 and 4 cm are as one stem of 5 cm. */
class BushStemsReferenceTest {
    @Test
    void sectionsOfStemsAddUp() {
        assertThat(BushStems.girthCm(DoubleStream.of(3, 4))).hasValueCloseTo(Math.PI * 5, within(1e-12));
        assertThat(BushStems.girthCm(DoubleStream.of(2))).hasValueCloseTo(2 * Math.PI, within(1e-12));
    }

    @Test
    void noStemHasNoGirth() {
        assertThat(BushStems.girthCm(DoubleStream.empty())).isEmpty();
    }
}
