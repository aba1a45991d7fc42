package org.diligentbough.core.season;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.diligentbough.core.SurveyBuilder;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.orchard.Site;

/** Places to reckon seasons for. */
final class Sites {
    static final List<Double> MEAN_C = new SurveyBuilder().build().site().monthlyMeanC();
    static final List<Double> RAIN_MM = new SurveyBuilder().build().site().monthlyRainMm();

    /** Dry from May to September, wet in winter. */
    static final List<Double> WINTER_RAIN_MM =
            List.of(95.0, 90.0, 70.0, 35.0, 15.0, 4.0, 0.0, 1.0, 6.0, 25.0, 60.0, 85.0);

    private Sites() {}

    static Site at(double latitude, List<Double> meanC, List<Double> rainMm) {
        return new Site(latitude, 0, meanC, rainMm, Optional.empty(), Policy.DEFAULT);
    }

    /** A mild site at 52 north with a mean of 10 C. */
    static Site midLatitude() {
        return at(52, MEAN_C, RAIN_MM);
    }

    /** The same months half a year later. */
    static <T> List<T> turned(List<T> months) {
        List<T> turned = new ArrayList<>(months);
        Collections.rotate(turned, 6);
        return turned;
    }

    static Site inTheSouth(Site north) {
        return new Site(
                -north.latitude(),
                north.longitude(),
                turned(north.monthlyMeanC()),
                turned(north.monthlyRainMm()),
                north.extremes()
                        .map(known -> new Site.Extremes(turned(known.monthlyMinC()), turned(known.monthlyMaxC()))),
                north.policy());
    }

    /** A year that is the same every month. */
    static List<Double> always(double value) {
        return Collections.nCopies(12, value);
    }

    /** A smooth year: {@code meanC} on the whole, July warmer and January colder by {@code swingC}. */
    static List<Double> smooth(double meanC, double swingC) {
        return IntStream.range(0, 12)
                .mapToObj(month -> meanC - swingC * Math.cos(2 * Math.PI * (month - 0.3) / 12))
                .toList();
    }
}
