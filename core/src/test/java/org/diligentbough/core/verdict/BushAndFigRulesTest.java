package org.diligentbough.core.verdict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.orchard.Form;
import org.diligentbough.core.orchard.Species;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

/** Bushes and figs: for each row a limb on which it bites and one on which it must not. Common practice, no source. */
class BushAndFigRulesTest {

    @Nested
    class OwnRules {
        private SurveyBuilder bush(Species species, int mains) {
            SurveyBuilder bush = SurveyBuilder.of(species);
            bush.formWanted = Form.BUSH;
            bush.mainsWanted = OptionalInt.empty();
            for (int i = 0; i < mains; i++) {
                int age = i % 7;
                double azimuth = i * 360.0 / mains;
                bush.limb("M" + i, limb -> limb.origin(0.2)
                        .diameter(2)
                        .length(1.2)
                        .angle(55)
                        .azimuth(azimuth)
                        .years(age));
            }
            return bush;
        }

        private long removed(Evaluation bush) {
            return bush.limbs().stream()
                    .filter(limb -> limb.verdict() == Verdict.REMOVE)
                    .count();
        }

        @Test
        void gooseberriesKeepEightToTenMains() {
            assertThat(removed(bush(Species.GOOSEBERRY, 15).evaluate())).isEqualTo(5);
            assertThat(removed(bush(Species.RED_CURRANT, 10).evaluate())).isZero();
            SurveyBuilder eight = bush(Species.GOOSEBERRY, 11);
            eight.mainsWanted = OptionalInt.of(8);
            assertThat(removed(eight.evaluate())).isEqualTo(3);
        }

        @Test
        void theOldestGoFirst() {
            Evaluation bush = bush(Species.GOOSEBERRY, 12).evaluate();
            assertThat(bush.limbs())
                    .filteredOn(limb -> limb.verdict() == Verdict.REMOVE)
                    .allMatch(limb -> limb.limb().woodYears().orElseThrow() >= 5);
        }

        @Test
        void aThirdOfTheOldestStemsOfABlackCurrantGoToTheGround() {
            Evaluation bush = bush(Species.BLACK_CURRANT, 12).evaluate();
            assertThat(removed(bush)).isEqualTo(4);
            assertThat(bush.tree().allowance().year()).isEmpty();
        }

        @Test
        void aFigsShootsGoBackToABudOrTwoAndTheWholeIsRenewedEveryThirdYear() {
            SurveyBuilder fig = SurveyBuilder.of(Species.FIG)
                    .limb("A", limb -> limb.origin(0.3).angle(70).length(3).years(6))
                    .limb("A1", limb -> limb.on("A", 0.4).years(1).length(0.5).diameter(1.5));
            fig.formWanted = null;
            fig.yearsSinceCut = OptionalDouble.of(1);
            assertThat(fig.judge("A1").verdict()).isEqualTo(Verdict.SHORTEN);
            assertThat(fig.judge("A1").cut().orElseThrow().place().alongM()).isLessThan(0.1);
            assertThat(fig.judge("A").verdict()).isEqualTo(Verdict.WAIT);
            fig.yearsSinceCut = OptionalDouble.of(3);
            assertThat(fig.judge("A").cut().orElseThrow().heightM()).isCloseTo(1.2, within(0.01));
        }

        @Test
        void aWeakFigIsLetGrow() {
            SurveyBuilder fig = SurveyBuilder.of(Species.FIG)
                    .limb("A", limb -> limb.origin(0.3).angle(70).length(3).years(6))
                    .limb("A1", limb -> limb.on("A", 0.4).years(1).length(0.5).diameter(1.5));
            fig.shootCm = OptionalDouble.of(10);
            fig.yearsSinceCut = OptionalDouble.of(5);
            assertThat(fig.evaluate().limbs()).allMatch(limb -> limb.cut().isEmpty());
        }
    }
}
