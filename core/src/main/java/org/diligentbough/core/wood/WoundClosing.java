package org.diligentbough.core.wood;

import static org.diligentbough.core.knowledge.Figure.WOUND_CLOSING_MM;
import static org.diligentbough.core.knowledge.Figure.WOUND_CLOSING_PER_EXTENSION;
import static org.diligentbough.core.knowledge.Figure.WOUND_CLOSING_PER_RADIUS;
import static org.diligentbough.core.knowledge.Figure.WOUND_CLOSING_SPREAD;
import static org.diligentbough.core.knowledge.Figure.WOUND_CLOSING_TIMES;
import static org.diligentbough.core.knowledge.Figure.WOUND_NOT_CLOSING_SHARE;
import static org.diligentbough.core.knowledge.Figure.WOUND_READING_MM;
import static org.diligentbough.core.knowledge.Figure.WOUND_YEAR_SPREAD;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import org.diligentbough.core.knowledge.Knowledge;
import org.diligentbough.core.wood.Wound.Look;
import org.diligentbough.core.wood.WoundCourse.Growth;
import org.diligentbough.core.wood.WoundCourse.State;
import org.hipparchus.distribution.continuous.NormalDistribution;
import org.hipparchus.distribution.continuous.TDistribution;

/**
 * Reckons how wounds close: in a straight line, what is open growing narrower from both edges (own assumption).
 *
 * <p>The rate is what was open at first less what is open now, by twice the years. From three looks on its spread is that
 * of the wound's own years, each a step of its own; before that, what is shipped.
 */
public final class WoundClosing {
    /** Upper end of an interval of 80 %. */
    private static final double UPPER = 0.9;

    private static final int LOOKS_FOR_ITS_OWN_SPREAD = 3;
    private static final double DAYS_A_YEAR = 365.25;
    private static final double MM_A_CM = 10;
    private static final double LEAST_MM = 0.2;
    private static final int MOST_YEARS = 500;

    private final Knowledge knowledge;

    public WoundClosing(Knowledge knowledge) {
        this.knowledge = knowledge;
    }

    /**
     * What growth lets expect from each edge, mm a year: by the trunk's radius where its growth is known (from memory:
     * Neely 1970, 1988), else by the end shoots, else the shipped figure.
     */
    public double expectedMmPerYear(Growth growth) {
        return knowledge.get(WOUND_CLOSING_TIMES) * shippedMmPerYear(growth);
    }

    private double shippedMmPerYear(Growth growth) {
        if (growth.girthCmPerYear().isPresent() && growth.girthCmPerYear().getAsDouble() > 0) {
            double radiusMm = growth.girthCmPerYear().getAsDouble() * MM_A_CM / (2 * Math.PI);
            return Math.max(LEAST_MM, knowledge.get(WOUND_CLOSING_PER_RADIUS) * radiusMm);
        }
        if (growth.shootExtensionCm().isPresent()) {
            return Math.max(
                    LEAST_MM,
                    knowledge.get(WOUND_CLOSING_PER_EXTENSION)
                            * growth.shootExtensionCm().getAsDouble());
        }
        return knowledge.get(WOUND_CLOSING_MM);
    }

    /** The course of a wound on a tree that grows so. */
    public WoundCourse of(Wound wound, Growth growth) {
        double expected = expectedMmPerYear(growth);
        if (wound.looks().isEmpty()) {
            double spread =
                    knowledge.get(WOUND_CLOSING_SPREAD) * new NormalDistribution().inverseCumulativeProbability(UPPER);
            return course(wound, expected, expected, expected * Math.exp(-spread), expected * Math.exp(spread));
        }
        double rate = rate(wound, 0);
        if (wound.closed().isPresent()) {
            OptionalInt year = OptionalInt.of(wound.closed().get().on().getYear());
            return new WoundCourse(
                    rate,
                    expected,
                    year,
                    year,
                    year,
                    State.CLOSED,
                    wound.looks().size(),
                    wound.last().orElseThrow().on());
        }
        double wide = halfWidth(wound, rate);
        return course(wound, rate, expected, rate - wide, rate + wide);
    }

    private WoundCourse course(Wound wound, double rate, double expected, double lowRate, double highRate) {
        LocalDate lookedOn = wound.last().map(Look::on).orElse(wound.madeOn());
        if (notClosing(wound, expected) || rate <= 0) {
            OptionalInt none = OptionalInt.empty();
            return new WoundCourse(
                    rate,
                    expected,
                    none,
                    none,
                    none,
                    State.NOT_CLOSING,
                    wound.looks().size(),
                    lookedOn);
        }
        double open = wound.last().map(Look::openMm).orElse(wound.madeMm());
        return new WoundCourse(
                rate,
                expected,
                year(lookedOn, open, rate),
                year(lookedOn, open, highRate),
                year(lookedOn, open, lowRate),
                State.CLOSING,
                wound.looks().size(),
                lookedOn);
    }

    private static OptionalInt year(LocalDate lookedOn, double openMm, double rate) {
        double years = openMm / (2 * rate);
        return rate > 0 && years <= MOST_YEARS
                ? OptionalInt.of(
                        lookedOn.plusDays(Math.round(years * DAYS_A_YEAR)).getYear())
                : OptionalInt.empty();
    }

    /** From each edge, mm a year, from one of the widths known to the newest: 0 is when it was made, 1 the first look. */
    private static double rate(Wound wound, int from) {
        List<Step> steps = steps(wound).subList(from, wound.looks().size());
        double years = steps.stream().mapToDouble(Step::years).sum();
        return steps.stream().mapToDouble(Step::closedMm).sum() / (2 * years);
    }

    /** What closed, mm of width, in some years. */
    private record Step(double years, double closedMm) {}

    private static List<Step> steps(Wound wound) {
        List<Step> steps = new ArrayList<>();
        LocalDate on = wound.madeOn();
        double open = wound.madeMm();
        for (Look look : wound.looks()) {
            double years = Math.max(1, ChronoUnit.DAYS.between(on, look.on())) / DAYS_A_YEAR;
            steps.add(new Step(years, open - look.openMm()));
            on = look.on();
            open = look.openMm();
        }
        return steps;
    }

    /** Half the width of the rate's interval, mm a year. */
    private double halfWidth(Wound wound, double rate) {
        List<Step> steps = steps(wound);
        double years = steps.stream().mapToDouble(Step::years).sum();
        double reading = knowledge.get(WOUND_READING_MM) / (Math.sqrt(2) * years);
        if (steps.size() < LOOKS_FOR_ITS_OWN_SPREAD) {
            double ofYears = Math.abs(rate) * knowledge.get(WOUND_YEAR_SPREAD) / Math.sqrt(years);
            return new NormalDistribution().inverseCumulativeProbability(UPPER) * Math.hypot(ofYears, reading);
        }
        double variance = steps.stream()
                        .mapToDouble(step -> {
                            double off = step.closedMm() / 2 - rate * step.years();
                            return off * off / step.years();
                        })
                        .sum()
                / (steps.size() - 1);
        double t = new TDistribution(steps.size() - 1).inverseCumulativeProbability(UPPER);
        return t * Math.max(Math.sqrt(variance / years), reading);
    }

    /** Whether it rots, or closed too slowly over its last two looks. */
    private boolean notClosing(Wound wound, double expected) {
        int looks = wound.looks().size();
        return wound.rots() || looks >= 2 && rate(wound, looks - 2) < knowledge.get(WOUND_NOT_CLOSING_SHARE) * expected;
    }
}
