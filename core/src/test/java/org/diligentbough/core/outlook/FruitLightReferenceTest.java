package org.diligentbough.core.outlook;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.knowledge.Knowledge;
import org.junit.jupiter.api.Test;

/**
 * What light lets a tree bear, against published responses of apples to shade: flower buds and fruit of shaded trees beside
 * those in the open (from memory: Jackson and Palmer 1977, whole trees at 37, 25 and 11 % of full light: about six, four and
 * one tenths of the fruit; Heinicke 1966: under 40 % fruit stays small and green, from 50 to 70 % it sizes and colours; none
 * was at hand word by word, so each is met within two tenths).
 */
class FruitLightReferenceTest {
    private static final Map<Double, Double> OF_THE_FRUIT = Map.of(0.11, 0.1, 0.25, 0.4, 0.37, 0.6, 0.6, 1.0, 1.0, 1.0);

    @Test
    void theCurveMeetsThePublishedTable() {
        Knowledge knowledge = Knowledge.load();
        double none = knowledge.get(Figure.OUTLOOK_FRUIT_NO_LIGHT);
        double full = knowledge.get(Figure.OUTLOOK_FRUIT_FULL_LIGHT);
        OF_THE_FRUIT.forEach((light, share) -> assertThat(Math.max(0, Math.min(1, (light - none) / (full - none))))
                .as("at " + light)
                .isCloseTo(share, within(0.2)));
        // Flower buds form at about 30 %: there a limb bears some, and the ramp for wood in light has its middle.
        assertThat((knowledge.get(Figure.FRUIT_LIGHT) - none) / (full - none)).isBetween(0.3, 0.6);
    }
}
