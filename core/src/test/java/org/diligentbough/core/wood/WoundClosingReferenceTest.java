package org.diligentbough.core.wood;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.survey.Face;
import org.diligentbough.core.wood.Wound.Look;
import org.diligentbough.core.wood.WoundCourse.Growth;
import org.diligentbough.core.wood.WoundCourse.State;
import org.junit.jupiter.api.Test;

/** Closing by hand: r = (w0 - wt) / (2 x years), closed w / (2r) years after the newest look. */
class WoundClosingReferenceTest {
    private static final LocalDate MADE = LocalDate.of(2027, 2, 20);
    private static final Growth GOOD = new Growth(OptionalDouble.empty(), OptionalDouble.of(30));
    private final WoundClosing closing = new WoundClosing(SurveyBuilder.RULES.knowledge());

    private static Look look(int years, double mm) {
        return new Look(MADE.plusDays(Math.round(365.25 * years)), mm, mm, Wound.State.CLOSING);
    }

    private static Wound wound(Look... looks) {
        return new Wound(MADE, 8, Optional.of(Face.SOUND), OptionalDouble.empty(), Arrays.asList(looks));
    }

    @Test
    void aWoundThatClosesInALineIsToldExactly() {
        // 80 mm, 8 mm a year from both edges together: 4 a year from each, closed after ten years.
        WoundCourse course = closing.of(wound(look(1, 72), look(2, 64), look(4, 48)), GOOD);
        assertThat(course.closingMmPerYear()).isCloseTo(4, within(0.01));
        assertThat(course.closedYear()).hasValue(2037);
        assertThat(course.low().orElseThrow()).isBetween(2035, 2037);
        assertThat(course.high().orElseThrow()).isBetween(2037, 2039);
        assertThat(course.state()).isEqualTo(State.CLOSING);
    }

    @Test
    void bothWaysCountAlike() {
        Wound oval = wound(new Look(LocalDate.of(2028, 2, 20), 74, 70, Wound.State.CLOSING));
        assertThat(closing.of(oval, GOOD).closingMmPerYear()).isCloseTo(4, within(0.01));
    }

    @Test
    void beforeAnyLookGrowthSaysWhatToExpect() {
        // Girth 2 cm a year: radius 20 / (2 pi) = 3.18 mm, and twice that (figure wound-closing-per-radius) = 6.37.
        Growth girth = new Growth(OptionalDouble.of(2), OptionalDouble.of(10));
        assertThat(closing.expectedMmPerYear(girth)).isCloseTo(6.366, within(0.001));
        assertThat(closing.expectedMmPerYear(GOOD)).isCloseTo(3.9, within(1e-9));
        assertThat(closing.expectedMmPerYear(Growth.UNKNOWN)).isEqualTo(4);
        WoundCourse course = closing.of(wound(), Growth.UNKNOWN);
        assertThat(course.closedYear()).hasValue(2037);
        assertThat(course.low().orElseThrow()).isLessThan(2037);
        assertThat(course.high().orElseThrow()).isGreaterThan(2037);
    }

    @Test
    void slowOverTwoLooksOrRottenDoesNotClose() {
        assertThat(closing.of(wound(look(1, 79)), GOOD).state()).isEqualTo(State.CLOSING);
        assertThat(closing.of(wound(look(1, 79), look(2, 78)), GOOD).state()).isEqualTo(State.NOT_CLOSING);
        // It closed well once and has stood still since.
        WoundCourse stands = closing.of(wound(look(1, 70), look(2, 69), look(3, 69)), GOOD);
        assertThat(stands.state()).isEqualTo(State.NOT_CLOSING);
        assertThat(stands.closedYear()).isEmpty();
        Look fungus = new Look(MADE.plusYears(1), 60, 60, Wound.State.FUNGUS);
        assertThat(closing.of(wound(fungus), GOOD).state()).isEqualTo(State.NOT_CLOSING);
    }

    @Test
    void oneThatGrewWiderHasNoYear() {
        WoundCourse wider = closing.of(wound(look(1, 84)), GOOD);
        assertThat(wider.state()).isEqualTo(State.NOT_CLOSING);
        assertThat(wider.closingMmPerYear()).isNegative();
        assertThat(wider.closedYear()).isEmpty();
    }

    @Test
    void oneThatClosedSaysSinceWhen() {
        Look shut = new Look(LocalDate.of(2035, 3, 1), 0, 0, Wound.State.CLOSED);
        WoundCourse course = closing.of(wound(look(1, 70), shut), GOOD);
        assertThat(course.state()).isEqualTo(State.CLOSED);
        assertThat(course.closedYear()).hasValue(2035);
    }

    /** Yearly steps of their own about 8 mm: four of five intervals hold the true rate. */
    @Test
    void theIntervalHoldsTheTruthAsOftenAsSaid() {
        int held = 0;
        int cases = 2000;
        Random random = new Random(4);
        for (int i = 0; i < cases; i++) {
            double open = 200;
            Look[] looks = new Look[5];
            for (int year = 1; year <= 5; year++) {
                open -= 16 + 8 * random.nextGaussian();
                looks[year - 1] = look(year, Math.max(1, open));
            }
            Wound wide = new Wound(MADE, 20, Optional.empty(), OptionalDouble.empty(), List.of(looks));
            WoundCourse course = closing.of(wide, GOOD);
            double atLow = rateTo(course.high().orElse(9999), looks[4]);
            double atHigh = rateTo(course.low().orElse(9999), looks[4]);
            held += atLow <= 8 + 0.35 && atHigh >= 8 - 0.35 ? 1 : 0;
        }
        // Whole years blur the ends, so that a little more than four fifths hold.
        assertThat((double) held / cases).isBetween(0.78, 0.95);
    }

    private static double rateTo(int year, Look last) {
        return last.openMm()
                / (2 * (year + 0.5 - (last.on().getYear() + last.on().getDayOfYear() / 365.25)));
    }
}
